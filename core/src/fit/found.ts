import type { Interval } from '../quantity/interval.js';
import { sentence, type Sentence } from '../quantity/sentence.js';
import type { shellsByPlace } from './shells.js';

/** Which shell goes into one place, as fitting found. */
export interface ShellFound {
  readonly position: number;
  /** One, or two where halves of two are mixed; none where it cannot be told. */
  readonly patterns: readonly string[];
  /** The clearance it leaves, and what is asked for. */
  readonly clearance?: Interval;
  readonly required?: Interval;
  /** Why it is not settled, where something was measured or marked and does not settle it. */
  readonly open?: Sentence;
}

/** What is fitted place by place: what was measured counts before the mark, and where they disagree nothing is. */
export const shellsFound = (places: ReturnType<typeof shellsByPlace>): readonly ShellFound[] =>
  places.map(({ position, byMark, byMeasure, disagree, says, required }): ShellFound => {
    const chosen = byMeasure ?? byMark;
    if (disagree) return { position, patterns: [], open: says[0] ?? ['Mark and measure disagree.'] };
    if (!chosen) return { position, patterns: [] };
    if (chosen.verdict === 'doesNotFit')
      return { position, patterns: [], open: sentence`No shell gives the clearance there. ${says.at(-1) ?? []}` };
    if (chosen.orElse.length > 0)
      return {
        position,
        patterns: [],
        open: [`It may be ${[chosen.says, ...chosen.orElse].join(' or ')}: measure finer.`],
      };
    return { position, patterns: chosen.patterns, clearance: chosen.clearance, required };
  });

import { capital } from '../../quantity/phrase.js';
import type { Feature } from '../../dictionary/definition.js';
import { sayLook } from '../../dictionary/dictionary.js';
import type { Sentence } from '../../quantity/sentence.js';
import { lookOf, type Assembly, type Where } from '../assembly.js';
import { WORK_MAY_HELP, REPLACED, NO_WORK_HELPS, type JointCheck } from '../check.js';
import { mended, missing, said, type Offer } from '../outcome.js';
import type { Verdict } from '../verdict.js';

/** What one part shows asks something of the other: a drilled rod, an oil feed, a groove. */
export function implied(spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Feature;
  /** The options that ask for it. */
  readonly when: readonly string[];
  readonly needs: Feature;
  readonly needsOf?: Where;
  /** The options that give it. */
  readonly be: readonly string[];
  readonly also?: readonly string[];
  readonly notAsked: string;
  readonly met: string;
  readonly unmet: string;
  readonly mend?: (assembly: Assembly) => readonly Offer[];
  /** The verdicts it can come to, where they are not those of any look, with work if there is something to mend it. */
  readonly verdicts?: readonly Verdict[];
  readonly confirming?: true;
}): JointCheck {
  return {
    id: spec.id,
    name: spec.name,
    reads: [spec.of.id, (spec.needsOf === 'replaced' ? REPLACED : '') + spec.needs.id, ...(spec.also ?? [])],
    ...(spec.confirming ? { confirming: spec.confirming } : {}),
    verdicts: spec.verdicts ?? (spec.mend ? WORK_MAY_HELP : NO_WORK_HELPS),
    judge: (assembly) => {
      const asked = lookOf(assembly, spec.of);
      if (asked === undefined) return missing([spec.of], 'count');
      const look = sayLook(spec.of, asked);
      const because = (words: string): Sentence => [`${capital(look)}: ${words}`];
      if (!spec.when.includes(asked)) return said('fits', because(spec.notAsked));
      const given = lookOf(assembly, spec.needs, spec.needsOf);
      if (given === undefined) return missing([spec.needs], 'count');
      if (spec.be.includes(given)) return said('fits', because(spec.met));
      return mended(said('doesNotFit', because(spec.unmet)), spec.mend?.(assembly) ?? [], assembly.rules);
    },
  };
}

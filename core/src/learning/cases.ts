import type { KindId } from '../dictionary/dictionary.js';
import { Identification, type CatalogueIndex, type IdentifyOptions } from '../identify/index.js';
import type { Specimen, Understood } from '../readings/reading.js';
import type { Answer } from './calibration.js';

/** A part whose name is known, with what was said of it before. */
export interface ConfirmedCase extends Answer {
  readonly specimen: Specimen;
  /** What it is; undefined where it is in no catalogue. */
  readonly was: string | undefined;
  /** What was likeliest; undefined where that was a part in no catalogue. */
  readonly said: string | undefined;
  /** Whether it was said to be like a pattern, with a value of its own. */
  readonly asSister: boolean;
  readonly identification: Identification;
}

/** What was read on a part before its name was confirmed: what came afterwards was read by people who knew it. */
const readBefore = ({ readings, confirmed }: Specimen): Understood[] =>
  readings.filter(({ at }) => confirmed !== undefined && at <= confirmed.at).map(({ is }) => is);

/**
 * Parts that were confirmed and on which something was read before, with what is said of them from that. Parts
 * confirmed to be a pattern that the catalogue no longer has are left out.
 */
export function confirmedCases(
  specimens: readonly Specimen[],
  indexOf: (kind: KindId) => CatalogueIndex,
  identifyOptions: IdentifyOptions = {},
): ConfirmedCase[] {
  return specimens.flatMap((specimen): ConfirmedCase[] => {
    if (!specimen.confirmed) return [];
    const was = specimen.confirmed.pattern;
    const index = indexOf(specimen.kind);
    if (was !== undefined && !index.patterns.includes(was)) return [];
    const identification = new Identification(index, identifyOptions).read(readBefore(specimen));
    if (identification.weighed.length === 0) return [];
    const { candidates, none } = identification.lineUp(1);
    const [first] = candidates;
    const base = { specimen, was, identification };
    if (!first || none > first.probability)
      return [{ ...base, said: undefined, asSister: false, probability: none, right: was === undefined }];
    const asSister = first.own !== undefined;
    const right = asSister ? was === undefined : first.pattern === was;
    return [{ ...base, said: first.pattern, asSister, probability: first.probability, right }];
  });
}

import { describedAs, keySizesOf } from '../dictionary/dictionary.js';
import { Aligner } from '../marks/alignment.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import { listAt } from './columns.js';
import type { Weighed } from './weigh/weighed.js';

/** A casting that is machined to several forms: its number names them all. */
export interface Casting {
  /** The reading of its number. */
  readonly text: string;
  /** Ids of the other patterns that bear it. */
  readonly others: readonly string[];
  /** Id of a size or look in which they differ from this one; undefined where the catalogue records none. */
  readonly tellBy: string | undefined;
}

/** As many are named; a number that more bear is of a family and no casting. */
const MOST = 8;

/**
 * Which casting a pattern is machined from, where its cast number was read and others bear it as well.
 *
 * @param weighed what was read
 */
export function castingOf(index: CatalogueIndex, row: number, weighed: readonly Weighed[]): Casting | undefined {
  const { marks, patterns } = index;
  for (const { evidence } of weighed) {
    if (evidence.sort !== 'mark' || evidence.positions.length === 0) continue;
    const read = [...listAt(marks.ofPattern, row)].find((code) => {
      const mark = marks.distinct[code];
      if (mark?.making !== 'cast') return false;
      return new Aligner(evidence.positions, mark.making).logLikelihood(mark.text) > -Infinity;
    });
    if (read === undefined) continue;
    const others = [...listAt(marks.bearers, read)].filter((other) => other !== row);
    if (others.length === 0 || others.length > MOST) continue;
    return {
      text: evidence.text,
      others: others.map((other) => patterns[other] ?? ''),
      tellBy: differingIn(index, row, others),
    };
  }
  return undefined;
}

/** The first size or look of the kind in which a pattern differs from all the others: key sizes before the rest. */
function differingIn(index: CatalogueIndex, row: number, others: readonly number[]): string | undefined {
  const { features, parameters } = describedAs(index.kind);
  const ids = [
    ...keySizesOf(index.kind),
    ...[...Object.values(features), ...Object.values(parameters)].map(({ id }) => id),
  ];
  const valueOf = (entry: string, at: number): string => {
    const size = index.sizes.get(entry);
    const look = index.looks.get(entry);
    const limits = size?.distinct[(size.codes[at] ?? 0) - 1]?.limits;
    return limits ? `${limits.low} ${limits.high}` : (look?.distinct[(look.codes[at] ?? 0) - 1] ?? '');
  };
  return ids.find((entry) => {
    const own = valueOf(entry, row);
    return own !== '' && others.every((other) => valueOf(entry, other) !== '' && valueOf(entry, other) !== own);
  });
}

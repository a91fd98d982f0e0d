import { KIND_IDS, KINDS } from '../../dictionary/dictionary.js';
import { sentence, value } from '../../quantity/sentence.js';
import { auditRule } from '../rule.js';
import { middleOf } from '../engine.js';

/** Fewest sizes of which anything can be called usual. */
const ENOUGH = 8;
/**
 * How far out a size must be. The modified z-score with the median absolute deviation, 0.6745·|x − median|/MAD, is
 * called an outlier above 3.5 (Iglewicz and Hoaglin, *How to Detect and Handle Outliers*, ASQC 1993).
 */
const FAR = 3.5;
/**
 * Engines come in several honest sizes: only what has no other within this factor stands alone. A slip of unit or point
 * is ten or more.
 */
const ALONE = 3;
const SCALE = 0.6745;
/** Sizes that hardly vary among themselves have a deviation near nothing; then this share of the median counts. */
const LEAST_SPREAD = 0.04;

const median = (sorted: readonly number[]): number => {
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};

/** The modified z-score of each value among all, on the scale of ratios. Values must be above zero. */
export function modifiedZScores(values: readonly number[], leastSpread = 0): number[] {
  const logs = values.map(Math.log);
  const centre = median([...logs].sort((a, b) => a - b));
  const deviation = median(logs.map((each) => Math.abs(each - centre)).sort((a, b) => a - b));
  return logs.map((each) => (SCALE * (each - centre)) / Math.max(deviation, leastSpread));
}

export const farFromOthers = auditRule(
  'farFromOthers',
  'Far from the others',
  'A size of a kind of part lies far from those of all other patterns of the kind in its family.',
  function* (catalogue) {
    for (const kind of KIND_IDS) {
      const patterns = catalogue.ofKind(kind);
      for (const parameter of Object.values(KINDS[kind].parameters)) {
        const sizes = patterns.flatMap((pattern) => {
          const size = middleOf(pattern, parameter);
          return size !== undefined && size > 0 ? [{ pattern, size }] : [];
        });
        if (sizes.length < ENOUGH) continue;
        const scores = modifiedZScores(
          sizes.map(({ size }) => size),
          LEAST_SPREAD,
        );
        const usual = median(sizes.map(({ size }) => size).sort((a, b) => a - b));
        for (const [at, { pattern, size }] of sizes.entries()) {
          if (Math.abs(scores[at] ?? 0) < FAR) continue;
          if (
            sizes.some((other) => other.pattern !== pattern && Math.max(other.size / size, size / other.size) < ALONE)
          )
            continue;
          yield {
            weight: 'look',
            where: { type: 'pattern', id: pattern.id, at: parameter.id },
            says: sentence`${parameter.name} of ${catalogue.label(pattern.id)} is ${value(size, parameter.quantity)}, where half of the ${KINDS[kind].plural.toLowerCase()} have under ${value(usual, parameter.quantity)}: look at the figure and its unit.`,
          };
        }
      }
    }
  },
);

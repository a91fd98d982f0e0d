import { median } from 'd3-array';
import { KIND_IDS, KINDS } from '../../dictionary/dictionary.js';
import { sentence, value } from '../../quantity/sentence.js';
import { limitOf, records } from '../../thumb/index.js';
import { auditRule } from '../rule.js';
import { middleOf } from '../engine.js';

/** The upper quartile of the standard normal distribution, by which the deviation is scaled. */
const QUARTILE = 0.6745;

/**
 * The modified z-score of each value among all, on the scale of ratios: 0.6745 (x − median) / MAD of the logarithms,
 * where MAD is the median absolute deviation.
 *
 * @param values above zero
 * @source Iglewicz and Hoaglin, *How to Detect and Handle Outliers*, ASQC 1993
 */
export function modifiedZScores(values: readonly number[]): number[] {
  const logs = values.map(Math.log);
  const centre = median(logs) ?? 0;
  const deviation = median(logs, (each) => Math.abs(each - centre)) ?? 0;
  return logs.map((each) => (each === centre ? 0 : (QUARTILE * (each - centre)) / deviation));
}

export const farFromOthers = auditRule(
  'farFromOthers',
  'Far from the others',
  'A size lies far from those of all other patterns of its kind.',
  function* (catalogue, rules) {
    const limit = (figure: Parameters<typeof limitOf>[0]): number => limitOf(figure, rules);
    const [fewest, farOut, alone] = [limit(records.fewest), limit(records.farOut), limit(records.alone)];
    for (const kind of KIND_IDS) {
      const patterns = catalogue.ofKind(kind);
      for (const parameter of Object.values(KINDS[kind].parameters)) {
        const sizes = patterns.flatMap((pattern) => {
          const size = middleOf(pattern, parameter);
          return size !== undefined && size > 0 ? [{ pattern, size }] : [];
        });
        if (sizes.length < fewest) continue;
        const scores = modifiedZScores(sizes.map(({ size }) => size));
        const usual = median(sizes, ({ size }) => size) ?? 0;
        for (const [at, { pattern, size }] of sizes.entries()) {
          if (Math.abs(scores[at] ?? 0) < farOut) continue;
          if (
            sizes.some((other) => other.pattern !== pattern && Math.max(other.size / size, size / other.size) < alone)
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
  [records.fewest, records.farOut, records.alone],
);

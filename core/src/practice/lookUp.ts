import type { Pattern } from '../catalogue/pattern.js';
import { sizeFrom } from '../catalogue/size.js';
import { parameterOf } from '../dictionary/dictionary.js';
import { normaliseMark } from '../marks/markText.js';
import { toInside } from '../quantity/unit.js';
import type { Understood } from '../readings/reading.js';

/**
 * The pattern that bears a mark or number exactly as read; undefined where none or several do. How it is done with a
 * list of numbers.
 */
export function byExactNumber(patterns: readonly Pattern[], readings: readonly Understood[]): string | undefined {
  const read = readings.flatMap((reading) =>
    reading.sort === 'mark' && reading.characters !== '' ? [normaliseMark(reading.characters)] : [],
  );
  const bearing = patterns.filter((pattern) =>
    [...pattern.marks.map(({ text }) => text), ...pattern.numbers.map(({ number }) => number)].some((text) =>
      read.includes(normaliseMark(text)),
    ),
  );
  return bearing.length === 1 ? bearing[0]?.id : undefined;
}

/**
 * The pattern whose sizes lie nearest to those measured, in tenths of a per cent. How it is done with a table of sizes.
 */
export function byNearestSizes(patterns: readonly Pattern[], readings: readonly Understood[]): string | undefined {
  const measured = readings.flatMap((reading) =>
    reading.sort === 'size' ? [{ id: reading.parameter, size: toInside(reading.values[0] ?? 0, reading.unit) }] : [],
  );
  if (measured.length === 0) return undefined;
  let best: { readonly id: string; readonly away: number } | undefined;
  for (const pattern of patterns) {
    let away = 0;
    for (const { id, size } of measured) {
      const dimension = pattern.dimensions[id];
      if (!dimension) {
        away += 1;
        continue;
      }
      const { limits } = sizeFrom(dimension, parameterOf(id));
      const middle = (limits.low + limits.high) / 2;
      away += Math.min(1, Math.abs(size - middle) / middle / 0.1);
    }
    if (!best || away < best.away) best = { id: pattern.id, away };
  }
  return best?.id;
}

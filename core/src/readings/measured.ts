import { parameterOf } from '../dictionary/dictionary.js';
import { fromInside, toInside } from '../quantity/unit.js';
import type { SizeReading, Understood } from './reading.js';

/**
 * The measurements among some readings, repeats of one size with one instrument pooled into one: measuring a
 * journal twice is one better measurement, not two pieces of evidence. Sizes too far apart to be repeats (a slip, or
 * another journal) stay apart and speak for themselves. The result does not depend on the order of the readings.
 */
export function sizesMeasured(readings: readonly Understood[]): SizeReading[] {
  const sizes = readings
    .filter((reading): reading is SizeReading => reading.sort === 'size')
    .map((reading) => ({ reading, mean: meanInside(reading) }));
  sizes.sort(
    (a, b) =>
      compare(groupOf(a.reading), groupOf(b.reading)) || a.mean - b.mean || compare(a.reading.text, b.reading.text),
  );
  const pooled: { reading: SizeReading; mean: number }[] = [];
  for (const each of sizes) {
    const last = pooled[pooled.length - 1];
    if (
      last &&
      groupOf(last.reading) === groupOf(each.reading) &&
      each.mean - last.mean <= repeatsWithin(each.reading)
    ) {
      last.reading = joined(last.reading, each.reading);
      last.mean = each.mean;
    } else pooled.push({ ...each });
  }
  return pooled.map(({ reading }) => reading);
}

const groupOf = (reading: SizeReading): string => `${reading.parameter} ${reading.instrument}`;

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const meanInside = (reading: SizeReading): number =>
  reading.values.reduce((sum, value) => sum + toInside(value, reading.unit), 0) / reading.values.length;

/**
 * How far apart two measurements of one part may lie and still be of the same thing: its spread as made, and wear
 * between journals.
 */
function repeatsWithin(reading: SizeReading): number {
  const parameter = parameterOf(reading.parameter);
  return 2 * parameter.usualTolerance + 4 * parameter.usualWear;
}

function joined(a: SizeReading, b: SizeReading): SizeReading {
  const values = b.values.map((value) => fromInside(toInside(value, b.unit), a.unit));
  // Figures pooled from two readings were never written together.
  const { figures: _written, ...rest } = a;
  return { ...rest, text: `${a.text}, ${b.text}`, values: [...a.values, ...values] };
}

import { parameterOf } from '../dictionary/dictionary.js';
import { fromInside, toInside } from '../quantity/unit.js';
import type { SizeReading, Understood } from './reading.js';

/**
 * The measurements among some readings, repeats of one size with one instrument pooled into one: measuring a
 * journal twice is one better measurement, not two pieces of evidence. Sizes too far apart to be repeats (a slip, or
 * another journal) stay apart and speak for themselves, and so does every place of several, and on one of them every
 * height and direction: journals are never pooled. The result does not depend on the order of the readings.
 */
export function sizesMeasured(readings: readonly Understood[]): SizeReading[] {
  const sizes = readings
    .filter((reading): reading is SizeReading => reading.sort === 'size')
    .flatMap(bySpot)
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

/** Whether all values of a list are one. */
const isOne = (list: readonly unknown[] = []): boolean => new Set(list).size < 2;

/** What was read at several places, heights or directions, each by itself. */
const bySpot = (reading: SizeReading): readonly SizeReading[] => {
  const { positions, levels, axes } = reading;
  if (isOne(positions) && isOne(levels) && isOne(axes)) return [reading];
  return reading.values.map((value, at) => {
    const { figures: _written, ...rest } = reading;
    const only = <T>(list: readonly T[] | undefined): T[] => (list ?? []).slice(at, at + 1);
    return {
      ...rest,
      values: [value],
      ...(positions ? { positions: only(positions) } : {}),
      ...(levels ? { levels: only(levels) } : {}),
      ...(axes ? { axes: only(axes) } : {}),
    };
  });
};

const groupOf = ({ parameter, instrument, positions, levels, axes }: SizeReading): string =>
  `${parameter} ${instrument} ${String(positions?.[0] ?? '').padStart(2, '0')}${levels?.[0] ?? ''}${axes?.[0] ?? ''}`;

/**
 * The same, of several positions of one size the one that tells best what the part was made: the least worn. Five
 * journals of one crank are one cause, not five pieces of evidence.
 */
export function sizesOfPart(readings: readonly Understood[]): SizeReading[] {
  const sizes = sizesMeasured(readings);
  const told = new Map<string, SizeReading[]>();
  for (const size of sizes)
    if (isAtSpot(size)) {
      const key = `${size.parameter} ${size.instrument}`;
      told.set(key, [...(told.get(key) ?? []), size]);
    }
  return [...sizes.filter((size) => !isAtSpot(size)), ...[...told.values()].map(leastWorn)];
}

/** Whether it is said where on the part it was taken, of several places, heights or directions. */
const isAtSpot = ({ positions, levels, axes }: SizeReading): boolean => (positions ?? levels ?? axes) !== undefined;

function leastWorn(sizes: readonly SizeReading[]): SizeReading {
  const sorted = [...sizes].sort((a, b) => meanInside(a) - meanInside(b));
  const { wear } = parameterOf(sorted[0]?.parameter ?? '');
  const place = wear === 'shrinks' ? sorted.length - 1 : wear === 'grows' ? 0 : Math.floor((sorted.length - 1) / 2);
  const chosen = sorted[place];
  if (!chosen) throw new RangeError('No size was measured.');
  return { ...chosen, text: [...new Set(sizes.map(({ text }) => text))].sort().join(', ') };
}

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
  return {
    ...rest,
    // Of one reading that was cut up into its spots the words are said once.
    text: a.text.includes(b.text) ? a.text : `${a.text}, ${b.text}`,
    values: [...a.values, ...values],
    ...(a.positions ? { positions: [...a.positions, ...(b.positions ?? [])] } : {}),
    ...(a.levels ? { levels: [...a.levels, ...(b.levels ?? [])] } : {}),
    ...(a.axes ? { axes: [...a.axes, ...(b.axes ?? [])] } : {}),
  };
}

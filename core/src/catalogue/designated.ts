import { DesignationError, readBearing } from '../designations/rollingBearing.js';
import { rollingBearing } from '../dictionary/kinds/rollingBearing.js';
import { interval, type Interval } from '../quantity/interval.js';
import type { PartNumber } from './pattern.js';

/** What a part's number tells of it, by dictionary id. */
interface Designated {
  readonly sizes: Readonly<Record<string, Interval>>;
  readonly looks: Readonly<Record<string, string>>;
}

const NOTHING: Designated = { sizes: {}, looks: {} };

/**
 * How far below its nominal size a bearing of normal tolerance may be, micrometres, up to a diameter: ISO 492:2014,
 * tables 1 and 2, mean diameters in a single plane. *From memory.*
 */
const BORE: readonly (readonly [to: number, below: number])[] = [
  [18, 8],
  [30, 10],
  [50, 12],
  [80, 15],
  [120, 20],
];
const OUTSIDE: readonly (readonly [to: number, below: number])[] = [
  [18, 8],
  [30, 9],
  [50, 11],
  [80, 13],
  [120, 15],
  [150, 18],
  [180, 25],
  [250, 30],
];
/** A ring may be so much narrower, mm: the same tables, 2.5 to 50 mm of bore. *From memory.* */
const NARROWER = 0.12;

const upTo = (size: number, table: typeof BORE): Interval => {
  const below = table.find(([to]) => size <= to)?.[1] ?? 30;
  return interval(size - below / 1000, size);
};

/**
 * What the designation of a rolling bearing tells, so that one of which nobody wrote more than its number is known by
 * its boundary dimensions (ISO 15). Nothing where no number can be read.
 *
 * @example designated([{ number: '6204' }]).sizes['rollingBearing.bore'] // 19.990 to 20.000
 */
export function designated(numbers: readonly Pick<PartNumber, 'number'>[]): Designated {
  for (const { number } of numbers) {
    try {
      const { form, bore, outside, width, innerShoulder, clearanceClass, cover } = readBearing(number);
      const { parameters, features } = rollingBearing;
      return {
        sizes: {
          [parameters.bore.id]: upTo(bore, BORE),
          [parameters.outside.id]: upTo(outside, OUTSIDE),
          [parameters.width.id]: interval(width - NARROWER, width),
        },
        looks: {
          [features.form.id]: form,
          [features.innerShoulder.id]: innerShoulder,
          ...(clearanceClass === undefined ? {} : { [features.clearanceClass.id]: clearanceClass }),
          [features.cover.id]: cover,
        },
      };
    } catch (error) {
      if (!(error instanceof DesignationError)) throw error;
    }
  }
  return NOTHING;
}

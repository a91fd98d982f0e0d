import { around, type Interval } from './interval.js';
import type { QuantityKind } from './unit.js';

/**
 * What a measurement's uncertainty is worked out from: how finely the tool reads, and how far it may be wrong and still
 * be in order. Inside unit.
 */
export interface Precision {
  readonly resolution: number;
  /** Maximum permissible error, either way. */
  readonly permissibleError: number;
}

/** A sort of measuring instrument, with the values usual for it. In the inside unit of what it measures. */
interface Instrument extends Precision {
  readonly id: string;
  readonly name: string;
  readonly words: readonly string[];
  /** What it measures. */
  readonly quantity: QuantityKind;
  /** Smallest and largest size it measures. */
  readonly range: Interval;
  /** Minutes to lay it out and set it, before the first size is taken with it. */
  readonly settingUp: number;
}

const sort = (
  name: string,
  words: string,
  [resolution, permissibleError]: readonly [number, number],
  [low, high]: readonly [number, number],
  settingUp = 0,
  quantity: QuantityKind = 'length',
): Omit<Instrument, 'id'> => ({
  name,
  words: words.split(', '),
  quantity,
  resolution,
  permissibleError,
  range: { low, high },
  settingUp,
});

/**
 * The sorts of instrument of a usual shop. Permissible errors are workshop values for the usual measuring range:
 * micrometers after ISO 3611, calipers after ISO 13385-1 (both figures from memory); the rest is common practice,
 * no source. A telescoping gauge is as good as the micrometer over it and the feel of the hand. A sheet measures
 * nothing: it is where figures come from that a part does not show, like a rated ratio. A calibrated eye is a guess
 * that knows it is one.
 */
const SORTS = {
  micrometer: sort(
    'Micrometer',
    "mic, micrometer, mike, mic’d, mic'd, miked, outside mic, outside micrometer",
    [0.002, 0.004],
    [0, 150],
  ),
  insideMicrometer: sort('Inside micrometer', 'inside mic, inside micrometer', [0.002, 0.006], [50, 300], 1),
  depthMicrometer: sort('Depth micrometer', 'depth mic, depth micrometer', [0.002, 0.006], [0, 100], 0.5),
  boreGauge: sort('Bore gauge', 'bore gauge, boregauge, dial bore, dial bore gauge', [0.002, 0.005], [18, 160], 2),
  snapGauge: sort('Snap gauge', 'snap gauge, snap, dial snap', [0.001, 0.003], [0, 100], 2),
  telescopingGauge: sort(
    'Telescoping gauge',
    'telescoping gauge, telescope gauge, t gauge, snap bore',
    [0.005, 0.015],
    [8, 150],
    0.5,
  ),
  caliper: sort('Caliper', 'caliper, calliper, calipers, vernier', [0.02, 0.03], [0, 150]),
  heightGauge: sort('Height gauge', 'height gauge', [0.02, 0.04], [0, 300], 1),
  rule: sort('Steel rule', 'rule, ruler, steel rule, tape', [0.5, 0.3], [0, 1000]),
  feeler: sort('Feeler', 'feeler, feelers, feeler gauge', [0.01, 0.01], [0.03, 2]),
  plug: sort('Plug gauge', 'plug gauge, pin gauge, plug', [0.01, 0.003], [1, 25], 0.5),
  scale: sort('Scale', 'scale, scales, balance', [0.1, 0.3], [0, 5000], 0.5, 'mass'),
  burette: sort('Burette', 'burette, buret', [0.1, 0.2], [0, 300], 3, 'volume'),
  degreeWheel: sort('Degree wheel', 'degree wheel, protractor', [0.5, 0.5], [0, 360], 3, 'angle'),
  springTester: sort('Spring tester', 'spring tester, tester', [2, 8], [0, 5000], 1, 'force'),
  sleeve: sort('Scale on a sleeve', 'sleeve, strip scale', [0.1, 0.1], [0.5, 8]),
  eye: sort('Calibrated eye', 'eye, by eye, by eyeball, guess', [1, 3], [0, 2000]),
  sheet: sort('Sheet', 'sheet, as stated, from sheet', [0.001, 0.001], [0, 1e6]),
};

export type InstrumentId = keyof typeof SORTS;

export const INSTRUMENTS = Object.fromEntries(
  Object.entries(SORTS).map(([id, each]) => [id, { ...each, id }]),
) as unknown as {
  readonly [Id in InstrumentId]: Instrument & { readonly id: Id };
};

export const INSTRUMENT_IDS = Object.keys(INSTRUMENTS) as InstrumentId[];

/** What a measurement gives: the best estimate and its standard uncertainty, in the inside unit. */
export interface Estimate {
  readonly mean: number;
  readonly uncertainty: number;
}

/**
 * The estimate from one or more repeats with one instrument.
 *
 * Permissible error and resolution are rectangular (JCGM 100:2008, 4.3.7 and F.2.2.1), so they enter as
 * a/sqrt(3) and d/(2 sqrt(3)); the scatter of n repeats enters as s/sqrt(n) (4.2.3); independent parts add in
 * quadrature (5.1.2).
 *
 * @param repeats one or more readings, inside unit
 * @param instrument its permissible error and resolution, in the same unit
 * @throws RangeError where there is no reading
 */
export function estimate(repeats: readonly number[], instrument: Precision): Estimate {
  if (repeats.length === 0) throw new RangeError('A measurement needs at least one reading.');
  // Summed in order of size, so that the order of typing cannot change the last digit.
  const sorted = [...repeats].sort((a, b) => a - b);
  const n = sorted.length;
  const mean = sorted.reduce((sum, x) => sum + x, 0) / n;
  const variance = n > 1 ? sorted.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (n - 1) : 0;
  const uncertainty = Math.sqrt(instrument.permissibleError ** 2 / 3 + instrument.resolution ** 2 / 12 + variance / n);
  return { mean, uncertainty };
}

/** Coverage factor of the expanded uncertainty: about 95 % (JCGM 100:2008, 6.2.1 and G.1.4). */
export const COVERAGE = 2;

/** The interval mean give or take the expanded uncertainty. */
export const expanded = (of: Estimate): Interval => around(of.mean, COVERAGE * of.uncertainty);

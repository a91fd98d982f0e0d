import { around, type Interval } from './interval.js';

/** A measuring instrument: how finely it reads, and how far it may be wrong and still be in order. In the inside unit of what it measures. */
export interface Instrument {
  readonly id: string;
  readonly name: string;
  readonly words: readonly string[];
  readonly resolution: number;
  /** Maximum permissible error, either way. */
  readonly permissibleError: number;
}

/**
 * The instruments of a usual shop. Permissible errors are workshop values for the usual measuring range:
 * micrometers after ISO 3611, calipers after ISO 13385-1 (both figures from memory); the rest is common practice,
 * no source. A sheet measures nothing: it is where figures come from that a part does not show, like a rated ratio.
 */
export const INSTRUMENTS = {
  micrometer: { id: 'micrometer', name: 'Micrometer', words: ['mic', 'micrometer', 'mike'], resolution: 0.002, permissibleError: 0.004 },
  boreGauge: { id: 'boreGauge', name: 'Bore gauge', words: ['bore gauge', 'boregauge', 'dial bore'], resolution: 0.002, permissibleError: 0.005 },
  depthMicrometer: { id: 'depthMicrometer', name: 'Depth micrometer', words: ['depth mic', 'depth micrometer'], resolution: 0.002, permissibleError: 0.006 },
  caliper: { id: 'caliper', name: 'Caliper', words: ['caliper', 'calliper', 'calipers', 'vernier'], resolution: 0.02, permissibleError: 0.03 },
  heightGauge: { id: 'heightGauge', name: 'Height gauge', words: ['height gauge'], resolution: 0.02, permissibleError: 0.04 },
  rule: { id: 'rule', name: 'Steel rule', words: ['rule', 'ruler', 'steel rule', 'tape'], resolution: 0.5, permissibleError: 0.3 },
  feeler: { id: 'feeler', name: 'Feeler', words: ['feeler', 'feelers', 'feeler gauge'], resolution: 0.01, permissibleError: 0.01 },
  plug: { id: 'plug', name: 'Plug gauge', words: ['plug gauge', 'pin gauge'], resolution: 0.01, permissibleError: 0.003 },
  scale: { id: 'scale', name: 'Scale', words: ['scale', 'scales', 'balance'], resolution: 0.1, permissibleError: 0.3 },
  burette: { id: 'burette', name: 'Burette', words: ['burette', 'buret'], resolution: 0.1, permissibleError: 0.2 },
  degreeWheel: { id: 'degreeWheel', name: 'Degree wheel', words: ['degree wheel', 'protractor'], resolution: 0.5, permissibleError: 0.5 },
  springTester: { id: 'springTester', name: 'Spring tester', words: ['spring tester', 'tester'], resolution: 2, permissibleError: 8 },
  sheet: { id: 'sheet', name: 'Sheet', words: ['sheet', 'as stated', 'from sheet'], resolution: 0.001, permissibleError: 0.001 },
} as const satisfies Record<string, Instrument>;

export type InstrumentId = keyof typeof INSTRUMENTS;

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
 */
export function estimate(repeats: readonly number[], instrument: Instrument): Estimate {
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

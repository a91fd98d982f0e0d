/**
 * What a number counts. Every quantity has one inside unit: mm, degree, cc, g, N, N/mm, Nm, MPa, revolution a minute,
 * m/s, m/s², litre a minute, to one, a whole, piece.
 */
export type QuantityKind =
  | 'length'
  | 'angle'
  | 'volume'
  | 'mass'
  | 'force'
  | 'springRate'
  | 'torque'
  | 'pressure'
  | 'speed'
  | 'velocity'
  | 'acceleration'
  | 'flow'
  | 'ratio'
  | 'share'
  | 'count';

interface Unit {
  readonly id: string;
  readonly quantity: QuantityKind;
  /** How many inside units one of these is. */
  readonly inside: number;
  /** How it is printed after a number. */
  readonly symbol: string;
  /** What people write for it, lower case. */
  readonly words: readonly string[];
}

/** One pound-force in newton: 0.453 592 37 kg times 9.806 65 m/s², both exact (NIST SP 811, table B.8). */
const POUND_FORCE = 0.45359237 * 9.80665;

/**
 * The units people write. One inch is exactly 25.4 mm (international yard and pound agreement, 1959;
 * NIST SP 811, table B.8); the cubic inch and the avoirdupois ounce follow from the same table.
 */
export const UNITS = {
  mm: {
    id: 'mm',
    quantity: 'length',
    inside: 1,
    symbol: 'mm',
    words: ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'],
  },
  micron: { id: 'micron', quantity: 'length', inside: 0.001, symbol: 'µm', words: ['µm', 'um', 'micron', 'microns'] },
  in: {
    id: 'in',
    quantity: 'length',
    inside: 25.4,
    symbol: 'in',
    words: ['in', 'in.', 'inch', 'inches', '"', '″', "''"],
  },
  thou: { id: 'thou', quantity: 'length', inside: 0.0254, symbol: 'thou', words: ['thou', 'thous', 'mil', 'mils'] },
  deg: { id: 'deg', quantity: 'angle', inside: 1, symbol: '°', words: ['deg', 'degree', 'degrees', '°'] },
  cc: { id: 'cc', quantity: 'volume', inside: 1, symbol: 'cc', words: ['cc', 'cm3', 'cm³', 'ml'] },
  cuin: {
    id: 'cuin',
    quantity: 'volume',
    inside: 16.387064,
    symbol: 'cu in',
    words: ['cuin', 'cu.in.', 'ci', 'in3', 'in³'],
  },
  g: {
    id: 'g',
    quantity: 'mass',
    inside: 1,
    symbol: 'g',
    words: ['g', 'gr', 'gm', 'gms', 'gram', 'grams', 'gramme', 'grammes'],
  },
  kg: {
    id: 'kg',
    quantity: 'mass',
    inside: 1000,
    symbol: 'kg',
    words: ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'],
  },
  oz: { id: 'oz', quantity: 'mass', inside: 28.349523125, symbol: 'oz', words: ['oz', 'ounce', 'ounces'] },
  N: { id: 'N', quantity: 'force', inside: 1, symbol: 'N', words: ['newton', 'newtons'] },
  /** Said of a weight; of a force the same word is `lbf`. */
  lb: { id: 'lb', quantity: 'mass', inside: 453.59237, symbol: 'lb', words: [] },
  lbf: { id: 'lbf', quantity: 'force', inside: POUND_FORCE, symbol: 'lbf', words: ['lbf', 'lb', 'lbs', 'pounds'] },
  Npmm: { id: 'Npmm', quantity: 'springRate', inside: 1, symbol: 'N/mm', words: ['n/mm'] },
  lbfpin: {
    id: 'lbfpin',
    quantity: 'springRate',
    inside: POUND_FORCE / 25.4,
    symbol: 'lbf/in',
    words: ['lbf/in', 'lb/in', 'lbs/in'],
  },
  Nm: { id: 'Nm', quantity: 'torque', inside: 1, symbol: 'Nm', words: ['nm', 'n·m', 'newton metres', 'newton meters'] },
  lbfft: {
    id: 'lbfft',
    quantity: 'torque',
    inside: POUND_FORCE * 0.3048,
    symbol: 'lbf·ft',
    words: ['lbf·ft', 'lbf ft', 'lb-ft', 'lb ft', 'lbft', 'ft-lb', 'ft lb', 'ftlb', 'ft-lbs', 'foot pounds'],
  },
  lbfin: {
    id: 'lbfin',
    quantity: 'torque',
    inside: POUND_FORCE * 0.0254,
    symbol: 'lbf·in',
    words: ['lbf·in', 'lbf in', 'lb-in', 'in-lb', 'inlb', 'in-lbs', 'inch pounds'],
  },
  MPa: { id: 'MPa', quantity: 'pressure', inside: 1, symbol: 'MPa', words: ['mpa', 'n/mm²', 'n/mm2'] },
  bar: { id: 'bar', quantity: 'pressure', inside: 0.1, symbol: 'bar', words: ['bar'] },
  psi: {
    id: 'psi',
    quantity: 'pressure',
    inside: POUND_FORCE / (25.4 * 25.4),
    symbol: 'psi',
    words: ['psi', 'lbf/in²'],
  },
  mps: { id: 'mps', quantity: 'velocity', inside: 1, symbol: 'm/s', words: ['m/s'] },
  ftpmin: { id: 'ftpmin', quantity: 'velocity', inside: 0.3048 / 60, symbol: 'ft/min', words: ['ft/min', 'fpm'] },
  mps2: { id: 'mps2', quantity: 'acceleration', inside: 1, symbol: 'm/s²', words: ['m/s²', 'm/s2'] },
  ftps2: { id: 'ftps2', quantity: 'acceleration', inside: 0.3048, symbol: 'ft/s²', words: ['ft/s²', 'ft/s2'] },
  lpmin: { id: 'lpmin', quantity: 'flow', inside: 1, symbol: 'l/min', words: ['l/min', 'lpm'] },
  /** A cubic foot is 28.316 846 592 litres exactly: 0.3048 m cubed. */
  cfm: { id: 'cfm', quantity: 'flow', inside: 28.316846592, symbol: 'cfm', words: ['cfm', 'ft³/min', 'ft3/min'] },
  percent: { id: 'percent', quantity: 'share', inside: 0.01, symbol: '%', words: ['%', 'percent', 'per cent'] },
  rpm: { id: 'rpm', quantity: 'speed', inside: 1, symbol: 'rpm', words: ['rpm', 'rev/min', '1/min'] },
  ratio: { id: 'ratio', quantity: 'ratio', inside: 1, symbol: ':1', words: [':1', 'to 1'] },
} as const satisfies Record<string, Unit>;

export type UnitId = keyof typeof UNITS;

export const UNIT_IDS = Object.keys(UNITS) as UnitId[];

const byWord = new Map<string, UnitId>(
  UNIT_IDS.flatMap((id) => UNITS[id].words.map((word): [string, UnitId] => [word, id])),
);

/** The unit a word stands for, whatever its case; undefined when the word is no unit. */
export function unitOf(word: string): UnitId | undefined {
  return byWord.get(word.toLowerCase());
}

/**
 * A value written in `unit`, turned into the inside unit of its quantity: mm, cc, g, degrees and so on.
 *
 * @example toInside(2.349, 'in') // 59.6646
 */
export function toInside(value: number, unit: UnitId): number {
  return value * UNITS[unit].inside;
}

/**
 * A value in the inside unit of its quantity, turned into `unit`.
 *
 * @example fromInside(0.0254, 'thou') // 1
 */
export function fromInside(value: number, unit: UnitId): number {
  return value / UNITS[unit].inside;
}

/** The two systems a person can choose to read in. */
export type UnitSystem = 'metric' | 'inch';

const OF_INCHES: ReadonlySet<UnitId> = new Set([
  'in',
  'thou',
  'cuin',
  'oz',
  'lb',
  'lbf',
  'lbfpin',
  'lbfft',
  'lbfin',
  'psi',
  'ftpmin',
  'ftps2',
  'cfm',
]);

/** The system that a unit is of; both use degrees, ratios and turns. */
export const systemOf = (unit: UnitId): UnitSystem => (OF_INCHES.has(unit) ? 'inch' : 'metric');

/** The unit in which a system shows a quantity. */
export function shownUnit(quantity: QuantityKind, system: UnitSystem): UnitId | undefined {
  switch (quantity) {
    case 'length':
      return system === 'inch' ? 'in' : 'mm';
    case 'volume':
      return system === 'inch' ? 'cuin' : 'cc';
    case 'mass':
      return system === 'inch' ? 'oz' : 'g';
    case 'angle':
      return 'deg';
    case 'force':
      return system === 'inch' ? 'lbf' : 'N';
    case 'springRate':
      return system === 'inch' ? 'lbfpin' : 'Npmm';
    case 'torque':
      return system === 'inch' ? 'lbfft' : 'Nm';
    case 'pressure':
      return system === 'inch' ? 'psi' : 'MPa';
    case 'speed':
      return 'rpm';
    case 'velocity':
      return system === 'inch' ? 'ftpmin' : 'mps';
    case 'acceleration':
      return system === 'inch' ? 'ftps2' : 'mps2';
    case 'flow':
      return system === 'inch' ? 'cfm' : 'lpmin';
    case 'share':
      return 'percent';
    case 'ratio':
      return 'ratio';
    case 'count':
      return undefined;
  }
}

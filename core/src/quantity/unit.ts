/** What a number counts. Every quantity has one inside unit: mm, cc, g, degree, piece. */
export type QuantityKind = 'length' | 'angle' | 'volume' | 'mass' | 'count';

export interface Unit {
  readonly id: string;
  readonly quantity: QuantityKind;
  /** How many inside units one of these is. */
  readonly inside: number;
  /** How it is printed after a number. */
  readonly symbol: string;
  /** What people write for it, lower case. */
  readonly words: readonly string[];
}

/**
 * The units people write. One inch is exactly 25.4 mm (international yard and pound agreement, 1959;
 * NIST SP 811, table B.8); the cubic inch and the avoirdupois ounce follow from the same table.
 */
export const UNITS = {
  mm: { id: 'mm', quantity: 'length', inside: 1, symbol: 'mm', words: ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'] },
  micron: { id: 'micron', quantity: 'length', inside: 0.001, symbol: 'µm', words: ['µm', 'um', 'micron', 'microns'] },
  in: { id: 'in', quantity: 'length', inside: 25.4, symbol: 'in', words: ['in', 'in.', 'inch', 'inches', '"', '″', "''"] },
  thou: { id: 'thou', quantity: 'length', inside: 0.0254, symbol: 'thou', words: ['thou', 'thous', 'mil', 'mils'] },
  deg: { id: 'deg', quantity: 'angle', inside: 1, symbol: '°', words: ['deg', 'degree', 'degrees', '°'] },
  cc: { id: 'cc', quantity: 'volume', inside: 1, symbol: 'cc', words: ['cc', 'cm3', 'cm³', 'ml'] },
  cuin: { id: 'cuin', quantity: 'volume', inside: 16.387064, symbol: 'cu in', words: ['cuin', 'cu.in.', 'ci', 'in3', 'in³'] },
  g: { id: 'g', quantity: 'mass', inside: 1, symbol: 'g', words: ['g', 'gram', 'grams', 'gramme', 'grammes'] },
  oz: { id: 'oz', quantity: 'mass', inside: 28.349523125, symbol: 'oz', words: ['oz', 'ounce', 'ounces'] },
} as const satisfies Record<string, Unit>;

export type UnitId = keyof typeof UNITS;

export const UNIT_IDS = Object.keys(UNITS) as UnitId[];

const byWord = new Map<string, UnitId>(UNIT_IDS.flatMap((id) => UNITS[id].words.map((word): [string, UnitId] => [word, id])));

/** The unit a word stands for, whatever its case; undefined when the word is no unit. */
export function unitOf(word: string): UnitId | undefined {
  return byWord.get(word.toLowerCase());
}

/** A value in `unit`, turned into the inside unit of its quantity. */
export function toInside(value: number, unit: UnitId): number {
  return value * UNITS[unit].inside;
}

/** A value in the inside unit, turned into `unit`. */
export function fromInside(value: number, unit: UnitId): number {
  return value / UNITS[unit].inside;
}

/** The two systems a person can choose to read in. */
export type UnitSystem = 'metric' | 'inch';

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
    case 'count':
      return undefined;
  }
}

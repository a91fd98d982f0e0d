/** A run of figures read from text: the number, and how many characters it took. */
interface ReadNumber {
  readonly value: number;
  readonly length: number;
}

/** Fractions that have a character of their own (Unicode, Number Forms). */
const WRITTEN_FRACTIONS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
const WITH_FRACTION = /^(?:(\d{1,4})\s?)?([½¼¾⅛⅜⅝⅞])/;
const MIXED = /^(\d{1,4})(?:\s+|-)(\d{1,3})\/(\d{1,3})(?![\d.])/;
const FRACTION = /^(\d{1,3})\/(\d{1,3})(?![\d./])/;
const DECIMAL = /^[+-]?(?:\d{1,9}(?:[.,]\d{1,9})?|[.,]\d{1,9})(?![\d])/;

/** Workshop fractions have a power of two below the line; `59/60` is two repeats, not a fraction. */
const DENOMINATORS = new Set([2, 4, 8, 16, 32, 64, 128]);

/**
 * Reads the number at the start of `text`: `1 15/16`, `4-1/4`, `3⅜`, `15/16`, `.030`, `59.67` or `52,05`.
 * Undefined when there is none.
 */
export function readNumber(text: string): ReadNumber | undefined {
  const own = WITH_FRACTION.exec(text);
  if (own) return { value: Number(own[1] ?? 0) + (WRITTEN_FRACTIONS[own[2] ?? ''] ?? 0), length: own[0].length };
  const mixed = MIXED.exec(text);
  if (mixed) {
    const part = fraction(mixed[2], mixed[3]);
    if (part !== undefined) return { value: Number(mixed[1]) + part, length: mixed[0].length };
  }
  const simple = FRACTION.exec(text);
  if (simple) {
    const value = fraction(simple[1], simple[2]);
    if (value !== undefined) return { value, length: simple[0].length };
  }
  const decimal = DECIMAL.exec(text);
  if (!decimal) return undefined;
  return { value: Number(decimal[0].replace(',', '.')), length: decimal[0].length };
}

function fraction(over: string | undefined, under: string | undefined): number | undefined {
  const below = Number(under);
  return DENOMINATORS.has(below) && Number(over) < below ? Number(over) / below : undefined;
}

import type { Dimension } from '../catalogue/figure.js';
import type { Parameter } from '../dictionary/definition.js';
import { readNumber } from '../quantity/number.js';
import { unitOf, UNITS, type UnitId } from '../quantity/unit.js';

/** Something written that cannot be what it should be; the message says what and what to write. */
export class TextError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'TextError';
  }
}

/**
 * A dimension as one line, the unit as given and every digit kept: `2.3490..2.3500 in; wear 2.3475; service -0.010
 * -0.020`.
 *
 * @param unit `false` leaves the unit out, where a table says it in its header
 */
export function writeDimension({ low, high, unit, service, wearLimit, note }: Dimension, withUnit = true): string {
  const parts = [`${low === high ? low : `${low}..${high}`}${withUnit ? ` ${UNITS[unit].words[0]}` : ''}`];
  if (wearLimit !== undefined) parts.push(`wear ${wearLimit}`);
  if (service !== undefined) parts.push(`service ${service.length === 0 ? 'none' : service.join(' ')}`);
  if (note !== undefined) parts.push(`note ${note}`);
  return parts.join('; ');
}

const ASPECT = /^(wear(?: limit)?|service|note)\b[:\s]*(.*)$/is;
const BETWEEN = /^\s*(?:\.\.+|…|–|—|to\b|\s-\s|-(?=\d))\s*/i;
const MANY_DIGITS = 8;

/**
 * Reads a dimension as people write it: `2.3490..2.3500 in`, `59,67 mm`, `3 3/8"`, `59.66-59.68`. Digits are kept as
 * they stand; a decimal comma becomes a point, a workshop fraction its decimals.
 *
 * @param unit unit where the text has none, from the header of a table
 * @throws TextError that says what is wrong and how to write it
 */
export function readDimension(text: string, parameter: Parameter, unit?: UnitId): Dimension {
  const [figures = '', ...aspects] = splitAspects(text);
  const first = readDigits(figures, parameter);
  let rest = first.rest;
  let high = first.digits;
  const between = BETWEEN.exec(rest);
  if (between) {
    const second = readDigits(rest.slice(between[0].length), parameter);
    high = second.digits;
    rest = second.rest;
  }
  const word = rest.trim();
  const written = word === '' ? undefined : unitOf(word.replace(/^:1$/, ':1'));
  if (word !== '' && written === undefined)
    throw new TextError(
      `“${word}” after the figures is no unit of ${parameter.name.toLowerCase()}; write ${unitsOf(parameter)}.`,
    );
  const used = written ?? unit ?? soleUnit(parameter);
  if (used === undefined)
    throw new TextError(
      `“${text.trim()}” has no unit; write it behind the figure or in the header: ${unitsOf(parameter)}.`,
    );
  return { low: first.digits, high, unit: used, ...readAspects(aspects, parameter) };
}

/** The pieces between semicolons; everything behind `note` is the note, semicolons and all. */
function splitAspects(text: string): string[] {
  const note = /;\s*note\b/i.exec(text);
  const head = note ? text.slice(0, note.index) : text;
  const pieces = head.split(';').map((piece) => piece.trim());
  return note ? [...pieces, text.slice(note.index + 1).trim()] : pieces;
}

function readAspects(
  aspects: readonly string[],
  parameter: Parameter,
): Pick<Dimension, 'wearLimit' | 'service' | 'note'> {
  const found: { wearLimit?: string; service?: string[]; note?: string } = {};
  for (const aspect of aspects) {
    const [, name = '', says = ''] = ASPECT.exec(aspect) ?? [];
    switch (name.toLowerCase().replace(' limit', '')) {
      case 'wear':
        found.wearLimit = readDigits(says, parameter).digits;
        break;
      case 'service':
        found.service = /^none$/i.test(says.trim()) ? [] : says.trim().split(/\s+/).map(step);
        break;
      case 'note':
        found.note = says.trim();
        break;
      default:
        throw new TextError(
          `“${aspect}” is not understood; after the limits may stand wear, service and note, each behind a semicolon.`,
        );
    }
  }
  return found;
}

/** A signed step, its digits kept. */
function step(text: string): string {
  const digits = text.replace(',', '.').replace('−', '-');
  if (!/^[+-]?(\d{1,6}(\.\d{1,8})?|\.\d{1,8})$/.test(digits))
    throw new TextError(`“${text}” is no step of a service size; write it like -0.25 or +0.50.`);
  return digits;
}

interface Digits {
  readonly digits: string;
  readonly rest: string;
}

function readDigits(text: string, parameter: Parameter): Digits {
  const trimmed = text.trim().replace('−', '-');
  if (/^[+-]?\d{1,3}([.,]\d{3})+[.,]\d/.test(trimmed))
    throw new TextError(
      `“${trimmed}” has commas and points; write the figure with one decimal point and nothing between the thousands.`,
    );
  const number = readNumber(trimmed);
  if (!number || number.value < 0)
    throw new TextError(
      `“${trimmed || 'nothing'}” is no size of ${parameter.name.toLowerCase()}; write it like ${example(parameter)}.`,
    );
  const source = trimmed.slice(0, number.length);
  const rest = trimmed.slice(number.length);
  // 59.660 keeps its digits; 3 3/8 becomes 3.375, for which a power of two below the line never needs more than eight.
  const digits = source.includes('/')
    ? String(Number(number.value.toFixed(MANY_DIGITS)))
    : source.replace(',', '.').replace(/^\+/, '');
  return { digits, rest };
}

const unitIds = Object.keys(UNITS) as UnitId[];
const unitsFor = (parameter: Parameter): UnitId[] => unitIds.filter((id) => UNITS[id].quantity === parameter.quantity);
/** A quantity with one unit needs none written. */
const soleUnit = (parameter: Parameter): UnitId | undefined => {
  const units = unitsFor(parameter);
  return units.length === 1 ? units[0] : undefined;
};
const unitsOf = (parameter: Parameter): string =>
  unitsFor(parameter)
    .map((id) => UNITS[id].words[0])
    .join(', ');
const example = (parameter: Parameter): string => {
  const [unit = 'mm'] = unitsFor(parameter);
  const middle = (parameter.plausible.low + parameter.plausible.high) / 4;
  return `${middle.toFixed(1)}..${(middle * 1.001).toFixed(1)} ${UNITS[unit].words[0]}`;
};

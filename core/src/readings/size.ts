import type { Parameter } from '../dictionary/definition.js';
import type { InstrumentId } from '../quantity/instrument.js';
import { readNumber } from '../quantity/number.js';
import { band, sentence, type Sentence } from '../quantity/sentence.js';
import { toInside, unitOf, UNITS, type UnitId, type UnitSystem } from '../quantity/unit.js';
import type { SizeReading } from './reading.js';
import { unread, type Unread } from './unread.js';
import { one } from '../quantity/phrase.js';

/** Figures with an optional unit, as they stand in the text. */
export interface Figures {
  readonly values: readonly number[];
  /** The figures as written, without the unit: `66.70` is not `66.7`. */
  readonly written: string;
  readonly unit: UnitId | undefined;
  /** By the gap after each value but the last: whether a cross stands there, between two directions. */
  readonly crosses: readonly boolean[];
  /** The units of the shop, for figures without one; millimetres where nothing is said. */
  readonly usual?: UnitSystem;
  /** Characters taken, the unit included. */
  readonly length: number;
}

const NEXT_REPEAT = /^\s*(?:\/|\.\.|–|-|to\s|[x×])\s*(?=[\d.])/i;
/** Two directions of one bore or journal differ by less than this share: a pin `20x60` is no such pair. */
const CROSSED = 0.02;
const UNIT_WORD = /^\s*((?:cu\.in\.|[a-zµ]+\d?|["″]|''|°|[a-z]*³)\.?)(?=$|[\s,;])/i;
const RATIO = /^\s*(?::|to\s)\s*1(?![\d.])/i;
const POUNDS_AND_OUNCES = /^(\d{1,3})\s*lbs?\.?,?\s*(\d{1,2}(?:\.\d+)?)\s*oz\b/i;

/**
 * Reads `59.67/59.66/59.67 mm`, `2.349in`, `1 15/16"`, `59.66-59.67`, `95.06x95.04` at the start of `text`; undefined
 * where no figures stand.
 */
export function readFigures(text: string): Figures | undefined {
  const first = readNumber(text);
  if (!first) return undefined;
  const ratio = RATIO.exec(text.slice(first.length));
  if (ratio) {
    const length = first.length + ratio[0].length;
    return { values: [first.value], written: text.slice(0, first.length), unit: 'ratio', crosses: [], length };
  }
  const pounds = POUNDS_AND_OUNCES.exec(text);
  if (pounds) {
    const values = [16 * Number(pounds[1]) + Number(pounds[2])];
    return { values, written: String(values[0]), unit: 'oz', crosses: [], length: pounds[0].length };
  }
  const values = [first.value];
  const crosses: boolean[] = [];
  let length = first.length;
  for (;;) {
    const separator = NEXT_REPEAT.exec(text.slice(length));
    if (!separator) break;
    const next = readNumber(text.slice(length + separator[0].length));
    if (!next) break;
    const isCross = /[x×]/i.test(separator[0]);
    if (isCross && !(Math.abs(next.value - first.value) <= CROSSED * first.value && !crosses.at(-1))) break;
    crosses.push(isCross);
    values.push(next.value);
    length += separator[0].length + next.length;
  }
  const written = text.slice(0, length);
  const word = UNIT_WORD.exec(text.slice(length));
  const unit = word?.[1] ? unitOf(word[1]) : undefined;
  if (word && unit) length += word[0].length;
  return { values, written, unit, crosses, length };
}

/** Pounds are a force or a weight, by what is measured (0.45359237 kg, the international pound of 1959). */
export const unitMeant = (parameter: Parameter, unit: UnitId | undefined): UnitId | undefined =>
  unit === 'lbf' && parameter.quantity === 'mass' ? 'lb' : unit;

/** Readings of one size differ by less than this share of it; what differs more was never read at one place. */
const APART = 0.2;

const areRepeats = (values: readonly number[]): boolean =>
  values.length < 2 || Math.max(...values) <= (1 + APART) * Math.min(...values);

const noRepeats = ({ written }: Figures): Sentence =>
  /^\d{1,3}\/\d{1,3}$/.test(written)
    ? [
        `${written} is no fraction of the workshop, which has 2, 4, 8, 16, 32, 64 or 128 below the line, and no two readings of one size. Write the size as a decimal.`,
      ]
    : [`${written} lie too far apart to be of one size. Enter each with its own name.`];

const plausibleIn = (values: readonly number[], unit: UnitId, parameter: Parameter): boolean =>
  UNITS[unit].quantity === parameter.quantity &&
  values.every(
    (value) => toInside(value, unit) >= parameter.plausible.low && toInside(value, unit) <= parameter.plausible.high,
  );

/** Nobody reads a volume or a weight to a thousandth: `4.030 dish pistons` are of that bore. */
const isAsLength = ({ written }: Figures): boolean => /[.,]\d{3,}$/.test(written);

/** The units tried where none is written, or where the one written cannot be meant; likeliest first. */
const USUAL_UNITS: readonly UnitId[] = ['mm', 'in', 'deg', 'cc', 'g', 'ratio', 'N', 'rpm'];

/**
 * Makes a size reading of figures that belong to `parameter`, or says why they cannot be one and what was probably
 * meant.
 */
export function sizeOf(
  parameter: Parameter,
  figures: Figures,
  instrument: InstrumentId | undefined,
  text: string,
  where: Pick<SizeReading, 'positions' | 'positionsAssumed' | 'levels' | 'axes'> = {},
): SizeReading | Unread {
  const { values } = figures;
  const unit = unitMeant(parameter, figures.unit);
  if (!areRepeats(values)) return unread(text, noRepeats(figures));
  const units: readonly UnitId[] = figures.usual === 'inch' ? ['in', ...USUAL_UNITS] : USUAL_UNITS;
  const meant = units.find((each) => plausibleIn(values, each, parameter));
  if (!unit && isAsLength(figures) && (parameter.quantity === 'volume' || parameter.quantity === 'mass'))
    return unread(
      text,
      sentence`${figures.written} looks like a length, and ${one(parameter.name.toLowerCase())} is none. Write its unit.`,
    );
  if (unit ? plausibleIn(values, unit, parameter) : meant) {
    const used = unit ?? meant ?? 'mm';
    return {
      sort: 'size',
      text,
      parameter: parameter.id,
      values: [...values],
      ...where,
      figures: figures.written,
      unit: used,
      ...(unit ? {} : { unitAssumed: true }),
      instrument: instrument ?? parameter.instruments[0],
      ...(instrument ? {} : { instrumentAssumed: true }),
    };
  }
  return outOfRange(parameter, figures, meant, text);
}

function outOfRange(parameter: Parameter, figures: Figures, meant: UnitId | undefined, text: string): Unread {
  const unit = unitMeant(parameter, figures.unit);
  const written = `${figures.written}${unit ? ` ${UNITS[unit].symbol}` : ''}`;
  const name = parameter.name.toLowerCase();
  if (unit && UNITS[unit].quantity !== parameter.quantity) {
    return unread(text, [`${written} is no ${parameter.quantity}, and ${name} is one. Write it in mm or in inches.`]);
  }
  const because = sentence`${written} cannot be ${one(name)}: those run from ${band(parameter.plausible, parameter.quantity)}.`;
  if (meant && unit) {
    const suggestion = text.replace(
      /(\d)\s*(mm|millimet(?:er|re)s?|in\b\.?|inch(?:es)?|"|″|''|thou|µm|um|microns?)/i,
      `$1 ${UNITS[meant].symbol}`,
    );
    return unread(text, sentence`${because} Did you mean ${figures.written} ${UNITS[meant].symbol}?`, suggestion);
  }
  return unread(text, sentence`${because} Check the figure and its unit.`);
}

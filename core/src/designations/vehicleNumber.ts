/**
 * The vehicle identification number: 17 characters without I, O and Q (ISO 3779:2009, 5). Its check digit and the
 * letter of its model year follow 49 CFR 565.15(c) and (d), tables III to VII; elsewhere neither is required.
 */
const LENGTH = 17;
const CHECK_AT = 8;
const YEAR_AT = 9;
/** Table III: assigned values of the letters. */
const VALUES: Readonly<Record<string, number>> = {
  A: 1, B: 2, C: 3, D: 4, E: 5, F: 6, G: 7, H: 8,
  J: 1, K: 2, L: 3, M: 4, N: 5, P: 7, R: 9,
  S: 2, T: 3, U: 4, V: 5, W: 6, X: 7, Y: 8, Z: 9,
}; // prettier-ignore
/** Table IV: weights by position. */
const WEIGHTS: readonly number[] = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];
/** Table VII: letters of the years from 1980 on; after thirty they begin again. No I, O, Q, U, Z and 0. */
const YEAR_LETTERS = 'ABCDEFGHJKLMNPRSTVWXY123456789';
const FIRST_YEAR = 1980;
const CYCLE = 30;
const LAST_YEAR = 2069;

interface VehicleNumber {
  readonly number: string;
  /** The check digit that belongs to the other characters: `0` to `9` or `X`. */
  readonly checkDigit: string;
  /** Whether the ninth character is that digit. */
  readonly checked: boolean;
  /** Model years the tenth character can stand for; empty where it stands for none. */
  readonly years: readonly number[];
  readonly says: string;
}

/** Why a text is no vehicle number. */
export class VehicleNumberError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'VehicleNumberError';
  }
}

/**
 * The check digit over all characters but the ninth: the weighted sum modulo eleven, ten written X (49 CFR 565.15(c)).
 */
export function checkDigitOf(number: string): string {
  let sum = 0;
  for (let at = 0; at < LENGTH; at++) {
    const character = number.charAt(at);
    sum += (VALUES[character] ?? Number(character)) * (WEIGHTS[at] ?? 0);
  }
  const rest = sum % 11;
  return rest === 10 ? 'X' : String(rest);
}

/** Model years that a letter or figure can stand for (49 CFR 565.15(d), table VII). */
export function modelYears(letter: string): number[] {
  const at = YEAR_LETTERS.indexOf(letter);
  if (at < 0 || letter.length !== 1) return [];
  const years: number[] = [];
  for (let year = FIRST_YEAR + at; year <= LAST_YEAR; year += CYCLE) years.push(year);
  return years;
}

/**
 * Reads a vehicle identification number.
 *
 * @param within years that are possible, to cut an ambiguous letter
 * @throws VehicleNumberError which says what is wrong with its form
 */
export function readVehicleNumber(
  text: string,
  within?: { readonly from: number; readonly to: number },
): VehicleNumber {
  const number = text.toUpperCase().replace(/[\s-]/g, '');
  if (number.length !== LENGTH)
    throw new VehicleNumberError(`A vehicle number has 17 characters; this has ${number.length}.`);
  const wrong = /[^A-HJ-NPR-Z0-9]/.exec(number);
  if (wrong)
    throw new VehicleNumberError(
      `“${wrong[0]}” at place ${wrong.index + 1} cannot stand in a vehicle number${/[IOQ]/.test(wrong[0]) ? ': I, O and Q are left out, look for 1 or 0' : ''}.`,
    );
  const checkDigit = checkDigitOf(number);
  const checked = number.charAt(CHECK_AT) === checkDigit;
  const years = modelYears(number.charAt(YEAR_AT)).filter(
    (year) => !within || (year >= within.from && year <= within.to),
  );
  const year =
    years.length === 0 ? 'The tenth character tells no model year.' : `The model year is ${years.join(' or ')}.`;
  const check = checked
    ? 'The check digit agrees.'
    : `The ninth character is ${number.charAt(CHECK_AT)} where ${checkDigit} belongs: a character is misread, or the vehicle was not made for a market that uses the check digit.`;
  return { number, checkDigit, checked, years, says: `${check} ${year}` };
}

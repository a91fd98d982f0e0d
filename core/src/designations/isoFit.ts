import { interval, type Interval } from '../quantity/interval.js';

/** Upper ends of the ranges of nominal size, millimetres: "over 18 up to and including 30". */
const RANGES = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500] as const;

/** Standard tolerances by grade and range, micrometres. ISO 286-1, table 1 (from memory). */
const TOLERANCES: Readonly<Record<number, readonly number[]>> = {
  4: [3, 4, 4, 5, 6, 7, 8, 10, 12, 14, 16, 18, 20],
  5: [4, 5, 6, 8, 9, 11, 13, 15, 18, 20, 23, 25, 27],
  6: [6, 8, 9, 11, 13, 16, 19, 22, 25, 29, 32, 36, 40],
  7: [10, 12, 15, 18, 21, 25, 30, 35, 40, 46, 52, 57, 63],
  8: [14, 18, 22, 27, 33, 39, 46, 54, 63, 72, 81, 89, 97],
  9: [25, 30, 36, 43, 52, 62, 74, 87, 100, 115, 130, 140, 155],
  10: [40, 48, 58, 70, 84, 100, 120, 140, 160, 185, 210, 230, 250],
  11: [60, 75, 90, 110, 130, 160, 190, 220, 250, 290, 320, 360, 400],
};

/** Upper deviations of shafts that run, negative, by range, micrometres. ISO 286-1, table 2 (from memory). */
const RUNNING: Readonly<Record<string, readonly number[]>> = {
  d: [-20, -30, -40, -50, -65, -80, -100, -120, -145, -170, -190, -210, -230],
  e: [-14, -20, -25, -32, -40, -50, -60, -72, -85, -100, -110, -125, -135],
  f: [-6, -10, -13, -16, -20, -25, -30, -36, -43, -50, -56, -62, -68],
  g: [-2, -4, -5, -6, -7, -9, -10, -12, -14, -15, -17, -18, -20],
  h: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
};

/** Lower deviations of shafts that are pressed, by range, micrometres. ISO 286-1, table 3 (from memory). */
const PRESSED: Readonly<Record<string, readonly number[]>> = {
  k: [0, 1, 1, 1, 2, 2, 2, 3, 3, 4, 4, 4, 5],
  m: [2, 4, 6, 7, 8, 9, 11, 13, 15, 17, 20, 21, 23],
  n: [4, 8, 10, 12, 15, 17, 20, 23, 27, 31, 34, 37, 40],
  p: [6, 12, 15, 18, 22, 26, 32, 37, 43, 50, 56, 62, 68],
};

/**
 * From 50 mm up the ranges of r and s are divided. Upper ends, and lower deviations. ISO 286-1, table 3 (from memory).
 */
const FINE_RANGES = [3, 6, 10, 18, 30, 50, 65, 80, 100, 120, 140, 160, 180, 200, 225, 250] as const;
const FINE: Readonly<Record<string, readonly number[]>> = {
  r: [10, 15, 19, 23, 28, 34, 41, 43, 51, 54, 63, 65, 68, 77, 80, 84],
  s: [14, 19, 23, 28, 35, 43, 53, 59, 71, 79, 92, 100, 108, 122, 130, 140],
};

/** j has a table of its own, by grade. Lower deviations. ISO 286-1 (from memory). */
const J_SHAFT: Readonly<Record<number, readonly number[]>> = {
  5: [-2, -2, -2, -3, -4, -5, -7, -9, -11, -13, -16, -18, -20],
  6: [-2, -2, -2, -3, -4, -5, -7, -9, -11, -13, -16, -18, -20],
  7: [-4, -4, -5, -6, -8, -10, -12, -15, -18, -21, -26, -28, -32],
};
/** Upper deviations of J holes, by grade. ISO 286-1 (from memory). */
const J_HOLE: Readonly<Record<number, readonly number[]>> = {
  6: [2, 5, 5, 6, 8, 10, 13, 16, 18, 22, 25, 29, 33],
  7: [4, 6, 8, 10, 12, 14, 18, 22, 26, 30, 36, 39, 43],
};

/** A tolerance class that is not of ISO 286, or not in the tables here. */
export class UnknownFitError extends RangeError {
  constructor(text: string) {
    super(`"${text}" is no tolerance class known here: a letter and a grade, as H7 for a hole or k6 for a shaft.`);
    this.name = 'UnknownFitError';
  }
}

const rangeOf = (ends: readonly number[], size: number): number => ends.findIndex((end) => size <= end);

/** The standard tolerance of a grade at a size, micrometres. Throws a RangeError outside the tables. */
export function standardTolerance(grade: number, size: number): number {
  const tolerance = TOLERANCES[grade]?.[rangeOf(RANGES, size)];
  if (tolerance === undefined || size <= 0)
    throw new RangeError(`There is no standard tolerance IT${grade} for ${size} mm here.`);
  return tolerance;
}

/** Lower deviation of a shaft that is pressed, micrometres. */
function pressedBy(letter: string, size: number): number | undefined {
  return PRESSED[letter]?.[rangeOf(RANGES, size)] ?? FINE[letter]?.[rangeOf(FINE_RANGES, size)];
}

function shaft(letter: string, grade: number, size: number): readonly [number, number] | undefined {
  const width = standardTolerance(grade, size);
  if (letter === 'js') return [-width / 2, width / 2];
  const upper = RUNNING[letter]?.[rangeOf(RANGES, size)];
  if (upper !== undefined) return [upper - width, upper];
  // Beyond IT7 a k shaft begins at the nominal size (ISO 286-1, table 3).
  const lower =
    letter === 'j'
      ? J_SHAFT[grade]?.[rangeOf(RANGES, size)]
      : letter === 'k' && grade > 7
        ? 0
        : pressedBy(letter, size);
  return lower === undefined ? undefined : [lower, lower + width];
}

function hole(letter: string, grade: number, size: number): readonly [number, number] | undefined {
  const width = standardTolerance(grade, size);
  if (letter === 'js') return [-width / 2, width / 2];
  const running = RUNNING[letter]?.[rangeOf(RANGES, size)];
  if (running !== undefined) return [-running, -running + width];
  if (letter === 'j') {
    const upper = J_HOLE[grade]?.[rangeOf(RANGES, size)];
    return upper === undefined ? undefined : [upper - width, upper];
  }
  const pressed = pressedBy(letter, size);
  if (pressed === undefined) return undefined;
  // Above IT8 and 3 mm an N hole ends at the nominal size, and K holes are not provided for (ISO 286-1, table 3).
  if (size > 3 && grade > 8 && letter === 'n') return [-width, 0];
  if (size > 3 && grade > 8 && letter === 'k') return undefined;
  // The one exception of the standard to its rule of the steps.
  if (letter === 'm' && grade === 6 && size > 250 && size <= 315) return [-9 - width, -9];
  // K to N up to IT8 and P to S up to IT7 are moved by the step between grades, so that they fit as the shaft would
  // (ISO 286-1).
  const moved = size > 3 && grade <= ('kmn'.includes(letter) ? 8 : 7);
  const upper = -pressed + (moved ? width - standardTolerance(grade - 1, size) : 0);
  return [upper - width, upper];
}

/**
 * Limits of a hole or shaft by its tolerance class, `H7` or `k6`, at a nominal size in millimetres. Inside unit.
 * ISO 286-1 and -2. Throws an UnknownFitError for a class, and a RangeError for a size, that is not in the tables.
 */
export function isoLimits(toleranceClass: string, size: number): Interval {
  const [, letter = '', grade = ''] = /^([A-Za-z]{1,2})(\d{1,2})$/.exec(toleranceClass) ?? [];
  if (!/^(js|[d-hjkmnprs])$/i.test(letter) || (letter.length === 2 && letter !== 'JS' && letter !== 'js'))
    throw new UnknownFitError(toleranceClass);
  const isHole = letter !== '' && letter === letter.toUpperCase();
  const deviations = (isHole ? hole : shaft)(letter.toLowerCase(), Number(grade), size);
  if (letter !== '' && !deviations && size > (/[rs]/i.test(letter) ? 250 : 500))
    throw new RangeError(`The tables here end before ${size} mm for “${toleranceClass}”: look it up in ISO 286-2.`);
  if (letter === '' || !deviations) throw new UnknownFitError(toleranceClass);
  return interval(size + deviations[0] / 1000, size + deviations[1] / 1000);
}

/** Clearance of a fit, `H7/g6`, at a nominal size; negative where it presses. Inside unit. */
export function isoFit(fit: string, size: number): Interval {
  const [hole = '', shaft = ''] = fit.split('/');
  const [outer, inner] = [isoLimits(hole, size), isoLimits(shaft, size)];
  return interval(outer.low - inner.high, outer.high - inner.low);
}

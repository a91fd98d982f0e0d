import { fromInside, shownUnit, UNITS, type QuantityKind, type UnitSystem } from './unit.js';
import type { Interval } from './interval.js';

/** Digits after the point that the trade writes: 0.001 mm and 0.0001 in for lengths. */
function decimals(quantity: QuantityKind, system: UnitSystem): number {
  switch (quantity) {
    case 'length':
      return system === 'inch' ? 4 : 3;
    case 'mass':
      // A tenth of an ounce is three grams: scales tell less.
      return system === 'inch' ? 2 : 1;
    case 'volume':
    case 'angle':
    case 'springRate':
    case 'share':
      return 1;
    case 'pressure':
    case 'velocity':
      return system === 'inch' ? 0 : 1;
    case 'ratio':
      return 2;
    case 'force':
    case 'torque':
    case 'flow':
    case 'speed':
    case 'acceleration':
    case 'count':
      return 0;
  }
}

/** An inside value as a number with its unit, in the reader's system: `59.665 mm`, `2.3490 in`. */
export function showValue(value: number, quantity: QuantityKind, system: UnitSystem): string {
  return withUnit(digitsOf(value, quantity, system), quantity, system);
}

/** The same, with its sign always written: `+0.020 mm`. */
export function showDifference(value: number, quantity: QuantityKind, system: UnitSystem): string {
  const digits = digitsOf(Math.abs(value), quantity, system);
  return withUnit((value < 0 ? '−' : '+') + digits, quantity, system);
}

/**
 * An interval: `0.036 to 0.091 mm`, or one value where both ends print alike.
 *
 * @param range in the inside unit of the quantity
 * @param system that of the reader
 * @example showInterval({ low: 0.036, high: 0.091 }, 'length', 'metric') // '0.036 to 0.091 mm'
 */
export function showInterval(range: Interval, quantity: QuantityKind, system: UnitSystem): string {
  const low = digitsOf(range.low, quantity, system);
  const high = digitsOf(range.high, quantity, system);
  return withUnit(low === high ? low : `${low} to ${high}`, quantity, system);
}

/**
 * Only the figures, without the unit, as many as the quantity is given to; below nothing with a true minus.
 *
 * @param value in the inside unit of the quantity
 */
export function digitsOf(value: number, quantity: QuantityKind, system: UnitSystem): string {
  const unit = shownUnit(quantity, system);
  const shown = (unit ? fromInside(value, unit) : value).toFixed(decimals(quantity, system));
  const plain = /^-0(\.0*)?$/.test(shown) ? shown.slice(1) : shown;
  return plain.replace('-', '−');
}

function withUnit(digits: string, quantity: QuantityKind, system: UnitSystem): string {
  const unit = shownUnit(quantity, system);
  if (!unit) return digits;
  // A ratio is written without a space: 9.20:1.
  return unit === 'ratio' ? digits + UNITS[unit].symbol : `${digits} ${UNITS[unit].symbol}`;
}

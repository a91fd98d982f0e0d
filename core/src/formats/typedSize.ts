import type { TypedSize } from '../build/build.js';
import { parameterOf } from '../dictionary/dictionary.js';
import { shownUnit, toInside, UNITS, type UnitSystem } from '../quantity/unit.js';
import { readDimension, TextError } from './dimensionText.js';

/** A sign before the figure, and what it may be off. */
const MINUS = /^\s*[-−]/;
const BAND = /^(.*?)(?:\+\/-|±)\s*([\d.,]+)\s*(.*)$/;

/**
 * A figure that is put into a build, as people write it: `152.4`, `6 in`, `1.10..1.20`, `1.2 ±0.05 mm`. Without a unit
 * it is in that of the reader.
 *
 * @param of id of the parameter
 * @throws TextError that says what is wrong and how to write it
 */
export function readTypedSize(text: string, of: string, system: UnitSystem): TypedSize {
  const parameter = parameterOf(of);
  const usual = shownUnit(parameter.quantity, system);
  const [, figure = '', give, after = ''] = BAND.exec(text) ?? [];
  const written = give === undefined ? text : `${figure} ${after}`;
  const isNegative = MINUS.test(written);
  const { low, high, unit } = readDimension(isNegative ? written.replace(MINUS, '') : written, parameter, usual);
  if (UNITS[unit].quantity !== parameter.quantity)
    throw new TextError(
      `${parameter.name} is not given in ${UNITS[unit].symbol}; write it like ${example(of, system)}.`,
    );
  const [from, to] = [Number(low), Number(high)];
  const value = (isNegative ? -1 : 1) * ((from + to) / 2);
  const within = give === undefined ? Math.abs(to - from) / 2 : Number(give.replace(',', '.'));
  if (!Number.isFinite(value) || !Number.isFinite(within))
    throw new TextError(`“${text.trim()}” is no figure; write it like ${example(of, system)}.`);
  const tidy = (number: number) => Number(number.toPrecision(9));
  return { of, value: tidy(value), unit, ...(within > 0 ? { within: tidy(within) } : {}) };
}

/** A figure as it was typed, with its unit. */
export function sayTypedSize({ value, unit, within }: Pick<TypedSize, 'value' | 'unit' | 'within'>): string {
  const symbol = UNITS[unit].symbol;
  const band = within === undefined || within === 0 ? '' : ` ±${within}`;
  return unit === 'ratio' || unit === 'deg' ? `${value}${band}${symbol}` : `${value}${band} ${symbol}`;
}

const example = (of: string, system: UnitSystem): string => {
  const { plausible, quantity } = parameterOf(of);
  const unit = shownUnit(quantity, system) ?? 'mm';
  const inside = (plausible.low + plausible.high) / 2;
  return `${Number((inside / toInside(1, unit)).toPrecision(3))} ${UNITS[unit].words[0] ?? ''}`.trim();
};

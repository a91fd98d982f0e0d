import { fromInside, shownUnit, UNITS } from '../quantity/unit.js';
import type { QuantityKind, UnitSystem } from '../quantity/unit.js';

/** Curves as rows of a table, the first of which heads the others: crank angle, then one column a curve. */
export function curvesTable(
  angles: readonly number[],
  curves: readonly { readonly name: string; readonly quantity: QuantityKind; readonly values: readonly number[] }[],
  system: UnitSystem,
): readonly (readonly (string | number)[])[] {
  const columns = curves.map((curve) => ({ ...curve, unit: shownUnit(curve.quantity, system) }));
  return [
    ['Crank angle (°)', ...columns.map(({ name, unit }) => (unit ? `${name} (${UNITS[unit].symbol})` : name))],
    ...angles.map((angle, at) => [
      angle,
      ...columns.map(({ values, unit }) => {
        const value = values[at] ?? 0;
        // More figures than these nobody measures.
        return Number((unit ? fromInside(value, unit) : value).toFixed(4));
      }),
    ]),
  ];
}

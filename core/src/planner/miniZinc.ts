import type { Sum, Table, TableModel } from './tableModel.js';

/** Money is told in cents, and sums in so many parts of their unit: solvers reckon with whole numbers. */
const CENTS = 100;
const PARTS = 10_000;

const listOf = (values: Iterable<number>): string => `[${[...values].join(',')}]`;

/**
 * A plan in MiniZinc: an element constraint for the class of each option, a table for each check, linear sums for
 * targets and cost. Its optimum is told in cents.
 *
 * @see https://www.minizinc.org the language, version 2
 */
export function miniZincOf({ variables, tables, sums, mostOpen, openCosts }: TableModel): string {
  const named = (at: number): string => `x${at}`;
  const opens = tables.flatMap((table, at) => (isEverOpen(table) ? [`o${at}`] : []));
  const lines = [
    'include "table.mzn";',
    ...variables.flatMap(({ name, costs }, at) => [
      `% ${name}`,
      `var 1..${costs.length}: ${named(at)};`,
      `array[1..${costs.length}] of int: cost${at} = ${listOf(costs.map((each) => Math.round(each * CENTS)))};`,
    ]),
    ...tables.flatMap((table, at) => tableLines(table, at, named)),
    ...sums.flatMap((sum, at) => sumLines(sum, at, named)),
    ...(opens.length > 0 ? [`constraint ${opens.join(' + ')} <= ${mostOpen};`] : []),
    `var int: total = ${[
      ...variables.map((_, at) => `cost${at}[${named(at)}]`),
      ...opens.map((open) => `${Math.round(openCosts * CENTS)} * ${open}`),
    ].join(' + ')};`,
    // Options stand by what they cost.
    `solve :: int_search([${variables.map((_, at) => named(at)).join(', ')}], first_fail, indomain_min, complete) minimize total;`,
    String.raw`output ["total \(total)\n"];`,
  ];
  return `${lines.join('\n')}\n`;
}

const isEverOpen = ({ rows }: Table): boolean => rows.some((row) => row.at(-1) === 1);

function tableLines(table: Table, at: number, named: (at: number) => string): readonly string[] {
  const { name, vars, classes, rows } = table;
  const open = isEverOpen(table);
  const kinds = vars.map((variable, place) => ({ variable, of: classes[place] ?? new Int32Array() }));
  return [
    `% ${name}`,
    ...kinds.flatMap(({ variable, of }, place) => [
      `array[1..${of.length}] of int: k${at}_${place} = ${listOf(of.map((each) => each + 1))};`,
      `var 1..${Math.max(...of) + 1}: c${at}_${place} = k${at}_${place}[${named(variable)}];`,
    ]),
    ...(open ? [`var 0..1: o${at};`] : []),
    rows.length === 0
      ? 'constraint false;'
      : `constraint table([${kinds.map((_, place) => `c${at}_${place}`).join(', ')}${open ? `, o${at}` : ''}], array2d(1..${rows.length}, 1..${kinds.length + (open ? 1 : 0)}, ${listOf(
          rows.flatMap((row) => [...row.slice(0, -1).map((each) => each + 1), ...(open ? row.slice(-1) : [])]),
        )}));`,
  ];
}

function sumLines({ name, vars, adds, low, high }: Sum, at: number, named: (at: number) => string): readonly string[] {
  const terms = vars.flatMap((variable, place) => {
    const own = adds[place] ?? new Float64Array();
    const scaled = [...own].map((each) => Math.round(each * PARTS));
    return scaled.every((each) => each === 0) ? [] : [{ variable, place, scaled }];
  });
  const sum = terms.map(({ variable, place }) => `s${at}_${place}[${named(variable)}]`).join(' + ') || '0';
  return [
    `% ${name}`,
    ...terms.map(({ place, scaled }) => `array[1..${scaled.length}] of int: s${at}_${place} = ${listOf(scaled)};`),
    ...(Number.isFinite(low) ? [`constraint ${sum} >= ${Math.round(low * PARTS)};`] : []),
    ...(Number.isFinite(high) ? [`constraint ${sum} <= ${Math.round(high * PARTS)};`] : []),
  ];
}

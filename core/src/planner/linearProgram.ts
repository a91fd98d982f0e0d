import type { TableModel } from './tableModel.js';

/** So many terms stand on a line: old readers cut longer ones off. */
const ON_A_LINE = 8;

const sumOf = (terms: readonly string[]): string =>
  terms.map((term, at) => (at > 0 && at % ON_A_LINE === 0 ? `\n ${term}` : term)).join(' ');

const term = (factor: number, name: string): string => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;

/**
 * A plan as a linear program with whole numbers, in CPLEX LP format. Of each table a row is chosen, and it tells which
 * class each of its variables has: the tightest way that there is to say a table in linear terms.
 */
export function linearProgramOf({ variables, tables, sums, mostOpen, openCosts }: TableModel): string {
  const constraints: string[] = [];
  const binaries = variables.flatMap(({ costs }, at) => [...costs].map((_, option) => `x${at}_${option}`));
  const objective = variables.flatMap(({ costs }, at) =>
    [...costs].map((cost, option) => term(Math.round(cost * 100) / 100, `x${at}_${option}`)),
  );
  const opens: string[] = [];
  variables.forEach(({ costs }, at) =>
    constraints.push(`${sumOf([...costs].map((_, option) => term(1, `x${at}_${option}`)))} = 1`),
  );
  tables.forEach(({ vars, classes, rows }, at) => {
    const names = rows.map((row, which) => {
      const name = `y${at}_${which}`;
      if (row.at(-1) === 1) {
        opens.push(name);
        objective.push(term(openCosts, name));
      }
      return name;
    });
    // No row at all: nothing goes together.
    constraints.push(`${names.length === 0 ? '0 x0_0' : sumOf(names.map((name) => term(1, name)))} = 1`);
    vars.forEach((variable, place) => {
      // By class: the rows that have it, less the options that do.
      const sides = new Map<number, string[]>();
      const add = (number: number, said: string) => {
        const list = sides.get(number) ?? [];
        list.push(said);
        sides.set(number, list);
      };
      rows.forEach((row, which) => add(row[place] ?? 0, term(1, names[which] ?? '')));
      classes[place]?.forEach((number, option) => add(number, term(-1, `x${variable}_${option}`)));
      for (const terms of sides.values()) constraints.push(`${sumOf(terms)} = 0`);
    });
  });
  for (const { vars, adds, low, high } of sums) {
    const terms = vars.flatMap((variable, place) =>
      [...(adds[place] ?? [])].flatMap((each, option) =>
        Math.abs(each) < 1e-9 ? [] : [term(Number(each.toFixed(4)), `x${variable}_${option}`)],
      ),
    );
    if (terms.length === 0) terms.push('0 x0_0');
    if (Number.isFinite(low)) constraints.push(`${sumOf(terms)} >= ${low}`);
    if (Number.isFinite(high)) constraints.push(`${sumOf(terms)} <= ${high}`);
  }
  if (opens.length > 0) constraints.push(`${sumOf(opens.map((name) => term(1, name)))} <= ${mostOpen}`);
  return [
    'Minimize',
    ` ${sumOf(objective)}`,
    'Subject To',
    ...constraints.map((each, at) => ` c${at}: ${each}`),
    'Binaries',
    ...binaries.map((name) => ` ${name}`),
    'End',
    '',
  ].join('\n');
}

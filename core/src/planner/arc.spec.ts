import fc from 'fast-check';
import { Arc } from './arc';
import { SAYS, type Constraint } from './constraint';
import { allOf, drop, optionsOf } from './optionSet';
import { holds } from '../testing/laws';

const agreeing =
  (table: readonly (readonly boolean[])[]): Constraint['judge'] =>
  ([a = 0, b = 0]) =>
    table[a]?.[b] ? SAYS.agrees : SAYS.refuses;

const TABLES = fc
  .integer({ min: 1, max: 40 })
  .chain((across) =>
    fc.array(fc.array(fc.boolean(), { minLength: across, maxLength: across }), { minLength: 1, maxLength: 12 }),
  );

describe('what goes with an option on the other side', () => {
  it('is what the constraint does not refuse, seen from either side', () => {
    holds(
      fc.property(TABLES, (table) => {
        const across = table[0]?.length ?? 0;
        const constraint: Constraint = { name: 'c', vars: [3, 5], judge: agreeing(table) };
        const [there, back] = [new Arc(constraint, 3, 5, across), new Arc(constraint, 5, 3, table.length)];
        for (const [a, row] of table.entries())
          expect([...optionsOf(there.row(a))]).toEqual(row.flatMap((agrees, b) => (agrees ? [b] : [])));
        for (let b = 0; b < across; b++)
          expect([...optionsOf(back.row(b))]).toEqual(table.flatMap((row, a) => (row[b] ? [a] : [])));
      }),
    );
  });

  it('is judged once for all that are of one class', () => {
    let judged = 0;
    const constraint: Constraint = {
      name: 'c',
      vars: [0, 1],
      classes: [Int32Array.of(0, 0, 1, 1), Int32Array.of(0, 1, 0, 1, 0, 1)],
      judge: ([a = 0, b = 0]) => {
        judged++;
        // By the class: the first two with the odd ones, the others with the even ones.
        return Number(a >= 2) === b % 2 ? SAYS.refuses : SAYS.agrees;
      },
    };
    const arc = new Arc(constraint, 0, 1, 6);
    const rows = [0, 1, 2, 3].map((option) => [...optionsOf(arc.row(option))]);
    expect(rows).toEqual([
      [1, 3, 5],
      [1, 3, 5],
      [0, 2, 4],
      [0, 2, 4],
    ]);
    expect(judged).toBe(4);
  });

  it('is asked of nothing that is ruled out from the start', () => {
    const asked: number[] = [];
    const arc = new Arc(
      {
        name: 'c',
        vars: [0, 1],
        judge: ([, b = 0]) => {
          asked.push(b);
          return SAYS.agrees;
        },
      },
      0,
      1,
      5,
    );
    arc.among = allOf(5);
    drop(arc.among, 2);
    expect([...optionsOf(arc.row(0))]).toEqual([0, 1, 3, 4]);
    expect(asked).toEqual([0, 1, 3, 4]);
  });
});

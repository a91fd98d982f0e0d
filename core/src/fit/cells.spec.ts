import fc from 'fast-check';
import type { Reading } from '../readings/reading';
import { cellsOf, readCell, withCell, type Entered } from './cells';
import { banksOf, cellsInOrder, keyOfCell, type SheetLayout } from './layout';
import { sheetFor, SHEETS } from './sheets';
import { holds } from '../testing/laws';

const sheet = (id: string): SheetLayout => {
  const found = sheetFor(id);
  if (!found) throw new RangeError(`There is no sheet of ${id}.`);
  return found;
};
const MAINS = sheet('crank.mainJournal.diameter');
const entered = (value: number): Entered => ({ value, figures: String(value), unit: 'mm', instrument: 'micrometer' });
const upTo = (count: number): readonly number[] => Array.from({ length: count }, (_, at) => at + 1);
let made = 0;
const stamp = () => ({ id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`, at: '2026-10-05T09:00:00Z' });
const typed = (is: Reading['is']): Reading => ({ ...stamp(), is });

describe('a sheet', () => {
  it('goes from the front to the rear, each place at every height in both directions', () => {
    const cells = cellsInOrder(MAINS, upTo(5));
    expect(cells.length).toBe(20);
    expect(cells.slice(0, 5).map(keyOfCell)).toEqual(['1 top 1', '1 top 2', '1 bottom 1', '1 bottom 2', '2 top 1']);
    expect(cellsInOrder(sheet('liner.bore'), upTo(4)).length).toBe(6);
    for (const { kind, parameter } of SHEETS) expect(parameter.id.startsWith(`${kind}.`)).toBeTrue();
  });

  // Common practice, no source: of cylinders numbered as their rods follow on the crank, the odd ones are one bank.
  it('lies as the engine does: a vee and an opposed engine in two banks, another in one row', () => {
    expect(banksOf('vee', 8)).toEqual([
      [1, 3, 5, 7],
      [2, 4, 6, 8],
    ]);
    expect(banksOf('flat', 2)).toEqual([[1], [2]]);
    expect(banksOf('inline', 3)).toEqual([[1, 2, 3]]);
    expect(banksOf(undefined, 1)).toEqual([[1]]);
    const bores = cellsInOrder(sheet('block.bore'), banksOf('vee', 4).flat());
    expect([...new Set(bores.map(({ position }) => position))]).toEqual([1, 3, 2, 4]);
  });

  it('has the same figures whatever the order in which they were entered', () => {
    const cells = cellsInOrder(MAINS, upTo(3));
    holds(
      fc.property(fc.shuffledSubarray([...cells.keys()], { minLength: 1 }), (order) => {
        const into = (which: readonly number[]) =>
          which.reduce<Reading[]>((readings, at) => {
            const cell = cells[at];
            return cell ? withCell(readings, MAINS, cell, entered(59 + at / 100), stamp()) : readings;
          }, []);
        const [one, other] = [cellsOf(into(order), MAINS), cellsOf(into([...order].sort((a, b) => a - b)), MAINS)];
        return one.size === order.length && [...one].every(([key, cell]) => other.get(key)?.value === cell.value);
      }),
    );
  });

  it('stands on the readings of the part, and on nothing else', () => {
    const line = typed({
      sort: 'size',
      text: 'mains 59.64x59.63 59.62x59.60',
      parameter: MAINS.parameter.id,
      values: [59.64, 59.63, 59.62, 59.6],
      positions: [1, 1, 2, 2],
      axes: [1, 2, 1, 2],
      figures: '59.64x59.63 59.62x59.60',
      unit: 'mm',
      instrument: 'micrometer',
    });
    const mark = typed({ sort: 'mark', text: 'M-CAB', characters: 'M-CAB' });
    // What says no height was taken at the first.
    expect(cellsOf([line, mark], MAINS).get('2 top 2')?.value).toBe(59.6);
    const cell = cellsInOrder(MAINS, upTo(2))[5];
    if (!cell) throw new RangeError('There is no such cell.');
    const changed = withCell([line, mark], MAINS, cell, entered(59.61), stamp());
    expect([...cellsOf(changed, MAINS).values()].map(({ value }) => value)).toEqual([59.64, 59.63, 59.62, 59.61]);
    expect(changed).toContain(mark);
    const rest = changed[0]?.is;
    expect(rest?.sort === 'size' && rest.positions).toEqual([1, 1, 2]);
    // Emptied, all of it is gone but what was never in a cell.
    const empty = cellsInOrder(MAINS, upTo(2)).reduce(
      (readings, each) => withCell(readings, MAINS, each, undefined, stamp()),
      changed,
    );
    expect(empty).toEqual([mark]);
  });

  it('takes a figure as it is typed, in the unit that can be meant', () => {
    expect(readCell('59.64', MAINS, 'mm', [])).toEqual({
      value: 59.64,
      figures: '59.64',
      unit: 'mm',
      unitAssumed: true,
    });
    expect(readCell('59,64mm', MAINS, 'in', [])).toEqual({ value: 59.64, figures: '59.64', unit: 'mm' });
    expect(readCell('2.348 in', MAINS, 'mm', [])).toEqual({ value: 2.348, figures: '2.348', unit: 'in' });
    expect(readCell('2.348', MAINS, 'mm', [])).toEqual({
      value: 2.348,
      figures: '2.348',
      unit: 'in',
      unitAssumed: true,
    });
  });

  it('refuses what is none, two at once, and asks about what lies far from the others', () => {
    for (const rubbish of ['', 'E3', '59.64 59.63', '59.6.4', '--'])
      expect(readCell(rubbish, MAINS, 'mm', [])).toEqual({ problem: 'noFigure' });
    expect(readCell('5964', MAINS, 'mm', [])).toEqual(
      jasmine.objectContaining({ problem: 'notPlausible', unit: 'mm' }),
    );
    expect(readCell('56.94', MAINS, 'mm', [59.64, 59.63])).toEqual({ problem: 'slip', neighbours: 59.63, unit: 'mm' });
    expect(readCell('59.60', MAINS, 'mm', [59.64])).toEqual(jasmine.objectContaining({ value: 59.6 }));
  });

  // 1 oz is 28.349 523 125 g, 1 lbf 4.448 222 N: NIST SP 811, table B.8.
  it('takes weights and loads in the units they are weighed in', () => {
    const [weight, load] = [sheet('rod.mass'), sheet('valveSpring.seatLoad')];
    expect(readCell('612.4', weight, 'g', [])).toEqual({
      value: 612.4,
      figures: '612.4',
      unit: 'g',
      unitAssumed: true,
    });
    expect(readCell('21.6 oz', weight, 'g', [])).toEqual({ value: 21.6, figures: '21.6', unit: 'oz' });
    expect(readCell('80 lb', load, 'N', [])).toEqual({ value: 80, figures: '80', unit: 'lbf' });
    // A length is no weight, and a weight in kilograms that was meant in grams none of a rod.
    expect(readCell('59.64 mm', weight, 'g', [])).toEqual({ problem: 'noFigure' });
    expect(readCell('612 kg', weight, 'g', [])).toEqual({ problem: 'notPlausible', low: 0.06, high: 6, unit: 'kg' });
    expect(readCell('40', sheet('rod.mass.bigEnd'), 'g', [412])).toEqual({
      problem: 'slip',
      neighbours: 412,
      unit: 'g',
    });
  });
});

import { setUp, show, text } from '../testing/setUp';
import { SweepMap } from './sweepMap';

const NAMES = { across: 'Gasket, mm', up: 'Chamber, cc', figure: 'Ratio' };
const CELL = 4;

// The colours of the page, which has no style sheet here.
const COLOURS = { '--raised': '#ffffff', '--dye': '#000080', '--never': '#ff0000' };
const put = (of: (name: string, colour: string) => void) =>
  Object.entries(COLOURS).forEach(([name, colour]) => of(name, colour));
const { style } = document.documentElement;
beforeAll(() => put((name, colour) => style.setProperty(name, colour)));
afterAll(() => put((name) => style.removeProperty(name)));

const drawn = async (values: readonly number[], limits: readonly number[] = []) => {
  setUp();
  const { page } = await show(SweepMap, { across: [1, 2, 3], up: [50, 60], values, limits, names: NAMES });
  const canvas = page.querySelector('canvas');
  const context = canvas?.getContext('2d');
  if (!canvas || !context) throw new RangeError('There is no map.');
  /** What is painted in a cell, row by row from the foot: the colour at its head, where no hatching comes. */
  const at = (column: number, row: number, [x, y] = [0, 0]): readonly number[] => [
    ...context.getImageData(column * CELL + x, canvas.height - (row + 1) * CELL + y, 1, 1).data.slice(0, 3),
  ];
  const far = (a: readonly number[], b: readonly number[]) =>
    Math.max(...a.map((each, channel) => Math.abs(each - (b[channel] ?? 0))));
  return { page, canvas, at, far };
};

describe('a figure over two sizes', () => {
  it('has a cell for each pair, the first row at the foot, stronger where it is more', async () => {
    const { canvas, at, far } = await drawn([9, 10, 11, 12, 13, 14]);
    expect([canvas.width, canvas.height]).toEqual([3 * CELL, 2 * CELL]);
    const [least, most] = [at(0, 0), at(2, 1)];
    // Farther from the palest cell the more it is.
    const shades = [0, 1].flatMap((row) => [0, 1, 2].map((column) => far(at(column, row), least)));
    expect(shades).toEqual([...shades].sort((a, b) => a - b));
    expect(far(least, most)).toBeGreaterThan(40);
  });

  it('hatches what breaks a limit, below the least and over the most', async () => {
    const { at } = await drawn([9, 10, 11, 12, 13, 14], [10, 13]);
    const hatched = [0, 1].flatMap((row) =>
      [0, 1, 2]
        .filter((column) => at(column, row, [0, CELL - 1]).join() !== at(column, row).join())
        .map((column) => [column, row]),
    );
    expect(hatched).toEqual([
      [0, 0],
      [2, 1],
    ]);
  });

  it('leaves empty what cannot be told, and shades what is all the same', async () => {
    const { at, far } = await drawn([9, Number.NaN, 9, 9, 9, 9]);
    expect(far(at(1, 0), at(0, 0))).toBeGreaterThan(20);
    expect(at(0, 0).join()).toBe(at(2, 1).join());
  });

  it('says in words what it shows, with the ends of all three', async () => {
    const { page, canvas } = await drawn([9, 10, 11, 12, 13, 14]);
    expect(canvas.getAttribute('aria-label')).toBe('Ratio from 9 to 14, over Gasket, mm and Chamber, cc.');
    expect(text(page.querySelector('.name'))).toContain('9 (pale) to 14 (strong)');
    expect(text(page.querySelector('.across'))).toBe('1Gasket, mm3');
    expect([...page.querySelectorAll('.up')].map(text)).toEqual(['60', '50']);
  });
});

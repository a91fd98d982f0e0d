import { setUp, show, text } from '../testing/setUp';
import { GridPainter, type GridPicture } from './gridCanvas';
import { GridSheets } from './gridSheets';

const names = (count: number, of: string) => Array.from({ length: count }, (_, at) => `${of} ${at + 1}`);
const picture = (rows: number, columns: number, cell: GridPicture['cell'] = () => 0): GridPicture => ({
  rows: names(rows, 'crank'),
  columns: names(columns, 'block'),
  cell,
  wanted: () => true,
});

describe('a grid on paper', () => {
  it('is one sheet where it goes on one', async () => {
    setUp();
    const { page } = await show(GridSheets, { picture: picture(10, 10), title: 'Cranks into blocks' });
    expect(page.querySelectorAll('canvas').length).toBe(1);
    expect(text(page.querySelector('h2'))).toBe('Cranks into blocks');
    expect(text(page.querySelector('p'))).toContain('Sheet 1 of 1');
  });

  it('is cut into sheets of rows and columns, none of which is lost', async () => {
    setUp();
    const asked = new Set<string>();
    const watched = picture(40, 50, (row, column) => {
      asked.add(`${row},${column}`);
      return 0;
    });
    const { page } = await show(GridSheets, { picture: watched, title: 'Cranks into blocks' });
    // Thirty-four rows and twenty-four columns a sheet: two by three.
    expect(page.querySelectorAll('canvas').length).toBe(6);
    expect(asked.size).toBe(40 * 50);
  });

  it('prints no stack that nobody reads, and says what to do instead', async () => {
    setUp();
    const { page } = await show(GridSheets, { picture: picture(1000, 200), title: 'Cranks into blocks' });
    expect(page.querySelectorAll('canvas').length).toBe(30);
    expect(text(page)).toContain('only 30 are printed');
    expect(text(page)).toContain('CSV or XLSX');
  });

  it('tells the verdicts by their shapes, which print without colour', async () => {
    setUp();
    const { page } = await show(GridSheets, { picture: picture(2, 2), title: 'Cranks into blocks' });
    expect([...page.querySelectorAll('p wb-verdict')].map(text)).toEqual([
      'fits',
      'fits with work',
      'cannot tell',
      'does not fit',
    ]);
  });
});

describe('the drawing of a grid', () => {
  const MEASURES = { cell: 20, left: 100, top: 50, width: 300, height: 150, ratio: 1 };

  function drawn(of: GridPicture, scroll = { x: 0, y: 0 }) {
    const canvas = document.createElement('canvas');
    for (const [name, colour] of Object.entries({
      '--fits': '#00ff00',
      '--never': '#ff0000',
      '--ground': '#ffffff',
      '--ink': '#000000',
    }))
      canvas.style.setProperty(name, colour);
    document.body.append(canvas);
    new GridPainter(canvas).draw(of, MEASURES, scroll, undefined);
    canvas.remove();
    const context = canvas.getContext('2d');
    return (x: number, y: number) => [...(context?.getImageData(x, y, 1, 1).data ?? [])];
  }
  const middleOf = (row: number, column: number): readonly [number, number] => [
    100 + column * 20 + 10,
    50 + row * 20 + 10,
  ];

  it('puts a verdict into the middle of its cell, and nothing where none is worked out yet', () => {
    const at = drawn(picture(3, 3, (row, column) => (row === 1 && column === 2 ? 0 : undefined)));
    expect(at(...middleOf(1, 2))).toEqual([0, 255, 0, 255]);
    expect(at(...middleOf(0, 0))[3]).toBe(0);
  });

  it('shows faintly what is not looked for', () => {
    const at = drawn({ ...picture(1, 1), wanted: () => false });
    expect(at(...middleOf(0, 0))[3]).toBeLessThan(60);
  });

  it('moves with what is scrolled', () => {
    const at = drawn(
      picture(30, 30, (row, column) => (row === 5 && column === 4 ? 0 : undefined)),
      { x: 80, y: 100 },
    );
    expect(at(...middleOf(0, 0))).toEqual([0, 255, 0, 255]);
  });

  it('draws again with the colours and the cells of now', () => {
    const canvas = document.createElement('canvas');
    document.body.append(canvas);
    const painter = new GridPainter(canvas);
    const at = (colour: string, verdict: number) => {
      canvas.style.setProperty('--fits', colour);
      canvas.style.setProperty('--never', '#ff0000');
      painter.draw(
        picture(1, 1, () => verdict),
        MEASURES,
        { x: 0, y: 0 },
        undefined,
      );
      return [...(canvas.getContext('2d')?.getImageData(...middleOf(0, 0), 1, 1).data ?? [])];
    };
    expect(at('#00ff00', 0)).toEqual([0, 255, 0, 255]);
    expect(at('#0000ff', 0)).toEqual([0, 0, 255, 255]);
    canvas.remove();
  });

  it('asks for no cell that does not show', () => {
    const asked: number[] = [];
    drawn(
      picture(1000, 1000, (row) => {
        asked.push(row);
        return undefined;
      }),
      { x: 0, y: 4000 },
    );
    expect(Math.min(...asked)).toBe(200);
    expect(Math.max(...asked)).toBeLessThan(210);
  });
});

import { curvesTable } from './curvesTable';

describe('curves as a table', () => {
  it('have a column each in the units of the reader, a line for each crank angle', () => {
    const curves = [
      { name: 'Piston below its top', quantity: 'length', values: [0, 25.4] },
      { name: 'Rod angle', quantity: 'angle', values: [0, 12.345678] },
    ] as const;
    expect(curvesTable([0, 90], curves, 'inch')).toEqual([
      ['Crank angle (°)', 'Piston below its top (in)', 'Rod angle (°)'],
      [0, 0, 0],
      [90, 1, 12.3457],
    ]);
  });
});

import { measuredSize, rowOf, type Spot } from './measuredSize';

const spot = (mean: number, where: Partial<Spot> = {}, uncertainty = 0.001): Spot => ({
  estimate: { mean, uncertainty },
  ...where,
});

describe('a size measured in several spots', () => {
  // Common practice, no source: out of round is the most between two directions at one height, taper the most between
  // two heights in one direction.
  it('is as far from round and from parallel as the worst of it', () => {
    const bore = measuredSize([
      spot(95.06, { position: 1, level: 'top', axis: 1 }),
      spot(95.02, { position: 1, level: 'top', axis: 2 }),
      spot(95.03, { position: 1, level: 'bottom', axis: 1 }),
      spot(95.02, { position: 1, level: 'bottom', axis: 2 }),
      spot(95.03, { position: 2, level: 'top', axis: 1 }),
      spot(95.02, { position: 2, level: 'top', axis: 2 }),
    ]);
    expect(bore?.outOfRound?.low).toBeCloseTo(0.04 - 2 * Math.SQRT2 * 0.001, 9);
    expect(bore?.outOfRound?.high).toBeCloseTo(0.04 + 2 * Math.SQRT2 * 0.001, 9);
    expect(bore?.taper?.high).toBeCloseTo(0.03 + 2 * Math.SQRT2 * 0.001, 9);
    expect(bore?.at?.map(({ position, spots }) => [position, spots?.length])).toEqual([
      [1, 4],
      [2, 2],
    ]);
    expect(bore?.at?.[1]?.taper).toBeUndefined();
  });

  it('spans all of them: none is averaged away', () => {
    const pin = measuredSize([spot(20, { axis: 1 }), spot(19.98, { axis: 2 })]);
    expect(pin?.interval.low).toBeCloseTo(19.978, 9);
    expect(pin?.interval.high).toBeCloseTo(20.002, 9);
    expect(pin?.at).toBeUndefined();
  });

  it('does not compare across: another height in another direction tells neither', () => {
    const crossed = measuredSize([spot(20, { level: 'top', axis: 1 }), spot(19.9, { level: 'bottom', axis: 2 })]);
    expect(crossed?.outOfRound).toBeUndefined();
    expect(crossed?.taper).toBeUndefined();
  });

  it('goes by the finer of two in one spot, and by those that say where before a coarse one that does not', () => {
    const size = measuredSize([
      spot(95.3, { position: 1 }, 0.05),
      spot(95.03, { position: 1, axis: 1 }),
      spot(95.05, { position: 1, axis: 1 }, 0.01),
      spot(95.02, { position: 1, axis: 2 }),
    ]);
    expect(size?.interval.high).toBeCloseTo(95.032, 9);
  });

  it('makes a row only where every place from the first on was measured', () => {
    const at = (...positions: number[]) => measuredSize(positions.map((position) => spot(50, { position })));
    const [whole, broken] = [at(1, 2, 3), at(1, 3)];
    expect(whole && rowOf(whole)?.length).toBe(3);
    expect(broken && rowOf(broken)).toBeUndefined();
    expect(measuredSize([])).toBeUndefined();
  });
});

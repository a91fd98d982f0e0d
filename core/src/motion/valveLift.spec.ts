import { alongCylinder, centreFor, liftAt, measuredLift, seatDuration, type LiftCurve } from './valveLift';
import { leastAt } from './crankAngles';

const curve = (form: LiftCurve['form']): LiftCurve => ({ form, lift: 11, duration: 270, centre: 108 });

describe('the lift of a valve', () => {
  for (const form of ['harmonic', 'polynomial'] as const)
    it(`by a ${form} curve is greatest at the centre, even about it, and nothing at the seats`, () => {
      expect(liftAt(curve(form), 108)).toBe(11);
      for (let off = 0; off <= 135; off += 5) {
        expect(liftAt(curve(form), 108 + off)).toBeCloseTo(liftAt(curve(form), 108 - off), 9);
        expect(liftAt(curve(form), 108 + off)).toBeGreaterThanOrEqual(liftAt(curve(form), 108 + off + 5));
      }
      expect(liftAt(curve(form), 108 + 135)).toBeCloseTo(0, 12);
      expect(liftAt(curve(form), 108 + 140)).toBe(0);
    });

  // A cosine that begins and ends at rest: at a quarter of the duration from the centre it is half open.
  it('by a harmonic curve is half at half the way', () => {
    expect(liftAt(curve('harmonic'), 108 + 67.5)).toBeCloseTo(5.5, 9);
  });

  it('phased by the lift at an angle opens so far at that angle', () => {
    for (const form of ['harmonic', 'polynomial'] as const) {
      const duration = seatDuration(form, 11, 220, 1.27);
      expect(liftAt({ form, lift: 11, duration, centre: 0 }, 110)).toBeCloseTo(1.27, 9);
    }
    expect(() => seatDuration('harmonic', 1, 220, 1.27)).toThrowError(RangeError);
  });

  it('is found by its lift at overlap', () => {
    for (const form of ['harmonic', 'polynomial'] as const) {
      const centre = centreFor(form, 11, 270, 1.5);
      expect(liftAt({ form, lift: 11, duration: 270, centre }, 0)).toBeCloseTo(1.5, 9);
    }
    expect(() => centreFor('polynomial', 1, 220, 1.27)).toThrowError(RangeError);
  });

  it('as measured goes straight from point to point', () => {
    const points = [
      [-100, 0],
      [0, 10],
      [90, 1],
      [100, 0],
    ] as const;
    expect(measuredLift(points, 110, 110)).toBe(10);
    expect(measuredLift(points, 110, 60)).toBe(5);
    expect(measuredLift(points, 110, 205)).toBe(0.5);
    expect(measuredLift(points, 110, 10)).toBe(0);
    expect(measuredLift(points, 110, 0)).toBe(0);
    expect(measuredLift(points, 110, 300)).toBe(0);
  });

  it('along the cylinder is less where the stem leans', () => {
    expect(alongCylinder(10, 60)).toBeCloseTo(5, 9);
  });

  it('finds the least of a valley to a ten-thousandth of a degree', () => {
    expect(leastAt((angle) => (angle - 12.3456) ** 2, -90, 90, 7)).toBeCloseTo(12.3456, 3);
    // At the end of the range where it falls all the way.
    expect(leastAt((angle) => -angle, 0, 10, 3)).toBeCloseTo(10, 3);
  });
});

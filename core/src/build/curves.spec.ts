import { demoEngine } from '../testing/demo';
import { valueIn } from '../testing/figures';
import { curveAngles, curvesOf, valveMotion } from './curves';

const SIZES = {
  'crank.stroke': 80,
  'rod.length': 140,
  'piston.pin.offset': 0,
  'running.speed': 6000,
  'running.intakeCentre': 108,
  'running.exhaustCentre': 112,
};
const angles = curveAngles();
const at = (degrees: number) => angles.indexOf(degrees);
const engine = demoEngine('sluice-357', SIZES);
const curves = new Map(curvesOf(engine, 1).map((each) => [each.id, each.values]));
const value = (id: string, degrees: number) => curves.get(id)?.[at(degrees)] ?? Number.NaN;

describe('curves over the crank angle', () => {
  it('go over two turns, as a four-stroke does', () => {
    expect([angles[0], angles.at(-1)]).toEqual([-360, 360]);
    for (const values of curves.values()) expect(values.length).toBe(angles.length);
  });

  // Geometry: nothing at the top, the whole stroke at the bottom, and alike either side and a turn later.
  it('have the piston at its top and its bottom where it is', () => {
    expect(value('fall', 0)).toBeCloseTo(0, 9);
    expect(value('fall', 180)).toBeCloseTo(80, 9);
    for (const degrees of [10, 46, 90, 134]) {
      expect(value('fall', degrees)).toBeCloseTo(value('fall', -degrees), 9);
      expect(value('fall', degrees)).toBeCloseTo(value('fall', degrees - 360), 9);
    }
  });

  it('have in each the slope of the one before: speed of the fall, acceleration of the speed', () => {
    // Seconds between points: two degrees at 36,000 degrees a second.
    const step = 2 / 36_000;
    for (const degrees of [-90, -40, 20, 76, 130]) {
      const speed = (value('fall', degrees + 2) - value('fall', degrees - 2)) / (2 * step) / 1000;
      expect(Math.abs(value('speed', degrees) - speed)).toBeLessThan(0.05);
      const acceleration = (value('speed', degrees + 2) - value('speed', degrees - 2)) / (2 * step);
      expect(Math.abs(value('acceleration', degrees) - acceleration)).toBeLessThan(80);
    }
  });

  it('come to what the sheet says, at its ends and at its most', () => {
    expect(value('acceleration', 0)).toBeCloseTo(valueIn(engine, 'accelerationTop'), 6);
    const fastest = Math.max(...(curves.get('speed') ?? []));
    expect(Math.abs(fastest - valueIn(engine, 'greatestSpeed'))).toBeLessThan(0.02);
    const leans = Math.max(...(curves.get('rodAngle') ?? []).map(Math.abs));
    expect(Math.abs(leans - valueIn(engine, 'rodAngle'))).toBeLessThan(0.02);
  });

  it('lift each valve to its most at its centre, and leave the room that the sheet says', () => {
    for (const [duty, centre] of [
      ['intake', 108],
      ['exhaust', -112],
    ] as const) {
      const lifts = curves.get(`lift.${duty}`) ?? [];
      expect(angles[lifts.indexOf(Math.max(...lifts))]).toBe(centre);
      const motion = valveMotion(engine, { row: 'cylinder', at: 1 }, duty);
      expect(motion?.centre).toBe(centre);
      expect(Math.max(...lifts)).toBeCloseTo((motion?.lift ?? 0) * Math.cos(((motion?.stem ?? 0) * Math.PI) / 180), 9);
      const least = Math.min(...(curves.get(`room.${duty}`) ?? []));
      expect(Math.abs(least - valueIn(engine, `valveRoom.${duty}`))).toBeLessThan(0.02);
    }
  });

  it('leave out what cannot be told', () => {
    const ids = (variant: string, sizes = {}) => curvesOf(demoEngine(variant, sizes), 1).map(({ id }) => id);
    expect(ids('pip-48').some((id) => id.startsWith('lift'))).toBeFalse();
    expect(ids('pip-48')).toContain('fall');
    // A rod that does not come round moves nothing.
    expect(ids('sluice-357', { 'rod.length': 30 })).toEqual([]);
    expect(valveMotion(demoEngine('pip-48'), { row: 'cylinder', at: 1 }, 'intake')).toBeUndefined();
  });
});

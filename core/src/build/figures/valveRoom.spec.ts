import fc from 'fast-check';
import type { Build } from '../build';
import { engineOf } from '../ground';
import { typed } from '../vary';
import { BUILD_LOOKUP } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';
import { holds } from '../../testing/laws';

/** An engine with valves along the cylinder, a piston at the deck and pockets of 2 mm. */
const SIZES = {
  'crank.stroke': 80,
  'rod.length': 150,
  'piston.pin.offset': 0,
  'piston.compressionHeight': 40,
  'block.deckHeight': 230,
  'headGasket.thickness': 1.2,
  'head.valve.recess': 0.5,
  'head.valve.angle': 0,
  'piston.valvePocket.depth': 2,
  'cam.lift.intake': 10,
  'cam.lift.exhaust': 10,
  'running.rocker': 1,
  'cam.duration.intake': 280,
  'running.duration.exhaust': 280,
  'running.durationAt': 0,
  'running.intakeCentre': 110,
  'running.exhaustCentre': 110,
};
const engine = (
  sizes: Readonly<Record<string, number>> = {},
  looks: Readonly<Record<string, string>> = {},
  lifts?: Build['lifts'],
) =>
  engineOf(
    {
      id: 'made',
      name: 'Made up',
      variant: 'ambit-1360',
      places: [],
      sizes: Object.entries({ ...SIZES, ...sizes }).map(([of, inside]) => typed(of, inside)),
      looks: Object.entries({ 'piston.valvePockets': '2', ...looks }).map(([of, option]) => ({ of, option })),
      ...(lifts ? { lifts } : {}),
    },
    BUILD_LOOKUP,
  );
const of = (id: string, ...asked: Parameters<typeof engine>) => valueIn(engine(...asked), id);

/** The slider-crank by Pythagoras, and the polynomial lift, written down once more. */
const fall = (angle: number): number => {
  const [r, l, a] = [40, 150, (angle * Math.PI) / 180];
  return r + l - (r * Math.cos(a) + Math.sqrt(l * l - (r * Math.sin(a)) ** 2));
};
const lift = (angle: number, centre: number, greatest = 10, duration = 280): number => {
  const part = (angle - centre) / (duration / 2);
  return Math.abs(part) >= 1 ? 0 : greatest * (1 - part * part) ** 3;
};
/** The least of it by trying every hundredth of a degree. */
const leastRoom = (centre: number): { readonly angle: number; readonly room: number } => {
  const angles = Array.from({ length: 16_001 }, (_, at) => -80 + at / 100);
  const room = (angle: number) => 1.2 + 0.5 + 2 + fall(angle) - lift(angle, centre);
  const angle = angles.reduce((so, each) => (room(each) < room(so) ? each : so), 0);
  return { angle, room: room(angle) };
};

describe('room between valves and piston', () => {
  it('is the least over the crank angle, found where plain trying finds it', () => {
    for (const centre of [98, 104, 110, 116]) {
      const sizes = { 'running.intakeCentre': centre, 'running.exhaustCentre': centre };
      const { angle, room } = leastRoom(centre);
      expect(of('valveRoom.intake', sizes)).toBeCloseTo(room, 4);
      expect(Math.abs(of('valveNearest.intake', sizes) - angle)).toBeLessThan(0.05);
      // The exhaust is the same before the top as the intake after it.
      expect(of('valveRoom.exhaust', sizes)).toBeCloseTo(room, 4);
      expect(of('valveNearest.exhaust', sizes)).toBeCloseTo(-of('valveNearest.intake', sizes), 2);
    }
  });

  // Common practice, no source: the intake is nearest some ten to fifteen degrees after the top.
  it('of the intake is least shortly after the top, of the exhaust shortly before it', () => {
    expect(of('valveNearest.intake')).toBeGreaterThan(3);
    expect(of('valveNearest.intake')).toBeLessThan(25);
    expect(of('valveNearest.exhaust')).toBeLessThan(-3);
  });

  // Common practice, no source: advancing a cam brings the intake nearer to the piston and takes the exhaust from it.
  it('loses at the intake and gains at the exhaust as the cam is advanced', () => {
    const advanced = { 'running.intakeCentre': 106, 'running.exhaustCentre': 114 };
    expect(of('valveRoom.intake', advanced)).toBeLessThan(of('valveRoom.intake'));
    expect(of('valveRoom.exhaust', advanced)).toBeGreaterThan(of('valveRoom.exhaust'));
  });

  it('grows by all that gasket, pocket, recess and deck clearance grow', () => {
    holds(
      fc.property(
        fc.constantFrom('headGasket.thickness', 'piston.valvePocket.depth', 'head.valve.recess', 'block.deckHeight'),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (id, more) => {
          const before = SIZES[id as keyof typeof SIZES];
          expect(of('valveRoom.intake', { [id]: before + more }) - of('valveRoom.intake')).toBeCloseTo(more, 9);
        },
      ),
      12,
    );
  });

  // Trigonometry: along the cylinder a leaning valve hangs down by the cosine of its lean.
  it('is more where the stem leans', () => {
    const leaning = of('valveRoom.intake', { 'head.valve.angle': 20 });
    expect(leaning).toBeGreaterThan(of('valveRoom.intake'));
    const opened = lift(of('valveNearest.intake', { 'head.valve.angle': 20 }), 110);
    const fallen = fall(of('valveNearest.intake', { 'head.valve.angle': 20 }));
    expect(leaning).toBeCloseTo(3.7 + fallen - opened * Math.cos(Math.PI / 9), 4);
  });

  it('counts a rocker on the lobe, and no pockets as none', () => {
    expect(of('valveRoom.intake', { 'cam.lift.intake': 5, 'running.rocker': 2 })).toBeCloseTo(
      of('valveRoom.intake'),
      9,
    );
    const flat = of('valveRoom.intake', {}, { 'piston.valvePockets': '0' });
    expect(of('valveRoom.intake') - flat).toBeCloseTo(2, 9);
  });

  // Common practice, no source: eighty thou at the intake and a hundred at the exhaust.
  it('is held to eighty thou at the intake and to a hundred at the exhaust', () => {
    const room = of('valveRoom.intake');
    const held = (id: string, left: number) => figureIn(engine({ 'block.deckHeight': 230 + left - room }), id)?.verdict;
    expect(held('valveRoom.intake', 2.2)).toBe('fits');
    expect(held('valveRoom.exhaust', 2.2)).not.toBe('fits');
    expect(held('valveRoom.intake', 1)).toBe('doesNotFit');
    expect(held('valveRoom.exhaust', 2.7)).toBe('fits');
    expect(figureIn(engine(), 'valveRoom.intake')?.figure.caution).toContain('clay');
  });

  it('by a harmonic lift is another than by a polynomial, and by a measured one that of its points', () => {
    expect(of('valveRoom.intake', {}, { 'running.liftForm': 'harmonic' })).not.toBeCloseTo(of('valveRoom.intake'), 2);
    // A measured curve of the same polynomial, point by point, gives the same room.
    const points = Array.from({ length: 281 }, (_, at): [number, number] => [at - 140, lift(at - 140, 0)]);
    expect(of('valveRoom.intake', {}, {}, { intake: points })).toBeCloseTo(of('valveRoom.intake'), 2);
    const halved = points.map(([angle, height]): [number, number] => [angle, height / 2]);
    expect(of('valveRoom.intake', {}, {}, { intake: halved })).toBeGreaterThan(of('valveRoom.intake'));
  });

  // Common practice, no source: a duration at fifty thou is much shorter than from seat to seat.
  it('takes a duration at fifty thou for the longer opening that it is', () => {
    const atLift = { 'running.durationAt': 1.27, 'cam.duration.intake': 230 };
    expect(of('valveRoom.intake', atLift)).toBeLessThan(of('valveRoom.intake', { 'cam.duration.intake': 230 }));
    // From the polynomial: where a curve of 10 stands at 1.27, its half-width is so much of the whole.
    const share = Math.sqrt(1 - Math.cbrt(0.127));
    expect(of('valveRoom.intake', atLift)).toBeCloseTo(
      of('valveRoom.intake', { 'cam.duration.intake': 230 / share }),
      3,
    );
  });

  it('finds the centre of a cam that is timed by its lift at overlap', () => {
    const { 'running.intakeCentre': _none, ...others } = SIZES;
    const timed = engineOf(
      {
        id: 'made',
        name: 'Made up',
        variant: 'ambit-1360',
        places: [],
        sizes: Object.entries({ ...others, 'cam.lift.overlap': 2 }).map(([id, inside]) => typed(id, inside)),
      },
      BUILD_LOOKUP,
    );
    const centre = valueIn(timed, 'centre.intake');
    // At the top the polynomial stands just so far open.
    expect(lift(0, centre)).toBeCloseTo(2, 6);
  });
});

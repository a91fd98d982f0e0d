import fc from 'fast-check';
import { demoEngine } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';
import { holds } from '../../testing/laws';

const moving = (sizes: Readonly<Record<string, number>> = {}, looks: Readonly<Record<string, string>> = {}) =>
  demoEngine(
    'sluice-357',
    { 'crank.stroke': 80, 'rod.length': 140, 'piston.pin.offset': 0, 'running.speed': 6000, ...sizes },
    [],
    looks,
  );
const of = (id: string, sizes: Readonly<Record<string, number>> = {}) => valueIn(moving(sizes), id);

describe('the motion of a piston', () => {
  // Heywood, Internal Combustion Engine Fundamentals, equation 2.9: mean piston speed is twice stroke times speed.
  it('has the mean speed of two strokes a turn', () => {
    // 0.08 m twice, a hundred times a second.
    expect(of('meanSpeed')).toBeCloseTo(16, 9);
    expect(of('meanSpeed', { 'crank.stroke': 100, 'running.speed': 3000 })).toBeCloseTo(10, 9);
  });

  // Heywood, equation 2.11: speed over mean speed is pi / 2 sin(t) (1 + cos(t) / sqrt(R^2 - sin(t)^2)), here with a rod
  // of 3.5 throws, tried at every tenth of a degree.
  it('is fastest where Heywood has it, and as fast', () => {
    const R = 3.5;
    const share = (degrees: number) => {
      const angle = (degrees * Math.PI) / 180;
      return (Math.PI / 2) * Math.sin(angle) * (1 + Math.cos(angle) / Math.sqrt(R * R - Math.sin(angle) ** 2));
    };
    const angles = Array.from({ length: 1800 }, (_, at) => at / 10);
    const best = angles.reduce((so, each) => (share(each) > share(so) ? each : so), 0);
    expect(Math.abs(of('fastestAt') - best)).toBeLessThan(0.1);
    expect(of('greatestSpeed')).toBeCloseTo(16 * share(best), 3);
  });

  // Common practice, no source: with usual rods the piston is fastest in the seventies, where rod and crank make
  // about a right angle.
  it('is fastest about where rod and throw stand at a right angle', () => {
    const right = (Math.atan(140 / 40) * 180) / Math.PI;
    expect(Math.abs(of('fastestAt') - right)).toBeLessThan(1.5);
    for (const rod of [120, 140, 160]) {
      expect(of('fastestAt', { 'rod.length': rod })).toBeGreaterThan(70);
      expect(of('fastestAt', { 'rod.length': rod })).toBeLessThan(80);
    }
  });

  // Taylor, The Internal-Combustion Engine in Theory and Practice: r w^2 (1 + r / l) at the top and r w^2 (1 - r / l)
  // at the bottom. By hand: 0.04 m, 628.32 a second, 40 / 140: 20,303 and 11,280 m/s^2.
  it('is pulled round as Taylor has it', () => {
    expect(of('accelerationTop')).toBeCloseTo(20_303.3, 0);
    expect(of('accelerationBottom')).toBeCloseTo(11_279.6, 0);
  });

  it('is pulled round with the square of the speed, and moves with the speed itself', () => {
    holds(
      fc.property(fc.double({ min: 500, max: 8000, noNaN: true }), (speed) => {
        const [once, twice] = [{ 'running.speed': speed }, { 'running.speed': 2 * speed }];
        expect(of('accelerationTop', twice) / of('accelerationTop', once)).toBeCloseTo(4, 9);
        expect(of('greatestSpeed', twice) / of('greatestSpeed', once)).toBeCloseTo(2, 9);
      }),
      10,
    );
  });

  // Common practice, no source: a longer rod swings less, dwells longer at the top and is gentler there.
  it('with a longer rod is gentler at the top', () => {
    const longer = { 'rod.length': 160 };
    expect(of('rodRatio', longer)).toBeCloseTo(2, 9);
    expect(of('rodRatio')).toBeCloseTo(1.75, 9);
    expect(of('rodAngle', longer)).toBeLessThan(of('rodAngle'));
    expect(of('dwell', longer)).toBeGreaterThan(of('dwell'));
    expect(of('accelerationTop', longer)).toBeLessThan(of('accelerationTop'));
    expect(of('accelerationBottom', longer)).toBeGreaterThan(of('accelerationBottom'));
  });

  // Trigonometry: the sine of the lean is throw over rod; an offset adds to the throw on its side.
  it('leans its rod by throw over rod, and by an offset as well', () => {
    expect(of('rodAngle')).toBeCloseTo((Math.asin(40 / 140) * 180) / Math.PI, 9);
    expect(of('rodAngle', { 'piston.pin.offset': 2 })).toBeCloseTo((Math.asin(42 / 140) * 180) / Math.PI, 9);
    expect(of('rodAngle', { 'piston.pin.offset': -2 })).toBeCloseTo(of('rodAngle', { 'piston.pin.offset': 2 }), 9);
  });

  // By hand, near the top: the piston falls r (1 + r / l) t^2 / 2, so that a drop of 1 mm is 2 sqrt(2 / (40 x 1.2857))
  // radians wide, 22.6 degrees; by the whole formula a little more.
  it('dwells within a drop as the parabola at the top has it', () => {
    expect(Math.abs(of('dwell') - 22.6)).toBeLessThan(0.3);
    // A quarter of the drop is half as wide.
    expect(of('dwell') / of('dwell', { 'running.drop': 0.25 })).toBeCloseTo(2, 1);
    expect(figureIn(moving(), 'dwell')?.arguments.find(({ name }) => name === 'drop')?.assumed).toContain('1 mm');
  });

  it('takes half a turn to go down, and with an offset pin a trifle less or more', () => {
    expect(of('downstroke')).toBeCloseTo(180, 9);
    const [one, other] = [of('downstroke', { 'piston.pin.offset': 1 }), of('downstroke', { 'piston.pin.offset': -1 })];
    expect(one).not.toBeCloseTo(180, 2);
    expect(one + other).toBeCloseTo(360, 6);
  });

  // Circumference times turns. By hand: pi x 0.06 m x 100 a second is 18.85 m/s.
  it('runs its journals by their circumference', () => {
    expect(of('mainSurface', { 'crank.mainJournal.diameter': 60 })).toBeCloseTo(18.8496, 3);
    expect(of('pinSurface', { 'crank.crankpin.diameter': 50 })).toBeCloseTo(15.708, 3);
  });
});

describe('the piston speed that a duty bears', () => {
  // Common practice, no source: what runs for hours is run slower than what sprints.
  it('is more for short bursts than for hours on end', () => {
    const verdict = (duty: string, speed: number) =>
      figureIn(moving({ 'running.speed': speed }, { 'running.duty': duty }), 'meanSpeed')?.verdict;
    const [steady, short] = [5000, 7400].map((speed) =>
      ['steady', 'changing', 'short'].map((duty) => verdict(duty, speed)),
    );
    // 13 m/s is more than a pump bears for hours, and nothing for a sprint.
    expect(steady?.[0]).toBe('doesNotFit');
    expect(steady?.[2]).toBe('fits');
    // Nearly 20 m/s.
    expect(short?.slice(0, 2)).toEqual(['doesNotFit', 'doesNotFit']);
    expect(verdict('steady', 2000)).toBe('fits');
  });

  it('makes the speed its pistons allow, which is that piston speed turned round', () => {
    for (const duty of ['steady', 'changing', 'short']) {
      const allowed = valueIn(moving({}, { 'running.duty': duty }), 'speedByPiston');
      const at = figureIn(moving({ 'running.speed': allowed }, { 'running.duty': duty }), 'meanSpeed');
      expect(at?.value).toBeCloseTo(at?.required?.high ?? 0, 6);
    }
  });

  it('is that of what the engine is rated at where nobody says how fast it runs', () => {
    const rated = figureIn(demoEngine('sluice-357'), 'meanSpeed');
    expect(rated?.arguments.find(({ name }) => name === 'speed')?.leaf?.of).toContain('as stated');
  });
});

import fc from 'fast-check';
import { all, create } from 'mathjs';
import {
  bottomDeadCentre,
  bottomHeight,
  dwell,
  fall,
  fallCurve,
  fallRate,
  fastestAt,
  pinHeight,
  pistonAcceleration,
  pistonSpeed,
  rodAngle,
  topDeadCentre,
  topHeight,
  turns,
  type SliderCrank,
} from './sliderCrank';
import { holds } from '../testing/laws';

const math = create(all ?? {});
const of = (stroke: number, rod: number, offset = 0): SliderCrank => ({ stroke, rod, offset });

/** Any crank that turns. */
const cranks = fc
  .record({
    stroke: fc.double({ min: 20, max: 200, noNaN: true }),
    longer: fc.double({ min: 1.2, max: 3, noNaN: true }),
    off: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
  })
  .map(({ stroke, longer, off }) => of(stroke, (stroke / 2) * longer + stroke * 0.1, stroke * off));
const angles = fc.double({ min: -360, max: 360, noNaN: true });

describe('the slider-crank', () => {
  // Heywood, Internal Combustion Engine Fundamentals (1988), equation 2.5, from memory:
  // s = a cos t + (l^2 - a^2 sin^2 t)^(1/2).
  it('stands where Heywood has it', () => {
    const [crank, s] = [of(90, 150), math.compile('a cos(t) + sqrt(l^2 - a^2 sin(t)^2)')];
    for (let angle = 0; angle < 360; angle += 7)
      expect(pinHeight(crank, angle)).toBeCloseTo(
        s.evaluate({ a: 45, l: 150, t: (angle * Math.PI) / 180 }) as number,
        9,
      );
  });

  // Heywood, equation 2.11, from memory: S / mean S = (pi / 2) sin t [1 + cos t / (R^2 - sin^2 t)^(1/2)], R = l / a.
  it('runs as fast as Heywood has it against the mean', () => {
    const [crank, speed] = [of(90, 150), 3000];
    const mean = (2 * 0.09 * speed) / 60;
    const ratio = math.compile('pi / 2 * sin(t) * (1 + cos(t) / sqrt(R^2 - sin(t)^2))');
    for (let angle = 5; angle < 180; angle += 5)
      expect(pistonSpeed(crank, angle, speed) / mean).toBeCloseTo(
        ratio.evaluate({ R: 150 / 45, t: (angle * Math.PI) / 180 }) as number,
        9,
      );
  });

  // Taylor, The Internal-Combustion Engine, vol. 2, from memory: at the top the acceleration is r w^2 (1 + r / l),
  // at the bottom r w^2 (1 - r / l), exactly.
  it('is pulled round at its ends as Taylor has it', () => {
    const [crank, speed] = [of(92, 147), 3600];
    const w = (2 * Math.PI * speed) / 60;
    expect(pistonAcceleration(crank, 0, speed)).toBeCloseTo(0.046 * w * w * (1 + 46 / 147), 6);
    expect(-pistonAcceleration(crank, 180, speed)).toBeCloseTo(0.046 * w * w * (1 - 46 / 147), 6);
  });

  it('has the derivatives that mathjs takes of the height, with the pin offset or not', () => {
    const height = math.parse('r cos(t) + sqrt(l^2 - (r sin(t) + e)^2)');
    const [first, second] = [math.derivative(height, 't'), math.derivative(math.derivative(height, 't'), 't')].map(
      (node) => node.compile(),
    );
    holds(
      fc.property(cranks, angles, (crank, angle) => {
        const at = { r: crank.stroke / 2, l: crank.rod, e: crank.offset, t: (angle * Math.PI) / 180 };
        expect(fallRate(crank, angle)).toBeCloseTo(-(first?.evaluate(at) as number), 6);
        expect(fallCurve(crank, angle)).toBeCloseTo(-(second?.evaluate(at) as number), 5);
      }),
      200,
    );
  });

  it('is highest at its top and lowest at its bottom, and sweeps no less than its throw', () => {
    holds(
      fc.property(cranks, angles, (crank, angle) => {
        expect(fall(crank, angle)).toBeGreaterThan(-1e-9);
        expect(pinHeight(crank, angle)).toBeGreaterThanOrEqual(bottomHeight(crank) - 1e-9);
        expect(pinHeight(crank, topDeadCentre(crank))).toBeCloseTo(topHeight(crank), 7);
        expect(pinHeight(crank, bottomDeadCentre(crank))).toBeCloseTo(bottomHeight(crank), 7);
        expect(topHeight(crank) - bottomHeight(crank)).toBeGreaterThanOrEqual(crank.stroke - 1e-9);
      }),
    );
  });

  it('is fastest where its acceleration is nothing', () => {
    holds(fc.property(cranks, (crank) => expect(Math.abs(fallCurve(crank, fastestAt(crank)))).toBeLessThan(0.01)));
  });

  // Common practice, no source: a longer rod swings less and dwells longer at the top.
  it('dwells longer and leans less on a longer rod', () => {
    expect(dwell(of(90, 160), 1)).toBeGreaterThan(dwell(of(90, 140), 1));
    expect(rodAngle(of(90, 160), 90)).toBeLessThan(rodAngle(of(90, 140), 90));
    // Both ends of the dwell lie a drop below the top.
    const crank = of(90, 150);
    expect(fall(crank, dwell(crank, 1) / 2)).toBeCloseTo(1, 6);
  });

  it('with a pin offset to the thrust side leans before it comes to the top', () => {
    expect(topDeadCentre(of(90, 150, 1))).toBeLessThan(0);
    expect(rodAngle(of(90, 150, 1), 0)).toBeGreaterThan(0);
  });

  it('does not turn on a rod no longer than throw and offset', () => {
    expect(turns(of(90, 45))).toBeFalse();
    expect(turns(of(90, 46, 1.5))).toBeFalse();
    expect(turns(of(90, 47, 1.5))).toBeTrue();
    expect(turns(of(0, 47))).toBeFalse();
  });
});

import { CATALOGUE, demoEngine } from '../testing/demo';
import { bottomDeadCentre, fall, topDeadCentre } from '../motion/sliderCrank';
import { curveAngles, curvesOf } from './curves';
import { drawSection, sectionBox } from './sectionDrawing';
import { sectionOf } from './section';
import { FIGURES } from './figures/index';
import { buildSheetOf } from './sheet';

const valueOf = (engine: ReturnType<typeof demoEngine>, id: string) =>
  buildSheetOf(
    engine,
    FIGURES.filter((each) => each.id === id),
  ).figures[0]?.value ?? Number.NaN;

describe('the section of an engine', () => {
  for (const { id } of CATALOGUE.variants)
    it(`of ${id} stays in its box all round, in every cylinder`, () => {
      const engine = demoEngine(id);
      const sizes = sectionOf(engine, engine.cylinders);
      const box = sectionBox(sizes);
      for (let angle = -360; angle <= 360; angle += 24) {
        const { shapes } = drawSection(sizes, angle);
        expect(shapes.length).toBeGreaterThan(10);
        for (const shape of shapes) {
          const points = shape.form === 'circle' ? [shape.at] : shape.points;
          for (const [x, y] of points) {
            expect(Number.isFinite(x) && Number.isFinite(y)).toBeTrue();
            // Valve stems stand out of the head.
            if (shape.role === 'valve') continue;
            expect(x).toBeGreaterThanOrEqual(box.x - 1e-6);
            expect(x).toBeLessThanOrEqual(box.x + box.width + 1e-6);
            expect(y).toBeGreaterThanOrEqual(box.y - 1e-6);
            expect(y).toBeLessThanOrEqual(box.y + box.height + 1e-6);
          }
        }
      }
    });

  it('measures on the drawing what the sheet has worked out', () => {
    const engine = demoEngine('sluice-357', { 'running.intakeCentre': 108, 'running.exhaustCentre': 112 });
    const sizes = sectionOf(engine, 1);
    const gap = (angle: number, figure: string) =>
      drawSection(sizes, angle).gaps.find((each) => each.figure === figure)?.room ?? Number.NaN;
    // At the top itself, which an offset pin moves a trifle.
    expect(gap(topDeadCentre(sizes), 'squish')).toBeCloseTo(valueOf(engine, 'squish'), 9);
    expect(gap(20, 'squish')).toBeCloseTo(valueOf(engine, 'squish') + fall(sizes, 20), 6);
    expect(gap(bottomDeadCentre(sizes), 'skirtToWeights')).toBeCloseTo(valueOf(engine, 'skirtToWeights'), 1);
    // The valve comes nearest where the sheet says, and is as near there.
    const at = valueOf(engine, 'valveNearest.intake');
    expect(gap(at + 3, 'valveRoom.intake')).toBeGreaterThan(gap(at, 'valveRoom.intake'));
    expect(gap(at - 3, 'valveRoom.intake')).toBeGreaterThan(gap(at, 'valveRoom.intake'));
  });

  it('lays the banks of a V, of an opposed engine and of one in a row as they lie', () => {
    expect(sectionOf(demoEngine('sluice-357'), 1).tilts).toEqual([-45, 45]);
    expect(sectionOf(demoEngine('sluice-357', { 'running.bankAngle': 60 }), 1).tilts).toEqual([-30, 30]);
    expect(sectionOf(demoEngine('skerry-47'), 1).tilts).toEqual([0]);
  });

  it('names what nobody knows and is drawn as is usual', () => {
    expect(sectionOf(demoEngine('sluice-357'), 1).guessed).not.toContain('bore');
    expect(sectionOf(demoEngine('pip-48'), 1).guessed.length).toBeLessThan(8);
  });

  it('has curves over two turns that begin and end alike, and touch what the sheet says', () => {
    const engine = demoEngine('sluice-357', { 'running.intakeCentre': 108, 'running.exhaustCentre': 112 });
    const curves = curvesOf(engine, 1);
    expect(curves.map(({ id }) => id)).toEqual([
      'fall',
      'rodAngle',
      'speed',
      'acceleration',
      'lift.intake',
      'room.intake',
      'lift.exhaust',
      'room.exhaust',
    ]);
    for (const { id, values } of curves) {
      expect(values.length).toBe(curveAngles().length);
      expect(values[0])
        .withContext(id)
        .toBeCloseTo(values.at(-1) ?? Number.NaN, 6);
    }
    const of = (id: string) => curves.find((each) => each.id === id)?.values ?? [];
    expect(Math.max(...of('speed'))).toBeCloseTo(valueOf(engine, 'greatestSpeed'), 1);
    expect(Math.max(...of('rodAngle'))).toBeCloseTo(valueOf(engine, 'rodAngle'), 1);
    expect(Math.min(...of('room.intake'))).toBeCloseTo(valueOf(engine, 'valveRoom.intake'), 1);
    // A rod that does not come round has no motion.
    expect(curvesOf(demoEngine('sluice-357', { 'rod.length': 30 }), 1)).toEqual([]);
    // A four-stroke opens each valve once in two turns, and the intake closes after the bottom without a step.
    for (const duty of ['intake', 'exhaust']) {
      const lift = curves.find(({ id }) => id === `lift.${duty}`)?.values ?? [];
      const opens = lift.filter((value, at) => value > 0 && (lift[at - 1] ?? 0) === 0).length;
      expect(opens).withContext(duty).toBe(1);
      const steps = lift.map((value, at) => Math.abs(value - (lift[at - 1] ?? value)));
      expect(Math.max(...steps)).toBeLessThan(Math.max(...lift) / 20);
    }
  });
});

import { partFromPattern, type Part } from '../catalogue/part';
import { KIND_IDS, KINDS, parameterOf } from '../dictionary/dictionary';
import { middle } from '../quantity/interval';
import { CATALOGUE, demoPart } from '../testing/demo';
import { outline, outlineToCompare } from './index';
import { arc, Sheet, worse, type Shape } from './outline';

const numbers = (shape: Shape): number[] =>
  shape.form === 'rect'
    ? [shape.x, shape.y, shape.width, shape.height]
    : shape.form === 'circle'
      ? [shape.x, shape.y, shape.radius]
      : shape.points.flat();
const at = (part: Part, id: string): number => {
  const value = part.values[id];
  if (!value) throw new Error(`no ${id}`);
  return middle(value.interval);
};
const circles = (part: Part, place: string, draw = outline) =>
  draw(part).shapes.filter((shape) => shape.place === place && shape.form === 'circle') as readonly Extract<
    Shape,
    { form: 'circle' }
  >[];

describe('the outline of a part', () => {
  for (const kind of KIND_IDS)
    it(`is finite and inside its box for every ${kind}, even of one of which nothing is known`, () => {
      const bare: Part = { kind, label: '', values: {}, looks: {}, interfaces: {}, service: {}, standard: {} };
      for (const part of [
        bare,
        ...CATALOGUE.patterns.filter((pattern) => pattern.kind === kind).map((pattern) => partFromPattern(pattern, '')),
      ])
        for (const draw of [outline, outlineToCompare]) {
          const { shapes, box, places } = draw(part);
          expect(shapes.length).toBeGreaterThan(0);
          expect(shapes.flatMap(numbers).every(Number.isFinite))
            .withContext(part.pattern ?? kind)
            .toBeTrue();
          expect(box.width).toBeGreaterThan(0);
          expect(box.height).toBeGreaterThan(0);
          for (const place of Object.values(places))
            expect(Number.isFinite(place.x) && Number.isFinite(place.y)).toBeTrue();
        }
      expect(outline(bare).shapes.every((shape) => shape.known !== 'measured')).toBeTrue();
    });

  it('has every place the dictionary names', () => {
    for (const kind of KIND_IDS) {
      const pattern = CATALOGUE.patterns.find((each) => each.kind === kind);
      if (!pattern) throw new Error(`no ${kind} in the demo`);
      const places = Object.keys(outline(partFromPattern(pattern, '')).places);
      for (const parameter of Object.values(KINDS[kind].parameters))
        if (parameter.drawing !== undefined) expect(places).withContext(parameter.id).toContain(parameter.drawing);
    }
  });

  it('is to scale: rod, liner, pin, block and crank have their sizes', () => {
    const rod = demoPart('sluice-rod-large');
    const [small] = circles(rod, 'smallEnd');
    const [big] = circles(rod, 'bigEnd');
    expect((big?.y ?? 0) - (small?.y ?? 0)).toBeCloseTo(at(rod, 'rod.length'), 6);
    expect(2 * (big?.radius ?? 0)).toBeCloseTo(at(rod, 'rod.bigEnd.bore'), 6);
    const liner = outline(demoPart('skerry-liner-two')).shapes.find((shape) => shape.place === 'bore');
    expect(liner?.form === 'rect' ? liner.width : 0).toBeCloseTo(116.011, 3);
    const pin = outline(demoPart('skerry-pin-40')).shapes.find((shape) => shape.place === 'diameter');
    expect(pin?.form === 'rect' ? pin.height : 0).toBeCloseTo(at(demoPart('skerry-pin-40'), 'pin.diameter'), 6);
    const crank = demoPart('sluice-crank-3590');
    const [throwOf] = circles(crank, 'crankpin', outlineToCompare);
    const [main] = circles(crank, 'mainJournal', outlineToCompare);
    expect((main?.y ?? 0) - (throwOf?.y ?? 0)).toBeCloseTo(at(crank, 'crank.stroke') / 2, 6);
  });

  it('of a piston holds the volume of its bowl', () => {
    // A cylinder of that breadth and depth: π/4·d²·h.
    const part = demoPart('sluice-piston-380-3115-85');
    const bowl = outline(part).shapes.find((shape) => shape.place === 'crown' && shape.role === 'hollow');
    if (bowl?.form !== 'rect') throw new Error('no bowl');
    expect(((Math.PI / 4) * bowl.width ** 2 * bowl.height) / 1000).toBeCloseTo(at(part, 'piston.crown.volume'), 6);
  });
});

describe('a drawing sheet', () => {
  it('has a box round everything', () => {
    const { box } = new Sheet().rect(-5, 0, 10, 4, 'pattern').circle(0, 10, 6, 'pattern').polygon([[0, 0], [20, 1]], 'guessed').done('so'); // prettier-ignore
    expect(box).toEqual({ x: -5, y: 0, width: 25, height: 13 });
  });

  it('knows a shape as little as the least known of its sizes', () => {
    expect([worse('measured', 'measured'), worse('measured', 'pattern'), worse('pattern', 'guessed')]).toEqual([
      'measured',
      'pattern',
      'guessed',
    ]);
  });

  it('draws an arc at its radius', () => {
    for (const [x, y] of arc(3, 4, 10, 0, 270)) expect(Math.hypot(x - 3, y - 4)).toBeCloseTo(10, 9);
    expect(parameterOf('crank.stroke').drawing).toBe('stroke');
  });
});

import fc from 'fast-check';
import { demoEngine } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';
import { holds } from '../../testing/laws';

/** A small two-stroke with its edges at round figures: the crown at the deck, ports 30 and 36 mm down. */
const SIZES = {
  'block.bore': 40,
  'crank.stroke': 40,
  'rod.length': 80,
  'piston.pin.offset': 0,
  'piston.compressionHeight': 25,
  'block.deckHeight': 125,
  'block.port.exhaust': 28,
  'block.port.transfer': 33,
  'block.port.exhaustFoot': 41,
  'piston.height': 46,
  'block.crankcase.volume': 160,
};
const engine = (sizes: Readonly<Record<string, number>> = {}) => demoEngine('pip-48', { ...SIZES, ...sizes });
const of = (id: string, sizes: Readonly<Record<string, number>> = {}) => valueIn(engine(sizes), id);

/** Crank degrees for which the crown is below an edge, counted one by one, by Pythagoras. */
function opened(edge: number, step = 0.01): number {
  let count = 0;
  for (let angle = 0; angle < 360; angle += step) {
    const a = (angle * Math.PI) / 180;
    const fallen = 20 + 80 - (20 * Math.cos(a) + Math.sqrt(80 * 80 - (20 * Math.sin(a)) ** 2));
    if (fallen > edge) count++;
  }
  return count * step;
}

describe('the ports of a two-stroke', () => {
  it('are open while the crown is below their edges, by counting crank angles', () => {
    expect(Math.abs(of('port.exhaust') - opened(28))).toBeLessThan(0.05);
    expect(Math.abs(of('port.transfer') - opened(33))).toBeLessThan(0.05);
  });

  // Common practice, no source: half of the difference, since the exhaust opens as much before as it closes after.
  it('blow down for half of what the exhaust is open longer', () => {
    expect(of('blowdown')).toBeCloseTo((of('port.exhaust') - of('port.transfer')) / 2, 9);
    expect(figureIn(engine({ 'block.port.transfer': 27 }), 'blowdown')?.verdict).toBe('doesNotFit');
    expect(figureIn(engine(), 'blowdown')?.verdict).toBe('fits');
  });

  // Common practice, no source: a base gasket under the cylinder raises all ports and makes them open longer.
  it('open longer as the cylinder is raised against the piston, and shorter as it is lowered', () => {
    holds(
      fc.property(fc.double({ min: 0.1, max: 2, noNaN: true }), (more) => {
        // A higher deck leaves the crown lower under it: so is every edge that is measured from the deck.
        expect(of('port.exhaust', { 'block.deckHeight': 125 + more })).toBeGreaterThan(of('port.exhaust'));
        expect(of('port.exhaust', { 'block.port.exhaust': 28 + more })).toBeLessThan(of('port.exhaust'));
      }),
      8,
    );
  });

  // By hand: 50.27 cc swept over a case of 160 at its least makes 1.314.
  it('press the case by what is swept over what it holds', () => {
    expect(of('crankcaseRatio')).toBeCloseTo((160 + (Math.PI / 4) * 1.6 * 40) / 160, 9);
    expect(of('crankcaseRatio')).toBeCloseTo(1.314, 3);
  });

  // By hand: a skirt of 46 with its crown at the deck reaches 5 below a foot at 41.
  it('are covered by the skirt at the top, or stand open to the case', () => {
    expect(of('skirtOverPort')).toBeCloseTo(5, 9);
    expect(figureIn(engine({ 'piston.height': 40 }), 'skirtOverPort')?.verdict).toBe('doesNotFit');
  });

  it('are no matter of a four-stroke', () => {
    for (const id of ['port.exhaust', 'port.transfer', 'blowdown', 'crankcaseRatio', 'skirtOverPort'])
      expect(figureIn(demoEngine('ambit-1360'), id))
        .withContext(id)
        .toBeUndefined();
  });
});

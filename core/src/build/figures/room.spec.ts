import fc from 'fast-check';
import { say } from '../../quantity/sentence';
import { demoEngine } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';
import { holds } from '../../testing/laws';

const engine = (
  sizes: Readonly<Record<string, number>>,
  looks: Readonly<Record<string, string>> = {},
  variant = 'ambit-1360',
) => demoEngine(variant, sizes, [], looks);
const of = (id: string, sizes: Readonly<Record<string, number>>) => valueIn(engine(sizes), id);
const verdict = (id: string, sizes: Readonly<Record<string, number>>) => figureIn(engine(sizes), id)?.verdict;

describe('room in the cylinder', () => {
  // Common practice, no source: half of what a bore grows comes off each wall.
  it('keeps of a wall what boring leaves', () => {
    const bored = (by: number) =>
      valueIn(
        demoEngine('sluice-357', {}, [{ slot: 'block', work: [{ operation: 'bore', by: { value: by, unit: 'in' } }] }]),
        'wallLeft',
      );
    // Thirty over against forty over: five thou a side.
    expect(bored(0.03) - bored(0.04)).toBeCloseTo(0.005 * 25.4, 3);
    expect(figureIn(engine({ 'block.wall': 1 }), 'wallLeft')?.verdict).toBe('doesNotFit');
    expect(figureIn(engine({ 'block.wall': 5 }), 'wallLeft')?.verdict).toBe('fits');
  });

  it('is bore less skirt, held against what the piston is specified to', () => {
    const skirt = { 'block.bore': 80, 'piston.skirt.diameter': 79.95 };
    expect(of('skirtClearance', skirt)).toBeCloseTo(0.05, 9);
    const specified = (clearance: number) =>
      verdict('skirtClearance', { ...skirt, 'piston.skirt.clearance': clearance });
    expect(specified(0.05)).toBe('fits');
    expect(specified(0.02)).toBe('doesNotFit');
    expect(specified(0.09)).toBe('doesNotFit');
  });

  // Common practice, no source: a ring for thirty over closes by nearly a tenth of an inch in a standard bore.
  it('opens and closes the gap of a ring by pi times what the bore differs', () => {
    const gap = (bore: number) => of('ringGap', { 'rings.top.gap': 0.35, 'rings.bore': 80, 'block.bore': bore });
    expect(gap(80)).toBeCloseTo(0.35, 9);
    expect(gap(80.1)).toBeCloseTo(0.35 + 0.1 * Math.PI, 9);
    expect((gap(80 + 0.03 * 25.4) - gap(80)) / 25.4).toBeCloseTo(0.094, 3);
  });

  // Common practice, no source: three and a half to four and a half thousandths of the bore.
  it('wants a gap of about four thousandths of the bore, where the maker says nothing', () => {
    const held = (gap: number) =>
      verdict('ringGap', { 'rings.top.gap': gap, 'rings.bore': 80, 'block.bore': 80, 'rings.top.gapSpecified': gap });
    expect(held(0.32)).toBe('fits');
    const tight = figureIn(engine({ 'rings.top.gap': 0.05, 'rings.bore': 80, 'block.bore': 80 }), 'ringGap');
    expect(tight?.verdict).toBe('doesNotFit');
    expect(tight?.says && say(tight.says, 'metric')).toContain('the ends butt');
  });

  // Geometry, by hand: 7.5 = 0.5 under the deck and 7 of land; 105 + 18 - 85 = 38 of cylinder under the oil ring.
  it('keeps its rings in at both ends', () => {
    const sizes = {
      'block.deckHeight': 225,
      'block.cylinderLength': 140,
      'crank.stroke': 80,
      'rod.length': 145,
      'piston.compressionHeight': 39.5,
      'piston.topLand': 7,
      'piston.oilGroove': 18,
    };
    expect(of('topRingUnderDeck', sizes)).toBeCloseTo(7.5, 9);
    expect(of('oilRingInBore', sizes)).toBeCloseTo(38, 9);
    // A rod of 100 with the same stroke pulls the oil ring out of the bottom.
    expect(verdict('oilRingInBore', { ...sizes, 'rod.length': 100 })).toBe('doesNotFit');
    expect(verdict('topRingUnderDeck', { ...sizes, 'piston.compressionHeight': 47 })).toBe('doesNotFit');
  });

  // By hand: 18 - 22 / 2 = 7 of metal; a pin of 40 would come 2 into the groove.
  it('leaves metal between the pin bore and the groove of the oil ring, or says that it cuts in', () => {
    expect(of('pinUnderOilRing', { 'piston.oilGroove': 18, 'piston.pin.diameter': 22 })).toBeCloseTo(7, 9);
    const cut = figureIn(engine({ 'piston.oilGroove': 18, 'piston.pin.diameter': 40 }), 'pinUnderOilRing');
    expect(cut?.value).toBeCloseTo(-2, 9);
    expect(cut?.verdict).toBe('doesNotFit');
    expect(cut?.says && say(cut.says, 'metric')).toContain('support rail');
  });
});

describe('room round the crank', () => {
  // By hand: 145 - 40 - 22 - 80 = 3.
  it('lets the counterweights pass under the skirts, or not', () => {
    const sizes = { 'crank.stroke': 80, 'rod.length': 145, 'piston.belowPin': 22, 'crank.swing': 80 };
    expect(of('skirtToWeights', sizes)).toBeCloseTo(3, 9);
    expect(verdict('skirtToWeights', sizes)).toBe('fits');
    expect(verdict('skirtToWeights', { ...sizes, 'crank.swing': 83.5 })).toBe('doesNotFit');
  });

  // By hand: 92 - 90 = 2; 85 - 40 - 42 = 3.
  it('lets webs and rod bolts pass in the case, or not', () => {
    expect(of('websInCase', { 'block.crankcase.swing': 92, 'crank.swing': 90 })).toBeCloseTo(2, 9);
    expect(verdict('websInCase', { 'block.crankcase.swing': 92, 'crank.swing': 91.9 })).toBe('doesNotFit');
    const bolts = { 'block.crankcase.rodSwing': 85, 'crank.stroke': 80, 'rod.bigEnd.reach': 42 };
    expect(of('rodsInCase', bolts)).toBeCloseTo(3, 9);
    expect(verdict('rodsInCase', { ...bolts, 'rod.bigEnd.reach': 45 })).toBe('doesNotFit');
  });

  // Common practice, no source: a longer stroke takes half of its difference at the case, and all rods alike.
  it('takes half of a longer stroke from every room the big ends have', () => {
    const sizes = { 'block.crankcase.rodSwing': 85, 'rod.bigEnd.reach': 42 };
    holds(
      fc.property(
        fc.double({ min: 50, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (s, more) => {
          const at = (stroke: number) => of('rodsInCase', { ...sizes, 'crank.stroke': stroke });
          expect(at(s) - at(s + more)).toBeCloseTo(more / 2, 9);
        },
      ),
      10,
    );
  });

  // By hand: 120 - 40 - 42 - (30 / 2 + 7) = 16.
  it('lets rods pass under the nose of a lobe', () => {
    const sizes = {
      'block.camDistance': 120,
      'crank.stroke': 80,
      'rod.bigEnd.reach': 42,
      'cam.baseCircle': 30,
      'cam.lift.intake': 7,
    };
    expect(of('rodsUnderCam', sizes)).toBeCloseTo(16, 9);
    expect(verdict('rodsUnderCam', { ...sizes, 'block.camDistance': 104 })).toBe('doesNotFit');
    expect(figureIn(engine(sizes), 'rodsUnderCam')?.figure.caution).toContain('by hand');
  });

  it('has no cam in the case where it lies in the head, and none at all in a two-stroke', () => {
    expect(figureIn(demoEngine('lumen-4-77'), 'rodsUnderCam')).toBeUndefined();
    expect(figureIn(demoEngine('pip-48'), 'rodsUnderCam')).toBeUndefined();
  });

  // By hand: 30.10 - 29.97 = 0.13.
  it('lets the crank move endways by what its thrust journal is wider', () => {
    const sizes = { 'crank.thrustJournal.width': 30.1, 'mainShell.flangeWidth': 29.97 };
    expect(of('endFloat', sizes)).toBeCloseTo(0.13, 9);
    expect(verdict('endFloat', { ...sizes, 'block.crank.endFloat': 0.13 })).toBe('fits');
    expect(verdict('endFloat', { ...sizes, 'mainShell.flangeWidth': 30.1, 'block.crank.endFloat': 0.13 })).toBe(
      'doesNotFit',
    );
  });
});

describe('oil clearances', () => {
  const mains = {
    'block.mainHousing.diameter': 60,
    'mainShell.wall': 2,
    'crank.mainJournal.diameter': 55.95,
  };

  // By hand: 60 - 2 x 2 - 55.95 = 0.05.
  it('are housing less both walls less journal', () => {
    expect(of('mainClearance', mains)).toBeCloseTo(0.05, 9);
    const pins = { 'rod.bigEnd.bore': 50, 'rodShell.wall': 1.5, 'crank.crankpin.diameter': 46.96 };
    expect(of('pinClearance', pins)).toBeCloseTo(0.04, 9);
  });

  // Common practice, no source: a regrind of 0.25 mm takes shells that are thicker by half of it.
  it('stay as they were where a journal is ground by twice what the walls are thicker', () => {
    holds(
      fc.property(fc.constantFrom(0.25, 0.5, 0.75, 1), (under) => {
        const ground = {
          ...mains,
          'crank.mainJournal.diameter': 55.95 - under,
          'mainShell.wall': 2 + under / 2,
        };
        expect(of('mainClearance', ground)).toBeCloseTo(0.05, 9);
      }),
      4,
    );
  });

  it('are of each journal by itself where each is typed by itself', () => {
    const [first, third] = [1, 3].map((at) =>
      valueIn(
        demoEngine('ambit-1360', { ...mains, 'crank.mainJournal.diameter': 55.95 + at / 1000 }),
        'mainClearance',
        at,
      ),
    );
    expect(first).toBeCloseTo(0.049, 9);
    expect(third).toBeCloseTo(0.047, 9);
  });

  it('do not come up where a crank runs in rolling bearings', () => {
    expect(figureIn(demoEngine('pip-48'), 'mainClearance')).toBeUndefined();
    expect(figureIn(demoEngine('pip-48'), 'endFloat')).toBeUndefined();
  });
});

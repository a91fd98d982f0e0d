import type { Part } from '../catalogue/part';
import { cam } from '../dictionary/kinds/cam';
import { head } from '../dictionary/kinds/head';
import { piston } from '../dictionary/kinds/piston';
import { partsOfVariant } from './placedParts';
import { interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { LOOKUP, SETTING } from '../testing/demo';
import { machined, withPart, type Assembly } from '../joints/assembly';
import { compression } from '../joints/deck/compression';
import { cutPockets } from '../joints/operations/pistons';
import { isDone } from '../joints/operations/operation';
import { valveToPiston } from '../joints/deck/valveToPiston';

const { 'lift.overlap': overlap } = cam.parameters;
const { 'valve.recess': recess } = head.parameters;
const depth = piston.parameters['valvePocket.depth'];

function engine(id: string): Assembly {
  const variant = LOOKUP.variant(id);
  if (!variant) throw new RangeError(`The demo has no ${id}.`);
  return {
    parts: Object.fromEntries(partsOfVariant(LOOKUP, variant).map(({ part }) => [part.kind, part])),
    replaced: {},
    ...SETTING,
  };
}

const [check] = valveToPiston.checks;
const judge = (assembly: Assembly) => {
  if (!check) throw new RangeError('There is no check.');
  return check.judge(assembly);
};

/** The engine with the overlap lift of another cam. */
function lifting(assembly: Assembly, lift: number): Assembly {
  const part = assembly.parts.cam;
  return part ? withPart(assembly, machined(part, overlap, interval(lift))) : assembly;
}

const without = (part: Part | undefined, id: string): Part | undefined =>
  part && { ...part, values: Object.fromEntries(Object.entries(part.values).filter(([key]) => key !== id)) };

describe('valve to piston', () => {
  const stock = engine('sluice-306-h');

  it('is what is left over the crown, with gasket, recess and pocket, less the lift at overlap', () => {
    const found = judge(stock).found;
    const higher = judge(lifting(stock, 4.8)).found;
    const was = stock.parts.cam?.values[overlap.id]?.interval.high ?? 0;
    expect((found?.low ?? 0) - (higher?.low ?? 0)).toBeCloseTo(4.8 - was, 6);
  });

  // Eighty thou at the intake: common practice, no source.
  it('wants two millimetres: a cam that stands further open fits with deeper pockets, or a thicker gasket', () => {
    expect(judge(stock).verdict).toBe('fits');
    const close = judge(lifting(stock, 6.3));
    expect(close.verdict).toBe('fitsWithWork');
    expect(close.caution).toContain('clay');
    expect(close.work.map(({ name }) => name)).toContain('Cut valve pockets');
    const [option] = close.work.filter(({ steps }) => steps.includes('cutPockets'));
    const [cut] = option?.parts ?? [];
    if (!cut) throw new RangeError('No pockets were cut.');
    expect(judge(withPart(lifting(stock, 6.3), cut)).verdict).toBe('fits');
  });

  it('is refused where pockets would go through the crown', () => {
    const far = judge(lifting(stock, 9.5));
    expect(far.verdict).toBe('doesNotFit');
    expect(say(far.because, 'metric')).toContain('meets the piston');
  });

  it('cannot be told without lift, recess, or the depth of pockets that are there', () => {
    const { cam: shaft, head: over, piston: under } = stock.parts;
    for (const [part, id] of [
      [shaft, overlap.id],
      [over, recess.id],
      [under, depth.id],
    ] as const) {
      const less = without(part, id);
      const finding = judge(less ? withPart(stock, less) : stock);
      expect(finding.verdict).withContext(id).toBe('cannotTell');
      expect(finding.needs).withContext(id).toContain(id);
    }
  });
});

describe('valve pockets', () => {
  it('that are cut make the crown hollower, and the ratio less', () => {
    const before = engine('sluice-306-h');
    const part = before.parts.piston;
    const worked = part && cutPockets(part, { count: '4', deeper: 1, valve: 48 });
    if (!worked || !isDone(worked)) throw new RangeError('No pockets were cut.');
    // By hand: half of four discs of 48 mm, 1 mm deep, is 3.62 cc.
    expect(worked.part.values[piston.parameters['crown.volume'].id]?.interval.low).toBeCloseTo(3.62, 2);
    const ratio = (assembly: Assembly) => compression.checks[0]?.judge(assembly).found?.high ?? 0;
    expect(ratio(withPart(before, worked.part))).toBeLessThan(ratio(before));
  });

  it('are not cut deeper than a crown bears, nor where their depth or number is unknown', () => {
    const part = engine('sluice-306-h').parts.piston;
    if (!part) throw new RangeError('There is no piston.');
    const [bare, unread] = [without(part, depth.id), { ...part, looks: {} }];
    expect(cutPockets(part, { count: '4', deeper: 3, valve: 48 })).toEqual(
      jasmine.objectContaining({ refused: jasmine.stringContaining('too little crown') }),
    );
    expect(bare && cutPockets(bare, { count: '4', deeper: 1, valve: 48 })).toEqual(
      jasmine.objectContaining({ unknown: depth.id }),
    );
    expect(cutPockets(unread, { count: undefined, deeper: 1, valve: 48 })).toEqual(
      jasmine.objectContaining({ unknown: piston.features.valvePockets.id }),
    );
  });

  it('leave the crown volume unknown where nobody knows how large the valves are', () => {
    const part = engine('sluice-306').parts.piston;
    const worked = part && cutPockets(part, { count: '4', deeper: 0.5, valve: undefined });
    expect(
      worked && isDone(worked) ? worked.part.values[piston.parameters['crown.volume'].id] : 'refused',
    ).toBeUndefined();
  });
});

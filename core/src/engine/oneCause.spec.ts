import { say } from '../quantity/sentence';
import { LOOKUP } from '../testing/demo';
import { engine, specimen } from '../testing/engines';
import { erasOf } from './eras';

type Found = ReturnType<typeof engine>;
const probability = ({ engine: { candidates } }: Found, variant: string) =>
  candidates.find(({ pattern }) => pattern === variant)?.probability ?? 0;
const rules = (of: Found) => of.mixed.map(({ rule }) => rule);

const BLOCK = specimen('Block', 'block', 'cast B2903 bore 3.800in bore gauge');
const pistons = (count: number, text: string) =>
  Array.from({ length: count }, (_each, at) => specimen(`Piston ${at + 1}`, 'piston', text));

describe('what has one cause, in an engine', () => {
  it('is a set of pistons: eight of another variant turn no engine into that one', () => {
    const claims = 'engine 306, year 1964';
    const [one, eight] = [1, 8].map((count) => engine(claims, BLOCK, ...pistons(count, 'stamped P65')));
    if (!one || !eight) throw new Error('none');
    // What a second says beside the first is only that it is a set, and not one piston among others.
    expect(probability(eight, 'sluice-306-h')).toBeLessThan(0.98);
    expect(probability(eight, 'sluice-306-h') - probability(one, 'sluice-306-h')).toBeLessThan(0.02);
    expect(eight.engine.status).not.toBe('settled');
    const crank = specimen('Crank', 'crank', 'cast 41B7');
    expect(engine(claims, BLOCK, crank, ...pistons(8, 'stamped P65')).engine.status).toBe('open');
  });

  it('are its papers: four parts of a 357 outweigh five claims of a 306', () => {
    const found = engine(
      'engine 306, tag 306, year 1964, machine Orchard frost fan 12, serial SB20000',
      specimen('Crank', 'crank', 'cast 4473 main 2.6095in mic'),
      specimen('Rod', 'rod', 'cast R38'),
      specimen('Piston', 'piston', 'stamped P16 bore 3.980in'),
      specimen('Head', 'head', 'cast C282'),
    );
    expect(found.engine.candidates[0]?.pattern).toBe('sluice-357');
    // They stay a contradiction, which keeps it from being settled.
    expect(found.engine.status).toBe('probable');
  });

  // Common practice, no source: the block is what is called the engine.
  it('anchors it in its block: the block of one with the crank of another is rather the block’s', () => {
    const found = engine('', specimen('Block', 'block', 'cast B3906'), specimen('Crank', 'crank', 'cast 41B7'));
    expect(LOOKUP.variant(found.engine.candidates[0]?.pattern)?.fitments).toContain(
      jasmine.objectContaining({ slot: 'block', pattern: 'sluice-block-low-dry' }),
    );
    expect(found.parts.find(({ kind }) => kind === 'block')?.belongs).toBeGreaterThan(0.7);
  });

  it('is its time: an exception of the first months counts once for all of its parts', () => {
    const early = [
      specimen('Block', 'block', 'cast B2908'),
      specimen('Head', 'head', 'cast C282'),
      specimen('Rod', 'rod', 'cast R38'),
    ];
    // Five months of ten years, three times over, would be one in ten thousand.
    const found = engine('engine 357 D, year 1986', ...early);
    expect(found.engine.candidates[0]?.pattern).toBe('sluice-357-d');
    for (const part of found.parts) expect(part.belongs).withContext(part.name).toBeGreaterThan(0.9);
    expect(rules(found)).toEqual(['byException']);
    expect(say(found.mixed[0]?.says ?? [], 'metric')).toContain('new designation, old architecture');
  });

  it('early parts beside late ones are called out', () => {
    const found = engine(
      'engine 357 D',
      specimen('Block', 'block', 'cast B3906'),
      specimen('Head', 'head', 'cast C306'),
      specimen('Rod', 'rod', 'cast R38'),
    );
    expect(rules(found)).toEqual(['oneTime']);
    expect(say(found.mixed[0]?.says ?? [], 'metric')).toContain('Rod with Block and Head');
    const rod = found.parts.find(({ name }) => name === 'Rod');
    expect(rod?.belongs).toBeLessThan(0.05);
    expect(say(rod?.because ?? [], 'metric')).toContain('only in part of its run');
  });

  it('is told from others only by what differs: which part would tell is said', () => {
    const { engine: lineUp, alike } = engine('', BLOCK);
    expect(lineUp.candidates.length).toBeGreaterThan(1);
    const [other] = alike;
    expect(other?.tellBy).toContain('piston');
    expect(say(other?.says ?? [], 'metric')).toContain('look at one of those');
  });
});

describe('the stretches of a run', () => {
  const variant = LOOKUP.variant('sluice-357-d');
  if (!variant) throw new Error('not there');

  it('run from one change of parts to the next, and count by their length', () => {
    const eras = erasOf(variant);
    expect(eras.map(({ share }) => Math.round(share * 11 * 12))).toEqual([5, 127]);
    expect(eras[0]?.carries.get('block')?.map(({ fitment }) => fitment.pattern)).toEqual(['sluice-block-low-large']);
    expect(eras[1]?.carries.get('block')?.map(({ fitment }) => fitment.pattern)).toEqual(['sluice-block-low-dry']);
  });

  it('count more where the year that is claimed lies in them', () => {
    const year = (of: number) => ({ months: { first: of * 12, last: of * 12 + 11 }, right: 0.9 });
    const [first = NaN, later = NaN] = [1986, 1990].map((of) => erasOf(variant, year(of))[0]?.share);
    expect(first).toBeGreaterThan(0.3);
    expect(later).toBeLessThan(0.01);
  });

  it('take what only some engines carry from the others', () => {
    const last = LOOKUP.variant('sluice-306');
    const rods = last && erasOf(last).at(-1)?.carries.get('rod');
    expect(rods?.map(({ share }) => share)).toEqual([0.85, 0.15]);
  });
});

describe('a set', () => {
  it('of shells that differ in grade is no mixture, one undersize among standard ones is (common practice, no source)', () => {
    const graded = engine(
      '',
      specimen('Shell 1', 'mainShell', 'wall 1.998 mic housing 56.01 caliper'),
      specimen('Shell 2', 'mainShell', 'wall 1.994 mic housing 56.01 caliper'),
    );
    expect(rules(graded)).toEqual([]);
    const undersize = engine(
      '',
      specimen('Shell 1', 'mainShell', 'wall 1.998 mic housing 56.01 caliper'),
      specimen('Shell 2', 'mainShell', 'wall 0.25 oversize'),
      specimen('Shell 3', 'mainShell', 'wall standard'),
    );
    expect(rules(undersize)).toContain('serviceSizes');
  });

  it('with one piston 0.030 over among standard ones is called out, by what was measured or said', () => {
    const [standard, over] = ['stamped P62 skirt 3.7982in mic', 'stamped P62 skirt 3.8282in mic'];
    const mixed = engine('', ...pistons(3, standard), specimen('Piston 4', 'piston', over));
    expect(rules(mixed)).toEqual(['serviceSizes']);
    expect(say(mixed.mixed[0]?.says ?? [], 'inch')).toContain(
      'standard on Piston 1, Piston 2 and Piston 3; 0.0300 in over standard on Piston 4',
    );
    expect(rules(engine('', ...pistons(4, over)))).toEqual([]);
  });
});

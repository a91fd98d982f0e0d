import type { PlacedPart } from '../joints/index';
import type { Part } from '../catalogue/part';
import { block } from '../dictionary/kinds/block';
import { liner } from '../dictionary/kinds/liner';
import { piston } from '../dictionary/kinds/piston';
import { shifted } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { CATALOGUE, demoPart, LOOKUP, SETTING } from '../testing/demo';
import { partsOfVariant, placed } from './placedParts';
import { refuses, swap, type Swap } from './swap';

/** A part with some of its sizes so much larger. */
const larger = (part: Part, by: number, ...ids: readonly string[]): Part => ({
  ...part,
  label: `${part.label}, ${by} over`,
  values: Object.fromEntries(
    Object.entries(part.values).map(([id, value]) => [
      id,
      ids.includes(id) ? { ...value, interval: shifted(value.interval, by) } : value,
    ]),
  ),
});

const engineOf = (id: string): readonly PlacedPart[] => {
  const variant = LOOKUP.variant(id);
  if (!variant) throw new RangeError(`The demo has no variant ${id}.`);
  return partsOfVariant(LOOKUP, variant);
};
const partIn = (engine: readonly PlacedPart[], slot: string): Part | undefined =>
  engine.find((each) => each.slot === slot)?.part;
const checkOf = (judged: Swap, id: string, joint?: string) =>
  judged.joints
    .filter((each) => joint === undefined || each.id === joint)
    .flatMap(({ checks }) => checks)
    .find((check) => check.id === id);
const engines = CATALOGUE.variants.map(({ id }) => engineOf(id));

// Common practice, no source: whoever builds an engine fits new rings, gaskets and seals, whatever was in it; a piston
// comes with its pin, a head with its valves and springs.
describe('what is fitted new', () => {
  it('never refuses a rebore: oversize pistons go in after boring, with rings of their size', () => {
    const rebored = new Map<string, Set<string>>();
    for (const variant of CATALOGUE.variants) {
      const engine = engineOf(variant.id);
      const was = partIn(engine, 'piston');
      if (!was) continue;
      const over = larger(was, 0.5, piston.parameters['skirt.diameter'].id, piston.parameters.bore.id);
      const { verdict, says } = swap([placed(over)], engine, SETTING);
      rebored.set(variant.family, (rebored.get(variant.family) ?? new Set()).add(verdict));
      expect(say(says, 'metric'))
        .withContext(variant.id)
        .not.toMatch(/end gap|not together/);
    }
    for (const [family, verdicts] of rebored)
      expect([...verdicts])
        .withContext(family)
        .not.toEqual(['doesNotFit']);
  });

  it('names the rings on record that go into the larger bore, and counts them', () => {
    const engine = engineOf('skerry-47');
    const judged = swap([placed(demoPart('skerry-piston-112-160-os'))], engine, SETTING);
    expect(judged.verdict).toBe('fitsWithWork');
    expect(say(judged.says, 'metric')).toBe('Goes in after work: bore for this piston and new rings.');
    const bored = checkOf(judged, 'skirtClearance', 'pistonInLiner')?.work[0];
    // By the catalogue, which prices those rings; not by what rings usually cost.
    expect(judged.buys).toEqual(['skerry-rings-116-4-os']);
    expect(judged.price).toBe((bored?.price ?? 0) + (LOOKUP.pattern('skerry-rings-116-4-os')?.price ?? NaN));
  });

  // Common practice, no source: a piston is sold with its pin, often with its rings, and then neither is paid twice.
  it('has not to be bought where it comes with what is put in', () => {
    const engine = engineOf('skerry-47');
    const bare = demoPart('skerry-piston-112-160-os');
    const [without, complete] = [bare, { ...bare, completeWith: ['pin', 'rings'] as const }].map((part) =>
      swap([placed(part)], engine, SETTING),
    ) as [Swap, Swap];
    expect(complete.verdict).toBe('fitsWithWork');
    expect(complete.buys).toEqual([]);
    expect(without.price - complete.price).toBe(LOOKUP.pattern('skerry-rings-116-4-os')?.price ?? NaN);
    expect(complete.hours).toBe(without.hours);
    const bored = larger(partIn(engine, 'liner') as Part, 0.5, liner.parameters.bore.id);
    const gap = checkOf(swap([placed(bored), placed({ ...bare, completeWith: ['rings'] })], engine, SETTING), 'endGap');
    expect(gap?.verdict).toBe('fitsWithWork');
    expect(gap?.work[0]?.comesAlong).toBeTrue();
    expect(say(gap?.because ?? [], 'metric')).toContain('what goes in brings its own');
  });

  it('refuses as ever where it is what is asked about', () => {
    const [was, small] = [demoPart('ambit-block-3'), demoPart('ambit-rings-80')];
    const judged = swap([placed(was)], [placed(small)], SETTING);
    expect(judged.verdict).toBe('doesNotFit');
    expect(checkOf(judged, 'endGap')?.verdict).toBe('doesNotFit');
  });

  it('stays where the old one does', () => {
    for (const engine of engines) {
      const own = partIn(engine, 'block');
      if (!own) continue;
      const judged = swap([placed(own)], engine, SETTING);
      const steps = judged.joints.flatMap(({ checks }) => checks.flatMap(({ work }) => work.map(({ name }) => name)));
      expect(steps.filter((name) => name.startsWith('New ')))
        .withContext(own.label)
        .toEqual([]);
    }
  });

  it('is told of with the new part in place of the old one', () => {
    const engine = engineOf('skerry-47');
    const own = partIn(engine, 'liner');
    const bored = larger(own as Part, 0.5, liner.parameters.bore.id);
    const judged = swap([placed(bored)], engine, SETTING);
    const gap = checkOf(judged, 'endGap');
    expect(gap?.verdict).toBe('fitsWithWork');
    expect(gap?.work[0]?.buy).toEqual(['skerry-rings-116-4-os']);
    expect(say(gap?.because ?? [], 'metric')).toContain('new ones go in');
  });

  // Facts of the trade, common practice, no source: in a wet-sleeved engine the rings run in the sleeve.
  it('is not asked of the block where there are liners', () => {
    const engine = engineOf('skerry-47');
    const own = partIn(engine, 'block') as Part;
    const judged = swap([placed(larger(own, 0.5, block.parameters.bore.id))], engine, SETTING);
    expect(judged.joints.map(({ id }) => id)).not.toContain('ringsInBlock');
    const plain = swap([placed(partIn(engineOf('ambit-1200'), 'block') as Part)], engineOf('ambit-1200'), SETTING);
    expect(plain.joints.map(({ id }) => id)).toContain('ringsInBlock');
  });

  it('is to be ordered to size where none on record goes', () => {
    const engine = engineOf('ambit-1200');
    const bored = larger(partIn(engine, 'block') as Part, 3, block.parameters.bore.id);
    const gap = checkOf(swap([placed(bored)], engine, SETTING), 'endGap');
    expect(gap?.verdict).toBe('fitsWithWork');
    expect(gap?.work[0]?.buy).toEqual([]);
    expect(say(gap?.because ?? [], 'metric')).toContain('ordered to these sizes');
  });

  it('comes to the same verdict with words and without', () => {
    for (const donor of engines)
      for (const engine of engines.slice(0, 12)) {
        const head = partIn(donor, 'head');
        if (!head || donor === engine) continue;
        const refused = swap([placed(head)], engine, SETTING)
          .joints.flatMap(({ checks }) => checks)
          .some(({ verdict }) => verdict === 'doesNotFit');
        expect(refuses([placed(head)], engine, SETTING))
          .withContext(head.label)
          .toBe(refused);
      }
  });

  it('keeps no gasket or ring of the engine from any head or block', () => {
    const ABOUT_THEM = ['ringsInBlock', 'ringsInLiner', 'gasketOnBlock', 'gasketOnHead'];
    for (const [at, engine] of engines.entries())
      for (const donor of [engines[at + 1], engines[at + 2]])
        for (const slot of ['head', 'block']) {
          const part = donor && partIn(donor, slot);
          if (!part) continue;
          const refused = swap([placed(part)], engine, SETTING).joints.filter(
            ({ verdict }) => verdict === 'doesNotFit',
          );
          expect(refused.filter(({ id }) => ABOUT_THEM.includes(id)))
            .withContext(part.label)
            .toEqual([]);
        }
  });
});

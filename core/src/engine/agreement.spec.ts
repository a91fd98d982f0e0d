import type { KindId } from '../dictionary/dictionary';
import { ASSUMED } from '../identify/assumptions';
import { Identification } from '../identify/identify';
import { LOOKUP } from '../testing/demo';
import { indexOf, specimen } from '../testing/engines';
import { PartsInEngines, type Weighing } from './agreement';
import { erasOf, fitmentsOf } from './eras';

function weighing(id: string, kind: KindId, text: string): Weighing {
  const index = indexOf(kind);
  const part = specimen(id, kind, text);
  const identification = new Identification(index).read(part.readings.map(({ is }) => is));
  const ratios = index.patterns.map((_id, row) => Math.exp(identification.scoreOf(row)));
  const mean = ratios.reduce((sum, each) => sum + each, 0) / ratios.length;
  const none = ASSUMED.notInCatalogue;
  const any = Math.log((1 - none) * mean + none);
  return { specimen: part, kind, identification, any };
}
const SET = [
  weighing('block', 'block', 'cast B2903 bore 3.800in bore gauge'),
  weighing('piston 1', 'piston', 'stamped P65'),
  weighing('piston 2', 'piston', 'skirt 3.7974in mic'),
  weighing('piston 3', 'piston', 'stamped P62'),
];

const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
/** How much likelier the readings of a part are if it is of a pattern than from anywhere. */
const ratio = ({ identification, any }: Weighing, pattern: string) =>
  Math.exp(identification.scoreOf(identification.index.patterns.indexOf(pattern)) - any);

/** The same sums as plain chances, kind by kind, without logarithms and without going on from part to part. */
function plainly(parts: readonly Weighing[], variantId: string): number {
  const variant = LOOKUP.variant(variantId);
  if (!variant) throw new Error(variantId);
  const kinds = [...new Set(parts.map(({ kind }) => kind))];
  const onePattern = (of: readonly Weighing[]) => {
    const all = of[0]?.identification.index.patterns ?? [];
    const none = of.reduce((product, { any }) => product * Math.exp(-any), 1);
    const some = mean(all.map((id) => of.reduce((product, each) => product * ratio(each, id), 1)));
    return (1 - ASSUMED.notInCatalogue) * some + ASSUMED.notInCatalogue * none;
  };
  const blocks = fitmentsOf(variant, 'block').map(({ pattern }) => pattern);
  const goingIn = (kind: KindId) => [
    ...new Set(
      LOOKUP.variantsOf(variant.family)
        .filter((each) => kind === 'block' || fitmentsOf(each, 'block').some(({ pattern }) => blocks.includes(pattern)))
        .flatMap((each) => fitmentsOf(each, kind).map(({ pattern }) => pattern)),
    ),
  ];
  const inEra = (era: ReturnType<typeof erasOf>[number]) =>
    kinds.reduce((product, kind) => {
      const of = parts.filter((each) => each.kind === kind);
      const carried = era.carries.get(kind);
      if (!carried) return product;
      const came = kind === 'block' ? ASSUMED.originalBlock : ASSUMED.original;
      const near = ASSUMED.replacedByFitting;
      const asSet = (set: readonly Weighing[]) => {
        const all = (id: string) => set.reduce((times, each) => times * ratio(each, id), 1);
        const original = carried.reduce((sum, { fitment, share }) => sum + share * all(fitment.pattern), 0);
        return came * original + (1 - came) * (near * mean(goingIn(kind).map(all)) + (1 - near) * onePattern(set));
      };
      const oneByOne = of.reduce((times, each) => times * asSet([each]), 1);
      return product * (of.length === 1 ? oneByOne : ASSUMED.asSet * asSet(of) + (1 - ASSUMED.asSet) * oneByOne);
    }, 1);
  const anywhere = kinds.reduce((product, kind) => {
    const of = parts.filter((each) => each.kind === kind);
    return product * (ASSUMED.asSet * onePattern(of) + (1 - ASSUMED.asSet));
  }, 1);
  return Math.log(erasOf(variant).reduce((sum, era) => sum + era.share * inEra(era), 0) / anywhere);
}

describe('parts together in an engine', () => {
  it('add up to the plain chances of all of them, in each engine', () => {
    const together = new PartsInEngines(LOOKUP, SET);
    for (const id of ['sluice-306', 'sluice-306-h', 'sluice-357-d', 'sluice-417', 'skerry-44-b']) {
      const variant = LOOKUP.variant(id);
      if (!variant) throw new Error(id);
      const { adds, eras } = together.agreement(variant, erasOf(variant));
      expect(adds.reduce((sum, each) => sum + each, 0))
        .withContext(id)
        .toBeCloseTo(plainly(SET, id), 6);
      expect(eras.reduce((sum, each) => sum + each, 0))
        .withContext(id)
        .toBeCloseTo(1, 9);
    }
  });

  it('add up so far at every part', () => {
    const variant = LOOKUP.variant('sluice-306-h');
    if (!variant) throw new Error('not there');
    const { adds } = new PartsInEngines(LOOKUP, SET).agreement(variant, erasOf(variant));
    for (let count = 1; count <= SET.length; count++)
      expect(adds.slice(0, count).reduce((sum, each) => sum + each, 0)).toBeCloseTo(
        plainly(SET.slice(0, count), 'sluice-306-h'),
        6,
      );
  });

  it('say nothing of an engine of which nobody says what it carries', () => {
    const variant = LOOKUP.variant('sluice-306');
    if (!variant) throw new Error('not there');
    const bare = { ...variant, fitments: [] };
    const { adds } = new PartsInEngines(LOOKUP, SET.slice(0, 1)).agreement(bare, erasOf(bare));
    expect(Math.abs(adds[0] ?? NaN)).toBeLessThan(0.1);
  });
});

describe('how often a part was in its engine from the first', () => {
  it('is the shop’s own figure, where it has one', () => {
    const belongs = (original: number) => {
      const own = (each: Weighing): Weighing => {
        const index = { ...each.identification.index, assumed: { ...ASSUMED, original } };
        return { ...each, identification: new Identification(index).read(each.specimen.readings.map(({ is }) => is)) };
      };
      const [block, crank] = [SET[0], weighing('crank', 'crank', 'main 2.3495in mic forged')];
      if (!block) throw new Error('none');
      const parts = [block, crank].map(own);
      const variant = LOOKUP.variant('sluice-306');
      const [era] = variant ? erasOf(variant) : [];
      if (!variant || !era || !parts[1]) throw new Error('none');
      return new PartsInEngines(LOOKUP, parts).cameWithIt(parts[1], variant, era) ?? NaN;
    };
    expect(belongs(0.99)).toBeGreaterThan(belongs(ASSUMED.original));
    expect(belongs(0.3)).toBeLessThan(belongs(ASSUMED.original));
  });
});

import { indexCatalogue, say, takenFor, verdictOf, type Specimen } from '@which-bore/core';
import { CATALOGUE, specimen, VIEW } from '../testing/demo';
import { AS_MEASURED, InterchangeInWorker, type Judged } from './interchangeInWorker';

const taken = (each: Specimen) => Promise.resolve(takenFor(indexCatalogue(each.kind, CATALOGUE), each, {}));
const make = () => new InterchangeInWorker(VIEW, {}, taken);
const verdict = (judged: Judged) => ('refused' in judged ? judged.refused : judged.swap.verdict);

const FORGED = 'cast 4187 main 2.3495in mic pin 2.0495in mic stroke 3.375in forged 8 weights';

describe('the sums of interchange in the worker', () => {
  it('judge a swap with its records and the other way round', async () => {
    const judged = await make().judge([{ pattern: 'sluice-crank-3375-forged' }], { pattern: 'sluice-block-low-large' });
    if ('refused' in judged) throw new Error(judged.refused);
    expect(judged.swap.verdict).toBe('fitsWithWork');
    expect(judged.known.map(({ result }) => result)).toEqual(['worksWithWork']);
    expect(judged.reverse?.swap.verdict).toBe('doesNotFit');
  });

  it('say why there is nothing to judge, where parts do not meet or are not there', async () => {
    expect(verdict(await make().judge([{ pattern: 'ambit-crank-3' }], { pattern: 'ambit-valve-intake-34' }))).toContain('do not meet');
    expect(verdict(await make().judge([{ pattern: 'no-such' }], { variant: 'ambit-1200' }))).toContain('no pattern "no-such"');
    expect(verdict(await make().judge([{ pattern: 'ambit-crank-3' }], { variant: 'no-such' }))).toContain('no variant "no-such"');
  });

  it('take a specimen for what it most likely is, unless only what was measured is to count', async () => {
    const crank = specimen(FORGED);
    const into = { pattern: 'sluice-block-low-small' };
    expect(await taken(crank)).toBe('sluice-crank-3375-forged');
    expect(verdict(await make().judge([{ specimen: crank }], into))).not.toBe('cannotTell');
    expect(verdict(await make().judge([{ specimen: crank, as: AS_MEASURED }], into))).toBe('cannotTell');
    expect(verdict(await make().judge([{ specimen: specimen('8 weights'), as: 'sluice-crank-3375-large' }], into))).toBe('doesNotFit');
  });

  it('read the class marks of a specimen by the schemes of the catalogue', async () => {
    const crank = specimen('cast T402 stroke 77 caliper 8 weights 5 mains main 51.98 caliper main class M-BCABC');
    const judged = await make().judge([{ specimen: crank, as: 'lumen-crank-4b' }], { pattern: 'lumen-block-4b' });
    if ('refused' in judged) throw new Error(judged.refused);
    const check = judged.swap.joints.flatMap(({ checks }) => checks).find(({ id }) => id === 'oilClearance');
    expect(say(check?.because ?? [], 'metric')).toContain('By the class marks');
  });

  describe('over engines', () => {
    it('judge all that the donors meet, the best first, each counted once', async () => {
      const { counts, list } = await make().engines([{ pattern: 'sluice-crank-3375-forged' }]);
      expect(list.length).toBe(VIEW.catalogue.variants.length);
      expect(Object.values(counts).reduce((sum, each) => sum + each)).toBe(list.length);
      const order = list.map((each) => ['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit'].indexOf(each.verdict));
      expect(order).toEqual([...order].sort((a, b) => a - b));
      expect(list[0]).toEqual(jasmine.objectContaining({ verdict: 'fits', price: 0, hours: 0 }));
    });

    it('price the work, and put the cheaper before the dearer', async () => {
      const { list } = await make().engines([{ pattern: 'sluice-cam-solid' }]);
      const worked = list.filter((each) => each.verdict === 'fitsWithWork');
      expect(worked.length).toBeGreaterThan(1);
      expect(worked.every(({ price, hours }) => price > 0 && hours > 0)).toBeTrue();
      expect(worked.map(({ price }) => price)).toEqual(worked.map(({ price }) => price).sort((a, b) => a - b));
    });
  });

  describe('over one kind', () => {
    const cranks = VIEW.ofKind('crank').length;

    it('leave out the part itself, and rank by verdict, work and price', async () => {
      const { counts, list } = await make().whatElse({ pattern: 'sluice-crank-3375-cast' }, 'crank', 'donor', []);
      expect(list.some(({ ref }) => ref === 'pattern:sluice-crank-3375-cast')).toBeFalse();
      expect(Object.values(counts).reduce((sum, each) => sum + each)).toBe(cranks - 1);
      const fitting = list.filter((each) => each.verdict === 'fits' && each.partPrice !== undefined).map(({ partPrice = 0 }) => partPrice);
      expect(fitting).toEqual([...fitting].sort((a, b) => a - b));
    });

    it('count what lies on the shelf among the others, and as costing nothing', async () => {
      const { list } = await make().whatElse({ pattern: 'sluice-block-low-small' }, 'crank', 'donor', [specimen(FORGED, 'Winch crank')]);
      const own = list.find(({ ref }) => ref.startsWith('specimen:'));
      expect(own).toEqual(jasmine.objectContaining({ name: 'Winch crank', family: 'On the shelf' }));
      expect(own?.partPrice).toBeUndefined();
    });

    it('have nothing to say of a kind that does not meet the part', async () => {
      const { counts, list } = await new InterchangeInWorker(VIEW, {}, taken).whatElse({ pattern: 'sluice-block-low-small' }, 'thrustWasher', 'donor', []);
      expect(list).toEqual([]);
      expect(Object.values(counts).every((count) => count === 0)).toBeTrue();
    });
  });

  describe('in a grid', () => {
    it('give a row for every donor and a cell for every recipient, turn by turn', () => {
      const sums = make();
      const sides = sums.openGrid('crank', 'block', 1000);
      const rows: Uint32Array[] = [];
      while (rows.length < (sides?.donors.length ?? 0)) rows.push(...sums.gridRows(rows.length));
      expect(rows.length).toBe(VIEW.ofKind('crank').length);
      expect(rows.every((row) => row.length === VIEW.ofKind('block').length)).toBeTrue();
      const [donor, recipient] = [
        sides?.donors.findIndex(({ id }) => id === 'sluice-crank-3375-large') ?? -1,
        sides?.recipients.findIndex(({ id }) => id === 'sluice-block-low-small') ?? -1,
      ];
      expect(verdictOf(rows[donor]?.[recipient] ?? 0)).toBe('doesNotFit');
      expect(sums.gridRows(rows.length)).toEqual([]);
    });

    it('order what interchanges freely together, and group it', () => {
      const sums = make();
      const sides = sums.openGrid('crank', 'block', 1000);
      for (let at = 0; at < (sides?.donors.length ?? 0);) at += sums.gridRows(at).length;
      const { donors, recipients } = sums.gridOrder();
      expect([...donors].sort((a, b) => a - b)).toEqual([...(sides?.donors ?? []).keys()]);
      expect([...recipients].sort((a, b) => a - b)).toEqual([...(sides?.recipients ?? []).keys()]);
      const small = sides?.recipients.findIndex(({ id }) => id === 'sluice-block-low-small');
      const [all, some] = [sums.gridGroups(undefined), sums.gridGroups(small)];
      expect(all.length).toBeGreaterThan(some.length);
    });

    it('are no larger than asked for, and none where kinds do not meet', () => {
      const sums = make();
      expect(sums.openGrid('crank', 'block', 3)?.donors.length).toBe(3);
      expect(sums.openGrid('crank', 'thrustWasher', 10)).toBeUndefined();
    });

    it('name parts in full, and short without their maker', () => {
      const sides = make().openGrid('crank', 'block', 1000);
      const forged = sides?.donors.find(({ id }) => id === 'sluice-crank-3375-forged');
      expect(forged?.name).toBe('Brackmere Sluice, 3.375 forged, small journal');
      expect(forged?.short).toBe('Sluice, 3.375 forged, small journal');
    });
  });
});

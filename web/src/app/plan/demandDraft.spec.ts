import { demandsOf, keptDraft, type DemandDraft } from './demandDraft';

const EMPTY = keptDraft(undefined);
const FREE: DemandDraft = { ...EMPTY, places: { piston: { from: 'any', parts: [], mayStay: false } } };
const QUANTITIES = { ratio: 'ratio', squish: 'length', displacement: 'volume' } as const;
const quantityOf = (figure: string) =>
  (QUANTITIES as Record<string, 'ratio' | 'length' | 'volume' | undefined>)[figure];
const read = (draft: DemandDraft, units: 'metric' | 'inch' = 'metric') => demandsOf(draft, units, quantityOf);
const demands = (draft: DemandDraft, units?: 'metric' | 'inch') => {
  const found = read(draft, units);
  if ('problems' in found) throw new Error(JSON.stringify(found.problems));
  return found.demands;
};
const problems = (draft: DemandDraft) => {
  const found = read(draft);
  return 'problems' in found ? found.problems.map(({ field, what }) => `${field}: ${what}`) : [];
};
const target = (figure: string, low: string, high: string, wished = false) => ({ figure, low, high, wished });

describe('demands from what stands in the fields', () => {
  it('places that are free, from the shelf, or one of those that were named', () => {
    const places: DemandDraft['places'] = {
      block: { from: 'stays', parts: ['pattern:x'], mayStay: true },
      crank: { from: 'shelf', parts: [], mayStay: true },
      piston: { from: 'these', parts: ['pattern:a', 'specimen:7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11'], mayStay: false },
    };
    expect(demands({ ...EMPTY, places }).places).toEqual([
      { slot: 'crank', from: 'shelf', mayStay: true },
      {
        slot: 'piston',
        from: 'these',
        patterns: ['a'],
        specimens: ['7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11'],
      },
    ]);
    expect(problems(EMPTY)[0]).toContain('Nothing is looked for');
    const none: DemandDraft['places'] = { piston: { from: 'these', parts: [], mayStay: false } };
    expect(problems({ ...EMPTY, places: none })[0]).toContain('place piston: Name at least one part');
  });

  it('figures in the units of the reader, with comma or point, as a ratio is written', () => {
    const squish = { ...FREE, targets: [target('squish', '0,9', '1.2')] };
    expect(demands(squish).targets).toEqual([{ figure: 'squish', low: 0.9, high: 1.2 }]);
    const [inches] = demands({ ...FREE, targets: [target('squish', '0.040', '')] }, 'inch').targets ?? [];
    // ISO 31-1: an inch is 25.4 mm.
    expect(inches?.low).toBeCloseTo(1.016, 9);
    expect(inches?.high).toBeUndefined();
    expect(demands({ ...FREE, targets: [target('ratio', '9.5:1', '')] }).targets).toEqual([
      { figure: 'ratio', low: 9.5 },
    ]);
    // 250 cubic inches are 4096.8 cc.
    const [cubic] = demands({ ...FREE, targets: [target('displacement', '250', '')] }, 'inch').targets ?? [];
    expect(cubic?.low).toBeCloseTo(250 * 2.54 ** 3, 6);
  });

  it('wished figures carry a weight, others must be reached', () => {
    const { targets } = demands({ ...FREE, targets: [target('ratio', '9', '10', true), target('squish', '1', '')] });
    expect(targets?.[0]?.weight).toBeGreaterThan(0);
    expect(targets?.[1]?.weight).toBeUndefined();
  });

  it('limits only where something stands, and the checks that may be open as they stand there', () => {
    expect(demands({ ...FREE, limits: { price: '900', hours: '', days: '', buys: '3', open: '0' } }).limits).toEqual({
      price: 900,
      buys: 3,
      open: 0,
    });
  });

  it('cuts in tenths of a millimetre up to what may come off, a smaller amount at one stroke', () => {
    expect(demands({ ...FREE, shape: { deck: '0.5', millHead: '0', machineCrown: '0.05' } }).shape).toEqual([
      { operation: 'deck', most: 0.5, step: 0.1 },
      { operation: 'machineCrown', most: 0.05, step: 0.05 },
    ]);
    const [thou] = demands({ ...FREE, shape: { deck: '0.020' } }, 'inch').shape ?? [];
    expect(thou?.most).toBeCloseTo(0.508, 9);
  });

  it('says of each field what is wrong with it, all at once', () => {
    const wrong: DemandDraft = {
      ...FREE,
      targets: [
        target('squish', '1.2', '0.9'),
        target('ratio', '', ''),
        target('', '9', ''),
        target('ratio', 'much', ''),
      ],
      limits: { price: '-5', hours: 'a few', days: '2.5', buys: '1.5', open: '4' },
      weights: { price: '', hours: 'x', days: '', buys: '', irreversible: '', open: '' },
    };
    const found = problems(wrong);
    for (const [field, words] of [
      ['target 0 low', 'put the smaller one first'],
      ['target 1', 'at least how much, or at most how much'],
      ['target 2', 'Choose which figure is meant'],
      ['target 3 low', '“much” is no figure'],
      ['price', '“-5” is less than 0'],
      ['hours', '“a few” is no figure'],
      ['buys', '“1.5” is no whole number'],
      ['weight hours', '“x” is no figure'],
    ] as const)
      expect(found.some((each) => each.startsWith(`${field}: `) && each.includes(words)))
        .withContext(field)
        .toBeTrue();
  });

  it('kept in the browser are read again, and what is no draft is an empty one', () => {
    const draft = { ...FREE, targets: [target('ratio', '9', '')], reversible: true };
    expect(keptDraft(JSON.parse(JSON.stringify(draft)))).toEqual(draft);
    for (const kept of [undefined, null, 7, 'x', [], {}, { places: 1, targets: [] }, { places: {}, targets: 'x' }])
      expect(keptDraft(kept)).toEqual(EMPTY);
  });

  it('are for one engine where nobody says how many, and for no more than are built at once', () => {
    const asked = (engines: string) => {
      const read = demandsOf({ ...FREE, engines }, 'metric', () => 'ratio');
      return 'problems' in read ? read.problems.map(({ field }) => field) : read.demands.engines;
    };
    expect([asked(''), asked('1'), asked(' 3 ')]).toEqual([undefined, undefined, 3]);
    expect(asked('0')).toEqual(['engines']);
    expect(asked('2.5')).toEqual(['engines']);
    expect(asked('99')).toEqual(['engines']);
    // A draft that was kept before there were several engines is for one.
    const { engines: _none, ...before } = FREE;
    expect(keptDraft(before).engines).toBe('');
  });
});

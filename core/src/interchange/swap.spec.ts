import { partFromSpecimen, type Part } from '../catalogue/part';
import type { Variant } from '../catalogue/pattern';
import { partsOfVariant, placed } from './placedParts';
import { NoJointError, swap, swapParts } from './swap';
import { contains, interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { demoPart, demoPattern, LOOKUP, SETTING, words } from '../testing/demo';
import { MAIN_BEARING } from '../joints/crankshaft/mains';
import { hold } from '../joints/outcome';
import { OPERATIONS } from '../joints/operations/operations';
import { oilClearance, requiredClearance } from '../joints/crankshaft/bearings';
import { worst } from '../joints/verdict';

const into = (donor: Part | string, block: string) =>
  swapParts(typeof donor === 'string' ? demoPart(donor) : donor, demoPart(block), SETTING);
const check = (judged: ReturnType<typeof swapParts>, id: string) =>
  judged.joints.flatMap((joint) => joint.checks).find((each) => each.id === id);
const specimen = (text: string, as?: string) =>
  partFromSpecimen(
    {
      id: '',
      name: 'On the bench',
      kind: 'crank',
      readings: words(text).map((is, at) => ({ id: String(at), at: '', is })),
    },
    as === undefined ? undefined : demoPattern(as),
  );

describe('a swap of which only the records were looked at', () => {
  const withoutWashers = (variant: Variant) =>
    partsOfVariant(LOOKUP, variant).filter(({ slot }) => slot !== 'thrustWasher');

  it('is never said to fit: thrust washers into an engine of which no washer is on record', () => {
    for (const pattern of LOOKUP.ofKind('thrustWasher'))
      for (const variant of LOOKUP.catalogue.variants) {
        let judged;
        try {
          judged = swap([placed(demoPart(pattern.id))], withoutWashers(variant), SETTING);
        } catch (error) {
          if (error instanceof NoJointError) continue;
          throw error;
        }
        const looked = judged.joints.some(({ id }) => id !== 'record');
        if (!looked && judged.verdict !== 'doesNotFit') {
          expect(judged.verdict).withContext(`${pattern.id} ${variant.id}`).toBe('cannotTell');
          expect(say(judged.says, 'metric')).toContain('only the records were looked at');
        }
      }
    const [washer, variant] = [
      LOOKUP.ofKind('thrustWasher')[0],
      LOOKUP.catalogue.variants.find(({ fitments }) => fitments.some(({ slot }) => slot === 'piston')),
    ];
    const engine = variant
      ? withoutWashers(variant).map((each) => ({
          ...each,
          part: { ...each.part, companions: [{ pattern: 'x', relation: 'neverWith' as const }] },
        }))
      : [];
    expect(swap([placed(demoPart(washer?.id ?? ''))], engine, SETTING).verdict).toBe('cannotTell');
  });
});

describe('what a swap costs', () => {
  it('counts once what two checks want for the same reason: the sleeve bearing of a small end', () => {
    const variant = LOOKUP.variant('pip-48');
    if (!variant) throw new RangeError('The demo has no pip-48.');
    const into = partsOfVariant(LOOKUP, variant);
    const judged = swap(
      ['pip-crank-48-l', 'pip-rod-48-l'].map((id) => placed(demoPart(id))),
      into,
      SETTING,
    );
    const sleeves = judged.joints
      .flatMap(({ checks }) => checks)
      .filter(({ work }) => work[0]?.steps.includes('sleeveCage'));
    expect(judged.verdict).toBe('fitsWithWork');
    expect(sleeves.length).toBe(2);
    const [cage, ...others] = judged.buys.map((id) => LOOKUP.pattern(id)?.price ?? NaN);
    expect(others).toEqual([]);
    expect(judged.price).toBe(
      OPERATIONS.turnOffLip.price + OPERATIONS.sleeveCage.price - OPERATIONS.sleeveCage.parts + (cage ?? NaN),
    );
    expect(judged.hours).toBe(OPERATIONS.turnOffLip.hours + OPERATIONS.sleeveCage.hours);
  });
});

describe('oil clearance', () => {
  it('is that of ISO 286-2 for 50 H7/f7: 25 to 75 µm', () => {
    // ISO 286-2: H7 for 30 to 50 mm is +25/0 µm, f7 is -25/-50 µm. A shell without thickness leaves the plain fit.
    const found = oilClearance(interval(50, 50.025), interval(0), interval(49.95, 49.975));
    expect(found.low).toBeCloseTo(0.025, 9);
    expect(found.high).toBeCloseTo(0.075, 9);
  });

  it('is that of ISO 286-2 for 80 H6/g5 through shells of 2 mm: 10 to 42 µm', () => {
    // ISO 286-2: H6 for 50 to 80 mm is +19/0 µm, g5 is -10/-23 µm (from memory).
    const found = oilClearance(interval(84, 84.019), interval(2), interval(79.977, 79.99));
    expect(found.low).toBeCloseTo(0.01, 9);
    expect(found.high).toBeCloseTo(0.042, 9);
  });

  it('without a specification is about a thousandth of the journal (common practice, no source)', () => {
    const { band, ruleOfThumb } = requiredClearance(
      MAIN_BEARING,
      { parts: {}, replaced: {}, stock: {}, rules: {} },
      interval(63.5),
    );
    // "A thousandth an inch": 2.5 in of journal, 0.0025 in of clearance.
    expect(contains(band, interval(0.0025 * 25.4))).toBeTrue();
    expect(say(ruleOfThumb?.() ?? [], 'metric')).toBe(
      'Rule of thumb, none is specified. A plain bearing runs with no more than a thousandth of its journal; most modern makers ask for less: 0.4 to 1 thousandths of the journal. Common practice.',
    );
  });
});

describe('a decision', () => {
  it('is guarded by the uncertainty on both sides (ISO 14253-1)', () => {
    const required = interval(0.025, 0.075);
    expect(hold(interval(0.03, 0.07), required).verdict).toBe('fits');
    expect(hold(interval(0.02, 0.03), required).verdict).toBe('cannotTell');
    expect(hold(interval(0.07, 0.09), required).verdict).toBe('cannotTell');
    expect(hold(interval(0.08, 0.09), required).verdict).toBe('doesNotFit');
  });

  it('is as good as its worst part, and nothing is no good', () => {
    expect(worst(['fits', 'cannotTell', 'fitsWithWork'])).toBe('cannotTell');
    expect(worst(['cannotTell', 'doesNotFit'])).toBe('doesNotFit');
    expect(worst([])).toBe('cannotTell');
  });
});

describe('a crank into a block', () => {
  it('drops in where it was made for', () => {
    for (const [donor, block] of [
      ['sluice-crank-3375-forged', 'sluice-block-low-small'],
      ['skerry-crank-6-112', 'skerry-block-6-late'],
      ['ambit-crank-3', 'ambit-block-3'],
    ] as const) {
      const judged = into(donor, block);
      expect(judged.verdict).withContext(donor).toBe('fits');
      expect(judged.judged).toBe(judged.checks);
    }
  });

  it('goes one way only between the journal generations', () => {
    const there = into('sluice-crank-3375-forged', 'sluice-block-low-large');
    expect(there.verdict).toBe('fitsWithWork');
    const [option] = check(there, 'oilClearance')?.work ?? [];
    expect(option?.name).toBe('Spacer shells');
    expect(option?.canUndo).toBeTrue();
    const back = into('sluice-crank-3375-large', 'sluice-block-low-small');
    expect(back.verdict).toBe('doesNotFit');
    expect(say(back.says, 'inch')).toMatch(/oil clearance.*larger than any shell/);
  });

  it('is reground where shells of a smaller size are to be had, and only down to what it bears', () => {
    const judged = check(into('ambit-crank-5-late', 'ambit-block-5-early'), 'oilClearance');
    expect(judged?.verdict).toBe('fitsWithWork');
    const option = judged?.work[0];
    expect(option?.name).toBe('Regrind the mains');
    expect(option?.found && option.required && contains(option.required, option.found)).toBeTrue();
    expect(option?.canUndo).toBeFalse();
  });

  it('offers line boring beside it, where the block has the meat', () => {
    const work = check(into('ambit-crank-5-late', 'ambit-block-5-early'), 'oilClearance')?.work ?? [];
    expect(work.map((option) => option.name)).toEqual(['Regrind the mains', 'Line bore']);
    expect(say(work[1]?.says ?? [], 'metric')).toContain('58.500 to 58.515 mm');
  });

  it('takes shells of a larger undersize as they are', () => {
    // An early journal is 0.50 under the late one: the late block's second undersize shells fit it.
    expect(
      say(check(into('ambit-crank-5-early', 'ambit-block-5-late'), 'oilClearance')?.because ?? [], 'metric'),
    ).toContain('second undersize');
  });

  it('needs its lip off in a plain case', () => {
    const lip = check(into('skerry-crank-6-112', 'skerry-block-6-early'), 'webLip');
    expect(lip?.verdict).toBe('fitsWithWork');
    expect(lip?.work[0]?.name).toBe('Turn the lip off');
  });

  it('strikes a case that is too small for its swing', () => {
    const judged = check(into('sluice-crank-3905-forged', 'sluice-block-low-large'), 'swing');
    expect(judged?.verdict).toBe('doesNotFit');
    expect(say(judged?.because ?? [], 'metric')).toContain('It would strike');
  });

  it('cannot be told where the block was never measured, and names what to measure', () => {
    const judged = into('sluice-crank-3375-forged', 'sluice-block-pump');
    expect(judged.verdict).toBe('cannotTell');
    expect(judged.needs.map(({ id }) => id)).toEqual(['block.crankcase.swing']);
    expect(judged.judged).toBe(judged.checks - 1);
  });

  it('does not go where the number of mains differs', () => {
    const judged = into('skerry-crank-6-104', 'skerry-block-4-early');
    expect(check(judged, 'mainCount')?.verdict).toBe('doesNotFit');
    expect(check(judged, 'mainCount')?.work).toEqual([]);
  });

  it('is judged as it was measured: worn, it wants measuring or a regrind', () => {
    const worn = into(specimen('main 2.3482in mic', 'sluice-crank-3375-forged'), 'sluice-block-low-small');
    const oil = check(worn, 'oilClearance');
    expect(oil?.verdict).toBe('cannotTell');
    expect(oil?.needs).toEqual(['block.mainHousing.diameter']);
    expect(oil?.work.map((option) => option.name)).toContain('Regrind the mains');
  });

  it('is not known by what nobody measured', () => {
    const judged = into(specimen('main 2.349in mic'), 'sluice-block-low-small');
    expect(judged.verdict).toBe('cannotTell');
    expect(judged.needs.map(({ id }) => id)).toContain('crank.swing');
  });

  it('is not asked of parts that never meet', () => {
    expect(() => swapParts(demoPart('ambit-block-3'), demoPart('ambit-valve-intake-34'), SETTING)).toThrowError(
      NoJointError,
    );
  });
});

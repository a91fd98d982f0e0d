import fc from 'fast-check';
import { partFromSpecimen, type Part } from '../catalogue/part';
import { checkCatalogue } from '../formats/checkCatalogue';
import { checkReadings } from '../formats/checkReadings';
import { NoJointError, swap } from './swap';
import { around, contains, interval, shifted } from '../quantity/interval';
import { say } from '../quantity/sentence';
import type { SizeReading } from '../readings/reading';
import { CATALOGUE, demoPart, demoPattern, SHELLS, words } from '../testing/demo';
import { crank } from '../dictionary/kinds/crank';
import { hold } from '../joints/check';
import { regrindJournal } from '../joints/operations/regrindJournal';
import { turnCounterweights } from '../joints/operations/trim';
import { oilClearance, requiredClearance } from '../joints/shellChoice';
import { worst } from '../joints/verdict';

const into = (donor: Part | string, block: string) => swap(typeof donor === 'string' ? demoPart(donor) : donor, demoPart(block), SHELLS);
const check = (judged: ReturnType<typeof swap>, id: string) => judged.joints.flatMap((joint) => joint.checks).find((each) => each.id === id);
const specimen = (text: string, as?: string) =>
  partFromSpecimen(
    { id: '', name: 'On the bench', kind: 'crank', readings: words(text).map((is, at) => ({ id: String(at), at: '', is })) },
    as === undefined ? undefined : demoPattern(as),
  );

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
    const { band, ruleOfThumb } = requiredClearance({ parts: {}, available: [] }, interval(63.5));
    // "A thousandth an inch": 2.5 in of journal, 0.0025 in of clearance.
    expect(contains(band, interval(0.0025 * 25.4))).toBeTrue();
    expect(ruleOfThumb).toContain('Rule of thumb');
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

  it('takes shells of a larger undersize as they are', () => {
    // An early journal is 0.50 under the late one: the late block's second undersize shells fit it.
    expect(say(check(into('ambit-crank-5-early', 'ambit-block-5-late'), 'oilClearance')?.because ?? [], 'metric')).toContain('second undersize');
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
    expect(judged.needs).toEqual(['block.crankcase.swing']);
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
    expect(judged.needs).toContain('crank.swing');
  });

  it('does not go into a crank, nor a block into it', () => {
    expect(() => swap(demoPart('ambit-block-3'), demoPart('ambit-crank-3'), SHELLS)).toThrowError(NoJointError);
  });
});

describe('machining', () => {
  const journal = crank.parameters['mainJournal.diameter'];
  const part = demoPart('sluice-crank-3375-forged');
  const standard = part.values[journal.id]?.interval ?? interval(0);
  const last = Math.min(...(part.service[journal.id] ?? []));

  it('never gives a journal that is larger, or smaller than the last undersize', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 1, noNaN: true }), (by) => {
        const worked = regrindJournal(part, journal, shifted(around(standard.low, 0.006), by));
        if ('refused' in worked) expect(worked.refused).toMatch(/\.$/);
        else {
          const now = worked.part.values[journal.id]?.interval;
          expect(now?.high).toBeLessThanOrEqual(standard.low + 0.0001);
          expect(now?.low).toBeGreaterThanOrEqual(standard.low + last - 0.0001);
        }
      }),
    );
  });

  it('leaves the part it was given as it was', () => {
    const before = JSON.stringify(part);
    regrindJournal(part, journal, shifted(standard, -0.254));
    turnCounterweights(part, 1);
    expect(JSON.stringify(part)).toBe(before);
  });
});

describe('checking data', () => {
  it('finds nothing wrong with the demo', () => {
    expect(checkCatalogue(CATALOGUE)).toEqual([]);
  });

  it('names place and mend of everything wrong', () => {
    const [pattern] = CATALOGUE.patterns;
    if (!pattern) throw new Error('The demo is empty.');
    const wrong = {
      ...CATALOGUE,
      patterns: [
        pattern,
        { ...pattern, family: 'nobody' },
        {
          ...pattern,
          id: 'other',
          dimensions: {
            'crank.stroke': { low: '3', high: '2', unit: 'in' as const },
            'crank.swing': { low: '3', high: '3', unit: 'mm' as const },
            'crank.colour': { low: '1', high: '1', unit: 'mm' as const },
          },
          features: { 'crank.material': 'wooden', 'crank.smell': 'oil' },
          marks: [{ text: '1', making: 'cast' as const, place: 'crank.moon' }],
          interfaces: { 'crank.door': 'x' },
        },
      ],
    };
    const said = checkCatalogue(wrong)
      .map(({ where, what }) => `${where}: ${what}`)
      .join('\n');
    for (const part of [
      'used twice',
      'no family "nobody"',
      'above high',
      'check the unit',
      'no such size',
      'not one of its options',
      'no such look',
      'no mark place',
      'no such face',
    ])
      expect(said).toContain(part);
  });

  it('refuses readings that no such part has', () => {
    const size: SizeReading = { sort: 'size', text: 'x', parameter: 'crank.stroke', values: [0.5], unit: 'mm', instrument: 'rule' };
    expect(checkReadings('crank', [size])[0]?.what).toContain('cannot be a stroke');
    expect(checkReadings('block', [size])[0]?.what).toContain('no size "crank.stroke"');
    expect(checkReadings('crank', [{ ...size, unit: 'g' }])[0]?.what).toContain('no unit of length');
    expect(checkReadings('crank', [{ sort: 'mark', text: 'x', characters: '[' }])[0]?.where).toBe('readings[0]');
    expect(checkReadings('crank', words('main 59.67 cast 41?7 forged wobble'))).toEqual([]);
  });
});

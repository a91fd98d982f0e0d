import { REACHES, type Reach } from '../../dictionary/definition';
import { KIND_IDS, parameterOf, type KindId } from '../../dictionary/dictionary';
import { say } from '../../quantity/sentence';
import { readEntry } from '../../readings/entryLine';
import { ToolDrawer, USUAL_INSTRUMENTS } from '../../shop/ownInstrument';
import { CATALOGUE } from '../../testing/demo';
import { indexCatalogue } from '../catalogueIndex';
import { Identification } from '../identify';
import { advise } from './advise';
import { checkKey, foreseen, type CheckContext } from './checks';
import { hypothesesOf } from './hypotheses';
import { dismantling, stepsTo } from './teardown';

const index = new Map(KIND_IDS.map((kind) => [kind, indexCatalogue(kind, CATALOGUE)]));
const indexOf = (kind: KindId) => index.get(kind) ?? indexCatalogue(kind, CATALOGUE);

function advice(kind: KindId, text: string, more: Partial<CheckContext> = {}, of = indexOf(kind)) {
  const readings = readEntry(text, kind).words;
  return advise(new Identification(of, more.drawer ? { drawer: more.drawer } : {}).read(readings), {
    readings,
    ...more,
  });
}

/** Two journals of neighbouring classes, ten microns apart, and nothing else to tell them by. */
function classes(apart: number) {
  const model = CATALOGUE.patterns.find(({ id }) => id === 'lumen-crank-4a');
  if (!model) throw new Error('no model');
  const crank = (id: string, high: number) => ({
    ...model,
    id,
    marks: [],
    numbers: [],
    claims: [],
    dimensions: {
      'crank.mainJournal.diameter': {
        low: (high - 0.004).toFixed(3),
        high: high.toFixed(3),
        unit: 'mm' as const,
        service: [],
      },
    },
  });
  return indexCatalogue('crank', { patterns: [crank('class-a', 52), crank('class-b', 52 - apart)] });
}

describe('the next check', () => {
  it('foresees outcomes that add up to one, for every kind and everything that can be checked', () => {
    for (const kind of KIND_IDS) {
      const identification = new Identification(indexOf(kind)).read([]);
      for (const { check, outcomes } of foreseen(identification.index, hypothesesOf(identification), { readings: [] }))
        for (const row of outcomes.chances)
          expect(row.reduce((sum, each) => sum + each, 0))
            .withContext(`${kind} ${check.id}`)
            .toBeCloseTo(1, 6);
    }
  });

  it('goes from the most a minute down, with a reason to do each', () => {
    const { checks } = advice('crank', 'main 59.67 mm mic');
    expect(checks.length).toBeGreaterThan(3);
    for (let at = 1; at < checks.length; at++)
      expect(checks[at - 1]?.bitsPerMinute).toBeGreaterThanOrEqual(checks[at]?.bitsPerMinute ?? 0);
    for (const check of checks) expect(check.how.length).toBeGreaterThan(10);
  });

  it('does not ask again for what was seen, read or measured finely enough', () => {
    const keys = advice('crank', 'main 59.67 mm mic 8 weights stamped flange H72').checks.map(checkKey);
    expect(keys).not.toContain('look crank.counterweights');
    expect(keys).not.toContain('mark crank.flange');
    expect(keys).not.toContain('size crank.mainJournal.diameter');
  });

  it('asks for the micrometer where a caliper cannot tell two neighbouring classes apart', () => {
    const of = classes(0.008);
    const { checks, separation } = advice('crank', 'main 51.99 mm caliper', {}, of);
    expect(checks[0]?.id).toBe('crank.mainJournal.diameter');
    expect(checks[0]?.tool?.sort).toBe('micrometer');
    const said = say(separation?.tooClose[0] ?? [], 'metric');
    expect(said).toContain('are not separable with the caliper');
    expect(said).toContain('The micrometer can.');
    expect(separation?.state).toBe('open');
  });

  it('finds them separable once the micrometer has spoken', () => {
    const of = classes(0.02);
    const readings = readEntry('main 51.977 mm mic', 'crank').words;
    const identification = new Identification(of).read(readings);
    expect(identification.lineUp().candidates[0]?.pattern).toBe('class-b');
    const [b, a] = identification.lineUp().candidates;
    expect((b?.probability ?? 0) / (a?.probability ?? 1)).toBeGreaterThan(2);
    expect(advise(identification, { readings }).separation?.tooClose ?? []).toEqual([]);
  });

  it('says that nothing is left to tell two alike apart, and that they may be one part', () => {
    const model = CATALOGUE.patterns.find(({ id }) => id === 'sluice-crank-3375-forged');
    if (!model) throw new Error('no model');
    const twins = indexCatalogue('crank', {
      patterns: [
        { ...model, id: 'twin-a' },
        { ...model, id: 'twin-b' },
      ],
    });
    const { checks, separation } = advice('crank', 'main 59.67 mm mic pin 52.05 mm mic forged 8 weights', {}, twins);
    expect(checks.filter((check) => check.settles > 0.01)).toEqual([]);
    expect(separation).toEqual({ between: ['twin-a', 'twin-b'], state: 'alike', blockedBy: [], tooClose: [] });
  });

  it('respects what cannot be reached, and then says what would have told', () => {
    const of = classes(0.02);
    const skipped = ['size crank.mainJournal.diameter'];
    const { checks, separation } = advice('crank', 'forged', { skipped }, of);
    expect(checks).toEqual([]);
    expect(separation?.state).toBe('blocked');
    expect(separation?.blockedBy.join()).toContain('Main journal');
  });

  it('does not ask for an instrument that the shop has not, or that does not reach', () => {
    const noMicrometer = new ToolDrawer(USUAL_INSTRUMENTS.filter(({ sort }) => sort !== 'micrometer'));
    expect(
      advice('crank', '', { drawer: noMicrometer }).checks.some(({ tool }) => tool?.sort === 'micrometer'),
    ).toBeFalse();
    const shortCaliper = new ToolDrawer(
      USUAL_INSTRUMENTS.map((each) => (each.sort === 'caliper' ? { ...each, to: 20 } : each)),
    );
    for (const { tool, id } of advice('liner', '', { drawer: shortCaliper }).checks)
      expect(`${id} ${tool?.sort ?? ''}`).not.toMatch(/outside.* caliper/);
  });

  it('prefers what needs no dismantling (common practice, no source: the cheapest check that still decides comes first)', () => {
    const assembled = advice('head', '', { state: 'outside' }).checks;
    expect(assembled[0]?.dismantling).toBe(0);
    expect(assembled.some((check) => check.dismantling > 0)).toBeTrue();
    expect(advice('crank', '', { state: 'onTheBench' }).checks.every((check) => check.dismantling === 0)).toBeTrue();
  });

  it('plans three ahead, no check twice, the first being the next', () => {
    const { plan, checks } = advice('crank', 'main 59.67 mm mic');
    expect(plan[0] && checkKey(plan[0])).toBe(checks[0] && checkKey(checks[0]));
    expect(new Set(plan.map(checkKey)).size).toBe(plan.length);
    expect(plan.length).toBeLessThanOrEqual(3);
    expect(plan.length).toBeGreaterThan(1);
  });

  // Common practice, no source: head and pan come off each by itself, the crank when all is off.
  it('takes apart what is in the way and nothing else, each once', () => {
    const from = (...states: Reach[]) => stepsTo(...states);
    expect(dismantling(from('outside'), 'panOff')).toBeLessThan(dismantling(from('outside'), 'headOff'));
    expect(dismantling(from('headOff'), 'panOff')).toBe(dismantling(from('outside'), 'panOff'));
    expect(dismantling(from('headOff', 'panOff'), 'headAndPanOff')).toBe(0);
    expect(dismantling(from('outside'), 'rotatingPartsOut')).toBeGreaterThan(
      dismantling(from('outside'), 'headAndPanOff') + dismantling(from('outside'), 'flywheelOff'),
    );
    expect(dismantling(from('onTheBench'), 'outside')).toBe(0);
    for (const state of REACHES)
      expect(dismantling(from(state), state))
        .withContext(state)
        .toBe(0);
  });

  it('pays for taking apart once in a plan: what lies behind the same flywheel costs no second one', () => {
    const identification = new Identification(indexOf('crank')).read(readEntry('8 weights', 'crank').words);
    const { plan } = advise(identification, { readings: readEntry('8 weights', 'crank').words, state: 'outside' });
    const done = new Set(stepsTo('outside'));
    for (const { reach, dismantling: paid } of plan) {
      expect(paid).toBe(dismantling(done, reach));
      for (const step of stepsTo(reach)) done.add(step);
    }
  });

  it('looks at all that are in question, not at the first of the alphabet', () => {
    const identification = new Identification(indexOf('piston')).read(readEntry('dish', 'piston').words);
    const { rows, weights } = hypothesesOf(identification);
    const families = new Set(rows.flatMap((row) => identification.index.patterns[row ?? -1]?.split('-')[0] ?? []));
    expect(families.size).toBeGreaterThan(4);
    expect(weights.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9);
  });

  // Common practice, no source: a copy looks the same.
  it('expects no look to settle what no mark and no size bears out', () => {
    const looks = (text: string) => advice('crank', text).checks.filter(({ sort }) => sort === 'look');
    expect(looks('forged').every(({ settles }) => settles === 0)).toBeTrue();
    expect(looks('cast 4187, main 2.3495in mic').some(({ settles }) => settles > 0)).toBeTrue();
  });

  // Common practice, no source: a caliper has nothing to stand on at an axis, nor on a rough casting.
  it('asks for no caliper from an axis to a rough casting, and expects no more than that allows', () => {
    const { instruments, taking } = parameterOf('crank.swing');
    expect(instruments).not.toContain('caliper');
    expect(taking).toBeGreaterThan(0.1);
  });
});

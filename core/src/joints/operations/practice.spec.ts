import type { Part } from '../../catalogue/part';
import { say } from '../../quantity/sentence';
import { finding, made } from '../../testing/made';

// Work as practice does it, and does not: common practice, no source.

/** A part as it would be with these undersizes, from standard. */
const serviced = (part: Part, id: string, steps: readonly number[]): Part => ({
  ...part,
  service: { [id]: steps },
  standard: { [id]: part.values[id]?.interval ?? { low: 0, high: 0 } },
});

describe('grinding a crank', () => {
  const JOURNAL = 'crank.mainJournal.diameter';
  const oval = (treatment?: string): Part => {
    const part = made('crank', { 'mainJournal.diameter': [59.9, 60] }, treatment ? { treatment } : {});
    const value = part.values[JOURNAL];
    return serviced(
      {
        ...part,
        values: {
          [JOURNAL]: {
            interval: { low: 59.9, high: 60 },
            source: 'measured',
            ...value,
            outOfRound: { low: 0.09, high: 0.1 },
          },
        },
      },
      JOURNAL,
      [-0.25, -0.5],
    );
  };
  const work = (crank: Part) => finding('mains', 'mainRound', [crank, made('block')]).work;

  it('takes a nitrided one through its skin, so that it is nitrided again', () => {
    expect(work(oval('nitrided'))[0]?.steps).toEqual(['regrindMains', 'nitrideAgain']);
    expect(say(work(oval('nitrided'))[0]?.says ?? [], 'metric')).toContain('nitrided again');
  });

  it('leaves an induction-hardened or untreated one as it is', () => {
    expect(work(oval('induction'))[0]?.steps).toEqual(['regrindMains']);
    expect(work(oval())[0]?.steps).toEqual(['regrindMains']);
  });

  it('goes to the largest undersize at which the worst journal cleans up, and no further than the last', () => {
    const ground = work(oval())[0]?.parts[0]?.values[JOURNAL]?.interval;
    expect(ground?.high).toBeLessThanOrEqual(59.9);
    expect(ground?.low).toBeGreaterThan(59.6);
    const worn = oval();
    const deep = {
      ...worn,
      values: {
        [JOURNAL]: {
          interval: { low: 59.3, high: 59.4 },
          source: 'measured' as const,
          outOfRound: { low: 0.09, high: 0.1 },
        },
      },
    };
    expect(finding('mains', 'mainRound', [deep, made('block')]).verdict).toBe('doesNotFit');
  });
});

describe('a block in place of another', () => {
  const caps = (mine: string, theirs: string) =>
    finding('blockInPlace', 'mainCaps', [made('block', {}, { capBolts: mine, mainsRun: 'shells' })], {
      replaced: [made('block', {}, { capBolts: theirs })],
    });

  it('with caps of two bolts where four were takes caps of four, line bored; the other way round nothing', () => {
    expect(caps('2', '4').work[0]?.steps).toEqual(['capConversion', 'lineBore']);
    expect(caps('4', '2').verdict).toBe('fits');
    expect(caps('2', '2').verdict).toBe('fits');
  });

  it('is made into none of more than four, which nobody makes caps for', () => {
    expect(caps('2', '6').verdict).toBe('cannotTell');
    expect(caps('2', '6').work).toEqual([]);
  });

  it('that runs in rolling bearings has no caps to ask for', () => {
    const single = made('block', {}, { mainsRun: 'rolling' });
    expect(finding('blockInPlace', 'mainCaps', [single], { replaced: [made('block')] }).arises).toBeFalse();
  });

  it('with an open deck where a closed one was has it closed', () => {
    const deck = (mine: string, theirs: string) =>
      finding('blockInPlace', 'closedDeck', [made('block', {}, { deck: mine })], {
        replaced: [made('block', {}, { deck: theirs })],
      });
    expect(deck('open', 'closed').work[0]?.steps).toEqual(['closeDeck']);
    expect(deck('closed', 'open').verdict).toBe('fits');
    expect(deck('semi', 'closed').verdict).toBe('fits');
  });
});

describe('head bolts in their holes', () => {
  const bolts = (thread: number, hole: number) =>
    finding('headOnBlock', 'boltSize', [
      made('block', { 'headBolt.diameter': thread }),
      made('head', { 'boltHole.diameter': hole }),
    ]);

  it('too small for them become larger studs, too large for them have the holes opened', () => {
    const larger = bolts(11.1, 13.5);
    expect(larger.work[0]?.steps).toEqual(['largerStuds']);
    expect(larger.work[0]?.parts.map(({ kind }) => kind)).toEqual(['block']);
    const opened = bolts(12.7, 12);
    expect(opened.work[0]?.steps).toEqual(['openBoltHoles']);
    expect(opened.work[0]?.parts.map(({ kind }) => kind)).toEqual(['head']);
  });

  it('of another kind of engine are past mending', () => {
    expect(bolts(6, 17).verdict).toBe('doesNotFit');
    expect(bolts(16, 6.8).verdict).toBe('doesNotFit');
  });
});

import { KIND_IDS, type KindId } from '../../dictionary/dictionary';
import { NoJointError, partsOfVariant, recipientsFor, swap } from '../../interchange/index';
import { VERDICTS, type Verdict } from '../../joints/index';
import { CATALOGUE, LOOKUP, SETTING, SPECIMENS } from '../../testing/demo';
import { say } from '../../quantity/sentence';
import { readEntry } from '../../readings/entryLine';
import type { Specimen } from '../../readings/reading';
import { AS_MEASURED, type Answers, type Requests } from '../../contract/index';
import { refusalOf } from '../refusal';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const CRANK = 'sluice-crank-3375-forged';
const total = (counts: Readonly<Record<Verdict, number>>): number =>
  VERDICTS.reduce((sum, verdict) => sum + counts[verdict], 0);
const whatElse = (request: Requests['whatElse']): Answers['whatElse'] => workshop.ask('whatElse', request);
const refusal = (ask: () => unknown) => {
  try {
    ask();
  } catch (error) {
    return refusalOf(error);
  }
  return undefined;
};
const price = ({ verdict, price: work, partPrice = Number.MAX_SAFE_INTEGER }: Answers['whatElse']['best'][number]) => [
  VERDICTS.indexOf(verdict),
  work,
  partPrice,
];

describe('what else takes a part', () => {
  it('counts every part of the kind once, on either side of every joint', () => {
    for (const donor of KIND_IDS)
      for (const recipient of recipientsFor(donor)) {
        const [first] = LOOKUP.ofKind(donor);
        if (!first || LOOKUP.ofKind(recipient).length === 0) continue;
        const { counts } = whatElse({ part: { pattern: first.id }, kind: recipient, side: 'recipient', most: 1 });
        expect(total(counts))
          .withContext(`${donor} into ${recipient}`)
          .toBe(LOOKUP.ofKind(recipient).length - (donor === recipient ? 1 : 0));
      }
  });

  it('says of each what the swap of the two says', () => {
    const { best } = whatElse({ part: { pattern: CRANK }, kind: 'block', side: 'recipient', most: 100 });
    expect(best.length).toBeGreaterThan(3);
    for (const { ref, verdict, hours } of best) {
      const { swaps } = workshop.ask('interchange', {
        donors: [{ pattern: CRANK }],
        recipients: [{ pattern: ref.replace('pattern:', '') }],
      });
      expect([ref, swaps[0]?.verdict, swaps[0]?.hours]).toEqual([ref, verdict, hours]);
    }
  });

  it('has the best first: by verdict, by the price of the work, by the price of the part', () => {
    for (const side of ['recipient', 'donor'] as const) {
      const { best } = whatElse({
        part: { pattern: side === 'recipient' ? CRANK : 'sluice-block-low-large' },
        kind: side === 'recipient' ? 'block' : 'crank',
        side,
      });
      const ranks = best.map(price);
      const sorted = [...ranks].sort(
        (a, b) => (a[0] ?? 0) - (b[0] ?? 0) || (a[1] ?? 0) - (b[1] ?? 0) || (a[2] ?? 0) - (b[2] ?? 0),
      );
      expect(ranks).toEqual(sorted);
    }
  });

  it('tells as many as are asked for, and the counts are of all the same', () => {
    const many = whatElse({ part: { pattern: CRANK }, kind: 'block', side: 'recipient', most: 100, refused: true });
    expect(many.best.length).toBe(LOOKUP.ofKind('block').length);
    for (const most of [1, 2, 5]) {
      const few = whatElse({ part: { pattern: CRANK }, kind: 'block', side: 'recipient', most });
      expect(few.best).toEqual(many.best.slice(0, most));
      expect(few.counts).toEqual(many.counts);
    }
  });

  it('tells what is refused only where that is asked for, and after all others', () => {
    const verdicts = (refused: boolean) =>
      whatElse({ part: { pattern: CRANK }, kind: 'block', side: 'recipient', most: 100, refused }).best.map(
        ({ verdict }) => verdict,
      );
    expect(verdicts(false)).not.toContain('doesNotFit');
    expect(verdicts(true).slice(0, verdicts(false).length)).toEqual(verdicts(false));
    expect(new Set(verdicts(true).slice(verdicts(false).length))).toEqual(new Set(['doesNotFit']));
  });

  it('looks on the shelf as well, and never offers a part to itself', () => {
    const blocks = SPECIMENS.filter(({ kind }) => kind === 'block');
    const { best, counts } = whatElse({
      part: { pattern: CRANK },
      kind: 'block',
      side: 'recipient',
      most: 100,
      refused: true,
      shelf: blocks,
    });
    expect(total(counts)).toBe(LOOKUP.ofKind('block').length + blocks.length);
    expect(new Set(best.flatMap(({ specimenId }) => specimenId ?? []))).toEqual(new Set(blocks.map(({ id }) => id)));
    const [own] = SPECIMENS.filter(({ kind }) => kind === 'crank');
    if (!own) throw new Error('the demo has no crank on the shelf');
    const alone = whatElse({ part: { specimen: own }, kind: 'block', side: 'recipient', shelf: [own] });
    expect(alone.best.some(({ specimenId }) => specimenId === own.id)).toBeFalse();
  });

  it('refuses kinds that never meet, where the kind stands', () => {
    const meets = new Set(recipientsFor('crank'));
    const strangers = KIND_IDS.filter((kind) => !meets.has(kind));
    expect(strangers.length).toBeGreaterThan(0);
    for (const kind of strangers)
      expect(refusal(() => whatElse({ part: { pattern: CRANK }, kind, side: 'recipient' })))
        .withContext(kind)
        .toEqual(
          jasmine.objectContaining({ refused: 'bad', problems: [jasmine.objectContaining({ where: 'body.kind' })] }),
        );
  });
});

describe('the engines a part goes into', () => {
  it('are those that the swap into each engine says, and none is left out', () => {
    const { best, counts } = workshop.ask('engines', { donors: [{ pattern: CRANK }], most: 500 });
    const told = new Map(best.map(({ ref, verdict }) => [ref, verdict]));
    const [donor] = LOOKUP.ofKind('crank').filter(({ id }) => id === CRANK);
    if (!donor) throw new Error('the demo is not as it was');
    let judged = 0;
    for (const variant of CATALOGUE.variants) {
      const engine = partsOfVariant(LOOKUP, variant);
      const crank = engine.find(({ part }) => part.pattern === CRANK);
      const verdict = told.get(`variant:${variant.id}`);
      if (verdict !== undefined) judged++;
      // In an engine that has this crank by its own record the two are judged alike.
      if (crank)
        expect(verdict)
          .withContext(variant.id)
          .toBe(swap([crank], engine, SETTING).verdict);
    }
    expect(judged).toBe(total(counts));
  });

  it('come best first', () => {
    const { best } = workshop.ask('engines', { donors: [{ pattern: CRANK }], most: 500 });
    const verdicts = best.map(({ verdict }) => VERDICTS.indexOf(verdict));
    expect(verdicts).toEqual([...verdicts].sort((a, b) => a - b));
  });
});

describe('a reference to a part', () => {
  const into = { pattern: 'sluice-block-low-large' };

  it('names one thing and no two', () => {
    for (const donor of [{}, { pattern: CRANK, variant: 'sluice-306' }])
      expect(refusal(() => workshop.ask('interchange', { donors: [donor], recipients: [into] }))).toEqual(
        jasmine.objectContaining({ refused: 'bad', problems: [jasmine.objectContaining({ where: 'body.donors[0]' })] }),
      );
  });

  it('to what is not there is missing, and says where it stands', () => {
    for (const [donor, says] of [
      [{ pattern: 'no-such' }, 'body.donors[0].pattern'],
      [{ variant: 'no-such' }, 'body.donors[0].variant'],
      [{ specimenId: '7a3f2f4e-3c6c-4c5c-9d0e-0a52f2f6a001' }, 'body.donors[0].specimenId'],
    ] as const) {
      const refused = refusal(() => workshop.ask('interchange', { donors: [donor], recipients: [into] }));
      expect(refused?.refused).toBe('missing');
      expect(refused?.error).toContain(says);
    }
  });

  it('to a specimen takes it for what it most likely is, unless that is said', () => {
    const crank = SPECIMENS.find(({ id }) => id === '88768045-8cf8-49ee-84a1-d8aa2c430629');
    if (!crank) throw new Error('the demo is not as it was');
    const judged = (as?: string) =>
      workshop.ask('interchange', {
        donors: [{ specimen: crank, ...(as === undefined ? {} : { as }) }],
        recipients: [into],
      }).swaps[0];
    expect(workshop.takenFor(crank)).toBe(CRANK);
    expect(judged()).toEqual(judged(CRANK));
    // Only what was measured leaves more open.
    expect(judged(AS_MEASURED)?.judged).toBeLessThan(judged()?.judged ?? 0);
    expect(refusal(() => judged('sluice-block-low-large'))?.refused).toBe('bad');
  });

  it('of two that never meet says so as the joints do', () => {
    const stranger = KIND_IDS.find(
      (kind) =>
        !recipientsFor('crank').includes(kind) &&
        !recipientsFor(kind).includes('crank') &&
        LOOKUP.ofKind(kind).length > 0,
    );
    const [other] = stranger ? LOOKUP.ofKind(stranger) : [];
    if (!stranger || !other) throw new Error('a crank meets everything');
    const refused = refusal(() =>
      workshop.ask('interchange', { donors: [{ pattern: CRANK }], recipients: [{ pattern: other.id }] }),
    );
    expect(refused?.problems?.[0]?.where).toBe('body.recipients[0]');
    expect(refused?.error).toBe(new NoJointError('crank', stranger).message);
  });
});

describe('what lies on one bench', () => {
  const AT = '2026-03-02T08:10:00.000Z';
  const measured = (name: string, kind: KindId, text: string): Specimen => ({
    id: `00000000-0000-4000-8000-${String(name.length).padStart(12, '0')}`,
    name,
    kind,
    readings: readEntry(text, kind).words.map((is, at) => ({ id: String(at), at: AT, is })),
  });
  // Thirty thou over and decked by a few: the pistons of that size go in, those of the standard size rattle.
  const bored = measured(
    'Block, bored and decked',
    'block',
    'cast 1507, bore 3.8308in bore gauge, deck height 8.995in mic',
  );
  const oversize = measured('Piston, thirty over', 'piston', 'skirt 3.8290in mic, cast iron');
  const standard = measured('Piston, standard', 'piston', 'skirt 3.7990in mic');
  const into = (donor: Specimen, specimens: readonly Specimen[], as?: string) =>
    workshop.ask('interchange', {
      donors: [{ specimen: donor, as: 'sluice-piston-380-3375-85' }],
      recipients: [{ specimens: [...specimens], name: 'The fan', ...(as === undefined ? {} : { as }) }],
    }).swaps[0];

  it('takes what its block as bored has room for, and nothing else', () => {
    const takes = into(oversize, [bored]);
    expect(takes?.recipient).toBe('The fan');
    expect(takes?.joints.flatMap(({ checks }) => checks).find(({ id }) => id === 'skirtClearance')?.verdict).toBe(
      'fits',
    );
    expect(takes?.verdict).toBe('fits');
    const rattles = into(standard, [bored]);
    expect(rattles?.joints.flatMap(({ checks }) => checks).find(({ id }) => id === 'skirtClearance')?.verdict).not.toBe(
      'fits',
    );
  });

  it('is judged by all that lies there, each part by itself where there are several of a kind', () => {
    const rods = ['one', 'another one'].map((name) => measured(`Rod ${name}`, 'rod', 'length 5.700in caliper'));
    const told = into(oversize, [bored, ...rods]);
    const abouts = told?.joints.filter(({ id }) => id === 'smallEnds').map(({ about }) => about);
    expect(abouts).toEqual(['Rod one', 'Rod another one']);
  });

  it('may come as well, and goes where it is asked to go', () => {
    const [swap] = workshop.ask('interchange', {
      donors: [{ specimens: [oversize], name: 'What the customer brought' }],
      recipients: [{ pattern: 'sluice-block-low-small' }],
    }).swaps;
    expect(swap?.donor).toBe('What the customer brought');
    expect(swap?.joints.map(({ id }) => id)).toContain('pistonInBlock');
  });

  it('of eight pistons and rods is not gone through in every way they could be put together', () => {
    const many = Array.from({ length: 8 }, (_, at) => [
      measured(`Rod ${'x'.repeat(at + 1)}`, 'rod', 'length 5.700in caliper'),
      measured(`Pin ${'x'.repeat(at + 1)}`, 'pin', 'diameter 0.927in mic'),
    ]).flat();
    const told = into(oversize, [bored, ...many]);
    // Each once, and not each with each.
    expect(told?.joints.filter(({ id }) => id === 'location').length ?? 0).toBeLessThanOrEqual(8);
    for (const { name } of many)
      expect(told?.joints.some(({ about }) => about?.includes(name)))
        .withContext(name)
        .toBeTrue();
  });

  it('says what to do where nothing lies there, or it cannot be taken so', () => {
    expect(refusal(() => into(oversize, []))?.error).toBe('There is no part in this job yet.');
    expect(refusal(() => into(oversize, [bored], 'sluice-block-low-small'))?.problems?.[0]?.what).toContain('nothing');
    expect(into(oversize, [bored], AS_MEASURED)?.verdict).toBe('fits');
    const lost = refusal(() =>
      workshop.ask('interchange', {
        donors: [{ pattern: CRANK }],
        recipients: [{ jobId: '00000000-0000-4000-8000-000000000000' }],
      }),
    );
    expect(lost?.refused).toBe('missing');
  });
});

describe('open answers', () => {
  it('stand by what agrees of them, and say how far they have come', () => {
    const rod = LOOKUP.ofKind('rod').find(({ id }) => id.startsWith('sluice'));
    if (!rod) throw new Error('the demo has no rod');
    const { best } = whatElse({ part: { pattern: rod.id }, kind: 'piston', side: 'recipient', most: 100 });
    const open = best.filter(({ verdict }) => verdict === 'cannotTell');
    const shares = open.map(({ agree, byWork, checks }) => (agree - byWork) / checks);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
    for (const { says, nothingAgainst } of open)
      expect(say(says, 'metric').startsWith(nothingAgainst ? 'Nothing against it' : 'Cannot be told')).toBeTrue();
  });
});

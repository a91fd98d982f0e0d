import { partFromPattern, partFromSpecimen, type Part } from '../catalogue/part';
import { KIND_IDS, type KindId } from '../dictionary/dictionary';
import { crank } from '../dictionary/kinds/crank';
import { lifter } from '../dictionary/kinds/lifter';
import { liner } from '../dictionary/kinds/liner';
import { readEntry } from '../readings/entryLine';
import { verdictOfCheck, type Assembly } from '../joints/index';
import { interval, shifted } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { demoPart, demoPattern, LOOKUP, SETTING } from '../testing/demo';
import { Grid, verdictOf } from './grid';
import { inPlaceJointsOf } from './inPlace';
import { DONOR_KINDS } from './pairing';
import { swapParts } from './swap';

// That one part takes the place of another only where it goes with all the other met: common practice, no source.

const inPlace = (mine: Part | string, was: Part | string) => {
  const [donor, recipient] = [mine, was].map((each) => (typeof each === 'string' ? demoPart(each) : each)) as [
    Part,
    Part,
  ];
  const swap = swapParts(donor, recipient, SETTING);
  const refused = swap.joints.flatMap(({ checks }) =>
    checks.flatMap(({ id, verdict, because }) =>
      verdict === 'doesNotFit' ? [`${id}: ${say(because, 'metric')}`] : [],
    ),
  );
  return { ...swap, refused, said: say(swap.says, 'metric') };
};

const changed = (part: Part, more: Partial<Part>): Part => ({
  ...part,
  ...more,
  values: { ...part.values, ...more.values },
  looks: { ...part.looks, ...more.looks },
});

const alone = (part: Part): Part => {
  const { pattern: _pattern, ...rest } = part;
  return rest;
};

const partsOf = (kind: KindId) => LOOKUP.ofKind(kind).map(({ id }) => demoPart(id));

describe('one part in place of another', () => {
  it('takes its own place, whatever the kind, and asks for no more than what the records say comes with it', () => {
    for (const kind of DONOR_KINDS)
      for (const part of partsOf(kind)) {
        const { verdict, companions, said } = inPlace(part, part);
        expect(companions.length > 0 ? 'fits' : verdict)
          .withContext(`${part.label}: ${said}`)
          .toBe('fits');
      }
  });

  it('never fits between a single and a V8: a 48 cc block is no block of seven litres', () => {
    const families = [['minnow', 'pip'], ['sluice']];
    const generic: readonly KindId[] = ['seal', 'fastener', 'rollingBearing'];
    for (const kind of DONOR_KINDS.filter((each) => !generic.includes(each))) {
      const [small, large] = families.map((those) =>
        partsOf(kind).filter((part) => those.includes(demoPattern(part.pattern ?? '').family ?? '')),
      );
      for (const one of small ?? [])
        for (const other of large ?? [])
          for (const [mine, was] of [
            [one, other],
            [other, one],
          ] as const)
            expect(inPlace(mine, was).verdict)
              .withContext(`${mine.label} in place of ${was.label}`)
              .not.toMatch(/^fits/);
    }
  });

  it('a crank of large journals does not drop in for one of small ones, nor the other way round', () => {
    for (const [mine, was] of [
      ['sluice-crank-3375-large', 'sluice-crank-3375-cast'],
      ['sluice-crank-3375-cast', 'sluice-crank-3375-large'],
    ] as const) {
      const { verdict, refused } = inPlace(mine, was);
      expect(verdict).toBe('doesNotFit');
      expect(refused.join(' ')).toMatch(/journal|rod|main/i);
    }
  });

  it('a crank that is forged drops in for the cast one of the same sizes, and says where it was looked at', () => {
    const { verdict, said } = inPlace('sluice-crank-3375-forged', 'sluice-crank-3375-cast');
    expect(verdict).toBe('fits');
    expect(said).toContain('Looked at in Brackmere Sluice 306');
  });

  it('a crank whose hub is splined does not take the hub of a keyed one: it comes with its own', () => {
    const was = demoPart('sluice-crank-3375-cast');
    const splined = changed(was, {
      looks: { [crank.features.frontDrive.id]: { option: 'spline', source: 'pattern' } },
    });
    const { verdict, joints } = inPlace(splined, was);
    expect(verdict).toBe('fitsWithWork');
    expect(
      joints.flatMap(({ checks }) => checks.filter((each) => each.verdict !== 'fits').map(({ id }) => id)),
    ).toEqual(['frontEnd.frontDrive']);
  });

  it('an exhaust valve is not put where an intake valve was, nor the other way round', () => {
    for (const exhaust of partsOf('valve').filter(({ label }) => /exhaust/i.test(label)))
      for (const intake of partsOf('valve').filter(({ label }) => /intake/i.test(label)))
        for (const [mine, was] of [
          [exhaust, intake],
          [intake, exhaust],
        ] as const)
          expect(inPlace(mine, was).verdict).withContext(`${mine.label} for ${was.label}`).toBe('doesNotFit');
  });

  it('a lifter a millimetre thinner rattles in the bore of the other', () => {
    const was = demoPart('sluice-lifter-hydraulic');
    const body = was.values[lifter.parameters['body.diameter'].id];
    if (!body) throw new RangeError('The demo gives no body.');
    const thin = changed(was, {
      values: { [lifter.parameters['body.diameter'].id]: { ...body, interval: shifted(body.interval, -1) } },
    });
    const { verdict, refused } = inPlace(thin, was);
    expect(verdict).not.toBe('fits');
    expect([...refused, ''].join()).toContain('lifterBody');
  });

  it('by work that the joint knows: a journal that is larger is ground for what it meets', () => {
    const was = demoPart('sluice-crank-3375-cast');
    const journal = crank.parameters['mainJournal.diameter'].id;
    const size = was.values[journal];
    if (!size) throw new RangeError('The demo gives no journal.');
    const ground = changed(was, { values: { [journal]: { ...size, interval: shifted(size.interval, -0.254) } } });
    const { joints } = inPlace(ground, was);
    const mains = joints.flatMap(({ checks }) => checks).filter(({ id }) => id.startsWith('mains.'));
    // Ground ten thou under, with shells of that size: it is no worse a crank.
    expect(mains.map(({ verdict }) => verdict)).not.toContain('doesNotFit');
  });

  it('is compared size by size where no engine is on record with the old one', () => {
    const was = alone(demoPart('skerry-liner-fire'));
    const same = inPlace(alone(demoPart('skerry-liner-fire')), was);
    expect(same.verdict).toBe('fits');
    expect(same.said).toContain('No engine is on record');
    const bore = liner.parameters.bore.id;
    const size = was.values[bore];
    if (!size) throw new RangeError('The demo gives no bore.');
    const other = inPlace(changed(was, { values: { [bore]: { ...size, interval: shifted(size.interval, 3) } } }), was);
    expect(other.verdict).toBe('doesNotFit');
    expect(other.refused.join(' ')).toMatch(/bore .* where .* was, and what it meets there stays/i);
    const unsure = { ...size, interval: interval(size.interval.low - 0.5, size.interval.high + 0.5) };
    expect(inPlace(changed(was, { values: { [bore]: unsure } }), was).verdict).toBe('cannotTell');
  });

  it('decides nothing by figures that would refuse the old one as well', () => {
    const was = demoPart('sluice-crank-3375-cast');
    const journal = crank.parameters['mainJournal.diameter'].id;
    const wrong = changed(was, { values: { [journal]: { interval: interval(20, 20.01), source: 'pattern' } } });
    const [engine] = SETTING.enginesWith?.(was.pattern ?? '') ?? [];
    if (!engine) throw new RangeError('The demo has no engine with it.');
    // On record with journals that no shell suits; the one that comes has yet others.
    const records = [
      { ...engine, parts: engine.parts.map((each) => (each.slot === 'crank' ? { ...each, part: wrong } : each)) },
    ];
    const other = changed(was, { values: { [journal]: { interval: interval(21, 21.01), source: 'pattern' } } });
    const swap = swapParts(other, wrong, { ...SETTING, enginesWith: () => records });
    const mains = swap.joints.flatMap(({ checks }) => checks).filter(({ id }) => id.startsWith('mains.'));
    const doubtful = mains.filter(({ because }) => say(because, 'metric').includes('one of the figures is wrong'));
    expect(doubtful.length).toBeGreaterThan(0);
    for (const { verdict, needs } of doubtful) {
      expect(verdict).toBe('cannotTell');
      expect(needs.length).toBeGreaterThan(0);
    }
  });

  it('may be asked of a part on the bench that nobody has named', () => {
    const specimen = {
      id: 'one',
      name: 'Crank on the bench',
      kind: 'crank' as const,
      readings: readEntry('main 2.6495in mic', 'crank').words.map((is, at) => ({
        id: String(at),
        at: '2026-03-02T08:10:00.000Z',
        is,
      })),
      version: 1,
      updated: '2026-03-02T08:10:00.000Z',
    };
    expect(inPlace(partFromSpecimen(specimen), 'sluice-crank-3375-cast').verdict).toBe('doesNotFit');
  });

  it('comes without words to the verdict that it comes to with them, in the grid as well', () => {
    for (const kind of ['crank', 'lifter', 'valve', 'liner', 'rodShell'] as const) {
      const parts = partsOf(kind).slice(0, 8);
      const grid = new Grid(parts, parts, SETTING);
      parts.forEach((mine, row) => {
        parts.forEach((was, column) => {
          expect(verdictOf(grid.cell(row, column)))
            .withContext(`${mine.label} for ${was.label}`)
            .toBe(inPlace(mine, was).verdict);
          const assembly: Assembly = { parts: { [kind]: mine }, replaced: { [kind]: was }, ...SETTING };
          for (const check of inPlaceJointsOf(kind).flatMap(({ checks }) => checks))
            expect(verdictOfCheck(check, assembly)).withContext(check.id).toBe(check.judge(assembly).verdict);
        });
      });
    }
  });

  it('is asked of every kind', () => {
    expect(DONOR_KINDS).toEqual(KIND_IDS);
    for (const kind of KIND_IDS) {
      const ids = inPlaceJointsOf(kind).flatMap(({ checks }) => checks.map(({ id }) => id));
      expect(new Set(ids).size).withContext(kind).toBe(ids.length);
    }
    expect(partFromPattern(demoPattern('sluice-pin'), 'Pin').kind).toBe('pin');
  });
});

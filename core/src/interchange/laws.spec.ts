import fc from 'fast-check';
import type { Part } from '../catalogue/part';
import { classify } from './classes';
import { Grid } from './grid';
import { assemblyOf } from './grid';
import { DONOR_KINDS, pairingOf, recipientsFor } from './pairing';
import { partOfSpecimen, partsOfVariant } from './placedParts';
import { KIND_IDS, KINDS } from '../dictionary/dictionary';
import { indexCatalogue } from '../identify/catalogueIndex';
import { takenFor } from '../identify/takenFor';
import { CATALOGUE, demoPart, LOOKUP, SETTING as WITH_RECORDS, SPECIMENS } from '../testing/demo';
import { kindOf, type Assembly } from '../joints/assembly';
import { IMPLIED, NEVER_REFUSES, RECORD, REPLACED, ROUND, verdictOfCheck, type JointCheck } from '../joints/check';
import { JOINTS, record } from '../joints/index';
import { takes } from '../joints/cost';
import type { Outcome } from '../joints/outcome';
import { holds } from '../testing/laws';

// By the parts alone: what they are on record with, and what their families make likely, have specs of their own.
const { enginesWith: _enginesWith, likelyValue: _likelyValue, ...SETTING } = WITH_RECORDS;

const parts = new Map(DONOR_KINDS.map((kind) => [kind, LOOKUP.ofKind(kind).map(({ id }) => demoPart(id))]));

/** The checks of a pairing, but for those that ask the joints again in the engines round a part: inPlace.spec.ts. */
const checksOf = (pairing: ReturnType<typeof pairingOf>): readonly JointCheck[] =>
  (pairing?.joints ?? []).flatMap(({ id, checks }) => (id.includes('InPlaceOn.') ? [] : checks));

/** A check and parts for it. */
interface Case {
  readonly check: JointCheck;
  readonly assembly: Assembly;
}

/**
 * Every check on pairs of the demo, a sample of each, and those of more parts on whole engines with a part of another.
 */
function casesOf(): readonly Case[] {
  const pairs = DONOR_KINDS.flatMap((donor) =>
    recipientsFor(donor).flatMap((recipient) => {
      const [mine, theirs] = [parts.get(donor) ?? [], parts.get(recipient) ?? []];
      const pairing = pairingOf(donor, recipient);
      if (!pairing) return [];
      // Parts that are alike in all that a check goes by are one case of it.
      const [rows, columns] = [
        classify(pairing, 'donor', mine, SETTING, theirs).of,
        classify(pairing, 'recipient', theirs, SETTING, mine).of,
      ];
      const seen = new Set<string>();
      const isNew = (at: number, i: number, j: number) => {
        const key = `${at} ${rows[at]?.[i] ?? 0} ${columns[at]?.[j] ?? 0}`;
        return !seen.has(key) && seen.add(key);
      };
      const known = new Set(checksOf(pairing));
      return mine.flatMap((one, i) =>
        theirs.flatMap((other, j) =>
          (i * 7 + j * 3) % 5 === 0
            ? pairing.checks.flatMap(({ check }, at) =>
                known.has(check) && isNew(at, i, j) ? [{ check, assembly: assemblyOf(one, other, SETTING) }] : [],
              )
            : [],
        ),
      );
    }),
  );
  const engines = LOOKUP.catalogue.variants.map((variant) =>
    Object.fromEntries(partsOfVariant(LOOKUP, variant).map(({ part }) => [part.kind, part])),
  );
  const wholes = engines.flatMap((engine, at) => {
    const other = engines[(at * 5 + 3) % engines.length] ?? {};
    return [engine, { ...engine, crank: other.crank ?? engine.crank, rod: other.rod ?? engine.rod }].flatMap(
      (mixed) => {
        const assembly: Assembly = { parts: mixed as Assembly['parts'], replaced: {}, ...SETTING };
        return JOINTS.filter(
          (joint) => joint.kinds.length > 2 && joint.kinds.every((kind) => assembly.parts[kind]),
        ).flatMap((joint) => joint.checks.map((check) => ({ check, assembly })));
      },
    );
  });
  // Parts of the shelf, known by their readings alone and as what they most likely are, in every sixth place they could
  // go.
  const shelf = SPECIMENS.flatMap((specimen, i) => {
    const index = indexCatalogue(specimen.kind, CATALOGUE);
    const as = takenFor(index, specimen, {});
    return [undefined, as].flatMap((taken) => {
      const mine = partOfSpecimen(LOOKUP, specimen, LOOKUP.pattern(taken));
      if (!DONOR_KINDS.includes(specimen.kind)) return [];
      return recipientsFor(specimen.kind).flatMap((recipient) =>
        (parts.get(recipient) ?? []).flatMap((other, j) =>
          (i + j) % 6 === 0
            ? checksOf(pairingOf(specimen.kind, recipient)).map((check) => ({
                check,
                assembly: assemblyOf(mine, other, SETTING),
              }))
            : [],
        ),
      );
    });
  });
  return [...pairs, ...wholes, ...shelf];
}

const CASES = casesOf();

/** What each case comes to as it is: most laws hold something against it. */
const OUTCOMES = new Map<Case, Outcome>();
function outcomeOf(each: Case): Outcome {
  const known = OUTCOMES.get(each) ?? each.check.judge(each.assembly);
  OUTCOMES.set(each, known);
  return known;
}

/** Every so many of the cases, spread over all of the checks: for laws that judge each case anew in many ways. */
const every = (step: number): readonly Case[] => CASES.filter((_, at) => at % step === 0);

/** Whether it tells anything: what does not come up without a value says nothing of it. */
const isAnswer = ({ verdict, arises }: Outcome): boolean => verdict !== 'cannotTell' && arises !== false;

const anyCase = fc.integer({ min: 0, max: CASES.length - 1 }).map((at) => CASES[at] ?? CASES[0]) as fc.Arbitrary<Case>;

/** A part that tells of every id that is asked of it. */
function watched(part: Part, note: (id: string) => void): Part {
  const watch = <T extends object>(record: T): T =>
    new Proxy(record, {
      get: (target, key) => {
        if (typeof key === 'string') note(key);
        return Reflect.get(target, key) as unknown;
      },
    });
  return { ...part, values: watch(part.values), looks: watch(part.looks), interfaces: watch(part.interfaces) };
}

/** Ids a check goes by on the parts of one side. */
const readBy = (check: JointCheck, where: 'parts' | 'replaced'): readonly string[] =>
  check.reads.flatMap((read) =>
    read === RECORD
      ? []
      : read === ROUND || read === IMPLIED
        ? []
        : read.startsWith(REPLACED)
          ? where === 'replaced'
            ? [read.slice(REPLACED.length)]
            : []
          : where === 'parts'
            ? [read]
            : [],
  );

/** Specifications are what is wanted, not what is found: a wider one asks for less. */
const SPECIFIED = new Set(
  Object.values(KINDS).flatMap((kind) =>
    Object.values(kind.parameters).flatMap(({ id, instruments }) => (instruments[0] === 'sheet' ? [id] : [])),
  ),
);
const STATED = new Set([...SPECIFIED, 'liner.protrusion', 'rod.sideClearance']);

/** The assembly without one of the things a check goes by. */
function without(assembly: Assembly, id: string, where: 'parts' | 'replaced'): Assembly {
  const part = assembly[where][kindOf(id)];
  if (!part) return assembly;
  const less = <T>(record: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(record).filter(([key]) => key !== id));
  return {
    ...assembly,
    [where]: {
      ...assembly[where],
      [part.kind]: { ...part, values: less(part.values), looks: less(part.looks), interfaces: less(part.interfaces) },
    },
  };
}

/** The assembly with one size known less well. */
function wider(assembly: Assembly, id: string, where: 'parts' | 'replaced', down: number, up: number): Assembly {
  const part = assembly[where][kindOf(id)];
  const value = part?.values[id];
  if (!part || !value) return assembly;
  const interval = { low: value.interval.low - down, high: value.interval.high + up };
  return {
    ...assembly,
    [where]: { ...assembly[where], [part.kind]: { ...part, values: { ...part.values, [id]: { ...value, interval } } } },
  };
}

/** Something that a check goes by, and on which side; nothing of the kind where it goes by the record alone. */
const anyRead = ({ check }: Case): fc.Arbitrary<readonly [string, 'parts' | 'replaced']> => {
  const all = [
    ...readBy(check, 'parts').map((id) => [id, 'parts'] as const),
    ...readBy(check, 'replaced').map((id) => [id, 'replaced'] as const),
  ];
  return all.length === 0 ? fc.constant(['none.none', 'parts'] as const) : fc.constantFrom(...all);
};

const caseAndRead = anyCase.chain((each) => anyRead(each).map((read) => [each, read] as const));

describe('every check', () => {
  it('goes by nothing but what it says it reads, so that parts alike in that are judged alike', () => {
    for (const each of every(3)) {
      const { check, assembly } = each;
      const read = new Set<string>();
      const watch = (side: Assembly['parts']) =>
        Object.fromEntries(
          Object.entries(side).map(([kind, part]) => [kind, watched(part, (id) => read.add(id))]),
        ) as Assembly['parts'];
      // Work on a part copies it whole, which is not reading; the verdict without it is what counts.
      check.judge({ ...assembly, parts: watch(assembly.parts), replaced: watch(assembly.replaced) });
      const declared = new Set([...readBy(check, 'parts'), ...readBy(check, 'replaced')]);
      if (check.reads.includes(RECORD)) continue;
      const asked = [...read].filter((id) => id.includes('.') && Object.hasOwn(KINDS, kindOf(id)));
      const copied = (id: string) =>
        !declared.has(id) && check.judge(without(assembly, id, 'parts')).verdict === outcomeOf(each).verdict;
      for (const id of asked)
        if (!declared.has(id)) expect(copied(id)).withContext(`${check.id} reads ${id}`).toBeTrue();
    }
  });

  it('cannot tell where nothing at all is known of the parts', () => {
    const nothing = Object.fromEntries(
      KIND_IDS.map((kind): [string, Part] => [
        kind,
        { kind, label: kind, values: {}, looks: {}, interfaces: {}, service: {}, standard: {} },
      ]),
    );
    // What can only be told makes no difference, whatever it proves to be.
    const deciding = JOINTS.flatMap(({ checks }) => checks).filter(({ verdicts }) => verdicts !== NEVER_REFUSES);
    for (const check of deciding) {
      const { verdict, arises } = check.judge({ parts: nothing, replaced: nothing, ...SETTING });
      if (arises !== false) expect(verdict).withContext(check.id).toBe('cannotTell');
    }
  });

  it('without any one value, specifications and all, says the same, or cannot tell', () => {
    for (const each of every(3)) {
      const { check, assembly } = each;
      const before = outcomeOf(each).verdict;
      for (const where of ['parts', 'replaced'] as const)
        for (const id of readBy(check, where)) {
          // Whether it arises at all is only told with the words.
          if (verdictOfCheck(check, without(assembly, id, where)) === before) continue;
          const after = check.judge(without(assembly, id, where));
          expect(isAnswer(after)).withContext(`${check.id} without ${id}: ${after.verdict}, not ${before}`).toBeFalse();
        }
    }
  });

  it('keeps to that where the parts are somewhat larger, smaller or less well known than those of the demo', () => {
    const by = fc.double({ min: -0.3, max: 0.3, noNaN: true });
    holds(
      fc.property(
        anyCase.chain((each) => fc.tuple(fc.constant(each), anyRead(each), anyRead(each))),
        by,
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        ([{ check, assembly }, [id, where], [other, otherWhere]], shift, more) => {
          const changed = STATED.has(other) ? assembly : wider(assembly, other, otherWhere, more - shift, more + shift);
          const before = check.judge(changed).verdict;
          const after = check.judge(without(changed, id, where));
          if (isAnswer(after))
            expect(after.verdict).withContext(`${check.id} without ${id}, ${other} by ${shift}`).toBe(before);
        },
      ),
      10_000,
    );
  });

  it('comes without its words to the verdict that it comes to with them', () => {
    for (const each of CASES)
      expect(verdictOfCheck(each.check, each.assembly)).withContext(each.check.id).toBe(outcomeOf(each).verdict);
    holds(
      fc.property(
        caseAndRead,
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.boolean(),
        ([{ check, assembly }, [id, where]], shift, gone) => {
          const changed = gone ? without(assembly, id, where) : wider(assembly, id, where, -shift, shift);
          expect(verdictOfCheck(check, changed)).withContext(`${check.id}, ${id}`).toBe(check.judge(changed).verdict);
        },
      ),
      4000,
    );
  });

  it('says so where a rule of thumb stands in for a specification, and asks for it where the rule does not decide', () => {
    for (const each of CASES)
      for (const id of readBy(each.check, 'parts').filter((stated) => STATED.has(stated))) {
        const { check, assembly } = each;
        const before = outcomeOf(each);
        if (verdictOfCheck(check, without(assembly, id, 'parts')) === before.verdict) continue;
        const after = check.judge(without(assembly, id, 'parts'));
        expect(after.verdict).withContext(check.id).toBe('cannotTell');
        expect(after.needs).withContext(`${check.id} without ${id}`).toContain(id);
      }
  });

  it('comes to the verdicts it says it can come to, and no other, whatever is known', () => {
    const can = ({ check, assembly }: Case) =>
      expect(check.verdicts).withContext(check.id).toContain(check.judge(assembly).verdict);
    for (const each of CASES) expect(each.check.verdicts).withContext(each.check.id).toContain(outcomeOf(each).verdict);
    holds(
      fc.property(
        caseAndRead,
        fc.double({ min: 0, max: 40, noNaN: true }),
        ([{ check, assembly }, [id, where]], by) => {
          can({ check, assembly: without(assembly, id, where) });
          can({ check, assembly: wider(assembly, id, where, -by, by) });
          can({ check, assembly: wider(assembly, id, where, by, -by) });
        },
      ),
      3000,
    );
  });

  it('never fits because a size is known less well', () => {
    const by = fc.double({ min: 0, max: 2, noNaN: true });
    holds(
      fc.property(caseAndRead, by, by, ([{ check, assembly }, [id, where]], down, up) => {
        if (STATED.has(id)) return;
        const before = check.judge(assembly).verdict;
        const after = check.judge(wider(assembly, id, where, down, up)).verdict;
        if (before === 'doesNotFit' || before === 'cannotTell')
          expect(after).withContext(`${check.id} with ${id} less well known`).not.toBe('fits');
      }),
      3000,
    );
  });

  it('names what is to be found out whenever it cannot tell, in the words of the dictionary', () => {
    for (const each of CASES) {
      const { check } = each;
      const { verdict, needs } = outcomeOf(each);
      if (verdict !== 'cannotTell') continue;
      expect(needs.length).withContext(check.id).toBeGreaterThan(0);
      for (const id of needs)
        expect(Object.hasOwn(KINDS, kindOf(id)))
          .withContext(id)
          .toBeTrue();
    }
  });

  it('says why, and what mends it says what it takes', () => {
    for (const each of CASES) {
      const { check } = each;
      const { because, verdict, work } = outcomeOf(each);
      expect(because.length).withContext(check.id).toBeGreaterThan(0);
      expect(verdict === 'fitsWithWork' ? work.length : 1)
        .withContext(check.id)
        .toBeGreaterThan(0);
      expect(work.length).toBeLessThanOrEqual(4);
      for (const option of work) expect(takes(option, {}).price).withContext(option.name).toBeGreaterThan(0);
    }
  });

  it('after its least work fits, or cannot be told, but is not refused', () => {
    for (const each of CASES) {
      const { check, assembly } = each;
      const { verdict, work } = outcomeOf(each);
      const [least] = work;
      if (verdict !== 'fitsWithWork' || !least || least.parts.length === 0) continue;
      const after = least.parts.reduce<Assembly>(
        (sofar, part) => ({ ...sofar, parts: { ...sofar.parts, [part.kind]: part } }),
        assembly,
      );
      expect(check.judge(after).verdict).withContext(`${check.id}: ${least.name}`).not.toBe('doesNotFit');
    }
  });
});

describe('joints', () => {
  it('have names and checks of their own, each id once', () => {
    const ids = JOINTS.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const joint of [...JOINTS, record]) {
      const checks = joint.checks.map(({ id }) => id);
      expect(checks.length).withContext(joint.id).toBeGreaterThan(0);
      expect(new Set(checks).size).withContext(joint.id).toBe(checks.length);
      for (const { reads } of joint.checks)
        for (const read of reads) {
          if (read === RECORD) continue;
          const id = read.replace(REPLACED, '');
          const kind = KINDS[kindOf(id)];
          const known = [
            ...Object.values(kind.parameters),
            ...Object.values(kind.features),
            ...Object.values(kind.interfaces),
          ].some((entry) => entry.id === id);
          expect(known).withContext(`${joint.id} reads ${id}`).toBeTrue();
        }
    }
  });

  it('fit in a cell of the grid', () => {
    for (const donor of DONOR_KINDS)
      for (const recipient of recipientsFor(donor))
        expect(pairingOf(donor, recipient)?.joints.length).toBeLessThanOrEqual(14);
    expect(() => new Grid([demoPart('ambit-crank-3')], [demoPart('ambit-valve-intake-34')], SETTING)).toThrowError(
      /do not meet/,
    );
  });
});

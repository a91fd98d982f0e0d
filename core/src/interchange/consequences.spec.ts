import type { PlacedPart } from '../joints/index';
import type { Part } from '../catalogue/part';
import type { KindId } from '../dictionary/dictionary';
import { JOINTS, type Verdict } from '../joints/index';
import { demoPart, LOOKUP, SETTING } from '../testing/demo';
import { givingWay } from './chosenAnew';
import { partsOfVariant, placed } from './placedParts';
import { NoJointError, swap, type Swap } from './swap';

const engine = (id: string): readonly PlacedPart[] => {
  const variant = LOOKUP.variant(id);
  if (!variant) throw new RangeError(`The demo has no ${id}.`);
  return partsOfVariant(LOOKUP, variant);
};

const checksOf = ({ joints }: Swap) =>
  new Map(
    joints.flatMap((joint) =>
      joint.checks.map((check) => [`${joint.id} ${joint.about ?? ''} ${check.id}`, { joint, check }] as const),
    ),
  );

/** The parts with those that were worked on in place of themselves. */
const machinedIn = (all: readonly PlacedPart[], parts: readonly Part[]): readonly PlacedPart[] =>
  all.map(({ slot, part }) => ({
    slot,
    part: parts.find((each) => each.kind === part.kind && each.label === part.label) ?? part,
  }));

function judged(donor: readonly PlacedPart[], into: readonly PlacedPart[]): Swap | undefined {
  try {
    return swap(donor, into, SETTING);
  } catch (error) {
    if (error instanceof NoJointError) return undefined;
    throw error;
  }
}

/** What a joint refuses alone, as it stands in an engine in which some kinds give way to new ones. */
const inEngine = (joint: string, verdict: Verdict, yielding: ReadonlySet<KindId>): Verdict => {
  const kinds = JOINTS.find(({ id }) => id === joint)?.kinds ?? [];
  return verdict === 'doesNotFit' && kinds.length === 2 && kinds.some((kind) => yielding.has(kind))
    ? 'fitsWithWork'
    : verdict;
};

describe('a machined part', () => {
  it('is judged again in every joint of the engine, as if it had come so', () => {
    const [operations, bystanders] = [new Set<string>(), new Set<string>()];
    const donors = LOOKUP.catalogue.patterns.filter(({ kind }) =>
      ['crank', 'rod', 'piston', 'head', 'block', 'lifter', 'cam'].includes(kind),
    );
    LOOKUP.catalogue.variants.forEach((variant, at) => {
      const into = engine(variant.id);
      donors.forEach(({ id }, of) => {
        // Every thirteenth pair walks all of the operations.
        if ((at + of) % 13 !== 0) return;
        const donor = placed(demoPart(id));
        const before = judged([donor], into);
        if (!before) return;
        const checksBefore = checksOf(before);
        const staying = into.filter(
          ({ slot, part }) => slot !== donor.slot && part.kind !== 'mainShell' && part.kind !== 'rodShell',
        );
        // What only parts that stay meet in is no matter of the swap, but of the work.
        const whole = (parts: readonly Part[]) => swap(machinedIn([donor, ...staying], parts), [], SETTING);
        let stood: ReturnType<typeof checksOf> | undefined;
        for (const [key, { check }] of checksBefore) {
          const [option] = check.work;
          if (!option || option.parts.length === 0) continue;
          const after = judged(machinedIn([donor], option.parts), machinedIn(into, option.parts));
          if (!after) continue;
          stood ??= checksOf(whole([]));
          const yielding = new Set([...givingWay([donor], staying).keys()].map(({ part }) => part.kind));
          const stands = checksOf(whole(option.parts));
          for (const [other, { joint, check: alone }] of stood) {
            if (checksBefore.has(other)) continue;
            const now = stands.get(other)?.check.verdict;
            const was = { name: alone.name, verdict: inEngine(joint.id, alone.verdict, yielding) };
            const is = now && inEngine(joint.id, now, yielding);
            if (is === undefined || is === was.verdict) continue;
            bystanders.add(other);
            expect(option.elsewhere.find((each) => each.check === was.name && each.before === was.verdict)?.after)
              .withContext(`${id} into ${variant.id}: ${option.name} and ${other}, which stays`)
              .toBe(is);
          }
          const now = checksOf(after);
          for (const [other, { check: was }] of checksBefore) {
            if (other === key) continue;
            const told = option.elsewhere.find((each) => each.check === was.name && each.before === was.verdict);
            const is = now.get(other)?.check.verdict;
            if (is === undefined || is === was.verdict) continue;
            operations.add(option.steps[0] ?? '');
            expect(told?.after).withContext(`${id} into ${variant.id}: ${option.name} and ${other}`).toBe(is);
          }
        }
      });
    });
    expect(operations.size).toBeGreaterThan(5);
    expect(bystanders.size).toBeGreaterThan(1);
  });

  it('changes the sum of the engine: less off the deck is more ratio, and less room over the crown', () => {
    const worked = judged([placed(demoPart('pip-crank-48-l'))], engine('pip-48'));
    const option =
      worked &&
      [...checksOf(worked).values()].flatMap(({ check }) => check.work).find(({ steps }) => steps[0] === 'deck');
    expect(option?.elsewhere.map(({ check }) => check)).toEqual([
      'Room over the crown',
      'Compression ratio',
      'Deck left of the block',
    ]);
  });
});

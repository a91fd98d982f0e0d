import type { Part } from '../catalogue/part.js';
import {
  VERDICTS,
  verdictOfCheck,
  withParts,
  type Assembly,
  type JointCheck,
  type Outcome,
  type Verdict,
  type WorkOption,
} from '../joints/index.js';
import { width } from '../quantity/interval.js';
import type { Sentence } from '../quantity/sentence.js';
import type { JointAssembly } from './sides.js';

/** A check where it is judged. */
export interface CheckAtJoint {
  readonly where: JointAssembly;
  readonly check: JointCheck;
  /** Among what stays: not asked about, and told of only where work makes it worse or different. */
  readonly bystander?: true;
}

/** What work on one thing does to another check. */
export interface Consequence {
  readonly check: string;
  readonly before: Verdict;
  readonly after: Verdict;
  readonly says: Sentence;
}

type Entries = Readonly<Record<string, unknown>>;
const NONE: Entries = {};

/** Ids of what work changed on the parts of an assembly. */
export function changedBy(option: WorkOption, assembly: Assembly): ReadonlySet<string> {
  const changed = new Set<string>();
  for (const after of option.parts) {
    const before = assembly.parts[after.kind];
    for (const field of ['values', 'looks', 'interfaces'] as const) {
      const [was, is]: readonly [Entries, Entries] = [before?.[field] ?? NONE, after[field]];
      // Work copies the one field it changes, and leaves the others as they are.
      if (was === is) continue;
      for (const id in was) if (was[id] !== is[id]) changed.add(id);
      for (const id in is) if (was[id] !== is[id]) changed.add(id);
    }
  }
  return changed;
}

/** The other checks that go by anything of this. */
const readersOf = (
  changed: ReadonlySet<string>,
  place: CheckAtJoint,
  places: readonly CheckAtJoint[],
): readonly CheckAtJoint[] =>
  changed.size === 0
    ? []
    : places.filter((other) => other !== place && other.check.reads.some((id) => changed.has(id)));

/** The parts that meet there, with those that were worked on in place of themselves. */
function worked(where: JointAssembly, original: Assembly, parts: readonly Part[]): Assembly {
  const mine = parts.filter((part) => where.assembly.parts[part.kind] === original.parts[part.kind]);
  return withParts(where.assembly, mine);
}

/** The other checks that go by what work on one thing changes, with the parts as they are after it. */
const reJudged = (
  option: WorkOption,
  place: CheckAtJoint,
  places: readonly CheckAtJoint[],
): readonly { readonly other: CheckAtJoint; readonly assembly: Assembly }[] =>
  readersOf(changedBy(option, place.where.assembly), place, places).map((other) => ({
    other,
    assembly: worked(other.where, place.where.assembly, option.parts),
  }));

/** Sizes that differ by less are the same, mm. */
const SAME = 0.0005;

/** What work on one thing does to the other checks that go by what it changed. */
export const elsewhere = (
  option: WorkOption,
  place: CheckAtJoint,
  places: readonly CheckAtJoint[],
  before: (place: CheckAtJoint) => Outcome,
): readonly Consequence[] =>
  reJudged(option, place, places).flatMap(({ other, assembly }): readonly Consequence[] => {
    const was = before(other);
    const after = other.check.judge(assembly);
    const moved =
      was.found &&
      after.found &&
      (Math.abs(was.found.low - after.found.low) > SAME || Math.abs(width(was.found) - width(after.found)) > SAME);
    if (was.verdict === after.verdict && !moved) return [];
    return [{ check: other.check.name, before: was.verdict, after: after.verdict, says: after.because }];
  });

/** Verdicts are listed from the best to the worst. */
const rank = (verdict: Verdict): number => VERDICTS.indexOf(verdict);

/** How bad an option is for what it touches elsewhere: nothing where it leaves all as good as it was. */
export const worstAfter = (done: readonly Pick<Consequence, 'before' | 'after'>[]): number =>
  Math.max(0, ...done.map(({ before, after }) => (rank(after) > rank(before) ? rank(after) : 0)));

/** What is known of each place before any work. */
interface Before {
  readonly verdict: (place: CheckAtJoint) => Verdict;
  readonly finding: (place: CheckAtJoint) => Outcome;
}

/** The first of the options that do the least harm elsewhere: the one that is proposed. */
function proposed(
  options: readonly WorkOption[],
  place: CheckAtJoint,
  places: readonly CheckAtJoint[],
  before: Before,
): WorkOption | undefined {
  let [best, least] = [options[0], Infinity];
  for (const option of options) {
    const does = worstAfter(
      reJudged(option, place, places).map(({ other, assembly }) => ({
        before: before.verdict(other),
        after: verdictOfCheck(other.check, assembly),
      })),
    );
    if (does < least) [best, least] = [option, does];
    if (does === 0) break;
  }
  return best;
}

/** What all work together comes to. */
interface AllWork {
  readonly verdict: Verdict;
  /** What has to be done for it, what work elsewhere brings with it included. */
  readonly done: readonly WorkOption[];
  /** The parts that were worked on, as they then are. */
  readonly parts: readonly Part[];
}

/**
 * The verdict once the proposed work of every check has been done, each on what the others left. What was mended counts
 * as mended until other work changes something it goes by, and only that is judged again.
 */
export function afterAllWork(places: readonly CheckAtJoint[], before: Before): AllWork {
  const now = new Map<CheckAtJoint, Outcome>();
  const done = new Map<CheckAtJoint, WorkOption | undefined>();
  let parts: readonly Part[] = [];
  const at = ({ where }: CheckAtJoint): Assembly =>
    withParts(
      where.assembly,
      parts.filter((part) => where.assembly.parts[part.kind]?.label === part.label),
    );
  const verdictAt = (place: CheckAtJoint): Verdict => {
    const after = now.get(place)?.verdict;
    if (!place.bystander) return after ?? before.verdict(place);
    return after && rank(after) > rank(before.verdict(place)) ? after : 'fits';
  };
  for (;;) {
    const place = places.find((each) => {
      const verdict = verdictAt(each);
      return verdict !== 'fits' && !(done.has(each) && verdict === 'fitsWithWork');
    });
    if (!place || verdictAt(place) !== 'fitsWithWork')
      return {
        verdict: place ? verdictAt(place) : 'fitsWithWork',
        done: [...done.values()].filter((option) => option !== undefined),
        parts,
      };
    const first = proposed(before.finding(place).work, place, places, before);
    // What has been done since may have changed what has to be done here: the same kind of work, on the parts as they
    // are.
    const work = now.get(place)?.work ?? (parts.length > 0 ? place.check.judge(at(place)).work : undefined);
    const option = work ? (work.find(({ name }) => name === first?.name) ?? work[0]) : first;
    done.set(place, option);
    if (!option) continue;
    const readers = readersOf(changedBy(option, at(place)), place, places);
    parts = [
      ...parts.filter((part) => !option.parts.some((other) => other.kind === part.kind && other.label === part.label)),
      ...option.parts,
    ];
    for (const each of readers) now.set(each, each.check.judge(at(each)));
  }
}

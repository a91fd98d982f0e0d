import {
  countsIn,
  record,
  takes,
  verdictOfCheck,
  type Assembly,
  type Joint,
  type JointCheck,
  type Outcome,
  type PlacedPart,
  type Verdict,
  type WorkOption,
} from '../joints/index.js';
import { afterAllWork, type CheckAtJoint } from './consequences.js';
import { bystandersOf, jointAssembliesOf } from './jointAssemblies.js';
import { onceEach, type Priced } from './priced.js';
import type { JointAssembly, Sides } from './sides.js';
import type { SwapContext } from './swapContext.js';

/** Whether something that would mend a check may be done at all. */
type May = (option: WorkOption, assembly: Assembly) => boolean;

/** What a whole set comes to, without its words. */
export interface Weighed {
  /** Where checks are open, that of all others together is *fits* or *fits with work*. */
  readonly verdict: Verdict;
  /** The first place that refuses, where one does. */
  readonly refusedAt?: CheckAtJoint;
  /** The least work that mends everything together, each with what it takes. */
  readonly work: readonly Priced[];
  readonly hours: number;
  readonly price: number;
  /** Checks that cannot be told. */
  readonly open: readonly CheckAtJoint[];
  readonly checks: number;
  /** All that is there in the end, as it is after the work. */
  readonly parts: readonly PlacedPart[];
}

/** A check that offers no work but what may be done; where none is left it refuses. */
const permitted = (check: JointCheck, may: May): JointCheck => {
  const judge: JointCheck['judge'] = (assembly) => {
    const outcome = check.judge(assembly);
    const work = outcome.work.filter((option) => may(option, assembly));
    if (work.length === outcome.work.length) return outcome;
    return { ...outcome, work, ...(work.length === 0 && outcome.verdict === 'fitsWithWork' ? REFUSED : {}) };
  };
  return {
    ...check,
    judge,
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      return verdict === 'fitsWithWork' ? judge(assembly).verdict : verdict;
    },
  };
};
const REFUSED = { verdict: 'doesNotFit' } as const;

/** A joint whose checks offer no work but what may be done. */
export const permitting = (joint: Joint, may: May | undefined): Joint =>
  may ? { ...joint, checks: joint.checks.map((check) => permitted(check, may)) } : joint;

/** What a set is weighed by. */
interface Weighing {
  /** Every check of every joint in which something that comes meets anything. */
  readonly places: readonly CheckAtJoint[];
  /** Those among what stays, where work on a part of theirs may change them. */
  readonly bystanders: () => readonly CheckAtJoint[];
  readonly verdictAt: (place: CheckAtJoint) => Verdict;
  /** All that is there. */
  readonly parts: readonly PlacedPart[];
  readonly context: SwapContext;
}

/** What a set comes to once its checks are known, with its work followed through. */
export function weighed({ places, bystanders, verdictAt, parts, context }: Weighing): Weighed {
  const nothing = { work: [], hours: 0, price: 0, open: [], checks: places.length, parts };
  const verdicts = new Map<CheckAtJoint, Verdict>();
  for (const place of places) {
    const verdict = verdictAt(place);
    if (verdict === 'doesNotFit') return { ...nothing, verdict, refusedAt: place };
    verdicts.set(place, verdict);
  }
  const open = places.filter((place) => verdicts.get(place) === 'cannotTell');
  // The records may refuse; that they have nothing against it makes no part fit.
  if (places.every(({ where }) => where.joint.id === record.id))
    return { ...nothing, verdict: 'cannotTell', open: places };
  const wanting = places.find((place) => verdicts.get(place) === 'fitsWithWork');
  if (!wanting) return { ...nothing, verdict: open.length > 0 ? 'cannotTell' : 'fits', open };
  const told = places.filter((place) => verdicts.get(place) !== 'cannotTell');
  for (const place of bystanders()) told.push({ ...place, bystander: true });
  const found = new Map<CheckAtJoint, Outcome>();
  const finding = (place: CheckAtJoint): Outcome => {
    const known = found.get(place) ?? place.check.judge(place.where.assembly);
    found.set(place, known);
    return known;
  };
  const worked = afterAllWork(told, {
    verdict: (place) => verdicts.get(place) ?? finding(place).verdict,
    finding,
  });
  if (worked.verdict !== 'fitsWithWork') return { ...nothing, verdict: 'doesNotFit', refusedAt: wanting };
  const counts = countsIn({
    parts: Object.fromEntries([...parts].reverse().map(({ part }) => [part.kind, part])),
    replaced: {},
    ...context,
  });
  const work = onceEach(
    worked.done.map((option) => ({ ...option, ...takes(option, context.rules, counts, context.soldAs) })),
  );
  return {
    verdict: open.length > 0 ? 'cannotTell' : 'fitsWithWork',
    work,
    hours: work.reduce((sum, { hours }) => sum + hours, 0),
    price: work.reduce((sum, { price }) => sum + price, 0),
    open,
    checks: places.length,
    parts: parts.map(({ slot, part }) => ({
      slot,
      part: worked.parts.find(({ kind, label }) => kind === part.kind && label === part.label) ?? part,
    })),
  };
}

/**
 * Weighs a set of parts as `swap` judges it, with the work that some will not have left out, and says what the parts
 * are once the work is done. What is open is left open, and the work of all else followed through.
 *
 * @param may what work may be done; any where nothing is said
 */
export function weigh(sides: Sides, context: SwapContext, may?: May): Weighed {
  const of = ({ joint, ...where }: JointAssembly): readonly CheckAtJoint[] => {
    const mine = { ...where, joint: permitting(joint, may) };
    return mine.joint.checks.map((check) => ({ where: mine, check }));
  };
  return weighed({
    places: jointAssembliesOf(sides, context).flatMap(of),
    bystanders: () => bystandersOf(sides, context).flatMap(of),
    verdictAt: ({ check, where }) => verdictOfCheck(check, where.assembly),
    parts: [...sides.coming, ...sides.staying],
    context,
  });
}

import { capital, counted, listed, one } from '../quantity/phrase.js';
import type { Part } from '../catalogue/part.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import {
  countsIn,
  JOINTS,
  record,
  takes,
  verdictOfCheck,
  worst,
  type Joint,
  type JointCheck,
  type Outcome,
  type PlacedPart,
  type Verdict,
  type WorkOption,
} from '../joints/index.js';
import { sentence, type Sentence } from '../quantity/sentence.js';
import { bystandersOf, jointAssembliesOf } from './jointAssemblies.js';
import { baseOf, sidesOf, type Sides } from './sides.js';
import { afterAllWork, elsewhere, worstAfter, type Consequence, type CheckAtJoint } from './consequences.js';
import { kinshipOf, type Kinship } from './kinship.js';
import { needsOf, type Need } from './needs.js';
import { onceEach, type Priced } from './priced.js';
import { placed } from './placedParts.js';
import { standingOf } from './ranking.js';
import { sayLikelyFits } from './likely.js';
import type { SwapContext } from './swapContext.js';

/** A way to mend a check, what it takes, and what it does elsewhere. */
export interface JudgedOption extends Priced {
  readonly elsewhere: readonly Consequence[];
}

export interface JudgedCheck extends Omit<Outcome, 'work'> {
  readonly id: string;
  readonly name: string;
  /** Looked at in assembly anyway: nobody refuses to build before it is known. */
  readonly confirming?: true;
  readonly work: readonly JudgedOption[];
}

export interface JudgedJoint {
  readonly id: string;
  readonly name: string;
  /** Which of several parts of one kind it is about. */
  readonly about?: string;
  readonly verdict: Verdict;
  readonly checks: readonly JudgedCheck[];
}

/** A joint that could not be looked at, because a part that meets in it is not among these. */
export interface LeftOut {
  readonly joint: string;
  readonly lacking: readonly KindId[];
}

/** Donors judged for recipients, joint by joint. */
export interface Swap {
  readonly donor: string;
  readonly recipient: string;
  readonly verdict: Verdict;
  /** The whole in one sentence. */
  readonly says: Sentence;
  readonly joints: readonly JudgedJoint[];
  /** How many checks agree as it is, and how many by work. */
  readonly agree: number;
  readonly byWork: number;
  /** How many checks that are open are right, if the parts are as on what they are on record with. */
  readonly likely: number;
  /** Engines in which both are on record together, where one part is put to one other. */
  readonly recordedIn: readonly string[];
  /** How an open answer stands among others: the larger, the likelier to prove right. */
  readonly standing: number;
  /** Whether an open answer has come far: nothing refuses it, and of what decides at least half agrees. */
  readonly nothingAgainst: boolean;
  /** How many checks had the data to be judged, of how many. */
  readonly judged: number;
  readonly checks: number;
  /** What to find out first, the quickest to learn before the others. */
  readonly needs: readonly Need[];
  /** Patterns that must come with them. */
  readonly companions: readonly string[];
  /** What the least work takes, altogether, with what is bought for it. */
  readonly hours: number;
  readonly price: number;
  /** What is bought for it: patterns, each once. */
  readonly buys: readonly string[];
  /** The parts that the least work is done to, as they are before it. */
  readonly machined: readonly Part[];
  readonly cautions: readonly string[];
  readonly leftOut: readonly LeftOut[];
}

/** Asked to put a part where it has no joint. */
export class NoJointError extends Error {
  constructor(
    readonly donor: KindId,
    readonly recipient: KindId,
  ) {
    super(
      `${capital(one(KINDS[donor].name.toLowerCase()))} and ${one(KINDS[recipient].name.toLowerCase())} do not meet in any joint.`,
    );
    this.name = 'NoJointError';
  }
}

/**
 * Judges whether `donors` go into or among `recipients`, with what the shop has to put between them. It has a
 * direction: the recipient's parts, faces and machine stay, the donors come.
 * Throws a NoJointError for parts that do not meet that way.
 *
 * @param called what each side is called; both by their parts where nothing is said
 * @param toGo of the donors, what gives way to a new one where it does not go with the others
 */
export function swap(
  donors: readonly PlacedPart[],
  recipients: readonly PlacedPart[],
  context: SwapContext,
  called?: { readonly donor?: string; readonly recipient?: string },
  toGo?: Sides['givingWay'],
): Swap {
  const plain = sidesOf(donors, recipients);
  const sides = toGo ? { ...plain, givingWay: toGo } : plain;
  const met = jointAssembliesOf(sides, context);
  if (met.length === 0) throw new NoJointError(donors[0]?.part.kind ?? 'crank', recipients[0]?.part.kind ?? 'block');
  const counts = countsIn(baseOf(sides, context));
  const found = new Map<CheckAtJoint, Outcome>();
  const judgedOf = (place: CheckAtJoint): Outcome => {
    const known = found.get(place) ?? place.check.judge(place.where.assembly);
    found.set(place, known);
    return known;
  };
  const asked = met.flatMap((where): readonly CheckAtJoint[] => where.joint.checks.map((check) => ({ where, check })));
  const places = asked.filter((place) => judgedOf(place).arises !== false);
  const isWork = places.some((place) => judgedOf(place).work.some(({ parts }) => parts.length > 0));
  const everywhere = isWork ? [...places, ...bystanding(sides, context)] : places;
  const joints = met.flatMap((where): readonly JudgedJoint[] => {
    const checks = places
      .filter((place) => place.where === where)
      .map((place): JudgedCheck => {
        const finding = judgedOf(place);
        const work = finding.work.map((option) => ({
          ...option,
          ...takes(option, context.rules, counts, context.soldAs),
          elsewhere: elsewhere(option, place, everywhere, judgedOf),
        }));
        // An option that breaks something else comes after those that do not.
        return {
          id: place.check.id,
          name: place.check.name,
          ...(place.check.confirming ? { confirming: place.check.confirming } : {}),
          ...finding,
          work: [...work].sort((a, b) => worstAfter(a.elsewhere) - worstAfter(b.elsewhere)),
        };
      });
    if (checks.length === 0) return [];
    return [
      {
        id: where.joint.id,
        name: where.joint.name,
        ...(where.about ? { about: where.about } : {}),
        verdict: worst(checks.map(({ verdict }) => verdict)),
        checks,
      },
    ];
  });
  const all = joints.flatMap(({ checks }) => checks);
  const decisive = asked
    .filter(({ where, check }) => decides(where.joint, check))
    .map((place) => judgedOf(place).verdict);
  const isFar = hasComeFar(
    decisive.filter((each) => each === 'fits' || each === 'fitsWithWork').length,
    decisive.length,
  );
  const judgedAlone = worst(all.map(({ verdict }) => verdict));
  // The records may refuse; that they have nothing against it makes no part fit.
  const byRecordOnly = met.every(({ joint }) => joint === record) && judgedAlone !== 'doesNotFit';
  const alone = byRecordOnly ? 'cannotTell' : judgedAlone;
  const worked =
    alone === 'fitsWithWork'
      ? afterAllWork(everywhere, { verdict: (place) => judgedOf(place).verdict, finding: judgedOf })
      : undefined;
  const together = worked?.verdict ?? alone;
  const where = sides.staying.length === 0 ? lookedAtIn(sides, context) : [];
  // What is refused is not priced: no work makes it go. Where something is open still, each check has its own least.
  const options: readonly WorkOption[] =
    together === 'fitsWithWork'
      ? (worked?.done ?? [])
      : together === 'cannotTell'
        ? all.filter(({ verdict }) => verdict === 'fitsWithWork').flatMap(({ work }) => work[0] ?? [])
        : [];
  const kin = kinOf(donors, recipients, context);
  const tally = {
    agree: countOf(all, 'fits'),
    byWork: countOf(all, 'fitsWithWork'),
    likely: all.filter(({ likely }) => likely === 'fits').length,
  };
  const least = onceEach(
    options.map((option) => ({ ...option, ...takes(option, context.rules, counts, context.soldAs) })),
  );
  const isMachined = (part: Part): boolean =>
    least.some(({ parts }) => parts.some(({ kind, label }) => kind === part.kind && label === part.label));
  return {
    donor: called?.donor ?? listed(donors.map(({ part }) => part.label)),
    recipient: called?.recipient ?? listed(recipients.map(({ part }) => part.label)),
    verdict: together,
    says: byRecordOnly
      ? ['Cannot be told: only the records were looked at. Nothing here can be held against it by size, look or face.']
      : together === alone
        ? sentence`${summary(alone, all, least, isFar)}${alone === 'cannotTell' ? sayRecorded(kin) : ''}${where}`
        : together === 'cannotTell'
          ? [
              'Each can be mended by itself; whether what mends one leaves the others right cannot be told yet. See what each work does elsewhere.',
            ]
          : [
              'Each can be mended by itself, but not together: what mends one breaks another. See what each work does elsewhere.',
            ],
    joints,
    ...tally,
    recordedIn: kin.recordedIn,
    standing: standingOf({ ...tally, checks: all.length }, kin),
    nothingAgainst: together === 'cannotTell' && !byRecordOnly && isFar,
    judged: all.filter((check) => check.verdict !== 'cannotTell' || check.found !== undefined).length,
    checks: all.length,
    needs: needsOf(all.flatMap((check) => check.needs)),
    companions: [...new Set(all.flatMap(({ work: [first] }) => (first && bringsCompanions(first) ? first.buy : [])))],
    hours: sum(least.map(({ hours }) => hours)),
    price: sum(least.map(({ price }) => price)),
    buys: [...new Set(least.flatMap(({ buy }) => buy))],
    machined: [...donors, ...recipients].map(({ part }) => part).filter(isMachined),
    cautions: [
      ...new Set(
        all.flatMap((check) =>
          [check.caution ?? [], check.verdict === 'fitsWithWork' ? (check.work[0]?.caution ?? []) : []].flat(),
        ),
      ),
    ],
    leftOut: leftOut(sides.coming, [...sides.staying, ...sides.coming]),
  };
}

/**
 * Whether some check refuses to have these donors among these recipients. No more is found out than that: no words, no
 * work, and nothing further once one refuses. Undefined where nothing meets.
 */
export function refuses(
  donors: readonly PlacedPart[],
  recipients: readonly PlacedPart[],
  context: SwapContext,
): boolean | undefined {
  const met = jointAssembliesOf(sidesOf(donors, recipients), context);
  if (met.length === 0) return undefined;
  return met.some(({ joint, assembly }) =>
    joint.checks.some((check) => verdictOfCheck(check, assembly) === 'doesNotFit'),
  );
}

/** Checks among what stays, that work on a part of theirs may change. */
const bystanding = (sides: Sides, context: SwapContext): readonly CheckAtJoint[] =>
  bystandersOf(sides, context).flatMap((where): readonly CheckAtJoint[] =>
    where.joint.checks.map((check) => ({ where, check, bystander: true })),
  );

/** Whether what is done is to get the parts that records ask for. */
const bringsCompanions = (option: WorkOption | undefined): boolean => option?.steps.includes('getCompanions') ?? false;

/**
 * One part into one other, or where both are of one kind, in place of it.
 *
 * @throws NoJointError where they do not meet
 * @example swapParts(crank, block, swapContextOf(catalogue)).verdict // 'fits'
 */
export const swapParts = (donor: Part, recipient: Part, context: SwapContext): Swap =>
  swap(
    [placed(donor)],
    [donor.kind === recipient.kind ? { slot: placed(donor).slot, part: recipient } : placed(recipient)],
    context,
  );

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Joints of what comes for which a part is wanting. */
function leftOut(coming: readonly PlacedPart[], all: readonly PlacedPart[]): readonly LeftOut[] {
  const [brought, here] = [new Set(coming.map(({ part }) => part.kind)), new Set(all.map(({ part }) => part.kind))];
  return JOINTS.flatMap((joint): readonly LeftOut[] => {
    if (joint.inPlaceOf || !joint.kinds.some((kind) => brought.has(kind))) return [];
    const lacking = joint.kinds.filter((kind) => !here.has(kind));
    return lacking.length > 0 ? [{ joint: joint.name, lacking }] : [];
  });
}

/** At most so many engines are named. */
const ENGINES_NAMED = 4;

/** In what engines one part was put in place of another. */
function lookedAtIn({ leaving }: Sides, { enginesWith }: SwapContext): Sentence {
  const engines = [
    ...new Set(
      leaving
        .flatMap(({ part: { pattern } }) => (pattern === undefined ? [] : (enginesWith?.(pattern) ?? [])))
        .map(({ label }) => label),
    ),
  ];
  if (engines.length === 0)
    return [' No engine is on record that has the old one: the two were compared with each other only.'];
  return [` Looked at in ${listedUpTo(engines)}.`];
}

function listedUpTo(engines: readonly string[]): string {
  const named = engines.slice(0, ENGINES_NAMED);
  const more = engines.length - named.length;
  return listed(more > 0 ? [...named, counted(more, 'other engine')] : named);
}

const countOf = (checks: readonly JudgedCheck[], which: Verdict): number =>
  checks.filter(({ verdict }) => verdict === which).length;

/** What the records say of them: of an engine, which has parts of others in it, whether it is of one family only. */
function kinOf(donors: readonly PlacedPart[], recipients: readonly PlacedPart[], context: SwapContext): Kinship {
  const all = donors.flatMap((mine) => recipients.map((theirs) => kinshipOf(context, mine.part, theirs.part)));
  const [only] = all;
  return only && all.length === 1 ? only : { recordedIn: [], sameFamily: all.some(({ sameFamily }) => sameFamily) };
}

const sayRecorded = ({ recordedIn }: Kinship): Sentence | '' =>
  recordedIn.length === 0 ? '' : [` Both are on record in ${listedUpTo(recordedIn)}.`];

/** Of what decides, so much must agree before an open answer is more than a guess. */
const DECIDED = 0.5;

/** Whether a check must be known before anybody builds. The records can refuse, but decide nothing by their silence. */
export const decides = (joint: Joint, { confirming }: JointCheck): boolean => joint !== record && !confirming;

/**
 * Whether an open answer that nothing refuses has come far: of what decides at least half agrees. What does not come up
 * with these parts at all agrees.
 */
export const hasComeFar = (agreeing: number, decisive: number): boolean => agreeing >= DECIDED * Math.max(1, decisive);

function summary(verdict: Verdict, checks: readonly JudgedCheck[], least: readonly Priced[], isFar: boolean): Sentence {
  const those = (which: Verdict) => checks.filter((check) => check.verdict === which);
  const names = (which: Verdict) => listed([...new Set(those(which).map((check) => check.name.toLowerCase()))]);
  switch (verdict) {
    case 'fits':
      return [`Drops in: all ${checks.length} checks agree.`];
    case 'fitsWithWork': {
      const bought = those('fitsWithWork').filter(({ work: [first] }) => bringsCompanions(first));
      const work = [...new Set(least.filter((each) => !bringsCompanions(each)).map(({ name }) => name.toLowerCase()))];
      const with_ = bought.flatMap(({ because }) => because);
      if (work.length === 0) return sentence`Goes in only together with other parts. ${with_}`;
      return sentence`Goes in after work: ${listed(work)}.${bought.length > 0 ? ' ' : ''}${with_}`;
    }
    case 'cannotTell': {
      const open = those('cannotTell');
      // What is quickest to settle stands among what to find out; here all that is open is named.
      const byWork = countOf(checks, 'fitsWithWork');
      if (isFar)
        return sentence`Nothing against it: ${countOf(checks, 'fits')} of ${counted(checks.length, 'check')} agree${byWork > 0 ? `, ${byWork} by work` : ''}, ${open.length === 1 ? 'this one' : `these ${open.length}`} to confirm: ${names('cannotTell')}.${sayLikelyFits(open)}`;
      return [`Cannot be told yet: ${names('cannotTell')}.`];
    }
    case 'doesNotFit': {
      const first = those('doesNotFit')[0];
      return sentence`Does not go in: ${names('doesNotFit')}. ${first?.because ?? []}`;
    }
  }
}

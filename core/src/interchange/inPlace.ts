import { compareFaces } from '../catalogue/facePattern.js';
import type { Part } from '../catalogue/part.js';
import type { Parameter } from '../dictionary/definition.js';
import { featureOf, interfaceOf, isIdOf, KINDS, parameterOf, sayLook, type KindId } from '../dictionary/dictionary.js';
import {
  JOINTS,
  kindOf,
  RECORD,
  REPLACED,
  ROUND,
  VERDICTS,
  verdictOfCheck,
  withPart,
  type Assembly,
  type EngineWith,
  type Joint,
  type JointCheck,
  type Outcome,
  type Verdict,
} from '../joints/index.js';
import { missing, said } from '../joints/outcome.js';
import { apart, contains, type Interval } from '../quantity/interval.js';
import { capital, listed } from '../quantity/phrase.js';
import { band, sentence, type Sentence } from '../quantity/sentence.js';
import { assembledIn, baseOf, meetingsIn, sidesOf } from './sides.js';

/**
 * What is judged when a part takes the place of another: every joint that the other has in the engines it is on record
 * in, with the parts it meets there. Where no engine is on record, the two must be alike in all those joints go by.
 */
export function inPlaceJointsOf(kind: KindId): readonly Joint[] {
  const found = known.get(kind) ?? derived(kind);
  known.set(kind, found);
  return found;
}

const known = new Map<KindId, readonly Joint[]>();

/** The joints of a kind, gathered by what it meets there first: a crank by block, rods, flywheel and so on. */
function derived(kind: KindId): readonly Joint[] {
  const byMate = new Map<KindId, JointCheck[]>();
  for (const joint of JOINTS) {
    const mate = joint.kinds.find((each) => each !== kind);
    if (joint.inPlaceOf !== undefined || !joint.kinds.includes(kind) || mate === undefined) continue;
    const checks = byMate.get(mate) ?? [];
    byMate.set(mate, checks);
    joint.checks.forEach((check, at) => checks.push(checkInPlace(kind, joint, check, at)));
  }
  const joints = [...byMate].map(([mate, checks]): Joint => ({
    id: `${kind}InPlaceOn.${mate}`,
    name: `As the old one meets the ${KINDS[mate].name.toLowerCase()}`,
    kinds: [kind],
    inPlaceOf: kind,
    checks,
  }));
  const isJudged = joints.length > 0 || JOINTS.some(({ inPlaceOf }) => inPlaceOf === kind);
  return isJudged ? joints : [alikeInAll(kind)];
}

/** Kinds that no joint asks for by themselves, shells and washers: they must be alike in every size, look and face. */
function alikeInAll(kind: KindId): Joint {
  const { parameters, features, interfaces, name } = KINDS[kind];
  const sizes = Object.values(parameters).filter((parameter) => !isSpecified(parameter));
  const entries = [...sizes, ...Object.values(features), ...Object.values(interfaces)];
  return {
    id: `${kind}InPlace`,
    name: `In place of the ${name.toLowerCase()}`,
    kinds: [kind],
    inPlaceOf: kind,
    checks: entries.map(({ id, name: called }): JointCheck => ({
      id,
      name: called,
      reads: [id, REPLACED + id],
      verdicts: ['fits', 'cannotTell', 'doesNotFit'],
      judge: (assembly) => {
        const [mine, was] = sidesIn(assembly, kind);
        return byLikeness(likeness(mine, was, [id]));
      },
    })),
  };
}

function sidesIn({ parts, replaced }: Assembly, kind: KindId): readonly [Part, Part] {
  const [mine, was] = [parts[kind], replaced[kind]];
  if (!mine || !was) throw new RangeError(`One ${kind} in place of another takes two.`);
  return [mine, was];
}

/** A check of a joint, asked of a part that takes the place of another, in every engine the other is on record in. */
function checkInPlace(kind: KindId, joint: Joint, check: JointCheck, at: number): JointCheck {
  const mineOf = check.reads.filter((id) => id !== RECORD && !id.startsWith(REPLACED) && kindOf(id) === kind);
  const judged = <T>(
    assembly: Assembly,
    alike: (found: Likeness) => T,
    inEngines: (places: readonly Place[], found: Likeness) => T,
  ): T => {
    const [mine, was] = sidesIn(assembly, kind);
    const found = likeness(mine, was, mineOf);
    if (found.isSame) return alike(found);
    const places = placesOf(joint, at, assembly, mine, was);
    return places === undefined ? alike(found) : inEngines(places, found);
  };
  return {
    id: `${joint.id}.${check.id}`,
    name: check.name,
    ...(check.confirming ? { confirming: check.confirming } : {}),
    reads: [...mineOf, ...mineOf.map((id) => REPLACED + id), ROUND],
    verdicts: VERDICTS,
    verdict: (assembly) =>
      judged(
        assembly,
        (found) => byLikeness(found).verdict,
        (places) => worstOf(places, verdictIn)?.verdict ?? 'fits',
      ),
    judge: (assembly) =>
      judged(assembly, byLikeness, (places) => {
        const worst = worstOf(places, verdictIn);
        if (!worst)
          return said('fits', ['Does not arise in the engines that the old one is on record in.'], { arises: false });
        return inEngine(worst, kind, places);
      }),
  };
}

/** Where the check is asked in one engine: with the part that comes, and with the one that was there. */
interface Place {
  readonly engine: EngineWith;
  readonly check: JointCheck;
  readonly mine: Assembly;
  readonly was: Assembly;
}

/** Nothing where no engine of the old part is known. */
function placesOf(joint: Joint, at: number, assembly: Assembly, mine: Part, was: Part): readonly Place[] | undefined {
  const engines = was.pattern === undefined ? [] : (assembly.enginesWith?.(was.pattern) ?? []);
  if (engines.length === 0) return undefined;
  const { stock, rules, nameOf } = assembly;
  const context = { stock, rules, ...(nameOf ? { nameOf } : {}) };
  return engines.flatMap((engine) => {
    const coming = { slot: engine.slot, part: mine };
    const sides = sidesOf([coming], engine.parts);
    return assembledIn(
      meetingsIn(joint, sides, (chosen) => chosen.includes(coming)),
      baseOf(sides, context),
    ).flatMap((meeting): readonly Place[] => {
      const check = meeting.joint.checks[at];
      // The old one as it is on record: what is known of the one in hand may be less.
      const recorded = engine.parts.find(({ slot }) => slot === engine.slot)?.part ?? was;
      return check ? [{ engine, check, mine: meeting.assembly, was: withPart(meeting.assembly, recorded) }] : [];
    });
  });
}

/**
 * What the check comes to with the part that comes. Where the old part itself would be refused by the figures, the
 * records are at fault and decide nothing.
 */
function verdictIn({ check, mine, was }: Place): Verdict {
  const verdict = verdictOfCheck(check, mine);
  return verdict === 'doesNotFit' && verdictOfCheck(check, was) === 'doesNotFit' ? 'cannotTell' : verdict;
}

function worstOf(
  places: readonly Place[],
  verdictOf: (place: Place) => Verdict,
): { readonly place: Place; readonly verdict: Verdict } | undefined {
  let worst: { readonly place: Place; readonly verdict: Verdict } | undefined;
  for (const place of places) {
    const verdict = verdictOf(place);
    if (!worst || VERDICTS.indexOf(verdict) > VERDICTS.indexOf(worst.verdict)) worst = { place, verdict };
    if (verdict === 'doesNotFit') break;
  }
  return worst;
}

/** What is said of the engine in which it goes worst. Work on what stays there is told, and not followed further. */
function inEngine(
  { place, verdict }: { readonly place: Place; readonly verdict: Verdict },
  kind: KindId,
  places: readonly Place[],
): Outcome {
  const outcome = place.check.judge(place.mine);
  const several = new Set(places.map(({ engine }) => engine.label)).size > 1;
  const where = several ? `In the ${place.engine.label}: ` : '';
  if (verdict !== outcome.verdict)
    return said(
      verdict,
      sentence`${where}${outcome.because} But so would the one it replaces, which is on record there: one of the figures is wrong.`,
      { needs: place.check.reads.filter((id) => id !== RECORD) },
    );
  return {
    ...outcome,
    because: sentence`${where}${outcome.because}`,
    work: outcome.work.map((option) => ({ ...option, parts: option.parts.filter((part) => part.kind === kind) })),
  };
}

/** How a part compares with the one it replaces in some of their entries. */
interface Likeness {
  /** As the old one in all of them. */
  readonly isSame: boolean;
  readonly same: readonly string[];
  /** Those in which they surely differ, in words. */
  readonly differing: readonly Sentence[];
  /** Those in which they may. */
  readonly astride: readonly Sentence[];
  /** Those of which one is not known. */
  readonly open: readonly string[];
  readonly astrideIds: readonly string[];
}

/** Compares two parts in what these ids say of them. A size is the same when it lies within the limits of the other. */
function likeness(mine: Part, was: Part, ids: readonly string[]): Likeness {
  const [same, open, astrideIds]: [string[], string[], string[]] = [[], [], []];
  const [differing, astride]: [Sentence[], Sentence[]] = [[], []];
  for (const id of ids) {
    const [now, before] = [shown(mine, id), shown(was, id)];
    if (now === undefined && before === undefined && mine.pattern === was.pattern && mine.pattern !== undefined)
      same.push(id);
    else if (now === undefined || before === undefined) open.push(id);
    else if (typeof now === 'string' && typeof before === 'string') {
      const likeness = isIdOf('interface', id) ? compareFaces(now, before) : now === before ? 'same' : 'other';
      const says: Sentence = [`${nameOf(id)} ${inWords(id, now)} where ${inWords(id, before)} was`];
      if (likeness === 'same') same.push(id);
      else if (likeness === 'other') differing.push(says);
      else {
        astride.push(says);
        astrideIds.push(id);
      }
    } else if (typeof now !== 'string' && typeof before !== 'string') {
      const parameter = parameterOf(id);
      const { quantity } = parameter;
      const says = sentence`${nameOf(id)} ${band(now, quantity)} where ${band(before, quantity)} was`;
      if (contains(before, now)) same.push(id);
      else if (apart(now, before) && !isSpecified(parameter)) differing.push(says);
      else {
        astride.push(says);
        astrideIds.push(id);
      }
    }
  }
  return { isSame: same.length === ids.length, same, differing, astride, open, astrideIds };
}

/** What is specified is what is wanted of others, not what the part is. */
const isSpecified = ({ instruments }: Parameter): boolean => instruments[0] === 'sheet';

/** What a part shows there: a size, an option of a look, or the name of a face. */
const shown = (part: Part, id: string): Interval | string | undefined =>
  part.values[id]?.interval ?? part.looks[id]?.option ?? part.interfaces[id];

const nameOf = (id: string): string =>
  (isIdOf('parameter', id) ? parameterOf(id) : isIdOf('feature', id) ? featureOf(id) : interfaceOf(id)).name;

const inWords = (id: string, option: string): string =>
  isIdOf('feature', id) ? sayLook(featureOf(id), option) : option;

/** The verdict by likeness alone. */
function byLikeness({ isSame, same, differing, astride, open, astrideIds }: Likeness): Outcome {
  if (isSame)
    return said(
      'fits',
      same.length === 0
        ? ['Nothing of it is asked for here.']
        : [`${capital(listed(same.map((id) => nameOf(id).toLowerCase())))}: as on the one it replaces.`],
    );
  const [first] = differing;
  if (first) return said('doesNotFit', sentence`${first}, and what it meets there stays.`);
  const [doubtful] = astride;
  if (doubtful) return said('cannotTell', sentence`${doubtful}: what it meets there decides.`, { needs: astrideIds });
  return missing(open.map((id) => ({ id, name: nameOf(id) })));
}

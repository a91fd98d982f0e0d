import type { Part } from '../catalogue/part.js';
import { featureOf, interfaceOf, isIdOf, parameterOf, type KindId } from '../dictionary/dictionary.js';
import {
  IMPLIED,
  JOINTS,
  kindOf,
  RECORD,
  REPLACED,
  verdictOfCheck,
  type Assembly,
  type EngineWith,
  type Joint,
  type JointCheck,
} from '../joints/index.js';
import { interval, type Interval } from '../quantity/interval.js';
import { listed } from '../quantity/phrase.js';
import { sentence } from '../quantity/sentence.js';
import type { SwapContext } from './swapContext.js';
import { impliedByItself, TOLD_BY } from './ownSizes.js';
import { impliedByEngine, settledBy } from './statedOfEngine.js';
import { impliedByTrial } from './byTrial.js';
import { likelyAnswer, sayIfs } from './likely.js';
import { withEntry } from './withEntry.js';
import { openWithoutSizes } from './withoutSizes.js';

/** What a part must be there, by what it is on record with: between these, or one of these looks or faces. */
type Implied = Interval | readonly string[];

const isSize = (implied: Implied): implied is Interval => 'low' in implied;

/** More cases than this are not gone through. */
const MOST_CASES = 12;

/**
 * A check that goes by what the parts are on record with, where they are not known themselves. What would not go with
 * those does not fit here either; what would is likely, and no more than that.
 */
function byRecord(check: JointCheck, { applies, appliesBy = [] }: Joint): JointCheck {
  const ids = check.reads.filter((id) => id !== RECORD && !id.startsWith(REPLACED));
  // Work is reckoned from the middle of a size: where that is a guess, no end of it may be mended either.
  const canMend = check.verdicts.includes('fitsWithWork');
  // In an engine of which nobody has seen whether this matters at all, nothing is refused by it.
  const mayNotMatter = (assembly: Assembly): boolean =>
    applies !== undefined && isEngine(assembly) && applies(assembly) === undefined;
  return {
    ...check,
    reads: [...new Set([...check.reads, ...appliesBy, ...ids.flatMap((id) => TOLD_BY[id] ?? []), IMPLIED])],
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      if (mayNotMatter(assembly)) return verdict === 'doesNotFit' ? 'cannotTell' : verdict;
      if (verdict !== 'cannotTell') return verdict;
      const filled = filledIn(assembly, ids, canMend);
      return filled?.cases.every((each) => verdictOfCheck(check, each) === 'doesNotFit') ? 'doesNotFit' : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      if (mayNotMatter(assembly))
        return outcome.verdict === 'doesNotFit'
          ? {
              ...outcome,
              verdict: 'cannotTell',
              because: sentence`${outcome.because} Whether that matters in this engine is not known: ${listed(appliesBy.map((id) => nameOf(id).toLowerCase()))}.`,
              needs: appliesBy.filter((id) => assembly.parts[kindOf(id)]?.looks[id] === undefined),
            }
          : outcome;
      if (outcome.verdict !== 'cannotTell') return outcome;
      const sayNames = (filled: FilledIn) => listed(new Set(filled.ids.map((id) => nameOf(id).toLowerCase())));
      const asFar = filledIn(assembly, ids, canMend);
      if (asFar?.cases.every((each) => verdictOfCheck(check, each) === 'doesNotFit')) {
        const refused = check.judge(asFar.cases[0] ?? assembly);
        return {
          ...refused,
          because: sentence`${refused.because} That goes by what it is on record with, where not known: ${sayNames(asFar)}.`,
        };
      }
      const filled = filledIn(assembly, ids, false);
      const [first, ...others] = filled?.cases.map((each) => check.judge(each)) ?? [];
      if (filled && first && others.every(({ verdict }) => verdict === first.verdict)) {
        if (first.verdict === 'fits' || first.verdict === 'fitsWithWork')
          return {
            ...outcome,
            likely: first.verdict,
            because: sentence`${outcome.because} Likely right, if it is as on what it is on record with: ${sayNames(filled)}.`,
          };
        if (first.verdict === 'doesNotFit') return outcome;
      }
      const answer = likelyAnswer(check, filled?.cases.length === 1 ? (filled.cases[0] ?? assembly) : assembly);
      return answer
        ? {
            ...outcome,
            likely: answer.verdict,
            likelyIf: answer.ifs,
            because: sentence`${outcome.because} Likely right, if ${sayIfs(answer.ifs)}.`,
          }
        : outcome;
    },
  };
}

/** Whether parts of a whole engine are there, of which each must go with all. */
const isEngine = ({ parts }: Assembly): boolean => parts.block !== undefined && parts.head !== undefined;

/** Every joint, whose checks go by the records where the parts are not known themselves. */
export const JOINTS_ON_RECORD: readonly Joint[] = JOINTS.map((joint) => ({
  ...joint,
  checks: joint.checks.map((check) => byRecord(openWithoutSizes(check), joint)),
}));

const nameOf = (id: string): string =>
  (isIdOf('parameter', id) ? parameterOf(id) : isIdOf('feature', id) ? featureOf(id) : interfaceOf(id)).name;

/** Every case that is left where some entries are what they must be. */
interface FilledIn {
  readonly cases: readonly Assembly[];
  /** Those entries. */
  readonly ids: readonly string[];
}

/** An assembly with what is implied of these entries, in every case that this leaves; nothing where nothing is. */
function filledIn(assembly: Assembly, ids: readonly string[], canMend: boolean): FilledIn | undefined {
  const filled: string[] = [];
  let cases: readonly Assembly[] = [assembly];
  for (const id of ids) {
    const kind = kindOf(id);
    const part = assembly.parts[kind];
    if (!part || isKnown(part, id)) continue;
    const implied = impliedOf(assembly, part, id);
    if (implied === undefined) continue;
    const choices = isSize(implied) ? (canMend ? [implied, ...endsOf(implied)] : [implied]) : implied;
    if (cases.length * choices.length > MOST_CASES) continue;
    filled.push(id);
    cases = cases.flatMap((each) => choices.map((choice) => withEntry(each, id, choice)));
  }
  return filled.length > 0 ? { cases, ids: filled } : undefined;
}

const endsOf = ({ low, high }: Interval): readonly Interval[] => [interval(low), interval(high)];

const isKnown = ({ values, looks, interfaces }: Part, id: string): boolean =>
  values[id] !== undefined || looks[id] !== undefined || interfaces[id] !== undefined;

/** What was found out, by the way to the engines of a catalogue: it is asked for again and again. */
const known = new WeakMap<object, Map<string, Implied | undefined>>();

/** From the part that is asked about to its mates, and from those, where they are not known, to theirs. */
const HOPS = 2;

/** What an entry of a part that nobody put down must be, by the parts it is on record with. */
export function impliedOf(context: SwapContext, part: Part, id: string, hops = HOPS): Implied | undefined {
  const told = [impliedByItself(part, id), impliedByRecord(context, part, id, hops)].filter(
    (each) => each !== undefined,
  );
  return inOne(told)?.[0];
}

/** The same, by the parts it is on record with and by the engines it is in. */
function impliedByRecord(context: SwapContext, { pattern, kind }: Part, id: string, hops: number): Implied | undefined {
  const { enginesWith } = context;
  if (!enginesWith || pattern === undefined || hops === 0) return undefined;
  const engines = enginesWith(pattern);
  if (engines.length === 0) return undefined;
  const found = known.get(enginesWith) ?? new Map<string, Implied | undefined>();
  known.set(enginesWith, found);
  const key = `${hops} ${pattern} ${id}`;
  if (!found.has(key)) {
    const inEngines = engines.flatMap((engine): readonly Implied[] => {
      if (!engine.isUsual) return [];
      const stated = impliedByEngine(engine, id);
      const byMates = JOINTS.flatMap((joint) => impliedIn(joint, engine, { kind, id, hops }, context));
      return inOne(stated ? [stated, ...byMates] : byMates) ?? [];
    });
    found.set(key, ofAll(inEngines));
  }
  return found.get(key);
}

interface Asked {
  readonly kind: KindId;
  readonly id: string;
  readonly hops: number;
}

/** What one joint of one engine says of it. */
function impliedIn(
  joint: Joint,
  engine: EngineWith,
  { kind, id, hops }: Asked,
  context: SwapContext,
): readonly Implied[] {
  const { inPlaceOf, kinds, slots, checks } = joint;
  if (inPlaceOf || !kinds.includes(kind)) return [];
  if (slots?.[kind]?.includes(engine.slot) === false) return [];
  const telling = checks.filter((check) => check.reads.includes(id));
  if (telling.length === 0) return [];
  const round = asStated(roundOf(joint, engine, context), engine);
  // Where not every engine has the joint, nothing follows before it is known that this one does.
  if (kinds.some((each) => !round.parts[each]) || (joint.applies && joint.applies(round) !== true)) return [];
  return telling.flatMap((check): readonly Implied[] => {
    const mates = withMates(round, check, kind, hops);
    const implied = check.implies ? check.implies(id, mates) : impliedByTrial(check, id, mates);
    return implied === undefined ? [] : [implied];
  });
}

/** All parts of an engine, of each kind the one that is in a place where the joint is. */
function roundOf({ slots }: Joint, { slot, parts: all }: EngineWith, context: SwapContext): Assembly {
  const { stock, rules, nameOf: called, enginesWith } = context;
  const parts: Partial<Record<KindId, Part>> = {};
  for (const each of all) {
    const { kind } = each.part;
    if (slots?.[kind]?.includes(each.slot) === false) continue;
    if (!parts[kind] || each.slot === slot) parts[kind] = each.part;
  }
  return {
    parts,
    replaced: {},
    stock,
    rules,
    ...(called ? { nameOf: called } : {}),
    ...(enginesWith ? { enginesWith } : {}),
  };
}

/** The same with what the description of the engine settles of its parts. */
function asStated(round: Assembly, engine: EngineWith): Assembly {
  let filled = round;
  for (const { kind, id, is } of settledBy(engine))
    if (round.parts[kind]?.looks[id] === undefined) filled = withEntry(filled, id, is);
  return filled;
}

/** The same with what mates must be by theirs, where that is one thing. */
function withMates(round: Assembly, { reads }: JointCheck, own: KindId, hops: number): Assembly {
  let filled = round;
  for (const id of reads) {
    const kind = kindOf(id);
    const mate = kind === own ? undefined : round.parts[kind];
    if (!mate || isKnown(mate, id)) continue;
    const implied = impliedOf(round, mate, id, hops - 1);
    if (implied === undefined) continue;
    const choice = isSize(implied) ? implied : implied.length === 1 ? implied[0] : undefined;
    if (choice !== undefined) filled = withEntry(filled, id, choice);
  }
  return filled;
}

/**
 * What all mates in one engine leave: what each of them allows. Nothing where they contradict each other, as records do
 * in which something is wrong.
 */
function inOne(told: readonly Implied[]): readonly [Implied] | undefined {
  const sizes = told.filter(isSize);
  if (sizes.length > 0) {
    const [low, high] = [Math.max(...sizes.map((each) => each.low)), Math.min(...sizes.map((each) => each.high))];
    return low <= high ? [{ low, high }] : undefined;
  }
  const allowed = allowedByAll(told);
  return allowed && [allowed];
}

/** What all engines leave: a size lies where any of them puts it; a look or a face is one that all allow. */
function ofAll(told: readonly Implied[]): Implied | undefined {
  const sizes = told.filter(isSize);
  return sizes.length > 0
    ? { low: Math.min(...sizes.map(({ low }) => low)), high: Math.max(...sizes.map(({ high }) => high)) }
    : allowedByAll(told);
}

function allowedByAll(told: readonly Implied[]): readonly string[] | undefined {
  const [first, ...others] = told.filter((each): each is readonly string[] => !isSize(each));
  const allowed = first?.filter((option) => others.every((each) => each.includes(option)));
  return allowed && allowed.length > 0 ? allowed : undefined;
}

import type { Part } from '../catalogue/part.js';
import { featureOf, interfaceOf, isIdOf, parameterOf } from '../dictionary/dictionary.js';
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
import type { Interval } from '../quantity/interval.js';
import { listed } from '../quantity/phrase.js';
import { sentence } from '../quantity/sentence.js';
import type { SwapContext } from './swapContext.js';
import { openWithoutSizes } from './withoutSizes.js';

/** What a part must be there, by what it is on record with: between these, or this look or face. */
type Implied = Interval | string;

/**
 * A check that goes by what the parts are on record with, where they are not known themselves. What would not go with
 * those does not fit here either; what would is likely, and no more than that.
 */
function byRecord(check: JointCheck): JointCheck {
  const ids = check.reads.filter((id) => id !== RECORD && !id.startsWith(REPLACED));
  return {
    ...check,
    reads: [...check.reads, IMPLIED],
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      if (verdict !== 'cannotTell') return verdict;
      const filled = filledIn(assembly, ids);
      return filled && verdictOfCheck(check, filled.assembly) === 'doesNotFit' ? 'doesNotFit' : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      const filled = outcome.verdict === 'cannotTell' ? filledIn(assembly, ids) : undefined;
      if (!filled) return outcome;
      const then = check.judge(filled.assembly);
      const names = listed(new Set(filled.ids.map((id) => nameOf(id).toLowerCase())));
      if (then.verdict === 'doesNotFit')
        return {
          ...then,
          because: sentence`${then.because} That goes by what it is on record with, where not known: ${names}.`,
        };
      if (then.verdict === 'cannotTell') return outcome;
      return {
        ...outcome,
        likely: then.verdict,
        because: sentence`${outcome.because} Likely right, if it is as on what it is on record with: ${names}.`,
      };
    },
  };
}

/** Every joint, whose checks go by the records where the parts are not known themselves. */
export const JOINTS_ON_RECORD: readonly Joint[] = JOINTS.map((joint) => ({
  ...joint,
  checks: joint.checks.map((check) => byRecord(openWithoutSizes(check))),
}));

const nameOf = (id: string): string =>
  (isIdOf('parameter', id) ? parameterOf(id) : isIdOf('feature', id) ? featureOf(id) : interfaceOf(id)).name;

/** The assembly with what is implied of these entries; nothing where nothing is. */
function filledIn(
  assembly: Assembly,
  ids: readonly string[],
): { readonly assembly: Assembly; readonly ids: readonly string[] } | undefined {
  const filled: string[] = [];
  let parts = assembly.parts;
  for (const id of ids) {
    const part = parts[kindOf(id)];
    if (part?.pattern === undefined) continue;
    if (part.values[id] ?? part.looks[id] ?? part.interfaces[id]) continue;
    const implied = impliedOf(assembly, part, id);
    if (implied === undefined) continue;
    filled.push(id);
    parts = { ...parts, [part.kind]: withImplied(part, id, implied) };
  }
  return filled.length > 0 ? { assembly: { ...assembly, parts }, ids: filled } : undefined;
}

function withImplied(part: Part, id: string, implied: Implied): Part {
  if (typeof implied !== 'string')
    return { ...part, values: { ...part.values, [id]: { interval: implied, source: 'identified' } } };
  return isIdOf('feature', id)
    ? { ...part, looks: { ...part.looks, [id]: { option: implied, source: 'identified' } } }
    : { ...part, interfaces: { ...part.interfaces, [id]: implied } };
}

/** What was found out, by the way to the engines of a catalogue: it is asked for again and again. */
const known = new WeakMap<object, Map<string, Implied | undefined>>();

export function impliedOf(context: SwapContext, { pattern, kind }: Part, id: string): Implied | undefined {
  const { enginesWith } = context;
  if (!enginesWith || pattern === undefined) return undefined;
  const found = known.get(enginesWith) ?? new Map<string, Implied | undefined>();
  known.set(enginesWith, found);
  const key = `${pattern} ${id}`;
  if (!found.has(key)) found.set(key, together(implications(context, enginesWith(pattern), kind, id)));
  return found.get(key);
}

/** What each joint of each engine says of it. */
function implications(
  { stock, rules, nameOf: called }: SwapContext,
  engines: readonly EngineWith[],
  kind: Part['kind'],
  id: string,
): readonly Implied[] {
  return engines.flatMap((engine) => {
    if (!engine.isUsual) return [];
    const parts = Object.fromEntries(engine.parts.map(({ part }) => [part.kind, part])) as Assembly['parts'];
    const own = engine.parts.find(({ slot }) => slot === engine.slot)?.part;
    const round: Assembly = {
      parts: { ...parts, ...(own ? { [kind]: own } : {}) },
      replaced: {},
      stock,
      rules,
      ...(called ? { nameOf: called } : {}),
    };
    return JOINTS.flatMap(({ inPlaceOf, kinds, applies, slots, checks }): readonly Implied[] => {
      if (inPlaceOf || !kinds.includes(kind) || kinds.some((each) => !round.parts[each])) return [];
      // Where the joint is limited to some engines or places, nobody knows whether it is one of them.
      if (slots ?? applies) return [];
      return checks.flatMap((check) => (check.reads.includes(id) ? (check.implies?.(id, round) ?? []) : []));
    });
  });
}

/** All of it together: a size lies where any of them puts it; looks and faces must agree. */
function together(all: readonly Implied[]): Implied | undefined {
  const [first] = all;
  if (first === undefined) return undefined;
  if (typeof first === 'string') return all.every((each) => each === first) ? first : undefined;
  const sizes = all.filter((each) => typeof each !== 'string');
  return { low: Math.min(...sizes.map(({ low }) => low)), high: Math.max(...sizes.map(({ high }) => high)) };
}

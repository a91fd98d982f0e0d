import type { Part } from '../catalogue/part.js';
import { IMPLIED, kindOf, RECORD, REPLACED, ROUND, type Chosen, type JointCheck } from '../joints/index.js';
import { impliedOf } from './onRecord.js';
import type { Pairing } from './pairing.js';
import type { SwapContext } from './swapContext.js';
import { runsWithUnsized } from './withoutSizes.js';

/** On which side of a pairing parts stand. */
export type Side = 'donor' | 'recipient';

/**
 * Parts sorted, for every check of a pairing, into classes that agree in all it goes by. A check is a pure function of
 * those, so one part speaks for its class.
 */
export interface Classes {
  /** By check: the class of each part. */
  readonly of: readonly Int32Array[];
  /** By check: a part of each class. */
  readonly representatives: readonly (readonly Part[])[];
}

/** What a check reads of the parts on one side: ids, and whether it goes by their records. */
interface Reading {
  readonly ids: readonly string[];
  readonly byRecord: boolean;
  /** Whether what is not known is taken from what the part is on record with. */
  readonly byImplied: boolean;
  /** What it chooses to go between them: then it counts whether that is on record without sizes. */
  readonly chooses: Chosen | undefined;
  /** Whether it goes by the engines that the very pattern whose place is taken is in. */
  readonly byEngines: boolean;
  /** Whether these parts are the ones whose place is taken. */
  readonly inPlaceOf: boolean;
}

function readingOf(check: JointCheck, pairing: Pairing, side: Side): Reading {
  const kind = pairing[side];
  const inPlace = pairing.donor === pairing.recipient;
  const mine = check.reads.flatMap((read): readonly string[] => {
    const replaced = read.startsWith(REPLACED);
    const id = replaced ? read.slice(REPLACED.length) : read;
    if (id === RECORD || id === ROUND || id === IMPLIED || kindOf(id) !== kind) return [];
    return !inPlace || replaced === (side === 'recipient') ? [id] : [];
  });
  return {
    ids: mine,
    byRecord: check.reads.includes(RECORD),
    byImplied: check.reads.includes(IMPLIED),
    chooses: check.chooses,
    byEngines: check.reads.includes(ROUND),
    inPlaceOf: inPlace && side === 'recipient',
  };
}

/** Patterns that any of these names as a companion. */
const namedBy = (parts: readonly Part[]): readonly string[] =>
  parts.flatMap(({ companions }) => companions?.map(({ pattern }) => pattern) ?? []);

const isKnown = ({ values, looks, interfaces }: Part, id: string): boolean =>
  values[id] !== undefined || looks[id] !== undefined || interfaces[id] !== undefined;

const sayImplied = (implied: ReturnType<typeof impliedOf>): string =>
  implied === undefined
    ? ''
    : 'low' in implied
      ? `on record ${implied.low} ${implied.high}`
      : `on record ${implied.join()}`;

/** All that a check can see of a part, as text. */
function seen(
  part: Part,
  { ids, byRecord, byImplied, chooses, byEngines, inPlaceOf }: Reading,
  named: ReadonlySet<string>,
  context: SwapContext,
): string {
  let text = '';
  for (const id of ids) {
    const { interval: value, positions, source, at, outOfRound, taper } = part.values[id] ?? {};
    if (value) {
      // What was measured has no tolerance of the maker in it any more, which some checks allow for.
      if (source === 'measured') text += `measured ${JSON.stringify([at, outOfRound, taper])} `;
      const standard = part.standard[id];
      text += `${value.low} ${value.high} ${positions?.map(({ low, high }) => `${low}-${high}`).join() ?? ''} ${standard ? `${standard.low} ${standard.high}` : ''} ${part.service[id]?.join(' ') ?? ''}`;
    } else text += part.looks[id]?.option ?? part.interfaces[id] ?? '';
    if (byImplied && !isKnown(part, id)) text += sayImplied(impliedOf(context, part, id));
    text += '\n';
  }
  if (chooses && runsWithUnsized(context, part, chooses)) text += 'without sizes';
  // Records speak of a pattern by its name; a pattern that none of them names is like any other.
  if (byRecord && part.pattern !== undefined && (part.companions || named.has(part.pattern))) text += part.pattern;
  // The very pattern that was there is as it was, whatever is not known of it.
  if (byEngines && (inPlaceOf || ids.some((id) => !isKnown(part, id)))) text += part.pattern ?? '';
  return text;
}

const NONE_NAMED: ReadonlySet<string> = new Set();

/**
 * All that a check can see of a part, as text: parts of which it sees the same get the same verdict.
 *
 * @param ids of the part's kind that it reads, or that tell whether the matter comes up at all
 */
export const seenBy = (check: JointCheck, ids: readonly string[], part: Part, context: SwapContext): string =>
  seen(
    part,
    {
      ids,
      byRecord: false,
      byImplied: check.reads.includes(IMPLIED),
      chooses: check.chooses,
      byEngines: check.reads.includes(ROUND),
      inPlaceOf: false,
    },
    NONE_NAMED,
    context,
  );

/**
 * Sorts parts into classes.
 *
 * @param others companions named by parts of the other side, where it is known
 */
export function classify(
  pairing: Pairing,
  side: Side,
  parts: readonly Part[],
  context: SwapContext,
  others: readonly Part[] = [],
): Classes {
  const named = new Set([...namedBy(parts), ...namedBy(others)]);
  const of: Int32Array[] = [];
  const representatives: (readonly Part[])[] = [];
  for (const { check } of pairing.checks) {
    const reading = readingOf(check, pairing, side);
    const numbers = new Map<string, number>();
    const speaking: Part[] = [];
    const classes = new Int32Array(parts.length);
    parts.forEach((part, at) => {
      const text = seen(part, reading, named, context);
      let number = numbers.get(text);
      if (number === undefined) {
        number = speaking.length;
        numbers.set(text, number);
        speaking.push(part);
      }
      classes[at] = number;
    });
    of.push(classes);
    representatives.push(speaking);
  }
  return { of, representatives };
}

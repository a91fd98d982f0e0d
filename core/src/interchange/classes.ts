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

/** All that can be seen of an entry of a part, as text. */
function entrySeen(part: Part, id: string, byImplied: boolean, context: SwapContext): string {
  const { interval: value, positions, source, at, outOfRound, taper } = part.values[id] ?? {};
  if (!value) {
    const told = part.looks[id]?.option ?? part.interfaces[id] ?? '';
    return byImplied && !isKnown(part, id) ? told + sayImplied(impliedOf(context, part, id)) : told;
  }
  // What was measured has no tolerance of the maker in it any more, which some checks allow for.
  const measured = source === 'measured' ? `measured ${JSON.stringify([at, outOfRound, taper])} ` : '';
  const standard = part.standard[id];
  return `${measured}${value.low} ${value.high} ${positions?.map(({ low, high }) => `${low}-${high}`).join() ?? ''} ${standard ? `${standard.low} ${standard.high}` : ''} ${part.service[id]?.join(' ') ?? ''}`;
}

/** What a check sees of a part besides its entries, as text. */
function elseSeen(
  part: Part,
  { ids, byRecord, chooses, byEngines, inPlaceOf }: Reading,
  named: ReadonlySet<string>,
  context: SwapContext,
): string {
  const unsized = chooses && runsWithUnsized(context, part, chooses) ? 'without sizes ' : '';
  // Records speak of a pattern by its name; a pattern that none of them names is like any other.
  const { companions, pattern = '' } = part;
  const recorded = byRecord && (companions !== undefined || named.has(pattern));
  // The very pattern that was there is as it was, whatever is not known of it.
  const asItWas = byEngines && (inPlaceOf || ids.some((id) => !isKnown(part, id)));
  return `${unsized}${recorded ? pattern : ''} ${asItWas ? pattern : ''}`;
}

const NONE_NAMED: ReadonlySet<string> = new Set();

/** Which of some parts look the same: the number of each, in the order in which they first come. */
interface Alike {
  readonly of: Int32Array;
  readonly count: number;
}

/** Parts sorted into classes, of which one speaks for each. */
interface Sorted {
  readonly of: Int32Array;
  readonly speaking: readonly Part[];
}

/** Sorts the same parts for one check after another: what can be seen of each entry of theirs is looked at once. */
export class Sorter {
  private readonly entries = new Map<string, Alike>();
  private readonly sorted = new Map<string, Sorted>();
  private readonly choosing: Chosen[] = [];

  constructor(
    private readonly parts: readonly Part[],
    private readonly context: SwapContext,
  ) {}

  /**
   * Sorts them by all that a check can see: those of one class get the same verdict.
   *
   * @param ids of their kind that it reads, or that tell whether the matter comes up at all
   */
  by(check: JointCheck, ids: readonly string[]): Sorted {
    const { chooses } = check;
    if (chooses && !this.choosing.includes(chooses)) this.choosing.push(chooses);
    const [byImplied, byEngines] = [check.reads.includes(IMPLIED), check.reads.includes(ROUND)];
    const key = `${byImplied} ${byEngines} ${chooses ? this.choosing.indexOf(chooses) : ''} ${ids.join()}`;
    const known = this.sorted.get(key);
    if (known) return known;
    const found = this.sort({ ids, byRecord: false, byImplied, chooses, byEngines, inPlaceOf: false });
    this.sorted.set(key, found);
    return found;
  }

  /** @param named patterns that are named as companions */
  sort(reading: Reading, named = NONE_NAMED): Sorted {
    const { ids, byRecord, byImplied, chooses, byEngines } = reading;
    const columns = ids.map((id) => this.entry(id, byImplied));
    if (byRecord || chooses || byEngines)
      columns.push(this.alike((part) => elseSeen(part, reading, named, this.context)));
    const { of } = columns.reduce<Alike>(together, { of: new Int32Array(this.parts.length), count: 1 });
    const speaking: Part[] = [];
    // Numbers come in order: one that was not there before is the next.
    this.parts.forEach((part, at) => {
      if (of[at] === speaking.length) speaking.push(part);
    });
    return { of, speaking };
  }

  private entry(id: string, byImplied: boolean): Alike {
    const key = `${byImplied} ${id}`;
    const known = this.entries.get(key) ?? this.alike(this.seenOnce(id, byImplied));
    this.entries.set(key, known);
    return known;
  }

  /** What can be seen of an entry: parts that share a value, as a pattern in several sizes does, are looked at once. */
  private seenOnce(id: string, byImplied: boolean): (part: Part) => string {
    const texts = new Map<Part['values'][string], { readonly of: Part; readonly text: string }>();
    return (part) => {
      const value = part.values[id];
      if (!value) return entrySeen(part, id, byImplied, this.context);
      const known = texts.get(value);
      if (known && known.of.standard[id] === part.standard[id] && known.of.service[id] === part.service[id])
        return known.text;
      const text = entrySeen(part, id, byImplied, this.context);
      texts.set(value, { of: part, text });
      return text;
    };
  }

  private alike(seen: (part: Part) => string): Alike {
    const numbers = new Map<string, number>();
    const of = Int32Array.from(this.parts, (part) => numberIn(numbers, seen(part)));
    return { of, count: numbers.size };
  }
}

function numberIn<T>(numbers: Map<T, number>, key: T): number {
  const known = numbers.get(key);
  if (known !== undefined) return known;
  numbers.set(key, numbers.size);
  return numbers.size - 1;
}

/** Those that look the same in one and in the other. */
function together(a: Alike, b: Alike): Alike {
  if (b.count <= 1) return a;
  if (a.count <= 1) return b;
  const numbers = new Map<number, number>();
  const of = a.of.map((each, at) => numberIn(numbers, each * b.count + (b.of[at] ?? 0)));
  return { of, count: numbers.size };
}

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
  const sorter = new Sorter(parts, context);
  for (const { check } of pairing.checks) {
    const sorted = sorter.sort(readingOf(check, pairing, side), named);
    of.push(sorted.of);
    representatives.push(sorted.speaking);
  }
  return { of, representatives };
}

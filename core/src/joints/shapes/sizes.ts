import type { Parameter } from '../../dictionary/definition.js';
import { middle, minus, type Interval } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import type { Assembly } from '../assembly.js';
import type { Check } from '../check.js';
import type { Offer } from '../finding.js';
import type { Verdict } from '../verdict.js';
import { NONE, noLess, usually, within, type Of } from './within.js';

const named = (entry: Parameter | Of): Parameter => ('where' in entry ? entry.parameter : entry);

/** A size of one part equals the size the other is made for, or that of the part whose place it takes, within a play either way. */
export const sameSize = (spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  /** What it is held against; where nothing is said, the same size of the part that was there before. */
  readonly as?: Parameter | Of;
  /** Allowed difference, own size less the other's. */
  readonly play: Interval;
  readonly playFrom: string;
  readonly also?: readonly string[];
  /** Gets the two sizes: that of the one, and that the other is made for. */
  readonly mend?: (assembly: Assembly, detail: { readonly found: Interval; readonly required: Interval }) => readonly Offer[];
  readonly verdicts?: readonly Verdict[];
}): Check => {
  const { mend, as = { parameter: spec.of, where: 'replaced' } } = spec;
  return within({
    id: spec.id,
    name: spec.name,
    quantity: spec.of.quantity,
    of: [spec.of, as],
    ...(spec.also ? { also: spec.also } : {}),
    found: ([mine, theirs]) => minus(mine ?? NONE, theirs ?? NONE),
    ...(spec.verdicts ? { verdicts: spec.verdicts } : {}),
    required: usually(spec.play, spec.playFrom),
    fits: ({ values: [mine, theirs] }) =>
      sentence`${spec.of.name} ${band(mine ?? NONE, spec.of.quantity)}, made for ${band(theirs ?? NONE, named(as).quantity)}.`,
    wrong: ({ found, required, values: [mine, theirs] }) => {
      const by = value(Math.abs(middle(found)), spec.of.quantity);
      return sentence`${spec.of.name} ${band(mine ?? NONE, spec.of.quantity)} is ${by} too ${found.low > required.high ? 'large' : 'small'} for ${band(theirs ?? NONE, named(as).quantity)}.`;
    },
    subject: `What the ${spec.name.toLowerCase()} is over the size it is made for`,
    tooLittle: 'it is too small',
    tooMuch: 'it is too large',
    ...(mend ? { mend: (assembly, { values: [mine, theirs] }) => mend(assembly, { found: mine ?? NONE, required: theirs ?? NONE }) } : {}),
  });
};

/** One part stays inside the room another gives it. */
export const notLargerThan = (spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  readonly within: Parameter;
  /** Least room that must be left. */
  readonly room: number;
  readonly roomFrom: string;
  readonly also?: readonly string[];
  readonly caution?: string;
  readonly mend?: (assembly: Assembly, detail: { readonly lacking: number; readonly required: Interval }) => readonly Offer[];
}): Check => {
  const { mend } = spec;
  return within({
    id: spec.id,
    name: spec.name,
    of: [spec.of, spec.within],
    ...(spec.also ? { also: spec.also } : {}),
    found: ([mine, theirs]) => minus(theirs ?? NONE, mine ?? NONE),
    required: noLess(spec.room, spec.roomFrom),
    fits: ({ found }) => sentence`${band(found)} of room, at least ${value(spec.room)} wanted.`,
    wrong: ({ found }) =>
      found.high < 0
        ? sentence`It would strike by ${band({ low: -found.high, high: -found.low })}.`
        : sentence`Only ${band(found)} of room, at least ${value(spec.room)} wanted.`,
    subject: 'The room',
    tooLittle: 'it would strike',
    tooMuch: 'there is more than enough',
    ...(spec.caution ? { caution: spec.caution } : {}),
    ...(mend
      ? { mend: (assembly, { found, required }) => (spec.room - found.low > 0 ? mend(assembly, { lacking: spec.room - found.low, required }) : []) }
      : {}),
  });
};

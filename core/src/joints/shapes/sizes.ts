import type { Parameter } from '../../dictionary/definition.js';
import { middle, minus, type Interval } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { limitOf, type FigureOfThumb, type LimitOfThumb } from '../../thumb/index.js';
import type { Assembly } from '../assembly.js';
import type { JointCheck } from '../check.js';
import type { Outcome, Offer } from '../outcome.js';
import type { Verdict } from '../verdict.js';
import { before, noLess, usually, within, type Of } from './within.js';

const named = (entry: Parameter | Of): Parameter => ('where' in entry ? entry.parameter : entry);

/**
 * A size of one part equals the size the other is made for, or that of the part whose place it takes, within a play
 * either way.
 */
export const sameSize = (spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  /** What it is held against; where nothing is said, the same size of the part that was there before. */
  readonly as?: Parameter | Of;
  /** Allowed difference, own size less the other's. */
  readonly play: FigureOfThumb;
  readonly also?: readonly string[];
  /** Gets the two sizes: that of the one, and that the other is made for. */
  readonly mend?: (
    assembly: Assembly,
    detail: { readonly found: Interval; readonly required: Interval },
  ) => readonly Offer[];
  /** An answer that makes the sizes irrelevant. */
  readonly unless?: (assembly: Assembly) => Outcome | undefined;
  readonly verdicts?: readonly Verdict[];
}): JointCheck => {
  const { mend, as = before(spec.of) } = spec;
  return within<{ mine: Parameter; theirs: Parameter | Of }>({
    id: spec.id,
    name: spec.name,
    quantity: spec.of.quantity,
    of: { mine: spec.of, theirs: as },
    ...(spec.also ? { also: spec.also } : {}),
    ...(spec.unless ? { unless: spec.unless } : {}),
    found: ({ mine, theirs }) => minus(mine, theirs),
    ...(spec.verdicts ? { verdicts: spec.verdicts } : {}),
    required: usually(spec.play),
    fits: ({ sizes: { mine, theirs } }) =>
      sentence`${spec.of.name} ${band(mine, spec.of.quantity)}, made for ${band(theirs, named(as).quantity)}.`,
    wrong: ({ found, required, sizes: { mine, theirs } }) => {
      const by = value(Math.abs(middle(found)), spec.of.quantity);
      return sentence`${spec.of.name} ${band(mine, spec.of.quantity)} is ${by} too ${found.low > required.high ? 'large' : 'small'} for ${band(theirs, named(as).quantity)}.`;
    },
    subject: `What the ${spec.name.toLowerCase()} is over the size it is made for`,
    tooLittle: 'it is too small',
    tooMuch: 'it is too large',
    ...(mend
      ? { mend: (assembly, { sizes: { mine, theirs } }) => mend(assembly, { found: mine, required: theirs }) }
      : {}),
  });
};

/** One part stays inside the room another gives it. */
export const notLargerThan = (spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  readonly within: Parameter;
  /** Least room that must be left. */
  readonly room: LimitOfThumb;
  readonly also?: readonly string[];
  readonly caution?: string;
  readonly mend?: (
    assembly: Assembly,
    detail: { readonly lacking: number; readonly required: Interval },
  ) => readonly Offer[];
}): JointCheck => {
  const { mend } = spec;
  return within<{ mine: Parameter; room: Parameter }>({
    id: spec.id,
    name: spec.name,
    of: { mine: spec.of, room: spec.within },
    ...(spec.also ? { also: spec.also } : {}),
    found: ({ mine, room }) => minus(room, mine),
    required: noLess(spec.room),
    fits: ({ found, required }) => sentence`${band(found)} of room, at least ${value(required.low)} wanted.`,
    wrong: ({ found, required }) =>
      found.high < 0
        ? sentence`It would strike by ${band({ low: -found.high, high: -found.low })}.`
        : sentence`Only ${band(found)} of room, at least ${value(required.low)} wanted.`,
    subject: 'The room',
    tooLittle: 'it would strike',
    tooMuch: 'there is more than enough',
    ...(spec.caution ? { caution: spec.caution } : {}),
    ...(mend
      ? {
          mend: (assembly, { found, required }) => {
            const lacking = limitOf(spec.room, assembly.rules) - found.low;
            return lacking > 0 ? mend(assembly, { lacking, required }) : [];
          },
        }
      : {}),
  });
};

import { describedAs, KIND_IDS } from '../dictionary/dictionary.js';

/** A size that stands at the service step of another, or of none, more often than by chance. */
export interface Tie {
  /** Id of the other size. */
  readonly other: string;
  /** Share of parts on which both were reworked as one. */
  readonly alike: number;
}

const PAIRS = KIND_IDS.map(describedAs).flatMap(({ id, reworked = [] }) =>
  reworked.map(({ sizes: [first, second], alike }) => ({ first: `${id}.${first}`, second: `${id}.${second}`, alike })),
);

const TIES: ReadonlyMap<string, Tie> = new Map(
  PAIRS.map(({ first, second, alike }) => [second, { other: first, alike }]),
);

/** The size before it whose service step tells of the step of this one; undefined where none does. */
export const tiedTo = (parameter: string): Tie | undefined => TIES.get(parameter);

/** Share from which a step said of one of two sizes is meant of the other as well. */
const SAID_OF_BOTH = 0.9;

/** Sizes of which a step said of this one is said too: a piston for a bore 0.50 over has a skirt 0.50 over. */
export const steppedWith = (parameter: string): readonly string[] =>
  PAIRS.filter(({ alike }) => alike >= SAID_OF_BOTH).flatMap(({ first, second }) =>
    first === parameter ? [second] : second === parameter ? [first] : [],
  );

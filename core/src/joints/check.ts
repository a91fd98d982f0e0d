import { isIdOf, type KindId } from '../dictionary/dictionary.js';
import type { Interval } from '../quantity/interval.js';
import { kindOf, type Assembly } from './assembly.js';
import type { Outcome } from './outcome.js';
import type { Verdict } from './verdict.js';

/** A kind of part that a check chooses from all there are, to go between the parts it judges. */
export interface Chosen {
  readonly kind: KindId;
  /** Dictionary ids of the sizes it is chosen by. */
  readonly by: readonly string[];
  /** Whether there is room for one of any size at all. */
  readonly mayGoBetween: (assembly: Assembly) => boolean;
}

/** One thing that must be right where parts meet: a pure function of the parts' values. */
export interface JointCheck {
  readonly id: string;
  readonly name: string;
  /**
   * Dictionary ids of all it goes by, `replaced:` before those it reads from the part whose place is taken, `record`
   * where it goes by what the catalogue records of the patterns, `implied` where by what the parts are on record with,
   * and `round` where by what stands round the part whose place is taken. Parts that agree in these get the same
   * verdict.
   */
  readonly reads: readonly string[];
  /** The verdicts it can come to at all. The demo shows a pair for each, joint by joint. */
  readonly verdicts: readonly Verdict[];
  /**
   * Whether it is looked at in assembly anyway, and nobody refuses to build before: a seal's form, a mark of direction.
   * All others are decisive: nobody builds without journal, bore, pattern, length or count.
   */
  readonly confirming?: true;
  /**
   * What an entry of one part must be, where the parts of an assembly are known to go together: a size lies between
   * these, a look or a face is one of these. Nothing where the others do not tell.
   */
  readonly implies?: (id: string, assembly: Assembly) => Interval | readonly string[] | undefined;
  /** What it chooses freely to go between the parts, where it does. */
  readonly chooses?: Chosen;
  readonly judge: (assembly: Assembly) => Outcome;
  /** The verdict that `judge` comes to, without its words, where that is cheaper. */
  readonly verdict?: (assembly: Assembly) => Verdict;
}

/** The verdict of a check, by its cheapest way: for grids and scans, which want no words. */
export const verdictOfCheck = (check: JointCheck, assembly: Assembly): Verdict =>
  check.verdict?.(assembly) ?? check.judge(assembly).verdict;

/**
 * Whether sizes of more than two parts meet in a check, as over a whole stack. What one of them may be at all then
 * makes stacks that cannot be, and tells nothing of those that can.
 */
export const isOverStack = ({ reads }: JointCheck): boolean =>
  new Set(reads.filter((id) => isIdOf('parameter', id)).map(kindOf)).size > 2;

/** A place where kinds of part meet. */
export interface Joint {
  readonly id: string;
  readonly name: string;
  /** All of these must be at hand before it can be judged. */
  readonly kinds: readonly KindId[];
  /** Kind of which one part takes the place of another; both must be at hand. */
  readonly inPlaceOf?: KindId;
  /** Places of the engine to which it is limited, by kind: a bearing on the crank is a main bearing. */
  readonly slots?: Readonly<Partial<Record<KindId, readonly string[]>>>;
  /**
   * Whether these parts meet there at all: a cam in the block, where the cam does not run in the head. Undefined where
   * that cannot be told; then it is judged.
   */
  readonly applies?: (assembly: Assembly) => boolean | undefined;
  /** Dictionary ids of the looks by which that is told. */
  readonly appliesBy?: readonly string[];
  readonly checks: readonly JointCheck[];
}

/** Ids in `reads` of what is read from the part that is replaced. */
export const REPLACED = 'replaced:';
/** In `reads`: the check goes by the patterns' records. */
export const RECORD = 'record';
/** In `reads`: where an entry of a part is not known, the check goes by what the part is on record with. */
export const IMPLIED = 'implied';
/** In `reads`: the check goes by the engines that the part whose place is taken is on record in. */
export const ROUND = 'round';

/** The verdicts of what is told by looks or sizes: open while they are not known. */
export const NO_WORK_HELPS: readonly Verdict[] = ['fits', 'cannotTell', 'doesNotFit'];
/** The same, where work may mend it, and some parts are past mending. */
export const WORK_MAY_HELP: readonly Verdict[] = ['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit'];
/** The same, where something can always be done or be taken along. */
export const WORK_ALWAYS_HELPS: readonly Verdict[] = ['fits', 'fitsWithWork', 'cannotTell'];
/** Of what makes no difference but is told. */
export const NEVER_REFUSES: readonly Verdict[] = ['fits', 'cannotTell'];

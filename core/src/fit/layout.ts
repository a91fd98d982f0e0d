import type { Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import type { Assembly } from '../joints/index.js';
import type { Requirement } from '../joints/shapes/within.js';
import type { Level } from '../readings/level.js';
import type { LimitOfThumb } from '../thumb/index.js';

/** A size that is measured place by place, and in several directions and heights at each place. */
export interface SheetLayout {
  readonly kind: KindId;
  readonly parameter: Parameter;
  /** What the places are called together. */
  readonly name: string;
  readonly levels: readonly Level[];
  /** How those heights are called here. */
  readonly levelNames: readonly string[];
  readonly axes: readonly (1 | 2)[];
  readonly axisNames: readonly string[];
  /** Whether directions and heights tell how round and how parallel it is; else they are places of their own. */
  readonly round?: boolean;
  /** What every figure must hold whatever it was made to: what the maker asks for, or practice where he does not. */
  readonly holds?: (assembly: Assembly) => Requirement | undefined;
  /**
   * How far from round and from parallel it may be, and what comes off before it is clean all round; absent where it is
   * not worked on.
   */
  readonly most?: {
    readonly outOfRound: LimitOfThumb;
    readonly taper: LimitOfThumb;
    readonly cleanedUp: LimitOfThumb;
  };
}

/** One place of a sheet where a figure goes. */
export interface Cell {
  /** Counted from the front; absent where the part has one. */
  readonly position?: number;
  readonly level: Level;
  readonly axis: 1 | 2;
}

/**
 * Cylinders as they lie, bank by bank from the front. Two that hang on one crankpin are neighbours in number, so that
 * of an engine of two banks every other one is on the same.
 *
 * @param arrangement option of the engine's layout; one row where nobody says
 */
export function banksOf(arrangement: string | undefined, count: number): readonly (readonly number[])[] {
  const all = Array.from({ length: count }, (_, at) => at + 1);
  return arrangement === 'vee' || arrangement === 'flat'
    ? [all.filter((each) => each % 2 === 1), all.filter((each) => each % 2 === 0)]
    : [all];
}

/**
 * All cells in the order in which one measures: place by place, from the front or the top, in both directions.
 *
 * @param places in that order; a part that has one place has one whatever is said
 */
export const cellsInOrder = ({ parameter, levels, axes }: SheetLayout, places: readonly number[]): readonly Cell[] =>
  (parameter.per === 'part' ? [1] : places).flatMap((position) =>
    levels.flatMap((level) =>
      axes.map((axis): Cell => ({ ...(parameter.per === 'part' ? {} : { position }), level, axis })),
    ),
  );

export const keyOfCell = ({ position, level, axis }: Cell): string => `${position ?? ''} ${level} ${axis}`;

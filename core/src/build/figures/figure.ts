import type { Parameter } from '../../dictionary/definition.js';
import type { Assembly } from '../../joints/index.js';
import type { Requirement } from '../../joints/shapes/within.js';
import type { Interval } from '../../quantity/interval.js';
import type { QuantityKind } from '../../quantity/unit.js';
import type { BuildEngine, Row, Spot } from '../engine.js';

/** What a figure goes by: a size of a part, another figure, or a count. */
export type Input =
  | {
      readonly reads: 'size';
      readonly parameter: Parameter;
      /** Place of the engine, where several have parts of the kind. */
      readonly slot?: string;
    }
  /** The first of several that is known. */
  | { readonly reads: 'first'; readonly of: readonly Input[] }
  /** What is taken where nobody knows: a piston without a dome, a pin that is not offset. */
  | { readonly reads: 'orElse'; readonly of: Input; readonly value: number; readonly says: string }
  | { readonly reads: 'figure'; readonly figure: Figure }
  /** One figure for all cylinders, from theirs. */
  | { readonly reads: 'over'; readonly figure: Figure; readonly how: keyof typeof OVER }
  /** A size of a part; while none is in its place, of one chosen by what is round it: a shell of several walls. */
  | {
      readonly reads: 'chosen';
      readonly parameter: Parameter;
      readonly choose: (engine: BuildEngine, spot: Spot | undefined) => Chosen | undefined;
      /** Ids of what must be known for it. */
      readonly needs: readonly string[];
    }
  /** Something that is told by looks, or by nothing: a count, the strength of a bolt's class. */
  | {
      readonly reads: 'told';
      readonly name: string;
      readonly quantity: QuantityKind;
      readonly tell: (engine: BuildEngine, spot: Spot | undefined) => number | undefined;
      /** Ids of what must be known for it. */
      readonly needs: readonly string[];
    };

/** What was chosen, and how it is called. Inside units. */
export interface Chosen {
  readonly is: Interval;
  readonly of: string;
}

/** How figures of several cylinders make one of the engine. */
export const OVER = {
  least: (all: Float64Array): number => all.reduce((so, each) => Math.min(so, each), Infinity),
  greatest: (all: Float64Array): number => all.reduce((so, each) => Math.max(so, each), -Infinity),
  sum: (all: Float64Array): number => all.reduce((so, each) => so + each, 0),
  mean: (all: Float64Array): number => all.reduce((so, each) => so + each, 0) / all.length,
  spread: (all: Float64Array): number => OVER.greatest(all) - OVER.least(all),
} as const;

/** Subjects of figures, in the order of the sheet. */
export const SUBJECTS = {
  ratio: 'Sizes and ratio',
  motion: 'Motion',
  loads: 'Loads at speed',
  room: 'Room',
  ports: 'Ports of a two-stroke',
  balance: 'Balance',
} as const;
export type Subject = keyof typeof SUBJECTS;

/**
 * Something that follows from a build: declared once, and from that come the sheet, why, sensitivity, sweep, solving
 * backwards, the interface to other programs, and the document of formulas.
 */
export interface Figure {
  readonly id: string;
  readonly name: string;
  /** What it is, in one sentence. */
  readonly says: string;
  readonly subject: Subject;
  readonly quantity: QuantityKind;
  /** Whether each cylinder, main or crankpin has its own, or there is one for the engine. */
  readonly per: Row | 'engine';
  /** What it goes by, by the name it has in the formula. */
  readonly of: Readonly<Record<string, Input>>;
  /** In those names, as one would write it into a spreadsheet. Millimetres, cubic centimetres, grams, degrees. */
  readonly formula: string;
  readonly source: string;
  /** The formula worked out. Inside units. */
  readonly compute: (of: Readonly<Record<string, number>>, engine: BuildEngine) => number;
  /** What it must be; nothing where anything goes, or nobody knows. */
  readonly holds?: (assembly: Assembly, engine: BuildEngine) => Requirement | undefined;
  /** What less of it does, and more. */
  readonly tooLittle?: string;
  readonly tooMuch?: string;
  readonly caution?: string;
  /** What the figures put in say besides, in words: which of several limits binds. */
  readonly tells?: (of: Readonly<Record<string, number>>) => string | undefined;
  /** Whether the matter comes up with this engine at all. */
  readonly arises?: (engine: BuildEngine) => boolean;
}

type Names<O> = { readonly [K in keyof O]: number };

/** Declares a figure: the names in its formula are those of what it goes by, checked. */
export const figure = <const O extends Readonly<Record<string, Input>>>(
  declared: Omit<Figure, 'of' | 'compute'> & {
    readonly of: O;
    readonly compute: (of: Names<O>, engine: BuildEngine) => number;
  },
): Figure => declared as unknown as Figure;

export const size = (parameter: Parameter, slot?: string): Input => ({
  reads: 'size',
  parameter,
  ...(slot === undefined ? {} : { slot }),
});
export const first = (...of: readonly Input[]): Input => ({ reads: 'first', of });
export const orElse = (of: Input, value: number, says: string): Input => ({ reads: 'orElse', of, value, says });
export const from = (of: Figure): Input => ({ reads: 'figure', figure: of });
export const over = (how: keyof typeof OVER, of: Figure): Input => ({ reads: 'over', figure: of, how });

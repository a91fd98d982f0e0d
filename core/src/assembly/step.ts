import type { BuildEngine, FigureFound, PlacedInBuild } from '../build/index.js';
import type { ShellFound } from '../fit/index.js';
import type { Interval } from '../quantity/interval.js';
import type { Sentence } from '../quantity/sentence.js';
import type { QuantityKind } from '../quantity/unit.js';

/** One thing to do or look at, of a step of assembly. */
export interface Note {
  /** Which cylinder, main or crankpin; absent where it is for all. */
  readonly at?: number;
  readonly says: Sentence;
  /** A figure to be found and written down here, with what it should be. */
  readonly find?: {
    readonly name: string;
    readonly quantity: QuantityKind;
    readonly required?: Interval;
    readonly atLeast?: true;
  };
  /** What must be known first. */
  readonly open?: true;
}

/** What the notes are written from. */
export interface AssemblyGround {
  readonly engine: BuildEngine;
  readonly firingOrder?: string;
  /** Figures of the build by id, one for each place. */
  readonly figures: ReadonlyMap<string, readonly FigureFound[]>;
  readonly shells: Readonly<Partial<Record<'mainShell' | 'rodShell', readonly ShellFound[]>>>;
  readonly labelOf: (pattern: string) => string;
}

/** A step of assembly: declared once, and written out for the engine at hand. */
export interface AssemblyStep {
  readonly id: string;
  readonly name: string;
  /** Whether it comes up with this engine. */
  readonly arises?: (ground: AssemblyGround) => boolean;
  readonly notes: (ground: AssemblyGround) => readonly Note[];
  /** Said where somebody may be hurt or the engine lost. */
  readonly cautions?: readonly string[];
}

/** The part in a place as it will be, of one cylinder where they differ. */
export const partIn = ({ engine }: AssemblyGround, slot: string, at?: number): PlacedInBuild | undefined =>
  engine.part(slot, at);

/** Something for each of a row: every cylinder, every main. */
export const each = (count: number, note: (at: number) => Note | undefined): readonly Note[] =>
  Array.from({ length: count }, (_, index) => note(index + 1)).flatMap((found) => found ?? []);

/** A figure of the build to be found again in assembly, with what it should be. */
export function toFind(
  { figures }: AssemblyGround,
  id: string,
  at?: number,
): Pick<Note, 'find' | 'open'> & { readonly worked?: number } {
  const found = figures.get(id)?.find(({ spot }) => at === undefined || spot?.at === at);
  if (!found) return {};
  const { figure, value, required, atLeast } = found;
  return {
    find: {
      name: figure.name,
      quantity: figure.quantity,
      ...(required ? { required } : {}),
      ...(required && atLeast ? { atLeast: true as const } : {}),
    },
    ...(value === undefined ? { open: true as const } : { worked: value }),
  };
}

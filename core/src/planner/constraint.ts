/** What a constraint says of some options together. */
export const SAYS = { agrees: 0, atACost: 1, open: 2, refuses: 3 } as const;
export type Says = (typeof SAYS)[keyof typeof SAYS];

/** What some of the choices must agree in. */
export interface Constraint {
  /** What it is called where it refuses. */
  readonly name: string;
  /** The variables it is about, ascending, each once. */
  readonly vars: readonly number[];
  /** The options of these variables, in their order. What it refuses, no leaf takes. */
  readonly judge: (options: readonly number[]) => Says;
  /** For each of the variables the class of each option: those of one class are judged alike. */
  readonly classes?: readonly Int32Array[];
  /** Dear to judge: asked only of options that are still possible once all others of it are chosen. */
  readonly dear?: true;
  /** What it says where nothing is to be done to any of them; the same where this is not told. */
  readonly plain?: (options: readonly number[]) => Says;
  /** The least that `atACost` adds to the score. Of several such a leaf costs no less than the dearest. */
  readonly floor?: (options: readonly number[]) => number;
}

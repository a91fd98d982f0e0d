/**
 * Undersizes to which journals are reground and shells are made, as signed steps of diameter.
 * *Common practice, no source*: quarters of a millimetre, tens of thousandths of an inch.
 */
export const JOURNAL_UNDERSIZES = {
  mm: ['-0.25', '-0.50', '-0.75', '-1.00'],
  in: ['-0.010', '-0.020', '-0.030', '-0.040'],
} as const;

/** Oversizes to which cylinders are bored and pistons and rings are made. *Common practice, no source.* */
export const BORE_OVERSIZES = {
  mm: ['0.25', '0.50', '0.75', '1.00'],
  in: ['0.020', '0.030', '0.040', '0.060'],
} as const;

/** A shell for a reground journal is half the undersize thicker. */
export const SHELL_OVERSIZES = {
  mm: JOURNAL_UNDERSIZES.mm.map((step) => (Math.abs(Number(step)) / 2).toFixed(3)),
  in: JOURNAL_UNDERSIZES.in.map((step) => (Math.abs(Number(step)) / 2).toFixed(4)),
};

/**
 * Oversizes of press fits that were reamed or bored once: liners outside, bushes, valve stems. *Common practice, no
 * source.*
 */
export const FIT_OVERSIZES = {
  mm: ['0.10', '0.25', '0.50'],
  in: ['0.005', '0.010', '0.020'],
} as const;

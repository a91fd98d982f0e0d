/**
 * Undersizes to which journals are reground and shells are made, as signed steps of diameter.
 * *Common practice, no source*: quarters of a millimetre, tens of thousandths of an inch.
 */
export const JOURNAL_UNDERSIZES = {
  mm: ['-0.25', '-0.50', '-0.75', '-1.00'],
  in: ['-0.010', '-0.020', '-0.030', '-0.040'],
} as const;

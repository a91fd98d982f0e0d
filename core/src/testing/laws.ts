import fc from 'fast-check';

/** Put in as the specs are bundled (core/karma.conf.cjs): all draws from a new seed, or a tenth. */
declare const LAWS: { readonly seed: number; readonly share: number };

/** Fewer draws than these say nothing of a law. */
const FEWEST = 3;

/**
 * Holds a law against made-up cases.
 *
 * @param property what holds for every case
 * @param draws cases that `npm run laws` makes up; the daily run takes a tenth, the same each time, so that what fails
 *   there is what was changed
 * @throws with the smallest case that breaks the law, and the seed it was drawn from
 */
export function holds(property: fc.IRawProperty<unknown, false>, draws = 100): void {
  fc.assert(property as fc.IProperty<unknown>, {
    seed: LAWS.seed,
    numRuns: Math.max(Math.min(FEWEST, draws), Math.ceil(draws * LAWS.share)),
  });
}

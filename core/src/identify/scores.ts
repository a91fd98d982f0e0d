import { ASSUMED } from './assumptions.js';
import { FIXED, type Weighed } from './weigh/weighed.js';

/**
 * Further behind the first than this, in natural units, a pattern adds nothing to any sum: less than one in ten million
 * million.
 */
const BEHIND = 30;
const BEHIND_FIXED = BEHIND * FIXED;

/**
 * exp(-d) in two steps by the high and low bits of a fixed-point distance, exact to the last bits of a double's
 * product.
 */
const LOW_BITS = 10;
const LOW = Float64Array.from({ length: 1 << LOW_BITS }, (_, low) => Math.exp(-low / FIXED));
const HIGH = Float64Array.from({ length: (BEHIND_FIXED >> LOW_BITS) + 1 }, (_, high) =>
  Math.exp((-high * (1 << LOW_BITS)) / FIXED),
);
const LOW_MASK = (1 << LOW_BITS) - 1;

/** The patterns that stand near the first, with their probabilities. */
export interface Posterior {
  /** Rows within reach of the first, ascending; all of them where nothing tells them apart. */
  readonly rows: Uint32Array;
  /** Probability by place in `rows`. */
  readonly probabilities: Float64Array;
  /** Probability that the part is in no catalogue. */
  readonly none: number;
  /** ln of how much likelier all looks together are, on a part in no catalogue, than one by one. */
  readonly looksOfNone: number;
}

/**
 * The running sum of evidence by pattern. Whole numbers, so that evidence put on in any order and taken off again
 * leaves exactly what was there.
 */
export class Scores {
  private readonly totals: Int32Array;
  /** What was said of all patterns alike. */
  private offset = 0;

  constructor(patterns: number) {
    this.totals = new Int32Array(patterns);
  }

  /** Puts evidence on (1) or takes it off (-1). Costs one pass over one column, or only the patterns that differ. */
  apply(weighed: Weighed, sign: 1 | -1): void {
    const { totals } = this;
    switch (weighed.form) {
      case 'column': {
        const { codes } = weighed;
        const byCode = sign === 1 ? weighed.byCode : weighed.byCode.map((value) => -value);
        for (let row = 0; row < totals.length; row++)
          totals[row] = (totals[row] as number) + (byCode[codes[row] as number] as number);
        this.setApart(weighed, sign);
        return;
      }
      case 'all': {
        const { byRow } = weighed;
        for (let row = 0; row < totals.length; row++)
          totals[row] = (totals[row] as number) + sign * (byRow[row] as number);
        return;
      }
      case 'few': {
        const { rows, values, base } = weighed;
        this.offset += sign * base;
        for (let at = 0; at < rows.length; at++) {
          const row = rows[at] as number;
          totals[row] = (totals[row] as number) + sign * ((values[at] as number) - base);
        }
        return;
      }
    }
  }

  /**
   * Puts evidence in the place of some that says the same of most patterns, at the cost of those of which it does not;
   * false, and nothing done, where it says something else.
   */
  exchange(was: Weighed, is: Weighed): boolean {
    if (was.form !== 'column' || is.form !== 'column' || was.codes !== is.codes || was.byCode !== is.byCode)
      return false;
    this.setApart(was, -1);
    this.setApart(is, 1);
    return true;
  }

  /** Puts on or takes off what is said of patterns otherwise than by their code. */
  private setApart({ apart, codes, byCode }: Extract<Weighed, { form: 'column' }>, sign: 1 | -1): void {
    const { totals } = this;
    for (const [row, value] of apart ?? [])
      totals[row] = (totals[row] as number) + sign * (value - (byCode[codes[row] as number] as number));
  }

  /** The log ratio of a pattern against a part in no catalogue, natural units. */
  of(row: number): number {
    return ((this.totals[row] ?? 0) + this.offset) / FIXED;
  }

  /** Mean over the patterns of how much likelier the evidence is than on a part in no catalogue. */
  meanRatio(): number {
    const { totals } = this;
    let sum = 0;
    // By index: over a typed array the iterator of for-of takes several times as long.
    // eslint-disable-next-line @typescript-eslint/prefer-for-of
    for (let row = 0; row < totals.length; row++) sum += Math.exp(((totals[row] as number) + this.offset) / FIXED);
    return sum / Math.max(1, totals.length);
  }

  /**
   * Bayes' rule, with every pattern equally likely beforehand.
   *
   * @param looksOfNone ln of how much likelier all looks together are, on a part in no catalogue, than one by one
   * @param notInCatalogue how often a part is in no catalogue
   */
  posterior(looksOfNone = 0, notInCatalogue: number = ASSUMED.notInCatalogue): Posterior {
    const { totals } = this;
    const prior = Math.log((1 - notInCatalogue) / Math.max(1, totals.length));
    let top = -0x80000000;
    // By index: over a typed array the iterator of for-of takes several times as long.
    /* eslint-disable @typescript-eslint/prefer-for-of */
    for (let row = 0; row < totals.length; row++) if ((totals[row] as number) > top) top = totals[row] as number;
    const least = top - BEHIND_FIXED;
    let count = 0;
    for (let row = 0; row < totals.length; row++) if ((totals[row] as number) > least) count++;
    /* eslint-enable @typescript-eslint/prefer-for-of */
    const rows = new Uint32Array(count);
    const probabilities = new Float64Array(count);
    let sum = 0;
    for (let row = 0, at = 0; at < count; row++) {
      const behind = top - (totals[row] as number);
      if (behind >= BEHIND_FIXED) continue;
      const share = (HIGH[behind >> LOW_BITS] as number) * (LOW[behind & LOW_MASK] as number);
      rows[at] = row;
      probabilities[at++] = share;
      sum += share;
    }
    // Against "none": the first's own weight is (top + offset) above it.
    const first = totals.length === 0 ? -Infinity : (top + this.offset) / FIXED + prior;
    const noneLog = Math.log(notInCatalogue) + looksOfNone;
    const scale = Math.max(first, noneLog);
    const [patternPart, nonePart] = [Math.exp(first - scale), Math.exp(noneLog - scale)];
    const all = patternPart * sum + nonePart;
    for (let at = 0; at < count; at++) probabilities[at] = ((probabilities[at] as number) * patternPart) / all;
    return { rows, probabilities, none: nonePart / all, looksOfNone };
  }
}

/** The places in a posterior of the likeliest patterns, likeliest first; equal ones in catalogue order. One pass. */
export function likeliest({ probabilities }: Posterior, most: number): number[] {
  const places: number[] = [];
  for (let at = 0; at < probabilities.length; at++) {
    const probability = probabilities[at] as number;
    const last = places[places.length - 1];
    if (places.length === most && last !== undefined && probability <= (probabilities[last] as number)) continue;
    let place = places.length;
    while (place > 0 && probability > (probabilities[places[place - 1] as number] as number)) place--;
    places.splice(place, 0, at);
    if (places.length > most) places.pop();
  }
  return places;
}

import type { Part } from '../catalogue/part.js';
import { VERDICTS, verdictOfCheck, type Verdict } from '../joints/index.js';
import { classify, type Classes, type Side } from './classes.js';
import { assemblyOf } from './grid.js';
import { pairingOf, type Pairing } from './pairing.js';
import type { SwapContext } from './swapContext.js';
import { kinshipOf } from './kinship.js';
import { bestFirst, standingOf } from './ranking.js';
import { NoJointError, swapParts, type Swap } from './swap.js';
import type { KindId } from '../dictionary/dictionary.js';

/** One of the many, with how it goes. */
export interface Taker {
  /** Its place among the many. */
  readonly at: number;
  readonly swap: Swap;
}

/** What takes a part, or goes in where one is, out of many. */
export interface Takers {
  /**
   * The best first: by verdict, then by what the work costs, then by the price of the part; one without a price comes
   * last.
   */
  readonly best: readonly Taker[];
  readonly counts: Readonly<Record<Verdict, number>>;
  /** Places of some that do not fit, as many as there is room for after the best. */
  readonly refused: readonly number[];
}

const REFUSED = VERDICTS.indexOf('doesNotFit');
const OPEN = VERDICTS.indexOf('cannotTell');
const FITS = VERDICTS.indexOf('fits');
const BY_WORK = VERDICTS.indexOf('fitsWithWork');

/** More than are asked for are looked at closer, since their order may change by it. */
const CLOSER = 12;

/**
 * Many parts of one kind, sorted once, to be asked again and again which of them take a part or go where one is. Each
 * check is judged for the classes that are left only, so that what a count or a pattern refuses is never looked at
 * again.
 */
export class WhatElse {
  private readonly pairing: Pairing;
  private readonly classes: Classes;

  /**
   * Throws a NoJointError where the kinds do not meet.
   *
   * @param one kind of the part that will be asked about
   * @param side on which the many stand: recipients that take it, or donors that go in where it is
   */
  constructor(
    one: KindId,
    private readonly many: readonly Part[],
    private readonly side: Side,
    private readonly context: SwapContext,
  ) {
    const other = many[0]?.kind ?? one;
    const pairing = side === 'recipient' ? pairingOf(one, other) : pairingOf(other, one);
    if (!pairing) throw new NoJointError(side === 'recipient' ? one : other, side === 'recipient' ? other : one);
    this.pairing = pairing;
    this.classes = classify(pairing, side, many, context);
  }

  /**
   * How many of the many go with the part, and the best `most` of them.
   *
   * @param except the place of one that is left out: the part itself, where it is among them
   */
  ask(part: Part, most: number, except = -1): Takers {
    const verdicts = new Uint8Array(this.many.length);
    const [agree, byWork] = [new Uint8Array(this.many.length), new Uint8Array(this.many.length)];
    let left = Int32Array.from(this.many.keys()).filter((at) => at !== except);
    this.pairing.checks.forEach(({ check }, at) => {
      const of = this.classes.of[at] ?? new Int32Array();
      const known = new Map<number, number>();
      let kept = 0;
      for (const index of left) {
        const number = of[index] ?? 0;
        let verdict = known.get(number);
        if (verdict === undefined) {
          const speaker = this.classes.representatives[at]?.[number];
          verdict = speaker ? VERDICTS.indexOf(verdictOfCheck(check, this.assembly(part, speaker))) : 0;
          known.set(number, verdict);
        }
        if (verdict > (verdicts[index] ?? 0)) verdicts[index] = verdict;
        if (verdict === FITS) agree[index] = (agree[index] ?? 0) + 1;
        if (verdict === BY_WORK) byWork[index] = (byWork[index] ?? 0) + 1;
        if (verdict !== REFUSED) left[kept++] = index;
      }
      left = left.slice(0, kept);
    });
    // What is likely is told by looking closer; those that are looked at are the nearest without it.
    const checks = this.pairing.checks.length;
    const standing = new Map(
      [...left].flatMap((at): readonly (readonly [number, number])[] => {
        const other = this.many[at];
        if (verdicts[at] !== OPEN || !other) return [];
        const tally = { agree: agree[at] ?? 0, byWork: byWork[at] ?? 0, likely: 0, checks };
        return [[at, standingOf(tally, kinshipOf(this.context, part, other))]];
      }),
    );
    const ranked = [...left].sort(
      (a, b) => (verdicts[a] ?? 0) - (verdicts[b] ?? 0) || (standing.get(b) ?? 0) - (standing.get(a) ?? 0) || a - b,
    );
    const judged = ranked.slice(0, 2 * most + CLOSER).map((at): Taker => ({ at, swap: this.swap(part, at) }));
    judged.sort((a, b) => bestFirst(this.priced(a), this.priced(b)) || a.at - b.at);
    const counts: Record<Verdict, number> = { fits: 0, fitsWithWork: 0, cannotTell: 0, doesNotFit: 0 };
    const known = new Map(judged.map(({ at, swap }) => [at, swap.verdict]));
    for (let at = 0; at < verdicts.length; at++)
      if (at !== except) counts[known.get(at) ?? VERDICTS[verdicts[at] ?? 0] ?? 'cannotTell']++;
    const best = judged.filter(({ swap }) => swap.verdict !== 'doesNotFit').slice(0, most);
    const refused: number[] = judged.filter(({ swap }) => swap.verdict === 'doesNotFit').map(({ at }) => at);
    for (let at = 0; at < verdicts.length && best.length + refused.length < most; at++)
      if (at !== except && verdicts[at] === REFUSED) refused.push(at);
    return { best, counts, refused };
  }

  private assembly(part: Part, other: Part) {
    return this.side === 'recipient' ? assemblyOf(part, other, this.context) : assemblyOf(other, part, this.context);
  }

  private readonly priced = ({ at, swap }: Taker) => ({ ...swap, partPrice: this.many[at]?.price });

  private swap(part: Part, at: number): Swap {
    const other = this.many[at];
    if (!other) throw new RangeError(`There is no part ${at} among the many.`);
    return this.side === 'recipient' ? swapParts(part, other, this.context) : swapParts(other, part, this.context);
  }
}

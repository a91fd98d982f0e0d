import { showDifference, showInterval, showValue } from './format.js';
import type { Interval } from './interval.js';
import type { QuantityKind, UnitSystem } from './unit.js';

/**
 * A figure inside a sentence, kept as a number so that each reader sees it in his own units; or in those in which what
 * it speaks of was typed. Inside units.
 */
export type Figure = { readonly quantity: QuantityKind; readonly in?: UnitSystem } & (
  | { readonly figure: 'value'; readonly value: number }
  | { readonly figure: 'difference'; readonly value: number }
  | { readonly figure: 'interval'; readonly low: number; readonly high: number }
);

/** Words and figures in order. Plain data: it crosses to a worker or through the API and is said at the far end. */
export type Sentence = readonly (string | Figure)[];

export const value = (of: number, quantity: QuantityKind = 'length'): Figure => ({
  figure: 'value',
  value: of,
  quantity,
});
export const difference = (of: number, quantity: QuantityKind = 'length'): Figure => ({
  figure: 'difference',
  value: of,
  quantity,
});
export const band = ({ low, high }: Interval, quantity: QuantityKind = 'length'): Figure => ({
  figure: 'interval',
  low,
  high,
  quantity,
});

/** Template tag that builds a sentence: sentence`${value(x)} under the limits`. */
export function sentence(
  words: TemplateStringsArray,
  ...parts: readonly (string | number | Figure | Sentence)[]
): Sentence {
  const out: (string | Figure)[] = [];
  words.forEach((word, at) => {
    if (word) out.push(word);
    const part = parts[at];
    if (part === undefined) return;
    if (typeof part === 'number') out.push(String(part));
    else if (typeof part === 'string' || 'figure' in part) out.push(part);
    else out.push(...part);
  });
  return out;
}

/** The same sentence with its figures in one system of units, whoever reads it. */
export const saidIn = (said: Sentence, system: UnitSystem): Sentence =>
  said.map((part) => (typeof part === 'string' ? part : { ...part, in: system }));

/**
 * A sentence as text, in the reader's units where it does not say otherwise.
 *
 * @example say(['Bore ', value(101.6, 'length'), '.'], 'inch') // 'Bore 4.0000 in.'
 */
export function say(said: Sentence, system: UnitSystem): string {
  return said
    .map((part) => {
      if (typeof part === 'string') return part;
      switch (part.figure) {
        case 'value':
          return showValue(part.value, part.quantity, part.in ?? system);
        case 'difference':
          return showDifference(part.value, part.quantity, part.in ?? system);
        case 'interval':
          return showInterval(part, part.quantity, part.in ?? system);
      }
    })
    .join('');
}

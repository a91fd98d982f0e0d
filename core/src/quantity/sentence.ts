import { showDifference, showInterval, showValue } from './format.js';
import type { Interval } from './interval.js';
import type { QuantityKind, UnitSystem } from './unit.js';

/** A figure inside a sentence, kept as a number so that each reader sees it in his own units. Inside units. */
export type Figure =
  | { readonly figure: 'value'; readonly value: number; readonly quantity: QuantityKind }
  | { readonly figure: 'difference'; readonly value: number; readonly quantity: QuantityKind }
  | { readonly figure: 'interval'; readonly low: number; readonly high: number; readonly quantity: QuantityKind };

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

/**
 * A sentence as text, in the reader's units.
 *
 * @example say(['Bore ', value(101.6, 'length'), '.'], 'inch') // 'Bore 4.0000 in.'
 */
export function say(said: Sentence, system: UnitSystem): string {
  return said
    .map((part) => {
      if (typeof part === 'string') return part;
      switch (part.figure) {
        case 'value':
          return showValue(part.value, part.quantity, system);
        case 'difference':
          return showDifference(part.value, part.quantity, system);
        case 'interval':
          return showInterval(part, part.quantity, system);
      }
    })
    .join('');
}

import type { Part } from '../catalogue/part.js';
import { piston } from '../dictionary/kinds/piston.js';
import { interval, type Interval } from '../quantity/interval.js';

const { bore, 'skirt.diameter': skirt } = piston.parameters;

/**
 * A skirt is smaller than the bore it is made for by so much of it at the most. *Common practice, no source*: forged
 * pistons run with up to 0.002 of the bore, more is loose anywhere.
 */
export const SKIRT_SMALLER = 0.003;

/** The size of the same part that tells a size, by id. */
export const TOLD_BY: Readonly<Record<string, string>> = { [skirt.id]: bore.id, [bore.id]: skirt.id };

/** What a size of a part must be by another of the same part that is known; nothing where none tells it. */
export function impliedByItself({ values }: Part, id: string): Interval | undefined {
  const madeFor = values[bore.id]?.interval;
  if (id === skirt.id && madeFor) return interval(madeFor.low * (1 - SKIRT_SMALLER), madeFor.high);
  const across = values[skirt.id]?.interval;
  if (id === bore.id && across) return interval(across.low, across.high / (1 - SKIRT_SMALLER));
  return undefined;
}

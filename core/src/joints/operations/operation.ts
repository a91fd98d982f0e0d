import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { SAME_WITHIN, type Interval } from '../../quantity/interval.js';
import { machined } from '../assembly.js';

/**
 * What work on a part gives: the part as it then is, or why the work may not be done. `unknown` names what must be
 * known before one may say whether it may.
 */
export type Worked = { readonly part: Part } | { readonly refused: string; readonly unknown?: string };

export const isDone = (worked: Worked): worked is { readonly part: Part } => 'part' in worked;

/** How far and which way a cut may go. */
interface CutLimit {
  readonly way: 'larger' | 'smaller';
  /** Greatest change from new, inside unit. */
  readonly most: number;
  /** What is said of more than that. */
  readonly tooFar: string;
}

/**
 * Brings a size to new limits, one way only and no further from new than may be. Where no pattern tells what was new,
 * it is counted from what is there.
 */
export function cut(part: Part, parameter: Parameter, to: Interval, { way, most, tooFar }: CutLimit): Worked {
  const named = `The ${parameter.name.toLowerCase()}`;
  const now = part.values[parameter.id]?.interval;
  if (!now) return { refused: `${named} is not known.`, unknown: parameter.id };
  const from = part.standard[parameter.id] ?? now;
  if (way === 'smaller' ? to.high > now.low + SAME_WITHIN : to.low < now.high - SAME_WITHIN)
    return { refused: `${named} is already as ${way === 'smaller' ? 'small' : 'large'}.` };
  const off = way === 'smaller' ? from.low - to.low : to.high - from.high;
  if (off > most + SAME_WITHIN) return { refused: tooFar };
  return { part: machined(part, parameter, to) };
}

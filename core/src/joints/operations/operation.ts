import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { SAME_WITHIN, type Interval } from '../../quantity/interval.js';
import { machined } from '../assembly.js';

/** Why work may not be done. `unknown` names what must be known before one may say whether it may. */
interface Refused {
  readonly refused: string;
  readonly unknown?: string;
}

/** What work on a part gives: the part as it then is, or why the work may not be done. */
export type Worked = { readonly part: Part } | Refused;

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
export function cut(part: Part, parameter: Parameter, to: Interval, limit: CutLimit): Worked {
  return notCut(part, parameter, to, limit) ?? { part: machined(part, parameter, to) };
}

/** Why a cut may not be made; nothing where it may. */
export function notCut(
  part: Part,
  parameter: Parameter,
  to: Interval,
  { way, most, tooFar }: CutLimit,
): Refused | undefined {
  const named = () => `The ${parameter.name.toLowerCase()}`;
  const now = part.values[parameter.id]?.interval;
  if (!now) return { refused: `${named()} is not known.`, unknown: parameter.id };
  const from = part.standard[parameter.id] ?? now;
  if (way === 'smaller' ? to.high > now.low + SAME_WITHIN : to.low < now.high - SAME_WITHIN)
    return { refused: `${named()} is already as ${way === 'smaller' ? 'small' : 'large'}.` };
  const off = way === 'smaller' ? from.low - to.low : to.high - from.high;
  return off > most + SAME_WITHIN ? { refused: tooFar } : undefined;
}

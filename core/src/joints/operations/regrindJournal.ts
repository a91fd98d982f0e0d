import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { SAME_WITHIN, type Interval } from '../../quantity/interval.js';
import { machined } from '../check.js';
import type { Worked } from './operation.js';

export const REGRIND_CAUTION =
  'Grinding must keep the fillet radii and leave the hardened skin: have the crank crack-tested and the depth of hardening checked first.';

/** Half the tolerance a crank grinder holds on a journal: 0.013 mm in all. *Common practice, no source.* */
export const GROUND_WITHIN = 0.0065;

/**
 * Grinds a journal down to new limits. Refused when it would have to grow, or go below the last undersize its pattern
 * allows; where no pattern tells, below the last usual undersize from where it is now.
 */
export function regrindJournal(part: Part, journal: Parameter, to: Interval): Worked {
  const now = part.values[journal.id]?.interval;
  if (!now) return { refused: `The ${journal.name.toLowerCase()} is not known.` };
  if (to.high > now.low + SAME_WITHIN) return { refused: 'The journal is already smaller.' };
  const last = Math.min(0, ...(part.service[journal.id] ?? []));
  const from = part.standard[journal.id] ?? now;
  if (to.low < from.low + last - SAME_WITHIN) return { refused: 'That is below the last undersize to which it may be ground.' };
  return { part: machined(part, journal, to) };
}

import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { around, shifted, width, type Interval } from '../../quantity/interval.js';
import { bearings, limitOf, type HasFigures } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import { cut, isDone, type Worked } from './operation.js';
import type { OperationId } from './operations.js';

/**
 * Grinds a journal down to new limits. Refused when it would have to grow, or go below the last undersize its pattern
 * allows; where no pattern tells, below the last usual undersize from where it is now.
 */
export const regrindJournal = (part: Part, journal: Parameter, to: Interval): Worked =>
  cut(part, journal, to, {
    way: 'smaller',
    most: -Math.min(0, ...(part.service[journal.id] ?? [])) + width(to),
    tooFar: 'That is below the last undersize to which it may be ground.',
  });

/**
 * Grinds a journal that is worn out of shape to the largest of its undersizes at which it cleans up. Refused where none
 * is small enough, or no undersizes are known.
 */
export function trueJournal(part: Part, journal: Parameter, now: Interval, rules: HasFigures = {}): Worked {
  const standard = part.standard[journal.id];
  const steps = [...(part.service[journal.id] ?? [])].filter((step) => step < 0).sort((a, b) => b - a);
  const within = limitOf(bearings.ground, rules) / 2;
  const from = standard ?? now;
  const to = steps
    .map((step) => around((from.low + from.high) / 2 + step, within))
    .find((each) => each.high <= now.low);
  return to ? regrindJournal(part, journal, to) : { refused: 'It does not clean up at any undersize.' };
}

/**
 * What grinding the journals of a crank comes to: one that was nitrided wants its skin again. No verdict goes by it.
 */
export function groundSteps<S extends OperationId>(
  { looks }: Part,
  grinding: S,
): { readonly steps: readonly [S, ...OperationId[]]; readonly says: string } {
  return looks[crank.features.treatment.id]?.option === 'nitrided'
    ? { steps: [grinding, 'nitrideAgain'], says: ' Have it nitrided again: the grinder goes through the skin.' }
    : { steps: [grinding], says: '' };
}

/** Polishes a journal down by `off` of diameter. Refused where that is a grinder's work. */
export function polishJournal(part: Part, journal: Parameter, off: number, rules: HasFigures = {}): Worked {
  const now = part.values[journal.id]?.interval;
  if (!now) return { refused: `The ${journal.name.toLowerCase()} is not known.`, unknown: journal.id };
  if (off > limitOf(bearings.polished, rules)) return { refused: 'So much is ground, not polished.' };
  return { part: machined(part, journal, shifted(now, -off)) };
}

/**
 * Grinds the crankpins off their centre: smaller by `undersize` of diameter, which moves the axis by up to half of it
 * and the stroke by up to all of it. Positive `longer` lengthens the stroke.
 */
export function offsetGrind(part: Part, undersize: number, longer: number, rules: HasFigures = {}): Worked {
  const [pin, stroke] = [crank.parameters['crankpin.diameter'], crank.parameters.stroke];
  const [now, throws] = [part.values[pin.id]?.interval, part.values[stroke.id]?.interval];
  if (!now || !throws) return { refused: 'Crankpin and stroke must be known.', unknown: now ? stroke.id : pin.id };
  if (Math.abs(longer) > undersize) return { refused: 'The metal taken off does not allow so much offset.' };
  const ground = regrindJournal(
    part,
    pin,
    around((now.low + now.high) / 2 - undersize, limitOf(bearings.ground, rules) / 2),
  );
  return isDone(ground) ? { part: machined(ground.part, stroke, shifted(throws, longer)) } : ground;
}

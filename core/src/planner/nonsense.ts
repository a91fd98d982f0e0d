import { figureOf, type Build, type BuildEngine } from '../build/index.js';
import { KINDS } from '../dictionary/dictionary.js';
import { SLOTS, slotOf } from '../dictionary/slots.js';
import { showValue } from '../quantity/format.js';
import type { Demands } from './demands.js';
import type { PlanGround } from './problem.js';

/** What is wrong with a demand, and where it stands. */
interface DemandProblem {
  /** As in `demands.targets[1].low`. */
  readonly where: string;
  readonly what: string;
}

/** Demands that make no sense: what is not there, what contradicts itself, what nothing could ever meet. */
export function nonsenseOf(
  build: Build,
  demands: Demands,
  ground: PlanGround,
  engine: BuildEngine,
): readonly DemandProblem[] {
  const found: DemandProblem[] = [];
  const say = (where: string, what: string): void => {
    found.push({ where: `demands.${where}`, what });
  };
  if (build.variant === undefined && build.places.length === 0)
    found.push({ where: 'build', what: 'an engine to start from, or at least one part, must be chosen first.' });
  demands.places.forEach(({ slot, from, patterns = [], specimens = [], mayStay = false }, at) => {
    const where = `places[${at}]`;
    const place = slotOf(slot);
    if (!place)
      return say(
        `${where}.slot`,
        `an engine has no place "${slot}"; there are ${SLOTS.map(({ id }) => id).join(', ')}.`,
      );
    if (demands.places.findIndex((each) => each.slot === slot) < at)
      say(`${where}.slot`, `${place.name} stands there twice; say once where its part may come from.`);
    const name = KINDS[place.kind].name.toLowerCase();
    patterns.forEach((pattern, which) => {
      const kind = ground.catalogue.pattern(pattern)?.kind;
      if (kind === undefined)
        say(`${where}.patterns[${which}]`, `there is no part "${pattern}" in the catalogue; choose another.`);
      else if (kind !== place.kind) say(`${where}.patterns[${which}]`, `"${pattern}" is no ${name}; choose another.`);
    });
    specimens.forEach((id, which) => {
      const kind = ground.shelf.find((each) => each.id === id)?.kind;
      if (kind === undefined)
        say(`${where}.specimens[${which}]`, 'this part does not lie on the shelf, or is put aside for another job.');
      else if (kind !== place.kind) say(`${where}.specimens[${which}]`, `it is no ${name}; choose another.`);
    });
    if (from === 'these' && patterns.length + specimens.length === 0 && !mayStay)
      say(where, `name at least one part for ${place.name.toLowerCase()}, or let it come from anywhere.`);
  });
  (demands.targets ?? []).forEach(({ figure, low, high }, at) => {
    const where = `targets[${at}]`;
    const of = figureOf(figure);
    if (!of) return say(`${where}.figure`, `there is no figure "${figure}".`);
    if (low === undefined && high === undefined)
      return say(where, `say at least how much or at most how much ${of.name.toLowerCase()} is to be.`);
    const shown = (value: number): string => showValue(value, of.quantity, 'metric');
    if (low !== undefined && high !== undefined && low > high)
      say(
        `${where}.low`,
        `${of.name} cannot be at least ${shown(low)} and at most ${shown(high)}: put the smaller one first.`,
      );
    if (of.arises?.(engine) === false)
      say(`${where}.figure`, `${of.name.toLowerCase()} does not come up in such an engine.`);
  });
  (demands.shape ?? []).forEach(({ operation, most, step }, at) => {
    if (step > most) say(`shape[${at}].step`, `a step of ${step} mm is more than the ${most} mm that may come off.`);
    if (most / step > 60) say(`shape[${at}].step`, 'more than sixty steps: take larger ones.');
    if ((demands.shape ?? []).findIndex((each) => each.operation === operation) < at)
      say(`shape[${at}].operation`, 'the same work stands there twice.');
  });
  return found;
}

import { cam } from '../../dictionary/kinds/cam.js';
import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { interval, minus, plus, type Interval } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import type { Parameter } from '../../dictionary/definition.js';
import { deck, limitOf, type LimitOfThumb } from '../../thumb/index.js';
import { lookOf, valueOf, type Assembly } from '../assembly.js';
import type { Joint, JointCheck } from '../check.js';
import { missing, offer, work } from '../outcome.js';
import { cutPockets } from '../operations/pistons.js';
import { noLess, within } from '../shapes/within.js';
import { withoutLobes, type Duty } from '../valveGear/duty.js';
import { crownBelowDeck, STACK } from './crownHeight.js';
import { valveDiameter } from './valvePockets.js';

const { valvePockets: pockets } = piston.features;

const { 'valvePocket.depth': depth, 'crown.volume': bowl } = piston.parameters;

const { 'valve.intake': intake, 'valve.exhaust': exhaust, 'valve.recess': recess } = head.parameters;

/** Depth of the pockets as they are; none where the crown has none. */
const pocketDepth = (assembly: Assembly): Interval | undefined =>
  lookOf(assembly, pockets) === '0' ? interval(0) : valueOf(assembly, depth)?.interval;

/** Room over the crown for the valves of one duty. */
const valveRoom = (id: string, duty: Duty, lift: Parameter, room: LimitOfThumb): JointCheck =>
  within({
    id,
    name: `Room of the ${duty} valves at overlap`,
    of: { ...STACK, gasket: headGasket.parameters.thickness, sunk: recess, lift },
    also: [cam.features.serves.id, pockets.id, depth.id, bowl.id, intake.id, exhaust.id, head.features.valves.id],
    unless: (assembly) => {
      const none = withoutLobes(assembly, duty);
      if (none) return none;
      if (lookOf(assembly, pockets) === undefined) return missing([pockets]);
      return pocketDepth(assembly) ? undefined : missing([depth]);
    },
    // Valves that stand at an angle move less along the bore than they lift: this is on the safe side.
    found: (sizes, assembly) =>
      minus(
        [crownBelowDeck(sizes), sizes.gasket, sizes.sunk, pocketDepth(assembly) ?? interval(0)].reduce(plus),
        sizes.lift,
      ),
    required: noLess(room),
    fits: ({ found }) =>
      sentence`At overlap the ${duty} valves stay ${band(found)} clear of the crown; check it with clay before the engine turns.`,
    subject: 'The room between valve and crown',
    tooLittle: 'a valve that floats or opens early meets the piston',
    tooMuch: 'there is more than enough',
    caution: 'Check valve to piston with clay, on every cylinder, before the engine turns under power.',
    mend: (assembly, { found, required }) => {
      const lacking = required.low - found.low;
      const part = assembly.parts.piston;
      return [
        ...offer(
          part &&
            cutPockets(
              part,
              { count: lookOf(assembly, head.features.valves), deeper: lacking, valve: valveDiameter(assembly) },
              assembly.rules,
            ),
          (cut) =>
            work({
              steps: ['cutPockets'],
              says: sentence`Cut the valve pockets ${value(lacking)} deeper, where the crown is thick enough.`,
              parts: [cut],
            }),
        ),
        ...(lacking < limitOf(deck.gasketThicker, assembly.rules)
          ? [work({ steps: ['thickGasket'], says: sentence`Take a head gasket that is ${value(lacking)} thicker.` })]
          : []),
      ];
    },
  });

/** Valve and piston, near top dead centre at overlap, where they come nearest. */
export const valveToPiston: Joint = {
  id: 'valveToPiston',
  name: 'Valve to piston',
  kinds: ['block', 'crank', 'rod', 'piston', 'headGasket', 'head', 'cam'],
  checks: [
    valveRoom('valveRoom', 'intake', cam.parameters['lift.overlap'], deck.valveRoom),
    valveRoom('valveRoomExhaust', 'exhaust', cam.parameters['lift.overlapExhaust'], deck.valveRoomExhaust),
  ],
};

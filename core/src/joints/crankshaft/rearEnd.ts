import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { middle, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { ends, limitOf } from '../../thumb/index.js';
import { lookOf, machined, type Assembly } from '../assembly.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { offer, work, type Offer } from '../outcome.js';
import { withPattern } from '../operations/patterns.js';
import { turnSealLand } from '../operations/cranks.js';
import { sameLook, samePattern } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

const seal = crank.parameters['sealJournal.diameter'];

/** A lip seal sits in a carrier that is bolted on, which may come with the crank; a rope lies in the block itself. */
function carrier(assembly: Assembly, found: Interval, required: Interval): readonly Offer[] {
  const form = lookOf(assembly, crank.features.rearSeal);
  if (form === undefined) return [{ unknown: crank.features.rearSeal.id }];
  return form === 'lip' && Math.abs(middle(found) - middle(required)) <= limitOf(ends.sealCarried, assembly.rules)
    ? [
        work({
          steps: ['takeAlong'],
          name: 'Seal carrier with the crank',
          says: sentence`Take the rear seal carrier that belongs to this crank, for a land of ${band(found)}, where it bolts to this block.`,
        }),
      ]
    : [];
}

function sealWork(assembly: Assembly, found: Interval, required: Interval): readonly Offer[] {
  const part = assembly.parts.crank;
  if (!part) return [];
  const carried = carrier(assembly, found, required);
  if (found.low > required.high) {
    const turned = offer(turnSealLand(part, required, assembly.rules), (smaller) =>
      work({
        steps: ['turnSealLand'],
        says: sentence`Turn the seal land down to ${band(required)} and polish it without a lead.`,
        parts: [smaller],
      }),
    );
    return [...turned, ...carried];
  }
  if (required.low - found.high > limitOf(ends.sealSleeved, assembly.rules)) return carried;
  const sleeved = machined(part, seal, required);
  return [
    work({
      steps: ['sleeveSealLand'],
      says: sentence`Press a sleeve on the seal land and finish it to ${band(required)}.`,
      parts: [sleeved],
    }),
    ...carried,
  ];
}

/** The flywheel end of block and crank. */
export const rearEnd: Joint = {
  id: 'rearEnd',
  name: 'Rear end',
  kinds: ['block', 'crank'],
  checks: [
    sameLook({
      id: 'rearSealForm',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Rear seal form',
      of: crank.features.rearSeal,
      as: block.features.rearSeal,
      mend: (_assembly, { mine }) =>
        mine === 'rope'
          ? [work({ steps: ['polishSealLand'], says: ['Turn off the knurl and polish the land for a lip seal.'] })]
          : [
              work({
                steps: ['sealInHalves'],
                says: ['Fit a lip seal in two halves in place of the rope, if one can be had for this groove.'],
              }),
            ],
    }),
    sameSize({
      id: 'rearSeal',
      name: 'Rear seal',
      of: seal,
      as: block.parameters['rearSeal.journal'],
      play: ends.sealLand,
      also: [crank.features.rearSeal.id],
      mend: (assembly, { found, required }) => sealWork(assembly, found, required),
    }),
    samePattern({
      id: 'flywheelFlange',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Flywheel flange',
      of: crank.interfaces.flywheelFlange,
      as: block.interfaces.flywheelFlange,
      mend: (assembly, { mine, theirs }) => [
        work({
          steps: ['flywheelWithCrank'],
          says: [
            `Take the flywheel that belongs to this crank (${mine}), if its ring gear meets the starter and it clears the bellhousing.`,
          ],
        }),
        ...(assembly.parts.crank
          ? [
              work({
                steps: ['redrillFlange'],
                says: [`Weld up the flange of the crank and redrill it for ${theirs}, where a shop does that at all.`],
                parts: [withPattern(assembly.parts.crank, crank.interfaces.flywheelFlange, theirs)],
              }),
            ]
          : []),
      ],
    }),
  ],
};

import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { middle, type Interval } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { ends, limitOf } from '../thumb/index.js';
import { lookOf, machined, type Assembly } from './assembly.js';
import { ALWAYS_MENDED, type Joint } from './check.js';
import { offer, work, type Offer } from './finding.js';
import { withPattern } from './operations/patterns.js';
import { turnSealLand } from './operations/trim.js';
import { sameLook, samePattern } from './shapes/same.js';
import { sameSize } from './shapes/sizes.js';

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
      work({ steps: ['turnSealLand'], says: sentence`Turn the seal land down to ${band(required)} and polish it without a lead.`, parts: [smaller] }),
    );
    return [...turned, ...carried];
  }
  if (required.low - found.high > limitOf(ends.sealSleeved, assembly.rules)) return carried;
  const sleeved = machined(part, seal, required);
  return [
    work({ steps: ['sleeveSealLand'], says: sentence`Press a sleeve on the seal land and finish it to ${band(required)}.`, parts: [sleeved] }),
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
      verdicts: ALWAYS_MENDED,
      name: 'Rear seal form',
      of: crank.features.rearSeal,
      as: block.features.rearSeal,
      mend: (_assembly, { mine }) =>
        mine === 'rope'
          ? [work({ steps: ['polishSealLand'], says: ['Turn off the knurl and polish the land for a lip seal.'] })]
          : [work({ steps: ['sealInHalves'], says: ['Fit a lip seal in two halves in place of the rope, if one can be had for this groove.'] })],
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
      verdicts: ALWAYS_MENDED,
      name: 'Flywheel flange',
      of: crank.interfaces.flywheelFlange,
      as: block.interfaces.flywheelFlange,
      mend: (assembly, { mine, theirs }) => [
        work({
          steps: ['flywheelWithCrank'],
          says: [`Take the flywheel that belongs to this crank (${mine}), if its ring gear meets the starter and it clears the bellhousing.`],
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

/** The timing end. */
export const frontEnd: Joint = {
  id: 'frontEnd',
  name: 'Front end',
  kinds: ['block', 'crank'],
  checks: [
    sameSize({
      id: 'nose',
      verdicts: ALWAYS_MENDED,
      name: 'Nose',
      of: crank.parameters['nose.diameter'],
      as: block.parameters['front.nose'],
      play: ends.nose,
      mend: (_assembly, { found }) => [
        work({
          steps: ['gearWithCrank'],
          says: sentence`Take the timing gear and pulley hub that belong to a nose of ${band(found)}, and the front seal for that hub.`,
        }),
      ],
    }),
    sameLook({
      id: 'frontDrive',
      verdicts: ALWAYS_MENDED,
      name: 'Drive of the nose',
      of: crank.features.frontDrive,
      as: block.features.frontDrive,
      mend: () => [
        work({
          steps: ['gearWithCrank'],
          says: ['Take timing gear and pulley hub of this crank: key, friction face and spline do not take each other’s hub.'],
        }),
      ],
    }),
  ],
};

/** A crank in place of another: what drove the timing stays. */
export const crankInPlace: Joint = {
  id: 'crankInPlace',
  name: 'In place of the crank',
  kinds: ['crank'],
  inPlaceOf: 'crank',
  checks: [
    samePattern({
      id: 'timingGear',
      verdicts: ALWAYS_MENDED,
      name: 'Timing gear',
      of: crank.interfaces.timingGear,
      as: crank.interfaces.timingGear,
      asOf: 'replaced',
      mend: () => [work({ steps: ['gearWithCrank'], says: ['Take the timing gear of this crank, and the wheel on the cam that meshes or runs with it.'] })],
    }),
    sameLook({
      id: 'sensorWheel',
      verdicts: ALWAYS_MENDED,
      name: 'Sensor wheel',
      of: crank.features.sensorWheel,
      as: crank.features.sensorWheel,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['It carries a sensor wheel that nothing reads here: it may stay if it clears the case.'] : undefined),
      mend: () => [work({ steps: ['takeAlong'], says: ['Press on the sensor wheel of the crank that comes out, clocked as it was.'] })],
    }),
  ],
};

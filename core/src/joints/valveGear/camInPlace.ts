import { cam } from '../../dictionary/kinds/cam.js';
import { middle } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameCount, sameLook, samePattern } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

/** A cam in place of another: what it drives and what reads it stays. */
export const camInPlace: Joint = {
  id: 'camInPlace',
  name: 'In place of the cam',
  kinds: ['cam'],
  inPlaceOf: 'cam',
  checks: [
    sameCount({ id: 'lobes', name: 'Lobes', of: cam.features.lobes, as: cam.features.lobes, asOf: 'replaced' }),
    sameLook({
      id: 'firingOrder',
      name: 'Firing order',
      of: cam.features.firingOrder,
      as: cam.features.firingOrder,
      asOf: 'replaced',
      otherwise: ({ mine, theirs }) => [
        `Fires ${mine}, the crank and its engine ${theirs}: the throws of the crank allow one of them only.`,
      ],
    }),
    sameLook({
      id: 'rotation',
      name: 'Direction of turning',
      of: cam.features.rotation,
      as: cam.features.rotation,
      asOf: 'replaced',
    }),
    sameLook({
      id: 'camDrive',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Drive',
      of: cam.features.drive,
      as: cam.features.drive,
      asOf: 'replaced',
      mend: () => [
        work({
          steps: ['takeAlong'],
          says: ['Take the timing drive of this cam, with its wheel for the crank and its cover.'],
        }),
      ],
    }),
    samePattern({
      id: 'gearSeat',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Seat of the timing wheel',
      of: cam.interfaces.gearSeat,
      as: cam.interfaces.gearSeat,
      asOf: 'replaced',
      mend: (_assembly, { mine }) => [
        work({ steps: ['takeAlong'], says: [`Take the timing wheel that belongs to this cam (${mine}).`] }),
      ],
    }),
    ...(
      [
        ['sensorPin', 'Sensor pin', cam.features.sensorPin, 'the injection would not start'],
        ['pumpLobe', 'Lobe for the pump', cam.features.pumpLobe, 'nothing would drive the fuel pump'],
        [
          'camGear',
          'Gear for the distributor',
          cam.features.gear,
          'nothing would drive the distributor and the oil pump under it',
        ],
      ] as const
    ).map(([id, name, of, otherwise]) =>
      sameLook({
        id,
        name,
        of,
        as: of,
        asOf: 'replaced',
        agree: ({ theirs }) => (theirs === 'none' ? ['It has one that nothing uses here.'] : undefined),
        otherwise: () => [`The cam that comes out has one and this has none: ${otherwise}.`],
        ...(id === 'pumpLobe'
          ? {
              verdicts: WORK_ALWAYS_HELPS,
              mend: () => [work({ steps: ['takeAlong'] as const, says: ['Fit an electric pump.'] })],
            }
          : {}),
      }),
    ),
    sameSize({
      id: 'baseCircle',
      name: 'Base circle',
      of: cam.parameters.baseCircle,
      play: valveGear.baseCircle,
      mend: (assembly, { found, required }) =>
        Math.abs(middle(found) - middle(required)) > limitOf(valveGear.baseCircleTaken, assembly.rules)
          ? []
          : [
              work({
                steps: ['pushrods'],
                says: sentence`Take pushrods, or shims, longer by half the difference of the base circles: ${band(found)} against ${band(required)}.`,
              }),
            ],
    }),
  ],
};

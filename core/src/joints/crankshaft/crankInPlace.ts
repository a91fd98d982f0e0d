import { crank } from '../../dictionary/kinds/crank.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook, samePattern } from '../shapes/same.js';

/** A crank in place of another: what drove the timing stays. */
export const crankInPlace: Joint = {
  id: 'crankInPlace',
  name: 'In place of the crank',
  kinds: ['crank'],
  inPlaceOf: 'crank',
  checks: [
    samePattern({
      id: 'timingGear',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Timing gear',
      of: crank.interfaces.timingGear,
      as: crank.interfaces.timingGear,
      asOf: 'replaced',
      mend: () => [
        work({
          steps: ['gearWithCrank'],
          says: ['Take the timing gear of this crank, and the wheel on the cam that meshes or runs with it.'],
        }),
      ],
    }),
    sameLook({
      id: 'wheelSeat',
      name: 'Seat of the flywheel',
      of: crank.features.flywheelSeat,
      as: crank.features.flywheelSeat,
      asOf: 'replaced',
      verdicts: WORK_ALWAYS_HELPS,
      mend: () => [
        work({
          steps: ['flywheelWithCrank'],
          says: ['Take the flywheel that belongs to this crank: the old one does not sit on it.'],
        }),
      ],
    }),
    sameLook({
      id: 'sensorWheel',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Sensor wheel',
      of: crank.features.sensorWheel,
      as: crank.features.sensorWheel,
      asOf: 'replaced',
      agree: ({ theirs }) =>
        theirs === 'none'
          ? ['It carries a sensor wheel that nothing reads here: it may stay if it clears the case.']
          : undefined,
      mend: () => [
        work({
          steps: ['takeAlong'],
          says: ['Press on the sensor wheel of the crank that comes out, clocked as it was.'],
        }),
      ],
    }),
  ],
};

import { frontCover } from '../../dictionary/kinds/frontCover.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook, samePattern } from '../shapes/same.js';

/** Another front cover: pump, sensor and pointer. */
export const coverInPlace: Joint = {
  id: 'coverInPlace',
  name: 'In place of the cover',
  kinds: ['frontCover'],
  inPlaceOf: 'frontCover',
  checks: [
    samePattern({
      id: 'coverPattern',
      name: 'Bolts and dowels',
      of: frontCover.interfaces.frontCover,
      as: frontCover.interfaces.frontCover,
      asOf: 'replaced',
    }),
    sameLook({
      id: 'coverPump',
      name: 'Pump in the cover',
      of: frontCover.features.pump,
      as: frontCover.features.pump,
      asOf: 'replaced',
    }),
    sameLook({
      id: 'coverSensor',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Sensor boss',
      of: frontCover.features.sensor,
      as: frontCover.features.sensor,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['It has a boss that is plugged here.'] : undefined),
      mend: () => [
        work({
          steps: ['drillAndTap'],
          says: ['Drill and tap the undrilled boss for the sensor, where the casting has one at the place.'],
        }),
      ],
    }),
    sameLook({
      id: 'pointer',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Timing pointer',
      of: frontCover.features.pointer,
      as: frontCover.features.pointer,
      asOf: 'replaced',
      mend: () => [
        work({
          steps: ['takeAlong'],
          says: ['Use the damper whose mark belongs to this pointer, or set a pointer anew at top dead centre.'],
        }),
      ],
    }),
  ],
};

import { valve } from '../../dictionary/kinds/valve.js';
import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { samePattern } from '../shapes/same.js';

/** The keepers hold the spring on the valve: groove and retainer are one set. */
export const springOnValve: Joint = {
  id: 'springOnValve',
  name: 'Springs and keepers',
  kinds: ['valve', 'valveSpring'],
  checks: [
    samePattern({
      id: 'keepers',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Keepers and retainer',
      of: valveSpring.interfaces.keepers,
      as: valve.interfaces.keepers,
      mend: (_assembly, { theirs }) => [
        work({
          steps: ['takeAlong'],
          says: [`Take retainers for this spring with the keepers of the valve (${theirs}).`],
        }),
      ],
    }),
  ],
};

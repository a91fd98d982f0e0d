import type { Interface } from '../../dictionary/definition.js';
import { WORK_ALWAYS_HELPS, type JointCheck } from '../check.js';
import { work } from '../outcome.js';
import { samePattern } from '../shapes/same.js';

export const stays = (id: string, name: string, of: Interface, says: string): JointCheck =>
  samePattern({
    id,
    name,
    of,
    as: of,
    asOf: 'replaced',
    verdicts: WORK_ALWAYS_HELPS,
    otherwise: ({ mine, theirs }) => [`${mine} where ${theirs} was.`],
    mend: (_assembly, { mine }) => [work({ steps: ['takeAlong'], says: [`${says} (${mine}).`] })],
  });

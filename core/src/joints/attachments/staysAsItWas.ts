import type { Interface } from '../../dictionary/definition.js';
import { ALWAYS_MENDED, type JointCheck } from '../check.js';
import { work } from '../outcome.js';
import { samePattern } from '../shapes/same.js';

export const stays = (id: string, name: string, of: Interface, says: string): JointCheck =>
  samePattern({
    id,
    name,
    of,
    as: of,
    asOf: 'replaced',
    verdicts: ALWAYS_MENDED,
    otherwise: ({ mine, theirs }) => [`${mine} where ${theirs} was.`],
    mend: (_assembly, { mine }) => [work({ steps: ['takeAlong'], says: [`${says} (${mine}).`] })],
  });

import { block } from '../../dictionary/kinds/block.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { bearings } from '../../thumb/index.js';
import { NO_WORK_HELPS, type Joint, type JointCheck } from '../check.js';
import { said, seeing } from '../outcome.js';
import { sameSize } from '../shapes/sizes.js';

const plain: JointCheck = {
  id: 'plainMains',
  name: 'Mains in shells',
  reads: [block.features.mainsRun.id],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) =>
    seeing(assembly, [block.features.mainsRun], (run) =>
      run === 'shells'
        ? said('fits', ['The mains of this block run in shells.'])
        : said('doesNotFit', ['The mains of this block run in rolling bearings: shells have no place there.']),
    ),
};

/** Main shells in hand, in a case: whether they go in at all. How they run is asked with the crank. */
export const shellsInCase: Joint = {
  id: 'shellsInCase',
  name: 'Shells in the case',
  kinds: ['block', 'mainShell'],
  checks: [
    plain,
    sameSize({
      id: 'mainShellHousing',
      name: 'Main housing',
      of: mainShell.parameters['housing.diameter'],
      as: block.parameters['mainHousing.diameter'],
      play: bearings.shellHousing,
    }),
  ],
};

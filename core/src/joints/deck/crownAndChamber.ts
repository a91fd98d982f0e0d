import { sayLook } from '../../dictionary/dictionary.js';
import { head } from '../../dictionary/kinds/head.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { lookOf } from '../assembly.js';
import { NO_WORK_HELPS, type JointCheck, type Joint } from '../check.js';
import { said, seeing } from '../outcome.js';
import { chamberOverBore } from './headOnBlock.js';
import { valvePockets } from './valvePockets.js';

const { crown } = piston.features;

/** Forms of a crown that hold the chamber themselves. */
const isDeep = (form: string | undefined): boolean => form === 'bowl' || form === 'reentrant';

const chamberPosition: JointCheck = {
  id: 'chamberPosition',
  name: 'Crown under the chamber',
  reads: [piston.features.chamberPosition.id, head.features.chamberPosition.id, crown.id],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) => {
    const form = lookOf(assembly, crown);
    if (form !== undefined && !isDeep(form))
      return said('fits', ['The crown has no bowl that must lie under the chamber.']);
    return seeing(
      assembly,
      [crown, piston.features.chamberPosition, head.features.chamberPosition],
      (_form, mine, theirs) =>
        mine === theirs
          ? said('fits', [`Bowl and chamber are both ${mine}.`])
          : said('doesNotFit', [`The bowl is ${mine}, the chamber ${theirs}: the spray would miss the bowl.`]),
    );
  },
};

/** How a crown goes with a chamber; nothing where the two leave a room to burn in. *Common practice, no source.* */
function clash(form: string, chamber: string): string | undefined {
  const none = chamber === 'flat';
  if (form === 'dome' && (none || chamber === 'prechamber'))
    return 'the dome has no chamber to stand in, and meets the head';
  if (isDeep(form) && !none) return 'the bowl is a chamber by itself, and the head has another';
  if (none && !isDeep(form) && form !== 'dish') return 'neither crown nor head leaves a room to burn in';
  return undefined;
}

const crownForm: JointCheck = {
  id: 'crownForm',
  name: 'Crown and form of the chamber',
  reads: [crown.id, head.features.chamberForm.id],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) =>
    seeing(assembly, [crown, head.features.chamberForm], (form, chamber) => {
      const both = `Crown: ${sayLook(crown, form)}. Chamber: ${sayLook(head.features.chamberForm, chamber)}.`;
      const why = clash(form, chamber);
      if (why !== undefined) return said('doesNotFit', [`${both} They do not go together: ${why}.`]);
      return said('fits', [
        form === 'dome'
          ? `${both} A dome is shaped for one chamber: turn it by hand with clay on the crown first.`
          : `${both} They go together.`,
      ]);
    }),
};

/** Piston and head, whatever lies between them. */
export const crownAndChamber: Joint = {
  id: 'crownAndChamber',
  name: 'Crown and chamber',
  kinds: ['piston', 'head'],
  checks: [chamberOverBore('crownBore', piston.parameters.bore), crownForm, chamberPosition, valvePockets],
};

import { flywheel } from '../../dictionary/kinds/flywheel.js';
import { minus } from '../../quantity/interval.js';
import { ends } from '../../thumb/index.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameCount, sameLook, samePattern } from '../shapes/same.js';
import { before, noLess, within } from '../shapes/within.js';

/** A flywheel in place of another: starter, clutch and bellhousing stay. */
export const flywheelInPlace: Joint = {
  id: 'flywheelInPlace',
  name: 'In place of the flywheel',
  kinds: ['flywheel'],
  inPlaceOf: 'flywheel',
  checks: [
    sameCount({
      id: 'teeth',
      name: 'Teeth of the ring gear',
      of: flywheel.features.teeth,
      as: flywheel.features.teeth,
      asOf: 'replaced',
    }),
    sameLook({
      id: 'balance',
      name: 'Balance',
      of: flywheel.features.balance,
      as: flywheel.features.balance,
      asOf: 'replaced',
      otherwise: () => [
        'One engine is balanced with its flywheel and the other without: it would shake itself to pieces.',
      ],
    }),
    within({
      id: 'flywheelRoom',
      name: 'Inside the bellhousing',
      of: { was: before(flywheel.parameters.diameter), is: flywheel.parameters.diameter },
      found: ({ was, is }) => minus(was, is),
      required: noLess(ends.flywheel),
      subject: 'What the old one was larger',
      tooLittle: 'it would strike the bellhousing',
      tooMuch: 'there is more than enough',
      caution: 'A flywheel run too fast bursts: keep to its rated speed, and check that the bellhousing is whole.',
    }),
    samePattern({
      id: 'clutch',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Clutch',
      of: flywheel.interfaces.clutch,
      as: flywheel.interfaces.clutch,
      asOf: 'replaced',
      mend: (_assembly, { mine }) => [
        work({
          steps: ['takeAlong'],
          says: [`Take the clutch that belongs to it (${mine}), if its hub meets the shaft.`],
        }),
      ],
    }),
  ],
};

import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { minus } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { bandOf, cite, ends, limitOf } from '../../thumb/index.js';
import { lookOf, valueOf, withPart, type Assembly } from '../assembly.js';
import { WORK_ALWAYS_HELPS, type JointCheck, type Joint } from '../check.js';
import { atLeast, closer, hold, mended, missing, said, work, type Offer } from '../outcome.js';
import { isDone } from '../operations/operation.js';
import { turnCounterweights, turnOffWebLip } from '../operations/cranks.js';
import { notLargerThan } from '../shapes/sizes.js';

function turnedWeights(assembly: Assembly, lacking: number): readonly Offer[] {
  const part = assembly.parts.crank;
  const room = valueOf(assembly, block.parameters['crankcase.swing'])?.interval;
  const worked = part && turnCounterweights(part, lacking, assembly.rules);
  if (!worked || !isDone(worked) || !room) return [];
  const swing = valueOf(withPart(assembly, worked.part), crank.parameters.swing)?.interval ?? room;
  const found = minus(room, swing);
  return [
    work({
      steps: ['turnCounterweights'],
      says: sentence`Take ${value(lacking)} off the radius of the counterweights: ${band(found)} of room.`,
      found,
      required: atLeast(limitOf(ends.caseRoom, assembly.rules), found),
      parts: [worked.part],
    }),
  ];
}

const lipSize = crank.parameters['webLip.diameter'];

const grooveSize = block.parameters['lipGroove.diameter'];

const webLip: JointCheck = {
  id: 'webLip',
  confirming: true,
  name: 'Lip on the rear web',
  reads: [crank.features.webLip.id, block.features.lipGroove.id, lipSize.id, grooveSize.id],
  verdicts: WORK_ALWAYS_HELPS,
  judge: (assembly) => {
    const [lip, groove] = [lookOf(assembly, crank.features.webLip), lookOf(assembly, block.features.lipGroove)];
    if (lip === undefined) return missing([crank.features.webLip], 'count');
    if (lip === 'none') return said('fits', ['The web is plain, so no groove is needed.']);
    if (groove === undefined) return missing([block.features.lipGroove], 'count');
    if (groove !== 'present')
      return mended(
        said('doesNotFit', [
          'The web carries a lip and this case has no groove for it: it will not turn until the lip is off.',
        ]),
        turnedLip(assembly),
      );
    const [size, room] = [valueOf(assembly, lipSize), valueOf(assembly, grooveSize)];
    if (!size || !room) return missing([...(size ? [] : [lipSize]), ...(room ? [] : [grooveSize])]);
    const found = minus(room.interval, size.interval);
    const required = bandOf(ends.lip, assembly.rules);
    const held = hold(found, required);
    return mended(
      {
        ...held,
        quantity: 'length',
        found,
        required,
        ruleOfThumb: cite(ends.lip, assembly.rules),
        because: sentence`The lip ${band(size.interval)} has ${band(found)} of room in the groove.`,
        work: [],
        needs:
          held.verdict === 'cannotTell'
            ? closer([
                [lipSize, size],
                [grooveSize, room],
              ])
            : [],
      },
      held.verdict === 'doesNotFit' ? turnedLip(assembly) : [],
    );
  },
};

function turnedLip(assembly: Assembly): readonly Offer[] {
  const part = assembly.parts.crank;
  if (!part) return [];
  const plain = turnOffWebLip(part);
  return [
    work({
      steps: ['turnOffLip'],
      says: sentence`Turn the lip off the rear web. ${webLip.judge(withPart(assembly, plain)).because}`,
      parts: [plain],
    }),
  ];
}

/** What turns, and the room the case gives it. */
export const crankcase: Joint = {
  id: 'crankcase',
  name: 'Crankcase',
  kinds: ['block', 'crank'],
  checks: [
    notLargerThan({
      id: 'swing',
      name: 'Swing of counterweights and throws',
      of: crank.parameters.swing,
      within: block.parameters['crankcase.swing'],
      room: ends.caseRoom,
      mend: (assembly, { lacking }) => turnedWeights(assembly, lacking),
    }),
    webLip,
  ],
};

import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { interval, minus } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { hold, lookOf, missing, valueOf, withPart, type Assembly, type Check, type Joint, type WorkOption } from './check.js';
import { BALANCE_CAUTION, turnCounterweights, turnOffWebLip } from './operations/trim.js';
import { notLargerThan } from './shapes.js';

/** Least room between anything that turns and the case: 1.5 mm. *Common practice, no source* ("sixty thou"). */
const LEAST_ROOM = 1.5;

function turnedWeights(assembly: Assembly, lacking: number): WorkOption[] {
  const part = assembly.parts.crank;
  const room = valueOf(assembly, block.parameters['crankcase.swing'])?.interval;
  const worked = part && turnCounterweights(part, lacking);
  if (!worked || 'refused' in worked || !room) return [];
  const swing = valueOf(withPart(assembly, worked.part), crank.parameters.swing)?.interval ?? room;
  const found = minus(room, swing);
  return [
    {
      name: 'Turn the counterweights down',
      says: sentence`Take ${value(lacking)} off the radius of the counterweights: ${band(found)} of room.`,
      found,
      required: interval(LEAST_ROOM, Math.max(found.high, LEAST_ROOM) + LEAST_ROOM),
      canUndo: false,
      caution: BALANCE_CAUTION,
    },
  ];
}

/** Room a lip needs round it in its groove. */
const LIP_ROOM = interval(0.5, 20);

const webLip: Check = {
  id: 'webLip',
  name: 'Lip on the rear web',
  judge: (assembly) => {
    const [lip, groove] = [lookOf(assembly, crank.features.webLip), lookOf(assembly, block.features.lipGroove)];
    if (lip === undefined) return missing([crank.features.webLip], 'count');
    if (lip === 'none') return { verdict: 'fits', quantity: 'count', because: ['The web is plain, so no groove is needed.'], work: [], needs: [] };
    if (groove === undefined) return missing([block.features.lipGroove], 'count');
    if (groove === 'present') {
      const [size, room] = [valueOf(assembly, crank.parameters['webLip.diameter']), valueOf(assembly, block.parameters['lipGroove.diameter'])];
      if (!size || !room) return missing([...(size ? [] : [crank.parameters['webLip.diameter']]), ...(room ? [] : [block.parameters['lipGroove.diameter']])]);
      const found = minus(room.interval, size.interval);
      const held = hold(found, LIP_ROOM);
      return {
        ...held,
        verdict: held.verdict === 'doesNotFit' ? 'fitsWithWork' : held.verdict,
        quantity: 'length',
        found,
        required: LIP_ROOM,
        because: sentence`The lip ${band(size.interval)} has ${band(found)} of room in the groove.`,
        work: held.verdict === 'doesNotFit' ? turnedLip(assembly) : [],
        needs: held.verdict === 'cannotTell' ? [crank.parameters['webLip.diameter'].id] : [],
      };
    }
    return {
      verdict: 'fitsWithWork',
      quantity: 'count',
      because: ['The web carries a lip and this case has no groove for it: it will not turn until the lip is off.'],
      work: turnedLip(assembly),
      needs: [],
    };
  },
};

function turnedLip(assembly: Assembly): WorkOption[] {
  const part = assembly.parts.crank;
  if (!part) return [];
  const then = webLip.judge(withPart(assembly, turnOffWebLip(part)));
  return [{ name: 'Turn the lip off', says: sentence`Turn the lip off the rear web. ${then.because}`, canUndo: false, caution: BALANCE_CAUTION }];
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
      room: LEAST_ROOM,
      roomFrom: 'Rod bolts, bores, oil gallery and pan rail want room as well: turn it by hand with rods on. Common practice.',
      mend: (assembly, { lacking }) => turnedWeights(assembly, lacking),
    }),
    webLip,
  ],
};

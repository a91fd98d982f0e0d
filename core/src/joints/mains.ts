import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { mainShell } from '../dictionary/kinds/mainShell.js';
import { around, interval, middle, minus } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { hold, missing, valueOf, type Check, type Finding, type Joint, type WorkOption } from './check.js';
import { mainBearingClearance } from './mainBearingClearance.js';
import { grindThrustFaces } from './operations/trim.js';
import { sameCount, sameSize } from './shapes.js';
import { chosenShell, sayShell } from './shellChoice.js';

const thrust = crank.parameters['thrustJournal.width'];
const journalWidth = crank.parameters['mainJournal.width'];

/** End float when the block specifies none. *Common practice, no source*: 0.05 to 0.25 mm. */
const USUAL_END_FLOAT = interval(0.05, 0.25);

const endFloat: Check = {
  id: 'endFloat',
  name: 'Thrust and end float',
  judge: (assembly) => {
    const journal = valueOf(assembly, thrust);
    const shell = chosenShell(assembly)?.shell;
    const flange = shell?.values[mainShell.parameters.flangeWidth.id];
    if (!journal || !flange) return missing([...(journal ? [] : [thrust]), ...(flange ? [] : [mainShell.parameters.flangeWidth])]);
    const specified = valueOf(assembly, block.parameters['crank.endFloat']);
    const required = specified?.interval ?? USUAL_END_FLOAT;
    const found = minus(journal.interval, flange.interval);
    const held = hold(found, required);
    const work: WorkOption[] = [];
    const part = assembly.parts.crank;
    if (held.verdict === 'doesNotFit' && part && found.high < required.high) {
      const to = middle(flange.interval) + middle(required);
      if ('part' in grindThrustFaces(part, to)) {
        const then = minus(around(to, 0.02), flange.interval);
        work.push({
          name: 'Grind the thrust faces',
          says: sentence`Grind the thrust faces apart to ${band(around(to, 0.02))}: end float ${band(then)}.`,
          found: then,
          required,
          canUndo: false,
        });
      }
    }
    const finding: Finding = {
      ...held,
      verdict: work.length > 0 ? 'fitsWithWork' : held.verdict,
      quantity: 'length',
      found,
      required,
      ...(specified ? {} : { ruleOfThumb: 'Rule of thumb, the block specifies none. Common practice.' }),
      because:
        held.verdict === 'fits'
          ? sentence`Thrust journal ${band(journal.interval)} over the thrust shell ${band(flange.interval)} leaves ${band(found)}.`
          : sentence`End float would be ${band(found)}: ${band(required)} wanted.`,
      work,
      needs: held.verdict === 'cannotTell' && journal.source !== 'measured' ? [thrust.id] : [],
    };
    return finding;
  },
};

/** Room a shell leaves beside it for the fillets of the journal, both sides together. *Common practice, no source.* */
const FILLET_ROOM = interval(0.5, 8);

const shellWidth: Check = {
  id: 'shellWidth',
  name: 'Main widths',
  judge: (assembly) => {
    const journal = valueOf(assembly, journalWidth);
    const choice = chosenShell(assembly);
    const shell = choice?.shell.values[mainShell.parameters.width.id];
    if (!journal || !choice || !shell) return missing([...(journal ? [] : [journalWidth]), ...(shell ? [] : [mainShell.parameters.width])]);
    const found = minus(journal.interval, shell.interval);
    const held = hold(found, FILLET_ROOM);
    return {
      ...held,
      quantity: 'length',
      found,
      required: FILLET_ROOM,
      ruleOfThumb: 'The shell must clear the fillets and cover the journal. Common practice.',
      because:
        held.verdict === 'fits'
          ? sentence`Journals ${band(journal.interval)} wide take shells ${band(shell.interval)} wide, clear of the fillets.`
          : sentence`Journals ${band(journal.interval)} wide against shells ${band(shell.interval)}, ${sayShell(choice)}: they would ${found.low < FILLET_ROOM.low ? 'ride up the fillets' : 'leave too much journal bare'}.`,
      work: [],
      needs: held.verdict === 'cannotTell' && journal.source !== 'measured' ? [journalWidth.id] : [],
    };
  },
};

/** Block, main shells and crank. */
export const mains: Joint = {
  id: 'mains',
  name: 'Main bearings',
  kinds: ['block', 'mainShell', 'crank'],
  checks: [
    sameCount({ id: 'mainCount', name: 'Number of mains', of: crank.features.mainCount, as: block.features.mainCount }),
    sameSize({
      id: 'mainSpacing',
      name: 'Main spacing',
      of: crank.parameters.mainPitch,
      as: block.parameters.mainPitch,
      play: interval(-0.6, 0.6),
      playFrom: 'Journals must lie under their housings within the play of the widths. Common practice.',
    }),
    mainBearingClearance,
    shellWidth,
    endFloat,
  ],
};

import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { apart, around, margin, middle, type Interval } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { hold, missing, valueOf, withPart, type Assembly, type Check, type Finding, type WorkOption } from './check.js';
import { fitSpacerShells, SPACER_CAUTION } from './operations/fitSpacerShells.js';
import { LINE_BORE_CAUTION, lineBore } from './operations/lineBore.js';
import { GROUND_WITHIN, REGRIND_CAUTION, regrindJournal } from './operations/regrindJournal.js';
import { isSpacer, oilClearance, requiredClearance, sayShell, shellChoices, shellSizes, unknownOfMains, type RequiredClearance } from './shellChoice.js';

const housing = block.parameters['mainHousing.diameter'];
const journal = crank.parameters['mainJournal.diameter'];

/** Past this, journal and shell are plainly not made for each other, and the sizes say more than the clearance. */
const ANOTHER_SIZE = 0.6;

/** Housing, shell and journal together: the oil clearance that results, and what work would bring it right. */
export const mainBearingClearance: Check = {
  id: 'oilClearance',
  name: 'Oil clearance',
  judge: (assembly) => {
    const [bore, shaft] = [valueOf(assembly, housing), valueOf(assembly, journal)];
    if (!bore || !shaft) return missing(unknownOfMains(assembly));
    const required = requiredClearance(assembly, shaft.interval);
    const best = shellChoices(assembly, required.band)[0];
    if (!best) return noShell(assembly, bore.interval, required);
    const held = hold(best.clearance, required.band);
    const work = held.verdict === 'fits' ? [] : workOptions(assembly, required.band);
    const finding: Finding = {
      ...held,
      verdict: held.verdict === 'doesNotFit' && work.length > 0 ? 'fitsWithWork' : held.verdict,
      quantity: 'length',
      found: best.clearance,
      required: required.band,
      ...(required.ruleOfThumb ? { ruleOfThumb: required.ruleOfThumb } : {}),
      because: [],
      work,
      needs: held.verdict === 'cannotTell' ? [shaft, bore].flatMap((each, at) => (each.source === 'measured' ? [] : [[journal.id, housing.id][at] ?? ''])) : [],
      ...(work.length > 0 ? { caution: 'Measure every housing, shell and journal on the real parts before ordering; the maker’s own figures rule.' } : {}),
    };
    return { ...finding, because: because(finding, sayShell(best), bore.interval, shaft.interval) };
  },
};

function because(finding: Finding, shell: string, bore: Interval, shaft: Interval) {
  const found = finding.found ?? bore;
  const wanted = finding.required ?? bore;
  if (finding.verdict === 'fits') return sentence`With shells ${shell} the journal ${band(shaft)} runs with ${band(found)}, ${band(wanted)} wanted.`;
  if (finding.verdict === 'cannotTell')
    return sentence`With shells ${shell} the clearance may be anything from ${band(found)}: astride what is wanted, ${band(wanted)}. Measuring will narrow it.`;
  if (found.high < -ANOTHER_SIZE)
    return sentence`The journal ${band(shaft)} is ${value(-middle(found))} larger than any shell for the housing ${band(bore)} leaves room for.`;
  if (found.low > ANOTHER_SIZE) return sentence`The journal ${band(shaft)} is ${value(middle(found))} smaller than the shells for the housing ${band(bore)}.`;
  return sentence`With the nearest shells, ${shell}, the clearance would be ${band(found)}: ${band(wanted)} wanted.`;
}

function noShell(assembly: Assembly, bore: Interval, required: RequiredClearance): Finding {
  const work = workOptions(assembly, required.band);
  return {
    verdict: work.length > 0 ? 'fitsWithWork' : 'cannotTell',
    quantity: 'length',
    required: required.band,
    because: sentence`The catalogue has no shells for a housing of ${band(bore)}${work.length > 0 ? ' as it is' : ': measure the shells that are in it'}.`,
    work,
    needs: work.length > 0 ? [] : ['mainShell.wall'],
  };
}

/** Everything that would bring the clearance right, least work first. */
function workOptions(assembly: Assembly, required: Interval): WorkOption[] {
  return [...regrinds(assembly, required), ...spacers(assembly, required), ...lineBores(assembly, required)];
}

/** Grind the journals down to the largest size for which the block has shells. */
function regrinds(assembly: Assembly, required: Interval): WorkOption[] {
  const part = assembly.parts.crank;
  const bore = valueOf(assembly, housing)?.interval;
  if (!part || !bore) return [];
  const targets = shellSizes(assembly)
    .filter((each) => !apart(each.housing, bore))
    .map((each) => ({ ...each, target: around(middle(bore) - 2 * middle(each.wall) - middle(required), GROUND_WITHIN) }))
    .sort((a, b) => b.target.high - a.target.high);
  for (const each of targets) {
    const worked = regrindJournal(part, journal, each.target);
    if ('refused' in worked) continue;
    const found = oilClearance(bore, each.wall, each.target);
    // The grinder works to the housing as it is, so the middle decides; measuring narrows the rest.
    if (margin({ low: middle(found), high: middle(found) }, required) < 0) continue;
    return [
      {
        name: 'Regrind the mains',
        says: sentence`Grind all main journals to ${band(each.target)} and fit ${sayShell(each)}: clearance ${band(found)}.`,
        found,
        required,
        canUndo: false,
        caution: REGRIND_CAUTION,
      },
    ];
  }
  return [];
}

/** Line the housings with spacer shells and use the shells the crank was made for. */
function spacers(assembly: Assembly, required: Interval): WorkOption[] {
  const recipient = assembly.parts.block;
  const shaft = valueOf(assembly, journal)?.interval;
  if (!recipient || !shaft) return [];
  return assembly.available.filter(isSpacer).flatMap((spacer) => {
    const worked = fitSpacerShells(recipient, spacer);
    if ('refused' in worked) return [];
    const lined = withPart(assembly, worked.part);
    const choice = shellChoices(lined, required)[0];
    if (!choice) return [];
    if (margin({ low: middle(choice.clearance), high: middle(choice.clearance) }, required) < 0) {
      // The right shells by their housing, but the journals are worn or too large for them: then they are ground as well.
      return regrinds(lined, required).map((option) => ({
        ...option,
        name: 'Spacer shells, and regrind the mains',
        says: sentence`Line the housings with ${spacer.label}. ${option.says}`,
        caution: `${SPACER_CAUTION} ${REGRIND_CAUTION}`,
      }));
    }
    return [
      {
        name: 'Spacer shells',
        says: sentence`Line the housings with ${spacer.label} and fit ${sayShell(choice)}: clearance ${band(choice.clearance)}.`,
        found: choice.clearance,
        required,
        canUndo: true,
        caution: SPACER_CAUTION,
      },
    ];
  });
}

/** Bore the housings out for the shells the crank was made for. */
function lineBores(assembly: Assembly, required: Interval): WorkOption[] {
  const recipient = assembly.parts.block;
  const shaft = valueOf(assembly, journal)?.interval;
  if (!recipient || !shaft) return [];
  const options = shellSizes(assembly).flatMap((each) => {
    const found = oilClearance(each.housing, each.wall, shaft);
    if (margin({ low: middle(found), high: middle(found) }, required) < 0) return [];
    const worked = lineBore(recipient, each.housing);
    if ('refused' in worked) return [];
    return [
      {
        name: 'Line bore',
        says: sentence`Bore the main housings out to ${band(each.housing)} and fit ${sayShell(each)}: clearance ${band(found)}.`,
        found,
        required,
        canUndo: false,
        caution: LINE_BORE_CAUTION,
      },
    ];
  });
  return options.slice(0, 1);
}

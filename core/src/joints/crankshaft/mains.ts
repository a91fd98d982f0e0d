import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { around, margin, middle, minus, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bandOf, bearings, cite, ends, limitOf } from '../../thumb/index.js';
import { lookOf, valueOf, withPart, type Assembly } from '../assembly.js';
import { WORK_MAY_HELP, NO_WORK_HELPS, type JointCheck, type Joint } from '../check.js';
import { closer, hold, isOption, mended, missing, offer, said, work, type Outcome, type Offer } from '../outcome.js';
import { fitSpacerShells, lineBore } from '../operations/housings.js';
import { isDone } from '../operations/operation.js';
import { grindThrustFaces } from '../operations/cranks.js';
import { roundAndParallel } from '../shapes/roundAndParallel.js';
import { sameCount } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';
import { mendedBy, specified, undecided, wantedBefore } from '../shapes/within.js';
import { bearingClearance, centred, trueUp, type HousingWork } from './bearingClearance.js';
import {
  isSpacer,
  requiredClearance,
  sayShell,
  sayShells,
  SHELL_SIZES,
  shellChoices,
  shellsForJournal,
  oilClearance,
  type PlainBearing,
} from './bearings.js';

/** The main bearings, where they run in shells. */
export const MAIN_BEARING: PlainBearing = {
  housing: block.parameters['mainHousing.diameter'],
  journal: crank.parameters['mainJournal.diameter'],
  clearance: block.parameters['main.oilClearance'],
  shell: 'mainShell',
  suits: () => true,
};

/** What is said where the mains run in rolling bearings, which have a joint of their own. */
const inRollingBearings = (assembly: Assembly): Outcome | undefined =>
  lookOf(assembly, block.features.mainsRun) === 'rolling'
    ? said('fits', ['The mains run in rolling bearings: there are no shells here.'])
    : undefined;

const RUN = block.features.mainsRun.id;

/** Line the housings for smaller journals, or bore them out for larger ones. */
const housingWork: HousingWork = (assembly, required, grind) => {
  const recipient = assembly.parts.block;
  const shaft = valueOf(assembly, MAIN_BEARING.journal)?.interval;
  if (!recipient || !shaft) return [];
  const spacers = (assembly.stock.mainShell ?? []).filter(isSpacer).flatMap((spacer): readonly Offer[] => {
    const worked = fitSpacerShells(recipient, spacer);
    if (!isDone(worked)) return [];
    const lined = withPart(assembly, worked.part);
    const choice = shellChoices(MAIN_BEARING, lined, required)[0];
    if (!choice) return [];
    if (!centred(choice.clearance, required))
      // The right shells by their housing, but the journals are worn or too large for them: then they are ground as
      // well.
      return grind(lined)
        .filter(isOption)
        .map((option) =>
          work({
            ...option,
            name: 'Spacer shells, and regrind the mains',
            steps: ['spacerShells', 'regrindMains'],
            says: sentence`Line the housings with ${spacer.label}. ${option.says}`,
            parts: [worked.part, ...option.parts],
            buy: [spacer.pattern, ...option.buy],
          }),
        );
    return [
      work({
        steps: ['spacerShells'],
        says: sentence`Line the housings with ${spacer.label} and fit ${sayShells(choice)}: clearance ${band(choice.clearance)}.`,
        found: choice.clearance,
        required,
        parts: [worked.part],
        buy: [spacer.pattern, ...choice.shells.map(({ shell }) => shell.pattern)],
      }),
    ];
  });
  const bored = shellsForJournal(MAIN_BEARING, assembly, shaft, required).flatMap((each): readonly Offer[] => {
    const found = oilClearance(each.housing, each.wall, shaft);
    if (!centred(found, required)) return [];
    return offer(lineBore(recipient, each.housing, assembly.rules), (bored) =>
      work({
        steps: ['lineBore'],
        says: sentence`Bore the main housings out to ${band(each.housing)} and fit ${sayShell(each)}: clearance ${band(found)}.`,
        found,
        required,
        parts: [bored],
        buy: [each.shell.pattern],
      }),
    );
  });
  return [...spacers, ...bored.slice(0, 1)];
};

const thrust = crank.parameters['thrustJournal.width'];

const journalWidth = crank.parameters['mainJournal.width'];

/** What shells are chosen by; where some come along, their sizes as well. */
const BEARING_READS = [
  MAIN_BEARING.housing.id,
  MAIN_BEARING.journal.id,
  MAIN_BEARING.clearance.id,
  SHELL_SIZES.mainShell.wall.id,
  SHELL_SIZES.mainShell.housing.id,
  RUN,
];

/**
 * The shells that the main bearings of this assembly would be given: the right ones, or all that are made for the
 * housing while it is not known which of them it will be.
 */
function possibleShells(assembly: Assembly): readonly Part[] {
  const journal = valueOf(assembly, MAIN_BEARING.journal)?.interval;
  if (!journal) return [];
  const required = requiredClearance(MAIN_BEARING, assembly, journal).band;
  const choices = shellChoices(MAIN_BEARING, assembly, required);
  const right = choices[0] && margin(choices[0].clearance, required) >= 0 ? choices[0].shells : undefined;
  return [...new Set((right ?? choices.flatMap(({ shells }) => shells)).map(({ shell }) => shell))];
}

/** What a size of the possible shells may be, all of them together; nothing where one of them does not tell. */
function sizeOfShells(shells: readonly Part[], parameter: Parameter): Interval | undefined {
  const sizes = shells.map((shell) => shell.values[parameter.id]?.interval);
  if (sizes.length === 0 || sizes.includes(undefined)) return undefined;
  return {
    low: Math.min(...sizes.map((size) => size?.low ?? 0)),
    high: Math.max(...sizes.map((size) => size?.high ?? 0)),
  };
}

const endFloat: JointCheck = {
  id: 'endFloat',
  name: 'Thrust and end float',
  reads: [thrust.id, block.parameters['crank.endFloat'].id, mainShell.parameters.flangeWidth.id, ...BEARING_READS],
  verdicts: WORK_MAY_HELP,
  judge: (assembly) => {
    const rolling = inRollingBearings(assembly);
    if (rolling) return rolling;
    const journal = valueOf(assembly, thrust);
    const flange = sizeOfShells(possibleShells(assembly), mainShell.parameters.flangeWidth);
    if (!journal || !flange)
      return missing([...(journal ? [] : [thrust]), ...(flange ? [] : [mainShell.parameters.flangeWidth])]);
    const requirement = specified(assembly, block.parameters['crank.endFloat'], bearings.endFloat);
    const required = requirement.band;
    const found = minus(journal.interval, flange);
    const held = hold(found, required, requirement.inPlaceOf?.leeway);
    const part = assembly.parts.crank;
    const grind = (wanted: Interval): readonly Offer[] => {
      const to = middle(flange) + middle(wanted);
      const ground = around(to, limitOf(ends.thrustWithin, assembly.rules));
      const then = minus(ground, flange);
      return offer(
        held.verdict === 'doesNotFit' && part && found.high < wanted.high
          ? grindThrustFaces(part, to, assembly.rules)
          : undefined,
        (apart) =>
          work({
            steps: ['grindThrust'],
            says: sentence`Grind the thrust faces apart to ${band(ground)}: end float ${band(then)}.`,
            found: then,
            required: wanted,
            parts: [apart],
          }),
      );
    };
    return mended(
      {
        ...held,
        quantity: 'length',
        found,
        required,
        ...(requirement.ruleOfThumb ? { ruleOfThumb: requirement.ruleOfThumb() } : {}),
        because:
          held.verdict === 'fits'
            ? sentence`Thrust journal ${band(journal.interval)} over the thrust shell ${band(flange)} leaves ${band(found)}.`
            : held.verdict === 'cannotTell' && requirement.inPlaceOf
              ? undecided('The end float', found, requirement)
              : sentence`End float would be ${band(found)}: ${band(required)} wanted.`,
        work: [],
        needs:
          held.verdict === 'cannotTell' ? [...wantedBefore(found, requirement), ...closer([[thrust, journal]])] : [],
      },
      mendedBy(requirement, grind),
    );
  },
};

const shellWidth: JointCheck = {
  id: 'shellWidth',
  name: 'Main widths',
  reads: [journalWidth.id, mainShell.parameters.width.id, ...BEARING_READS],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) => {
    const rolling = inRollingBearings(assembly);
    if (rolling) return rolling;
    const journal = valueOf(assembly, journalWidth);
    const shells = possibleShells(assembly);
    const shell = sizeOfShells(shells, mainShell.parameters.width);
    if (!journal || !shell)
      return missing([...(journal ? [] : [journalWidth]), ...(shell ? [] : [mainShell.parameters.width])]);
    const found = minus(journal.interval, shell);
    const required = bandOf(bearings.filletRoom, assembly.rules);
    const held = hold(found, required);
    return {
      ...held,
      quantity: 'length',
      found,
      required,
      ruleOfThumb: cite(bearings.filletRoom, assembly.rules),
      because:
        held.verdict === 'fits'
          ? sentence`Journals ${band(journal.interval)} wide take shells ${band(shell)} wide, clear of the fillets.`
          : sentence`Journals ${band(journal.interval)} wide against shells ${band(shell)}, ${shells[0]?.label ?? ''}: they would ${found.low < required.low ? 'ride up the fillets' : 'leave too much journal bare'}.`,
      work: [],
      needs: held.verdict === 'cannotTell' ? closer([[journalWidth, journal]]) : [],
    };
  },
};

const clearance = bearingClearance({
  id: 'oilClearance',
  name: 'Oil clearance',
  bearing: MAIN_BEARING,
  grinding: 'regrindMains',
  housingWork,
  isPlain: (assembly) => lookOf(assembly, block.features.mainsRun) === 'shells',
  also: [block.parameters['mainHousing.greatestBore'].id, RUN],
});

/**
 * A crank runs in the block on shells, which are chosen for the two: number, spacing, oil clearance, width and float.
 */
export const mains: Joint = {
  id: 'mains',
  name: 'Main bearings',
  kinds: ['block', 'crank'],
  checks: [
    sameCount({ id: 'mainCount', name: 'Number of mains', of: crank.features.mainCount, as: block.features.mainCount }),
    sameSize({
      id: 'mainSpacing',
      name: 'Main spacing',
      of: crank.parameters.mainPitch,
      as: block.parameters.mainPitch,
      play: bearings.mainSpacing,
    }),
    { ...clearance, judge: (assembly) => inRollingBearings(assembly) ?? clearance.judge(assembly) },
    shellWidth,
    endFloat,
    roundAndParallel({
      id: 'mainRound',
      name: 'Mains round and parallel',
      of: MAIN_BEARING.journal,
      most: bearings,
      mend: trueUp(MAIN_BEARING.journal, 'regrindMains'),
    }),
  ],
};

import type { Part, Value } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { apart, around, margin, middle, minus, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../../quantity/sentence.js';
import { bearings, limitOf } from '../../thumb/index.js';
import { valueOf, type Assembly } from '../assembly.js';
import { WORK_MAY_HELP, type Chosen, type JointCheck } from '../check.js';
import { closer, hold, mended, missing, offer, said, work, type Outcome, type Offer } from '../outcome.js';
import { groundSteps, polishJournal, regrindJournal, trueJournal } from '../operations/journals.js';
import { isDone } from '../operations/operation.js';
import { mendedBy, undecided, wantedBefore, type Requirement } from '../shapes/within.js';
import {
  oilClearance,
  requiredClearance,
  sayShell,
  sayShells,
  SHELL_SIZES,
  shellChoices,
  shellsForHousing,
  type PlainBearing,
  type ShellChoice,
} from './bearings.js';

/**
 * Work on the housing side, which differs between mains and big ends. `grind` offers regrinding of the journals, to be
 * combined with it.
 */
export type HousingWork = (
  assembly: Assembly,
  required: Interval,
  grind: (assembly: Assembly) => readonly Offer[],
) => readonly Offer[];

interface BearingCheckSpec {
  readonly id: string;
  readonly name: string;
  readonly bearing: PlainBearing;
  readonly grinding: 'regrindMains' | 'regrindPins';
  readonly housingWork: HousingWork;
  /** Whether it is known that shells run there at all, and no rolling bearing. */
  readonly isPlain: (assembly: Assembly) => boolean;
  readonly also: readonly string[];
}

/** Whether the middle of a band lies where it should: work is done to the parts as they are, so the middle decides. */
export const centred = (found: Interval, required: Interval): boolean =>
  margin({ low: middle(found), high: middle(found) }, required) >= 0;

/** Housing, shell and journal together: the oil clearance that results, and what work would bring it right. */
export function bearingClearance(spec: BearingCheckSpec): JointCheck {
  const { bearing } = spec;
  const chooses = chosenShells(bearing);
  const size = SHELL_SIZES[bearing.shell];
  return {
    id: spec.id,
    name: spec.name,
    // Where a shell comes along it is that which goes in, and none is chosen.
    reads: [bearing.housing.id, bearing.journal.id, bearing.clearance.id, size.wall.id, size.housing.id, ...spec.also],
    verdicts: WORK_MAY_HELP,
    chooses,
    judge: (assembly) => {
      const [bore, shaft] = [valueOf(assembly, bearing.housing), valueOf(assembly, bearing.journal)];
      if (!bore || !shaft) return missing([...(bore ? [] : [bearing.housing]), ...(shaft ? [] : [bearing.journal])]);
      const required = requiredClearance(bearing, assembly, shaft.interval);
      const best = shellChoices(bearing, assembly, required.band)[0];
      const held = best && hold(best.clearance, required.band, required.inPlaceOf?.leeway);
      const offers = held?.verdict === 'fits' ? [] : mendedBy(required, (band) => workOn(spec, assembly, band));
      const shared = {
        quantity: 'length',
        required: required.band,
        ...(required.ruleOfThumb ? { ruleOfThumb: required.ruleOfThumb() } : {}),
      } as const;
      if (!best || !held) {
        const none =
          chooses.mayGoBetween(assembly) || !spec.isPlain(assembly)
            ? noShell(bore.interval, offers.length > 0, shared)
            : noRoom(bore.interval, shaft.interval, shared);
        return mended(none, offers, assembly.rules);
      }
      const finding: Outcome = {
        ...shared,
        ...held,
        found: best.clearance,
        because: best.positions
          ? sayPositions(best, required.band)
          : because(assembly, held.verdict, best, required, { bore: bore.interval, shaft: shaft.interval }),
        work: [],
        needs:
          held.verdict === 'cannotTell'
            ? [
                ...wantedBefore(best.clearance, required),
                ...closer([
                  [bearing.journal, shaft],
                  [bearing.housing, bore],
                ]),
              ]
            : [],
        ...cautionOf([shaft, bore], offers.length > 0),
      };
      return mended(finding, offers, assembly.rules);
    },
  };
}

/** Shells are chosen for housing and journal. Nobody makes one that is thinner or thicker than a wall can be. */
function chosenShells(bearing: PlainBearing): Chosen {
  const { wall, housing } = SHELL_SIZES[bearing.shell];
  return {
    kind: bearing.shell,
    by: [housing.id, wall.id],
    mayGoBetween: (assembly) => {
      const [bore, shaft] = [
        valueOf(assembly, bearing.housing)?.interval,
        valueOf(assembly, bearing.journal)?.interval,
      ];
      const needed = bore && shaft && scaled(minus(bore, shaft), 0.5);
      return needed !== undefined && !apart(needed, wall.plausible);
    },
  };
}

/** Which shell goes where, by the class marks. */
function sayPositions({ shells, positions = [], clearance }: ShellChoice, wanted: Interval): Sentence {
  const places = shells.map((shell) => {
    const at = positions.flatMap((each, index) => (each === shell ? [index + 1] : []));
    return `${sayShell(shell)} at ${at.join(at.length === 2 ? ' and ' : ', ')}`;
  });
  return sentence`By the class marks, position by position: ${places.join('; ')}. They run with ${band(clearance)}, ${band(wanted)} wanted; measure to confirm.`;
}

/** Grinding a journal that is worn out of shape. What shells it then takes is told by the oil clearance. */
export const trueUp =
  (journal: Parameter, grinding: 'regrindMains' | 'regrindPins') =>
  ({ rules }: Assembly, part: Part, now: Interval): readonly Offer[] =>
    offer(trueJournal(part, journal, now, rules), (ground) =>
      work({
        steps: groundSteps(ground, grinding).steps,
        says: sentence`Grind all of them to ${band(ground.values[journal.id]?.interval ?? now)}, at which the worst cleans up.${groundSteps(ground, grinding).says}`,
        parts: [ground],
      }),
    );

const MEASURE_ALL =
  'Measure every housing, shell and journal on the real parts before ordering; the maker’s own figures rule.';

const MARK_DISAGREES =
  'The class mark says another size than was measured: the part is worn or was ground since, or the mark is misread. The measurement counts here; measure again.';

function cautionOf(values: readonly Value[], works: boolean): Pick<Outcome, 'caution'> {
  const cautions = [
    ...(values.some(({ source, disputed }) => source === 'measured' && disputed) ? [MARK_DISAGREES] : []),
    ...(works ? [MEASURE_ALL] : []),
  ];
  return cautions.length > 0 ? { caution: cautions.join(' ') } : {};
}

function because(
  { rules }: Assembly,
  verdict: Outcome['verdict'],
  choice: ShellChoice,
  requirement: Requirement,
  { bore, shaft }: { readonly bore: Interval; readonly shaft: Interval },
): Sentence {
  const [wanted, found, shells, graded] = [
    requirement.band,
    choice.clearance,
    sayShells(choice),
    choice.shells.length > 1,
  ];
  const anotherSize = limitOf(bearings.anotherSize, rules);
  if (verdict === 'fits' && graded)
    return sentence`Between shells ${shells}, chosen position by position by class mark or measurement, every journal of ${band(shaft)} runs with ${band(found)}.`;
  if (verdict === 'fits')
    return sentence`With shells ${shells} the journal ${band(shaft)} runs with ${band(found)}, ${band(wanted)} wanted.`;
  if (verdict === 'cannotTell' && requirement.inPlaceOf)
    return undecided(`With shells ${shells} the clearance`, found, requirement);
  if (verdict === 'cannotTell')
    return sentence`With shells ${shells} the clearance may be anything from ${band(found)}: astride what is wanted, ${band(wanted)}. Measuring will narrow it, or class marks where there are any.`;
  if (found.high < -anotherSize)
    return sentence`The journal ${band(shaft)} is ${value(-middle(found))} larger than any shell for the housing ${band(bore)} leaves room for.`;
  if (found.low > anotherSize)
    return sentence`The journal ${band(shaft)} is ${value(middle(found))} smaller than the shells for the housing ${band(bore)}.`;
  return sentence`With the nearest shells, ${shells}, the clearance would be ${band(found)}: ${band(wanted)} wanted.`;
}

function noRoom(
  bore: Interval,
  shaft: Interval,
  shared: Pick<Outcome, 'required' | 'ruleOfThumb' | 'quantity'>,
): Outcome {
  const room = scaled(minus(bore, shaft), 0.5);
  return said(
    'doesNotFit',
    room.high <= 0
      ? sentence`The journal ${band(shaft)} does not even go into the housing ${band(bore)}.`
      : sentence`Between the journal ${band(shaft)} and the housing ${band(bore)} a shell would be ${band(room)} thick: there are none like that.`,
    { ...shared, found: minus(bore, shaft) },
  );
}

function noShell(
  bore: Interval,
  mayWork: boolean,
  shared: Pick<Outcome, 'required' | 'ruleOfThumb' | 'quantity'>,
): Outcome {
  return said(
    mayWork ? 'doesNotFit' : 'cannotTell',
    sentence`There are no shells for a housing of ${band(bore)}${mayWork ? ' as it is' : ': measure the shells that are in it'}.`,
    {
      ...shared,
      needs: mayWork ? [] : ['mainShell.wall'],
    },
  );
}

/** Everything that would bring the clearance right. */
function workOn(spec: BearingCheckSpec, assembly: Assembly, required: Interval): readonly Offer[] {
  const grind = (changed: Assembly) => regrinds(spec, changed, required);
  return [...polishes(spec, assembly, required), ...grind(assembly), ...spec.housingWork(assembly, required, grind)];
}

/** A clearance a little too small is polished in. */
function polishes({ bearing }: BearingCheckSpec, assembly: Assembly, required: Interval): readonly Offer[] {
  const crank = assembly.parts.crank;
  const best = shellChoices(bearing, assembly, required)[0];
  const wanted = best ? middle(required) - middle(best.clearance) : 0;
  if (!crank || !best || wanted <= 0) return [];
  const off = Math.max(wanted, limitOf(bearings.leastPolished, assembly.rules));
  const worked = polishJournal(crank, bearing.journal, off, assembly.rules);
  if (!isDone(worked)) return [];
  const found = { low: best.clearance.low + off, high: best.clearance.high + off };
  if (!centred(found, required)) return [];
  return [
    work({
      steps: ['polish'],
      says: sentence`Polish ${value(off)} off the journals: clearance ${band(found)}.`,
      found,
      required,
      parts: [worked.part],
    }),
  ];
}

/** Grind the journals down to the largest size for which there are shells. */
function regrinds({ bearing, grinding }: BearingCheckSpec, assembly: Assembly, required: Interval): readonly Offer[] {
  const crank = assembly.parts.crank;
  const bore = valueOf(assembly, bearing.housing)?.interval;
  if (!crank || !bore) return [];
  const { steps, says } = groundSteps(crank, grinding);
  const targets = shellsForHousing(bearing, assembly, bore)
    .map((each) => ({
      ...each,
      target: around(
        middle(bore) - 2 * middle(each.wall) - middle(required),
        limitOf(bearings.ground, assembly.rules) / 2,
      ),
    }))
    .sort((a, b) => b.target.high - a.target.high);
  for (const each of targets) {
    const worked = regrindJournal(crank, bearing.journal, each.target);
    if (!isDone(worked)) continue;
    const found = oilClearance(bore, each.wall, each.target);
    if (!centred(found, required)) continue;
    return [
      work({
        steps,
        says: sentence`Grind all of them to ${band(each.target)} and fit ${sayShell(each)}: clearance ${band(found)}.${says}`,
        found,
        required,
        parts: [worked.part],
        buy: [each.shell.pattern],
      }),
    ];
  }
  return [];
}

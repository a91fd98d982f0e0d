import type { Part } from '../catalogue/part.js';
import {
  oilClearance,
  requiredClearance,
  sayShell,
  shellsForHousing,
  type PlainBearing,
  type ShellSize,
} from '../joints/crankshaft/bearings.js';
import { nearestShell, sayHalves, shellAs, type ShellAt, type SizesRound } from '../joints/crankshaft/nearestShell.js';
import type { Assembly, Stock } from '../joints/index.js';
import { apart, around, margin, middle, shifted, type Interval } from '../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import type { HouseRules } from '../shop/houseRules.js';
import { bearings, limitOf } from '../thumb/index.js';
import { readStrip, type Strip, type StripFound } from './crushStrip.js';
import { shelfShells, type ShelfShellAt, type ShellOnShelf } from './shelfShells.js';

/** A housing or a journal at one place: as it was measured, as its class mark has it, or as it was made. */
export interface SizeAt {
  readonly measured?: Interval;
  readonly marked?: Interval;
  readonly made?: Interval;
}

/** One place of a row of bearings. */
export interface BearingPlace {
  readonly position: number;
  readonly housing: SizeAt;
  readonly journal: SizeAt;
  /** Widths of a crush strip squeezed there, at its ends. */
  readonly strip?: readonly Interval[];
  /** What the maker's table gives by the marks: patterns of one shell or of two halves; several where it is open. */
  readonly table?: { readonly name: string; readonly gives: readonly (readonly string[])[] };
}

/** What a table gives, with the clearance it comes to by what is known of the sizes. */
function tabled(
  { name, gives }: NonNullable<BearingPlace['table']>,
  shells: readonly ShellSize[],
  round: SizesRound | undefined,
  wanted: Interval,
): ShellAt | undefined {
  const halves = gives.flatMap((patterns) => {
    // Marks tell of a part as it was made: shells for it are standard ones.
    const found = patterns.flatMap((id) => shells.find(({ shell, step }) => shell.pattern === id && step === 0) ?? []);
    return found.length === patterns.length ? [found] : [];
  });
  const [first, ...others] = halves;
  if (!first || !round) return undefined;
  return { ...shellAs(first, round, wanted), table: name, orElse: others.map(sayHalves) };
}

interface PlaceChosen {
  readonly position: number;
  readonly required: Interval;
  readonly byMark?: ShellAt;
  readonly byMeasure?: ShellAt;
  /** By mark one, and by measure another: nobody may fit either before that is cleared up. */
  readonly disagree?: true;
  readonly byStrip?: StripFound;
  /** The pair from the shelf that does there, each pair in one place. */
  readonly onShelf?: ShelfShellAt;
  readonly says: readonly Sentence[];
  /** The first undersize of the journal for which there is a shell that gives the clearance. */
  readonly regrind?: { readonly step: number; readonly journal: Interval; readonly shell: string };
}

interface ShellsAsked {
  readonly bearing: PlainBearing;
  /** The parts round it, as the joints see them: the crank, and the block or a rod. */
  readonly parts: Assembly['parts'];
  readonly stock: Stock;
  readonly rules: HouseRules;
  readonly places: readonly BearingPlace[];
  /** Whether the maker allows halves of two walls in one place. */
  readonly mixed?: boolean;
  /** Of which sort the strips were. */
  readonly strip?: Strip;
  /** What lies on the shelf and may be taken. */
  readonly shelf?: readonly ShellOnShelf[];
}

/**
 * Shells place by place: by the class marks, and by what was measured, side by side. Neither is averaged into the
 * other: where they disagree that is said, and it is for the one at the bench to find out why.
 */
export function shellsByPlace({
  bearing,
  parts,
  stock,
  rules,
  places,
  mixed = false,
  strip,
  shelf = [],
}: ShellsAsked): readonly PlaceChosen[] {
  const assembly: Assembly = { parts, replaced: {}, stock, rules };
  const crank = parts.crank;
  const housings = places.flatMap(({ housing }) =>
    [housing.measured, housing.marked, housing.made].flatMap((at) => at ?? []),
  );
  const first = housings[0];
  if (!first)
    return places.map(({ position }) => ({ position, required: { low: 0, high: 0 }, says: [UNKNOWN_HOUSING] }));
  const all = shellsForHousing(bearing, assembly, {
    low: Math.min(...housings.map(({ low }) => low)),
    high: Math.max(...housings.map(({ high }) => high)),
  });
  const candidates = mixed ? [...all.map((each) => [each]), ...pairsOf(all)] : all.map((each) => [each]);
  const chosen = places.map((place): PlaceChosen & { readonly round?: SizesRound } => {
    const { position, housing, journal } = place;
    const marked = bothBy(housing.marked ?? housing.made, journal.marked ?? journal.made);
    const measured = bothBy(housing.measured, journal.measured);
    const wanted = requiredClearance(bearing, assembly, (measured ?? marked)?.journal ?? first).band;
    const isMarked = housing.marked !== undefined || journal.marked !== undefined;
    const byClass = isMarked && marked ? nearestShell(candidates, marked, wanted) : undefined;
    const byTable = place.table && tabled(place.table, all, measured ?? marked, wanted);
    const byMark = byTable ?? byClass;
    const byMeasure = measured && nearestShell(candidates, measured, wanted);
    const says: Sentence[] = [];
    const against = [...(contradicts(housing) ? ['housing'] : []), ...(contradicts(journal) ? ['journal'] : [])];
    // What is uncertain of a size is no reason to doubt a mark; where the middle of it lies is.
    const isAgainstTable =
      byTable !== undefined && measured !== undefined && apart(around(middle(byTable.clearance), 0), wanted);
    const disagree = byMark !== undefined && byMeasure !== undefined && (against.length > 0 || isAgainstTable);
    if (isAgainstTable)
      says.push(
        sentence`By its marks the table gives ${byTable.says}, which by measure leaves ${band(byTable.clearance)}; ${band(wanted)} is wanted. Measure again, and look whether it was worked on since it was marked.`,
      );
    else if (disagree)
      says.push([
        `Its ${against.join(' and its ')} is not what its mark says: measure again, and look whether it was worked on since it was marked. Nothing is averaged.`,
      ]);
    else if (byMark && byMeasure && byMark.patterns.join() !== byMeasure.patterns.join())
      says.push([
        byTable
          ? 'Either shell leaves a clearance as is wanted; by measure the second comes nearer to the middle.'
          : 'Mark and measure agree; by measure the other shell comes nearer to the middle.',
      ]);
    if (byTable && byClass && byTable.patterns.join() !== byClass.patterns.join())
      says.push([`The table gives ${byTable.says}; the limits of the classes would come to ${byClass.says}.`]);
    for (const [what, of] of [
      ['housing', housing],
      ['journal', journal],
    ] as const)
      if (!of.measured) says.push([`Its ${what} is not measured.`]);
    if (byMeasure && byMeasure.orElse.length > 0)
      says.push([
        `What it was measured with leaves ${byMeasure.orElse.length + 1} shells open: a finer instrument tells which.`,
      ]);
    const byStrip = strip && place.strip && readStrip(strip, place.strip, wanted);
    if (byStrip?.says) says.push(byStrip.says);
    if (byStrip?.clearance && byMeasure && apart(byStrip.clearance, byMeasure.clearance))
      says.push(
        sentence`The strip says ${band(byStrip.clearance)}, and by measure it is ${band(byMeasure.clearance)}: measure again, and look for dirt behind the shells.`,
      );
    const regrind =
      measured && crank && byMeasure?.verdict === 'doesNotFit'
        ? groundFor(bearing, crank, all, measured.housing, wanted)
        : undefined;
    if (byMeasure?.verdict === 'doesNotFit')
      says.push(
        sentence`No shell gives ${band(wanted)} there; the nearest leaves ${band(byMeasure.clearance)}.`,
        ...(regrind ? [sentence`Ground to ${value(middle(regrind.journal))} it takes ${regrind.shell}.`] : []),
      );
    const round = disagree ? undefined : (measured ?? marked);
    return {
      position,
      required: wanted,
      ...(round ? { round } : {}),
      ...(byMark ? { byMark } : {}),
      ...(byMeasure ? { byMeasure } : {}),
      ...(disagree ? { disagree: true as const } : {}),
      ...(byStrip ? { byStrip } : {}),
      says,
      ...(regrind ? { regrind } : {}),
    };
  });
  const taken = shelfShells(
    bearing,
    assembly,
    chosen.map(({ required, ...place }) => ({ ...place, wanted: required })),
    shelf,
  );
  return chosen.map(({ round: _round, ...place }) => {
    const onShelf = taken.get(place.position);
    return onShelf ? { ...place, onShelf } : place;
  });
}

const UNKNOWN_HOUSING: Sentence = ['Nothing is known of its housing: measure it, or say what it is of.'];

const bothBy = (housing: Interval | undefined, journal: Interval | undefined): SizesRound | undefined =>
  housing && journal ? { housing, journal } : undefined;

/** Halves of two shells that lie next to each other in wall. */
function pairsOf(shells: readonly ShellSize[]): readonly (readonly ShellSize[])[] {
  const sorted = [...shells].sort((a, b) => middle(a.wall) - middle(b.wall));
  return sorted.slice(1).flatMap((each, at) => {
    const before = sorted[at];
    return before && before.step === each.step && before.shell !== each.shell ? [[before, each]] : [];
  });
}

/** Whether what was measured is not of the class that is marked. */
const contradicts = ({ measured, marked }: SizeAt): boolean =>
  measured !== undefined && marked !== undefined && apart(measured, marked);

/** The first undersize at which a shell of the list gives the clearance that is wanted. */
function groundFor(
  bearing: PlainBearing,
  crank: Part,
  shells: readonly ShellSize[],
  housing: Interval,
  wanted: Interval,
): PlaceChosen['regrind'] {
  const made = crank.standard[bearing.journal.id];
  const steps = crank.service[bearing.journal.id] ?? [];
  if (!made) return undefined;
  for (const [at, shift] of steps.entries()) {
    const journal = around(middle(shifted(made, shift)), limitOf(bearings.ground, {}) / 2);
    const [shell] = shells
      .filter(({ step }) => step === at + 1)
      .filter((each) => {
        const found = oilClearance(housing, each.wall, journal);
        return margin({ low: middle(found), high: middle(found) }, wanted) >= 0;
      });
    if (shell) return { step: at + 1, journal, shell: sayShell(shell) };
  }
  return undefined;
}

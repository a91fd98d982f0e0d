import { COVERAGE, expanded, type Estimate } from '../quantity/instrument.js';
import { interval, type Interval } from '../quantity/interval.js';
import { LEVELS, type Level } from '../readings/level.js';

/** One measurement, and where on the part it was taken as far as somebody says. */
export interface Spot {
  /** Which of several, counted from the front. */
  readonly position?: number;
  readonly level?: Level;
  readonly axis?: 1 | 2;
  readonly estimate: Estimate;
}

/** How far a bore or a journal is from round and from parallel, where it was measured in more than one spot. */
export interface Form {
  /** The most that two directions at one height differ. */
  readonly outOfRound?: Interval;
  /** The most that one direction differs along the length. */
  readonly taper?: Interval;
}

/** A size at one of several places, counted from the front. */
export interface MeasuredAt extends Form {
  readonly position: number;
  readonly interval: Interval;
  /** Each height and direction where it was measured. */
  readonly spots?: readonly MeasuredSpot[];
}

export interface MeasuredSpot extends Pick<Spot, 'level' | 'axis'> {
  readonly interval: Interval;
}

/** A size as it was measured in one or more spots: all of them together, and by place. */
interface MeasuredSize extends Form {
  readonly interval: Interval;
  /** Each place where they were counted; the interval spans them all. */
  readonly at?: readonly MeasuredAt[];
  /** Heights and directions of a size of which there is one. */
  readonly spots?: readonly MeasuredSpot[];
}

/**
 * A size from all that was measured of it. Of two measurements of one spot the finer one counts, and one that does not
 * say where is outdone by finer ones that do. Nothing is averaged between spots: what fits must fit at the worst.
 */
export function measuredSize(spots: readonly Spot[]): MeasuredSize | undefined {
  const byPosition = new Map<number | undefined, Spot[]>();
  for (const spot of finestAtEach(spots))
    byPosition.set(spot.position, [...(byPosition.get(spot.position) ?? []), spot]);
  const unplaced = byPosition.get(undefined);
  byPosition.delete(undefined);
  if (byPosition.size === 0) return unplaced && atOnePlace(unplaced);
  const at = [...byPosition]
    .map(([position = 0, those]): MeasuredAt => ({ position, ...atOnePlace(those) }))
    .sort((a, b) => a.position - b.position);
  return { interval: hull(at.map((each) => each.interval)), at, ...worstForm(at) };
}

/** From the top down; what says no height before. */
const heightOf = ({ level }: Spot): number => (level ? LEVELS.indexOf(level) : -1);

const keyOf = ({ position, level, axis }: Spot): string => `${position ?? ''} ${level ?? ''} ${axis ?? ''}`;

function finestAtEach(spots: readonly Spot[]): readonly Spot[] {
  const finest = new Map<string, Spot>();
  for (const spot of spots) {
    const known = finest.get(keyOf(spot));
    if (!known || spot.estimate.uncertainty < known.estimate.uncertainty) finest.set(keyOf(spot), spot);
  }
  return [...finest.values()];
}

function atOnePlace(all: readonly Spot[]): MeasuredSize {
  const said = all.filter(({ level, axis }) => (level ?? axis) !== undefined);
  const finer = (spot: Spot) => said.every(({ estimate }) => spot.estimate.uncertainty <= estimate.uncertainty);
  const spots = said.length === 0 ? all : [...said, ...all.filter((spot) => !said.includes(spot) && finer(spot))];
  const inOrder = [...spots].sort((a, b) => heightOf(a) - heightOf(b) || (a.axis ?? 0) - (b.axis ?? 0));
  const measured = inOrder.map(({ level, axis, estimate }): MeasuredSpot => ({
    interval: expanded(estimate),
    ...(level ? { level } : {}),
    ...(axis ? { axis } : {}),
  }));
  const outOfRound = most(differences(said, 'level', 'axis'));
  const taper = most(differences(said, 'axis', 'level'));
  return {
    interval: hull(measured.map((each) => each.interval)),
    ...(said.length > 1 ? { spots: measured } : {}),
    ...(outOfRound ? { outOfRound } : {}),
    ...(taper ? { taper } : {}),
  };
}

/** By how much those that are alike in one thing and differ in the other are apart. */
function differences(
  spots: readonly Spot[],
  alike: 'level' | 'axis',
  differing: 'level' | 'axis',
): readonly Interval[] {
  return spots.flatMap((a, at) =>
    spots.slice(at + 1).flatMap((b): readonly Interval[] => {
      if (a[alike] !== b[alike] || a[differing] === undefined || b[differing] === undefined) return [];
      if (a[differing] === b[differing]) return [];
      const apart = Math.abs(a.estimate.mean - b.estimate.mean);
      const unsure = COVERAGE * Math.hypot(a.estimate.uncertainty, b.estimate.uncertainty);
      return [interval(Math.max(0, apart - unsure), apart + unsure)];
    }),
  );
}

const most = (differing: readonly Interval[]): Interval | undefined =>
  differing.reduce<Interval | undefined>(
    (worst, each) => (!worst || each.low + each.high > worst.low + worst.high ? each : worst),
    undefined,
  );

function worstForm(at: readonly MeasuredAt[]): Form {
  const outOfRound = most(at.flatMap((each) => each.outOfRound ?? []));
  const taper = most(at.flatMap((each) => each.taper ?? []));
  return { ...(outOfRound ? { outOfRound } : {}), ...(taper ? { taper } : {}) };
}

const hull = (all: readonly Interval[]): Interval => ({
  low: Math.min(...all.map(({ low }) => low)),
  high: Math.max(...all.map(({ high }) => high)),
});

/** Places in a row from the first on, each with its size; nothing where one is missing. */
export const rowOf = ({ at = [] }: MeasuredSize): readonly Interval[] | undefined =>
  at.length > 1 && at.every(({ position }, index) => position === index + 1)
    ? at.map((each) => each.interval)
    : undefined;

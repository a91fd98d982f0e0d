import { SAME_WITHIN } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { bandOf, type FigureOfThumb } from '../thumb/index';

/** What comes out with a value of what a figure is about, in the figure's own unit. */
type Outcome = (value: number, rules: HouseRules) => string;

/** A figure of thumb, with what comes out just inside and just outside each of its ends. */
interface Boundary {
  readonly figure: FigureOfThumb;
  readonly outcome: Outcome;
  readonly steps: readonly (readonly [value: number, outcome: string])[];
}

/** Steps in rising order. */
export const boundary = (figure: FigureOfThumb, outcome: Outcome, ...steps: Boundary['steps']): Boundary => ({
  figure,
  outcome,
  steps,
});

/** A step is just inside or outside an end when it is no further from it than this share of it. */
const NEAR = 0.05;
/** Or than this, where the end itself is next to nothing. */
const NEAR_NOTHING = 0.001;

const endsOf = ({ bound, band, leeway }: FigureOfThumb): readonly number[] =>
  bound === 'between'
    ? [...new Set([band.low, band.high, ...(leeway ? [leeway.low, leeway.high] : [])])]
    : [band.high, ...(leeway ? [bound === 'atMost' ? leeway.high : leeway.low] : [])];

/** Of what is counted the next whole number is as near as can be. */
const nearness = ({ quantity }: FigureOfThumb, end: number): number =>
  quantity === 'count' && Number.isInteger(end) ? 1 : Math.max(NEAR * Math.abs(end), NEAR_NOTHING);

/** Ends of a figure that no two steps lie close on either side of with different outcomes. */
const unguarded = ({ figure, steps }: Boundary): readonly number[] =>
  endsOf(figure).filter((end) => {
    const near = (value: number): boolean => Math.abs(value - end) <= nearness(figure, end);
    return !steps.some(([value, outcome], at) => {
      const next = steps[at + 1];
      // A tenth of a micron either way is the same size.
      return (
        next !== undefined &&
        value <= end &&
        next[0] >= end - SAME_WITHIN &&
        near(value) &&
        near(next[0]) &&
        outcome !== next[1]
      );
    });
  });

/** A figure of the shop's own, in which what lay just inside or outside the usual ends lies elsewhere. */
function moved(figure: FigureOfThumb): HouseRules {
  const { low, high } = bandOf(figure, {});
  const by = 2 * Math.max(nearness(figure, low), nearness(figure, high));
  const own = figure.bound === 'between' ? { low: low - by, high: high + by } : { low: low + by, high: high + by };
  return { figures: { [figure.id]: own } };
}

/**
 * Specs for boundaries: what comes out at each step, that each end of each figure has steps, and that the shop's own
 * figure counts.
 */
export function describeBoundaries(
  subject: Readonly<Record<string, FigureOfThumb>>,
  boundaries: readonly Boundary[],
): void {
  for (const each of boundaries) {
    const { figure, outcome, steps } = each;
    describe(`${figure.name} (${figure.id})`, () => {
      it('decides just inside and just outside as practice does', () => {
        for (const [value, expected] of steps) expect(outcome(value, {})).withContext(String(value)).toBe(expected);
      });

      it('has a step on either side of each of its ends', () => expect(unguarded(each)).toEqual([]));

      it('gives way to the shop’s own figure', () => {
        const own = moved(figure);
        expect(steps.filter(([value, expected]) => outcome(value, own) !== expected).length).toBeGreaterThan(0);
      });
    });
  }

  it('has a boundary for each of its figures', () => {
    const told = new Set(boundaries.map(({ figure }) => figure.id));
    expect(
      Object.values(subject)
        .map(({ id }) => id)
        .filter((id) => !told.has(id)),
    ).toEqual([]);
  });
}

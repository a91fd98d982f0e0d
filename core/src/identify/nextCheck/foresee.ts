import { bisector } from 'd3-array';
import type { Size } from '../../catalogue/size.js';
import type { Feature, MarkPlace, Parameter } from '../../dictionary/definition.js';
import { uncertaintyOf } from '../../quantity/decision.js';
import type { Precision } from '../../quantity/instrument.js';
import { normalBelow } from '../../quantity/normal.js';
import { ASSUMED } from '../assumptions.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { listAt, type Column } from '../columns.js';
import { chanceDensity, stepShare } from '../sizeLikelihood.js';
import { lookChance } from '../weigh/look.js';
import type { Hypotheses } from './hypotheses.js';
import type { Outcomes } from './outcomes.js';

const at = <T>({ codes, distinct }: Column<T>, row: number | undefined): T | undefined =>
  row === undefined ? undefined : distinct[(codes[row] ?? 0) - 1];

/** What a look can come to: its options, or the counts that the catalogue knows, in order. */
export function answersIn(index: CatalogueIndex, { id, form }: Feature): readonly string[] {
  if ('options' in form) return form.options.map((option) => option.id);
  return [...new Set(index.looks.get(id)?.distinct)].sort((a, b) => Number(a) - Number(b));
}

/** How many patterns have an option, whoever says so. */
const countOf = ({ distinct, counts }: Column<string>, option: string): number =>
  distinct.reduce((sum, each, at) => (each === option ? sum + (counts[at + 1] ?? 0) : sum), 0);

/** What would be seen; undefined where the catalogue does not tell these apart by it. */
export function foreseeLook(index: CatalogueIndex, hypotheses: Hypotheses, feature: Feature): Outcomes | undefined {
  const column = index.looks.get(feature.id);
  if (!column) return undefined;
  const recorded = hypotheses.rows.map((row) => at(column, row));
  if (new Set(recorded.filter((option) => option !== undefined)).size < 2) return undefined;
  const options = answersIn(index, feature);
  const usual = Float64Array.from(options, (option) => countOf(column, option) + 1);
  const sum = usual.reduce((total, each) => total + each, 0);
  return {
    count: options.length,
    chances: recorded.map((option) =>
      normal(
        Float64Array.from(options, (seen, place) =>
          option === undefined ? (usual[place] ?? 0) / sum : lookChance(index.assumed, feature, option, seen),
        ),
      ),
    ),
  };
}

function normal(row: Float64Array): Float64Array {
  const sum = row.reduce((total, each) => total + each, 0);
  return row.map((each) => each / sum);
}

/** Chance that a mark that is still at its place is read for what it is. */
const READS = 0.94;

/** Which mark would be found in a place; undefined where the catalogue does not tell these apart by it. */
export function foreseeMark(
  { marks, assumed: { markGone, markThere } }: CatalogueIndex,
  hypotheses: Hypotheses,
  place: MarkPlace,
): Outcomes | undefined {
  const texts = hypotheses.rows.map((row) =>
    row === undefined
      ? []
      : [
          ...new Set(
            [...listAt(marks.ofPattern, row)].flatMap((code) =>
              marks.distinct[code]?.place === place.id ? [marks.distinct[code].text] : [],
            ),
          ),
        ],
  );
  const all = [...new Set(texts.flat())];
  if (
    all.length === 0 ||
    new Set(hypotheses.rows.flatMap((row, each) => (row === undefined ? [] : [(texts[each] ?? []).join(' ')]))).size < 2
  )
    return undefined;
  const [nothing, other] = [all.length, all.length + 1];
  return {
    count: all.length + 2,
    chances: texts.map((own, each) => {
      const row = new Float64Array(all.length + 2);
      const reads = own.length > 0 ? READS * (1 - markGone) : 0;
      for (const text of own) row[all.indexOf(text)] = reads / own.length;
      row[nothing] = own.length > 0 ? markGone : hypotheses.rows[each] === undefined ? 0.5 : 1 - markThere;
      row[other] = 1 - reads - (row[nothing] ?? 0);
      return row;
    }),
  };
}

/**
 * Where in its limits a part was made, and how worn it is, at a few places with their shares: thirds of the limits; the
 * quantiles of the wear that is assumed.
 */
const MADE = [1 / 6, 1 / 2, 5 / 6];
const WORN: readonly (readonly [times: number, share: number])[] = [
  [0.25, 0.5],
  [1.4, 0.4],
  [1.4 * ASSUMED.muchWornTimes, 0.1],
];
/** A step rarer than this is left out of what is foreseen. */
const RARE_STEP = 0.03;

interface Point {
  readonly value: number;
  readonly share: number;
}

function pointsOf(size: Size, parameter: Parameter): Point[] {
  const points: Point[] = [];
  const direction = parameter.wear === 'shrinks' ? -1 : parameter.wear === 'grows' ? 1 : 0;
  for (let step = 0; step <= size.service.length; step++) {
    const share = stepShare(size, step);
    if (share < RARE_STEP && step > 0) continue;
    const low = size.limits.low + (step === 0 ? 0 : (size.service[step - 1] ?? 0));
    for (const part of MADE)
      for (const [times, worn] of direction === 0 ? [[0, 1] as const] : WORN)
        points.push({
          value: low + part * (size.limits.high - size.limits.low) + direction * times * parameter.usualWear,
          share: (share * worn) / MADE.length,
        });
  }
  const sum = points.reduce((total, point) => total + point.share, 0);
  return points.map(({ value, share }) => ({ value, share: share / sum }));
}

/** Standard deviations past which a point adds nothing to a cell. */
const REACH = 4;

/**
 * What would be measured with an instrument, in cells as fine as it can tell. Undefined where no two of the hypotheses
 * state different sizes.
 */
export function foreseeSize(
  index: CatalogueIndex,
  hypotheses: Hypotheses,
  parameter: Parameter,
  instrument: Precision,
): Outcomes | undefined {
  const column = index.sizes.get(parameter.id);
  if (!column) return undefined;
  const sizes = hypotheses.rows.map((row) => at(column, row));
  const distinct = [...new Set(sizes.filter((size) => size !== undefined))];
  if (distinct.length < 2 && !(distinct.length === 1 && hypotheses.rows.includes(undefined))) return undefined;
  const sigma = Math.hypot(
    uncertaintyOf(instrument),
    parameter.taking ?? 0,
    parameter.wear === 'neither' ? parameter.usualWear : 0,
  );
  const points = new Map(distinct.map((size) => [size, pointsOf(size, parameter)]));
  const cells = cellsFor([...points.values()].flat(), sigma);
  const elsewhere = cells.length;
  const rowOf = new Map(
    [...points].map(([size, own]): [Size, Float64Array] => {
      const row = new Float64Array(elsewhere + 1);
      for (const { value, share } of own)
        for (let cell = byEnd.left(cells, value - REACH * sigma); cell < elsewhere; cell++) {
          const [low, high] = cells[cell] as Cell;
          if (low > value + REACH * sigma) break;
          row[cell] =
            (row[cell] as number) + share * (normalBelow((high - value) / sigma) - normalBelow((low - value) / sigma));
        }
      const inside = row.reduce((sum, each) => sum + each, 0);
      const kept = (1 - index.assumed.sizeMistaken) / Math.max(inside, 1e-9);
      return [size, row.map((each, cell) => (cell === elsewhere ? index.assumed.sizeMistaken : each * kept))];
    }),
  );
  const unknown = unknownRow(cells, [...rowOf.values()], parameter);
  return { count: elsewhere + 1, chances: sizes.map((size) => (size && rowOf.get(size)) ?? unknown) };
}

type Cell = readonly [low: number, high: number];

/** Stretches that the instrument can tell from each other, about the points. */
function cellsFor(points: readonly Point[], sigma: number): Cell[] {
  const values = points.map(({ value }) => value).sort((a, b) => a - b);
  const cells: [number, number][] = [];
  for (const value of values) {
    const last = cells[cells.length - 1];
    if (last && value - last[1] <= sigma && value - last[0] <= 2 * sigma) last[1] = value;
    else cells.push([value, value]);
  }
  // Neighbours meet half way; a cell with nothing beside it reaches three deviations out.
  return cells.map(([low, high], cell) => {
    const [before, behind] = [cells[cell - 1]?.[1], cells[cell + 1]?.[0]];
    return [
      before === undefined ? low - 3 * sigma : Math.max(low - 3 * sigma, (before + low) / 2),
      behind === undefined ? high + 3 * sigma : Math.min(high + 3 * sigma, (high + behind) / 2),
    ];
  });
}

/** Cells in the order of their ends. */
const byEnd = bisector(([, end]: Cell) => end);

/** A part of which nothing is known: somewhere in the plausible range, and often like one of these. */
function unknownRow(cells: readonly Cell[], known: readonly Float64Array[], parameter: Parameter): Float64Array {
  const row = new Float64Array(cells.length + 1);
  let inside = 0;
  cells.forEach(([low, high], cell) => {
    const mean = known.reduce((sum, each) => sum + (each[cell] ?? 0), 0) / Math.max(1, known.length);
    const share =
      (1 - ASSUMED.sharedSize) * Math.min(1, chanceDensity(parameter, (low + high) / 2) * (high - low)) +
      ASSUMED.sharedSize * mean;
    row[cell] = share;
    inside += share;
  });
  row[cells.length] = Math.max(0, 1 - inside);
  return normal(row);
}

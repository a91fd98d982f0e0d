import type { InstrumentId } from '../quantity/instrument.js';
import { fromInside, toInside, UNIT_IDS, UNITS, type QuantityKind, type UnitId } from '../quantity/unit.js';
import type { Reading, SizeReading } from '../readings/reading.js';
import { keyOfCell, type Cell, type SheetLayout } from './layout.js';

/** What stands in a cell: repeats of one figure, and how they were taken. */
interface InCell {
  /** The last one, in the unit in which it was typed. */
  readonly value: number;
  readonly unit: UnitId;
  /** With all the digits that were written, where one figure was by itself. */
  readonly figures?: string;
  readonly instrument: InstrumentId;
  /** How many times it was taken. */
  readonly times: number;
}

/** Where a value of a reading stands: what says no height or direction was taken at the first. */
function cellAt(
  { positions, levels, axes }: SizeReading,
  at: number,
  { parameter, levels: heights, axes: directions }: SheetLayout,
): Cell | undefined {
  const [level = heights[0], axis = directions[0]] = [levels?.[at], axes?.[at]];
  const position = parameter.per === 'part' ? undefined : positions?.[at];
  if (!level || !axis || (parameter.per !== 'part' && position === undefined)) return undefined;
  return { level, axis, ...(position === undefined ? {} : { position }) };
}

/** The figures of a part that stand in the cells of a sheet. Nothing is kept but its readings. */
export function cellsOf(readings: readonly Reading[], layout: SheetLayout): ReadonlyMap<string, InCell> {
  const cells = new Map<string, InCell>();
  for (const { is } of readings) {
    if (is.sort !== 'size' || is.parameter !== layout.parameter.id) continue;
    is.values.forEach((value, at) => {
      const cell = cellAt(is, at, layout);
      if (!cell) return;
      const key = keyOfCell(cell);
      const before = cells.get(key)?.times ?? 0;
      const figures = is.values.length === 1 ? is.figures : undefined;
      cells.set(key, {
        value,
        unit: is.unit,
        ...(figures === undefined ? {} : { figures }),
        instrument: is.instrument,
        times: before + 1,
      });
    });
  }
  return cells;
}

/** A figure that goes into a cell. */
export interface Entered {
  readonly value: number;
  /** As it was written, with all its digits. */
  readonly figures: string;
  readonly unit: UnitId;
  readonly unitAssumed?: boolean;
  readonly instrument: InstrumentId;
}

/**
 * The readings with a figure in a cell, in the place of what stood there; without one the cell is empty. A line that
 * was typed with several figures keeps the others.
 *
 * @param id and `at` those of the reading that is made
 */
export function withCell(
  readings: readonly Reading[],
  layout: SheetLayout,
  cell: Cell,
  entered: Entered | undefined,
  { id, at }: Pick<Reading, 'id' | 'at'>,
): Reading[] {
  const { parameter } = layout;
  const key = keyOfCell(cell);
  const others = readings.flatMap((reading): Reading[] => {
    const { is } = reading;
    if (is.sort !== 'size' || is.parameter !== parameter.id) return [reading];
    const kept = is.values.flatMap((_, index) => {
      const here = cellAt(is, index, layout);
      return here && keyOfCell(here) === key ? [] : [index];
    });
    if (kept.length === is.values.length) return [reading];
    if (kept.length === 0) return [];
    const only = <T>(list: readonly T[] | undefined) => list && kept.flatMap((index) => list[index] ?? []);
    const { figures: _written, positions, levels, axes, ...rest } = is;
    const [place, height, direction] = [only(positions), only(levels), only(axes)];
    return [
      {
        ...reading,
        is: {
          ...rest,
          values: kept.flatMap((index) => is.values[index] ?? []),
          ...(place ? { positions: place } : {}),
          ...(height ? { levels: height } : {}),
          ...(direction ? { axes: direction } : {}),
        },
      },
    ];
  });
  if (!entered) return others;
  const { value, figures, unit, unitAssumed, instrument } = entered;
  const { level, axis, position } = cell;
  const where = `${position === undefined ? '' : `${position} `}${sayCell(layout, cell)}`;
  return [
    ...others,
    {
      id,
      at,
      is: {
        sort: 'size',
        text: `${parameter.name.toLowerCase()} ${where} ${figures} ${UNITS[unit].symbol}`,
        parameter: parameter.id,
        values: [value],
        ...(position === undefined ? {} : { positions: [position] }),
        // Where there is one way to take it, nothing is said of the way.
        ...(layout.levels.length * layout.axes.length > 1 ? { levels: [level], axes: [axis] } : {}),
        figures,
        unit,
        ...(unitAssumed ? { unitAssumed } : {}),
        instrument,
      },
    },
  ];
}

/** A cell in words: front, upright. */
const sayCell = ({ levels, levelNames, axes, axisNames }: SheetLayout, { level, axis }: Cell): string =>
  `${levelNames[levels.indexOf(level)] ?? level} ${axisNames[axes.indexOf(axis)] ?? axis}`;

/** What is wrong with a figure before it goes into a cell; it is kept as it was typed until that is mended. */
export type CellProblem =
  | { readonly problem: 'noFigure' }
  | { readonly problem: 'notPlausible'; readonly low: number; readonly high: number; readonly unit: UnitId }
  /** It would be right but for a digit: with what its neighbours have in its place. */
  | { readonly problem: 'slip'; readonly neighbours: number; readonly unit: UnitId };

/** Lengths of one row lie within this of each other, in millimetres; a slipped digit does not. */
const SLIP_FROM = 0.9;
/** Of weights and loads a slipped digit makes more than this share. */
const SLIP_SHARE = 0.3;

const isFar = (one: number, other: number, quantity: QuantityKind): boolean =>
  Math.abs(one - other) > (quantity === 'length' ? SLIP_FROM : SLIP_SHARE * Math.max(Math.abs(one), Math.abs(other)));

/** The unit a word after a figure stands for: pounds are a weight or a force, as the sheet has it. */
function unitSaid(word: string, quantity: QuantityKind): UnitId | undefined {
  const called = word.toLowerCase();
  return UNIT_IDS.find((id) => {
    const unit = UNITS[id];
    const words: readonly string[] = unit.words;
    return unit.quantity === quantity && (unit.symbol.toLowerCase() === called || words.includes(called));
  });
}

/**
 * A figure as it was typed or came from a gauge: `59.64`, `2.348 in`, `59,64mm`, `612 g`. Without a unit it is in the
 * one of the sheet; a length is in millimetres or inches where only the other of them can be meant.
 *
 * @param neighbours what stands in other cells, inside unit
 */
export function readCell(
  text: string,
  { parameter }: SheetLayout,
  sheetUnit: UnitId,
  neighbours: readonly number[],
): Omit<Entered, 'instrument'> | CellProblem {
  const written = /^\s*([+-]?\d+(?:[.,]\d+)?|[.,]\d+)\s*(\D*?)\s*$/.exec(text);
  const figures = written?.[1]?.replace(',', '.');
  const said = written?.[2] ?? '';
  const { plausible, quantity } = parameter;
  const named = said === '' ? undefined : unitSaid(said, quantity);
  if (figures === undefined || (said !== '' && named === undefined)) return { problem: 'noFigure' };
  const value = Number(figures);
  const { low, high } = plausible;
  const isIn = (unit: UnitId) => toInside(value, unit) >= low && toInside(value, unit) <= high;
  const other: UnitId = quantity !== 'length' ? sheetUnit : sheetUnit === 'in' ? 'mm' : 'in';
  const unit = named ?? (isIn(sheetUnit) || !isIn(other) ? sheetUnit : other);
  if (!isIn(unit)) return { problem: 'notPlausible', low: fromInside(low, unit), high: fromInside(high, unit), unit };
  const inside = toInside(value, unit);
  const [nearest] = [...neighbours].sort((a, b) => Math.abs(a - inside) - Math.abs(b - inside));
  if (nearest !== undefined && isFar(nearest, inside, quantity))
    return { problem: 'slip', neighbours: fromInside(nearest, unit), unit };
  return { value, figures, unit, ...(named === undefined ? { unitAssumed: true } : {}) };
}

import type { Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { liner } from '../dictionary/kinds/liner.js';
import { pin } from '../dictionary/kinds/pin.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import { rod } from '../dictionary/kinds/rod.js';
import { valve } from '../dictionary/kinds/valve.js';
import { valveSpring } from '../dictionary/kinds/valveSpring.js';
import { LEVELS, type Level } from '../readings/level.js';
import { bearings, cylinders, type LimitOfThumb } from '../thumb/index.js';

/** A size that is measured place by place, and in several directions and heights at each place. */
export interface SheetLayout {
  readonly kind: KindId;
  readonly parameter: Parameter;
  /** What the places are called together. */
  readonly name: string;
  readonly levels: readonly Level[];
  /** How those heights are called here. */
  readonly levelNames: readonly string[];
  readonly axes: readonly (1 | 2)[];
  readonly axisNames: readonly string[];
  /**
   * How far from round and from parallel it may be, and what comes off before it is clean all round; absent where it is
   * not worked on.
   */
  readonly most?: {
    readonly outOfRound: LimitOfThumb;
    readonly taper: LimitOfThumb;
    readonly cleanedUp: LimitOfThumb;
  };
}

const JOURNAL = {
  levels: ['top', 'bottom'] as const,
  levelNames: ['front', 'rear'],
  axes: [1, 2] as const,
  axisNames: ['upright', 'across'],
  most: bearings,
};
const CYLINDER = {
  levels: LEVELS,
  levelNames: ['top', 'middle', 'bottom'],
  axes: [1, 2] as const,
  axisNames: ['along', 'across'],
  most: cylinders,
};

/** Measured at two heights in two directions, as a bore or a journal is. */
const BOTH_WAYS = {
  levels: ['top', 'bottom'] as const,
  levelNames: ['one end', 'other end'],
  axes: [1, 2] as const,
  axisNames: ['upright', 'across'],
};
/** One figure. */
const ONCE = { levels: ['middle'] as const, levelNames: ['measured'], axes: [1] as const };

/** Sheets that are laid out as the engine is. */
export const SHEETS: readonly SheetLayout[] = [
  { kind: 'crank', parameter: crank.parameters['mainJournal.diameter'], name: 'Main journals', ...JOURNAL },
  { kind: 'crank', parameter: crank.parameters['crankpin.diameter'], name: 'Crankpins', ...JOURNAL },
  { kind: 'block', parameter: block.parameters.bore, name: 'Bores', ...CYLINDER },
  { kind: 'block', parameter: block.parameters['mainHousing.diameter'], name: 'Main housings', ...JOURNAL },
  { kind: 'liner', parameter: liner.parameters.bore, name: 'Bore of the liner', ...CYLINDER },
  {
    kind: 'rod',
    parameter: rod.parameters['bigEnd.bore'],
    name: 'Big end',
    ...JOURNAL,
    axisNames: ['along the rod', 'across'],
  },
  { kind: 'rod', parameter: rod.parameters['smallEnd.bore'], name: 'Small end', ...BOTH_WAYS },
  {
    kind: 'piston',
    parameter: piston.parameters['skirt.diameter'],
    name: 'Skirt',
    ...ONCE,
    axisNames: ['across the pin'],
  },
  { kind: 'piston', parameter: piston.parameters['pin.diameter'], name: 'Pin bores', ...BOTH_WAYS },
  { kind: 'pin', parameter: pin.parameters.diameter, name: 'Diameter', ...BOTH_WAYS },
  {
    kind: 'rings',
    parameter: rings.parameters['top.gap'],
    name: 'Gap of the top ring',
    ...ONCE,
    axisNames: ['in its bore'],
  },
  {
    kind: 'liner',
    parameter: liner.parameters.protrusion,
    name: 'Protrusion',
    ...ONCE,
    axes: [1, 2],
    axisNames: ['front', 'rear'],
  },
  {
    kind: 'valve',
    parameter: valve.parameters['stem.diameter'],
    name: 'Stem',
    ...BOTH_WAYS,
    levels: LEVELS,
    levelNames: ['near the tip', 'middle', 'near the head'],
  },
  {
    kind: 'valveSpring',
    parameter: valveSpring.parameters.freeLength,
    name: 'Free length',
    ...ONCE,
    axes: [1, 2],
    axisNames: ['one side', 'other side'],
  },
];

export const sheetFor = (parameter: string): SheetLayout | undefined =>
  SHEETS.find((sheet) => sheet.parameter.id === parameter);

/** One place of a sheet where a figure goes. */
export interface Cell {
  /** Counted from the front; absent where the part has one. */
  readonly position?: number;
  readonly level: Level;
  readonly axis: 1 | 2;
}

/** All cells in the order in which one measures: place by place, from the front or the top, in both directions. */
export const cellsInOrder = ({ parameter, levels, axes }: SheetLayout, count: number): readonly Cell[] =>
  Array.from({ length: parameter.per === 'part' ? 1 : count }, (_, at) => at + 1).flatMap((position) =>
    levels.flatMap((level) =>
      axes.map((axis): Cell => ({ ...(parameter.per === 'part' ? {} : { position }), level, axis })),
    ),
  );

export const keyOfCell = ({ position, level, axis }: Cell): string => `${position ?? ''} ${level} ${axis}`;

import { block } from '../dictionary/kinds/block.js';
import { cam } from '../dictionary/kinds/cam.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { pin } from '../dictionary/kinds/pin.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import { rod } from '../dictionary/kinds/rod.js';
import { valve } from '../dictionary/kinds/valve.js';
import { valveSpring } from '../dictionary/kinds/valveSpring.js';
import type { Parameter } from '../dictionary/definition.js';
import { valueOf } from '../joints/assembly.js';
import { noMore, ofSize, specified, usually } from '../joints/shapes/within.js';
import { LEVELS } from '../readings/level.js';
import { bearings, cylinders, deck, rods, valveGear, type FigureOfThumb } from '../thumb/index.js';
import type { SheetLayout } from './layout.js';

const JOURNAL = {
  levels: ['top', 'bottom'] as const,
  levelNames: ['front', 'rear'],
  axes: [1, 2] as const,
  axisNames: ['upright', 'across'],
  round: true,
  most: bearings,
};
const CYLINDER = {
  levels: LEVELS,
  levelNames: ['top', 'middle', 'bottom'],
  axes: [1, 2] as const,
  axisNames: ['along', 'across'],
  round: true,
  most: cylinders,
};

/** Measured at two heights in two directions, as a bore or a journal is. */
const BOTH_WAYS = {
  levels: ['top', 'bottom'] as const,
  levelNames: ['one end', 'other end'],
  axes: [1, 2] as const,
  axisNames: ['upright', 'across'],
  round: true,
};
/** One figure. */
const ONCE = { levels: ['middle'] as const, levelNames: ['measured'], axes: [1] as const };

/** Both ends of a strip that lay along the journal. */
const STRIP_ENDS = { ...ONCE, axes: [1, 2] as const, axisNames: ['front end', 'rear end'] };

/** Under a straightedge laid over a face in six ways. */
const STRAIGHTEDGE = {
  levels: LEVELS,
  levelNames: ['one side', 'middle', 'other side'],
  axes: [1, 2] as const,
  axisNames: ['lengthwise', 'crosswise or aslant'],
  holds: noMore(deck.flat),
};

const ON_SCALES = { ...ONCE, axisNames: ['on the scales'] };

/** A gap of a ring in the cylinder it goes into: by the maker's figure where he gives one, else a share of its bore. */
const fittedGap = (practice: FigureOfThumb, asked?: Parameter): Omit<SheetLayout, 'kind' | 'parameter' | 'name'> => ({
  ...ONCE,
  axisNames: ['in its cylinder'],
  holds: (assembly) => {
    const bore = valueOf(assembly, rings.parameters.bore)?.interval;
    const own = asked && valueOf(assembly, asked)?.interval;
    return own ? { band: own } : bore && ofSize(practice, bore, assembly);
  },
});

/** Sheets that are laid out as the engine is, those of one kind in the order in which one measures. */
export const SHEETS: readonly SheetLayout[] = [
  { kind: 'crank', parameter: crank.parameters['mainJournal.diameter'], name: 'Main journals', ...JOURNAL },
  { kind: 'crank', parameter: crank.parameters['crankpin.diameter'], name: 'Crankpins', ...JOURNAL },
  { kind: 'crank', parameter: crank.parameters['mainJournal.strip'], name: 'Crush strips, mains', ...STRIP_ENDS },
  { kind: 'crank', parameter: crank.parameters['crankpin.strip'], name: 'Crush strips, crankpins', ...STRIP_ENDS },
  {
    kind: 'crank',
    parameter: crank.parameters.endFloat,
    name: 'End float',
    ...ONCE,
    axisNames: ['in its block'],
    holds: (assembly) => specified(assembly, block.parameters['crank.endFloat'], bearings.endFloat),
  },
  { kind: 'block', parameter: block.parameters.bore, name: 'Bores', ...CYLINDER },
  { kind: 'block', parameter: block.parameters['mainHousing.diameter'], name: 'Main housings', ...JOURNAL },
  { kind: 'block', parameter: block.parameters['deck.flatness'], name: 'Deck, how flat', ...STRAIGHTEDGE },
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
    kind: 'rod',
    parameter: rod.parameters.length,
    name: 'Length',
    ...ONCE,
    axes: [1, 2],
    axisNames: ['one side', 'other side'],
  },
  {
    kind: 'rod',
    parameter: rod.parameters.bend,
    name: 'Bend',
    ...ONCE,
    axisNames: ['over 100 mm'],
    holds: noMore(rods.bent),
  },
  {
    kind: 'rod',
    parameter: rod.parameters.twist,
    name: 'Twist',
    ...ONCE,
    axisNames: ['over 100 mm'],
    holds: noMore(rods.twisted),
  },
  { kind: 'rod', parameter: rod.parameters['mass.bigEnd'], name: 'Weight of the big end', ...ON_SCALES },
  { kind: 'rod', parameter: rod.parameters['mass.smallEnd'], name: 'Weight of the small end', ...ON_SCALES },
  { kind: 'rod', parameter: rod.parameters.mass, name: 'Weight', ...ON_SCALES },
  {
    kind: 'piston',
    parameter: piston.parameters['skirt.diameter'],
    name: 'Skirt',
    ...ONCE,
    axisNames: ['across the pin'],
  },
  { kind: 'piston', parameter: piston.parameters['pin.diameter'], name: 'Pin bores', ...BOTH_WAYS },
  { kind: 'piston', parameter: piston.parameters.mass, name: 'Weight', ...ON_SCALES },
  { kind: 'pin', parameter: pin.parameters.diameter, name: 'Diameter', ...BOTH_WAYS },
  { kind: 'pin', parameter: pin.parameters.mass, name: 'Weight', ...ON_SCALES },
  {
    kind: 'rings',
    parameter: rings.parameters['top.fitted'],
    name: 'Gap of the top ring, fitted',
    ...fittedGap(cylinders.endGapEither, rings.parameters['top.gapSpecified']),
  },
  {
    kind: 'rings',
    parameter: rings.parameters['second.fitted'],
    name: 'Gap of the second ring, fitted',
    ...fittedGap(cylinders.secondGap),
  },
  {
    kind: 'rings',
    parameter: rings.parameters['oil.fitted'],
    name: 'Gap of the oil ring, fitted',
    ...fittedGap(cylinders.oilGap),
  },
  {
    kind: 'rings',
    parameter: rings.parameters['top.gap'],
    name: 'Gap of the top ring, as made',
    ...ONCE,
    axisNames: ['in a bore of its size'],
  },
  {
    kind: 'liner',
    parameter: liner.parameters.protrusion,
    name: 'Protrusion',
    ...ONCE,
    axes: [1, 2],
    axisNames: ['front', 'rear'],
  },
  { kind: 'head', parameter: head.parameters['face.flatness'], name: 'Face, how flat', ...STRAIGHTEDGE },
  {
    kind: 'head',
    parameter: head.parameters['guide.bore'],
    name: 'Valve guides',
    levels: LEVELS,
    levelNames: ['near the seat', 'middle', 'near the spring'],
    axes: [1, 2],
    axisNames: ['intake', 'exhaust'],
  },
  {
    kind: 'cam',
    parameter: cam.parameters.backlash,
    name: 'Backlash of the timing gears',
    ...ONCE,
    axes: [1, 2],
    axisNames: ['tightest place', 'a quarter turn on'],
    holds: usually(valveGear.backlash),
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
  {
    kind: 'valveSpring',
    parameter: valveSpring.parameters.seatLoad,
    name: 'Seat load',
    ...ONCE,
    axisNames: ['at installed height'],
  },
  {
    kind: 'head',
    parameter: head.parameters['spring.installedHeight'],
    name: 'Installed height of the springs',
    ...ONCE,
    axes: [1, 2],
    axisNames: ['intake', 'exhaust'],
  },
];

export const sheetFor = (parameter: string): SheetLayout | undefined =>
  SHEETS.find((sheet) => sheet.parameter.id === parameter);

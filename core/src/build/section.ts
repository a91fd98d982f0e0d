import { Type, type Static } from '@sinclair/typebox';
import type { Parameter } from '../dictionary/definition.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { headGasket } from '../dictionary/kinds/headGasket.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import { cam } from '../dictionary/kinds/cam.js';
import { engineVariant, running } from '../dictionary/index.js';
import { middle } from '../quantity/interval.js';
import type { LiftForm } from '../motion/index.js';
import { oneOf } from '../quantity/oneOf.js';
import { valveMotion } from './curves.js';
import type { BuildEngine, Spot } from './engine.js';

/** A valve as the section shows it. Millimetres and degrees. */
const ValveSchema = Type.Object({
  diameter: Type.Number(),
  form: oneOf<LiftForm>(['polynomial', 'harmonic'], 'What stands in for a lift curve that nobody measured'),
  lift: Type.Number({ description: 'Greatest lift of the valve' }),
  duration: Type.Number(),
  centre: Type.Number({ description: 'After the top between exhaust and intake' }),
  measured: Type.Optional(
    Type.Array(Type.Tuple([Type.Number(), Type.Number()]), { description: 'Degrees from the centre, and lift' }),
  ),
  stem: Type.Number(),
  sunk: Type.Number(),
});

/** Ports of a two-stroke, from the deck down. */
const PortSchema = Type.Object({ top: Type.Number(), foot: Type.Number() });

/** A cam that lies in the block. */
const CamSchema = Type.Object({
  distance: Type.Number({ description: 'From main axis to cam axis' }),
  base: Type.Number({ description: 'Diameter of the base circle' }),
  lift: Type.Number({ description: 'Of the lobe' }),
  at: Type.Number({ description: 'Degrees from upright, clockwise, at which it stands over the crank' }),
});
export type SectionValve = Static<typeof ValveSchema>;

/** All that the cross-section of one cylinder is drawn from. Millimetres, cubic centimetres, degrees. */
export const SectionSizesSchema = Type.Object({
  cylinder: Type.Integer(),
  bore: Type.Number(),
  wall: Type.Number(),
  stroke: Type.Number(),
  rod: Type.Number(),
  offset: Type.Number(),
  deck: Type.Number(),
  height: Type.Number({ description: 'Compression height' }),
  overall: Type.Number({ description: 'Height of the piston over all' }),
  below: Type.Number({ description: 'From the pin down to the lowest point a counterweight passes' }),
  pin: Type.Number(),
  crankpin: Type.Number(),
  main: Type.Number(),
  swing: Type.Number(),
  bigEnd: Type.Number(),
  reach: Type.Number(),
  gasket: Type.Number(),
  hole: Type.Number({ description: 'Bore of the head gasket' }),
  chamber: Type.Number(),
  crown: Type.Number({ description: 'What the crown holds, less than nothing for a dome' }),
  pocket: Type.Number(),
  tilts: Type.Array(Type.Number(), { description: 'How the banks lean, from upright' }),
  twoStroke: Type.Boolean(),
  intake: Type.Optional(ValveSchema),
  exhaust: Type.Optional(ValveSchema),
  cam: Type.Optional(CamSchema),
  ports: Type.Optional(Type.Object({ exhaust: PortSchema, transfer: PortSchema })),
  guessed: Type.Array(Type.String(), { description: 'Which of these nobody knows: drawn as is usual' }),
});
export type SectionSizes = Static<typeof SectionSizesSchema>;

/** Angle between the banks where nobody says. *Common practice, no source.* */
const USUAL_VEE = 90;

/** The sizes of a section through one cylinder; what is not known is guessed from what is, and named. */
export function sectionOf(engine: BuildEngine, cylinder: number): SectionSizes {
  const spot: Spot = { row: 'cylinder', at: cylinder };
  const guessed: string[] = [];
  const known = (parameter: Parameter): number | undefined => {
    const taken = engine.size(parameter, spot);
    return taken && middle(taken.interval);
  };
  const or = (name: string, guess: number, ...parameters: readonly Parameter[]): number => {
    for (const parameter of parameters) {
      const found = known(parameter);
      if (found !== undefined) return found;
    }
    guessed.push(name);
    return guess;
  };
  const bore = or('bore', 90, liner.parameters.bore, block.parameters.bore, piston.parameters.bore);
  const stroke = or('stroke', bore * 0.9, crank.parameters.stroke);
  const rodLength = or('rod', stroke * 1.75, rod.parameters.length);
  const height = or('height', bore * 0.42, piston.parameters.compressionHeight);
  const crankpin = or('crankpin', bore * 0.55, crank.parameters['crankpin.diameter']);
  const main = or('main', bore * 0.62, crank.parameters['mainJournal.diameter']);
  const bigEnd = or('bigEnd', crankpin * 1.07, rod.parameters['bigEnd.bore']);
  const vee = known(running.parameters.bankAngle) ?? USUAL_VEE;
  return {
    cylinder,
    bore,
    wall: or('wall', bore * 0.06, liner.parameters.wall, block.parameters.wall),
    stroke,
    rod: rodLength,
    offset: known(piston.parameters['pin.offset']) ?? 0,
    deck: or('deck', stroke / 2 + rodLength + height, block.parameters.deckHeight),
    height,
    overall: or('overall', height + bore * 0.35, piston.parameters.height),
    below: or('below', bore * 0.2, piston.parameters.belowPin),
    pin: or('pin', bore * 0.24, piston.parameters['pin.diameter']),
    crankpin,
    main,
    swing: or('swing', stroke * 0.85, crank.parameters.swing),
    bigEnd,
    reach: or('reach', bigEnd * 0.8, rod.parameters['bigEnd.reach']),
    gasket: or('gasket', 1.2, headGasket.parameters.thickness),
    hole: or('hole', bore + 1.5, headGasket.parameters.bore),
    chamber: or('chamber', bore ** 2 * 0.006, head.parameters['chamber.volume']),
    crown: (known(piston.parameters['crown.volume']) ?? 0) - (known(piston.parameters['crown.dome']) ?? 0),
    pocket: known(piston.parameters['valvePocket.depth']) ?? 0,
    tilts: tiltsOf(engine.look(engineVariant.features.layout.id), vee),
    twoStroke: engine.look(engineVariant.features.cycle.id) === 'two',
    ...valves(engine, known, spot, guessed),
    ...camOf(engine, known),
    ...portsOf(known, stroke, rodLength, height),
    guessed,
  };
}

/** How the banks lean. The one that is looked at stands first. */
function tiltsOf(layout: string | undefined, vee: number): number[] {
  if (layout === 'vee') return [-vee / 2, vee / 2];
  if (layout === 'flat') return [-90, 90];
  return [0];
}

type Known = (parameter: Parameter) => number | undefined;

function valves(
  engine: BuildEngine,
  known: Known,
  spot: Spot,
  guessed: string[],
): Pick<SectionSizes, 'intake' | 'exhaust'> {
  const sunk = known(head.parameters['valve.recess']) ?? 1;
  const of = (duty: 'intake' | 'exhaust'): Pick<SectionSizes, typeof duty> => {
    const diameter = known(head.parameters[`valve.${duty}`]);
    if (diameter === undefined) return {};
    const motion = valveMotion(engine, spot, duty);
    if (!motion) guessed.push(`${duty} lift`);
    const { measured, ...curve } = motion ?? {
      form: 'polynomial' as const,
      lift: 0,
      duration: USUAL_DURATION,
      centre: duty === 'intake' ? USUAL_CENTRE : -USUAL_CENTRE,
      stem: known(head.parameters['valve.angle']) ?? 0,
    };
    const valve: SectionValve = {
      diameter,
      sunk,
      ...curve,
      ...(measured ? { measured: measured.map(([angle, lift]): [number, number] => [angle, lift]) } : {}),
    };
    return { [duty]: valve };
  };
  return { ...of('intake'), ...of('exhaust') };
}

/** Where nobody says. Crank degrees. *Common practice, no source.* */
const USUAL_DURATION = 240;
const USUAL_CENTRE = 108;

/** How far beside the cylinders a cam of an in-line engine lies, in degrees about the crank. *Common practice.* */
const BESIDE = 38;

/** A cam in the block: between the banks, or beside a single one. */
function camOf(engine: BuildEngine, known: Known): Pick<SectionSizes, 'cam'> {
  const [distance, base] = [known(block.parameters.camDistance), known(cam.parameters.baseCircle)];
  if (distance === undefined || base === undefined) return {};
  const lift = known(cam.parameters['lift.intake']) ?? known(cam.parameters['lift.exhaust']) ?? 0;
  const at = engine.look(engineVariant.features.layout.id) === 'vee' ? 0 : BESIDE;
  return { cam: { distance, base, lift, at } };
}

/** Ports of a two-stroke. Whose foot is not known are uncovered just so far as the piston goes down. */
function portsOf(known: Known, stroke: number, rodLength: number, height: number): Pick<SectionSizes, 'ports'> {
  const [exhaust, transfer] = [known(block.parameters['port.exhaust']), known(block.parameters['port.transfer'])];
  if (exhaust === undefined || transfer === undefined) return {};
  const below = (known(block.parameters.deckHeight) ?? stroke / 2 + rodLength + height) - rodLength - height;
  const bottom = below + stroke / 2;
  const foot = known(block.parameters['port.exhaustFoot']) ?? bottom;
  return { ports: { exhaust: { top: exhaust, foot }, transfer: { top: transfer, foot: bottom } } };
}

import type { Parameter } from '../../dictionary/definition.js';
import { running } from '../../dictionary/index.js';
import { cam } from '../../dictionary/kinds/cam.js';
import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { noLess } from '../../joints/shapes/within.js';
import {
  alongCylinder,
  centreFor,
  fall,
  leastAt,
  openAt,
  seatDuration,
  type LiftPoint,
  type ValveMotion,
} from '../../motion/index.js';
import { deck } from '../../thumb/index.js';
import type { BuildEngine } from '../engine.js';
import { figure, first, from, orElse, size, type Input } from './figure.js';
import { rocker } from './loads.js';
import { belowDeck, length, offset, stroke } from './ratio.js';

const COMMON = 'Common practice';
const SLIDER = { stroke, rod: length, offset };

/** A two-stroke breathes through ports, and has none. */
export const hasValves = (engine: BuildEngine): boolean => engine.look('variant.valveGear') !== 'ports';

type Duty = 'intake' | 'exhaust';

/** Something of the lift curve that somebody measured; nothing where nobody did. */
const ofMeasured = (
  duty: Duty,
  name: string,
  quantity: 'length' | 'angle',
  tell: (points: readonly LiftPoint[]) => number,
): Input => ({
  reads: 'told',
  name,
  quantity,
  needs: [],
  tell: (engine) => {
    const points = engine.measuredLift(duty);
    return points && tell(points);
  },
});

/** The form that stands in for a lift curve nobody measured: as a number, since formulas reckon with it. */
const FORMS = ['polynomial', 'harmonic'] as const;

const formOf = (engine: BuildEngine): number =>
  Math.max(0, FORMS.indexOf((engine.look(running.features.liftForm.id) ?? 'polynomial') as (typeof FORMS)[number]));

const form: Input = {
  reads: 'told',
  name: 'Form of the lift curve, 0 a polynomial, 1 a harmonic',
  quantity: 'count',
  needs: [],
  tell: formOf,
};

/** What a valve's opening goes by, wherever it stands. */
const openingOf = (duty: Duty) => ({
  lobe: first(
    size(cam.parameters[`lift.${duty}`]),
    ofMeasured(duty, 'Greatest lift measured', 'length', (points) => Math.max(...points.map(([, lift]) => lift))),
  ),
  rocker,
  duration: first(
    ...(duty === 'intake' ? [] : [size(running.parameters['duration.exhaust'])]),
    size(cam.parameters['duration.intake']),
    ofMeasured(duty, 'Duration measured', 'angle', (points) => (points.at(-1)?.[0] ?? 0) - (points[0]?.[0] ?? 0)),
  ),
  at: orElse(size(running.parameters.durationAt), 0, 'The duration is taken to be from seat to seat.'),
  form,
});

/** Centres as cam cards without them give them: by the lift at overlap. */
const CENTRES = {
  intake: centreByOverlap('intake', cam.parameters['lift.overlap']),
  exhaust: centreByOverlap('exhaust', cam.parameters['lift.overlapExhaust']),
};

function centreByOverlap(duty: Duty, overlap: Parameter) {
  return figure({
    id: `centre.${duty}`,
    name: `${duty === 'intake' ? 'Intake' : 'Exhaust'} centre by the lift at overlap`,
    says: `Crank degrees between the top dead centre and the greatest lift of the ${duty} valve, from how far it is open at that dead centre.`,
    subject: 'room',
    quantity: 'angle',
    per: 'engine',
    of: { ...openingOf(duty), overlap: size(overlap) },
    formula: 'centreBy(lobe * rocker, seat(lobe * rocker, duration, at, form), overlap, form)',
    source: 'The lift curve, solved for its centre',
    arises: (engine) => hasValves(engine) && engine.size(overlap) !== undefined,
    compute: (of) =>
      of.overlap < of.lobe * of.rocker
        ? centreFor(FORMS[of.form] ?? 'polynomial', of.lobe * of.rocker, seatToSeat(of), of.overlap)
        : Number.NaN,
  });
}

/** What a valve needs to know of its cam and head. */
const valveOf = (duty: Duty) => ({
  ...openingOf(duty),
  centre: first(size(running.parameters[`${duty}Centre`]), from(CENTRES[duty]), size(cam.parameters.lobeCentre)),
  stem: size(head.parameters['valve.angle']),
});

type Opening = Readonly<Record<keyof ReturnType<typeof openingOf>, number>>;
type Valve = Readonly<Record<keyof ReturnType<typeof valveOf>, number>>;

/** Crank degrees for which a valve is off its seat. */
function seatToSeat({ lobe, rocker: by, duration, at, form: as }: Opening): number {
  return at > 0 && at < lobe * by ? seatDuration(FORMS[as] ?? 'polynomial', lobe * by, duration, at) : duration;
}

/** The exhaust valve is widest open before top dead centre. */
export const motionOf = (of: Valve, duty: Duty, measured?: readonly LiftPoint[]): ValveMotion => ({
  form: FORMS[of.form] ?? 'polynomial',
  lift: of.lobe * of.rocker,
  duration: seatToSeat(of),
  centre: duty === 'intake' ? of.centre : -of.centre,
  stem: of.stem,
  ...(measured ? { measured } : {}),
});

/** How far a valve hangs down along the cylinder. Millimetres. */
export const hanging = (of: Valve, duty: Duty, angle: number, measured?: readonly LiftPoint[]): number =>
  alongCylinder(openAt(motionOf(of, duty, measured), angle), of.stem);

/** Where piston and valve may come near each other, degrees either side of top dead centre. */
const NEAR = 80;

const pocket: Input = {
  reads: 'first',
  of: [
    {
      reads: 'told',
      name: 'No pockets',
      quantity: 'length',
      needs: [piston.features.valvePockets.id],
      tell: (engine, spot) => (engine.look(piston.features.valvePockets.id, spot?.at) === '0' ? 0 : undefined),
    },
    size(piston.parameters['valvePocket.depth']),
  ],
};

function valveRoom(duty: Duty) {
  const closest = figure({
    id: `valveNearest.${duty}`,
    name: `Nearest to the piston, ${duty}`,
    says: `Crank angle at which the ${duty} valve and the piston are nearest, after the top dead centre between exhaust and intake.`,
    subject: 'room',
    quantity: 'angle',
    per: 'engine',
    of: { ...SLIDER, ...valveOf(duty) },
    formula: `nearest(stroke, rod, offset, lobe * rocker, seat(lobe * rocker, duration, at, form), ${duty === 'intake' ? '' : '-'}centre, stem, form)`,
    source: 'Geometry of the slider-crank; lift as a polynomial where none was measured',
    arises: hasValves,
    compute: (of, engine) => {
      const measured = engine.measuredLift(duty);
      return leastAt((angle) => fall(of, angle) - hanging(of, duty, angle, measured), -NEAR, NEAR, 8);
    },
  });
  const room = figure({
    id: `valveRoom.${duty}`,
    name: `Piston to ${duty} valve`,
    says: `Room between the ${duty} valve and the crown under it, along the cylinder, where they are nearest.`,
    subject: 'room',
    quantity: 'length',
    per: 'cylinder',
    of: {
      below: from(belowDeck),
      gasket: size(headGasket.parameters.thickness),
      sunk: size(head.parameters['valve.recess']),
      pocket,
      ...SLIDER,
      ...valveOf(duty),
      angle: from(closest),
    },
    formula: `below + gasket + sunk + pocket + fall(stroke, rod, offset, angle) - lift(lobe * rocker, seat(lobe * rocker, duration, at, form), ${duty === 'intake' ? '' : '-'}centre, angle, form) * cos(stem * pi / 180)`,
    source: COMMON,
    arises: hasValves,
    compute: (of, engine) =>
      of.below +
      of.gasket +
      of.sunk +
      of.pocket +
      fall(of, of.angle) -
      hanging(of, duty, of.angle, engine.measuredLift(duty)),
    holds: noLess(duty === 'intake' ? deck.valveRoom : deck.valveRoomExhaust),
    tooLittle: 'a valve that floats or opens early meets the piston',
    caution: 'Check valve to piston with clay, on every cylinder, before the engine turns under power.',
  });
  return [CENTRES[duty], closest, room];
}

/** Room between the valves and the crown under them. */
export const VALVE_ROOM = [...valveRoom('intake'), ...valveRoom('exhaust')];

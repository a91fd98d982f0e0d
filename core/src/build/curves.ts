import type { QuantityKind } from '../quantity/unit.js';
import { fall, pistonAcceleration, pistonSpeed, rodAngle, turns, type SliderCrank } from '../motion/index.js';
import type { BuildEngine, Spot } from './engine.js';
import { figureOf, type Figure } from './figures/index.js';
import { hanging, motionOf } from './figures/valveRoom.js';
import { BuildModel } from './model.js';

/** Something that goes with the crank angle. */
export interface Curve {
  readonly id: string;
  readonly name: string;
  readonly quantity: QuantityKind;
  readonly values: readonly number[];
}

/** Degrees from point to point. */
const CURVE_STEP = 2;

/** Two turns: a four-stroke from the top between exhaust and intake and round to it again. */
const ANGLES = Array.from({ length: 720 / CURVE_STEP + 1 }, (_, at) => at * CURVE_STEP - 360);

/** Crank angles of the points of a curve, degrees after the top between exhaust and intake. */
export const curveAngles = (): readonly number[] => ANGLES;

/** Motion of one cylinder, and its valves, over two turns; what cannot be told is left out. */
export function curvesOf(engine: BuildEngine, cylinder: number): readonly Curve[] {
  const spot: Spot = { row: 'cylinder', at: cylinder };
  const known = numbersOf(engine, spot);
  const slider = known.slider;
  if (!slider || !turns(slider)) return [];
  const curve = (id: string, name: string, quantity: QuantityKind, of: (angle: number) => number): Curve => ({
    id,
    name,
    quantity,
    values: ANGLES.map(of),
  });
  const { speed } = known;
  return [
    curve('fall', 'Piston below its top', 'length', (angle) => fall(slider, angle)),
    curve('rodAngle', 'Rod angle', 'angle', (angle) => rodAngle(slider, angle)),
    ...(speed === undefined
      ? []
      : [
          curve('speed', 'Piston speed', 'velocity', (angle) => pistonSpeed(slider, angle, speed)),
          curve('acceleration', 'Acceleration of the piston', 'acceleration', (angle) =>
            pistonAcceleration(slider, angle, speed),
          ),
        ]),
    ...(['intake', 'exhaust'] as const).flatMap((duty): readonly Curve[] => {
      const valve = known[duty];
      if (!valve) return [];
      const measured = engine.measuredLift(duty);
      const hangs = (angle: number) => hanging(valve, duty, angle, measured);
      return [
        curve(`lift.${duty}`, `Lift of the ${duty} valve`, 'length', hangs),
        ...(valve.room === undefined
          ? []
          : [
              curve(
                `room.${duty}`,
                `Piston to ${duty} valve`,
                'length',
                (angle) => (valve.room ?? 0) + fall(slider, angle) - hangs(angle),
              ),
            ]),
      ];
    }),
  ];
}

/** The numbers a figure goes by, in the middle of what is put in. */
function numbersBy(model: BuildModel, figure: Figure, spot?: Spot): Readonly<Record<string, number>> | undefined {
  const node = model.node(figure, figure.per === 'engine' ? undefined : spot);
  if (!('index' in node)) return undefined;
  const values = model.nominal();
  return Object.fromEntries(node.arguments.map(({ name, index }) => [name, values[index] ?? Number.NaN]));
}

/** How the valves of a cylinder move, as the figures have it; nothing of one where that is not known. */
export function valveMotion(engine: BuildEngine, spot: Spot, duty: 'intake' | 'exhaust') {
  const valve = numbersOf(engine, spot)[duty];
  return valve && motionOf(valve, duty, engine.measuredLift(duty));
}

interface ValveNumbers {
  readonly lobe: number;
  readonly rocker: number;
  readonly duration: number;
  readonly at: number;
  readonly form: number;
  readonly centre: number;
  readonly stem: number;
  /** From the closed valve to the crown at top dead centre. */
  readonly room?: number;
}

function numbersOf(
  engine: BuildEngine,
  spot: Spot,
): {
  readonly slider?: SliderCrank;
  readonly speed?: number;
  readonly intake?: ValveNumbers;
  readonly exhaust?: ValveNumbers;
} {
  const wanted = [
    'rodAngle',
    'meanSpeed',
    'valveNearest.intake',
    'valveNearest.exhaust',
    'valveRoom.intake',
    'valveRoom.exhaust',
  ];
  const figures = wanted.flatMap((id) => figureOf(id) ?? []);
  const model = new BuildModel(engine, figures);
  const by = (id: string) => {
    const figure = figureOf(id);
    return figure && numbersBy(model, figure, spot);
  };
  const [slider, moving] = [by('rodAngle'), by('meanSpeed')];
  const valve = (duty: 'intake' | 'exhaust'): Partial<Record<typeof duty, ValveNumbers>> => {
    const opened = by(`valveNearest.${duty}`) as unknown as ValveNumbers | undefined;
    if (!opened) return {};
    const room = by(`valveRoom.${duty}`);
    const closed = room && (room.below ?? 0) + (room.gasket ?? 0) + (room.sunk ?? 0) + (room.pocket ?? 0);
    return { [duty]: { ...opened, ...(closed === undefined ? {} : { room: closed }) } };
  };
  return {
    ...(slider ? { slider: slider as unknown as SliderCrank } : {}),
    ...(moving?.speed === undefined ? {} : { speed: moving.speed }),
    ...valve('intake'),
    ...valve('exhaust'),
  };
}

import { fromTopDeadCentre, openAt, pinHeight, RADIANS, topHeight, turns } from '../motion/index.js';
import type { SectionSizes, SectionValve } from './section.js';

/** A point of the drawing: millimetres from the main axis, y downward. */
type Point = readonly [x: number, y: number];

/** What a shape of the section is. */
type SectionRole = 'metal' | 'moving' | 'hollow' | 'gasket' | 'valve' | 'pin' | 'weight';

export type SectionShape =
  | { readonly form: 'polygon'; readonly role: SectionRole; readonly part: string; readonly points: readonly Point[] }
  | {
      readonly form: 'circle';
      readonly role: SectionRole;
      readonly part: string;
      readonly at: Point;
      readonly radius: number;
    };

/** Room between two things at this angle, at the place where it is least. */
export interface SectionGap {
  /** Figure it belongs to. */
  readonly figure: string;
  readonly name: string;
  readonly from: Point;
  readonly to: Point;
  /** Millimetres. */
  readonly room: number;
}

export interface SectionDrawing {
  readonly shapes: readonly SectionShape[];
  readonly gaps: readonly SectionGap[];
  /** Where the crankpin is, to take hold of. */
  readonly crankpin: Point;
}

/** Room the drawing takes, whatever the crank angle. */
export function sectionBox(of: SectionSizes): {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
} {
  const top = of.deck + headHeight(of) * 1.2;
  const half = of.bore / 2 + of.wall + of.bore * 0.25;
  const around = Math.max(of.swing, of.stroke / 2 + of.reach) * 1.06;
  const [camX, camY] = of.cam ? turned([0, -of.cam.distance], of.cam.at) : [0, 0];
  const camRound = of.cam ? of.cam.base / 2 + of.cam.lift : 0;
  const corners = of.tilts.flatMap((tilt) =>
    [
      [-half, top],
      [half, top],
      [-half, 0],
      [half, 0],
    ].map(([x = 0, y = 0]) => turned([x, -y], tilt)),
  );
  const xs = [...corners.map(([x]) => x), -around, around, camX - camRound, camX + camRound];
  const ys = [...corners.map(([, y]) => y), -around, around, camY - camRound, camY + camRound];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

const headHeight = ({ bore }: SectionSizes): number => bore * 0.42;

/** A point turned about the main axis, clockwise. */
function turned([x, y]: Point, angle: number): Point {
  const [sine, cosine] = [Math.sin(angle * RADIANS), Math.cos(angle * RADIANS)];
  return [x * cosine - y * sine, x * sine + y * cosine];
}

/**
 * The section at one crank angle: to scale, as far as sizes are known.
 *
 * @param angle degrees after the top dead centre, between exhaust and intake, of the cylinder that is looked at
 */
export function drawSection(of: SectionSizes, angle: number): SectionDrawing {
  const [own = 0] = of.tilts;
  const shapes: SectionShape[] = [];
  const gaps: SectionGap[] = [];
  // Other banks first: the one that is looked at lies over them.
  for (const [at, tilt] of [...of.tilts.entries()].reverse()) {
    const here = angle + own - tilt;
    const bank = cylinderAt(of, here, at === 0);
    for (const shape of bank.shapes) shapes.push(turnedShape(shape, tilt));
    if (at === 0)
      for (const gap of bank.gaps) gaps.push({ ...gap, from: turned(gap.from, tilt), to: turned(gap.to, tilt) });
  }
  const crank = crankAt(of).map((shape) => turnedShape(shape, own + angle));
  return {
    shapes: [...shapes, ...camAt(of, angle), ...crank],
    gaps,
    crankpin: turned([0, -of.stroke / 2], own + angle),
  };
}

function turnedShape(shape: SectionShape, angle: number): SectionShape {
  return shape.form === 'circle'
    ? { ...shape, at: turned(shape.at, angle) }
    : { ...shape, points: shape.points.map((point) => turned(point, angle)) };
}

const box = (role: SectionRole, part: string, x0: number, y0: number, x1: number, y1: number): SectionShape => ({
  form: 'polygon',
  role,
  part,
  // Heights are over the main axis; the drawing goes down.
  points: [
    [x0, -y0],
    [x1, -y0],
    [x1, -y1],
    [x0, -y1],
  ],
});

const circle = (role: SectionRole, part: string, x: number, y: number, radius: number): SectionShape => ({
  form: 'circle',
  role,
  part,
  at: [x, -y],
  radius,
});

/** Points round a cam. */
const ROUND = 72;

/** The intake lobe of the cylinder that is looked at, and what it turns on: half as fast as the crank. */
function camAt({ cam, intake }: SectionSizes, angle: number): readonly SectionShape[] {
  if (!cam) return [];
  const { distance, base, lift, at } = cam;
  // Straight away from the crank is where a lifter stands; its nose is there when the valve is open widest.
  const nose = at + (angle - (intake?.centre ?? 0)) / 2;
  const centre = turned([0, -distance], at);
  const radius = (from: number): number =>
    base / 2 + lift * Math.max(0, Math.cos((from - nose) * RADIANS)) ** LOBE_SLIM;
  const points = Array.from({ length: ROUND }, (_, step): Point => {
    const around = (360 * step) / ROUND;
    const [x, y] = turned([0, -radius(around)], around);
    return [centre[0] + x, centre[1] + y];
  });
  return [
    { form: 'polygon', role: 'weight', part: 'cam', points },
    { form: 'circle', role: 'pin', part: 'cam', at: centre, radius: base * 0.28 },
  ];
}

/** How slim a lobe is drawn. */
const LOBE_SLIM = 4;

/** Half of a counterweight, in degrees. */
const WEIGHT = 62;

function crankAt({ stroke, swing, crankpin, main }: SectionSizes): readonly SectionShape[] {
  const weight = Array.from({ length: 25 }, (_, at): Point => {
    const angle = (180 - WEIGHT + (2 * WEIGHT * at) / 24) * RADIANS;
    return [swing * Math.sin(angle), -swing * Math.cos(angle)];
  });
  return [
    {
      form: 'polygon',
      role: 'weight',
      part: 'crank',
      points: [...weight, [-crankpin * 0.62, -stroke / 2], [crankpin * 0.62, -stroke / 2]],
    },
    circle('weight', 'crank', 0, stroke / 2, crankpin * 0.72),
    circle('pin', 'crank', 0, stroke / 2, crankpin / 2),
    circle('pin', 'crank', 0, 0, main / 2),
  ];
}

/** One cylinder upright, with what moves in it; gaps only where they are asked for. */
function cylinderAt(
  of: SectionSizes,
  angle: number,
  withGaps: boolean,
): { readonly shapes: readonly SectionShape[]; readonly gaps: readonly SectionGap[] } {
  const { bore, wall, deck, gasket, hole, stroke, pin, height, overall } = of;
  const half = bore / 2;
  const foot = Math.max(of.rod - stroke / 2 - (overall - height), deck * 0.35);
  const roof = deck + gasket;
  const top = roof + headHeight(of);
  const chamber = chamberDepth(of);
  const shapes: SectionShape[] = [
    box('metal', 'block', -half - wall, foot, -half, deck),
    box('metal', 'block', half, foot, half + wall, deck),
    box('gasket', 'headGasket', -half - wall, deck, -hole / 2, roof),
    box('gasket', 'headGasket', hole / 2, deck, half + wall, roof),
    box('metal', 'head', -half - wall, roof, half + wall, top),
    {
      form: 'polygon',
      role: 'hollow',
      part: 'head',
      points: [
        [-half * 0.86, -roof],
        [-half * 0.5, -roof - chamber],
        [half * 0.5, -roof - chamber],
        [half * 0.86, -roof],
      ],
    },
  ];
  if (of.ports) {
    const { exhaust, transfer } = of.ports;
    shapes.push(
      box('hollow', 'block', half, deck - exhaust.foot, half + wall, deck - exhaust.top),
      box('hollow', 'block', -half - wall, deck - transfer.foot, -half, deck - transfer.top),
    );
  }
  if (!turns(of)) return { shapes, gaps: [] };
  // A pin that is offset never comes quite so high: the stack is reckoned without, and the drawing goes by the stack.
  const pinY = pinHeight(of, angle) + (stroke / 2 + of.rod - topHeight(of));
  const crown = pinY + height;
  // The pin is offset toward the major thrust side, on which the crankpin is not going down.
  const pinX = -of.offset;
  const sine = Math.sin(angle * RADIANS);
  const [bigX, bigY] = [(stroke / 2) * sine, (stroke / 2) * Math.cos(angle * RADIANS)];
  shapes.push(
    ...rodShapes(of, [pinX, pinY], [bigX, bigY]),
    pistonShape(of, crown),
    circle('hollow', 'pin', pinX, pinY, pin / 2),
    circle('pin', 'pin', pinX, pinY, pin / 2),
  );
  const cycle = fromTopDeadCentre360(angle);
  for (const duty of ['intake', 'exhaust'] as const) {
    const valve = of[duty];
    if (valve) shapes.push(...valveShapes(of, valve, duty, withGaps ? cycle : 180));
  }
  return { shapes, gaps: withGaps ? gapsAt(of, cycle, crown) : [] };
}

/** A crank angle of a four-stroke, from 360 degrees before the top between exhaust and intake to 360 after. */
function fromTopDeadCentre360(angle: number): number {
  const within = ((((angle + 360) % 720) + 720) % 720) - 360;
  return within;
}

/** As deep as a chamber of this breadth must be to hold what it holds. */
const chamberDepth = ({ bore, chamber }: SectionSizes): number =>
  Math.min(bore * 0.36, (chamber * 1000) / ((Math.PI / 4) * (bore * 0.68) ** 2));

function pistonShape(of: SectionSizes, crown: number): SectionShape {
  const { bore, overall, height } = of;
  const half = bore / 2 - bore * 0.004;
  const across = bore * 0.34;
  // Bowl or dome, as deep as a round one of this breadth.
  const depth = (of.crown * 1000) / ((Math.PI / 4) * (2 * across) ** 2);
  const foot = crown - overall;
  const inside = crown - height - of.below;
  const arch = Math.max(inside, foot);
  const points: readonly Point[] = [
    [-half, -crown],
    [-across, -crown],
    [-across * 0.9, -(crown - depth)],
    [across * 0.9, -(crown - depth)],
    [across, -crown],
    [half, -crown],
    [half, -foot],
    [half - bore * 0.06, -foot],
    [half - bore * 0.1, -(arch + bore * 0.12)],
    [bore * 0.2, -arch],
    [-bore * 0.2, -arch],
    [-half + bore * 0.1, -(arch + bore * 0.12)],
    [-half + bore * 0.06, -foot],
    [-half, -foot],
  ];
  return { form: 'polygon', role: 'moving', part: 'piston', points };
}

function rodShapes(of: SectionSizes, small: Point, big: Point): readonly SectionShape[] {
  const [dx, dy] = [big[0] - small[0], big[1] - small[1]];
  const long = Math.hypot(dx, dy);
  // Across the rod.
  const [ax, ay] = [dy / long, -dx / long];
  const [narrow, broad] = [of.pin * 0.5, of.bigEnd * 0.46];
  const corner = ([x, y]: Point, by: number): Point => [x + ax * by, -(y + ay * by)];
  return [
    {
      form: 'polygon',
      role: 'moving',
      part: 'rod',
      points: [corner(small, narrow), corner(big, broad), corner(big, -broad), corner(small, -narrow)],
    },
    circle('moving', 'rod', small[0], small[1], of.pin * 0.78),
    circle('moving', 'rod', big[0], big[1], Math.min(of.reach, of.bigEnd * 0.66)),
  ];
}

const placeOf = (of: SectionSizes, duty: 'intake' | 'exhaust'): number => (duty === 'intake' ? -1 : 1) * of.bore * 0.22;

function valveShapes(
  of: SectionSizes,
  valve: SectionValve,
  duty: 'intake' | 'exhaust',
  angle: number,
): readonly SectionShape[] {
  const x = placeOf(of, duty);
  const face = of.deck + of.gasket + valve.sunk - openAt(valve, angle);
  const half = Math.min(valve.diameter / 2, of.bore * 0.21);
  const lean = (duty === 'intake' ? -1 : 1) * valve.stem;
  const shape: SectionShape = {
    form: 'polygon',
    role: 'valve',
    part: `${duty}Valve`,
    points: [
      [-half, 0],
      [half, 0],
      [half, -half * 0.16],
      [half * 0.22, -half * 0.6],
      [half * 0.22, -of.bore * 0.62],
      [-half * 0.22, -of.bore * 0.62],
      [-half * 0.22, -half * 0.6],
      [-half, -half * 0.16],
    ],
  };
  return [
    {
      ...shape,
      points: shape.points.map((point): Point => {
        const [dx, dy] = turned(point, lean);
        return [x + dx, -face + dy];
      }),
    },
  ];
}

/** Within so many degrees of where it is closest a gap is measured on the drawing. */
const LOOKED_AT = 60;

function gapsAt(of: SectionSizes, cycle: number, crown: number): readonly SectionGap[] {
  const gaps: SectionGap[] = [];
  const half = of.bore / 2;
  const near = fromTopDeadCentre(cycle);
  const roof = of.deck + of.gasket;
  if (Math.abs(near) <= LOOKED_AT)
    gaps.push({
      figure: 'squish',
      name: 'Squish',
      from: [half * 0.93, -crown],
      to: [half * 0.93, -roof],
      room: roof - crown,
    });
  else if (Math.abs(near) >= 180 - LOOKED_AT) {
    // Straight under the pin, where a counterweight passes.
    const foot = crown - of.height - of.below;
    gaps.push({
      figure: 'skirtToWeights',
      name: 'Piston over the counterweights',
      from: [0, -foot],
      to: [0, -of.swing],
      room: foot - of.swing,
    });
  }
  if (!of.twoStroke && Math.abs(cycle) <= LOOKED_AT)
    for (const duty of ['intake', 'exhaust'] as const) {
      const valve = of[duty];
      if (!valve || (valve.lift === 0 && !valve.measured)) continue;
      const x = placeOf(of, duty);
      const face = roof + valve.sunk - openAt(valve, cycle) * Math.cos(valve.stem * RADIANS);
      const pocket = crown - of.pocket;
      gaps.push({
        figure: `valveRoom.${duty}`,
        name: `Piston to ${duty} valve`,
        from: [x, -pocket],
        to: [x, -face],
        room: face - pocket,
      });
    }
  return gaps;
}

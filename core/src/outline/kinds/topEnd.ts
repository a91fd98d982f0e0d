import type { Part } from '../../catalogue/part.js';
import { cam } from '../../dictionary/kinds/cam.js';
import { fastener } from '../../dictionary/kinds/fastener.js';
import { flywheel } from '../../dictionary/kinds/flywheel.js';
import { frontCover } from '../../dictionary/kinds/frontCover.js';
import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { lifter } from '../../dictionary/kinds/lifter.js';
import { valve } from '../../dictionary/kinds/valve.js';
import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { arc, countDrawn, Sheet, sizeDrawn, worse, type Outline } from '../outline.js';

/** A cam from its end: journal, base circle, and an intake and an exhaust lobe. */
export function camOutline(part: Part): Outline {
  const sizes = cam.parameters;
  const base = sizeDrawn(part, sizes.baseCircle, 34);
  const front = sizeDrawn(part, sizes['journal.front'], base.size * 1.4);
  const rear = sizeDrawn(part, sizes['journal.rear'], front.size);
  const intake = sizeDrawn(part, sizes['lift.intake'], base.size * 0.22);
  const exhaust = sizeDrawn(part, sizes['lift.exhaust'], intake.size);
  const radius = base.size / 2;
  /** A lobe with its nose up: base circle, flanks, and a nose of a third of the base. */
  const lobe = (lift: number): [number, number][] => [
    ...arc(0, 0, radius, -10, 190),
    ...arc(0, -radius - lift + radius * 0.35, radius * 0.35, 200, 340),
  ];
  const turned = (points: readonly (readonly [number, number])[], degrees: number): [number, number][] => {
    const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
    return points.map(([x, y]) => [x * c - y * s, x * s + y * c]);
  };
  return new Sheet()
    .circle(0, 0, front.size, front.known, 'room', 'frontJournal')
    .circle(0, 0, rear.size, rear.known, 'room', 'rearJournal')
    .polygon(turned(lobe(exhaust.size), 110), exhaust.known, 'metal', 'exhaustLift')
    .polygon(lobe(intake.size), intake.known, 'bright', 'intakeLift')
    .circle(0, 0, base.size, base.known, 'room', 'baseCircle')
    .at('intakeLift', 0, -radius - intake.size, true)
    .at('exhaustLift', radius + exhaust.size, radius * 0.3, true)
    .at('baseCircle', 0, radius, false)
    .at('frontJournal', front.size * 0.35, front.size * 0.35, false)
    .at('rearJournal', -rear.size * 0.35, rear.size * 0.35, false)
    .at('length', -radius * 0.5, 0, true)
    .done('from its end');
}

/** A lifter from the side, its foot at the origin. */
export function lifterOutline(part: Part): Outline {
  const sizes = lifter.parameters;
  const body = sizeDrawn(part, sizes['body.diameter'], 22);
  const length = sizeDrawn(part, sizes.length, body.size * 2.1);
  const seat = sizeDrawn(part, sizes.seatHeight, length.size * 0.85);
  const form = part.looks[lifter.features.form.id]?.option;
  const rolls = form === 'solidRoller' || form === 'hydraulicRoller';
  const roller = sizeDrawn(part, sizes['roller.diameter'], body.size * 0.85);
  const sheet = new Sheet().rect(
    -body.size / 2,
    -length.size,
    body.size,
    rolls ? length.size - roller.size / 2 : length.size,
    worse(body.known, length.known),
    'bright',
    'body',
  );
  sheet.block(
    0,
    -(length.size + seat.size) / 2,
    body.size * 0.45,
    Math.max(0.5, length.size - seat.size),
    seat.known,
    'hollow',
    'seat',
  );
  if (rolls) sheet.circle(0, -roller.size / 2, roller.size, roller.known, 'metal', 'roller');
  if (part.looks[lifter.features.oilFeed.id]?.option === 'waist')
    sheet.block(0, -length.size * 0.5, body.size, length.size * 0.12, 'guessed', 'hollow');
  if (form === 'deactivating')
    for (const side of [-1, 1])
      sheet.circle(side * body.size * 0.32, -length.size * 0.4, body.size * 0.14, 'guessed', 'hollow');
  return sheet
    .at('body', -body.size / 2, -length.size * 0.7, true)
    .at('seat', 0, -seat.size, true)
    .at('length', body.size / 2, 0, false)
    .at('roller', 0, -roller.size * 0.2, false)
    .done('from the side');
}

const PER_CC = 1000;

/** A head in section over one cylinder, its face at the origin. */
export function headOutline(part: Part): Outline {
  const sizes = head.parameters;
  const height = sizeDrawn(part, sizes.height, 110);
  const least = sizeDrawn(part, sizes['height.least'], height.size);
  const intake = sizeDrawn(part, sizes['valve.intake'], height.size * 0.38);
  const exhaust = sizeDrawn(part, sizes['valve.exhaust'], intake.size * 0.85);
  const spacing = sizeDrawn(part, sizes.boreSpacing, (intake.size + exhaust.size) * 1.3);
  const chamber = sizeDrawn(part, sizes['chamber.volume'], 0);
  const camBore = part.values[sizes['camBore.diameter'].id] ? sizeDrawn(part, sizes['camBore.diameter'], 0) : undefined;
  const across = Math.min((intake.size + exhaust.size) * 1.08, spacing.size * 0.92);
  /** A roof with straight sides over this breadth has two thirds of the volume of the box about it. */
  const depth = (chamber.size * PER_CC) / ((Math.PI / 4) * across ** 2 * 0.67);
  const sheet = new Sheet()
    .rect(
      -spacing.size / 2,
      -height.size,
      spacing.size,
      height.size,
      worse(height.known, spacing.known),
      'metal',
      'height',
    )
    .polygon(
      [
        [-across / 2, 0],
        [-across * 0.2, -depth],
        [across * 0.2, -depth],
        [across / 2, 0],
      ],
      chamber.known,
      'hollow',
      'chamber',
    );
  for (const [side, one, place] of [
    [-1, intake, 'intakeValve'],
    [1, exhaust, 'exhaustValve'],
  ] as const)
    sheet
      .block(
        side * across * 0.25,
        -depth * 0.8,
        one.size,
        Math.max(1.5, height.size * 0.03),
        one.known,
        'bright',
        place,
      )
      .block(
        side * across * 0.25,
        -(depth + height.size) / 2,
        one.size * 0.2,
        height.size - depth,
        'guessed',
        'bright',
      );
  if (camBore) sheet.circle(0, -height.size * 0.8, camBore.size, camBore.known, 'hollow', 'camBore');
  return sheet
    .at('height', -spacing.size / 2, -height.size, true)
    .at('leastHeight', spacing.size * 0.4, -least.size, true)
    .at('camBore', 0, -height.size * 0.8, true)
    .at('chamber', 0, -depth * 0.4, false)
    .at('intakeValve', -across * 0.3, -depth * 0.75, false)
    .at('exhaustValve', across * 0.3, -depth * 0.75, false)
    .at('spacing', spacing.size / 2, 0, false)
    .done('in section over one cylinder');
}

/** A head gasket from above, with its thickness on edge. */
export function headGasketOutline(part: Part): Outline {
  const sizes = headGasket.parameters;
  const bore = sizeDrawn(part, sizes.bore, 90);
  const spacing = sizeDrawn(part, sizes.boreSpacing, bore.size * 1.12);
  const thickness = sizeDrawn(part, sizes.thickness, 1);
  const openings = Math.max(1, countDrawn(part, headGasket.features.openings, 1));
  const length = (openings - 1) * spacing.size + bore.size * 1.3;
  const breadth = bore.size * 1.55;
  const left = -length / 2 + bore.size * 0.65;
  const sheet = new Sheet().block(0, 0, length, breadth, 'guessed');
  for (let at = 0; at < openings; at++)
    sheet.circle(left + at * spacing.size, 0, bore.size, worse(bore.known, spacing.known), 'hollow', 'bore');
  sheet.block(0, breadth * 0.62, length, thickness.size, thickness.known, 'bright', 'thickness');
  return sheet
    .at('bore', left, -bore.size / 2, true)
    .at('spacing', openings > 1 ? left + spacing.size / 2 : left + bore.size / 2, 0, true)
    .at('thickness', length * 0.3, breadth * 0.62, false)
    .done('from above and on edge');
}

/** A valve from the side, the plane of its head at the origin. */
export function valveOutline(part: Part): Outline {
  const sizes = valve.parameters;
  const diameter = sizeDrawn(part, sizes['head.diameter'], 40);
  const stem = sizeDrawn(part, sizes['stem.diameter'], diameter.size * 0.2);
  const length = sizeDrawn(part, sizes.length, diameter.size * 2.8);
  const margin = sizeDrawn(part, sizes.margin, diameter.size * 0.03);
  const tip = sizeDrawn(part, sizes.tip, diameter.size * 0.08);
  const face = diameter.size * 0.08;
  const half = diameter.size / 2;
  const right: [number, number][] = [
    [half, 0],
    [half, -margin.size],
    [half - face, -margin.size - face],
    [stem.size / 2, -margin.size - face - half * 0.55],
    [stem.size / 2, -length.size],
  ];
  const left = right.map(([x, y]): [number, number] => [-x, y]).reverse();
  return new Sheet()
    .polygon([...right, ...left], worse(diameter.known, length.known), 'bright', 'head')
    .block(0, -length.size * 0.6, stem.size, length.size * 0.7, stem.known, 'bright', 'stem')
    .block(0, -length.size + tip.size, stem.size * 1.02, stem.size * 0.14, tip.known, 'hollow', 'tip')
    .at('tip', stem.size / 2, -length.size + tip.size, true)
    .at('stem', -stem.size / 2, -length.size * 0.6, true)
    .at('length', 0, -length.size, true)
    .at('head', -half, 0, false)
    .at('margin', half, -margin.size / 2, false)
    .done('from the side');
}

/** A valve spring from the side at its installed height, its free length and coil bind beside it. */
export function valveSpringOutline(part: Part): Outline {
  const sizes = valveSpring.parameters;
  const outside = sizeDrawn(part, sizes.outside, 32);
  const wire = sizeDrawn(part, sizes.wire, outside.size * 0.13);
  const installed = sizeDrawn(part, sizes.installedHeight, outside.size * 1.25);
  const free = sizeDrawn(part, sizes.freeLength, installed.size * 1.2);
  const bind = sizeDrawn(part, sizes.coilBind, installed.size * 0.65);
  const coils = Math.max(3, Math.round(bind.size / wire.size));
  const sheet = new Sheet();
  for (let at = 0; at < coils; at++) {
    const y = -installed.size + wire.size / 2 + ((installed.size - wire.size) * at) / (coils - 1);
    for (const side of [-1, 1])
      sheet.circle(
        (side * (outside.size - wire.size)) / 2,
        y,
        wire.size,
        worse(wire.known, installed.known),
        'bright',
        'wire',
      );
  }
  const x = outside.size * 0.85;
  const bar = wire.size * 0.6;
  return sheet
    .rect(-outside.size / 2, -installed.size, outside.size, installed.size, outside.known, 'room', 'outside')
    .rect(x, -free.size, bar, free.size, free.known, 'metal', 'free')
    .rect(x + bar * 2, -installed.size, bar, installed.size, installed.known, 'metal', 'installed')
    .rect(x + bar * 4, -bind.size, bar, bind.size, bind.known, 'metal', 'bind')
    .at('outside', -outside.size / 2, -installed.size / 2, true)
    .at('wire', -outside.size / 2 + wire.size / 2, -wire.size / 2, false)
    .at('free', x + bar / 2, -free.size, true)
    .at('installed', x + bar * 2.5, 0, false)
    .at('bind', x + bar * 4.5, -bind.size, true)
    .at('rate', 0, -installed.size, true)
    .done('from the side');
}

/** A front cover from the front, its pan face at the bottom. */
export function frontCoverOutline(part: Part): Outline {
  const sizes = frontCover.parameters;
  const height = sizeDrawn(part, sizes.height, 260);
  const depth = sizeDrawn(part, sizes.depth, height.size * 0.18);
  const seal = sizeDrawn(part, sizes['seal.bore'], height.size * 0.2);
  const half = height.size * 0.36;
  const bolts = countDrawn(part, frontCover.features.bolts, 8);
  const sheet = new Sheet().polygon(
    [
      [-half, 0],
      [-half, -height.size * 0.55],
      ...arc(0, -height.size + half * 0.7, half * 0.7, 180, 360),
      [half, -height.size * 0.55],
      [half, 0],
    ],
    height.known,
    'metal',
    'height',
  );
  for (let at = 0; at < bolts; at++) {
    const angle = Math.PI * (at / Math.max(1, bolts - 1));
    sheet.circle(
      -Math.cos(angle) * half * 0.88,
      -height.size * 0.08 - Math.sin(angle) * height.size * 0.85,
      height.size * 0.03,
      'guessed',
      'hollow',
    );
  }
  return sheet
    .circle(0, -height.size * 0.3, seal.size, seal.known, 'hollow', 'seal')
    .rect(half * 1.35, -height.size, depth.size, height.size, depth.known, 'metal', 'depth')
    .at('height', -half * 0.3, -height.size, true)
    .at('depth', half * 1.35 + depth.size / 2, -height.size, true)
    .at('seal', 0, -height.size * 0.3 + seal.size / 2, false)
    .done('from the front and the side');
}

/** A flywheel from the crank side. */
export function flywheelOutline(part: Part): Outline {
  const sizes = flywheel.parameters;
  const diameter = sizeDrawn(part, sizes.diameter, 300);
  const circle = sizeDrawn(part, sizes['bolt.circle'], diameter.size * 0.28);
  const pilot = sizeDrawn(part, sizes.pilot, circle.size * 0.5);
  const thickness = sizeDrawn(part, sizes.thickness, diameter.size * 0.09);
  const bolts = Math.max(1, countDrawn(part, flywheel.features.bolts, 6));
  const sheet = new Sheet()
    .circle(0, 0, diameter.size, diameter.known, 'metal', 'diameter')
    .circle(0, 0, circle.size, circle.known, 'room', 'boltCircle');
  for (let at = 0; at < bolts; at++) {
    const angle = (2 * Math.PI * at) / bolts;
    sheet.circle(
      (Math.cos(angle) * circle.size) / 2,
      (Math.sin(angle) * circle.size) / 2,
      circle.size * 0.1,
      'guessed',
      'hollow',
    );
  }
  const x = diameter.size * 0.62;
  return sheet
    .circle(0, 0, pilot.size, pilot.known, 'hollow', 'pilot')
    .block(x, 0, thickness.size, diameter.size, thickness.known, 'metal', 'thickness')
    .at('diameter', 0, -diameter.size / 2, true)
    .at('thickness', x, -diameter.size / 2, true)
    .at('boltCircle', -circle.size * 0.35, circle.size * 0.35, false)
    .at('pilot', 0, pilot.size / 2, false)
    .done('from the crank side, and on edge');
}

/** A bolt or stud from the side, the underside of its head at the origin. */
export function fastenerOutline(part: Part): Outline {
  const sizes = fastener.parameters;
  const thread = sizeDrawn(part, sizes['thread.diameter'], 10);
  const length = sizeDrawn(part, sizes.length, thread.size * 6);
  const flats = sizeDrawn(part, sizes['head.width'], thread.size * 1.6);
  const stud = part.looks[fastener.features.form.id]?.option === 'stud';
  const sheet = new Sheet().block(
    0,
    length.size / 2,
    thread.size,
    length.size,
    worse(thread.known, length.known),
    'metal',
    'thread',
  );
  sheet.block(0, length.size * 0.8, thread.size * 0.9, length.size * 0.4, thread.known, 'bright', 'pitch');
  if (!stud) sheet.block(0, -thread.size * 0.35, flats.size, thread.size * 0.7, flats.known, 'metal', 'head');
  return sheet
    .at('head', 0, -thread.size * 0.7, true)
    .at('thread', thread.size / 2, length.size * 0.4, true)
    .at('pitch', -thread.size / 2, length.size * 0.8, false)
    .at('length', 0, length.size, false)
    .done('from the side');
}

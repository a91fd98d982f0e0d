import { leastAt, perSecond, RADIANS } from './crankAngles.js';

/**
 * Crank, rod and piston of one cylinder, in millimetres. The offset of the pin counts toward the major thrust side, to
 * which the piston is pushed on its way down under pressure; the crankpin goes down on the other side.
 */
export interface SliderCrank {
  readonly stroke: number;
  readonly rod: number;
  readonly offset: number;
}

/** Whether the crank turns a whole round: a rod no longer than throw and offset together does not come round. */
export const turns = ({ stroke, rod, offset }: SliderCrank): boolean =>
  stroke > 0 && rod > stroke / 2 + Math.abs(offset);

/** How far the crankpin is from the axis of the piston pin, across the cylinder. Millimetres. */
const across = ({ stroke, offset }: SliderCrank, angle: number): number =>
  (stroke / 2) * Math.sin(angle * RADIANS) + offset;

/**
 * Height of the piston pin over the main axis. Millimetres.
 *
 * @param angle of the crank after its top, degrees
 */
export function pinHeight(of: SliderCrank, angle: number): number {
  const a = across(of, angle);
  return (of.stroke / 2) * Math.cos(angle * RADIANS) + Math.sqrt(of.rod * of.rod - a * a);
}

/** Angle of the rod to the cylinder axis, degrees; positive where the crankpin is on the minor thrust side. */
export const rodAngle = (of: SliderCrank, angle: number): number => Math.asin(across(of, angle) / of.rod) / RADIANS;

/** Crank angle at top dead centre: crank and rod in line, a trifle off the crank's own top where the pin is offset. */
export const topDeadCentre = ({ stroke, rod, offset }: SliderCrank): number =>
  -Math.asin(offset / (rod + stroke / 2)) / RADIANS;

/** The same at bottom dead centre, near 180 degrees. */
export const bottomDeadCentre = ({ stroke, rod, offset }: SliderCrank): number =>
  180 - Math.asin(offset / (rod - stroke / 2)) / RADIANS;

/** Height of the pin at top dead centre. Millimetres. */
export const topHeight = ({ stroke, rod, offset }: SliderCrank): number =>
  Math.sqrt((rod + stroke / 2) ** 2 - offset * offset);

/** Height of the pin at bottom dead centre. Millimetres. */
export const bottomHeight = ({ stroke, rod, offset }: SliderCrank): number =>
  Math.sqrt((rod - stroke / 2) ** 2 - offset * offset);

/**
 * How far the piston has gone down from top dead centre. Millimetres.
 *
 * Without offset: `r (1 - cos a) + l - sqrt(l^2 - r^2 sin(a)^2)`; Heywood, *Internal Combustion Engine Fundamentals*,
 * equation 2.5.
 */
export const fall = (of: SliderCrank, angle: number): number => topHeight(of) - pinHeight(of, angle);

/** First derivative of the fall by the crank angle. Millimetres a radian; positive going down. */
export function fallRate(of: SliderCrank, angle: number): number {
  const [r, a] = [of.stroke / 2, across(of, angle)];
  const [sine, cosine] = [Math.sin(angle * RADIANS), Math.cos(angle * RADIANS)];
  return r * sine + (a * r * cosine) / Math.sqrt(of.rod * of.rod - a * a);
}

/** Second derivative of the fall by the crank angle. Millimetres a radian squared. */
export function fallCurve(of: SliderCrank, angle: number): number {
  const [r, a] = [of.stroke / 2, across(of, angle)];
  const [sine, cosine] = [Math.sin(angle * RADIANS), Math.cos(angle * RADIANS)];
  const q = Math.sqrt(of.rod * of.rod - a * a);
  return r * cosine + ((r * cosine) ** 2 - a * r * sine) / q + (a * r * cosine) ** 2 / q ** 3;
}

/** Speed of the piston, metres a second; positive going down. */
export const pistonSpeed = (of: SliderCrank, angle: number, speed: number): number =>
  (fallRate(of, angle) * perSecond(speed)) / 1000;

/** Acceleration of the piston toward the crank, metres a second squared. */
export const pistonAcceleration = (of: SliderCrank, angle: number, speed: number): number =>
  (fallCurve(of, angle) * perSecond(speed) ** 2) / 1000;

/** Crank angle at which the piston goes down fastest, degrees. */
export const fastestAt = (of: SliderCrank): number => leastAt((angle) => -fallRate(of, angle), 30, 120, 5);

/** How long, in crank degrees, the piston stays within `drop` of top dead centre. */
export function dwell(of: SliderCrank, drop: number): number {
  const top = topDeadCentre(of);
  const reached = (side: 1 | -1): number => {
    let [near, far] = [0, 180];
    while (far - near > 1e-6) {
      const middle = (near + far) / 2;
      if (fall(of, top + side * middle) < drop) near = middle;
      else far = middle;
    }
    return near;
  };
  return reached(1) + reached(-1);
}

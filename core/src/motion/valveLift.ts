import { RADIANS } from './crankAngles.js';

/** Forms of lift curves that stand in for a measured one. */
export type LiftForm = 'harmonic' | 'polynomial';

/** A point of a measured lift curve: crank degrees from the centre, and the lift of the valve in millimetres. */
export type LiftPoint = readonly [angle: number, lift: number];

/**
 * How far a valve is open, in parts of its greatest lift.
 *
 * @param part of half the duration from the centre: 0 at the centre, 1 where it closes
 */
function shareOpen(form: LiftForm, part: number): number {
  const u = Math.abs(part);
  if (u >= 1) return 0;
  switch (form) {
    case 'harmonic':
      return (1 + Math.cos(Math.PI * u)) / 2;
    case 'polynomial': {
      // 1 - 3 u^2 + 3 u^4 - u^6: lift, speed and acceleration are nothing where it closes.
      const rest = 1 - u * u;
      return rest * rest * rest;
    }
  }
}

/** A valve's opening as a smooth curve, phased by its centre. */
export interface LiftCurve {
  readonly form: LiftForm;
  /** Greatest lift of the valve, millimetres. */
  readonly lift: number;
  /** Crank degrees from seat to seat. */
  readonly duration: number;
  /** Crank angle of the greatest lift, degrees after the top dead centre between exhaust and intake. */
  readonly centre: number;
}

/** How far the valve is open. Millimetres. */
export const liftAt = ({ form, lift, duration, centre }: LiftCurve, angle: number): number =>
  lift * shareOpen(form, (angle - centre) / (duration / 2));

/**
 * How far a valve with a measured curve is open: straight from point to point, closed outside them. Millimetres.
 *
 * @param points in the order of their angles
 */
export function measuredLift(points: readonly LiftPoint[], centre: number, angle: number): number {
  const from = angle - centre;
  const after = points.findIndex(([at]) => at >= from);
  const [before, next] = [points[after - 1], points[after]];
  if (!next) return 0;
  if (!before) return next[0] === from ? next[1] : 0;
  return before[1] + ((next[1] - before[1]) * (from - before[0])) / (next[0] - before[0]);
}

/** How a valve moves: a smooth curve, or what was measured, phased by its centre. */
export interface ValveMotion extends LiftCurve {
  readonly measured?: readonly LiftPoint[];
  /** Degrees by which the stem leans from the cylinder. */
  readonly stem: number;
}

/** How far a valve is open at a crank angle, along its stem. Millimetres. */
export const openAt = (motion: ValveMotion, angle: number): number =>
  motion.measured ? measuredLift(motion.measured, motion.centre, angle) : liftAt(motion, angle);

/**
 * Crank degrees from seat to seat of a curve that is known to be open for `duration` at and above a lift: cam cards
 * give it at fifty thou.
 *
 * @throws RangeError where the valve never opens so far
 */
export function seatDuration(form: LiftForm, lift: number, duration: number, at: number): number {
  return duration / partAt(form, lift, at);
}

/**
 * How far from its top dead centre a valve is open widest, that is known to be open so far at that dead centre: as cam
 * cards give the lift at overlap. Crank degrees.
 *
 * @param duration crank degrees from seat to seat
 * @throws RangeError where the valve never opens so far
 */
export const centreFor = (form: LiftForm, lift: number, duration: number, at: number): number =>
  (partAt(form, lift, at) * duration) / 2;

/** At which part of half its duration from the centre a valve is open so far. */
function partAt(form: LiftForm, lift: number, at: number): number {
  if (at < 0 || at >= lift) throw new RangeError(`A valve that opens ${lift} mm is never open ${at} mm.`);
  const share = at / lift;
  return form === 'harmonic' ? Math.acos(2 * share - 1) / Math.PI : Math.sqrt(1 - Math.cbrt(share));
}

/** How far a valve that stands at an angle moves along the cylinder when it opens. Millimetres. */
export const alongCylinder = (lift: number, stemAngle: number): number => lift * Math.cos(stemAngle * RADIANS);

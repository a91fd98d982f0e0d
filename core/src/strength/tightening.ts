import { proofLoad } from './bolt.js';

/** A bolt is tightened to this share of its proof load. *Common practice, no source*; makers give their own. */
export const TIGHTENED_TO = 0.75;

/** Friction in thread and under the head of a clean, lightly oiled bolt. *Common practice, no source.* */
export const OILED = 0.14;

/** Mean diameter on which the head rubs, by the diameter of the thread: hexagon heads on a normal hole. */
const UNDER_HEAD = 1.3;

/** What a bolt is tightened with, and to what. */
interface Tightening {
  /** Newton. */
  readonly preload: number;
  /** Newton metre. */
  readonly torque: number;
  /** How much longer it is then, millimetres; where its length is known. */
  readonly stretch?: number;
}

/** Young's modulus of steel, newton a square millimetre. */
const STEEL = 205_000;

/**
 * What brings a bolt to three quarters of its proof load: `F (0.159 P + 0.577 d2 mu + D mu / 2)`, as in VDI 2230, with
 * `d2 = d - 0.6495 P` of ISO 724. Undefined for a class nobody has tabled. No maker's figure: where there is one, that
 * one counts.
 *
 * @param diameter of the thread, millimetres
 * @param pitch millimetres
 * @param length that stretches, millimetres
 */
export function tighteningOf(
  grade: string,
  diameter: number,
  pitch: number,
  { friction = OILED, length }: { readonly friction?: number; readonly length?: number } = {},
): Tightening | undefined {
  const proof = proofLoad(grade, diameter, pitch);
  if (proof === undefined) return undefined;
  const preload = TIGHTENED_TO * proof;
  const flank = diameter - 0.6495 * pitch;
  const lever = 0.159 * pitch + 0.577 * flank * friction + (UNDER_HEAD * diameter * friction) / 2;
  return {
    preload,
    torque: (preload * lever) / 1000,
    ...(length === undefined ? {} : { stretch: (preload * length) / (STEEL * (Math.PI / 4) * diameter ** 2) }),
  };
}

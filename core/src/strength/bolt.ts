/**
 * Stress under proof load by property class, newton a square millimetre. ISO 898-1:2013, table 3, *from memory*; of 8.8
 * thicker bolts are given 600 instead of 580.
 */
const PROOF_STRESS: Readonly<Record<string, number>> = { '8.8': 580, '9.8': 650, '10.9': 830, '12.9': 970 };

/** Up to here bolts of class 8.8 have the lower figure. Millimetres. */
const THICK_FROM = 16;

/** Pitch of coarse metric threads by diameter, millimetres. ISO 261, first choice, *from memory*. */
const COARSE: Readonly<Record<number, number>> = {
  3: 0.5,
  4: 0.7,
  5: 0.8,
  6: 1,
  8: 1.25,
  10: 1.5,
  12: 1.75,
  16: 2,
  20: 2.5,
  24: 3,
};

/** Pitch of the coarse thread of this diameter; undefined where the series has none. Millimetres. */
export const coarsePitch = (diameter: number): number | undefined => COARSE[Number(diameter.toFixed(2))];

/**
 * Area of a bolt that bears in its thread, square millimetres: `pi / 4 (d - 0.9382 P)^2`, ISO 898-1, 9.1.6.1.
 *
 * @param diameter outside the thread, millimetres
 * @param pitch millimetres
 */
export const stressArea = (diameter: number, pitch: number): number => (Math.PI / 4) * (diameter - 0.9382 * pitch) ** 2;

/** Stress under proof load of this class, newton a square millimetre; undefined for one nobody has tabled. */
export const proofStress = (grade: string, diameter: number): number | undefined =>
  grade === '8.8' && diameter > THICK_FROM ? 600 : PROOF_STRESS[grade];

/** Load that a bolt of this class bears without staying longer, newton; undefined for a class nobody has tabled. */
export function proofLoad(grade: string, diameter: number, pitch: number): number | undefined {
  const stress = proofStress(grade, diameter);
  return stress === undefined ? undefined : stress * stressArea(diameter, pitch);
}

import { proofLoad } from './bolt';
import { tighteningOf } from './tightening';

const SIZES = [
  [6, 1],
  [8, 1.25],
  [10, 1.5],
  [12, 1.75],
  [12, 1.25],
  [16, 2],
  [20, 2.5],
] as const;

describe('tightening a bolt', () => {
  it('goes to three quarters of the proof load', () => {
    for (const [diameter, pitch] of SIZES)
      expect(tighteningOf('10.9', diameter, pitch)?.preload).toBeCloseTo(
        0.75 * (proofLoad('10.9', diameter, pitch) ?? 0),
        6,
      );
  });

  // Shigley, Mechanical Engineering Design, bolt torque: K is about 0.20 for friction of 0.15 whatever the bolt,
  // coarse or fine. *From memory.*
  it('has the torque coefficient of the handbooks at friction of 0.15, whatever the bolt', () => {
    for (const [diameter, pitch] of SIZES) {
      const found = tighteningOf('8.8', diameter, pitch, { friction: 0.15 });
      const coefficient = ((found?.torque ?? 0) * 1000) / ((found?.preload ?? 1) * diameter);
      expect(coefficient).withContext(`M${diameter}`).toBeGreaterThan(0.19);
      expect(coefficient).withContext(`M${diameter}`).toBeLessThan(0.215);
    }
  });

  // Workshop tables give an oiled M10 of 8.8 about 45 to 50 Nm, an M8 about 22 to 25. *From memory.*
  it('is near what workshop tables give', () => {
    expect(tighteningOf('8.8', 10, 1.5)?.torque).toBeGreaterThan(40);
    expect(tighteningOf('8.8', 10, 1.5)?.torque).toBeLessThan(52);
    expect(tighteningOf('8.8', 8, 1.25)?.torque).toBeGreaterThan(20);
    expect(tighteningOf('8.8', 8, 1.25)?.torque).toBeLessThan(26);
  });

  it('takes more with more friction, and stretches by Hooke', () => {
    const [dry, oiled] = [0.2, 0.1].map((friction) => tighteningOf('8.8', 10, 1.5, { friction, length: 100 }));
    expect(dry?.torque).toBeGreaterThan(1.5 * (oiled?.torque ?? 0));
    expect(dry?.preload).toBe(oiled?.preload);
    // 25.2 kN over 78.5 mm2 of steel at 205 GPa: 0.157 mm in 100.
    expect(dry?.stretch).toBeCloseTo(0.157, 2);
  });

  it('says nothing of a class nobody has tabled', () => {
    expect(tighteningOf('lines6', 10, 1.5)).toBeUndefined();
  });
});

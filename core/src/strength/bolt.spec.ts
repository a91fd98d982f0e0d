import { coarsePitch, proofLoad, proofStress, stressArea } from './bolt';

describe('bolts', () => {
  // ISO 898-1:2013, table 4, nominal stress areas of coarse threads in square millimetres, from memory.
  it('have the stress areas of the table', () => {
    for (const [diameter, area] of [
      [6, 20.1],
      [8, 36.6],
      [10, 58],
      [12, 84.3],
      [16, 157],
      [20, 245],
    ] as const)
      expect(Math.abs(stressArea(diameter, coarsePitch(diameter) ?? 0) / area - 1))
        .withContext(`M${diameter}`)
        .toBeLessThan(0.003);
  });

  // The same, table 5, proof loads in newton, from memory.
  it('have the proof loads of the table', () => {
    for (const [diameter, grade, load] of [
      [8, '8.8', 21_200],
      [8, '10.9', 30_400],
      [8, '12.9', 35_500],
      [10, '8.8', 33_700],
      [10, '10.9', 48_100],
      [10, '12.9', 56_300],
      [12, '10.9', 70_000],
      [12, '12.9', 81_800],
      [20, '8.8', 147_000],
    ] as const) {
      const found = proofLoad(grade, diameter, coarsePitch(diameter) ?? 0) ?? 0;
      expect(Math.abs(found / load - 1))
        .withContext(`M${diameter} ${grade}`)
        .toBeLessThan(0.004);
    }
  });

  it('of a class nobody has tabled, or a thread off the series, are left open', () => {
    expect(proofStress('special', 10)).toBeUndefined();
    expect(proofLoad('6.8', 10, 1.5)).toBeUndefined();
    expect(coarsePitch(8.73)).toBeUndefined();
  });

  it('of class 8.8 bear a little more from sixteen millimetres up', () => {
    expect(proofStress('8.8', 16)).toBe(580);
    expect(proofStress('8.8', 18)).toBe(600);
  });
});

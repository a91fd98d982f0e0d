import { compareFaces, normalForm } from './facePattern';

describe('names of patterns of faces', () => {
  it('are one however they are written: case, spaces, hyphens, number words, units, plurals, noughts', () => {
    for (const other of ['sluice six bolt 3.5', 'SLUICE 6-BOLT 3.50', 'Sluice Six-Bolts, 3.50 in', 'Sluice 6 bolt 3,5'])
      expect(compareFaces('Sluice six-bolt 3.50', other)).withContext(other).toBe('same');
    expect(normalForm('Eleven studs on a 95 mm circle')).toBe('11 stud 95');
  });

  it('are two where a count, a size or a word differs', () => {
    for (const [one, other] of [
      ['Sluice six-bolt 3.50', 'Sluice eight-bolt 3.50'],
      ['Sluice six-bolt 3.50', 'Sluice six-bolt 3.00'],
      ['Ambit nine-stud', 'Ambit nine-bolt'],
      ['Sluice three-point', 'Sluice tall three-point'],
      ['none', 'Ambit eleven-stud'],
    ] as const)
      expect(compareFaces(one, other)).withContext(`${one}, ${other}`).toBe('other');
  });

  it('may be one where only somebody’s name stands before what both say', () => {
    expect(compareFaces('six-bolt 3.5', 'Sluice 6 bolt 3.50')).toBe('perhaps');
    expect(compareFaces('round', 'Lumen round')).toBe('other');
  });
});

import fc from 'fast-check';
import { narrowed, wordsOf } from './narrowed';

const NAMES = ['Sluice crank, forged', 'Sluice crank, cast', 'Skerry crank', 'Skerry block', 'Ambit crank, late'];
const among = (typed: string, chosen = '', most = 10) =>
  narrowed(NAMES, wordsOf(typed), { textOf: (each) => each, isChosen: (each) => each === chosen, most });

describe('a narrowed list', () => {
  it('bears all the words, in any order and in any letters', () => {
    expect(among('crank')).toEqual([NAMES[0] ?? '', NAMES[1] ?? '', NAMES[2] ?? '', NAMES[4] ?? '']);
    expect(among('  FORGED  sluice ')).toEqual([NAMES[0] ?? '']);
    expect(among('block forged')).toEqual([]);
    expect(among('')).toEqual(NAMES);
  });

  it('holds the one that is chosen, whatever is typed and however many there are', () => {
    expect(among('block', 'Ambit crank, late')).toEqual(['Skerry block', 'Ambit crank, late']);
    expect(among('crank', 'Ambit crank, late', 1)).toEqual(['Sluice crank, forged', 'Ambit crank, late']);
  });

  it('keeps the order of the list, and is no longer than it may be', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.string({ minLength: 1, maxLength: 4 }), { maxLength: 30 }),
        fc.string({ maxLength: 3 }),
        fc.integer({ min: 0, max: 8 }),
        (all, typed, most) => {
          const some = narrowed(all, wordsOf(typed), { textOf: (each) => each, isChosen: () => false, most });
          expect(some.length).toBeLessThanOrEqual(most);
          expect([...some]).toEqual(all.filter((each) => some.includes(each)));
        },
      ),
    );
  });
});

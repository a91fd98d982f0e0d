import fc from 'fast-check';
import { Aligner, logChance } from './alignment';
import { characterSet, mayShare } from './characterSet';
import { ALPHABET } from './confusion';
import { readMark } from './markText';
import { holds } from '../testing/laws';

const text = fc.array(fc.constantFrom(...ALPHABET), { minLength: 2, maxLength: 9 }).map((each) => each.join(''));

describe('the characters of a mark as bits', () => {
  it('share exactly where the marks do', () => {
    holds(
      fc.property(text, text, (a, b) => {
        const { letters, figures } = characterSet(b);
        expect(mayShare(characterSet(a), letters, figures)).toBe(Array.from(a).some((each) => b.includes(each)));
      }),
    );
  });

  it('leave a mark with unusual characters to be looked at', () => {
    const { letters, figures } = characterSet('Ø+');
    expect(mayShare(characterSet('A1'), letters, figures)).toBeTrue();
  });

  it('never rule out a mark that explains the reading better than chance', () => {
    // One or two characters of the mark misread: still the likeliest mark for it when the others are right.
    holds(
      fc.property(text, fc.nat(), fc.constantFrom(...ALPHABET), (mark, at, wrong) => {
        const place = at % mark.length;
        const reading = readMark(`${mark.slice(0, place)}${wrong}${mark.slice(place + 1)}`);
        const aligner = new Aligner(reading, 'cast');
        const { letters, figures } = characterSet(mark);
        const score = aligner.logLikelihood(mark);
        if (mark.length > 3) expect(score).toBeGreaterThan(logChance(reading));
        if (score > -Infinity) expect(aligner.mayExplain(letters, figures)).toBeTrue();
      }),
    );
  });
});

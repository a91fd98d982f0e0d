import fc from 'fast-check';
import { readMark } from '../../marks/markText';
import { keyOf, withoutRepeats, type ReadMark } from './sameMark';
import { holds } from '../../testing/laws';

const mark = (text: string, more: Partial<ReadMark> = {}): ReadMark => ({
  text,
  positions: readMark(text),
  making: undefined,
  place: undefined,
  ...more,
});
const kept = (...marks: ReadMark[]) => withoutRepeats(marks).map(keyOf);

describe('a mark that is read twice', () => {
  it('counts once, however it is said', () => {
    expect(kept(mark('4187'), mark('4187', { making: 'cast' }))).toEqual(['4187 cast ']);
    expect(kept(mark('4187', { making: 'cast' }), mark('4187', { place: 'crank.web' }))).toEqual([
      '4187 cast crank.web',
    ]);
  });

  it('is as plain as both readings make it together', () => {
    expect(kept(mark('4?87'), mark('41?7'))).toEqual(['4187  ']);
    expect(kept(mark('4[1I]87'), mark('4187'))).toEqual(['4187  ']);
  });

  it('may be a piece of it, but not a single character', () => {
    expect(kept(mark('418'), mark('4187'))).toEqual(['4187  ']);
    expect(kept(mark('4'), mark('4187')).length).toBe(2);
  });

  it('is another where it is made otherwise, stands elsewhere, or has another character', () => {
    expect(kept(mark('4187', { making: 'cast' }), mark('4187', { making: 'stamped' })).length).toBe(2);
    expect(kept(mark('SJ', { place: 'crank.web' }), mark('SJ', { place: 'crank.nose' })).length).toBe(2);
    expect(kept(mark('4187'), mark('4127')).length).toBe(2);
  });

  it('comes out the same in whatever order it was read', () => {
    const texts = ['4187', '41?7', '418', 'SJ', '4127', '4[12]87'];
    holds(
      fc.property(fc.shuffledSubarray(texts, { minLength: texts.length }), (order) => {
        expect(kept(...order.map((text) => mark(text)))).toEqual(kept(...texts.map((text) => mark(text))));
      }),
    );
  });
});

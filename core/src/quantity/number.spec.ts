import { readNumber } from './number';

describe('readNumber', () => {
  // Decimal equivalents of fractions of an inch: the table in any machinist's handbook (Machinery's Handbook, front
  // matter; from memory).
  const cases: [string, number][] = [
    ['1 15/16', 1.9375],
    ['4-1/4', 4.25],
    ['15/16', 0.9375],
    ['63/64', 0.984375],
    ['.030', 0.03],
    ['59.67', 59.67],
    ['52,05', 52.05],
    ['104', 104],
  ];
  for (const [text, value] of cases) {
    it(`reads ${text}`, () => expect(readNumber(text)?.value).toBe(value));
  }

  it('takes 59.66/59.67 for repeats and 3/59 for no fraction', () => {
    expect(readNumber('59.66/59.67')).toEqual({ value: 59.66, length: 5 });
    expect(readNumber('3/59')).toEqual({ value: 3, length: 1 });
  });

  it('finds none in words, NaN or Infinity', () => {
    for (const text of ['forged', 'NaN', 'Infinity', '', '-', '.'])
      expect(readNumber(text)).withContext(text).toBeUndefined();
  });
});

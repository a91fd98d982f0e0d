import fc from 'fast-check';
import { isoFit, isoLimits, standardTolerance, UnknownFitError } from './isoFit';
import { holds } from '../testing/laws';

const micrometres = (text: string, size: number) => {
  const { low, high } = isoLimits(text, size);
  return [low - size, high - size].map((each) => Math.round(each * 10_000) / 10);
};

describe('limits of ISO 286', () => {
  // ISO 286-2, tables of limit deviations for holes and shafts, lower and upper in micrometres (from memory).
  const TABLE: readonly (readonly [string, number, number, number])[] = [
    ['H7', 25, 0, 21],
    ['g6', 25, -20, -7],
    ['H8', 8, 0, 22],
    ['f7', 16, -34, -16],
    ['e8', 10, -47, -25],
    ['d9', 5, -60, -30],
    ['h6', 120, -22, 0],
    ['k6', 50, 2, 18],
    ['m6', 12, 7, 18],
    ['n6', 6, 8, 16],
    ['p6', 60, 32, 51],
    ['r6', 150, 65, 90],
    ['s6', 220, 130, 159],
    ['j6', 40, -5, 11],
    ['js6', 75, -9.5, 9.5],
    ['G7', 250, 15, 61],
    ['F8', 100, 36, 90],
    ['J7', 28, -9, 12],
    ['K7', 30, -15, 6],
    ['M7', 80, -30, 0],
    ['N7', 40, -33, -8],
    ['P7', 20, -35, -14],
    ['R7', 45, -50, -25],
    ['S7', 60, -72, -42],
    ['N9', 8, -36, 0],
    ['N9', 12, -43, 0],
    ['N9', 16, -43, 0],
    ['N9', 3, -29, -4],
    ['k8', 40, 0, 39],
    ['M6', 280, -41, -9],
    ['M6', 240, -37, -8],
    ['H11', 200, 0, 290],
    ['N9', 3.1, -30, 0],
    ['JS7', 30, -10.5, 10.5],
    ['K7', 3.1, -9, 3],
    ['M6', 251, -41, -9],
    ['M6', 316, -46, -10],
  ];
  for (const [text, size, low, high] of TABLE)
    it(`are those of the tables for ${size} ${text}`, () => expect(micrometres(text, size)).toEqual([low, high]));

  it('make the fits that are quoted: 50 H7/f7 has 25 to 75 µm, 30 H7/p6 presses by 1 to 35 µm', () => {
    // ISO 286-2 (from memory): H7 +25/0 over f7 -25/-50; H7 +21/0 over p6 +35/+22.
    const rounded = (fit: string, size: number) =>
      [isoFit(fit, size).low, isoFit(fit, size).high].map((each) => Math.round(each * 1000));
    expect(rounded('H7/f7', 50)).toEqual([25, 75]);
    expect(rounded('H7/p6', 30)).toEqual([-35, -1]);
  });

  it('make the same fit turned round: H7/p6 is P7/h6, as the rule of the steps wants (ISO 286-1)', () => {
    holds(
      fc.property(fc.integer({ min: 4, max: 250 }), fc.constantFrom('p', 'r', 's'), (size, letter) => {
        const [basicHole, basicShaft] = [isoFit(`H7/${letter}6`, size), isoFit(`${letter.toUpperCase()}7/h6`, size)];
        expect(basicShaft.low).toBeCloseTo(basicHole.low, 9);
        expect(basicShaft.high).toBeCloseTo(basicHole.high, 9);
      }),
    );
  });

  it('grow with size and grade', () => {
    holds(
      fc.property(fc.double({ min: 1, max: 499, noNaN: true }), fc.integer({ min: 4, max: 10 }), (size, grade) => {
        expect(standardTolerance(grade + 1, size)).toBeGreaterThan(standardTolerance(grade, size));
        expect(standardTolerance(grade, size + 1)).toBeGreaterThanOrEqual(standardTolerance(grade, size));
      }),
    );
  });

  // Every cell: sums of the columns of ISO 286-1 (from memory), each cell times its place, so that no two can change
  // sides. At both ends of each range of nominal sizes, the divided ones of r and s among them.
  const ENDS = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500];
  const FINE_ENDS = [3, 6, 10, 18, 30, 50, 65, 80, 100, 120, 140, 160, 180, 200, 225, 250];
  const sumOf = (ends: readonly number[], of: (size: number) => number): number => {
    const over = (sizes: readonly number[]) =>
      Math.round(10 * sizes.reduce((sum, size, at) => sum + (at + 1) * of(size), 0)) / 10;
    // Just above the end before it a size is in the range already.
    expect(over(ends.map((_, at) => (ends[at - 1] ?? 1) + 0.01))).toBe(over(ends));
    return over(ends);
  };
  const lower = (text: string) => (size: number) => micrometres(text, size)[0] ?? NaN;
  const upper = (text: string) => (size: number) => micrometres(text, size)[1] ?? NaN;

  it('have every standard tolerance of the table, grade by grade', () => {
    const sums = [4, 5, 6, 7, 8, 9, 10, 11].map((grade) => sumOf(ENDS, (size) => standardTolerance(grade, size)));
    expect(sums).toEqual([1151, 1652, 2382, 3791, 5884, 9386, 15180, 23810]);
  });

  // ISO 286-1, annex: i = 0.45 D^(1/3) + 0.001 D at the geometric mean of the range; IT6 is 10 i, IT7 16 i, and so on.
  it('lie where the tolerance factor of the standard puts them, within its rounding, which is coarse below 6 mm', () => {
    const ends = [1, 3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500];
    for (const [grade, factors] of [
      [6, 10],
      [7, 16],
      [8, 25],
      [9, 40],
      [10, 64],
      [11, 100],
    ] as const)
      for (let at = 1; at < ends.length; at++) {
        const mean = Math.sqrt((ends[at - 1] ?? 0) * (ends[at] ?? 0));
        const found = standardTolerance(grade, ends[at] ?? 0);
        const expected = factors * (0.45 * Math.cbrt(mean) + 0.001 * mean);
        expect(Math.abs(found / expected - 1))
          .withContext(`IT${grade} up to ${ends[at]}`)
          .toBeLessThan(mean < 5 ? 0.16 : 0.08);
      }
  });

  it('have every fundamental deviation of the table, letter by letter', () => {
    expect(['d8', 'e8', 'f7', 'g6', 'h6'].map((text) => sumOf(ENDS, upper(text)))).toEqual([
      -13470, -7983, -4008, -1243, 0,
    ]);
    expect(['k6', 'm6', 'n6', 'p6'].map((text) => sumOf(ENDS, lower(text)))).toEqual([293, 1407, 2490, 4064]);
    expect(['r6', 's6'].map((text) => sumOf(FINE_ENDS, lower(text)))).toEqual([8142, 12452]);
    expect(['j5', 'j6', 'j7'].map((text) => sumOf(ENDS, lower(text)))).toEqual([-1076, -1076, -1765]);
    expect(['J6', 'J7'].map((text) => sumOf(ENDS, upper(text)))).toEqual([1804, 2483]);
  });

  it('refuse what is in no table', () => {
    for (const text of ['Q7', 'H', '7', 'z6', 'hH7']) expect(() => isoLimits(text, 20)).toThrowError(UnknownFitError);
    for (const [text, size] of [
      ['H7', 501],
      ['s6', 251],
      ['K9', 3.1],
    ] as const)
      expect(() => isoLimits(text, size))
        .withContext(text)
        .toThrowError(RangeError);
    expect(() => isoLimits('H3', 20)).toThrowError(RangeError);
  });
});

describe('deviations of ISO 286', () => {
  // The rules that the tables are made by (ISO 286-1:2010, annex A, from memory), with D the geometric mean of a range.
  const ENDS = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500];
  const ranges = ENDS.slice(1).map((end, at) => ({ size: end, mean: Math.sqrt(end * (ENDS[at] ?? 3)) }));
  const RULES: Readonly<Record<string, (mean: number, size: number) => number>> = {
    d: (mean) => -16 * mean ** 0.44,
    e: (mean) => -11 * mean ** 0.41,
    f: (mean) => -5.5 * mean ** 0.41,
    g: (mean) => -2.5 * mean ** 0.34,
    h: () => 0,
    k: (mean) => 0.6 * Math.cbrt(mean),
    m: (_mean, size) => standardTolerance(7, size) - standardTolerance(6, size),
    n: (mean) => 5 * mean ** 0.34,
  };

  for (const [letter, rule] of Object.entries(RULES))
    it(`of ${letter} follow the rule of the standard in every range, as it rounds them`, () => {
      for (const { size, mean } of ranges) {
        const [low = 0, high = 0] = micrometres(`${letter}6`, size);
        const told = 'defgh'.includes(letter) ? high : low;
        expect(Math.abs(told - rule(mean, size)))
          .withContext(`${letter} to ${size}`)
          .toBeLessThanOrEqual(1 + 0.06 * Math.abs(told));
      }
    });

  it('of holes are those of shafts, moved by the step between grades where the standard moves them', () => {
    for (const { size } of ranges) {
      const step = standardTolerance(7, size) - standardTolerance(6, size);
      for (const letter of ['K', 'M', 'N', 'P']) {
        const [shaft = 0] = micrometres(`${letter.toLowerCase()}6`, size);
        const [, hole = 0] = micrometres(`${letter}7`, size);
        expect(hole)
          .withContext(`${letter}7 to ${size}`)
          .toBeCloseTo(-shaft + step, 6);
      }
      for (const letter of ['D', 'E', 'F', 'G', 'H']) {
        const [, shaft = 0] = micrometres(`${letter.toLowerCase()}7`, size);
        const [hole = 0] = micrometres(`${letter}8`, size);
        expect(hole).withContext(`${letter} to ${size}`).toBeCloseTo(-shaft, 6);
      }
    }
  });

  it('are said to be beyond the tables where a size is', () => {
    expect(() => isoLimits('s6', 300)).toThrowError(RangeError, /tables here end before 300 mm/);
    expect(() => isoLimits('H7', 900)).toThrowError(RangeError);
    expect(() => isoLimits('K9', 20)).toThrowError(UnknownFitError);
  });
});

import { interval, type Interval } from '../quantity/interval.js';

/**
 * Boundary dimensions of radial rolling bearings after ISO 15:2017, tables for diameter series 8, 9, 0, 2, 3 and 4: for
 * each bore code the outside diameter, and the width of the usual width series. Bore codes 00 to 20. *From memory.*
 */
const OUTSIDE: Readonly<Record<string, readonly number[]>> = {
  //  00  01  02  03  04  05  06  07  08  09  10   11   12   13   14   15   16   17   18   19   20
  '8': [19, 21, 24, 26, 32, 37, 42, 47, 52, 58, 65, 72, 78, 85, 90, 95, 100, 110, 115, 120, 125],
  '9': [22, 24, 28, 30, 37, 42, 47, 55, 62, 68, 72, 80, 85, 90, 100, 105, 110, 120, 125, 130, 140],
  '0': [26, 28, 32, 35, 42, 47, 55, 62, 68, 75, 80, 90, 95, 100, 110, 115, 125, 130, 140, 145, 150],
  '2': [30, 32, 35, 40, 47, 52, 62, 72, 80, 85, 90, 100, 110, 120, 125, 130, 140, 150, 160, 170, 180],
  '3': [35, 37, 42, 47, 52, 62, 72, 80, 90, 100, 110, 120, 130, 140, 150, 160, 170, 180, 190, 200, 215],
  '4': [NaN, NaN, NaN, 62, 72, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 190, 200, 210, 225, 240, 250],
};

/** Widths, by width series and diameter series: `02`, `03` and so on; `22` and `23` are the wide ones. */
const WIDTH: Readonly<Record<string, readonly number[]>> = {
  '18': [5, 5, 5, 5, 7, 7, 7, 7, 7, 7, 7, 9, 10, 10, 10, 10, 10, 13, 13, 13, 13],
  '19': [6, 6, 7, 7, 9, 9, 9, 10, 12, 12, 12, 13, 13, 13, 16, 16, 16, 18, 18, 18, 20],
  '00': [NaN, 7, 8, 8, 8, 8, 9, 9, 9, 10, 10, 11, 11, 11, 13, 13, 14, 14, 16, 16, 16],
  '10': [8, 8, 9, 10, 12, 12, 13, 14, 15, 16, 16, 18, 18, 18, 20, 20, 22, 22, 24, 24, 24],
  '02': [9, 10, 11, 12, 14, 15, 16, 17, 18, 19, 20, 21, 22, 23, 24, 25, 26, 28, 30, 32, 34],
  '03': [11, 12, 13, 14, 15, 17, 19, 21, 23, 25, 27, 29, 31, 33, 35, 37, 39, 41, 43, 45, 47],
  '04': [NaN, NaN, NaN, 17, 19, 21, 23, 25, 27, 29, 31, 33, 35, 37, 42, 45, 48, 52, 54, 55, 58],
  '22': [14, 14, 14, 16, 18, 18, 20, 23, 23, 23, 23, 25, 28, 31, 31, 31, 33, 36, 40, 43, 46],
  '23': [17, 17, 17, 19, 21, 24, 27, 31, 33, 36, 40, 43, 46, 48, 51, 55, 58, 60, 64, 67, 73],
};

/** Bore of the codes below 04; from 04 up it is five times the code (ISO 15, designation practice). */
const SMALL_BORES: readonly number[] = [10, 12, 15, 17];
const FIVE_TIMES_FROM = 4;

/** Radial internal clearance of the classes 2, N, 3, 4 and 5 in micrometres. */
type ClearanceRow = readonly [over: number, to: number, ...classes: readonly (readonly [number, number])[]];
const CLEARANCE_CLASSES = ['C2', 'CN', 'C3', 'C4', 'C5'] as const;
type ClearanceClass = (typeof CLEARANCE_CLASSES)[number];

/** Deep groove ball bearings with cylindrical bore: ISO 5753-1:2009, table 1. *From memory.* */
const BALL_CLEARANCE: readonly ClearanceRow[] = [
  [6, 10, [0, 7], [2, 13], [8, 23], [14, 29], [20, 37]],
  [10, 18, [0, 9], [3, 18], [11, 25], [18, 33], [25, 45]],
  [18, 24, [0, 10], [5, 20], [13, 28], [20, 36], [28, 48]],
  [24, 30, [1, 11], [5, 20], [13, 28], [23, 41], [30, 53]],
  [30, 40, [1, 11], [6, 20], [15, 33], [28, 46], [40, 64]],
  [40, 50, [1, 11], [6, 23], [18, 36], [30, 51], [45, 73]],
  [50, 65, [1, 15], [8, 28], [23, 43], [38, 61], [55, 90]],
  [65, 80, [1, 15], [10, 30], [25, 51], [46, 71], [65, 105]],
  [80, 100, [1, 18], [12, 36], [30, 58], [53, 84], [75, 120]],
];

/** Cylindrical roller bearings with cylindrical bore: ISO 5753-1:2009, table 3. *From memory.* */
const ROLLER_CLEARANCE: readonly ClearanceRow[] = [
  [0, 10, [0, 25], [20, 45], [35, 60], [50, 75], [65, 90]],
  [10, 24, [0, 25], [20, 45], [35, 60], [50, 75], [65, 90]],
  [24, 30, [0, 25], [20, 45], [35, 60], [50, 75], [70, 95]],
  [30, 40, [5, 30], [25, 50], [45, 70], [60, 85], [80, 105]],
  [40, 50, [5, 35], [30, 60], [50, 80], [70, 100], [95, 125]],
  [50, 65, [10, 40], [40, 70], [60, 90], [80, 110], [110, 140]],
  [65, 80, [10, 45], [40, 75], [65, 100], [90, 125], [130, 165]],
  [80, 100, [15, 50], [50, 85], [75, 110], [105, 140], [155, 190]],
];

/** Which rings of a cylindrical roller bearing carry shoulders. The letters are common to the trade. */
const ROLLER_TYPES: Readonly<Record<string, { readonly inner: 'none' | 'one' | 'two'; readonly says: string }>> = {
  N: { inner: 'two', says: 'two shoulders on the inner ring, none on the outer: does not locate the shaft' },
  NU: { inner: 'none', says: 'two shoulders on the outer ring, a plain inner ring: does not locate the shaft' },
  NJ: { inner: 'one', says: 'two shoulders on the outer ring, one on the inner: locates the shaft one way' },
  NUP: {
    inner: 'two',
    says: 'two shoulders on the outer ring, one and a loose ring on the inner: locates the shaft both ways',
  },
};

/** Suffixes that mean the same from most makers. *Common practice, no source.* */
const SUFFIXES: readonly {
  readonly pattern: RegExp;
  readonly says: string;
  readonly sets?: Partial<Pick<BearingDesignation, 'cover' | 'cage' | 'snapRing'>>;
  /** A clearance of none of the classes. */
  readonly clearance?: 'other';
}[] = [
  { pattern: /^(2Z|ZZ)$/, says: 'shields on both sides', sets: { cover: 'shield' } },
  { pattern: /^Z$/, says: 'a shield on one side', sets: { cover: 'shield' } },
  { pattern: /^(2RS[12HR]?|LLU|DDU)$/, says: 'seals on both sides', sets: { cover: 'seal' } },
  { pattern: /^(RS[12HR]?|LU|DU)$/, says: 'a seal on one side', sets: { cover: 'seal' } },
  { pattern: /^NR$/, says: 'a snap ring groove with its ring', sets: { snapRing: true } },
  { pattern: /^N$/, says: 'a snap ring groove in the outer ring', sets: { snapRing: true } },
  { pattern: /^M[AB]?$/, says: 'a machined brass cage', sets: { cage: 'brass' } },
  { pattern: /^(TN[9G]?|TVP?|P)$/, says: 'a moulded cage', sets: { cage: 'polyamide' } },
  { pattern: /^J$/, says: 'a pressed steel cage', sets: { cage: 'steel' } },
  { pattern: /^V$/, says: 'full complement, no cage', sets: { cage: 'full' } },
  { pattern: /^EC?$/, says: 'reinforced inner design' },
  { pattern: /^W33$/, says: 'a groove and three holes for oil in the outer ring' },
  { pattern: /^K$/, says: 'a tapered bore, 1 in 12' },
  { pattern: /^P[0456]X?$/, says: 'a tolerance class closer than normal' },
  { pattern: /^CM$/, says: 'a clearance for electric motors, between normal and class 3', clearance: 'other' },
];

/**
 * Tolerance and clearance class in one: `P63` is P6 and C3, after DIN 620. *Common practice, from memory.*
 */
const CLASSES_TOGETHER = /^P([456])([2345])$/;

/** What a designation says of a bearing. Lengths in millimetres. */
interface BearingDesignation {
  readonly form: 'ball' | 'cylindrical';
  readonly bore: number;
  readonly outside: number;
  readonly width: number;
  /** Undefined where a suffix says another, or what it says is not known. */
  readonly clearanceClass: ClearanceClass | undefined;
  /** Radial internal clearance before fitting; undefined beyond the table, and where the class is. */
  readonly clearance: Interval | undefined;
  readonly innerShoulder: 'none' | 'one' | 'two';
  readonly cover: 'open' | 'shield' | 'seal';
  readonly cage: 'steel' | 'brass' | 'polyamide' | 'full' | undefined;
  readonly snapRing: boolean;
  /** Each part of the designation, and what it tells. */
  readonly says: readonly { readonly text: string; readonly says: string }[];
}

/** A designation that cannot be read, with what was expected. */
export class DesignationError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'DesignationError';
  }
}

const BASIC = /^(NUP|NU|NJ|N)?(\d{3,5})$/;

interface Basic {
  readonly form: 'ball' | 'cylindrical';
  readonly roller?: string;
  /** Width series and diameter series. */
  readonly series: string;
  readonly code: number;
}

/** `6204`, `16004`, `NU204`, `NU2204`, `61804`: type, dimension series, bore code. */
function basicOf(letters: string | undefined, figures: string): Basic {
  const code = Number(figures.slice(-2));
  const before = figures.slice(0, -2);
  if (letters !== undefined) {
    const series = before.length === 1 ? `0${before}` : before;
    return { form: 'cylindrical', roller: letters, series, code };
  }
  // Deep groove ball: 6 and the series; 60 is series 10, and 160 the narrow one; 618 and 619 name both figures; 68 and
  // 69 are their short forms.
  if (before === '160') return { form: 'ball', series: '00', code };
  const ball = /^6(0|2|3|4|8|9|18|19|22|23)$/.exec(before)?.[1];
  if (ball === undefined)
    throw new DesignationError(
      `“${figures}” is no series this reads: 60, 62, 63, 64, 160, 618, 619, 622 and 623 are deep groove ball bearings; N, NU, NJ and NUP cylindrical rollers.`,
    );
  const series =
    ball === '0' ? '10' : ball === '8' ? '18' : ball === '9' ? '19' : ball.length === 1 ? `0${ball}` : ball;
  return { form: 'ball', series, code };
}

/** Radial internal clearance after ISO 5753-1, millimetres; undefined beyond the table. */
export function radialClearance(
  form: 'ball' | 'cylindrical',
  bore: number,
  clearanceClass: ClearanceClass,
): Interval | undefined {
  const row = (form === 'ball' ? BALL_CLEARANCE : ROLLER_CLEARANCE).find(([over, to]) => bore > over && bore <= to);
  const range = row?.[2 + CLEARANCE_CLASSES.indexOf(clearanceClass)] as readonly [number, number] | undefined;
  return range && interval(range[0] / 1000, range[1] / 1000);
}

const isSuffix = (text: string): boolean =>
  text === 'C0' ||
  CLASSES_TOGETHER.test(text) ||
  CLEARANCE_CLASSES.includes(text as ClearanceClass) ||
  SUFFIXES.some(({ pattern }) => pattern.test(text));

/**
 * Suffixes that are run together, cut into those that are known: `ZZC3` is `ZZ` and `C3`. Of a run that
 * cannot be cut up whole the rest stays together.
 */
function suffixesIn(run: string): readonly string[] {
  if (run === '' || isSuffix(run)) return run === '' ? [] : [run];
  for (let length = run.length - 1; length > 0; length--) {
    const rest = isSuffix(run.slice(0, length)) ? suffixesIn(run.slice(length)) : [];
    if (rest.length > 0 && rest.every(isSuffix)) return [run.slice(0, length), ...rest];
  }
  // What is known of its beginning, unless that is a single letter, which may begin anything.
  for (let length = run.length - 1; length > 1; length--)
    if (isSuffix(run.slice(0, length))) return [run.slice(0, length), run.slice(length)];
  return [run];
}

/**
 * Reads the designation of a deep groove ball or cylindrical roller bearing: `6204-2Z/C3`, `NU 205 M`, `6305`.
 *
 * @throws DesignationError which says what cannot be read
 * @example readBearing('6204').bore // 20, in mm
 */
export function readBearing(text: string): BearingDesignation {
  const [head = '', ...rest] = text
    .toUpperCase()
    .trim()
    .replace(/^(NUP|NU|NJ|N)[\s-]+/, '$1')
    // A suffix may follow without a dash: 6204ZZ, NU205E.
    .replace(/^((?:NUP|NU|NJ|N)?\d{3,5})(?=[A-Z])/, '$1-')
    .replace(/^((?:NUP|NU|NJ|N)?\d{3,5})(?=2(?:Z|RS))/, '$1-')
    .split(/[\s\-/.]+/)
    .filter(Boolean)
    .flatMap((part, at) => (at === 0 ? [part] : suffixesIn(part)))
    .flatMap((part) => {
      const [, tolerance, clearance] = CLASSES_TOGETHER.exec(part) ?? [];
      return tolerance && clearance ? [`P${tolerance}`, `C${clearance}`] : [part];
    });
  const basic = BASIC.exec(head);
  if (!basic) throw new DesignationError(`“${head}” is no bearing number: write it like 6204, 6305-2Z/C3 or NU 205.`);
  const { form, roller, series, code } = basicOf(basic[1], basic[2] ?? '');
  const outside = OUTSIDE[series.slice(-1)]?.[code];
  const width = WIDTH[series]?.[code];
  if (outside === undefined || width === undefined || Number.isNaN(outside + width))
    throw new DesignationError(
      `“${head}” has series ${series} and bore code ${String(code).padStart(2, '0')}, which are not in the table.`,
    );
  const bore = code < FIVE_TIMES_FROM ? (SMALL_BORES[code] ?? NaN) : 5 * code;
  const shoulders = roller === undefined ? undefined : ROLLER_TYPES[roller];
  const says: { text: string; says: string }[] = [
    {
      text: head.slice(0, -2),
      says: shoulders ? `cylindrical roller bearing, ${shoulders.says}` : 'deep groove ball bearing',
    },
    { text: head.slice(-2), says: `bore ${bore} mm, outside ${outside} mm, width ${width} mm (ISO 15)` },
  ];
  let clearanceClass: ClearanceClass | undefined = 'CN';
  let sets: Partial<Pick<BearingDesignation, 'cover' | 'cage' | 'snapRing'>> = {};
  for (const suffix of rest) {
    if (suffix === 'C0' || CLEARANCE_CLASSES.includes(suffix as ClearanceClass)) {
      clearanceClass = suffix === 'C0' ? 'CN' : (suffix as ClearanceClass);
      says.push({
        text: suffix,
        says:
          clearanceClass === 'CN'
            ? 'normal radial clearance'
            : `radial clearance class ${clearanceClass.slice(1)} (ISO 5753-1)`,
      });
      continue;
    }
    const known = SUFFIXES.find(({ pattern }) => pattern.test(suffix));
    says.push({ text: suffix, says: known?.says ?? 'not known: ask the bearing’s maker' });
    // A maker's own clearance is written with a C as well.
    if (known?.clearance === 'other' || (!known && suffix.startsWith('C'))) clearanceClass = undefined;
    sets = { ...sets, ...known?.sets };
  }
  return {
    form,
    bore,
    outside,
    width,
    clearanceClass,
    clearance: clearanceClass && radialClearance(form, bore, clearanceClass),
    innerShoulder: shoulders?.inner ?? 'two',
    cover: sets.cover ?? 'open',
    cage: sets.cage,
    snapRing: sets.snapRing ?? false,
    says,
  };
}

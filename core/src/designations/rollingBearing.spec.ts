import { DesignationError, radialClearance, readBearing } from './rollingBearing';

/** ISO 15:2017: bore, outside and width of well-known sizes. From memory, as in any bearing table of the trade. */
const ISO_15: Readonly<Record<string, readonly [number, number, number]>> = {
  '6000': [10, 26, 8],
  '6003': [17, 35, 10],
  '6201': [12, 32, 10],
  '6203': [17, 40, 12],
  '6204': [20, 47, 14],
  '6205': [25, 52, 15],
  '6208': [40, 80, 18],
  '6304': [20, 52, 15],
  '6305': [25, 62, 17],
  '6310': [50, 110, 27],
  '6405': [25, 80, 21],
  '61804': [20, 32, 7],
  '61905': [25, 42, 9],
  '62204': [20, 47, 18],
  'NU 204': [20, 47, 14],
  'NU 2205': [25, 52, 18],
  'NJ 305': [25, 62, 17],
  'N 206': [30, 62, 16],
  'NUP 2310': [50, 110, 40],
  'NU 1010': [50, 80, 16],
};

describe('a bearing designation', () => {
  for (const [designation, [bore, outside, width]] of Object.entries(ISO_15)) {
    it(`${designation} has the boundary dimensions of ISO 15`, () => {
      const read = readBearing(designation);
      expect([read.bore, read.outside, read.width]).toEqual([bore, outside, width]);
    });
  }

  it('has its bore at five times the code from 04 up (common practice, no source)', () => {
    for (const code of ['04', '07', '12', '20']) expect(readBearing(`62${code}`).bore).toBe(5 * Number(code));
  });

  it('tells clearance, covers, cage and shoulders by its suffixes', () => {
    const read = readBearing('6204-2Z/C3');
    expect([read.clearanceClass, read.cover]).toEqual(['C3', 'shield']);
    // ISO 5753-1:2009, table 1, bore over 18 to 24 mm: group 3 is 13 to 28 µm. From memory.
    expect(read.clearance).toEqual({ low: 0.013, high: 0.028 });
    expect(readBearing('6204ZZ').cover).toBe('shield');
    expect(readBearing('6204-2RS1').cover).toBe('seal');
    expect(readBearing('nj205m').cage).toBe('brass');
    expect(['N 205', 'NU 205', 'NJ 205'].map((each) => readBearing(each).innerShoulder)).toEqual([
      'two',
      'none',
      'one',
    ]);
    expect(readBearing('6204-XYZ').says.at(-1)?.says).toContain('not known');
  });

  it('has clearances that grow from class to class (ISO 5753-1:2009, tables 1 and 3, from memory)', () => {
    expect(radialClearance('ball', 25, 'CN')).toEqual({ low: 0.005, high: 0.02 });
    expect(radialClearance('cylindrical', 25, 'C3')).toEqual({ low: 0.035, high: 0.06 });
    expect(radialClearance('cylindrical', 60, 'CN')).toEqual({ low: 0.04, high: 0.07 });
    expect(radialClearance('ball', 400, 'CN')).toBeUndefined();
    for (const form of ['ball', 'cylindrical'] as const)
      for (const bore of [10, 15, 20, 25, 35, 45, 60, 70, 90]) {
        const classes = (['C2', 'CN', 'C3', 'C4', 'C5'] as const).map((each) => radialClearance(form, bore, each));
        classes.forEach((range, at) => {
          if (at > 0) expect(range?.low ?? 0).toBeGreaterThanOrEqual(classes[at - 1]?.low ?? Infinity);
        });
      }
  });

  it('that cannot be read says why', () => {
    expect(() => readBearing('wheel')).toThrowError(DesignationError, /write it like 6204/);
    expect(() => readBearing('7204')).toThrowError(DesignationError, /no series/);
    expect(() => readBearing('6299')).toThrowError(DesignationError, /not in the table/);
  });
});

describe('the narrow series', () => {
  // ISO 15, dimension series 00, from memory: as wide outside as series 10, and narrower.
  it('has the bore and outside of its wide sister', () => {
    for (const code of ['02', '05', '08', '12', '20']) {
      const [narrow, wide] = [readBearing(`160${code}`), readBearing(`60${code}`)];
      expect([narrow.bore, narrow.outside]).withContext(code).toEqual([wide.bore, wide.outside]);
      expect(narrow.width).withContext(code).toBeLessThan(wide.width);
    }
    expect(readBearing('16005').width).toBe(8);
    expect(() => readBearing('16000')).toThrowError(/not in the table/);
  });
});

describe('suffixes that are run together', () => {
  // Common practice, no source: what the letters mean is alike from most makers.
  it('are told apart in any order', () => {
    for (const text of ['6205ZZC3', '6205 C3 ZZ', '6205-2Z/C3', '6205-C3-ZZ'])
      expect(readBearing(text))
        .withContext(text)
        .toEqual(jasmine.objectContaining({ cover: 'shield', clearanceClass: 'C3' }));
    expect(readBearing('6306-2RS1C4')).toEqual(jasmine.objectContaining({ cover: 'seal', clearanceClass: 'C4' }));
    expect(readBearing('NU207ECMC3')).toEqual(jasmine.objectContaining({ cage: 'brass', clearanceClass: 'C3' }));
    expect(readBearing('NJ207ECP').cage).toBe('polyamide');
    expect(readBearing('6205NRC3')).toEqual(jasmine.objectContaining({ snapRing: true, clearanceClass: 'C3' }));
  });

  // DIN 620 and common practice, from memory: tolerance and clearance are written as one.
  it('are two classes in one where they are written so', () => {
    expect(readBearing('6205 P53')).toEqual(readBearing('6205 P5 C3'));
    expect(readBearing('6205-2RSP63').clearanceClass).toBe('C3');
  });

  it('of another clearance leave that open, and do not make it normal', () => {
    for (const text of ['6203DDUCM', '6205CB'])
      expect([readBearing(text).clearanceClass, readBearing(text).clearance])
        .withContext(text)
        .toEqual([undefined, undefined]);
    expect(readBearing('6205').clearanceClass).toBe('CN');
  });

  it('are said to be unknown where they are', () => {
    const read = readBearing('6205ZZQX7');
    expect(read.cover).toBe('shield');
    expect(read.says.at(-1)).toEqual({ text: 'QX7', says: 'not known: ask the bearing’s maker' });
  });
});

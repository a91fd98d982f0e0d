import { say } from '../quantity/sentence';
import { readEntry } from '../readings/entryLine';
import { CATALOGUE } from '../testing/demo';
import type { KindId } from '../dictionary/dictionary';
import { ASSUMED } from './assumptions';
import { indexCatalogue } from './catalogueIndex';
import { Identification } from './identify';
import { Aligner } from '../marks/alignment';
import { readMark } from '../marks/markText';
import { featureOf } from '../dictionary/dictionary';
import { lookChance } from './weigh/look';

const read = (kind: KindId, line: string) =>
  new Identification(indexCatalogue(kind, CATALOGUE)).read(readEntry(line, kind).words);
const weightOf = (kind: KindId, line: string, pattern: string) => {
  const identification = read(kind, line);
  return identification.scoreOf(identification.index.patterns.indexOf(pattern));
};

describe('one cause counts once', () => {
  const crank = 'sluice-crank-3375-forged';

  it('in a mark that is read twice, or said in other words', () => {
    expect(weightOf('crank', 'cast 4187, 4187', crank)).toBeCloseTo(weightOf('crank', 'cast 4187', crank), 9);
    expect(weightOf('crank', 'cast 4187, cast 41?7', crank)).toBeCloseTo(weightOf('crank', 'cast 4187', crank), 9);
  });

  it('in two instruments on one size, whatever their fineness', () => {
    const [one, two] = ['main 2.3495in mic', 'main 2.3495in mic, main 2.3496in mic, main 2.35in caliper'].map((line) =>
      weightOf('crank', line, crank),
    );
    // A slip is less likely with the second, and that is all it tells.
    expect(Math.abs((two ?? NaN) - (one ?? NaN))).toBeLessThan(0.5);
  });

  // Common practice, no source: who grinds the pins mostly grinds the mains, and by as much.
  it('in mains and pins ground together', () => {
    const ground = weightOf('crank', 'main 2.3395in mic, pin 2.0395in mic', crank);
    const apart = weightOf('crank', 'main 2.3395in mic', crank) + weightOf('crank', 'pin 2.0395in mic', crank);
    expect(ground).toBeGreaterThan(apart + 0.5);
    const oneOnly =
      weightOf('crank', 'main 2.3495in mic, pin 2.0395in mic', crank) -
      weightOf('crank', 'main 2.3495in mic', crank) -
      weightOf('crank', 'pin 2.0395in mic', crank);
    expect(oneOnly).toBeLessThan(0);
  });

  it('in a piston said to be oversize: its skirt is so too', () => {
    const piston = 'sluice-piston-380-3375-85';
    const said = read('piston', '+.030 oversize, skirt 3.8282in mic');
    const why = said.pullsOn(said.index.patterns.indexOf(piston)).find(({ sort }) => sort === 'size');
    expect(why?.decibans).toBeGreaterThan(5);
    expect(say(why?.why ?? [], 'inch')).toContain('oversize');
  });

  it('in the marks of a pattern: a piece of any of them is no likelier for there being many', () => {
    const index = indexCatalogue('crank', {
      patterns: [
        { id: 'many', marks: ['4187', '4293', '4377', '4491'] },
        { id: 'one', marks: ['4187'] },
      ].map(({ id, marks }) => ({
        id,
        kind: 'crank' as const,
        name: id,
        dimensions: {},
        features: {},
        interfaces: {},
        numbers: [],
        marks: marks.map((text) => ({ text, making: 'cast' as const })),
      })),
    });
    const [many = NaN, one = NaN] = ['many', 'one'].map((id) =>
      new Identification(index).read(readEntry('cast 4??7', 'crank').words).scoreOf(index.patterns.indexOf(id)),
    );
    // Two of the four read so, of which one was read.
    expect(many - one).toBeCloseTo(Math.log(0.5), 1);
  });

  it('in the looks of a part in no catalogue: what looks like one of it in each thing does so in all', () => {
    const looks = 'forged, 5 mains, 8 weights, 4 throws, two piece seal';
    const { none, looksOfNone } = read('crank', looks).posterior;
    expect(looksOfNone).toBeGreaterThan(0);
    expect(none).toBeGreaterThan(0.001);
  });
});

describe('a piece of a mark', () => {
  it('is one of all the pieces there are: their chances add up to no more than one', () => {
    for (const mark of ['4187', '3858174', 'GM']) {
      let sum = 0;
      for (let length = 1; length <= mark.length; length++)
        for (let from = 0; from + length <= mark.length; from++) {
          const aligner = new Aligner(readMark(mark.slice(from, from + length)), 'stamped');
          sum += Math.exp(aligner.logLikelihood(mark));
        }
      expect(sum).withContext(mark).toBeLessThanOrEqual(1);
    }
  });
});

describe('a count', () => {
  // Common practice, no source: bolts and counterweights are missed or counted twice by one.
  it('that is wrong is mostly off by one, and all answers together are certain', () => {
    const mains = featureOf('crank.mainCount');
    const chances = [3, 4, 5, 6, 7].map((seen) => lookChance(ASSUMED, mains, '5', String(seen)));
    expect(chances[1]).toBeGreaterThan(3 * (chances[0] ?? NaN));
    expect(chances[1]).toBe(chances[3] ?? NaN);
    expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });
});

describe('a value of the catalogue', () => {
  // The order of the sources is common practice, no source.
  it('speaks the less against a part the weaker its source is', () => {
    const index = (kind: 'makersSheet' | 'hearsay') =>
      indexCatalogue('crank', {
        patterns: [
          {
            id: 'one',
            kind: 'crank',
            name: 'one',
            dimensions: { 'crank.stroke': { low: '85.7', high: '85.8', unit: 'mm' } },
            features: { 'crank.mainCount': '5' },
            interfaces: {},
            marks: [],
            numbers: [],
            source: { kind },
          },
        ],
      });
    for (const line of ['stroke 90 caliper', '7 mains']) {
      const [sheet = NaN, heard = NaN] = (['makersSheet', 'hearsay'] as const).map((kind) =>
        new Identification(index(kind)).read(readEntry(line, 'crank').words).scoreOf(0),
      );
      expect(heard).withContext(line).toBeGreaterThan(sheet);
      expect(heard).withContext(line).toBeLessThan(0);
    }
  });
});

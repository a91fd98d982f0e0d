import { disputedIds } from '../../catalogue/value';
import type { Pattern } from '../../catalogue/pattern';
import { sizeFrom } from '../../catalogue/size';
import { Aligner, logChance } from '../../marks/alignment';
import { normaliseMark } from '../../marks/markText';
import { CATALOGUE, words } from '../../testing/demo';
import { ASSUMED, decibans } from '../assumptions';
import { indexCatalogue } from '../catalogueIndex';
import type { Evidence as AnyEvidence } from '../evidence';
import { evidenceFrom } from '../gather/index';
import { chanceDensity, sizeDensity } from '../sizeLikelihood';
import { weigh } from './index';
import { FIXED, ratioAt } from './weighed';

const index = indexCatalogue('crank', CATALOGUE);
const patterns = index.patterns
  .map((id) => CATALOGUE.patterns.find((pattern) => pattern.id === id))
  .filter((pattern) => pattern !== undefined);

type Evidence = Extract<AnyEvidence, { sort: 'size' | 'look' | 'mark' }>;

/** The same weights worked out pattern by pattern from the objects of the catalogue. */
function plainly(evidence: Evidence): number[] {
  const likelihoods = patterns.map((pattern) => likelihood(pattern, evidence));
  const stated = likelihoods.filter((each) => each !== undefined);
  const mean = stated.reduce((sum, each) => sum + each, 0) / stated.length;
  const unknown = unknownOf(evidence, mean, stated.length);
  return likelihoods.map((each, row) =>
    each === undefined ? 0 : Math.log(mistaken(evidence, each, patterns[row]) / unknown),
  );
}

function likelihood(pattern: Pattern, evidence: Evidence): number | undefined {
  if (evidence.sort === 'size') {
    const dimension = pattern.dimensions[evidence.parameter.id];
    return dimension && sizeDensity(sizeFrom(dimension, evidence.parameter), evidence.parameter, evidence.estimate);
  }
  if (evidence.sort === 'look') {
    const option = pattern.features[evidence.feature.id];
    if (option === undefined) return undefined;
    const { form } = evidence.feature;
    const misjudged = ASSUMED.lookMistaken + evidence.feature.misjudged;
    const [answers, wrong] = ['options' in form ? form.options.length : 6, wrongIn(pattern, evidence)];
    // Four of five miscounts are off by one, either way; the rest is spread over the other three of six.
    const otherwise =
      'options' in form ? 1 / (answers - 1) : Math.abs(Number(option) - Number(evidence.option)) === 1 ? 0.4 : 0.2 / 3;
    return (1 - wrong) * (option === evidence.option ? 1 - misjudged : misjudged * otherwise) + wrong / answers;
  }
  // One of all that is marked was read, sooner one made as it is said to be.
  const marks = [
    ...pattern.marks.map(({ text, making }) => ({ text, weight: making === 'cast' || making === 'tag' ? 1 : 0.3 })),
    ...pattern.numbers.map(({ number }) => ({ text: number, weight: 1 })),
  ];
  const aligner = new Aligner(evidence.positions, evidence.making ?? 'cast');
  const among = Math.max(
    1,
    marks.reduce((sum, { weight }) => sum + weight, 0),
  );
  const best = marks.reduce(
    (sum, { text, weight }) => sum + (weight * Math.exp(aligner.logLikelihood(normaliseMark(text)))) / among,
    0,
  );
  return (1 - ASSUMED.markUnrecorded) * best + ASSUMED.markUnrecorded * Math.exp(logChance(evidence.positions));
}

function unknownOf(evidence: Evidence, mean: number, stated: number): number {
  if (evidence.sort === 'size')
    return (
      (1 - ASSUMED.sharedSize) * chanceDensity(evidence.parameter, evidence.estimate.mean) + ASSUMED.sharedSize * mean
    );
  if (evidence.sort === 'mark')
    return (1 - ASSUMED.sharedMark) * Math.exp(logChance(evidence.positions)) + ASSUMED.sharedMark * mean;
  const options = 'options' in evidence.feature.form ? evidence.feature.form.options.length : 6;
  return (mean * stated + 1) / (stated + options);
}

/** How often the catalogue is wrong about a value of a pattern. */
function wrongIn(pattern: Pattern | undefined, evidence: Evidence): number {
  const about = evidence.sort === 'size' ? evidence.parameter.id : evidence.sort === 'look' ? evidence.feature.id : '';
  if (pattern && disputedIds(pattern).includes(about)) return ASSUMED.disputedWrong;
  return ASSUMED.recordWrong[pattern?.source?.kind ?? 'makersSheet'];
}

function mistaken(evidence: Evidence, density: number, pattern: Pattern | undefined): number {
  if (evidence.sort !== 'size') return density;
  const chance = chanceDensity(evidence.parameter, evidence.estimate.mean);
  const wrong = wrongIn(pattern, evidence);
  const alone = pattern && wrong !== ASSUMED.disputedWrong ? aloneIn(pattern, evidence) : undefined;
  if (!alone) {
    const right = (1 - ASSUMED.sizeMistaken) * (1 - wrong);
    return right * density + (1 - right) * chance;
  }
  const often = Math.min(0.5, ASSUMED.oftenerWrongAlone * wrong);
  const misrecorded = often / (often + (1 - often) * Math.max(0.2, 1 - alone.share));
  const rightly = alone.share * alone.density + (1 - alone.share) * chance;
  const read = (1 - misrecorded) * density + misrecorded * rightly;
  return (1 - ASSUMED.sizeMistaken) * read + ASSUMED.sizeMistaken * chance;
}

/** Of a pattern that stands alone in its family: how often sisters share theirs, and what is measured on those. */
function aloneIn(pattern: Pattern, { parameter, estimate }: Extract<Evidence, { sort: 'size' }>) {
  const family = patterns
    .filter((each) => each.family !== undefined && each.family === pattern.family)
    .flatMap((each) => {
      const dimension = each.dimensions[parameter.id];
      return dimension ? [{ id: each.id, size: sizeFrom(dimension, parameter) }] : [];
    });
  const isShared = ({ id, size: { limits } }: (typeof family)[number]) =>
    family.some(
      ({ id: other, size }) => other !== id && size.limits.low <= limits.high && size.limits.high >= limits.low,
    );
  const shared = family.filter(isShared);
  if (shared.length === 0 || shared.some(({ id }) => id === pattern.id)) return undefined;
  const densities = shared.map(({ size }) => sizeDensity(size, parameter, estimate));
  return {
    share: (shared.length + 1) / (family.length + 1),
    density: densities.reduce((sum, each) => sum + each, 0) / shared.length,
  };
}

describe('weighing', () => {
  for (const text of [
    'main 2.3482in mic',
    'pin 66.70 mic',
    'lip diameter 132 caliper',
    'cast 41?7',
    'cast 4210',
    'forged',
    '8 weights',
    'rope seal',
  ]) {
    it(`by columns is the plain sum over objects: ${text}`, () => {
      const [evidence] = evidenceFrom(words(text));
      if (
        !evidence ||
        evidence.sort === 'step' ||
        evidence.sort === 'claim' ||
        evidence.sort === 'part' ||
        evidence.sort === 'face'
      )
        throw new Error('nothing understood');
      const weighed = weigh(index, evidence);
      const byRow = patterns.map((_pattern, row) => (weighed ? ratioAt(weighed, row) / FIXED : NaN));
      plainly(evidence).forEach((expected, row) =>
        expect(byRow[row])
          .withContext(index.patterns[row] ?? '')
          .toBeCloseTo(expected, 4),
      );
    });
  }

  it('counts neither way what a pattern does not state', () => {
    const [evidence] = evidenceFrom(words('lip diameter 132 caliper'));
    const weighed = evidence && weigh(index, evidence);
    const plain = index.patterns.indexOf('ambit-crank-3');
    expect(weighed && ratioAt(weighed, plain)).toBe(0);
  });

  it('counts a missing mark against those that record one there', () => {
    const [evidence] = evidenceFrom(words('no mark on flange'));
    const weighed = evidence && weigh(index, evidence);
    const at = (id: string) => decibans(weighed ? ratioAt(weighed, index.patterns.indexOf(id)) / FIXED : NaN);
    expect(at('sluice-crank-3590')).toBeLessThan(-5);
    expect(at('ambit-crank-3')).toBeGreaterThan(0);
  });

  it('says ten decibans for ten to one (I. J. Good’s definition)', () => {
    expect(decibans(Math.log(10))).toBeCloseTo(10, 12);
    expect(decibans(Math.log(1 / 100))).toBeCloseTo(-20, 12);
  });
});

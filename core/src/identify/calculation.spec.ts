import { say } from '../quantity/sentence';
import { readEntry } from '../readings/entryLine';
import { CATALOGUE } from '../testing/demo';
import { calculationOf } from './calculation';
import { indexCatalogue } from './catalogueIndex';
import { Identification } from './identify';

const CRANKS = indexCatalogue('crank', CATALOGUE);
const PATTERN = 'sluice-crank-3375-forged';

function lines(entry: string, text = entry, pattern = PATTERN): string[] {
  const identification = new Identification(CRANKS).read(readEntry(entry, 'crank').words);
  return calculationOf(identification, pattern, text).map((line) => say(line, 'metric'));
}
/** The decibans named in the last line. */
const decibansSaid = (of: readonly string[]) => Number(/is (-?[\d.]+) decibans/.exec(of[of.length - 1] ?? '')?.[1]);
const weight = (entry: string, text = entry) => {
  const identification = new Identification(CRANKS).read(readEntry(entry, 'crank').words);
  return identification.pullsOn(CRANKS.patterns.indexOf(PATTERN)).find((pull) => pull.text === text)?.decibans;
};

describe('the calculation behind a weight', () => {
  for (const entry of ['main 2.3482in mic', 'forged', 'cast 41?7', 'no mark on web', 'main 10 under', 'year 1962'])
    it(`of “${entry}” ends in the weight that is shown`, () => {
      expect(decibansSaid(lines(entry))).toBeCloseTo(weight(entry) ?? NaN, 1);
    });

  it('of a size puts in the figures: mean, permissible error, resolution, densities', () => {
    const said = lines('main 59.67 mm mic').join('\n');
    expect(said).toContain('Measured 59.670 mm');
    // By hand: sqrt(0.004²/3 + 0.002²/12) = 0.00238, rounded to the micrometer's thousandths.
    expect(said).toContain('u = √(a²/3 + d²/12 + s²/n) = 0.002 mm');
    expect(said).toContain('a = 0.004 mm and d = 0.002 mm of the micrometer');
    expect(said).toMatch(/Ratio: \(0\.9968 × [\d.e+-]+ \+ 0\.003199 × [\d.e+-]+\) \/ [\d.e+-]+/);
  });

  it('of a size works out to the ratio it names', () => {
    const said = lines('main 59.67 mm mic').join('\n');
    const [, density = '', chance = '', unknown = ''] =
      /\(0\.9968 × ([\d.e+-]+) \+ 0\.003199 × ([\d.e+-]+)\) \/ ([\d.e+-]+);/.exec(said) ?? [];
    const ratio = (0.9968 * Number(density) + 0.003199 * Number(chance)) / Number(unknown);
    expect(10 * Math.log10(ratio)).toBeCloseTo(decibansSaid(said.split('\n')), 1);
  });

  it('of what the catalogue does not say is a ratio of one', () => {
    const said = lines('lip diameter 132 mm caliper', 'lip diameter 132 mm caliper', 'ambit-crank-3');
    expect(said[0]).toContain('the ratio is 1');
    expect(decibansSaid(said)).toBeCloseTo(0, 6);
  });

  it('of a reading or a pattern that is not there is empty', () => {
    expect(lines('forged', 'cast 9999')).toEqual([]);
    expect(lines('forged', 'forged', 'no-such-crank')).toEqual([]);
  });
});

import { DataError } from '../../formats';
import { BUILDS, CATALOGUE } from '../../testing/demo';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const named = (name: string) => BUILDS.find((each) => each.name === name) ?? BUILDS[0];
const STROKER = named('336 with the long crank, old pistons');
if (!STROKER) throw new Error('The demo has no builds.');
const build = STROKER;

describe('a build varied', () => {
  it('over all parts of a kind tells what each makes, those that go in first', () => {
    const { parts, labels, figures } = workshop.ask('buildSweep', {
      build,
      figures: ['belowDeck', 'ratio'],
      parts: { slot: 'piston' },
    });
    expect(parts.length).toBe(labels.length);
    expect(parts.length).toBe(figures[0]?.values.length ?? 0);
    const last = parts.findIndex(({ verdict }) => verdict === 'doesNotFit');
    expect(parts.slice(last).every(({ verdict }) => verdict === 'doesNotFit')).toBeTrue();
    // Common practice, no source: half of what the stroke is longer comes off the compression height.
    const of = (pattern: string) => figures[0]?.values[parts.findIndex((part) => part.pattern === pattern)] ?? 0;
    const height = (pattern: string) =>
      Number(CATALOGUE.patterns.find(({ id }) => id === pattern)?.dimensions['piston.compressionHeight']?.low) * 25.4;
    const [old, right] = ['sluice-piston-398-3375-90', 'sluice-piston-398-3590-90'] as const;
    expect(of(right) - of(old)).toBeCloseTo(height(old) - height(right), 1);
  });

  it('over parts that are named keeps their order, and says which is none', () => {
    const patterns = ['sluice-piston-398-3590-90', 'sluice-piston-398-3375-90'];
    const request = { build, figures: ['ratio'], parts: { slot: 'piston', patterns } };
    expect(workshop.ask('buildSweep', request).parts.map(({ pattern }) => pattern)).toEqual(patterns);
    const wrong = (parts: { readonly slot: string; readonly patterns?: string[] }) => () =>
      workshop.ask('buildSweep', { build, figures: ['ratio'], parts });
    expect(wrong({ slot: 'piston', patterns: ['no-such'] })).toThrowError(DataError, /no such part/);
    expect(wrong({ slot: 'wing' })).toThrowError(DataError, /no such place/);
  });

  it('over neither sizes nor parts, or a size there is not, says so', () => {
    const ask = (more: object) => () => workshop.ask('buildSweep', { build, figures: ['ratio'], ...more });
    expect(ask({})).toThrowError(DataError, /not clear/);
    expect(ask({ over: [{ size: 'rod.wing', from: 0, to: 1, steps: 3 }] })).toThrowError(DataError, /no such size/);
    expect(() => workshop.ask('buildSweep', { build, figures: ['wing'], over: [] })).toThrowError(DataError);
  });

  it('worked back, finds the size that gives what is wanted, and parts near it that go in before those that do not', () => {
    const size = 'piston.compressionHeight';
    const { size: height = 0, nearest } = workshop.ask('buildSolve', { build, figure: 'squish', wanted: 1.2, size });
    const put = { ...build, sizes: [...build.sizes, { of: size, value: height, unit: 'mm' as const }] };
    const sheet = workshop.ask('buildSheet', { build: put });
    expect(sheet.figures.find(({ id }) => id === 'squish')?.found[0]?.value).toBeCloseTo(1.2, 6);
    const verdicts = nearest.map(({ verdict }) => verdict === 'doesNotFit');
    expect(verdicts).toEqual([...verdicts].sort());
  });
});

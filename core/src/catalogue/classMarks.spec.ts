import { crank } from '../dictionary/kinds/crank';
import { block } from '../dictionary/kinds/block';
import { interval, type Interval } from '../quantity/interval';
import { CATALOGUE } from '../testing/demo';
import { classedSizes } from './classMarks';
import type { Scheme } from './scheme';

const journal = crank.parameters['mainJournal.diameter'].id;
const housing = block.parameters['mainHousing.diameter'].id;
const MADE = { [journal]: interval(51.976, 52), [housing]: interval(56, 56.018) };

const bandsOf = (
  kind: 'crank' | 'block',
  marks: readonly string[],
  schemes: readonly Scheme[] = CATALOGUE.schemes,
  family = 'lumen',
) =>
  classedSizes(schemes, kind, family, marks, MADE).map(({ parameter, positions }) => ({
    parameter,
    positions: positions.map(rounded),
  }));

const rounded = ({ low, high }: Interval): string => `${low.toFixed(3)}–${high.toFixed(3)}`;

// That letters or figures beside a journal and on the pan rail sort it into classes of a few microns, counted inward
// from the largest journal and the smallest housing, is common practice, no source. The bands are the demo's.
describe('class marks', () => {
  it('narrow each journal, counted down from the largest as made', () => {
    expect(bandsOf('crank', ['M-BCA'])).toEqual([
      { parameter: journal, positions: ['51.984–51.992', '51.976–51.984', '51.992–52.000'] },
    ]);
  });

  it('narrow each housing, counted up from the smallest as made', () => {
    expect(bandsOf('block', ['K-213'])).toEqual([
      { parameter: housing, positions: ['56.006–56.012', '56.000–56.006', '56.012–56.018'] },
    ]);
  });

  it('leave open what is unreadable, and what may be one of two', () => {
    expect(bandsOf('crank', ['M?BCB[BC]'])[0]?.positions).toEqual([
      '51.976–52.000',
      '51.984–51.992',
      '51.976–51.984',
      '51.984–51.992',
      '51.976–51.992',
    ]);
  });

  it('say nothing where they are of another scheme, another family, another kind, or not in the table', () => {
    expect(bandsOf('crank', ['K-213', 'T402', 'M-BCD'])).toEqual([]);
    expect(bandsOf('crank', ['M-BCA'], CATALOGUE.schemes, 'ambit')).toEqual([]);
    expect(bandsOf('block', ['M-BCA'])).toEqual([]);
    expect(bandsOf('crank', [])).toEqual([]);
  });

  it('say nothing where it cannot be told how many positions there are', () => {
    const [scheme] = CATALOGUE.schemes.filter(({ id }) => id === 'tarrow-mains');
    const [, letter] = scheme?.segments ?? [];
    if (!scheme || !letter) throw new RangeError('The demo has no classes of mains.');
    const either = {
      ...letter,
      table: { A: 'A', AA: 'AA' },
      narrows: { of: journal, from: 'largest', unit: 'micron', bands: { A: '0 to 8', AA: '8 to 16' } },
    };
    const doubtful: Scheme = { ...scheme, segments: [either, { ...either, least: 0 }] } as Scheme;
    expect(bandsOf('crank', ['AA'], [doubtful])).toEqual([]);
    expect(bandsOf('crank', ['A'], [doubtful])[0]?.positions).toEqual(['51.992–52.000']);
  });

  it('count for nothing where nobody knows how large it was made', () => {
    expect(classedSizes(CATALOGUE.schemes, 'crank', 'lumen', ['M-BCA'], {})).toEqual([]);
  });
});

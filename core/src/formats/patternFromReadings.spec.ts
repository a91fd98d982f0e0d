import { checkRecord } from './checkCatalogue';
import { readEntry } from '../readings/entryLine';
import { CATALOGUE } from '../testing/demo';
import { indexCatalogue } from '../identify/catalogueIndex';
import { identify } from '../identify/identify';
import { idFrom, patternFromReadings } from '../catalogue/patternFromReadings';

const specimen = (text: string) => ({
  kind: 'crank' as const,
  name: 'Crank from the river pump',
  readings: readEntry(text, 'crank').words.map((is, at) => ({ id: `r${at}`, at: '', is })),
});
const RIVER = specimen(
  'cast K880 stamped flange F?2 main 58.12/58.13 mic pin 1.8909in mic stroke 88.4 caliper 5 mains forged year 1955 no mark on nose',
);

describe('a pattern made from one part on the bench', () => {
  const pattern = patternFromReadings(RIVER, 'crank-from-the-river-pump', '2026-03-02', 'Tilda');

  it('keeps the figures as they were read, units and all, as measured here', () => {
    expect(pattern.dimensions['crank.crankpin.diameter']).toEqual({ low: '1.8909', high: '1.8909', unit: 'in' });
    expect(pattern.dimensions['crank.mainJournal.diameter']?.unit).toBe('mm');
    expect(Number(pattern.dimensions['crank.mainJournal.diameter']?.low)).toBeCloseTo(58.125, 2);
    expect(pattern.features['crank.material']).toBe('forged');
    expect(pattern.source).toEqual({ kind: 'measuredHere', on: '2026-03-02', who: 'Tilda' });
  });

  it('takes only marks that could be read, and notes the rest', () => {
    expect(pattern.marks).toEqual([{ text: 'K880', making: 'cast' }]);
    expect(pattern.note).toContain('stamped flange F?2');
    expect(pattern.note).toContain('year 1955');
  });

  it('is a record that the catalogue takes', () => {
    expect(checkRecord('pattern', pattern, 'pattern')).toEqual([]);
  });

  it('is found the next time such a part is read', () => {
    const index = indexCatalogue('crank', { ...CATALOGUE, patterns: [...CATALOGUE.patterns, pattern] });
    const { candidates, status } = identify(
      index,
      readEntry('cast K8?0 main 58.10 mic stroke 88.4 caliper', 'crank').words,
    );
    expect(candidates[0]?.pattern).toBe(pattern.id);
    expect(status).toBe('settled');
  });

  it('has an id made of its words', () => {
    expect(idFrom('Crank from the river pump!')).toBe('crank-from-the-river-pump');
    expect(idFrom('—')).toBe('a-part');
  });
});

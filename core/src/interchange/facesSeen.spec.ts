import { partFromSpecimen } from '../catalogue/part';
import { patternFromReadings } from '../catalogue/patternFromReadings';
import type { KindId } from '../dictionary/dictionary';
import { indexCatalogue } from '../identify/catalogueIndex';
import { identify, type LineUp } from '../identify/identify';
import { say } from '../quantity/sentence';
import { readEntry } from '../readings/entryLine';
import type { Specimen } from '../readings/reading';
import { CATALOGUE } from '../testing/demo';
import { finding, made } from '../testing/made';

const read = (text: string, kind: KindId) => readEntry(text, kind).words;

const specimen = (kind: KindId, text: string): Specimen => ({
  id: kind,
  name: kind,
  kind,
  readings: read(text, kind).map((is, at) => ({ id: String(at), at: '2026-03-02T08:10:00.000Z', is })),
});

// Common practice, no source: what mates by pattern is held against the part itself before the catalogue is believed.
describe('the pattern of a face seen on a part', () => {
  it('is what the joints go by, in place of the one of the pattern it is taken for', () => {
    const headOf = (text: string) => partFromSpecimen(specimen('head', text));
    const block = made('block', {}, {}, { headBolts: 'Lumen ten-bolt', sparePattern: 'none' });
    const bolts = (text: string) => finding('headOnBlock', 'headBolts', [headOf(text), block]).verdict;
    expect(bolts('head pattern lumen 10 bolt')).toBe('fits');
    expect(bolts('head pattern Ambit nine-stud')).toBe('doesNotFit');
    expect(bolts('aluminium')).toBe('cannotTell');
    const [pattern] = CATALOGUE.patterns.filter(
      ({ kind, interfaces }) => kind === 'head' && interfaces['head.headBolts'],
    );
    if (!pattern) throw new Error('The demo has no head with a bolt pattern.');
    const other = partFromSpecimen(specimen('head', 'head pattern drilled over'), pattern);
    expect(other.interfaces['head.headBolts']).toBe('drilled over');
  });

  it('speaks for the patterns that have it and against those with another, by whichever name', () => {
    const index = indexCatalogue('block', CATALOGUE);
    const best = (text: string) => identify(index, read(text, 'block'));
    const plain = best('wet liners');
    const named = best('wet liners bellhousing skerry RING 3');
    const has = (id: string) =>
      CATALOGUE.patterns.find((each) => each.id === id)?.interfaces['block.bellhousing'] === 'Skerry ring 3';
    const share = ({ candidates }: LineUp) =>
      candidates.reduce((sum, { pattern, probability }) => sum + (has(pattern) ? probability : 0), 0);
    expect(share(named)).toBeGreaterThan(share(plain));
    expect(has(named.candidates[0]?.pattern ?? '')).toBeTrue();
    const other = best('wet liners bellhousing Ambit plate');
    expect(share(other)).toBeLessThan(share(plain));
    const why = named.candidates[0]?.pulls.find(({ sort }) => sort === 'face')?.why ?? [];
    expect(say(why, 'metric')).toBe('Bellhousing Skerry ring 3, as the catalogue has it.');
  });

  it('does not settle what a part is by itself', () => {
    const index = indexCatalogue('block', CATALOGUE);
    const { status } = identify(
      index,
      read('bellhousing Skerry ring 3, mounts Skerry side, starter Skerry flange', 'block'),
    );
    expect(status).not.toBe('settled');
  });

  it('goes into the pattern that is made of the part', () => {
    const pattern = patternFromReadings(
      specimen('block', 'bellhousing Ambit plate, bore 73 bore gauge'),
      'new',
      '2026-03-02',
    );
    expect(pattern.interfaces).toEqual({ 'block.bellhousing': 'Ambit plate' });
  });
});

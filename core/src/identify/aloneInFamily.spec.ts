import type { Pattern } from '../catalogue/pattern';
import { readEntry } from '../readings/entryLine';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { indexCatalogue } from './catalogueIndex';
import { identify } from './identify';
import { sayStatus } from './sayStatus';
import { say } from '../quantity/sentence';

const PIN = 'crank.crankpin.diameter';

/** The demo with another crankpin on record for one of its cranks, as a slip of the pen leaves it. */
const misrecorded = (id: string, low: string, high: string) => ({
  ...CATALOGUE,
  patterns: CATALOGUE.patterns.map((pattern): Pattern => {
    const pin = pattern.dimensions[PIN];
    return pattern.id === id && pin
      ? { ...pattern, dimensions: { ...pattern.dimensions, [PIN]: { ...pin, low, high } } }
      : pattern;
  }),
});

const CRANK = 'sluice-crank-3375-forged';
const MEASURED = 'main 2.3490in mic stroke 3.375in caliper forged 8 weights';
const index = indexCatalogue('crank', misrecorded(CRANK, '2.0150', '2.0160'));
const lineUp = (text: string) => identify(index, readEntry(text, 'crank').words);
const own = (CATALOGUE.patterns.find(({ id }) => id === CRANK)?.dimensions[PIN]?.low ?? '').replace(/0*$/, '');

describe('a size in which a pattern stands alone in its family', () => {
  it('is doubted where the part has what its sisters have, and the part keeps its name', () => {
    const found = lineUp(`cast 4187 ${MEASURED} pin ${own}in mic pin ${own}in mic`);
    const [first] = found.candidates;
    expect(found.status).toBe('probable');
    expect(first?.pattern).toBe(CRANK);
    expect(first?.own).toBeUndefined();
    const against = first?.pulls.find(({ recordDoubtful }) => recordDoubtful);
    expect(say(against?.why ?? [], 'inch')).toMatch(/stands alone in its family; the others have what was measured/);
    expect(sayStatus(found, (id) => LOOKUP.label(id))).toMatch(/the record may be wrong\.$/);
  });

  it('is not doubted for that where the part has neither that nor what its sisters have: it may be one more', () => {
    const found = lineUp(`cast 4187 ${MEASURED} pin 2.1995in mic pin 2.1995in mic`);
    expect(found.status).not.toBe('settled');
    expect(found.candidates.some(({ pattern, own: its }) => pattern === CRANK && its?.[0]?.id === PIN)).toBeTrue();
    expect(found.candidates.every(({ pulls }) => pulls.every(({ recordDoubtful }) => !recordDoubtful))).toBeTrue();
  });

  it('is no doubt of one that has the size on record, alone or not', () => {
    const found = lineUp(`cast 4187 ${MEASURED} pin 2.0155in mic`);
    const pin = found.candidates.find(({ pattern, own: its }) => pattern === CRANK && !its)?.pulls.at(-1);
    expect(pin?.decibans).toBeGreaterThan(0);
    expect(pin?.recordDoubtful).toBeUndefined();
  });

  it('says nothing where the family has nothing in common, or has no other', () => {
    const column = index.sizes.get(PIN);
    const byFamily = new Map<string, number[]>();
    index.patterns.forEach((id, row) => {
      const family = CATALOGUE.patterns.find((pattern) => pattern.id === id)?.family ?? '';
      if (column?.codes[row]) byFamily.set(family, [...(byFamily.get(family) ?? []), row]);
    });
    for (const rows of byFamily.values()) {
      const alone = rows.filter((row) => column?.otherwise?.has(column.codes[row] ?? 0));
      expect(alone.length).toBeLessThan(rows.length - 1 || 1);
    }
  });
});

import { CATALOGUE, LOOKUP } from '../testing/demo';
import { KINDS } from '../dictionary/dictionary';
import { readEntry } from '../readings/entryLine';
import { advise } from './nextCheck/index';
import { indexCatalogue } from './catalogueIndex';
import { Identification, identify } from './identify';
import { sayStatus } from './sayStatus';
import { standing } from './standing';

const INDEX = indexCatalogue('crank', CATALOGUE);
const lineUp = (text: string) => identify(INDEX, readEntry(text, 'crank').words);
const said = (text: string) => sayStatus(lineUp(text), (id) => LOOKUP.label(id));

const PIN_OF_ITS_OWN =
  'cast 4187 main 2.3490in mic pin 2.0995/2.0994/2.0995in mic pin 2.100in caliper stroke 3.375in caliper';

describe('a stranger that looks like a sister', () => {
  it('is called so where a size of its own was read twice and by two instruments', () => {
    const found = lineUp(PIN_OF_ITS_OWN);
    expect(found.status).toBe('sister');
    const [first] = found.candidates;
    expect(first?.pattern).toBe('sluice-crank-3375-forged');
    expect(first?.own?.map(({ id, confirmed, againstWear }) => [id, confirmed, againstWear])).toEqual([
      ['crank.crankpin.diameter', true, true],
    ]);
    expect(first?.probability).toBeGreaterThan(0.8);
    expect(said(PIN_OF_ITS_OWN)).toMatch(
      /^Like the .*3\.375 forged.*, but with another crankpin: .*welding up and grinding.*add it as a pattern of its own\.$/,
    );
  });

  it('is not yet one by a single odd reading, which may be a slip: that is to be taken again', () => {
    const odd = 'cast 4187 main 2.3490in mic pin 2.0995in mic stroke 3.375in caliper';
    const found = lineUp(odd);
    expect(found.status).not.toBe('sister');
    expect(found.status).not.toBe('settled');
    const { words } = readEntry(odd, 'crank');
    const [next] = advise(new Identification(INDEX).read(words), { readings: words }).checks;
    expect(next?.id).toBe('crank.crankpin.diameter');
    expect(next?.name).toBe('Crankpin, once more');
    // Once it is taken again the question is gone, whichever way it went.
    for (const again of ['pin 2.0996in mic', 'pin 2.0492in mic']) {
      const both = [...words, ...readEntry(again, 'crank').words];
      const checks = advise(new Identification(INDEX).read(both), { readings: both }).checks;
      expect(checks.map(({ name }) => name))
        .withContext(again)
        .not.toContain('Crankpin, once more');
    }
  });

  it('says which other pattern has the size, where one does', () => {
    const large = LOOKUP.pattern('sluice-crank-3375-large')?.dimensions['crank.mainJournal.diameter'];
    const mains = `main ${large?.low ?? ''}${large?.unit ?? ''} mic main ${large?.low ?? ''}${large?.unit ?? ''} mic`;
    const mixed = lineUp(`cast 4187 ${mains} pin 2.0493in mic stroke 3.375in caliper forged 8 weights`);
    const own = mixed.candidates.find((each) => each.own)?.own;
    expect(own?.some(({ asOn }) => asOn !== undefined)).toBeTrue();
  });

  it('adds up to one with what is on record and what is like none', () => {
    for (const text of [
      PIN_OF_ITS_OWN,
      'main 2.349in mic',
      'cast 4187',
      'forged',
      'main 91.2 mic pin 77.1 mic stroke 133',
    ]) {
      const { candidates, none } = identify(INDEX, readEntry(text, 'crank').words, 1000);
      const sum = candidates.reduce((all, { probability }) => all + probability, none);
      expect(sum).withContext(text).toBeCloseTo(1, 9);
    }
  });

  it('is named for what it is like, and nothing of the catalogue is disowned by a look of its own', () => {
    expect(
      lineUp('cast 4187 main 2.3490in mic pin 2.0492in mic stroke 3.375in caliper forged 6 weights').status,
    ).not.toBe('sister');
    expect(lineUp('main 91.2 mic pin 77.1 mic stroke 133 caliper nose 51 caliper').status).toBe('nothingFits');
  });
});

describe('what settles', () => {
  it('is what separates the first from the second, not what both share', () => {
    // Both sizes are the same on the cast one: only a look tells, and a copy looks the same.
    const shared = lineUp('main 2.349in mic stroke 3.375in caliper 8 weights');
    expect([shared.status, shared.heldBy]).toEqual(['probable', 'looksOnly']);
    expect(lineUp('main 2.349in mic stroke 3.375in caliper 8 weights forged').status).toBe('settled');
  });

  it('is kept away by several middling contradictions as by one that is strong', () => {
    const words = 'cast 4187 main 2.3482in mic pin 2.0493in mic stroke 3.375in caliper forged';
    expect(lineUp(words).status).toBe('settled');
    const strong = lineUp(`${words} 6 weights`);
    expect([strong.status === 'settled', strong.heldBy]).toEqual([false, 'contradiction']);
    // None of them reaches the ten decibans of a strong one; two do so together.
    const { posterior, weighed } = new Identification(INDEX).read(readEntry(words, 'crank').words);
    const known = { index: INDEX, posterior, weighed };
    const pulls = (...against: number[]) =>
      [30, 20, ...against].map((decibans) => ({ text: '', sort: 'size' as const, decibans, why: [] }));
    const held = (...against: number[]) =>
      standing([{ pattern: 'sluice-crank-3375-forged', probability: 0.999, pulls: pulls(...against) }], 0, known)
        .heldBy;
    expect(held(-8)).toBeUndefined();
    expect(held(-8, -8)).toBe('contradiction');
  });

  it('is hardly moved by a date or a stamp that nobody can decode', () => {
    const words = 'main 2.3482in mic pin 2.0493in mic stroke 3.375in caliper cast 4187';
    const odd = lineUp(`${words} stamped Q7KX`).candidates[0]?.pulls.find(({ text }) => text.includes('Q7KX'));
    // A number of the same form as those on record weighs as another part's.
    const other = lineUp(`${words} cast 4999`).candidates[0]?.pulls.find(({ text }) => text.includes('4999'));
    expect(odd?.decibans).toBeGreaterThan(-7);
    expect(other?.decibans).toBeLessThan(odd?.decibans ?? 0);
  });
});

describe('a part named by its marks', () => {
  it('is told with which of its key sizes nobody has measured', () => {
    const piston = indexCatalogue('piston', CATALOGUE);
    const found = identify(piston, readEntry('HV-8421', 'piston').words);
    expect(found.status).toBe('settled');
    expect(found.unmeasured).toEqual(['piston.bore', 'piston.compressionHeight', 'piston.pin.diameter']);
    expect(sayStatus(found, (id) => id)).toMatch(
      /Not measured: bore it is made for, compression height and pin bore\.$/,
    );
    const measured = identify(piston, readEntry('HV-8421 comp height 59.6 pin 42.007 bore 116', 'piston').words);
    expect(measured.unmeasured).toEqual([]);
  });

  it('of every kind has key sizes that the dictionary knows', () => {
    for (const { id, keySizes = [], parameters } of Object.values(KINDS) as readonly KindWithKeys[])
      for (const key of keySizes) expect(Object.keys(parameters)).withContext(id).toContain(key);
  });
});

interface KindWithKeys {
  readonly id: string;
  readonly keySizes?: readonly string[];
  readonly parameters: object;
}

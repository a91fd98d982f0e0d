import { LIST_OF, RECORD_TYPES } from '../../catalogue/catalogue';
import { KIND_IDS } from '../../dictionary/dictionary';
import { CATALOGUE, LOOKUP } from '../../testing/demo';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const size = (value: unknown): number => JSON.stringify(value).length;
const idsOf = (records: readonly { readonly id: string }[]): readonly string[] => records.map(({ id }) => id).sort();

describe('the page of a record', () => {
  it('has the record as the catalogue has it, for every record there is', () => {
    for (const type of ['family', 'variant', 'pattern'] as const)
      for (const record of CATALOGUE[LIST_OF[type]]) {
        const { excerpt, leftOut } = workshop.ask('page', { type, id: record.id });
        expect(excerpt[LIST_OF[type]].find(({ id }) => id === record.id))
          .withContext(`${type} ${record.id}`)
          .toEqual(record);
        expect(leftOut).toBe(0);
      }
  });

  it('has the family and the maker that each of its records is called by', () => {
    for (const { id } of CATALOGUE.patterns) {
      const { excerpt } = workshop.ask('page', { type: 'pattern', id });
      const [families, makers] = [new Set(idsOf(excerpt.families)), new Set(idsOf(excerpt.makers))];
      for (const { family } of excerpt.patterns)
        if (family !== undefined) expect(families).withContext(`${id}: ${family}`).toContain(family);
      for (const { maker } of excerpt.families) expect(makers).withContext(`${id}: ${maker}`).toContain(maker);
    }
  });

  it('of a pattern has every engine it is fitted in, every known swap of it and what replaced it', () => {
    for (const pattern of CATALOGUE.patterns) {
      const { excerpt } = workshop.ask('page', { type: 'pattern', id: pattern.id });
      const fitted = CATALOGUE.variants.filter(({ fitments }) =>
        fitments.some((fitment) => fitment.pattern === pattern.id),
      );
      expect(idsOf(excerpt.variants))
        .withContext(pattern.id)
        .toEqual(jasmine.arrayContaining([...idsOf(fitted)]));
      expect(idsOf(excerpt.swaps))
        .withContext(pattern.id)
        .toEqual(idsOf(LOOKUP.swapsOf(pattern.id)));
    }
  });

  it('of a family has its variants and its patterns, and nothing of another but what is fitted', () => {
    for (const { id } of CATALOGUE.families) {
      const { excerpt } = workshop.ask('page', { type: 'family', id });
      expect(idsOf(excerpt.variants)).toEqual(idsOf(LOOKUP.variantsOf(id)));
      const fitted = new Set(excerpt.variants.flatMap(({ fitments }) => fitments.map(({ pattern }) => pattern)));
      for (const pattern of excerpt.patterns)
        expect(pattern.family === id || fitted.has(pattern.id))
          .withContext(`${id}: ${pattern.id}`)
          .toBeTrue();
      for (const pattern of LOOKUP.patternsOf(id)) expect(idsOf(excerpt.patterns)).toContain(pattern.id);
    }
  });

  it('of what is not there is empty, so that the page can say so', () => {
    const { excerpt } = workshop.ask('page', { type: 'pattern', id: 'no-such' });
    for (const type of RECORD_TYPES) expect(excerpt[LIST_OF[type]]).toEqual([]);
  });

  it('is a small part of the catalogue', () => {
    const whole = size(CATALOGUE);
    for (const { id } of CATALOGUE.patterns)
      expect(size(workshop.ask('page', { type: 'pattern', id }))).toBeLessThan(whole / 4);
  });
});

describe('a picker', () => {
  const labels = (words: string, most = 40) => workshop.ask('pick', { of: 'pattern', words, most }).choices;

  it('offers what bears every word, in any order and whatever the case', () => {
    const found = labels('SLUICE forged');
    expect(found.length).toBeGreaterThan(0);
    expect(idsOf(found)).toEqual(idsOf(labels('forged sluice')));
    for (const { label, id } of found) expect(`${label} ${id}`.toLowerCase()).toMatch(/sluice/);
  });

  it('narrows: what one more word leaves was there before', () => {
    const wide = new Set(idsOf(labels('piston', 500)));
    const narrow = labels('piston skerry', 500);
    expect(narrow.length).toBeGreaterThan(0);
    expect(narrow.length).toBeLessThan(wide.size);
    for (const { id } of narrow) expect(wide).toContain(id);
  });

  it('offers only the kinds asked for, each with its name in full', () => {
    for (const kind of KIND_IDS) {
      const { choices } = workshop.ask('pick', { of: 'pattern', kinds: [kind], most: 500 });
      expect(idsOf(choices))
        .withContext(kind)
        .toEqual(idsOf(LOOKUP.ofKind(kind)));
      for (const { id, label } of choices) expect(label).toBe(LOOKUP.labelOf('pattern', id));
    }
  });

  it('tells what is chosen first, though it bears none of the words, and not twice', () => {
    const chosen = 'sluice-crank-3375-forged';
    const { choices } = workshop.ask('pick', { of: 'pattern', words: 'piston', most: 5, chosen });
    expect(choices[0]?.id).toBe(chosen);
    expect(choices.length).toBe(6);
    const all = workshop.ask('pick', { of: 'pattern', words: 'crank', most: 500, chosen }).choices;
    expect(all.filter(({ id }) => id === chosen).length).toBe(1);
  });

  it('offers what was changed a moment ago', () => {
    const changing = new Workshop(CATALOGUE);
    const [pattern] = CATALOGUE.patterns;
    if (!pattern) throw new Error('the demo is empty');
    changing.ask('pick', { of: 'pattern', words: 'zeppelin' });
    changing.change([{ type: 'pattern', id: pattern.id, record: { ...pattern, name: 'Zeppelin part' } }]);
    expect(changing.ask('pick', { of: 'pattern', words: 'zeppelin' }).choices.map(({ id }) => id)).toEqual([
      pattern.id,
    ]);
  });
});

describe('the tree of the catalogue', () => {
  it('comes a screenful at a time, and all of it in the end', () => {
    const whole = workshop.ask('tree', {});
    expect(whole.count).toBe(CATALOGUE.makers.length);
    const byTwos = Array.from(
      { length: Math.ceil(whole.count / 2) },
      (_, at) => workshop.ask('tree', { from: 2 * at, most: 2 }).makers,
    ).flat();
    expect(byTwos).toEqual([...whole.makers]);
  });

  it('counts the variants that a family then opens with', () => {
    for (const { families } of workshop.ask('tree', {}).makers)
      for (const { id, variants } of families)
        expect(workshop.ask('variantsOf', { family: id }).variants.length).toBe(variants);
  });

  it('counts in its overview what the catalogue has', () => {
    const { counts, kinds } = workshop.ask('overview', {});
    for (const type of RECORD_TYPES) expect(counts[type]).toBe(CATALOGUE[LIST_OF[type]].length);
    expect(kinds.reduce((sum, { patterns }) => sum + patterns, 0)).toBe(CATALOGUE.patterns.length);
  });
});

describe('the audit, a page at a time', () => {
  it('tells every finding once, whatever the size of the page', () => {
    const { rules, findings } = workshop.ask('audit', { most: 500 });
    expect(findings.length).toBe(rules.reduce((sum, { count }) => sum + count, 0));
    for (const { id, count } of rules) {
      const byOnes = Array.from(
        { length: count + 1 },
        (_, from) => workshop.ask('audit', { rule: id, from, most: 1 }).findings,
      ).flat();
      expect(byOnes)
        .withContext(id)
        .toEqual(findings.filter(({ rule }) => rule === id));
    }
  });
});

describe('the names of faces', () => {
  it('are those that patterns of the kind bear, each once and in order', () => {
    const { faces } = workshop.ask('faces', { kind: 'block' });
    for (const { id, known } of faces) {
      const borne = new Set(LOOKUP.ofKind('block').flatMap((pattern) => pattern.interfaces[id] ?? []));
      expect(known)
        .withContext(id)
        .toEqual([...borne].sort());
    }
  });
});

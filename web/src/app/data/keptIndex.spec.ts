import { identify, readEntry, type Catalogue, type CatalogueIndex } from '@which-bore/core';
import { clear, createStore, keys } from 'idb-keyval';
import { CATALOGUE } from '../testing/demo';
import { keptIndex } from './keptIndex';

const store = () => createStore('which-bore-indexes', 'index');

/** The demo catalogue until it is large enough to be worth keeping. */
const LARGE: Catalogue = {
  ...CATALOGUE,
  patterns: Array.from({ length: 20 }, (_, copy) => CATALOGUE.patterns.map((pattern) => ({ ...pattern, id: `${pattern.id}-${copy}` }))).flat(),
};
const lineUp = (index: CatalogueIndex) => JSON.stringify(identify(index, readEntry('cast 41?7 main 2.3482in mic forged', 'crank').words, 5));
const settled = () => new Promise((resolve) => setTimeout(resolve, 300));

describe('an index kept between visits', () => {
  beforeEach(() => clear(store()));
  afterAll(() => clear(store()));

  it('is read back the same for the same state of the catalogue', async () => {
    const made = await keptIndex('"catalogue-7"', 'crank', LARGE);
    await settled();
    expect((await keys<string>(store())).join('; ')).toBe('1 "catalogue-7" crank');
    // An empty list of patterns shows that it was not made anew.
    const read = await keptIndex('"catalogue-7"', 'crank', { ...LARGE, patterns: LARGE.patterns.map((pattern) => ({ ...pattern, kind: 'seal' as const })) });
    expect(read.patterns.length).toBe(made.patterns.length);
    expect(lineUp(read)).toBe(lineUp(made));
  });

  it('of another state is made anew, and the old one cleared away', async () => {
    await keptIndex('"catalogue-7"', 'crank', LARGE);
    await settled();
    await keptIndex('"catalogue-8"', 'crank', LARGE);
    await settled();
    expect((await keys<string>(store())).join('; ')).toBe('1 "catalogue-8" crank');
  });

  it('of a small catalogue, or without its state, is not kept', async () => {
    await keptIndex('"catalogue-7"', 'crank', CATALOGUE);
    await keptIndex('', 'crank', LARGE);
    await settled();
    expect((await keys<string>(store())).join('; ')).toBe('');
  });
});

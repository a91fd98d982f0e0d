import { indexCatalogue, type Catalogue, type CatalogueIndex, type KindId } from '@which-bore/core';
import { createStore, delMany, get, keys, set } from 'idb-keyval';

/** The layout of an index; another one makes what is kept worthless. */
const LAYOUT = 1;
/** A catalogue with fewer patterns is laid out faster than it is read back. */
const WORTH_KEEPING = 5000;

const store = () => createStore('which-bore-indexes', 'index');

/**
 * The patterns of a kind, laid out: as kept on an earlier visit to the same state of the catalogue, or made anew and
 * kept. Indexes of other states are cleared away. A browser that will not keep it only loses the head start.
 *
 * @param tag the state of the catalogue on the server; without one nothing is kept
 */
export async function keptIndex(tag: string, kind: KindId, catalogue: Catalogue): Promise<CatalogueIndex> {
  if (tag === '' || catalogue.patterns.length < WORTH_KEEPING) return indexCatalogue(kind, catalogue);
  const state = `${LAYOUT} ${tag}`;
  const key = `${state} ${kind}`;
  try {
    const kept = await get<CatalogueIndex>(key, store());
    if (kept) return kept;
  } catch {
    return indexCatalogue(kind, catalogue);
  }
  const made = indexCatalogue(kind, catalogue);
  void keep(state, key, made);
  return made;
}

async function keep(state: string, key: string, index: CatalogueIndex): Promise<void> {
  try {
    const old = (await keys<string>(store())).filter((each) => !each.startsWith(`${state} `));
    await delMany(old, store());
    await set(key, index, store());
  } catch {
    // A full disk or a private window: next time it is made anew.
  }
}

import type { KindId } from '../dictionary/dictionary';
import { identifyEngine } from '../engine/engine';
import { indexCatalogue, indexEngines, type CatalogueIndex } from '../identify/catalogueIndex';
import type { IdentifyOptions } from '../identify/identify';
import { readEntry } from '../readings/entryLine';
import type { Specimen } from '../readings/reading';
import { CATALOGUE, LOOKUP } from './demo';

const ENGINES = indexEngines(CATALOGUE);
const indexes = new Map<KindId, CatalogueIndex>();

/** The demo's patterns of a kind, laid out once. */
export function indexOf(kind: KindId): CatalogueIndex {
  const known = indexes.get(kind) ?? indexCatalogue(kind, CATALOGUE);
  indexes.set(kind, known);
  return known;
}

/** A part with what is typed of it, all of which must be understood. */
export const specimen = (name: string, kind: KindId, text: string): Specimen => ({
  id: name,
  name,
  kind,
  readings: readEntry(text, kind).words.map((is, at) => {
    if (is.sort === 'unread') throw new Error(is.text);
    return { id: `${name} ${at}`, at: '', is };
  }),
});

/** What engine of the demo it is, after what is claimed of it and its parts. */
export const engine = (claims: string, ...specimens: Specimen[]) => engineBy({}, claims, ...specimens);

/** The same, as a shop with these rules and instruments has it. */
export const engineBy = (options: IdentifyOptions, claims: string, ...specimens: Specimen[]) =>
  identifyEngine(LOOKUP, ENGINES, indexOf, readEntry(claims, 'variant').words, specimens, options);

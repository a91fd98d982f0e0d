import {
  audit,
  CatalogueLookup,
  EMPTY_CATALOGUE,
  identify,
  indexCatalogue,
  indexSearch,
  partFromPattern,
  partFromSpecimen,
  searchCatalogue,
  swap,
  type AuditFinding,
  type Catalogue,
  type CatalogueIndex,
  type KindId,
  type LineUp,
  type SearchIndex,
  type SearchResult,
  type Part,
  type Specimen,
  type Swap,
  type Understood,
} from '@which-bore/core';
import { expose } from 'comlink';

/** The donor of a swap, as the worker is told of it. */
export type Donor = { readonly pattern: string } | { readonly specimen: Specimen; readonly as: string | undefined };

let catalogue = new CatalogueLookup(EMPTY_CATALOGUE);
let indexes = new Map<KindId, CatalogueIndex>();
let searchIndex: SearchIndex | undefined;

function patternPart(id: string | undefined): Part | undefined {
  const pattern = catalogue.pattern(id);
  return pattern && partFromPattern(pattern, catalogue.label(pattern.id));
}

/** The heavy sums, off the page's thread: the same core as on the server. */
const bench = {
  load(loaded: Catalogue): void {
    catalogue = new CatalogueLookup(loaded);
    indexes = new Map();
    searchIndex = undefined;
  },

  identify(kind: KindId, readings: readonly Understood[], most: number): LineUp {
    const index = indexes.get(kind) ?? indexCatalogue(kind, catalogue.ofKind(kind));
    indexes.set(kind, index);
    return identify(index, readings, most);
  },

  search(text: string, most: number): SearchResult {
    searchIndex ??= indexSearch(catalogue);
    return searchCatalogue(searchIndex, text, most);
  },

  audit(): readonly AuditFinding[] {
    return audit(catalogue);
  },

  /** The donor into every pattern of the kind, by recipient id; empty where the kinds do not meet. */
  swapAll(donor: Donor, recipients: readonly string[]): Record<string, Swap> {
    const shells = catalogue.ofKind('mainShell').flatMap((pattern) => patternPart(pattern.id) ?? []);
    const part = 'pattern' in donor ? patternPart(donor.pattern) : partFromSpecimen(donor.specimen, catalogue.pattern(donor.as));
    if (part?.kind !== 'crank') return {};
    return Object.fromEntries(
      recipients.flatMap((id): [string, Swap][] => {
        const recipient = patternPart(id);
        return recipient ? [[id, swap(part, recipient, shells)]] : [];
      }),
    );
  },
};

export type BenchWorker = typeof bench;

expose(bench);

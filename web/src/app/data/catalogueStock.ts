import type { Catalogue, CatalogueChanges } from '@which-bore/core';
import { createStore, get, set, type UseStore } from 'idb-keyval';

/** KeptFile under the layout of what is kept, so that an older copy is not taken for a newer. */
const KEY = 'catalogue 2';

/** A catalogue with the state it had on the server. */
export interface Tagged {
  readonly tag: string;
  readonly catalogue: Catalogue;
}

interface KeptFile {
  readonly tag: string;
  /** The catalogue as it came, to be taken apart no sooner than it is wanted. */
  readonly file: Blob;
}

const without = (etag: string): string => etag.replace(/^W\//, '').replaceAll('"', '');

/**
 * Where the catalogue comes from and where it is kept between visits. The form in which it travels and lies here is
 * nobody else's business.
 */
export class CatalogueStock {
  private readonly store: UseStore = createStore('which-bore-catalogue', 'catalogue');

  constructor(private readonly fetching: typeof fetch = (...asked) => fetch(...asked)) {}

  /** The copy of the last visit; undefined where there is none, or the browser keeps nothing. */
  async kept(): Promise<Tagged | undefined> {
    try {
      const kept = await get<KeptFile>(KEY, this.store);
      return kept && { tag: kept.tag, catalogue: JSON.parse(await kept.file.text()) as Catalogue };
    } catch {
      return undefined;
    }
  }

  /** What became of the catalogue since a state of it. Rejects while the server is away. */
  async changesSince(tag: string): Promise<CatalogueChanges> {
    return (
      await this.fetched(`/api/catalogue/changes?since=${encodeURIComponent(tag)}`)
    ).json() as Promise<CatalogueChanges>;
  }

  /** The whole of it, kept for the next visit. Rejects while the server is away. */
  async whole(): Promise<Tagged> {
    const response = await this.fetched('/api/catalogue');
    const tag = without(response.headers.get('etag') ?? '');
    const file = await response.blob();
    const catalogue = JSON.parse(await file.text()) as Catalogue;
    void this.keep({ tag, file });
    return { tag, catalogue };
  }

  /** Keeps a catalogue that was changed here record by record, so that the next visit need not go that way again. */
  keepChanged({ tag, catalogue }: Tagged): void {
    void this.keep({ tag, file: new Blob([JSON.stringify(catalogue)]) });
  }

  private async keep(kept: KeptFile): Promise<void> {
    try {
      await set(KEY, kept, this.store);
    } catch {
      // A full disk or a private window: next time it is fetched anew.
    }
  }

  private async fetched(address: string): Promise<Response> {
    const response = await this.fetching(address, { cache: 'no-store' });
    if (!response.ok) throw new Error(`${address} answered ${response.status}.`);
    return response;
  }
}

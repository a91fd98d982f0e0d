import { EMPTY_CATALOGUE, LIST_OF, type CatalogueRecord } from '../catalogue/catalogue.js';
import type { CatalogueLookup, RecordChange } from '../catalogue/lookup.js';
import {
  indexSearch,
  searchSections,
  type SearchIndex,
  type SearchResult,
  type SearchSection,
} from '../search/index.js';

/** Past so many changes the whole is laid out anew rather than looked at in two parts. */
const MOST_CHANGED = 300;

const keyOf = ({ type, id }: { readonly type: string; readonly id: string }): string => `${type} ${id}`;

/**
 * The search over a catalogue that goes on while records are changed: what was laid out before stays, without the rows
 * of the changed records, and those stand in a small layout of their own.
 */
export class CatalogueSearch {
  private base: SearchIndex | undefined;
  private rows: ReadonlyMap<string, number> | undefined;
  private changed: ReadonlyMap<string, RecordChange> = new Map();
  private sections: readonly SearchSection[] | undefined;

  constructor(private readonly lookup: CatalogueLookup) {}

  /** Whether it can be asked without laying the whole catalogue out first. */
  get isLaidOut(): boolean {
    return this.base !== undefined;
  }

  layOut(): void {
    this.base ??= indexSearch(this.lookup);
  }

  /** The search over the catalogue after some changes. */
  with(lookup: CatalogueLookup, changes: readonly RecordChange[]): CatalogueSearch {
    const next = new CatalogueSearch(lookup);
    const changed = new Map([...this.changed, ...changes.map((change) => [keyOf(change), change] as const)]);
    // Others are called by families and makers: then every name may be another.
    const names = changes.some(({ type }) => type === 'maker' || type === 'family');
    if (!this.base || names || changed.size > MOST_CHANGED) return next;
    next.base = this.base;
    next.rows = this.rows;
    next.changed = changed;
    return next;
  }

  find(text: string, most: number | undefined): SearchResult {
    return searchSections((this.sections ??= this.laidOut()), text, most);
  }

  private laidOut(): readonly SearchSection[] {
    const base = (this.base ??= indexSearch(this.lookup));
    if (this.changed.size === 0) return [{ index: base }];
    const rows = (this.rows ??= new Map(base.rows.map((row, at) => [keyOf(row), at])));
    const gone = new Set([...this.changed.keys()].flatMap((key) => rows.get(key) ?? []));
    const lists: Record<string, CatalogueRecord[]> = {};
    for (const { type, record } of this.changed.values()) if (record) (lists[LIST_OF[type]] ??= []).push(record);
    const fresh = { ...EMPTY_CATALOGUE, ...lists };
    return [{ index: base, gone }, { index: indexSearch(this.lookup, fresh) }];
  }
}

import { inject, Injectable } from '@angular/core';
import { CATALOGUE_VERSION, CatalogueLookup, type Catalogue } from '@which-bore/core';
import { get, set } from 'idb-keyval';
import { defer, filter, from, map, retry, shareReplay, startWith, Subject, switchMap, tap, timer, type Observable } from 'rxjs';
import { Api } from './api';

/** Kept under the version of the format, so that an older copy is not taken for a newer. */
const KEPT = `which-bore.catalogue.${CATALOGUE_VERSION}`;
const RETRY_MS = 3000;

/** A catalogue with the state it had on the server; the tag is empty where that is not known. */
export interface TaggedCatalogue {
  readonly catalogue: Catalogue;
  readonly tag: string;
}

/** Fetches the catalogue; until it comes, or when the server is away, gives the copy of the last visit. */
@Injectable({ providedIn: 'root' })
export class CatalogueData {
  private readonly api = inject(Api);
  private readonly changed = new Subject<void>();

  private readonly lastVisit = defer(() => from(get<TaggedCatalogue>(KEPT).catch(() => undefined))).pipe(
    // What an older version kept had no tag with it.
    map((kept) => (kept && 'tag' in kept ? kept : undefined)),
  );

  private readonly fresh = defer(() => this.api.catalogue()).pipe(
    retry({ delay: () => timer(RETRY_MS) }),
    // A browser that will not keep it only loses the head start of the next visit.
    tap((tagged) => void set(KEPT, tagged).catch(() => undefined)),
  );

  /** The catalogue with its state, for those who keep things by it. */
  readonly state$: Observable<{ readonly view: CatalogueLookup; readonly tag: string }> = this.lastVisit.pipe(
    switchMap((kept) =>
      this.changed.pipe(
        startWith(undefined),
        switchMap(() => this.fresh),
        startWith(kept),
      ),
    ),
    filter((tagged) => tagged !== undefined),
    map(({ catalogue, tag }) => ({ view: new CatalogueLookup(catalogue), tag })),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  readonly view$: Observable<CatalogueLookup> = this.state$.pipe(map(({ view }) => view));

  /** Fetches it again, after something was changed in it. */
  refresh(): void {
    this.changed.next();
  }
}

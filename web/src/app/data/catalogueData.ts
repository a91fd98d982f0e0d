import { inject, Injectable } from '@angular/core';
import { CATALOGUE_VERSION, CatalogueLookup, type Catalogue } from '@which-bore/core';
import { get, set } from 'idb-keyval';
import { defer, filter, from, map, retry, shareReplay, startWith, Subject, switchMap, tap, timer, type Observable } from 'rxjs';
import { Api } from './api';

/** Kept under the version of the format, so that an older copy is not taken for a newer. */
const KEPT = `which-bore.catalogue.${CATALOGUE_VERSION}`;
const RETRY_MS = 3000;

/** Fetches the catalogue; until it comes, or when the server is away, gives the copy of the last visit. */
@Injectable({ providedIn: 'root' })
export class CatalogueData {
  private readonly api = inject(Api);
  private readonly changed = new Subject<void>();

  private readonly lastVisit = defer(() => from(get<Catalogue>(KEPT).catch(() => undefined)));

  private readonly fresh = defer(() => this.api.catalogue()).pipe(
    retry({ delay: () => timer(RETRY_MS) }),
    // A browser that will not keep it only loses the head start of the next visit.
    tap((catalogue) => void set(KEPT, catalogue).catch(() => undefined)),
  );

  readonly view$: Observable<CatalogueLookup> = this.lastVisit.pipe(
    switchMap((kept) =>
      this.changed.pipe(
        startWith(undefined),
        switchMap(() => this.fresh),
        startWith(kept),
      ),
    ),
    filter((catalogue) => catalogue !== undefined),
    map((catalogue) => new CatalogueLookup(catalogue)),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  /** Fetches it again, after something was changed in it. */
  refresh(): void {
    this.changed.next();
  }
}

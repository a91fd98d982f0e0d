import { inject, Injectable } from '@angular/core';
import { patternLabel, type Catalogue, type Family, type KindId, type Pattern } from '@which-bore/core';
import { get, set } from 'idb-keyval';
import { defer, filter, from, map, retry, shareReplay, startWith, switchMap, tap, timer, type Observable } from 'rxjs';
import { Api } from './api';

/** The catalogue in the browser, with its patterns and families at hand by id. */
export class CatalogueView {
  private readonly families: ReadonlyMap<string, Family>;
  private readonly patterns: ReadonlyMap<string, Pattern>;

  constructor(readonly catalogue: Catalogue) {
    this.families = new Map(catalogue.families.map((family) => [family.id, family]));
    this.patterns = new Map(catalogue.patterns.map((pattern) => [pattern.id, pattern]));
  }

  pattern(id: string | undefined): Pattern | undefined {
    return id === undefined ? undefined : this.patterns.get(id);
  }

  family(pattern: Pattern): Family | undefined {
    return this.families.get(pattern.family);
  }

  label(id: string): string {
    const pattern = this.patterns.get(id);
    return pattern ? patternLabel(pattern, this.families.get(pattern.family)) : id;
  }

  ofKind(kind: KindId): Pattern[] {
    return this.catalogue.patterns.filter((pattern) => pattern.kind === kind);
  }
}

const KEPT = 'which-bore.catalogue';
const RETRY_MS = 3000;

/** Fetches the catalogue; until it comes, or when the server is away, gives the copy of the last visit. */
@Injectable({ providedIn: 'root' })
export class CatalogueData {
  private readonly api = inject(Api);

  private readonly lastVisit = defer(() => from(get<Catalogue>(KEPT).catch(() => undefined)));

  private readonly fresh = defer(() => this.api.catalogue()).pipe(
    retry({ delay: () => timer(RETRY_MS) }),
    // A browser that will not keep it only loses the head start of the next visit.
    tap((catalogue) => void set(KEPT, catalogue).catch(() => undefined)),
  );

  readonly view$: Observable<CatalogueView> = this.lastVisit.pipe(
    switchMap((kept) => this.fresh.pipe(startWith(kept))),
    filter((catalogue) => catalogue !== undefined),
    map((catalogue) => new CatalogueView(catalogue)),
    shareReplay({ bufferSize: 1, refCount: false }),
  );
}

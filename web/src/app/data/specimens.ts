import { inject, Injectable } from '@angular/core';
import { type Specimen, type SpecimenSummary, type StoredSpecimen } from '@which-bore/core';
import {
  BehaviorSubject,
  combineLatest,
  defer,
  from,
  map,
  mergeMap,
  of,
  switchMap,
  toArray,
  type Observable,
} from 'rxjs';
import { Api } from './api';
import { keyOf, type LocalCopy } from './documents/localCopy';
import { mergeRead } from './documents/merge';
import { OfflineDocuments } from './documents/offlineDocuments';
import type { Sent } from './documents/outbox';

const LIST = 'specimen';
/** Specimens that are fetched at once. */
const AT_ONCE = 3;

const sentOf = ({ version, updatedAt, ...document }: StoredSpecimen): Sent<Specimen> => ({
  document,
  version,
  updatedAt,
});

/** The specimens, kept here first and then on the server. */
@Injectable({ providedIn: 'root' })
export class Specimens extends OfflineDocuments<Specimen> {
  private readonly api: Api;
  private readonly listed = new BehaviorSubject<readonly SpecimenSummary[]>([]);

  /** All that are known, those changed here as they stand here. Last changed first. */
  readonly all$: Observable<readonly SpecimenSummary[]> = combineLatest([this.listed, this.outbox.held$]).pipe(
    map(([listed, held]) => together(listed, held)),
  );

  constructor() {
    const api = inject(Api);
    super({
      sort: 'specimen',
      nameOf: ({ name }) => name,
      needs: ({ job }) => (job === undefined ? [] : [keyOf('job', job)]),
      fetch: (id) => api.specimen(id).pipe(map(sentOf)),
      save: (document, version) => api.save(document, version).pipe(map(sentOf)),
      remove: (id) => api.remove(id),
      restore: (id) => api.restore(id).pipe(map(sentOf)),
      merge: mergeRead,
    });
    this.api = api;
    void this.outbox.ready.then(() => {
      const kept = this.outbox.listOf(LIST);
      if (Array.isArray(kept) && this.listed.value.length === 0) this.listed.next(kept as readonly SpecimenSummary[]);
    });
    this.refresh();
  }

  /** Deletes a specimen. `bringBack` undoes it. */
  remove(id: string): void {
    const summary = this.listed.value.find((each) => each.id === id);
    const known = summary ?? { id, name: '', kind: 'crank' as const, version: 0, updatedAt: '' };
    this.outbox.remove('specimen', {
      document: { id, name: known.name, kind: known.kind, readings: [] },
      version: known.version,
      updatedAt: known.updatedAt,
    });
  }

  /** Specimens with their readings, as they stand here. A few at a time: forty at once would be taken in in one go. */
  opened(summaries: readonly { readonly id: string }[]): Observable<readonly Specimen[]> {
    return defer(() => from(summaries.filter(({ id }) => this.isBehind(id)))).pipe(
      mergeMap(({ id }) => this.open(id), AT_ONCE),
      toArray(),
      map(() => summaries.flatMap(({ id }) => this.peek(id) ?? [])),
    );
  }

  /** The same once all of them are here, and again whenever one is changed. */
  watchEach(ids: readonly string[]): Observable<readonly Specimen[]> {
    if (ids.length === 0) return of([]);
    return this.opened(ids.map((id) => ({ id }))).pipe(
      switchMap(() => combineLatest(ids.map((id) => this.watch(id)))),
      map((all) => all.filter((each) => each !== undefined)),
    );
  }

  /** Whether the list has one of which nothing, or only an older state, is here. */
  private isBehind(id: string): boolean {
    const mine = this.outbox.peek<Specimen>('specimen', id);
    const listed = this.listed.value.find((each) => each.id === id);
    return !this.peek(id) || (listed !== undefined && (mine?.version ?? 0) < listed.version);
  }

  /** Fetches the newest of each, a few at a time. */
  openEach(ids: readonly string[]): Observable<unknown> {
    return from(ids).pipe(mergeMap((id) => this.open(id), AT_ONCE));
  }

  refresh(): void {
    this.asked(this.api.specimens()).subscribe((list) => {
      this.outbox.putList(LIST, list);
      this.listed.next(list);
    });
  }
}

const summaryOf = ({ document, version, updatedAt }: LocalCopy<Specimen>): SpecimenSummary => ({
  id: document.id,
  name: document.name,
  kind: document.kind,
  readings: document.readings.length,
  version,
  updatedAt,
  ...(document.job === undefined ? {} : { job: document.job }),
  ...(document.confirmed ? { confirmed: true as const } : {}),
  ...(document.shelf ? { shelf: document.shelf } : {}),
});

/** The list as it stands here: what is newer here first, what is deleted here left out. */
function together(
  listed: readonly SpecimenSummary[],
  held: ReadonlyMap<string, LocalCopy>,
): readonly SpecimenSummary[] {
  const known = new Map(listed.map((each) => [each.id, each.version]));
  const mine = [...held.values()].filter(({ sort }) => sort === 'specimen') as LocalCopy<Specimen>[];
  const newer = mine
    .filter(
      ({ document, pending, gone, version }) =>
        !gone && (pending === 'save' || pending === 'restore' || version > (known.get(document.id) ?? 0)),
    )
    .map((each) => ({
      ...summaryOf(each),
      updatedAt: each.pending === 'save' && each.version === 0 ? '' : each.updatedAt,
    }));
  const here = new Set(newer.map(({ id }) => id));
  const gone = new Set(
    mine.filter(({ pending, gone: left }) => pending === 'remove' || left).map(({ document }) => document.id),
  );
  return [
    ...newer.sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1)),
    ...listed.filter(({ id }) => !here.has(id) && !gone.has(id)),
  ];
}

import { inject, Injectable, signal, untracked } from '@angular/core';
import {
  CatalogueLookup,
  EMPTY_CATALOGUE,
  LIST_OF,
  RECORD_TYPES,
  type Catalogue,
  type CatalogueRecord,
  type Excerpt,
  type RecordOf,
  type RecordType,
} from '@which-bore/core';
import { catchError, EMPTY, forkJoin, map, of, type Observable } from 'rxjs';
import { Questions } from './questions';

/** Records are asked for so many at once. */
const AT_ONCE = 500;
/** The page keeps no more than about so many at hand; past that it begins afresh. */
const MOST_HELD = 3000;

const keyOf = (type: RecordType, id: string): string => `${type} ${id}`;

/** An excerpt as a catalogue with its records at hand. */
export const lookupOf = (excerpt: Excerpt): CatalogueLookup =>
  new CatalogueLookup({ ...EMPTY_CATALOGUE, ...(excerpt as unknown as Partial<Catalogue>) });

/**
 * Single records, for their names and what little else a page shows of them. Read where they are needed, like a signal:
 * what is not here yet is asked for with whatever else is, and everything that reads it follows.
 */
@Injectable({ providedIn: 'root' })
export class Records {
  private readonly questions = inject(Questions);
  private readonly held = signal(new CatalogueLookup(EMPTY_CATALOGUE));
  /** What was asked for: there by now, on its way, or not there at all. */
  private asked = new Set<string>();
  private wanted = new Map<string, { readonly type: RecordType; readonly id: string }>();

  constructor() {
    this.questions.changed$.subscribe(() => this.askAgain());
  }

  /** The record, undefined until it has come and where there is none. */
  record<T extends RecordType>(type: T, id: string | undefined): RecordOf[T] | undefined {
    if (id === undefined || id === '') return undefined;
    const found = this.held().record(type, id) as RecordOf[T] | undefined;
    if (!found) this.want(type, id);
    return found;
  }

  /** What the record is called in full; its id until that is known. */
  label(type: RecordType, id: string): string {
    if (!this.held().record(type, id)) this.want(type, id);
    return this.held().labelOf(type, id);
  }

  /** What the record is called by itself, without maker and family. */
  shortLabel(type: RecordType, id: string): string {
    const label = this.label(type, id);
    const record = this.held().record(type, id);
    if (!record) return label;
    if (type === 'pattern' && 'name' in record) return record.name;
    return type === 'variant' && 'code' in record ? record.code : label;
  }

  /** Emits once all of these are at hand, as far as they are there. */
  ready(refs: readonly { readonly type: RecordType; readonly id: string }[]): Observable<void> {
    const missing = refs.filter(({ type, id }) => !this.held().record(type, id));
    if (missing.length === 0) return of(undefined);
    for (const { type, id } of missing) this.asked.add(keyOf(type, id));
    return this.fetched(missing);
  }

  private want(type: RecordType, id: string): void {
    const key = keyOf(type, id);
    if (this.asked.has(key)) return;
    this.asked.add(key);
    this.wanted.set(key, { type, id });
    // Everything that is drawn in one go is asked for in one go.
    if (this.wanted.size === 1) queueMicrotask(() => this.fetch());
  }

  private fetch(): void {
    const refs = [...this.wanted.values()];
    this.wanted = new Map();
    this.fetched(refs).subscribe();
  }

  private fetched(refs: readonly { readonly type: RecordType; readonly id: string }[]): Observable<void> {
    const goes = Array.from({ length: Math.ceil(refs.length / AT_ONCE) }, (_, at) =>
      refs.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
    );
    return forkJoin(goes.map((some) => this.questions.askOnce('records', { refs: [...some] }))).pipe(
      map((excerpts) => this.take(excerpts)),
      catchError((error: unknown) => {
        console.error(error);
        return EMPTY;
      }),
    );
  }

  private take(excerpts: readonly Excerpt[]): void {
    const changes = excerpts.flatMap((excerpt) =>
      RECORD_TYPES.flatMap((type) =>
        (excerpt[LIST_OF[type]] as readonly CatalogueRecord[]).map((record) => ({ type, id: record.id, record })),
      ),
    );
    const before = untracked(this.held);
    const full = before.catalogue.patterns.length > MOST_HELD;
    if (full) this.asked = new Set(changes.map(({ type, id }) => keyOf(type, id)));
    this.held.set((full ? new CatalogueLookup(EMPTY_CATALOGUE) : before).with(changes));
  }

  /** The catalogue is another: what is at hand is looked at again, and stays to be seen until that has come. */
  private askAgain(): void {
    const { catalogue } = untracked(this.held);
    const refs = RECORD_TYPES.flatMap((type) =>
      (catalogue[LIST_OF[type]] as readonly CatalogueRecord[]).map(({ id }) => ({ type, id })),
    );
    this.asked = new Set(refs.map(({ type, id }) => keyOf(type, id)));
    if (refs.length === 0) return;
    const goes = Array.from({ length: Math.ceil(refs.length / AT_ONCE) }, (_, at) =>
      refs.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
    );
    forkJoin(goes.map((some) => this.questions.askOnce('records', { refs: some })))
      .pipe(catchError(() => EMPTY))
      .subscribe((excerpts) => {
        this.held.set(new CatalogueLookup(EMPTY_CATALOGUE));
        this.take(excerpts);
      });
  }
}

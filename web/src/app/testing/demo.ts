import { inject } from '@angular/core';
import {
  CatalogueLookup,
  readEntry,
  needsOf,
  numbersToBuy,
  refusalOf,
  resolveNeeds,
  Workshop,
  type Answers,
  type Catalogue,
  type KindId,
  type QuestionName,
  type Reading,
  type Requests,
  type Specimen,
  type SpecimenSummary,
} from '@which-bore/core';
import { heldDocuments, type Held } from '@which-bore/core/hundredQuestions';
import {
  BehaviorSubject,
  defer,
  firstValueFrom,
  from,
  map,
  NEVER,
  of,
  switchMap,
  throwError,
  type Observable,
} from 'rxjs';
import demo from '../../../../demo-data/catalogue.json';
import { ApiError } from '../data/api';
import { Specimens } from '../data/specimens';

export const CATALOGUE = demo as unknown as Catalogue;
export const VIEW = new CatalogueLookup(CATALOGUE);
export const ID = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';

export const readings = (text: string, kind: KindId = 'crank'): Reading[] =>
  readEntry(text, kind).words.map((is, at) => ({
    id: `7a0d5a1e-3f7f-4f43-8f25-0000000000${String(at).padStart(2, '0')}`,
    at: '2026-03-02T08:10:00.000Z',
    is,
  }));

export const specimen = (text: string, name = 'On the bench', kind: KindId = 'crank'): Specimen => ({
  id: ID,
  name,
  kind,
  readings: readings(text, kind),
});

const WORKSHOP = new Workshop(CATALOGUE);

/** A line-up as the workshop tells it. */
export const lineUp = (text: string): Answers['identify'] =>
  WORKSHOP.ask('identify', { kind: 'crank', entry: text, most: 6 });

/** The workshop over the demo and the specimens here, without a worker and without a server. */
export class FakeQuestions {
  readonly changed$ = NEVER;
  /** What else the shop keeps: what is put aside, for one. */
  held: Held = {};
  private readonly specimens = inject(Specimens);

  ask<N extends QuestionName>(name: N, request: Requests[N]): Observable<Answers[N]> {
    return this.askOnce(name, request);
  }

  askOnce<N extends QuestionName>(name: N, request: Requests[N]): Observable<Answers[N]> {
    if (needsOf(name).length === 0) return this.answered(name, request);
    return defer(() => from(this.whole(name, request))).pipe(switchMap((whole) => this.answered(name, whole)));
  }

  private async whole<N extends QuestionName>(name: N, request: Requests[N]): Promise<Requests[N]> {
    const all = await firstValueFrom(this.specimens.all$);
    const specimens = await firstValueFrom(this.specimens.opened(all));
    return resolveNeeds(needsOf(name), request, heldDocuments({ ...this.held, specimens }), {
      numbersToBuy: (plan) => numbersToBuy(WORKSHOP, plan),
    });
  }

  private answered<N extends QuestionName>(name: N, request: Requests[N]): Observable<Answers[N]> {
    return defer(() => {
      try {
        return of(WORKSHOP.ask(name, request));
      } catch (error) {
        const refusal = refusalOf(error);
        if (!refusal) throw error;
        return throwError(() => new ApiError(refusal.refused === 'missing' ? 'missing' : 'refused', refusal.error));
      }
    });
  }

  refresh(): void {
    // There is only the one catalogue.
  }
}

/** Specimens in memory, as the stations see them. */
export class FakeSpecimens {
  private readonly held = new BehaviorSubject<ReadonlyMap<string, Specimen>>(new Map());
  readonly undone: string[] = [];
  readonly removed: string[] = [];
  private readonly before: Specimen[] = [];
  readonly all$ = new BehaviorSubject<readonly SpecimenSummary[]>([]);

  constructor(...specimens: Specimen[]) {
    for (const each of specimens) this.put(each);
  }

  opened(summaries: readonly { readonly id: string }[]): Observable<readonly Specimen[]> {
    return of(summaries.flatMap(({ id }) => this.held.value.get(id) ?? []));
  }

  watchEach(ids: readonly string[]): Observable<readonly Specimen[]> {
    return this.held.pipe(map((held) => ids.flatMap((id) => held.get(id) ?? [])));
  }

  watch(id: string): Observable<Specimen | undefined> {
    const watched = new BehaviorSubject(this.held.value.get(id));
    this.held.subscribe((held) => watched.next(held.get(id)));
    return watched;
  }

  peek(id: string): Specimen | undefined {
    return this.held.value.get(id);
  }

  open(id: string): Promise<'there' | 'missing'> {
    return Promise.resolve(this.held.value.has(id) ? 'there' : 'missing');
  }

  /** Those that were asked for, each as often as it was. */
  readonly asked: string[] = [];

  openEach(ids: readonly string[]): Observable<unknown> {
    this.asked.push(...ids);
    // What comes from the server is told to everybody, as a change is.
    for (const id of ids) {
      const now = this.held.value.get(id);
      if (now) this.put({ ...now });
    }
    return of(undefined);
  }

  change(next: Specimen): void {
    const now = this.held.value.get(next.id);
    if (now) this.before.push(now);
    this.put(next);
  }

  undo(id: string): boolean {
    this.undone.push(id);
    const last = this.before.pop();
    if (last) this.put(last);
    return last !== undefined;
  }

  remove(id: string): void {
    this.removed.push(id);
  }

  bringBack(id: string): void {
    this.removed.splice(this.removed.indexOf(id), 1);
  }

  refresh(): void {
    // Everything is here already.
  }

  private put(next: Specimen): void {
    this.held.next(new Map(this.held.value).set(next.id, next));
    this.all$.next(
      [...this.held.value.values()].map(({ id, name, kind, readings: read, job, shelf, confirmed }) => ({
        id,
        name,
        kind,
        readings: read.length,
        version: 1,
        updatedAt: '2026-03-02T08:10:00.000Z',
        ...(job === undefined ? {} : { job }),
        ...(shelf ? { shelf } : {}),
        ...(confirmed ? { confirmed: true as const } : {}),
      })),
    );
  }
}

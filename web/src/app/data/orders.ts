import { inject, Injectable } from '@angular/core';
import {
  soughtNumbers,
  type Answers,
  type Build,
  type Job,
  type Offer,
  type Reservation,
  type Specimen,
  type StoredSupplier,
} from '@which-bore/core';
import { dequal } from 'dequal';
import {
  catchError,
  combineLatest,
  distinctUntilChanged,
  filter,
  map,
  merge,
  of,
  shareReplay,
  startWith,
  Subject,
  switchMap,
  throwError,
  type Observable,
} from 'rxjs';
import { Api, ApiError } from './api';
import { Builds } from './builds';
import { Jobs } from './jobs';
import { ServerEvents } from './serverEvents';
import { Questions } from './questions';
import { Specimens } from './specimens';

/** A job with the build that is decided on and the parts of both, as they stand here. */
export interface WholeJob {
  readonly job: Job;
  readonly build?: Build;
  readonly specimens: Specimen[];
}

type ListOfJob = 'decisions' | 'orders' | 'work' | 'signed' | 'hours' | 'log';
type ItemOf<L extends ListOfJob> = NonNullable<Job[L]>[number];

/** What is ordered, given out and signed for; who sells what; and what of the shelf is put aside for whom. */
@Injectable({ providedIn: 'root' })
export class Orders {
  private readonly api = inject(Api);
  private readonly jobs = inject(Jobs);
  private readonly builds = inject(Builds);
  private readonly specimens = inject(Specimens);
  private readonly questions = inject(Questions);
  private readonly changedHere$ = new Subject<void>();
  /** Emits at once, and whenever a reservation or a list is another. */
  private readonly changed$ = merge(
    this.changedHere$,
    inject(ServerEvents).events$.pipe(filter((event) => event === 'again' || event.of === 'order')),
  ).pipe(startWith(undefined));

  readonly suppliers$: Observable<readonly StoredSupplier[]> = this.fetched(() => this.api.suppliers());
  readonly reservations$: Observable<readonly Reservation[]> = this.fetched(() => this.api.reservations());

  private fetched<T>(fetch: () => Observable<readonly T[]>): Observable<readonly T[]> {
    return this.changed$.pipe(
      // While the server is away what was known stands.
      switchMap(() => fetch().pipe(catchError(() => of(undefined)))),
      filter((all) => all !== undefined),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
  }

  /** A job with all that belongs to it; undefined where there is none such. */
  whole(id: string): Observable<WholeJob | undefined> {
    return combineLatest([this.jobs.watch(id), this.builds.all$, this.specimens.all$]).pipe(
      map(([job, builds, parts]) => {
        const build = builds.find((each) => each.id === job?.build);
        const named = new Set(build?.places.flatMap(({ specimen }) => specimen ?? []) ?? []);
        return {
          job,
          build,
          parts: parts.filter((each) => each.job === id || named.has(each.id)).map((each) => each.id),
        };
      }),
      distinctUntilChanged((a, b) => dequal(a, b)),
      switchMap(({ job, build, parts }) =>
        job === undefined
          ? of(undefined)
          : this.specimens.watchEach(parts).pipe(
              map((opened): WholeJob => {
                const specimens = [...opened];
                if (!build) return { job, specimens };
                const { version: _version, updatedAt: _at, ...own } = build;
                return { job, build: own, specimens };
              }),
            ),
      ),
    );
  }

  /** What a job needs; anew when something is ordered, reserved or changed in the catalogue. */
  needs(whole: WholeJob): Observable<Answers['orderList']> {
    return merge(this.changed$, this.questions.changed$).pipe(
      switchMap(() =>
        this.api.ask('orderList', whole).pipe(
          // Without the server nothing is known of the shelf of others; what is needed is.
          catchError((error: unknown) =>
            error instanceof ApiError && error.kind === 'away'
              ? this.questions.askOnce('orderList', whole)
              : throwError(() => error),
          ),
        ),
      ),
    );
  }

  /** What suppliers ask for what is on a list. */
  offers(needs: Answers['orderList']['needs']): Observable<readonly Offer[]> {
    const numbers = [...new Set(needs.flatMap(soughtNumbers))];
    if (numbers.length === 0) return of([]);
    return this.changed$.pipe(
      switchMap(() => this.api.offers(numbers.slice(0, MOST_SOUGHT)).pipe(catchError(() => of([])))),
    );
  }

  async hold(specimen: string, job: string): Promise<void> {
    await this.done(this.api.reserve(specimen, job));
  }

  async release(specimen: string): Promise<void> {
    await this.done(this.api.release(specimen));
  }

  /** Adds to a list of a job, or changes what is in it. */
  put<L extends ListOfJob>(job: string, list: L, item: ItemOf<L>): void {
    this.jobs.alter(job, (before) => {
      const items = (before[list] ?? []) as ItemOf<L>[];
      const at = items.findIndex(({ id }) => id === item.id);
      return {
        ...before,
        [list]: at < 0 ? [...items, item] : items.map((each) => (each.id === item.id ? item : each)),
      };
    });
  }

  take(job: string, list: ListOfJob, id: string): void {
    this.jobs.alter(job, (before) => ({
      ...before,
      [list]: (before[list] ?? [])
        // Any of the lists: all of their items have ids.
        .filter((each: { readonly id: string }) => each.id !== id),
    }));
  }

  /** Has something done at the server, and looks at the lists anew. Fails with an ApiError. */
  async done<T>(request: Observable<T>): Promise<T> {
    const answer = await new Promise<T>((resolve, reject) => request.subscribe({ next: resolve, error: reject }));
    this.changedHere$.next();
    return answer;
  }
}

/** So many numbers are asked for at once. */
const MOST_SOUGHT = 2000;

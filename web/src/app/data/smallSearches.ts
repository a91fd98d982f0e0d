import { inject, Injectable } from '@angular/core';
import { slotOf, type Answers, type KindId, type Offer, type Requests, type Specimen } from '@which-bore/core';
import { catchError, combineLatest, map, of, switchMap, take, type Observable } from 'rxjs';
import { Api } from './api';
import { Questions } from './questions';
import { Specimens } from './specimens';

type Asked = Requests['planSets'];

/** More choices than this are looked through when somebody asks for it, on the server. */
const MOST_CHOICES = 1_000_000;
/** Numbers that may be looked for in price lists at once. */
const MOST_NUMBERS = 2000;
/** A search that one does not wait for is stopped after so many nodes. */
const EFFORT = 1500;

/** Laying out more options than this takes longer than one waits while typing. */
const MOST_OPTIONS = 20_000;

/** Which places are looked for, and where. */
const placesOf = ({ demands }: Asked): string => demands.places.map(({ slot, from }) => `${slot} ${from}`).join();

/** Searches for sets that are small enough to be done in this browser while one types. */
@Injectable({ providedIn: 'root' })
export class SmallSearches {
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);

  /** Places that have too many options, where they were looked at once: with a large catalogue. */
  private readonly large = new Set<string>();

  /** The best sets; nothing where there is too much to look through, or the demands make no sense yet. */
  asTyped(request: Asked): Observable<Answers['planSets'] | undefined> {
    const { demands } = request;
    if (this.large.has(placesOf(request)) || (demands.engines !== undefined && demands.engines > 1))
      return of(undefined);
    return this.withShelf(request).pipe(
      switchMap((whole) => this.counted(whole)),
      switchMap((counted) => (counted ? this.withLists(counted.whole, counted.numbers) : of(undefined))),
      switchMap((asked) =>
        asked
          ? this.questions.askOnce('planSets', { ...asked, demands: { ...demands, effort: EFFORT } })
          : of(undefined),
      ),
      // What makes no sense is said when somebody asks for it: it may make sense with the next letter.
      catchError(() => of(undefined)),
    );
  }

  /** The numbers that lists may have it by; nothing where it is too much to be looked through while one types. */
  private counted(whole: Asked) {
    return this.questions.askOnce('planChoices', whole).pipe(
      map(({ combinations, options, numbers }) => {
        const isLarge = options.reduce((so, { count }) => so + count, 0) > MOST_OPTIONS;
        if (isLarge) this.large.add(placesOf(whole));
        const isSmall = combinations <= MOST_CHOICES && numbers.length <= MOST_NUMBERS;
        return isSmall && !isLarge ? { whole, numbers } : undefined;
      }),
    );
  }

  /** With the parts of the shelf that may be taken: of no job or of this one, and put aside for no other. */
  private withShelf(request: Asked): Observable<Asked> {
    const kinds = new Set<KindId | undefined>(request.demands.places.map(({ slot }) => slotOf(slot)?.kind));
    const job = request.build.job;
    return combineLatest([
      this.specimens.all$.pipe(take(1)),
      this.api.reservations().pipe(catchError(() => of([]))),
    ]).pipe(
      switchMap(([all, reservations]) => {
        const others = new Set(
          reservations
            .filter((held) => held.released === undefined && held.job !== job)
            .map(({ specimen }) => specimen),
        );
        return this.specimens.opened(
          all.filter(
            ({ id, kind, shelf, job: own }) =>
              kinds.has(kind) && shelf?.gone === undefined && (own === undefined || own === job) && !others.has(id),
          ),
        );
      }),
      map((shelf: readonly Specimen[]) => ({ ...request, shelf: [...shelf] })),
    );
  }

  /** With what suppliers have of it; without where the server is away. */
  private withLists(request: Asked, numbers: readonly string[]): Observable<Asked> {
    return combineLatest([
      this.api.suppliers().pipe(catchError(() => of([]))),
      numbers.length === 0 ? of([]) : this.api.offers(numbers).pipe(catchError(() => of<readonly Offer[]>([]))),
    ]).pipe(
      map(([suppliers, offers]) => ({
        ...request,
        sellers: suppliers.map(({ id, name, currency }) => ({ id, name, currency })),
        offers: offers.map(({ asOf: _asOf, ...offer }) => offer),
      })),
    );
  }
}

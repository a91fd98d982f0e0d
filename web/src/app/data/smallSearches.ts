import { inject, Injectable } from '@angular/core';
import type { Answers, Requests } from '@which-bore/core';
import { catchError, of, switchMap, type Observable } from 'rxjs';
import { Questions } from './questions';

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
  private readonly questions = inject(Questions);

  /** Places that have too many options, where they were looked at once: with a large catalogue. */
  private readonly large = new Set<string>();

  /** The best sets; nothing where there is too much to look through, or the demands make no sense yet. */
  asTyped(request: Asked): Observable<Answers['planSets'] | undefined> {
    const { demands } = request;
    if (this.large.has(placesOf(request)) || (demands.engines !== undefined && demands.engines > 1))
      return of(undefined);
    return this.questions.askOnce('planChoices', request).pipe(
      switchMap(({ combinations, options, numbers }) => {
        const isLarge = options.reduce((so, { count }) => so + count, 0) > MOST_OPTIONS;
        if (isLarge) this.large.add(placesOf(request));
        return isLarge || combinations > MOST_CHOICES || numbers.length > MOST_NUMBERS
          ? of(undefined)
          : this.questions.askOnce('planSets', { ...request, demands: { ...demands, effort: EFFORT } });
      }),
      // What makes no sense is said when somebody asks for it: it may make sense with the next letter.
      catchError(() => of(undefined)),
    );
  }
}

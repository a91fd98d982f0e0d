import { inject, Injectable } from '@angular/core';
import { isOver, type Answers, type Requests, type SetSearch } from '@which-bore/core';
import { catchError, concat, concatMap, map, Observable, of, switchMap, throwError } from 'rxjs';
import { Api, ApiError } from './api';
import { Questions } from './questions';

const GONE = 'This search is not kept any more: it ended more than a day ago. Begin it anew.';

/** What a search is while this browser does it. */
const HERE: SetSearch = { id: '', state: 'searching', askedAt: new Date(0).toISOString(), takenUp: 1 };

/** Searches for sets, done on the server and followed from here, until they are over. */
@Injectable({ providedIn: 'root' })
export class SetSearches {
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);

  /** Begins a search and follows it. Where the server is away this browser does it, without the shelf. */
  begin(request: Requests['planSets']): Observable<SetSearch> {
    return this.api.beginSearch(request).pipe(
      switchMap((begun) => concat(of(begun), this.follow(begun.id))),
      catchError((error: unknown) =>
        error instanceof ApiError && error.kind === 'away' ? this.here(request) : throwError(() => error),
      ),
    );
  }

  /** Follows a search from how it stands to its end. A connection that is lost is made anew by the browser. */
  follow(id: string): Observable<SetSearch> {
    return new Observable((subscriber) => {
      const source = new EventSource(`/api/plan/searches/${id}/events`);
      source.addEventListener('message', ({ data }: MessageEvent<string>) => {
        const search = JSON.parse(data) as SetSearch;
        subscriber.next(search);
        if (isOver(search)) subscriber.complete();
      });
      source.addEventListener('error', () => {
        if (source.readyState === EventSource.CLOSED) subscriber.error(new ApiError('missing', GONE));
      });
      return () => source.close();
    });
  }

  /** Tells a search to stop; what it has found so far stays. */
  stop(id: string): Observable<unknown> {
    return id === '' ? of(undefined) : this.api.stopSearch(id);
  }

  private here(request: Requests['planSets']): Observable<SetSearch> {
    const done = (sets: Answers['planSets'], conflicts?: Answers['planConflicts']): SetSearch => ({
      ...HERE,
      state: 'done',
      sets,
      ...(conflicts ? { conflicts } : {}),
    });
    const whole = this.questions
      .askOnce('planSets', request)
      .pipe(
        concatMap((sets) =>
          sets.sets.length > 0 || !sets.proved
            ? of(done(sets))
            : concat(
                of({ ...HERE, part: 'conflicts' as const, sets }),
                this.questions.askOnce('planConflicts', request).pipe(map((conflicts) => done(sets, conflicts))),
              ),
        ),
      );
    return concat(of({ ...HERE, part: 'sets' as const }), whole);
  }
}

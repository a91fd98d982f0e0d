import { catchError, defer, map, merge, Observable, of, repeat, takeWhile } from 'rxjs';

/** Somewhere a piece of work can be done. */
type Lane<P, R> = (piece: P) => Observable<R>;

/** What came of a piece; nothing where the lane gave up. */
interface Done<R> {
  readonly result?: R;
}

/**
 * Pieces of one piece of work, each taken by whichever lane is free first. A lane that fails is left, and its piece
 * goes to another; where the last one fails, so does the whole. Unsubscribing stops all of them.
 */
export function inLanes<P, R>(pieces: readonly P[], lanes: readonly Lane<P, R>[]): Observable<R> {
  return defer(() => {
    const left = [...pieces];
    let open = lanes.length;
    const one = (lane: Lane<P, R>): Observable<R> =>
      defer((): Observable<Done<R> | undefined> => {
        const piece = left.shift();
        if (piece === undefined) return of(undefined);
        return lane(piece).pipe(
          map((result) => ({ result })),
          catchError((error: unknown) => {
            left.unshift(piece);
            if (--open === 0) throw error;
            return of({});
          }),
        );
      }).pipe(
        repeat(),
        takeWhile((done): done is Required<Done<R>> => done?.result !== undefined),
        map(({ result }) => result),
      );
    return merge(...lanes.map(one));
  });
}

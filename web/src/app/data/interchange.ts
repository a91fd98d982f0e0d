import { inject, Injectable } from '@angular/core';
import type { KindId, Specimen } from '@which-bore/core';
import { concatMap, defer, EMPTY, expand, map, of, scan, switchMap, take, type Observable } from 'rxjs';
import { Specimens } from './specimens';
import { Sums } from './sums';
import type { GridSides } from './interchangeInWorker';

/** A grid as far as it has come. */
export interface GridProgress {
  readonly sides: GridSides;
  /** Rows so far, a cell for every recipient. */
  readonly rows: readonly Uint32Array[];
}

/** So many of the shelf are looked at when it is asked what else there is. */
const MOST_FROM_SHELF = 500;

/** Grids have at most so many a side. */
export const MOST_A_SIDE = 1000;

/** The questions of interchange that need more than one answer of the worker. */
@Injectable({ providedIn: 'root' })
export class Interchange {
  private readonly sums = inject(Sums);
  private readonly specimens = inject(Specimens);

  /** The specimens of a kind on the shelf, with their readings. */
  shelf(kind: KindId): Observable<readonly Specimen[]> {
    return this.specimens.all$.pipe(
      take(1),
      map((all) => all.filter((each) => each.kind === kind).slice(0, MOST_FROM_SHELF)),
      concatMap((summaries) =>
        defer(async () => {
          await Promise.all(summaries.filter(({ id }) => !this.specimens.peek(id)).map(({ id }) => this.specimens.open(id)));
          return summaries.flatMap(({ id }) => this.specimens.peek(id) ?? []);
        }),
      ),
    );
  }

  /** A grid, filling as it goes. Whoever stops listening stops the work: no more rows are then asked for. */
  grid(donor: KindId, recipient: KindId): Observable<GridProgress | undefined> {
    return this.sums.openGrid(donor, recipient, MOST_A_SIDE).pipe(
      switchMap((sides) => {
        if (!sides) return of(undefined);
        const more = (first: number) => this.sums.gridRows(first).pipe(map((rows) => ({ first: first + rows.length, rows })));
        return more(0).pipe(
          expand(({ first, rows }) => (rows.length === 0 || first >= sides.donors.length ? EMPTY : more(first))),
          scan((sofar: readonly Uint32Array[], { rows }) => [...sofar, ...rows], []),
          map((rows): GridProgress => ({ sides, rows })),
        );
      }),
    );
  }
}

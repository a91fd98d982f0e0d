import { inject, Injectable } from '@angular/core';
import {
  isNothingAgainst,
  VERDICTS,
  verdictOf,
  writeAddress,
  type Answers,
  type GridRequest,
  type GridSides,
  type KindId,
  type PartRef,
  type Verdict,
} from '@which-bore/core';
import { recipientsFor } from '@which-bore/core/meetings';
import {
  catchError,
  combineLatest,
  concatMap,
  EMPTY,
  expand,
  from,
  map,
  of,
  scan,
  switchMap,
  take,
  throwError,
  toArray,
  type Observable,
} from 'rxjs';
import { ApiError } from './api';
import { Questions } from './questions';
import { Jobs } from './jobs';
import { Specimens } from './specimens';

/** A grid as far as it has come. */
export interface GridProgress {
  readonly sides: GridSides;
  /** Rows so far, a cell for every recipient. */
  readonly rows: readonly Uint32Array[];
  /** How many cells of each verdict are in them, and how many of the open ones have nothing against them. */
  readonly counts: Readonly<Record<Verdict | 'nothingAgainst', number>>;
}

/** What became of a swap that was asked for: judged, or why there is nothing to judge. */
export type Judged = Answers['interchange']['swaps'][number] | { readonly refused: string };

/** What takes a part, or goes where it is. */
export type Takings = Answers['whatElse'];

const NOTHING: Takings = { counts: { fits: 0, fitsWithWork: 0, cannotTell: 0, doesNotFit: 0 }, best: [] };
const LISTED = 200;

/** A question that cannot be asked so is answered otherwise; anything else goes wrong as before. */
const orRefused = <T, U>(otherwise: (why: string) => U) =>
  catchError<T, Observable<U>>((error: unknown) =>
    error instanceof ApiError && (error.kind === 'refused' || error.kind === 'missing')
      ? of(otherwise(error.message))
      : throwError(() => error),
  );

/** The grid of two kinds: the first thousand of each. */
const gridOf = (donor: KindId, recipient: KindId): GridRequest => ({
  donors: { kind: donor },
  recipients: { kind: recipient },
  first: true,
});

/** The counts with some more rows in them: the rows before are not gone over again. */
function counted(sofar: GridProgress['counts'], rows: readonly Uint32Array[]): GridProgress['counts'] {
  const counts = { ...sofar };
  for (const row of rows)
    for (const cell of row) {
      counts[verdictOf(cell)]++;
      if (isNothingAgainst(cell)) counts.nothingAgainst++;
    }
  return counts;
}

/** Whether a part of this kind is put to something of that kind. */
const mayMeet = (kind: KindId | undefined, other: KindId): boolean =>
  kind === undefined || (other !== kind && recipientsFor(kind).includes(other));

/** The questions of interchange, as the stations ask them. */
@Injectable({ providedIn: 'root' })
export class Interchange {
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);
  private readonly jobList = inject(Jobs);

  /** Donors into a recipient, joint by joint. */
  judge(donors: readonly PartRef[], recipient: PartRef): Observable<Judged> {
    return this.questions.ask('interchange', { donors: [...donors], recipients: [recipient] }).pipe(
      map(({ swaps: [first] }): Judged => first ?? { refused: 'There is nothing to judge.' }),
      orRefused((refused): Judged => ({ refused })),
    );
  }

  /** Every engine, with the verdict on these donors in it. */
  engines(donors: readonly PartRef[]): Observable<Takings> {
    return this.questions.ask('engines', { donors: [...donors], most: LISTED }).pipe(orRefused(() => NOTHING));
  }

  /**
   * What lies on the benches of the jobs that have parts, with the verdict on these donors among it.
   *
   * @param kind of the first donor, where it is one part
   */
  jobs(donors: readonly PartRef[], kind: KindId | undefined): Observable<Takings> {
    return combineLatest([this.jobList.all$, this.specimens.all$.pipe(take(1))]).pipe(
      switchMap(([jobs, parts]) =>
        from(
          jobs.slice(0, LISTED).filter(({ id }) => parts.some((part) => part.job === id && mayMeet(kind, part.kind))),
        ).pipe(
          concatMap((job) =>
            this.judge(donors, { jobId: job.id }).pipe(
              take(1),
              concatMap((judged) => ('refused' in judged ? EMPTY : of({ job, judged }))),
            ),
          ),
          toArray(),
        ),
      ),
      map((all): Takings => {
        const counts = { ...NOTHING.counts };
        for (const { judged } of all) counts[judged.verdict]++;
        const best = all.map(
          ({ job, judged: { verdict, says, agree, byWork, standing, checks, nothingAgainst, hours, price } }) => ({
            ref: writeAddress({ sort: 'job', id: job.id }),
            name: job.name,
            short: job.name,
            family: 'On order',
            verdict,
            says,
            agree,
            byWork,
            standing,
            checks,
            nothingAgainst,
            hours,
            price,
          }),
        );
        return {
          counts,
          best: best.sort((a, b) => VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) || a.price - b.price),
        };
      }),
    );
  }

  /** What of a kind, of the catalogue and of the shelf, takes a part or goes where it is. */
  whatElse(part: PartRef, kind: KindId, side: 'donor' | 'recipient'): Observable<Takings> {
    return this.questions
      .ask('whatElse', { part, kind, side, most: LISTED, refused: true })
      .pipe(orRefused(() => NOTHING));
  }

  /** A grid, filling as it goes. Whoever stops listening stops the work: no more rows are then asked for. */
  grid(donor: KindId, recipient: KindId): Observable<GridProgress | undefined> {
    const asked = gridOf(donor, recipient);
    return this.questions.ask('gridSides', asked).pipe(
      orRefused(() => undefined),
      switchMap((sides) => {
        if (!sides) return of(undefined);
        const more = (from: number) =>
          this.questions
            .askOnce('gridRows', { ...asked, from })
            .pipe(map(({ rows }) => ({ first: from + rows.length, rows: rows.map((row) => Uint32Array.from(row)) })));
        return more(0).pipe(
          expand(({ first, rows }) => (rows.length === 0 || first >= sides.donors.length ? EMPTY : more(first))),
          scan(
            (sofar: GridProgress, { rows }) => ({
              sides,
              rows: [...sofar.rows, ...rows],
              counts: counted(sofar.counts, rows),
            }),
            {
              sides,
              rows: [],
              counts: { ...NOTHING.counts, nothingAgainst: 0 },
            },
          ),
        );
      }),
    );
  }

  /** The order of a grid in which what interchanges freely stands together. */
  gridOrder(donor: KindId, recipient: KindId): Observable<Answers['gridOrder']> {
    return this.questions.askOnce('gridOrder', gridOf(donor, recipient));
  }

  /** Groups that are or may be drop-in for one another, of all or of those that drop into one recipient. */
  gridGroups(donor: KindId, recipient: KindId, into: number | undefined): Observable<Answers['gridGroups']> {
    return this.questions.askOnce('gridGroups', {
      ...gridOf(donor, recipient),
      ...(into === undefined ? {} : { into }),
    });
  }
}

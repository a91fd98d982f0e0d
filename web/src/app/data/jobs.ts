import { inject, Injectable } from '@angular/core';
import type { Job } from '@which-bore/core';
import { BehaviorSubject, catchError, concatMap, EMPTY, filter, map, Subject, tap, timer, type Observable } from 'rxjs';
import { Api, ApiError, type StoredJob } from './api';
import { Kept } from './kept';

const LIST = 'jobs';
const RETRY_MS = 3000;

/** A job as this browser has it: what still has to go up is marked. */
interface HeldJob {
  readonly job: StoredJob;
  readonly waiting: boolean;
}

const isHeld = (value: unknown): value is HeldJob => typeof value === 'object' && value !== null && 'job' in value && 'waiting' in value;

/** Engines on order, kept here first and then on the server, as the specimens are. */
@Injectable({ providedIn: 'root' })
export class Jobs {
  private readonly api = inject(Api);
  private readonly kept = inject(Kept);
  private readonly held$ = new BehaviorSubject<ReadonlyMap<string, HeldJob>>(this.lastVisit());
  private readonly turn = new Subject<string>();
  /** What the server would not have, and why. */
  readonly refused$ = new BehaviorSubject<string | undefined>(undefined);

  readonly all$: Observable<readonly StoredJob[]> = this.held$.pipe(
    map((held) => [...held.values()].map(({ job }) => job).sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1))),
  );

  constructor() {
    this.turn.pipe(concatMap((id) => this.send(id))).subscribe();
    for (const [id, { waiting }] of this.held$.value) if (waiting) this.turn.next(id);
    this.refresh();
  }

  watch(id: string): Observable<StoredJob | undefined> {
    return this.held$.pipe(map((held) => held.get(id)?.job));
  }

  refresh(): void {
    this.api
      .jobs()
      .pipe(catchError(() => EMPTY))
      .subscribe((jobs) => {
        const waiting = [...this.held$.value].filter(([, held]) => held.waiting);
        this.hold(new Map([...jobs.map((job): [string, HeldJob] => [job.id, { job, waiting: false }]), ...waiting]));
      });
  }

  /** Begins a job. Answers its id. */
  begin(name: string): string {
    const job: StoredJob = { id: crypto.randomUUID(), name, readings: [], version: 0, updatedAt: new Date().toISOString() };
    this.put(job);
    return job.id;
  }

  change(id: string, change: (job: Job) => Job): void {
    const held = this.held$.value.get(id);
    if (held) this.put({ ...change(held.job), id, version: held.job.version, updatedAt: new Date().toISOString() });
  }

  /** Deletes a job; its parts stay on the shelf. */
  remove(id: string): void {
    const rest = new Map(this.held$.value);
    rest.delete(id);
    this.hold(rest);
    this.api
      .removeJob(id)
      .pipe(catchError(() => EMPTY))
      .subscribe();
  }

  bringBack(id: string): void {
    this.api
      .restoreJob(id)
      .pipe(catchError(() => EMPTY))
      .subscribe((job) => this.hold(new Map(this.held$.value).set(id, { job, waiting: false })));
  }

  private put(job: StoredJob): void {
    this.hold(new Map(this.held$.value).set(job.id, { job, waiting: true }));
    this.turn.next(job.id);
  }

  private send(id: string): Observable<unknown> {
    const held = this.held$.value.get(id);
    if (!held?.waiting) return EMPTY;
    const { version, updatedAt: _at, ...job } = held.job;
    return this.api.saveJob(job, version).pipe(
      tap((stored) => {
        const now = this.held$.value.get(id);
        // What was changed here meanwhile goes up next, under the version that this one got.
        const unchanged = now?.job === held.job;
        this.hold(
          new Map(this.held$.value).set(
            id,
            unchanged || !now ? { job: stored, waiting: false } : { job: { ...now.job, version: stored.version }, waiting: true },
          ),
        );
        this.refused$.next(undefined);
        if (!unchanged && now) this.turn.next(id);
      }),
      catchError((error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        this.settle(id, held, error);
        return EMPTY;
      }),
    );
  }

  private settle(id: string, held: HeldJob, error: ApiError): void {
    if (error.kind === 'away') {
      timer(RETRY_MS)
        .pipe(filter(() => this.held$.value.get(id)?.waiting === true))
        .subscribe(() => this.turn.next(id));
    } else if (error.kind === 'changed' && error.current) {
      // Mine is put on top of theirs: readings of both stay.
      const theirs = error.current as StoredJob;
      const mine = new Set(held.job.readings.map((reading) => reading.id));
      this.put({ ...held.job, readings: [...theirs.readings.filter((reading) => !mine.has(reading.id)), ...held.job.readings], version: theirs.version });
    } else this.refused$.next(error.message);
  }

  private hold(held: ReadonlyMap<string, HeldJob>): void {
    this.kept.write(LIST, [...held.values()]);
    this.held$.next(held);
  }

  private lastVisit(): ReadonlyMap<string, HeldJob> {
    const kept = this.kept.read(LIST);
    return new Map(Array.isArray(kept) ? kept.filter(isHeld).map((held): [string, HeldJob] => [held.job.id, held]) : []);
  }
}

import { inject, Injectable } from '@angular/core';
import type { Specimen } from '@which-bore/core';
import { BehaviorSubject, concatMap, distinctUntilChanged, firstValueFrom, map, Subject, timer, type Observable } from 'rxjs';
import { Api, ApiError, type SpecimenSummary, type StoredSpecimen } from './api';
import { isHeldSpecimen, type Held } from './held';
import { Kept } from './kept';
import { mergeSpecimens } from './specimenMerge';

export interface SyncState {
  /** How many specimens wait to go up. */
  readonly waiting: number;
  readonly away: boolean;
  readonly refused: string | undefined;
}

const RETRY_MS = 2000;
const HISTORY = 100;
const HELD = 'specimen.';
const LIST = 'specimens';

/**
 * The specimens, kept here first and then on the server. Every change is written to the browser's storage before
 * anything else happens; it goes up at once, or as soon as server and database are back.
 */
@Injectable({ providedIn: 'root' })
export class Specimens {
  private readonly api = inject(Api);
  private readonly kept = inject(Kept);
  private readonly held$ = new BehaviorSubject<ReadonlyMap<string, Held>>(this.readHeld());
  private readonly listed$ = new BehaviorSubject<readonly SpecimenSummary[]>((this.kept.read(LIST) as readonly SpecimenSummary[] | undefined) ?? []);
  private readonly away$ = new BehaviorSubject(false);
  private readonly turn = new Subject<void>();
  private readonly undoStacks = new Map<string, Specimen[]>();

  private readonly all = new BehaviorSubject<readonly SpecimenSummary[]>([]);
  private readonly sync = new BehaviorSubject<SyncState>({ waiting: 0, away: false, refused: undefined });

  /** All that are known, those changed here as they stand here. Last changed first. */
  readonly all$ = this.all.asObservable();
  readonly sync$ = this.sync.asObservable();

  constructor() {
    const publish = () => {
      this.all.next(this.together());
      const held = [...this.held$.value.values()];
      this.sync.next({
        waiting: held.filter((each) => each.pending !== 'nothing' && each.refused === undefined).length,
        away: this.away$.value,
        refused: held.find((each) => each.refused !== undefined)?.refused,
      });
    };
    this.held$.subscribe(publish);
    this.listed$.subscribe(publish);
    this.away$.subscribe(publish);
    // One at a time: a change made while another goes up is sent after it, with the version that one got.
    this.turn.pipe(concatMap(() => this.sendAll())).subscribe();
    this.turn.next();
    this.refresh();
  }

  /** One specimen as it stands here, undefined until it is known or when it is gone. */
  watch(id: string): Observable<Specimen | undefined> {
    return this.held$.pipe(
      map((held) => {
        const mine = held.get(id);
        return mine && mine.pending !== 'remove' ? mine.specimen : undefined;
      }),
      distinctUntilChanged(),
    );
  }

  /** The specimen as it stands here, if it does. */
  peek(id: string): Specimen | undefined {
    const mine = this.held$.value.get(id);
    return mine?.pending === 'remove' ? undefined : mine?.specimen;
  }

  /** Fetches a specimen, unless changes of it wait here. Answers whether there is one to show. */
  async open(id: string): Promise<'there' | 'missing' | 'away'> {
    const mine = this.held$.value.get(id);
    if (mine && mine.pending !== 'nothing') return mine.pending === 'remove' ? 'missing' : 'there';
    try {
      const stored = await firstValueFrom(this.api.specimen(id));
      const now = this.held$.value.get(id);
      if (!now || now.pending === 'nothing') this.hold(id, heldFrom(stored));
      this.reached();
      return 'there';
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      if (error.kind === 'away') {
        this.away$.next(true);
        this.retryLater();
        return mine ? 'there' : 'away';
      }
      return 'missing';
    }
  }

  /** Changes a specimen, or begins it. The state before goes on its undo stack. */
  change(next: Specimen): void {
    const mine = this.held$.value.get(next.id);
    if (mine) this.push(mine.specimen);
    this.put(next);
  }

  /** Takes the last change of a specimen back. False when there is none. */
  undo(id: string): boolean {
    const before = this.undoStacks.get(id)?.pop();
    if (!before) return false;
    this.put(before);
    return true;
  }

  /** Deletes a specimen. `bringBack` undoes it. */
  remove(id: string): void {
    const mine = this.held$.value.get(id);
    const summary = this.listed$.value.find((each) => each.id === id);
    if (mine) this.hold(id, { ...without(mine, 'refused'), pending: 'remove' });
    else if (summary) this.hold(id, { specimen: { id, name: summary.name, kind: summary.kind, readings: [] }, version: summary.version, pending: 'remove' });
    this.turn.next();
  }

  bringBack(id: string): void {
    const mine = this.held$.value.get(id);
    if (mine) this.hold(id, { ...without(mine, 'refused'), pending: 'restore' });
    this.turn.next();
  }

  /** Asks the server for the list again. */
  refresh(): void {
    this.api.specimens().subscribe({
      next: (list) => {
        this.reached();
        this.list(list);
      },
      error: (error: unknown) => {
        if (error instanceof ApiError && error.kind === 'away') {
          this.away$.next(true);
          this.retryLater();
        }
      },
    });
  }

  private put(next: Specimen): void {
    const mine = this.held$.value.get(next.id);
    this.hold(next.id, { specimen: next, ...(mine?.base ? { base: mine.base } : {}), version: mine?.version ?? 0, pending: 'save' });
    this.turn.next();
  }

  private push(before: Specimen): void {
    const stack = this.undoStacks.get(before.id) ?? [];
    stack.push(before);
    if (stack.length > HISTORY) stack.shift();
    this.undoStacks.set(before.id, stack);
  }

  private async sendAll(): Promise<void> {
    for (const [id, held] of this.held$.value) {
      if (held.pending === 'nothing' || held.refused !== undefined) continue;
      try {
        await this.send(id, held);
        this.reached();
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        if (error.kind === 'away') {
          this.away$.next(true);
          this.retryLater();
          return;
        }
        this.settle(id, held, error);
      }
    }
  }

  private async send(id: string, held: Held): Promise<void> {
    switch (held.pending) {
      case 'nothing':
        return;
      case 'save': {
        const stored = await firstValueFrom(this.api.save(held.specimen, held.version));
        this.accepted(id, held, stored);
        return;
      }
      case 'remove':
        if (held.version > 0) await firstValueFrom(this.api.remove(id));
        // Kept in memory, so that it can be brought back; forgotten on the next visit.
        this.kept.write(HELD + id, undefined);
        this.list(this.listed$.value.filter((each) => each.id !== id));
        this.markRemoved(id, held);
        return;
      case 'restore': {
        if (held.version > 0) {
          const theirs = heldFrom(await firstValueFrom(this.api.restore(id)));
          const specimen = mergeSpecimens(held.base, held.specimen, theirs.specimen);
          this.hold(id, { ...theirs, specimen, pending: 'save' });
        } else this.hold(id, { ...held, pending: 'save' });
        this.turn.next();
        return;
      }
    }
  }

  private markRemoved(id: string, held: Held): void {
    if (this.held$.value.get(id) !== held) return;
    const map = new Map(this.held$.value);
    map.set(id, { ...held, pending: 'remove', refused: 'deleted' });
    this.held$.next(map);
  }

  /** The server has a change. What was changed here since stays pending. */
  private accepted(id: string, sent: Held, stored: StoredSpecimen): void {
    const now = this.held$.value.get(id);
    const fresh = heldFrom(stored);
    if (!now || now === sent) this.hold(id, fresh);
    else {
      this.hold(id, { ...now, base: fresh.specimen, version: fresh.version });
      this.turn.next();
    }
    const others = this.listed$.value.filter((each) => each.id !== id);
    const { name, kind, version, updatedAt, job } = stored;
    this.list([{ id, name, kind, readings: stored.readings.length, version, updatedAt, ...(job === undefined ? {} : { job }) }, ...others]);
  }

  /** The server would not have it as it was sent. */
  private settle(id: string, sent: Held, error: ApiError): void {
    const now = this.held$.value.get(id) ?? sent;
    if (error.kind === 'changed' && error.current) {
      const theirs = heldFrom(error.current as StoredSpecimen);
      this.hold(id, { ...now, specimen: mergeSpecimens(now.base, now.specimen, theirs.specimen), base: theirs.specimen, version: theirs.version });
      this.turn.next();
    } else if (error.kind === 'missing') {
      if (now.pending === 'remove') this.markRemoved(id, now);
      else if (now.version > 0 && now.pending === 'save') {
        // Deleted elsewhere while it was worked on here: the work outranks the deletion.
        this.hold(id, { ...now, pending: 'restore' });
        this.turn.next();
      } else this.hold(id, { ...now, refused: error.message });
    } else this.hold(id, { ...now, refused: error.message });
  }

  private reached(): void {
    if (this.away$.value) {
      this.away$.next(false);
      this.refresh();
    }
  }

  private retryTimer = false;

  private retryLater(): void {
    if (this.retryTimer) return;
    this.retryTimer = true;
    timer(RETRY_MS).subscribe(() => {
      this.retryTimer = false;
      this.turn.next();
      this.refresh();
    });
  }

  private hold(id: string, held: Held): void {
    this.kept.write(HELD + id, held);
    const all = new Map(this.held$.value);
    all.set(id, held);
    this.held$.next(all);
  }

  private list(list: readonly SpecimenSummary[]): void {
    this.kept.write(LIST, list);
    this.listed$.next(list);
  }

  private readHeld(): ReadonlyMap<string, Held> {
    const held = new Map<string, Held>();
    for (const name of this.kept.names(HELD)) {
      const value = this.kept.read(name);
      if (isHeldSpecimen(value)) held.set(value.specimen.id, without(value, 'refused'));
    }
    return held;
  }

  private together(): SpecimenSummary[] {
    const held = this.held$.value;
    const listed = this.listed$.value.filter((each) => held.get(each.id)?.pending !== 'remove');
    const waiting = [...held.values()].filter((each) => each.pending === 'save' || each.pending === 'restore');
    const fromHere = waiting.map(({ specimen, version }): SpecimenSummary => {
      const known = listed.find((each) => each.id === specimen.id);
      const last = specimen.readings[specimen.readings.length - 1];
      return {
        id: specimen.id,
        name: specimen.name,
        kind: specimen.kind,
        readings: specimen.readings.length,
        version,
        updatedAt: known?.updatedAt ?? last?.at ?? '',
        ...(specimen.job === undefined ? {} : { job: specimen.job }),
      };
    });
    const here = new Set(fromHere.map((each) => each.id));
    return [...fromHere, ...listed.filter((each) => !here.has(each.id))];
  }
}

function heldFrom({ version, updatedAt: _at, ...specimen }: StoredSpecimen): Held {
  return { specimen, base: specimen, version, pending: 'nothing' };
}

function without(held: Held, key: 'refused'): Held {
  const { [key]: _gone, ...rest } = held;
  return rest;
}

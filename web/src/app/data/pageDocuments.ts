import { inject, Injectable } from '@angular/core';
import {
  isAmong,
  type Build,
  type Documents,
  type Job,
  type NeedName,
  type OfferTold,
  type Reservation,
  type SpecimensAsked,
} from '@which-bore/core';
import { catchError, EMPTY, filter, firstValueFrom, map, merge, of, skip, take, type Observable } from 'rxjs';
import { Api } from './api';
import { Builds } from './builds';
import { Jobs } from './jobs';
import { ServerEvents } from './serverEvents';
import { Specimens } from './specimens';

/** Numbers that may be looked for in price lists at once. */
const NUMBERS_AT_ONCE = 2000;

/** Needs that only the server can tell of: what is put aside, and who sells what. */
const OF_ORDER: ReadonlySet<NeedName> = new Set(['sellers', 'offers', 'shelfForBuild', 'shelfForJob', 'shelfOfShells']);

interface Fetching {
  peek(id: string): unknown;
  open(id: string): Promise<unknown>;
}

/**
 * The documents of the shop as this page has them: with what waits to go up, and without what is deleted here. What
 * only the server knows is left out while it is away.
 */
@Injectable({ providedIn: 'root' })
export class PageDocuments implements Documents {
  private readonly api = inject(Api);
  private readonly all = inject(Specimens);
  private readonly jobs = inject(Jobs);
  private readonly builds = inject(Builds);
  private readonly live = inject(ServerEvents);
  private readonly sought = new Set<string>();

  /** Emits when what meets these needs may be another than before. */
  changes(needs: readonly NeedName[]): Observable<unknown> {
    if (needs.length === 0) return EMPTY;
    return merge(
      // What is there at the beginning is no change.
      ...[this.all.all$, this.jobs.all$, this.builds.all$].map((each: Observable<unknown>) => each.pipe(skip(1))),
      needs.some((need) => OF_ORDER.has(need))
        ? this.live.events$.pipe(filter((event) => event === 'again' || event.of === 'order'))
        : EMPTY,
    );
  }

  async specimens(asked: SpecimensAsked) {
    const { ids, freeFor, most } = asked;
    const heldFor = new Map(
      (freeFor === undefined ? [] : await this.reservations()).map(({ specimen, job }) => [specimen, job]),
    );
    const listed = await firstValueFrom(this.all.all$);
    const known = new Set(listed.map(({ id }) => id));
    const unlisted = (ids ?? []).filter((id) => !known.has(id));
    for (const id of unlisted) await this.fetchOnce(id, this.all);
    const among = [
      ...listed.filter((each) => isAmong(asked, each, heldFor)),
      // Named by its id it is looked for, though it stands on no list yet.
      ...unlisted.filter((id) => this.all.peek(id)).map((id) => ({ id })),
    ];
    return firstValueFrom(this.all.opened(among.slice(0, most)));
  }

  async job(id: string): Promise<Job | undefined> {
    await this.fetchOnce(id, this.jobs);
    return this.jobs.peek(id);
  }

  async build(id: string): Promise<Build | undefined> {
    await this.fetchOnce(id, this.builds);
    return this.builds.peek(id);
  }

  async openJobs(most: number) {
    const all = await firstValueFrom(this.jobs.all$);
    return all
      .filter(({ build, handedOver }) => build !== undefined && handedOver === undefined)
      .slice(0, most)
      .map(({ id }) => id);
  }

  async putAside(job: string) {
    return (await this.reservations())
      .filter((each) => each.job === job)
      .map(({ specimen }) => specimen)
      .sort();
  }

  sellers() {
    return firstValueFrom(
      this.api.suppliers().pipe(
        map((all) => all.map(({ id, name, currency }) => ({ id, name, currency }))),
        map((all) => all.sort((a, b) => (a.id < b.id ? -1 : 1))),
        catchError(() => of([])),
      ),
    );
  }

  async offers(numbers: readonly string[], most: number): Promise<readonly OfferTold[]> {
    const found: OfferTold[] = [];
    for (let from = 0; from < numbers.length && found.length < most; from += NUMBERS_AT_ONCE) {
      const some = await firstValueFrom(
        this.api.offers(numbers.slice(from, from + NUMBERS_AT_ONCE)).pipe(catchError(() => of([]))),
      );
      found.push(...some.map(({ asOf: _asOf, ...offer }) => offer));
    }
    return found.slice(0, most);
  }

  /**
   * Fetches a document that is not here, and no second time: whatever comes of it is a change, after which everything
   * that was asked is asked again.
   */
  private async fetchOnce(id: string, among: Fetching): Promise<void> {
    if (among.peek(id) || this.sought.has(id)) return;
    this.sought.add(id);
    // The server was away: once it is back what it has comes by itself.
    await among.open(id);
  }

  private reservations(): Promise<readonly Reservation[]> {
    return firstValueFrom(
      this.api.reservations().pipe(
        map((all) => all.filter(({ released }) => released === undefined)),
        catchError(() => of([])),
        take(1),
      ),
    );
  }
}

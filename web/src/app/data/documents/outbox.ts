import { DOCUMENT, inject, Injectable } from '@angular/core';
import type { DocumentSort } from '@which-bore/core';
import { dequal } from 'dequal';
import {
  BehaviorSubject,
  concatMap,
  defer,
  EMPTY,
  expand,
  firstValueFrom,
  fromEvent,
  map,
  merge,
  race,
  retry,
  Subject,
  timer,
  type Observable,
} from 'rxjs';
import { ApiError } from '../api';
import { ServerEvents } from '../serverEvents';
import { isThere, keyOf, type Doc, type LocalCopy } from './localCopy';
import { LocalCopies } from './localCopies';

/** A document as the server tells it. */
export interface Sent<T extends Doc> {
  readonly document: T;
  readonly version: number;
  readonly updatedAt: string;
}

/** A kind of document: how it is sent, and how two changes of it are brought together. */
export interface DocumentKind<T extends Doc> {
  readonly sort: DocumentSort;
  /** What one is called, where it is said that it was refused. */
  readonly nameOf: (document: T) => string;
  /** Keys of documents that the server must have before this one. */
  readonly needs?: (document: T) => readonly string[];
  readonly fetch: (id: string) => Observable<Sent<T>>;
  readonly save: (document: T, version: number) => Observable<Sent<T>>;
  readonly remove: (id: string) => Observable<unknown>;
  readonly restore: (id: string) => Observable<Sent<T>>;
  /** What both have done. `base` is what both started from; undefined when it was never saved. */
  readonly merge: (base: T | undefined, mine: T, theirs: T) => T;
}

/** How it stands with what goes up: nothing is *saved* while any of this is not empty. */
export interface Sync {
  /** How many documents wait. */
  readonly waiting: number;
  readonly away: boolean;
  /** What the server would not have, and why; it stays here. */
  readonly refused: readonly { readonly key: string; readonly name: string; readonly why: string }[];
}
export const NOTHING_WAITS: Sync = { waiting: 0, away: false, refused: [] };

/** How long is waited before the server is asked again, each time longer, ms. */
const BACKOFF = [1000, 2000, 4000, 8000, 15_000, 30_000];
const backoff = (times: number): number => BACKOFF[Math.min(times, BACKOFF.length) - 1] ?? 1000;

/**
 * All documents this browser holds and the one queue by which their changes go up: in the order in which they were
 * made, what others need before those; one that is refused stays and blocks no other. Every change is written down
 * before anything else happens.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly store = inject(LocalCopies);
  private readonly kinds = new Map<DocumentSort, DocumentKind<Doc>>();
  private readonly held = new BehaviorSubject<ReadonlyMap<string, LocalCopy>>(new Map());
  private readonly away = new BehaviorSubject(false);
  private readonly turn = new Subject<void>();
  private readonly lists = new Map<string, unknown>();
  private order = 0;

  readonly held$ = this.held.asObservable();
  readonly away$ = this.away.asObservable();
  readonly sync$: Observable<Sync> = merge(this.held, this.away).pipe(map(() => this.sync()));
  /** Emits when the server has come back, or may have been changed unheard: lists are then asked for again. */
  readonly back$ = new Subject<void>();
  /** What was held on earlier visits is at hand. */
  readonly ready: Promise<void>;

  constructor() {
    const view = inject(DOCUMENT).defaultView;
    const online = view ? fromEvent(view, 'online') : EMPTY;
    const again = merge(online, inject(ServerEvents).events$);
    this.ready = this.load();
    // One at a time: a change made while another goes up is sent after it, with the version that one got.
    const drained = defer(() => this.sendNext()).pipe(
      expand((sent) => (sent ? defer(() => this.sendNext()) : EMPTY)),
      retry({ delay: (_error, times) => race(timer(backoff(times)), again, this.turn), resetOnSuccess: true }),
    );
    this.turn.pipe(concatMap(() => drained)).subscribe();
    again.subscribe(() => {
      if (this.away.value) this.turn.next();
    });
  }

  /** Makes a kind of document known; its documents are then held and sent. */
  register<T extends Doc>(kind: DocumentKind<T>): void {
    this.kinds.set(kind.sort, kind as unknown as DocumentKind<Doc>);
    void this.ready.then(() => this.turn.next());
  }

  peek<T extends Doc>(sort: DocumentSort, id: string): LocalCopy<T> | undefined {
    return this.held.value.get(keyOf(sort, id)) as LocalCopy<T> | undefined;
  }

  /** All that is held now. */
  snapshot(): readonly LocalCopy[] {
    return [...this.held.value.values()];
  }

  /** A list as the server last told it, for while it is away. */
  listOf(name: string): unknown {
    return this.lists.get(name);
  }

  putList(name: string, list: unknown): void {
    this.lists.set(name, list);
    this.store.putList(name, list);
  }

  /** Changes a document, or begins it; it goes up as soon as it can. */
  change(sort: DocumentSort, document: Doc): void {
    const mine = this.peek(sort, document.id);
    this.hold({
      sort,
      document,
      ...(mine?.base ? { base: mine.base } : {}),
      version: mine?.version ?? 0,
      updatedAt: new Date().toISOString(),
      pending: 'save',
      since: this.sinceOf(mine),
    });
    this.turn.next();
  }

  /** Deletes a document, of which no more may be known than this. */
  remove<T extends Doc>(sort: DocumentSort, known: Sent<T>): void {
    const mine: LocalCopy = this.peek(sort, known.document.id) ?? {
      sort,
      ...known,
      base: known.document,
      pending: 'nothing',
      since: 0,
    };
    const { refused: _refused, ...rest } = mine;
    this.hold({ ...rest, pending: 'remove', since: this.sinceOf(mine) });
    this.turn.next();
  }

  /** Takes a deletion back. */
  bringBack(sort: DocumentSort, id: string): void {
    const mine = this.peek(sort, id);
    if (!mine || isThere(mine)) return;
    const { gone, refused: _refused, ...rest } = mine;
    // One that was never sent, or whose deletion was not, is simply there again.
    const pending = mine.version === 0 ? 'save' : gone ? 'restore' : changedHere(mine) ? 'save' : 'nothing';
    this.hold({ ...rest, pending, since: this.sinceOf(mine) });
    this.turn.next();
  }

  /**
   * Takes what the server says of a document, unless changes of it wait here, or went up while that answer was on its
   * way.
   */
  take<T extends Doc>(sort: DocumentSort, sent: Sent<T>): void {
    const mine = this.peek(sort, sent.document.id);
    const isNews = !mine || mine.version < sent.version || (mine.version === sent.version && mine.gone === undefined);
    if (isNews && (!mine || mine.pending === 'nothing')) this.hold(settled(sort, sent));
  }

  /** A document that is deleted elsewhere goes here, unless changes of it wait: those outrank the deletion. */
  forget(sort: DocumentSort, id: string): void {
    const mine = this.peek(sort, id);
    if (mine?.pending === 'nothing') this.leave({ ...mine, gone: true });
  }

  /** Sends again what was refused: all of it, or one document. */
  tryAgain(key?: string): void {
    for (const [each, held] of this.held.value) {
      if (held.refused === undefined || (key !== undefined && key !== each)) continue;
      const { refused: _refused, ...rest } = held;
      this.hold(rest);
    }
    this.turn.next();
  }

  /** What was asked of the server came through, or did not: whoever asks it tells. */
  reached(there: boolean): void {
    if (this.away.value === !there) return;
    this.away.next(!there);
    if (there) this.back$.next();
    else this.turn.next();
  }

  private async load(): Promise<void> {
    const { held, lists } = await this.store.load();
    for (const [name, list] of lists) this.lists.set(name, list);
    this.order = Math.max(0, ...[...held.values()].map(({ since }) => since));
    // What was entered before this had come stands.
    this.held.next(
      new Map([...[...held].map(([key, { refused: _refused, ...rest }]) => [key, rest] as const), ...this.held.value]),
    );
  }

  private sinceOf(mine: LocalCopy | undefined): number {
    return mine && mine.pending !== 'nothing' && mine.refused === undefined ? mine.since : ++this.order;
  }

  private sync(): Sync {
    const all = this.snapshot();
    return {
      waiting: all.filter(({ pending, refused }) => pending !== 'nothing' && refused === undefined).length,
      away: this.away.value,
      refused: all.flatMap(({ sort, document, refused }) =>
        refused === undefined
          ? []
          : [
              {
                key: keyOf(sort, document.id),
                name: this.kinds.get(sort)?.nameOf(document) ?? document.id,
                why: refused,
              },
            ],
      ),
    };
  }

  /** What goes up next: the first that waits and needs no other that waits before it. */
  private next(): LocalCopy | undefined {
    const waiting = this.snapshot()
      .filter(({ sort, pending, refused }) => pending !== 'nothing' && refused === undefined && this.kinds.has(sort))
      .sort((a, b) => a.since - b.since);
    const notThereYet = new Set(
      waiting
        .filter(({ pending, version }) => pending === 'restore' || (pending === 'save' && version === 0))
        .map(({ sort, document }) => keyOf(sort, document.id)),
    );
    return (
      waiting.find((held) => held.pending !== 'save' || !this.needsOf(held).some((key) => notThereYet.has(key))) ??
      waiting[0]
    );
  }

  private needsOf({ sort, document }: LocalCopy): readonly string[] {
    return this.kinds.get(sort)?.needs?.(document) ?? [];
  }

  /** Sends one change. False where nothing waits; fails while the server is away. */
  private async sendNext(): Promise<boolean> {
    await this.ready;
    const sent = this.next();
    const kind = sent && this.kinds.get(sent.sort);
    if (!sent || !kind) return false;
    try {
      await this.send(kind, sent);
      this.reached(true);
    } catch (error) {
      if (error instanceof ApiError && error.kind === 'away') {
        this.away.next(true);
        throw error;
      }
      this.settle(kind, sent, error);
      this.reached(true);
    }
    return true;
  }

  private async send(kind: DocumentKind<Doc>, held: LocalCopy): Promise<void> {
    const { id } = held.document;
    switch (held.pending) {
      case 'nothing':
        return;
      case 'save':
        this.accepted(held, await firstValueFrom(kind.save(held.document, held.version)));
        return;
      case 'remove':
        if (held.version > 0) await firstValueFrom(kind.remove(id));
        this.removed(held);
        return;
      case 'restore': {
        const theirs = await firstValueFrom(kind.restore(id));
        const now = this.peek(held.sort, id) ?? held;
        const merged = kind.merge(now.base, now.document, theirs.document);
        this.hold({
          ...settled(held.sort, theirs),
          document: merged,
          pending: dequal(merged, theirs.document) ? 'nothing' : 'save',
          since: now.since,
        });
        this.released(held);
        return;
      }
    }
  }

  /** The server has a change. What was changed here since stays to be sent. */
  private accepted(sent: LocalCopy, answer: Sent<Doc>): void {
    const now = this.peek(sent.sort, sent.document.id);
    if (!now || now === sent) this.hold(settled(sent.sort, answer));
    else this.hold({ ...now, base: answer.document, version: answer.version });
    this.released(sent);
  }

  /** What was refused for want of this document may go now. */
  private released({ sort, document }: LocalCopy): void {
    for (const held of this.snapshot())
      if (held.refused !== undefined && this.needsOf(held).includes(keyOf(sort, document.id)))
        this.tryAgain(keyOf(held.sort, held.document.id));
  }

  private removed(sent: LocalCopy): void {
    const now = this.peek(sent.sort, sent.document.id);
    if (now && now !== sent && now.pending !== 'remove') this.hold({ ...now, pending: 'restore' });
    else this.leave({ ...sent, pending: 'nothing', gone: true });
  }

  /** The server would not have it as it was sent. */
  private settle(kind: DocumentKind<Doc>, sent: LocalCopy, error: unknown): void {
    const now = this.peek(sent.sort, sent.document.id) ?? sent;
    if (error instanceof ApiError && error.kind === 'changed' && error.current !== undefined) {
      const theirs = error.current as Doc & { readonly version: number; readonly updatedAt?: string };
      const { version, updatedAt = '', ...document } = theirs;
      const merged = kind.merge(now.base, now.document, { ...document, id: now.document.id });
      const base = { ...document, id: now.document.id };
      this.hold({
        ...now,
        document: merged,
        base,
        version,
        updatedAt,
        pending: dequal(merged, base) ? 'nothing' : 'save',
      });
    } else if (error instanceof ApiError && error.kind === 'missing' && now.pending === 'remove') this.removed(now);
    // Deleted elsewhere while it was worked on here: the work outranks the deletion.
    else if (error instanceof ApiError && error.kind === 'missing' && now.pending === 'save')
      this.hold({ ...now, pending: 'restore' });
    else {
      if (!(error instanceof ApiError)) console.error(error);
      this.hold({
        ...now,
        refused:
          error instanceof ApiError
            ? error.message
            : 'It could not be sent. Try again; if that does not help, copy what it says and tell who keeps the server.',
      });
    }
  }

  private hold(held: LocalCopy): void {
    const key = keyOf(held.sort, held.document.id);
    this.store.put(key, held);
    this.held.next(new Map(this.held.value).set(key, held));
  }

  /** Held in memory only, so that it can be brought back; forgotten on the next visit. */
  private leave(held: LocalCopy): void {
    const key = keyOf(held.sort, held.document.id);
    this.store.remove(key);
    this.held.next(new Map(this.held.value).set(key, held));
  }
}

const settled = <T extends Doc>(sort: DocumentSort, { document, version, updatedAt }: Sent<T>): LocalCopy<T> => ({
  sort,
  document,
  base: document,
  version,
  updatedAt,
  pending: 'nothing',
  since: 0,
});

const changedHere = ({ base, document }: LocalCopy): boolean => !dequal(base, document);

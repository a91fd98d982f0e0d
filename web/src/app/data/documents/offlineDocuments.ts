import { inject } from '@angular/core';
import type { DocumentSort } from '@which-bore/core';
import { catchError, distinctUntilChanged, EMPTY, firstValueFrom, map, tap, type Observable } from 'rxjs';
import { ApiError } from '../api';
import { ServerEvents } from '../serverEvents';
import { isThere, type Doc } from './localCopy';
import { Outbox, type DocumentKind } from './outbox';

const HISTORY = 100;

/**
 * Documents of a kind as the page has them: here first, then on the server. What is changed here shows at once and goes
 * up through the outbox; what others change comes down.
 */
export abstract class OfflineDocuments<T extends Doc> {
  protected readonly outbox = inject(Outbox);
  /** What is on its way, so that nobody asks for it a second time. */
  private readonly opening = new Map<string, Promise<'there' | 'missing' | 'away'>>();
  private readonly undoStacks = new Map<string, T[]>();
  private readonly sort: DocumentSort;

  protected constructor(protected readonly kind: DocumentKind<T>) {
    this.sort = kind.sort;
    this.outbox.register(kind);
    this.outbox.back$.subscribe(() => this.refresh());
    inject(ServerEvents).events$.subscribe((event) => {
      if (event === 'again') this.refresh();
      else if (event.of === this.sort && 'id' in event) this.heard(event.id, event.version, event.gone ?? false);
    });
  }

  /** One document as it stands here, undefined until it is known or when it is gone. */
  watch(id: string): Observable<T | undefined> {
    return this.outbox.held$.pipe(
      map(() => this.peek(id)),
      distinctUntilChanged(),
    );
  }

  /** The document as it stands here, if it does. */
  peek(id: string): T | undefined {
    const mine = this.outbox.peek<T>(this.sort, id);
    return mine && isThere(mine) ? mine.document : undefined;
  }

  /** Fetches a document, unless changes of it wait here. Answers whether there is one to show. */
  open(id: string): Promise<'there' | 'missing' | 'away'> {
    const known = this.opening.get(id);
    if (known) return known;
    const opening = this.fetched(id).finally(() => this.opening.delete(id));
    this.opening.set(id, opening);
    return opening;
  }

  private async fetched(id: string): Promise<'there' | 'missing' | 'away'> {
    await this.outbox.ready;
    const mine = this.outbox.peek<T>(this.sort, id);
    if (mine && mine.pending !== 'nothing') return mine.pending === 'remove' ? 'missing' : 'there';
    try {
      const sent = await firstValueFrom(this.kind.fetch(id));
      this.outbox.take(this.sort, sent);
      this.outbox.reached(true);
      return 'there';
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      if (error.kind === 'away') {
        this.outbox.reached(false);
        return mine && isThere(mine) ? 'there' : 'away';
      }
      this.outbox.forget(this.sort, id);
      return 'missing';
    }
  }

  /** Changes a document, or begins it. The state before goes on its undo stack. */
  change(next: T): void {
    const before = this.peek(next.id);
    if (before) this.push(before);
    this.outbox.change(this.sort, next);
  }

  /** Takes the last change of a document back. False when there is none. */
  undo(id: string): boolean {
    const before = this.undoStacks.get(id)?.pop();
    if (!before) return false;
    this.outbox.change(this.sort, before);
    return true;
  }

  bringBack(id: string): void {
    this.outbox.bringBack(this.sort, id);
  }

  /** Asks the server for the list again. */
  abstract refresh(): void;

  /** Asks, and tells the outbox whether the server was there. A failure ends quietly. */
  protected asked<R>(request: Observable<R>): Observable<R> {
    return request.pipe(
      tap(() => this.outbox.reached(true)),
      catchError((error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        if (error.kind === 'away') this.outbox.reached(false);
        return EMPTY;
      }),
    );
  }

  /** Somebody has changed a document: what is held of it follows, and the list. */
  protected heard(id: string, version: number, gone: boolean): void {
    const mine = this.outbox.peek<T>(this.sort, id);
    if (mine && mine.version >= version) return;
    if (gone) this.outbox.forget(this.sort, id);
    else if (mine?.pending === 'nothing') void this.open(id);
    this.refresh();
  }

  private push(before: T): void {
    const stack = this.undoStacks.get(before.id) ?? [];
    stack.push(before);
    if (stack.length > HISTORY) stack.shift();
    this.undoStacks.set(before.id, stack);
  }
}

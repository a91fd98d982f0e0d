import { inject, Injectable } from '@angular/core';
import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { BrowserStorage } from '../browserStorage';
import { isLocalCopy, type LocalCopy } from './localCopy';

const JOURNAL = 'journal.';
const LIST = 'list ';

/** What was found of earlier visits. */
export interface Found {
  readonly held: ReadonlyMap<string, LocalCopy>;
  readonly lists: ReadonlyMap<string, unknown>;
}

/**
 * Where documents are held in this browser. The database of the browser keeps them all, but takes its time; so whatever
 * is entered is first written to a journal that is written at once, and leaves it when the database has it. A page that
 * is closed in the middle of a word, a browser that is killed, lose nothing.
 */
@Injectable({ providedIn: 'root' })
export class LocalCopies {
  private readonly kept = inject(BrowserStorage);
  private readonly store: UseStore | undefined = open();

  /** All that is held, what is only in the journal yet as well. */
  async load(): Promise<Found> {
    const [held, lists] = [new Map<string, LocalCopy>(), new Map<string, unknown>()];
    try {
      for (const [key, value] of this.store ? await entries<string, unknown>(this.store) : []) {
        if (key.startsWith(LIST)) lists.set(key.slice(LIST.length), value);
        else if (isLocalCopy(value)) held.set(key, value);
      }
    } catch {
      // A browser that keeps nothing: what is in the journal is all there is.
    }
    for (const name of this.kept.names(JOURNAL)) {
      const value = this.kept.read(name);
      if (isLocalCopy(value)) held.set(name.slice(JOURNAL.length), value);
    }
    return { held, lists };
  }

  put(key: string, held: LocalCopy): void {
    const name = JOURNAL + key;
    if (held.pending !== 'nothing') this.kept.write(name, held);
    void this.written(
      (store) => set(key, held, store),
      () => {
        // Only if nothing newer has been written since.
        if (held.pending === 'nothing' || JSON.stringify(this.kept.read(name)) === JSON.stringify(held))
          this.kept.write(name, undefined);
      },
    );
  }

  remove(key: string): void {
    this.kept.write(JOURNAL + key, undefined);
    void this.written((store) => del(key, store));
  }

  /** A list of the server, for while it is away. */
  putList(name: string, list: unknown): void {
    void this.written((store) => set(LIST + name, list, store));
  }

  private async written(write: (store: UseStore) => Promise<void>, then: () => void = () => undefined): Promise<void> {
    if (!this.store) return;
    try {
      await write(this.store);
      then();
    } catch {
      // A full disk or a private window: the journal holds it for as long as it can.
    }
  }
}

function open(): UseStore | undefined {
  try {
    return createStore('which-bore-documents', 'held');
  } catch {
    return undefined;
  }
}

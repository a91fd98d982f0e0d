import { inject } from '@angular/core';
import type { DocumentSort } from '@which-bore/core';
import { map, type Observable } from 'rxjs';
import { isThere, type Doc, type LocalCopy } from './localCopy';
import { OfflineDocuments } from './offlineDocuments';
import { Outbox, type DocumentKind, type Sent } from './outbox';

/** What the server adds to a document. */
type Stored<T> = T & { readonly version: number; readonly updatedAt: string };

/** A document as the server has it, apart from what the server adds. */
export function sentOf<T extends Doc>({ version, updatedAt, ...document }: Stored<T>): Sent<T> {
  return { document: document as unknown as T, version, updatedAt };
}

/** Documents that are few: all of them are held whole in this browser. */
export abstract class HeldWhole<T extends Doc> extends OfflineDocuments<T> {
  /** All of them, last changed first. */
  readonly all$: Observable<readonly Stored<T>[]>;

  protected constructor(
    kind: DocumentKind<T>,
    private readonly fetchAll: () => Observable<readonly Stored<T>[]>,
  ) {
    super(kind);
    const { sort } = kind;
    this.all$ = inject(Outbox).held$.pipe(
      map((held) =>
        ([...held.values()].filter((each) => each.sort === sort && isThere(each)) as LocalCopy<T>[])
          .map(({ document, version, updatedAt }): Stored<T> => ({ ...document, version, updatedAt }))
          .sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1)),
      ),
    );
    this.refresh();
  }

  refresh(): void {
    this.asked(this.fetchAll()).subscribe((all) => {
      const sort: DocumentSort = this.kind.sort;
      const there = new Set(all.map(({ id }) => id));
      for (const each of all) this.outbox.take(sort, sentOf(each));
      // What is no longer among them was deleted elsewhere.
      for (const held of this.outbox.snapshot())
        if (held.sort === sort && held.version > 0 && !there.has(held.document.id))
          this.outbox.forget(sort, held.document.id);
    });
  }

  alter(id: string, change: (document: T) => T): void {
    const document = this.peek(id);
    if (document) this.change({ ...change(document), id });
  }
}

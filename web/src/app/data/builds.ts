import { inject, Injectable } from '@angular/core';
import type { Build } from '@which-bore/core';
import { map } from 'rxjs';
import { Api } from './api';
import { HeldWhole, sentOf } from './documents/heldWhole';
import { mergeBuilds } from './documents/merge';

/** Builds, kept here first and then on the server. */
@Injectable({ providedIn: 'root' })
export class Builds extends HeldWhole<Build> {
  constructor() {
    const api = inject(Api);
    super(
      {
        sort: 'build',
        nameOf: ({ name }) => name,
        fetch: (id) => api.build(id).pipe(map(sentOf<Build>)),
        save: (document, version) => api.saveBuild(document, version).pipe(map(sentOf<Build>)),
        remove: (id) => api.removeBuild(id),
        restore: (id) => api.restoreBuild(id).pipe(map(sentOf<Build>)),
        merge: mergeBuilds,
      },
      () => api.builds(),
    );
  }

  /** Begins a build. Answers its id. */
  begin(build: Omit<Build, 'id'>): string {
    const id = crypto.randomUUID();
    this.change({ ...build, id });
    return id;
  }

  /** Deletes a build; its parts stay where they are. */
  remove(id: string): void {
    this.outbox.remove('build', { document: { id, name: '', places: [], sizes: [] }, version: 0, updatedAt: '' });
  }
}

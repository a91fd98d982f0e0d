import { inject, Injectable } from '@angular/core';
import type { Job } from '@which-bore/core';
import { map } from 'rxjs';
import { Api } from './api';
import { HeldWhole, sentOf } from './documents/heldWhole';
import { mergeJobs } from './documents/merge';

/** Engines on order, kept here first and then on the server. */
@Injectable({ providedIn: 'root' })
export class Jobs extends HeldWhole<Job> {
  constructor() {
    const api = inject(Api);
    super(
      {
        sort: 'job',
        nameOf: ({ name }) => name,
        fetch: (id) => api.job(id).pipe(map(sentOf<Job>)),
        save: (document, version) => api.saveJob(document, version).pipe(map(sentOf<Job>)),
        remove: (id) => api.removeJob(id),
        restore: (id) => api.restoreJob(id).pipe(map(sentOf<Job>)),
        merge: mergeJobs,
      },
      () => api.jobs(),
    );
  }

  /** Begins a job. Answers its id. */
  begin(name: string): string {
    const id = crypto.randomUUID();
    this.change({ id, name, readings: [] });
    return id;
  }

  /** Deletes a job; its parts stay on the shelf. */
  remove(id: string): void {
    this.outbox.remove('job', { document: { id, name: '', readings: [] }, version: 0, updatedAt: '' });
  }
}

import { inject, Injectable } from '@angular/core';
import type { Job, StoredJob } from '@which-bore/core';
import { map, type Observable } from 'rxjs';
import { Api } from './api';
import { isThere, type LocalCopy } from './documents/localCopy';
import { mergeRead } from './documents/merge';
import { OfflineDocuments } from './documents/offlineDocuments';
import type { Sent } from './documents/outbox';

const sentOf = ({ version, updatedAt, ...document }: StoredJob): Sent<Job> => ({ document, version, updatedAt });

/** Engines on order, kept here first and then on the server. They are few, and held whole. */
@Injectable({ providedIn: 'root' })
export class Jobs extends OfflineDocuments<Job> {
  private readonly api: Api;

  /** All jobs, last changed first. */
  readonly all$: Observable<readonly StoredJob[]> = this.outbox.held$.pipe(
    map((held) =>
      ([...held.values()].filter((each) => each.sort === 'job' && isThere(each)) as LocalCopy<Job>[])
        .map(({ document, version, updatedAt }): StoredJob => ({ ...document, version, updatedAt }))
        .sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1)),
    ),
  );

  constructor() {
    const api = inject(Api);
    super({
      sort: 'job',
      nameOf: ({ name }) => name,
      fetch: (id) => api.job(id).pipe(map(sentOf)),
      save: (document, version) => api.saveJob(document, version).pipe(map(sentOf)),
      remove: (id) => api.removeJob(id),
      restore: (id) => api.restoreJob(id).pipe(map(sentOf)),
      merge: mergeRead,
    });
    this.api = api;
    this.refresh();
  }

  refresh(): void {
    this.asked(this.api.jobs()).subscribe((jobs) => {
      const there = new Set(jobs.map(({ id }) => id));
      for (const job of jobs) this.outbox.take('job', sentOf(job));
      // What is no longer among them was deleted elsewhere.
      for (const { sort, document, version } of this.outbox.snapshot())
        if (sort === 'job' && version > 0 && !there.has(document.id)) this.outbox.forget('job', document.id);
    });
  }

  /** Begins a job. Answers its id. */
  begin(name: string): string {
    const id = crypto.randomUUID();
    this.change({ id, name, readings: [] });
    return id;
  }

  alter(id: string, change: (job: Job) => Job): void {
    const job = this.peek(id);
    if (job) this.change({ ...change(job), id });
  }

  /** Deletes a job; its parts stay on the shelf. */
  remove(id: string): void {
    this.outbox.remove('job', { document: { id, name: '', readings: [] }, version: 0, updatedAt: '' });
  }
}

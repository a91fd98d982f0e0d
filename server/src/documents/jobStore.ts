import { asKept, type Job } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { JobEntity, type JobRow } from '../database/entities.js';
import { VersionedStore, type Keeping } from './versionedStore.js';

const KEEPING: Keeping<Job, JobRow> = {
  sort: 'job',
  name: 'job',
  entity: JobEntity,
  rowOf: ({ id: _id, name, readings, note, ...content }) => ({
    name,
    readings: readings.map((reading) => ({ ...reading, is: asKept(reading.is) })),
    note: note ?? null,
    content,
  }),
  documentOf: ({ id, name, readings, note, content }) => ({
    id,
    name,
    readings,
    ...content,
    ...(note === null ? {} : { note }),
  }),
};

/** Keeps jobs. Their parts are specimens, which name them and stay on the shelf when a job is deleted. */
export class JobStore extends VersionedStore<Job, JobRow> {
  constructor(database: Database, now?: () => Date) {
    super(database, KEEPING, now);
  }
}

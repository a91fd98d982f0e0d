import type { Build } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { BuildEntity, type BuildRow } from '../database/entities.js';
import { checkJob } from './jobOf.js';
import { VersionedStore, type Keeping } from './versionedStore.js';

const KEEPING: Keeping<Build, BuildRow> = {
  sort: 'build',
  name: 'build',
  entity: BuildEntity,
  rowOf: ({ name, job, variant, places, sizes, looks, lifts, note }) => ({
    name,
    jobId: job ?? null,
    variant: variant ?? null,
    content: {
      places,
      sizes,
      ...(looks ? { looks } : {}),
      ...(lifts ? { lifts } : {}),
      ...(note === undefined ? {} : { note }),
    },
  }),
  documentOf: ({ id, name, jobId, variant, content }) => ({
    id,
    name,
    ...(jobId === null ? {} : { job: jobId }),
    ...(variant === null ? {} : { variant }),
    ...content,
  }),
  check: checkJob,
};

/** Keeps builds. The specimens they name are looked up when they are worked out, and may be gone by then. */
export class BuildStore extends VersionedStore<Build, BuildRow> {
  constructor(database: Database, now?: () => Date) {
    super(database, KEEPING, now);
  }
}

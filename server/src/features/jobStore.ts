import type { Job } from '@which-bore/core';
import { IsNull } from 'typeorm';
import type { Database } from '../database/database.js';
import { JobEntity, type JobRow } from '../database/entities.js';

/** A job as stored: with the version that the next change must name, and when it was last changed. */
export interface StoredJob extends Job {
  readonly version: number;
  readonly updatedAt: string;
}

export class UnknownJobError extends Error {
  constructor(id: string) {
    super(`There is no job ${id}: it was never saved, or it was deleted.`);
    this.name = 'UnknownJobError';
  }
}

/** Somebody else changed the job in the meantime; `current` is what stands now. */
export class JobChangedError extends Error {
  constructor(readonly current: StoredJob) {
    super('This job was changed meanwhile. Take what stands now, add your change to it, and send it with its version.');
    this.name = 'JobChangedError';
  }
}

const shown = ({ id, name, readings, note, version, updatedAt }: JobRow): StoredJob => ({
  id,
  name,
  readings,
  ...(note === null ? {} : { note }),
  version,
  updatedAt: updatedAt.toISOString(),
});

/** Keeps jobs. Their parts are specimens, which name them. */
export class JobStore {
  constructor(
    private readonly database: Database,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** All jobs that are not deleted, last changed first. */
  async list(): Promise<StoredJob[]> {
    const rows = await this.database.connection
      .getRepository(JobEntity)
      .find({ where: { deletedAt: IsNull() }, order: { updatedAt: 'DESC', id: 'ASC' }, take: 5000 });
    return rows.map(shown);
  }

  /** Throws an UnknownJobError where there is none. */
  async get(id: string): Promise<StoredJob> {
    const row = await this.database.connection.getRepository(JobEntity).findOneBy({ id, deletedAt: IsNull() });
    if (!row) throw new UnknownJobError(id);
    return shown(row);
  }

  /**
   * Writes a job whole. `version` is the one last seen, 0 for a new one. Throws a JobChangedError when another change came
   * between, and an UnknownJobError for a deleted one.
   */
  async save(job: Job, version: number): Promise<StoredJob> {
    return this.database.connection.transaction(async (manager) => {
      const jobs = manager.getRepository(JobEntity);
      const existing = await jobs.findOne({ where: { id: job.id }, lock: { mode: 'pessimistic_write' } });
      if (existing?.deletedAt || (!existing && version > 0)) throw new UnknownJobError(job.id);
      if (existing && existing.version !== version) throw new JobChangedError(shown(existing));
      const now = this.now();
      const row: JobRow = {
        id: job.id,
        name: job.name,
        readings: job.readings,
        note: job.note ?? null,
        version: version + 1,
        createdAt: existing?.createdAt ?? now,
        updatedAt: now,
        deletedAt: null,
      };
      await jobs.save(row);
      return shown(row);
    });
  }

  /** Marks a job deleted; `restore` brings it back. Its specimens stay on the shelf. */
  async remove(id: string): Promise<void> {
    const { affected } = await this.database.connection.getRepository(JobEntity).update({ id, deletedAt: IsNull() }, { deletedAt: this.now() });
    if (!affected) throw new UnknownJobError(id);
  }

  async restore(id: string): Promise<StoredJob> {
    await this.database.connection.getRepository(JobEntity).update({ id }, { deletedAt: null });
    return this.get(id);
  }
}

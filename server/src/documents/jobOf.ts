import createError from '@fastify/error';
import { IsNull, type EntityManager } from 'typeorm';
import { JobEntity } from '../database/entities.js';

/** A document names a job that is not there. */
export const NoSuchJobError = createError(
  'NO_SUCH_JOB',
  'There is no job %s that this could belong to: it was never saved, or it was deleted.',
  400,
);

/** Throws a NoSuchJobError where a document belongs to a job that is not there. */
export async function checkJob(manager: EntityManager, { job }: { readonly job?: string }): Promise<void> {
  if (job !== undefined && !(await manager.getRepository(JobEntity).existsBy({ id: job, deletedAt: IsNull() })))
    throw new NoSuchJobError(job);
}

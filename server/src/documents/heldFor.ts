import createError from '@fastify/error';
import type { Specimen } from '@which-bore/core';
import { IsNull, Not, type EntityManager } from 'typeorm';
import { JobEntity } from '../database/entities.js';
import { ReservationEntity } from '../database/orderEntities.js';

/** A part that is put aside for one job is taken for another, or leaves the shelf. */
const HeldError = createError<[name: string, job: string]>(
  'HELD',
  '%s is put aside for %s: give it back to the shelf first.',
  400,
);

/** Throws a HeldError where a part is put aside, and is not for the job it is put into, or is sold or scrapped. */
export async function checkHeld(manager: EntityManager, { id, name, job, shelf }: Specimen): Promise<void> {
  if (job === undefined && !shelf?.gone) return;
  const held = await manager.getRepository(ReservationEntity).findOneBy({
    specimenId: id,
    releasedAt: IsNull(),
    ...(job === undefined || shelf?.gone ? {} : { jobId: Not(job) }),
  });
  if (!held) return;
  const other = await manager.getRepository(JobEntity).findOneBy({ id: held.jobId });
  throw new HeldError(name, other?.name ?? 'another job');
}

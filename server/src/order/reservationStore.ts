import createError from '@fastify/error';
import type { Reservation } from '@which-bore/core';
import { IsNull } from 'typeorm';
import type { Database } from '../database/database.js';
import { JobEntity, SpecimenEntity } from '../database/entities.js';
import { ReservationEntity, type ReservationRow } from '../database/orderEntities.js';
import { ChangedError, MissingError } from '../documents/errors.js';
import { checkJob } from '../documents/jobOf.js';

const GoneError = createError<[what: string]>('GONE', '%s', 409);

/** Most that a list tells. */
const MOST = 5000;

const told = ({ specimenId, jobId, who, at, releasedAt, releasedBy }: ReservationRow): Reservation => ({
  specimen: specimenId,
  job: jobId,
  who,
  at: at.toISOString(),
  ...(releasedAt && releasedBy !== null ? { released: { at: releasedAt.toISOString(), by: releasedBy } } : {}),
});

/** Keeps which part of the shelf is put aside for which job. The database sees to it that none is for two. */
export class ReservationStore {
  constructor(
    private readonly database: Database,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** All that are held. */
  async held(): Promise<Reservation[]> {
    const rows = await this.database.connection
      .getRepository(ReservationEntity)
      .find({ where: { releasedAt: IsNull() }, order: { id: 'DESC' }, take: MOST });
    return rows.map(told);
  }

  /** Everything that became of one part, last first. */
  async history(specimen: string): Promise<Reservation[]> {
    const rows = await this.database.connection
      .getRepository(ReservationEntity)
      .find({ where: { specimenId: specimen }, order: { id: 'DESC' }, take: MOST });
    return rows.map(told);
  }

  /**
   * Puts a part aside for a job; one that is put aside for it already stays so. Throws a ChangedError that names who
   * has it where that is another job, and a MissingError where there is no such part.
   */
  async hold(specimen: string, job: string, who: string): Promise<Reservation> {
    return this.database.connection.transaction(async (manager) => {
      // Held on to, so that it is not put into another job or sold in the same moment.
      const part = await manager
        .getRepository(SpecimenEntity)
        .findOne({ where: { id: specimen, deletedAt: IsNull() }, lock: { mode: 'pessimistic_write' } });
      if (!part) throw new MissingError(`There is no specimen ${specimen}: it was never saved, or it was deleted.`);
      if (part.shelf?.gone)
        throw new GoneError(`${part.name} is not on the shelf any more: it was ${part.shelf.gone.how}.`);
      if (part.jobId !== null && part.jobId !== job)
        throw new GoneError(`${part.name} belongs to another job. Take it out of that first.`);
      await checkJob(manager, { job });
      const put = await manager
        .createQueryBuilder()
        .insert()
        .into(ReservationEntity)
        .values({ specimenId: specimen, jobId: job, who, at: this.now(), releasedAt: null, releasedBy: null })
        .orIgnore()
        .returning('id')
        .execute();
      const held = await manager
        .getRepository(ReservationEntity)
        .findOneByOrFail({ specimenId: specimen, releasedAt: IsNull() });
      if (held.jobId !== job) {
        const other = await manager.getRepository(JobEntity).findOneBy({ id: held.jobId });
        throw new ChangedError(
          `${part.name} is put aside for ${other?.name ?? 'another job'} already, by ${held.who}.`,
          told(held),
        );
      }
      if ((put.raw as readonly unknown[]).length > 0) await manager.query(TELL);
      return told(held);
    });
  }

  /** Gives a part back to the shelf. Throws a MissingError where it is not put aside. */
  async release(specimen: string, who: string): Promise<void> {
    await this.database.connection.transaction(async (manager) => {
      const { affected } = await manager
        .getRepository(ReservationEntity)
        .update({ specimenId: specimen, releasedAt: IsNull() }, { releasedAt: this.now(), releasedBy: who });
      if (!affected) throw new MissingError('This part is not put aside for any job.');
      await manager.query(TELL);
    });
  }
}

/** Told when the transaction is through. */
export const TELL = `SELECT pg_notify('which_bore', '{"of":"order"}')`;

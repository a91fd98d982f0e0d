import { isDeepStrictEqual } from 'node:util';
import type { KindId, Reading, Specimen, Understood } from '@which-bore/core';
import { IsNull, type EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import { JobEntity, ReadingChangeEntity, ReadingEntity, SpecimenEntity, type ReadingChangeRow, type SpecimenRow } from '../database/entities.js';

/** A specimen as stored: with the version that the next change must name, and when it was last changed. */
export interface StoredSpecimen extends Specimen {
  readonly version: number;
  readonly updatedAt: string;
}

export interface SpecimenSummary {
  readonly id: string;
  readonly name: string;
  readonly kind: Specimen['kind'];
  readonly readings: number;
  readonly version: number;
  readonly updatedAt: string;
  /** The job whose engine it belongs to. */
  readonly job?: string;
}

/** What became of a reading. */
export interface ReadingChange {
  readonly reading: string;
  readonly at: string;
  readonly who: string;
  readonly operation: 'added' | 'changed' | 'removed';
  readonly before?: Understood;
  readonly after?: Understood;
}

/** Somebody else changed the specimen in the meantime; `current` is what stands now. */
export class ChangedMeanwhileError extends Error {
  constructor(readonly current: StoredSpecimen) {
    super('This specimen was changed meanwhile. Take what stands now, add your change to it, and send it with its version.');
    this.name = 'ChangedMeanwhileError';
  }
}

/** A specimen names a job that is not there. */
export class NoSuchJobError extends Error {
  constructor(id: string) {
    super(`There is no job ${id} that this specimen could belong to: it was never saved, or it was deleted.`);
    this.name = 'NoSuchJobError';
  }
}

export class UnknownSpecimenError extends Error {
  constructor(id: string) {
    super(`There is no specimen ${id}: it was never saved, or it was deleted.`);
    this.name = 'UnknownSpecimenError';
  }
}

/** Keeps specimens and their readings. */
export class SpecimenStore {
  constructor(
    private readonly database: Database,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** All specimens that are not deleted, last changed first. */
  async list(): Promise<SpecimenSummary[]> {
    const rows = await this.database.connection
      .getRepository(SpecimenEntity)
      .createQueryBuilder('specimen')
      .leftJoin('specimen.readings', 'reading')
      .select('specimen.id', 'id')
      .addSelect('specimen.name', 'name')
      .addSelect('specimen.kind', 'kind')
      .addSelect('specimen.version', 'version')
      .addSelect('specimen.updatedAt', 'updatedAt')
      .addSelect('specimen.jobId', 'job')
      .addSelect('count(reading.id)::int', 'readings')
      .where('specimen.deletedAt IS NULL')
      .groupBy('specimen.id')
      .orderBy('specimen.updatedAt', 'DESC')
      .addOrderBy('specimen.id')
      .getRawMany<Omit<SpecimenSummary, 'updatedAt' | 'job'> & { updatedAt: Date; job: string | null }>();
    return rows.map(({ job, updatedAt, ...row }) => ({ ...row, updatedAt: updatedAt.toISOString(), ...(job === null ? {} : { job }) }));
  }

  /** Throws an UnknownSpecimenError where there is none. */
  async get(id: string): Promise<StoredSpecimen> {
    return this.read(this.database.connection.manager, id);
  }

  /**
   * Writes a specimen whole. `version` is the one last seen, 0 for a new one.
   * Throws a ChangedMeanwhileError when another change came between, an UnknownSpecimenError for a deleted one, and a
   * NoSuchJobError where it names a job that is not there.
   */
  async save(specimen: Specimen, version: number, who = 'somebody'): Promise<StoredSpecimen> {
    return this.database.connection.transaction(async (manager) => {
      const specimens = manager.getRepository(SpecimenEntity);
      const existing = await specimens.findOne({ where: { id: specimen.id }, lock: { mode: 'pessimistic_write' } });
      if (existing?.deletedAt) throw new UnknownSpecimenError(specimen.id);
      if ((existing?.version ?? 0) !== version) {
        if (!existing) throw new UnknownSpecimenError(specimen.id);
        throw new ChangedMeanwhileError(await this.read(manager, specimen.id));
      }
      const now = this.now();
      if (specimen.job !== undefined && !(await manager.getRepository(JobEntity).existsBy({ id: specimen.job, deletedAt: IsNull() })))
        throw new NoSuchJobError(specimen.job);
      const before = existing ? (await this.read(manager, specimen.id)).readings : [];
      await specimens.save({
        id: specimen.id,
        kind: specimen.kind,
        name: specimen.name,
        version: version + 1,
        createdAt: existing?.createdAt ?? now,
        updatedAt: now,
        deletedAt: null,
        jobId: specimen.job ?? null,
        state: specimen.state ?? null,
        skipped: specimen.skipped ?? [],
      });
      await manager
        .getRepository(ReadingChangeEntity)
        .insert(changesBetween(before, specimen.readings).map((change) => ({ ...change, specimenId: specimen.id, at: now, who })));
      await manager.getRepository(ReadingEntity).delete({ specimenId: specimen.id });
      await manager
        .getRepository(ReadingEntity)
        .insert(
          specimen.readings.map((reading, position) => ({ specimenId: specimen.id, id: reading.id, position, at: new Date(reading.at), content: reading.is })),
        );
      return this.read(manager, specimen.id);
    });
  }

  /** Marks a specimen deleted; `restore` brings it back. Throws an UnknownSpecimenError where there is none. */
  async remove(id: string): Promise<void> {
    const result = await this.database.connection.getRepository(SpecimenEntity).update({ id, deletedAt: IsNull() }, { deletedAt: this.now() });
    if (!result.affected) throw new UnknownSpecimenError(id);
  }

  async restore(id: string): Promise<StoredSpecimen> {
    await this.database.connection.getRepository(SpecimenEntity).update({ id }, { deletedAt: null });
    return this.get(id);
  }

  /** What became of the readings of a specimen, first change first. */
  async history(id: string): Promise<ReadingChange[]> {
    const rows = await this.database.connection
      .getRepository(ReadingChangeEntity)
      .find({ where: { specimenId: id }, order: { id: 'ASC' }, take: MOST_CHANGES });
    return rows.map(({ readingId, at, who, operation, before, after }) => ({
      reading: readingId,
      at: at.toISOString(),
      who,
      operation,
      ...(before ? { before } : {}),
      ...(after ? { after } : {}),
    }));
  }

  /** Every specimen of a job, whole, in the order in which they were made. */
  async ofJob(job: string): Promise<StoredSpecimen[]> {
    const rows = await this.database.connection
      .getRepository(SpecimenEntity)
      .find({ where: { jobId: job, deletedAt: IsNull() }, order: { createdAt: 'ASC', id: 'ASC' } });
    return Promise.all(rows.map(({ id }) => this.get(id)));
  }

  /** Those of a kind that are not deleted, last changed first. */
  async ofKind(kind: KindId): Promise<StoredSpecimen[]> {
    const rows = await this.database.connection
      .getRepository(SpecimenEntity)
      .find({ where: { kind, deletedAt: IsNull() }, relations: { readings: true }, order: { updatedAt: 'DESC', id: 'ASC' } });
    return rows.map(stored);
  }

  private async read(manager: EntityManager, id: string): Promise<StoredSpecimen> {
    const row = await manager.getRepository(SpecimenEntity).findOne({ where: { id, deletedAt: IsNull() }, relations: { readings: true } });
    if (!row) throw new UnknownSpecimenError(id);
    return stored(row);
  }
}

/** A row, with its readings, as it is told of. */
function stored(row: SpecimenRow): StoredSpecimen {
  const readings = [...(row.readings ?? [])].sort((a, b) => a.position - b.position);
  return {
    id: row.id,
    name: row.name,
    kind: row.kind,
    readings: readings.map((reading): Reading => ({ id: reading.id, at: reading.at.toISOString(), is: reading.content })),
    ...(row.jobId === null ? {} : { job: row.jobId }),
    ...(row.state === null ? {} : { state: row.state }),
    ...(row.skipped.length > 0 ? { skipped: row.skipped } : {}),
    version: row.version,
    updatedAt: row.updatedAt.toISOString(),
  };
}

const MOST_CHANGES = 2000;

type Change = Pick<ReadingChangeRow, 'readingId' | 'operation' | 'before' | 'after'>;

/** Which readings were added, changed and removed. */
function changesBetween(before: readonly Reading[], after: readonly Reading[]): Change[] {
  const was = new Map(before.map((reading) => [reading.id, reading.is]));
  const is = new Map(after.map((reading) => [reading.id, reading.is]));
  const removed = before
    .filter(({ id }) => !is.has(id))
    .map(({ id, is: gone }): Change => ({ readingId: id, operation: 'removed', before: gone, after: null }));
  const others = after.flatMap(({ id, is: now }): Change[] => {
    const old = was.get(id);
    if (!old) return [{ readingId: id, operation: 'added', before: null, after: now }];
    return isDeepStrictEqual(old, now) ? [] : [{ readingId: id, operation: 'changed', before: old, after: now }];
  });
  return [...removed, ...others];
}

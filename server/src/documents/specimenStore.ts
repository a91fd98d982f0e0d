import { isDeepStrictEqual } from 'node:util';
import { asKept, type Reading, type ReadingChange, type Specimen, type SpecimenSummary } from '@which-bore/core';
import { IsNull, type EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import {
  ReadingChangeEntity,
  ReadingEntity,
  SpecimenEntity,
  type ReadingChangeRow,
  type SpecimenRow,
} from '../database/entities.js';
import { checkHeld } from './heldFor.js';
import { checkJob } from './jobOf.js';
import { VersionedStore, type Keeping, type Stored } from './versionedStore.js';

const MOST_CHANGES = 2000;

const KEEPING: Keeping<Specimen, SpecimenRow> = {
  sort: 'specimen',
  name: 'specimen',
  entity: SpecimenEntity,
  relations: { readings: true },
  rowOf: ({ kind, name, job, state, skipped, completeWith, confirmed, shelf }) => ({
    kind,
    name,
    jobId: job ?? null,
    state: state ?? null,
    skipped: skipped ?? [],
    completeWith: completeWith ? [...completeWith] : null,
    confirmed: confirmed ?? null,
    shelf: shelf ?? null,
  }),
  documentOf: (row) => ({
    id: row.id,
    name: row.name,
    kind: row.kind,
    readings: [...(row.readings ?? [])]
      .sort((a, b) => a.position - b.position)
      .map((reading): Reading => ({ id: reading.id, at: reading.at.toISOString(), is: reading.content })),
    ...(row.jobId === null ? {} : { job: row.jobId }),
    ...(row.state === null ? {} : { state: row.state }),
    ...(row.skipped.length > 0 ? { skipped: row.skipped } : {}),
    ...(row.completeWith ? { completeWith: row.completeWith } : {}),
    ...(row.confirmed ? { confirmed: row.confirmed } : {}),
    ...(row.shelf ? { shelf: row.shelf } : {}),
  }),
  check: async (manager, specimen) => {
    await checkJob(manager, specimen);
    await checkHeld(manager, specimen);
  },
  beside: writeReadings,
};

/** Writes the readings of a specimen, and what became of each. */
async function writeReadings(
  manager: EntityManager,
  before: Specimen | undefined,
  { id, readings: given }: Specimen,
  at: Date,
  who: string,
): Promise<void> {
  const readings = given.map((reading) => ({ ...reading, is: asKept(reading.is) }));
  await manager
    .getRepository(ReadingChangeEntity)
    .insert(changesBetween(before?.readings ?? [], readings).map((change) => ({ ...change, specimenId: id, at, who })));
  await manager.getRepository(ReadingEntity).delete({ specimenId: id });
  await manager.getRepository(ReadingEntity).insert(
    readings.map((reading, position) => ({
      specimenId: id,
      id: reading.id,
      position,
      at: new Date(reading.at),
      content: reading.is,
    })),
  );
}

/** Keeps specimens and their readings. */
export class SpecimenStore extends VersionedStore<Specimen, SpecimenRow> {
  constructor(database: Database, now?: () => Date) {
    super(database, KEEPING, now);
  }

  /** All specimens that are not deleted, without their readings, last changed first. */
  async summaries(): Promise<SpecimenSummary[]> {
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
      .addSelect('specimen.confirmed IS NOT NULL', 'confirmed')
      .addSelect('specimen.shelf', 'shelf')
      .addSelect('count(reading.id)::int', 'readings')
      .where('specimen.deletedAt IS NULL')
      .groupBy('specimen.id')
      .orderBy('specimen.updatedAt', 'DESC')
      .addOrderBy('specimen.id')
      .getRawMany<
        Omit<SpecimenSummary, 'updatedAt' | 'job' | 'confirmed' | 'shelf'> & {
          updatedAt: Date;
          job: string | null;
          confirmed: boolean;
          shelf: SpecimenSummary['shelf'] | null;
        }
      >();
    return rows.map(({ job, confirmed, updatedAt, shelf, ...row }) => ({
      ...row,
      updatedAt: updatedAt.toISOString(),
      ...(job === null ? {} : { job }),
      ...(confirmed ? { confirmed } : {}),
      ...(shelf ? { shelf } : {}),
    }));
  }

  /** What became of the readings of a specimen, first change first. */
  async readingHistory(id: string): Promise<ReadingChange[]> {
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
  async ofJob(job: string): Promise<Stored<Specimen>[]> {
    const rows = await this.find(this.database.connection.manager, { jobId: job, deletedAt: IsNull() });
    return rows
      .sort((a, b) => a.createdAt.getTime() - b.createdAt.getTime() || (a.id < b.id ? -1 : 1))
      .map((row) => this.stored(row));
  }
}

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

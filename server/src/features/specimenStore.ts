import type { Reading, Specimen } from '@which-bore/core';
import { IsNull, type EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import { ReadingEntity, SpecimenEntity } from '../database/entities.js';

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
}

/** Somebody else changed the specimen in the meantime; `current` is what stands now. */
export class ChangedMeanwhileError extends Error {
  constructor(readonly current: StoredSpecimen) {
    super('This specimen was changed meanwhile. Take what stands now, add your change to it, and send it with its version.');
    this.name = 'ChangedMeanwhileError';
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
      .addSelect('count(reading.id)::int', 'readings')
      .where('specimen.deletedAt IS NULL')
      .groupBy('specimen.id')
      .orderBy('specimen.updatedAt', 'DESC')
      .addOrderBy('specimen.id')
      .getRawMany<Omit<SpecimenSummary, 'updatedAt'> & { updatedAt: Date }>();
    return rows.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() }));
  }

  /** Throws an UnknownSpecimenError where there is none. */
  async get(id: string): Promise<StoredSpecimen> {
    return this.read(this.database.connection.manager, id);
  }

  /**
   * Writes a specimen whole. `version` is the one last seen, 0 for a new one.
   * Throws a ChangedMeanwhileError when another change came between, and an UnknownSpecimenError for a deleted one.
   */
  async save(specimen: Specimen, version: number): Promise<StoredSpecimen> {
    return this.database.connection.transaction(async (manager) => {
      const specimens = manager.getRepository(SpecimenEntity);
      const existing = await specimens.findOne({ where: { id: specimen.id }, lock: { mode: 'pessimistic_write' } });
      if (existing?.deletedAt) throw new UnknownSpecimenError(specimen.id);
      if ((existing?.version ?? 0) !== version) {
        if (!existing) throw new UnknownSpecimenError(specimen.id);
        throw new ChangedMeanwhileError(await this.read(manager, specimen.id));
      }
      const now = this.now();
      await specimens.save({
        id: specimen.id,
        kind: specimen.kind,
        name: specimen.name,
        version: version + 1,
        createdAt: existing?.createdAt ?? now,
        updatedAt: now,
        deletedAt: null,
      });
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

  private async read(manager: EntityManager, id: string): Promise<StoredSpecimen> {
    const row = await manager.getRepository(SpecimenEntity).findOne({ where: { id, deletedAt: IsNull() }, relations: { readings: true } });
    if (!row) throw new UnknownSpecimenError(id);
    const readings = [...(row.readings ?? [])].sort((a, b) => a.position - b.position);
    return {
      id: row.id,
      name: row.name,
      kind: row.kind,
      readings: readings.map((reading): Reading => ({ id: reading.id, at: reading.at.toISOString(), is: reading.content })),
      version: row.version,
      updatedAt: row.updatedAt.toISOString(),
    };
  }
}

import type { DocumentChange, DocumentSort } from '@which-bore/core';
import {
  IsNull,
  Not,
  type EntityManager,
  type EntitySchema,
  type FindOptionsRelations,
  type FindOptionsWhere,
} from 'typeorm';
import type { Database } from '../database/database.js';
import { DocumentChangeEntity, type DocumentChangeRow } from '../database/entities.js';
import { ChangedError, MissingError } from './errors.js';

/** What every document has: the version that the next change must name, and when it was last changed. */
export type Stored<T> = T & { readonly version: number; readonly updatedAt: string };

/** What every table of documents has. */
export interface DocumentRow {
  id: string;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
}

/** How documents of a sort lie in the database. */
export interface Keeping<T, Row extends DocumentRow> {
  readonly sort: DocumentSort;
  /** What one is called in a message. */
  readonly name: string;
  readonly entity: EntitySchema<Row>;
  /** Tables that are read along. */
  readonly relations?: FindOptionsRelations<Row>;
  readonly rowOf: (document: T) => Omit<Row, keyof DocumentRow>;
  readonly documentOf: (row: Row) => T;
  /** Throws where a document may not be kept so: it names something that is not there. */
  readonly check?: (manager: EntityManager, document: T) => Promise<void>;
  /** What is written beside the row, in the same transaction. */
  readonly beside?: (
    manager: EntityManager,
    before: T | undefined,
    document: T,
    at: Date,
    who: string,
  ) => Promise<void>;
}

/** Most that a list or a history tells. */
const MOST = 5000;

/**
 * Keeps documents of a sort, each with its versions: nobody writes over what he has not seen, what is deleted can be
 * brought back, and who did what is on record. Every change is told to whoever listens to the database.
 */
export class VersionedStore<T extends { readonly id: string }, Row extends DocumentRow> {
  constructor(
    protected readonly database: Database,
    private readonly keeping: Keeping<T, Row>,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** All that are not deleted, last changed first. */
  async list(): Promise<Stored<T>[]> {
    return (await this.find(this.database.connection.manager, { deletedAt: IsNull() } as FindOptionsWhere<Row>)).map(
      (row) => this.stored(row),
    );
  }

  /** Those that are deleted and can be brought back, last changed first. */
  async bin(): Promise<Stored<T>[]> {
    return (
      await this.find(this.database.connection.manager, { deletedAt: Not(IsNull()) } as FindOptionsWhere<Row>)
    ).map((row) => this.stored(row));
  }

  /** Throws a MissingError where there is none. */
  async get(id: string): Promise<Stored<T>> {
    return this.read(this.database.connection.manager, id);
  }

  /**
   * Writes a document whole. `version` is the one last seen, 0 for a new one. Throws a ChangedError when another change
   * came between, and a MissingError for one that is deleted or was never there.
   */
  async save(document: T, version: number, who: string): Promise<Stored<T>> {
    return this.database.connection.transaction(async (manager) => {
      const existing = await this.locked(manager, document.id);
      if (existing?.deletedAt || (!existing && version > 0)) throw this.missing(document.id);
      if (existing && existing.version !== version) throw this.changed(await this.read(manager, document.id));
      await this.keeping.check?.(manager, document);
      const now = this.now();
      const before = existing ? this.keeping.documentOf((await this.row(manager, document.id)) ?? existing) : undefined;
      const row = {
        ...this.keeping.rowOf(document),
        id: document.id,
        version: version + 1,
        createdAt: existing?.createdAt ?? now,
        updatedAt: now,
        deletedAt: null,
      };
      if (existing)
        await manager
          .getRepository(this.keeping.entity)
          .update({ id: document.id } as FindOptionsWhere<Row>, row as never);
      else {
        // Two may begin the same document at once: the second finds the first.
        const begun = await manager
          .createQueryBuilder()
          .insert()
          .into(this.keeping.entity)
          .values(row as never)
          .orIgnore()
          .returning('id')
          .execute();
        if ((begun.raw as readonly unknown[]).length === 0) throw this.changed(await this.read(manager, document.id));
      }
      await this.keeping.beside?.(manager, before, document, now, who);
      await this.note(manager, document.id, version + 1, existing ? 'changed' : 'added', now, who);
      return this.read(manager, document.id);
    });
  }

  /** Marks a document deleted; `restore` brings it back. Throws a MissingError where there is none. */
  async remove(id: string, who: string): Promise<void> {
    await this.mark(id, who, 'removed');
  }

  /**
   * Brings a deleted document back; one that is there stays as it is. Throws a MissingError where there never was one.
   */
  async restore(id: string, who: string): Promise<Stored<T>> {
    await this.mark(id, who, 'restored');
    return this.get(id);
  }

  /** Who did what to a document, first change first. */
  async history(id: string): Promise<DocumentChange[]> {
    const rows = await this.database.connection
      .getRepository(DocumentChangeEntity)
      .find({ where: { sort: this.keeping.sort, documentId: id }, order: { id: 'ASC' }, take: MOST });
    return rows.map(({ version, at, who, operation }) => ({ version, at: at.toISOString(), who, operation }));
  }

  protected find(manager: EntityManager, where: FindOptionsWhere<Row>, most = MOST): Promise<Row[]> {
    return manager.getRepository(this.keeping.entity).find({
      where,
      ...(this.keeping.relations ? { relations: this.keeping.relations } : {}),
      order: { updatedAt: 'DESC', id: 'ASC' } as never,
      take: most,
    });
  }

  protected stored(row: Row): Stored<T> {
    return { ...this.keeping.documentOf(row), version: row.version, updatedAt: row.updatedAt.toISOString() };
  }

  private async mark(id: string, who: string, operation: 'removed' | 'restored'): Promise<void> {
    await this.database.connection.transaction(async (manager) => {
      const existing = await this.locked(manager, id);
      const now = this.now();
      if (!existing || (operation === 'removed' && existing.deletedAt)) throw this.missing(id);
      if (operation === 'restored' && !existing.deletedAt) return;
      const version = existing.version + 1;
      await manager
        .getRepository(this.keeping.entity)
        .update(
          { id } as FindOptionsWhere<Row>,
          { version, updatedAt: now, deletedAt: operation === 'removed' ? now : null } as never,
        );
      await this.note(manager, id, version, operation, now, who);
    });
  }

  private locked(manager: EntityManager, id: string): Promise<Row | null> {
    return manager
      .getRepository(this.keeping.entity)
      .findOne({ where: { id } as FindOptionsWhere<Row>, lock: { mode: 'pessimistic_write' } });
  }

  private async row(manager: EntityManager, id: string): Promise<Row | undefined> {
    return (await this.find(manager, { id, deletedAt: IsNull() } as unknown as FindOptionsWhere<Row>, 1))[0];
  }

  private async read(manager: EntityManager, id: string): Promise<Stored<T>> {
    const row = await this.row(manager, id);
    if (!row) throw this.missing(id);
    return this.stored(row);
  }

  private missing(id: string): Error {
    return new MissingError(`There is no ${this.keeping.name} ${id}: it was never saved, or it was deleted.`);
  }

  private changed(current: Stored<T>): ChangedError {
    return new ChangedError(
      `This ${this.keeping.name} was changed meanwhile. Take what stands now, add your change to it, and send it with its version.`,
      current,
    );
  }

  private async note(
    manager: EntityManager,
    documentId: string,
    version: number,
    operation: DocumentChangeRow['operation'],
    at: Date,
    who: string,
  ): Promise<void> {
    const { sort } = this.keeping;
    await manager.getRepository(DocumentChangeEntity).insert({ sort, documentId, version, at, who, operation });
    // Told when the transaction is through, and not if it fails (PostgreSQL manual, NOTIFY).
    const told = { of: sort, id: documentId, version, ...(operation === 'removed' ? { gone: true } : {}) };
    await manager.query(`SELECT pg_notify('which_bore', $1)`, [JSON.stringify(told)]);
  }
}

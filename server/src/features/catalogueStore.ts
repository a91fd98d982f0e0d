import {
  indexCatalogue,
  partFromPattern,
  patternLabel,
  type Catalogue,
  type CatalogueIndex,
  type Family,
  type KindId,
  type Part,
  type Pattern,
} from '@which-bore/core';
import type { Database } from '../database/database.js';
import { CatalogueStateEntity, FamilyEntity, PatternEntity } from '../database/entities.js';

/** The catalogue as it stands at one revision, with what is worked out from it kept until the next. */
export class CatalogueSnapshot {
  private readonly families: ReadonlyMap<string, Family>;
  private readonly patterns: ReadonlyMap<string, Pattern>;
  private readonly indexes = new Map<KindId, CatalogueIndex>();
  private shellParts: readonly Part[] | undefined;

  constructor(
    readonly revision: number,
    readonly catalogue: Catalogue,
  ) {
    this.families = new Map(catalogue.families.map((family) => [family.id, family]));
    this.patterns = new Map(catalogue.patterns.map((pattern) => [pattern.id, pattern]));
  }

  pattern(id: string): Pattern | undefined {
    return this.patterns.get(id);
  }

  label(id: string): string {
    const pattern = this.patterns.get(id);
    return pattern ? patternLabel(pattern, this.families.get(pattern.family)) : id;
  }

  index(kind: KindId): CatalogueIndex {
    const known = this.indexes.get(kind) ?? indexCatalogue(kind, this.catalogue.patterns);
    this.indexes.set(kind, known);
    return known;
  }

  /** Shells and spacers, free to be put between any two parts. */
  get shells(): readonly Part[] {
    this.shellParts ??= this.catalogue.patterns
      .filter((pattern) => pattern.kind === 'mainShell')
      .map((pattern) => partFromPattern(pattern, this.label(pattern.id)));
    return this.shellParts;
  }
}

/** Reads and replaces the catalogue in the database. */
export class CatalogueStore {
  private last: CatalogueSnapshot | undefined;

  constructor(private readonly database: Database) {}

  async revision(): Promise<number> {
    const state = await this.database.connection.getRepository(CatalogueStateEntity).findOneByOrFail({ id: 1 });
    return state.revision;
  }

  /** The catalogue as it stands; read again only when its revision has moved. */
  async snapshot(): Promise<CatalogueSnapshot> {
    const revision = await this.revision();
    if (this.last?.revision === revision) return this.last;
    const { connection } = this.database;
    const families = await connection.getRepository(FamilyEntity).find({ order: { id: 'ASC' } });
    const patterns = await connection.getRepository(PatternEntity).find({ order: { id: 'ASC' } });
    this.last = new CatalogueSnapshot(revision, {
      format: 'which-bore-catalogue',
      version: 1,
      families: families.map(({ note, ...family }) => ({ ...family, ...(note === null ? {} : { note }) })),
      patterns: patterns.map((row) => row.document),
    });
    return this.last;
  }

  /** Adds the families and patterns of a checked catalogue, replacing those with the same ids; all or nothing. */
  async load(catalogue: Catalogue): Promise<void> {
    await this.database.connection.transaction(async (manager) => {
      await manager.getRepository(FamilyEntity).upsert(
        catalogue.families.map((family) => ({ ...family, note: family.note ?? null })),
        ['id'],
      );
      const rows = catalogue.patterns.map((pattern) => ({
        id: pattern.id,
        kind: pattern.kind,
        familyId: pattern.family,
        name: pattern.name,
        document: pattern,
      }));
      for (let from = 0; from < rows.length; from += 1000) await manager.getRepository(PatternEntity).upsert(rows.slice(from, from + 1000), ['id']);
      await manager.getRepository(CatalogueStateEntity).increment({ id: 1 }, 'revision', 1);
    });
  }
}

import { normaliseMark, type Offer, type StoredSupplier, type Supplier } from '@which-bore/core';
import { In, type EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import { PriceLineEntity, SupplierEntity, type PriceLineRow, type SupplierRow } from '../database/orderEntities.js';
import { MissingError } from '../documents/errors.js';
import { fetchFrom, fetchList, NoListError, type ReadList } from './fetchList.js';
import { TELL } from './reservationStore.js';

/** So many lines go into the database at once. */
const CHUNK = 2000;
/** Lines left out that are kept to be shown. */
const MOST_LEFT_OUT = 50;

/** Keeps suppliers and their lists. A list is taken whole or not at all; the one before stands until then. */
export class SupplierStore {
  constructor(
    private readonly database: Database,
    private readonly within: number,
    private readonly now: () => Date = () => new Date(),
  ) {}

  async list(): Promise<StoredSupplier[]> {
    const { manager } = this.database.connection;
    const rows = await manager.getRepository(SupplierEntity).find({ order: { name: 'ASC', id: 'ASC' } });
    const counts: readonly { readonly id: string; readonly lines: number }[] = await manager
      .getRepository(PriceLineEntity)
      .createQueryBuilder('line')
      .select('line.supplierId', 'id')
      .addSelect('count(*)::int', 'lines')
      .groupBy('line.supplierId')
      .getRawMany();
    const lines = new Map(counts.map((each) => [each.id, each.lines]));
    return rows.map((row) => told(row, lines.get(row.id) ?? 0));
  }

  async save(supplier: Supplier): Promise<StoredSupplier> {
    const { id, name, currency, address = null } = supplier;
    const { manager } = this.database.connection;
    const before = await manager.getRepository(SupplierEntity).findOneBy({ id });
    await manager.getRepository(SupplierEntity).save({
      id,
      name,
      currency,
      address,
      // Another address is another list.
      ...(before?.address === address ? {} : { etag: null }),
    });
    await manager.query(TELL);
    return this.get(id);
  }

  async remove(id: string): Promise<void> {
    const { manager } = this.database.connection;
    const { affected } = await manager.getRepository(SupplierEntity).delete({ id });
    if (!affected) throw missing(id);
    await manager.query(TELL);
  }

  /** Throws a MissingError where there is none. */
  async get(id: string): Promise<StoredSupplier> {
    const { manager } = this.database.connection;
    const row = await manager.getRepository(SupplierEntity).findOneBy({ id });
    if (!row) throw missing(id);
    return told(row, await manager.getRepository(PriceLineEntity).countBy({ supplierId: id }));
  }

  /** Takes a list that came as a file. */
  async take(id: string, list: ReadList): Promise<StoredSupplier> {
    await this.get(id);
    await this.keep(id, list, null);
    return this.get(id);
  }

  /** Fetches the list anew; where there is none, why stands in the answer and the list before stays. */
  async refresh(id: string, origin: URL): Promise<StoredSupplier> {
    const { manager } = this.database.connection;
    const row = await manager.getRepository(SupplierEntity).findOneBy({ id });
    if (!row) throw missing(id);
    if (row.address === null) throw new MissingError(`${row.name} has no address: send his list as a file.`);
    try {
      const fetched = await fetchList(new URL(`${row.address.replace(/\/$/, '')}/list`, origin), {
        within: this.within,
        ...(row.etag === null ? {} : { etag: row.etag }),
      });
      if (fetched.same)
        await manager.getRepository(SupplierEntity).update({ id }, { askedAt: this.now(), problem: null });
      else await this.keep(id, fetched.list, fetched.etag ?? null);
    } catch (error) {
      if (!(error instanceof NoListError)) throw error;
      await manager.getRepository(SupplierEntity).update({ id }, { askedAt: this.now(), problem: error.message });
    }
    await manager.query(TELL);
    return this.get(id);
  }

  /** Asks a supplier what he has of one number now, whatever his list says. Throws a NoListError where he is mute. */
  async ask(id: string, number: string, origin: URL): Promise<unknown> {
    const supplier = await this.get(id);
    if (supplier.address === undefined)
      throw new MissingError(`${supplier.name} has no address: ask him by telephone.`);
    const base = supplier.address.replace(/\/$/, '');
    const response = await fetchFrom(new URL(`${base}/stock/${encodeURIComponent(number)}`, origin), this.within);
    if (response.status === 404) throw new MissingError(`${supplier.name} does not carry ${number}.`);
    if (!response.ok) throw new NoListError(`The supplier answered ${response.status} for ${number}.`);
    return response.json().catch(() => {
      throw new NoListError('The supplier’s answer is not JSON.');
    });
  }

  /** Offers for numbers, however they are spaced or dashed. */
  async offers(numbers: readonly string[]): Promise<Offer[]> {
    const sought = [...new Set(numbers.map(normaliseMark))].filter((each) => each !== '');
    if (sought.length === 0) return [];
    const { manager } = this.database.connection;
    const [rows, suppliers] = [
      await manager
        .getRepository(PriceLineEntity)
        .find({ where: { sought: In(sought) }, order: { supplierId: 'ASC', position: 'ASC' }, take: 5000 }),
      await manager.getRepository(SupplierEntity).find(),
    ];
    const asOf = new Map(suppliers.map((each) => [each.id, each.asOf?.toISOString()]));
    return rows.map(({ supplierId, content }: PriceLineRow): Offer => {
      const as = asOf.get(supplierId);
      return { ...content, supplier: supplierId, ...(as === undefined ? {} : { asOf: as }) };
    });
  }

  private async keep(id: string, { lines, problems, currency }: ReadList, etag: string | null): Promise<void> {
    await this.database.connection.transaction(async (manager: EntityManager) => {
      const { currency: own } = await manager
        .getRepository(SupplierEntity)
        .findOneOrFail({ where: { id }, lock: { mode: 'pessimistic_write' } });
      await manager.getRepository(PriceLineEntity).delete({ supplierId: id });
      for (let from = 0; from < lines.length; from += CHUNK)
        await manager.getRepository(PriceLineEntity).insert(
          lines.slice(from, from + CHUNK).map((line, at) => ({
            supplierId: id,
            position: from + at,
            sought: normaliseMark(line.number),
            content: { ...line, currency: currency ?? own },
          })),
        );
      const now = this.now();
      await manager
        .getRepository(SupplierEntity)
        .update({ id }, { etag, asOf: now, askedAt: now, problem: null, leftOut: problems.slice(0, MOST_LEFT_OUT) });
      await manager.query(TELL);
    });
  }
}

const missing = (id: string): Error => new MissingError(`There is no supplier ${id}.`);

const told = (
  { id, name, currency, address, asOf, askedAt, problem, leftOut }: SupplierRow,
  lines: number,
): StoredSupplier => ({
  id,
  name,
  currency,
  ...(address === null ? {} : { address }),
  lines,
  ...(asOf ? { asOf: asOf.toISOString() } : {}),
  ...(askedAt ? { askedAt: askedAt.toISOString() } : {}),
  ...(problem === null ? {} : { problem }),
  leftOut,
});

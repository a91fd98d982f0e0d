import { USUAL_SHOP, type Shop, type StoredShop } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { ShopEntity, type ShopRow } from '../database/entities.js';
import { MissingError } from './errors.js';
import { VersionedStore, type Keeping } from './versionedStore.js';

/** There is one shop to a database. */
const SHOP_ID = '00000000-0000-4000-8000-000000000001';

type ShopDocument = Shop & { readonly id: string };

const KEEPING: Keeping<ShopDocument, ShopRow> = {
  sort: 'shop',
  name: 'table of instruments and rules',
  entity: ShopEntity,
  rowOf: ({ id: _id, ...document }) => ({ document }),
  documentOf: ({ id, document }) => ({ id, ...document }),
};

const storedShop = ({ instruments, rules, version }: Shop & { readonly version: number }): StoredShop => ({
  instruments,
  rules,
  version,
});

/** Keeps the shop's instruments and house rules: the usual ones, version 0, while it has said nothing of its own. */
export class ShopStore {
  private readonly documents: VersionedStore<ShopDocument, ShopRow>;

  constructor(database: Database, now?: () => Date) {
    this.documents = new VersionedStore(database, KEEPING, now);
  }

  async get(): Promise<StoredShop> {
    try {
      return storedShop(await this.documents.get(SHOP_ID));
    } catch (error) {
      if (error instanceof MissingError) return { ...USUAL_SHOP, version: 0 };
      throw error;
    }
  }

  /** Throws a ChangedError when another change came between. */
  async save(shop: Shop, version: number, who: string): Promise<StoredShop> {
    return storedShop(await this.documents.save({ ...shop, id: SHOP_ID }, version, who));
  }

  history() {
    return this.documents.history(SHOP_ID);
  }
}

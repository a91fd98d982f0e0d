import { drawerOf, USUAL_SHOP, type Circumstances, type Shop } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { ShopEntity } from '../database/entities.js';

export interface StoredShop extends Shop {
  /** 0 while the shop has said nothing of its own. */
  readonly version: number;
}

/** Somebody else changed the shop's table in the meantime; `current` is what stands now. */
export class ShopChangedError extends Error {
  constructor(readonly current: StoredShop) {
    super('The instruments or rules were changed meanwhile. Take what stands now, add your change to it, and send it with its version.');
    this.name = 'ShopChangedError';
  }
}

/** Keeps the shop's instruments and house rules. */
export class ShopStore {
  constructor(
    private readonly database: Database,
    private readonly now: () => Date = () => new Date(),
  ) {}

  async get(): Promise<StoredShop> {
    const row = await this.database.connection.getRepository(ShopEntity).findOneBy({ id: 1 });
    return row ? { ...row.document, version: row.version } : { ...USUAL_SHOP, version: 0 };
  }

  /** Throws a ShopChangedError when another change came between. */
  async save(shop: Shop, version: number): Promise<StoredShop> {
    return this.database.connection.transaction(async (manager) => {
      // One lock for all, as there may be no row yet to take one on.
      await manager.query('LOCK TABLE shop IN SHARE ROW EXCLUSIVE MODE');
      const existing = await manager.getRepository(ShopEntity).findOneBy({ id: 1 });
      if ((existing?.version ?? 0) !== version)
        throw new ShopChangedError(existing ? { ...existing.document, version: existing.version } : { ...USUAL_SHOP, version: 0 });
      await manager.getRepository(ShopEntity).save({ id: 1, document: shop, version: version + 1 });
      return { ...shop, version: version + 1 };
    });
  }

  /** Whose instruments and rules count today. */
  async circumstances(): Promise<Circumstances> {
    const shop = await this.get();
    return { drawer: drawerOf(shop, this.now().toISOString().slice(0, 10)), rules: shop.rules };
  }
}

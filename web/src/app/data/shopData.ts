import { inject, Injectable } from '@angular/core';
import { drawerOf, USUAL_SHOP, type ToolDrawer, type Shop, type StoredShop } from '@which-bore/core';
import { dequal } from 'dequal';
import { distinctUntilChanged, map, of, type Observable } from 'rxjs';
import { Api } from './api';
import { mergeShops } from './documents/merge';
import { OfflineDocuments } from './documents/offlineDocuments';
import type { Sent } from './documents/outbox';

/** There is one shop; its document is called by this. */
const SHOP = '00000000-0000-4000-8000-000000000001';

type ShopDocument = Shop & { readonly id: string };

const sentOf = ({ version, ...shop }: StoredShop): Sent<ShopDocument> => ({
  document: { ...shop, id: SHOP },
  version,
  updatedAt: '',
});

/** The shop's instruments and house rules: as they were held here, then as the server has them. */
@Injectable({ providedIn: 'root' })
export class ShopData extends OfflineDocuments<ShopDocument> {
  readonly shop$: Observable<Shop> = this.watch(SHOP).pipe(
    map((shop): Shop => (shop ? { instruments: shop.instruments, rules: shop.rules } : USUAL_SHOP)),
    // The sums are not done again where nothing has changed.
    distinctUntilChanged((a, b) => dequal(a, b)),
  );

  /** The instruments, as they stand today. */
  readonly drawer$: Observable<ToolDrawer> = this.shop$.pipe(
    map((shop) => drawerOf(shop, new Date().toISOString().slice(0, 10))),
  );

  constructor() {
    const api = inject(Api);
    super({
      sort: 'shop',
      nameOf: () => 'the instruments and house rules',
      fetch: () => api.shop().pipe(map(sentOf)),
      save: ({ instruments, rules }, version) => api.saveShop({ instruments, rules }, version).pipe(map(sentOf)),
      // A shop is not deleted.
      remove: () => of(null),
      restore: () => api.shop().pipe(map(sentOf)),
      merge: mergeShops,
    });
    this.refresh();
  }

  refresh(): void {
    this.asked(this.kind.fetch(SHOP)).subscribe((sent) => this.outbox.take('shop', sent));
  }

  /** Changes the shop. The way back is `undo`. */
  alter(shop: Shop): void {
    this.change({ ...shop, id: SHOP });
  }
}

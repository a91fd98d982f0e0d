import { inject, Injectable } from '@angular/core';
import { drawerOf, USUAL_SHOP, type Drawer, type Shop } from '@which-bore/core';
import { BehaviorSubject, catchError, EMPTY, map, tap, type Observable } from 'rxjs';
import { Api, ApiError, type StoredShop } from './api';
import { Kept } from './kept';

const KEPT = 'shop';

const isShop = (value: unknown): value is StoredShop =>
  typeof value === 'object' && value !== null && 'instruments' in value && 'rules' in value && 'version' in value;

/** The shop's instruments and house rules: those of the last visit at once, then as the server has them. */
@Injectable({ providedIn: 'root' })
export class ShopData {
  private readonly api = inject(Api);
  private readonly kept = inject(Kept);
  private readonly state$ = new BehaviorSubject<StoredShop>(this.lastVisit());

  readonly shop$: Observable<Shop> = this.state$.pipe(map(({ instruments, rules }) => ({ instruments, rules })));

  /** The instruments, as they stand today. */
  readonly drawer$: Observable<Drawer> = this.shop$.pipe(map((shop) => drawerOf(shop, new Date().toISOString().slice(0, 10))));

  constructor() {
    this.refresh();
  }

  refresh(): void {
    this.api
      .shop()
      .pipe(catchError(() => EMPTY))
      .subscribe((shop) => this.take(shop));
  }

  /** Writes them. Where somebody else was faster the error says so, and what stands now is shown. */
  save(shop: Shop): Observable<StoredShop> {
    return this.api.saveShop(shop, this.state$.value.version).pipe(
      tap((stored) => this.take(stored)),
      catchError((error: unknown) => {
        if (error instanceof ApiError && error.kind === 'changed' && isShop(error.current)) this.take(error.current);
        throw error;
      }),
    );
  }

  private take(shop: StoredShop): void {
    this.kept.write(KEPT, shop);
    // The sums are not done again where nothing has changed.
    if (JSON.stringify(shop) !== JSON.stringify(this.state$.value)) this.state$.next(shop);
  }

  private lastVisit(): StoredShop {
    const kept = this.kept.read(KEPT);
    return isShop(kept) ? kept : { ...USUAL_SHOP, version: 0 };
  }
}

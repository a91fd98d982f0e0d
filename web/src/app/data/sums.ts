import { inject, Injectable } from '@angular/core';
import type {
  AuditFinding,
  DrillLevel,
  EngineLineUp,
  InterchangeGroup,
  KindId,
  Order,
  PartyRef,
  SearchResult,
  Sentence,
  SheetLine,
  Specimen,
  Understood,
} from '@which-bore/core';
import { wrap, type Remote } from 'comlink';
import { combineLatest, concatMap, defer, from, shareReplay, switchMap, take, type Observable } from 'rxjs';
import { CatalogueData } from './catalogueData';
import type { BenchWorker, Identified, Lying } from './core.worker';
import type { DrillEnd } from './drillInWorker';
import type { GridSides, Judged, Takings } from './interchangeInWorker';
import { ShopData } from './shopData';

/** The core's sums, done in a worker over the current catalogue. */
@Injectable({ providedIn: 'root' })
export class Sums {
  private readonly worker: Remote<BenchWorker> = wrap<BenchWorker>(new Worker(new URL('./core.worker', import.meta.url), { type: 'module' }));

  /** Emits once the worker holds a catalogue, and again at each newer one. */
  private readonly loaded$ = combineLatest([
    inject(CatalogueData).state$.pipe(concatMap(({ view, tag }) => from(this.worker.load(view.catalogue, tag)))),
    inject(ShopData).shop$.pipe(concatMap((shop) => from(this.worker.setShop(shop, new Date().toISOString().slice(0, 10))))),
  ]).pipe(shareReplay({ bufferSize: 1, refCount: false }));

  /** The line-up for these readings and the next check, again whenever the catalogue or the shop changes. */
  identify(kind: KindId, readings: readonly Understood[], most: number, lying: Lying): Observable<Identified> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.identify(kind, readings, most, lying))));
  }

  /** How a weight was worked out, a line a step. */
  calculation(kind: KindId, readings: readonly Understood[], pattern: string, text: string): Observable<readonly Sentence[]> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.calculation(kind, readings, pattern, text))));
  }

  /** What engine it is, from what is claimed of it and from its parts together. */
  engine(readings: readonly Understood[], specimens: readonly Specimen[]): Observable<EngineLineUp> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.engine(readings, specimens))));
  }

  beginDrill(kind: KindId, level: DrillLevel['id'], seed: number): Observable<readonly SheetLine[]> {
    return this.loaded$.pipe(
      take(1),
      switchMap(() => from(this.worker.beginDrill(kind, level, seed))),
    );
  }

  askInDrill(key: string): Observable<Understood | undefined> {
    return defer(() => from(this.worker.askInDrill(key)));
  }

  endDrill(named: string | undefined): Observable<DrillEnd | undefined> {
    return defer(() => from(this.worker.endDrill(named)));
  }

  /** Searches the catalogue by number, mark, name, look or size. */
  search(text: string, most: number): Observable<SearchResult> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.search(text, most))));
  }

  /** What in the catalogue does not agree with itself. */
  audit(): Observable<readonly AuditFinding[]> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.audit())));
  }

  /** Donors into a recipient, joint by joint. */
  judge(donors: readonly PartyRef[], recipient: PartyRef): Observable<Judged> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.judge(donors, recipient))));
  }

  /** Every engine, with the verdict on these donors in it. */
  engines(donors: readonly PartyRef[]): Observable<Takings> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.engines(donors))));
  }

  /** What of a kind takes a part, or goes where it is. */
  whatElse(asked: PartyRef, kind: KindId, side: 'donor' | 'recipient', shelf: readonly Specimen[]): Observable<Takings> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.whatElse(asked, kind, side, shelf))));
  }

  /** Lays out a grid of at most so many a side, and anew for each newer catalogue or shop: the worker has then forgotten it. */
  openGrid(donor: KindId, recipient: KindId, most: number): Observable<GridSides | undefined> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.openGrid(donor, recipient, most))));
  }

  /** The next rows of the grid that was laid out. */
  gridRows(first: number): Observable<readonly Uint32Array[]> {
    return defer(() => from(this.worker.gridRows(first)));
  }

  gridOrder(): Observable<Order> {
    return defer(() => from(this.worker.gridOrder()));
  }

  /** Groups that are drop-in for one another, of all or of those that drop into one recipient. */
  gridGroups(into: number | undefined): Observable<readonly InterchangeGroup[]> {
    return defer(() => from(this.worker.gridGroups(into)));
  }
}

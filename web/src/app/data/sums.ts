import { inject, Injectable } from '@angular/core';
import type { AuditFinding, KindId, LineUp, SearchResult, Swap, Understood } from '@which-bore/core';
import { wrap, type Remote } from 'comlink';
import { from, switchMap, type Observable } from 'rxjs';
import { CatalogueData } from './catalogueData';
import type { BenchWorker, Donor } from './core.worker';

/** The core's sums, done in a worker over the current catalogue. */
@Injectable({ providedIn: 'root' })
export class Sums {
  private readonly worker: Remote<BenchWorker> = wrap<BenchWorker>(new Worker(new URL('./core.worker', import.meta.url), { type: 'module' }));

  /** Emits once the worker holds a catalogue, and again at each newer one. */
  private readonly loaded$ = inject(CatalogueData).view$.pipe(switchMap((view) => from(this.worker.load(view.catalogue))));

  /** The line-up for these readings, again whenever the catalogue changes. */
  identify(kind: KindId, readings: readonly Understood[], most: number): Observable<LineUp> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.identify(kind, readings, most))));
  }

  /** Searches the catalogue by number, mark, name, look or size. */
  search(text: string, most: number): Observable<SearchResult> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.search(text, most))));
  }

  /** What in the catalogue does not agree with itself. */
  audit(): Observable<readonly AuditFinding[]> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.audit())));
  }

  swapAll(donor: Donor, recipients: readonly string[]): Observable<Record<string, Swap>> {
    return this.loaded$.pipe(switchMap(() => from(this.worker.swapAll(donor, recipients))));
  }
}

import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { RECORD_NAMES, type Sentence } from '@which-bore/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { catchError, debounceTime, filter, of, switchMap } from 'rxjs';
import { CatalogueData } from '../data/catalogueData';
import { Sums } from '../data/sums';
import { readNumber } from './readNumber';
import { pageOf } from '../ui/recordLink';
import { Said } from '../ui/said';

const SHOWN = 40;
/** The router gives undefined where the address says nothing. */
const asText = (value: string | undefined): string => value ?? '';
/** Pause in typing after which the search follows, ms. */
const SETTLE_MS = 80;

/** The catalogue: a search and a tree on the left, one record or one task on the right. */
@Component({
  selector: 'wb-catalogue-station',
  imports: [NzInputModule, RouterLink, RouterLinkActive, RouterOutlet, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './catalogueStation.html',
  styleUrl: './catalogueStation.less',
})
export class CatalogueStation {
  private readonly router = inject(Router);
  private readonly sums = inject(Sums);
  private readonly page = viewChild.required<ElementRef<HTMLElement>>('page');
  protected readonly catalogue = toSignal(inject(CatalogueData).view$);

  /** What is searched for, from the address. */
  readonly find = input('', { transform: asText });

  protected readonly found = toSignal(
    toObservable(this.find).pipe(
      debounceTime(SETTLE_MS),
      switchMap((text) =>
        text.trim() === ''
          ? of(undefined)
          : // One search that fails must not be the last.
            this.sums.search(text, SHOWN).pipe(catchError((error: unknown) => (console.error(error), of(undefined)))),
      ),
    ),
  );

  protected readonly hits = computed(() =>
    (this.found()?.hits ?? []).map((hit) => ({
      ...hit,
      page: pageOf(hit.type, hit.id),
      label: this.catalogue()?.labelOf(hit.type, hit.id) ?? hit.id,
      what: RECORD_NAMES[hit.type],
      why: hit.because.filter((each: Sentence) => each.length > 0),
    })),
  );

  /** What the line says as a number: a bearing's designation, a vehicle's number, or one of the catalogue's own schemes. */
  protected readonly reads = computed(() => {
    const catalogue = this.catalogue();
    return catalogue ? readNumber(catalogue, this.find()) : [];
  });

  protected readonly tree = computed(() => {
    const catalogue = this.catalogue();
    return (catalogue?.catalogue.makers ?? []).map((maker) => ({
      maker,
      families: catalogue?.familiesOf(maker.id).map((family) => ({ family, variants: catalogue.variantsOf(family.id) })) ?? [],
    }));
  });

  constructor() {
    // Another page begins at its top.
    this.router.events
      .pipe(
        filter((event) => event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.page().nativeElement.scrollTo({ top: 0 }));
  }

  /** Families whose variants are shown in the tree. */
  protected readonly opened = signal<ReadonlySet<string>>(new Set());

  protected toggle(family: string): void {
    this.opened.update((opened) => (opened.has(family) ? new Set([...opened].filter((each) => each !== family)) : new Set(opened).add(family)));
  }

  protected search(text: string): void {
    void this.router.navigate([], { queryParams: { find: text === '' ? null : text }, queryParamsHandling: 'merge', replaceUrl: true });
  }

  /** Enter opens the best hit. */
  protected open(event: Event): void {
    event.preventDefault();
    const [first] = this.hits();
    if (first) void this.router.navigate([...first.page], { queryParamsHandling: 'preserve' });
  }
}

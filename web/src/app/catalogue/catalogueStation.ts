import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { cut, RECORD_NAMES, type Sentence } from '@which-bore/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { catchError, combineLatest, debounceTime, filter, map, of, switchMap } from 'rxjs';
import { Questions } from '../data/questions';
import { pageOf } from '../ui/recordLink';
import { growing } from '../ui/growing';
import { Said } from '../ui/said';
import { Turns } from '../ui/turns';

const SHOWN = 40;
/** A line longer than this is no name, number or size. */
const LONGEST = 200;
/** Makers of the tree that are shown at once. */
const MAKERS = 40;
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
  private readonly questions = inject(Questions);
  private readonly turns = inject(Turns);
  private readonly page = viewChild.required<ElementRef<HTMLElement>>('page');

  /** What is searched for, from the address. */
  readonly find = input('', { transform: asText });

  protected readonly found = toSignal(
    toObservable(this.find).pipe(
      debounceTime(SETTLE_MS),
      switchMap((text) =>
        text.trim() === ''
          ? of(undefined)
          : // One search that fails must not be the last.
            this.questions
              .ask('search', { text: cut(text, LONGEST), most: SHOWN })
              .pipe(catchError((error: unknown) => (console.error(error), of(undefined)))),
      ),
    ),
  );

  protected readonly hits = growing(
    computed(() =>
      (this.found()?.hits ?? []).map((hit) => ({
        ...hit,
        page: pageOf(hit.type, hit.id),
        what: RECORD_NAMES[hit.type],
        why: hit.because.filter((each: Sentence) => each.length > 0),
      })),
    ),
    10,
  );

  /**
   * What the line says as a number: a bearing's designation, a vehicle's number, or one of the catalogue's own schemes.
   */
  protected readonly reads = toSignal(
    toObservable(this.find).pipe(
      debounceTime(SETTLE_MS),
      switchMap((text) =>
        text.trim() === ''
          ? of([])
          : this.questions.ask('readNumber', { number: cut(text, LONGEST) }).pipe(
              map(({ says }) => says),
              catchError(() => of([])),
            ),
      ),
    ),
    { initialValue: [] },
  );

  /** Families whose variants are shown in the tree. */
  protected readonly opened = signal<ReadonlySet<string>>(new Set());
  /** How many makers of the tree are shown; more on demand. */
  protected readonly makersShown = signal(MAKERS);
  protected readonly makersAtOnce = MAKERS;
  protected readonly tree = toSignal(
    toObservable(this.makersShown).pipe(switchMap((most) => this.questions.ask('tree', { most }))),
  );
  protected readonly makers = growing(
    computed(() => this.tree()?.makers ?? []),
    10,
  );
  /** Variants of the families that are laid open. */
  private readonly laidOpen = toSignal(
    toObservable(computed(() => [...this.opened()])).pipe(
      switchMap((families) =>
        families.length === 0
          ? of([])
          : combineLatest(
              families.map((family) =>
                this.questions.ask('variantsOf', { family }).pipe(map(({ variants }) => ({ family, variants }))),
              ),
            ),
      ),
    ),
    { initialValue: [] },
  );
  protected readonly variants = computed(
    () => new Map(this.laidOpen().map(({ family, variants }) => [family, variants])),
  );

  constructor() {
    // Another page begins at its top, in a turn of its own: scrolling makes the browser lay everything out.
    this.router.events
      .pipe(
        filter((event) => event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.turns.next(() => this.page().nativeElement.scrollTo({ top: 0 })));
  }

  protected toggle(family: string): void {
    this.opened.update((opened) =>
      opened.has(family) ? new Set([...opened].filter((each) => each !== family)) : new Set(opened).add(family),
    );
  }

  protected search(text: string): void {
    void this.router.navigate([], {
      queryParams: { find: text === '' ? null : text },
      queryParamsHandling: 'merge',
      replaceUrl: true,
    });
  }

  /** Enter opens the best hit. */
  protected open(event: Event): void {
    event.preventDefault();
    const [first] = this.hits();
    if (first) void this.router.navigate([...first.page], { queryParamsHandling: 'preserve' });
  }
}

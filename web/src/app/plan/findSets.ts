import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { isOver, type Answers, type Build, type SetSearch, type SetTold, type ShopWork } from '@which-bore/core';
import { debounceTime, map, of, switchMap, type Observable, type Subscription } from 'rxjs';
import { dequal } from 'dequal';
import { BrowserStorage } from '../data/browserStorage';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { Preferences } from '../data/preferences';
import { SetSearches } from '../data/setSearches';
import { SmallSearches } from '../data/smallSearches';
import { demandsOf, keptDraft, type DemandDraft, type FieldProblem } from './demandDraft';
import { DemandsForm } from './demandsForm';
import { NoSet, type WayOut } from './noSet';
import { PlanState } from './planState';
import { sayProgress, sayTyped } from './sayProgress';
import { SetsFound } from './setsFound';

/** Where the demands of a build are kept in this browser. */
const keptAs = (build: string): string => `demands.${build}`;

/** So long one has stopped typing before anything is worked out. */
const TYPED_MS = 300;

/** Asked for, and the server has not answered yet. */
const ASKED: SetSearch = { id: '', state: 'searching', askedAt: '', takenUp: 0 };

/** Which set works: what is demanded on the left, and on the right the sets that meet it, or why none does. */
@Component({
  selector: 'wb-find-sets',
  imports: [DemandsForm, NoSet, RouterLink, SetsFound],
  providers: [PlanState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './findSets.html',
  styleUrl: './findSets.less',
})
export class FindSets {
  protected readonly state = inject(PlanState);
  private readonly searches = inject(SetSearches);
  private readonly smallSearches = inject(SmallSearches);
  private readonly builds = inject(Builds);
  private readonly jobs = inject(Jobs);
  private readonly storage = inject(BrowserStorage);
  private readonly preferences = inject(Preferences);
  private readonly router = inject(Router);

  protected readonly missing = signal(false);
  protected readonly draft = signal<DemandDraft>(keptDraft(undefined));
  protected readonly problems = signal<readonly FieldProblem[]>([]);
  protected readonly refused = signal<string | undefined>(undefined);
  /** The search that goes on, or that has ended. */
  protected readonly search = signal<SetSearch | undefined>(undefined);
  protected readonly busy = computed((): 'waiting' | SetSearch['part'] => {
    const search = this.search();
    if (!search || isOver(search)) return undefined;
    return search.state === 'waiting' ? 'waiting' : (search.part ?? 'sets');
  });
  /** What stands in the fields as a question; nothing while something is wrong there. */
  private readonly typed = computed(
    () => {
      const asked = this.state.asked();
      const read = this.read(this.draft());
      return asked && 'demands' in read ? { ...asked, demands: read.demands } : undefined;
    },
    { equal: dequal },
  );
  /** The answer to that, where it is small enough to be worked out while one types. */
  private readonly small = toSignal(
    toObservable(this.typed).pipe(
      debounceTime(TYPED_MS),
      switchMap((asked) =>
        asked
          ? this.smallSearches.asTyped(asked).pipe(map((sets) => ({ asked, sets })))
          : of({ asked, sets: undefined }),
      ),
    ),
  );
  /** It is shown while nothing that was asked for answers to the same. */
  protected readonly asTyped = computed(() => {
    const small = this.small();
    return this.busy() === undefined && (this.isStale() || !this.found()) && small?.asked === this.typed()
      ? small?.sets
      : undefined;
  });
  protected readonly answer = computed(() => this.asTyped() ?? this.found());

  /** What came of it; while it goes on what it has so far. */
  private readonly found = computed((): Answers['planSets'] | undefined => {
    const { sets, progress } = this.search() ?? {};
    if (sets) return sets;
    if (!progress || progress.sets.length === 0) return undefined;
    return { ...progress, proved: false, options: [], refused: [], worth: [] };
  });
  protected readonly conflicts = computed(() => (this.asTyped() ? undefined : this.search()?.conflicts));
  protected readonly worth = computed(() => (this.asTyped() ? undefined : this.search()?.worth));
  protected readonly says = computed(() => {
    const typed = this.asTyped();
    return typed ? sayTyped(typed.sets.length > 0) : sayProgress(this.search(), this.busy());
  });
  /** What was asked when the answer came: the fields may say something else by now. */
  private readonly answeredTo = signal<DemandDraft | undefined>(undefined);
  protected readonly isStale = computed(
    () => this.found() !== undefined && !this.busy() && this.answeredTo() !== this.draft(),
  );
  protected readonly parts = computed(() => this.state.sheet()?.parts ?? []);
  protected readonly figures = computed(() => this.state.sheet()?.figures ?? []);
  private run: Subscription | undefined;
  private readonly injector = inject(Injector);
  private readonly answers = viewChild<ElementRef<HTMLElement>>('answers');

  constructor() {
    const { paramMap, snapshot } = inject(ActivatedRoute);
    const id = toSignal(paramMap.pipe(map((params) => params.get('id') ?? undefined)));
    effect(() => {
      const wanted = id();
      this.state.id.set(wanted);
      if (wanted === undefined) return;
      this.draft.set(keptDraft(this.storage.read(keptAs(wanted))));
      void this.builds.open(wanted).then((found) => this.missing.set(found !== 'there'));
    });
    // A search that was begun goes on, whoever looks at it: its address opens it anywhere.
    const begun = snapshot.queryParamMap.get('search');
    if (begun !== null) {
      afterNextRender(() => this.follow(this.searches.follow(begun), this.draft()));
    }
    inject(DestroyRef).onDestroy(() => this.run?.unsubscribe());
  }

  protected changed(draft: DemandDraft): void {
    this.draft.set(draft);
    const id = this.state.id();
    if (id !== undefined) this.storage.write(keptAs(id), draft);
  }

  private read(draft: DemandDraft) {
    const quantityOf = (figure: string) => this.figures().find(({ id }) => id === figure)?.quantity;
    return demandsOf(draft, this.preferences.units(), quantityOf);
  }

  protected find(): void {
    const asked = this.state.asked();
    const draft = this.draft();
    const read = this.read(draft);
    this.problems.set('problems' in read ? read.problems : []);
    if ('problems' in read || !asked) return;
    this.stop();
    this.follow(this.searches.begin({ ...asked, demands: read.demands }), draft);
  }

  private follow(search$: Observable<SetSearch>, draft: DemandDraft): void {
    this.run?.unsubscribe();
    this.refused.set(undefined);
    this.search.set(ASKED);
    let shown = false;
    this.run = search$.subscribe({
      next: (search) => {
        const isNew = this.search()?.id !== search.id;
        this.answeredTo.set(draft);
        this.search.set(search);
        if (isNew && search.id !== '') this.address(search.id);
        if (!shown && this.found()) {
          shown = true;
          this.comeIntoView();
        }
        if (search.problem !== undefined) this.refused.set(search.problem);
      },
      error: (error: unknown) => {
        this.search.set(undefined);
        this.refused.set(error instanceof Error ? error.message : 'It could not be worked out. Try again.');
      },
    });
  }

  /** On a narrow screen the answer stands below the demands; only the page is moved, never the frame round it. */
  private comeIntoView(): void {
    afterNextRender(
      () => {
        const answers = this.answers()?.nativeElement;
        answers?.parentElement?.scrollTo({ top: answers.offsetTop });
      },
      { injector: this.injector },
    );
  }

  private address(search: string): void {
    void this.router.navigate([], {
      queryParams: { search },
      queryParamsHandling: 'merge',
      replaceUrl: true,
    });
  }

  /** Stops what goes on; what it has found is shown as soon as it has stopped. */
  protected stop(): void {
    const search = this.search();
    if (!search || isOver(search)) return;
    if (search.id === '') {
      this.run?.unsubscribe();
      this.search.set(undefined);
    } else this.searches.stop(search.id).subscribe({ error: () => undefined });
  }

  /** Puts a set into the places of the build. */
  protected take({ places }: SetTold): void {
    this.state.alter('Took a set over.', (build) => ({ ...build, places: [...places] }));
    const id = this.state.id();
    void this.router.navigate(['/plan', id], { queryParams: { show: 'joints' } });
  }

  /** A build of its own beside this one. */
  protected begin(set: SetTold): void {
    const build = this.state.build();
    if (!build) return;
    void this.router.navigate(['/plan', this.copyWith(set, build)], { queryParams: { show: 'joints' } });
  }

  /** In the job of the build, or in one that is begun for it: there is what is to be bought and machined. */
  protected order(set: SetTold): void {
    const build = this.state.build();
    if (!build) return;
    const job = build.job ?? this.jobs.begin(`${build.name}, a set found`.slice(0, 120));
    const id = this.copyWith(set, { ...build, job });
    const besides = set.besides.map((each): ShopWork => ({ id: crypto.randomUUID(), ...each, state: 'planned' }));
    this.jobs.alter(job, (before) => ({
      ...before,
      build: id,
      ...(besides.length === 0 ? {} : { work: [...(before.work ?? []), ...besides] }),
    }));
    void this.router.navigate(['/order'], { queryParams: { job } });
  }

  private copyWith({ places }: SetTold, { id: _id, ...build }: Build): string {
    return this.builds.begin({ ...build, places: [...places], name: `${build.name}, a set found`.slice(0, 120) });
  }

  protected takeOut({ set }: WayOut): void {
    this.take(set);
  }
}

import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import type { Answers, Requests, SetTold } from '@which-bore/core';
import { catchError, map, of, switchMap, tap, throwError, type Observable, type Subscription } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { BrowserStorage } from '../data/browserStorage';
import { Builds } from '../data/builds';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { demandsOf, keptDraft, type DemandDraft, type FieldProblem } from './demandDraft';
import { DemandsForm } from './demandsForm';
import { NoSet, type WayOut } from './noSet';
import { PlanState } from './planState';
import { SetsFound } from './setsFound';

/** Where the demands of a build are kept in this browser. */
const keptAs = (build: string): string => `demands.${build}`;

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
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly builds = inject(Builds);
  private readonly storage = inject(BrowserStorage);
  private readonly preferences = inject(Preferences);
  private readonly router = inject(Router);

  protected readonly missing = signal(false);
  protected readonly draft = signal<DemandDraft>(keptDraft(undefined));
  protected readonly problems = signal<readonly FieldProblem[]>([]);
  protected readonly refused = signal<string | undefined>(undefined);
  protected readonly busy = signal<'sets' | 'conflicts' | undefined>(undefined);
  protected readonly answer = signal<Answers['planSets'] | undefined>(undefined);
  protected readonly conflicts = signal<Answers['planConflicts'] | undefined>(undefined);
  /** What was asked when the answer came: the fields may say something else by now. */
  private readonly answeredTo = signal<DemandDraft | undefined>(undefined);
  protected readonly isStale = computed(() => this.answer() !== undefined && this.answeredTo() !== this.draft());
  protected readonly parts = computed(() => this.state.sheet()?.parts ?? []);
  protected readonly figures = computed(() => this.state.sheet()?.figures ?? []);
  private run: Subscription | undefined;
  private readonly injector = inject(Injector);
  private readonly answers = viewChild<ElementRef<HTMLElement>>('answers');

  constructor() {
    const id = toSignal(inject(ActivatedRoute).paramMap.pipe(map((params) => params.get('id') ?? undefined)));
    effect(() => {
      const wanted = id();
      this.state.id.set(wanted);
      if (wanted === undefined) return;
      this.draft.set(keptDraft(this.storage.read(keptAs(wanted))));
      void this.builds.open(wanted).then((found) => this.missing.set(found !== 'there'));
    });
  }

  protected changed(draft: DemandDraft): void {
    this.draft.set(draft);
    const id = this.state.id();
    if (id !== undefined) this.storage.write(keptAs(id), draft);
  }

  private ask<N extends 'planSets' | 'planConflicts'>(name: N, request: Requests[N]): Observable<Answers[N]> {
    // It is much work: the server has threads for it. Where that is away, this browser does it without the shelf.
    return this.api
      .ask(name, request)
      .pipe(
        catchError((error: unknown) =>
          error instanceof ApiError && error.kind === 'away'
            ? this.questions.askOnce(name, request)
            : throwError(() => error),
        ),
      );
  }

  protected find(): void {
    const asked = this.state.asked();
    const draft = this.draft();
    const read = demandsOf(
      draft,
      this.preferences.units(),
      (figure) => this.figures().find(({ id }) => id === figure)?.quantity,
    );
    this.problems.set('problems' in read ? read.problems : []);
    if ('problems' in read || !asked) return;
    this.stop();
    this.refused.set(undefined);
    this.answer.set(undefined);
    this.conflicts.set(undefined);
    this.busy.set('sets');
    const request = { ...asked, demands: read.demands };
    this.run = this.ask('planSets', request)
      .pipe(
        tap((answer) => {
          this.answeredTo.set(draft);
          this.answer.set(answer);
          // On a narrow screen the answer stands below the demands; only the page is moved, never the frame round it.
          afterNextRender(
            () => {
              const answers = this.answers()?.nativeElement;
              answers?.parentElement?.scrollTo({ top: answers.offsetTop });
            },
            { injector: this.injector },
          );
          this.busy.set(answer.sets.length > 0 || !answer.proved ? undefined : 'conflicts');
        }),
        switchMap((answer) =>
          answer.sets.length > 0 || !answer.proved ? of(undefined) : this.ask('planConflicts', request),
        ),
      )
      .subscribe({
        next: (conflicts) => this.conflicts.set(conflicts),
        error: (error: unknown) => {
          this.busy.set(undefined);
          this.refused.set(error instanceof Error ? error.message : 'It could not be worked out. Try again.');
        },
        complete: () => this.busy.set(undefined),
      });
  }

  protected stop(): void {
    this.run?.unsubscribe();
    this.run = undefined;
    this.busy.set(undefined);
  }

  /** Puts a set into the places of the build. */
  protected take({ places }: SetTold): void {
    this.state.alter('Took a set over.', (build) => ({ ...build, places: [...places] }));
    const id = this.state.id();
    void this.router.navigate(['/plan', id], { queryParams: { show: 'joints' } });
  }

  /** A build of its own beside this one. */
  protected begin({ places }: SetTold): void {
    const build = this.state.build();
    if (!build) return;
    const { id: _id, ...rest } = build;
    const id = this.builds.begin({ ...rest, places: [...places], name: `${build.name}, a set found`.slice(0, 120) });
    void this.router.navigate(['/plan', id], { queryParams: { show: 'joints' } });
  }

  protected takeOut({ set }: WayOut): void {
    this.take(set);
  }
}

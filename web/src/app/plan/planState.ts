import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Answers, Build, Requests, TypedSize } from '@which-bore/core';
import { catchError, filter, map, of, switchMap, type Observable } from 'rxjs';
import { Builds } from '../data/builds';
import { Questions } from '../data/questions';
import { UndoBar } from '../data/undoBar';

/** The build that is looked at, with what is asked of it; one for the station and all that stands in it. */
@Injectable()
export class PlanState {
  private readonly builds = inject(Builds);
  private readonly questions = inject(Questions);
  private readonly undoBar = inject(UndoBar);

  readonly id = signal<string | undefined>(undefined);
  /** The cylinder that is drawn, from the front. */
  readonly cylinder = signal(1);
  /** Crank angle after the top between exhaust and intake, degrees. */
  readonly angle = signal(0);
  /** Why the last answer did not come. */
  readonly refused = signal<string | undefined>(undefined);

  readonly build = toSignal(
    toObservable(this.id).pipe(switchMap((id) => (id === undefined ? of(undefined) : this.builds.watch(id)))),
  );

  /** What every question about the build begins with. */
  readonly asked = computed((): Pick<Requests['buildSheet'], 'build'> | undefined => {
    const build = this.build();
    return build && { build };
  });

  private readonly sheetAsked = computed(() => {
    const asked = this.asked();
    return asked && { ...asked, cylinder: this.cylinder() };
  });

  readonly sheet = toSignal(
    toObservable(this.sheetAsked).pipe(
      filter((asked) => asked !== undefined),
      switchMap((asked) => this.answered('buildSheet', asked)),
    ),
  );

  /** The answer to a question about the build; nothing where it is refused, and why is said. */
  answered<N extends 'buildSheet' | 'buildJoints' | 'buildCurves' | 'buildSweep'>(
    name: N,
    request: Requests[N],
  ): Observable<Answers[N] | undefined> {
    return this.questions.ask(name, request).pipe(
      map((answer) => {
        this.refused.set(undefined);
        return answer;
      }),
      catchError((error: unknown) => {
        this.refused.set(error instanceof Error ? error.message : 'It could not be worked out.');
        return of(undefined);
      }),
    );
  }

  /** Changes the build, and offers the way back. */
  alter(says: string, change: (build: Build) => Build): void {
    const before = this.build();
    if (!before) return;
    this.builds.alter(before.id, change);
    this.undoBar.offer(says, () => this.builds.alter(before.id, () => before));
  }

  /** Puts a figure in the place of what parts have, or takes it out where there is none. */
  putSize(of: string, at: number | undefined, size: TypedSize | undefined, says: string): void {
    this.alter(says, (build) => ({
      ...build,
      sizes: [
        ...build.sizes.filter((each) => each.of !== of || each.at !== at),
        ...(size ? [at === undefined ? size : { ...size, at }] : []),
      ],
    }));
  }
}

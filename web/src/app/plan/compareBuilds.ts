import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { showValue, SUBJECTS, type Answers, type Build, type FigureSubject, type FigureTold } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { combineLatest, map, of, switchMap, catchError, type Observable } from 'rxjs';
import { Builds } from '../data/builds';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { VerdictMark } from '../ui/verdictMark';
import { OverlaidCurves, type Overlaid } from './overlaidCurves';

const MOST = 4;

interface Column {
  readonly build: Build;
  readonly asked: Overlaid['asked'];
  readonly sheet: Answers['buildSheet'] | undefined;
  readonly judged: Answers['buildJoints']['judged'];
}

/** Up to four builds figure by figure, with what each costs. */
@Component({
  selector: 'wb-compare-builds',
  imports: [FormsModule, NzSelectModule, OverlaidCurves, RouterLink, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './compareBuilds.html',
  styleUrl: './compareBuilds.less',
})
export class CompareBuilds {
  private readonly builds = inject(Builds);
  private readonly questions = inject(Questions);
  private readonly preferences = inject(Preferences);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);

  protected readonly all = toSignal(this.builds.all$, { initialValue: [] });
  private readonly query = toSignal(this.route.queryParamMap, { requireSync: true });
  protected readonly ids = computed(() => (this.query().get('of') ?? '').split(',').filter(Boolean).slice(0, MOST));

  protected readonly columns = toSignal(
    toObservable(this.ids).pipe(
      switchMap((ids) =>
        ids.length === 0
          ? of<readonly Column[]>([])
          : combineLatest(ids.map((id) => this.builds.watch(id))).pipe(
              map((all) => all.filter((build): build is Build => build !== undefined)),
              switchMap((all) =>
                all.length === 0 ? of<readonly Column[]>([]) : combineLatest(all.map((build) => this.column(build))),
              ),
            ),
      ),
    ),
    { initialValue: [] as readonly Column[] },
  );

  constructor() {
    effect(() => {
      for (const id of this.ids()) void this.builds.open(id);
    });
  }

  private column(build: Build): Observable<Column> {
    const asked = { build };
    return combineLatest([this.questions.ask('buildSheet', asked), this.questions.ask('buildJoints', asked)]).pipe(
      map(([sheet, { judged }]): Column => ({ build, asked, sheet, judged })),
      catchError(() => of<Column>({ build, asked, sheet: undefined, judged: undefined })),
    );
  }

  protected readonly overlaid = computed(
    (): readonly Overlaid[] => this.columns().map(({ build, asked }) => ({ name: build.name, asked })),
    { equal: dequal },
  );

  protected readonly subjects = computed(() => {
    const columns = this.columns();
    const ids = [...new Set(columns.flatMap(({ sheet }) => (sheet?.figures ?? []).map(({ id }) => id)))];
    const rows = ids.flatMap((id) => {
      const figures = columns.map(({ sheet }) => sheet?.figures.find((figure) => figure.id === id));
      const any = figures.find((figure) => figure !== undefined);
      if (!any || !figures.some((figure) => figure?.found[0]?.value !== undefined)) return [];
      const values = figures.map((figure) => this.value(figure));
      return [
        {
          figure: any,
          cells: figures.map((figure, at) => ({ says: values[at] ?? '', verdict: worst(figure) })),
          differs: new Set(values).size > 1,
        },
      ];
    });
    return (Object.keys(SUBJECTS) as FigureSubject[])
      .map((id) => ({ id, name: SUBJECTS[id], rows: rows.filter(({ figure }) => figure.subject === id) }))
      .filter((subject) => subject.rows.length > 0);
  });

  private value(figure: FigureTold | undefined): string {
    const units = this.preferences.units();
    const values = (figure?.found ?? []).flatMap(({ value }) =>
      value === undefined || !figure ? [] : [showValue(value, figure.quantity, units)],
    );
    return values.length === 0 ? 'not known' : [...new Set(values)].join(' / ');
  }

  protected choose(ids: readonly string[]): void {
    void this.router.navigate([], { queryParams: { of: ids.slice(-MOST).join(',') }, replaceUrl: true });
  }

  protected money(judged: Column['judged']): string {
    return judged ? `${Math.round(judged.price)}, ${judged.hours.toFixed(1)} h` : 'not known';
  }
}

const ORDER = ['doesNotFit', 'cannotTell', 'fitsWithWork', 'fits'] as const;

/** The worst of what is said of a figure in any cylinder. */
const worst = (figure: FigureTold | undefined): (typeof ORDER)[number] | undefined =>
  ORDER.find((verdict) => figure?.found.some((found) => found.verdict === verdict));

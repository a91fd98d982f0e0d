import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  KIND_IDS,
  KINDS,
  showValue,
  type Answers,
  type FigureTold,
  type Photograph,
  type Specimen,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { catchError, forkJoin, map, of, switchMap } from 'rxjs';
import { Api } from '../data/api';
import { Jobs } from '../data/jobs';
import { Orders, type WholeJob } from '../data/orders';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { fieldText } from '../ui/fieldText';
import { ReadingWords } from '../ui/readingWords';

/** Figures that a customer is told, before and after. */
const TOLD = ['displacement', 'ratio', 'belowDeck', 'squish', 'meanSpeed', 'wallLeft', 'safeSpeed'];

const round = (value: number, places: number): string => value.toFixed(places);

/** What the customer is handed: what it was, what was found and done, figures before and after, parts and hours. */
@Component({
  selector: 'wb-report-panel',
  imports: [DatePipe, NzButtonModule, NzInputModule, ReadingWords],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reportPanel.html',
  styleUrl: './panels.less',
})
export class ReportPanel {
  private readonly api = inject(Api);
  private readonly jobs = inject(Jobs);
  private readonly orders = inject(Orders);
  private readonly questions = inject(Questions);
  private readonly preferences = inject(Preferences);
  readonly whole = input.required<WholeJob>();

  private readonly whole$ = toObservable(this.whole);
  private readonly sheet = toSignal(
    this.whole$.pipe(
      switchMap(({ build, specimens }) =>
        build
          ? this.questions
              .ask('buildSheet', { build, specimens: specimens.filter(({ id }) => inBuild(build, id)) })
              .pipe(catchError(() => of(undefined)))
          : of(undefined),
      ),
    ),
  );
  private readonly engine = toSignal(
    this.whole$.pipe(
      switchMap(({ job, specimens }) =>
        this.questions
          .ask('engine', { readings: job.readings.map(({ is }) => is), specimens: specimens.slice(0, MOST_LOOKED_AT) })
          .pipe(catchError(() => of<Answers['engine'] | undefined>(undefined))),
      ),
    ),
  );
  protected readonly work = toSignal(
    this.whole$.pipe(
      switchMap((whole) => this.questions.ask('shopSheet', whole).pipe(catchError(() => of(undefined)))),
    ),
  );
  /** Photographs of the parts, by specimen. */
  private readonly pictures = toSignal(
    this.whole$.pipe(
      switchMap(({ specimens }) =>
        specimens.length === 0
          ? of([])
          : forkJoin(
              specimens.map(({ id }) =>
                this.api.photographs(id).pipe(
                  map((all) => [id, all] as const),
                  catchError(() => of([id, [] as Photograph[]] as const)),
                ),
              ),
            ),
      ),
    ),
    { initialValue: [] },
  );

  protected readonly identity = computed(() => {
    return this.engine()?.engine.says ?? '';
  });
  protected readonly parts = computed(() =>
    [...this.whole().specimens].sort(inOrder).map((specimen) => ({
      specimen,
      kind: KINDS[specimen.kind].name,
      sizes: specimen.readings.filter(({ is }) => is.sort !== 'unread').slice(0, MOST_READINGS),
      more: Math.max(0, specimen.readings.length - MOST_READINGS),
      pictures: this.pictures().find(([id]) => id === specimen.id)?.[1] ?? [],
    })),
  );
  protected readonly figures = computed(() =>
    (this.sheet()?.figures ?? [])
      .filter(({ id }) => TOLD.includes(id))
      .flatMap((figure) => {
        const [found] = figure.found;
        if (found?.value === undefined) return [];
        return [
          {
            name: figure.name,
            before: found.base === undefined ? '' : this.bothUnits(found.base, figure),
            after: this.bothUnits(found.value, figure),
          },
        ];
      }),
  );
  protected readonly bought = computed(() =>
    (this.whole().job.orders ?? []).filter(({ state }) => state === 'ordered' || state === 'received'),
  );
  protected readonly done = computed(() => (this.work()?.steps ?? []).filter(({ state }) => state === 'back'));
  protected readonly hours = computed(() =>
    round(
      (this.whole().job.hours ?? []).reduce((so, { hours }) => so + hours, 0),
      1,
    ),
  );
  protected readonly log = computed(() => [...(this.whole().job.log ?? [])].sort((a, b) => (a.at < b.at ? -1 : 1)));
  protected readonly today = new Date();

  /** In both systems of units, whatever the reader uses: the customer may use the other. */
  private bothUnits(value: number, { quantity }: FigureTold): string {
    const [metric, inch] = [showValue(value, quantity, 'metric'), showValue(value, quantity, 'inch')];
    return metric === inch ? metric : `${metric} (${inch})`;
  }

  protected write(field: 'runIn' | 'handedOver', text: string): void {
    this.jobs.alter(this.whole().job.id, ({ [field]: _before, ...job }) => ({
      ...job,
      ...(text.trim() === '' ? {} : { [field]: text.trim().slice(0, 4000) }),
    }));
  }

  protected spend(event: Event, form: HTMLFormElement): void {
    event.preventDefault();
    const hours = Number(fieldText(form, 'hours').replace(',', '.'));
    const on = fieldText(form, 'on');
    if (!(hours > 0 && hours <= 1000) || on === '') return;
    const who = this.preferences.name().trim();
    this.orders.put(this.whole().job.id, 'hours', {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      ...(who ? { who: who.slice(0, 120) } : {}),
      hours,
      on: on.slice(0, 200),
    });
    form.reset();
  }

  protected print(): void {
    window.print();
  }
}

/** Parts that the engine is looked for by, and readings of each that stand in the report. */
const MOST_LOOKED_AT = 60;
const MOST_READINGS = 14;

/** As they lie in the engine, rod 2 before rod 10. */
const BY_NAME = new Intl.Collator('en', { numeric: true });
const inOrder = (a: Specimen, b: Specimen): number =>
  KIND_IDS.indexOf(a.kind) - KIND_IDS.indexOf(b.kind) || BY_NAME.compare(a.name, b.name);

const inBuild = ({ places }: NonNullable<WholeJob['build']>, id: string): boolean =>
  places.some(({ specimen }) => specimen === id);

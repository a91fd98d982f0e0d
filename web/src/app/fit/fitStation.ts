import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { KIND_IDS, KINDS, sheetFor, SHEETS, type SheetLayout, type SpecimenSummary } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { switchMap } from 'rxjs';
import { Jobs } from '../data/jobs';
import { Specimens } from '../data/specimens';
import { BoresPanel } from './boresPanel';
import { MeasuringSheet } from './measuringSheet';
import { SetsPanel } from './setsPanel';
import { ShellsPanel } from './shellsPanel';

const VIEWS = { sheet: 'Sheets', bores: 'Bores', shells: 'Shells', sets: 'Sets' } as const;
type View = keyof typeof VIEWS;

const isView = (name: string | null): name is View => name !== null && Object.hasOwn(VIEWS, name);

/** Rod 2 before rod 10. */
const BY_NAME = new Intl.Collator('en', { numeric: true });

/** Measure, select and match. The address holds the whole state: job, part, sheet, view. */
@Component({
  selector: 'wb-fit-station',
  imports: [BoresPanel, FormsModule, MeasuringSheet, NzSelectModule, RouterLink, SetsPanel, ShellsPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './fitStation.html',
  styleUrl: './fitStation.less',
})
export class FitStation {
  private readonly router = inject(Router);
  private readonly specimens = inject(Specimens);
  private readonly open = viewChild(MeasuringSheet);
  private readonly query = toSignal(inject(ActivatedRoute).queryParamMap, { requireSync: true });
  protected readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  private readonly stored = toSignal(this.specimens.all$, { initialValue: [] as readonly SpecimenSummary[] });

  protected readonly views = (Object.keys(VIEWS) as View[]).map((id) => ({ id, name: VIEWS[id] }));
  protected readonly view = computed((): View => {
    const name = this.query().get('view');
    return isView(name) ? name : 'sheet';
  });
  protected readonly job = computed(() => this.query().get('job') ?? '');

  /** What has not been sold or scrapped. */
  private readonly here = computed(() => this.stored().filter(({ shelf }) => shelf?.gone === undefined));
  /** Parts of the job, or those of the shelf that no job has. */
  protected readonly parts = computed(() =>
    this.here()
      .filter(({ job }) => (this.job() === '' ? job === undefined : job === this.job()))
      .sort((a, b) => KIND_IDS.indexOf(a.kind) - KIND_IDS.indexOf(b.kind) || BY_NAME.compare(a.name, b.name)),
  );
  protected readonly shelf = computed(() => this.here().filter(({ job }) => job === undefined));
  /** Parts that have a sheet laid out as the engine is, each with its sheets. */
  protected readonly measured = computed(() =>
    this.parts().flatMap((part) => {
      const sheets = SHEETS.filter(({ kind }) => kind === part.kind);
      return sheets.length === 0 ? [] : [{ part, kind: KINDS[part.kind].name, sheets }];
    }),
  );
  /** Kinds of which several lie here, with the sheets that have one place to a part: all are measured in one go. */
  protected readonly together = computed(() =>
    KIND_IDS.flatMap((kind) => {
      const parts = this.parts().filter((part) => part.kind === kind);
      const sheets = SHEETS.filter((sheet) => sheet.kind === kind && sheet.parameter.per === 'part');
      return parts.length > 1 && sheets.length > 0
        ? [{ kind, name: KINDS[kind].plural.toLowerCase(), parts, sheets }]
        : [];
    }),
  );
  /** The kind whose parts are measured together. */
  protected readonly all = computed(() => this.together().find(({ kind }) => kind === this.query().get('all')));
  /** Parts whose sheet it is; a list that is begun anew whenever any part changes is still of the same. */
  protected readonly sheetOf = computed(
    (): readonly string[] => {
      const part = this.partId();
      return this.all()?.parts.map(({ id }) => id) ?? (part === undefined ? [] : [part]);
    },
    { equal: dequal },
  );
  protected readonly partId = computed(() => this.query().get('part') ?? this.measured()[0]?.part.id);
  protected readonly sheet = computed(() => {
    const named = sheetFor(this.query().get('sheet') ?? '');
    const own = this.all() ?? this.measured().find(({ part }) => part.id === this.partId());
    return named && own?.sheets.includes(named) ? named : own?.sheets[0];
  });

  /** Several parts that are measured in one go, then each by itself; that which is open has its sheets. */
  protected readonly listed = computed(() => [
    ...this.together().map(({ kind, name, parts, sheets }) => ({
      key: kind as string,
      name: `All ${parts.length} ${name}`,
      part: null,
      all: kind,
      sheets,
      isOpen: this.all()?.kind === kind,
    })),
    ...this.measured().map(({ part, sheets }) => ({
      key: part.id,
      name: part.name,
      part: part.id,
      all: null,
      sheets,
      isOpen: !this.all() && this.partId() === part.id,
    })),
  ]);

  constructor() {
    toObservable(this.sheetOf)
      .pipe(
        switchMap((ids) => this.specimens.openEach(ids)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** The sheet that is pressed may be the one that is open: no other comes, and the cursor goes back to it. */
  protected pressed(sheet: SheetLayout): void {
    if (sheet === this.sheet()) this.open()?.standReady();
  }

  protected go(queryParams: Readonly<Record<string, string | null>>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge' });
  }
}

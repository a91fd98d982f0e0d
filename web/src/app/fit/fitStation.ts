import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { KIND_IDS, KINDS, sheetFor, SHEETS, type SpecimenSummary } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
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
  private readonly query = toSignal(inject(ActivatedRoute).queryParamMap, { requireSync: true });
  protected readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  private readonly all = toSignal(this.specimens.all$, { initialValue: [] as readonly SpecimenSummary[] });

  protected readonly views = (Object.keys(VIEWS) as View[]).map((id) => ({ id, name: VIEWS[id] }));
  protected readonly view = computed((): View => {
    const name = this.query().get('view');
    return isView(name) ? name : 'sheet';
  });
  protected readonly job = computed(() => this.query().get('job') ?? '');

  /** Parts of the job, or those of the shelf that no job has. */
  protected readonly parts = computed(() =>
    this.all()
      .filter(({ job }) => (this.job() === '' ? job === undefined : job === this.job()))
      .sort((a, b) => KIND_IDS.indexOf(a.kind) - KIND_IDS.indexOf(b.kind) || BY_NAME.compare(a.name, b.name)),
  );
  /** Parts that have a sheet laid out as the engine is, each with its sheets. */
  protected readonly measured = computed(() =>
    this.parts().flatMap((part) => {
      const sheets = SHEETS.filter(({ kind }) => kind === part.kind);
      return sheets.length === 0 ? [] : [{ part, kind: KINDS[part.kind].name, sheets }];
    }),
  );
  protected readonly partId = computed(() => this.query().get('part') ?? this.measured()[0]?.part.id);
  protected readonly sheet = computed(() => {
    const named = sheetFor(this.query().get('sheet') ?? '');
    const own = this.measured().find(({ part }) => part.id === this.partId());
    return named && own?.sheets.includes(named) ? named : own?.sheets[0];
  });

  constructor() {
    effect(() => {
      const id = this.partId();
      if (id !== undefined) void this.specimens.open(id);
    });
  }

  protected go(queryParams: Readonly<Record<string, string | null>>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge' });
  }
}

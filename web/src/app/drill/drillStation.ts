import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { checkKey, DRILL_LEVELS, enoughToDrill, KIND_IDS, KINDS, type DrillLevel, type KindId, type SheetLine, type Understood } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, EMPTY } from 'rxjs';
import { Api, ApiError, type RecordedDrill } from '../data/api';
import { CatalogueData } from '../data/catalogueData';
import type { DrillEnd } from '../data/drillInWorker';
import { Preferences } from '../data/preferences';
import { Sums } from '../data/sums';
import { ReadingWords } from '../ui/readingWords';
import { DrillDebrief } from './drillDebrief';
import { DrillProgress } from './drillProgress';

/** One thing asked, and what came of it. */
interface Asked {
  readonly line: SheetLine;
  readonly reading: Understood;
}

const GROUPS = [
  { sort: 'mark', name: 'Marks' },
  { sort: 'look', name: 'Looks' },
  { sort: 'size', name: 'Sizes' },
] as const;

/** Stands for a part in no catalogue among the answers. */
const NONE = 'none';

/** A trainer: a part is hidden, each question costs minutes, and in the end it is named. */
@Component({
  selector: 'wb-drill-station',
  imports: [DrillDebrief, DrillProgress, FormsModule, NzButtonModule, NzInputModule, NzSelectModule, ReadingWords, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './drillStation.html',
  styleUrl: './drill.less',
})
export class DrillStation {
  private readonly sums = inject(Sums);
  private readonly api = inject(Api);
  protected readonly preferences = inject(Preferences);
  protected readonly catalogue = toSignal(inject(CatalogueData).view$);

  protected readonly levels = DRILL_LEVELS;
  protected readonly level = signal<DrillLevel['id']>('clean');
  protected readonly kind = signal<KindId>('crank');
  protected readonly kinds = computed(() =>
    enoughToDrill(KIND_IDS, (kind) => this.catalogue()?.ofKind(kind).length ?? 0).map((id) => ({ id, name: KINDS[id].plural })),
  );

  protected readonly sheet = signal<readonly SheetLine[]>([]);
  protected readonly asked = signal<readonly Asked[]>([]);
  protected readonly running = signal(false);
  protected readonly named = signal<string | undefined>(undefined);
  protected readonly ended = signal<DrillEnd | undefined>(undefined);
  protected readonly record = signal<readonly RecordedDrill[]>([]);
  protected readonly failure = signal<string | undefined>(undefined);

  protected readonly minutes = computed(() => this.asked().reduce((sum, { line }) => sum + line.minutes, 0));
  protected readonly groups = computed(() =>
    GROUPS.map((group) => ({ ...group, lines: this.sheet().filter(({ sort }) => sort === group.sort) })).filter(({ lines }) => lines.length > 0),
  );
  protected readonly answers = computed(() => {
    const catalogue = this.catalogue();
    return (catalogue?.ofKind(this.kind()) ?? []).map(({ id }) => ({ id, label: catalogue?.label(id) ?? id })).sort((a, b) => (a.label < b.label ? -1 : 1));
  });
  protected readonly kindName = computed(() => KINDS[this.kind()].name.toLowerCase());
  protected readonly none = NONE;
  protected readonly key = checkKey;
  protected readonly label = (id: string): string => this.catalogue()?.label(id) ?? id;

  constructor() {
    this.fetchRecord();
  }

  protected begin(): void {
    this.failure.set(undefined);
    // The seed decides which part it is, so that no two drills are alike.
    const [seed = 1] = crypto.getRandomValues(new Uint32Array(1));
    this.sums.beginDrill(this.kind(), this.level(), seed).subscribe({
      next: (sheet) => {
        this.sheet.set(sheet);
        this.asked.set([]);
        this.named.set(undefined);
        this.ended.set(undefined);
        this.running.set(true);
      },
      error: () => this.failure.set('There is nothing of this kind to drill on in the catalogue.'),
    });
  }

  protected ask(line: SheetLine): void {
    this.sums.askInDrill(checkKey(line)).subscribe((reading) => {
      if (reading) this.asked.update((all) => [...all, { line, reading }]);
    });
  }

  protected times(line: SheetLine): number {
    return this.asked().filter((each) => checkKey(each.line) === checkKey(line)).length;
  }

  protected finish(): void {
    const named = this.named();
    if (named === undefined) return;
    this.sums.endDrill(named === NONE ? undefined : named).subscribe((end) => {
      if (!end) return;
      this.ended.set(end);
      this.running.set(false);
      this.put(end, named === NONE ? undefined : named);
    });
  }

  private put(end: DrillEnd, named: string | undefined): void {
    this.api
      .recordDrill({
        id: crypto.randomUUID(),
        level: this.level(),
        kind: this.kind(),
        ...(end.pattern === undefined ? {} : { pattern: end.pattern }),
        ...(named === undefined ? {} : { named }),
        minutes: end.minutes,
        engineMinutes: end.engine.minutes,
        wasted: end.steps.filter(({ wasted }) => wasted).length,
        score: end.score,
      })
      .subscribe({
        next: () => this.fetchRecord(),
        error: (error: unknown) =>
          this.failure.set(error instanceof ApiError && error.kind !== 'away' ? error.message : 'The server is away: this drill is not on record.'),
      });
  }

  private fetchRecord(): void {
    this.api
      .drills()
      .pipe(catchError(() => EMPTY))
      .subscribe((record) => this.record.set(record));
  }
}

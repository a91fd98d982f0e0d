import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import {
  allColumns,
  columnLabel,
  headerOf,
  shownUnit,
  tableLabel,
  TABLE_IDS,
  UNITS,
  type TableId,
  type UnitId,
  type Import,
  type ImportChoices,
  type ImportRow,
  type ImportTable,
  type ImportOutcome,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzProgressModule } from 'ng-zorro-antd/progress';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { firstValueFrom, of, repeat, switchMap, takeWhile } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Questions } from '../data/questions';
import { UndoBar } from '../data/undoBar';

const AT_WORK = new Set<Import['state']>(['waiting', 'reading', 'applying']);
const ASK_MS = 400;
const LEFT_OUT = '-';

const OUTCOMES: readonly { readonly id: ImportOutcome; readonly name: string; readonly says: string }[] = [
  { id: 'refused', name: 'Refused', says: 'cannot be taken as they stand' },
  { id: 'added', name: 'New', says: 'would be added' },
  { id: 'changed', name: 'Changed', says: 'would be changed' },
  { id: 'same', name: 'Left alone', says: 'are in the catalogue already, the same' },
];

const STATES: Readonly<Record<Import['state'], string>> = {
  waiting: 'Waiting its turn',
  reading: 'Reading and comparing; nothing is changed',
  read: 'Read. Nothing is changed yet',
  applying: 'Going into the catalogue',
  applied: 'In the catalogue',
  cancelled: 'Stopped; nothing was changed',
  failed: 'Cannot be read',
  interrupted: 'Interrupted; nothing was changed',
};

/** Files in and out. An import is read first and looked at row by row, then applied whole or not at all. */
@Component({
  selector: 'wb-import-page',
  imports: [DatePipe, FormsModule, NzButtonModule, NzProgressModule, NzSelectModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './importPage.html',
  styleUrls: ['./page.less', './importPage.less'],
})
export class ImportPage {
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly router = inject(Router);
  private readonly undoBar = inject(UndoBar);

  /** The import looked at, from the address. */
  readonly id = input<string>();

  protected readonly current = signal<Import | undefined>(undefined);
  protected readonly earlier = signal<readonly Import[]>([]);
  protected readonly failure = signal<string | undefined>(undefined);
  protected readonly uploading = signal(false);
  protected readonly over = signal(false);
  protected readonly outcome = signal<ImportOutcome>('refused');
  protected readonly rows = signal<readonly ImportRow[]>([]);
  protected readonly moreRows = signal(false);
  protected readonly choices = signal<ImportChoices>({});

  protected readonly states = STATES;
  protected readonly percent = (of: number): string => `${Math.round(of)} %`;
  protected readonly tableIds = TABLE_IDS.map((id) => ({ id, label: tableLabel(id) }));

  protected readonly busy = computed(() => this.uploading() || AT_WORK.has(this.current()?.state ?? 'read'));
  protected readonly tally = computed(() =>
    OUTCOMES.map((each) => ({
      ...each,
      count: (this.current()?.counts ?? [])
        .filter((count) => count.outcome === each.id)
        .reduce((sum, count) => sum + count.count, 0),
    })),
  );
  protected readonly refused = computed(() => this.tally().find((each) => each.id === 'refused')?.count ?? 0);
  protected readonly moving = computed(() =>
    this.tally()
      .filter((each) => each.id === 'added' || each.id === 'changed')
      .reduce((sum, each) => sum + each.count, 0),
  );
  /** Tables with a column or a name that a person should look at. */
  protected readonly doubtful = computed(() =>
    (this.current()?.tables ?? []).filter(
      (table) => table.problem !== undefined || table.headers.some((each) => each.how !== 'exactly'),
    ),
  );

  /** A change of a choice that is not read yet. */
  protected readonly choicesChanged = computed(() => !dequal(this.choices(), this.current()?.choices ?? {}));

  constructor() {
    // Asked again and again while it is at work, and once more when it has ended.
    toObservable(this.id)
      .pipe(
        switchMap((id) =>
          id === undefined
            ? of(undefined)
            : this.api.import(id).pipe(
                repeat({ delay: ASK_MS }),
                takeWhile((now) => AT_WORK.has(now.state), true),
              ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe({
        next: (now) => {
          this.follow(now);
        },
        error: (error: unknown) => {
          this.tell(error);
        },
      });
    effect(() => {
      if (this.id() === undefined)
        void this.attempt(async () => this.earlier.set(await firstValueFrom(this.api.imports())));
    });
  }

  protected async upload(file: File | undefined): Promise<void> {
    this.over.set(false);
    if (!file) return;
    this.uploading.set(true);
    await this.attempt(async () => {
      const begun = await firstValueFrom(this.api.upload(file));
      await this.router.navigate(['/catalogue/import', begun.id]);
    });
    this.uploading.set(false);
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    void this.upload(event.dataTransfer?.files[0]);
  }

  protected dragOver(event: DragEvent): void {
    event.preventDefault();
    this.over.set(true);
  }

  protected async show(outcome: ImportOutcome): Promise<void> {
    this.outcome.set(outcome);
    this.rows.set([]);
    await this.more();
  }

  protected more(): Promise<void> {
    return this.attempt(async () => {
      const id = this.current()?.id;
      if (id === undefined) return;
      const found = await firstValueFrom(this.api.importRows(id, this.outcome(), this.rows().at(-1)?.position));
      this.rows.update((rows) => [...rows, ...found]);
      this.moreRows.set(found.length >= 200);
    });
  }

  /** What a column of a table can hold, in the units in which it can be given. */
  protected columnChoices(table: ImportTable): readonly { readonly id: string; readonly label: string }[] {
    const as = this.choices()[table.source]?.table ?? table.table;
    if (as === undefined) return [];
    return allColumns(as).flatMap((column) => {
      if (column.holds !== 'size') return [{ id: headerOf(column), label: columnLabel(column) }];
      const { quantity } = column.parameter;
      const units = (['metric', 'inch'] as const)
        .map((system) => shownUnit(quantity, system))
        .filter((unit): unit is UnitId => unit !== undefined);
      return [...new Set(units)].map((unit) => ({
        id: headerOf({ ...column, unit }),
        label: `${column.parameter.name} [${UNITS[unit].words[0]}]`,
      }));
    });
  }

  protected chosenColumn(table: ImportTable, header: ImportTable['headers'][number]): string {
    return this.choices()[table.source]?.columns?.[header.header] ?? header.as ?? LEFT_OUT;
  }

  protected chooseColumn(table: ImportTable, header: string, as: string): void {
    this.choices.update((choices) => ({
      ...choices,
      [table.source]: { ...choices[table.source], columns: { ...choices[table.source]?.columns, [header]: as } },
    }));
  }

  protected chooseTable(table: ImportTable, as: TableId): void {
    this.choices.update((choices) => ({ ...choices, [table.source]: { ...choices[table.source], table: as } }));
  }

  protected readAgain(): Promise<void> {
    return this.withCurrent((id) => firstValueFrom(this.api.readImport(id, this.choices())));
  }

  protected apply(): Promise<void> {
    return this.withCurrent((id) => firstValueFrom(this.api.applyImport(id, this.refused() > 0)));
  }

  protected cancel(): Promise<void> {
    return this.attempt(async () => {
      const id = this.current()?.id;
      if (id === undefined) return;
      await firstValueFrom(this.api.cancelImport(id));
      this.follow(await firstValueFrom(this.api.import(id)));
    });
  }

  /** Does something to the import and follows what becomes of it. */
  private withCurrent(work: (id: string) => Promise<Import>): Promise<void> {
    return this.attempt(async () => {
      const id = this.current()?.id;
      if (id === undefined) return;
      this.follow(await work(id));
      while (this.id() === id && AT_WORK.has(this.current()?.state ?? 'read')) {
        await new Promise((resolve) => setTimeout(resolve, ASK_MS));
        this.follow(await firstValueFrom(this.api.import(id)));
      }
    });
  }

  private follow(now: Import | undefined): void {
    const before = this.current();
    this.current.set(now);
    if (!now) {
      this.rows.set([]);
      return;
    }
    if (now.state === 'read' && (before?.id !== now.id || before.state !== 'read')) {
      this.choices.set(now.choices);
      const first = OUTCOMES.find(({ id }) => now.counts.some((count) => count.outcome === id));
      void this.show(first?.id ?? 'refused');
    }
    if (now.state === 'applied' && before?.id === now.id && before.state !== 'applied') {
      this.questions.refresh();
      const { batch } = now;
      if (batch !== undefined)
        this.undoBar.offer(`${now.fileName} is in the catalogue.`, () => void this.takeBack(batch));
    }
  }

  private takeBack(batch: string): Promise<void> {
    return this.attempt(async () => {
      await firstValueFrom(this.api.undoBatch(batch));
      this.questions.refresh();
    });
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.failure.set(undefined);
    try {
      await work();
    } catch (error) {
      this.tell(error);
    }
  }

  private tell(error: unknown): void {
    if (!(error instanceof ApiError)) throw error;
    this.failure.set(error.message);
  }
}

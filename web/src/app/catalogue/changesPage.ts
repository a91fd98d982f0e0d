import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { differences, RECORD_NAMES, type CatalogueRecord, type Change, type Difference } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { firstValueFrom } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Questions } from '../data/questions';
import { Records } from '../data/records';
import { UndoBar } from '../data/undoBar';
import { growing } from '../ui/growing';
import { RecordLink } from '../ui/recordLink';

/** Changes made together are told together. */
interface Batch {
  readonly batch: string;
  readonly at: string;
  readonly who: string;
  readonly changes: readonly Change[];
}

/** Of a batch this many are named one by one. */
const NAMED = 5;

/** Who changed what and when; anything can be taken back, and that as well. */
@Component({
  selector: 'wb-changes-page',
  imports: [DatePipe, NzButtonModule, RecordLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>Changes</h1>
    @if (failure(); as says) {
      <p class="bad" role="alert">{{ says }}</p>
    }
    <ul class="plain">
      @for (batch of drawn(); track batch.batch) {
        <li>
          <div>
            <b>{{ batch.who }}</b>&ngsp;<span class="quiet">{{ batch.at | date: 'd MMM y, HH:mm' }}</span>
            @for (change of batch.changes.slice(0, named); track change.id) {
              <div>
                {{ change.operation }} the {{ names[change.type] }}
                <wb-record [type]="change.type" [id]="change.record" />
                @if (change.operation === 'changed') {
                  <ul class="what">
                    @for (each of what().get(change.id) ?? []; track each.what) {
                      <li>
                        {{ each.what }}: <del>{{ each.before || 'nothing' }}</del> to
                        <ins>{{ each.after || 'nothing' }}</ins>
                      </li>
                    }
                  </ul>
                }
                @if (batch.changes.length > 1) {
                  <button
                    nz-button
                    nzSize="small"
                    nzType="text"
                    type="button"
                    (click)="undo(change)"
                    [attr.aria-label]="'Take back the change of ' + change.record"
                  >
                    Take back
                  </button>
                }
              </div>
            }
            @if (batch.changes.length > named) {
              <div class="quiet">and {{ batch.changes.length - named }} more in the same go</div>
            }
          </div>
          <button nz-button type="button" (click)="undoAll(batch)">
            {{ batch.changes.length > 1 ? 'Take all back' : 'Take back' }}
          </button>
        </li>
      } @empty {
        <li class="quiet">Nothing was changed yet.</li>
      }
    </ul>
    @if (more()) {
      <button nz-button type="button" (click)="load()">Earlier ones</button>
    }
  `,
  styleUrl: './page.less',
  styles: `
    h1 {
      font-size: 28px;
    }
    .what {
      color: var(--ink-soft);
      font-size: 14px;
      list-style: none;
      margin: 0;
      overflow-wrap: anywhere;
      padding-left: 14px;
    }
    del {
      color: var(--never);
    }
    ins {
      color: var(--fits);
      text-decoration: none;
    }
    .plain > li {
      align-items: start;
      display: grid;
      gap: 10px;
      grid-template-columns: minmax(0, 1fr) auto;
    }
  `,
})
export class ChangesPage {
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly records = inject(Records);
  private readonly undoBar = inject(UndoBar);
  private readonly changes = signal<readonly Change[]>([]);
  protected readonly batches = signal<readonly Batch[]>([]);
  protected readonly drawn = growing(this.batches, 2);
  /** By change that is named, what it changed: up to what the next change found, or to what stands now. */
  protected readonly what = computed(() => {
    const after = new Map<string, CatalogueRecord | undefined>();
    const told = new Map<string, readonly Difference[]>();
    for (const batch of this.drawn())
      for (const [at, { id, type, record, before }] of batch.changes.entries()) {
        const key = `${type} ${record}`;
        const found = (before ?? undefined) as CatalogueRecord | undefined;
        if (at < NAMED)
          told.set(id, differences(type, found, after.has(key) ? after.get(key) : this.records.record(type, record)));
        after.set(key, found);
      }
    return told;
  });
  protected readonly more = signal(false);
  protected readonly failure = signal<string | undefined>(undefined);
  protected readonly names = RECORD_NAMES;
  protected readonly named = NAMED;

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    const before = this.changes().at(-1)?.id;
    await this.attempt(async () => {
      const found = await firstValueFrom(this.api.changes(before === undefined ? {} : { before }));
      this.more.set(found.length > 0);
      this.show([...this.changes(), ...found]);
    });
  }

  protected undo(change: Change): Promise<void> {
    return this.attempt(async () => {
      await firstValueFrom(this.api.undoChange(change.id));
      await this.again(`Took back the change of ${change.record}.`);
    });
  }

  protected undoAll({ batch }: Batch): Promise<void> {
    return this.attempt(async () => {
      const { records } = await firstValueFrom(this.api.undoBatch(batch));
      await this.again(records === 1 ? 'Took back one record.' : `Took back ${records} records.`);
    });
  }

  /** After something was taken back: that is itself the newest change, and can be taken back. */
  private async again(says: string): Promise<void> {
    this.questions.refresh();
    this.show(await firstValueFrom(this.api.changes({})));
    const [last] = this.batches();
    if (last) this.undoBar.offer(says, () => void this.undoAll(last));
  }

  private show(changes: readonly Change[]): void {
    this.changes.set(changes);
    const batches = new Map<string, Change[]>();
    for (const change of changes) batches.set(change.batch, [...(batches.get(change.batch) ?? []), change]);
    this.batches.set(
      [...batches].map(([batch, of]) => ({ batch, at: of[0]?.at ?? '', who: of[0]?.who ?? '', changes: of })),
    );
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.failure.set(undefined);
    try {
      await work();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.failure.set(error.message);
    }
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import {
  checkRecord,
  emptyRecord,
  formTextOf,
  isKindId,
  KINDS,
  readFormText,
  RECORD_NAMES,
  recordTypeOf,
  schemaProblems,
  type FormText,
  type RecordOf,
  type RecordType,
  type Scheme,
  type TableId,
} from '@which-bore/core';
import { recordErrors } from '@which-bore/core/validators';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { firstValueFrom } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Questions } from '../data/questions';
import { BrowserStorage } from '../data/browserStorage';
import { Preferences } from '../data/preferences';
import { UndoBar } from '../data/undoBar';
import { pageOf } from '../ui/recordLink';
import { InTurn } from '../ui/turns';
import { RecordForm } from './recordForm';
import { SchemeTrial } from './schemeTrial';

/** What is being typed, kept in this browser until it is saved. */
interface Draft {
  readonly text: FormText;
  /** The version it was begun from. */
  readonly version: number;
}

const isDraft = (value: unknown): value is Draft =>
  typeof value === 'object' && value !== null && 'text' in value && 'version' in value;

/** Adds a record or changes one, by a form from the dictionary; a scheme is tried live beside it. */
@Component({
  selector: 'wb-edit-page',
  imports: [InTurn, NzButtonModule, NzInputModule, RecordForm, SchemeTrial],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (text(); as current) {
      <header class="head">
        <h1>
          <small>{{ fresh() ? 'New ' + what() : 'Editing the ' + what() }}</small>
          {{ title() }}
        </h1>
        <div class="doing">
          @if (kept()) {
            <button nz-button type="button" (click)="discard()">Discard what is typed</button>
          }
          @if (!fresh()) {
            <button nz-button nzDanger type="button" (click)="remove()">Remove</button>
          }
          <button nz-button nzType="primary" type="button" [disabled]="saving() || count() > 0" (click)="save()">
            Save
          </button>
        </div>
      </header>
      <div *wbInTurn class="state" role="status">
        <label for="who">Changes go on record under</label>
        <input
          nz-input
          id="who"
          placeholder="your name"
          [value]="preferences.name()"
          #who
          (input)="preferences.name.set(who.value)"
        />
        @if (count() > 0) {
          <span class="bad"
            >{{ count() === 1 ? 'One thing' : count() + ' things' }} to mend below before it can be saved.</span
          >
        } @else if (kept()) {
          <span class="quiet">Kept in this browser, not saved yet.</span>
        }
      </div>
      @if (failure(); as failed) {
        <p class="bad" role="alert">
          {{ failed.says }}
          @if (failed.theirs) {
            <button nz-button nzSize="small" type="button" (click)="takeTheirs()">
              Show what they saved, without mine
            </button>
            <button nz-button nzSize="small" type="button" (click)="keepMine()">Keep mine, to be saved over it</button>
          }
        </p>
      }
      @if (general().length > 0) {
        <ul class="bad">
          @for (each of general(); track $index) {
            <li>{{ each }}</li>
          }
        </ul>
      }
      <div [class.beside]="scheme()">
        <wb-record-form
          *wbInTurn
          [table]="table()"
          [text]="current"
          (textChange)="keep($event)"
          [problems]="read().problems"
          [fresh]="fresh()"
          [at]="at()"
        />
        @if (scheme(); as trial) {
          <wb-scheme-trial *wbInTurn [scheme]="trial" />
        }
      </div>
    } @else if (missing()) {
      <h1>No such record</h1>
      <p>{{ missing() }}</p>
    } @else {
      <p class="quiet" role="status">Fetching the record…</p>
    }
  `,
  styleUrl: './page.less',
  styles: `
    .state {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      margin-bottom: 8px;
    }
    .state input {
      width: 200px;
    }
    .beside {
      display: grid;
      gap: 28px;
      grid-template-columns: minmax(0, 1fr) 330px;
    }
    @media (max-width: 1100px) {
      .beside {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class EditPage {
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly storage = inject(BrowserStorage);
  private readonly router = inject(Router);
  private readonly undoBar = inject(UndoBar);
  protected readonly preferences = inject(Preferences);

  /** Type of record, or for a new pattern its kind. */
  readonly type = input.required<string>();
  /** Absent for a new record. */
  readonly id = input<string>();
  /** Where in the record to begin. */
  readonly at = input<string>();

  protected readonly fresh = computed(() => this.id() === undefined);
  private readonly stored = signal<{ readonly record: object; readonly version: number } | undefined>(undefined);
  protected readonly missing = signal<string | undefined>(undefined);
  protected readonly saving = signal(false);
  protected readonly failure = signal<{ readonly says: string; readonly theirs: boolean } | undefined>(undefined);

  protected readonly table = computed((): TableId => {
    const record: { readonly kind?: unknown } | undefined = this.stored()?.record;
    return (typeof record?.kind === 'string' ? record.kind : this.type()) as TableId;
  });
  private readonly recordType = computed((): RecordType =>
    this.type() === 'pattern' ? 'pattern' : recordTypeOf(this.type() as TableId),
  );
  private readonly draftName = computed(() => `edit.${this.type()}.${this.id() ?? 'new'}`);

  /** What was typed and kept; it outlives a reload and a server that is away. */
  protected readonly kept = linkedSignal<Draft | undefined>(() => {
    const found = this.storage.read(this.draftName());
    return isDraft(found) ? found : undefined;
  });
  protected readonly text = computed((): FormText | undefined => {
    const kept = this.kept();
    if (kept) return kept.text;
    const stored = this.stored();
    if (stored) return formTextOf(this.table(), stored.record as never);
    return this.fresh() ? formTextOf(this.table(), emptyRecord(this.table())) : undefined;
  });

  protected readonly read = computed(() => {
    const text = this.text();
    return text ? readFormText(this.table(), text) : { record: {}, problems: {} };
  });
  /** What is wrong beside single fields: by the shared schema, then by the dictionary. */
  protected readonly general = computed((): readonly string[] => {
    const { record, problems } = this.read();
    if (Object.keys(problems).length > 0) return [];
    const type = this.recordType();
    const bySchema = schemaProblems(recordErrors(type, record));
    return (bySchema.length > 0 ? bySchema : checkRecord(type, record as never, '')).map(
      ({ where, what }) => `${where.replace(/^\./, '')}: ${what}`,
    );
  });
  protected readonly count = computed(() => Object.keys(this.read().problems).length + this.general().length);

  protected readonly what = computed(() => {
    const table = this.table();
    return isKindId(table) ? KINDS[table].name.toLowerCase() : RECORD_NAMES[this.recordType()];
  });
  protected readonly title = computed(() => {
    const name = this.text()?.fields.name ?? this.text()?.fields.code ?? '';
    return name.trim() === '' ? (this.id() ?? 'Not named yet') : name;
  });
  /** The scheme as typed, as soon as it can be tried. */
  protected readonly scheme = computed(() =>
    this.recordType() === 'scheme' && this.count() === 0 ? (this.read().record as unknown as Scheme) : undefined,
  );

  constructor() {
    effect(() => {
      const id = this.id();
      const type = this.recordType();
      this.missing.set(undefined);
      this.failure.set(undefined);
      this.stored.set(undefined);
      if (id !== undefined) void this.fetch(type, id);
    });
  }

  protected keep(text: FormText): void {
    const draft: Draft = { text, version: this.kept()?.version ?? this.stored()?.version ?? 0 };
    this.kept.set(draft);
    this.storage.write(this.draftName(), draft);
  }

  protected discard(): void {
    const before = this.kept();
    this.forget();
    if (before) this.undoBar.offer('Discarded what was typed.', () => this.keep(before.text));
  }

  protected async save(): Promise<void> {
    const type = this.recordType();
    const record = this.read().record as unknown as RecordOf[RecordType];
    const version = this.kept()?.version ?? this.stored()?.version ?? 0;
    this.saving.set(true);
    this.failure.set(undefined);
    try {
      await firstValueFrom(this.api.putRecord(type, record, version));
      this.forget();
      this.questions.refresh();
      const [last] = await firstValueFrom(this.api.changes({ type, id: record.id }));
      this.undoBar.offer('Saved.', () => void this.takeBack(last?.id));
      await this.router.navigate([...pageOf(type, record.id)]);
      // A record without a page of its own stays open here, as it now is.
      void this.fetch(type, record.id);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.failure.set({
        says: `${error.message} What you typed is kept here.`,
        theirs: error.kind === 'changed' && error.current !== undefined,
      });
    } finally {
      this.saving.set(false);
    }
  }

  protected async remove(): Promise<void> {
    const [type, id, stored] = [this.recordType(), this.id(), this.stored()];
    if (id === undefined || !stored) return;
    try {
      await firstValueFrom(this.api.removeRecord(type, id, stored.version));
      this.forget();
      this.questions.refresh();
      const [last] = await firstValueFrom(this.api.changes({ type, id }));
      this.undoBar.offer(`Removed “${this.title()}”.`, () => void this.takeBack(last?.id));
      await this.router.navigate(['/catalogue']);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.failure.set({ says: error.message, theirs: false });
    }
  }

  protected takeTheirs(): void {
    const id = this.id();
    this.discard();
    this.failure.set(undefined);
    if (id !== undefined) void this.fetch(this.recordType(), id);
  }

  protected async keepMine(): Promise<void> {
    const [id, kept] = [this.id(), this.kept()];
    this.failure.set(undefined);
    if (id === undefined || !kept) return;
    const { version } = await firstValueFrom(this.api.record(this.recordType(), id));
    const draft = { ...kept, version };
    this.kept.set(draft);
    this.storage.write(this.draftName(), draft);
  }

  private async takeBack(change: string | undefined): Promise<void> {
    if (change === undefined) return;
    await firstValueFrom(this.api.undoChange(change));
    this.questions.refresh();
  }

  private async fetch(type: RecordType, id: string): Promise<void> {
    try {
      const stored = await firstValueFrom(this.api.record(type, id));
      if (this.id() === id) this.stored.set(stored);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      // A kept draft can be worked on while the server is away.
      if (!this.kept()) this.missing.set(error.message);
      else this.failure.set({ says: error.message, theirs: false });
    }
  }

  private forget(): void {
    this.kept.set(undefined);
    this.storage.write(this.draftName(), undefined);
  }
}

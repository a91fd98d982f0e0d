import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import {
  compare,
  CompareError,
  cut,
  MOST_COMPARED,
  readAddress,
  showInterval,
  voicesOf,
  type CompareCell,
  type CompareColumn,
  type Comparison,
  type CompareRow,
  type Requests,
  type Subject,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { combineLatest, debounceTime, map, of, switchMap } from 'rxjs';
import { Questions } from '../data/questions';
import { lookupOf } from '../data/records';
import { Compared } from '../data/compared';
import { Preferences } from '../data/preferences';
import { Specimens } from '../data/specimens';
import { Overlay, type Overlaid } from '../ui/drawing/overlay';
import { Said } from '../ui/said';
import { InTurn } from '../ui/turns';

const SETTLE_MS = 120;
const FOUND = 8;
/** The router gives undefined where the address says nothing. */
const asText = (value: string | undefined): string => value ?? '';

/** A subject of the address with what it stands for; undefined while a specimen is on its way. */
interface Named {
  readonly text: string;
  readonly subject: Subject | undefined;
}

/** Two to six parts or engines side by side, rows from the dictionary, outlines over each other. */
@Component({
  selector: 'wb-compare-station',
  imports: [InTurn, NzButtonModule, NzIconModule, NzInputModule, Overlay, RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './compareStation.html',
  styleUrl: './compareStation.less',
})
export class CompareStation {
  private readonly router = inject(Router);
  private readonly specimens = inject(Specimens);
  private readonly compared = inject(Compared);
  private readonly preferences = inject(Preferences);
  private readonly questions = inject(Questions);

  /** What is compared, from the address: `pattern:a,variant:b,specimen:c`. */
  readonly of = input('', { transform: asText });
  /** Row that is lit on the drawing. */
  protected readonly lit = signal<CompareRow | undefined>(undefined);
  protected readonly unfolded = signal(false);
  protected readonly finding = signal('');

  protected readonly texts = computed(() => this.of().split(',').filter(Boolean));
  private readonly subjects = toSignal<readonly Named[], readonly Named[]>(
    toObservable(this.texts).pipe(
      switchMap((texts) => (texts.length === 0 ? of([]) : combineLatest(texts.map((text) => this.named(text))))),
    ),
    { initialValue: [] },
  );

  /** The records that are compared, with what their engines carried. */
  protected readonly catalogue = toSignal(
    toObservable(
      computed(
        () =>
          this.texts().flatMap((text): Requests['records']['refs'] => {
            const { sort, id } = readAddress(text);
            // A specimen may be held against the pattern it was identified as.
            if (sort === 'specimen')
              return text
                .split(':')
                .slice(2, 3)
                .map((as) => ({ type: 'pattern', id: as }));
            // Parts are compared with parts, and not with all of a job.
            return sort === 'job' || sort === 'build' ? [] : [{ type: sort, id }];
          }),
        { equal: dequal },
      ),
    ).pipe(switchMap((refs) => this.questions.ask('records', { refs, fitments: true }).pipe(map(lookupOf)))),
  );

  protected readonly result = computed((): { readonly comparison?: Comparison; readonly problem?: string } => {
    const catalogue = this.catalogue();
    const subjects = this.subjects().map((each) => each.subject);
    if (!catalogue || subjects.length < 2 || subjects.includes(undefined)) return {};
    try {
      return {
        comparison: compare(
          catalogue,
          subjects.filter((each) => each !== undefined),
        ),
      };
    } catch (error) {
      if (error instanceof CompareError) return { problem: error.message };
      throw error;
    }
  });
  protected readonly comparison = computed(() => this.result().comparison);
  /** Rows that have something to compare; equal ones are folded. */
  protected readonly rows = computed(() => {
    const rows = this.comparison()?.rows ?? [];
    const differ = rows.filter((row) => !row.agrees);
    const alone = rows.filter((row) => row.agrees && row.told < 2);
    const equal = rows.filter((row) => row.agrees && row.told >= 2);
    return { differ, equal, alone };
  });
  protected readonly overlaid = computed((): readonly Overlaid[] =>
    (this.comparison()?.columns ?? []).flatMap((column, at) =>
      column.part ? [{ column: at, label: column.label, part: column.part }] : [],
    ),
  );
  protected readonly place = computed(() => this.lit()?.parameter?.drawing);

  /** Patterns and variants of the same kind to add, as they are searched. */
  protected readonly found = toSignal(
    toObservable(this.finding).pipe(
      debounceTime(SETTLE_MS),
      switchMap((text) =>
        text.trim() === '' ? of(undefined) : this.questions.ask('search', { text: cut(text, 200), most: 40 }),
      ),
      map((result) => result?.hits.filter((hit) => hit.type === 'pattern' || hit.type === 'variant')),
    ),
  );
  protected readonly offered = computed(() => {
    const kind = this.comparison()?.columns[0]?.kind.id;
    return (this.found() ?? [])
      .filter((hit) => kind === undefined || (hit.kind ?? 'variant') === kind)
      .filter((hit) => !this.texts().includes(`${hit.type}:${hit.id}`))
      .slice(0, FOUND)
      .map((hit) => ({ text: `${hit.type}:${hit.id}`, label: hit.label }));
  });
  protected readonly full = computed(() => this.texts().length >= MOST_COMPARED);

  constructor() {
    effect(() => {
      const texts = this.texts();
      // Without subjects in the address, what was compared last is still there.
      if (texts.length > 0) this.compared.subjects.set(texts);
      else if (this.compared.subjects().length > 0) this.go(this.compared.subjects());
    });
  }

  protected go(texts: readonly string[]): void {
    void this.router.navigate(['/compare'], { queryParams: { of: texts.join(',') }, replaceUrl: true });
  }

  protected add(text: string): void {
    this.finding.set('');
    this.go([...this.texts(), text]);
  }

  protected remove(at: number): void {
    const left = this.texts().filter((_, index) => index !== at);
    this.compared.subjects.set(left);
    this.go(left);
  }

  /** Makes a column the first, against which the others are held. */
  protected lead(at: number): void {
    const texts = this.texts();
    this.go([texts[at] ?? '', ...texts.filter((_, index) => index !== at)]);
  }

  protected pageOf({ subject }: CompareColumn): readonly string[] {
    return subject.sort === 'specimen' ? ['/bench', subject.specimen.id] : ['/catalogue', subject.sort, subject.id];
  }

  protected words(row: CompareRow, cell: CompareCell): string {
    if (cell.size && row.parameter) return showInterval(cell.size, row.parameter.quantity, this.preferences.units());
    return cell.text ?? '';
  }

  /** What every source says of a disputed value. */
  protected voices(row: CompareRow, column: CompareColumn | undefined) {
    return column?.described ? voicesOf(column.described, row.id) : [];
  }

  private named(text: string) {
    const [sort = '', id = '', as] = text.split(':');
    if (sort === 'pattern' || sort === 'variant') return of<Named>({ text, subject: { sort, id } });
    void this.specimens.open(id);
    return this.specimens.watch(id).pipe(
      map((specimen): Named => ({
        text,
        subject: specimen && { sort: 'specimen', specimen, ...(as === undefined ? {} : { as }) },
      })),
    );
  }
}

import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  signal,
  viewChildren,
} from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  cellsInOrder,
  cellsOf,
  digitsOf,
  INSTRUMENTS,
  keyOfCell,
  KINDS,
  readCell,
  showInterval,
  shownUnit,
  showValue,
  toInside,
  UNITS,
  withCell,
  type Answers,
  type Cell,
  type CellProblem,
  type InstrumentId,
  type SheetLayout,
  type Specimen,
  type UnitId,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, combineLatest, filter, map, of, switchMap, type Observable } from 'rxjs';
import { Gauge } from '../data/gauge';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

/** Places that are laid out where nobody tells how many there are. */
const PLACES_UNTOLD = 5;

/** A cell of one of the parts whose sheet it is. */
interface PartCell extends Cell {
  readonly part: string;
}

const keyOf = (cell: PartCell): string => `${cell.part} ${keyOfCell(cell)}`;

/**
 * One sheet, laid out as the part lies in the engine; or of several parts alike, such as all rods of an engine, side by
 * side. Enter takes a figure and goes on to the next cell.
 */
@Component({
  selector: 'wb-measuring-sheet',
  imports: [FormsModule, NzSelectModule, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'fromGauge($event)' },
  templateUrl: './measuringSheet.html',
  styleUrl: './measuringSheet.less',
})
export class MeasuringSheet {
  private readonly specimens = inject(Specimens);
  private readonly questions = inject(Questions);
  protected readonly preferences = inject(Preferences);
  private readonly fields = viewChildren<ElementRef<HTMLInputElement>>('field');

  /** Parts of one kind. */
  readonly specimenIds = input.required<readonly string[]>();
  readonly layout = input.required<SheetLayout>();

  private readonly ids = computed(() => this.specimenIds(), { equal: dequal });
  protected readonly parts = toSignal(
    toObservable(this.ids).pipe(
      switchMap((ids) => (ids.length === 0 ? of([]) : combineLatest(ids.map((id) => this.specimens.watch(id))))),
      map((parts) => parts.filter((part) => part !== undefined)),
    ),
    { initialValue: [] },
  );
  /** Whether parts lie side by side, each with a place of its own. */
  protected readonly several = computed(() => this.ids().length > 1);
  protected readonly title = computed(() => {
    const [only, ...others] = this.parts();
    const { kind, name } = this.layout();
    return `${others.length === 0 ? (only?.name ?? '') : `${this.ids().length} ${KINDS[kind].plural.toLowerCase()}`}: ${name.toLowerCase()}`;
  });
  /** What is being typed and was not taken yet, or could not be, by cell. */
  protected readonly typed = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly problem = signal<{ readonly key: string; readonly says: string } | undefined>(undefined);
  /** The cell that the next figure goes into. */
  protected readonly current = signal(0);
  private readonly chosenTool = signal<InstrumentId | undefined>(undefined);

  protected readonly quantity = computed(() => this.layout().parameter.quantity);
  protected readonly unit = computed((): UnitId => shownUnit(this.quantity(), this.preferences.units()) ?? 'mm');
  protected readonly instruments = computed(() => {
    const { instruments, quantity } = this.layout().parameter;
    const besides: readonly InstrumentId[] = quantity === 'length' ? ['micrometer', 'boreGauge', 'caliper'] : [];
    return [...new Set([...instruments, ...besides])].map((id) => ({ id, name: INSTRUMENTS[id].name }));
  });
  protected readonly tool = computed(() => this.chosenTool() ?? this.layout().parameter.instruments[0]);

  private readonly asked = computed(() => ({ ids: this.ids(), sheet: this.layout().parameter.id }));
  /** How each part is judged, by its id; a part that is measured is asked about anew, the others are not. */
  protected readonly answers = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ ids, sheet }) => combineLatest(ids.map((id) => this.judged(id, sheet)))),
      map((all) => new Map(all)),
    ),
  );
  /** Of the part, or of the first where they are alike. */
  protected readonly answer = computed(() => {
    const [first = ''] = this.ids();
    return this.answers()?.get(first);
  });

  private judged(id: string, sheet: string): Observable<readonly [string, Answers['fitSheet']]> {
    return this.specimens.watch(id).pipe(
      filter((specimen) => specimen !== undefined),
      filter(({ kind }) => kind === this.layout().kind),
      switchMap((specimen) =>
        this.questions.ask('fitSheet', { specimen, sheet }).pipe(
          // Nobody judges it now: it can be measured all the same.
          catchError(() => of<Answers['fitSheet']>({ places: PLACES_UNTOLD, banks: [], judged: [] })),
        ),
      ),
      map((answer) => [id, answer] as const),
    );
  }

  private readonly cellsOfParts = computed(
    () => new Map(this.parts().map(({ id, readings }) => [id, cellsOf(readings, this.layout())])),
  );
  /** Which places there are, row by row as they lie. */
  private readonly rows = computed((): readonly (readonly (number | undefined)[])[] => {
    if (this.layout().parameter.per === 'part') return [[undefined]];
    const { places = 1, banks = [] } = this.answer() ?? {};
    return banks.length > 0 ? banks : [Array.from({ length: places }, (_, at) => at + 1)];
  });
  protected readonly order = computed(() =>
    this.parts().flatMap(({ id }) =>
      cellsInOrder(
        this.layout(),
        this.rows()
          .flat()
          .flatMap((at) => at ?? []),
      ).map((cell): PartCell => ({ ...cell, part: id })),
    ),
  );
  /** Rows of places with their rows of cells, and how each is judged. */
  protected readonly banks = computed(() => {
    const { levels, levelNames, axes } = this.layout();
    return this.rows().map((positions) => ({
      first: positions[0] ?? 1,
      places: this.parts().flatMap(({ id, name }) =>
        positions.map((position) => ({
          id: `${id} ${position ?? ''}`,
          place: this.several() ? name : String(position ?? ''),
          judged: this.answers()
            ?.get(id)
            ?.judged.find((each) => each.position === position),
          rows: levels.map((level, row) => ({
            name: levelNames[row] ?? level,
            cells: axes.map((axis): PartCell => ({
              part: id,
              ...(position === undefined ? {} : { position }),
              level,
              axis,
            })),
          })),
        })),
      ),
    }));
  });
  protected readonly done = computed(() => this.order().filter((cell) => this.found(cell)).length);
  /** Of parts side by side, the largest less the smallest of what was measured. */
  protected readonly spread = computed(() => {
    const measured = [...(this.answers()?.values() ?? [])].flatMap(({ judged }) =>
      judged.map(({ size: { low, high } }) => (low + high) / 2),
    );
    return this.several() && measured.length > 1 ? Math.max(...measured) - Math.min(...measured) : undefined;
  });

  constructor() {
    inject(Gauge)
      .figures$.pipe(takeUntilDestroyed())
      .subscribe(({ text, unit }) => this.fromLine(`${text} ${UNITS[unit].symbol}`));
    // The cursor stands ready for a gauge as soon as the sheet does.
    let before = '';
    afterRenderEffect(() => {
      const key = `${this.ids().join(' ')} ${this.layout().parameter.id}`;
      const fields = this.fields();
      if (fields.length === 0 || key === before || !this.answers()) return;
      before = key;
      this.standReady();
    });
  }

  /** Puts the cursor where the next figure goes: into the first cell that is empty. */
  standReady(): void {
    const empty = this.order().findIndex((cell) => !this.found(cell));
    this.to(Math.max(0, empty));
  }

  protected readonly key = keyOf;
  protected readonly unitName = computed(() => UNITS[this.unit()].symbol);

  private found(cell: PartCell) {
    return this.cellsOfParts().get(cell.part)?.get(keyOfCell(cell));
  }

  protected indexOf(cell: PartCell): number {
    const key = keyOf(cell);
    return this.order().findIndex((each) => keyOf(each) === key);
  }

  protected labelled(cell: PartCell, place: string, row: string, at: number): string {
    return [`${this.layout().name} ${place}`, row, this.layout().axisNames[at] ?? '', this.unitName()].join(', ');
  }

  protected shown(cell: PartCell): string {
    const typed = this.typed().get(keyOf(cell));
    if (typed !== undefined) return typed;
    const found = this.found(cell);
    if (!found) return '';
    return found.unit === this.unit()
      ? (found.figures ?? String(found.value))
      : digitsOf(toInside(found.value, found.unit), this.quantity(), this.preferences.units());
  }

  protected edit(cell: PartCell, text: string): void {
    this.typed.update((typed) => new Map(typed).set(keyOf(cell), text));
  }

  protected acts(event: KeyboardEvent, cell: PartCell): void {
    const at = this.indexOf(cell);
    const across = this.layout().axes.length;
    const moves: Readonly<Record<string, number>> = { ArrowUp: -across, ArrowDown: across };
    if (event.key === 'Enter') {
      event.preventDefault();
      if (this.take(cell)) this.to(at + 1);
    } else if (event.key === 'Escape') {
      this.forget(cell);
      // At once, and not when the page is next drawn: a gauge types its next figure without waiting for that.
      if (event.target instanceof HTMLInputElement) {
        event.target.value = this.shown(cell);
        event.target.select();
      }
    } else if (event.key in moves) {
      event.preventDefault();
      this.to(at + (moves[event.key] ?? 0));
    }
  }

  /** Takes what was typed into a cell. Answers whether it is in, or there was nothing to take. */
  protected take(cell: PartCell): boolean {
    const key = keyOf(cell);
    const text = this.typed().get(key)?.trim();
    const specimen = this.parts().find(({ id }) => id === cell.part);
    if (text === undefined || !specimen) return true;
    if (text === '') {
      this.put(specimen, cell, undefined);
      return true;
    }
    const neighbours = this.order().flatMap((other) => {
      const found = keyOf(other) === key ? undefined : this.found(other);
      return found ? [toInside(found.value, found.unit)] : [];
    });
    // What was said to be far from its neighbours, and comes once more, is meant.
    const insists = this.problem()?.key === key && this.problem()?.says === this.sayFar(text);
    const read = readCell(text, this.layout(), this.unit(), insists ? [] : neighbours);
    if ('problem' in read) {
      this.problem.set({ key, says: this.say(read, text) });
      return false;
    }
    this.put(specimen, cell, { ...read, instrument: this.tool() });
    return true;
  }

  private sayFar(text: string): string {
    return `${text} lies far from the others: look at it once more, and press Enter again to take it.`;
  }

  private say(problem: CellProblem, text: string): string {
    switch (problem.problem) {
      case 'noFigure':
        return `“${text}” is no figure: write one size, such as ${this.example()}.`;
      case 'notPlausible':
        return `${text} is no size of this: one between ${this.rounded(problem.low)} and ${this.rounded(problem.high)} ${UNITS[problem.unit].symbol} is wanted.`;
      case 'slip':
        return this.sayFar(text);
    }
  }

  private rounded(value: number): string {
    return String(Number(value.toPrecision(3)));
  }

  private example(): string {
    const { low, high } = this.layout().parameter.plausible;
    return digitsOf((low + high) / 2, this.quantity(), this.preferences.units());
  }

  private put(specimen: Specimen, cell: PartCell, entered: Parameters<typeof withCell>[3]): void {
    this.specimens.change({
      ...specimen,
      readings: withCell(specimen.readings, this.layout(), cell, entered, {
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
      }),
    });
    this.forget(cell);
  }

  private forget(cell: PartCell): void {
    const key = keyOf(cell);
    this.typed.update((typed) => {
      const rest = new Map(typed);
      rest.delete(key);
      return rest;
    });
    if (this.problem()?.key === key) this.problem.set(undefined);
  }

  private to(at: number): void {
    const field = this.fields()[Math.max(0, Math.min(at, this.fields().length - 1))]?.nativeElement;
    field?.focus();
    field?.select();
  }

  /** A figure that comes from a gauge on a line goes into the cell that is next, and the cursor goes on. */
  private fromLine(text: string): void {
    const cell = this.order()[this.current()];
    if (!cell) return;
    this.edit(cell, text);
    if (this.take(cell)) this.to(this.current() + 1);
  }

  /** A figure that comes while nothing has the focus goes into the cell that is next. */
  protected fromGauge(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey || !/^[0-9.,]$/.test(event.key)) return;
    const target = event.target instanceof Element ? event.target : undefined;
    if (target?.closest('input, textarea, select, [contenteditable], nz-select')) return;
    const field = this.fields()[this.current()]?.nativeElement;
    if (!field) return;
    event.preventDefault();
    event.stopPropagation();
    const cell = this.order()[this.current()];
    if (cell) this.edit(cell, event.key);
    field.focus();
  }

  protected band(interval: { readonly low: number; readonly high: number }): string {
    return showInterval(interval, this.quantity(), this.preferences.units());
  }

  protected most(by: number | undefined): string {
    return by === undefined ? '—' : this.size(by);
  }

  protected size(value: number): string {
    return showValue(value, this.quantity(), this.preferences.units());
  }

  protected stepSays(step: number | undefined): string {
    if (step === undefined) return '';
    return step === 0 ? 'as made' : `service size ${step}`;
  }

  protected chooseTool(tool: InstrumentId): void {
    this.chosenTool.set(tool);
  }
}

import {
  afterRenderEffect,
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import {
  isKindId,
  isNothingAgainst,
  KINDS,
  MOST_A_SIDE,
  VERDICT_WORDS,
  VERDICTS,
  verdictOf,
  verdictOfJoint,
  type KindId,
  type Order,
} from '@which-bore/core';
import { DONOR_KINDS, recipientsFor } from '@which-bore/core/meetings';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { of, Subject, switchMap, takeUntil } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Interchange, type GridProgress } from '../data/interchange';
import { Preferences } from '../data/preferences';
import { saveFile } from '../ui/saveFile';
import { VerdictMark } from '../ui/verdictMark';
import { InTurn, Turns } from '../ui/turns';
import { GridPainter, type GridPicture, type CellAt } from './gridCanvas';
import { GridGroups } from './gridGroups';
import { GridSheets } from './gridSheets';

/** Cells are no smaller and no larger than this, CSS pixels. */
const CELL = { least: 14, most: 26 } as const;
/** Room for the names of the rows, and no more than this share of the width. */
const LEFT = 240;
const LEFT_SHARE = 0.38;
const TOP = 150;
const NO_COUNTS: GridProgress['counts'] = {
  fits: 0,
  fitsWithWork: 0,
  cannotTell: 0,
  doesNotFit: 0,
  nothingAgainst: 0,
};
/** What the filter calls open answers that nothing is against. */
const NOTHING_AGAINST = 'nothingAgainst';

/** Many donors against many recipients, as a matrix that fills as it goes, and the groups that interchange freely. */
@Component({
  selector: 'wb-grid-page',
  imports: [FormsModule, GridGroups, GridSheets, InTurn, NzButtonModule, NzIconModule, NzSelectModule, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(window:beforeprint)': 'layOut(true)', '(window:afterprint)': 'layOut(false)' },
  templateUrl: './gridPage.html',
  styleUrl: './gridPage.less',
})
export class GridPage {
  private readonly interchange = inject(Interchange);
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly preferences = inject(Preferences);
  private readonly application = inject(ApplicationRef);
  private readonly turns = inject(Turns);

  /** Kinds, filter and view, from the address. */
  readonly donors = input<string>();
  readonly recipients = input<string>();
  readonly verdict = input<string>();
  readonly joint = input<string>();
  readonly order = input<string>();
  readonly view = input<string>();
  readonly into = input<string>();

  protected readonly words = VERDICT_WORDS;
  protected readonly verdicts = VERDICTS;
  protected readonly donorKinds = DONOR_KINDS.map((id) => ({ id, name: KINDS[id].plural }));
  protected readonly donorKind = computed((): KindId => kindOr(this.donors(), 'crank'));
  protected readonly recipientKinds = computed(() =>
    recipientsFor(this.donorKind()).map((id) => ({ id, name: KINDS[id].plural })),
  );
  protected readonly recipientKind = computed((): KindId => {
    const kinds = recipientsFor(this.donorKind());
    const wanted = kindOr(this.recipients(), kinds[0] ?? 'block');
    return kinds.includes(wanted) ? wanted : (kinds[0] ?? 'block');
  });
  protected readonly groupsShown = computed(() => this.view() === 'groups');
  protected readonly grouped = computed(() => this.order() !== 'listed');

  private readonly stops = new Subject<void>();
  protected readonly stopped = signal(false);
  private readonly asked = computed(() => ({ donor: this.donorKind(), recipient: this.recipientKind() }), {
    equal: (a, b) => a.donor === b.donor && a.recipient === b.recipient,
  });
  private readonly again = signal(0);
  protected readonly progress = toSignal<GridProgress | undefined>(
    toObservable(computed(() => ({ asked: this.asked(), again: this.again() }))).pipe(
      switchMap(({ asked }) => this.interchange.grid(asked.donor, asked.recipient).pipe(takeUntil(this.stops))),
    ),
  );
  protected readonly sides = computed(() => this.progress()?.sides);
  protected readonly done = computed(() => {
    const progress = this.progress();
    return progress !== undefined && progress.rows.length >= progress.sides.donors.length;
  });
  protected readonly share = computed(() => {
    const progress = this.progress();
    return progress ? Math.round((100 * progress.rows.length) / Math.max(1, progress.sides.donors.length)) : 0;
  });
  protected readonly failure = signal<string | undefined>(undefined);

  private readonly sorted = toSignal<Order | undefined>(
    toObservable(computed(() => (this.done() && this.grouped() ? this.progress() : undefined))).pipe(
      switchMap((progress) =>
        progress ? this.interchange.gridOrder(this.donorKind(), this.recipientKind()) : of(undefined),
      ),
    ),
  );

  protected readonly jointAt = computed(() => {
    const at = this.sides()?.joints.findIndex(({ id }) => id === this.joint()) ?? -1;
    return at < 0 ? undefined : at;
  });
  /** Whether a cell is looked for. */
  protected readonly wanted = computed(() => {
    const [verdict, joint] = [this.verdict(), this.jointAt()];
    return (cell: number) =>
      (verdict === undefined ||
        verdictOf(cell) === verdict ||
        (verdict === NOTHING_AGAINST && isNothingAgainst(cell))) &&
      (joint === undefined || verdictOfJoint(cell, joint) === 'doesNotFit');
  });
  private readonly filtering = computed(() => this.verdict() !== undefined || this.jointAt() !== undefined);

  private readonly listed = computed((): Order => {
    const sides = this.sides();
    return { donors: [...(sides?.donors.keys() ?? [])], recipients: [...(sides?.recipients.keys() ?? [])] };
  });
  /** Rows and columns in the order shown, those with nothing that is looked for left out. */
  protected readonly shown = computed((): Order => {
    const order = this.sorted() ?? this.listed();
    if (!this.filtering()) return order;
    const rows = this.progress()?.rows;
    const wanted = this.wanted();
    const columns = new Set<number>();
    const kept = order.donors.filter((donor) => {
      const row = rows?.[donor] ?? new Uint32Array();
      row.forEach((cell, recipient) => wanted(cell) && columns.add(recipient));
      return row.some(wanted);
    });
    return { donors: kept, recipients: order.recipients.filter((recipient) => columns.has(recipient)) };
  });

  protected readonly tally = computed(() => this.progress()?.counts ?? NO_COUNTS);

  private readonly left = computed(() => Math.round(Math.min(LEFT, this.width() * LEFT_SHARE)));
  protected readonly cell = computed(() => {
    const columns = this.shown().recipients.length;
    return Math.min(CELL.most, Math.max(CELL.least, Math.floor((this.width() - this.left()) / Math.max(1, columns))));
  });
  protected readonly size = computed(() => ({
    width: this.left() + this.shown().recipients.length * this.cell(),
    height: TOP + this.shown().donors.length * this.cell(),
  }));

  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly painter = computed(() => {
    const canvas = this.canvas()?.nativeElement;
    return canvas && new GridPainter(canvas);
  });
  private readonly scroller = viewChild<ElementRef<HTMLElement>>('scroller');
  private readonly width = signal(900);
  private readonly height = signal(500);
  private readonly scroll = signal({ x: 0, y: 0 });
  protected readonly focus = signal<CellAt | undefined>(undefined);

  protected readonly picture = computed((): GridPicture => {
    const [sides, rows, shown] = [this.sides(), this.progress()?.rows ?? [], this.shown()];
    return {
      rows: shown.donors.map((donor) => sides?.donors[donor]?.name ?? ''),
      columns: shown.recipients.map((recipient) => sides?.recipients[recipient]?.short ?? ''),
      cell: (row, column) => rows[shown.donors[row] ?? -1]?.[shown.recipients[column] ?? -1],
      wanted: this.wanted(),
    };
  });

  /**
   * What is in sight. Most rows that come while the grid fills are not: they change nothing here, and nothing is drawn
   * for them.
   */
  private readonly sight = computed(
    () => {
      const [cell, scroll, shown, height] = [this.cell(), this.scroll(), this.shown(), this.height()];
      const rows = this.progress()?.rows.length ?? 0;
      const last = Math.ceil((scroll.y + height) / cell);
      // Ground and width as well: a change of either draws again.
      const [ground, width] = [this.preferences.ground(), this.width()];
      const filled = shown === this.listed() ? Math.min(rows, last) : rows;
      return {
        shown,
        wanted: this.wanted(),
        cell,
        left: this.left(),
        scroll,
        focus: this.focus(),
        ground,
        width,
        height,
        filled,
      };
    },
    { equal: (a, b) => (Object.keys(a) as (keyof typeof a)[]).every((key) => a[key] === b[key]) },
  );

  /** The cell in focus, in words. */
  protected readonly looked = computed(() => {
    const [focus, shown, sides] = [this.focus(), this.shown(), this.sides()];
    if (!focus || !sides) return undefined;
    const [donor, recipient] = [shown.donors[focus.row], shown.recipients[focus.column]];
    const cell = this.picture().cell(focus.row, focus.column);
    if (donor === undefined || recipient === undefined || cell === undefined) return undefined;
    return {
      donor: sides.donors[donor],
      recipient: sides.recipients[recipient],
      verdict: verdictOf(cell),
      nothingAgainst: isNothingAgainst(cell),
      joints: sides.joints
        .map(({ name }, at) => ({ name, verdict: verdictOfJoint(cell, at) }))
        .filter(({ verdict }) => verdict !== 'fits'),
    };
  });

  constructor() {
    effect((onCleanup) => {
      const element = this.scroller()?.nativeElement;
      if (!element) return;
      const watch = new ResizeObserver(() => {
        this.width.set(element.clientWidth);
        this.height.set(element.clientHeight);
      });
      watch.observe(element);
      onCleanup(() => watch.disconnect());
    });
    afterRenderEffect((onCleanup) => {
      const [canvas, painter] = [this.canvas()?.nativeElement, this.painter()];
      const { cell, left, scroll, focus } = this.sight();
      if (!canvas || !painter) return;
      const draw = () => {
        const size = { width: canvas.clientWidth, height: canvas.clientHeight, ratio: devicePixelRatio };
        painter.draw(untracked(this.picture), { cell, left, top: TOP, ...size }, scroll, focus);
      };
      // Whatever comes before its turn is drawn once, as it then stands.
      onCleanup(this.turns.next(draw));
    });
  }

  protected go(queryParams: Readonly<Record<string, string | null>>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }

  protected setDonors(kind: KindId): void {
    this.restart();
    this.go({ donors: kind, recipients: recipientsFor(kind)[0] ?? null, joint: null, into: null });
  }

  protected setRecipients(kind: KindId): void {
    this.restart();
    this.go({ donors: this.donorKind(), recipients: kind, joint: null, into: null });
  }

  protected stop(): void {
    this.stopped.set(true);
    this.stops.next();
  }

  protected goOn(): void {
    this.stopped.set(false);
    this.again.update((times) => times + 1);
  }

  protected scrolled(element: HTMLElement): void {
    this.scroll.set({ x: element.scrollLeft, y: element.scrollTop });
  }

  protected point(event: MouseEvent): void {
    const place = this.placeAt(event);
    if (place) this.focus.set(place);
  }

  protected press(event: MouseEvent): void {
    this.point(event);
    this.open();
  }

  protected key(event: KeyboardEvent): void {
    const { donors, recipients } = this.shown();
    const { row, column } = this.focus() ?? { row: 0, column: -1 };
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      PageDown: [10, 0],
      PageUp: [-10, 0],
      Home: [0, -recipients.length],
      End: [0, recipients.length],
    };
    const move = moves[event.key];
    if (event.key === 'Enter') return this.open();
    if (!move) return;
    event.preventDefault();
    const within = (at: number, count: number) => Math.min(Math.max(0, at), Math.max(0, count - 1));
    const next = { row: within(row + move[0], donors.length), column: within(column + move[1], recipients.length) };
    this.focus.set(next);
    this.show(next);
  }

  protected open(): void {
    const looked = this.looked();
    if (looked?.donor && looked.recipient)
      void this.router.navigate(['/swap'], {
        queryParams: { donor: `pattern:${looked.donor.id}`, into: looked.recipient.id },
      });
  }

  /** Sheets are laid out for the printer only, however printing is begun. */
  protected readonly printing = signal(false);
  protected readonly title = computed(
    () => `${KINDS[this.donorKind()].plural} into ${KINDS[this.recipientKind()].plural.toLowerCase()}`,
  );

  protected layOut(printing: boolean): void {
    this.printing.set(printing);
    this.application.tick();
  }

  protected print(): void {
    window.print();
  }

  protected export(ending: 'csv' | 'xlsx'): void {
    this.failure.set(undefined);
    this.api.grid(ending, this.donorKind(), this.recipientKind()).subscribe({
      next: (file) => saveFile(file, `${this.donorKind()}-into-${this.recipientKind()}.${ending}`),
      error: (error: unknown) =>
        this.failure.set(error instanceof ApiError ? error.message : 'The file could not be made. Try again.'),
    });
  }

  protected readonly most = MOST_A_SIDE;

  private restart(): void {
    this.stopped.set(false);
    this.focus.set(undefined);
    this.scroller()?.nativeElement.scrollTo(0, 0);
  }

  private placeAt(event: MouseEvent): CellAt | undefined {
    const canvas = this.canvas()?.nativeElement;
    if (!canvas) return undefined;
    const bounds = canvas.getBoundingClientRect();
    const [x, y] = [event.clientX - bounds.left - this.left(), event.clientY - bounds.top - TOP];
    if (x < 0 || y < 0) return undefined;
    const [row, column] = [
      Math.floor((y + this.scroll().y) / this.cell()),
      Math.floor((x + this.scroll().x) / this.cell()),
    ];
    return row < this.shown().donors.length && column < this.shown().recipients.length ? { row, column } : undefined;
  }

  /** Brings a cell into sight. */
  private show({ row, column }: CellAt): void {
    const element = this.scroller()?.nativeElement;
    if (!element) return;
    const cell = this.cell();
    const into = (at: number, from: number, room: number) =>
      at < from ? at : at + cell > from + room ? at + cell - room : from;
    element.scrollTo({
      left: into(column * cell, element.scrollLeft, element.clientWidth - this.left()),
      top: into(row * cell, element.scrollTop, element.clientHeight - TOP),
    });
  }
}

const kindOr = (text: string | undefined, otherwise: KindId): KindId =>
  text !== undefined && isKindId(text) ? text : otherwise;

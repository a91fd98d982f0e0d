import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  Tooltip,
  type ChartDataset,
  type ChartOptions,
  type Plugin,
} from 'chart.js';
import { Preferences } from '../data/preferences';
import { Turns } from '../ui/turns';
import type { FitmentBar } from './fitmentBars';

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

type Span = [number, number];
interface Point {
  readonly x: Span;
  readonly y: string;
  readonly bar: FitmentBar;
}

const ROW = 40;
const FOOT = 34;
/** Thickness of a bar of the usual fitment, and of one that only some engines had, drawn over it. */
const [USUAL, SOME] = [26, 13] as const;

/** Years against fitments, one row a variant: a bar's colour and name are its part, a hatched one is an exception. */
@Component({
  selector: 'wb-fitment-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div [style.height.px]="height()"><canvas #canvas role="img" [attr.aria-label]="told()"></canvas></div>`,
  styles: `
    :host {
      display: block;
    }
    div {
      position: relative;
    }
  `,
})
export class FitmentChart {
  private readonly preferences = inject(Preferences);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly bars = input.required<readonly FitmentBar[]>();

  private readonly rows = computed(() => [...new Set(this.bars().map((bar) => bar.variant.code))]);
  protected readonly height = computed(() => this.rows().length * ROW + FOOT);
  protected readonly told = computed(() =>
    this.bars()
      .map((bar) => bar.says)
      .join(' '),
  );
  private chart: Chart<'bar', Point[]> | undefined;
  private readonly turns = inject(Turns);
  /** Calls off what is still to be drawn. */
  private callOff = () => undefined as unknown;
  /** Which drawing is the latest: an earlier one that still waits for its letters is dropped. */
  private drawing = 0;

  constructor() {
    effect(() => {
      this.preferences.ground();
      const [bars, rows] = [this.bars(), this.rows()];
      this.callOff();
      // In a turn of its own: the page round it is there first.
      this.callOff = this.turns.next(() => void this.draw(bars, rows));
    });
    inject(DestroyRef).onDestroy(() => {
      this.callOff();
      this.drawing++;
      this.chart?.destroy();
    });
  }

  private async draw(bars: readonly FitmentBar[], rows: readonly string[]): Promise<void> {
    const drawing = ++this.drawing;
    const canvas = this.canvas().nativeElement;
    const style = getComputedStyle(canvas);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const font = { family: colour('--words') || 'sans-serif', size: 14 };
    const inBar = `600 13px ${colour('--narrow') || 'sans-serif'}`;
    // A canvas draws with the letters it has and never again: they are fetched first. Where they cannot be, others do.
    await Promise.allSettled(
      [`14px ${font.family}`, `600 14px ${font.family}`, inBar].map((each) => canvas.ownerDocument.fonts.load(each)),
    );
    if (drawing !== this.drawing) return;
    // An empty chart, its axes and its bars come in a turn of their own each: every one takes its time.
    this.inTurn(
      () => {
        this.chart?.destroy();
        const plugins = [named({ ink: colour('--ink'), ground: colour('--raised'), font: inBar })];
        this.chart = new Chart(canvas, { type: 'bar', data: { labels: [], datasets: [] }, plugins, options: BARE });
      },
      () => this.change((chart) => (chart.options = optionsOf(bars, colour, font))),
      () => this.change((chart) => (chart.data = { labels: [...rows], datasets: datasetsOf(bars, colour, canvas) })),
    );
  }

  private change(how: (chart: Chart<'bar', Point[]>) => void): void {
    if (!this.chart) return;
    how(this.chart);
    this.chart.update();
  }

  private inTurn(...[first, ...rest]: readonly (() => void)[]): void {
    if (first === undefined) return;
    this.callOff = this.turns.next(() => {
      first();
      this.inTurn(...rest);
    });
  }
}

/** What the page's style says of a colour: `--ink` and the like. */
type Colours = (name: string) => string;

/** Nothing to be seen yet. */
const BARE: ChartOptions<'bar'> = {
  animation: false,
  maintainAspectRatio: false,
  scales: { x: { display: false }, y: { display: false } },
};

/** Axes over all years, lettered as the page. */
const optionsOf = (
  bars: readonly FitmentBar[],
  colour: Colours,
  font: { readonly family: string; readonly size: number },
): ChartOptions<'bar'> => ({
  indexAxis: 'y',
  animation: false,
  maintainAspectRatio: false,
  parsing: { xAxisKey: 'x', yAxisKey: 'y' },
  scales: {
    x: {
      type: 'linear',
      min: Math.floor(Math.min(...bars.map((bar) => bar.from))),
      max: Math.ceil(Math.max(...bars.map((bar) => bar.to))),
      ticks: { font, color: colour('--ink'), callback: (value) => String(value), precision: 0 },
      grid: { color: colour('--rule') },
    },
    y: { ticks: { font: { ...font, weight: 600 }, color: colour('--ink') }, grid: { color: colour('--rule') } },
  },
  plugins: { tooltip: { callbacks: { title: () => '', label: (item) => (item.raw as Point).bar.says } } },
});

/** The bars of each part in a colour of its own, those of a short time or of some engines thinner and on top. */
function datasetsOf(
  bars: readonly FitmentBar[],
  colour: Colours,
  canvas: HTMLCanvasElement,
): ChartDataset<'bar', Point[]>[] {
  const names = [...new Set(bars.map((bar) => bar.name))];
  return names.flatMap((name, at): ChartDataset<'bar', Point[]>[] => {
    const fill = colour(`--column-${at % COLOURS}`);
    const mine = bars.filter((bar) => bar.name === name);
    return [false, true].flatMap((some): ChartDataset<'bar', Point[]>[] => {
      const of = mine.filter((bar) => (bar.fitment.share !== undefined) === some);
      if (of.length === 0) return [];
      return [
        {
          label: name,
          data: of.map((bar): Point => ({ x: [bar.from, bar.to], y: bar.variant.code, bar })),
          backgroundColor: of.map((bar) => (bar.exception ? hatched(canvas, fill, colour('--raised')) : fill)),
          borderColor: fill,
          borderWidth: 2,
          borderSkipped: false,
          barThickness: some ? SOME : USUAL,
          grouped: false,
          order: some ? 0 : 1,
        },
      ];
    });
  });
}

/** How many column colours there are. */
const COLOURS = 6;
const HATCH = 8;

/** Slanted lines: seen apart from a full bar without its colour. */
function hatched(canvas: HTMLCanvasElement, line: string, ground: string): CanvasPattern | string {
  const tile = canvas.ownerDocument.createElement('canvas');
  tile.width = tile.height = HATCH;
  const pen = tile.getContext('2d');
  const pattern = pen && canvas.getContext('2d');
  if (!pen || !pattern) return line;
  pen.fillStyle = ground;
  pen.fillRect(0, 0, HATCH, HATCH);
  pen.strokeStyle = line;
  pen.lineWidth = 3;
  for (const shift of [-HATCH, 0, HATCH]) {
    pen.moveTo(shift, HATCH);
    pen.lineTo(shift + HATCH, 0);
  }
  pen.stroke();
  return pattern.createPattern(tile, 'repeat') ?? line;
}

/** Writes the part's name into each bar that has room for it. */
const named = (look: { readonly ink: string; readonly ground: string; readonly font: string }): Plugin<'bar'> => ({
  id: 'named',
  afterDatasetsDraw(chart) {
    const { ctx } = chart;
    ctx.save();
    ctx.font = look.font;
    ctx.textBaseline = 'middle';
    chart.data.datasets.forEach((dataset, at) => {
      if (dataset.barThickness !== USUAL) return;
      for (const element of chart.getDatasetMeta(at).data) {
        const { x, base, y } = element.getProps(['x', 'base', 'y'], true) as unknown as {
          readonly x: number;
          readonly base: number;
          readonly y: number;
        };
        const room = Math.abs(x - base) - 10;
        const text = fitted(ctx, dataset.label ?? '', room);
        if (text === '') continue;
        const width = ctx.measureText(text).width;
        ctx.fillStyle = look.ground;
        ctx.fillRect(Math.min(x, base) + 4, y - 9, width + 6, 18);
        ctx.fillStyle = look.ink;
        ctx.fillText(text, Math.min(x, base) + 7, y + 1);
      }
    });
    ctx.restore();
  },
});

function fitted(ctx: CanvasRenderingContext2D, text: string, room: number): string {
  if (ctx.measureText(text).width <= room) return text;
  for (let length = text.length - 1; length >= 3; length--) {
    const short = `${text.slice(0, length).trimEnd()}…`;
    if (ctx.measureText(short).width <= room) return short;
  }
  return '';
}

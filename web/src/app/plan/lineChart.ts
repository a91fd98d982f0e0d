import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import {
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type Plugin,
} from 'chart.js';
import { Preferences } from '../data/preferences';
import { Turns } from '../ui/turns';

Chart.register(LinearScale, LineController, LineElement, PointElement, ScatterController, Tooltip, Legend);

/** A line of a chart. */
export interface ChartLine {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  /** Which of the colours for columns. */
  readonly colour: number;
  readonly dashed?: boolean;
  /** On the axis to the right. */
  readonly right?: boolean;
}

/** A level that is drawn across: a limit. */
export interface ChartLimit {
  readonly name: string;
  readonly y: number;
}

/** Lines over one quantity, with limits across and one place marked. */
@Component({
  selector: 'wb-line-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div><canvas #canvas role="img" [attr.aria-label]="told()" (click)="pick($event)"></canvas></div>`,
  styles: `
    :host {
      display: block;
      height: 100%;
      min-height: 0;
    }
    div {
      height: 100%;
      position: relative;
    }
  `,
})
export class LineChart {
  private readonly preferences = inject(Preferences);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly lines = input.required<readonly ChartLine[]>();
  readonly limits = input<readonly ChartLimit[]>([]);
  readonly across = input('');
  readonly up = input('');
  readonly upRight = input('');
  readonly told = input('');
  /** Points by themselves, with room round them and no names. */
  readonly plain = input(false, { transform: booleanAttribute });
  /** A place along the axis that is marked. */
  readonly at = input<number>();
  readonly picked = output<number>();
  private chart: Chart<'scatter'> | undefined;
  private callOff = () => undefined as unknown;

  constructor() {
    const turns = inject(Turns);
    effect(() => {
      this.preferences.ground();
      const [lines, limits] = [this.lines(), this.limits()];
      const axes = { across: this.across(), up: this.up(), upRight: this.upRight() };
      this.callOff();
      // In a turn of its own: the page round it is there first.
      this.callOff = turns.next(() => this.draw(lines, limits, axes));
    });
    effect(() => {
      this.at();
      this.chart?.draw();
    });
    inject(DestroyRef).onDestroy(() => {
      this.callOff();
      this.chart?.destroy();
    });
  }

  protected pick(event: MouseEvent): void {
    const scale = this.chart?.scales.x;
    const value = scale?.getValueForPixel(event.offsetX);
    if (value !== undefined) this.picked.emit(Math.min(scale?.max ?? value, Math.max(scale?.min ?? value, value)));
  }

  private draw(
    lines: readonly ChartLine[],
    limits: readonly ChartLimit[],
    axes: { readonly across: string; readonly up: string; readonly upRight: string },
  ): void {
    const canvas = this.canvas().nativeElement;
    const style = getComputedStyle(canvas);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const family = colour('--words') || 'sans-serif';
    const xs = lines.flatMap(({ points }) => points.map(({ x }) => x));
    const [from, to] = [Math.min(...xs), Math.max(...xs)];
    const ink = colour('--ink-soft');
    const plain = this.plain();
    const scale = (title: string) => ({
      grid: { color: colour('--rule') },
      ticks: { color: ink, font: { family } },
      title: { display: title !== '', text: title, color: ink, font: { family } },
    });
    this.chart?.destroy();
    this.chart = new Chart(canvas, {
      type: 'scatter',
      data: {
        datasets: [
          ...lines.map(({ name, points, colour: which, dashed = false, right = false }) => ({
            label: name,
            data: points.map(({ x, y }) => ({ x, y })),
            showLine: !plain,
            pointRadius: plain ? 6 : points.length > 30 ? 0 : 3,
            pointHitRadius: 6,
            borderWidth: 2,
            borderColor: colour(`--column-${which % 6}`),
            backgroundColor: colour(`--column-${which % 6}`),
            borderDash: dashed ? [5, 4] : [],
            yAxisID: right ? 'right' : 'y',
          })),
          ...limits.map(({ name, y }) => ({
            label: name,
            data: [
              { x: from, y },
              { x: to, y },
            ],
            showLine: true,
            pointRadius: 0,
            pointHitRadius: 0,
            borderWidth: 1.5,
            borderColor: colour('--never'),
            backgroundColor: colour('--never'),
            borderDash: [2, 3],
            yAxisID: 'y',
          })),
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: { ...scale(axes.across), type: 'linear', ...(plain ? { grace: '8%' } : { min: from, max: to }) },
          y: { ...scale(axes.up), type: 'linear', ...(plain ? { grace: '8%' } : {}) },
          ...(lines.some(({ right }) => right)
            ? { right: { ...scale(axes.upRight), type: 'linear' as const, position: 'right' as const } }
            : {}),
        },
        plugins: {
          legend: { display: !plain, labels: { color: colour('--ink'), font: { family }, boxWidth: 18 } },
        },
      },
      plugins: [this.marker(colour('--brass'))],
    });
  }

  /** A line down at the place that is marked. */
  private marker(stroke: string): Plugin<'scatter'> {
    return {
      id: 'marked',
      afterDatasetsDraw: ({ ctx, scales, chartArea }) => {
        const at = this.at();
        if (at === undefined || !scales.x) return;
        const x = scales.x.getPixelForValue(at);
        if (x < chartArea.left || x > chartArea.right) return;
        ctx.save();
        ctx.strokeStyle = stroke;
        ctx.lineWidth = 2;
        ctx.beginPath();
        ctx.moveTo(x, chartArea.top);
        ctx.lineTo(x, chartArea.bottom);
        ctx.stroke();
        ctx.restore();
      },
    };
  }
}

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
import type { Answers } from '@which-bore/core';
import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from 'chart.js';
import { Preferences } from '../data/preferences';
import { Turns } from '../ui/turns';

Chart.register(LinearScale, LineController, LineElement, PointElement, ScatterController, Tooltip);

type Band = Answers['calibration']['bands'][number];
interface Point {
  readonly x: number;
  readonly y: number;
}

const percent = (of: number): number => 100 * of;
/** Between two strokes of one line. */
const GAP: Point = { x: Number.NaN, y: Number.NaN };

/**
 * What was said against what was so: a point for each tenth of sureness, with the stroke its share lies in with 95 %.
 * On the slanting line a judge is as often right as he says.
 */
@Component({
  selector: 'wb-reliability-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div><canvas #canvas role="img" [attr.aria-label]="told()"></canvas></div>`,
  styles: `
    :host {
      display: block;
    }
    div {
      aspect-ratio: 1.25;
      max-width: 520px;
      position: relative;
    }
  `,
})
export class ReliabilityChart {
  private readonly preferences = inject(Preferences);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly bands = input.required<readonly Band[]>();
  private readonly filled = computed(() => this.bands().filter(({ count }) => count > 0));
  protected readonly told = computed(
    () =>
      'How often what was said was so. ' +
      this.filled()
        .map(({ said, right, count }) => `Said with ${Math.round(percent(said))} %: right ${right} of ${count}.`)
        .join(' '),
  );
  private chart: Chart<'scatter', Point[]> | undefined;
  private callOff = () => undefined as unknown;

  constructor() {
    const turns = inject(Turns);
    effect(() => {
      this.preferences.ground();
      const bands = this.filled();
      this.callOff();
      // In a turn of its own: the page round it is there first.
      this.callOff = turns.next(() => this.draw(bands));
    });
    inject(DestroyRef).onDestroy(() => {
      this.callOff();
      this.chart?.destroy();
    });
  }

  private draw(bands: readonly Band[]): void {
    const canvas = this.canvas().nativeElement;
    const style = getComputedStyle(canvas);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    this.chart?.destroy();
    this.chart = new Chart(canvas, {
      type: 'scatter',
      data: dataOf(bands, colour),
      options: optionsOf(bands, colour, colour('--words') || 'sans-serif'),
    });
  }
}

function dataOf(bands: readonly Band[], colour: (name: string) => string): ChartData<'scatter', Point[]> {
  const line = { showLine: true, pointRadius: 0, pointHitRadius: 0 };
  return {
    datasets: [
      {
        label: 'right',
        // Points on the edge are drawn whole.
        clip: false,
        data: bands.map(({ said, right, count }) => ({ x: percent(said), y: percent(right / count) })),
        backgroundColor: colour('--ink'),
        pointRadius: bands.map(({ count }) => Math.min(9, 3 + Math.sqrt(count))),
      },
      {
        ...line,
        label: 'with 95 % between',
        data: bands.flatMap(({ said, low, high }): Point[] => [
          { x: percent(said), y: percent(low) },
          { x: percent(said), y: percent(high) },
          GAP,
        ]),
        borderColor: colour('--ink-soft'),
        borderWidth: 2,
      },
      {
        ...line,
        label: 'as often as said',
        data: [
          { x: 0, y: 0 },
          { x: 100, y: 100 },
        ],
        borderColor: colour('--rule-strong'),
        borderDash: [6, 5],
        borderWidth: 1.5,
      },
    ],
  };
}

function optionsOf(bands: readonly Band[], colour: (name: string) => string, family: string): ChartOptions<'scatter'> {
  const axis = (text: string) => ({
    min: 0,
    max: 100,
    title: { display: true, text, color: colour('--ink-soft'), font: { family, size: 14 } },
    ticks: { color: colour('--ink-soft'), font: { family, size: 13 }, stepSize: 20 },
    grid: { color: colour('--rule') },
  });
  return {
    animation: false,
    maintainAspectRatio: false,
    scales: { x: axis('said, %'), y: axis('right, %') },
    plugins: {
      legend: { display: false },
      tooltip: {
        filter: ({ datasetIndex }) => datasetIndex === 0,
        callbacks: {
          label: ({ dataIndex }) => {
            const band = bands[dataIndex];
            return band ? `said ${Math.round(percent(band.said))} %: right ${band.right} of ${band.count}` : '';
          },
        },
      },
    },
  };
}

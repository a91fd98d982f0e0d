import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { Preferences } from '../data/preferences';

/** A figure over two sizes: shaded by what it comes to, with lines where its limits are. */
@Component({
  selector: 'wb-sweep-map',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="quiet name">
      {{ names().figure }}: {{ ends().low }} (pale) to {{ ends().high }} (strong); what breaks a limit is hatched
    </p>
    <div class="map">
      <span class="up figures">{{ upEnds().high }}</span>
      <span class="up-name">{{ names().up }}</span>
      <span class="up low figures">{{ upEnds().low }}</span>
      <canvas #canvas role="img" [attr.aria-label]="told()"></canvas>
      <span class="across figures"
        ><span>{{ acrossEnds().low }}</span
        ><span>{{ names().across }}</span
        ><span>{{ acrossEnds().high }}</span></span
      >
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-rows: auto minmax(0, 1fr);
      height: 100%;
      min-height: 0;
    }
    .name {
      margin: 0 0 4px;
    }
    .map {
      display: grid;
      gap: 2px 8px;
      grid-template: auto minmax(0, 1fr) auto auto / auto minmax(0, 1fr);
      min-height: 0;
    }
    canvas {
      border: 1px solid var(--rule-strong);
      grid-area: 1 / 2 / 4 / 3;
      height: 100%;
      image-rendering: pixelated;
      min-height: 0;
      width: 100%;
    }
    .up-name {
      align-self: center;
      font-size: 14px;
      writing-mode: vertical-rl;
    }
    .low {
      grid-row: 3;
    }
    .across {
      display: flex;
      font-size: 14px;
      grid-column: 2;
      justify-content: space-between;
    }
  `,
})
export class SweepMap {
  private readonly preferences = inject(Preferences);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly across = input.required<readonly number[]>();
  readonly up = input.required<readonly number[]>();
  /** Row by row, the first row at the foot. */
  readonly values = input.required<readonly number[]>();
  /** The least, and the most where there is one. */
  readonly limits = input<readonly number[]>([]);
  readonly names = input.required<{ readonly across: string; readonly up: string; readonly figure: string }>();

  private readonly range = computed(() => {
    const known = this.values().filter(Number.isFinite);
    return { low: Math.min(...known), high: Math.max(...known) };
  });
  protected readonly ends = computed(() => ({ low: short(this.range().low), high: short(this.range().high) }));
  protected readonly upEnds = computed(() => endsOf(this.up()));
  protected readonly acrossEnds = computed(() => endsOf(this.across()));
  protected readonly told = computed(
    () =>
      `${this.names().figure} from ${this.ends().low} to ${this.ends().high}, over ${this.names().across} and ${this.names().up}.`,
  );

  constructor() {
    effect(() => {
      this.preferences.ground();
      this.draw();
    });
  }

  private draw(): void {
    const canvas = this.canvas().nativeElement;
    const [columns, rows] = [this.across().length, this.up().length];
    const context = canvas.getContext('2d');
    if (!context || columns === 0 || rows === 0) return;
    const cell = 4;
    [canvas.width, canvas.height] = [columns * cell, rows * cell];
    const style = getComputedStyle(canvas);
    const [ground, dye, never] = ['--raised', '--dye', '--never'].map((name) => style.getPropertyValue(name).trim());
    const { low, high } = this.range();
    const [least = -Infinity, most = Infinity] = this.limits();
    context.fillStyle = ground ?? '';
    context.fillRect(0, 0, canvas.width, canvas.height);
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        const value = this.values()[row * columns + column] ?? Number.NaN;
        if (!Number.isFinite(value)) continue;
        const [x, y] = [column * cell, (rows - 1 - row) * cell];
        context.globalAlpha = 0.12 + 0.8 * (high > low ? (value - low) / (high - low) : 0.5);
        context.fillStyle = dye ?? '';
        context.fillRect(x, y, cell, cell);
        context.globalAlpha = 1;
        if (value >= least && value <= most) continue;
        context.fillStyle = never ?? '';
        for (let dot = 0; dot < cell; dot++) context.fillRect(x + dot, y + cell - 1 - dot, 1, 1);
      }
  }
}

const short = (value: number): string => String(Number(value.toPrecision(4)));
const endsOf = (of: readonly number[]) => ({ low: short(of[0] ?? 0), high: short(of.at(-1) ?? 0) });

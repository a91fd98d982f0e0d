import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  viewChild,
  DestroyRef,
} from '@angular/core';
import { drawSection, sectionBox, showValue, type FigureTold, type SectionShape, type Verdict } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Preferences } from '../data/preferences';
import { PlanState } from './planState';

/** Degrees that a key turns the crank, and with shift. */
const TURN = 1;
const TURN_FAR = 10;
/** Degrees a second when it runs by itself. */
const RUNS_AT = 45;

interface Drawn {
  readonly path: string;
  readonly class: string;
}

/** One path of a shape, as SVG has it. */
function pathOf(shape: SectionShape): string {
  if (shape.form === 'circle') {
    const [x, y] = shape.at;
    const r = shape.radius;
    return `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
  }
  return `M${shape.points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`;
}

/**
 * The section through one cylinder, to scale, with its crank at an angle: dragged on the drawing, turned with keys, or
 * run slowly. What comes close is measured where it is closest.
 */
@Component({
  selector: 'wb-section-view',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sectionView.html',
  styleUrl: './sectionView.less',
})
export class SectionView {
  private readonly preferences = inject(Preferences);
  protected readonly state = inject(PlanState);
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('drawing');

  private readonly sizes = computed(() => this.state.sheet()?.section);
  protected readonly box = computed(() => {
    const sizes = this.sizes();
    if (!sizes) return undefined;
    const { x, y, width, height } = sectionBox(sizes);
    const pad = Math.max(width, height) * 0.03;
    return `${x - pad} ${y - pad} ${width + 2 * pad} ${height + 2 * pad}`;
  });
  /** Letters as large as can be read, whatever the size of the engine. */
  protected readonly letter = computed(() => {
    const sizes = this.sizes();
    return sizes ? sectionBox(sizes).height / 24 : 1;
  });
  private readonly drawing = computed(() => {
    const sizes = this.sizes();
    return sizes && drawSection(sizes, this.state.angle());
  });
  protected readonly shapes = computed((): readonly Drawn[] =>
    (this.drawing()?.shapes ?? []).map((shape) => ({ path: pathOf(shape), class: shape.role })),
  );
  protected readonly crankpin = computed(() => this.drawing()?.crankpin);
  protected readonly gaps = computed(() =>
    (this.drawing()?.gaps ?? []).map((gap) => ({
      ...gap,
      verdict: this.verdictOf(gap.figure, gap.room),
      says: showValue(gap.room, 'length', this.preferences.units()),
    })),
  );
  protected readonly guessed = computed(() => (this.sizes()?.guessed ?? []).length);
  protected readonly angleSays = computed(() => {
    const angle = Math.round(this.state.angle());
    if (angle === 0) return 'at top dead centre';
    const off = Math.abs(angle);
    return off === 180 || off === 360
      ? off === 180
        ? 'at bottom dead centre'
        : 'at the firing top'
      : `${off}° ${angle > 0 ? 'after' : 'before'} the top between exhaust and intake`;
  });

  protected readonly running = signal(false);
  private frame = 0;

  constructor() {
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
  }

  /** How the room at this place and angle stands against what is required. */
  private verdictOf(figure: string, room: number): Verdict | undefined {
    const found = (this.state.sheet()?.figures ?? ([] as readonly FigureTold[])).find(({ id }) => id === figure);
    const here = found?.found.find(({ at }) => at.length === 0 || at.includes(this.state.cylinder()));
    if (here?.required === undefined) return undefined;
    if (room >= here.required.low) return 'fits';
    return here.verdict === 'doesNotFit' ? 'doesNotFit' : 'cannotTell';
  }

  protected turn(by: number): void {
    this.state.angle.update((angle) => wrapped(angle + by));
  }

  protected key(event: KeyboardEvent): void {
    const by = event.shiftKey ? TURN_FAR : TURN;
    const acts: Readonly<Record<string, () => void>> = {
      ArrowRight: () => this.turn(by),
      ArrowLeft: () => this.turn(-by),
      Home: () => this.state.angle.set(0),
      End: () => this.state.angle.set(180),
      ' ': () => this.run(!this.running()),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  }

  /** Takes hold of the crank: it follows the pointer round the main axis. */
  protected take(event: PointerEvent): void {
    const svg = this.svg()?.nativeElement;
    if (!svg) return;
    this.run(false);
    svg.setPointerCapture(event.pointerId);
    let before = this.pointerAngle(event);
    const move = (next: PointerEvent) => {
      const now = this.pointerAngle(next);
      let by = now - before;
      if (by > 180) by -= 360;
      if (by < -180) by += 360;
      before = now;
      this.turn(by);
    };
    const done = (last: PointerEvent) => {
      move(last);
      svg.removeEventListener('pointermove', move);
      this.state.angle.update((angle) => Math.round(angle));
    };
    svg.addEventListener('pointermove', move);
    svg.addEventListener('pointerup', done, { once: true });
    svg.addEventListener('pointercancel', () => svg.removeEventListener('pointermove', move), { once: true });
  }

  /** Clockwise from the top, degrees. */
  private pointerAngle(event: PointerEvent): number {
    const svg = this.svg()?.nativeElement;
    const matrix = svg?.getScreenCTM();
    if (!svg || !matrix) return 0;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return (Math.atan2(x, -y) * 180) / Math.PI;
  }

  protected run(start: boolean): void {
    cancelAnimationFrame(this.frame);
    this.running.set(start);
    if (!start) return;
    let before: number | undefined;
    const step = (now: number) => {
      this.turn(((now - (before ?? now)) / 1000) * RUNS_AT);
      before = now;
      this.frame = requestAnimationFrame(step);
    };
    this.frame = requestAnimationFrame(step);
  }
}

/** A crank angle of the two turns, from -360 to 360. */
function wrapped(angle: number): number {
  if (angle > 360) return angle - 720;
  return angle < -360 ? angle + 720 : angle;
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { fromInside, shownUnit, UNITS, type CurveTold } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { filter, switchMap } from 'rxjs';
import { Api } from '../data/api';
import { Preferences } from '../data/preferences';
import { saveFile } from '../ui/saveFile';
import { LiftTables } from './liftTables';
import { LineChart, type ChartLine } from './lineChart';
import { PlanState } from './planState';

/** What is drawn together. */
const VIEWS = {
  motion: { name: 'Piston: fall and speed', curves: ['fall', 'speed'] },
  acceleration: { name: 'Piston: acceleration', curves: ['acceleration'] },
  rod: { name: 'Rod angle', curves: ['rodAngle'] },
  valves: { name: 'Valves', curves: ['lift.intake', 'lift.exhaust'] },
  room: { name: 'Piston to valve', curves: ['room.intake', 'room.exhaust'] },
} as const;
type View = keyof typeof VIEWS;

/** Near the top the room for the valves is of interest, and nowhere else. Degrees. */
const ROOM_WITHIN = 60;

/** Motion over the crank angle, which is that of the drawing. */
@Component({
  selector: 'wb-motion-charts',
  imports: [FormsModule, LiftTables, LineChart, NzButtonModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="choose">
      <label for="curves">Over the crank angle</label>
      <nz-select nzId="curves" [ngModel]="view()" (ngModelChange)="view.set($event)">
        @for (each of views; track each.id) {
          <nz-option [nzValue]="each.id" [nzLabel]="each.name" />
        }
      </nz-select>
      <button nz-button type="button" (click)="save('csv')" [disabled]="!answer()">Save as CSV</button>
      <button nz-button type="button" (click)="save('xlsx')" [disabled]="!answer()">XLSX</button>
      @if (failure(); as why) {
        <p role="alert" class="bad">{{ why }}</p>
      }
    </div>
    @if (view() === 'valves' || view() === 'room') {
      <wb-lift-tables />
    }
    @if (lines().length > 0) {
      <wb-line-chart
        [lines]="lines()"
        [at]="state.angle()"
        across="Crank angle, degrees after the top between exhaust and intake"
        [up]="unit(0)"
        [upRight]="unit(1)"
        [told]="told()"
        (picked)="state.angle.set(toWhole($event))"
      />
    } @else if (answer()) {
      <p class="quiet">This cannot be drawn yet: the sheet says what is not known.</p>
    } @else {
      <p class="quiet" role="status">Working it out…</p>
    }
  `,
  styleUrl: './panel.less',
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      overflow: auto;
    }
    wb-line-chart {
      flex: 1 0 170px;
    }
  `,
})
export class MotionCharts {
  protected readonly state = inject(PlanState);
  private readonly preferences = inject(Preferences);
  private readonly api = inject(Api);
  protected readonly failure = signal<string | undefined>(undefined);
  protected readonly view = signal<View>('motion');
  protected readonly views = (Object.keys(VIEWS) as View[]).map((id) => ({ id, name: VIEWS[id].name }));
  protected readonly toWhole = Math.round;

  protected readonly answer = toSignal(
    toObservable(
      computed(() => {
        const asked = this.state.asked();
        return asked && { ...asked, cylinder: this.state.cylinder() };
      }),
    ).pipe(
      filter((asked) => asked !== undefined),
      switchMap((asked) => this.state.answered('buildCurves', asked)),
    ),
  );

  private readonly shown = computed((): readonly CurveTold[] => {
    const ids: readonly string[] = VIEWS[this.view()].curves;
    return (this.answer()?.curves ?? []).filter(({ id }) => ids.includes(id));
  });

  protected readonly lines = computed((): readonly ChartLine[] => {
    const angles = this.answer()?.angles ?? [];
    const [first] = this.shown();
    return this.shown().flatMap((curve, at): readonly ChartLine[] => {
      const right = first !== undefined && curve.quantity !== first.quantity;
      const line = (name: string, values: readonly number[], dashed: boolean): ChartLine => ({
        name,
        colour: at,
        dashed,
        right,
        points: values.flatMap((value, index) => {
          const x = angles[index] ?? 0;
          return this.view() === 'room' && Math.abs(x) > ROOM_WITHIN ? [] : [{ x, y: this.inUnits(curve, value) }];
        }),
      });
      const isAsBase = curve.base === undefined || curve.base.every((value, index) => value === curve.values[index]);
      return [
        line(curve.name, curve.values, false),
        ...(isAsBase ? [] : [line(`${curve.name}, before`, curve.base ?? [], true)]),
      ];
    });
  });

  protected readonly told = computed(
    () =>
      `Over the crank angle: ${this.lines()
        .map(({ name }) => name)
        .join(', ')}.`,
  );

  protected unit(which: number): string {
    const [first] = this.shown();
    const of = which === 0 ? first : this.shown().find(({ quantity }) => quantity !== first?.quantity);
    const unit = of && shownUnit(of.quantity, this.preferences.units());
    return unit ? UNITS[unit].symbol : '';
  }

  private inUnits({ quantity }: CurveTold, value: number): number {
    const unit = shownUnit(quantity, this.preferences.units());
    return unit ? fromInside(value, unit) : value;
  }

  /** Every curve as a file, in the reader's units. */
  protected save(ending: 'csv' | 'xlsx'): void {
    const asked = this.state.asked();
    if (!asked) return;
    this.failure.set(undefined);
    this.api.curves(ending, { ...asked, cylinder: this.state.cylinder(), units: this.preferences.units() }).subscribe({
      next: (file) => saveFile(file, `${this.state.build()?.name ?? 'build'}, curves.${ending}`),
      error: (error: unknown) =>
        this.failure.set(error instanceof Error ? error.message : 'The file could not be made. Try again.'),
    });
  }
}

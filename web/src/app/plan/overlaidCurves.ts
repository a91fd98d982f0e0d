import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { fromInside, shownUnit, UNITS, type Answers, type Requests } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, combineLatest, map, of, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { LineChart, type ChartLine } from './lineChart';

/** A build with what is asked of it. */
export interface Overlaid {
  readonly name: string;
  readonly asked: Requests['buildCurves'];
}

/** Curves that are drawn for a part of the two turns only, degrees either side of the top. */
const NEAR_THE_TOP = 60;

/** One curve of several builds, over each other. */
@Component({
  selector: 'wb-overlaid-curves',
  imports: [FormsModule, LineChart, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="choose">
      <label for="overlaid">Over the crank angle</label>
      <nz-select nzId="overlaid" [ngModel]="chosen()" (ngModelChange)="chosen.set($event)">
        @for (each of choices(); track each.id) {
          <nz-option [nzValue]="each.id" [nzLabel]="each.name" />
        }
      </nz-select>
    </div>
    @if (lines().length > 0) {
      <wb-line-chart
        [lines]="lines()"
        across="Crank angle, degrees after the top between exhaust and intake"
        [up]="up()"
        [told]="told()"
      />
    } @else {
      <p class="quiet">None of these builds can be drawn yet: their sheets say what is not known.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      grid-template-rows: auto 320px;
      margin: 4px 0 14px;
      max-width: 1100px;
    }
    .choose {
      align-items: center;
      display: flex;
      gap: 12px;
    }
    nz-select {
      width: 260px;
    }
  `,
})
export class OverlaidCurves {
  private readonly questions = inject(Questions);
  private readonly preferences = inject(Preferences);
  readonly builds = input.required<readonly Overlaid[]>();
  protected readonly chosen = signal('fall');

  private readonly answers = toSignal(
    toObservable(this.builds).pipe(
      switchMap((builds) =>
        builds.length === 0
          ? of([])
          : combineLatest(
              builds.map(({ name, asked }) =>
                this.questions.ask('buildCurves', asked).pipe(
                  map((answer) => ({ name, answer: answer as Answers['buildCurves'] | undefined })),
                  catchError(() => of({ name, answer: undefined })),
                ),
              ),
            ),
      ),
    ),
    { initialValue: [] },
  );

  /** Curves that any of them has, in the order of the sheet. */
  protected readonly choices = computed(() => {
    const all = this.answers().flatMap(({ answer }) => answer?.curves ?? []);
    return [...new Map(all.map(({ id, name, quantity }) => [id, { id, name, quantity }])).values()];
  });

  private readonly unit = computed(() => {
    const quantity = this.choices().find(({ id }) => id === this.chosen())?.quantity;
    return quantity && shownUnit(quantity, this.preferences.units());
  });
  protected readonly up = computed(() => {
    const unit = this.unit();
    return unit ? UNITS[unit].symbol : '';
  });

  protected readonly lines = computed((): readonly ChartLine[] => {
    const unit = this.unit();
    const within = this.chosen().startsWith('room.') ? NEAR_THE_TOP : Infinity;
    return this.answers().flatMap(({ name, answer }, colour): readonly ChartLine[] => {
      const curve = answer?.curves.find(({ id }) => id === this.chosen());
      if (!answer || !curve) return [];
      const points = curve.values.flatMap((value, at) => {
        const x = answer.angles[at] ?? 0;
        return Math.abs(x) > within ? [] : [{ x, y: unit ? fromInside(value, unit) : value }];
      });
      return [{ name, colour, points, dashed: colour > 0 }];
    });
  });

  protected readonly told = computed(() => {
    const name = this.choices().find(({ id }) => id === this.chosen())?.name ?? '';
    return `${name} of ${this.lines()
      .map((line) => line.name)
      .join(', ')}.`;
  });
}

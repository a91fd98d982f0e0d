import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  fromInside,
  sayEntry,
  showInterval,
  showValue,
  shownUnit,
  SOLVED_FOR,
  toInside,
  UNITS,
  type Answers,
  type FigureTold,
  type SolvedFor,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { VerdictMark } from '../ui/verdictMark';
import { PlanState } from './planState';

/** Solved backwards: what one size must be for a figure that is wanted, and which parts on record come nearest. */
@Component({
  selector: 'wb-solve-panel',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzSelectModule, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './solvePanel.html',
  styleUrl: './panel.less',
})
export class SolvePanel {
  private readonly state = inject(PlanState);
  private readonly questions = inject(Questions);
  private readonly preferences = inject(Preferences);
  readonly figure = input.required<FigureTold>();

  protected readonly sizes = SOLVED_FOR.map((id) => ({ id, name: sayEntry(id) }));
  protected readonly size = signal<SolvedFor>('piston.compressionHeight');
  protected readonly wanted = signal('');
  protected readonly answer = signal<Answers['buildSolve'] | undefined>(undefined);
  protected readonly problem = signal<string | undefined>(undefined);
  protected readonly busy = signal(false);

  constructor() {
    effect(() => {
      this.figure();
      this.state.asked();
      this.size();
      this.answer.set(undefined);
      this.problem.set(undefined);
    });
  }

  protected readonly unit = computed(() => {
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    return unit ? UNITS[unit].symbol : '';
  });

  protected solve(): void {
    const asked = this.state.asked();
    const value = Number(this.wanted().replace(',', '.').replace(':1', ''));
    if (this.wanted().trim() === '' || !Number.isFinite(value))
      return this.problem.set(`“${this.wanted()}” is no figure: write what is wanted, like ${this.example()}.`);
    if (!asked) return;
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    this.problem.set(undefined);
    this.busy.set(true);
    this.questions
      .askOnce('buildSolve', {
        ...asked,
        figure: this.figure().id,
        wanted: unit ? toInside(value, unit) : value,
        size: this.size(),
      })
      .subscribe({
        next: (answer) => {
          this.answer.set(answer);
          this.busy.set(false);
        },
        error: (error: unknown) => {
          this.problem.set(error instanceof Error ? error.message : 'It could not be solved.');
          this.busy.set(false);
        },
      });
  }

  protected show(value: number): string {
    return showValue(value, this.answer()?.quantity ?? 'length', this.preferences.units());
  }

  protected showFigure(value: number | undefined): string {
    return value === undefined ? '' : showValue(value, this.figure().quantity, this.preferences.units());
  }

  protected reached({ low, high }: { readonly low: number; readonly high: number }): string {
    return showInterval({ low, high }, this.figure().quantity, this.preferences.units());
  }

  protected example(): string {
    const value = this.figure().found.find((found) => found.value !== undefined)?.value ?? 1;
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    return String(Number((unit ? fromInside(value, unit) : value).toPrecision(3)));
  }

  /** Puts what was found into the build as a figure. */
  protected put(size: number): void {
    const unit = shownUnit(this.answer()?.quantity ?? 'length', this.preferences.units()) ?? 'mm';
    const value = Number(fromInside(size, unit).toPrecision(8));
    this.state.putSize(this.size(), undefined, { of: this.size(), value, unit }, `Put in: ${sayEntry(this.size())}.`);
  }

  protected take({ slot, pattern, label }: Answers['buildSolve']['nearest'][number]): void {
    this.state.alter(`Took ${label}.`, (build) => ({
      ...build,
      places: [...build.places.filter((place) => place.slot !== slot), { slot, pattern }],
      sizes: build.sizes.filter(({ of }) => of !== this.size()),
    }));
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { fromInside, readLifts, type Build, type LiftDuty } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Preferences } from '../data/preferences';
import { PlanState } from './planState';

const DUTIES: readonly LiftDuty[] = ['intake', 'exhaust'];

/** Lift curves as they were measured, typed or pasted line by line; they go before what the cam card says. */
@Component({
  selector: 'wb-lift-tables',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="offer">
      @for (duty of duties; track duty) {
        <button nz-button nzSize="small" type="button" (click)="toggle(duty)" [attr.aria-expanded]="open() === duty">
          {{
            measured(duty) ? 'Lift measured: ' + measured(duty)!.length + ' points, ' + duty : 'Measured lift, ' + duty
          }}
        </button>
      }
    </p>
    @if (open(); as duty) {
      <form (submit)="$event.preventDefault(); take(duty, table.value)">
        <label for="lift-table">
          Crank degrees and lift of the {{ duty }} valve in {{ symbol() }}, a line a point; degrees from anywhere.
        </label>
        <textarea #table id="lift-table" class="figures" rows="6" maxlength="20000" [value]="text()"></textarea>
        @for (each of problems(); track $index) {
          <p role="alert" class="bad">{{ each.line === undefined ? '' : 'Line ' + each.line + ': ' }}{{ each.what }}</p>
        }
        <button nz-button nzType="primary" nzSize="small" type="submit">Take this curve</button>
        @if (measured(duty)) {
          <button nz-button nzSize="small" type="button" (click)="drop(duty)">By the cam card again</button>
        }
      </form>
    }
  `,
  styles: `
    .offer {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 0;
    }
    form {
      display: grid;
      gap: 4px;
      justify-items: start;
      max-width: 460px;
    }
    textarea {
      width: 100%;
    }
    .bad {
      color: var(--never);
      margin: 0;
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
})
export class LiftTables {
  private readonly state = inject(PlanState);
  private readonly preferences = inject(Preferences);
  protected readonly duties = DUTIES;
  protected readonly open = signal<LiftDuty | undefined>(undefined);
  protected readonly problems = signal<readonly { readonly line?: number; readonly what: string }[]>([]);
  protected readonly symbol = computed(() => (this.preferences.units() === 'inch' ? 'in' : 'mm'));
  /** What is known of the curve, to be changed; what was typed stays while it has faults. */
  protected readonly text = computed(() => {
    const duty = this.open();
    const points = duty && this.measured(duty);
    return (points ?? [])
      .map(([angle, lift]) => `${angle}\t${Number(fromInside(lift, this.symbol()).toFixed(4))}`)
      .join('\n');
  });

  protected measured(duty: LiftDuty) {
    return this.state.build()?.lifts?.[duty];
  }

  protected toggle(duty: LiftDuty): void {
    this.problems.set([]);
    this.open.update((open) => (open === duty ? undefined : duty));
  }

  protected take(duty: LiftDuty, text: string): void {
    const read = readLifts(text, this.symbol() === 'in' ? 'inch' : 'metric');
    if ('problems' in read) return this.problems.set(read.problems);
    this.problems.set([]);
    this.put(`Lift of the ${duty} valve as measured.`, duty, read.points);
    this.open.set(undefined);
  }

  protected drop(duty: LiftDuty): void {
    this.put(`Lift of the ${duty} valve by the cam card.`, duty, undefined);
    this.open.set(undefined);
  }

  private put(says: string, duty: LiftDuty, points: NonNullable<Build['lifts']>[LiftDuty]): void {
    this.state.alter(says, ({ lifts, ...build }) => {
      const { [duty]: _before, ...others } = lifts ?? {};
      const all = points ? { ...others, [duty]: points } : others;
      return Object.keys(all).length === 0 ? build : { ...build, lifts: all };
    });
  }
}

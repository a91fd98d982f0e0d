import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { showValue, type FigureTold } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { filter, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { VerdictMark } from '../ui/verdictMark';
import { PlanState } from './planState';

/** One part after another in a place of the build: what the figure then comes to, and whether the part goes in. */
@Component({
  selector: 'wb-parts-tried',
  imports: [NzButtonModule, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <div class="told" tabindex="0" role="group" aria-label="Parts tried">
        <table>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col" class="number">{{ figure().name }}</th>
              <th scope="col">Its limits</th>
              <th scope="col">Goes in</th>
              <th scope="col"><span class="seen-by-readers">What to do</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.pattern) {
              <tr>
                <th scope="row">{{ row.label }}</th>
                <td class="number figures">{{ row.says }}</td>
                <td>{{ row.limits }}</td>
                <td><wb-verdict [verdict]="row.verdict" /></td>
                <td>
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    (click)="take(row.pattern, row.label)"
                    [attr.aria-label]="'Take it: ' + row.label"
                  >
                    Take it
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    } @else if (answer()) {
      <p class="quiet">Nothing of that kind is on record.</p>
    } @else {
      <p class="quiet" role="status">Working it out…</p>
    }
  `,
  styleUrl: './panel.less',
  styles: `
    :host {
      grid-template-rows: minmax(0, 1fr);
    }
  `,
})
export class PartsTried {
  private readonly state = inject(PlanState);
  private readonly preferences = inject(Preferences);
  readonly figure = input.required<FigureTold>();
  readonly slot = input.required<string>();

  private readonly asked = computed(
    () => {
      const asked = this.state.asked();
      return (
        asked && {
          ...asked,
          figures: [this.figure().id],
          parts: { slot: this.slot() },
          cylinder: this.state.cylinder(),
        }
      );
    },
    { equal: dequal },
  );

  protected readonly answer = toSignal(
    toObservable(this.asked).pipe(
      filter((asked) => asked !== undefined),
      switchMap((asked) => this.state.answered('buildSweep', asked)),
    ),
  );

  protected readonly rows = computed(() => {
    const answer = this.answer();
    const [swept] = answer?.figures ?? [];
    if (!answer || !swept) return [];
    const { quantity } = this.figure();
    const units = this.preferences.units();
    return answer.parts.map(({ pattern, verdict }, at) => {
      const value = swept.values[at] ?? undefined;
      return {
        pattern,
        verdict,
        label: answer.labels[at] ?? pattern,
        says: value === undefined ? 'not known' : showValue(value, quantity, units),
        limits: value === undefined || !swept.required ? '' : inLimits(value, swept.required, swept.atLeast ?? false),
      };
    });
  });

  protected take(pattern: string, label: string): void {
    const slot = this.slot();
    this.state.alter(`${label} taken.`, (build) => ({
      ...build,
      places: [...build.places.filter((place) => place.slot !== slot), { slot, pattern }],
    }));
  }
}

function inLimits(value: number, { low, high }: { readonly low: number; readonly high: number }, atLeast: boolean) {
  if (value < low) return 'too little';
  return !atLeast && value > high ? 'too much' : 'within';
}

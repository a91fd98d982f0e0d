import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { showInterval, showValue, type SpecimenSummary } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { dequal } from 'dequal';
import { catchError, distinctUntilChanged, of, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

/** Worn cylinders: bored, sleeved or with new liners, each with its whole bill, side by side. */
@Component({
  selector: 'wb-bores-panel',
  imports: [FormsModule, NzSelectModule, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Cylinders, and what is done to them</h2>
    @if (mayBe().length === 0) {
      <p class="quiet">No block or liner lies here yet. Read one in on the Bench.</p>
    } @else {
      <div class="choose">
        <div>
          <label for="bores-of">Cylinders of</label>
          <nz-select nzId="bores-of" nzShowSearch [ngModel]="meant()" (ngModelChange)="named.set($event)">
            @for (part of mayBe(); track part.id) {
              <nz-option [nzValue]="part.id" [nzLabel]="part.name" />
            }
          </nz-select>
        </div>
        <p class="tick">
          <input #own id="bores-own" type="checkbox" [checked]="eachItsOwn()" (change)="eachItsOwn.set(own.checked)" />
          <label for="bores-own">the maker allows a size to each cylinder</label>
        </p>
      </div>
      @if (answer(); as all) {
        <p class="quiet">
          @if (all.engine) {
            Pistons, rings and gaskets are those of the {{ all.engine }}.
          }
          @if (!all.measured) {
            The bores are not measured yet: every size that is sold stands below.
          } @else if (all.cleansUpAt === undefined) {
            No service size cleans all of them up.
          } @else if (all.cleansUpAt === 0) {
            All are within what was made.
          } @else {
            All clean up from service size {{ all.cleansUpAt }} on.
          }
          The shop does first: {{ all.rule.toLowerCase() }}.
        </p>
        <div class="scroll" role="group" aria-label="Ways to have round cylinders" tabindex="0">
          <table>
            <thead>
              <tr>
                <th scope="col">Way</th>
                <th scope="col">Size</th>
                <th scope="col">Wall left</th>
                <th scope="col" class="number">Hours</th>
                <th scope="col" class="number">Labour</th>
                <th scope="col">Bought with it</th>
                <th scope="col" class="number">In all</th>
              </tr>
            </thead>
            <tbody>
              @for (way of all.ways; track $index) {
                <tr [attr.data-way]="way.id + (way.step ?? '')">
                  <th scope="row">
                    {{ way.name }}
                    @if (way.step) {
                      <span class="figures">{{ length(way.step) }}</span>
                    }
                  </th>
                  <td class="figures">{{ way.size ? band(way.size) : '' }}</td>
                  <td class="figures">{{ way.wallLeft ? band(way.wallLeft) : '' }}</td>
                  <td class="figures number">{{ way.hours }}</td>
                  <td class="figures number">{{ way.labour }}</td>
                  <td>
                    @for (each of way.bought; track $index) {
                      {{ each.what }}
                      @if (each.step) {
                        {{ length(each.step) }} over
                      }
                      <span class="figures">{{ each.price?.toFixed(2) ?? '?' }}</span>{{ $last ? '' : '; ' }}
                    }
                  </td>
                  <td class="figures number">{{ way.total.toFixed(2) + (way.priced ? '' : ' and more') }}</td>
                </tr>
                @if (way.refused || way.says.length > 0 || !way.canUndo) {
                  <tr class="says">
                    <td colspan="7">
                      @if (way.refused) {
                        <span class="bad">{{ way.refused }}</span>
                      }
                      @for (each of way.says; track $index) {
                        {{ each | said }}
                      }
                      @if (!way.canUndo) {
                        It cannot be undone.
                      }
                    </td>
                  </tr>
                }
              } @empty {
                <tr>
                  <td colspan="7" class="quiet">
                    Nothing can be said: its pattern is not known, so neither is what it was made to.
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        @if (all.seating; as seats) {
          <h3>Which piston goes where, all within {{ length(seats.spread) }}</h3>
          <table class="pairs">
            <thead>
              <tr>
                <th scope="col">Cylinder</th>
                <th scope="col">Bore</th>
                <th scope="col">Piston</th>
                <th scope="col">Clearance now, {{ band(seats.wanted) }} wanted</th>
                <th scope="col">Hone to</th>
              </tr>
            </thead>
            <tbody>
              @for (seat of seats.seated; track seat.cylinder) {
                <tr [attr.data-seat]="seat.cylinder">
                  <th scope="row">{{ seat.cylinder }}</th>
                  <td class="figures">{{ band(seat.bore) }}</td>
                  <td>{{ seat.name }}</td>
                  <td class="figures"><wb-verdict [verdict]="seat.verdict" wordless /> {{ band(seat.clearance) }}</td>
                  <td>
                    <span class="figures">{{ seat.honeTo ? band(seat.honeTo) : '—' }}</span>
                    @if (seat.says; as told) {
                      <span class="bad">{{ told | said }}</span>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </table>
        } @else if (pistons().length > 0) {
          <p class="quiet">
            Measure every bore, and the skirts of as many pistons: then it is told which piston goes where, and what
            each cylinder is honed to.
          </p>
        }
        <p class="caution">
          Each cylinder is honed to the piston that goes there: bring them along. Have the wall measured before anything
          is bored; boring and honing throw iron dust and mist.
        </p>
      } @else {
        <p class="quiet" role="status">Working out the bills…</p>
      }
    }
  `,
  styleUrl: './panels.less',
})
export class BoresPanel {
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);
  private readonly preferences = inject(Preferences);
  /** Parts that may be meant. */
  readonly parts = input.required<readonly SpecimenSummary[]>();

  protected readonly eachItsOwn = signal(false);
  protected readonly named = signal<string | undefined>(undefined);
  protected readonly mayBe = computed(() => this.parts().filter(({ kind }) => kind === 'block' || kind === 'liner'));
  protected readonly meant = computed(() => this.named() ?? this.mayBe()[0]?.id);
  private readonly specimen = toSignal(
    toObservable(this.meant).pipe(
      switchMap((id) =>
        id === undefined
          ? of(undefined)
          : this.specimens.opened([{ id }]).pipe(switchMap(() => this.specimens.watch(id))),
      ),
    ),
  );
  private readonly pistonsHere = computed(() => this.parts().filter(({ kind }) => kind === 'piston'));
  /** Pistons that may go into them. */
  protected readonly pistons = toSignal(
    toObservable(this.pistonsHere).pipe(
      switchMap((parts) => this.specimens.opened(parts)),
      distinctUntilChanged((a, b) => dequal(a, b)),
    ),
    { initialValue: [] },
  );
  protected readonly answer = toSignal(
    toObservable(
      computed(() => {
        const specimen = this.specimen();
        return specimen && { specimen, pistons: [...this.pistons()], eachItsOwn: this.eachItsOwn() };
      }),
    ).pipe(
      switchMap((asked) =>
        asked ? this.questions.ask('fitBores', asked).pipe(catchError(() => of(undefined))) : of(undefined),
      ),
    ),
  );

  protected length(value: number): string {
    return showValue(value, 'length', this.preferences.units());
  }

  protected band(interval: { readonly low: number; readonly high: number }): string {
    return showInterval(interval, 'length', this.preferences.units());
  }
}

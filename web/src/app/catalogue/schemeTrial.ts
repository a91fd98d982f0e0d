import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { cut, sayYears, type Scheme, either, listed } from '@which-bore/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { map, switchMap } from 'rxjs';
import { Questions } from '../data/questions';

/** No number is longer. */
const LONGEST = 60;

/** A scheme tried live on its samples and on whatever is typed; years that stay open are shown as such. */
@Component({
  selector: 'wb-scheme-trial',
  imports: [NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Tried on numbers</h2>
    <label for="try">Another number</label>
    <input
      nz-input
      id="try"
      class="figures"
      spellcheck="false"
      placeholder="as it stands on the part"
      [value]="more()"
      #number
      (input)="more.set(number.value)"
    />
    <p class="quiet">{{ within() }}</p>
    <ul aria-live="polite">
      @for (each of tried(); track $index) {
        <li>
          <b class="number">{{ each.number }}</b>
          @for (reading of each.readings; track $index) {
            <div class="reading">
              <span class="segments">
                @for (segment of reading.says; track $index) {
                  <span class="segment" [title]="segment.name"
                    ><b>{{ segment.text }}</b
                    ><small>{{ segment.meaning }}</small></span
                  >
                }
              </span>
              @if (reading.years.length === 1) {
                <span class="year">{{ reading.years[0] }}</span>
              } @else if (reading.years.length > 1) {
                <span class="year open">{{ listed(reading.years) }}: the number leaves it open</span>
              }
            </div>
          }
          @if (each.readings.length > 1) {
            <p class="open">It can be cut up in {{ each.more ? 'more than ' : '' }}{{ each.readings.length }} ways.</p>
          }
          @if (each.problem) {
            <p class="bad">{{ each.problem }}</p>
          }
        </li>
      } @empty {
        <li class="quiet">Give it samples, or type a number.</li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
    }
    h2 {
      border-bottom: 1px solid var(--rule-strong);
      margin: 0 0 8px;
      padding-bottom: 3px;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      border-bottom: 1px dotted var(--rule);
      padding: 8px 0;
    }
    .number,
    .segment b {
      font: 400 16px/1.2 var(--figures);
    }
    .reading {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      margin-top: 5px;
    }
    .segments {
      display: flex;
      flex-wrap: wrap;
    }
    .segment {
      border: 1px solid var(--rule-strong);
      margin-right: -1px;
      min-width: 34px;
      padding: 3px 7px;
      text-align: center;
    }
    .segment small {
      color: var(--ink-soft);
      display: block;
      font-size: 12.5px;
      line-height: 1.2;
    }
    .year {
      font: 600 18px/1 var(--narrow);
    }
    .open {
      color: var(--work);
      font-size: 14px;
      margin: 4px 0 0;
    }
    .bad {
      color: var(--never);
      margin: 4px 0 0;
    }
  `,
})
export class SchemeTrial {
  private readonly questions = inject(Questions);
  readonly scheme = input.required<Scheme>();
  protected readonly more = signal('');

  private readonly numbers = computed(() =>
    [this.more(), ...(this.scheme().samples ?? [])]
      .filter((number) => number.trim() !== '')
      .map((number) => cut(number, LONGEST)),
  );
  private readonly decoded = toSignal(
    toObservable(computed(() => ({ scheme: this.scheme(), numbers: this.numbers() }))).pipe(
      // Without a number to try it still says to which years it is cut.
      switchMap(({ scheme, numbers }) =>
        this.questions
          .ask('decode', { scheme, numbers: numbers.length === 0 ? ['?'] : numbers })
          .pipe(map((all) => ({ numbers, all }))),
      ),
    ),
  );
  protected readonly within = computed(() => {
    const years = this.decoded()?.all[0]?.within;
    return years
      ? `Years are cut to those of the family, ${sayYears(years)}.`
      : 'No family is chosen, so every century stays open.';
  });
  protected readonly tried = computed(() =>
    (this.decoded()?.numbers ?? []).map((number, at) => ({ number, ...(this.decoded()?.all[at] ?? { readings: [] }) })),
  );

  protected listed(years: readonly number[]): string {
    const told = years.map(String);
    return told.length > 6 ? listed([...told.slice(0, 5), `${told.length - 5} more`]) : either(told);
  }
}

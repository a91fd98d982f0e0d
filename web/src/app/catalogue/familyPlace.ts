import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { counted, SLOTS, type CatalogueLookup, type Variant } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { growing } from '../ui/growing';
import { RecordLink } from '../ui/recordLink';
import { InTurn } from '../ui/turns';
import { barsOf, exceptionsBySlot } from './fitmentBars';
import { FitmentChart } from './fitmentChart';

/** What the variants of a family carried in one place over the years, and where the rule breaks. */
@Component({
  selector: 'wb-family-place',
  imports: [FitmentChart, FormsModule, InTurn, NzSelectModule, RecordLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (slots().length > 0) {
      <div class="place">
        <label for="slot">What was fitted as</label>
        <nz-select *wbInTurn nzId="slot" [ngModel]="place()" (ngModelChange)="choose.emit($event)">
          @for (each of slots(); track each.id) {
            <nz-option [nzValue]="each.id" [nzLabel]="each.label" />
          }
        </nz-select>
        <p class="key">
          <span class="usual">the usual part</span><span class="some">only a short time, or some engines</span>
        </p>
      </div>
      <wb-fitment-chart *wbInTurn [bars]="bars()" />
      <ng-container *wbInTurn>
        <h2>Exceptions: {{ placeName() }}</h2>
        <ul class="plain">
          @for (bar of drawnExceptions(); track $index) {
            <li>
              <wb-record type="variant" [id]="bar.variant.id" short />:
              <wb-record type="pattern" [id]="bar.fitment.pattern" short />{{
                bar.says.slice(bar.says.indexOf(bar.name) + bar.name.length)
              }}
            </li>
          } @empty {
            <li class="quiet">None: what differs over the years was changed over for good.</li>
          }
        </ul>
      </ng-container>
    }
  `,
  styleUrl: './page.less',
  styles: `
    .place {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin-bottom: 6px;
    }
    nz-select {
      width: 260px;
    }
    .key {
      color: var(--ink-soft);
      display: flex;
      font-size: 13.5px;
      gap: 16px;
      margin: 0 0 0 auto;
    }
    .key span::before {
      background: var(--column-0);
      border: 2px solid var(--column-0);
      content: '';
      display: inline-block;
      height: 12px;
      margin-right: 6px;
      vertical-align: -1px;
      width: 26px;
    }
    .key .some::before {
      background: repeating-linear-gradient(135deg, var(--column-0) 0 3px, var(--raised) 3px 6px);
    }
  `,
})
export class FamilyPlace {
  readonly catalogue = input.required<CatalogueLookup>();
  readonly variants = input.required<readonly Variant[]>();
  /** The place asked for. */
  readonly slot = input<string>();
  readonly choose = output<string>();

  protected readonly slots = computed(() => {
    const exceptions = exceptionsBySlot(this.variants());
    return SLOTS.filter((each) => exceptions.has(each.id)).map((each) => {
      const count = exceptions.get(each.id) ?? 0;
      return {
        id: each.id,
        name: each.name,
        count,
        label: count === 0 ? each.name : `${each.name} (${counted(count, 'exception')})`,
      };
    });
  });
  /** The place asked for, else the one with the most exceptions. */
  protected readonly place = computed(() => {
    const asked = this.slot();
    if (asked !== undefined) return asked;
    return this.slots().reduce<{ id: string; count: number } | undefined>(
      (most, each) => (each.count > (most?.count ?? -1) ? each : most),
      undefined,
    )?.id;
  });
  protected readonly placeName = computed(
    () =>
      this.slots()
        .find((each) => each.id === this.place())
        ?.name.toLowerCase() ?? '',
  );
  protected readonly bars = computed(() => {
    const place = this.place();
    return place === undefined ? [] : barsOf(this.catalogue(), this.variants(), place);
  });
  protected readonly drawnExceptions = growing(
    computed(() => this.bars().filter((bar) => bar.exception)),
    3,
  );
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  engineVariant,
  fitmentsInOrder,
  isException,
  sayShare,
  sayYears,
  slotOf,
  type Fitment,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CompareLink } from '../ui/compareLink';
import { RecordLink } from '../ui/recordLink';
import { recordPage } from './recordPage';
import { sourceWords, ValueTable } from './valueTable';

/** One version of an engine: what it is, which serials and machines, and what it carried where and when. */
@Component({
  selector: 'wb-variant-page',
  imports: [CompareLink, NzButtonModule, RecordLink, RouterLink, ValueTable],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (variant(); as of) {
      <header class="head">
        <h1>
          <small><wb-record type="family" [id]="of.family" />{{ of.years ? ', ' + years() : '' }}</small>
          {{ of.code }}{{ of.name ? ', ' + of.name : '' }}
        </h1>
        <div class="doing">
          <wb-compare-link [subject]="'variant:' + of.id" />
          <a nz-button nzType="primary" [routerLink]="['/catalogue/edit/variant', of.id]">Edit</a>
        </div>
      </header>
      @if (of.note) {
        <p class="warn">{{ of.note }}</p>
      }
      <div class="columns">
        <div>
          <h2>Sizes</h2>
          <wb-value-table [described]="of" [kind]="kind" show="sizes" />
          <h2>Looks</h2>
          <wb-value-table [described]="of" [kind]="kind" show="looks" />
          <h2>Also</h2>
          <ul class="plain">
            @if (of.rating) {
              <li>Rated {{ of.rating }}</li>
            }
            @if (of.firingOrder) {
              <li>
                Fires <span class="figures">{{ of.firingOrder }}</span>
              </li>
            }
            @for (run of of.serials ?? []; track $index) {
              <li>
                Serials <span class="mark">{{ run.prefix }}{{ run.from }}</span
                >to <span class="mark">{{ run.prefix }}{{ run.to }}</span
                >{{ run.note }}
              </li>
            }
            @if (of.machines) {
              <li>In {{ of.machines.join(', ') }}</li>
            }
            @if (of.source) {
              <li class="quiet">Values from {{ words(of.source) }}</li>
            }
          </ul>
        </div>
        <div>
          <h2>What it carried</h2>
          <table>
            <tbody>
              @for (fitment of fitments(); track $index) {
                <tr [class.exception]="exceptional(of, fitment)">
                  <th scope="row">{{ slotName(fitment) }}</th>
                  <td>
                    <wb-record type="pattern" [id]="fitment.pattern" short />
                    @if (when(fitment); as when) {
                      <small>{{ when }}</small>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      </div>
    } @else if (catalogue()) {
      <h1>No such variant</h1>
      <p>The catalogue has no variant “{{ id() }}”. It may have been renamed or removed; search for it on the left.</p>
    }
  `,
  styleUrl: './page.less',
  styles: `
    table {
      border-collapse: collapse;
      width: 100%;
    }
    tr {
      border-bottom: 1px dotted var(--rule);
    }
    th {
      color: var(--ink-soft);
      font: 600 15px/1.25 var(--narrow);
      padding: 5px 12px 5px 0;
      text-align: left;
      vertical-align: top;
      white-space: nowrap;
    }
    td {
      padding: 4px 0;
    }
    small {
      color: var(--ink-soft);
      display: block;
      font-size: 13px;
    }
    .exception th {
      border-left: 4px solid var(--brass);
      padding-left: 8px;
    }
    .exception small {
      color: var(--brass);
    }
  `,
})
export class VariantPage {
  readonly id = input.required<string>();
  protected readonly catalogue = recordPage('variant', this.id).catalogue;
  protected readonly kind = engineVariant;
  protected readonly words = sourceWords;

  protected readonly variant = computed(() => this.catalogue()?.variant(this.id()));
  protected readonly years = computed(() => {
    const years = this.variant()?.years;
    return years ? sayYears(years) : '';
  });
  protected readonly fitments = computed(() => fitmentsInOrder(this.variant()?.fitments ?? []));

  protected readonly slotName = (fitment: Fitment): string => slotOf(fitment.slot)?.name ?? fitment.slot;

  protected readonly exceptional = isException;

  protected when(fitment: Fitment): string {
    const { from, to, serialFrom, serialTo, share, note } = fitment;
    return [
      from !== undefined || to !== undefined ? `${from ?? ''} to ${to ?? ''}`.trim() : '',
      serialFrom !== undefined || serialTo !== undefined ? `serials ${serialFrom ?? ''}–${serialTo ?? ''}` : '',
      share === undefined ? '' : `${sayShare(share)} (${Math.round(share * 100)} %)`,
      note ?? '',
    ]
      .filter(Boolean)
      .join('; ');
  }
}

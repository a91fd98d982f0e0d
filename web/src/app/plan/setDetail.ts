import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { counted, showInterval, showValue, type SetTold } from '@which-bore/core';
import { Preferences } from '../data/preferences';
import { Said } from '../ui/said';

const FROM = { there: 'there', shelf: 'on the shelf', bought: 'to buy' } as const;

/** One set: what goes into each place and where it comes from, the work, what is open. */
@Component({
  selector: 'wb-set-detail',
  imports: [RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h2>{{ name() }}</h2>
      <span class="acts"><ng-content /></span>
    </div>
    <div class="two">
      <div>
        <table>
          <caption class="seen-by-readers">
            Parts of
            {{
              name()
            }}
          </caption>
          <tbody>
            @for (part of set().parts; track $index) {
              <tr [attr.data-slot]="part.slot">
                <th scope="row">{{ part.name }}</th>
                <td>
                  @if (part.pattern; as pattern) {
                    <a [routerLink]="['/catalogue/pattern', pattern]">{{ part.label }}</a>
                  } @else {
                    {{ part.label }}
                  }
                  @if (part.size; as step) {
                    <small class="work">{{ sized(step) }}</small>
                  }
                  @for (work of part.work; track work) {
                    <small class="work">{{ work }}</small>
                  }
                </td>
                <td class="quiet">
                  {{ from[part.from] }}
                  @if (part.from === 'bought') {
                    <small class="work">{{ part.supplier ? part.supplier + ', ' : '' }}{{ inDays(part.days) }}</small>
                  }
                </td>
                <td class="number figures">
                  {{ part.price }}
                  @if (part.unpriced) {
                    <small class="quiet">as the dearest</small>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <div>
        @if (set().work.length > 0) {
          <h3>Work the joints want</h3>
          <ol>
            @for (work of set().work; track $index) {
              <li>
                <b>{{ work.name }}</b> <span class="figures">{{ work.price }}</span>
                <span class="quiet"> {{ work.hours }} h{{ work.canUndo ? '' : ', cannot be taken back' }}</span>
                <span class="says">{{ work.says | said }}</span>
              </li>
            }
          </ol>
        }
        @if (set().open.length > 0) {
          <h3>Yet to be confirmed</h3>
          <ul>
            @for (each of set().open; track $index) {
              <li>
                <b>{{ each.joint }}: {{ each.check.toLowerCase() }}</b> <span class="says">{{ each.says | said }}</span>
              </li>
            }
          </ul>
        }
        @if (set().work.length === 0 && set().open.length === 0) {
          <p>All {{ set().checks }} checks agree as it is: no work is wanted, and nothing is open.</p>
        }
        @if (set().closest.length > 0) {
          <h3>Closest to their limits</h3>
          <ul class="closest">
            @for (each of set().closest; track $index) {
              <li>
                {{ each.joint }}: {{ each.check.toLowerCase() }}
                <span class="quiet">{{ lies(each) }}</span>
              </li>
            }
          </ul>
        }
        @for (caution of set().cautions; track caution) {
          <p class="caution">{{ caution }}</p>
        }
      </div>
    </div>
  `,
  styles: `
    :host {
      border-top: 2px solid var(--rule-strong);
      display: block;
      margin-top: 12px;
      padding-top: 8px;
    }
    .head {
      align-items: center;
      display: flex;
      gap: 18px;
    }
    h2 {
      font-size: 20px;
      margin: 0;
    }
    h3 {
      font: 600 16px/1.2 var(--narrow);
      margin: 4px 0;
    }
    .acts {
      display: flex;
      gap: 8px;
      margin-left: auto;
    }
    .two {
      display: grid;
      gap: 8px 26px;
      grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
      margin-top: 6px;
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    th,
    td {
      border-bottom: 1px dotted var(--rule);
      font-weight: 400;
      padding: 4px 12px 4px 0;
      text-align: left;
      vertical-align: baseline;
    }
    td.quiet {
      white-space: nowrap;
    }
    .number {
      padding-right: 0;
      text-align: right;
    }
    .work,
    .says {
      color: var(--ink-soft);
      display: block;
      font-size: 14px;
    }
    .work {
      color: var(--brass-ink, inherit);
    }
    li .figures {
      margin-left: 8px;
    }
    ol,
    ul {
      margin: 0;
      padding-left: 20px;
    }
    @media (max-width: 1000px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
    @media print {
      .acts {
        display: none;
      }
    }
  `,
})
export class SetDetail {
  private readonly preferences = inject(Preferences);
  readonly set = input.required<SetTold>();
  readonly name = input.required<string>();
  protected readonly from = FROM;

  protected inDays(days: number | undefined): string {
    if (days === undefined) return 'nobody says when';
    return days === 0 ? 'at once' : counted(days, 'day');
  }

  protected lies({ found, required, atLeast, quantity }: SetTold['closest'][number]): string {
    const units = this.preferences.units();
    const wanted = atLeast
      ? `at least ${showValue(required.low, quantity, units)}`
      : showInterval(required, quantity, units);
    return `${showInterval(found, quantity, units)}, ${wanted} wanted`;
  }

  protected sized(step: number): string {
    return `${showValue(Math.abs(step), 'length', this.preferences.units())} ${step > 0 ? 'over' : 'under'} standard`;
  }
}

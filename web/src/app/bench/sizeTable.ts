import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { digitsOf, KINDS, middle, partFromPattern, sayLook, type Part, type Pattern } from '@which-bore/core';
import { Preferences } from '../data/preferences';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly definition: string;
  readonly mine: string | undefined;
  readonly theirs: string | undefined;
  readonly differs: string | undefined;
  readonly look: boolean;
}

/** Every size and look of the kind, as found on this part and as the candidate has it. */
@Component({
  selector: 'wb-size-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <table>
        <thead>
          <tr>
            <th scope="col">Sizes in {{ units() }}</th>
            <th scope="col">This part</th>
            <th scope="col">{{ against() ? 'Candidate' : '' }}</th>
            <th scope="col">{{ against() ? 'Off' : '' }}</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row" [title]="row.definition">{{ row.name }}</th>
              <td class="figures mine" [class.look]="row.look">{{ row.mine ?? '' }}</td>
              <td class="figures" [class.look]="row.look">{{ row.theirs ?? '' }}</td>
              <td class="figures off">{{ row.differs ?? '' }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
  `,
  styles: `
    table {
      border-collapse: collapse;
      font-size: 14px;
      width: 100%;
    }
    th {
      font: 500 14px/1.25 var(--narrow);
      text-align: left;
    }
    thead th {
      border-bottom: 1px solid var(--rule-strong);
      color: var(--ink-soft);
      padding-bottom: 3px;
    }
    tbody tr {
      border-bottom: 1px dotted var(--rule);
    }
    tbody th {
      font-size: 15px;
      padding: 3px 6px 3px 0;
    }
    td,
    thead th:not(:first-child) {
      padding-left: 6px;
      text-align: right;
    }
    td {
      font-size: 12.5px;
      white-space: nowrap;
    }
    .look {
      white-space: normal;
    }
    .mine {
      color: var(--brass);
      font-weight: 700;
    }
  `,
})
export class SizeTable {
  private readonly preferences = inject(Preferences);
  /** The part as measured alone. */
  readonly part = input.required<Part>();
  readonly against = input<Pattern>();

  protected readonly units = computed(() => (this.preferences.units() === 'inch' ? 'inches' : 'mm'));

  protected readonly rows = computed((): Row[] => {
    const kind = KINDS[this.part().kind];
    const pattern = this.against();
    const candidate = pattern && partFromPattern(pattern, '');
    const units = this.preferences.units();
    const sizes = Object.values(kind.parameters).map((parameter): Row => {
      const mine = this.part().values[parameter.id];
      const theirs = candidate?.values[parameter.id];
      const found = mine && middle(mine.interval);
      const off =
        found === undefined || !theirs
          ? undefined
          : found < theirs.interval.low
            ? found - theirs.interval.low
            : found > theirs.interval.high
              ? found - theirs.interval.high
              : 0;
      return {
        id: parameter.id,
        name: parameter.name,
        definition: parameter.definition,
        mine: found === undefined ? undefined : digitsOf(found, parameter.quantity, units),
        theirs: theirs && `${digitsOf(theirs.interval.low, parameter.quantity, units)} – ${digitsOf(theirs.interval.high, parameter.quantity, units)}`,
        differs: off === undefined ? undefined : off === 0 ? 'inside' : `${off > 0 ? '+' : ''}${digitsOf(off, parameter.quantity, units)}`,
        look: false,
      };
    });
    const looks = Object.values(kind.features).map((feature): Row => {
      const mine = this.part().looks[feature.id]?.option;
      const theirs = candidate?.looks[feature.id]?.option;
      const counted = 'count' in feature.form;
      const name = (option: string | undefined) => (option === undefined ? undefined : counted ? option : sayLook(feature, option));
      return {
        id: feature.id,
        name: feature.name,
        definition: feature.tell,
        mine: name(mine),
        theirs: name(theirs),
        differs: mine === undefined || theirs === undefined ? undefined : mine === theirs ? 'same' : 'differs',
        look: true,
      };
    });
    return [...sizes, ...looks].filter((row) => row.mine !== undefined || row.theirs !== undefined);
  });
}

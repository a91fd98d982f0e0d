import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { KIND_IDS, KINDS, RECORD_NAMES, RECORD_TYPES } from '@which-bore/core';
import { Questions } from '../data/questions';
import { growing } from '../ui/growing';

/** What the catalogue holds, kind by kind, and what the dictionary knows of each. */
@Component({
  selector: 'wb-overview-page',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>Catalogue</h1>
    @if (held(); as view) {
      <p class="sum">
        <b class="figures">{{ view.counts.pattern }}</b> patterns in
        <b class="figures">{{ view.counts.variant }}</b> variants of
        <b class="figures">{{ view.counts.family }}</b> families by
        <b class="figures">{{ view.counts.maker }}</b> makers.
      </p>
    }
    <table>
      <thead>
        <tr>
          <th scope="col">Kind of part</th>
          <th scope="col" class="number">Patterns</th>
          <th scope="col" class="number">Sizes</th>
          <th scope="col" class="number">Looks</th>
          <th scope="col" class="number">Mark places</th>
          <th scope="col" class="number">Faces</th>
          <th scope="col"><span class="seen-by-readers">Add</span></th>
        </tr>
      </thead>
      <tbody>
        @for (kind of kinds(); track kind.id) {
          <tr>
            <th scope="row">
              <a [routerLink]="['/catalogue']" [queryParams]="{ find: kind.plural.toLowerCase() }">{{ kind.plural }}</a>
            </th>
            <td class="figures number">{{ kind.patterns }}</td>
            <td class="figures number">{{ kind.sizes }}</td>
            <td class="figures number">{{ kind.looks }}</td>
            <td class="figures number">{{ kind.places }}</td>
            <td class="figures number">{{ kind.faces }}</td>
            <td>
              <a [routerLink]="['/catalogue/new', kind.id]" [attr.aria-label]="'Add one: ' + kind.name">Add one</a>
            </td>
          </tr>
        }
      </tbody>
    </table>
    <section>
      <h2>Other records</h2>
      <ul>
        @for (each of others; track each.type) {
          <li>
            <a [routerLink]="['/catalogue/new', each.type]">Add a {{ each.name }}</a>
          </li>
        }
      </ul>
      <h2>Mark schemes</h2>
      <ul>
        @for (scheme of held()?.schemes ?? []; track scheme.id) {
          <li>
            <a [routerLink]="['/catalogue/edit/scheme', scheme.id]">{{ scheme.name }}</a>
          </li>
        }
      </ul>
    </section>
  `,
  styles: `
    h1 {
      font-size: 28px;
    }
    .sum {
      margin: 4px 0 12px;
    }
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 220px;
      column-gap: 36px;
    }
    h1,
    .sum {
      grid-column: 1 / -1;
    }
    table {
      border-collapse: collapse;
      align-self: start;
    }
    th,
    td {
      border-bottom: 1px solid var(--rule);
      padding: 2px 14px 2px 0;
      text-align: left;
    }
    thead th {
      border-bottom-color: var(--rule-strong);
      color: var(--ink-soft);
      font: 600 14px/1.3 var(--narrow);
    }
    tbody th {
      font: 600 16px/1.2 var(--narrow);
    }
    td a,
    th a,
    li a {
      display: inline-block;
      padding: 4px 0;
    }
    .number {
      text-align: right;
    }
    ul {
      list-style: none;
      margin: 4px 0 18px;
      padding: 0;
    }
    @media (max-width: 1000px) {
      :host {
        display: block;
      }
    }
  `,
})
export class OverviewPage {
  protected readonly held = toSignal(inject(Questions).ask('overview', {}));
  protected readonly others = RECORD_TYPES.filter((type) => type !== 'pattern').map((type) => ({
    type,
    name: RECORD_NAMES[type],
  }));
  protected readonly kinds = growing(
    computed(() =>
      KIND_IDS.map((id) => {
        const kind = KINDS[id];
        const count = (of: object) => Object.keys(of).length;
        return {
          id,
          name: kind.name,
          plural: kind.plural,
          patterns: this.held()?.kinds.find((each) => each.kind === id)?.patterns ?? 0,
          sizes: count(kind.parameters),
          looks: count(kind.features),
          places: count(kind.markPlaces),
          faces: count(kind.interfaces),
        };
      }),
    ),
    8,
  );
}

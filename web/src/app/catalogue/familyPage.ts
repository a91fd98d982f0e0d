import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { counted, KIND_IDS, KINDS, sayYears, SLOTS } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { growing } from '../ui/growing';
import { RecordLink } from '../ui/recordLink';
import { barsOf, slotsWithExceptions } from './fitmentBars';
import { FitmentChart } from './fitmentChart';
import { recordPage } from './recordPage';

/** A family: its variants over the years, what each carried in a place, and where the rule breaks. */
@Component({
  selector: 'wb-family-page',
  imports: [FitmentChart, FormsModule, NzButtonModule, NzSelectModule, RecordLink, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (family(); as of) {
      <header class="head">
        <h1>
          <small>{{ years() }}</small>
          {{ label() }}
        </h1>
        <div class="doing">
          <a nz-button routerLink="/compare" [queryParams]="{ of: compared() }">Compare variants</a>
          <a nz-button nzType="primary" [routerLink]="['/catalogue/edit/family', of.id]">Edit</a>
        </div>
      </header>
      @if (of.note) {
        <p>{{ of.note }}</p>
      }
      @if (leftOut() > 0) {
        <p class="quiet">This family is too large for one page: {{ leftOut() }} more of its records are not shown. Search for them on the left.</p>
      }
      @if (slots().length > 0) {
        <div class="place">
          <label for="slot">What was fitted as</label>
          <nz-select nzId="slot" [ngModel]="place()" (ngModelChange)="choose($event)">
            @for (each of slots(); track each.id) {
              <nz-option [nzValue]="each.id" [nzLabel]="each.label" />
            }
          </nz-select>
          <p class="key"><span class="usual">the usual part</span><span class="some">only a short time, or some engines</span></p>
        </div>
        <wb-fitment-chart [bars]="bars()" />
        <h2>Exceptions: {{ placeName() }}</h2>
        <ul class="plain">
          @for (bar of drawnExceptions(); track $index) {
            <li>
              <wb-record type="variant" [id]="bar.variant.id" short />: <wb-record type="pattern" [id]="bar.fitment.pattern" short />{{
                bar.says.slice(bar.says.indexOf(bar.name) + bar.name.length)
              }}
            </li>
          } @empty {
            <li class="quiet">None: what differs over the years was changed over for good.</li>
          }
        </ul>
      }
      <div class="columns">
        <div>
          <h2>Variants</h2>
          <ul class="plain">
            @for (variant of drawnVariants(); track variant.id) {
              <li>
                <wb-record type="variant" [id]="variant.id" short />
                <span class="quiet">{{ variant.years ? ' ' + yearsOf(variant.years) : '' }}{{ variant.rating ? ', ' + variant.rating : '' }}</span>
              </li>
            } @empty {
              <li class="quiet">No variant yet.</li>
            }
          </ul>
        </div>
        <div>
          <h2>Patterns</h2>
          <ul class="plain">
            @for (group of drawnPatterns(); track group.kind) {
              <li>
                <details>
                  <summary>
                    {{ group.plural }} <span class="figures quiet">{{ group.patterns.length }}</span>
                  </summary>
                  @for (pattern of group.patterns; track pattern.id) {
                    <div><wb-record type="pattern" [id]="pattern.id" short /></div>
                  }
                </details>
              </li>
            }
          </ul>
        </div>
      </div>
    } @else if (catalogue()) {
      <h1>No such family</h1>
      <p>The catalogue has no family “{{ id() }}”. It may have been renamed or removed; search for it on the left.</p>
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
    summary {
      cursor: pointer;
      padding: 4px 0;
    }
    details div {
      padding: 5px 0 5px 18px;
    }
  `,
})
export class FamilyPage {
  private readonly router = inject(Router);
  readonly id = input.required<string>();
  /** The place charted, from the address. */
  readonly slot = input<string>();
  private readonly page = recordPage('family', this.id);
  protected readonly catalogue = this.page.catalogue;
  protected readonly leftOut = this.page.leftOut;

  protected readonly family = computed(() => this.catalogue()?.family(this.id()));
  protected readonly label = computed(() => this.catalogue()?.familyLabel(this.id()) ?? '');
  protected readonly years = computed(() => {
    const years = this.catalogue()?.yearsOf(this.id());
    return years ? sayYears(years) : '';
  });
  protected readonly yearsOf = sayYears;
  protected readonly variants = computed(() =>
    [...(this.catalogue()?.variantsOf(this.id()) ?? [])].sort(
      (a, b) => (a.years?.from ?? '').localeCompare(b.years?.from ?? '') || a.code.localeCompare(b.code),
    ),
  );
  protected readonly compared = computed(() =>
    this.variants()
      .slice(0, 6)
      .map((variant) => `variant:${variant.id}`)
      .join(','),
  );

  protected readonly slots = computed(() => {
    const catalogue = this.catalogue();
    if (!catalogue) return [];
    const exceptions = slotsWithExceptions(catalogue, this.variants());
    return SLOTS.filter((each) => exceptions.has(each.id)).map((each) => {
      const count = exceptions.get(each.id) ?? 0;
      return { id: each.id, name: each.name, count, label: count === 0 ? each.name : `${each.name} (${counted(count, 'exception')})` };
    });
  });
  /** The place asked for, else the one with the most exceptions. */
  protected readonly place = computed(() => {
    const asked = this.slot();
    if (asked !== undefined) return asked;
    return this.slots().reduce<{ id: string; count: number } | undefined>((most, each) => (each.count > (most?.count ?? -1) ? each : most), undefined)?.id;
  });
  protected readonly placeName = computed(
    () =>
      this.slots()
        .find((each) => each.id === this.place())
        ?.name.toLowerCase() ?? '',
  );
  protected readonly bars = computed(() => {
    const [catalogue, place] = [this.catalogue(), this.place()];
    return catalogue && place !== undefined ? barsOf(catalogue, this.variants(), place) : [];
  });
  protected readonly exceptions = computed(() => this.bars().filter((bar) => bar.exception));

  protected readonly patterns = computed(() => {
    const patterns = this.catalogue()?.patternsOf(this.id()) ?? [];
    return KIND_IDS.flatMap((kind) => {
      const of = patterns.filter((pattern) => pattern.kind === kind);
      return of.length === 0 ? [] : [{ kind, plural: KINDS[kind].plural, patterns: of }];
    });
  });

  // The chart is drawn in a turn of its own as well.
  protected readonly drawnExceptions = growing(this.exceptions, 3);
  protected readonly drawnVariants = growing(this.variants, 10, this.drawnExceptions);
  protected readonly drawnPatterns = growing(this.patterns, 3, this.drawnVariants);

  protected choose(slot: string): void {
    void this.router.navigate([], { queryParams: { slot }, queryParamsHandling: 'merge', replaceUrl: true });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { KIND_IDS, KINDS, sayYears } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { growing } from '../ui/growing';
import { RecordLink } from '../ui/recordLink';
import { InTurn } from '../ui/turns';
import { FamilyPlace } from './familyPlace';
import { recordPage } from './recordPage';

/** A family: its variants over the years, what each carried in a place, and where the rule breaks. */
@Component({
  selector: 'wb-family-page',
  imports: [FamilyPlace, InTurn, NzButtonModule, RecordLink, RouterLink],
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
        <p class="quiet">
          This family is too large for one page: {{ leftOut() }} more of its records are not shown. Search for them on
          the left.
        </p>
      }
      @if (catalogue(); as held) {
        <wb-family-place
          *wbInTurn
          [catalogue]="held"
          [variants]="variants()"
          [slot]="slot()"
          (choose)="choose($event)"
        />
      }
      <div class="columns" *wbInTurn>
        <div>
          <h2>Variants</h2>
          <ul class="plain">
            @for (variant of drawnVariants(); track variant.id) {
              <li>
                <wb-record type="variant" [id]="variant.id" short />
                <span class="quiet"
                  >{{ variant.years ? ' ' + yearsOf(variant.years) : ''
                  }}{{ variant.rating ? ', ' + variant.rating : '' }}</span
                >
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

  protected readonly patterns = computed(() => {
    const patterns = this.catalogue()?.patternsOf(this.id()) ?? [];
    return KIND_IDS.flatMap((kind) => {
      const of = patterns.filter((pattern) => pattern.kind === kind);
      return of.length === 0 ? [] : [{ kind, plural: KINDS[kind].plural, patterns: of }];
    });
  });

  protected readonly drawnVariants = growing(this.variants, 5);
  protected readonly drawnPatterns = growing(this.patterns, 2, this.drawnVariants);

  protected choose(slot: string): void {
    void this.router.navigate([], { queryParams: { slot }, queryParamsHandling: 'merge', replaceUrl: true });
  }
}

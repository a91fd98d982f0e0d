import { booleanAttribute, ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Understood } from '@which-bore/core';
import { shownAs } from './understood';

/** One reading in words: what of, the figures, the instrument. */
@Component({
  selector: 'wb-reading-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (shown().of) {
      <span class="of">{{ shown().of }}</span>
    }
    @if (shown().read) {
      <span class="read" [class.figures]="is().sort === 'size' || is().sort === 'mark'">{{ shown().read }}</span>
    }
    @if (shown().converted) {
      <span class="converted figures" [class.always]="bothUnits()">({{ shown().converted }})</span>
    }
    @if (shown().note) {
      <span class="note">{{ shown().note }}</span>
    }
  `,
  styles: `
    :host {
      align-items: baseline;
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0 6px;
      min-width: 0;
    }
    .of {
      font-family: var(--narrow);
      font-weight: 600;
    }
    .read {
      overflow-wrap: anywhere;
    }
    .converted:not(.always) {
      display: none;
    }
    .converted,
    .note {
      color: var(--ink-soft);
      font-size: 13px;
    }
    @media print {
      .converted:not(.always) {
        display: inline;
      }
    }
  `,
})
export class ReadingWords {
  /** In both systems of units on the screen too; on paper it is. */
  readonly bothUnits = input(false, { transform: booleanAttribute });
  readonly is = input.required<Understood>();
  protected readonly shown = computed(() => shownAs(this.is()));
}

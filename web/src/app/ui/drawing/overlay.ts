import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { outlineToCompare, type Part } from '@which-bore/core';
import { ShapeMark } from './shapeMark';

/** A part in an overlay, with the number of its column. */
export interface Overlaid {
  readonly column: number;
  readonly label: string;
  readonly part: Part;
}

/** Outlines of several parts over each other, to one scale, lines only; what a row is about stands out. */
@Component({
  selector: 'wb-overlay',
  imports: [ShapeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg role="img" [attr.viewBox]="viewBox()" [attr.aria-label]="told()">
      @for (each of drawn(); track each.column) {
        <svg:g [class]="'part column-' + each.column">
          @for (shape of each.outline.shapes; track $index) {
            <svg:g
              [class.lit]="place() !== undefined && shape.place === place()"
              [class.room]="shape.role === 'room'"
              [class.guessed]="shape.known === 'guessed'"
              [wbShape]="shape"
            />
          }
        </svg:g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      height: auto;
      max-height: 420px;
      width: 100%;
    }
    .part {
      fill: none;
      stroke: currentColor;
      stroke-width: 1.8;
    }
    .room {
      stroke-dasharray: 9 3 2 3;
      stroke-width: 1;
    }
    .guessed {
      stroke-dasharray: 3 3;
      stroke-width: 1;
    }
    .lit {
      fill: currentColor;
      fill-opacity: 0.14;
      stroke-width: 4;
    }
    .column-1 {
      stroke-dasharray: 12 4;
    }
    .column-2 {
      stroke-dasharray: 4 3;
    }
    .column-3 {
      stroke-dasharray: 12 3 3 3;
    }
    .column-4 {
      stroke-dasharray: 2 4;
    }
    .column-5 {
      stroke-dasharray: 18 3;
    }
    .column-0 {
      color: var(--column-0);
    }
    .column-1 {
      color: var(--column-1);
    }
    .column-2 {
      color: var(--column-2);
    }
    .column-3 {
      color: var(--column-3);
    }
    .column-4 {
      color: var(--column-4);
    }
    .column-5 {
      color: var(--column-5);
    }
  `,
})
export class Overlay {
  readonly parts = input.required<readonly Overlaid[]>();
  /** The place of the drawing that a row is about. */
  readonly place = input<string>();

  protected readonly drawn = computed(() =>
    this.parts().map((each) => ({ ...each, outline: outlineToCompare(each.part) })),
  );
  protected readonly viewBox = computed(() => {
    const boxes = this.drawn().map((each) => each.outline.box);
    const left = Math.min(...boxes.map((box) => box.x));
    const top = Math.min(...boxes.map((box) => box.y));
    const right = Math.max(...boxes.map((box) => box.x + box.width));
    const bottom = Math.max(...boxes.map((box) => box.y + box.height));
    const pad = Math.max(right - left, bottom - top) * 0.03;
    return `${left - pad} ${top - pad} ${right - left + 2 * pad} ${bottom - top + 2 * pad}`;
  });
  protected readonly told = computed(
    () =>
      `${this.parts()
        .map((each) => each.label)
        .join(', ')}, drawn over each other to one scale, ${this.drawn()[0]?.outline.seen ?? ''}.`,
  );
}

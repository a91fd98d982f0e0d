import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { digitsOf, KINDS, showValue, type Part } from '@which-bore/core';
import { Preferences } from '../../data/preferences';
import { sheetOf, type Callout } from './callouts';
import { ShapeMark } from './shapeMark';

/** A part to scale, its sizes called out: measured ones in brass, the pattern's in ink, guesses dashed. */
@Component({
  selector: 'wb-part-drawing',
  imports: [ShapeMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './partDrawing.svg',
  styleUrl: './partDrawing.less',
})
export class PartDrawing {
  private readonly preferences = inject(Preferences);
  readonly part = input.required<Part>();
  /** Place to be measured next, made to stand out. */
  readonly highlight = input<string>();
  /** Whether nothing else is called out: a sketch for one who makes just that. */
  readonly only = input(false);

  protected readonly sheet = computed(() => sheetOf(this.part(), this.highlight(), this.only()));
  protected readonly viewBox = computed(() => {
    const { x, y, width, height } = this.sheet().view;
    return `${x} ${y} ${width} ${height}`;
  });

  protected readonly told = computed(() => {
    const { callouts, outline } = this.sheet();
    const known = callouts.flatMap((callout) =>
      callout.value === undefined
        ? []
        : [
            `${callout.parameter.name} ${showValue(callout.value, callout.parameter.quantity, this.preferences.units())}${callout.known === 'measured' ? ', measured' : ''}`,
          ],
    );
    const what = `${KINDS[this.part().kind].name} ${outline.seen}`;
    return known.length > 0 ? `${what}, to scale. ${known.join('; ')}.` : `${what}; no size is known yet.`;
  });

  protected figure(callout: Callout): string {
    return callout.value === undefined
      ? '?'
      : digitsOf(callout.value, callout.parameter.quantity, this.preferences.units());
  }

  /** From the label straight towards the part, then over to what it speaks of. */
  protected leader({ x, y, labelX, above }: Callout): string {
    const { view, letter } = this.sheet();
    const from = above ? view.y + letter * 2.9 : view.y + view.height - letter * 2.9;
    const knee = above ? from + letter * 0.9 : from - letter * 0.9;
    return `M${labelX} ${from}V${knee}L${x} ${y}`;
  }

  protected labelY(callout: Callout, line: number): number {
    const { view, letter } = this.sheet();
    return callout.above ? view.y + letter * (1.2 + line * 1.25) : view.y + view.height - letter * (1.55 - line * 1.25);
  }
}

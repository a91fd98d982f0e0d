import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { digitsOf, showValue, type Part } from '@which-bore/core';
import { Preferences } from '../../data/preferences';
import { crankGeometry, type Callout } from './crankGeometry';

/** A crank from the side, to scale, its sizes called out: measured ones in brass, the pattern's in ink, guesses dashed. */
@Component({
  selector: 'wb-crank-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './crankDrawing.svg',
  styleUrl: './crankDrawing.less',
})
export class CrankDrawing {
  private readonly preferences = inject(Preferences);
  readonly part = input.required<Part>();

  protected readonly geometry = computed(() => crankGeometry(this.part()));
  protected readonly viewBox = computed(() => {
    const { x, y, width, height } = this.geometry().view;
    return `${x} ${y} ${width} ${height}`;
  });

  protected readonly told = computed(() => {
    const known = this.geometry().callouts.flatMap((callout) =>
      callout.value === undefined
        ? []
        : [
            `${callout.parameter.name} ${showValue(callout.value, callout.parameter.quantity, this.preferences.units())}${callout.known === 'measured' ? ', measured' : ''}`,
          ],
    );
    return known.length > 0 ? `Crank from the side, to scale. ${known.join('; ')}.` : 'Crank from the side; no size is known yet.';
  });

  protected figure(callout: Callout): string {
    return callout.value === undefined ? '?' : digitsOf(callout.value, callout.parameter.quantity, this.preferences.units());
  }

  /** From the label straight to the level of the crank, then over to what it speaks of. */
  protected leader({ x, y, labelX, above }: Callout): string {
    const { view, letter } = this.geometry();
    const from = above ? view.y + letter * 2.9 : view.y + view.height - letter * 2.9;
    const knee = above ? from + letter * 0.9 : from - letter * 0.9;
    return `M${labelX} ${from}V${knee}L${x} ${above ? Math.min(y, 0) : Math.max(y, 0)}`;
  }

  protected labelY(callout: Callout, line: number): number {
    const { view, letter } = this.geometry();
    return callout.above ? view.y + letter * (1.2 + line * 1.25) : view.y + view.height - letter * (1.55 - line * 1.25);
  }
}

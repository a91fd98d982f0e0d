import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Interval, Verdict } from '@which-bore/core';

/** Where a value lies against the band it must lie in, with its uncertainty, like the scale of a gauge. */
@Component({
  selector: 'wb-band-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 200 22" preserveAspectRatio="none" aria-hidden="true" [class]="verdict()">
      <line class="scale" x1="0" x2="200" y1="11" y2="11" />
      <rect class="wanted" y="3" height="16" [attr.x]="wanted().x" [attr.width]="wanted().width" />
      <path class="ends" [attr.d]="ends()" />
      <rect class="found" y="7" height="8" [attr.x]="found().x" [attr.width]="found().width" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      height: 22px;
      overflow: visible;
      width: 100%;
    }
    .scale {
      stroke: var(--rule-strong);
      vector-effect: non-scaling-stroke;
    }
    .wanted {
      fill: var(--dye-ground);
    }
    .ends {
      fill: none;
      stroke: var(--dye);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .fits .found {
      fill: var(--fits);
    }
    .fitsWithWork .found {
      fill: var(--work);
    }
    .cannotTell .found {
      fill: var(--unknown);
    }
    .doesNotFit .found {
      fill: var(--never);
    }
  `,
})
export class BandStrip {
  readonly value = input.required<Interval>();
  readonly required = input.required<Interval>();
  readonly verdict = input.required<Verdict>();

  private readonly scale = computed(() => {
    const low = Math.min(this.value().low, this.required().low);
    const high = Math.max(this.value().high, this.required().high);
    const pad = (high - low || 1) * 0.1;
    const span = high - low + 2 * pad;
    return (value: number) => (200 * (value - low + pad)) / span;
  });

  protected readonly wanted = computed(() => this.box(this.required(), 2));
  protected readonly found = computed(() => this.box(this.value(), 4));
  protected readonly ends = computed(() => {
    const { x, width } = this.wanted();
    return `M${x} 2V20M${x + width} 2V20`;
  });

  private box(of: Interval, least: number) {
    const [from, to] = [this.scale()(of.low), this.scale()(of.high)];
    const width = Math.max(to - from, least);
    return { x: (from + to - width) / 2, width };
  }
}

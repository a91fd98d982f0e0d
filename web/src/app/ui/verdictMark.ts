import { booleanAttribute, ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { VERDICT_WORDS, type Verdict } from '@which-bore/core';

/** Round a circle of this radius: what is drawn of it by dashes is a slice. */
const ROUND = 2 * Math.PI * 2.25;

/**
 * A verdict as its shape: filled disc, disc with a notch, dashed ring, square with a bar. The same everywhere. The ring
 * of an open answer fills with the share of checks that agree, where nothing is against it.
 */
@Component({
  selector: 'wb-verdict',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      viewBox="0 0 20 20"
      [class]="verdict()"
      role="img"
      [attr.aria-label]="wordless() ? label() : null"
      [attr.aria-hidden]="wordless() ? null : true"
    >
      @switch (verdict()) {
        @case ('fits') {
          <circle cx="10" cy="10" r="8" fill="currentColor" />
        }
        @case ('fitsWithWork') {
          <path d="M10 10 L10 2 A8 8 0 1 0 18 10 Z" fill="currentColor" />
        }
        @case ('cannotTell') {
          <circle
            cx="10"
            cy="10"
            r="7"
            fill="none"
            stroke="currentColor"
            stroke-width="2.4"
            stroke-dasharray="3.2 2.3"
          />
          @if (filled(); as length) {
            <circle
              cx="10"
              cy="10"
              r="2.25"
              fill="none"
              stroke="currentColor"
              stroke-width="4.5"
              [attr.stroke-dasharray]="length"
              transform="rotate(-90 10 10)"
            />
          }
        }
        @case ('doesNotFit') {
          <rect x="2.5" y="2.5" width="15" height="15" fill="currentColor" />
          <rect x="5" y="8.6" width="10" height="2.8" fill="var(--ground)" />
        }
      }
    </svg>
    @if (!wordless()) {
      <span [class]="verdict()">{{ words() }}</span>
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: inline-flex;
      gap: 7px;
      white-space: nowrap;
    }
    svg {
      flex: none;
      height: 1.15em;
      width: 1.15em;
    }
    span {
      font-family: var(--narrow);
      font-weight: 600;
    }
    .fits {
      color: var(--fits);
    }
    .fitsWithWork {
      color: var(--work);
    }
    .cannotTell {
      color: var(--unknown);
    }
    .doesNotFit {
      color: var(--never);
    }
  `,
})
export class VerdictMark {
  readonly verdict = input.required<Verdict>();
  /** Only the shape; the word is then its name for screen readers. */
  readonly wordless = input(false, { transform: booleanAttribute });
  /** Share of the checks that agree, of an open answer that has nothing against it. */
  readonly agreeing = input<number>();
  protected readonly words = computed(() => VERDICT_WORDS[this.verdict()]);
  /** What the shape alone tells. */
  protected readonly label = computed(() =>
    this.agreeing() === undefined ? this.words() : `${this.words()}, nothing against it`,
  );
  protected readonly filled = computed(() => {
    const share = this.agreeing();
    return share === undefined ? undefined : `${(share * ROUND).toFixed(2)} ${ROUND.toFixed(2)}`;
  });
}

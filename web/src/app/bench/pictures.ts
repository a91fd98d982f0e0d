import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NzIconModule } from 'ng-zorro-antd/icon';
import type { Photograph } from '@which-bore/core';
import { Photographs } from '../data/photographs';

/** The photographs of one reading, or of the part as a whole, small; each opens large. */
@Component({
  selector: 'wb-pictures',
  imports: [NzIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (each of shown(); track each.id) {
      <figure>
        <a
          [href]="'/api/photographs/' + each.id"
          target="_blank"
          rel="noopener"
          [attr.aria-label]="'Photograph ' + each.name + ', large'"
        >
          <img [src]="'/api/photographs/' + each.id + '/thumbnail'" alt="" width="56" height="56" />
        </a>
        <button
          type="button"
          (click)="photographs.remove(each)"
          [attr.aria-label]="'Delete the photograph ' + each.name"
        >
          <nz-icon nzType="close" aria-hidden="true" />
        </button>
      </figure>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
    figure {
      margin: 0;
      position: relative;
    }
    img {
      display: block;
      object-fit: cover;
    }
    button {
      background: var(--raised);
      border: 1px solid var(--rule);
      color: var(--ink);
      cursor: pointer;
      height: 24px;
      padding: 0;
      position: absolute;
      right: 0;
      top: 0;
      width: 24px;
    }
  `,
})
export class Pictures {
  protected readonly photographs = inject(Photographs);
  /** The reading; undefined for the part as a whole. */
  readonly reading = input<string>();

  protected readonly shown = computed((): readonly Photograph[] =>
    this.photographs.all().filter((each) => each.reading === this.reading()),
  );
}

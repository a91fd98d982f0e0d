import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { whyUnread, type DescribedId } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Said } from './said';

/** Why words were not understood, and where it can be told what was meant, a way to put that in their place. */
@Component({
  selector: 'wb-why-unread',
  imports: [NzButtonModule, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span>{{ why().reason | said }}</span>
    @if (why().suggestion; as suggested) {
      <button nz-button nzSize="small" type="button" (click)="meant.emit(suggested)">Yes, {{ suggested }}</button>
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 8px;
    }
    span {
      color: var(--never);
      font-size: 14px;
    }
  `,
})
export class WhyUnread {
  /** The words. */
  readonly text = input.required<string>();
  /** What they were said of. */
  readonly kind = input.required<DescribedId>();
  readonly meant = output<string>();
  protected readonly why = computed(() => whyUnread(this.text(), this.kind()));
}

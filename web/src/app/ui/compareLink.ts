import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Compared } from '../data/compared';

/** Takes a part or engine to Compare, beside what is there already. */
@Component({
  selector: 'wb-compare-link',
  imports: [NzButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<a
    nz-button
    routerLink="/compare"
    [queryParams]="{ of: of() }"
    [attr.aria-label]="label() ? 'Compare ' + label() : null"
    >Compare</a
  >`,
})
export class CompareLink {
  private readonly compared = inject(Compared);
  /** `pattern:id`, `variant:id` or `specimen:id`. */
  readonly subject = input.required<string>();
  /** Others to be compared with it. */
  readonly also = input<readonly string[]>([]);
  /** What it is called, where several such links stand in a row. */
  readonly label = input('');

  protected readonly of = computed(() => this.compared.with(this.subject(), ...this.also()).join(','));
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';

/** A figure in a table that is told once it has been written, not at each key. */
@Component({
  selector: 'wb-figure-field',
  imports: [NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input
      #field
      nz-input
      class="figures"
      [attr.inputmode]="whole() ? 'numeric' : 'decimal'"
      [value]="value()"
      [attr.aria-label]="label()"
      (change)="written.emit(field.value)"
    />
  `,
  styles: `
    input {
      padding-inline: 7px;
      width: 62px;
    }
  `,
})
export class FigureField {
  readonly value = input.required<number | ''>();
  /** What it is the figure of, for those who do not see the table. */
  readonly label = input.required<string>();
  readonly whole = input(false);
  readonly written = output<string>();
}

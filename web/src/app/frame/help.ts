import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { KEYS } from './keys';

/** All keys, and how the entry line is written. */
@Component({
  selector: 'wb-help',
  imports: [NzModalModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './help.html',
  styleUrl: './help.less',
})
export class Help {
  readonly shown = model.required<boolean>();
  protected readonly keys = KEYS;
}

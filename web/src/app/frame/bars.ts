import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NOTHING_WAITS, Outbox } from '../data/documents/outbox';
import { UndoBar } from '../data/undoBar';
import { Navigation } from './navigation';

/** What is said across the page: a link that leads nowhere, what the server refused, and the way back. */
@Component({
  selector: 'wb-bars',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bars.html',
  styleUrl: './bars.less',
})
export class Bars {
  protected readonly undoBar = inject(UndoBar);
  protected readonly navigation = inject(Navigation);
  protected readonly outbox = inject(Outbox);
  protected readonly sync = toSignal(this.outbox.sync$, { initialValue: NOTHING_WAITS });
}

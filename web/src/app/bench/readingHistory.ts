import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { catchError, EMPTY } from 'rxjs';
import type { ReadingChange } from '@which-bore/core';
import { Api } from '../data/api';

const SAYS: Readonly<Record<ReadingChange['operation'], string>> = {
  added: 'read',
  changed: 'corrected',
  removed: 'removed',
};

/** What became of the readings: when each was made, corrected or removed, by whom, and what stood there before. */
@Component({
  selector: 'wb-reading-history',
  imports: [DatePipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details (toggle)="open($event)">
      <summary>History of the readings</summary>
      <ol>
        @for (change of changes(); track $index) {
          <li>
            <time>{{ change.at | date: 'd MMM, HH:mm' }}</time>
            {{ says[change.operation] }} by {{ change.who }}:
            @if (change.before && change.after) {
              <s class="figures">{{ change.before.text }}</s>
            }
            <span class="figures">{{ (change.after ?? change.before)?.text }}</span>
          </li>
        } @empty {
          <li>{{ asked() ? 'Nothing is on record yet.' : 'Fetching…' }}</li>
        }
      </ol>
    </details>
  `,
  styles: `
    summary {
      color: var(--dye);
      cursor: pointer;
      padding: 8px 0;
    }
    ol {
      font-size: 13.5px;
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      border-top: 1px dotted var(--rule);
      padding: 4px 0;
    }
    time,
    s {
      color: var(--ink-soft);
    }
  `,
})
export class ReadingHistory {
  private readonly api = inject(Api);
  readonly specimen = input.required<string>();
  protected readonly changes = signal<readonly ReadingChange[]>([]);
  protected readonly asked = signal(false);
  protected readonly says = SAYS;

  protected open(event: Event): void {
    if (!(event.target instanceof HTMLDetailsElement) || !event.target.open) return;
    this.api
      .history(this.specimen())
      .pipe(catchError(() => EMPTY))
      .subscribe((changes) => {
        this.changes.set([...changes].reverse());
        this.asked.set(true);
      });
  }
}

import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Job } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Orders } from '../data/orders';
import { Preferences } from '../data/preferences';
import { UndoBar } from '../data/undoBar';

/** What was decided and why, and what happened, searchable. */
@Component({
  selector: 'wb-job-decisions',
  imports: [DatePipe, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Decisions</h2>
    <ul>
      @for (each of job().decisions ?? []; track each.id) {
        <li>
          <b>{{ each.what }}</b> {{ each.why }}
          <span class="quiet">{{ each.who }} {{ each.at | date: 'd MMM' }}</span>
          <button type="button" (click)="remove('decisions', each.id)" [attr.aria-label]="'Take back: ' + each.what">
            take back
          </button>
        </li>
      } @empty {
        <li class="quiet">Nothing is decided yet.</li>
      }
    </ul>
    <form (submit)="$event.preventDefault(); decide(what.value, why.value); what.value = ''; why.value = ''">
      <label>What is decided<input #what nz-input maxlength="4000" autocomplete="off" /></label>
      <label>Why<input #why nz-input maxlength="4000" autocomplete="off" /></label>
      <button nz-button type="submit">Decide</button>
    </form>
    <h2>Log</h2>
    <label
      >Find in the log<input #sought nz-input type="search" [value]="wanted()" (input)="wanted.set(sought.value)"
    /></label>
    <ul>
      @for (each of found(); track each.id) {
        <li>
          <span class="quiet">{{ each.at | date: 'd MMM y, HH:mm' }} {{ each.who }}</span> {{ each.says }}
        </li>
      } @empty {
        <li class="quiet">{{ wanted() ? 'Nothing in the log says that.' : 'Nothing yet.' }}</li>
      }
    </ul>
    <form (submit)="$event.preventDefault(); note(says.value); says.value = ''">
      <label>What happened<input #says nz-input maxlength="4000" autocomplete="off" /></label>
      <button nz-button type="submit">Write it down</button>
    </form>
  `,
  styles: `
    h2 {
      margin-top: 14px;
    }
    ul {
      list-style: none;
      margin: 4px 0 8px;
      padding: 0;
    }
    li {
      border-bottom: 1px dotted var(--rule);
      padding: 4px 0;
    }
    form {
      display: grid;
      gap: 6px;
    }
    label {
      display: grid;
      font-size: 14px;
    }
    form > button {
      justify-self: start;
    }
    li button {
      background: transparent;
      border: 0;
      color: var(--dye);
      cursor: pointer;
      padding: 0 4px;
      text-decoration: underline;
    }
  `,
})
export class JobDecisions {
  private readonly orders = inject(Orders);
  private readonly preferences = inject(Preferences);
  private readonly undoBar = inject(UndoBar);
  readonly job = input.required<Job>();
  protected readonly wanted = signal('');
  protected readonly found = computed(() => {
    const words = this.wanted().trim().toLowerCase().split(/\s+/);
    return [...(this.job().log ?? [])]
      .sort((a, b) => (a.at < b.at ? 1 : -1))
      .filter(({ says, who = '' }) => words.every((word) => `${says} ${who}`.toLowerCase().includes(word)));
  });

  private signed() {
    const who = this.preferences.name().trim().slice(0, 120);
    return { id: crypto.randomUUID(), at: new Date().toISOString(), ...(who ? { who } : {}) };
  }

  protected decide(what: string, why: string): void {
    if (what.trim() === '') return;
    const [told, because] = [what.trim().slice(0, 4000), why.trim().slice(0, 4000)];
    this.orders.put(this.job().id, 'decisions', { ...this.signed(), what: told, ...(because ? { why: because } : {}) });
  }

  protected note(says: string): void {
    if (says.trim() === '') return;
    this.orders.put(this.job().id, 'log', { ...this.signed(), says: says.trim().slice(0, 4000) });
  }

  protected remove(list: 'decisions', id: string): void {
    const before = this.job()[list]?.find((each) => each.id === id);
    if (!before) return;
    this.orders.take(this.job().id, list, id);
    this.undoBar.offer('The decision is taken back.', () => this.orders.put(this.job().id, list, before));
  }
}

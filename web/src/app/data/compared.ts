import { effect, inject, Injectable, signal } from '@angular/core';
import { MOST_COMPARED, readAddress } from '@which-bore/core';
import { BrowserStorage } from './browserStorage';
import { Records } from './records';
import { Specimens } from './specimens';

/** What is in Compare, as the address has it: `pattern:id`, `variant:id`, `specimen:id`. It stays when one moves on. */
@Injectable({ providedIn: 'root' })
export class Compared {
  private readonly kept = inject(BrowserStorage);
  private readonly specimens = inject(Specimens);
  private readonly records = inject(Records);

  readonly subjects = signal<readonly string[]>(textsOf(this.kept.read('compared')));

  constructor() {
    effect(() => this.kept.write('compared', this.subjects()));
  }

  /**
   * The list with these added at its end; what is of another kind makes room, as does the first where there are too
   * many.
   */
  with(...added: readonly string[]): readonly string[] {
    const kind = this.kindOf(added[0] ?? '');
    const stay = this.subjects().filter((each) => !added.includes(each) && this.kindOf(each) === kind);
    return [...stay, ...added].slice(-MOST_COMPARED);
  }

  /** The kind of part a subject is; `variant` for an engine. */
  private kindOf(subject: string): string | undefined {
    const { sort, id } = readAddress(subject);
    if (sort === 'variant') return 'variant';
    return sort === 'pattern' ? this.records.record('pattern', id)?.kind : this.specimens.peek(id)?.kind;
  }
}

const textsOf = (value: unknown): readonly string[] =>
  Array.isArray(value) ? value.filter((each) => typeof each === 'string') : [];

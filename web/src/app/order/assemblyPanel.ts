import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { showInterval, showValue, type Answers, type Signed } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { catchError, of, switchMap } from 'rxjs';
import { Orders, type WholeJob } from '../data/orders';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { UndoBar } from '../data/undoBar';
import { Said } from '../ui/said';

type Note = Answers['assemblyNotes']['steps'][number]['notes'][number];

/** How the engine is put together, step by step, each signed by who did it. */
@Component({
  selector: 'wb-assembly-panel',
  imports: [DatePipe, NzButtonModule, NzInputModule, RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './assemblyPanel.html',
  styleUrl: './panels.less',
})
export class AssemblyPanel {
  private readonly orders = inject(Orders);
  private readonly questions = inject(Questions);
  private readonly undoBar = inject(UndoBar);
  protected readonly preferences = inject(Preferences);
  readonly whole = input.required<WholeJob>();

  protected readonly notes = toSignal(
    toObservable(this.whole).pipe(
      switchMap((whole) => this.questions.ask('assemblyNotes', whole).pipe(catchError(() => of(undefined)))),
    ),
  );
  protected readonly unsigned = signal('');

  protected required({ find }: Note): string {
    if (!find?.required) return '';
    const units = this.preferences.units();
    return find.atLeast
      ? `no less than ${showValue(find.required.low, find.quantity, units)}`
      : showInterval(find.required, find.quantity, units);
  }

  protected sign(step: string, name: string, found: string): void {
    const who = this.preferences.name().trim();
    if (who === '') return this.unsigned.set(step);
    this.unsigned.set('');
    const { job } = this.whole();
    const signed: Signed = {
      id: crypto.randomUUID(),
      step,
      at: new Date().toISOString(),
      who: who.slice(0, 120),
      ...(found.trim() === '' ? {} : { found: found.trim().slice(0, 400) }),
    };
    this.orders.put(job.id, 'signed', signed);
    this.undoBar.offer(`${name} is signed by ${who}.`, () => this.orders.take(job.id, 'signed', signed.id));
  }

  protected print(): void {
    window.print();
  }
}

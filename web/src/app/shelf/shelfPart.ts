import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { GONE, readPrice, type Answers, type OnOffer } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { catchError, of, switchMap } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Jobs } from '../data/jobs';
import { Orders } from '../data/orders';
import { Specimens } from '../data/specimens';
import { UndoBar } from '../data/undoBar';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

/** How much may stand in each field. */
const LONGEST = { place: 80, condition: 400, includes: 200 } as const;

/** One part of the shelf: where it lies, what is asked for it, who wants it, and what became of it. */
@Component({
  selector: 'wb-shelf-part',
  imports: [DatePipe, NzButtonModule, NzInputModule, RouterLink, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shelfPart.html',
  styleUrl: './shelfPart.less',
})
export class ShelfPart {
  private readonly specimens = inject(Specimens);
  private readonly orders = inject(Orders);
  private readonly undoBar = inject(UndoBar);
  private readonly api = inject(Api);
  readonly id = input.required<string>();

  private readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  private readonly id$ = toObservable(this.id);
  protected readonly part = toSignal(this.id$.pipe(switchMap((id) => this.specimens.watch(id))));
  private readonly reservations = toSignal(this.orders.reservations$, { initialValue: [] });
  protected readonly held = computed(() => this.reservations().find(({ specimen }) => specimen === this.id()));
  protected readonly history = toSignal(
    toObservable(computed(() => ({ id: this.id(), held: this.held() }))).pipe(
      switchMap(({ id }) => this.api.reservedFor(id).pipe(catchError(() => of([])))),
    ),
    { initialValue: [] },
  );
  /** Who wants it; nothing while it is being looked into, and why where it cannot be. */
  protected readonly wanted = toSignal(
    this.id$.pipe(
      switchMap((specimenId) =>
        this.api
          .ask('wantedBy', { specimenId })
          .pipe(catchError((error: unknown) => of(error instanceof ApiError ? error.message : String(error)))),
      ),
    ),
  );
  protected readonly problem = signal('');
  protected readonly gone = GONE;

  constructor() {
    effect(() => void this.specimens.open(this.id()));
  }

  protected answerOf(wanted: Answers['wantedBy'] | string | undefined): Answers['wantedBy'] | undefined {
    return typeof wanted === 'string' ? undefined : wanted;
  }

  protected nameOf(job: string): string {
    return this.jobs().find(({ id }) => id === job)?.name ?? 'a job that was deleted';
  }

  protected write(field: keyof typeof LONGEST, text: string): void {
    this.alter(({ [field]: _before, ...rest }) => ({
      ...rest,
      ...(text.trim() === '' ? {} : { [field]: text.trim().slice(0, LONGEST[field]) }),
    }));
  }

  protected ask(text: string): void {
    const price = text.trim() === '' ? undefined : readPrice(text);
    if (text.trim() !== '' && price === undefined) {
      this.problem.set(`“${text.trim()}” is no price that can be read one way only: write it as 1234.50.`);
      return;
    }
    this.problem.set('');
    this.alter(({ price: _before, ...rest }) => ({ ...rest, ...(price === undefined ? {} : { price }) }));
  }

  protected leave(how: keyof typeof GONE, to: string): void {
    if (this.held()) {
      this.problem.set(`It is put aside for ${this.nameOf(this.held()?.job ?? '')}: give it back to the shelf first.`);
      return;
    }
    const part = this.part();
    this.alter((before) => ({
      ...before,
      gone: {
        how,
        on: new Date().toISOString().slice(0, 10),
        ...(to.trim() === '' ? {} : { to: to.trim().slice(0, 200) }),
      },
    }));
    if (part) this.undoBar.offer(`${part.name} is ${GONE[how]}.`, () => this.specimens.undo(part.id));
  }

  protected comeBack(): void {
    this.alter(({ gone: _gone, ...rest }) => rest);
  }

  protected async hold(job: string): Promise<void> {
    if (job) await this.orders.hold(this.id(), job).catch(this.fail);
  }

  protected async release(): Promise<void> {
    await this.orders.release(this.id()).catch(this.fail);
  }

  private readonly fail = (error: unknown): void =>
    this.problem.set(error instanceof Error ? error.message : String(error));

  private alter(change: (before: OnOffer) => OnOffer): void {
    const part = this.part();
    if (!part) return;
    const { shelf = {}, ...rest } = part;
    const next = change(shelf);
    this.specimens.change({ ...rest, ...(Object.keys(next).length > 0 ? { shelf: next } : {}) });
  }

  protected openJobs(): readonly { readonly id: string; readonly name: string }[] {
    return this.jobs().filter(({ handedOver }) => handedOver === undefined);
  }
}

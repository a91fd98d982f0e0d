import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { GONE, KINDS, type KindId, type SpecimenSummary } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Bench } from '../data/bench';
import { Orders } from '../data/orders';
import { Specimens } from '../data/specimens';
import { CompareLink } from '../ui/compareLink';
import { FocusHere } from '../ui/focusHere';
import { growing } from '../ui/growing';
import { UndoBar } from '../data/undoBar';
import { ShelfPart } from './shelfPart';

/** The parts that were ever on the bench. */
@Component({
  selector: 'wb-shelf-station',
  imports: [CompareLink, FocusHere, DatePipe, NzButtonModule, NzIconModule, NzInputModule, RouterLink, ShelfPart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shelfStation.html',
  styleUrl: './shelfStation.less',
})
export class ShelfStation {
  private readonly specimens = inject(Specimens);
  private readonly undoBar = inject(UndoBar);
  private readonly bench = inject(Bench);
  private readonly router = inject(Router);

  /** What is looked for; comes back with the address. */
  readonly find = input('', { transform: (value: string | undefined) => value ?? '' });
  protected readonly filter = linkedSignal(() => this.find());
  protected readonly renaming = signal<string | undefined>(undefined);
  private readonly all = toSignal(this.specimens.all$, { initialValue: [] });
  private readonly found = computed(() => {
    const wanted = this.filter().trim().toLowerCase();
    return this.all().filter(
      (each) =>
        (this.withGone() || !each.shelf?.gone) &&
        `${each.name} ${KINDS[each.kind].name} ${each.shelf?.place ?? ''}`.toLowerCase().includes(wanted),
    );
  });
  protected readonly shown = growing(this.found, 2);
  /** The parts that were found, as the page of labels takes them. */
  protected readonly labelled = computed(() => ({
    parts: this.found()
      .map(({ id }) => id)
      .join(','),
    ...(this.filter().trim() === '' ? {} : { find: this.filter().trim() }),
  }));
  protected readonly withGone = signal(false);
  /** The part whose offer is laid open. */
  protected readonly opened = signal<string | undefined>(undefined);
  /** What is asked for all that is on the shelf, in the shop's money. */
  protected readonly value = computed(() =>
    this.all().reduce((so, { shelf }) => so + (shelf?.gone ? 0 : (shelf?.price ?? 0)), 0),
  );
  private readonly reservations = toSignal(inject(Orders).reservations$, { initialValue: [] });
  protected readonly any = computed(() => this.all().length > 0);
  protected readonly kindName = (kind: KindId): string => KINDS[kind].name;

  /** Whether a part is gone, or put aside. */
  protected stateOf({ id, shelf }: SpecimenSummary): string {
    if (shelf?.gone) return GONE[shelf.gone.how];
    return this.reservations().some(({ specimen }) => specimen === id) ? 'put aside' : '';
  }

  constructor() {
    this.specimens.refresh();
  }

  protected async rename(summary: SpecimenSummary, name: string): Promise<void> {
    if (this.renaming() !== summary.id) return;
    this.renaming.set(undefined);
    const trimmed = name.trim();
    if (trimmed === '' || trimmed === summary.name) return;
    await this.specimens.open(summary.id);
    const specimen = this.specimens.peek(summary.id);
    if (!specimen) return;
    this.specimens.change({ ...specimen, name: trimmed });
    this.undoBar.offer(`Renamed to “${trimmed}”.`, () => this.specimens.undo(summary.id));
  }

  protected remove(summary: SpecimenSummary): void {
    this.specimens.remove(summary.id);
    if (this.bench.specimenId() === summary.id) this.bench.specimenId.set(undefined);
    this.undoBar.offer(`Deleted “${summary.name}”.`, () => this.specimens.bringBack(summary.id));
  }

  protected clear(): void {
    this.bench.specimenId.set(undefined);
    void this.router.navigate(['/bench']);
  }
}

import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { KINDS, type KindId, type SpecimenSummary } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Bench } from '../data/bench';
import { Specimens } from '../data/specimens';
import { CompareLink } from '../ui/compareLink';
import { FocusHere } from '../ui/focusHere';
import { growing } from '../ui/growing';
import { UndoBar } from '../data/undoBar';

/** The parts that were ever on the bench. */
@Component({
  selector: 'wb-shelf-station',
  imports: [CompareLink, FocusHere, DatePipe, NzButtonModule, NzIconModule, NzInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shelfStation.html',
  styleUrl: './shelfStation.less',
})
export class ShelfStation {
  private readonly specimens = inject(Specimens);
  private readonly undoBar = inject(UndoBar);
  private readonly bench = inject(Bench);
  private readonly router = inject(Router);

  protected readonly filter = signal('');
  protected readonly renaming = signal<string | undefined>(undefined);
  private readonly all = toSignal(this.specimens.all$, { initialValue: [] });
  protected readonly shown = growing(
    computed(() => {
      const wanted = this.filter().trim().toLowerCase();
      return this.all().filter((each) => `${each.name} ${KINDS[each.kind].name}`.toLowerCase().includes(wanted));
    }),
    2,
  );
  protected readonly any = computed(() => this.all().length > 0);
  protected readonly kindName = (kind: KindId): string => KINDS[kind].name;

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

import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { cut, KIND_IDS, KINDS, type KindId, type Reading } from '@which-bore/core';
import { FormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Bench } from '../data/bench';
import { Jobs } from '../data/jobs';
import { Photographs } from '../data/photographs';
import { UndoBar } from '../data/undoBar';
import { FocusHere } from '../ui/focusHere';
import { ReadingWords } from '../ui/readingWords';
import { GROUPS, shownAs } from '../ui/understood';
import { growing } from '../ui/growing';
import { InTurn } from '../ui/turns';
import { WhyUnread } from '../ui/whyUnread';
import { AskPlaces } from './askPlaces';
import { Pictures } from './pictures';
import { ReadingHistory } from './readingHistory';

/** The readings as chips, grouped; each can be edited where it stands, and removed to see what changes. */
@Component({
  selector: 'wb-tray',
  imports: [
    AskPlaces,
    FocusHere,
    FormsModule,
    InTurn,
    NzButtonModule,
    NzIconModule,
    NzInputModule,
    NzSelectModule,
    Pictures,
    ReadingHistory,
    ReadingWords,
    RouterLink,
    WhyUnread,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tray.html',
  styleUrl: './tray.less',
})
export class Tray {
  protected readonly bench = inject(Bench);
  protected readonly photographs = inject(Photographs);
  protected readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  private readonly undoBar = inject(UndoBar);

  protected readonly kinds = KIND_IDS.map((id) => ({ id, name: KINDS[id].name }));
  protected readonly editing = signal<string | undefined>(undefined);
  protected readonly groups = computed(() =>
    GROUPS.map((group) => ({
      ...group,
      readings: this.bench.readings().filter((reading) => reading.is.sort === group.sort),
    })).filter((group) => group.readings.length > 0),
  );
  private readonly entries = growing(
    computed(() => this.groups().flatMap(({ sort, readings }) => readings.map((reading) => ({ sort, reading })))),
    2,
  );
  /** The groups as far as they are drawn. */
  protected readonly drawn = computed(() =>
    this.groups().flatMap((group) => {
      const readings = this.entries().flatMap(({ sort, reading }) => (sort === group.sort ? [reading] : []));
      return readings.length === 0 ? [] : [{ ...group, readings }];
    }),
  );

  constructor() {
    effect(() => this.photographs.of(this.bench.specimen()?.id));
  }

  protected photograph(field: HTMLInputElement, reading: string | undefined): void {
    const [file] = field.files ?? [];
    if (file) this.photographs.add(file, reading);
    field.value = '';
  }

  protected more(reading: Reading): string {
    return shownAs(reading.is).more;
  }

  protected edit(reading: Reading): void {
    this.editing.set(reading.id);
  }

  protected finish(reading: Reading, text: string): void {
    // Leaving the field after Enter or Escape must not apply it a second time.
    if (this.editing() !== reading.id) return;
    this.editing.set(undefined);
    if (text.trim() !== reading.is.text) this.bench.replace(reading.id, text);
  }

  protected remove(reading: Reading): void {
    this.bench.remove(reading.id);
    this.undoBar.offer(`Removed “${cut(reading.is.text, 60)}”.`, () => this.bench.undo());
  }

  protected mend(reading: Reading, meant: string): void {
    this.bench.replace(reading.id, meant);
  }

  protected setKind(kind: KindId): void {
    this.bench.setKind(kind);
  }
}

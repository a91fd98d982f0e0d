import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import { partFromSpecimen, type Specimen } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { Bench } from '../data/bench';
import { Specimens } from '../data/specimens';
import { CompareLink } from '../ui/compareLink';
import { PartDrawing } from '../ui/drawing/partDrawing';
import { LineUpList } from './lineUpList';
import { SizeTable } from './sizeTable';
import { Tray } from './tray';

/** The part on the bench: what was read of it, what it may be, and its picture. */
@Component({
  selector: 'wb-bench-station',
  imports: [CompareLink, LineUpList, NzButtonModule, NzIconModule, PartDrawing, RouterLink, SizeTable, Tray],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './benchStation.html',
  styleUrl: './benchStation.less',
})
export class BenchStation {
  protected readonly bench = inject(Bench);
  private readonly specimens = inject(Specimens);
  private readonly router = inject(Router);

  /** Id of the specimen, from the address. */
  readonly specimen = input<string>();
  /** Pattern id of the candidate laid open, from the address. */
  readonly candidate = input<string>();

  protected readonly opening = signal<'opening' | 'there' | 'missing' | 'away'>('there');
  protected readonly recent = toSignal(this.specimens.all$, { initialValue: [] });

  /** The candidate laid open: the one asked for, else the likeliest, else none where nothing fits. */
  protected readonly shownCandidate = computed(() => {
    const lineUp = this.bench.lineUp();
    const asked = this.candidate();
    if (asked !== undefined) return asked;
    return lineUp?.status === 'nothingFits' ? undefined : lineUp?.candidates[0]?.pattern;
  });
  /** The candidates that a comparison would take along: the one laid open. */
  protected readonly against = computed(() => {
    const id = this.shownCandidate();
    return id === undefined ? [] : [`pattern:${id}`];
  });
  protected readonly pattern = computed(() => this.bench.catalogue()?.pattern(this.shownCandidate()));

  /** The specimen with the words being typed, so that the drawing follows them. */
  private readonly asTyped = computed((): Specimen => {
    const typed = this.bench.draftEntry().words.map((is, at) => ({ id: `draft-${at}`, at: '', is }));
    return {
      id: this.bench.specimen()?.id ?? '',
      name: this.bench.specimen()?.name ?? '',
      kind: this.bench.kind(),
      readings: [...this.bench.readings(), ...typed],
    };
  });
  protected readonly measured = computed(() => partFromSpecimen(this.asTyped()));
  protected readonly drawn = computed(() => {
    const pattern = this.pattern();
    return partFromSpecimen(this.asTyped(), pattern?.kind === this.bench.kind() ? pattern : undefined);
  });

  constructor() {
    effect(() => {
      const id = this.specimen();
      // Without an id in the address the part that was on the bench stays there.
      if (id === undefined) {
        this.opening.set('there');
        const current = this.bench.specimenId();
        if (current !== undefined) void this.router.navigate(['/bench', current], { replaceUrl: true });
        return;
      }
      this.bench.specimenId.set(id);
      if (this.specimens.peek(id) === undefined) this.opening.set('opening');
      void this.specimens.open(id).then((state) => {
        if (this.specimen() === id) this.opening.set(state);
      });
    });
  }

  protected choose(candidate: string): void {
    void this.router.navigate([], { queryParams: { candidate }, queryParamsHandling: 'merge', replaceUrl: true });
  }

  protected clear(): void {
    this.bench.specimenId.set(undefined);
    void this.router.navigate(['/bench']);
  }
}

import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { KINDS, partFromSpecimen, sayProbability, sayStrength } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { of, switchMap } from 'rxjs';
import { Photographs } from '../data/photographs';
import { Questions } from '../data/questions';
import { Records } from '../data/records';
import { Specimens } from '../data/specimens';
import { PartDrawing } from '../ui/drawing/partDrawing';
import { Said } from '../ui/said';
import { shownAs } from '../ui/understood';

/** How many candidates are printed. */
const PRINTED = 4;

/**
 * A part on one sheet, to lie with it or to be handed to a customer: what was read, what it is, why, and what is open.
 */
@Component({
  selector: 'wb-bench-card',
  imports: [DatePipe, NzButtonModule, NzIconModule, PartDrawing, RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './benchCard.html',
  styleUrl: './benchCard.less',
})
export class BenchCard {
  private readonly specimens = inject(Specimens);
  private readonly questions = inject(Questions);
  private readonly records = inject(Records);
  protected readonly photographs = inject(Photographs);

  /** Id of the specimen, from the address. */
  readonly specimen = input.required<string>();

  protected readonly part = toSignal(toObservable(this.specimen).pipe(switchMap((id) => this.specimens.watch(id))));
  protected readonly identified = toSignal(
    toObservable(this.part).pipe(
      switchMap((part) =>
        part
          ? this.questions.ask('identify', {
              kind: part.kind,
              readings: part.readings.map(({ is }) => is),
              most: PRINTED,
              ...(part.state ? { state: part.state } : {}),
              ...(part.skipped ? { skipped: part.skipped } : {}),
            })
          : of(undefined),
      ),
    ),
  );
  protected readonly rows = computed(() =>
    (this.part()?.readings ?? []).map((reading) => ({
      ...shownAs(reading.is),
      sort: reading.is.sort,
      at: reading.at,
      id: reading.id,
      typed: reading.is.text,
    })),
  );
  protected readonly candidates = computed(() => this.identified()?.candidates ?? []);
  protected readonly first = computed(() => {
    const lineUp = this.identified();
    return lineUp?.status === 'nothingFits' ? undefined : lineUp?.candidates[0];
  });
  protected readonly drawn = computed(() => {
    const part = this.part();
    return part && partFromSpecimen(part, this.records.record('pattern', this.first()?.pattern));
  });
  protected readonly says = computed(() => this.identified()?.says ?? '');
  protected readonly next = computed(() => this.identified()?.next.plan ?? []);
  protected readonly today = new Date();
  protected readonly probability = sayProbability;
  protected readonly kind = computed(() => KINDS[this.part()?.kind ?? 'crank'].name);

  constructor() {
    effect(() => {
      const id = this.specimen();
      void this.specimens.open(id);
      this.photographs.of(id);
    });
  }

  protected readonly strength = sayStrength;

  protected print(): void {
    globalThis.print();
  }
}

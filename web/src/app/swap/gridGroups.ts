import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { GridSides, KindId } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NEVER, switchMap } from 'rxjs';
import { Interchange } from '../data/interchange';
import { InTurn } from '../ui/turns';
import { VerdictMark } from '../ui/verdictMark';

/** Of a group so many are named. */
const NAMED = 12;

/** Donors of a grid that interchange freely, and those that may. */
@Component({
  selector: 'wb-grid-groups',
  imports: [FormsModule, InTurn, NgTemplateOutlet, NzSelectModule, RouterLink, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gridGroups.html',
  styleUrl: './gridGroups.less',
})
export class GridGroups {
  private readonly interchange = inject(Interchange);

  readonly title = input.required<string>();
  readonly donorKind = input.required<KindId>();
  readonly recipientKind = input.required<KindId>();
  readonly sides = input<GridSides>();
  /** Whether the grid is worked out: there are no groups before. */
  readonly done = input.required<boolean>();
  /** The recipient they are to drop into; any where none is named. */
  readonly into = input<string>();
  readonly intoChange = output<string | null>();

  protected readonly most = NAMED;
  private readonly intoAt = computed(() => {
    const at = this.sides()?.recipients.findIndex(({ id }) => id === this.into()) ?? -1;
    return at < 0 ? undefined : at;
  });
  protected readonly found = toSignal(
    toObservable(
      computed(() =>
        this.done() ? { donor: this.donorKind(), recipient: this.recipientKind(), into: this.intoAt() } : undefined,
      ),
    ).pipe(
      switchMap((asked) => (asked ? this.interchange.gridGroups(asked.donor, asked.recipient, asked.into) : NEVER)),
    ),
  );

  protected nameOf(side: 'donors' | 'recipients', at: number): string {
    return this.sides()?.[side][at]?.name ?? '';
  }

  protected idOf(side: 'donors' | 'recipients', at: number): string {
    return this.sides()?.[side][at]?.id ?? '';
  }
}

import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { RecordType } from '@which-bore/core';
import { Records } from '../data/records';

/** The page of a record in the Catalogue; those without one are opened for editing. */
export function pageOf(type: RecordType, id: string): readonly string[] {
  return type === 'pattern' || type === 'variant' || type === 'family'
    ? ['/catalogue', type, id]
    : ['/catalogue', 'edit', type, id];
}

/** A record of the catalogue by its full name, leading to its page. */
@Component({
  selector: 'wb-record',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<a [routerLink]="page()">{{ label() }}</a>`,
})
export class RecordLink {
  private readonly records = inject(Records);
  readonly type = input.required<RecordType>();
  readonly id = input.required<string>();
  /** Without maker and family, where those are plain from the place. */
  readonly short = input(false, { transform: booleanAttribute });

  protected readonly page = computed(() => pageOf(this.type(), this.id()));
  protected readonly label = computed(() =>
    this.short() ? this.records.shortLabel(this.type(), this.id()) : this.records.label(this.type(), this.id()),
  );
}

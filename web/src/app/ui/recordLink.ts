import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { RecordType } from '@which-bore/core';
import { CatalogueData } from '../data/catalogueData';

/** The page of a record in the Catalogue; those without one are opened for editing. */
export function pageOf(type: RecordType, id: string): readonly string[] {
  return type === 'pattern' || type === 'variant' || type === 'family' ? ['/catalogue', type, id] : ['/catalogue', 'edit', type, id];
}

/** A record of the catalogue by its full name, leading to its page. */
@Component({
  selector: 'wb-record',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<a [routerLink]="page()">{{ label() }}</a>`,
})
export class RecordLink {
  private readonly catalogue = toSignal(inject(CatalogueData).view$);
  readonly type = input.required<RecordType>();
  readonly id = input.required<string>();
  /** Without maker and family, where those are plain from the place. */
  readonly short = input(false, { transform: booleanAttribute });

  protected readonly page = computed(() => pageOf(this.type(), this.id()));
  protected readonly label = computed(() => {
    const catalogue = this.catalogue();
    if (!catalogue) return this.id();
    if (this.short()) return catalogue.pattern(this.id())?.name ?? catalogue.variant(this.id())?.code ?? catalogue.labelOf(this.type(), this.id());
    return catalogue.labelOf(this.type(), this.id());
  });
}

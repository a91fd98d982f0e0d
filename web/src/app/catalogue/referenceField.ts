import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { LIST_OF, type RecordType } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { CatalogueData } from '../data/catalogueData';

/** Choices are shown up to this many; typing narrows them. */
const SHOWN = 50;

/** A reference to another record, chosen by its name or id. */
@Component({
  selector: 'wb-reference-field',
  imports: [FormsModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-select
      nzShowSearch
      nzAllowClear
      nzServerSearch
      [nzId]="fieldId()"
      [nzPlaceHolder]="placeholder()"
      [ngModel]="value() || null"
      (ngModelChange)="value.set($event ?? '')"
      (nzOnSearch)="wanted.set($event)"
    >
      @for (each of choices(); track each.id) {
        <nz-option [nzValue]="each.id" [nzLabel]="each.label" />
      }
    </nz-select>
  `,
  styles: `
    :host,
    nz-select {
      display: block;
      width: 100%;
    }
  `,
})
export class ReferenceField {
  private readonly catalogue = toSignal(inject(CatalogueData).view$);
  readonly fieldId = input.required<string>();
  readonly of = input.required<RecordType>();
  readonly placeholder = input('');
  readonly value = model.required<string>();
  protected readonly wanted = signal('');

  protected readonly choices = computed(() => {
    const catalogue = this.catalogue();
    if (!catalogue) return [];
    const words = this.wanted().toLowerCase().split(/\s+/).filter(Boolean);
    const found: { id: string; label: string }[] = [];
    const value = this.value();
    if (value !== '') found.push({ id: value, label: catalogue.labelOf(this.of(), value) });
    for (const { id } of catalogue.catalogue[LIST_OF[this.of()]]) {
      if (found.length >= SHOWN) break;
      const label = catalogue.labelOf(this.of(), id);
      const text = `${label} ${id}`.toLowerCase();
      if (id !== value && words.every((word) => text.includes(word))) found.push({ id, label });
    }
    return found;
  });
}

import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { LIST_OF, type RecordType } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { CatalogueData } from '../data/catalogueData';
import { narrowed, wordsOf } from '../ui/narrowed';

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
    const [of, value] = [this.of(), this.value()];
    const named = (id: string) => ({ id, label: catalogue.labelOf(of, id) });
    const others = catalogue.catalogue[LIST_OF[of]].filter(({ id }) => id !== value);
    const textOf = ({ id }: { readonly id: string }) => `${catalogue.labelOf(of, id)} ${id}`;
    const found = narrowed(others, wordsOf(this.wanted()), { textOf, isChosen: () => false, most: SHOWN }).map(({ id }) => named(id));
    // What is chosen stands first, even where no record bears it any more.
    return value === '' ? found : [named(value), ...found];
  });
}

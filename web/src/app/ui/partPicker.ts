import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { KINDS, type KindId } from '@which-bore/core';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { CatalogueData } from '../data/catalogueData';
import { Specimens } from '../data/specimens';
import { narrowed, wordsOf } from './narrowed';

/** Choices are shown up to this many of a sort; typing narrows them. */
const SHOWN = 40;

interface Choice {
  readonly value: string;
  readonly label: string;
  readonly hint: string;
}

/** A part on the shelf, a pattern, or an engine, chosen by name: `specimen:id`, `pattern:id`, `variant:id`. */
@Component({
  selector: 'wb-part-picker',
  imports: [FormsModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-select
      nzShowSearch
      nzServerSearch
      [nzId]="fieldId()"
      [nzPlaceHolder]="placeholder()"
      [ngModel]="value() ?? null"
      (ngModelChange)="choose($event)"
      (nzOnSearch)="wanted.set($event)"
    >
      @for (group of groups(); track group.name) {
        <nz-option-group [nzLabel]="group.name">
          @for (each of group.choices; track each.value) {
            <nz-option nzCustomContent [nzValue]="each.value" [nzLabel]="each.label">
              {{ each.label }} <small class="quiet">{{ each.hint }}</small>
            </nz-option>
          }
        </nz-option-group>
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
export class PartPicker {
  private readonly catalogue = toSignal(inject(CatalogueData).view$);
  private readonly shelf = toSignal(inject(Specimens).all$, { initialValue: [] });

  readonly fieldId = input.required<string>();
  readonly placeholder = input('');
  readonly value = input<string>();
  /** Only parts of these kinds; of any where absent. */
  readonly kinds = input<readonly KindId[]>();
  /** Whether whole engines may be chosen. */
  readonly engines = input(false, { transform: booleanAttribute });
  readonly chosen = output<string>();

  protected readonly wanted = signal('');

  protected readonly groups = computed(() => {
    const catalogue = this.catalogue();
    if (!catalogue) return [];
    const words = wordsOf(this.wanted());
    const kinds = this.kinds();
    const value = this.value();
    const taken = (choices: Iterable<Choice>): readonly Choice[] =>
      narrowed(choices, words, { textOf: ({ label, hint }) => `${label} ${hint}`, isChosen: (each) => each.value === value, most: SHOWN });
    const ofKind = (kind: KindId) => !kinds || kinds.includes(kind);
    return [
      {
        name: 'On the shelf',
        choices: taken(
          this.shelf()
            .filter(({ kind }) => ofKind(kind))
            .map(({ id, name, kind }) => ({ value: `specimen:${id}`, label: name, hint: KINDS[kind].name.toLowerCase() })),
        ),
      },
      {
        name: 'Engines',
        choices: this.engines()
          ? taken(catalogue.catalogue.variants.map(({ id }) => ({ value: `variant:${id}`, label: catalogue.variantLabel(id), hint: '' })))
          : [],
      },
      {
        name: 'From the catalogue, new',
        choices: taken(
          catalogue.catalogue.patterns
            .filter(({ kind }) => ofKind(kind))
            .map(({ id, kind }) => ({ value: `pattern:${id}`, label: catalogue.label(id), hint: kinds?.length === 1 ? '' : KINDS[kind].name.toLowerCase() })),
        ),
      },
    ].filter(({ choices }) => choices.length > 0);
  });

  protected choose(value: string | null): void {
    if (value !== null && value !== this.value()) this.chosen.emit(value);
  }
}

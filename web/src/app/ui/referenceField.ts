import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import type { KindId, RecordType } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { map, switchMap } from 'rxjs';
import { Questions } from '../data/questions';

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
  private readonly questions = inject(Questions);
  readonly fieldId = input.required<string>();
  readonly of = input.required<RecordType>();
  readonly placeholder = input('');
  /** Of patterns only these kinds. */
  readonly kinds = input<readonly KindId[]>();
  readonly value = model.required<string>();
  protected readonly wanted = signal('');

  protected readonly choices = toSignal(
    toObservable(
      computed(() => ({ of: this.of(), kinds: this.kinds(), words: this.wanted(), chosen: this.value() }), {
        equal: dequal,
      }),
    ).pipe(
      switchMap(({ kinds, chosen, ...asked }) =>
        this.questions.ask('pick', {
          ...asked,
          most: SHOWN,
          ...(kinds ? { kinds: [...kinds] } : {}),
          ...(chosen === '' ? {} : { chosen }),
        }),
      ),
      map(({ choices }) => choices),
    ),
    { initialValue: [] },
  );
}

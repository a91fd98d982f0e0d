import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { KINDS, readAddress, writeAddress, type KindId } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { combineLatest, map, of, switchMap } from 'rxjs';
import { Questions } from '../data/questions';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { Specimens } from '../data/specimens';
import { narrowed, wordsOf } from './narrowed';

/** Choices are shown up to this many of a sort; typing narrows them. */
const SHOWN = 40;

interface Choice {
  readonly value: string;
  readonly label: string;
  readonly hint: string;
}

/**
 * A part on the shelf, all of a job, a build, a pattern, or an engine, chosen by name: `specimen:id`, `job:id`,
 * `build:id`, `pattern:id`, `variant:id`.
 */
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
  private readonly questions = inject(Questions);
  private readonly builds = toSignal(inject(Builds).all$, { initialValue: [] });
  private readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
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

  private readonly chosenAddress = computed(() => {
    const value = this.value();
    return value === undefined ? undefined : readAddress(value);
  });

  /** Patterns and engines that bear the words, as the workshop finds them. */
  private readonly found = toSignal(
    toObservable(
      computed(
        () => ({ words: this.wanted(), kinds: this.kinds(), engines: this.engines(), chosen: this.chosenAddress() }),
        {
          equal: dequal,
        },
      ),
    ).pipe(
      switchMap(({ words, kinds, engines, chosen }) => {
        const asked = (sort: 'pattern' | 'variant') => ({
          words,
          most: SHOWN,
          ...(chosen?.sort === sort ? { chosen: chosen.id } : {}),
        });
        return combineLatest([
          this.questions.ask('pick', { of: 'pattern', ...asked('pattern'), ...(kinds ? { kinds: [...kinds] } : {}) }),
          engines ? this.questions.ask('pick', { of: 'variant', ...asked('variant') }) : of({ choices: [] }),
        ]);
      }),
      map(([patterns, variants]) => ({ patterns: patterns.choices, variants: variants.choices })),
    ),
  );

  protected readonly groups = computed(() => {
    const words = wordsOf(this.wanted());
    const kinds = this.kinds();
    const value = this.value();
    const { patterns = [], variants = [] } = this.found() ?? {};
    const shelf = this.shelf()
      .filter(({ kind }) => !kinds || kinds.includes(kind))
      .map(({ id, name, kind }): Choice => ({
        value: writeAddress({ sort: 'specimen', id }),
        label: name,
        hint: KINDS[kind].name.toLowerCase(),
      }));
    return [
      {
        name: 'On the shelf',
        choices: narrowed(shelf, words, {
          textOf: ({ label, hint }) => `${label} ${hint}`,
          isChosen: (each) => each.value === value,
          most: SHOWN,
        }),
      },
      {
        name: 'On order, as measured',
        choices: this.engines()
          ? narrowed(
              this.jobs().map(({ id, name }): Choice => ({
                value: writeAddress({ sort: 'job', id }),
                label: name,
                hint: 'all its parts',
              })),
              words,
              { textOf: ({ label }) => label, isChosen: (each) => each.value === value, most: SHOWN },
            )
          : [],
      },
      {
        name: 'Planned',
        choices: this.engines()
          ? narrowed(
              this.builds().map(({ id, name }): Choice => ({
                value: writeAddress({ sort: 'build', id }),
                label: name,
                hint: 'a build',
              })),
              words,
              { textOf: ({ label }) => label, isChosen: (each) => each.value === value, most: SHOWN },
            )
          : [],
      },
      {
        name: 'Engines',
        choices: variants.map(({ id, label }): Choice => ({
          value: writeAddress({ sort: 'variant', id }),
          label,
          hint: '',
        })),
      },
      {
        name: 'From the catalogue, new',
        choices: patterns.map(({ id, label, kind }): Choice => ({
          value: writeAddress({ sort: 'pattern', id }),
          label,
          hint: kinds?.length === 1 || kind === undefined ? '' : KINDS[kind].name.toLowerCase(),
        })),
      },
    ].filter(({ choices }) => choices.length > 0);
  });

  protected choose(value: string | null): void {
    if (value !== null && value !== this.value()) this.chosen.emit(value);
  }
}

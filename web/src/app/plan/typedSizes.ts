import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  KINDS,
  parameterOf,
  readTypedSize,
  running,
  sayEntry,
  sayTypedSize,
  TextError,
  type Parameter,
  type TypedSize,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Preferences } from '../data/preferences';
import { PlanState } from './planState';

/** Figures that are put in the place of what parts have, and how the engine is run. */
@Component({
  selector: 'wb-typed-sizes',
  imports: [FormsModule, NzButtonModule, NzIconModule, NzInputModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (size of sizes(); track size.of + size.at) {
        <li>
          <span class="name">{{ name(size) }}</span>
          <input
            nz-input
            class="figures"
            [value]="say(size)"
            [attr.aria-label]="name(size)"
            (change)="change(size, field.value)"
            #field
          />
          <button type="button" (click)="remove(size)" [attr.aria-label]="'Take out: ' + name(size)">
            <nz-icon nzType="close" aria-hidden="true" />
          </button>
        </li>
      }
    </ul>
    <form (submit)="$event.preventDefault(); add(figure.value, figure)">
      <label class="seen-by-readers" for="typed-of">Which size</label>
      <nz-select
        nzId="typed-of"
        nzShowSearch
        nzPlaceHolder="size, speed, timing …"
        [ngModel]="of()"
        (ngModelChange)="of.set($event)"
        name="of"
      >
        @for (each of choices(); track each.id) {
          <nz-option [nzValue]="each.id" [nzLabel]="each.label" />
        }
      </nz-select>
      <input
        #figure
        nz-input
        class="figures"
        id="typed-figure"
        aria-label="Figure"
        autocomplete="off"
        placeholder="1.10 ±0.05 mm"
      />
      <button nz-button type="submit">Put in</button>
    </form>
    @if (problem(); as why) {
      <p role="alert" class="bad">{{ why }}</p>
    }
  `,
  styleUrl: './typedSizes.less',
})
export class TypedSizes {
  private readonly state = inject(PlanState);
  private readonly preferences = inject(Preferences);
  protected readonly of = signal<string | null>(null);
  protected readonly problem = signal<string | undefined>(undefined);
  protected readonly say = sayTypedSize;

  protected readonly sizes = computed(() => this.state.build()?.sizes ?? []);

  /** Sizes of the kinds that are in the engine, and how it is run. */
  protected readonly choices = computed(() => {
    const kinds = new Set((this.state.sheet()?.parts ?? []).map(({ kind }) => kind));
    return [
      ...Object.values<Parameter>(running.parameters).map(({ id, name }) => ({ id, label: name })),
      ...[...kinds].flatMap((kind) =>
        Object.values<Parameter>(KINDS[kind].parameters).map(({ id, name }) => ({
          id,
          label: `${name}, ${KINDS[kind].name.toLowerCase()}`,
        })),
      ),
    ];
  });

  protected name({ of, at }: TypedSize): string {
    const name = of.startsWith('running.') ? parameterOf(of).name : sayEntry(of);
    return at === undefined ? name : `${name}, ${at}`;
  }

  protected add(text: string, field: HTMLInputElement): void {
    const of = this.of();
    if (of === null) return this.problem.set('Say first which size it is.');
    if (this.put(of, undefined, text)) {
      field.value = '';
      this.of.set(null);
    }
  }

  protected change({ of, at }: TypedSize, text: string): void {
    this.put(of, at, text);
  }

  protected remove(size: TypedSize): void {
    this.state.putSize(size.of, size.at, undefined, `${this.name(size)} is as the part has it.`);
  }

  private put(of: string, at: number | undefined, text: string): boolean {
    try {
      const size = readTypedSize(text, of, this.preferences.units());
      this.problem.set(undefined);
      this.state.putSize(
        of,
        at,
        size,
        `${this.name({ ...size, ...(at === undefined ? {} : { at }) })}: ${sayTypedSize(size)}.`,
      );
      return true;
    } catch (error) {
      if (!(error instanceof TextError)) throw error;
      this.problem.set(error.message);
      return false;
    }
  }
}

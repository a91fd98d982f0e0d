import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { comesWith, KINDS, type KindId } from '@which-bore/core';

/** What lies with the part on the bench, so that Swap does not have it bought again. */
@Component({
  selector: 'wb-comes-with',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (choices().length > 0) {
      <fieldset>
        <legend>With it</legend>
        @for (each of choices(); track each.id) {
          <label
            ><input type="checkbox" [checked]="given().includes(each.id)" (change)="choose(each.id, $event)" />
            {{ each.name }}</label
          >
        }
        @if (given() !== NOTHING && given().length === 0) {
          <small class="quiet">nothing</small>
        } @else if (given() === NOTHING) {
          <small class="quiet">not said: Swap has it bought</small>
        }
      </fieldset>
    }
  `,
  styles: `
    fieldset {
      align-items: center;
      border: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      margin: 0 0 12px;
      padding: 0;
    }
    legend {
      border: 0;
      color: var(--quiet);
      float: left;
      font-size: inherit;
      margin: 0;
      width: auto;
    }
  `,
})
export class ComesWith {
  protected readonly NOTHING: readonly KindId[] = [];

  readonly kind = input.required<KindId>();
  /** What somebody said of it; nothing where nobody did. */
  readonly completeWith = input<readonly KindId[]>();
  readonly changed = output<readonly KindId[]>();

  protected readonly given = computed(() => this.completeWith() ?? this.NOTHING);
  protected readonly choices = computed(() =>
    comesWith(this.kind()).map((id) => ({ id, name: KINDS[id].plural.toLowerCase() })),
  );

  protected choose(kind: KindId, { target }: Event): void {
    const isThere = (target as HTMLInputElement).checked;
    const others = this.given().filter((each) => each !== kind);
    this.changed.emit(isThere ? [...others, kind] : others);
  }
}

import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { parameterOf, placesAsked, type Understood } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

const PLACES = { part: 'place', main: 'main', crankpin: 'crankpin', cylinder: 'cylinder' } as const;

/** Asks whether several figures are repeats of one or one for each place, where only their number tells. */
@Component({
  selector: 'wb-ask-places',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asked(); as question) {
      <p role="group" [attr.aria-label]="'What the figures of ' + is().text + ' are'">
        <span>{{ question.says }}</span>
        <button nz-button nzSize="small" type="button" (click)="answered.emit(question.places)">
          {{ question.each }}
        </button>
        <button nz-button nzSize="small" type="button" (click)="answered.emit(question.repeats)">Repeats of one</button>
      </p>
    }
  `,
  styles: `
    p {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      font-size: 13px;
      gap: 4px 6px;
      margin: 0;
      padding: 0 8px 6px;
    }
    span {
      flex-basis: 100%;
    }
  `,
})
export class AskPlaces {
  readonly is = input.required<Understood>();
  readonly answered = output<Understood>();

  protected readonly asked = computed(() => {
    const is = this.is();
    const either = placesAsked(is);
    if (!either || is.sort !== 'size') return undefined;
    const place = PLACES[parameterOf(is.parameter).per];
    const count = new Set(either.places.positions).size;
    return {
      ...either,
      says: is.positions
        ? `Taken for one of each of ${count} ${place}s, from the front. Is that so?`
        : `Taken for ${count} repeats of one ${place}. Is that so?`,
      each: `One of each ${place}`,
    };
  });
}

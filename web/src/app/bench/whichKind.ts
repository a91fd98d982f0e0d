import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { sayProbability, type KindId } from '@which-bore/core';
import type { KindChance } from '../data/bench';

/** Asks of which kind of part some words were read, where they can be said of several. */
@Component({
  selector: 'wb-which-kind',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Which part is it?</h2>
    <p role="status">What you typed can be read on several kinds of part. Press the one that lies before you.</p>
    <ul>
      @for (each of kinds(); track each.kind) {
        <li>
          <button type="button" (click)="choose.emit(each.kind)">
            <b>{{ each.name }}</b>
            @if (each.probability !== undefined) {
              <span class="figures">{{ probability(each.probability) }}</span>
            }
          </button>
        </li>
      }
    </ul>
    <p class="quiet">Or put its name first in the line: “piston 89 mm”. The chances go by what the catalogue has.</p>
  `,
  styles: `
    h2 {
      font: 600 26px/1.2 var(--narrow);
      margin: 0 0 6px;
    }
    ul {
      display: grid;
      gap: 8px;
      grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
      list-style: none;
      margin: 16px 0;
      padding: 0;
    }
    button {
      align-items: center;
      background: var(--raised);
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      color: var(--ink);
      cursor: pointer;
      display: flex;
      font: inherit;
      justify-content: space-between;
      min-height: var(--touch);
      padding: 6px 12px;
      width: 100%;
    }
    .quiet {
      color: var(--ink-soft);
      font-size: 14px;
    }
  `,
})
export class WhichKind {
  readonly kinds = input.required<readonly KindChance[]>();
  readonly choose = output<KindId>();
  protected readonly probability = sayProbability;
}

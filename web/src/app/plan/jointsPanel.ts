import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { JudgedCheckTold } from '@which-bore/core';
import { filter, switchMap } from 'rxjs';
import { OrderRemedy } from '../ui/orderRemedy';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';
import { PlanState } from './planState';

const WORST_FIRST = ['doesNotFit', 'cannotTell', 'fitsWithWork', 'fits'];

/** Every joint of the whole build at once, problems first. */
@Component({
  selector: 'wb-joints-panel',
  imports: [OrderRemedy, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (judged(); as all) {
      <p class="says"><wb-verdict [verdict]="all.verdict" wordless /> {{ all.says | said }}</p>
      <div class="told">
        @for (each of problems(); track $index) {
          <p class="check">
            <wb-verdict [verdict]="each.check.verdict" wordless />
            <b>{{ each.joint }}: {{ each.check.name.toLowerCase() }}.</b> {{ each.check.because | said }}
            @for (option of each.check.work; track $index) {
              <span class="work"
                >{{ option.says | said }} <wb-order-remedy [option]="option" [on]="each.joint" [job]="job()"
              /></span>
            }
          </p>
        }
        @if (all.needs.length > 0) {
          <h3>What to find out, quickest first</h3>
          <ul>
            @for (need of all.needs.slice(0, 8); track need.id) {
              <li>
                {{ need.name }} <span class="quiet">{{ need.minutes }} min</span>
              </li>
            }
          </ul>
        }
        @for (caution of all.cautions; track caution) {
          <p class="caution">{{ caution }}</p>
        }
        <p class="quiet">{{ all.agree }} of {{ all.checks }} checks agree as it is.</p>
      </div>
    } @else if (answer()) {
      <p class="quiet">No two parts meet yet: put some in.</p>
    } @else {
      <p class="quiet" role="status">Looking at the joints…</p>
    }
  `,
  styleUrl: './panel.less',
  styles: `
    .says {
      font: 600 18px/1.3 var(--narrow);
    }
    .check {
      border-bottom: 1px dotted var(--rule);
      padding: 3px 0;
    }
    .work {
      color: var(--work);
      display: block;
      padding-left: 26px;
    }
    .caution {
      border-left: 3px solid var(--brass);
      padding-left: 8px;
    }
  `,
})
export class JointsPanel {
  private readonly state = inject(PlanState);
  protected readonly answer = toSignal(
    toObservable(this.state.asked).pipe(
      filter((asked) => asked !== undefined),
      switchMap((asked) => this.state.answered('buildJoints', asked)),
    ),
  );
  protected readonly job = computed(() => this.state.build()?.job);
  protected readonly judged = computed(() => this.answer()?.judged);
  protected readonly problems = computed(() =>
    (this.judged()?.joints ?? [])
      .flatMap(({ name, about, checks }) =>
        checks
          .filter(({ verdict }) => verdict !== 'fits')
          .map((check: JudgedCheckTold) => ({ joint: about === undefined ? name : `${name}, ${about}`, check })),
      )
      .sort((a, b) => WORST_FIRST.indexOf(a.check.verdict) - WORST_FIRST.indexOf(b.check.verdict)),
  );
}

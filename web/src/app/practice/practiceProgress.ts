import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { PRACTICE_LEVELS, KINDS, type RecordedRound } from '@which-bore/core';

const SHOWN = 12;

/** The record of rounds: how often one was right, level by level, and the last ones. */
@Component({
  selector: 'wb-practice-progress',
  imports: [DatePipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Progress</h2>
    @if (record().length === 0) {
      <p class="quiet">
        Rounds you have finished are kept here, with how often you were right and how your minutes compare.
      </p>
    } @else {
      <table>
        <thead>
          <tr>
            <th scope="col">Level</th>
            <th scope="col" class="number">Rounds</th>
            <th scope="col" class="number">Right</th>
            <th scope="col" class="number">Minutes, against the next check’s</th>
            <th scope="col" class="number">Wasted a round</th>
            <th scope="col" class="number">Points, last five</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="figures number">{{ row.count }}</td>
              <td class="figures number">{{ row.right }}</td>
              <td class="figures number">{{ row.pace }}</td>
              <td class="figures number">{{ row.wasted }}</td>
              <td class="figures number">{{ row.points }}</td>
            </tr>
          }
        </tbody>
      </table>
      <h3>The last ones</h3>
      <ul class="last">
        @for (each of last(); track each.id) {
          <li>
            <time>{{ each.at | date: 'd MMM, HH:mm' }}</time> {{ kind(each) }}, {{ level(each) }}:
            {{ each.right ? 'right' : 'wrong' }} in {{ each.minutes }} min, {{ each.score }} points
          </li>
        }
      </ul>
    }
  `,
  styleUrl: './practice.less',
})
export class PracticeProgress {
  /** Last first. */
  readonly record = input.required<readonly RecordedRound[]>();

  protected readonly rows = computed(() =>
    PRACTICE_LEVELS.flatMap(({ id, name }) => {
      const mine = this.record().filter((each) => each.level === id);
      if (mine.length === 0) return [];
      const sum = (of: (each: RecordedRound) => number) => mine.reduce((total, each) => total + of(each), 0);
      const five = mine.slice(0, 5);
      return [
        {
          id,
          name,
          count: mine.length,
          right: `${Math.round((100 * sum((each) => Number(each.right))) / mine.length)} %`,
          pace: `${(
            sum((each) => each.minutes) /
            Math.max(
              0.5,
              sum((each) => each.engineMinutes),
            )
          ).toFixed(1)} times`,
          wasted: (sum((each) => each.wasted) / mine.length).toFixed(1),
          points: Math.round(five.reduce((total, each) => total + each.score, 0) / five.length),
        },
      ];
    }),
  );
  protected readonly last = computed(() => this.record().slice(0, SHOWN));

  protected kind(each: RecordedRound): string {
    return KINDS[each.kind].name;
  }

  protected level(each: RecordedRound): string {
    return (PRACTICE_LEVELS.find(({ id }) => id === each.level)?.name ?? each.level).toLowerCase();
  }
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sayProbability, type RoundEndAnswer } from '@which-bore/core';
import { ReadingWords } from '../ui/readingWords';

/** How a round of practice went: which questions told something, which were wasted, how the engine goes about it. */
@Component({
  selector: 'wb-practice-debrief',
  imports: [ReadingWords],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <header [class.right]="end().right">
      <strong>{{ end().right ? 'Right' : 'Wrong' }}</strong>
      <p role="status">It was {{ truth() }}. {{ end().minutes }} minutes; {{ end().score }} of 100 points.</p>
    </header>
    <h2>Your way</h2>
    <ol>
      @for (each of end().steps; track $index) {
        <li [class.wasted]="each.wasted">
          <b>{{ each.step.name }}</b> <wb-reading-words [is]="each.step.reading" />
          <p>
            @if (each.wasted) {
              Wasted: whatever it came to, it could hardly have told one from another.
            } @else {
              It could be expected to tell {{ much(each.bits) }}.
            }
            @if (each.better; as better) {
              Better then: {{ better.name.toLowerCase() }}, which tells {{ much(better.bits) }}, in
              {{ better.minutes }} min.
            }
          </p>
        </li>
      } @empty {
        <li>Named without asking anything.</li>
      }
    </ol>
    <h2>By the next check, {{ end().engine.minutes }} minutes</h2>
    <ol>
      @for (step of end().engine.steps; track $index) {
        <li>
          <b>{{ step.name }}</b> <wb-reading-words [is]="step.reading" />
          <p>{{ standing(step.first, step.probability) }}</p>
        </li>
      }
    </ol>
  `,
  styleUrl: './practice.less',
})
export class PracticeDebrief {
  readonly end = input.required<RoundEndAnswer>();

  protected readonly truth = computed(() => {
    const { label } = this.end();
    return label === undefined ? 'a part in no catalogue' : `the ${label}`;
  });

  /** How much of what is uncertain a check can be expected to clear up: one bit is as good as one of two. */
  protected much(bits: number): string {
    return bits >= 1 ? 'much' : bits >= 0.3 ? 'something' : 'little';
  }

  protected standing(first: string | undefined, probability: number): string {
    return first === undefined ? 'Nothing to go by yet.' : `Then the ${first} stood at ${sayProbability(probability)}.`;
  }
}

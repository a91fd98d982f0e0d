import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import {
  listed,
  nameOfEntry,
  sayProbability,
  sayStrength,
  type CandidateTold,
  type LineUpTold,
  type Sentence,
  type Status,
} from '@which-bore/core';
import { take, type Observable } from 'rxjs';
import { growing } from '../growing';
import { Said } from '../said';

/** Weight at which a bar reaches its end, in decibans. */
const FULL = 30;

const STATUS_WORDS: Readonly<Record<Status, string>> = {
  settled: 'Settled',
  probable: 'Probable',
  open: 'Open',
  sister: 'A sister',
  nothingFits: 'Matches nothing here',
  noEvidence: 'Nothing read yet',
};

/** The candidates with their probability, and what pulls for and against each. */
@Component({
  selector: 'wb-line-up',
  imports: [Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lineUpList.html',
  styleUrl: './lineUpList.less',
})
export class LineUpList {
  readonly lineUp = input.required<LineUpTold>();
  /** Works out how a weight came about; without it nothing is offered. */
  readonly calculate = input<(candidate: string, text: string) => Observable<readonly Sentence[]>>();
  /** Id of the candidate laid open. */
  readonly chosen = input<string>();
  readonly choose = output<string>();
  /** A reading, by its words, and what it was meant to be. */
  readonly mend = output<{ readonly text: string; readonly figures: string }>();

  protected readonly status = computed(() => STATUS_WORDS[this.lineUp().status]);
  protected readonly probability = sayProbability;

  /** Candidates, with *none of these* at the place its probability gives it. */
  protected readonly rows = growing(
    computed(() => {
      const { candidates, none } = this.lineUp();
      const rows: (CandidateTold | 'none')[] = [...candidates];
      const at = candidates.findIndex((candidate) => candidate.probability < none);
      rows.splice(at < 0 ? rows.length : at, 0, 'none');
      return rows;
    }),
    2,
  );

  /** The weight whose calculation is laid open, by candidate and reading. */
  protected readonly explained = signal<string | undefined>(undefined);
  protected readonly lines = signal<readonly Sentence[]>([]);

  protected explain(candidate: string, text: string): void {
    const key = `${candidate} ${text}`;
    if (this.explained() === key) return this.explained.set(undefined);
    this.calculate()?.(candidate, text)
      .pipe(take(1))
      .subscribe((lines) => {
        this.lines.set(lines);
        this.explained.set(key);
      });
  }

  protected width(pull: CandidateTold['pulls'][number]): number {
    return (50 * Math.min(FULL, Math.abs(pull.decibans))) / FULL;
  }

  protected readonly strength = sayStrength;

  /** A pattern and a part like it are two rows. */
  protected readonly keyOf = (row: CandidateTold | 'none'): string =>
    row === 'none' ? row : row.own ? `${row.pattern} sister` : row.pattern;

  /** The row laid open: the first about the pattern chosen. */
  protected readonly opened = computed(() =>
    this.rows().find((row) => row !== 'none' && row.pattern === this.chosen()),
  );

  /** What a part like a pattern has of its own, in a few words. */
  protected others(own: NonNullable<CandidateTold['own']>): string {
    return `but with another ${listed(own.map(({ id }) => (id === undefined ? 'mark' : nameOfEntry(id))))}`;
  }
}

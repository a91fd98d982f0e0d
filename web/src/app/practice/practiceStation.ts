import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  checkKey,
  PRACTICE_LEVELS,
  enoughToPractise,
  KIND_IDS,
  KINDS,
  type RoundEndAnswer,
  type PracticeLevel,
  type KindId,
  type RecordedRound,
  type Requests,
  type SheetLineTold,
  type Understood,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, EMPTY, firstValueFrom, map, switchMap } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { ReadingWords } from '../ui/readingWords';
import { InTurn } from '../ui/turns';
import { PracticeDebrief } from './practiceDebrief';
import { PracticeProgress } from './practiceProgress';

/** One thing asked, and what came of it. */
interface Asked {
  readonly line: SheetLineTold;
  readonly reading: Understood;
}

const GROUPS = [
  { sort: 'mark', name: 'Marks' },
  { sort: 'look', name: 'Looks' },
  { sort: 'size', name: 'Sizes' },
] as const;

/** Stands for a part in no catalogue among the answers. */
const NONE = 'none';
/** Parts offered to be named; typing narrows them. */
const OFFERED = 60;

/** A trainer: a part is hidden, each question costs minutes, and in the end it is named. */
@Component({
  selector: 'wb-practice-station',
  imports: [
    PracticeDebrief,
    PracticeProgress,
    FormsModule,
    InTurn,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    ReadingWords,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './practiceStation.html',
  styleUrl: './practice.less',
})
export class PracticeStation {
  private readonly questions = inject(Questions);
  private readonly api = inject(Api);
  protected readonly preferences = inject(Preferences);
  private readonly held = toSignal(this.questions.ask('overview', {}));

  protected readonly levels = PRACTICE_LEVELS;
  protected readonly level = signal<PracticeLevel['id']>('clean');
  protected readonly kind = signal<KindId>('crank');
  protected readonly kinds = computed(() =>
    enoughToPractise(KIND_IDS, (kind) => this.held()?.kinds.find((each) => each.kind === kind)?.patterns ?? 0).map(
      (id) => ({ id, name: KINDS[id].plural }),
    ),
  );

  /** The round that is going on: whoever asks with these gets the same part. */
  private round: Requests['practiceSheet'] = { kind: 'crank', level: 'clean', seed: 1 };
  protected readonly sheet = signal<readonly SheetLineTold[]>([]);
  protected readonly asked = signal<readonly Asked[]>([]);
  protected readonly running = signal(false);
  protected readonly named = signal<string | undefined>(undefined);
  protected readonly ended = signal<RoundEndAnswer | undefined>(undefined);
  protected readonly record = signal<readonly RecordedRound[]>([]);
  protected readonly failure = signal<string | undefined>(undefined);

  protected readonly minutes = computed(() => this.asked().reduce((sum, { line }) => sum + line.minutes, 0));
  protected readonly groups = computed(() =>
    GROUPS.map((group) => ({ ...group, lines: this.sheet().filter(({ sort }) => sort === group.sort) })).filter(
      ({ lines }) => lines.length > 0,
    ),
  );
  /** What is typed to find the part among those of its kind. */
  protected readonly wanted = signal('');
  protected readonly answers = toSignal(
    toObservable(computed(() => ({ kind: this.kind(), words: this.wanted(), named: this.named() }))).pipe(
      switchMap(({ kind, words, named }) =>
        this.questions.ask('pick', {
          of: 'pattern',
          kinds: [kind],
          words,
          most: OFFERED,
          ...(named === undefined || named === NONE ? {} : { chosen: named }),
        }),
      ),
      map(({ choices }) => choices),
    ),
    { initialValue: [] },
  );
  protected readonly kindName = computed(() => KINDS[this.kind()].name.toLowerCase());
  protected readonly none = NONE;
  protected readonly key = checkKey;

  constructor() {
    this.fetchRecord();
  }

  protected begin(): void {
    this.failure.set(undefined);
    // The seed decides which part it is, so that no two rounds are alike.
    const [seed = 1] = crypto.getRandomValues(new Uint32Array(1));
    this.round = { kind: this.kind(), level: this.level(), seed };
    this.questions.askOnce('practiceSheet', this.round).subscribe({
      next: ({ lines }) => {
        this.sheet.set(lines);
        this.asked.set([]);
        this.named.set(undefined);
        this.ended.set(undefined);
        this.running.set(true);
      },
      error: () => this.failure.set('There is nothing of this kind to practise on in the catalogue.'),
    });
  }

  protected ask(line: SheetLineTold): void {
    // One after the other: what is found depends on what was asked before.
    this.asking = this.asking.then(async () => {
      const asked = [...this.keys(), checkKey(line)];
      const { reading } = await firstValueFrom(this.questions.askOnce('practiceAsk', { ...this.round, asked }));
      if (reading) this.asked.update((all) => [...all, { line, reading }]);
    });
  }

  private asking: Promise<void> = Promise.resolve();

  private keys(): string[] {
    return this.asked().map(({ line }) => checkKey(line));
  }

  protected times(line: SheetLineTold): number {
    return this.asked().filter((each) => checkKey(each.line) === checkKey(line)).length;
  }

  protected finish(): void {
    const named = this.named();
    if (named === undefined) return;
    this.questions
      .askOnce('practiceEnd', { ...this.round, asked: this.keys(), ...(named === NONE ? {} : { named }) })
      .subscribe((end) => {
        this.ended.set(end);
        this.running.set(false);
        this.put(end, named === NONE ? undefined : named);
      });
  }

  private put(end: RoundEndAnswer, named: string | undefined): void {
    this.api
      .recordRound({
        id: crypto.randomUUID(),
        level: this.level(),
        kind: this.kind(),
        ...(end.pattern === undefined ? {} : { pattern: end.pattern }),
        ...(named === undefined ? {} : { named }),
        minutes: end.minutes,
        engineMinutes: end.engine.minutes,
        wasted: end.steps.filter(({ wasted }) => wasted).length,
        score: end.score,
      })
      .subscribe({
        next: () => this.fetchRecord(),
        error: (error: unknown) =>
          this.failure.set(
            error instanceof ApiError && error.kind !== 'away'
              ? error.message
              : 'The server is away: this round is not on record.',
          ),
      });
  }

  private fetchRecord(): void {
    this.api
      .rounds()
      .pipe(catchError(() => EMPTY))
      .subscribe((record) => this.record.set(record));
  }
}

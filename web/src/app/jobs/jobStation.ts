import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import {
  cut,
  FOREIGN_BELOW,
  KIND_IDS,
  KINDS,
  readEntry,
  sayProbability,
  type KindId,
  type PartInEngineTold,
  type Reading,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { of, switchMap } from 'rxjs';
import { Bench } from '../data/bench';
import { Jobs } from '../data/jobs';
import { BrowserStorage } from '../data/browserStorage';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { UndoBar } from '../data/undoBar';
import { growing } from '../ui/growing';
import { LineUpList } from '../ui/lineUp/lineUpList';
import { ReadingWords } from '../ui/readingWords';
import { Said } from '../ui/said';
import { InTurn } from '../ui/turns';
import { shownAs } from '../ui/understood';
import { WhyUnread } from '../ui/whyUnread';
import { JobBuilds } from './jobBuilds';
import { JobDecisions } from './jobDecisions';
import { JobRecord } from './jobRecord';

type Belonging = 'belongs' | 'foreign' | 'open';

const BELONGING_SAYS: Readonly<Record<Belonging, string>> = {
  belongs: 'belongs',
  foreign: 'does not belong',
  open: 'not told yet',
};
/** From here a part is said to belong. */
const BELONGS_FROM = 0.5;

/** One engine: what it is said to be, what it may be, and whether its parts came with it. */
@Component({
  selector: 'wb-job-station',
  imports: [
    JobBuilds,
    JobDecisions,
    JobRecord,
    FormsModule,
    InTurn,
    LineUpList,
    NzButtonModule,
    NzIconModule,
    NzInputModule,
    NzSelectModule,
    ReadingWords,
    RouterLink,
    Said,
    WhyUnread,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './jobStation.html',
  styleUrl: './jobs.less',
})
export class JobStation {
  private readonly jobs = inject(Jobs);
  private readonly specimens = inject(Specimens);
  private readonly questions = inject(Questions);
  private readonly kept = inject(BrowserStorage);
  private readonly undoBar = inject(UndoBar);
  private readonly router = inject(Router);
  protected readonly bench = inject(Bench);

  /** Id of the job, from the address. */
  readonly id = input.required<string>();
  /** Variant laid open, from the address. */
  readonly candidate = input<string>();

  protected readonly job = toSignal(toObservable(this.id).pipe(switchMap((id) => this.jobs.watch(id))));
  private readonly all = toSignal(this.specimens.all$, { initialValue: [] });
  protected readonly mine = computed(() => this.all().filter((each) => each.job === this.id()));
  protected readonly others = computed(() => this.all().filter((each) => each.job === undefined));

  /** The parts of the engine, whole, as they are known here. */
  private readonly parts = toSignal(
    toObservable(computed(() => this.mine().map((each) => each.id), { equal: dequal })).pipe(
      switchMap((ids) => this.specimens.watchEach(ids)),
    ),
  );

  /** What stands in the line and is not entered yet. It outlives a reload. */
  protected readonly draft = signal('');
  protected readonly draftWords = computed(() =>
    this.draft().trim() === '' ? [] : readEntry(this.draft(), 'variant').words,
  );

  protected readonly found = toSignal(
    toObservable(
      computed(() => ({
        readings: [...(this.job()?.readings ?? []).map(({ is }) => is), ...this.draftWords()],
        parts: this.parts(),
      })),
    ).pipe(
      // The whole engine is looked at once its parts are here, and not with each that comes.
      switchMap(({ readings, parts }) =>
        parts ? this.questions.ask('engine', { readings, specimens: [...parts] }) : of(undefined),
      ),
    ),
  );
  protected readonly drawnParts = growing(
    computed(() => this.found()?.parts ?? []),
    3,
  );
  /** Parts are known by name, and not yet looked at. */
  protected readonly waiting = computed(
    () => (this.found()?.parts.length ?? 0) < this.mine().length || this.found() === undefined,
  );
  protected readonly chosen = computed(() => {
    const engine = this.found()?.engine;
    return this.candidate() ?? (engine?.status === 'nothingFits' ? undefined : engine?.candidates[0]?.pattern);
  });
  protected readonly kinds = KIND_IDS.map((id) => ({ id, name: KINDS[id].name }));
  protected readonly kindName = (kind: KindId): string => KINDS[kind].name;
  protected readonly probability = sayProbability;

  constructor() {
    this.specimens.refresh();
    effect(() => {
      const kept = this.kept.read(`job-draft.${this.id()}`);
      this.draft.set(typeof kept === 'string' ? kept : '');
    });
  }

  protected type(text: string): void {
    this.draft.set(text);
    this.kept.write(`job-draft.${this.id()}`, text);
  }

  protected more(is: Reading['is']): string {
    return shownAs(is).more;
  }

  protected enter(event: Event, text: string): void {
    event.preventDefault();
    const { words } = readEntry(text, 'variant');
    if (text.trim() === '' || words.length === 0) return;
    const at = new Date().toISOString();
    this.jobs.alter(this.id(), (job) => ({
      ...job,
      readings: [...job.readings, ...words.map((is) => ({ id: crypto.randomUUID(), at, is }))],
    }));
    this.type('');
  }

  protected rename(name: string): void {
    const trimmed = cut(name.trim(), 120);
    if (trimmed !== '') this.jobs.alter(this.id(), (job) => ({ ...job, name: trimmed }));
  }

  /** Puts what was meant in the place of what was entered. */
  protected mend(reading: Reading, meant: string): void {
    const words = readEntry(meant, 'variant').words;
    this.jobs.alter(this.id(), (job) => ({
      ...job,
      readings: job.readings.flatMap((each) =>
        each.id === reading.id
          ? words.map((is, at) => ({ ...each, id: at === 0 ? each.id : crypto.randomUUID(), is }))
          : [each],
      ),
    }));
  }

  protected removeReading(reading: Reading): void {
    const before = this.job()?.readings ?? [];
    this.jobs.alter(this.id(), (job) => ({ ...job, readings: job.readings.filter(({ id }) => id !== reading.id) }));
    this.undoBar.offer(`Removed “${cut(reading.is.text, 60)}”.`, () =>
      this.jobs.alter(this.id(), (job) => ({ ...job, readings: [...before] })),
    );
  }

  protected begin(kind: KindId): void {
    void this.router.navigate(['/bench', this.bench.beginFor(this.id(), kind)]);
  }

  protected async takeIn(specimen: string): Promise<void> {
    await this.specimens.open(specimen);
    const part = this.specimens.peek(specimen);
    if (part) this.specimens.change({ ...part, job: this.id() });
  }

  protected takeOut(specimen: string): void {
    const part = this.specimens.peek(specimen);
    if (!part) return;
    const { job: _job, ...rest } = part;
    this.specimens.change(rest);
    this.undoBar.offer(`“${part.name}” is out of this engine; it stays on the shelf.`, () =>
      this.specimens.undo(specimen),
    );
  }

  protected belonging({ belongs }: PartInEngineTold): Belonging {
    if (belongs === undefined) return 'open';
    if (belongs < FOREIGN_BELOW) return 'foreign';
    return belongs >= BELONGS_FROM ? 'belongs' : 'open';
  }

  protected belongingSays(part: PartInEngineTold): string {
    return BELONGING_SAYS[this.belonging(part)];
  }

  protected choose(candidate: string): void {
    void this.router.navigate([], { queryParams: { candidate }, queryParamsHandling: 'merge', replaceUrl: true });
  }
}

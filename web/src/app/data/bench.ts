import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  cut,
  KINDS,
  LONGEST_ENTRY,
  readEntry,
  type Answers,
  type Entry,
  type KindId,
  type LineUpTold,
  type Reach,
  type Reading,
  type Sentence,
  type Specimen,
  type Understood,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { debounceTime, map, of, Subject, switchMap, type Observable } from 'rxjs';
import { BrowserStorage } from './browserStorage';
import { Preferences } from './preferences';
import { Questions } from './questions';
import { Records } from './records';
import { Specimens } from './specimens';

/** How many candidates the line-up shows. */
const SHOWN = 6;
/** Pause in typing after which the line-up follows, in ms. */
const SETTLE_MS = 60;

/** What a part is, and what to check next. */
type Identified = Answers['identify'];

/** How the part lies there: how far its engine is apart, and what cannot be got at. */
type Access = Pick<Specimen, 'state' | 'skipped'>;

/** The specimen that is the subject now: it stays when one moves from station to station. */
@Injectable({ providedIn: 'root' })
export class Bench {
  private readonly specimens = inject(Specimens);
  private readonly kept = inject(BrowserStorage);
  private readonly questions = inject(Questions);
  private readonly preferences = inject(Preferences);
  private readonly records = inject(Records);

  /** Id of the specimen on the bench; undefined while the bench is clear. */
  readonly specimenId = signal<string | undefined>(undefined);
  /** What stands in the entry line and is not entered yet. It outlives a reload. */
  readonly draft = signal(textOf(this.kept.read('draft')));
  /** The kind of part while nothing says otherwise. */
  private readonly emptyKind = signal<KindId>('crank');

  readonly specimen = toSignal(
    toObservable(this.specimenId).pipe(
      switchMap((id) => (id === undefined ? of(undefined) : this.specimens.watch(id))),
    ),
  );
  readonly kind = computed<KindId>(() => this.draftEntry().kind ?? this.specimen()?.kind ?? this.emptyKind());
  readonly readings = computed<readonly Reading[]>(() => this.specimen()?.readings ?? []);

  /** How the words in the entry line are understood at this moment. */
  readonly draftEntry = computed<Entry>(() => {
    const draft = this.draft();
    if (draft.trim() === '') return { words: [] };
    // Another kind of part lies on another bench, once this one has readings.
    const keepsKind = this.readings().length > 0;
    return readEntry(draft, this.specimen()?.kind ?? this.emptyKind(), { keepsKind, usual: this.preferences.units() });
  });

  private readonly evidence = computed(() => ({
    kind: this.kind(),
    readings: [...this.readings().map((reading) => reading.is), ...this.draftEntry().words],
  }));

  /** How the part lies there. */
  readonly access = computed<Access>(() => {
    const { state, skipped } = this.specimen() ?? {};
    return { ...(state ? { state } : {}), ...(skipped ? { skipped } : {}) };
  });

  private readonly asked = computed(() => ({ ...this.evidence(), access: this.access() }), { equal: dequal });

  private readonly answered = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(SETTLE_MS),
      switchMap((asked) =>
        this.questions
          .ask('identify', { kind: asked.kind, readings: asked.readings, most: SHOWN, ...asked.access })
          .pipe(
            // The first candidate is drawn: it is fetched before the line-up is shown, so that both come together.
            switchMap((identified) =>
              this.records
                .ready(identified.candidates.slice(0, 1).map(({ pattern }) => ({ type: 'pattern', id: pattern })))
                .pipe(map(() => ({ asked, identified }))),
            ),
          ),
      ),
    ),
  );
  /** The line-up for all readings and the words being typed, and the next check. */
  readonly identified = computed<Identified | undefined>(() => this.answered()?.identified);
  /** Whether what is shown goes back to earlier readings, and newer sums are on their way. */
  readonly reckoning = computed(() => this.answered()?.asked !== this.asked());
  readonly lineUp = computed<LineUpTold | undefined>(() => this.identified());

  /** The pattern the specimen is taken for: the first of the line-up, once that is at least probable. */
  readonly takenFor = computed(() => {
    const lineUp = this.lineUp();
    return lineUp && (lineUp.status === 'settled' || lineUp.status === 'probable')
      ? lineUp.candidates[0]?.pattern
      : undefined;
  });

  constructor() {
    effect(() => this.kept.write('draft', this.draft()));
  }

  /** Emits when something wants the entry line to be gone on with. */
  readonly entryWanted = new Subject<void>();

  /** Puts the beginning of an entry into the line, to be gone on with. */
  propose(text: string): void {
    this.draft.set(text);
    this.entryWanted.next();
  }

  /** Takes one reading as understood. Answers the id of the specimen. */
  take(is: Understood): string {
    const specimen = this.specimen() ?? this.begin(this.emptyKind());
    this.specimens.change({ ...specimen, readings: [...specimen.readings, reading(is)] });
    this.specimenId.set(specimen.id);
    return specimen.id;
  }

  /** How the weight of one reading for one pattern was worked out. */
  calculation(pattern: string, text: string): Observable<readonly Sentence[]> {
    const { kind, readings } = this.evidence();
    return this.questions.askOnce('calculation', { kind, readings, pattern, text }).pipe(map(({ steps }) => steps));
  }

  /** Takes the words of the entry line onto the specimen, beginning one if the bench is clear. Answers its id. */
  enter(): string | undefined {
    const { kind, words } = this.draftEntry();
    if (this.draft().length > LONGEST_ENTRY || (words.length === 0 && kind === undefined)) return undefined;
    const specimen = inKind(this.specimen() ?? this.begin(kind ?? this.emptyKind()), kind);
    this.specimens.change({ ...specimen, readings: [...specimen.readings, ...words.map((is) => reading(is))] });
    this.draft.set('');
    this.specimenId.set(specimen.id);
    return specimen.id;
  }

  /** Puts what `text` is read as in the place of one reading; an empty text removes it. */
  replace(id: string, text: string): void {
    this.alter((readings, kind) => {
      const words = text.trim() === '' ? [] : readEntry(text, kind).words;
      return readings.flatMap((each) =>
        each.id === id ? words.map((is, at) => (at === 0 ? { ...each, is } : reading(is))) : [each],
      );
    });
  }

  /** Puts what was meant in the place of a figure that a slip made another. */
  mendSlip({ text, figures }: { readonly text: string; readonly figures: string }): void {
    const slipped = this.readings().find(({ is }) => is.sort === 'size' && text.split(', ').includes(is.text));
    if (slipped?.is.sort !== 'size') return;
    const written = slipped.is.figures ?? String(slipped.is.values[0] ?? '');
    this.replace(slipped.id, slipped.is.text.replace(written, figures));
  }

  /** The same with the first that is offered for the likeliest, if any. */
  takeMeant(): void {
    const slip = this.lineUp()?.candidates[0]?.pulls.find(({ meant }) => meant);
    if (slip?.meant) this.mendSlip({ text: slip.text, figures: slip.meant.figures });
  }

  /** Takes one reading for what somebody says it is. */
  settle(id: string, is: Understood): void {
    this.alter((readings) => readings.map((each) => (each.id === id ? { ...each, is } : each)));
  }

  remove(id: string): void {
    this.alter((readings) => readings.filter((each) => each.id !== id));
  }

  rename(name: string): void {
    const specimen = this.specimen();
    const trimmed = cut(name.trim(), 120);
    if (specimen && trimmed !== '' && trimmed !== specimen.name) this.specimens.change({ ...specimen, name: trimmed });
  }

  setKind(kind: KindId): void {
    const specimen = this.specimen();
    if (!specimen) this.emptyKind.set(kind);
    else if (specimen.kind !== kind) this.specimens.change(inKind(specimen, kind));
  }

  /** How far the engine is apart. */
  setState(state: Reach): void {
    const specimen = this.specimen() ?? this.begin(this.kind());
    this.specimens.change({ ...specimen, state });
    this.specimenId.set(specimen.id);
  }

  /** Takes a check for one that cannot be got at, or no longer. */
  skip(key: string, skipped: boolean): void {
    const specimen = this.specimen() ?? this.begin(this.kind());
    const others = (specimen.skipped ?? []).filter((each) => each !== key);
    this.specimens.change({ ...specimen, skipped: skipped ? [...others, key] : others });
    this.specimenId.set(specimen.id);
  }

  /** Says what lies with the part. */
  setCompleteWith(completeWith: readonly KindId[]): void {
    const specimen = this.specimen();
    if (specimen) this.specimens.change({ ...specimen, completeWith: [...completeWith] });
  }

  /** Puts the part among those of a job, or takes it out. */
  setJob(job: string | undefined): void {
    const specimen = this.specimen();
    if (!specimen) return;
    const { job: _before, ...rest } = specimen;
    this.specimens.change(job === undefined ? rest : { ...rest, job });
  }

  /** Begins a part of a kind for a job. Answers its id. */
  beginFor(job: string, kind: KindId): string {
    const specimen = { ...this.begin(kind), job };
    this.specimens.change(specimen);
    this.specimenId.set(specimen.id);
    return specimen.id;
  }

  undo(): boolean {
    const id = this.specimenId();
    return id !== undefined && this.specimens.undo(id);
  }

  private alter(change: (readings: readonly Reading[], kind: KindId) => Reading[]): void {
    const specimen = this.specimen();
    if (specimen) this.specimens.change({ ...specimen, readings: change(specimen.readings, specimen.kind) });
  }

  private begin(kind: KindId): Specimen {
    const day = new Date().toLocaleDateString('en-GB', {
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
    });
    return { id: crypto.randomUUID(), name: `${KINDS[kind].name} of ${day}`, kind, readings: [] };
  }
}

/** The specimen as another kind of part: what was typed is read again in its words, so that "main" means its main. */
function inKind(specimen: Specimen, kind: KindId = specimen.kind): Specimen {
  if (kind === specimen.kind) return specimen;
  const readings = specimen.readings.flatMap((each) =>
    readEntry(each.is.text, kind).words.map((is, at) => (at === 0 ? { ...each, is } : reading(is))),
  );
  return { ...specimen, kind, readings };
}

const reading = (is: Understood): Reading => ({ id: crypto.randomUUID(), at: new Date().toISOString(), is });

const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');

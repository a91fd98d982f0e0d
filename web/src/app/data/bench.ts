import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  cut,
  KINDS,
  kindsUnderstanding,
  LONGEST_ENTRY,
  readEntry,
  type Answers,
  type Confirmed,
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
import { debounceTime, filter, map, of, Subject, switchMap, take, tap, type Observable } from 'rxjs';
import { BrowserStorage } from './browserStorage';
import { Preferences } from './preferences';
import { Questions } from './questions';
import { Records } from './records';
import { Specimens } from './specimens';

/** How many candidates the line-up shows. */
const SHOWN = 6;
/** Pause in typing after which the line-up follows, in ms. */
const SETTLE_MS = 60;

/** What the clear bench is laid out for while nothing is said. */
const FIRST_KIND: KindId = 'crank';
/** From this chance on a kind is taken for meant without asking. */
const BEYOND_DOUBT = 0.9;

/** A kind of part that may be meant; its chance once the catalogue was asked. */
export interface KindChance {
  readonly kind: KindId;
  readonly name: string;
  readonly probability?: number;
}

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
  /** The kind that somebody chose for a clear bench. */
  private readonly chosenKind = signal<KindId | undefined>(undefined);
  /** On which kinds the words of a line may have been read, as the catalogue has it. */
  private readonly chances = signal<{ readonly entry: string; readonly kinds: readonly KindChance[] } | undefined>(
    undefined,
  );

  readonly specimen = toSignal(
    toObservable(this.specimenId).pipe(
      switchMap((id) => (id === undefined ? of(undefined) : this.specimens.watch(id))),
    ),
  );
  /** The kind that somebody said: on a clear bench nobody may have. */
  readonly saidKind = computed<KindId | undefined>(() => this.specimen()?.kind ?? this.chosenKind());

  /** Kinds on which the words of the line are understood where nobody said one; none where there is nothing to ask. */
  private readonly understoodOn = computed(() => {
    const draft = this.draft();
    const isOpen = this.saidKind() === undefined && draft.trim() !== '' && draft.length <= LONGEST_ENTRY;
    return isOpen ? kindsUnderstanding(draft, { usual: this.preferences.units() }).map(({ kind }) => kind) : [];
  });
  private readonly known = computed(() => {
    const chances = this.chances();
    return chances?.entry === this.draft() ? chances.kinds : undefined;
  });
  /** The one kind that can be meant, or is beyond doubt by what was read. */
  private readonly meantKind = computed<KindId | undefined>(() => {
    const [only, ...others] = this.understoodOn();
    if (others.length === 0) return only;
    const [first] = this.known() ?? [];
    return first && (first.probability ?? 0) >= BEYOND_DOUBT ? first.kind : undefined;
  });
  /** What is asked before anything is answered: of which kind of part the words of the line were read. */
  readonly whichKind = computed<readonly KindChance[]>(() => {
    const kinds = this.understoodOn();
    if (kinds.length < 2 || this.meantKind() !== undefined) return [];
    return this.known() ?? kinds.map((kind) => ({ kind, name: KINDS[kind].name }));
  });

  readonly kind = computed<KindId>(() => this.draftEntry().kind ?? this.saidKind() ?? this.meantKind() ?? FIRST_KIND);
  /** The kind that is said or meant; undefined where that is open. */
  readonly shownKind = computed<KindId | undefined>(
    () => this.draftEntry().kind ?? this.saidKind() ?? this.meantKind(),
  );
  readonly readings = computed<readonly Reading[]>(() => this.specimen()?.readings ?? []);

  /** How the words in the entry line are understood at this moment. */
  readonly draftEntry = computed<Entry>(() => {
    const draft = this.draft();
    if (draft.trim() === '') return { words: [] };
    // Another kind of part lies on another bench, once this one has readings.
    const keepsKind = this.readings().length > 0;
    const kind = this.saidKind() ?? this.meantKind() ?? FIRST_KIND;
    return readEntry(draft, kind, { keepsKind, usual: this.preferences.units() });
  });

  private readonly evidence = computed(() => ({
    kind: this.kind(),
    // Nothing is answered for a kind that nobody chose.
    readings: [
      ...this.readings().map((reading) => reading.is),
      ...(this.whichKind().length > 0 ? [] : this.draftEntry().words),
    ],
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
    toObservable(this.understoodOn)
      .pipe(
        debounceTime(SETTLE_MS),
        filter((kinds) => kinds.length > 1),
        switchMap(() => this.askKinds()),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Asks the catalogue on which kinds the words of the line may have been read. */
  private askKinds(): Observable<unknown> {
    const entry = this.draft();
    return this.questions
      .askOnce('kindsMeant', { entry, usual: this.preferences.units() })
      .pipe(tap(({ kinds }) => this.chances.set({ entry, kinds })));
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
    const specimen = this.specimen() ?? this.begin(this.kind());
    this.specimens.change({ ...specimen, readings: [...specimen.readings, reading(is)] });
    this.specimenId.set(specimen.id);
    return specimen.id;
  }

  /** How the weight of one reading for one pattern was worked out. */
  calculation(pattern: string, text: string): Observable<readonly Sentence[]> {
    const { kind, readings } = this.evidence();
    return this.questions.askOnce('calculation', { kind, readings, pattern, text }).pipe(map(({ steps }) => steps));
  }

  /** The same as `enter`, once it is known which kind of part is meant where that is open. */
  enterOnceKnown(): Observable<string | undefined> {
    const isOpen = this.understoodOn().length > 1 && this.known() === undefined;
    return (isOpen ? this.askKinds() : of(undefined)).pipe(
      take(1),
      map(() => this.enter()),
    );
  }

  /**
   * Takes the words of the entry line onto the specimen, beginning one if the bench is clear. Answers its id; nothing
   * where it has to be said first which kind of part it is.
   */
  enter(): string | undefined {
    const { kind, words } = this.draftEntry();
    if (this.draft().length > LONGEST_ENTRY || (words.length === 0 && kind === undefined)) return undefined;
    if (this.whichKind().length > 0) return undefined;
    const specimen = inKind(this.specimen() ?? this.begin(this.kind()), kind);
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

  /** Makes room for another part, of which nothing is said yet. */
  clear(): void {
    this.specimenId.set(undefined);
    this.chosenKind.set(undefined);
  }

  setKind(kind: KindId): void {
    const specimen = this.specimen();
    if (!specimen) this.chosenKind.set(kind);
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

  /** Says what the part turned out to be, or takes that back. */
  confirm(confirmed: Confirmed | undefined): void {
    const specimen = this.specimen();
    if (!specimen) return;
    const { confirmed: _before, ...rest } = specimen;
    this.specimens.change(confirmed === undefined ? rest : { ...rest, confirmed });
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

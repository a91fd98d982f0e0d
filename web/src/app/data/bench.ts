import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { KINDS, LONGEST_ENTRY, readEntry, type Entry, type KindId, type LineUp, type Reading, type Specimen, type Understood } from '@which-bore/core';
import { debounceTime, distinctUntilChanged, of, switchMap } from 'rxjs';
import { CatalogueData } from './catalogueData';
import { Kept } from './kept';
import { Specimens } from './specimens';
import { Sums } from './sums';

/** How many candidates the line-up shows. */
const SHOWN = 6;
/** Pause in typing after which the line-up follows, in ms. */
const SETTLE_MS = 60;

/** The specimen that is the subject now: it stays when one moves from station to station. */
@Injectable({ providedIn: 'root' })
export class Bench {
  private readonly specimens = inject(Specimens);
  private readonly kept = inject(Kept);
  private readonly sums = inject(Sums);
  readonly catalogue = toSignal(inject(CatalogueData).view$);

  /** Id of the specimen on the bench; undefined while the bench is clear. */
  readonly specimenId = signal<string | undefined>(undefined);
  /** What stands in the entry line and is not entered yet. It outlives a reload. */
  readonly draft = signal(textOf(this.kept.read('draft')));
  /** The kind of part while nothing says otherwise. */
  private readonly emptyKind = signal<KindId>('crank');

  readonly specimen = toSignal(toObservable(this.specimenId).pipe(switchMap((id) => (id === undefined ? of(undefined) : this.specimens.watch(id)))));
  readonly kind = computed<KindId>(() => this.draftEntry().kind ?? this.specimen()?.kind ?? this.emptyKind());
  readonly readings = computed<readonly Reading[]>(() => this.specimen()?.readings ?? []);

  /** How the words in the entry line are understood at this moment. */
  readonly draftEntry = computed<Entry>(() => {
    const draft = this.draft();
    return draft.trim() === '' ? { words: [] } : readEntry(draft, this.specimen()?.kind ?? this.emptyKind());
  });

  private readonly evidence = computed(() => ({
    kind: this.kind(),
    readings: [...this.readings().map((reading) => reading.is), ...this.draftEntry().words],
  }));

  /** The line-up for all readings and the words being typed. */
  readonly lineUp = toSignal<LineUp | undefined>(
    toObservable(this.evidence).pipe(
      debounceTime(SETTLE_MS),
      distinctUntilChanged((a, b) => JSON.stringify(a) === JSON.stringify(b)),
      switchMap(({ kind, readings }) => this.sums.identify(kind, readings, SHOWN)),
    ),
  );

  /** The pattern the specimen is taken for: the first of the line-up, once that is at least probable. */
  readonly takenFor = computed(() => {
    const lineUp = this.lineUp();
    return lineUp && (lineUp.status === 'settled' || lineUp.status === 'probable') ? lineUp.candidates[0]?.pattern : undefined;
  });

  constructor() {
    effect(() => this.kept.write('draft', this.draft()));
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
      return readings.flatMap((each) => (each.id === id ? words.map((is, at) => (at === 0 ? { ...each, is } : reading(is))) : [each]));
    });
  }

  remove(id: string): void {
    this.alter((readings) => readings.filter((each) => each.id !== id));
  }

  rename(name: string): void {
    const specimen = this.specimen();
    const trimmed = name.trim().slice(0, 120);
    if (specimen && trimmed !== '' && trimmed !== specimen.name) this.specimens.change({ ...specimen, name: trimmed });
  }

  setKind(kind: KindId): void {
    const specimen = this.specimen();
    if (!specimen) this.emptyKind.set(kind);
    else if (specimen.kind !== kind) this.specimens.change(inKind(specimen, kind));
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
    const day = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
    return { id: crypto.randomUUID(), name: `${KINDS[kind].name} of ${day}`, kind, readings: [] };
  }
}

/** The specimen as another kind of part: what was typed is read again in its words, so that "main" means its main. */
function inKind(specimen: Specimen, kind: KindId = specimen.kind): Specimen {
  if (kind === specimen.kind) return specimen;
  const readings = specimen.readings.flatMap((each) => readEntry(each.is.text, kind).words.map((is, at) => (at === 0 ? { ...each, is } : reading(is))));
  return { ...specimen, kind, readings };
}

const reading = (is: Understood): Reading => ({ id: crypto.randomUUID(), at: new Date().toISOString(), is });

const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');

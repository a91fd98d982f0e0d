import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import {
  AS_MEASURED,
  counted,
  INSTRUMENTS,
  KINDS,
  readAddress,
  SWAP_RESULT_SAYS,
  VERDICTS,
  VERDICT_WORDS,
  type Address,
  type KindId,
  type NeedTold,
  type PartRef,
  type Pattern,
  type Specimen,
  type Verdict,
} from '@which-bore/core';
import { DONOR_KINDS, recipientsFor } from '@which-bore/core/meetings';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { of, switchMap, type Observable } from 'rxjs';
import { Bench } from '../data/bench';
import { Interchange, type Judged, type Takings } from '../data/interchange';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { Records } from '../data/records';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { growing } from '../ui/growing';
import { PartPicker } from '../ui/partPicker';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';
import { InTurn } from '../ui/turns';
import { Joints } from './joints';
import { PlanSwap } from './planSwap';

/** What the list is asked of: engines, what lies on the benches of jobs, or parts of a kind. */
type Asked = KindId | 'engine' | 'job';

/** Whether an address is that of many parts at once, which are looked up. */
const isSet = (sort: Address['sort']): boolean => sort === 'job' || sort === 'build';

/** Donors into a recipient: joint by joint, both directions, and what else there is. */
@Component({
  selector: 'wb-swap-station',
  imports: [
    FormsModule,
    InTurn,
    Joints,
    NzButtonModule,
    NzIconModule,
    NzInputModule,
    NzSelectModule,
    PartPicker,
    PlanSwap,
    RouterLink,
    Said,
    VerdictMark,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './swapStation.html',
  styleUrl: './swapStation.less',
  host: { '(document:keydown)': 'key($event)' },
})
export class SwapStation {
  private readonly bench = inject(Bench);
  private readonly specimens = inject(Specimens);
  private readonly builds = inject(Builds);
  private readonly jobs = inject(Jobs);
  private readonly questions = inject(Questions);
  private readonly records = inject(Records);
  private readonly interchange = inject(Interchange);
  private readonly router = inject(Router);

  /** What comes, from the address: references with commas between them. */
  readonly donor = input<string>();
  /** Which pattern a specimen is taken for, or `nothing`, from the address. */
  readonly as = input<string>();
  /** Where it might go, from the address. */
  readonly into = input<string>();
  /** Whether what takes the donor is listed, or what goes into the recipient. */
  readonly list = input<string>();
  /** What is listed: a kind of part, or `engine`. */
  readonly kind = input<string>();

  protected readonly filter = signal('');
  protected readonly adding = signal(false);
  protected readonly measuredOnly = computed(() => this.as() === AS_MEASURED);
  protected readonly words = VERDICT_WORDS;
  protected readonly results = SWAP_RESULT_SAYS;
  protected readonly donorKinds = DONOR_KINDS;
  protected readonly counted = counted;

  protected readonly donors = computed(() => (this.donor() ?? '').split(',').filter(Boolean));
  private readonly refs = computed(() => this.donors().map(readAddress));
  private readonly specimenId = computed(() => this.refs().find(({ sort }) => sort === 'specimen')?.id);
  protected readonly specimen = toSignal(
    toObservable(this.specimenId).pipe(
      switchMap((id) => (id === undefined ? of(undefined) : this.specimens.watch(id))),
    ),
  );
  private readonly intoRef = computed(() => {
    const into = this.into();
    return into === undefined ? undefined : readAddress(into);
  });
  private readonly intoSpecimen = toSignal(
    toObservable(this.intoRef).pipe(
      switchMap((ref) => (ref?.sort === 'specimen' ? this.specimens.watch(ref.id) : of(undefined))),
    ),
  );

  /** What the specimen is, by the same line-up as on the Bench. */
  private readonly identified = toSignal(
    toObservable(this.specimen).pipe(
      switchMap((specimen) =>
        specimen
          ? this.questions.ask('identify', {
              kind: specimen.kind,
              readings: specimen.readings.map((reading) => reading.is),
              most: 1,
            })
          : of(undefined),
      ),
    ),
  );
  private readonly sure = computed(() => {
    const lineUp = this.identified();
    return lineUp?.status === 'settled' || lineUp?.status === 'probable' ? lineUp.candidates[0]?.pattern : undefined;
  });
  protected readonly takenFor = computed((): Pattern | undefined => {
    if (!this.specimen() || this.measuredOnly()) return undefined;
    return this.records.record('pattern', this.as() ?? this.sure());
  });

  /** What comes, as the sums want it; nothing while it is not all known. */
  private readonly coming = computed((): readonly PartRef[] | undefined => {
    const partRefs = this.refs().flatMap((ref) => this.partRefsOf(ref, this.specimen(), this.as()));
    return partRefs.length > 0 && partRefs.length === this.refs().length ? partRefs : undefined;
  });

  /** The kind of the first donor; nothing for a whole engine. */
  protected readonly donorKind = computed((): KindId | undefined => {
    const [first] = this.refs();
    if (!first || first.sort === 'variant' || isSet(first.sort)) return undefined;
    return first.sort === 'specimen' ? this.specimen()?.kind : this.records.record('pattern', first.id)?.kind;
  });
  protected readonly intoKind = computed((): KindId | undefined => {
    const ref = this.intoRef();
    return ref?.sort === 'specimen'
      ? this.intoSpecimen()?.kind
      : ref?.sort === 'pattern'
        ? this.records.record('pattern', ref.id)?.kind
        : undefined;
  });

  /** Whether one part takes the place of another of its kind. */
  protected readonly inPlace = computed(() => {
    const shown = this.shown();
    const { sort, id } = readAddress(shown ?? '');
    const kind =
      sort === 'specimen'
        ? this.specimens.peek(id)?.kind
        : sort === 'pattern'
          ? this.records.record('pattern', id)?.kind
          : undefined;
    return this.donors().length === 1 && kind !== undefined && kind === this.donorKind();
  });

  /** The job that is the recipient, where one is. */
  protected readonly intoJob = computed(() => {
    const into = this.intoRef();
    return into?.sort === 'job' ? into.id : undefined;
  });
  /** Whether the list is of what goes into the recipient. */
  protected readonly fitting = computed(
    () => this.list() === 'fits' && this.into() !== undefined && this.intoKind() !== undefined,
  );

  /** What may be listed: kinds that the part meets, and engines. */
  protected readonly kinds = computed((): readonly { readonly id: Asked; readonly name: string }[] => {
    const [mine, theirs] = [this.donorKind(), this.intoKind()];
    const named = (id: KindId) => ({ id, name: KINDS[id].plural });
    if (this.fitting() && theirs) return DONOR_KINDS.filter((kind) => recipientsFor(kind).includes(theirs)).map(named);
    const single = this.donors().length === 1 && mine;
    return [
      ...(single ? recipientsFor(mine).map(named) : []),
      { id: 'engine', name: 'Engines' },
      { id: 'job', name: 'Jobs, as measured' },
    ];
  });

  /** What is listed: what was chosen, or else blocks for a crank and what is likeliest for others. */
  protected readonly asked = computed((): Asked => {
    const [kinds, wanted] = [this.kinds(), this.kind()];
    const chosen = kinds.find(({ id }) => id === wanted)?.id;
    if (chosen) return chosen;
    const [into, donor] = [this.intoRef(), this.donorKind()];
    const like = this.fitting()
      ? donor
      : into?.sort === 'variant'
        ? 'engine'
        : into?.sort === 'job'
          ? 'job'
          : this.intoKind();
    return kinds.find(({ id }) => id === like)?.id ?? kinds[0]?.id ?? 'engine';
  });

  private readonly takings = toSignal(
    toObservable(
      computed(() => ({ coming: this.coming(), into: this.recipient(), asked: this.asked(), fitting: this.fitting() })),
    ).pipe(
      switchMap(({ coming, into, asked, fitting }): Observable<Takings | undefined> => {
        const one = fitting ? into : coming?.[0];
        if (!one) return of(undefined);
        if (asked === 'job') return coming ? this.interchange.jobs(coming, this.donorKind()) : of(undefined);
        if (asked === 'engine') return coming ? this.interchange.engines(coming) : of(undefined);
        return this.interchange.whatElse(one, asked, fitting ? 'donor' : 'recipient');
      }),
    ),
  );

  protected readonly rows = growing(
    computed(() => {
      const wanted = this.filter().toLowerCase();
      return (this.takings()?.best ?? []).filter(({ short, family }) =>
        `${family} ${short}`.toLowerCase().includes(wanted),
      );
    }),
    10,
  );
  protected readonly tally = computed(() =>
    VERDICTS.map((verdict) => ({
      verdict,
      words: VERDICT_WORDS[verdict],
      count: this.takings()?.counts[verdict] ?? 0,
    })),
  );

  /** The one that is looked at: from the address, or the best of the list. */
  protected readonly shown = computed(() => {
    if (this.fitting()) return this.donor() ?? this.rows()[0]?.ref;
    return this.into() ?? this.takings()?.best[0]?.ref;
  });
  private readonly recipient = computed((): PartRef | undefined => {
    const ref = this.intoRef();
    return ref && this.partRefsOf(ref, this.intoSpecimen(), undefined)[0];
  });

  private readonly pair = computed(() => {
    const shown = this.shown();
    const coming = this.coming();
    if (!coming || shown === undefined) return undefined;
    const into = this.recipient() ?? this.partRefsOf(readAddress(shown), undefined, undefined)[0];
    return into ? { coming, into } : undefined;
  });

  private readonly judged = toSignal<Judged | undefined>(
    toObservable(this.pair).pipe(
      switchMap((pair): Observable<Judged | undefined> =>
        pair ? this.interchange.judge(pair.coming, pair.into) : of(undefined),
      ),
    ),
  );
  protected readonly judgement = computed(() => {
    const judged = this.judged();
    return judged && 'verdict' in judged ? judged : undefined;
  });
  /** What comes is known, and how it goes is on its way. */
  protected readonly working = computed(
    () => this.coming() !== undefined && !this.judged() && (this.takings() === undefined || this.pair() !== undefined),
  );
  protected readonly refused = computed(() => {
    const judged = this.judged();
    return judged && 'refused' in judged ? judged.refused : undefined;
  });

  /** Whether it goes this way and not the other. */
  protected readonly oneWay = computed(() => {
    const judgement = this.judgement();
    const goes = (verdict: Verdict | undefined) => verdict === 'fits' || verdict === 'fitsWithWork';
    return judgement?.reverse !== undefined && goes(judgement.verdict) && judgement.reverse.verdict === 'doesNotFit';
  });

  constructor() {
    effect(() => {
      const id = this.specimenId();
      if (id !== undefined) {
        this.bench.specimenId.set(id);
        void this.specimens.open(id);
      } else if (this.donor() === undefined && this.into() === undefined) {
        const subject = this.bench.specimen();
        if (subject) this.go({ donor: `specimen:${subject.id}` });
      }
    });
    effect(() => {
      const ref = this.intoRef();
      if (ref?.sort === 'specimen') void this.specimens.open(ref.id);
    });
  }

  protected setDonor(donor: string): void {
    this.go({ donor, as: null, kind: null });
  }

  protected addDonor(donor: string): void {
    this.adding.set(false);
    if (!this.donors().includes(donor)) this.go({ donor: [...this.donors(), donor].join(',') });
  }

  protected removeDonor(donor: string): void {
    this.go({
      donor:
        this.donors()
          .filter((each) => each !== donor)
          .join(',') || null,
    });
  }

  protected setMeasuredOnly(only: boolean): void {
    this.go({ as: only ? AS_MEASURED : null });
  }

  protected look(ref: string): void {
    this.go(this.fitting() ? { donor: ref, as: null } : { into: ref.replace(/^pattern:/, '') });
  }

  protected ask(list: 'takes' | 'fits'): void {
    const into = this.shown();
    this.go({
      list: list === 'fits' ? 'fits' : null,
      kind: null,
      ...(list === 'fits' && this.into() === undefined && into ? { into } : {}),
    });
  }

  /** Turns the direction round. */
  protected turn(): void {
    const reverse = this.judgement()?.reverse;
    if (!reverse) return;
    this.go({
      donor: reverse.donors.join(','),
      into: reverse.into.replace(/^pattern:/, ''),
      as: null,
      list: null,
      kind: null,
    });
  }

  protected key(event: KeyboardEvent): void {
    const typing =
      event.target instanceof Element && event.target.closest('input, textarea, [contenteditable]') !== null;
    if (event.key === 'x' && !typing && !event.ctrlKey && !event.metaKey && !event.altKey) this.turn();
  }

  protected go(queryParams: Readonly<Record<string, string | null>>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }

  /** The donors with what must come along. */
  protected withCompanions(companions: readonly string[]): void {
    this.go({ donor: [...new Set([...this.donors(), ...companions.map((id) => `pattern:${id}`)])].join(',') });
  }

  protected print(): void {
    window.print();
  }

  protected readonly labelOf = (id: string): string => this.records.label('pattern', id);

  protected nameOf(text: string): string {
    const { sort, id } = readAddress(text);
    if (sort === 'job') return this.jobs.peek(id)?.name ?? 'A job';
    if (sort === 'build') return this.builds.peek(id)?.name ?? 'A build';
    if (sort === 'variant') return `Internals of the ${this.records.label('variant', id)}`;
    return sort === 'specimen' ? (this.specimens.peek(id)?.name ?? 'A part on the shelf') : this.labelOf(id);
  }

  protected readonly kindName = (kind: KindId): string => KINDS[kind].name.toLowerCase();

  /** The share of checks that agree, where the answer is open and nothing is against it. */
  protected readonly agreeing = ({
    nothingAgainst,
    agree,
    checks,
  }: {
    readonly nothingAgainst: boolean;
    readonly agree: number;
    readonly checks: number;
  }): number | undefined => (nothingAgainst ? agree / checks : undefined);

  /** How something is found out: how long it takes, and with what. */
  protected how({ minutes, instrument }: NeedTold): string {
    if (instrument === 'sheet') return 'from a sheet';
    return `${minutes} min${instrument ? `, ${INSTRUMENTS[instrument].name.toLowerCase()}` : ', by eye'}`;
  }

  private partRefsOf(
    { sort, id }: Address,
    specimen: Specimen | undefined,
    as: string | undefined,
  ): readonly PartRef[] {
    switch (sort) {
      case 'pattern':
        return [{ pattern: id }];
      case 'variant':
        // As a donor an engine gives its internals; as a recipient it is whole.
        return [{ variant: id, ...(this.intoRef()?.id === id ? {} : { internals: true }) }];
      case 'job':
        return [{ jobId: id }];
      case 'build':
        return [{ buildId: id }];
      case 'specimen': {
        const held = specimen?.id === id ? specimen : this.specimens.peek(id);
        return held ? [{ specimen: held, ...(as === undefined ? {} : { as }) }] : [];
      }
    }
  }
}

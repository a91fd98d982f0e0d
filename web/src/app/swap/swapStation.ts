import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { sayEntry, showInterval, showValue, VERDICTS, VERDICT_WORDS, type JudgedCheck, type Pattern, type Swap, type Verdict } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { of, switchMap, type Observable } from 'rxjs';
import { Bench } from '../data/bench';
import type { Donor } from '../data/core.worker';
import { Preferences } from '../data/preferences';
import { Specimens } from '../data/specimens';
import { Sums } from '../data/sums';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';
import { BandStrip } from '../ui/bandStrip';

/** In the address: take nothing from any pattern. */
const MEASURED_ONLY = 'nothing';

/** A donor crank into a recipient block, joint by joint. */
@Component({
  selector: 'wb-swap-station',
  imports: [BandStrip, FormsModule, NzButtonModule, NzInputModule, NzSelectModule, RouterLink, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './swapStation.html',
  styleUrl: './swapStation.less',
})
export class SwapStation {
  private readonly bench = inject(Bench);
  private readonly specimens = inject(Specimens);
  private readonly sums = inject(Sums);
  private readonly preferences = inject(Preferences);
  private readonly router = inject(Router);

  /** The donor, from the address: `specimen:` or `pattern:` with its id. */
  readonly donor = input<string>();
  /** Which pattern a specimen is taken for, or `nothing`, from the address. */
  readonly as = input<string>();
  /** Pattern id of the recipient, from the address. */
  readonly into = input<string>();

  protected readonly catalogue = this.bench.catalogue;
  protected readonly filter = signal('');
  protected readonly measuredOnly = computed(() => this.as() === MEASURED_ONLY);
  protected readonly MEASURED_ONLY = MEASURED_ONLY;

  private readonly all = toSignal(this.specimens.all$, { initialValue: [] });
  protected readonly donors = computed(() => ({
    specimens: this.all()
      .filter((each) => each.kind === 'crank')
      .map((each) => ({ value: `specimen:${each.id}`, label: each.name })),
    patterns: (this.catalogue()?.ofKind('crank') ?? []).map((each) => ({ value: `pattern:${each.id}`, label: this.catalogue()?.label(each.id) ?? each.id })),
  }));

  private readonly specimenId = computed(() => (this.donor()?.startsWith('specimen:') ? this.donor()?.slice('specimen:'.length) : undefined));
  private readonly patternId = computed(() => (this.donor()?.startsWith('pattern:') ? this.donor()?.slice('pattern:'.length) : undefined));
  protected readonly specimen = toSignal(toObservable(this.specimenId).pipe(switchMap((id) => (id === undefined ? of(undefined) : this.specimens.watch(id)))));

  /** What the specimen is, by the same line-up as on the Bench. */
  private readonly identified = toSignal(
    toObservable(this.specimen).pipe(
      switchMap((specimen) =>
        specimen
          ? this.sums.identify(
              specimen.kind,
              specimen.readings.map((reading) => reading.is),
              1,
            )
          : of(undefined),
      ),
    ),
  );
  protected readonly takenFor = computed((): Pattern | undefined => {
    if (!this.specimen() || this.measuredOnly()) return undefined;
    const lineUp = this.identified();
    const sure = lineUp?.status === 'settled' || lineUp?.status === 'probable' ? lineUp.candidates[0]?.pattern : undefined;
    return this.catalogue()?.pattern(this.as() ?? sure);
  });

  private readonly asked = computed((): { readonly donor: Donor; readonly recipients: readonly string[] } | undefined => {
    const recipients = (this.catalogue()?.ofKind('block') ?? []).map((pattern) => pattern.id);
    const pattern = this.patternId();
    if (pattern !== undefined) return { donor: { pattern }, recipients };
    const specimen = this.specimen();
    // Before the line-up is in, the sizes it would lend are not known to be missing.
    if (!specimen || (!this.identified() && !this.measuredOnly())) return undefined;
    return { donor: { specimen, as: this.takenFor()?.id }, recipients };
  });

  protected readonly swaps = toSignal<Readonly<Record<string, Swap>>, Readonly<Record<string, Swap>>>(
    toObservable(this.asked).pipe(switchMap((asked): Observable<Record<string, Swap>> => (asked ? this.sums.swapAll(asked.donor, asked.recipients) : of({})))),
    { initialValue: {} },
  );

  /** Blocks with their verdict, the best first. */
  protected readonly recipients = computed(() => {
    const catalogue = this.catalogue();
    const wanted = this.filter().toLowerCase();
    return (catalogue?.ofKind('block') ?? [])
      .map((pattern) => ({ id: pattern.id, name: pattern.name, family: this.family(pattern), verdict: this.swaps()[pattern.id]?.verdict }))
      .filter((each) => `${each.family} ${each.name}`.toLowerCase().includes(wanted))
      .sort((a, b) => rank(a.verdict) - rank(b.verdict));
  });

  protected readonly recipient = computed(() => this.into() ?? this.recipients()[0]?.id);
  protected readonly swap = computed((): Swap | undefined => this.swaps()[this.recipient() ?? '']);
  protected readonly tally = computed(() =>
    VERDICTS.map((verdict) => ({
      verdict,
      words: VERDICT_WORDS[verdict],
      count: Object.values(this.swaps()).filter((swap) => swap.verdict === verdict).length,
    })),
  );

  constructor() {
    effect(() => {
      const id = this.specimenId();
      if (id !== undefined) {
        this.bench.specimenId.set(id);
        void this.specimens.open(id);
      } else if (this.donor() === undefined) {
        const subject = this.bench.specimen();
        if (subject?.kind === 'crank') this.go({ donor: `specimen:${subject.id}` });
      }
    });
  }

  protected setDonor(donor: string): void {
    this.go({ donor, as: null });
  }

  protected setMeasuredOnly(only: boolean): void {
    this.go({ as: only ? MEASURED_ONLY : null });
  }

  protected go(queryParams: Readonly<Record<string, string | null>>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }

  protected range(check: JudgedCheck, which: 'found' | 'required'): string {
    const range = check[which];
    const units = this.preferences.units();
    if (!range) return '';
    return which === 'required' && check.atLeast ? `${showValue(range.low, check.quantity, units)} or more` : showInterval(range, check.quantity, units);
  }

  protected readonly labelOf = (id: string): string => this.catalogue()?.label(id) ?? id;

  protected readonly need = sayEntry;

  private family(pattern: Pattern): string {
    return pattern.family === undefined ? '' : (this.catalogue()?.familyLabel(pattern.family) ?? pattern.family);
  }
}

const rank = (verdict: Verdict | undefined): number => (verdict === undefined ? VERDICTS.length : VERDICTS.indexOf(verdict));

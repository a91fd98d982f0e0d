import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  chance,
  fromInside,
  isIdOf,
  percentile,
  sayEntry,
  shownUnit,
  showInterval,
  showValue,
  SPREADS,
  together,
  UNITS,
  type Answers,
  type FigureTold,
  type KindId,
  type Spread,
  type Tolerated,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import type { Subscription } from 'rxjs';
import { Api } from '../data/api';
import { inLanes } from '../data/lanes';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { LineChart, type ChartLine } from './lineChart';
import { PlanState } from './planState';

/** Engines drawn at a time, so that one sees it grow and can stop it, and altogether. */
const AT_A_TIME = 2000;
const ALTOGETHER = 40_000;
/** Pieces that are with the server's threads at a time, while the worker of this browser has one. */
const SERVER_LANES = 2;

/** Kinds of parts whose pieces may have been finished in one setup. */
const SETS: readonly { readonly id: KindId; readonly name: string }[] = [
  { id: 'piston', name: 'pistons' },
  { id: 'rod', name: 'rods' },
  { id: 'block', name: 'cylinders of the block' },
];

const percent = (share: number): string => {
  const hundred = 100 * share;
  return `${hundred === 0 || hundred >= 10 ? hundred.toFixed(1) : hundred.toPrecision(2)} %`;
};

/** How a figure comes out in many engines, each of their parts somewhere between its limits. */
@Component({
  selector: 'wb-tolerance-panel',
  imports: [FormsModule, LineChart, NzButtonModule, NzSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tolerancePanel.html',
  styleUrl: './panel.less',
})
export class TolerancePanel {
  private readonly state = inject(PlanState);
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly preferences = inject(Preferences);
  readonly figure = input.required<FigureTold>();

  protected readonly spreads = (Object.keys(SPREADS) as Spread[]).map((id) => ({ id, name: SPREADS[id] }));
  protected readonly sets = SETS;
  protected readonly spread = signal<Spread>('normal');
  protected readonly oneSetup = signal<KindId[]>([]);
  /** Sizes that are taken to be measured. */
  protected readonly fixed = signal<readonly string[]>([]);
  protected readonly answer = signal<Answers['buildTolerance'] | undefined>(undefined);
  protected readonly drawn = signal<Tolerated | undefined>(undefined);
  protected readonly going = signal(false);
  protected readonly refused = signal<string | undefined>(undefined);
  private run: Subscription | undefined;
  /** Whether it is drawn anew once what was changed has come through. */
  private again = false;

  constructor() {
    // What was drawn of another figure, or another build, is of no use.
    effect((onCleanup) => {
      this.figure();
      this.state.asked();
      this.spread();
      this.oneSetup();
      this.fixed();
      this.stop();
      this.answer.set(undefined);
      this.drawn.set(undefined);
      if (this.again) untracked(() => this.start());
      this.again = false;
      onCleanup(() => this.stop());
    });
  }

  protected readonly progress = computed(() => (this.drawn()?.engines ?? 0) / ALTOGETHER);
  protected readonly needs = computed(() => (this.answer()?.needs ?? []).map(({ name }) => name).join(', '));

  protected start(): void {
    const asked = this.state.asked();
    if (!asked) return;
    this.stop();
    this.drawn.set(undefined);
    this.refused.set(undefined);
    this.going.set(true);
    const request = {
      ...asked,
      figure: this.figure().id,
      spread: this.spread(),
      oneSetup: this.oneSetup(),
      fixed: [...this.fixed()],
      engines: AT_A_TIME,
    };
    const seeds = Array.from({ length: ALTOGETHER / AT_A_TIME }, (_, seed) => seed + 1);
    const here = (seed: number) => this.questions.askOnce('buildTolerance', { ...request, seed });
    const onServer = (seed: number) => this.api.ask('buildTolerance', { ...request, seed });
    this.run = inLanes(seeds, [here, ...Array.from({ length: SERVER_LANES }, () => onServer)]).subscribe({
      next: (answer) => {
        this.answer.set(answer);
        if (answer.value === undefined) return this.stop();
        this.drawn.update((before) => (before ? together(before, answer.drawn) : answer.drawn));
      },
      error: (error: unknown) => {
        this.refused.set(error instanceof Error ? error.message : 'It could not be worked out.');
        this.going.set(false);
      },
      complete: () => this.going.set(false),
    });
  }

  protected stop(): void {
    this.run?.unsubscribe();
    this.run = undefined;
    this.going.set(false);
  }

  protected toggleFixed(id: string): void {
    this.again = true;
    this.fixed.update((fixed) => (fixed.includes(id) ? fixed.filter((each) => each !== id) : [...fixed, id]));
  }

  protected nameOf(id: string): string {
    return isIdOf('parameter', id) ? sayEntry(id) : id;
  }

  protected show(value: number): string {
    return showValue(value, this.figure().quantity, this.preferences.units());
  }

  protected band({ low, high }: { readonly low: number; readonly high: number }): string {
    return showInterval({ low, high }, this.figure().quantity, this.preferences.units());
  }

  protected readonly percentiles = computed(() => {
    const drawn = this.drawn();
    return drawn ? [0.01, 0.05, 0.5, 0.95, 0.99].map((share) => ({ share, value: percentile(drawn, share) })) : [];
  });

  protected readonly chances = computed(() => {
    const drawn = this.drawn();
    if (!drawn || !this.answer()?.required) return [];
    const told = (name: string, count: number, of: number) => {
      const { share, error } = chance(count, of);
      return { name, says: percent(share), error: percent(2 * error) };
    };
    const places = drawn.engines * drawn.places;
    return [
      told('Below the least, of all cylinders', drawn.below, places),
      ...(this.answer()?.required?.high === undefined ? [] : [told('Above the most', drawn.above, places)]),
      told('Engines with at least one such cylinder', drawn.broken, drawn.engines),
    ];
  });

  protected readonly shares = computed(() =>
    (this.answer()?.shares ?? [])
      .filter(({ share }) => share >= 0.005)
      .map((each) => ({ ...each, says: percent(each.share), fixed: this.fixed().includes(each.id) })),
  );

  protected readonly lines = computed((): readonly ChartLine[] => {
    const drawn = this.drawn();
    if (!drawn) return [];
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    const shown = (value: number) => (unit ? fromInside(value, unit) : value);
    const all = drawn.bins.reduce((so, count) => so + count, 0);
    const width = (drawn.to - drawn.from) / drawn.bins.length;
    return [
      {
        name: 'Share of the cylinders, in hundredths',
        colour: 0,
        points: drawn.bins.map((count, at) => ({ x: shown(drawn.from + (at + 0.5) * width), y: (100 * count) / all })),
      },
      ...this.limitLines(shown, Math.max(...drawn.bins.map((count) => (100 * count) / all))),
    ];
  });

  /** Limits stand upright in a histogram. */
  private limitLines(shown: (value: number) => number, top: number): readonly ChartLine[] {
    const required = this.answer()?.required;
    if (!required) return [];
    const upright = (name: string, x: number): ChartLine => ({
      name,
      colour: 1,
      dashed: true,
      points: [
        { x: shown(x), y: 0 },
        { x: shown(x), y: top },
      ],
    });
    return [upright('least', required.low), ...(required.high === undefined ? [] : [upright('most', required.high)])];
  }

  protected symbol(): string {
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    return `${this.figure().name}${unit ? `, ${UNITS[unit].symbol}` : ''}`;
  }
}

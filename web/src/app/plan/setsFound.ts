import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  fromInside,
  say,
  showInterval,
  showValue,
  shownUnit,
  UNITS,
  type Answers,
  type QuantityKind,
  type SetTold,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Preferences } from '../data/preferences';
import { VerdictMark } from '../ui/verdictMark';
import { comesTo, sayDays } from './comesTo';
import { LineChart, type ChartLine } from './lineChart';
import { SetDetail } from './setDetail';

/** What sets are drawn over, against their price. */
interface Measure {
  readonly id: string;
  readonly name: string;
  readonly of: (set: SetTold) => number | undefined;
}

/** What was found for several engines at once. */
function sayEngines({ sets, proved }: Answers['planSets'], engines: number): string {
  const price = sets.reduce((so, each) => so + each.price, 0);
  const enough =
    sets.length < engines
      ? `There is enough for ${sets.length === 1 ? 'one' : sets.length} of ${engines} engines`
      : `A set for each of ${engines} engines, no part of the shelf in two of them`;
  const sure = proved
    ? 'Proved: none come cheaper in sum'
    : 'Stopped before all was looked at: there may be better ones';
  return `${enough}: ${Math.round(100 * price) / 100} in all. ${sure}.`;
}

/** The sets that were found, side by side, stepped through with the arrow keys; with the trade-off between them. */
@Component({
  selector: 'wb-sets-found',
  imports: [FormsModule, LineChart, NzButtonModule, NzSelectModule, SetDetail, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './setsFound.html',
  styleUrls: ['./setList.less', './setsFound.less'],
})
export class SetsFound {
  private readonly preferences = inject(Preferences);
  readonly found = input.required<Answers['planSets']>();
  /** It is still looked for better ones. */
  readonly going = input(false);
  /** What each demand costs, once that is known. */
  readonly worth = input<Answers['planWorth']>();
  readonly taken = output<SetTold>();
  readonly begun = output<SetTold>();
  /** It is to be a build in a job, with all that is to be bought and done. */
  readonly ordered = output<SetTold>();

  private readonly chosen = signal(0);
  protected readonly at = computed(() => Math.min(this.chosen(), this.found().sets.length - 1));
  protected readonly set = computed(() => this.found().sets[this.at()]);
  protected readonly figures = computed(() => this.found().sets[0]?.figures ?? []);

  /** Several engines get a set each. */
  protected readonly called = computed(() => (this.found().engines === undefined ? 'Set' : 'Engine'));
  protected readonly says = computed(() => {
    const { sets, combinations, proved, looked, bound, engines } = this.found();
    if (engines !== undefined) return sayEngines(this.found(), engines);
    const count = combinations.toLocaleString('en-GB');
    const many = sets.length === 1 ? 'One set' : `The best ${sets.length} sets`;
    if (this.going()) return `${many} so far of ${count} choices.`;
    return proved
      ? `${many} of ${count} choices. Proved: no better one exists; ${looked} were looked at whole.`
      : `${many} so far of ${count} choices. Stopped before all was looked at${bound === undefined ? '' : `: none left counts less than ${bound}`}.`;
  });

  protected readonly measures = computed((): readonly Measure[] => [
    { id: 'hours', name: 'hours of work', of: ({ hours }) => hours },
    { id: 'days', name: 'days until all can be had', of: ({ days, unpromised }) => (unpromised ? undefined : days) },
    { id: 'buys', name: 'parts to buy', of: ({ buys }) => buys },
    { id: 'open', name: 'checks left open', of: ({ open }) => open.length },
    ...this.figures().map(({ figure, name, quantity }): Measure => ({
      id: figure,
      name: this.withUnit(name, quantity),
      of: ({ figures }) => {
        const reaches = figures.find((each) => each.figure === figure)?.reaches;
        return reaches && this.outside((reaches.low + reaches.high) / 2, quantity);
      },
    })),
  ]);
  protected readonly against = signal<string | undefined>(undefined);
  protected readonly measure = computed(() => {
    const all = this.measures();
    // Over what all sets agree in nothing is to be seen.
    const varies = ({ of }: Measure) => new Set(this.found().sets.map((set) => of(set)?.toPrecision(6))).size > 1;
    return all.find(({ id }) => id === this.against()) ?? [...all].reverse().find(varies) ?? all[0];
  });

  protected readonly lines = computed((): readonly ChartLine[] => {
    const measure = this.measure();
    if (!measure) return [];
    const point = (set: SetTold) => {
      const x = measure.of(set);
      return x === undefined ? [] : [{ x, y: set.price }];
    };
    const chosen = this.set();
    return this.found()
      .sets.map((set, at): ChartLine => ({ name: `${at + 1}`, colour: set === chosen ? 1 : 0, points: point(set) }))
      .filter(({ points }) => points.length > 0);
  });

  protected readonly days = sayDays;

  protected letGo({ demand }: Answers['planWorth']['worth'][number]): string {
    return say(demand.says, this.preferences.units());
  }

  protected comesTo({ set }: Answers['planWorth']['worth'][number]): string {
    return comesTo(set, this.preferences.units());
  }

  protected step(event: KeyboardEvent): void {
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const most = this.found().sets.length - 1;
    this.choose(Math.min(most, Math.max(0, this.at() + by)), event.currentTarget as HTMLElement);
  }

  protected choose(at: number, list?: HTMLElement): void {
    this.chosen.set(at);
    list?.querySelectorAll<HTMLElement>('button.row')[at]?.focus();
  }

  protected reached({ reaches, quantity, needs }: SetTold['figures'][number]): string {
    if (!reaches) return needs.length > 0 ? `open: ${needs.map(({ name }) => name).join(', ')}` : 'open';
    return reaches.low === reaches.high
      ? showValue(reaches.low, quantity, this.preferences.units())
      : showInterval(reaches, quantity, this.preferences.units());
  }

  private outside(value: number, quantity: QuantityKind): number {
    const unit = shownUnit(quantity, this.preferences.units());
    return unit ? fromInside(value, unit) : value;
  }

  private withUnit(name: string, quantity: QuantityKind): string {
    const unit = shownUnit(quantity, this.preferences.units());
    return unit ? `${name}, ${UNITS[unit].symbol}` : name;
  }
}

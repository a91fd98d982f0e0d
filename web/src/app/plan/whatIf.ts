import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router } from '@angular/router';
import {
  fromInside,
  isIdOf,
  KINDS,
  parameterOf,
  running,
  sayEntry,
  shownUnit,
  toInside,
  UNITS,
  type FigureTold,
  type Parameter,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { filter, skip, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { LineChart, type ChartLimit, type ChartLine } from './lineChart';
import { PartsTried } from './partsTried';
import { PlanState } from './planState';
import { SweepMap } from './sweepMap';

const STEPS_ALONE = 41;
const STEPS_TOGETHER = 60;

interface Range {
  readonly size: string;
  readonly from: string;
  readonly to: string;
}

/** Before a place, where parts are varied in the place of a size. */
const PART = 'part:';

const slotIn = (text: string | null): string | undefined =>
  text?.startsWith(PART) === true ? text.slice(PART.length) : undefined;

/** A range as it stands in an address: size, from and to; nothing where it is none. */
function rangeIn(text: string | null): Range | undefined {
  const [size = '', from = '', to = ''] = (text ?? '').split(',');
  return isIdOf('parameter', size) ? { size, from, to } : undefined;
}

/** One size of the build, or two, from one end to the other: what a figure then comes to. */
@Component({
  selector: 'wb-what-if',
  imports: [FormsModule, LineChart, NzButtonModule, NzInputModule, NzSelectModule, PartsTried, SweepMap],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './whatIf.html',
  styleUrl: './panel.less',
})
export class WhatIf {
  protected readonly state = inject(PlanState);
  private readonly preferences = inject(Preferences);
  readonly figure = input.required<FigureTold>();
  private readonly route = inject(ActivatedRoute);
  private readonly router = inject(Router);
  /** As the address has it: what is varied, and from where to where. */
  protected readonly first = signal<Range>(
    rangeIn(this.route.snapshot.queryParamMap.get('vary')) ?? { size: 'headGasket.thickness', from: '', to: '' },
  );
  protected readonly second = signal<Range | undefined>(rangeIn(this.route.snapshot.queryParamMap.get('and')));

  /** The place in which one part after another is tried, where that was chosen in the place of a size. */
  protected readonly slot = signal(slotIn(this.route.snapshot.queryParamMap.get('vary')));
  protected readonly places = computed(() => {
    const parts = this.state.sheet()?.parts ?? [];
    return [
      ...new Map(parts.map(({ slot, name }) => [slot, { slot, label: `Another: ${name.toLowerCase()}` }])).values(),
    ];
  });

  /** Sizes that make sense to vary: those the figure goes by, however far down, and how it is run. */
  protected readonly choices = computed(() => {
    const kinds = new Set((this.state.sheet()?.parts ?? []).map(({ kind }) => kind));
    return [
      ...[...kinds].flatMap((kind) =>
        Object.values<Parameter>(KINDS[kind].parameters).map(({ id, name }) => ({
          id,
          label: `${name}, ${KINDS[kind].name.toLowerCase()}`,
        })),
      ),
      ...Object.values<Parameter>(running.parameters).map(({ id, name }) => ({ id, label: name })),
    ];
  });

  constructor() {
    // Somebody followed a link to another question about the same build.
    this.route.queryParamMap.pipe(skip(1), takeUntilDestroyed()).subscribe((query) => {
      const [vary, and] = [query.get('vary'), query.get('and')];
      const [slot, first, second] = [slotIn(vary), rangeIn(vary), rangeIn(and)];
      if (vary === null) return;
      this.slot.set(slot);
      if (first && !dequal(first, this.first())) this.first.set(first);
      if (!dequal(second, this.second())) this.second.set(second);
    });
    // The address follows, so that it can be sent to somebody.
    effect(() => {
      const [vary, and] = [this.first(), this.second()].map((range) =>
        range && range.from !== '' ? `${range.size},${range.from},${range.to}` : null,
      );
      const slot = this.slot();
      const queryParams = slot === undefined ? { vary, and } : { vary: `${PART}${slot}`, and: null };
      void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
    });
    // A range round what the size is now, until somebody says another.
    effect(() => {
      const { size, from, to } = this.first();
      if (from === '' && to === '') {
        const range = this.usualRange(size);
        if (range) this.first.set({ size, ...range });
      }
      const second = this.second();
      if (second?.from === '' && second.to === '') {
        const range = this.usualRange(second.size);
        if (range) this.second.set({ size: second.size, ...range });
      }
    });
  }

  private usualRange(size: string): Omit<Range, 'size'> | undefined {
    if (!this.state.sheet()) return undefined;
    const { plausible } = parameterOf(size);
    const now = this.now(size) ?? (plausible.low + plausible.high) / 2;
    const by = Math.max(Math.abs(now) * 0.15, 0.2);
    const shown = (value: number) => String(Number(this.outside(size, value).toPrecision(5)));
    return { from: shown(now - by), to: shown(now + by) };
  }

  /** What a size is now, inside unit, as the sheet has put it into some formula. */
  private now(size: string): number | undefined {
    const typed = this.state.build()?.sizes.find(({ of }) => of === size);
    if (typed) return toInside(typed.value, typed.unit);
    const name = parameterOf(size).name;
    for (const { found } of this.state.sheet()?.figures ?? [])
      for (const { arguments: given } of found)
        for (const { called, value } of given) if (called === name) return value;
    return undefined;
  }

  private outside(size: string, value: number): number {
    const unit = shownUnit(parameterOf(size).quantity, this.preferences.units());
    return unit ? fromInside(value, unit) : value;
  }

  private inside({ size, from, to }: Range, steps: number) {
    const unit = shownUnit(parameterOf(size).quantity, this.preferences.units());
    const [low, high] = [from, to].map((text) => Number(text.replace(',', '.')));
    if (from.trim() === '' || to.trim() === '' || low === undefined || high === undefined) return undefined;
    if (!Number.isFinite(low) || !Number.isFinite(high)) return undefined;
    return { size, from: unit ? toInside(low, unit) : low, to: unit ? toInside(high, unit) : high, steps };
  }

  private readonly asked = computed(
    () => {
      const asked = this.state.asked();
      const second = this.second();
      const over = [this.first(), ...(second ? [second] : [])].map((each) =>
        this.inside(each, second ? STEPS_TOGETHER : STEPS_ALONE),
      );
      if (!asked || over.some((each) => each === undefined)) return undefined;
      return {
        ...asked,
        figures: [this.figure().id],
        cylinder: this.state.cylinder(),
        over: over.filter((each) => each !== undefined),
      };
    },
    { equal: dequal },
  );

  protected readonly answer = toSignal(
    toObservable(this.asked).pipe(
      filter((asked) => asked !== undefined),
      switchMap((asked) => this.state.answered('buildSweep', asked)),
    ),
  );

  protected readonly isMap = computed(() => (this.answer()?.up.length ?? 0) > 0);

  protected readonly lines = computed((): readonly ChartLine[] => {
    const answer = this.answer();
    const [swept] = answer?.figures ?? [];
    if (!answer || !swept || this.isMap()) return [];
    const size = this.first().size;
    return [
      {
        name: this.figure().name,
        colour: 0,
        points: swept.values.flatMap((value, at) =>
          value === null ? [] : [{ x: this.outside(size, answer.across[at] ?? 0), y: this.shown(value) }],
        ),
      },
    ];
  });

  protected readonly limits = computed((): readonly ChartLimit[] => {
    const [swept] = this.answer()?.figures ?? [];
    if (!swept?.required) return [];
    return [
      { name: 'least', y: this.shown(swept.required.low) },
      ...(swept.atLeast ? [] : [{ name: 'most', y: this.shown(swept.required.high) }]),
    ];
  });

  /** What the map is drawn from, in the reader's units. */
  protected readonly map = computed(() => {
    const answer = this.answer();
    const [swept] = answer?.figures ?? [];
    const second = this.second();
    if (!answer || !swept || !second || !this.isMap()) return undefined;
    return {
      across: answer.across.map((value) => this.outside(this.first().size, value)),
      up: answer.up.map((value) => this.outside(second.size, value)),
      values: swept.values.map((value) => (value === null ? Number.NaN : this.shown(value))),
      limits: this.limits().map(({ y }) => y),
    };
  });

  protected readonly isNow = computed(() => {
    const now = this.now(this.first().size);
    return now === undefined ? undefined : this.outside(this.first().size, now);
  });

  protected shown(value: number): number {
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    return unit ? fromInside(value, unit) : value;
  }

  protected symbol(size: string): string {
    const unit = shownUnit(parameterOf(size).quantity, this.preferences.units());
    return unit ? UNITS[unit].symbol : '';
  }

  protected figureSymbol(): string {
    const unit = shownUnit(this.figure().quantity, this.preferences.units());
    return `${this.figure().name}${unit && unit !== 'ratio' ? `, ${UNITS[unit].symbol}` : ''}`;
  }

  protected name(size: string): string {
    return size.startsWith('running.') ? parameterOf(size).name : sayEntry(size);
  }

  protected setFirst(of: string): void {
    this.slot.set(slotIn(of));
    if (!of.startsWith(PART)) this.first.set({ size: of, from: '', to: '' });
  }

  /** What is varied, as the choice has it. */
  protected readonly varied = computed(() => {
    const slot = this.slot();
    return slot === undefined ? this.first().size : `${PART}${slot}`;
  });

  protected setSecond(size: string | null): void {
    this.second.set(size === null ? undefined : { size, from: '', to: '' });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  asDimension,
  CONFIRMED_BY,
  parameterOf,
  sayProbability,
  USUAL_SHOP,
  type Answers,
  type MeasuredHereTold,
  type Sentence,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { finalize, switchMap } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Records } from '../data/records';
import { ShopData } from '../data/shopData';
import { UndoBar } from '../data/undoBar';
import { Said } from '../ui/said';
import { ReliabilityChart } from './reliabilityChart';

type Chance = Answers['calibration']['chances'][number];

/** Fewer cases than this, and the picture says more of chance than of the answers. */
const FEW = 30;

/**
 * What was said of parts, against what they turned out to be; and what the shop may learn from that: the chances that
 * identification takes for granted, and sizes of patterns as they were measured here. Nothing is taken over but by a
 * person.
 */
@Component({
  selector: 'wb-calibration-page',
  imports: [NzButtonModule, ReliabilityChart, RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './calibrationPage.html',
  styleUrl: './page.less',
  styles: `
    table {
      border-collapse: collapse;
      width: 100%;
    }
    th,
    td {
      border-bottom: 1px dotted var(--rule);
      padding: 4px 14px 4px 0;
      text-align: left;
      vertical-align: baseline;
    }
    td.number,
    th.number {
      text-align: right;
      white-space: nowrap;
    }
    td small {
      display: block;
    }
    .two {
      display: grid;
      gap: 8px 30px;
      grid-template-columns: minmax(0, 520px) minmax(0, 1fr);
    }
  `,
})
export class CalibrationPage {
  private readonly questions = inject(Questions);
  private readonly shopData = inject(ShopData);
  private readonly api = inject(Api);
  private readonly records = inject(Records);
  private readonly preferences = inject(Preferences);
  private readonly undoBar = inject(UndoBar);

  private readonly shop = toSignal(this.shopData.shop$, { initialValue: USUAL_SHOP });
  protected readonly found = toSignal(this.questions.ask('calibration', {}));
  protected readonly right = computed(() => (this.found()?.cases ?? []).filter(({ right }) => right).length);
  protected readonly few = computed(() => (this.found()?.cases.length ?? 0) < FEW);
  /** The chances of which something was seen, and those that are the shop's own. */
  protected readonly chances = computed(() =>
    (this.found()?.chances ?? []).filter(({ cases, id }) => cases > 0 || this.own()[id] !== undefined),
  );
  protected readonly own = computed(() => this.shop().rules.assumptions ?? {});
  protected readonly ways = CONFIRMED_BY;
  protected readonly probability = sayProbability;
  protected readonly adding = signal(false);
  protected readonly refused = signal<string | undefined>(undefined);

  /** A chance in hundred, with as many figures as tell something. */
  protected percent(of: number): string {
    const hundred = 100 * of;
    return String(Number(hundred > 99 ? hundred.toFixed(2) : hundred.toPrecision(2)));
  }

  protected takeOver({ id, posterior, name }: Chance): void {
    this.setOwn({ ...this.own(), [id]: Number(posterior.toPrecision(3)) }, `Goes by the shop’s own: ${name}.`);
  }

  protected giveBack({ id, name }: Chance): void {
    const { [id]: _own, ...others } = this.own();
    this.setOwn(others, `Goes by what is usual: ${name}.`);
  }

  private setOwn(assumptions: Readonly<Record<string, number>>, says: string): void {
    const before = this.shop();
    const { assumptions: _assumptions, ...rules } = before.rules;
    this.shopData.alter({
      ...before,
      rules: Object.keys(assumptions).length > 0 ? { ...rules, assumptions } : rules,
    });
    this.undoBar.offer(says, () => this.shopData.alter(before));
  }

  protected length(of: number, { parameter }: Pick<MeasuredHereTold, 'parameter'>): Sentence {
    return [{ figure: 'value', value: of, quantity: parameterOf(parameter).quantity }];
  }

  protected between(
    { low, high }: MeasuredHereTold['limits'],
    { parameter }: Pick<MeasuredHereTold, 'parameter'>,
  ): Sentence {
    return [{ figure: 'interval', low, high, quantity: parameterOf(parameter).quantity }];
  }

  /** Adds what was measured to the pattern, as one more voice about the size. */
  protected addVoice(row: MeasuredHereTold): void {
    const { measured, parameter, parts, pattern } = row;
    const who = this.preferences.name().trim();
    this.adding.set(true);
    this.refused.set(undefined);
    this.api
      .record('pattern', pattern.id)
      .pipe(
        switchMap(({ record, version }) => {
          const unit = record.dimensions[parameter]?.unit ?? 'mm';
          const claim = {
            about: parameter,
            size: asDimension(measured, unit),
            kind: 'measuredHere' as const,
            ...(who === '' ? {} : { who }),
            on: new Date().toISOString().slice(0, 10),
            basis: `Measured on ${parts} specimens here`,
          };
          return this.api.putRecord('pattern', { ...record, claims: [...(record.claims ?? []), claim] }, version);
        }),
        finalize(() => this.adding.set(false)),
      )
      .subscribe({
        next: () => this.questions.refresh(),
        error: (error: unknown) =>
          this.refused.set(error instanceof ApiError ? error.message : 'It could not be added. Try again.'),
      });
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  HOUSE_RULE_IDS,
  HOUSE_RULES,
  INSTRUMENT_IDS,
  INSTRUMENTS,
  OPERATION_IDS,
  OPERATIONS,
  overdue,
  shownUnit,
  UNITS,
  USUAL_SHOP,
  type HouseRuleId,
  type InstrumentId,
  type OperationId,
  type OwnInstrument,
  type Shop,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ShopData } from '../data/shopData';
import { UndoBar } from '../data/undoBar';
import { growing } from '../ui/growing';
import { InTurn } from '../ui/turns';
import { FigureField } from './figureField';
import { FiguresOfThumb, type FiguresChanged } from './figuresOfThumb';

/** Fields of the table of instruments that hold a number. */
type NumberField = 'resolution' | 'permissibleError' | 'from' | 'to' | 'everyMonths';

/** Where practitioners disagree the shop chooses; and what it measures with. */
@Component({
  selector: 'wb-rules-station',
  imports: [
    FigureField,
    FiguresOfThumb,
    FormsModule,
    InTurn,
    NzButtonModule,
    NzIconModule,
    NzInputModule,
    NzSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './rulesStation.html',
  styleUrl: './rulesStation.less',
})
export class RulesStation {
  private readonly data = inject(ShopData);
  private readonly undoBar = inject(UndoBar);
  protected readonly shop = toSignal(this.data.shop$, { initialValue: USUAL_SHOP });
  protected readonly failure = signal<string | undefined>(undefined);
  protected readonly today = new Date().toISOString().slice(0, 10);
  protected readonly rules = HOUSE_RULE_IDS.map((id) => ({ id, ...HOUSE_RULES[id] }));
  protected readonly sorts = INSTRUMENT_IDS.filter((id) => id !== 'sheet').map((id) => ({
    id,
    name: INSTRUMENTS[id].name,
  }));
  protected readonly operations = OPERATION_IDS.map((id) => ({ id, ...OPERATIONS[id] }));
  protected readonly instruments = growing(
    computed(() => this.shop().instruments),
    1,
  );
  protected readonly work = growing(signal(this.operations), 2, this.instruments);
  protected readonly chosen = computed(() => this.shop().rules);

  protected choice(rule: HouseRuleId): string {
    return this.chosen()[rule] ?? HOUSE_RULES[rule].usual;
  }

  protected choose(rule: HouseRuleId, choice: string): void {
    if (choice === this.choice(rule)) return;
    this.save({ ...this.shop(), rules: { ...this.chosen(), [rule]: choice } }, 'Changed a house rule.');
  }

  /** What the shop itself reckons for an operation; the usual where it says nothing. */
  protected takes(id: OperationId, what: 'hours' | 'price'): number {
    return this.chosen().work?.[id]?.[what] ?? OPERATIONS[id][what];
  }

  protected isOwn(id: OperationId): boolean {
    return this.chosen().work?.[id] !== undefined;
  }

  protected setWork(id: OperationId, what: 'hours' | 'price', text: string): void {
    const number = Number(text.trim().replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(number) || number < 0)
      return this.failure.set(
        `“${text}” is no ${what === 'hours' ? 'time' : 'price'} for “${OPERATIONS[id].name}”: write a number, like ${OPERATIONS[id][what]}.`,
      );
    if (number === this.takes(id, what)) return;
    this.save(
      {
        ...this.shop(),
        rules: {
          ...this.chosen(),
          work: { ...this.chosen().work, [id]: { ...this.chosen().work?.[id], [what]: number } },
        },
      },
      `Changed “${OPERATIONS[id].name}”.`,
    );
  }

  protected setFigures({ figures, says }: FiguresChanged): void {
    this.save({ ...this.shop(), rules: { ...this.chosen(), figures } }, says);
  }

  /** Back to what it usually takes. */
  protected usual(id: OperationId): void {
    const { [id]: _own, ...work } = this.chosen().work ?? {};
    this.save({ ...this.shop(), rules: { ...this.chosen(), work } }, `“${OPERATIONS[id].name}” is as usual again.`);
  }

  protected late(own: OwnInstrument): boolean {
    return overdue(own, this.today);
  }

  protected unit({ sort }: OwnInstrument): string {
    const unit = shownUnit(INSTRUMENTS[sort].quantity, 'metric');
    return unit ? UNITS[unit].symbol : '';
  }

  protected setText(own: OwnInstrument, field: 'name' | 'calibrated', value: string): void {
    const trimmed = value.trim();
    if (field === 'name' && trimmed === '') return this.failure.set('An instrument needs a name.');
    const { [field]: _before, ...rest } = own;
    this.put(own, (trimmed === '' ? rest : { ...rest, [field]: trimmed }) as OwnInstrument);
  }

  protected setNumber(own: OwnInstrument, field: NumberField, value: string): void {
    const number = Number(value.replace(',', '.'));
    if (field === 'everyMonths' && value.trim() === '') {
      const { everyMonths: _before, ...rest } = own;
      return this.put(own, rest);
    }
    if (!Number.isFinite(number) || number < 0 || (field !== 'from' && number === 0)) {
      return this.failure.set(
        `“${value}” is no ${field === 'everyMonths' ? 'number of months' : 'size'}: write a number above nothing, like 0.02.`,
      );
    }
    this.put(own, { ...own, [field]: field === 'everyMonths' ? Math.round(number) : number });
  }

  protected setSort(own: OwnInstrument, sort: InstrumentId): void {
    const { resolution, permissibleError, range } = INSTRUMENTS[sort];
    this.put(own, { ...own, sort, resolution, permissibleError, from: range.low, to: range.high });
  }

  protected add(): void {
    const { name, resolution, permissibleError, range } = INSTRUMENTS.micrometer;
    const own: OwnInstrument = {
      id: `own-${crypto.randomUUID().slice(0, 8)}`,
      sort: 'micrometer',
      name: `Another ${name.toLowerCase()}`,
      resolution,
      permissibleError,
      from: range.low,
      to: range.high,
      calibrated: this.today,
      everyMonths: 12,
    };
    this.save({ ...this.shop(), instruments: [...this.shop().instruments, own] }, 'Added an instrument.');
  }

  protected remove(own: OwnInstrument): void {
    this.save(
      { ...this.shop(), instruments: this.shop().instruments.filter(({ id }) => id !== own.id) },
      `Removed “${own.name}”.`,
    );
  }

  private put(own: OwnInstrument, next: OwnInstrument): void {
    if (dequal(own, next)) return;
    this.save(
      { ...this.shop(), instruments: this.shop().instruments.map((each) => (each.id === own.id ? next : each)) },
      `Changed “${next.name}”.`,
    );
  }

  private save(next: Shop, says: string): void {
    const before = this.shop();
    this.failure.set(undefined);
    this.data.alter(next);
    this.undoBar.offer(says, () => this.data.alter(before));
  }
}

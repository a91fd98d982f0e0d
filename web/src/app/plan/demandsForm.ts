import { ChangeDetectionStrategy, Component, computed, inject, input, model, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  OPERATION_IDS,
  OPERATIONS,
  readAddress,
  shownUnit,
  SLOTS,
  TAKEN_FROM,
  UNITS,
  USUAL_SHOP,
  usualWeights,
  type FigureTold,
  type PlacedTold,
  type PlannedId,
  type TakenFrom,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Orders } from '../data/orders';
import { Preferences } from '../data/preferences';
import { Records } from '../data/records';
import { ShopData } from '../data/shopData';
import { Specimens } from '../data/specimens';
import { PartPicker } from '../ui/partPicker';
import {
  LIMITS,
  SHAPED,
  type DemandDraft,
  type FieldProblem,
  type From,
  type PlaceDraft,
  type TargetDraft,
} from './demandDraft';
import { sayDraft } from './sayDraft';

/** Places that are looked for most; the others are folded away until somebody asks. */
const MAIN: ReadonlySet<string> = new Set(SLOTS.filter(({ main }) => main).map(({ id }) => id));

const STAYS: PlaceDraft = { from: 'stays', parts: [], mayStay: true };

/** What a set is ranked by, as money. */
const WEIGHED = [
  { id: 'price', name: 'A unit of money' },
  { id: 'hours', name: 'An hour of work, besides its price' },
  { id: 'days', name: 'A day until all can be had' },
  { id: 'buys', name: 'A part that is not at hand' },
  { id: 'irreversible', name: 'Work that cannot be taken back' },
  { id: 'open', name: 'A check that cannot be told' },
] as const;

/** What a set is to be: which places are free, what figures are to be reached, what it may take. */
@Component({
  selector: 'wb-demands-form',
  imports: [FormsModule, NzButtonModule, NzIconModule, NzInputModule, NzSelectModule, PartPicker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './demandsForm.html',
  styleUrl: './demandsForm.less',
})
export class DemandsForm {
  private readonly preferences = inject(Preferences);
  private readonly records = inject(Records);
  protected readonly suppliers = toSignal(inject(Orders).suppliers$, { initialValue: [] });
  private readonly shelf = toSignal(inject(Specimens).all$, { initialValue: [] });
  readonly draft = model.required<DemandDraft>();
  /** What is in each place now. */
  readonly parts = input.required<readonly PlacedTold[]>();
  readonly figures = input.required<readonly FigureTold[]>();
  readonly problems = input<readonly FieldProblem[]>([]);
  readonly busy = input(false);
  readonly find = output();
  readonly halt = output();

  protected readonly sources = [
    { id: 'stays' as const, name: 'As it is' },
    ...(Object.keys(TAKEN_FROM) as TakenFrom[]).map((id) => ({ id, name: TAKEN_FROM[id] })),
  ];
  protected readonly limits = LIMITS;
  private readonly shop = toSignal(inject(ShopData).shop$, { initialValue: USUAL_SHOP });
  protected readonly weights = computed(() => {
    const usual = usualWeights(this.shop().rules);
    return WEIGHED.map(({ id, name }) => ({ id, name, usual: String(usual[id]) }));
  });
  protected readonly shapes = (Object.keys(SHAPED) as PlannedId[]).map((id) => ({ id, name: SHAPED[id] ?? id }));
  protected readonly operations = OPERATION_IDS.map((id) => ({ id, name: OPERATIONS[id].name }));
  protected readonly length = computed(() => UNITS[shownUnit('length', this.preferences.units()) ?? 'mm'].symbol);
  protected readonly unfolded = signal(false);
  protected readonly weighing = signal(false);

  private readonly slots = computed(() => [...new Map(this.parts().map((part) => [part.slot, part])).values()]);
  protected readonly places = computed(() => {
    const chosen = (slot: string) => (this.draft().places[slot] ?? STAYS).from !== 'stays';
    return this.slots()
      .filter(({ slot }) => this.unfolded() || MAIN.has(slot) || chosen(slot))
      .map((part) => ({ part, draft: this.draft().places[part.slot] ?? STAYS }));
  });
  protected readonly folded = computed(() => this.slots().length - this.places().length);

  /** What is demanded, as it goes onto paper over the sets. */
  protected readonly onPaper = computed(() =>
    sayDraft(this.draft(), {
      place: (slot) => this.slots().find((part) => part.slot === slot)?.name ?? slot,
      part: (address) => this.nameOf(address),
      figure: (id) => ({ name: this.figures().find((each) => each.id === id)?.name ?? id, unit: this.unit(id) }),
      supplier: (id) => this.suppliers().find((each) => each.id === id)?.name ?? id,
      length: this.length(),
    }),
  );

  protected nameOf(address: string): string {
    const { sort, id } = readAddress(address);
    return sort === 'specimen'
      ? (this.shelf().find((each) => each.id === id)?.name ?? 'A part on the shelf')
      : this.records.label('pattern', id);
  }

  protected problem(...fields: readonly string[]): string {
    return this.problems()
      .filter(({ field }) => fields.includes(field))
      .map(({ what }) => what)
      .join(' ');
  }

  protected setPlace(slot: string, change: Partial<PlaceDraft>): void {
    this.draft.update((draft) => ({
      ...draft,
      places: { ...draft.places, [slot]: { ...STAYS, ...draft.places[slot], ...change } },
    }));
  }

  protected take(slot: string, from: From): void {
    this.setPlace(slot, { from });
  }

  protected name(slot: string, { parts }: PlaceDraft, address: string): void {
    if (!parts.includes(address)) this.setPlace(slot, { parts: [...parts, address] });
  }

  protected unname(slot: string, { parts }: PlaceDraft, address: string): void {
    this.setPlace(slot, { parts: parts.filter((each) => each !== address) });
  }

  protected unit(figure: string): string {
    const quantity = this.figures().find(({ id }) => id === figure)?.quantity;
    const unit = quantity && shownUnit(quantity, this.preferences.units());
    return unit ? UNITS[unit].symbol : quantity === 'ratio' ? ':1' : '';
  }

  protected addTarget(): void {
    const target: TargetDraft = { figure: '', low: '', high: '', wished: false };
    this.draft.update((draft) => ({ ...draft, targets: [...draft.targets, target] }));
  }

  protected setTarget(at: number, change: Partial<TargetDraft>): void {
    this.draft.update((draft) => ({
      ...draft,
      targets: draft.targets.map((each, which) => (which === at ? { ...each, ...change } : each)),
    }));
  }

  protected dropTarget(at: number): void {
    this.draft.update((draft) => ({ ...draft, targets: draft.targets.filter((_, which) => which !== at) }));
  }

  protected set(change: Partial<DemandDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected setIn(group: 'limits' | 'weights' | 'shape', name: string, text: string): void {
    this.draft.update((draft) => ({ ...draft, [group]: { ...draft[group], [name]: text } }));
  }
}

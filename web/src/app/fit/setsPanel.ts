import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  HOUSE_RULES,
  KIND_IDS,
  KINDS,
  parameterOf,
  shownUnit,
  showValue,
  toInside,
  UNITS,
  USUAL_SHOP,
  type KindId,
  type Shop,
  type SpecimenSummary,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, distinctUntilChanged, map, of, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { ShopData } from '../data/shopData';
import { Specimens } from '../data/specimens';
import { Said } from '../ui/said';

/** What a set is matched by, and how far that may spread where nobody says. */
interface MatchedBy {
  readonly of: string;
  readonly allowed: number;
}

/** Kinds of which several work together, by what they are matched. */
const SETS: Readonly<Partial<Record<KindId, readonly MatchedBy[]>>> = {
  piston: [
    { of: 'piston.mass', allowed: 4 },
    { of: 'piston.skirt.diameter', allowed: 0.012 },
  ],
  rod: [],
  pin: [
    { of: 'pin.mass', allowed: 2 },
    { of: 'pin.diameter', allowed: 0.005 },
  ],
  lifter: [
    { of: 'lifter.body.diameter', allowed: 0.01 },
    { of: 'lifter.mass', allowed: 4 },
  ],
  valveSpring: [
    { of: 'valveSpring.seatLoad', allowed: 20 },
    { of: 'valveSpring.freeLength', allowed: 1 },
  ],
  valve: [
    { of: 'valve.mass', allowed: 2 },
    { of: 'valve.length', allowed: 0.1 },
  ],
};

type Weighing = NonNullable<Shop['rules']['rodWeights']>;

/** By what rods are matched, as the house weighs them. */
const RODS_BY: Readonly<Record<Weighing, readonly MatchedBy[]>> = {
  whole: [
    { of: 'rod.mass', allowed: 6 },
    { of: 'rod.length', allowed: 0.05 },
  ],
  ends: [
    { of: 'rod.mass.bigEnd', allowed: 2 },
    { of: 'rod.mass.smallEnd', allowed: 2 },
  ],
};

/** What all cylinders are to have alike: how heavy what hangs on the crank is, or how high the pistons come. */
type Alike = 'weight' | 'height';

/** What stands one on the other between crank and crown. */
const HEIGHTS: Readonly<Partial<Record<KindId, MatchedBy>>> = {
  piston: { of: 'piston.compressionHeight', allowed: 0.05 },
  rod: { of: 'rod.length', allowed: 0.05 },
};

/** What is weighed of a partner. */
const PARTNER_BY: Readonly<Partial<Record<KindId, (rods: Weighing) => string>>> = {
  rod: (rods) => (rods === 'whole' ? 'rod.mass' : 'rod.mass.smallEnd'),
  piston: () => 'piston.mass',
  pin: () => 'pin.mass',
};

/** What goes with each of a set, so that all cylinders have the same. */
const WITH: Readonly<Record<Alike, Readonly<Partial<Record<KindId, readonly KindId[]>>>>> = {
  weight: { piston: ['rod', 'pin'], rod: ['piston', 'pin'] },
  height: { piston: ['rod'], rod: ['piston'] },
};

/** The best so many of a pool, proved, and who goes with whom. */
@Component({
  selector: 'wb-sets-panel',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzSelectModule, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './setsPanel.html',
  styleUrl: './panels.less',
})
export class SetsPanel {
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);
  private readonly preferences = inject(Preferences);
  private readonly shop = toSignal(inject(ShopData).shop$, { initialValue: USUAL_SHOP });
  readonly parts = input.required<readonly SpecimenSummary[]>();
  /** Parts of no job, which may be drawn on as well. */
  readonly shelf = input<readonly SpecimenSummary[]>([]);

  protected readonly kinds = KIND_IDS.filter((kind) => SETS[kind]).map((id) => ({ id, name: KINDS[id].plural }));
  protected readonly kind = signal<KindId>('piston');
  protected readonly count = signal(4);
  protected readonly engines = signal(1);
  protected readonly alike = signal<Alike>('weight');
  protected readonly withShelf = signal(false);
  protected readonly without = signal<readonly string[]>([]);
  private readonly weighing = computed((): Weighing => this.shop().rules.rodWeights ?? HOUSE_RULES.rodWeights.usual);
  private readonly allowances = signal<Readonly<Record<string, string>>>({});

  /** Whether it is one of what stands one on the other. */
  protected readonly stands = computed(() => HEIGHTS[this.kind()] !== undefined);
  private readonly drawnOn = computed(() => [...this.parts(), ...(this.withShelf() ? this.shelf() : [])]);
  protected readonly pool = computed(() => this.drawnOn().filter(({ kind }) => kind === this.kind()));
  protected readonly by = computed(() =>
    this.matchedBy().map(({ of: id, allowed }) => {
      const parameter = parameterOf(id);
      const unit = shownUnit(parameter.quantity, this.preferences.units());
      const text = this.allowances()[id];
      const typed = Number((text ?? '').replace(',', '.'));
      const isTyped = text !== undefined && text.trim() !== '' && Number.isFinite(typed) && typed > 0;
      return {
        id,
        name: parameter.name,
        quantity: parameter.quantity,
        unit: unit ? UNITS[unit].symbol : '',
        text: text ?? showValue(allowed, parameter.quantity, this.preferences.units()).replace(/[^\d.].*$/, ''),
        allowed: isTyped ? (unit ? toInside(typed, unit) : typed) : allowed,
        wrong: text !== undefined && !isTyped,
      };
    }),
  );
  private readonly partners = computed(() =>
    (WITH[this.alike()][this.kind()] ?? []).flatMap((kind) => {
      const parts = this.parts().filter((part) => part.kind === kind);
      const by = this.alike() === 'height' ? HEIGHTS[kind]?.of : PARTNER_BY[kind]?.(this.weighing());
      return by !== undefined && parts.length === this.count() ? [{ parts, by }] : [];
    }),
  );
  /** What a bobweight is reckoned with. */
  protected readonly factor = signal(50);
  protected readonly rodsOnPin = signal(1);

  private readonly asked = computed(
    () => ({
      pool: this.pool().filter(({ id }) => !this.without().includes(id)),
      partners: this.partners(),
      balance: { factor: this.factor() / 100, rods: this.rodsOnPin() },
      count: this.count(),
      engines: this.engines(),
      by: this.by().map(({ id, allowed }) => ({ of: id, allowed })),
    }),
    { equal: dequal },
  );
  protected readonly answer = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ pool, partners, ...how }) =>
        pool.length === 0
          ? of(undefined)
          : this.specimens.opened([...pool, ...partners.flatMap(({ parts }) => parts)]).pipe(
              map((opened) => {
                const among = (parts: readonly SpecimenSummary[]) =>
                  opened.filter(({ id }) => parts.some((each) => each.id === id));
                return {
                  pool: among(pool),
                  partners: partners.map(({ parts, by: id }) => ({ specimens: among(parts), by: id })),
                  ...how,
                };
              }),
              distinctUntilChanged((a, b) => dequal(a, b)),
              switchMap((request) => this.questions.ask('fitSets', request)),
              catchError(() => of(undefined)),
            ),
      ),
    ),
  );

  protected choose(kind: KindId): void {
    this.without.set([]);
    this.kind.set(kind);
    if (!HEIGHTS[kind]) this.alike.set('weight');
  }

  private matchedBy(): readonly MatchedBy[] {
    const height = this.alike() === 'height' ? HEIGHTS[this.kind()] : undefined;
    const weights = this.kind() === 'rod' ? RODS_BY[this.weighing()] : (SETS[this.kind()] ?? []);
    return height ? [height] : weights;
  }

  protected allow(id: string, text: string): void {
    this.allowances.update((all) => ({ ...all, [id]: text }));
  }

  protected many(text: string): void {
    const count = Math.round(Number(text));
    if (count >= 1 && count <= 16) this.count.set(count);
  }

  protected figure(value: number | null, at: number): string {
    const by = this.by()[at];
    return value === null || !by ? 'not measured' : showValue(value, by.quantity, this.preferences.units());
  }

  protected fitOut(text: string): void {
    const engines = Number(text);
    if (Number.isInteger(engines) && engines >= 1 && engines <= 8) this.engines.set(engines);
  }

  protected readonly anyComesOff = computed(
    () => this.answer()?.sets.some(({ chosen }) => chosen.some(({ comesOff }) => comesOff.length > 0)) ?? false,
  );

  protected grams(value: number): string {
    return showValue(value, 'mass', this.preferences.units());
  }

  protected share(text: string): void {
    const percent = Number(text.replace(',', '.'));
    if (text.trim() !== '' && percent >= 0 && percent <= 100) this.factor.set(percent);
  }

  protected hang(text: string): void {
    const rods = Number(text);
    if (Number.isInteger(rods) && rods >= 1 && rods <= 4) this.rodsOnPin.set(rods);
  }

  protected leave(id: string): void {
    this.without.update((ids) => [...ids, id]);
  }
}

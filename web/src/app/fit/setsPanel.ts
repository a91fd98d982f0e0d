import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  KINDS,
  parameterOf,
  shownUnit,
  showValue,
  toInside,
  UNITS,
  type Answers,
  type KindId,
  type SpecimenSummary,
} from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, distinctUntilChanged, map, of, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { Said } from '../ui/said';

/** Kinds of which several work together, by what they are matched, and how far that may spread where nobody says. */
const SETS: readonly {
  readonly kind: KindId;
  readonly by: readonly { readonly of: string; readonly allowed: number }[];
}[] = [
  {
    kind: 'piston',
    by: [
      { of: 'piston.mass', allowed: 4 },
      { of: 'piston.skirt.diameter', allowed: 0.012 },
    ],
  },
  {
    kind: 'rod',
    by: [
      { of: 'rod.mass', allowed: 6 },
      { of: 'rod.length', allowed: 0.05 },
    ],
  },
  {
    kind: 'pin',
    by: [
      { of: 'pin.mass', allowed: 2 },
      { of: 'pin.diameter', allowed: 0.005 },
    ],
  },
  {
    kind: 'valveSpring',
    by: [
      { of: 'valveSpring.seatLoad', allowed: 20 },
      { of: 'valveSpring.freeLength', allowed: 1 },
    ],
  },
  {
    kind: 'valve',
    by: [
      { of: 'valve.mass', allowed: 2 },
      { of: 'valve.length', allowed: 0.1 },
    ],
  },
];

/** What goes with each of a set, so that all throws weigh alike. */
const WITH: Readonly<Partial<Record<KindId, { readonly kind: KindId; readonly by: string }>>> = {
  piston: { kind: 'rod', by: 'rod.mass' },
  rod: { kind: 'piston', by: 'piston.mass' },
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
  readonly parts = input.required<readonly SpecimenSummary[]>();

  protected readonly kinds = SETS.map(({ kind }) => ({ id: kind, name: KINDS[kind].plural }));
  protected readonly kind = signal<KindId>('piston');
  protected readonly count = signal(4);
  protected readonly without = signal<readonly string[]>([]);
  private readonly allowances = signal<Readonly<Record<string, string>>>({});

  protected readonly pool = computed(() => this.parts().filter(({ kind }) => kind === this.kind()));
  protected readonly by = computed(() =>
    (SETS.find(({ kind }) => kind === this.kind())?.by ?? []).map(({ of: id, allowed }) => {
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
  private readonly mates = computed(() => {
    const mate = WITH[this.kind()];
    const parts = mate ? this.parts().filter(({ kind }) => kind === mate.kind) : [];
    return mate && parts.length === this.count() ? { parts, by: mate.by } : undefined;
  });

  private readonly asked = computed(
    () => ({
      pool: this.pool().filter(({ id }) => !this.without().includes(id)),
      mates: this.mates(),
      count: this.count(),
      by: this.by().map(({ id, allowed }) => ({ of: id, allowed })),
    }),
    { equal: dequal },
  );
  protected readonly answer = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ pool, mates, count, by }) =>
        pool.length === 0
          ? of(undefined)
          : this.specimens.opened([...pool, ...(mates?.parts ?? [])]).pipe(
              map((opened) => ({
                pool: opened.filter(({ id }) => pool.some((each) => each.id === id)),
                with: opened.filter(({ id }) => mates?.parts.some((each) => each.id === id)),
                count,
                by,
                ...(mates ? { withBy: mates.by } : {}),
              })),
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

  protected spread(answer: Answers['fitSets'], at: number): string {
    return this.figure(answer.spreads[at] ?? null, at);
  }

  protected grams(value: number): string {
    return showValue(value, 'mass', this.preferences.units());
  }

  protected leave(id: string): void {
    this.without.update((ids) => [...ids, id]);
  }
}

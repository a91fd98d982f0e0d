import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  readAddress,
  showValue,
  type BuildPlace,
  type PlacedTold,
  type PlannedId,
  type UnitId,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Preferences } from '../data/preferences';
import { PartPicker } from '../ui/partPicker';
import { PlanState } from './planState';

const keyOf = ({ slot, at }: Pick<BuildPlace, 'slot' | 'at'>): string => `${slot} ${at ?? ''}`;

/** Whether somebody has decided it, and it is not as the engine has it. */
const isChosen = ({ taken, work }: PlacedTold): boolean => !taken || work.length > 0;

/** What is in each place of the engine, where it comes from, and what is done to it. */
@Component({
  selector: 'wb-parts-panel',
  imports: [FormsModule, NzButtonModule, NzIconModule, NzInputModule, NzSelectModule, PartPicker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './partsPanel.html',
  styleUrl: './partsPanel.less',
})
export class PartsPanel {
  protected readonly state = inject(PlanState);
  private readonly preferences = inject(Preferences);

  protected readonly open = signal<string | undefined>(undefined);
  protected readonly operation = signal<string | null>(null);
  protected readonly problem = signal<string | undefined>(undefined);
  protected readonly key = keyOf;
  protected readonly unit = computed((): UnitId => (this.preferences.units() === 'inch' ? 'in' : 'mm'));

  /** What somebody decided; what is as the engine has it is folded away until it is asked for. */
  protected readonly chosen = computed(() => this.all().filter(isChosen));
  protected readonly taken = computed(() => this.all().filter((part) => !isChosen(part)));
  protected readonly shown = computed(() => (this.unfolded() ? [...this.chosen(), ...this.taken()] : this.chosen()));
  protected readonly unfolded = signal(false);
  private readonly all = computed(() => this.state.sheet()?.parts ?? []);
  protected readonly several = computed(() => (this.state.sheet()?.cylinders ?? 1) > 1);
  protected readonly cylinders = computed(() =>
    Array.from({ length: this.state.sheet()?.cylinders ?? 1 }, (_, at) => at + 1),
  );

  protected toggle(part: PlacedTold): void {
    this.problem.set(undefined);
    this.operation.set(null);
    this.open.update((open) => (open === keyOf(part) ? undefined : keyOf(part)));
  }

  /** Puts another part in a place; its work goes with the old one. */
  protected choose({ slot, at, name }: PlacedTold, address: string): void {
    const { sort, id } = readAddress(address);
    const place: BuildPlace = {
      slot,
      ...(at === undefined ? {} : { at }),
      ...(sort === 'specimen' ? { specimen: id } : { pattern: id }),
    };
    this.put(place, `Another part in the place of ${name.toLowerCase()}.`);
    this.open.set(undefined);
  }

  /** Gives one cylinder a place of its own, with what all have. */
  protected forOne({ slot, pattern, name }: PlacedTold, cylinder: number): void {
    if (pattern === undefined) return;
    this.put({ slot, at: cylinder, pattern }, `${name} of cylinder ${cylinder} by itself.`);
  }

  /** New rings are those of the cylinder as it then is, until somebody chooses others. */
  protected followsBore({ kind, taken }: PlacedTold): boolean {
    return kind === 'rings' && taken;
  }

  /** Says in which service size a part is bought; then it is bought, and no longer as the engine has it. */
  protected buyIn(part: PlacedTold, step: string): void {
    const { size: _before, ...place } = this.placeOf(part);
    const value = Number(step);
    this.put(
      value === 0
        ? place
        : {
            ...(part.taken && part.pattern !== undefined ? { pattern: part.pattern } : {}),
            ...place,
            size: { value, unit: 'mm' },
          },
      `${part.name}: ${value === 0 ? 'at standard' : this.sayStep(value)}.`,
    );
  }

  protected sayStep(step: number): string {
    return `${showValue(Math.abs(step), 'length', this.preferences.units())} ${step > 0 ? 'over' : 'under'} standard`;
  }

  protected same(step: number, bought: number | undefined): boolean {
    return bought !== undefined && Math.abs(step - bought) < 1e-6;
  }

  /** Back to what the engine has there. */
  protected clear(part: PlacedTold): void {
    this.state.alter(`${part.name}: as the engine has it.`, (build) => ({
      ...build,
      places: build.places.filter((place) => keyOf(place) !== keyOf(part)),
    }));
    this.open.set(undefined);
  }

  protected plan(part: PlacedTold, amount: string): void {
    const operation = this.operation();
    const value = Number(amount.replace(',', '.'));
    if (operation === null) return this.problem.set('Say what is done first.');
    if (amount.trim() === '' || !Number.isFinite(value))
      return this.problem.set(`“${amount}” is no figure: write how much, in ${this.unit()}.`);
    const before = this.placeOf(part);
    this.problem.set(undefined);
    this.operation.set(null);
    this.put(
      {
        ...before,
        work: [...(before.work ?? []), { operation: operation as PlannedId, by: { value, unit: this.unit() } }],
      },
      `Planned on ${part.name.toLowerCase()}.`,
    );
  }

  protected drop(part: PlacedTold, step: number): void {
    const before = this.placeOf(part);
    this.put(
      { ...before, work: (before.work ?? []).filter((_, at) => at !== step) },
      `Taken back on ${part.name.toLowerCase()}.`,
    );
  }

  private placeOf({ slot, at }: PlacedTold): BuildPlace {
    return (
      this.state
        .build()
        ?.places.find((place) => keyOf(place) === keyOf({ slot, ...(at === undefined ? {} : { at }) })) ?? {
        slot,
        ...(at === undefined ? {} : { at }),
      }
    );
  }

  private put(place: BuildPlace, says: string): void {
    this.state.alter(says, (build) => {
      const others = build.places.filter((each) => keyOf(each) !== keyOf(place));
      const { pattern, specimen, size, work = [] } = place;
      const isEmpty = pattern === undefined && specimen === undefined && size === undefined && work.length === 0;
      return { ...build, places: isEmpty ? others : [...others, place] };
    });
  }
}

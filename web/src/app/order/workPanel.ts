import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  fromInside,
  OPERATION_IDS,
  OPERATIONS,
  parameterOf,
  partFromSpecimen,
  readTypedSize,
  showInterval,
  shownUnit,
  toInside,
  WORK_STATES,
  type Answers,
  type Build,
  type OperationId,
  type Part,
  type Reading,
  type ShopWork,
  type UnitId,
  type WorkState,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, of, switchMap } from 'rxjs';
import { Builds } from '../data/builds';
import { Orders, type WholeJob } from '../data/orders';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { UndoBar } from '../data/undoBar';
import { PartDrawing } from '../ui/drawing/partDrawing';

type Step = Answers['shopSheet']['steps'][number];

/** Figures one behind the other, as of several cylinders: `78.51 78.52 mm`. */
const figuresIn = (text: string): readonly string[] => text.split(/[\s;]+(?=[\d.])/).filter(Boolean);

/** Work for the machine shop in its order, with a box for what came out of it. */
@Component({
  selector: 'wb-work-panel',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzSelectModule, PartDrawing, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './workPanel.html',
  styleUrl: './panels.less',
})
export class WorkPanel {
  private readonly orders = inject(Orders);
  private readonly builds = inject(Builds);
  private readonly specimens = inject(Specimens);
  private readonly preferences = inject(Preferences);
  private readonly undoBar = inject(UndoBar);
  private readonly questions = inject(Questions);
  readonly whole = input.required<WholeJob>();

  protected readonly sheet = toSignal(
    toObservable(this.whole).pipe(
      switchMap((whole) => this.questions.ask('shopSheet', whole).pipe(catchError(() => of(undefined)))),
    ),
  );
  protected readonly states = WORK_STATES;
  protected readonly operations = OPERATION_IDS.map((id) => ({ id, name: OPERATIONS[id].name }));
  protected readonly also = signal<OperationId>('polish');
  /** What is being typed as the figure that came out, and what is wrong with it; by step and size. */
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly problem = signal<{ readonly step: string; readonly says: string } | undefined>(undefined);
  protected readonly unit = computed(() => this.preferences.units());

  protected key({ on, operation }: Step): string {
    return `${on} ${operation}`;
  }

  protected band(size: Step['reach'][number]): string {
    return showInterval(size.to, size.quantity, this.unit());
  }

  protected now({ now, quantity }: Step['reach'][number]): string {
    return now ? showInterval(now, quantity, this.unit()) : 'not known';
  }

  protected targets({ reach }: Step): readonly Step['reach'][number][] {
    return reach.filter(({ follows }) => !follows);
  }

  protected symbol({ quantity }: Step['reach'][number]): string {
    return shownUnit(quantity, this.unit()) ?? '';
  }

  /** The part as a sketch, the size to reach called out. */
  protected sketch(step: Step): { readonly part: Part; readonly place: string | undefined } | undefined {
    const specimen = this.whole().specimens.find(({ id }) => id === step.specimen);
    const [target] = this.targets(step);
    if (!specimen || !target) return undefined;
    const { drawing } = parameterOf(target.id);
    if (drawing === undefined) return undefined;
    const part = partFromSpecimen(specimen);
    // It shows what is to be reached.
    const values = { ...part.values, [target.id]: { interval: target.to, source: 'measured' as const } };
    return { part: { ...part, values }, place: drawing };
  }

  protected type(step: Step, size: string, text: string): void {
    this.typed.update((all) => ({ ...all, [`${this.key(step)} ${size}`]: text }));
  }

  protected typedOf(step: Step, size: string): string {
    return this.typed()[`${this.key(step)} ${size}`] ?? '';
  }

  protected move(step: Step, state: WorkState, note?: string): void {
    const { job } = this.whole();
    const before = job.work?.find(({ id }) => id === step.told);
    const work: ShopWork = {
      id: step.told ?? crypto.randomUUID(),
      on: step.on,
      operation: step.operation,
      state,
      at: new Date().toISOString(),
      ...(note === undefined ? {} : { note: note.slice(0, 400) }),
    };
    this.orders.put(job.id, 'work', work);
    this.undoBar.offer(`${step.name}: ${WORK_STATES[state]}.`, () =>
      before ? this.orders.put(job.id, 'work', before) : this.orders.take(job.id, 'work', work.id),
    );
  }

  /**
   * What came out: it becomes a reading of the part, in the place of what was measured before, and the work is taken
   * off the build, which goes by the part as it now is.
   */
  protected back(step: Step): void {
    const targets = this.targets(step);
    const key = this.key(step);
    const found: { readonly id: string; readonly values: readonly number[]; readonly unit: UnitId }[] = [];
    for (const target of targets) {
      const texts = figuresIn(this.typedOf(step, target.id));
      if (texts.length === 0)
        return this.problem.set({ step: key, says: `Write down what came out: ${target.name.toLowerCase()}.` });
      try {
        const sizes = texts.map((text) => readTypedSize(text, target.id, this.unit()));
        found.push({ id: target.id, values: sizes.map(({ value }) => value), unit: sizes[0]?.unit ?? 'mm' });
      } catch (error) {
        return this.problem.set({ step: key, says: error instanceof Error ? error.message : String(error) });
      }
    }
    this.problem.set(undefined);
    const says = found
      .map(({ id, values, unit }) => `${parameterOf(id).name}: ${values.join(', ')} ${unit}`)
      .join('; ');
    this.measure(step, found);
    this.takeOff(step);
    this.move(step, 'back', says);
    this.orders.put(this.whole().job.id, 'log', {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      ...(this.preferences.name() ? { who: this.preferences.name() } : {}),
      says: `${step.name}, ${step.part}: came back. ${says}`,
    });
    this.typed.update((all) => Object.fromEntries(Object.entries(all).filter(([of]) => !of.startsWith(`${key} `))));
  }

  /** How what came out stands to what was asked; nothing where it is within. */
  protected outside(step: Step, size: Step['reach'][number]): string {
    const texts = figuresIn(this.typedOf(step, size.id));
    for (const text of texts) {
      try {
        const { value, unit } = readTypedSize(text, size.id, this.unit());
        const inside = toInside(value, unit);
        const off = inside < size.to.low ? inside - size.to.low : inside > size.to.high ? inside - size.to.high : 0;
        if (Math.abs(off) > 1e-9)
          return `${fromInside(Math.abs(off), unit).toFixed(4)} ${unit} ${off < 0 ? 'under' : 'over'} what was asked.`;
      } catch {
        return '';
      }
    }
    return '';
  }

  private measure(
    { specimen: id }: Step,
    found: readonly { readonly id: string; readonly values: readonly number[]; readonly unit: UnitId }[],
  ): void {
    const specimen = id === undefined ? undefined : this.specimens.peek(id);
    if (!specimen) return;
    const sizes = new Set(found.map((each) => each.id));
    const at = new Date().toISOString();
    const kept = specimen.readings.filter(
      ({ is }) => !((is.sort === 'size' || is.sort === 'step') && sizes.has(is.parameter)),
    );
    const fresh = found.map(({ id: parameter, values, unit }): Reading => {
      const { name, per, instruments } = parameterOf(parameter);
      const each = per !== 'part' && values.length > 1;
      return {
        id: crypto.randomUUID(),
        at,
        is: {
          sort: 'size',
          text: `${name.toLowerCase()} ${values.join(' ')} ${unit}`,
          parameter,
          values: [...values],
          ...(each ? { positions: values.map((_, index) => index + 1) } : {}),
          unit,
          instrument: instruments[0],
          instrumentAssumed: true,
        },
      };
    });
    this.specimens.change({ ...specimen, readings: [...kept, ...fresh] });
  }

  /** The build without the work that is done: the part is now as it was to become. */
  private takeOff({ slot, at, specimen, operation }: Step): void {
    const build = this.whole().build;
    if (!build || specimen === undefined) return;
    this.builds.alter(build.id, (before): Build => ({
      ...before,
      places: before.places.map((place) => {
        if (place.slot !== slot || place.at !== at || !place.work) return place;
        const done = place.work.findIndex((each) => each.operation === operation);
        const { work, ...rest } = place;
        const left = done < 0 ? work : work.filter((_, index) => index !== done);
        return left.length === 0 ? rest : { ...rest, work: left };
      }),
    }));
  }

  protected add(on: string): void {
    if (on.trim() === '') return;
    const { job } = this.whole();
    const id = crypto.randomUUID();
    this.orders.put(job.id, 'work', { id, on: on.trim().slice(0, 200), operation: this.also(), state: 'planned' });
    this.undoBar.offer(`${OPERATIONS[this.also()].name} is on the sheet.`, () => this.orders.take(job.id, 'work', id));
  }

  protected remove(step: Step): void {
    const { job } = this.whole();
    const work = job.work?.find(({ id }) => id === step.told);
    if (!work) return;
    this.orders.take(job.id, 'work', work.id);
    this.undoBar.offer(`${step.name} is off the sheet.`, () => this.orders.put(job.id, 'work', work));
  }

  protected print(): void {
    window.print();
  }
}

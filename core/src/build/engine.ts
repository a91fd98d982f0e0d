import type { LikelyValue } from '../catalogue/likelyValues.js';
import type { Part, Source, Value } from '../catalogue/part.js';
import { around, contains, middle, type Interval } from '../quantity/interval.js';
import type { Parameter } from '../dictionary/definition.js';
import { ONE_A_CYLINDER, parameterOf, type KindId } from '../dictionary/dictionary.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { engineVariant, orderOfSlot, running, SLOTS, slotOf } from '../dictionary/index.js';
import type { LiftPoint } from '../motion/index.js';
import type { Assembly, Rating, Stock } from '../joints/index.js';
import { isDone } from '../joints/operations/operation.js';
import type { HouseRules } from '../shop/houseRules.js';
import { toInside } from '../quantity/unit.js';
import type { Build, PlannedWork, TypedSize } from './build.js';
import { comesInSizes, inServiceSize, ringsFor } from './serviceSize.js';
import { nameOfWork, worked, type WorkAround } from './work.js';

/** What there are several of in an engine, each with sizes of its own. */
export type Row = 'cylinder' | 'main' | 'crankpin';

/** One of a row, counted from the front. */
export interface Spot {
  readonly row: Row;
  readonly at: number;
}

/** Where a figure of a build comes from: as a part's, typed in its place, chosen by others, or as is likely. */
export type Origin = Source | 'typed' | 'chosen' | 'likely' | 'assumed';

/** A size as a build has it, at one place. */
export interface Taken {
  readonly interval: Interval;
  readonly origin: Origin;
  /** The part it is of, or what else tells it. */
  readonly of: string;
  /** Whether the pieces of a set vary each by itself, or there is one for all. */
  readonly each: boolean;
  /** Of a likely one, how surely it is so. */
  readonly probability?: number;
}

/** A part in a place of a build. */
export interface PlacedInBuild {
  readonly slot: string;
  /** Of several, which; absent where it goes for all. */
  readonly at?: number;
  readonly part: Part;
  /** As the variant has it: nobody chose it. */
  readonly taken: boolean;
  readonly work: readonly PlannedWork[];
}

/** What cannot be done as the build says. */
export interface BuildProblem {
  /** Place in the build: `places[2].work[0]`. */
  readonly where: string;
  readonly what: string;
}

/** What a build stands on, looked up. */
export interface BuildGround {
  /** What the engine it starts from has in each place. */
  readonly base: readonly { readonly slot: string; readonly part: Part }[];
  /** What that engine is described as. */
  readonly stated: Pick<Part, 'values' | 'looks'>;
  /** The part that a place of the build names; undefined where it is not there any more. */
  readonly partOf: (place: Build['places'][number]) => Part | undefined;
  /** What a size of a pattern likely is, where nobody put it down. */
  readonly likely?: (pattern: string, id: string) => LikelyValue | undefined;
  /** What may be bought to go between: shells are chosen anew. */
  readonly stock: Stock;
  /** What the engine it starts from is rated at. */
  readonly rated?: Rating;
  readonly rules: HouseRules;
}

/** The first place of an engine that a part of a kind goes to, by kind. */
const FIRST_SLOT: ReadonlyMap<string, string> = new Map([...SLOTS].reverse().map(({ kind, id }) => [kind, id]));

/** Less sure than this, a likely value is not worked with. */
const LIKELY_FROM = 0.8;

/** How many there may be. */
const MOST = 16;

/**
 * A build with everything looked up: what is in each place of the engine, and what each size then is, place by place.
 */
export class BuildEngine {
  readonly parts: readonly PlacedInBuild[];
  readonly problems: readonly BuildProblem[];
  private readonly typed = new Map<string, Taken>();

  constructor(
    readonly build: Build,
    private readonly ground: BuildGround,
  ) {
    const problems: BuildProblem[] = [];
    build.sizes.forEach((size, at) => this.take(size, `sizes[${at}]`, problems));
    this.parts = this.place(problems);
    this.problems = problems;
  }

  /** What the engine it starts from is rated at. */
  get rated(): Rating | undefined {
    return this.ground.rated;
  }

  get rules(): HouseRules {
    return this.ground.rules;
  }

  /** How many of a row there are; one where nobody knows. */
  count(row: Row): number {
    if (row === 'main')
      return this.counted(block.features.mainCount.id) ?? this.counted(crank.features.mainCount.id) ?? 2;
    const cylinders = this.cylinders;
    return row === 'cylinder' ? cylinders : (this.counted(crank.features.crankpins.id) ?? cylinders);
  }

  get cylinders(): number {
    const told = this.counted(engineVariant.features.cylinders.id) ?? this.counted(block.features.cylinders.id);
    return Math.min(MOST, Math.max(1, told ?? this.greatestPlace()));
  }

  private greatestPlace(): number {
    return Math.max(1, ...this.build.places.map(({ at = 1 }) => at), ...this.build.sizes.map(({ at = 1 }) => at));
  }

  private counted(id: string): number | undefined {
    const count = Number(this.look(id));
    return Number.isInteger(count) && count > 0 ? count : undefined;
  }

  /** By place, then by cylinder, nought for the engine as a whole: asked a hundred times for each figure. */
  private readonly partAt = new Map<string, Map<number, PlacedInBuild | undefined>>();

  /** The part in a place, as it is after its work; that of one cylinder where those differ. */
  part(slot: string, at?: number): PlacedInBuild | undefined {
    const here = this.partAt.get(slot) ?? new Map<number, PlacedInBuild | undefined>();
    this.partAt.set(slot, here);
    const key = at ?? 0;
    if (!here.has(key)) here.set(key, this.partIn(slot, at));
    return here.get(key);
  }

  private partIn(slot: string, at?: number): PlacedInBuild | undefined {
    return (
      (at === undefined ? undefined : this.parts.find((each) => each.slot === slot && each.at === at)) ??
      this.parts.find((each) => each.slot === slot && each.at === undefined) ??
      this.parts.find((each) => each.slot === slot)
    );
  }

  /** Whether a part that a size is of is in its place. */
  has({ id }: Parameter): boolean {
    const slot = FIRST_SLOT.get(id.slice(0, id.indexOf('.')));
    return slot !== undefined && this.part(slot) !== undefined;
  }

  /** What was seen, was decided or is on record of the engine or a part of it. */
  look(id: string, at?: number): string | undefined {
    const said = this.build.looks?.find(({ of }) => of === id)?.option;
    if (said !== undefined) return said;
    const kind = id.slice(0, id.indexOf('.'));
    if (kind === 'variant') return this.ground.stated.looks[id]?.option;
    const slot = FIRST_SLOT.get(kind);
    return slot === undefined ? undefined : this.part(slot, at)?.part.looks[id]?.option;
  }

  /**
   * A size of the engine at one place: what was typed, else what the part there has; nothing where nobody knows.
   *
   * @param slot where several places have parts of the kind: valves
   */
  size(parameter: Parameter, spot?: Spot, slot?: string): Taken | undefined {
    const at = spot && this.placeOf(parameter, spot);
    const typed = this.typed.get(`${parameter.id} ${at ?? ''}`) ?? this.typed.get(`${parameter.id} `);
    const kind = parameter.id.slice(0, parameter.id.indexOf('.'));
    // One place by itself; what is typed for all may have been worked on since.
    if (typed && (typed.each || kind === 'variant')) return typed;
    if (kind === 'variant') {
      const told = this.ground.stated.values[parameter.id];
      return told && { interval: told.interval, origin: told.source, of: 'the engine, as stated', each: false };
    }
    const place = slot ?? FIRST_SLOT.get(kind);
    const found = place === undefined ? undefined : this.part(place, spot?.row === 'cylinder' ? spot.at : undefined);
    const value = found?.part.values[parameter.id];
    if (typed && (!value || contains(typed.interval, value.interval))) return typed;
    if (found && !value) return this.likelyOf(parameter, found.part);
    if (!found || !value) return undefined;
    const own =
      at === undefined
        ? undefined
        : (value.at?.find(({ position }) => position === at)?.interval ?? value.positions?.[at - 1]);
    return {
      interval: own ?? value.interval,
      origin: value.source,
      of: found.part.label,
      each: ONE_A_CYLINDER.has(found.part.kind) || parameter.per !== 'part',
    };
  }

  /** What a size likely is by the family of the part: never a fact, and told as what it is. */
  private likelyOf({ id, per }: Parameter, { pattern, label, kind }: Part): Taken | undefined {
    const likely = pattern === undefined ? undefined : this.ground.likely?.(pattern, id);
    if (!likely || typeof likely.is === 'string' || likely.probability < LIKELY_FROM) return undefined;
    return {
      interval: likely.is,
      origin: 'likely',
      of: `the family of ${label}`,
      each: ONE_A_CYLINDER.has(kind) || per !== 'part',
      probability: likely.probability,
    };
  }

  /** Which of its own row a size belongs to, seen from a place: of a cylinder, the crankpin its rod is on. */
  private placeOf({ per }: Parameter, { row, at }: Spot): number | undefined {
    if (per === 'part' || per === row) return row === 'cylinder' || per === row ? at : undefined;
    if (per === 'crankpin' && row === 'cylinder')
      return Math.ceil(at / (this.counted(crank.features.rodsPerPin.id) ?? 1));
    return undefined;
  }

  /** The lift curve that was measured, where one was. */
  measuredLift(duty: 'intake' | 'exhaust'): readonly LiftPoint[] | undefined {
    return this.build.lifts?.[duty];
  }

  private readonly assemblies = new Map<number | undefined, Assembly>();

  /** The parts round a place, one of each kind, as the joints see them. */
  assembly(spot?: Spot): Assembly {
    const at = spot?.row === 'cylinder' ? spot.at : undefined;
    const known = this.assemblies.get(at);
    if (known) return known;
    const made = this.assembled(at);
    this.assemblies.set(at, made);
    return made;
  }

  private assembled(at: number | undefined): Assembly {
    const parts: Partial<Record<KindId, Part>> = {};
    for (const { slot } of this.parts) {
      const placed = this.part(slot, at);
      if (placed) parts[placed.part.kind] ??= placed.part;
    }
    const { stock, rules, rated } = this.ground;
    return { parts, replaced: {}, stock, rules, ...(rated ? { rated } : {}) };
  }

  private take(size: TypedSize, where: string, problems: BuildProblem[]): void {
    const { of, at, value, unit, within = 0 } = size;
    let parameter: Parameter;
    try {
      parameter = parameterOf(of);
    } catch {
      problems.push({ where: `${where}.of`, what: `There is no size "${of}" in the dictionary.` });
      return;
    }
    const inside = toInside(value, unit);
    const half = Math.abs(toInside(within, unit));
    const { low, high } = parameter.plausible;
    // What can be nothing or negative in a build is no slip: a dome, an offset, a factor.
    if (parameter.id.startsWith(`${running.id}.`) && (inside < low || inside > high))
      problems.push({
        where: `${where}.value`,
        what: `${parameter.name}: ${value} is out of all reason; say between ${low} and ${high}.`,
      });
    else if (inside < 0 && !MAY_BE_NEGATIVE.has(parameter.id))
      problems.push({ where: `${where}.value`, what: `${parameter.name} cannot be less than nothing.` });
    else
      this.typed.set(`${of} ${at ?? ''}`, {
        interval: around(inside, half),
        origin: 'typed',
        of: 'typed in',
        each: at !== undefined,
      });
  }

  private place(problems: BuildProblem[]): readonly PlacedInBuild[] {
    const { base, partOf } = this.ground;
    const chosen = this.build.places.flatMap((place, index): readonly PlacedInBuild[] => {
      const where = `places[${index}]`;
      const slot = slotOf(place.slot);
      if (!slot) {
        problems.push({ where: `${where}.slot`, what: `An engine has no place called "${place.slot}".` });
        return [];
      }
      const names = place.pattern !== undefined || place.specimen !== undefined;
      const part = names ? partOf(place) : base.find((each) => each.slot === place.slot)?.part;
      if (!part) {
        problems.push({
          where,
          what: names
            ? `The part for ${slot.name.toLowerCase()} is not there any more: choose another.`
            : `Nothing is on record for ${slot.name.toLowerCase()}: choose a part.`,
        });
        return [];
      }
      if (part.kind !== slot.kind) {
        problems.push({ where, what: `${part.label} does not belong in the place of ${slot.name.toLowerCase()}.` });
        return [];
      }
      const at = place.at === undefined ? {} : { at: place.at };
      const step = place.size ? toInside(place.size.value, place.size.unit) : 0;
      if (step !== 0 && !comesInSizes(part.kind))
        problems.push({ where: `${where}.size`, what: `${part.label} is not bought over or under standard.` });
      return [{ slot: place.slot, ...at, part: inServiceSize(part, step), taken: !names, work: place.work ?? [] }];
    });
    const whole = new Set(chosen.flatMap(({ slot, at }) => (at === undefined ? [slot] : [])));
    const taken = base.flatMap(({ slot, part }): readonly PlacedInBuild[] =>
      whole.has(slot) ? [] : [{ slot, part, taken: true, work: [] }],
    );
    const all = [...taken, ...chosen].sort(
      (a, b) => orderOfSlot(a.slot) - orderOfSlot(b.slot) || (a.at ?? 0) - (b.at ?? 0),
    );
    return this.afterWork(all, problems);
  }

  /** A part with what was typed in the place of its sizes, so that the joints see it as well. */
  private withTyped(part: Part, at: number | undefined): Part {
    const typed = this.build.sizes.flatMap(({ of }): readonly (readonly [string, Value])[] => {
      const taken = of.startsWith(`${part.kind}.`)
        ? (this.typed.get(`${of} ${at ?? ''}`) ?? this.typed.get(`${of} `))
        : undefined;
      return taken ? [[of, { interval: taken.interval, source: 'machined' }]] : [];
    });
    return typed.length === 0 ? part : { ...part, values: { ...part.values, ...Object.fromEntries(typed) } };
  }

  /** Work in order: the block first, since others go by its bore. */
  private afterWork(all: readonly PlacedInBuild[], problems: BuildProblem[]): readonly PlacedInBuild[] {
    const valves = all.find(({ slot }) => slot === 'head')?.part;
    const count = valves?.looks[head.features.valves.id]?.option;
    const largest = valves?.values[head.parameters['valve.intake'].id]?.interval.high;
    let bore: number | undefined;
    return all.map((placed) => {
      let part = this.withTyped(placed.part, placed.at);
      const round: WorkAround = {
        rules: this.ground.rules,
        ...(bore === undefined ? {} : { bore }),
        ...(largest === undefined ? {} : { valve: largest }),
        ...(count === undefined ? {} : { valves: count }),
      };
      for (const [step, { operation, by }] of placed.work.entries()) {
        const done = worked(part, operation, toInside(by.value, by.unit), round);
        const place = this.build.places.findIndex(({ slot, at }) => slot === placed.slot && at === placed.at);
        if (isDone(done)) part = done.part;
        else
          problems.push({
            where: `places[${place}].work[${step}]`,
            what: `${nameOfWork(operation)}: ${done.refused}`,
          });
      }
      // New rings are those of the cylinder as it then is.
      if (part.kind === 'rings' && placed.taken && bore !== undefined)
        part = inServiceSize(part, ringsFor(part, around(bore, 0)));
      bore = boreOf(part) ?? bore;
      return part === placed.part ? placed : { ...placed, part };
    });
  }
}

/** The bore that others go by: of the block, of liners in it, or else what pistons are made for. Millimetres. */
function boreOf({ kind, values }: Part): number | undefined {
  const value = kind === 'block' || kind === 'liner' || kind === 'piston' ? values[`${kind}.bore`] : undefined;
  return value && middle(value.interval);
}

/** Sizes that are told with a sign. */
const MAY_BE_NEGATIVE: ReadonlySet<string> = new Set(['piston.crown.volume', 'piston.pin.offset', 'head.valve.recess']);

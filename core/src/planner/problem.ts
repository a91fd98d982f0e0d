import {
  engineOf,
  figureOf,
  piecesFor,
  type Build,
  type BuildEngine,
  type BuildLookup,
  type Figure,
  type Place,
} from '../build/index.js';
import type { Part } from '../catalogue/part.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import { piston } from '../dictionary/kinds/piston.js';
import { SLOTS, slotOf } from '../dictionary/slots.js';
import { changedBy, partFromShelf, ratedContext, type SwapContext } from '../interchange/index.js';
import { OPERATIONS, type Assembly, type OperationId, type PlacedPart, type WorkOption } from '../joints/index.js';
import type { Specimen } from '../readings/reading.js';
import { interval } from '../quantity/interval.js';
import type { Demands, PlaceDemand, Target } from './demands.js';
import { USUAL_OPEN, usualWeights, type PlanWeights } from './usual.js';
import {
  inOrder,
  mayBeCut,
  optionsOf,
  type Choice,
  type OnSale,
  type Option,
  type Pricing,
  type Source,
} from './options.js';

const SKIRT = piston.parameters['skirt.diameter'].id;

/** What a plan is made over. */
export interface PlanGround extends BuildLookup {
  /** All patterns of a kind. */
  readonly ofKind: (kind: KindId) => readonly Part[];
  /** Parts that lie on the shelf and may be taken. */
  readonly shelf: readonly Specimen[];
  /** Who sells so many of a pattern; absent where no lists are at hand. */
  readonly onSale?: (pattern: string, quantity: number) => readonly OnSale[];
}

/** A target with its figure looked up. */
export interface Aim extends Target {
  readonly of: Figure;
}

/** What is looked for, with everything looked up. */
export interface PlanProblem {
  readonly build: Build;
  readonly ground: PlanGround;
  readonly demands: Demands;
  /** The build as it stands, with its engine's parts. */
  readonly engine: BuildEngine;
  readonly context: SwapContext;
  /** Places with their options, in the order of assembly. */
  readonly choices: readonly Choice[];
  /** Parts that come along whatever is chosen: cylinders that have their own. */
  readonly fixed: readonly PlacedPart[];
  /** What the engine that it starts from has in each place. */
  readonly recipients: readonly PlacedPart[];
  readonly aims: readonly Aim[];
  readonly weights: PlanWeights;
  readonly mostOpen: number;
  /** Days that are reckoned for what nobody promises: as the longest that anybody does. */
  readonly longest: number;
  readonly may: (operation: OperationId) => boolean;
  readonly mayDo: (option: WorkOption, assembly: Assembly) => boolean;
  /** Build without what was put in for places that are chosen anew. */
  readonly bare: Build;
}

/**
 * Lays out what is looked for. What is not there, or makes no sense, is refused before this.
 *
 * @param atHand a place whose parts are reckoned as if they lay there already
 */
export function problemOf(build: Build, demands: Demands, ground: PlanGround, atHand?: string): PlanProblem {
  const demanded = new Map(demands.places.map((each) => [each.slot, each]));
  const kinds = new Set(demands.places.flatMap(({ slot }) => slotOf(slot)?.kind ?? []));
  // A size that was put in for a part speaks of no other part.
  const bare = {
    ...build,
    places: build.places.filter(({ slot }) => !demanded.has(slot)),
    sizes: build.sizes.filter(({ of }) => ![...kinds].some((kind) => of.startsWith(`${kind}.`))),
  };
  const engine = engineOf(build, ground);
  const { variant } = build;
  const weights = { ...usualWeights(engine.rules), ...demands.weights };
  const forbidden = new Set(demands.forbid);
  const may = (operation: OperationId): boolean =>
    !forbidden.has(operation) && !(demands.reversible === true && !OPERATIONS[operation].canUndo);
  const dearest = new Map<KindId, number | undefined>();
  const pricing: Pricing = {
    engine,
    weights,
    ...(atHand === undefined ? {} : { atHand }),
    may,
    shape: demands.shape ?? [],
    onSale: (pattern, quantity) => {
      const all = ground.onSale?.(pattern, quantity) ?? [];
      return demands.suppliers ? all.filter(({ supplier }) => demands.suppliers?.includes(supplier)) : all;
    },
    onlyFromLists: demands.suppliers !== undefined,
    dearest: (kind) => {
      if (!dearest.has(kind)) {
        const prices = ground.ofKind(kind).flatMap(({ price }) => price ?? []);
        dearest.set(kind, prices.length === 0 ? undefined : Math.max(...prices));
      }
      return dearest.get(kind);
    },
  };
  const plainEngine = engineOf({ ...bare, places: [] }, ground);
  const isOwn = new Set(build.places.map(({ slot }) => slot));
  const choices: Choice[] = [];
  const fixed: PlacedPart[] = [];
  for (const { id: slot, kind, name } of SLOTS) {
    const demand = demanded.get(slot);
    if (demand) {
      const sources = sourcesOf(demand, kind, engine, ground, demands.engines ?? 1);
      const options = inOrder(
        sources.flatMap((source) => optionsOf(source, slot, pricing)),
        demands.engines,
      );
      choices.push({ slot, name, kind, options, free: true });
      continue;
    }
    // What stays as the engine has it may be cut as well, where that is allowed.
    if (!isOwn.has(slot) && !mayBeCut(kind, pricing)) continue;
    const [whole, ...others] = engine.parts.filter((each) => each.slot === slot);
    for (const { part } of others) fixed.push({ slot, part });
    if (!whole) continue;
    const own = build.places.filter((place) => place.slot === slot);
    const places = own.length > 0 ? own : [{ slot }];
    choices.push({
      slot,
      name,
      kind,
      options: fixedOptions(whole.part, places, slot, pricing),
      free: false,
    });
  }
  return {
    build,
    ground,
    demands,
    engine,
    context: ratedContext(ground.context, engine.rated ? { rated: engine.rated } : {}),
    choices,
    fixed,
    recipients: variant === undefined ? [] : plainEngine.parts.map(({ slot, part }) => ({ slot, part })),
    aims: (demands.targets ?? []).flatMap((target) => {
      const of = figureOf(target.figure);
      return of ? [{ ...target, of }] : [];
    }),
    weights,
    mostOpen: demands.limits?.open ?? USUAL_OPEN,
    longest: Math.max(0, ...choices.flatMap(({ options }) => options.map(({ days = 0 }) => days))),
    may,
    // A part in another size is another choice, with its own price: none becomes one by the way.
    mayDo: (option, assembly) => option.steps.every(may) && !changedBy(option, assembly).has(SKIRT),
    bare,
  };
}

/** What somebody decided on is as it is; a pattern that is named has still to be bought. */
function fixedOptions(part: Part, places: readonly Place[], slot: string, pricing: Pricing): readonly Option[] {
  const bought = places.some(({ pattern }) => pattern !== undefined);
  return optionsOf({ part, from: bought ? 'bought' : 'there', places, asIs: true }, slot, {
    ...pricing,
    // It may be worked on for the sake of a figure where nothing is planned on it.
    shape: places.some(({ work }) => work && work.length > 0) ? [] : pricing.shape,
  });
}

/** Where the part of a place may come from. */
function sourcesOf(
  { slot, from, patterns, specimens, mayStay = false }: PlaceDemand,
  kind: KindId,
  engine: BuildEngine,
  ground: PlanGround,
  engines: number,
): readonly Source[] {
  const wanted = patterns && new Set(patterns);
  const bought =
    from === 'shelf'
      ? []
      : ground.ofKind(kind).filter(({ pattern }) => pattern !== undefined && (from === 'any' || wanted?.has(pattern)));
  const lying = ground.shelf.filter(
    (each) => each.kind === kind && (from !== 'these' || specimens?.includes(each.id) === true),
  );
  const there = mayStay ? engine.part(slot)?.part : undefined;
  const now = engine.build.places.filter((place) => place.slot === slot);
  // A pattern that was decided on is not there yet.
  const isThere = now.every(({ pattern }) => pattern === undefined);
  return [
    ...(there
      ? [
          {
            part: there,
            from: isThere ? ('there' as const) : ('bought' as const),
            places: now.length > 0 ? now : [{ slot }],
            asIs: true as const,
          },
        ]
      : []),
    ...bought.flatMap((part): readonly Source[] =>
      part.pattern === undefined ? [] : [{ part, from: 'bought', places: [{ slot, pattern: part.pattern }] }],
    ),
    ...fromShelf(slot, lying, engine, ground, engines),
  ];
}

/**
 * Parts of the shelf for a place. Of what an engine has several there must be enough of one pattern; they are judged as
 * one whose sizes lie anywhere between those of all of them.
 */
function fromShelf(
  slot: string,
  lying: readonly Specimen[],
  engine: BuildEngine,
  ground: PlanGround,
  engines: number,
): readonly Source[] {
  const parts = lying.map((specimen) => ({
    specimen,
    part: lyingAs([specimen], ground, () =>
      partFromShelf(ground.catalogue, specimen, ground.takenFor(specimen), ground.drawer),
    ),
  }));
  const [one] = parts;
  const pieces = one ? piecesFor(engine, slot, one.part).quantity : 1;
  if (pieces === 1)
    return parts.map(({ specimen, part }) => ({ part, from: 'shelf', places: [{ slot, specimen: specimen.id }] }));
  const sets = new Map<string, (typeof parts)[number][]>();
  for (const each of parts) {
    if (each.part.pattern === undefined) continue;
    const set = sets.get(each.part.pattern) ?? [];
    set.push(each);
    sets.set(each.part.pattern, set);
  }
  const enough = [...sets.values()].flatMap((set) =>
    // Of a pile that is enough for several engines each takes its own.
    Array.from({ length: Math.min(engines, Math.floor(set.length / pieces)) }, (_, at) =>
      set.slice(at * pieces, (at + 1) * pieces),
    ),
  );
  return enough.flatMap((chosen): readonly Source[] => {
    const [first] = chosen;
    if (!first) return [];
    return [
      {
        lying: chosen.map(({ specimen }) => specimen.id),
        part: lyingAs(
          chosen.map(({ specimen }) => specimen),
          ground,
          () =>
            spanning(
              first.part,
              chosen.map(({ part }) => part),
            ),
        ),
        from: 'shelf',
        // Heads and their gaskets are one a bank, and stand in a build once.
        places: isOneOfARow(first.part.kind)
          ? chosen.map(({ specimen }, at) => ({ slot, at: at + 1, specimen: specimen.id }))
          : [{ slot, specimen: first.specimen.id }],
      },
    ];
  });
}

const LYING = new WeakMap<PlanGround, Map<string, Part>>();

/** What lies there is the same part for every plan over a ground: what was worked out for it serves them all. */
function lyingAs(specimens: readonly Specimen[], ground: PlanGround, make: () => Part): Part {
  const known = LYING.get(ground) ?? new Map<string, Part>();
  LYING.set(ground, known);
  const key = specimens.map(({ id }) => id).join();
  const part = known.get(key) ?? make();
  known.set(key, part);
  return part;
}

/** Whether every cylinder has one, which is bought and put in by itself. */
const isOneOfARow = (kind: KindId): boolean => {
  const { counted } = KINDS[kind];
  return counted?.by === 'cylinder' && counted.sold === 'singly';
};

/** A part that is any of these: what goes with it goes with each of them. */
function spanning(first: Part, parts: readonly Part[]): Part {
  const values = Object.fromEntries(
    Object.entries(first.values).map(([id, value]) => {
      const all = parts.flatMap((part) => part.values[id]?.interval ?? []);
      const hull = interval(Math.min(...all.map(({ low }) => low)), Math.max(...all.map(({ high }) => high)));
      return [id, { ...value, interval: hull }];
    }),
  );
  const several = KINDS[first.kind].plural.toLowerCase();
  return { ...first, values, label: `${parts.length} ${several} of the shelf, ${first.label}` };
}

import type { Part } from '../catalogue/part.js';
import { plannedFrom, ringsFor, type Place, type WorkAround } from '../build/index.js';
import { block } from '../dictionary/kinds/block.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { valve } from '../dictionary/kinds/valve.js';
import { isShopWork, OPERATIONS, type Operation, type OperationId, type PlacedPart } from '../joints/index.js';
import { RENEWALS } from '../interchange/index.js';
import { middle, type Interval } from '../quantity/interval.js';
import type { SetFound } from './evaluate.js';
import type { PlanProblem } from './problem.js';

/** Work for the machine shop that a build cannot plan by an amount. */
interface WorkBesides {
  /** The place of the engine that it is done in; `engine` where it is on none in particular. */
  readonly on: string;
  readonly operation: OperationId;
}

/** A set as a build and a job have it. */
interface TakenOver {
  /** The same as the places of a build, with all the work on them that can be planned by an amount. */
  readonly places: readonly Place[];
  readonly besides: readonly WorkBesides[];
}

/** The cylinders of a set: of liners, of the block, or else what the pistons are made for. */
function boreIn(parts: readonly PlacedPart[]): Interval | undefined {
  const bores = [liner.parameters.bore, block.parameters.bore, piston.parameters.bore].map(({ id }) => id);
  return bores.flatMap((id) => parts.flatMap(({ part }) => part.values[id]?.interval ?? []))[0];
}

/** What work on one part of a set goes by of the others. */
function around({ engine }: PlanProblem, parts: readonly PlacedPart[]): WorkAround {
  const bore = boreIn(parts);
  const valves = parts.flatMap(({ part }) => part.looks[head.features.valves.id]?.option ?? [])[0];
  const valve = parts.flatMap(({ part }) => part.values[head.parameters['valve.intake'].id]?.interval.high ?? [])[0];
  return {
    rules: engine.rules,
    ...(bore ? { bore: middle(bore) } : {}),
    ...(valve === undefined ? {} : { valve }),
    ...(valves === undefined ? {} : { valves }),
  };
}

/** A set as it is written down, with the work that its joints want. */
export function takenOver(problem: PlanProblem, { options, weighed }: SetFound): TakenOver {
  const { choices, bare, recipients } = problem;
  const round = around(problem, weighed.parts);
  const planned = new Set<OperationId>();
  const besides: WorkBesides[] = [];
  const written = (slot: string, part: Part, places: readonly Place[]): readonly Place[] => {
    const after = weighed.parts.find((placed) => placed.slot === slot)?.part;
    if (!after || after === part) return places;
    const steps = weighed.work
      .filter(({ parts }) => parts.some(({ kind }) => kind === after.kind))
      .flatMap((each) => each.steps.filter(isShopWork));
    // Of parts that were measured one by one each would want its own amount.
    const done = places.length === 1 ? plannedFrom(part, steps, after, round) : { work: [], besides: steps };
    for (const operation of steps) planned.add(operation);
    besides.push(...[...new Set(done.besides)].map((operation) => ({ on: slot, operation })));
    return places.map((place) =>
      done.work.length === 0 ? place : { ...place, work: [...(place.work ?? []), ...done.work] },
    );
  };
  const chosen = new Set(choices.map(({ slot }) => slot));
  const fixed = bare.places.filter(({ slot }) => !chosen.has(slot));
  const others = new Set(fixed.map(({ slot }) => slot));
  const places = [
    ...options.flatMap((option, at) => written(choices[at]?.slot ?? '', option.part, option.places)),
    ...fixed,
    ...recipients
      .filter(({ slot }) => !chosen.has(slot) && !others.has(slot))
      .flatMap(({ slot, part }) => written(slot, part, [{ slot }])),
  ];
  const slotOfKind = new Map([...weighed.parts].reverse().map(({ slot, part }) => [part.kind as string, slot]));
  const elsewhere = weighed.work
    .flatMap(({ steps }) => steps)
    .filter((operation) => isShopWork(operation) && !planned.has(operation));
  for (const operation of new Set(elsewhere)) {
    const { changes = [] }: Operation = OPERATIONS[operation];
    const kinds = changes.map((id) => id.slice(0, id.indexOf('.')));
    besides.push({ on: kinds.flatMap((kind) => slotOfKind.get(kind) ?? [])[0] ?? 'engine', operation });
  }
  // Of what stays as the engine has it nothing is written down, unless work is done on it.
  return { places: [...places.filter(isSaid), ...chosenAnew(problem, weighed)], besides };
}

/** What gives way to a new part of another pattern: rings, gaskets, valves, pins that do not go with what comes. */
function chosenAnew({ choices, bare, ground }: PlanProblem, { work, parts }: SetFound['weighed']): readonly Place[] {
  const written = new Set([...choices, ...bare.places].map(({ slot }) => slot));
  const found = new Map<string, Place>();
  const bought = work.filter(({ steps }) => steps.some((step) => RENEWALS.has(step))).flatMap(({ buy }) => buy);
  for (const pattern of bought) {
    const part = ground.catalogue.part(pattern);
    const slot = parts.find(
      (old) => part && old.part.kind === part.kind && dutyOf(old.part) === dutyOf(part) && !written.has(old.slot),
    )?.slot;
    if (!part || slot === undefined || found.has(slot)) continue;
    // Rings come in the size of the cylinder as it then is.
    const step = part.kind === 'rings' ? ringsFor(part, boreIn(parts)) : 0;
    found.set(slot, { slot, pattern, ...(step === 0 ? {} : { size: { value: step, unit: 'mm' } }) });
  }
  return [...found.values()];
}

const dutyOf = ({ looks }: Part): string | undefined => looks[valve.features.duty.id]?.option;

const isSaid = ({ pattern, specimen, work = [], size }: Place): boolean =>
  pattern !== undefined || specimen !== undefined || size !== undefined || work.length > 0;

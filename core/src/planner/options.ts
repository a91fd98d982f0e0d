import {
  inServiceSize,
  operationOf,
  piecesFor,
  serviceSizesOf,
  worked,
  type BuildEngine,
  type PlannedId,
  type Place,
  type PlannedWork,
} from '../build/index.js';
import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { block } from '../dictionary/kinds/block.js';
import { slotOf } from '../dictionary/slots.js';
import { OPERATIONS, countsIn, takes, type OperationId } from '../joints/index.js';
import { isDone } from '../joints/operations/operation.js';
import { middle } from '../quantity/interval.js';
import type { PlanWeights } from './usual.js';

/** A part that may go into a place: as it is, in a service size, or after some work. */
export interface Option {
  readonly part: Part;
  /** As a build writes it: one for all, or each cylinder its own. */
  readonly places: readonly Place[];
  readonly label: string;
  /** Money for what is bought, packs whole, and for the work that is planned on it. */
  readonly price: number;
  readonly hours: number;
  /** Whether it has to be bought. */
  readonly buys: boolean;
  /** It stays as it is, or lies on the shelf. */
  readonly from: 'there' | 'shelf' | 'bought';
  readonly work: readonly PlannedWork[];
  readonly irreversible: number;
  /** Nobody put its price down: it is reckoned with the dearest of its kind. */
  readonly unpriced?: true;
  /** Service size it is bought in, from standard, millimetres. */
  readonly size?: number;
  /** The same for options that differ only in how much is taken off. */
  readonly key: string;
  /** Parts of the shelf that it takes, where those are more than its places name. */
  readonly lying?: readonly string[];
  /** What it adds to the score. */
  readonly cost: number;
}

/** A place of the engine with all that may go into it, the cheapest first. */
export interface Choice {
  readonly slot: string;
  readonly name: string;
  readonly kind: KindId;
  readonly options: readonly Option[];
  /** Whether there is more than one, or somebody asked: what is fixed is told apart. */
  readonly free: boolean;
}

/** A part that may be had, before sizes and work. */
export interface Source {
  readonly part: Part;
  readonly from: Option['from'];
  readonly places: readonly Place[];
  /** Parts of the shelf that it takes, where those are more than its places name. */
  readonly lying?: readonly string[];
  /** The service size it lies there in already. */
  readonly asIs?: true;
}

/** What options are priced by. */
export interface Pricing {
  readonly engine: BuildEngine;
  readonly weights: PlanWeights;
  /** The dearest that is known of a kind; nothing where no price is. */
  readonly dearest: (kind: KindId) => number | undefined;
  readonly may: (operation: OperationId) => boolean;
  readonly shape: readonly { readonly operation: PlannedId; readonly most: number; readonly step: number }[];
}

/** Service sizes a bought part comes in, standard first. */
const sizesOf = ({ part, from, asIs }: Source): readonly number[] =>
  from === 'bought' && !asIs ? [0, ...serviceSizesOf(part)] : [0];

/** Every state of a source that may go into a place. */
export function optionsOf(source: Source, slot: string, pricing: Pricing): readonly Option[] {
  return sizesOf(source).flatMap((step) => {
    const part = inServiceSize(source.part, step);
    const sized = source.places.map((place): Place =>
      step === 0 ? place : { ...place, size: { value: Number(step.toFixed(6)), unit: 'mm' } },
    );
    return [[], ...amountsOf(slot, pricing)].flatMap((work) => {
      const option = stateOf({ ...source, part, places: sized }, work, slot, step, pricing);
      return option ? [option] : [];
    });
  });
}

/** Whether parts of a kind may be cut to bring figures where they are wanted. */
export const mayBeCut = (kind: KindId, { shape, may }: Pricing): boolean =>
  shape.some(({ operation }) => worksOn(operation, kind) && may(operationOf(operation)));

/** How much of what may be done to a part of a place, to bring figures where they are wanted. */
function amountsOf(slot: string, { shape, may }: Pricing): readonly (readonly PlannedWork[])[] {
  const kind = slotOf(slot)?.kind;
  return shape
    .filter(({ operation }) => may(operationOf(operation)) && worksOn(operation, kind))
    .flatMap(({ operation, most, step }) =>
      Array.from({ length: Math.floor(most / step + 1e-9) }, (_, at): readonly PlannedWork[] => [
        { operation, by: { value: Number(((at + 1) * step).toFixed(4)), unit: 'mm' } },
      ]),
    );
}

const ON: Partial<Record<PlannedId, KindId>> = { deck: 'block', millHead: 'head', machineCrown: 'piston' };
const worksOn = (operation: PlannedId, kind: KindId | undefined): boolean => ON[operation] === kind;

function stateOf(
  { part: before, from, places, lying }: Source,
  work: readonly PlannedWork[],
  slot: string,
  step: number,
  pricing: Pricing,
): Option | undefined {
  const { engine, weights } = pricing;
  let part = before;
  const bore = engine.size(block.parameters.bore);
  for (const { operation, by } of work) {
    const done = worked(part, operation, by.value, {
      rules: engine.rules,
      ...(bore ? { bore: middle(bore.interval) } : {}),
    });
    if (!isDone(done)) return undefined;
    part = done.part;
  }
  const steps = work.map(({ operation }) => operationOf(operation));
  const labour = steps.length === 0 ? NOTHING : takes({ steps }, engine.rules, countsIn(engine.assembly()));
  const goods = from === 'bought' ? priceOf(part, slot, pricing) : { price: 0 };
  const irreversible = steps.filter((each) => !OPERATIONS[each].canUndo).length;
  const price = goods.price + labour.price;
  const buys = from === 'bought';
  return {
    part,
    places: work.length === 0 ? places : places.map((place) => ({ ...place, work: [...(place.work ?? []), ...work] })),
    label: part.label,
    price,
    hours: labour.hours,
    buys,
    from,
    work,
    irreversible,
    ...(goods.unpriced ? { unpriced: true } : {}),
    ...(lying ? { lying } : {}),
    ...(step === 0 ? {} : { size: step }),
    key: `${places.map(({ pattern, specimen }) => pattern ?? specimen ?? 'there').join('+')} ${step}`,
    cost:
      weights.price * price +
      weights.hours * labour.hours +
      (buys ? weights.buys : 0) +
      weights.irreversible * irreversible,
  };
}

const NOTHING = { price: 0, hours: 0 };

/** What enough of a part for one engine costs. */
function priceOf(part: Part, slot: string, { engine, dearest }: Pricing) {
  const { quantity } = piecesFor(engine, slot, part);
  const packs = Math.ceil(quantity / (part.pieces ?? 1));
  if (part.price !== undefined) return { price: part.price * packs };
  return { price: (dearest(part.kind) ?? 0) * packs, unpriced: true as const };
}

/** The cheapest first; equal ones in the order of their keys, so that the order never hangs on where they came from. */
const cheapestFirst = (a: Option, b: Option): number =>
  a.cost - b.cost || (a.key < b.key ? -1 : a.key > b.key ? 1 : sumOf(a) - sumOf(b));

const sumOf = ({ work }: Option): number => work.reduce((sum, { by }) => sum + by.value, 0);

/**
 * Options of a place in order, of those that no check and no price can tell apart the first only; where several engines
 * are built each part that lies there is one of its own.
 */
export function inOrder(options: readonly Option[], engines = 1): readonly Option[] {
  const seen = new Set<string>();
  return [...options].sort(cheapestFirst).filter(({ part, cost, work, places, from, key }) => {
    const { values, looks, interfaces, pattern } = part;
    const text = JSON.stringify([
      ...[pattern, values, looks, interfaces, cost, work, places.length],
      ...(engines > 1 && from === 'shelf' ? [key] : []),
    ]);
    if (seen.has(text)) return false;
    seen.add(text);
    return true;
  });
}

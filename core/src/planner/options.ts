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

/** One who sells as many of a part as an engine takes. */
export interface OnSale {
  /** Id of the supplier. */
  readonly supplier: string;
  /** Of all of them, packs whole, in the shop's money. */
  readonly price: number;
  /** Until it can be had; absent where he does not say. */
  readonly days?: number;
}

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
  /** From whom it is bought, where a list has it. */
  readonly supplier?: string;
  /** Until it can be had; nought where it is at hand, absent where nobody says. */
  readonly days?: number;
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
  /** Who sells a pattern, of those it may be bought from. */
  readonly onSale: (pattern: string, quantity: number) => readonly OnSale[];
  /** What no list has is not bought, whatever price is on record. */
  readonly onlyFromLists: boolean;
  /** The place whose parts are reckoned as if they lay there already. */
  readonly atHand?: string;
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
    const goods = goodsOf({ ...source, part }, slot, pricing);
    return [[], ...amountsOf(slot, pricing)].flatMap((work) =>
      goods.flatMap((had) => stateOf({ ...source, part, places: sized }, had, work, slot, step, pricing) ?? []),
    );
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
  goods: Goods,
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
  const irreversible = steps.filter((each) => !OPERATIONS[each].canUndo).length;
  const price = goods.price + labour.price;
  const buys = from === 'bought' && slot !== pricing.atHand;
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
    ...(goods.supplier === undefined ? {} : { supplier: goods.supplier }),
    ...(goods.days === undefined ? {} : { days: goods.days }),
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

/** What enough of a part for one engine costs, and when it can be had. */
interface Goods extends Partial<OnSale> {
  readonly price: number;
  readonly unpriced?: true;
}

/**
 * Every way to have enough of a part for one engine that is not both dearer and later than another. What no list has is
 * bought at the price on record, if that may be.
 */
function goodsOf({ part, from }: Source, slot: string, { engine, dearest, onSale, onlyFromLists, atHand }: Pricing) {
  if (from !== 'bought' || slot === atHand) return [{ price: 0, days: 0 }];
  const { quantity } = piecesFor(engine, slot, part);
  const offered = part.pattern === undefined ? [] : onSale(part.pattern, quantity);
  if (offered.length > 0) return soonOrCheap(offered);
  if (onlyFromLists) return [];
  const packs = Math.ceil(quantity / (part.pieces ?? 1));
  const goods: Goods =
    part.price === undefined
      ? { price: (dearest(part.kind) ?? 0) * packs, unpriced: true }
      : { price: part.price * packs };
  return [goods];
}

/** Offers, the cheapest first, of which each comes sooner than those before it. */
function soonOrCheap(offers: readonly OnSale[]): readonly OnSale[] {
  const sorted = [...offers].sort((a, b) => a.price - b.price || laterThan(a, b) || (a.supplier < b.supplier ? -1 : 1));
  let soonest = Infinity;
  return sorted.filter((offer, at) => {
    if (at > 0 && daysOf(offer) >= soonest) return false;
    soonest = daysOf(offer);
    return true;
  });
}

const laterThan = (a: Pick<Option, 'days'>, b: Pick<Option, 'days'>): number =>
  daysOf(a) === daysOf(b) ? 0 : daysOf(a) - daysOf(b);

/** What nobody promises comes last. */
const daysOf = ({ days }: Pick<Option, 'days'>): number => days ?? Infinity;

/** The cheapest first; equal ones in the order of their keys, so that the order never hangs on where they came from. */
const cheapestFirst = (a: Option, b: Option): number =>
  a.cost - b.cost || laterThan(a, b) || (a.key < b.key ? -1 : a.key > b.key ? 1 : sumOf(a) - sumOf(b));

const sumOf = ({ work }: Option): number => work.reduce((sum, { by }) => sum + by.value, 0);

/**
 * Options of a place in order, of those that no check and no price can tell apart the first only; where several engines
 * are built each part that lies there is one of its own.
 */
export function inOrder(options: readonly Option[], engines = 1): readonly Option[] {
  const seen = new Set<string>();
  return [...options].sort(cheapestFirst).filter(({ part, cost, days, work, places, from, key }) => {
    const { values, looks, interfaces, pattern } = part;
    // What is bought is as its pattern has it, in its size; a part that lies there is as it was measured.
    const is =
      from === 'bought' ? [key] : [values, looks, interfaces, ...(engines > 1 && from === 'shelf' ? [key] : [])];
    const text = JSON.stringify([pattern, ...is, cost, days, work, places.length]);
    if (seen.has(text)) return false;
    seen.add(text);
    return true;
  });
}

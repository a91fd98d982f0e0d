import type { Part } from '../catalogue/part.js';
import type { CountedBy, Feature } from '../dictionary/definition.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import type { HouseRules } from '../shop/houseRules.js';
import { lookOf, type Assembly } from './assembly.js';
import { OPERATIONS, PRICED_FOR, type Operation, type OperationId } from './operations/operations.js';

/** How many of each an engine has, as far as its parts tell. */
type Counts = Readonly<Partial<Record<CountedBy, number>>>;

/** What something takes: hours of work, and money. */
interface Cost {
  readonly hours: number;
  readonly price: number;
}

/** What is sold, by what it costs. */
export type Sold = Pick<Part, 'kind' | 'price' | 'pieces'>;

/** What is known of a pattern that is to be bought; nothing where the catalogue does not hold it. */
export type SoldAs = (pattern: string) => Sold | undefined;

export function countsIn(assembly: Assembly): Counts {
  const count = (feature: Feature): number | undefined => {
    const seen = lookOf(assembly, feature);
    return seen === undefined ? undefined : Number(seen);
  };
  const [crankpins, rods] = [count(crank.features.crankpins), count(crank.features.rodsPerPin)];
  const cylinders =
    count(block.features.cylinders) ?? (crankpins !== undefined && rods !== undefined ? crankpins * rods : undefined);
  const mains = count(block.features.mainCount) ?? count(crank.features.mainCount);
  const valves = count(head.features.valves);
  return {
    ...(cylinders === undefined ? {} : { cylinder: cylinders }),
    ...(mains === undefined ? {} : { main: mains }),
    ...(crankpins === undefined ? {} : { crankpin: crankpins }),
    ...(cylinders === undefined || valves === undefined ? {} : { valve: cylinders * valves }),
  };
}

/**
 * How many of a kind an engine takes. Of what is sold as a set one goes in; of kinds with several places, as intake and
 * exhaust valves have, a place takes its share. *Common practice, no source.*
 */
export function piecesOf(kind: KindId, counts: Counts): number {
  const { counted, places = [] } = KINDS[kind];
  if (counted?.sold !== 'singly') return 1;
  return Math.ceil((counts[counted.by] ?? PRICED_FOR[counted.by]) / places.length);
}

/**
 * What enough of something for one engine costs: as many packs as it takes. Undefined where nobody says what one costs.
 *
 * @example priceFor({ kind: 'piston', price: 28 }, { cylinder: 8 }) // 224
 */
export function priceFor({ kind, price, pieces = 1 }: Sold, counts: Counts = {}): number | undefined {
  return price === undefined ? undefined : price * Math.ceil(piecesOf(kind, counts) / pieces);
}

/**
 * What an option takes, by the shop's own figures where it has any: as much more in a larger engine as there is more to
 * be done. Of what nobody has counted there are as many as in the engine that figures are given for. What is bought for
 * it costs what the catalogue says; where it does not, what such parts usually cost.
 *
 * @param counts how many cylinders, mains, crankpins and valves the engine has, from `countsIn`
 * @param soldAs what the patterns to be bought are sold for
 */
export function takes(
  option: { readonly steps: readonly OperationId[]; readonly buy?: readonly string[]; readonly comesAlong?: true },
  rules: HouseRules,
  counts: Counts = {},
  soldAs: SoldAs = () => undefined,
): Cost {
  let [hours, labour, usual] = [0, 0, 0];
  for (const step of option.steps) {
    const own = rules.work?.[step];
    const operation: Operation = OPERATIONS[step];
    const { per, parts = 0 } = operation;
    const times = per === undefined ? 1 : (counts[per] ?? PRICED_FOR[per]) / PRICED_FOR[per];
    hours += times * (own?.hours ?? operation.hours);
    // The shop's own price is for all of it.
    labour += times * Math.max(0, (own?.price ?? operation.price) - parts);
    usual += times * Math.min(parts, own?.price ?? parts);
  }
  return {
    hours: Math.round(hours * 10) / 10,
    price: Math.round(labour + (option.comesAlong ? 0 : goods(option.buy ?? [], usual, counts, soldAs))),
  };
}

/** What is bought, by the catalogue as far as it says; no less than is usual where it does not say of all. */
function goods(buy: readonly string[], usual: number, counts: Counts, soldAs: SoldAs): number {
  const prices = buy.map((pattern) => {
    const sold = soldAs(pattern);
    return sold && priceFor(sold, counts);
  });
  const known = prices.reduce<number>((sum, price) => sum + (price ?? 0), 0);
  return prices.length > 0 && !prices.includes(undefined) ? known : Math.max(known, usual);
}

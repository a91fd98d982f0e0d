import { LikelyValues, type LikelyValue } from '../catalogue/likelyValues.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { EngineWith, Rating, SoldAs, Stock } from '../joints/index.js';
import type { Part } from '../catalogue/part.js';
import { CHOSEN_FREELY, FITTED_NEW, type KindId } from '../dictionary/dictionary.js';
import type { HouseRules } from '../shop/houseRules.js';
import { enginesWithOf } from './enginesWith.js';

/** What stands round every swap: what may be put between parts, and how the shop does things. */
export interface SwapContext {
  readonly stock: Stock;
  readonly rules: HouseRules;
  readonly nameOf?: (pattern: string) => string;
  readonly familyOf?: (pattern: string) => string | undefined;
  readonly soldAs?: SoldAs;
  /** All patterns of a kind, for what may be bought instead of machining; nothing where there is no catalogue. */
  readonly ofKind?: (kind: KindId) => readonly Part[];
  /** What the recipient is rated at, where it is an engine of the catalogue. */
  readonly rated?: Rating;
  readonly enginesWith?: (pattern: string) => readonly EngineWith[];
  readonly likelyValue?: (pattern: string, id: string) => LikelyValue | undefined;
}

/**
 * The context a catalogue and a shop make. Worth keeping: making it goes through all shells of the catalogue.
 *
 * @example swapParts(crank, block, swapContextOf(catalogue)).verdict // 'fits'
 */
export function swapContextOf(catalogue: CatalogueLookup, rules: HouseRules = {}): SwapContext {
  const likely = new LikelyValues(catalogue);
  return {
    stock: Object.fromEntries([...CHOSEN_FREELY, ...FITTED_NEW].map((kind) => [kind, catalogue.partsOfKind(kind)])),
    rules,
    nameOf: (id) => catalogue.label(id),
    soldAs: (id) => catalogue.pattern(id),
    ofKind: (kind) => catalogue.partsOfKind(kind),
    familyOf: (id) => catalogue.pattern(id)?.family,
    enginesWith: enginesWithOf(catalogue),
    likelyValue: (pattern, id) => likely.of(pattern, id),
  };
}

/** The same, with what the recipient is rated at. */
export const ratedContext = (context: SwapContext, { rated }: { readonly rated?: Rating }): SwapContext =>
  rated ? { ...context, rated } : context;

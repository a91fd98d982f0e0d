import { HOUSE_RULES, type HouseRules } from '../shop/houseRules.js';

/** From where the part of a place may be taken. */
export const TAKEN_FROM = {
  any: 'Anything on record, or on the shelf',
  shelf: 'The shelf',
  these: 'One of these',
} as const;
export type TakenFrom = keyof typeof TAKEN_FROM;

/** Engines that sets are looked for at once. */
export const MOST_ENGINES = 6;
/** How many of the best may be asked for. */
export const MOST_ANSWERS = 12;
/** Nodes of a search after which it is stopped, where nobody says. */
export const USUAL_EFFORT = 60_000;

/** What each thing counts in the score of a set, in money. */
export interface PlanWeights {
  readonly price: number;
  readonly hours: number;
  readonly buys: number;
  readonly irreversible: number;
  readonly open: number;
  /** A day until all of it can be had. */
  readonly days: number;
}

/** Money as it is, and some for what is not sure or not to be taken back. */
const BY_PRICE: PlanWeights = { price: 1, hours: 0, buys: 5, irreversible: 10, open: 20, days: 0 };

/** What each thing counts where nobody says, by what the house calls the better set. */
const WEIGHTS: Readonly<Record<NonNullable<HouseRules['sets']>, PlanWeights>> = {
  price: BY_PRICE,
  sure: { ...BY_PRICE, irreversible: 100, open: 150 },
  hand: { ...BY_PRICE, buys: 100 },
  hours: { ...BY_PRICE, hours: 60 },
};

/** What each thing counts in this house, in money. */
export const usualWeights = (rules: HouseRules): PlanWeights => WEIGHTS[rules.sets ?? HOUSE_RULES.sets.usual];

/** Checks that may be open where nobody says how many confirmations are bearable. */
export const USUAL_OPEN = 4;

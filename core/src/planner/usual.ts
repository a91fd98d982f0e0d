/** From where the part of a place may be taken. */
export const TAKEN_FROM = {
  any: 'Anything on record, or on the shelf',
  shelf: 'The shelf',
  these: 'One of these',
} as const;
export type TakenFrom = keyof typeof TAKEN_FROM;

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
}

/** What each thing counts where nobody says: money as it is, and some for what is not sure or not to be taken back. */
export const USUAL_WEIGHTS: PlanWeights = {
  price: 1,
  hours: 0,
  buys: 5,
  irreversible: 10,
  open: 20,
};

/** Checks that may be open where nobody says how many confirmations are bearable. */
export const USUAL_OPEN = 4;

import { normaliseMark } from '../marks/markText.js';
import type { PriceLine } from './priceList.js';

/** A line of a price list, with whose it is. */
export interface Offer extends PriceLine {
  /** Id of the supplier. */
  readonly supplier: string;
  readonly currency: string;
  /** When his list was last fetched. */
  readonly asOf?: string;
}

/** What an offer comes to for what is wanted. */
export interface Offered {
  readonly offer: Offer;
  /** The number it would be ordered by, and whether the supplier sends another. */
  readonly number: string;
  readonly packs: number;
  readonly total: number;
  /** Whether he says he has enough; undefined where he says nothing. */
  readonly enough?: boolean;
}

/** What is wanted of something, and the numbers it goes by. */
interface Sought {
  readonly left: number;
  readonly numbers: readonly { readonly number: string; readonly living: string }[];
}

/** The numbers to look for in price lists, as they are compared. */
export const soughtNumbers = ({ numbers }: Pick<Sought, 'numbers'>): readonly string[] => [
  ...new Set(numbers.flatMap(({ number, living }) => [normaliseMark(living), normaliseMark(number)])),
];

/**
 * Offers for something, the best first: who has enough before who has not, then the least money, then the least days.
 * Money of different sorts is not compared: each sort stands by itself, in the order of its best.
 */
export function offersFor(sought: Sought, offers: readonly Offer[]): readonly Offered[] {
  const numbers = new Set(soughtNumbers(sought));
  const wanted = Math.max(1, sought.left);
  return offers
    .filter((offer) => numbers.has(normaliseMark(offer.number)))
    .map((offer): Offered => {
      const packs = Math.ceil(wanted / (offer.pieces ?? 1));
      return {
        offer,
        number: offer.replacedBy ?? offer.number,
        packs,
        total: Math.round(packs * offer.price * 100) / 100,
        ...(offer.stock === undefined ? {} : { enough: offer.stock >= packs }),
      };
    })
    .sort(
      (a, b) =>
        rank(a) - rank(b) ||
        (a.offer.currency === b.offer.currency ? a.total - b.total : a.offer.currency < b.offer.currency ? -1 : 1) ||
        (a.offer.days ?? 999) - (b.offer.days ?? 999) ||
        (a.offer.supplier < b.offer.supplier ? -1 : 1),
    );
}

const rank = ({ enough }: Offered): number => (enough === true ? 0 : enough === undefined ? 1 : 2);

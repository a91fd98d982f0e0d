import type { KindId } from '../dictionary/dictionary.js';
import { apart, type Interval } from '../quantity/interval.js';
import { compareFaces } from './facePattern.js';
import type { CatalogueLookup } from './lookup.js';
import type { Part } from './part.js';

/** What something that nobody put down of a pattern may be, by what is on record of its family. Never a fact. */
export interface LikelyValue {
  /** Limits of a size, the option of a look, or the pattern of a face. */
  readonly is: Interval | string;
  /** How surely, from 0 to 1: of what is told so surely so many in a hundred prove right (`bench/likely.mjs`). */
  readonly probability: number;
  /** So many of the family have it, of so many of which it is known. */
  readonly alike: number;
  readonly known: number;
}

/**
 * A sister that agrees in all that is known of both tells more than one that agrees in half of it: its share of
 * agreement counts by this power.
 */
const LIKENESS_POWER = 4;
/** So much of one that is alike in everything speaks for a value that no sister has. */
const OTHERWISE = 0.1;

/** What values the patterns of a family make likely. Keeps what it found out: the same is asked again and again. */
export class LikelyValues {
  private readonly found = new Map<string, LikelyValue | undefined>();

  constructor(private readonly catalogue: Pick<CatalogueLookup, 'pattern' | 'partsOfKind'>) {}

  /**
   * The likeliest value of a size, look or face of a pattern, whether it is put down or not; nothing where no sister of
   * its family tells.
   *
   * @param pattern id of a pattern
   * @param id of an entry of the dictionary of its kind
   */
  of(pattern: string, id: string): LikelyValue | undefined {
    const key = `${pattern} ${id}`;
    if (!this.found.has(key)) this.found.set(key, this.workOut(pattern, id));
    return this.found.get(key);
  }

  private workOut(pattern: string, id: string): LikelyValue | undefined {
    const own = this.catalogue.pattern(pattern);
    if (own?.family === undefined) return undefined;
    const parts = this.sisters(own.kind, own.family);
    const mine = parts.find((part) => part.pattern === pattern);
    if (!mine) return undefined;
    const votes: { is: Interval | string; weight: number; count: number }[] = [];
    let [all, known] = [0, 0];
    for (const sister of parts) {
      const is = sister === mine ? undefined : entryOf(sister, id);
      if (is === undefined) continue;
      const weight = likeness(mine, sister, id) ** LIKENESS_POWER;
      all += weight;
      known++;
      const same = votes.find((vote) => agree(vote.is, is));
      if (same) {
        same.weight += weight;
        same.count++;
      } else votes.push({ is, weight, count: 1 });
    }
    const [best] = votes.sort((a, b) => b.weight - a.weight);
    return best && { is: best.is, probability: best.weight / (all + OTHERWISE), alike: best.count, known };
  }

  private readonly byFamily = new Map<string, readonly Part[]>();

  private sisters(kind: KindId, family: string): readonly Part[] {
    const key = `${kind} ${family}`;
    let parts = this.byFamily.get(key);
    if (!parts)
      this.byFamily.set(
        key,
        (parts = this.catalogue
          .partsOfKind(kind)
          .filter((part) => part.pattern !== undefined && this.catalogue.pattern(part.pattern)?.family === family)),
      );
    return parts;
  }
}

/** A size, look or face of a part. */
export const entryOf = ({ values, looks, interfaces }: Part, id: string): Interval | string | undefined =>
  values[id]?.interval ?? looks[id]?.option ?? interfaces[id];

/** Whether two values may be one. */
export const agree = (a: Interval | string, b: Interval | string): boolean =>
  typeof a === 'string' || typeof b === 'string'
    ? typeof a === 'string' && typeof b === 'string' && compareFaces(a, b) === 'same'
    : !apart(a, b);

/** How much two parts agree in what is known of both, but for one entry (Laplace's rule). */
function likeness(one: Part, other: Part, but: string): number {
  let [shared, same] = [0, 0];
  for (const of of ['values', 'looks', 'interfaces'] as const)
    for (const id of Object.keys(one[of])) {
      if (id === but) continue;
      const [a, b] = [entryOf(one, id), entryOf(other, id)];
      if (a === undefined || b === undefined) continue;
      shared++;
      if (agree(a, b)) same++;
    }
  return (same + 1) / (shared + 2);
}

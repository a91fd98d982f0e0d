import { ASSUMED } from './assumptions.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import type { Evidence } from './evidence.js';
import { likeliest, type Posterior } from './scores.js';
import { FIXED, ratioAt, type Weighed } from './weigh/weighed.js';

/**
 * A part like a pattern of the catalogue, but for one value or a few of its own: most parts that no catalogue has are
 * such sisters.
 */
export interface Sister {
  /** Row of the pattern it is like. */
  readonly row: number;
  readonly probability: number;
  /** What it has otherwise. */
  readonly own: readonly Evidence[];
}

/** The hypotheses of a line-up: patterns as they are on record, sisters of them, and what is like none. */
export interface Hypotheses {
  /** By how much the probabilities of patterns shrink beside their sisters. */
  readonly asRecorded: number;
  /** Likeliest first; those that nobody need be told of are in `none`. */
  readonly sisters: readonly Sister[];
  /** Probability that the part is in no catalogue, and none of these sisters. */
  readonly none: number;
}

/** Only the likeliest are looked at as sisters: what is like none of them is like none. */
const LOOKED_AT = 512;
/** A sister less likely than this is not told of. */
const TOLD_FROM = 0.005;

/** How often a sister has a value of its own of that sort; 0 for what is said of the engine, which has no sisters. */
const OWN: Readonly<Record<Evidence['sort'], number>> = {
  size: ASSUMED.ownSize,
  look: ASSUMED.ownLook,
  face: ASSUMED.ownLook,
  mark: ASSUMED.ownMark,
  step: 0,
  claim: 0,
  part: 0,
};

/**
 * Weighs beside each of the likeliest patterns a sister of it. A reading that speaks against the pattern is, on a
 * sister, its own value, which a part of which nothing is known would have as well (a ratio of 1), or the same slip;
 * one reading at least must be of its own.
 *
 * @param weighed all that was read
 */
export function hypothesesOf(
  weighed: readonly Weighed[],
  posterior: Posterior,
  { patterns: { length: patterns }, assumed }: Pick<CatalogueIndex, 'patterns' | 'assumed'>,
): Hypotheses {
  const places = likeliest(posterior, LOOKED_AT);
  const prior = (assumed.notInCatalogue * assumed.sister) / Math.max(1, patterns);
  const far = posterior.none * (1 - (assumed.sister * places.length) / Math.max(1, patterns));
  // All masses are told against that of a part of which nothing is known.
  const perMass = Math.log(posterior.none) - Math.log(assumed.notInCatalogue) - posterior.looksOfNone;
  const found = places.flatMap((place): Sister[] => {
    const row = posterior.rows[place] ?? 0;
    const { log, own } = asSister(weighed, row);
    const mass = Math.exp(log + Math.log(prior) + perMass);
    return own.length > 0 && mass > 0 ? [{ row, probability: mass, own }] : [];
  });
  const inSisters = found.reduce((sum, { probability }) => sum + probability, 0);
  const all = 1 - posterior.none + far + inSisters;
  const sisters = found
    .map((sister) => ({ ...sister, probability: sister.probability / all }))
    .filter(({ probability }) => probability >= TOLD_FROM)
    .sort((a, b) => b.probability - a.probability || a.row - b.row);
  const told = sisters.reduce((sum, { probability }) => sum + probability, 0);
  return { asRecorded: 1 / all, sisters, none: Math.max(0, (far + inSisters) / all - told) };
}

function asSister(
  weighed: readonly Weighed[],
  row: number,
): { readonly log: number; readonly own: readonly Evidence[] } {
  const own: Evidence[] = [];
  /** With and without a value of its own. */
  let [any, same] = [0, 0];
  for (const each of weighed) {
    const ratio = ratioAt(each, row) / FIXED;
    const share = OWN[each.evidence.sort];
    const alike = ratio + Math.log(1 - share);
    const other = share > 0 && ratio < 0 ? Math.log(share) : -Infinity;
    same += alike;
    any += Math.max(alike, other) + Math.log1p(Math.exp(-Math.abs(alike - other)));
    if (other > alike) own.push(each.evidence);
  }
  return { log: any > same ? any + Math.log1p(-Math.exp(same - any)) : -Infinity, own };
}

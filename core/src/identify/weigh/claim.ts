import type { HouseRules } from '../../shop/houseRules.js';
import { ASSUMED, type Assumed } from '../assumptions.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { claimedOf, LONGEST_RUN, type Claimed } from '../claimed.js';
import type { ClaimEvidence } from '../evidence.js';
import { fixed, type Weighed } from './weighed.js';

/** How far a claim is believed, after the house rule. */
export function claimTrust(about: ClaimEvidence['about'], rules: HouseRules, assumed: Assumed = ASSUMED): number {
  const usual = assumed.claimRight[about];
  switch (rules.claims ?? 'usual') {
    case 'little':
      return usual / 2;
    case 'usual':
      return usual;
    case 'much':
      return 1 - (1 - usual) / 3;
  }
}

/**
 * What is claimed of the engine, through where patterns were fitted: a pattern gains as its engines agree with all the
 * claims together. They have causes in common: the papers may belong to another engine, and the part may have come
 * from one. So a claim is weighed by what it adds to those before it. Undefined where the catalogue knows nothing of
 * such a year, number or name, so that the claim tells nothing.
 */
export function weighClaim(index: CatalogueIndex, evidence: ClaimEvidence, rules: HouseRules): Weighed | undefined {
  const believed = (claim: Pick<ClaimEvidence, 'about' | 'value'>): Believed | undefined => {
    const claimed = claimedOf(index, claim);
    return claimed && { claimed, right: claimTrust(claim.about, rules, index.assumed) };
  };
  const added = believed(evidence);
  if (!added) return undefined;
  const before = evidence.given.flatMap((claim) => believed(claim) ?? []);
  const [without, together] = [likelihoods(index, before), likelihoods(index, [...before, added])];
  // A part in no catalogue came out of an engine like any other: to it, and to a pattern without fitments, the claim
  // says nothing.
  return {
    evidence,
    form: 'all',
    byRow: Int32Array.from(together.byRow, (likelihood, row) =>
      likelihood === 0 ? 0 : fixed(Math.log((likelihood / together.mean) * (without.mean / (without.byRow[row] ?? 1)))),
    ),
  };
}

interface Believed {
  readonly claimed: Claimed;
  /** Chance that it is right, where it is meant of this engine. */
  readonly right: number;
}

/** P(all the claims | pattern), 0 for a pattern without fitments; and the mean over those that have some. */
function likelihoods(
  { kind, fitments, patterns, assumed }: CatalogueIndex,
  claims: readonly Believed[],
): { readonly byRow: Float64Array; readonly mean: number } {
  const byRow = new Float64Array(patterns.length);
  if (claims.length === 0) return { byRow: byRow.fill(1), mean: 1 };
  const built = Float64Array.from(
    fitments.variant,
    (_variant, at) => (fitments.share[at] ?? 1) * monthsFitted(fitments, at),
  );
  /** P(the claims | papers of the engine of this fitment). */
  const told = Float64Array.from(fitments.variant, (_variant, at) =>
    claims.reduce((all, { claimed, right }) => all * (right * claimed.chance(at) + (1 - right) * claimed.base), 1),
  );
  // Papers of another engine, or of the one that a part was put into later, agree with each other all the same.
  const ofAnother = meanOf(told, built);
  // An engine did not come out of an engine.
  const original = kind === 'variant' ? 1 : assumed.original;
  const theirs = original * assumed.papers;
  const { starts, items } = fitments.ofPattern;
  let sum = 0;
  let fitted = 0;
  for (let row = 0; row < patterns.length; row++) {
    const [from = 0, to = 0] = [starts[row], starts[row + 1]];
    if (from === to) continue;
    const places = items.subarray(from, to);
    byRow[row] = theirs * meanOf(told, built, places) + (1 - theirs) * ofAnother;
    sum += byRow[row] ?? 0;
    fitted++;
  }
  return { byRow, mean: sum / Math.max(1, fitted) };
}

/** Mean by weight, over all or over some of them. */
function meanOf(values: Float64Array, weights: Float64Array, places?: Uint32Array): number {
  let [sum, all] = [0, 0];
  for (let each = 0; each < (places ?? values).length; each++) {
    const at = places ? (places[each] as number) : each;
    sum += (weights[at] as number) * (values[at] as number);
    all += weights[at] as number;
  }
  return all > 0 ? sum / all : 0;
}

/** How long it was fitted so, months; as long as most are built where nobody says. */
function monthsFitted({ first, last }: CatalogueIndex['fitments'], fitment: number): number {
  const [from = 0, to = 0] = [first[fitment], last[fitment]];
  return from === 0 ? USUAL_RUN : Math.min(LONGEST_RUN, to - from + 1);
}

const USUAL_RUN = 12 * 10;

import type { HouseRules } from '../../shop/houseRules.js';
import { ASSUMED } from '../assumptions.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { claimedOf, type Claimed } from '../claimed.js';
import type { ClaimEvidence } from '../evidence.js';
import { fixed, type Weighed } from './weighed.js';

/** How far a claim is believed, after the house rule. */
export function claimTrust(about: ClaimEvidence['about'], rules: HouseRules): number {
  const usual = ASSUMED.claimRight[about];
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
 * What is claimed of the engine, through where patterns were fitted: a pattern gains as its engines agree with the
 * claim. Undefined where the catalogue knows nothing of such a year, number or name, so that the claim tells nothing.
 */
export function weighClaim(index: CatalogueIndex, evidence: ClaimEvidence, rules: HouseRules): Weighed | undefined {
  const claimed = claimedOf(index, evidence);
  return claimed && weighClaimed(index, evidence, claimed, claimTrust(evidence.about, rules) * ASSUMED.original);
}

function weighClaimed(
  { fitments, patterns }: CatalogueIndex,
  evidence: ClaimEvidence,
  claimed: Claimed,
  trust: number,
): Weighed {
  const { starts, items } = fitments.ofPattern;
  const likelihoods = new Float64Array(patterns.length);
  let sum = 0;
  let fitted = 0;
  for (let row = 0; row < patterns.length; row++) {
    const [from = 0, to = 0] = [starts[row], starts[row + 1]];
    if (from === to) continue;
    let weight = 0;
    let agrees = 0;
    for (let at = from; at < to; at++) {
      const fitment = items[at] ?? 0;
      const share = fitments.share[fitment] ?? 1;
      weight += share;
      agrees += share * claimed.chance(fitment);
    }
    const likelihood = trust * (agrees / weight) + (1 - trust) * claimed.base;
    likelihoods[row] = likelihood;
    sum += likelihood;
    fitted++;
  }
  const mean = sum / Math.max(1, fitted);
  // A part in no catalogue came out of an engine like any other: to it, and to a pattern without fitments, the claim
  // says nothing.
  return {
    evidence,
    form: 'all',
    byRow: Int32Array.from(likelihoods, (likelihood) => (likelihood === 0 ? 0 : fixed(Math.log(likelihood / mean)))),
  };
}

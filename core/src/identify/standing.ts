import type { HouseRules } from '../shop/houseRules.js';
import {
  CORROBORATES,
  decibans,
  MIDDLING_CONTRADICTIONS,
  PROBABLE_FROM,
  SET_APART,
  SET_APART_BY_LOOKS,
  SETTLED_FROM,
  STRONG_CONTRADICTION,
} from './assumptions.js';
import type { Candidate, Pull } from './candidate.js';
import type { Known } from './ownValue.js';
import { likeliest } from './scores.js';
import { FIXED, ratioAt, type Weighed } from './weigh/weighed.js';

/**
 * How sure the answer is: *settled*, one candidate beyond reasonable doubt and nothing strong against it; *probable*,
 * one well ahead; *open*; *sister*, most likely in no catalogue, but like one of it; *nothing fits*, like none of it;
 * *no evidence*, nothing read yet.
 */
export const STATUSES = ['settled', 'probable', 'open', 'sister', 'nothingFits', 'noEvidence'] as const;
export type Status = (typeof STATUSES)[number];

/** What keeps an answer that is likely enough from being settled. */
export type HeldBy = 'contradiction' | 'houseRule' | 'looksOnly';

/** As many that stand behind the first are looked at. */
const RIVALS = 24;

/** Sizes, marks, and parts named by them: what a copy does not share. */
const bearsOut = ({ sort }: Pick<Pull, 'sort'>): boolean => sort === 'size' || sort === 'mark' || sort === 'part';

/** A strong contradiction; or one that is none only because what is on record may be wrong. */
export const isStronglyAgainst = ({ decibans: by, recordDoubtful }: Pull): boolean =>
  by <= STRONG_CONTRADICTION || recordDoubtful === true;

/**
 * How sure an answer is, and what keeps it from being settled.
 *
 * @param candidates likeliest first, sisters among them
 * @param none probability of a part in no catalogue that is none of these sisters
 */
export function standing(
  candidates: readonly Candidate[],
  none: number,
  known: Known,
  rules: HouseRules = {},
): { readonly status: Status; readonly heldBy?: HeldBy } {
  const [first] = candidates;
  if (known.weighed.length === 0) return { status: 'noEvidence' };
  const borneOut = first?.pulls.reduce((sum, pull) => sum + (bearsOut(pull) ? Math.max(0, pull.decibans) : 0), 0) ?? 0;
  const looksOnly = !first?.pulls.some(bearsOut);
  const alike = candidates.filter(({ own }) => own).reduce((sum, { probability }) => sum + probability, 0);
  if (!first || (none + alike >= PROBABLE_FROM && !looksOnly))
    return { status: first?.own && alike >= none ? 'sister' : 'nothingFits' };
  if (first.own) return { status: 'open' };
  const likely = first.probability >= PROBABLE_FROM ? 'probable' : 'open';
  // Several middling contradictions weigh as one that is strong.
  const against = first.pulls.reduce((sum, { decibans: by }) => sum + Math.min(0, by), 0);
  if (first.pulls.some(isStronglyAgainst) || against <= MIDDLING_CONTRADICTIONS)
    return { status: likely, heldBy: 'contradiction' };
  if (first.probability < SETTLED_FROM) return { status: likely };
  // A copy by another maker looks the same: looks name no part without a mark or a size beside them.
  if (borneOut < CORROBORATES || !isSetApart(known)) return { status: 'probable', heldBy: 'looksOnly' };
  const unmeasured =
    rules.marks === 'measure' && !first.pulls.some((pull) => pull.sort === 'size' && pull.decibans > 0);
  return unmeasured ? { status: 'probable', heldBy: 'houseRule' } : { status: 'settled' };
}

/**
 * Whether marks and sizes, or several looks, set the first apart from each that stands near it: what both share tells
 * neither from the other.
 */
function isSetApart({ posterior, weighed }: Known): boolean {
  const [row = 0, ...rivals] = likeliest(posterior, RIVALS).map((place) => posterior.rows[place] ?? 0);
  const telling = weighed.filter(({ evidence }) => bearsOut(evidence));
  const looks = weighed.filter(({ evidence }) => evidence.sort === 'look' || evidence.sort === 'face');
  return rivals.every((other) => {
    const apart = (each: Weighed) => decibans((ratioAt(each, row) - ratioAt(each, other)) / FIXED);
    if (telling.reduce((sum, each) => sum + apart(each), 0) >= SET_APART) return true;
    // One look may be misjudged or the one thing that a sister shares; two that agree tell as well.
    const byLooks = looks.map(apart).filter((by) => by > 0);
    return byLooks.length > 1 && byLooks.reduce((sum, by) => sum + by, 0) >= SET_APART_BY_LOOKS;
  });
}

import { compareFaces } from '../catalogue/facePattern.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import { assumedOf, LEARNT_IDS, type Assumed, type LearntId } from '../identify/assumptions.js';
import { stepsMeasured } from '../identify/besideSteps.js';
import type { CatalogueIndex } from '../identify/catalogueIndex.js';
import { claimedOf } from '../identify/claimed.js';
import { listAt } from '../identify/columns.js';
import type { LookEvidence, MarkEvidence, SizeEvidence } from '../identify/evidence.js';
import { sizeDensity } from '../identify/sizeLikelihood.js';
import { besideColumn } from '../identify/weigh/index.js';
import { toldWrong } from '../identify/weigh/look.js';
import { unrecorded } from '../identify/weigh/mark.js';
import { sizeMistaken, sizeRatios } from '../identify/weigh/size.js';
import { FIXED, ratioAt, type Weighed } from '../identify/weigh/weighed.js';
import type { ConfirmedCase } from './cases.js';
import { carriedByBlock } from './fromTheFirst.js';

/** How many cases the present value of a chance is taken to stand for. */
export const PRIOR_CASES = 100;

/** A chance taken for granted, beside what confirmed parts make of it. */
interface Reestimated {
  readonly id: LearntId;
  /** What is gone by now. */
  readonly present: number;
  /** How many times it could have happened. */
  readonly cases: number;
  /** How often it did, as far as can be told: slips and wear are seen only by how likely they make what was read. */
  readonly seen: number;
  /** Mean of what is believed after seeing that, the present value being worth PRIOR_CASES cases. */
  readonly posterior: number;
  /** Two standard deviations about it. */
  readonly low: number;
  readonly high: number;
}

/** By chance: how many times it could have happened, and how often it did. */
class Tally {
  private readonly counts = new Map<LearntId, { cases: number; seen: number }>();

  /** @param share how surely it happened */
  add(id: LearntId, share: number): void {
    const known = this.counts.get(id) ?? { cases: 0, seen: 0 };
    this.counts.set(id, { cases: known.cases + 1, seen: known.seen + share });
  }

  of = (id: LearntId) => this.counts.get(id) ?? { cases: 0, seen: 0 };
}

/**
 * The chances that identification takes for granted, estimated anew from parts whose name is known. Posterior means of
 * beta distributions, the present values as the prior; what cannot be seen itself counts by its share in what was read
 * (one step of expectation and maximisation: A. P. Dempster et al., J. R. Stat. Soc. B 39 (1977) 1).
 */
export function reestimate(
  cases: readonly ConfirmedCase[],
  assumed: Assumed,
  catalogue: Pick<CatalogueLookup, 'fittedIn' | 'pattern'>,
): Reestimated[] {
  const tally = new Tally();
  // What was put in later is mostly of what such engines had as well.
  for (const carried of carriedByBlock(cases, catalogue))
    tally.add('original', carried ? shareOf(assumed.original, 1, assumed.replacedByFitting) : 0);
  for (const { was, identification } of cases) {
    tally.add('notInCatalogue', was === undefined ? 1 : 0);
    const row = was === undefined ? -1 : identification.index.patterns.indexOf(was);
    if (row >= 0) for (const each of identification.weighed) count(tally, identification.index, row, each);
  }
  return LEARNT_IDS.map((id): Reestimated => {
    const present = assumedOf(assumed, id);
    const { cases: happened, seen } = tally.of(id);
    const [a, b] = [present * PRIOR_CASES + seen, (1 - present) * PRIOR_CASES + happened - seen];
    const posterior = a / (a + b);
    // The standard deviation of a beta distribution.
    const spread = 2 * Math.sqrt((a * b) / ((a + b) ** 2 * (a + b + 1)));
    return {
      id,
      present,
      cases: happened,
      seen,
      posterior,
      low: Math.max(0, posterior - spread),
      high: Math.min(1, posterior + spread),
    };
  });
}

function count(tally: Tally, index: CatalogueIndex, row: number, weighed: Weighed): void {
  const { evidence } = weighed;
  switch (evidence.sort) {
    case 'size':
      countSize(tally, index, row, evidence);
      return;
    case 'face': {
      const column = index.faces.get(evidence.face.id);
      const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
      const compared = recorded === undefined ? 'perhaps' : compareFaces(evidence.pattern, recorded);
      if (compared !== 'perhaps') tally.add('faceMistaken', compared === 'other' ? 1 : 0);
      return;
    }
    case 'mark':
      countMark(tally, index, row, evidence, weighed);
      return;
    case 'claim': {
      const claimed = claimedOf(index, evidence);
      const places = [...listAt(index.fitments.ofPattern, row)];
      if (!claimed || places.length === 0) return;
      const agrees = places.reduce((sum, at) => sum + claimed.chance(at), 0) / places.length;
      tally.add(
        `claimRight.${evidence.about}`,
        shareOf(index.assumed.claimRight[evidence.about], agrees, claimed.base),
      );
      return;
    }
    case 'look':
      countLook(tally, index, row, evidence);
      return;
    case 'step':
    case 'part':
      return;
  }
}

/** How surely the first of two explanations is the one, which is the case with this chance beforehand. */
function shareOf(chance: number, first: number, second: number): number {
  const all = chance * first + (1 - chance) * second;
  return all > 0 ? (chance * first) / all : 0;
}

function countSize(tally: Tally, index: CatalogueIndex, row: number, evidence: SizeEvidence): void {
  const { assumed } = index;
  const column = index.sizes.get(evidence.parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (!column || !size) return;
  const { densityAt, chance } = sizeRatios(assumed, column, evidence, besideColumn(index, evidence));
  const density = densityAt(row);
  // One that was read twice is hardly a slip, and tells little of how common those are.
  if (!evidence.confirmed) tally.add('sizeMistaken', shareOf(sizeMistaken(assumed, evidence), chance, density));
  if (density <= chance) return;
  if (size.service.length > 0) tally.add('standardSize', stepsMeasured(size, evidence)[0] ?? 0);
  if (evidence.parameter.wear === 'neither') return;
  const worn = (muchWorn: number) =>
    sizeDensity(size, evidence.parameter, evidence.estimate, evidence.step, undefined, { ...assumed, muchWorn });
  tally.add('muchWorn', shareOf(assumed.muchWorn, worn(1), worn(0)));
}

function countLook(tally: Tally, index: CatalogueIndex, row: number, { feature, option, not }: LookEvidence): void {
  const column = index.looks.get(feature.id);
  const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
  // What something is not tells hardly anything of how often it is told wrong.
  if (recorded === undefined || not) return;
  // Of those told wrong some are hard to tell.
  const mistaken = index.assumed.lookMistaken / toldWrong(index.assumed, feature);
  tally.add('lookMistaken', recorded === option ? 0 : mistaken);
}

function countMark(tally: Tally, index: CatalogueIndex, row: number, evidence: MarkEvidence, weighed: Weighed): void {
  if (weighed.form !== 'few') return;
  const marks = [...listAt(index.marks.ofPattern, row)].flatMap((code) => index.marks.distinct[code] ?? []);
  if (evidence.positions.length === 0) {
    const there = marks.some(({ place }) => place !== undefined && (evidence.place ?? place) === place);
    if (there) tally.add('markGone', 1);
    return;
  }
  // Against a pattern that lacks the mark it weighs what such a mark weighs by chance alone.
  const byChance = Math.exp(Math.min(0, (weighed.base - ratioAt(weighed, row)) / FIXED));
  if (unrecorded(index, evidence) === index.assumed.markUnrecorded) tally.add('markUnrecorded', byChance);
  if (byChance < 0.5 && evidence.place !== undefined && marks.some(({ place }) => place === evidence.place))
    tally.add('markGone', 0);
}

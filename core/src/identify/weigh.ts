import { Aligner, logChance } from '../marks/alignment.js';
import type { Mark } from '../catalogue/pattern.js';
import type { Making } from '../dictionary/definition.js';
import { ASSUMED } from './assumptions.js';
import type { CatalogueIndex, Column, MarkColumn } from './catalogueIndex.js';
import type { Evidence } from './evidence.js';
import { chanceDensity, sizeDensity } from './sizeLikelihood.js';

/**
 * What one piece of evidence says of every pattern: `ln P(evidence | pattern) / P(evidence | a part in no catalogue)`.
 * By pattern through `codes` where patterns share values, or directly.
 */
export interface Weighed {
  readonly evidence: Evidence;
  /** ln ratio by code, or by pattern where `codes` is absent. */
  readonly logRatios: Float64Array;
  readonly codes?: Uint32Array;
}

type SizeEvidence = Extract<Evidence, { sort: 'size' }>;
type LookEvidence = Extract<Evidence, { sort: 'look' }>;
type MarkEvidence = Extract<Evidence, { sort: 'mark' }>;

/** Weighs one piece of evidence against the whole catalogue; undefined where the catalogue has nothing to hold it against. */
export function weigh(index: CatalogueIndex, evidence: Evidence): Weighed | undefined {
  switch (evidence.sort) {
    case 'size': {
      const column = index.sizes.get(evidence.parameter.id);
      return column && weighSize(column, evidence);
    }
    case 'look': {
      const column = index.looks.get(evidence.feature.id);
      return column && weighLook(column, evidence);
    }
    case 'mark':
      return index.marks.distinct.length > 0 ? weighMark(index.marks, index.patterns.length, evidence) : undefined;
  }
}

/** Mean over the patterns that state a value, of what is given by code. */
function meanByCode<T>(column: Column<T>, byCode: Float64Array): number {
  let sum = 0;
  let stated = 0;
  for (let code = 1; code < byCode.length; code++) {
    const count = column.counts[code] ?? 0;
    sum += count * (byCode[code] ?? 0);
    stated += count;
  }
  return stated > 0 ? sum / stated : 0;
}

function weighSize(column: Column<Parameters<typeof sizeDensity>[0]>, evidence: SizeEvidence): Weighed {
  const densities = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((size, at) => (densities[at + 1] = sizeDensity(size, evidence.parameter, evidence.estimate)));
  const chance = chanceDensity(evidence.parameter, evidence.estimate.mean);
  const unknown = (1 - ASSUMED.sharedSize) * chance + ASSUMED.sharedSize * meanByCode(column, densities);
  const mistaken = ASSUMED.sizeMistaken;
  const logRatios = densities.map((density, code) => (code === 0 ? 0 : Math.log(((1 - mistaken) * density + mistaken * chance) / unknown)));
  return { evidence, logRatios, codes: column.codes };
}

function weighLook(column: Column<string>, evidence: LookEvidence): Weighed {
  const { feature, option } = evidence;
  const options = 'options' in feature.form ? feature.form.options.length : Math.min(6, feature.form.count.high - feature.form.count.low + 1);
  const wrong = feature.misjudged / Math.max(1, options - 1);
  const chances = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((each, at) => (chances[at + 1] = each === option ? 1 - feature.misjudged : wrong));
  const stated = column.codes.length - (column.counts[0] ?? 0);
  // Laplace's rule: an unknown part looks like the catalogue's parts, and a little like none of them.
  const unknown = (meanByCode(column, chances) * stated + 1) / (stated + options);
  return { evidence, logRatios: chances.map((chance, code) => (code === 0 ? 0 : Math.log(chance / unknown))), codes: column.codes };
}

function weighMark(marks: MarkColumn, patterns: number, evidence: MarkEvidence): Weighed {
  if (evidence.positions.length === 0) return weighNoMark(marks, patterns, evidence);
  const chance = Math.exp(logChance(evidence.positions));
  const aligners = new Map<Making, Aligner>();
  const byMark = new Float64Array(marks.distinct.length);
  for (let at = 0; at < byMark.length; at++) {
    const mark = marks.distinct[at] as Mark;
    const making = evidence.making ?? mark.making;
    let aligner = aligners.get(making);
    if (!aligner) aligners.set(making, (aligner = new Aligner(evidence.positions, making)));
    if (!aligner.mayExplain(marks.characters[2 * at] as number, marks.characters[2 * at + 1] as number)) continue;
    byMark[at] = Math.exp(aligner.logLikelihood(mark.text)) * placing(mark, evidence.making, evidence.place);
  }
  const likelihoods = new Float64Array(patterns);
  let sum = 0;
  let stated = 0;
  for (let row = 0; row < patterns; row++) {
    const [from, to] = [marks.offsets[row] ?? 0, marks.offsets[row + 1] ?? 0];
    if (from === to) {
      likelihoods[row] = -1;
      continue;
    }
    let best = 0;
    for (let at = from; at < to; at++) best = Math.max(best, byMark[marks.codes[at] ?? 0] ?? 0);
    const likelihood = (1 - ASSUMED.markUnrecorded) * best + ASSUMED.markUnrecorded * chance;
    likelihoods[row] = likelihood;
    sum += likelihood;
    stated++;
  }
  const unknown = (1 - ASSUMED.sharedMark) * chance + ASSUMED.sharedMark * (stated > 0 ? sum / stated : chance);
  return { evidence, logRatios: likelihoods.map((likelihood) => (likelihood < 0 ? 0 : Math.log(likelihood / unknown))) };
}

/** "No mark here": against patterns that record one in that place. */
function weighNoMark(marks: MarkColumn, patterns: number, evidence: MarkEvidence): Weighed {
  const logRatios = new Float64Array(patterns);
  for (let row = 0; row < patterns; row++) {
    let recorded = false;
    for (let at = marks.offsets[row] ?? 0; at < (marks.offsets[row + 1] ?? 0); at++) {
      const mark = marks.distinct[marks.codes[at] ?? 0];
      if (mark?.place !== undefined && (evidence.place === undefined || mark.place === evidence.place)) recorded = true;
    }
    logRatios[row] = recorded ? Math.log(ASSUMED.markGone / 0.5) : Math.log((1 - ASSUMED.markGone) / 0.5);
  }
  return { evidence, logRatios };
}

/** What it costs that a mark is found elsewhere, or made otherwise, than the catalogue records. */
function placing(mark: { readonly making: Making; readonly place?: string }, making: Making | undefined, place: string | undefined): number {
  const otherMaking = making !== undefined && mark.making !== 'tag' && making !== mark.making;
  const otherPlace = place !== undefined && mark.place !== undefined && place !== mark.place;
  return (otherMaking ? ASSUMED.elsewhere : 1) * (otherPlace ? ASSUMED.elsewhere : 1);
}

import { sayLook } from '../../dictionary/dictionary.js';
import { compareFaces } from '../../catalogue/facePattern.js';
import type { Sentence } from '../../quantity/sentence.js';
import { ASSUMED } from '../assumptions.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import type { Column } from '../columns.js';
import type { Evidence, FaceEvidence, LookEvidence } from '../evidence.js';
import { claimReason } from './claim.js';
import { markReason } from './mark.js';
import { notStated } from './notStated.js';
import { sizeReason, stepReason } from './size.js';

/**
 * Why `evidence` weighs as it does for the pattern in row `row`, as a sentence.
 * @param logRatio its weight, above 0 when it speaks for the pattern
 */
export function reasonFor(index: CatalogueIndex, row: number, evidence: Evidence, logRatio: number): Sentence {
  switch (evidence.sort) {
    case 'size':
      return [
        ...sizeReason(index, row, evidence, logRatio > 0),
        ...disputeSaid(index.sizes.get(evidence.parameter.id), row),
      ];
    case 'step':
      return stepReason(index, row, evidence);
    case 'look':
      return [...lookReason(index, row, evidence), ...disputeSaid(index.looks.get(evidence.feature.id), row)];
    case 'face':
      return faceReason(index, row, evidence);
    case 'mark':
      return markReason(index, row, evidence);
    case 'claim':
      return claimReason(index, row, evidence);
    case 'part':
      return evidence.say(row);
  }
}

/** That sources contradict each other about the value that was weighed: an answer that rests on it says so. */
const disputeSaid = (column: Column<unknown> | undefined, row: number): Sentence =>
  column?.wrong[column.codes[row] ?? 0] === ASSUMED.disputedWrong ? [' Sources disagree about what it has there.'] : [];

function lookReason(index: CatalogueIndex, row: number, { feature, option, not }: LookEvidence): Sentence {
  const column = index.looks.get(feature.id);
  const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (recorded === undefined) return notStated(feature.name);
  const seen = `Seen ${not ? 'not to be ' : ''}${sayLook(feature, option)}`;
  return (recorded === option) !== not
    ? [not ? `${seen}: this one has ${sayLook(feature, recorded)}.` : `${seen}, as the catalogue has it.`]
    : [`${seen}, but this one has ${sayLook(feature, recorded)}.`];
}

function faceReason(index: CatalogueIndex, row: number, { face, pattern }: FaceEvidence): Sentence {
  const column = index.faces.get(face.id);
  const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (recorded === undefined) return notStated(face.name);
  switch (compareFaces(pattern, recorded)) {
    case 'same':
      return [`${face.name} ${recorded}, as the catalogue has it.`];
    case 'perhaps':
      return [`${face.name} ${pattern}, which may be what the catalogue calls ${recorded}.`];
    case 'other':
      return [`${face.name} ${pattern}, but this one has ${recorded}.`];
  }
}

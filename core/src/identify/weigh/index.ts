import type { HouseRules } from '../../shop/houseRules.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import type { Evidence, SizeEvidence, StepEvidence } from '../evidence.js';
import { weighClaim } from './claim.js';
import { weighFace } from './face.js';
import { weighLook } from './look.js';
import { weighMark } from './mark.js';
import { weighSize, weighStep } from './size.js';
import type { Weighed } from './weighed.js';

/**
 * Weighs one piece of evidence against the whole catalogue; undefined where the catalogue has nothing to hold it
 * against.
 *
 * @param was what the same reading weighed before, beside other readings (`isSameSize`)
 */
export function weigh(
  index: CatalogueIndex,
  evidence: Evidence,
  rules: HouseRules = {},
  was?: Weighed,
): Weighed | undefined {
  switch (evidence.sort) {
    case 'size': {
      const column = index.sizes.get(evidence.parameter.id);
      return column && weighSize(index.assumed, column, evidence, besideColumn(index, evidence), was);
    }
    case 'step': {
      const column = index.sizes.get(evidence.parameter.id);
      return column && weighStep(index.assumed, column, evidence, besideColumn(index, evidence));
    }
    case 'look': {
      const column = index.looks.get(evidence.feature.id);
      return column && weighLook(index.assumed, column, evidence);
    }
    case 'face': {
      const column = index.faces.get(evidence.face.id);
      return column && weighFace(index.assumed, column, evidence);
    }
    case 'mark':
      return index.marks.distinct.length > 0 || index.schemes.length > 0 ? weighMark(index, evidence) : undefined;
    case 'claim':
      return weighClaim(index, evidence, rules);
    case 'part':
      return undefined;
  }
}

/** Whether two pieces of evidence are one measured size, whatever it is told beside. */
export const isSameSize = (a: Evidence, b: Evidence): boolean =>
  a.sort === 'size' &&
  b.sort === 'size' &&
  a.parameter === b.parameter &&
  a.estimate.mean === b.estimate.mean &&
  a.estimate.uncertainty === b.estimate.uncertainty &&
  a.step === b.step &&
  a.confirmed === b.confirmed;

/** The column of the size that a size or its step is told beside. */
export const besideColumn = ({ sizes }: CatalogueIndex, { given }: Pick<SizeEvidence | StepEvidence, 'given'>) =>
  given && sizes.get(given.parameter.id);

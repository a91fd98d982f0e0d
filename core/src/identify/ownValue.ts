import type { CatalogueIndex } from './catalogueIndex.js';
import type { Evidence, SizeEvidence } from './evidence.js';
import { likeliest, type Posterior } from './scores.js';
import { explainSize } from './sizeLikelihood.js';
import { FIXED, ratioAt, type Weighed } from './weigh/weighed.js';

/** What is known of a part: the catalogue, how likely its patterns are, and what was read and weighed. */
export interface Known {
  readonly index: CatalogueIndex;
  readonly posterior: Posterior;
  readonly weighed: readonly Weighed[];
}

/** What a sister of a pattern has of its own. */
export interface OwnValue {
  /** The words of the reading. */
  readonly text: string;
  /** Id of the size, look or face; absent for a mark. */
  readonly id?: string;
  /** Whether a repeat or a second instrument bears it out. */
  readonly confirmed: boolean;
  /** Id of another pattern that has it so. */
  readonly asOn?: string;
  /** Whether no wear, but only work, makes a part of the pattern so: a journal larger than new. */
  readonly againstWear: boolean;
}

/** How many are looked at for one that has what a sister has. */
const LOOKED_AT = 64;
/** From this on, natural units, a reading bears out a pattern. */
const BORNE_OUT = 1;

/**
 * What a sister of a pattern has of its own, by one piece of evidence.
 *
 * @param row of the pattern
 */
export function ownValue({ index, posterior, weighed: all }: Known, row: number, evidence: Evidence): OwnValue {
  const weighed = all.find((each) => each.evidence === evidence);
  // The likeliest of those that bear it out: a part may be put together of two, or a size be shared by sisters.
  const as = likeliest(posterior, LOOKED_AT).find(
    (place) => weighed && ratioAt(weighed, posterior.rows[place] ?? 0) / FIXED > BORNE_OUT,
  );
  const asOn = as === undefined ? undefined : index.patterns[posterior.rows[as] ?? 0];
  const size = evidence.sort === 'size' ? evidence : undefined;
  const id = idOf(evidence);
  const beyond = size ? beyondRecorded(index, row, size) : 0;
  return {
    text: evidence.text,
    ...(id === undefined ? {} : { id }),
    confirmed: size?.confirmed ?? false,
    ...(asOn === undefined ? {} : { asOn }),
    againstWear:
      size !== undefined &&
      (size.parameter.wear === 'shrinks' ? beyond > 0 : size.parameter.wear === 'grows' && beyond < 0),
  };
}

function idOf(evidence: Evidence): string | undefined {
  switch (evidence.sort) {
    case 'size':
      return evidence.parameter.id;
    case 'look':
      return evidence.feature.id;
    case 'face':
      return evidence.face.id;
    case 'mark':
    case 'step':
    case 'claim':
    case 'part':
      return undefined;
  }
}

/** How far a measured size lies outside what a pattern has, signed. */
function beyondRecorded(index: CatalogueIndex, row: number, { parameter, estimate, step }: SizeEvidence): number {
  const column = index.sizes.get(parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  return size ? explainSize(size, parameter, estimate, step).beyond : 0;
}

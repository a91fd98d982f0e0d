import { parameterOf } from '../../dictionary/dictionary.js';
import type { Identification } from '../identify.js';
import { decibans, STRONG_CONTRADICTION } from '../assumptions.js';
import type { SizeEvidence } from '../evidence.js';
import { likeliest } from '../scores.js';
import { FIXED, ratioAt } from '../weigh/weighed.js';
import type { NextCheck } from './checks.js';

/** A size to be measured once more, and how open it is whether it was a slip, bits. */
export interface OnceMore {
  readonly check: NextCheck;
  readonly bits: number;
}

/**
 * The size that speaks strongly against the likeliest pattern and was read only once: a slip, or what makes the part
 * another. Nothing tells more than to take it again. Undefined where there is none.
 */
export function onceMore(identification: Identification): OnceMore | undefined {
  const { posterior, weighed, hypotheses } = identification;
  const [place] = likeliest(posterior, 1);
  const row = place === undefined ? undefined : posterior.rows[place];
  if (place === undefined || row === undefined) return undefined;
  const sizes = weighed.flatMap((each) =>
    each.evidence.sort === 'size' ? [{ evidence: each.evidence, weight: decibans(ratioAt(each, row) / FIXED) }] : [],
  );
  const doubtful = sizes
    .filter(({ evidence, weight }) => !evidence.confirmed && weight <= STRONG_CONTRADICTION)
    // One that fits beside it has answered already.
    .filter(
      ({ evidence }) => !sizes.some((other) => other.weight > 0 && other.evidence.parameter === evidence.parameter),
    )
    .sort((a, b) => a.weight - b.weight || (a.evidence.parameter.id < b.evidence.parameter.id ? -1 : 1))[0];
  if (!doubtful) return undefined;
  const recorded = (posterior.probabilities[place] ?? 0) * hypotheses.asRecorded;
  const sister = hypotheses.sisters.find((each) => each.row === row)?.probability ?? 0;
  const share = recorded / Math.max(recorded + sister + hypotheses.none, 1e-12);
  return { check: checkOf(doubtful.evidence), bits: entropyOf(share) * (recorded + sister + hypotheses.none) };
}

const checkOf = ({ parameter, tool, text }: SizeEvidence): NextCheck => {
  const { id, name, definition, minutes, reach, drawing } = parameterOf(parameter.id);
  return {
    id,
    sort: 'size',
    onceMore: true,
    name: `${name}, once more`,
    how: `“${text}” speaks strongly against the likeliest: a slip, or what makes this part another. ${definition}`,
    tool,
    minutes,
    reach,
    dismantling: 0,
    ...(drawing === undefined ? {} : { drawing }),
  };
};

const entropyOf = (share: number): number =>
  share <= 0 || share >= 1 ? 0 : -share * Math.log2(share) - (1 - share) * Math.log2(1 - share);

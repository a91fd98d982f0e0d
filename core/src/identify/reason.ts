import { markPlaceOf, sayLook } from '../dictionary/dictionary.js';
import type { Making, Parameter } from '../dictionary/definition.js';
import { Aligner, type Alignment } from '../marks/alignment.js';
import type { Mark } from '../catalogue/pattern.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import type { Evidence } from './evidence.js';
import { explainSize, type SizeExplanation } from './sizeLikelihood.js';

type SizeEvidence = Extract<Evidence, { sort: 'size' }>;
type LookEvidence = Extract<Evidence, { sort: 'look' }>;
type MarkEvidence = Extract<Evidence, { sort: 'mark' }>;

/**
 * Why `evidence` weighs as it does for the pattern in row `row`, as a sentence.
 * @param logRatio its weight, above 0 when it speaks for the pattern
 */
export function reasonFor(index: CatalogueIndex, row: number, evidence: Evidence, logRatio: number): Sentence {
  switch (evidence.sort) {
    case 'size':
      return sizeReason(index, row, evidence, logRatio > 0);
    case 'look':
      return lookReason(index, row, evidence);
    case 'mark':
      return markReason(index, row, evidence);
  }
}

const notStated = (what: string): Sentence => [`${what}: the catalogue does not say, so it counts neither way.`];

function lookReason(index: CatalogueIndex, row: number, { feature, option }: LookEvidence): Sentence {
  const column = index.looks.get(feature.id);
  const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (recorded === undefined) return notStated(feature.name);
  return recorded === option
    ? [`Seen ${sayLook(feature, option)}, as the catalogue has it.`]
    : [`Seen ${sayLook(feature, option)}, but this one has ${sayLook(feature, recorded)}.`];
}

function sizeReason(index: CatalogueIndex, row: number, evidence: SizeEvidence, agrees: boolean): Sentence {
  const { parameter, estimate } = evidence;
  const column = index.sizes.get(parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (!size) return notStated(parameter.name);
  const explanation = explainSize(size, parameter, estimate);
  const { step, limits, outside } = explanation;
  const limitsSaid = band(limits, parameter.quantity);
  const by = value(Math.abs(outside), parameter.quantity);
  const side = outside < 0 ? 'under' : 'over';
  const named = stepName(step, size.service[step - 1]);
  if (outside === 0) {
    if (!agrees) return sentence`Inside the ${named} limits ${limitsSaid}, but so are many others.`;
    return step === 0 ? sentence`Inside the standard limits ${limitsSaid}.` : sentence`${capital(named)}: inside its limits ${limitsSaid}.`;
  }
  if (!agrees) return sentence`${by} ${side} the ${named} limits ${limitsSaid}: too far for wear or the instrument.`;
  const why = leftOver(parameter, explanation);
  return step === 0
    ? sentence`${by} ${side} the standard limits ${limitsSaid}: ${why}.`
    : sentence`${capital(named)}, and ${by} ${side} its limits ${limitsSaid}: ${why}.`;
}

/** What accounts for a size just outside its limits. */
function leftOver(parameter: Parameter, { outside, pastWearLimit }: SizeExplanation): string {
  const worn = parameter.wear === 'shrinks' ? outside < 0 : parameter.wear === 'grows' ? outside > 0 : false;
  if (!worn) return 'within what the instrument can tell';
  if (pastWearLimit) return 'worn, and past its wear limit';
  return parameter.wear === 'shrinks' ? 'worn, or a light polish' : 'worn';
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth', 'eleventh', 'twelfth'];

function stepName(step: number, shift: number | undefined): string {
  if (step === 0 || shift === undefined) return 'standard';
  return `${ORDINALS[step - 1] ?? `${step}th`} ${shift < 0 ? 'undersize' : 'oversize'}`;
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A reading further from a mark than this many unusual slips is said to be a different mark. */
const UNUSUAL_SLIPS = 1;

function markReason(index: CatalogueIndex, row: number, evidence: MarkEvidence): Sentence {
  const { offsets, codes, distinct } = index.marks;
  const marks = Array.from(codes.subarray(offsets[row] ?? 0, offsets[row + 1] ?? 0), (code) => distinct[code]).filter((mark) => mark !== undefined);
  if (marks.length === 0) return notStated('Marks');
  if (evidence.positions.length === 0) {
    const recorded = marks.find((mark) => mark.place !== undefined && (evidence.place === undefined || mark.place === evidence.place));
    return [recorded ? `No mark found, where ${recorded.text} should be.` : 'No mark found, and none is recorded there.'];
  }
  let best: { readonly mark: Mark; readonly aligned: Alignment } | undefined;
  for (const mark of marks) {
    const aligned = new Aligner(evidence.positions, evidence.making ?? mark.making).align(mark.text);
    if (aligned && aligned.logLikelihood > (best?.aligned.logLikelihood ?? -Infinity)) best = { mark, aligned };
  }
  const unusual = best?.aligned.slips.filter((slip) => slip.kind !== 'misread' || !slip.common).length ?? 0;
  if (!best || unusual > UNUSUAL_SLIPS) return [`Its marks are ${marks.map((mark) => mark.text).join(', ')}: none of them reads like this.`];
  return [sayMark(best.mark, best.aligned, evidence)];
}

const SURFACE: Readonly<Record<Making, string>> = {
  cast: 'a sand casting',
  stamped: 'a worn stamping',
  etched: 'an etched mark',
  painted: 'old paint',
  tag: 'a tag',
};

function sayMark(mark: Mark, { slips, unread }: Alignment, evidence: MarkEvidence): string {
  const where = mark.place ? ` on the ${markPlaceOf(mark.place).name}` : '';
  const parts = slips.map((slip) => {
    switch (slip.kind) {
      case 'misread':
        return slip.common
          ? `${slip.truth} read as ${slip.read} is a common slip on ${SURFACE[mark.making]}`
          : `${slip.truth} read as ${slip.read} would be an unusual slip`;
      case 'missed':
        return `${slip.truth} was passed over`;
      case 'extra':
        return `${slip.read} is not recorded`;
    }
  });
  if (unread > 0) parts.push(`${unread} more ${unread === 1 ? 'character' : 'characters'} not read`);
  if (evidence.place !== undefined && mark.place !== undefined && mark.place !== evidence.place) parts.push('recorded in another place');
  return parts.length > 0 ? `${mark.text}${where}: ${parts.join('; ')}.` : `${mark.text}${where}, as read.`;
}

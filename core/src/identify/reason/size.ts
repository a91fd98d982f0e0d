import { capital, ordinal } from '../../quantity/phrase.js';
import type { Parameter } from '../../dictionary/definition.js';
import { band, saidIn, sentence, value, type Sentence } from '../../quantity/sentence.js';
import { isAsFamilyHas } from '../aloneInFamily.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import type { SizeEvidence, StepEvidence } from '../evidence.js';
import { explainSize, stepAt, type SizeExplanation } from '../sizeLikelihood.js';
import { notStated } from './notStated.js';

/** Why a measured size speaks for a pattern or against it, in the units in which it was typed. */
export const sizeReason = (index: CatalogueIndex, row: number, evidence: SizeEvidence, agrees: boolean): Sentence =>
  saidIn(reasonOf(index, row, evidence, agrees), evidence.typedIn);

function reasonOf(index: CatalogueIndex, row: number, evidence: SizeEvidence, agrees: boolean): Sentence {
  const { parameter, estimate, step: said } = evidence;
  const column = index.sizes.get(parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (!size) return notStated(parameter.name);
  const explanation = explainSize(size, parameter, estimate, said);
  const { step, limits, beyond } = explanation;
  const limitsSaid = band(limits, parameter.quantity);
  const by = value(Math.abs(beyond), parameter.quantity);
  const side = beyond < 0 ? 'under' : 'over';
  const named = stepName(step, size.service[step - 1]);
  if (beyond === 0) {
    if (!agrees) return sentence`Inside the ${named} limits ${limitsSaid}, but so are many others.`;
    return step === 0
      ? sentence`Inside the standard limits ${limitsSaid}.`
      : sentence`${capital(named)}: inside its limits ${limitsSaid}.`;
  }
  if (!agrees && isAsFamilyHas(column, row, evidence))
    return sentence`${by} ${side} the ${named} limits ${limitsSaid}, in which it stands alone in its family; the others have what was measured, so what is on record of this one may be wrong.`;
  if (!agrees)
    return sentence`${by} ${side} the ${named} limits ${limitsSaid}: too far for wear or the instrument, so a different part of similar size.`;
  const why = leftOver(parameter, explanation);
  return step === 0
    ? sentence`${by} ${side} the standard limits ${limitsSaid}: ${why}.`
    : sentence`${capital(named)}, and ${by} ${side} its limits ${limitsSaid}: ${why}.`;
}

/** What accounts for a size just outside its limits. */
function leftOver(parameter: Parameter, { beyond, pastWearLimit }: SizeExplanation): string {
  const worn = parameter.wear === 'shrinks' ? beyond < 0 : parameter.wear === 'grows' ? beyond > 0 : false;
  if (!worn) return 'within what the instrument can tell';
  if (pastWearLimit) return 'worn, and past its wear limit';
  return parameter.wear === 'shrinks' ? 'worn, or a light polish' : 'worn';
}

function stepName(step: number, shift: number | undefined): string {
  if (step === 0 || shift === undefined) return 'standard';
  return `${ordinal(step)} ${shift < 0 ? 'undersize' : 'oversize'}`;
}

/** What a service size said of the part means for the pattern. */
export function stepReason(index: CatalogueIndex, row: number, { parameter, offset }: StepEvidence): Sentence {
  const column = index.sizes.get(parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  if (!size) return notStated(parameter.name);
  const step = stepAt(size, offset);
  if (step === undefined)
    return [`It is not made in that service size${size.service.length === 0 ? ', nor in any' : ''}.`];
  const named = stepName(step, size.service[step - 1]);
  return [step === 0 ? 'Standard, as it is made.' : `${capital(named)}, one of its service sizes.`];
}

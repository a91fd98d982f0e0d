import type { Parameter } from '../dictionary/definition.js';
import { apart, middle } from '../quantity/interval.js';
import { difference, sentence, value, type Sentence } from '../quantity/sentence.js';
import type { ColumnSize } from './column.js';

/**
 * How two sizes stand to each other: the same within limits; one service step apart, so that one part reground or
 * bored would pass for the other; worn towards the other; or apart.
 */
export type Standing = 'same' | 'step' | 'worn' | 'apart';

export interface SizeJudgement {
  readonly standing: Standing;
  /** Middle of this one less middle of the first, inside unit. */
  readonly difference: number;
  readonly says: Sentence;
}

/** Worn this many times the usual wear, a size is still taken for the same one: *common practice, no source*. */
const WORN_AT_MOST = 6;

/** Holds a size against the first of its row. */
export function judgeSize(parameter: Parameter, first: ColumnSize, other: ColumnSize): SizeJudgement {
  const by = middle(other.limits) - middle(first.limits);
  const { quantity } = parameter;
  const judged = (standing: Standing, says: Sentence): SizeJudgement => ({ standing, difference: by, says });
  if (!apart(first.limits, other.limits)) return judged('same', ['Within tolerance: the same.']);
  const off = difference(by, quantity);
  const step =
    first.service.find((each) => !apart(shifted(first, each), other.limits)) ??
    other.service.find((each) => !apart(first.limits, shifted(other, each)));
  if (step !== undefined)
    return judged(
      'step',
      sentence`${off}: a service step of ${value(Math.abs(step), quantity)}. One machined would pass for the other.`,
    );
  const wornWay = parameter.wear === 'grows' ? 1 : parameter.wear === 'shrinks' ? -1 : 0;
  if ((first.measured || other.measured) && wornWay !== 0 && Math.abs(by) <= WORN_AT_MOST * parameter.usualWear) {
    const worn = other.measured ? by : -by;
    if (Math.sign(worn) === wornWay) return judged('worn', sentence`${off}: what wear takes. It can be the same.`);
  }
  const reach = Math.max(0, ...[...first.service, ...other.service].map(Math.abs));
  if (reach > 0 && Math.abs(by) > reach)
    return judged(
      'apart',
      sentence`${off}: more than the last service size of ${value(reach, quantity)} makes up. A different generation of part.`,
    );
  const what = describes(parameter) === 'variant' ? 'engine' : 'part';
  return judged('apart', sentence`${off}: outside the limits. A different ${what}.`);
}

/** The id of the kind that a parameter describes. */
const describes = ({ id }: Parameter): string => id.slice(0, id.indexOf('.'));

const shifted = ({ limits }: ColumnSize, by: number) => ({ low: limits.low + by, high: limits.high + by });

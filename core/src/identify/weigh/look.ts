import type { Feature } from '../../dictionary/definition.js';
import type { Assumed } from '../assumptions.js';
import type { Column } from '../columns.js';
import type { LookEvidence } from '../evidence.js';
import { meanByCode } from './size.js';
import { fixed, type Weighed } from './weighed.js';

/**
 * How many answers a look can have, for a part of which nothing is known. Counts are seldom spread over more than six.
 */
export const answersOf = ({ form }: Pick<Feature, 'form'>): number =>
  'options' in form ? form.options.length : Math.min(6, form.count.high - form.count.low + 1);

/** Chance that a look is told wrong: misjudged, as it is hard to tell, or mistaken, as happens with any. */
export const toldWrong = ({ lookMistaken }: Assumed, { misjudged }: Feature): number =>
  Math.min(1, lookMistaken + misjudged);

/**
 * Chance that a look is seen so, on a part that the catalogue says is so or otherwise.
 *
 * @param not whether it was seen not to be so
 */
export function lookChance(assumed: Assumed, feature: Feature, recorded: string, seen: string, not = false): number {
  const wrong = toldWrong(assumed, feature);
  const so = recorded === seen ? 1 - wrong : wrong * shareOfErrors(feature, recorded, seen);
  return not ? 1 - so : so;
}

/** Of counts that were taken wrongly, those that are off by one. */
const BY_ONE = 0.8;

/** Of all wrong answers, how many are this one: who miscounts is mostly off by one. */
function shareOfErrors({ form }: Feature, recorded: string, seen: string): number {
  const wrong = Math.max(1, answersOf({ form }) - 1);
  if ('options' in form) return 1 / wrong;
  const { low, high } = form.count;
  const neighbours = [Number(recorded) - 1, Number(recorded) + 1].filter((count) => count >= low && count <= high);
  if (neighbours.length === 0) return 1 / wrong;
  return neighbours.includes(Number(seen))
    ? BY_ONE / neighbours.length
    : (1 - BY_ONE) / Math.max(1, wrong - neighbours.length);
}

/**
 * Something seen, against an unknown part, which looks like the catalogue's and a little like none of them (Laplace's
 * rule).
 */
export function weighLook(assumed: Assumed, column: Column<string>, evidence: LookEvidence): Weighed {
  const { feature, option, not } = evidence;
  const chances = new Float64Array(column.distinct.length + 1);
  const answers = answersOf(feature);
  const byChance = (not ? answers - 1 : 1) / answers;
  column.distinct.forEach((each, at) => {
    const wrong = column.wrong[at + 1] ?? 0;
    chances[at + 1] = (1 - wrong) * lookChance(assumed, feature, each, option, not) + wrong * byChance;
  });
  const { mean, stated } = meanByCode(column, chances);
  const unknown = (mean * stated + (not ? answers - 1 : 1)) / (stated + answers);
  return {
    evidence,
    form: 'column',
    logUnknown: Math.log(unknown),
    codes: column.codes,
    byCode: Int32Array.from(chances, (chance, code) => (code === 0 ? 0 : fixed(Math.log(chance / unknown)))),
  };
}

import type { Feature } from '../../dictionary/definition.js';
import type { Column } from '../columns.js';
import type { LookEvidence } from '../evidence.js';
import { meanByCode } from './size.js';
import { fixed, type Weighed } from './weighed.js';

/**
 * How many answers a look can have, for a part of which nothing is known. Counts are seldom spread over more than six.
 */
export const answersOf = ({ form }: Feature): number =>
  'options' in form ? form.options.length : Math.min(6, form.count.high - form.count.low + 1);

/**
 * Chance that a look is seen so, on a part that the catalogue says is so or otherwise.
 *
 * @param not whether it was seen not to be so
 */
export function lookChance(feature: Feature, recorded: string, seen: string, not = false): number {
  const so = recorded === seen ? 1 - feature.misjudged : feature.misjudged / Math.max(1, answersOf(feature) - 1);
  return not ? 1 - so : so;
}

/**
 * Something seen, against an unknown part, which looks like the catalogue's and a little like none of them (Laplace's
 * rule).
 */
export function weighLook(column: Column<string>, evidence: LookEvidence): Weighed {
  const { feature, option, not } = evidence;
  const chances = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((each, at) => (chances[at + 1] = lookChance(feature, each, option, not)));
  const { mean, stated } = meanByCode(column, chances);
  const answers = answersOf(feature);
  const unknown = (mean * stated + (not ? answers - 1 : 1)) / (stated + answers);
  return {
    evidence,
    form: 'column',
    logUnknown: Math.log(unknown),
    codes: column.codes,
    byCode: Int32Array.from(chances, (chance, code) => (code === 0 ? 0 : fixed(Math.log(chance / unknown)))),
  };
}

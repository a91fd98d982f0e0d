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

/** Chance that a look is seen so, on a part that the catalogue says is so or otherwise. */
export function lookChance(feature: Feature, recorded: string, seen: string): number {
  return recorded === seen ? 1 - feature.misjudged : feature.misjudged / Math.max(1, answersOf(feature) - 1);
}

/**
 * Something seen, against an unknown part, which looks like the catalogue's and a little like none of them (Laplace's
 * rule).
 */
export function weighLook(column: Column<string>, evidence: LookEvidence): Weighed {
  const { feature, option } = evidence;
  const chances = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((each, at) => (chances[at + 1] = lookChance(feature, each, option)));
  const { mean, stated } = meanByCode(column, chances);
  const unknown = (mean * stated + 1) / (stated + answersOf(feature));
  return {
    evidence,
    form: 'column',
    codes: column.codes,
    byCode: Int32Array.from(chances, (chance, code) => (code === 0 ? 0 : fixed(Math.log(chance / unknown)))),
  };
}

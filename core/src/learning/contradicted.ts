import type { AuditFinding } from '../audit/index.js';
import { parameterOf } from '../dictionary/dictionary.js';
import { band, sentence, type Sentence } from '../quantity/sentence.js';
import type { MeasuredHere } from './measuredHere.js';

/** Told with the rules of the audit, which look at the catalogue alone: this one looks at the shop's own parts too. */
export const CONTRADICTED_HERE = {
  id: 'contradictedHere',
  name: 'Measured otherwise here',
  checks: (): Sentence => [
    'What was measured on two confirmed parts and more lies within the limits on record, but for wear.',
  ],
};

/** Sizes of the catalogue that parts known to be of the pattern contradict. */
export const contradictedHere = (measured: readonly MeasuredHere[]): AuditFinding[] =>
  measured
    .filter(({ contradicts }) => contradicts)
    .map(({ pattern, parameter, parts, measured: from, limits }) => {
      const { name, quantity } = parameterOf(parameter);
      return {
        rule: CONTRADICTED_HERE.id,
        weight: 'look',
        where: { type: 'pattern', id: pattern, at: parameter },
        also: [],
        says: sentence`${name} is ${band(limits, quantity)} on record, and ${band(from, quantity)} was measured on ${String(parts)} parts that are known to be of it. No wear goes that way: the record is of another version, or wrong.`,
      };
    });

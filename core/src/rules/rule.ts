import type { Sentence } from '../quantity/sentence.js';
import type { HouseRules } from '../shop/houseRules.js';
import { cite, type FigureOfThumb } from '../thumb/index.js';

/** What a rule found: in the catalogue, or among the parts of one engine. */
export interface Finding<Where> {
  readonly rule: string;
  /** `wrong` cannot be right as it stands; `look` may be, and somebody should look. */
  readonly weight: 'wrong' | 'look';
  /** Where it can be mended. */
  readonly where: Where;
  /** What else is concerned. */
  readonly also: readonly Where[];
  readonly says: Sentence;
}

/** One thing that is looked for in a subject. A rule a file, gathered in an index, told in that order. */
export interface Rule<Subject, Where> {
  readonly id: string;
  readonly name: string;
  /** What it compares, with the figures it goes by. */
  readonly checks: (rules: HouseRules) => Sentence;
  /** @param rules how the shop does things, and its own figures where it has any */
  readonly find: (subject: Subject, rules: HouseRules) => readonly Finding<Where>[];
}

/** A finding as a rule yields it: its id is set by the declaration. */
type Found<Where> = Omit<Finding<Where>, 'rule' | 'also'> & { readonly also?: readonly Where[] };

/**
 * Declares a rule: its findings carry its id.
 *
 * @param checks what it compares, in one sentence
 * @param figures the figures of thumb it goes by: they are told with it, the shop's own where it has any
 * @example
 *   export const spareTwin = defineRule<CatalogueLookup, AuditPlace>(
 *     'spareTwin',
 *     'Twins',
 *     'No two records say the same.',
 *     function* (catalogue) {
 *       yield { weight: 'look', where: { type: 'pattern', id: 'a' }, says: ['Says the same as b.'] };
 *     },
 *   );
 */
export const defineRule = <Subject, Where>(
  id: string,
  name: string,
  checks: string,
  find: (subject: Subject, rules: HouseRules) => Iterable<Found<Where>>,
  figures: readonly FigureOfThumb[] = [],
): Rule<Subject, Where> => ({
  id,
  name,
  checks: (rules) => [checks, ...figures.flatMap((figure): Sentence => [' ', ...cite(figure, rules)])],
  find: (subject, rules) =>
    Array.from(find(subject, rules), (found): Finding<Where> => ({ also: [], ...found, rule: id })),
});

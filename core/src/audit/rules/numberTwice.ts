import { normaliseMark } from '../../marks/markText.js';
import { sentence } from '../../quantity/sentence.js';
import { auditRule } from '../rule.js';

export const numberTwice = auditRule(
  'numberTwice',
  'One number, two parts',
  'A part number names one pattern.',
  function* (catalogue) {
    const seen = new Set<string>();
    for (const { numbers } of catalogue.catalogue.patterns)
      for (const { number } of numbers) {
        const normal = normaliseMark(number);
        if (seen.has(normal)) continue;
        seen.add(normal);
        const [first, ...others] = [
          ...new Map(catalogue.withNumber(number).map(({ pattern }) => [pattern.id, pattern])).values(),
        ];
        if (!first || others.length === 0) continue;
        yield {
          weight: 'wrong',
          where: { type: 'pattern', id: first.id, at: 'numbers' },
          also: others.map(({ id }) => ({ type: 'pattern', id, at: 'numbers' })),
          says: sentence`${number} is the number of ${catalogue.label(first.id)} and of ${others.map(({ id }) => catalogue.label(id)).join(', ')}: whoever orders it may get either.`,
        };
      }
  },
);

import { normaliseMark } from '../../marks/markText.js';
import { sentence } from '../../quantity/sentence.js';
import { auditRule } from '../rule.js';

/** Follows a number through what replaced it. Ends where nothing did, or where it meets a number again. */
export const supersession = auditRule(
  'supersession',
  'Replaced numbers',
  'A replaced number leads to a living one: never in a circle, and never to a number nobody carries.',
  function* (catalogue) {
    const next = new Map<string, string>();
    for (const { numbers } of catalogue.catalogue.patterns)
      for (const { number, replacedBy } of numbers)
        if (replacedBy !== undefined) next.set(normaliseMark(number), replacedBy);
    const told = new Set<string>();
    for (const pattern of catalogue.catalogue.patterns)
      for (const { number, replacedBy } of pattern.numbers) {
        if (replacedBy === undefined) continue;
        const where = { type: 'pattern', id: pattern.id, at: 'numbers' } as const;
        if (catalogue.withNumber(replacedBy).length === 0)
          yield {
            weight: 'look',
            where,
            says: sentence`${number} is replaced by ${replacedBy}, which no pattern of the catalogue carries; add it there.`,
          };
        const way = [number];
        for (
          let at: string | undefined = replacedBy;
          at !== undefined && way.length < 50;
          at = next.get(normaliseMark(at))
        ) {
          const normal = normaliseMark(at);
          const again = way.findIndex((each) => normaliseMark(each) === normal);
          way.push(at);
          if (again < 0) continue;
          const circle = way.slice(again);
          const key = [...new Set(circle.map(normaliseMark))].sort().join(' ');
          if (!told.has(key)) {
            told.add(key);
            yield {
              weight: 'wrong',
              where,
              also: circle
                .slice(1, -1)
                .flatMap((each) =>
                  catalogue
                    .withNumber(each)
                    .map(({ pattern: { id } }) => ({ type: 'pattern', id, at: 'numbers' }) as const),
                ),
              says: sentence`${circle.join(' is replaced by ')}: they replace each other in a circle, and none of them can be ordered.`,
            };
          }
          break;
        }
      }
  },
);

import { decode } from '../../catalogue/scheme.js';
import { sentence } from '../../quantity/sentence.js';
import { auditRule } from '../rule.js';

export const unreadBySchemes = auditRule(
  'unreadBySchemes',
  'Schemes that do not read',
  'A mark scheme reads its own samples, and the marks of the parts it is for where they have its form.',
  function* (catalogue) {
    for (const scheme of catalogue.catalogue.schemes) {
      const years = scheme.family === undefined ? undefined : catalogue.yearsOf(scheme.family);
      for (const sample of scheme.samples ?? []) {
        const { problem } = decode(scheme, sample, years);
        if (problem !== undefined)
          yield {
            weight: 'wrong',
            where: { type: 'scheme', id: scheme.id, at: 'samples' },
            says: sentence`The scheme ${scheme.name} does not read its own sample ${sample}: ${problem}`,
          };
      }
      // A mark belongs to a scheme when its characters have the scheme's shape, whatever its tables say.
      const shape = { ...scheme, segments: scheme.segments.map(({ table: _table, ...segment }) => segment) };
      for (const kind of scheme.kinds)
        for (const pattern of catalogue.ofKind(kind)) {
          if (scheme.family !== undefined && pattern.family !== scheme.family) continue;
          for (const mark of pattern.marks) {
            if (scheme.makings && !scheme.makings.includes(mark.making)) continue;
            if (decode(shape, mark.text).readings.length === 0) continue;
            const { problem } = decode(scheme, mark.text, years);
            if (problem !== undefined)
              yield {
                weight: 'look',
                where: { type: 'scheme', id: scheme.id, at: 'segments' },
                also: [{ type: 'pattern', id: pattern.id, at: 'marks' }],
                says: sentence`${mark.text} on ${catalogue.label(pattern.id)} has the form of ${scheme.name}, which does not read it: ${problem}`,
              };
          }
        }
    }
  },
);

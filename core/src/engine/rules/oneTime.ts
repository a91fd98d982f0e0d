import { KINDS } from '../../dictionary/dictionary.js';
import { erasOf, fitmentsOf, type Era } from '../eras.js';
import { exceptionSaid } from '../exception.js';
import { concerning, engineRule, names, takenFor, type PartRead, type PartsTogether } from './rule.js';

/** Which stretches of the engine's run a part is of; undefined where it is of all, of none, or stands open. */
function erasOfPart({ variant }: PartsTogether, eras: readonly Era[], part: PartRead): readonly number[] | undefined {
  const pattern = takenFor(part);
  if (!variant || pattern === undefined) return undefined;
  const there = eras.flatMap(({ carries }, at) =>
    carries.get(part.part.kind)?.some(({ fitment }) => fitment.pattern === pattern) ? [at] : [],
  );
  const recorded = eras.filter(({ carries }) => carries.has(part.part.kind)).length;
  return there.length > 0 && there.length < recorded ? there : undefined;
}

/**
 * Parts of two times of one engine: each was carried, but never together. Either is a part of another engine or was put
 * in later, or the changeover is not where the catalogue says.
 */
export const oneTime = engineRule(
  'oneTime',
  'Early parts beside late ones',
  'The parts of an engine are all of one time of its run.',
  function* (together) {
    const { variant, parts, catalogue } = together;
    if (!variant) return;
    const eras = erasOf(variant);
    const dated = parts.flatMap((part) => {
      const at = erasOfPart(together, eras, part);
      return at ? [{ part, at }] : [];
    });
    const [earliest] = [...dated].sort((a, b) => Math.max(...a.at) - Math.max(...b.at));
    if (!earliest) return;
    const last = Math.max(...earliest.at);
    const late = dated.filter(({ at }) => Math.min(...at) > last);
    if (late.length === 0) return;
    const early = dated.filter((each) => late.some((other) => Math.max(...each.at) < Math.min(...other.at)));
    const said = ({ part }: { readonly part: PartRead }) => {
      const fitment = fitmentsOf(variant, part.part.kind).find(({ pattern }) => pattern === takenFor(part));
      return `${part.part.name} (${KINDS[part.part.kind].name.toLowerCase()}):${fitment ? exceptionSaid(fitment) : ''}`;
    };
    yield {
      weight: 'look',
      ...concerning([...early, ...late].map(({ part }) => part)),
      says: [
        `Early parts beside late ones of the ${catalogue.variantLabel(variant.id)}: ${names(early.map(({ part }) => part))} with ${names(late.map(({ part }) => part))}. ${[...early, ...late].map(said).join(' ')}`,
      ],
    };
  },
);

import type { Pattern } from '../../catalogue/pattern.js';
import { sizeOf } from '../../catalogue/value.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rodShell } from '../../dictionary/kinds/rodShell.js';
import { KINDS, KIND_IDS } from '../../dictionary/dictionary.js';
import { SLOTS } from '../../dictionary/slots.js';
import { listed } from '../../quantity/phrase.js';
import { concerning, engineRule, groupedBy, names, ofKind, takenFor } from './rule.js';

/**
 * All pistons, rods and so on of one engine are of one type; and mixed compression ratios are refused outright.
 * *Common practice, no source.* Kinds that an engine has in several places, like valves, may differ place by place.
 */
export const twoTypes = engineRule(
  'twoTypes',
  'Two types in one engine',
  'The parts of a kind in one engine are all of one type.',
  function* ({ catalogue, parts }) {
    for (const kind of KIND_IDS.filter((each) => SLOTS.filter((slot) => slot.kind === each).length === 1)) {
      const groups = groupedBy(ofKind(parts, kind), takenFor);
      if (groups.size < 2 || areGrades([...groups.keys()].map((id) => catalogue.pattern(id)))) continue;
      const ratios = new Set(
        [...groups.keys()]
          .flatMap((id) => catalogue.pattern(id)?.dimensions[piston.parameters.ratio.id]?.low ?? [])
          .map(Number),
      );
      const types = [...groups].map(([pattern, group]) => `${names(group)}: ${catalogue.label(pattern)}`).join('; ');
      const because =
        ratios.size > 1
          ? ` Their ratios are ${listed([...ratios].map(String))} to 1, and mixed ratios in one engine are refused.`
          : ' One engine takes one type.';
      yield {
        weight: 'wrong',
        ...concerning([...groups.values()].flat()),
        says: [`${groups.size} types of ${KINDS[kind].plural.toLowerCase()}: ${types}.${because}`],
      };
    }
  },
);

/** Walls of the grades of one shell differ by less than any undersize, mm. *Common practice, no source.* */
const GRADE = 0.03;

/** Whether patterns are the grades of one shell, alike in all but a few microns of wall: those are mixed on purpose. */
function areGrades([first, ...others]: readonly (Pattern | undefined)[]): boolean {
  const parameter = first?.kind === 'rodShell' ? rodShell.parameters.wall : mainShell.parameters.wall;
  const wall = (pattern: Pattern) => sizeOf(pattern, parameter)?.value.limits.low;
  const alike = ({ dimensions, features, interfaces }: Pattern) =>
    JSON.stringify([Object.entries(dimensions).filter(([id]) => id !== parameter.id), features, interfaces]);
  const thickness = first && wall(first);
  return (
    first !== undefined &&
    thickness !== undefined &&
    others.every((each) => {
      const other = each && wall(each);
      return (
        each !== undefined && other !== undefined && Math.abs(other - thickness) < GRADE && alike(each) === alike(first)
      );
    })
  );
}

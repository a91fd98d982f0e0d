import { sizeOf } from '../../catalogue/value.js';
import type { Parameter } from '../../dictionary/definition.js';
import { KINDS, type KindId } from '../../dictionary/dictionary.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rings } from '../../dictionary/kinds/rings.js';
import { rodShell } from '../../dictionary/kinds/rodShell.js';
import { explainSize } from '../../identify/sizeLikelihood.js';
import { estimate } from '../../quantity/instrument.js';
import { value, type Sentence } from '../../quantity/sentence.js';
import { toInside } from '../../quantity/unit.js';
import { sizesOfPart } from '../../readings/measured.js';
import { ToolDrawer } from '../../shop/ownInstrument.js';
import {
  concerning,
  engineRule,
  groupedBy,
  names,
  ofKind,
  takenFor,
  type PartRead,
  type PartsTogether,
} from './rule.js';

/** Sizes in which all parts of an engine stand at one service size: its bores and its journals are made alike. */
const ALIKE: readonly (readonly [KindId, readonly Parameter[]])[] = [
  ['piston', [piston.parameters.bore, piston.parameters['skirt.diameter']]],
  ['rings', [rings.parameters.bore]],
  ['liner', [liner.parameters.bore]],
  ['mainShell', [mainShell.parameters.wall]],
  ['rodShell', [rodShell.parameters.wall]],
];

/** Nearer together than this two service sizes are one, mm. */
const SAME = 0.03;

/**
 * Of one kind all parts of an engine are of one service size. Shells graded by a few microns are not of different ones.
 * *Common practice, no source.*
 */
export const serviceSizes = engineRule(
  'serviceSizes',
  'Service sizes of a set',
  'The pistons, rings, liners and shells of one engine are of one service size.',
  function* (together) {
    for (const [kind, parameters] of ALIKE) {
      const of = (part: PartRead) =>
        parameters.map((each) => stepOf(together, part, each)).find((at) => at !== undefined);
      const groups = groupedBy(ofKind(together.parts, kind), (part) => {
        const offset = of(part);
        return offset === undefined ? undefined : Math.round(offset / SAME);
      });
      const [parameter] = parameters;
      if (groups.size < 2 || !parameter) continue;
      const all = [...groups.values()].sort((a, b) => b.length - a.length);
      yield {
        weight: 'wrong',
        ...concerning(all.flat()),
        says: [
          `${KINDS[kind].plural} of ${groups.size} service sizes: `,
          ...all.flatMap((parts, at): Sentence => [
            at > 0 ? '; ' : '',
            ...sizeSaid((parts[0] && of(parts[0])) ?? 0, parameter),
            ` on ${names(parts)}`,
          ]),
          '. One engine has one, unless a bore or journal of its own was made to it: measure that.',
        ],
      };
    }
  },
);

/** How far from standard a part is said to stand, or was measured to, inside unit; undefined where nothing tells. */
function stepOf({ catalogue }: PartsTogether, part: PartRead, parameter: Parameter): number | undefined {
  for (const reading of part.readings)
    if (reading.sort === 'step' && reading.parameter === parameter.id) return toInside(reading.offset, reading.unit);
  const pattern = catalogue.pattern(takenFor(part));
  const size = pattern && sizeOf(pattern, parameter)?.value;
  const measured = sizesOfPart(part.readings).find((each) => each.parameter === parameter.id);
  if (!size || !measured) return undefined;
  const inside = measured.values.map((each) => toInside(each, measured.unit));
  const tool = new ToolDrawer().take(measured.instrument, inside[0] ?? 0);
  const { step } = explainSize(size, parameter, estimate(inside, tool));
  return step === 0 ? 0 : size.service[step - 1];
}

const sizeSaid = (offset: number, { quantity }: Parameter): Sentence =>
  Math.abs(offset) < SAME
    ? ['standard']
    : [value(Math.abs(offset), quantity), offset < 0 ? ' under standard' : ' over standard'];

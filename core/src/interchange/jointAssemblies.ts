import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { record } from '../joints/index.js';
import { inPlaceJointsOf } from './inPlace.js';
import { JOINTS_ON_RECORD } from './onRecord.js';
import { about, baseOf, jointAssembliesIn, type JointAssembly, type Sides } from './sides.js';
import type { SwapContext } from './swapContext.js';

/** Pistons and rods change as a set; one among others is asked only where nothing else of the engine is given. */
const AMONG_OTHERS: ReadonlySet<KindId> = new Set(['piston', 'rod']);

/** Joints among what stays: a swap does not ask about them, but work on a part of theirs may change them. */
export function bystandersOf(sides: Sides, context: SwapContext): readonly JointAssembly[] {
  const [coming, base] = [new Set(sides.coming), baseOf(sides, context)];
  return JOINTS_ON_RECORD.flatMap((joint) =>
    joint.inPlaceOf ? [] : jointAssembliesIn(joint, sides, base, (chosen) => !chosen.some((each) => coming.has(each))),
  );
}

/**
 * Every joint in which something that comes meets something that stays, or something else that comes. Where there are
 * several parts of a kind, intake and exhaust valves, each has the joint to itself. What is chosen freely elsewhere, a
 * set of shells, is asked about where it goes when it comes by itself.
 */
export function jointAssembliesOf(sides: Sides, context: SwapContext): readonly JointAssembly[] {
  const all = [...sides.coming, ...sides.staying];
  const coming = new Set(sides.coming);
  const comingKinds = new Set(sides.coming.map(({ part }) => part.kind));
  const base = baseOf(sides, context);
  const { parts, replaced } = base;
  const alone = all.length === 1 && sides.leaving.length === 1;
  const judged: JointAssembly[] = JOINTS_ON_RECORD.flatMap((joint): readonly JointAssembly[] => {
    if (joint.inPlaceOf) {
      if (AMONG_OTHERS.has(joint.inPlaceOf) && !alone) return [];
      return sides.coming.flatMap(({ slot, part }) => {
        const was = sides.leaving.find((each) => each.slot === slot)?.part;
        if (part.kind !== joint.inPlaceOf || !was) return [];
        return [
          {
            joint,
            assembly: { ...base, parts: { ...parts, [part.kind]: part }, replaced: { ...replaced, [part.kind]: was } },
            ...about([{ slot, part }], all),
          },
        ];
      });
    }
    const isChosen = joint.checks.some(({ chooses }) => chooses && comingKinds.has(chooses.kind));
    return jointAssembliesIn(joint, sides, base, (chosen) => isChosen || chosen.some((each) => coming.has(each)));
  });
  if (alone)
    for (const { part } of sides.coming)
      judged.push(...inPlaceJointsOf(part.kind).map((joint): JointAssembly => ({ joint, assembly: base })));
  return mayBeRecorded([...all, ...sides.leaving].map(({ part }) => part))
    ? [...judged, { joint: record, assembly: base }]
    : judged;
}

const mayBeRecorded = (parts: readonly Part[]): boolean =>
  parts.some(({ companions }) => companions !== undefined && companions.length > 0);

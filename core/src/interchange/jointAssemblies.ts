import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { record } from '../joints/index.js';
import { inPlaceJointsOf } from './inPlace.js';
import { JOINTS_ON_RECORD } from './onRecord.js';
import {
  about,
  assembledIn,
  baseOf,
  meetingsIn,
  type JointAssembly,
  type JointWithParts,
  type Sides,
} from './sides.js';
import type { SwapContext } from './swapContext.js';

/** Pistons and rods change as a set; one among others is asked only where nothing else of the engine is given. */
const AMONG_OTHERS: ReadonlySet<KindId> = new Set(['piston', 'rod']);

/** Joints among what stays: a swap does not ask about them, but work on a part of theirs may change them. */
export const bystandersOf = (sides: Sides, context: SwapContext): readonly JointAssembly[] =>
  assembledIn(bystandingIn(sides), baseOf(sides, context));

/** The same before they are put together. */
export function bystandingIn(sides: Sides): readonly JointWithParts[] {
  const coming = new Set(sides.coming);
  return JOINTS_ON_RECORD.flatMap((joint) =>
    joint.inPlaceOf ? [] : meetingsIn(joint, sides, (chosen) => !chosen.some((each) => coming.has(each))),
  );
}

/**
 * Every way in which something that comes meets something that stays, or something else that comes. Where there are
 * several parts of a kind, intake and exhaust valves, each has the joint to itself. What is chosen freely elsewhere, a
 * set of shells, is asked about where it goes when it comes by itself.
 */
export function meetingsOf(sides: Sides): readonly JointWithParts[] {
  const all = [...sides.coming, ...sides.staying];
  const coming = new Set(sides.coming);
  const comingKinds = new Set(sides.coming.map(({ part }) => part.kind));
  const alone = all.length === 1 && sides.leaving.length === 1;
  const met = JOINTS_ON_RECORD.flatMap((joint): readonly JointWithParts[] => {
    if (joint.inPlaceOf) {
      if (AMONG_OTHERS.has(joint.inPlaceOf) && !alone) return [];
      return sides.coming.flatMap((placed): readonly JointWithParts[] => {
        const was = sides.leaving.find(({ slot }) => slot === placed.slot)?.part;
        if (placed.part.kind !== joint.inPlaceOf || !was) return [];
        return [{ joint, chosen: [placed], replaced: was, ...about([placed], all) }];
      });
    }
    const isChosen = joint.checks.some(({ chooses }) => chooses && comingKinds.has(chooses.kind));
    return meetingsIn(joint, sides, (chosen) => isChosen || chosen.some((each) => coming.has(each)));
  });
  if (!alone) return met;
  return [
    ...met,
    ...sides.coming.flatMap((placed) =>
      inPlaceJointsOf(placed.part.kind).map((joint): JointWithParts => ({ joint, chosen: [placed] })),
    ),
  ];
}

/** The same with the parts put together, and what is on record of them. */
export function jointAssembliesOf(sides: Sides, context: SwapContext): readonly JointAssembly[] {
  const base = baseOf(sides, context);
  const judged = assembledIn(meetingsOf(sides), base);
  return mayBeRecorded([...sides.coming, ...sides.staying, ...sides.leaving].map(({ part }) => part))
    ? [...judged, { joint: record, assembly: base }]
    : judged;
}

export const mayBeRecorded = (parts: readonly Part[]): boolean =>
  parts.some(({ companions }) => companions !== undefined && companions.length > 0);

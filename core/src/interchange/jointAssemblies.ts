import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { record, JOINTS, type Assembly, type Joint, type OperationId } from '../joints/index.js';
import { givingWay, withNew } from './chosenAnew.js';
import type { PlacedPart } from './placedParts.js';
import type { SwapContext } from './swapContext.js';

/** A joint and the parts that meet in it. */
export interface JointAssembly {
  readonly joint: Joint;
  readonly assembly: Assembly;
  /** Which of several parts of one kind it is about; nothing where there is one only. */
  readonly about?: string;
}

/** What is on each side, place by place, and what of the recipient makes room. */
export interface Sides {
  readonly coming: readonly PlacedPart[];
  readonly staying: readonly PlacedPart[];
  readonly leaving: readonly PlacedPart[];
  /** Of what stays, what gives way to a new one where it does not go with what comes. */
  readonly givingWay: ReadonlyMap<PlacedPart, OperationId>;
}

/** Shells are chosen anew for what they go between, whatever the engine had. */
const CONSUMED: ReadonlySet<KindId> = new Set(['mainShell', 'rodShell']);

/** Which parts stay and which make room: a donor takes the place of what the recipient has there. */
export function sidesOf(coming: readonly PlacedPart[], recipients: readonly PlacedPart[]): Sides {
  const taken = new Set(coming.map(({ slot }) => slot));
  const staying = recipients.filter(
    ({ slot, part }) => !taken.has(slot) && (recipients.length === 1 || !CONSUMED.has(part.kind)),
  );
  return {
    coming,
    staying,
    givingWay: givingWay(coming, staying),
    leaving: recipients.filter(({ slot }) => taken.has(slot)),
  };
}

const ofKind = (parts: readonly PlacedPart[], kind: KindId): readonly PlacedPart[] =>
  parts.filter(({ part }) => part.kind === kind);

/** Pistons and rods change as a set; one among others is asked only where nothing else of the engine is given. */
const AMONG_OTHERS: ReadonlySet<KindId> = new Set(['piston', 'rod']);

/** Every choice of one from each list. */
function combinations<T>(lists: readonly (readonly T[])[]): readonly (readonly T[])[] {
  return lists.reduce<readonly (readonly T[])[]>(
    (sofar, list) => sofar.flatMap((chosen) => list.map((each) => [...chosen, each])),
    [[]],
  );
}

/** All that is there in the end, and what made room for it. */
function baseOf(sides: Sides, context: SwapContext): Assembly {
  const parts = Object.fromEntries([...sides.coming, ...sides.staying].reverse().map(({ part }) => [part.kind, part]));
  const replaced = Object.fromEntries(sides.leaving.map(({ part }) => [part.kind, part]));
  return { parts, replaced, ...context };
}

/** Every way in which parts of these meet in a joint, of those that are wanted. */
function jointAssembliesIn(
  joint: Joint,
  { coming, staying, givingWay: toGo }: Sides,
  base: Assembly,
  wanted: (chosen: readonly PlacedPart[]) => boolean,
): readonly JointAssembly[] {
  const all = [...coming, ...staying];
  const lists = joint.kinds.map((kind) =>
    ofKind(all, kind).filter(({ slot }) => joint.slots?.[kind]?.includes(slot) ?? true),
  );
  return combinations(lists)
    .filter(wanted)
    .map((chosen) => ({
      joint: yielding(joint, chosen, toGo),
      assembly: {
        ...base,
        parts: { ...base.parts, ...Object.fromEntries(chosen.map(({ part }) => [part.kind, part])) },
      },
      ...about(chosen, all),
    }))
    .filter(({ assembly }) => joint.applies?.(assembly) ?? true);
}

/**
 * A joint of two parts, of which one may give way. Where more meet, as over a whole stack, what is refused is not to be
 * laid to a gasket in it.
 */
const yielding = (joint: Joint, chosen: readonly PlacedPart[], toGo: Sides['givingWay']): Joint =>
  joint.kinds.length > 2
    ? joint
    : chosen.reduce((so, each) => {
        const step = toGo.get(each);
        return step ? withNew(so, each.part, step) : so;
      }, joint);

/** Joints among what stays: a swap does not ask about them, but work on a part of theirs may change them. */
export function bystandersOf(sides: Sides, context: SwapContext): readonly JointAssembly[] {
  const [coming, base] = [new Set(sides.coming), baseOf(sides, context)];
  return JOINTS.flatMap((joint) =>
    joint.inPlaceOf ? [] : jointAssembliesIn(joint, sides, base, (chosen) => !chosen.some((each) => coming.has(each))),
  );
}

/**
 * Every joint in which something that comes meets something that stays, or something else that comes. Where there are
 * several parts of a kind, intake and exhaust valves, each has the joint to itself.
 */
export function jointAssembliesOf(sides: Sides, context: SwapContext): readonly JointAssembly[] {
  const all = [...sides.coming, ...sides.staying];
  const coming = new Set(sides.coming);
  const base = baseOf(sides, context);
  const { parts, replaced } = base;
  const alone = all.length === 1 && sides.leaving.length === 1;
  const judged = JOINTS.flatMap((joint): readonly JointAssembly[] => {
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
    return jointAssembliesIn(joint, sides, base, (chosen) => chosen.some((each) => coming.has(each)));
  });
  return mayBeRecorded([...all, ...sides.leaving].map(({ part }) => part))
    ? [...judged, { joint: record, assembly: base }]
    : judged;
}

const mayBeRecorded = (parts: readonly Part[]): boolean =>
  parts.some(({ companions }) => companions !== undefined && companions.length > 0);

function about(chosen: readonly PlacedPart[], all: readonly PlacedPart[]): { readonly about?: string } {
  const told = chosen.filter(({ part }) => ofKind(all, part.kind).length > 1).map(({ part }) => part.label);
  return told.length > 0 ? { about: told.join(', ') } : {};
}

import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { record, JOINTS, type Assembly, type Joint } from '../joints/index.js';
import type { PlacedPart } from './parties.js';
import type { Setting } from './setting.js';

/** A joint and the parts that meet in it. */
export interface Meeting {
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
}

/** Shells are chosen anew for what they go between, whatever the engine had. */
const CONSUMED: ReadonlySet<KindId> = new Set(['mainShell', 'rodShell']);

/** Which parts stay and which make room: a donor takes the place of what the recipient has there. */
export function sidesOf(coming: readonly PlacedPart[], recipients: readonly PlacedPart[]): Sides {
  const taken = new Set(coming.map(({ slot }) => slot));
  return {
    coming,
    staying: recipients.filter(({ slot, part }) => !taken.has(slot) && (recipients.length === 1 || !CONSUMED.has(part.kind))),
    leaving: recipients.filter(({ slot }) => taken.has(slot)),
  };
}

const ofKind = (parts: readonly PlacedPart[], kind: KindId): readonly PlacedPart[] => parts.filter(({ part }) => part.kind === kind);

/** Pistons and rods change as a set; one among others is asked only where nothing else of the engine is given. */
const AMONG_OTHERS: ReadonlySet<KindId> = new Set(['piston', 'rod']);

/** Every choice of one from each list. */
function combinations<T>(lists: readonly (readonly T[])[]): readonly (readonly T[])[] {
  return lists.reduce<readonly (readonly T[])[]>((sofar, list) => sofar.flatMap((chosen) => list.map((each) => [...chosen, each])), [[]]);
}

/**
 * Every joint in which something that comes meets something that stays, or something else that comes. Where there are
 * several parts of a kind, intake and exhaust valves, each has the joint to itself.
 */
export function meetingsOf(sides: Sides, setting: Setting): readonly Meeting[] {
  const all = [...sides.coming, ...sides.staying];
  const coming = new Set(sides.coming);
  const parts = Object.fromEntries([...all].reverse().map(({ part }) => [part.kind, part]));
  const replaced = Object.fromEntries(sides.leaving.map(({ part }) => [part.kind, part]));
  const base: Assembly = { parts, replaced, ...setting };
  const alone = all.length === 1 && sides.leaving.length === 1;
  const judged = JOINTS.flatMap((joint): readonly Meeting[] => {
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
    const lists = joint.kinds.map((kind) => ofKind(all, kind).filter(({ slot }) => joint.slots?.[kind]?.includes(slot) ?? true));
    return combinations(lists)
      .filter((chosen) => chosen.some((each) => coming.has(each)))
      .map((chosen) => ({
        joint,
        assembly: { ...base, parts: { ...parts, ...Object.fromEntries(chosen.map(({ part }) => [part.kind, part])) } },
        ...about(chosen, all),
      }))
      .filter(({ assembly }) => joint.applies?.(assembly) ?? true);
  });
  return mayBeRecorded([...all, ...sides.leaving].map(({ part }) => part)) ? [...judged, { joint: record, assembly: base }] : judged;
}

const mayBeRecorded = (parts: readonly Part[]): boolean => parts.some(({ companions }) => companions !== undefined && companions.length > 0);

function about(chosen: readonly PlacedPart[], all: readonly PlacedPart[]): { readonly about?: string } {
  const told = chosen.filter(({ part }) => ofKind(all, part.kind).length > 1).map(({ part }) => part.label);
  return told.length > 0 ? { about: told.join(', ') } : {};
}

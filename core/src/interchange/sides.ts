import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import type { Assembly, Joint, PlacedPart } from '../joints/index.js';
import { givingWay, withNew, type Renewal } from './chosenAnew.js';
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
  readonly givingWay: ReadonlyMap<PlacedPart, Renewal>;
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

/** Every choice of one from each list. */
function combinations<T>(lists: readonly (readonly T[])[]): readonly (readonly T[])[] {
  return lists.reduce<readonly (readonly T[])[]>(
    (sofar, list) => sofar.flatMap((chosen) => list.map((each) => [...chosen, each])),
    [[]],
  );
}

/** More ways than this to choose one of each kind are not gone through: a bench with eight pistons, rods and pins. */
const MOST_WAYS = 48;

/** Every choice, or where there are too many, every part once with the first of the other kinds. */
function choices<T>(lists: readonly (readonly T[])[]): readonly (readonly T[])[] {
  if (lists.reduce((ways, { length }) => ways * length, 1) <= MOST_WAYS) return combinations(lists);
  const first = lists.flatMap(([each]) => (each === undefined ? [] : [each]));
  return lists.flatMap((list, at) =>
    list.slice(at === 0 ? 0 : 1).map((each) => first.map((other, place) => (place === at ? each : other))),
  );
}

/** All that is there in the end, and what made room for it. */
export function baseOf(sides: Sides, context: SwapContext): Assembly {
  const parts = Object.fromEntries([...sides.coming, ...sides.staying].reverse().map(({ part }) => [part.kind, part]));
  const replaced = Object.fromEntries(sides.leaving.map(({ part }) => [part.kind, part]));
  return { parts, replaced, ...context };
}

/** A joint and which parts meet in it, whether or not the matter comes up with them. */
export interface JointWithParts {
  readonly joint: Joint;
  readonly chosen: readonly PlacedPart[];
  /** Of a part in place of another, the one that was there. */
  readonly replaced?: Part;
  readonly about?: string;
}

/** Every way in which parts of these meet in a joint, of those that are wanted. */
export function meetingsIn(
  joint: Joint,
  { coming, staying, givingWay: toGo }: Sides,
  wanted: (chosen: readonly PlacedPart[]) => boolean,
): readonly JointWithParts[] {
  const isThere = (kind: KindId): boolean =>
    coming.some(({ part }) => part.kind === kind) || staying.some(({ part }) => part.kind === kind);
  // Of most joints none of two parts is.
  if (!joint.kinds.every(isThere)) return [];
  const all = [...coming, ...staying];
  const lists = joint.kinds.map((kind) =>
    ofKind(all, kind).filter(({ slot }) => joint.slots?.[kind]?.includes(slot) ?? true),
  );
  return choices(lists)
    .filter(wanted)
    .map((chosen) => ({ joint: yielding(joint, chosen, toGo), chosen, ...about(chosen, all) }));
}

/** The parts of a meeting put together, with all else that is there. */
export const assembled = ({ joint, chosen, replaced, about: told }: JointWithParts, base: Assembly): JointAssembly => ({
  joint,
  assembly: {
    ...base,
    parts: { ...base.parts, ...Object.fromEntries(chosen.map(({ part }) => [part.kind, part])) },
    ...(replaced ? { replaced: { ...base.replaced, [replaced.kind]: replaced } } : {}),
  },
  ...(told === undefined ? {} : { about: told }),
});

/** Whether what a joint is about comes up with these parts, as far as that can be told. */
const comesUp = ({ joint, assembly }: JointAssembly): boolean => joint.applies?.(assembly) ?? true;

/** Meetings put together, those whose matter comes up. */
export const assembledIn = (meetings: readonly JointWithParts[], base: Assembly): readonly JointAssembly[] =>
  meetings.map((meeting) => assembled(meeting, base)).filter(comesUp);

/**
 * A joint of two parts, of which one may give way. Where more meet, as over a whole stack, what is refused is not to be
 * laid to a gasket in it.
 */
const yielding = (joint: Joint, chosen: readonly PlacedPart[], toGo: Sides['givingWay']): Joint =>
  joint.kinds.length > 2
    ? joint
    : chosen.reduce((so, each) => {
        const renewal = toGo.get(each);
        return renewal ? withNew(so, each.part, renewal) : so;
      }, joint);

export function about(chosen: readonly PlacedPart[], all: readonly PlacedPart[]): { readonly about?: string } {
  const told = chosen.filter(({ part }) => ofKind(all, part.kind).length > 1).map(({ part }) => part.label);
  return told.length > 0 ? { about: told.join(', ') } : {};
}

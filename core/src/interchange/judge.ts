import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { KnownSwap } from '../catalogue/pattern.js';
import { supersessionOf } from '../catalogue/supersession.js';
import { slotOf } from '../dictionary/slots.js';
import type { PlacedPart } from '../joints/index.js';
import type { ToolDrawer } from '../shop/ownInstrument.js';
import { insteadOf, type Instead } from './instead.js';
import { placedPartsOf, type PartOrEngine } from './placedParts.js';
import { ratedContext, type SwapContext } from './swapContext.js';
import { NoJointError, swap, type Swap } from './swap.js';

/** The other way round: what would be put into what, and how that goes. */
export interface Reverse {
  readonly donors: readonly PartOrEngine[];
  readonly recipient: PartOrEngine;
  readonly swap: Swap;
}

/** A number that was replaced, and the patterns that carry the one that is living today. */
export interface Superseded {
  readonly pattern: string;
  readonly number: string;
  /** The living one; where the records lead in a circle, the first that replaced it. */
  readonly by: string;
  /** Numbers in between, which were replaced as well. */
  readonly through: readonly string[];
  readonly circle: boolean;
  readonly patterns: readonly string[];
}

/** A swap with what is on record about it, and the other way round. */
export interface Judgement {
  readonly swap: Swap;
  /** What may be bought instead of machining, and drops in. */
  readonly instead: readonly Instead[];
  /** What was done before: it outranks what is worked out. */
  readonly known: readonly KnownSwap[];
  /** Numbers of the donors that were replaced, by what. */
  readonly superseded: readonly Superseded[];
  /** Nothing where it is not known where the donor was at home. */
  readonly reverse?: Reverse;
}

/**
 * Donors into a recipient, with what is on record of it, and the other direction.
 *
 * @param donors what comes, one part or several that come together, or an engine's internals
 * @param recipient a part, or an engine, which brings all its parts
 * @param context the stock to choose from and how the shop does things, from `swapContextOf`
 * @throws NoJointError where they do not meet, UnknownPartError where one is not there
 */
export function judgeSwap(
  catalogue: CatalogueLookup,
  donors: readonly PartOrEngine[],
  recipient: PartOrEngine,
  context: SwapContext,
  drawer?: ToolDrawer,
): Judgement {
  const { swap: judged, parts, recipients } = swapOf(catalogue, donors, recipient, context, drawer);
  const back = turnedRound(catalogue, donors, recipient);
  const reverse =
    back && tried(() => ({ ...back, swap: swapOf(catalogue, back.donors, back.recipient, context, drawer).swap }));
  return {
    swap: judged,
    instead: insteadOf(judged.machined, parts, recipients, context),
    known: knownSwaps(catalogue, donors, recipient),
    superseded: donors.flatMap((donor) => supersededOf(catalogue, donor)),
    ...(reverse ? { reverse } : {}),
  };
}

function swapOf(
  catalogue: CatalogueLookup,
  donors: readonly PartOrEngine[],
  recipient: PartOrEngine,
  context: SwapContext,
  drawer?: ToolDrawer,
): { readonly swap: Swap; readonly parts: readonly PlacedPart[]; readonly recipients: readonly PlacedPart[] } {
  const [coming, into] = [
    donors.map((donor) => placedPartsOf(catalogue, donor, drawer)),
    placedPartsOf(catalogue, recipient, drawer),
  ];
  const parts = coming.flatMap((each) => each.parts);
  // Of one kind each, one goes into the place of the other, whatever places the two would take by themselves.
  const [mine, theirs] = [parts[0], into.parts[0]];
  const recipients =
    parts.length === 1 && into.parts.length === 1 && mine && theirs?.part.kind === mine.part.kind
      ? [{ slot: mine.slot, part: theirs.part }]
      : into.parts;
  const judged = swap(parts, recipients, ratedContext(context, into), {
    donor: coming.map(({ label }) => label).join(', '),
    recipient: into.label,
  });
  return { swap: judged, parts, recipients };
}

/** The pattern a party is, or is taken for. */
const patternOf = (ref: PartOrEngine): string | undefined =>
  'pattern' in ref ? ref.pattern : 'specimen' in ref ? ref.as : undefined;

function supersededOf(catalogue: CatalogueLookup, donor: PartOrEngine): readonly Superseded[] {
  const pattern = catalogue.pattern(patternOf(donor));
  return (pattern?.numbers ?? []).flatMap((number): readonly Superseded[] => {
    const { way, circle } = supersessionOf(catalogue, number);
    const by = circle ? way[0] : way.at(-1);
    if (!pattern || by === undefined) return [];
    const carried = catalogue.withNumber(by).map((each) => each.pattern.id);
    return [
      {
        pattern: pattern.id,
        number: number.number,
        by,
        through: circle ? [] : way.slice(0, -1),
        circle,
        patterns: carried.filter((id) => id !== pattern.id),
      },
    ];
  });
}

/** What was recorded of these patterns going into this recipient, or into a part of it. */
function knownSwaps(
  catalogue: CatalogueLookup,
  donors: readonly PartOrEngine[],
  recipient: PartOrEngine,
): readonly KnownSwap[] {
  const named = (ref: PartOrEngine): readonly string[] =>
    'variant' in ref || 'bench' in ref || 'built' in ref
      ? placedPartsOf(catalogue, ref).parts.flatMap(({ part }) => part.pattern ?? [])
      : [patternOf(ref) ?? []].flat();
  const [mine, theirs] = [new Set(donors.flatMap(named)), new Set(named(recipient))];
  return catalogue.catalogue.swaps.filter((each) => mine.has(each.donor) && theirs.has(each.recipient));
}

/**
 * The other direction. Two of one kind change places. Otherwise what the recipient's engine has in the donors' places
 * goes into the engine where the donor was at home, or into the part it was at home in.
 */
export function turnedRound(
  catalogue: CatalogueLookup,
  donors: readonly PartOrEngine[],
  recipient: PartOrEngine,
): Pick<Reverse, 'donors' | 'recipient'> | undefined {
  const [first] = donors;
  const [mine, theirs] = [first && patternOf(first), patternOf(recipient)];
  if (donors.length === 1 && first && 'variant' in first && 'variant' in recipient)
    return {
      donors: [{ variant: recipient.variant, ...(first.internals ? { internals: true } : {}) }],
      recipient: { variant: first.variant },
    };
  if (mine === undefined) return undefined;
  if (
    donors.length === 1 &&
    first &&
    theirs !== undefined &&
    catalogue.pattern(mine)?.kind === catalogue.pattern(theirs)?.kind
  )
    return { donors: [recipient], recipient: first };
  const home = catalogue.fittedIn(mine)[0];
  if (!home) return undefined;
  const slots = new Set(
    donors.flatMap((donor) =>
      patternOf(donor) === undefined ? [] : (catalogue.fittedIn(patternOf(donor) ?? '')[0]?.fitment.slot ?? []),
    ),
  );
  const other =
    'variant' in recipient
      ? recipient
      : theirs === undefined
        ? undefined
        : { variant: catalogue.fittedIn(theirs)[0]?.variant.id ?? '' };
  if (!other || !catalogue.variant(other.variant)) return undefined;
  const back = placedPartsOf(catalogue, other).parts.filter(({ slot }) => slots.has(slot));
  const donorsBack = back.flatMap(({ part }): readonly PartOrEngine[] =>
    part.pattern === undefined ? [] : [{ pattern: part.pattern }],
  );
  if (donorsBack.length === 0) return undefined;
  if ('variant' in recipient) return { donors: donorsBack, recipient: { variant: home.variant.id } };
  const kind = theirs === undefined ? undefined : catalogue.pattern(theirs)?.kind;
  const into = placedPartsOf(catalogue, { variant: home.variant.id }).parts.find(
    ({ slot }) => slotOf(slot)?.kind === kind,
  )?.part.pattern;
  return into === undefined ? undefined : { donors: donorsBack, recipient: { pattern: into } };
}

function tried<T>(make: () => T): T | undefined {
  try {
    return make();
  } catch (error) {
    if (error instanceof NoJointError) return undefined;
    throw error;
  }
}

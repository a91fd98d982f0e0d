import type { Part } from '../catalogue/part.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { OPERATION_IDS, OPERATIONS, type Operation, type OperationId } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import type { HouseRules } from '../shop/houseRules.js';
import { cylinders, deck, limitOf } from '../thumb/index.js';

/** What of the whole plan bounds work on one part. */
export interface MovesAround {
  readonly rules: HouseRules;
  readonly may: (operation: OperationId) => boolean;
  /** The largest cylinder and the largest valve that any choice has; nothing where one of them is not known. */
  readonly bore?: number;
  readonly valve?: number;
  /** The piston that goes there; nothing where that is not told. */
  readonly piston?: Part;
  /** Liners that may be fitted in the place of others. */
  readonly liners: readonly Part[];
}

/** How far a size may be moved, down and up. */
interface Move {
  readonly down: number;
  readonly up: number;
}
const STAYS: Move = { down: 0, up: 0 };

/** The most valves over one cylinder that pockets are cut for. */
const MOST_VALVES = 4;

const low = (part: Part, id: string): number | undefined => part.values[id]?.interval.low;

/** Cylinders are brought to a piston with no more room than this round it, whoever asks for it; millimetres. */
const MOST_ROOM = 0.4;

/**
 * How far a cylinder may be bored, sleeved or plated: to the piston that goes there, and where its shape was measured,
 * out to where it cleans up.
 */
function bored(part: Part, bore: string, wall: string, { rules, piston: goes }: MovesAround): Move | undefined {
  const now = part.values[bore];
  const skirt = goes?.values[SKIRT]?.interval;
  if (!now || !goes) return undefined;
  // Of a piston that nobody measured no check can say what it wants.
  const toPiston = skirt
    ? { down: now.interval.high - skirt.low, up: skirt.high + MOST_ROOM - now.interval.low }
    : STAYS;
  const thick = part.values[wall]?.interval.high;
  const toShape = now.outOfRound || now.taper ? (thick ?? limitOf(cylinders.bored, rules)) : 0;
  return { down: Math.max(0, toPiston.down), up: Math.max(0, toPiston.up, toShape) };
}
const SKIRT = piston.parameters['skirt.diameter'].id;

/** How far the work that joints offer may move a size of a part. Undefined where nobody can say. */
const MOVES: Readonly<Record<string, (part: Part, around: MovesAround) => Move | undefined>> = {
  [block.parameters.bore.id]: (part, around) => bored(part, block.parameters.bore.id, block.parameters.wall.id, around),
  [liner.parameters.bore.id]: (part, around) => {
    const id = liner.parameters.bore.id;
    const [now, move] = [part.values[id]?.interval, bored(part, id, liner.parameters.wall.id, around)];
    const others = around.may('fitLiners') ? around.liners.flatMap((each) => each.values[id]?.interval ?? []) : [];
    if (!now || !move) return undefined;
    return {
      down: Math.max(move.down, ...others.map((other) => now.low - other.low)),
      up: Math.max(move.up, ...others.map((other) => other.high - now.high)),
    };
  },
  [block.parameters.deckHeight.id]: (part, { rules }) => {
    const [now, least] = [block.parameters.deckHeight, block.parameters['deckHeight.least']].map(({ id }) =>
      low(part, id),
    );
    if (now === undefined || least === undefined) return STAYS;
    return { down: Math.max(0, Math.min(limitOf(deck.decked, rules), now - least)), up: 0 };
  },
  [head.parameters['chamber.volume'].id]: (part, { rules, bore }) => {
    const [now, least] = [head.parameters.height, head.parameters['height.least']].map(({ id }) => low(part, id));
    if (now === undefined || least === undefined) return STAYS;
    if (bore === undefined) return undefined;
    const off = Math.max(0, now - least);
    return { down: ((Math.PI / 4) * bore * bore * off * limitOf(deck.chamberShare, rules)) / 1000, up: 0 };
  },
  [piston.parameters.compressionHeight.id]: (_part, { rules }) => ({ down: limitOf(deck.crownTurned, rules), up: 0 }),
  [piston.parameters['crown.volume'].id]: (part, around) => {
    const cut = pocketed(part, around);
    return cut === undefined ? undefined : { down: 0, up: cut };
  },
  [piston.parameters['crown.dome'].id]: (part, around) => {
    const cut = pocketed(part, around);
    return cut === undefined ? undefined : { down: cut, up: 0 };
  },
  [crank.parameters.stroke.id]: (part) => {
    const most = Math.max(0, ...(part.service[crank.parameters['crankpin.diameter'].id] ?? []).map((step) => -step));
    return { down: most, up: most };
  },
};

/** What cutting pockets may take out of a crown, cubic centimetres. Undefined where no valve is known to cut for. */
function pocketed(part: Part, { rules, valve }: MovesAround): number | undefined {
  if (valve === undefined) return undefined;
  const depth =
    part.values[piston.parameters['valvePocket.depth'].id]?.interval.high ?? limitOf(deck.pocketDepth, rules);
  const to = depth + limitOf(deck.pocketDeepened, rules);
  return (MOST_VALVES * to * (Math.PI / 4) * valve ** 2 * limitOf(deck.pocketShare, rules)) / 1000;
}

const changing = (id: string): readonly OperationId[] =>
  OPERATION_IDS.filter((operation) => {
    const { changes = [] }: Operation = OPERATIONS[operation];
    return changes.includes(id);
  });

/** Whether how far a size may move hangs on the piston that is chosen. */
export const goesByPiston = (id: string): boolean => id === block.parameters.bore.id || id === liner.parameters.bore.id;

/** Whether it can be said how far work moves any of these, or no work moves it. */
export const isBounded = (id: string): boolean => MOVES[id] !== undefined || changing(id).length === 0;

/**
 * A part with its sizes as wide as the work that joints offer may make them; nothing where that cannot be said.
 *
 * @param ids the sizes that matter
 */
export function widened(part: Part, ids: ReadonlySet<string>, around: MovesAround): Part | undefined {
  const values = { ...part.values };
  for (const id of ids) {
    const value = part.values[id];
    if (!value || !changing(id).some(around.may)) continue;
    const move = MOVES[id]?.(part, around);
    if (!move) return undefined;
    const interval: Interval = { low: value.interval.low - move.down, high: value.interval.high + move.up };
    values[id] = { interval, source: value.source };
  }
  return { ...part, values };
}

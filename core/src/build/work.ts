import type { Part } from '../catalogue/part.js';
import type { Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { OPERATIONS, type OperationId } from '../joints/operations/operations.js';
import { turnCounterweights } from '../joints/operations/cranks.js';
import { boreCylinders, honeCylinders } from '../joints/operations/cylinders.js';
import { deckBlock, millHead } from '../joints/operations/faces.js';
import { offsetGrind, regrindJournal } from '../joints/operations/journals.js';
import type { Worked } from '../joints/operations/operation.js';
import { cutPockets, machineCrown } from '../joints/operations/pistons.js';
import { around, middle, type Interval } from '../quantity/interval.js';
import { bearings, cylinders, limitOf } from '../thumb/index.js';
import type { HouseRules } from '../shop/houseRules.js';

/** What work on one part goes by of the others. */
export interface WorkAround {
  readonly rules: HouseRules;
  /** Diameter of the cylinders, millimetres. */
  readonly bore?: number;
  /** Diameter of the largest valve, millimetres. */
  readonly valve?: number;
  /** Valves over one cylinder. */
  readonly valves?: string;
}

/** Work that a build may list: on what, by how much, and what the part is afterwards. */
interface Planned {
  readonly operation: keyof typeof OPERATIONS;
  readonly kinds: readonly KindId[];
  /** What the amount is, as in "how much?". */
  readonly asks: string;
  readonly apply: (part: Part, by: number, round: WorkAround) => Worked;
  /** How much of it brings a part to what it is afterwards, inside unit; nothing where that cannot be told. */
  readonly amount: (part: Part, after: Part) => number | undefined;
}

const valueOf = (part: Part, parameter: Parameter): Interval | undefined => part.values[parameter.id]?.interval;

/** The size when new, or as it is where no pattern tells. */
const newOf = (part: Part, parameter: Parameter): Interval | undefined =>
  part.standard[parameter.id] ?? valueOf(part, parameter);

/** How much smaller, or larger, a size is afterwards. */
const difference =
  (parameterOf: (part: Part) => Parameter, way: 'less' | 'more', from: typeof newOf = valueOf): Planned['amount'] =>
  (part, after) => {
    const [was, is] = [from(part, parameterOf(part)), valueOf(after, parameterOf(part))];
    return was && is && (middle(is) - middle(was)) * (way === 'less' ? -1 : 1);
  };

const regrind =
  (journal: Parameter): Planned['apply'] =>
  (part, by, { rules }) => {
    const from = newOf(part, journal);
    if (!from) return { refused: `The ${journal.name.toLowerCase()} is not known.`, unknown: journal.id };
    return regrindJournal(part, journal, around(middle(from) - by, limitOf(bearings.ground, rules) / 2));
  };

const boreOf = (part: Part): Parameter => (part.kind === 'liner' ? liner : block).parameters.bore;

/** Everything that may be planned on a part of a build. Amounts are inside units. */
export const PLANNED_WORK = {
  bore: {
    operation: 'bore',
    kinds: ['block', 'liner'],
    asks: 'over standard',
    amount: difference(boreOf, 'more', newOf),
    apply: (part, by, { rules }) => {
      const from = newOf(part, boreOf(part));
      if (!from) return { refused: 'The bore is not known.', unknown: boreOf(part).id };
      return boreCylinders(part, around(middle(from) + by, limitOf(cylinders.finishedWithin, rules)), rules);
    },
  },
  hone: {
    operation: 'hone',
    kinds: ['block', 'liner'],
    asks: 'out of the diameter',
    amount: difference(boreOf, 'more'),
    apply: (part, by, { rules }) => honeCylinders(part, by, rules),
  },
  deck: {
    operation: 'deck',
    kinds: ['block'],
    asks: 'off the deck',
    amount: difference(() => block.parameters.deckHeight, 'less'),
    apply: (part, by, { rules }) => deckBlock(part, by, rules),
  },
  millHead: {
    operation: 'millHead',
    kinds: ['head'],
    asks: 'off the face',
    amount: difference(() => head.parameters.height, 'less'),
    apply: (part, by, { rules, bore }) =>
      bore === undefined
        ? { refused: 'The bore must be known to tell what the chamber loses.', unknown: block.parameters.bore.id }
        : millHead(part, by, bore, rules),
  },
  regrindMains: {
    operation: 'regrindMains',
    kinds: ['crank'],
    asks: 'under standard',
    amount: difference(() => crank.parameters['mainJournal.diameter'], 'less', newOf),
    apply: regrind(crank.parameters['mainJournal.diameter']),
  },
  regrindPins: {
    operation: 'regrindPins',
    kinds: ['crank'],
    asks: 'under standard',
    amount: difference(() => crank.parameters['crankpin.diameter'], 'less', newOf),
    apply: regrind(crank.parameters['crankpin.diameter']),
  },
  offsetGrind: {
    operation: 'offsetGrind',
    kinds: ['crank'],
    asks: 'of stroke',
    amount: difference(() => crank.parameters.stroke, 'more'),
    apply: (part, by, { rules }) => {
      const pin = crank.parameters['crankpin.diameter'].id;
      // To the first undersize that has the metal for it.
      const undersize = (part.service[pin] ?? []).map((step) => -step).find((step) => step >= Math.abs(by));
      return undersize === undefined
        ? { refused: 'No undersize of the crankpins has the metal for so much.' }
        : offsetGrind(part, undersize, by, rules);
    },
  },
  turnCounterweights: {
    operation: 'turnCounterweights',
    kinds: ['crank'],
    asks: 'off the radius',
    amount: difference(() => crank.parameters.swing, 'less'),
    apply: (part, by, { rules }) => turnCounterweights(part, by, rules),
  },
  machineCrown: {
    operation: 'machineCrown',
    kinds: ['piston'],
    asks: 'off the crown',
    amount: difference(() => piston.parameters.compressionHeight, 'less'),
    apply: (part, by, { rules }) => machineCrown(part, by, rules),
  },
  cutPockets: {
    operation: 'cutPockets',
    kinds: ['piston'],
    asks: 'deeper',
    amount: difference(() => piston.parameters['valvePocket.depth'], 'more'),
    apply: (part, by, { rules, valve, valves }) => cutPockets(part, { count: valves, deeper: by, valve }, rules),
  },
} as const satisfies Readonly<Record<string, Planned>>;

export type PlannedId = keyof typeof PLANNED_WORK;
export const PLANNED_IDS = Object.keys(PLANNED_WORK) as PlannedId[];

/** What the machine shop calls planned work. */
export const operationOf = (id: PlannedId): OperationId => PLANNED_WORK[id].operation;

/** What planned work is called: `Deck the block`. */
export const nameOfWork = (id: PlannedId): string => OPERATIONS[PLANNED_WORK[id].operation].name;

/** What may be planned on a part of this kind. */
export const plannedFor = (kind: KindId): readonly PlannedId[] =>
  PLANNED_IDS.filter((id) => (PLANNED_WORK[id].kinds as readonly KindId[]).includes(kind));

/** What the amount of it means, after the amount: `off the deck`. */
export const asksOf = (id: PlannedId): string => PLANNED_WORK[id].asks;

/**
 * A part after planned work, or why it cannot be done.
 *
 * @param by how much, inside unit
 */
export function worked(part: Part, id: PlannedId, by: number, round: WorkAround): Worked {
  const planned: Planned = PLANNED_WORK[id];
  if (!planned.kinds.includes(part.kind)) return { refused: 'That is not done to such a part.' };
  return planned.apply(part, by, round);
}

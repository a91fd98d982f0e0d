import type { Part } from '../catalogue/part.js';
import { boreCylinders } from '../joints/operations/cylinders.js';
import { isDone } from '../joints/operations/operation.js';
import { OPERATIONS, type OperationId } from '../joints/operations/operations.js';
import { priceFor, takes } from '../joints/index.js';
import { block } from '../dictionary/kinds/block.js';
import { liner } from '../dictionary/kinds/liner.js';
import { around, middle, type Interval } from '../quantity/interval.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import type { HouseRules } from '../shop/houseRules.js';
import { cylinders, limitOf } from '../thumb/index.js';

/** Something that a way takes, with what enough of it for one engine costs where somebody says. */
interface Bought {
  readonly what: string;
  readonly pattern?: string;
  readonly step?: number;
  readonly price?: number;
}

/** One way to have round cylinders again, with its whole bill. */
interface BoreWay {
  readonly id: 'asItIs' | 'bore' | 'sleeve' | 'liners';
  readonly name: string;
  /** Over standard, millimetres; of boring. */
  readonly step?: number;
  readonly size?: Interval;
  readonly wallLeft?: Interval;
  readonly steps: readonly OperationId[];
  readonly hours: number;
  readonly labour: number;
  readonly bought: readonly Bought[];
  /** Of labour and of all that is bought, as far as prices are known. */
  readonly total: number;
  /** Whether everything that is bought has a price. */
  readonly priced: boolean;
  readonly canUndo: boolean;
  readonly caution?: string;
  readonly says: readonly Sentence[];
  /** Why it cannot be done. */
  readonly refused?: string;
}

/** What goes into cylinders, as the engine is on record with. */
export interface CylinderGround {
  readonly rules: HouseRules;
  /** The first service size, from 1, at which every cylinder cleans up; 0 where all are within what was made. */
  readonly cleansUpAt: number | undefined;
  readonly counts: Parameters<typeof priceFor>[1];
  readonly piston?: Part;
  readonly rings?: Part;
  readonly liner?: Part;
  readonly gasket?: Part;
}

/**
 * What is done to worn cylinders, side by side: bored to each service size that cleans all of them up, sleeved back to
 * standard, or with new liners. All cylinders get one size: an engine whose cylinders differ shakes, and no maker sells
 * a set for it. *Common practice, no source.*
 */
export function boreWays(part: Part, ground: CylinderGround): readonly BoreWay[] {
  const { rules, cleansUpAt, counts, piston, rings, gasket } = ground;
  const bore = part.kind === 'liner' ? liner.parameters.bore : block.parameters.bore;
  const made = part.standard[bore.id];
  const priced = (of: Part | undefined, what: string, step?: number): readonly Bought[] => {
    if (!of) return [{ what }];
    const price = priceFor(of, counts);
    return [
      {
        what: of.label,
        ...(of.pattern === undefined ? {} : { pattern: of.pattern }),
        ...(step === undefined ? {} : { step }),
        ...(price === undefined ? {} : { price }),
      },
    ];
  };
  const way = (
    id: BoreWay['id'],
    name: string,
    steps: readonly OperationId[],
    bought: readonly Bought[],
    more: Partial<BoreWay> = {},
  ): BoreWay => {
    // What is bought stands by itself, with its own price.
    const { hours, price: labour } = takes({ steps, comesAlong: true }, rules, counts);
    const all = [...bought, ...priced(gasket, 'head gasket')];
    return {
      id,
      name,
      steps,
      hours,
      labour,
      bought: all,
      total: labour + all.reduce((so, { price = 0 }) => so + price, 0),
      priced: all.every(({ price }) => price !== undefined),
      canUndo: steps.every((step) => OPERATIONS[step].canUndo),
      says: [],
      ...more,
    };
  };
  const asItIs: readonly BoreWay[] =
    cleansUpAt === 0
      ? [
          way('asItIs', 'Hone and new rings', ['hone'], priced(rings, 'rings'), {
            says: [['All are within what was made.']],
          }),
        ]
      : [];
  const service = part.service[bore.id] ?? [];
  const bored = made
    ? service.flatMap((step, index): readonly BoreWay[] => {
        if (step <= 0 || cleansUpAt === undefined || index + 1 < cleansUpAt || cleansUpAt === 0) return [];
        const to = around(middle(made) + step, limitOf(cylinders.finishedWithin, rules));
        const done = boreCylinders(part, to, rules);
        const wall = isDone(done)
          ? done.part.values[part.kind === 'liner' ? liner.parameters.wall.id : block.parameters.wall.id]?.interval
          : undefined;
        const has =
          piston === undefined || (piston.service['piston.bore'] ?? []).some((each) => Math.abs(each - step) < NEAR);
        return [
          way(
            'bore',
            'Bore oversize',
            ['bore', 'hone'],
            [...priced(piston, 'pistons', step), ...priced(rings, 'rings', step)],
            {
              step,
              size: to,
              ...(wall ? { wallLeft: wall } : {}),
              ...(isDone(done) ? {} : { refused: done.refused }),
              caution: OPERATIONS.bore.caution,
              says: has
                ? []
                : [sentence`No piston is on record ${value(step)} over standard: ask before anything is bored.`],
            },
          ),
        ];
      })
    : [];
  const nothing = cleansUpAt === undefined && made ? [['No service size cleans all of them up.'] as Sentence] : [];
  const sleeved =
    part.kind === 'block' && cleansUpAt !== 0
      ? [
          way(
            'sleeve',
            'Sleeve back to standard',
            ['sleeve'],
            [{ what: 'sleeves', price: sleevesFor(rules, counts) }, ...priced(rings, 'rings')],
            {
              caution: OPERATIONS.sleeve.caution,
              says: [...nothing, ['The pistons it has may go in again, where they measure well.']],
            },
          ),
        ]
      : [];
  const lined =
    ground.liner || part.kind === 'liner'
      ? [
          way('liners', 'New liners', ['fitLiners'], [...priced(ground.liner, 'liners'), ...priced(rings, 'rings')], {
            says: [['New ones are round, and their wall is known; the pistons it has may go in again.']],
          }),
        ]
      : [];
  return [...asItIs, ...bored, ...sleeved, ...lined];
}

/** Two service sizes that differ by less are the same. Millimetres. */
const NEAR = 0.01;

/** What sleeves usually cost: the part of sleeving that is bought. */
function sleevesFor(rules: HouseRules, counts: CylinderGround['counts']): number {
  const [whole, labour] = [
    takes({ steps: ['sleeve'] }, rules, counts).price,
    takes({ steps: ['sleeve'], comesAlong: true }, rules, counts).price,
  ];
  return whole - labour;
}

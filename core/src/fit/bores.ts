import type { Part } from '../catalogue/part.js';
import { boreCylinders } from '../joints/operations/cylinders.js';
import { isDone } from '../joints/operations/operation.js';
import { OPERATIONS, type OperationId } from '../joints/operations/operations.js';
import { priceFor, takes } from '../joints/index.js';
import { block } from '../dictionary/kinds/block.js';
import { liner } from '../dictionary/kinds/liner.js';
import { around, middle, type Interval } from '../quantity/interval.js';
import { listed } from '../quantity/phrase.js';
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
  readonly id: 'asItIs' | 'bore' | 'sleeveSome' | 'sleeve' | 'liners';
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
  /** The same of each cylinder by itself, from the front; absent where not all of them were measured. */
  readonly each?: readonly (number | undefined)[];
  readonly counts: Parameters<typeof priceFor>[1];
  readonly piston?: Part;
  readonly rings?: Part;
  readonly liner?: Part;
  readonly gasket?: Part;
}

/**
 * What is done to worn cylinders, side by side: bored to each service size that cleans all of them up, sleeved back to
 * standard, or with new liners. Where a few are worse than the others, those may be sleeved, and the others stay or are
 * bored less. All cylinders get one size: an engine whose cylinders differ shakes, and no maker sells a set for it.
 * *Common practice, no source.*
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
  const some =
    part.kind === 'block' && ground.each && cleansUpAt !== 0
      ? worstSleeved(ground.each, service, cleansUpAt).map(({ worst, at }): BoreWay => {
          const others = (ground.each ?? []).length - worst.length;
          const step = at === 0 ? undefined : service[at - 1];
          const [few, rest] = [
            { ...counts, cylinder: worst.length },
            { ...counts, cylinder: others },
          ];
          const whole = way(
            'sleeveSome',
            `Sleeve ${worst.length === 1 ? 'cylinder' : 'cylinders'} ${listed(worst.map(String))}, ${step === undefined ? 'the others stay' : 'the others bored'}`,
            step === undefined ? ['sleeve'] : ['sleeve', 'bore', 'hone'],
            [
              { what: 'sleeves', price: sleevesFor(rules, few) },
              ...(step === undefined ? [] : priced(piston, 'pistons', step)),
              ...priced(rings, 'rings', step),
            ],
            {
              ...(step === undefined || !made
                ? {}
                : { step, size: around(middle(made) + step, limitOf(cylinders.finishedWithin, rules)) }),
              caution: OPERATIONS.sleeve.caution,
              says: [['The sleeve is finished to the size of the others.']],
            },
          );
          const work = [
            takes({ steps: ['sleeve'], comesAlong: true }, rules, few),
            ...(step === undefined ? [] : [takes({ steps: ['bore', 'hone'], comesAlong: true }, rules, rest)]),
          ];
          const sum = (of: 'hours' | 'price'): number => work.reduce((so, each) => so + each[of], 0);
          const labour = sum('price');
          return { ...whole, hours: sum('hours'), labour, total: whole.total - whole.labour + labour };
        })
      : [];
  const lined =
    ground.liner || part.kind === 'liner'
      ? [
          way('liners', 'New liners', ['fitLiners'], [...priced(ground.liner, 'liners'), ...priced(rings, 'rings')], {
            says: [['New ones are round, and their wall is known; the pistons it has may go in again.']],
          }),
        ]
      : [];
  return [...asItIs, ...bored, ...some, ...sleeved, ...lined];
}

/**
 * The cylinders that are worse than the others, and the service size that does for those: for every size below that
 * which all need, where no more than half would have to be sleeved.
 */
function worstSleeved(
  each: readonly (number | undefined)[],
  service: readonly number[],
  cleansUpAt: number | undefined,
): readonly { readonly worst: readonly number[]; readonly at: number }[] {
  const sizes = Array.from({ length: Math.min(cleansUpAt ?? Infinity, service.length + 1) }, (_, at) => at);
  return sizes.flatMap((at) => {
    const worst = each.flatMap((own, index) => (own === undefined || own > at ? [index + 1] : []));
    return worst.length > 0 && worst.length * 2 <= each.length ? [{ worst, at }] : [];
  });
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

import type { Part } from '../catalogue/part.js';
import { block } from '../dictionary/kinds/block.js';
import { liner } from '../dictionary/kinds/liner.js';
import { boreCylinders } from '../joints/operations/cylinders.js';
import { isDone } from '../joints/operations/operation.js';
import { OPERATIONS } from '../joints/operations/operations.js';
import { around, middle, type Interval } from '../quantity/interval.js';
import { listed } from '../quantity/phrase.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import { cylinders, limitOf } from '../thumb/index.js';
import { BoreBill, type BoreWay, type CylinderGround } from './boreBill.js';

/** Cylinders as they were made, and the sizes they may be bored to. */
interface Holes {
  readonly part: Part;
  readonly made: Interval | undefined;
  /** Over standard, millimetres, ascending. */
  readonly service: readonly number[];
}

/**
 * What is done to worn cylinders, side by side: bored to each service size that cleans all of them up, sleeved back to
 * standard, or with new liners. Where a few are worse than the others, those may be sleeved, and the others stay or are
 * bored less. All cylinders get one size, since an engine whose pistons differ shakes and hardly any maker sells a set
 * for it; where he does allow it, each gets its own. *Common practice, no source.*
 */
export function boreWays(part: Part, ground: CylinderGround): readonly BoreWay[] {
  const bore = part.kind === 'liner' ? liner.parameters.bore : block.parameters.bore;
  const holes = { part, made: part.standard[bore.id], service: part.service[bore.id] ?? [] };
  const bill = new BoreBill(ground);
  const isSound = ground.cleansUpAt === 0;
  return [
    ...(isSound ? [asTheyAre(bill, ground)] : [...bored(bill, ground, holes), ...eachItsOwn(bill, ground, holes)]),
    ...(part.kind === 'block' && !isSound ? [...worstSleeved(bill, ground, holes), sleeved(bill, ground, holes)] : []),
    ...(ground.liner || part.kind === 'liner' ? [withLiners(bill, ground)] : []),
  ];
}

const asTheyAre = (bill: BoreBill, { rings }: CylinderGround): BoreWay =>
  bill.way('asItIs', 'Hone and new rings', [{ steps: ['hone'] }], bill.buy(rings, 'rings'), {
    says: [['All are within what was made.']],
  });

/** The size a cylinder has when it is bored so much over what it was made to. */
const finished = (made: Interval, step: number, { rules }: CylinderGround): Interval =>
  around(middle(made) + step, limitOf(cylinders.finishedWithin, rules));

/** What boring to a size leaves of the wall, or why it cannot be done. */
function afterBoring(part: Part, to: Interval, { rules }: CylinderGround): Pick<BoreWay, 'wallLeft' | 'refused'> {
  const done = boreCylinders(part, to, rules);
  if (!isDone(done)) return { refused: done.refused };
  const wall = done.part.values[part.kind === 'liner' ? liner.parameters.wall.id : block.parameters.wall.id];
  return wall ? { wallLeft: wall.interval } : {};
}

/** Sizes of which nobody is known to make a piston. */
const withoutPiston = ({ piston }: CylinderGround, steps: readonly number[]): readonly Sentence[] =>
  steps
    .filter((step) => piston && !(piston.service['piston.bore'] ?? []).some((each) => Math.abs(each - step) < NEAR))
    .map((step) => sentence`No piston is on record ${value(step)} over standard: ask before anything is bored.`);

/** All bored to one size: the first that cleans all of them up, and every larger one. */
function bored(bill: BoreBill, ground: CylinderGround, { part, made, service }: Holes): readonly BoreWay[] {
  const { cleansUpAt, piston, rings } = ground;
  if (!made || cleansUpAt === undefined) return [];
  return service.flatMap((step, index): readonly BoreWay[] => {
    if (step <= 0 || index + 1 < cleansUpAt) return [];
    const size = finished(made, step, ground);
    return [
      bill.way(
        'bore',
        'Bore oversize',
        [{ steps: ['bore', 'hone'] }],
        [...bill.buy(piston, 'pistons', step), ...bill.buy(rings, 'rings', step)],
        {
          step,
          size,
          ...afterBoring(part, size, ground),
          caution: OPERATIONS.bore.caution,
          says: withoutPiston(ground, [step]),
        },
      ),
    ];
  });
}

/** Every cylinder bored to the first size that cleans it up, where the maker allows several in one engine. */
function eachItsOwn(bill: BoreBill, ground: CylinderGround, { part, made, service }: Holes): readonly BoreWay[] {
  const { each, piston, rings } = ground;
  const own = (each ?? []).filter((at) => at !== undefined);
  if (!ground.eachItsOwn || !made || !each || own.length < each.length || new Set(own).size < 2) return [];
  const sizes = [...new Set(own)]
    .sort((a, b) => a - b)
    .map((at) => ({
      step: at === 0 ? undefined : service[at - 1],
      which: own.flatMap((size, index) => (size === at ? [index + 1] : [])),
    }));
  const steps = sizes.flatMap(({ step }) => step ?? []);
  const largest = finished(made, Math.max(...steps), ground);
  return [
    bill.way(
      'boreEach',
      'Bore each to its own size',
      sizes.map(({ step, which }) => ({
        steps: step === undefined ? ['hone' as const] : ['bore' as const, 'hone' as const],
        on: which.length,
      })),
      sizes.flatMap(({ step, which }) => [
        ...(step === undefined ? [] : bill.buy(piston, 'pistons', step, which.length)),
        ...bill.buy(rings, 'rings', step, which.length),
      ]),
      {
        ...afterBoring(part, largest, ground),
        caution: OPERATIONS.bore.caution,
        says: [
          ...sizes.map(
            ({ step, which }): Sentence =>
              sentence`${which.length === 1 ? 'Cylinder' : 'Cylinders'} ${listed(which.map(String))}: ${step === undefined ? 'honed only' : sentence`${value(step)} over`}.`,
          ),
          ['Pistons of different sizes weigh differently: bring the heavier ones down to the lightest.'],
          ...withoutPiston(ground, steps),
        ],
      },
    ),
  ];
}

function sleeved(bill: BoreBill, { cleansUpAt, rings }: CylinderGround, { made }: Holes): BoreWay {
  const nothing = cleansUpAt === undefined && made ? [['No service size cleans all of them up.'] as Sentence] : [];
  return bill.way(
    'sleeve',
    'Sleeve back to standard',
    [{ steps: ['sleeve'] }],
    [...bill.sleeves(), ...bill.buy(rings, 'rings')],
    {
      caution: OPERATIONS.sleeve.caution,
      says: [...nothing, ['The pistons it has may go in again, where they measure well.']],
    },
  );
}

/**
 * The cylinders that are worse than the others sleeved, for every size below that which all need and which does for the
 * others, where no more than half would have to be sleeved.
 */
function worstSleeved(bill: BoreBill, ground: CylinderGround, { made, service }: Holes): readonly BoreWay[] {
  const { each, cleansUpAt, piston, rings } = ground;
  if (!each) return [];
  const sizes = Array.from({ length: Math.min(cleansUpAt ?? Infinity, service.length + 1) }, (_, at) => at);
  return sizes.flatMap((at): readonly BoreWay[] => {
    const worst = each.flatMap((own, index) => (own === undefined || own > at ? [index + 1] : []));
    if (worst.length === 0 || worst.length * 2 > each.length) return [];
    const step = at === 0 ? undefined : service[at - 1];
    return [
      bill.way(
        'sleeveSome',
        `Sleeve ${worst.length === 1 ? 'cylinder' : 'cylinders'} ${listed(worst.map(String))}, ${step === undefined ? 'the others stay' : 'the others bored'}`,
        [
          { steps: ['sleeve'], on: worst.length },
          ...(step === undefined ? [] : [{ steps: ['bore', 'hone'] as const, on: each.length - worst.length }]),
        ],
        [
          ...bill.sleeves(worst.length),
          ...(step === undefined ? [] : bill.buy(piston, 'pistons', step)),
          ...bill.buy(rings, 'rings', step),
        ],
        {
          ...(step === undefined || !made ? {} : { step, size: finished(made, step, ground) }),
          caution: OPERATIONS.sleeve.caution,
          says: [['The sleeve is finished to the size of the others.']],
        },
      ),
    ];
  });
}

const withLiners = (bill: BoreBill, { liner: sleeve, rings }: CylinderGround): BoreWay =>
  bill.way(
    'liners',
    'New liners',
    [{ steps: ['fitLiners'] }],
    [...bill.buy(sleeve, 'liners'), ...bill.buy(rings, 'rings')],
    { says: [['New ones are round, and their wall is known; the pistons it has may go in again.']] },
  );

/** Two service sizes that differ by less are the same. Millimetres. */
const NEAR = 0.01;

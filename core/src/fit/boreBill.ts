import type { Part } from '../catalogue/part.js';
import { priceFor, takes } from '../joints/index.js';
import { OPERATIONS, type OperationId } from '../joints/operations/operations.js';
import type { Interval } from '../quantity/interval.js';
import type { Sentence } from '../quantity/sentence.js';
import type { HouseRules } from '../shop/houseRules.js';

/** Something that a way takes, with what enough of it for one engine costs where somebody says. */
interface Bought {
  readonly what: string;
  readonly pattern?: string;
  readonly step?: number;
  readonly price?: number;
}

/** One way to have round cylinders again, with its whole bill. */
export interface BoreWay {
  readonly id: 'asItIs' | 'bore' | 'boreEach' | 'sleeveSome' | 'sleeve' | 'liners';
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
  /** Whether the maker allows cylinders of different sizes in one engine. */
  readonly eachItsOwn?: boolean;
  readonly counts: Parameters<typeof priceFor>[1];
  readonly piston?: Part;
  readonly rings?: Part;
  readonly liner?: Part;
  readonly gasket?: Part;
}

/** Operations done one after another on some of the cylinders. */
interface Work {
  readonly steps: readonly OperationId[];
  /** On how many; on all where absent. */
  readonly on?: number;
}

/** Writes the bills of one engine. */
export class BoreBill {
  constructor(private readonly ground: CylinderGround) {}

  /** What is bought of a part, in one size, for so many cylinders; without a price where nobody says one. */
  buy(of: Part | undefined, what: string, step?: number, cylinders?: number): readonly Bought[] {
    if (!of) return [{ what }];
    const price = priceFor(of, this.counts(cylinders));
    return [
      {
        what: of.label,
        ...(of.pattern === undefined ? {} : { pattern: of.pattern }),
        ...(step === undefined ? {} : { step }),
        ...(price === undefined ? {} : { price }),
      },
    ];
  }

  /** What sleeves usually cost: the part of sleeving that is bought. */
  sleeves(cylinders?: number): readonly Bought[] {
    const [{ rules }, counts] = [this.ground, this.counts(cylinders)];
    const whole = takes({ steps: ['sleeve'] }, rules, counts).price;
    return [{ what: 'sleeves', price: whole - takes({ steps: ['sleeve'], comesAlong: true }, rules, counts).price }];
  }

  /** A way with its whole bill: its work, what is bought for it, and the gasket that every one of them takes. */
  way(
    id: BoreWay['id'],
    name: string,
    work: readonly Work[],
    bought: readonly Bought[],
    more: Partial<BoreWay> = {},
  ): BoreWay {
    const all = [...bought, ...this.buy(this.ground.gasket, 'head gasket')];
    // What is bought stands by itself, with its own price.
    const taken = work.map(({ steps, on }) => takes({ steps, comesAlong: true }, this.ground.rules, this.counts(on)));
    const labour = taken.reduce((so, { price }) => so + price, 0);
    const steps = [...new Set(work.flatMap((each) => each.steps))];
    return {
      id,
      name,
      steps,
      hours: taken.reduce((so, { hours }) => so + hours, 0),
      labour,
      bought: all,
      total: labour + all.reduce((so, { price = 0 }) => so + price, 0),
      priced: all.every(({ price }) => price !== undefined),
      canUndo: steps.every((step) => OPERATIONS[step].canUndo),
      says: [],
      ...more,
    };
  }

  private counts(cylinder?: number): CylinderGround['counts'] {
    return cylinder === undefined ? this.ground.counts : { ...this.ground.counts, cylinder };
  }
}

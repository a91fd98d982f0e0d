import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { around, contains, interval, middle, minus, shifted, type Interval } from '../../quantity/interval.js';
import { capital } from '../../quantity/phrase.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { cylinders, limitOf, type FigureOfThumb } from '../../thumb/index.js';
import { lookOf, machined, valueOf, type Assembly } from '../assembly.js';
import type { JointCheck } from '../check.js';
import { missing, offer, work, type Offer, type Outcome } from '../outcome.js';
import {
  boreCylinders,
  honeCylinders,
  plateCylinders,
  sleeveCylinders,
  trueCylinders,
} from '../operations/cylinders.js';
import { isDone, type Worked } from '../operations/operation.js';
import type { OperationId } from '../operations/operations.js';
import { specified, within, type Requirement } from '../shapes/within.js';

const { 'skirt.diameter': skirt, 'skirt.clearance': clearance } = piston.parameters;

const { material, crown, rings, compressionRings } = piston.features;

/** What tells what a piston is for, where no clearance is specified. */
const TELLING = [rings, compressionRings, crown, material];

/**
 * Skirt clearance as specified, or by what the piston is for and made of: one without an oil ring belongs to a
 * two-stroke, one with a deep bowl to a diesel.
 */
export function requiredSkirt(assembly: Assembly, bore: Parameter, hole: Interval): Requirement {
  const by = (figure: FigureOfThumb) => specified(assembly, clearance, figure, hole);
  const [all, plain, top, made] = [rings, compressionRings, crown, material].map((each) => lookOf(assembly, each));
  if (all === plain) {
    const surface = surfaceOf(assembly, bore);
    if (surface === undefined) return either(by(cylinders.skirtTwoStroke), by(cylinders.skirtPlated));
    return by(surface === 'iron' ? cylinders.skirtTwoStroke : cylinders.skirtPlated);
  }
  if (top === 'bowl' || top === 'reentrant') return by(cylinders.skirtDiesel);
  return by(made === 'cast' ? cylinders.skirtCast : cylinders.skirtForged);
}

/** One of two is wanted and nobody knows which: what suits both is right, and what neither goes to is wrong. */
function either(one: Requirement, other: Requirement): Requirement {
  const [low, high] = [Math.max(one.band.low, other.band.low), Math.min(one.band.high, other.band.high)];
  const both = low <= high ? { low, high } : interval((low + high) / 2);
  const [a, b] = [one.inPlaceOf, other.inPlaceOf];
  return {
    ...one,
    band: both,
    ...(a && b
      ? {
          inPlaceOf: {
            ...a,
            leeway: { low: Math.min(a.leeway.low, b.leeway.low), high: Math.max(a.leeway.high, b.leeway.high) },
          },
        }
      : {}),
  };
}

/** What the piston runs on. A liner, and a cylinder bored in an iron block, is iron unless it was seen to be plated. */
function surfaceOf(assembly: Assembly, bore: Parameter): string | undefined {
  const seen = isOfBlock(bore) ? lookOf(assembly, block.features.boreSurface) : 'iron';
  if (seen !== undefined) return seen;
  const isIron =
    lookOf(assembly, block.features.material) === 'iron' ||
    lookOf(assembly, block.features.cylinderWall) === 'dryLiner';
  return isIron ? 'iron' : undefined;
}

const isOfBlock = (bore: Parameter): boolean => bore.id === block.parameters.bore.id;

/** How cylinders are brought to another size, by what the piston runs on. */
interface Finish {
  /** Steps by which a few hundredths are taken out; none where the surface does not bear it. */
  readonly hone?: readonly [OperationId, ...OperationId[]];
  readonly bore: readonly [OperationId, ...OperationId[]];
  /** What is done to the cylinders, before the size they come to. */
  readonly says: string;
}

const FINISHES: Readonly<Record<string, Finish>> = {
  iron: { hone: ['hone'], bore: ['bore', 'hone'], says: 'bore and hone the cylinders to' },
  silicon: {
    hone: ['hone', 'etch'],
    bore: ['bore', 'hone', 'etch'],
    says: 'bore and hone the cylinders, and lap and etch them, which a hone alone does not do, to',
  },
  // The core is bored, and carries the plating as the old one did.
  plated: { bore: ['bore', 'plate'], says: 'bore the cylinders, and have them plated and finished to' },
  sprayed: { bore: ['bore', 'plate'], says: 'bore the cylinders, and have them plated and finished to' },
};

/** What may be done to cylinders of which nobody has seen what the piston runs on: nothing before that, if at all. */
const whileUnseen = (bored: Worked): readonly Offer[] =>
  isDone(bored) || bored.unknown !== undefined ? [{ unknown: block.features.boreSurface.id }] : [];

function boreWork(
  assembly: Assembly,
  cylinder: Part | undefined,
  bore: Parameter,
  now: Interval,
  size: Interval,
  required: Interval,
): readonly Offer[] {
  const part = assembly.parts.piston;
  if (!cylinder || !part) return [];
  const { rules } = assembly;
  const finishedWithin = limitOf(cylinders.finishedWithin, rules);
  const finished = (over: number): Interval => around(middle(size) + over + middle(required), finishedWithin);
  const then = around(middle(required), finishedWithin);
  const toBe = finished(0);
  const by = middle(toBe) - middle(now);
  const finish = FINISHES[surfaceOf(assembly, bore) ?? ''];
  const done = { found: then, required };
  if (by > 0) {
    if (!finish) return whileUnseen(boreCylinders(cylinder, toBe, rules));
    const { hone } = finish;
    if (hone && by <= limitOf(cylinders.honed, rules))
      return offer(honeCylinders(cylinder, by, rules), (honed) =>
        work({
          ...done,
          steps: hone,
          says: sentence`Hone ${value(by)} out of the cylinders, to ${band(toBe)}.`,
          parts: [honed],
        }),
      );
    return offer(boreCylinders(cylinder, toBe, rules), (bored) =>
      work({
        ...done,
        steps: finish.bore,
        name: 'Bore for this piston',
        says: sentence`${capital(finish.says)} ${band(toBe)}.`,
        parts: [bored],
      }),
    );
  }
  // The hole is too large: a piston of the next oversize that cleans it up, plating, or a sleeve.
  const over = (part.service[skirt.id] ?? []).find((step) => step > 0 && finished(step).low >= now.high);
  const oversize: readonly Offer[] =
    over === undefined
      ? []
      : !finish
        ? whileUnseen(boreCylinders(cylinder, finished(over), rules))
        : offer(boreCylinders(cylinder, finished(over), rules), (bored) =>
            work({
              ...done,
              steps: finish.bore,
              says: sentence`Take this piston ${value(over)} oversize, and ${finish.says} ${band(finished(over))}.`,
              parts: [bored, machined(part, skirt, shifted(size, over))],
            }),
          );
  const isPlated = finish?.bore.includes('plate') ?? false;
  const sleevable =
    isOfBlock(bore) && !isPlated && middle(now) - middle(toBe) < 2 * limitOf(cylinders.sleeveThickest, rules);
  return [
    ...oversize,
    ...offer(isPlated ? plateCylinders(cylinder, toBe, rules) : undefined, (plated) =>
      work({
        ...done,
        steps: ['plate'],
        says: sentence`Have the cylinders stripped, plated anew and finished to ${band(toBe)}.`,
        parts: [plated],
      }),
    ),
    ...offer(sleevable ? sleeveCylinders(cylinder, toBe, rules) : undefined, (sleeved) =>
      work({
        ...done,
        steps: ['sleeve'],
        says: sentence`Sleeve the cylinders and finish them to ${band(toBe)}.`,
        parts: [sleeved],
      }),
    ),
  ];
}

/**
 * What brings a cylinder right that is worn out of shape, whatever piston comes: its skirt clearance tells afterwards
 * which oversize goes in.
 */
export function trueUpCylinders(assembly: Assembly, part: Part, now: Interval): readonly Offer[] {
  const finish = FINISHES[surfaceOf(assembly, block.parameters.bore) ?? ''];
  const trued = trueCylinders(part, now, assembly.rules);
  if (!finish) return whileUnseen(trued);
  return offer(trued, (bored) =>
    work({
      steps: finish.bore,
      says: sentence`${capital(finish.says)} ${band(bored.values[block.parameters.bore.id]?.interval ?? now)}, at which the worst cleans up.`,
      parts: [bored],
    }),
  );
}

/** Faces by which a liner sits in its block: one that has the same goes in the place of another. */
const SEATS = [liner.parameters['outside.upper'], liner.parameters['outside.lower'], liner.parameters['flange.height']];

/** Liners of the stock that sit as these do and in which the piston runs right. */
function otherLiners(assembly: Assembly, size: Interval, required: Interval): readonly Offer[] {
  const part = assembly.parts.liner;
  if (!part) return [];
  const right = (assembly.stock.liner ?? []).flatMap((other) => {
    const hole = other.values[liner.parameters.bore.id]?.interval;
    const then = hole && minus(hole, size);
    return then && contains(required, then) ? [{ other, then }] : [];
  });
  // How these sit matters only where there are others at all.
  const unknown = right.length > 0 ? SEATS.find(({ id }) => !part.values[id]) : undefined;
  if (unknown) return [{ unknown: unknown.id }];
  const sitsAlike = (other: Part) =>
    SEATS.every(({ id }) => {
      const [mine, theirs] = [part.values[id]?.interval, other.values[id]?.interval];
      return mine && theirs && Math.abs(middle(mine) - middle(theirs)) < limitOf(cylinders.sitsAlike, assembly.rules);
    });
  return right
    .filter(({ other }) => sitsAlike(other))
    .slice(0, 1)
    .map(({ other, then }) =>
      work({
        steps: ['fitLiners'],
        says: sentence`Fit liners ${other.label}, in which the skirt has ${band(then)}.`,
        found: then,
        required,
        parts: [other],
        buy: [other.pattern],
      }),
    );
}

export const skirtClearance = (
  bore: Parameter,
  wall: Parameter,
  unless?: (assembly: Assembly) => Outcome | undefined,
): JointCheck =>
  within({
    id: 'skirtClearance',
    name: 'Skirt clearance',
    of: { hole: bore, size: skirt },
    also: [
      clearance.id,
      ...TELLING.map(({ id }) => id),
      wall.id,
      ...(isOfBlock(bore)
        ? [block.features.cylinderWall.id, block.features.boreSurface.id, block.features.material.id]
        : SEATS.map(({ id }) => id)),
    ],
    unless: (assembly) => {
      const untold = valueOf(assembly, clearance) ? [] : TELLING.filter((each) => lookOf(assembly, each) === undefined);
      return unless?.(assembly) ?? (untold.length > 0 ? missing(untold, 'count') : undefined);
    },
    found: ({ hole, size }) => minus(hole, size),
    required: (assembly, { hole }) => requiredSkirt(assembly, bore, hole),
    fits: ({ found, required, sizes: { hole } }) =>
      sentence`In a bore of ${band(hole)} the skirt has ${band(found)}, ${band(required)} wanted.`,
    subject: 'The skirt clearance',
    tooLittle: 'the piston would seize, or not go in',
    tooMuch: 'it would slap and rock',
    mend: (assembly, { required, sizes: { hole, size } }) => [
      ...(isOfBlock(bore) ? [] : otherLiners(assembly, size, required)),
      ...boreWork(assembly, assembly.parts[isOfBlock(bore) ? 'block' : 'liner'], bore, hole, size, required),
    ],
  });

import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { around, contains, middle, minus, shifted, type Interval } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { cylinders, limitOf, type FigureOfThumb } from '../../thumb/index.js';
import { lookOf, machined, valueOf, type Assembly } from '../assembly.js';
import type { JointCheck } from '../check.js';
import { missing, offer, work, type Outcome, type Offer } from '../outcome.js';
import { boreCylinders, honeCylinders, sleeveCylinders } from '../operations/cylinders.js';
import { specified, within } from '../shapes/within.js';

const { 'skirt.diameter': skirt, 'skirt.clearance': clearance } = piston.parameters;

const { material, crown, rings, compressionRings } = piston.features;

/** What tells what a piston is for, where no clearance is specified. */
const TELLING = [rings, compressionRings, crown, material];

/**
 * Skirt clearance by what the piston is for and made of: one without an oil ring belongs to a two-stroke, one with a
 * deep bowl to a diesel.
 */
function usualSkirt(assembly: Assembly): FigureOfThumb {
  const [all, plain, top, made] = [rings, compressionRings, crown, material].map((each) => lookOf(assembly, each));
  if (all === plain) return cylinders.skirtTwoStroke;
  if (top === 'bowl' || top === 'reentrant') return cylinders.skirtDiesel;
  return made === 'cast' ? cylinders.skirtCast : cylinders.skirtForged;
}

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
  if (by > 0 && by <= limitOf(cylinders.honed, rules))
    return offer(honeCylinders(cylinder, by, rules), (honed) =>
      work({
        steps: ['hone'],
        says: sentence`Hone ${value(by)} out of the cylinders, to ${band(toBe)}.`,
        found: then,
        required,
        parts: [honed],
      }),
    );
  if (by > 0)
    return offer(boreCylinders(cylinder, toBe, rules), (bored) =>
      work({
        steps: ['bore', 'hone'],
        name: 'Bore for this piston',
        says: sentence`Bore and hone the cylinders to ${band(toBe)}.`,
        found: then,
        required,
        parts: [bored],
      }),
    );
  // The hole is too large: a piston of the next oversize that cleans it up, or a sleeve.
  const over = (part.service[skirt.id] ?? []).find((step) => step > 0 && finished(step).low >= now.high);
  const oversize =
    over === undefined
      ? []
      : offer(boreCylinders(cylinder, finished(over), rules), (bored) =>
          work({
            steps: ['bore', 'hone'],
            says: sentence`Take this piston ${value(over)} oversize, and bore and hone the cylinders to ${band(finished(over))}.`,
            found: then,
            required,
            parts: [bored, machined(part, skirt, shifted(size, over))],
          }),
        );
  const sleevable =
    bore.id === block.parameters.bore.id && middle(now) - middle(toBe) < 2 * limitOf(cylinders.sleeveThickest, rules);
  return [
    ...oversize,
    ...offer(sleevable ? sleeveCylinders(cylinder, toBe, rules) : undefined, (sleeved) =>
      work({
        steps: ['sleeve'],
        says: sentence`Sleeve the cylinders and finish them to ${band(toBe)}.`,
        found: then,
        required,
        parts: [sleeved],
      }),
    ),
  ];
}

/** Faces by which a liner sits in its block: one that has the same goes in the place of another. */
const SEATS = [liner.parameters['outside.upper'], liner.parameters['outside.lower'], liner.parameters['flange.height']];

/** Liners of the stock that sit as these do and in which the piston runs right. */
function otherLiners(assembly: Assembly, size: Interval, required: Interval): readonly Offer[] {
  const part = assembly.parts.liner;
  if (!part) return [];
  const unknown = SEATS.find(({ id }) => !part.values[id]);
  if (unknown) return [{ unknown: unknown.id }];
  const sitsAlike = (other: Part) =>
    SEATS.every(({ id }) => {
      const [mine, theirs] = [part.values[id]?.interval, other.values[id]?.interval];
      return mine && theirs && Math.abs(middle(mine) - middle(theirs)) < limitOf(cylinders.sitsAlike, assembly.rules);
    });
  return (assembly.stock.liner ?? [])
    .flatMap((other): readonly Offer[] => {
      const hole = other.values[liner.parameters.bore.id]?.interval;
      const then = hole && minus(hole, size);
      if (!then || !contains(required, then) || !sitsAlike(other)) return [];
      return [
        work({
          steps: ['fitLiners'],
          says: sentence`Fit liners ${other.label}, in which the skirt has ${band(then)}.`,
          found: then,
          required,
          parts: [other],
          buy: [other.pattern],
        }),
      ];
    })
    .slice(0, 1);
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
      ...(bore.id.startsWith('block') ? [block.features.cylinderWall.id] : SEATS.map(({ id }) => id)),
    ],
    unless: (assembly) => {
      const untold = valueOf(assembly, clearance) ? [] : TELLING.filter((each) => lookOf(assembly, each) === undefined);
      return unless?.(assembly) ?? (untold.length > 0 ? missing(untold, 'count') : undefined);
    },
    found: ({ hole, size }) => minus(hole, size),
    required: (assembly, { hole }) => specified(assembly, clearance, usualSkirt(assembly), hole),
    fits: ({ found, required, sizes: { hole } }) =>
      sentence`In a bore of ${band(hole)} the skirt has ${band(found)}, ${band(required)} wanted.`,
    subject: 'The skirt clearance',
    tooLittle: 'the piston would seize, or not go in',
    tooMuch: 'it would slap and rock',
    mend: (assembly, { required, sizes: { hole, size } }) => [
      ...(bore.id.startsWith('liner') ? otherLiners(assembly, size, required) : []),
      ...boreWork(
        assembly,
        assembly.parts[bore.id.startsWith('liner') ? 'liner' : 'block'],
        bore,
        hole,
        size,
        required,
      ),
    ],
  });

import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { rollingBearing } from '../../dictionary/kinds/rollingBearing.js';
import { apart, contains, interval, middle, minus, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bearings as figures, limitOf } from '../../thumb/index.js';
import { valueOf, type Assembly } from '../assembly.js';
import { closer, missing, said, work, type Outcome } from '../outcome.js';

const { bore, outside } = rollingBearing.parameters;

const { form } = rollingBearing.features;

/** A cage, and the sizes it is named by: those of the pins and eyes it is for. */
interface Cage {
  readonly part: Part;
  readonly pins: Interval;
  readonly eyes: Interval;
}

/** What may be a needle cage, of which a size or the form is not on record. */
type Unsized = Pick<Part, 'values'>;

/** The needle cages of a list of bearings, those for the largest pins first. */
interface Cages {
  readonly sized: readonly Cage[];
  readonly unsized: readonly Unsized[];
}

const known = new WeakMap<readonly Part[], Cages>();

/** The needle cages of the stock; sought out once for each list of bearings. */
function cagesOf({ stock: { rollingBearing: bearings = [] } }: Assembly): Cages {
  const found = known.get(bearings);
  if (found) return found;
  const sized: Cage[] = [];
  const unsized: Unsized[] = [];
  for (const part of bearings) {
    const [inner, outer] = [part.values[bore.id]?.interval, part.values[outside.id]?.interval];
    const option = part.looks[form.id]?.option;
    if (option === 'needle' && inner && outer) sized.push({ part, pins: inner, eyes: outer });
    else if (option === undefined || option === 'needle') unsized.push(part);
  }
  const cages = { sized: sized.sort((a, b) => middle(b.pins) - middle(a.pins)), unsized };
  known.set(bearings, cages);
  return cages;
}

/** How the two that run on the needles are called. */
interface Calling {
  readonly pin: string;
  readonly eye: string;
}

/**
 * What needles run between a pin and an eye. The eye's own cage is the one of its outside that takes the largest pin; a
 * cage of the same outside and a smaller bore is the adapter that lets a smaller pin run in it. There is none for a
 * pin that is too large, so it works one way only.
 */
export function onNeedles(assembly: Assembly, pin: Parameter, eye: Parameter, called: Calling): Outcome {
  const [inner, outer] = [valueOf(assembly, pin), valueOf(assembly, eye)];
  if (!inner || !outer) return missing([...(inner ? [] : [pin]), ...(outer ? [] : [eye])]);
  const [size, hole] = [inner.interval, outer.interval];
  const room = scaled(minus(hole, size), 0.5);
  const shared = { quantity: 'length', found: room } as const;
  const between = sentence`the ${called.pin} ${band(size)} and the ${called.eye} ${band(hole)}`;
  const { sized: cages, unsized } = cagesOf(assembly);
  const near = limitOf(figures.cageNamed, assembly.rules);
  const isFor = (name: Interval, asked: Interval): boolean =>
    contains(interval(name.low - near, name.high + near), asked);
  const mayBeFor = (name: Interval, asked: Interval): boolean =>
    !apart(interval(name.low - near, name.high + near), asked);
  const own = cages.filter(({ eyes }) => isFor(eyes, hole));
  const right = own.find(({ pins }) => isFor(pins, size));
  // One whose sizes nobody put down may be the eye's own, and larger.
  const mayBeOwn = ({ values }: Unsized): boolean => {
    const [pins, eyes] = [values[bore.id]?.interval, values[outside.id]?.interval];
    return (!eyes || mayBeFor(eyes, hole)) && (!pins || pins.high > size.high + near);
  };
  if (right && right === own[0] && unsized.some(mayBeOwn))
    return said(
      'cannotTell',
      sentence`A needle cage, ${right.part.label}, goes between ${between}. But others are on record without their sizes, and one of them may be the eye’s own: measure those.`,
      { ...shared, needs: [bore.id, outside.id, form.id] },
    );
  if (right && right === own[0])
    return said('fits', sentence`A needle cage, ${right.part.label}, goes between ${between}.`, shared);
  if (right)
    return said(
      'fitsWithWork',
      sentence`The ${called.eye} ${band(hole)} is made for a larger pin: a bearing of small bore and large outside diameter lets ${band(size)} run in it.`,
      {
        ...shared,
        work: [
          work({
            steps: ['sleeveCage'],
            says: sentence`Fit ${right.part.label} between ${between}.`,
            parts: [],
            buy: [right.part.pattern],
          }),
        ],
      },
    );
  if (room.high < limitOf(figures.cageThinnest, assembly.rules))
    return said('doesNotFit', sentence`There is no room for needles between ${between}.`, shared);
  const needs = cages.some(({ pins, eyes }) => mayBeFor(pins, size) && mayBeFor(eyes, hole))
    ? closer([
        [pin, inner],
        [eye, outer],
      ])
    : [bore.id, outside.id];
  return said('cannotTell', sentence`No needle cage is known to go between ${between}.`, { ...shared, needs });
}

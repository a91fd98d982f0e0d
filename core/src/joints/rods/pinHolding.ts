import { rod } from '../../dictionary/kinds/rod.js';
import { around, middle, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, rods } from '../../thumb/index.js';
import { lookOf, type Assembly } from '../assembly.js';
import { missing, offer, work, type Outcome, type Offer } from '../outcome.js';
import { bushSmallEnd, openSmallEnd } from '../operations/rods.js';

const { smallEndForm, pinFixing: rodFixing } = rod.features;

/** How the small end holds its pin: pressed, floating in a bush, or on needles. Undefined while it is not known. */
export type Holding = 'pressed' | 'floating' | 'needles';

/** How the small end of this rod holds its pin. */
export function holding(assembly: Assembly): Holding | undefined {
  const [form, fixing] = [lookOf(assembly, smallEndForm), lookOf(assembly, rodFixing)];
  if (form === undefined || fixing === undefined) return undefined;
  return form === 'needle' ? 'needles' : fixing === 'pressed' ? 'pressed' : 'floating';
}

/** What must be looked at before it is known how the small end holds its pin; nothing where it is known. */
export const holdingUnknown = (assembly: Assembly): Outcome | undefined =>
  holding(assembly)
    ? undefined
    : missing(
        [smallEndForm, rodFixing].filter((each) => lookOf(assembly, each) === undefined),
        'count',
      );

/** Bushing or opening the small ends to a size. */
export const bushed = (
  assembly: Assembly,
  to: Interval,
  then: { readonly found?: Interval; readonly required?: Interval } = {},
): readonly Offer[] => {
  const part = assembly.parts.rod;
  if (!part) return [];
  return [
    ...offer(bushSmallEnd(part, to, assembly.rules), (bush) =>
      work({
        steps: ['bushSmallEnd'],
        says: sentence`Bush the small ends and ream them to ${band(to)}.`,
        ...then,
        parts: [bush],
      }),
    ),
    ...offer(openSmallEnd(part, to, assembly.rules), (open) =>
      work({
        steps: ['openSmallEnd'],
        says: sentence`Hone the small ends out to ${band(to)}.`,
        ...then,
        parts: [open],
      }),
    ),
  ];
};

/** A hole for a floating pin of this size. */
export const reamedFor = ({ rules }: Assembly, size: Interval): Interval =>
  around(
    middle(size) + limitOf(rods.pinReamed, rules) + limitOf(rods.pinReamedShare, rules) * middle(size),
    limitOf(rods.pinReamedWithin, rules),
  );

import { pin } from '../dictionary/kinds/pin.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import { around, contains, interval, middle, minus, type Interval } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { bandOf, cite, limitOf, rods } from '../thumb/index.js';
import { lookOf, valueOf, type Assembly } from './assembly.js';
import { MENDED, type Check, type Joint } from './check.js';
import { mended, missing, offer, said, work, type Finding, type Offer } from './finding.js';
import { onNeedles } from './needleCages.js';
import { isDone } from './operations/operation.js';
import { openPinBore } from './operations/pistons.js';
import { bushSmallEnd, drillRod, narrowSmallEnd, openSmallEnd } from './operations/rods.js';
import { sameLook } from './shapes/same.js';
import { noLess, usually, within, type Requirement } from './shapes/within.js';

const { 'smallEnd.bore': smallEnd, 'smallEnd.width': smallWidth } = rod.parameters;
const { 'pin.diameter': pinBore, bossGap } = piston.parameters;
const { smallEndForm, pinFixing: rodFixing, located } = rod.features;

/** How the small end holds its pin: pressed, floating in a bush, or on needles. Undefined while it is not known. */
type Holding = 'pressed' | 'floating' | 'needles';

function holding(assembly: Assembly): Holding | undefined {
  const [form, fixing] = [lookOf(assembly, smallEndForm), lookOf(assembly, rodFixing)];
  if (form === undefined || fixing === undefined) return undefined;
  return form === 'needle' ? 'needles' : fixing === 'pressed' ? 'pressed' : 'floating';
}

const holdingUnknown = (assembly: Assembly): Finding | undefined =>
  holding(assembly)
    ? undefined
    : missing(
        [smallEndForm, rodFixing].filter((each) => lookOf(assembly, each) === undefined),
        'count',
      );

/** What the small end leaves over a pin: a pressed one is held by what is wanting, a floating one runs in what is left. */
function wantedOver({ rules }: Assembly, size: Interval, held: Holding): Requirement {
  const [figure, share] = held === 'pressed' ? ([rods.pinPress, rods.pinPressShare] as const) : ([rods.pinFloat, rods.pinFloatShare] as const);
  const { low, high } = bandOf(figure, rules);
  const most = high + limitOf(share, rules) * middle(size);
  return {
    band: held === 'pressed' ? interval(-most, -low) : interval(low, most),
    ruleOfThumb: sentence`${cite(figure, rules)} ${cite(share, rules)}`,
  };
}

const bushed = (assembly: Assembly, to: Interval, then: { readonly found?: Interval; readonly required?: Interval } = {}): readonly Offer[] => {
  const part = assembly.parts.rod;
  if (!part) return [];
  return [
    ...offer(bushSmallEnd(part, to, assembly.rules), (bush) =>
      work({ steps: ['bushSmallEnd'], says: sentence`Bush the small ends and ream them to ${band(to)}.`, ...then, parts: [bush] }),
    ),
    ...offer(openSmallEnd(part, to, assembly.rules), (open) =>
      work({ steps: ['openSmallEnd'], says: sentence`Hone the small ends out to ${band(to)}.`, ...then, parts: [open] }),
    ),
  ];
};

/** A hole for a floating pin of this size. */
const reamedFor = ({ rules }: Assembly, size: Interval): Interval =>
  around(middle(size) + limitOf(rods.pinReamed, rules) + limitOf(rods.pinReamedShare, rules) * middle(size), limitOf(rods.pinReamedWithin, rules));

const pinSize: Check = {
  ...within({
    id: 'pinSize',
    name: 'Pin size',
    of: { eye: smallEnd, boss: pinBore },
    also: [smallEndForm.id, rodFixing.id, rod.parameters['smallEnd.housing'].id],
    unless: (assembly) => {
      const unknown = holdingUnknown(assembly);
      if (unknown) return unknown;
      return holding(assembly) === 'needles' ? onNeedles(assembly, pinBore, smallEnd, { pin: 'pin for the bosses', eye: 'small end' }) : undefined;
    },
    found: ({ eye, boss }) => minus(eye, boss),
    required: usually(rods.smallEndOverBosses),
    fits: ({ sizes: { eye, boss } }) => sentence`Small end ${band(eye)} and pin bores ${band(boss)} take the same pin.`,
    subject: 'The small end over the pin bores',
    tooLittle: 'the pin of this piston does not enter the rod',
    tooMuch: 'the pin of this piston is loose in the rod',
    mend: (assembly, { found, required, sizes: { eye, boss } }) => {
      const options = bushed(assembly, reamedFor(assembly, boss), { found: required, required });
      return contains(bandOf(rods.pinSleeved, assembly.rules), { low: found.low, high: found.low })
        ? [
            ...options,
            work({
              steps: ['sleevePin'],
              says: sentence`Sleeve bearings, ${band(boss)} inside and ${band(eye)} outside, make the pin of this piston run in this rod.`,
            }),
          ]
        : options;
    },
  }),
};

/** Both must hold the pin the same way. */
const fixing = sameLook({
  id: 'fixing',
  name: 'How the pin is held',
  of: piston.features.pinFixing,
  as: rodFixing,
  also: [smallEnd.id, pinBore.id, smallEndForm.id, rod.parameters['smallEnd.housing'].id],
  agree: ({ mine, theirs }) => (mine !== 'pressed' && theirs !== 'pressed' ? ['Both let the pin float; the locks are those of the piston.'] : undefined),
  otherwise: ({ theirs }) => [
    theirs === 'pressed'
      ? 'The rod holds the pin by its press, and the piston has locks for a floating one: rod and piston must agree.'
      : 'The rod lets the pin float, and the piston has nothing to keep it in: it would score the bore.',
  ],
  mend: (assembly, { theirs }) => {
    if (theirs !== 'pressed') return [];
    const boss = valueOf(assembly, pinBore)?.interval;
    return boss
      ? bushed(assembly, reamedFor(assembly, boss)).map((each) => ('steps' in each ? { ...each, says: sentence`${each.says} The pin then floats.` } : each))
      : [{ unknown: pinBore.id }];
  },
});

const bossRoom = within({
  id: 'bossRoom',
  name: 'Small end between the bosses',
  of: { gap: bossGap, across: smallWidth },
  also: [located.id],
  unless: (assembly) => (lookOf(assembly, located) === undefined ? missing([located], 'count') : undefined),
  found: ({ gap, across }) => minus(gap, across),
  required: (assembly) => (lookOf(assembly, located) === 'smallEnd' ? usually(rods.gapLocated)(assembly) : noLess(rods.gapFree)(assembly)),
  subject: 'The play between the bosses',
  tooLittle: 'the rod binds against the bosses',
  tooMuch: 'nothing locates the rod there, and it wanders',
  mend: (assembly, { found, required, sizes: { gap } }) => {
    const part = assembly.parts.rod;
    if (!part || found.high >= required.low) return [];
    const { rules } = assembly;
    const wanted = lookOf(assembly, located) === 'smallEnd' ? middle(required) : required.low + limitOf(rods.gapSpare, rules);
    const to = around(gap.low - wanted, limitOf(rods.smallEndWithin, rules));
    const worked = narrowSmallEnd(part, to, rules);
    if (!isDone(worked)) return [];
    const then = minus(gap, to);
    return [
      work({
        steps: ['narrowSmallEnd'],
        says: sentence`Face the small ends down to ${band(to)}: ${band(then)} of play.`,
        found: then,
        required,
        parts: [worked.part],
      }),
    ];
  },
});

const pinOil: Check = {
  id: 'pinOil',
  name: 'Oil to the pin',
  reads: [rodFixing.id, rod.features.drilling.id, rod.features.topOilHoles.id, piston.features.gallery.id, rod.features.made.id],
  verdicts: MENDED,
  judge: (assembly) => {
    const [fixed, drilling, holes, gallery] = [rodFixing, rod.features.drilling, rod.features.topOilHoles, piston.features.gallery].map((each) =>
      lookOf(assembly, each),
    );
    if (fixed === undefined) return missing([rodFixing], 'count');
    if (fixed === 'pressed') return said('fits', ['A pressed pin turns in the piston only and lives on splash.']);
    if (drilling === 'present') return said('fits', ['The rod is drilled up to the pin.']);
    if (drilling === undefined) return missing([rod.features.drilling], 'count');
    if (gallery === undefined) return missing([piston.features.gallery], 'count');
    if (gallery === 'present') {
      const part = assembly.parts.rod;
      return mended(
        said('doesNotFit', ['A gallery-cooled piston runs on rods that are drilled; these are not.']),
        offer(part && drillRod(part), (drilled) =>
          work({ steps: ['drillRod'], says: ['Drill the rods from the big end to the pin, and use shells with a hole.'], parts: [drilled] }),
        ),
        assembly.rules,
      );
    }
    if (holes === undefined) return missing([rod.features.topOilHoles], 'count');
    return Number(holes) > 0
      ? said('fits', [`The floating pin gets its oil through ${holes === '1' ? 'the hole' : `${holes} holes`} in the small end.`])
      : said('doesNotFit', ['The pin floats and no oil comes to it: no drilling, no hole in the small end.']);
  },
};

/** Rod and piston, whichever pin joins them. */
export const smallEnds: Joint = { id: 'smallEnds', name: 'Small ends', kinds: ['rod', 'piston'], checks: [pinSize, fixing, bossRoom, pinOil] };

/** A pin in the rod. */
export const pinInRod: Joint = {
  id: 'pinInRod',
  name: 'Pin in the rod',
  kinds: ['rod', 'pin'],
  checks: [
    within({
      id: 'pinInRod',
      name: 'Pin in the small end',
      of: { eye: smallEnd, size: pin.parameters.diameter },
      also: [smallEndForm.id, rodFixing.id, rod.parameters['smallEnd.housing'].id],
      unless: (assembly) => {
        const unknown = holdingUnknown(assembly);
        if (unknown) return unknown;
        return holding(assembly) === 'needles' ? onNeedles(assembly, pin.parameters.diameter, smallEnd, { pin: 'pin', eye: 'small end' }) : undefined;
      },
      found: ({ eye, size }) => minus(eye, size),
      required: (assembly, { size }) => wantedOver(assembly, size, holding(assembly) ?? 'floating'),
      fits: ({ found, sizes: { size } }) =>
        found.high < 0
          ? sentence`The pin ${band(size)} is held by a press of ${band({ low: -found.high, high: -found.low })}.`
          : sentence`The pin ${band(size)} runs with ${band(found)}.`,
      subject: 'The small end over the pin',
      tooLittle: 'the pin does not enter or would seize',
      tooMuch: 'the pin is loose and will knock',
      mend: (assembly, { required, sizes: { size } }) =>
        holding(assembly) === 'floating' ? bushed(assembly, reamedFor(assembly, size), { found: required, required }) : [],
    }),
    sameLook({
      id: 'pinFixing',
      name: 'How the pin is held',
      of: pin.features.fixing,
      as: rodFixing,
      agree: ({ mine, theirs }) => (mine !== 'pressed' && theirs !== 'pressed' ? ['Both let the pin float.'] : undefined),
    }),
  ],
};

/** A pin in the piston. */
export const pinInPiston: Joint = {
  id: 'pinInPiston',
  name: 'Pin in the piston',
  kinds: ['piston', 'pin'],
  checks: [
    within({
      id: 'pinInBosses',
      name: 'Pin in the bosses',
      of: { boss: pinBore, size: pin.parameters.diameter },
      found: ({ boss, size }) => minus(boss, size),
      required: usually(rods.pinInBosses),
      subject: 'The pin bore over the pin',
      tooLittle: 'the pin does not go in',
      tooMuch: 'the pin is loose and will knock',
      mend: (assembly, { found, required, sizes: { size } }) => {
        const part = assembly.parts.piston;
        if (!part || found.high >= required.low) return [];
        const to = around(middle(size) + middle(required), limitOf(rods.pinBoreWithin, assembly.rules));
        const worked = openPinBore(part, to, assembly.rules);
        return isDone(worked) ? [work({ steps: ['openPinBore'], says: sentence`Hone the pin bores to ${band(to)}.`, parts: [worked.part] })] : [];
      },
    }),
    within({
      id: 'pinLength',
      name: 'Length of the pin',
      of: { bore: piston.parameters.bore, length: pin.parameters.length },
      found: ({ bore, length }) => minus(bore, length),
      required: noLess(rods.pinEnds),
      subject: 'The room at the ends of the pin',
      tooLittle: 'it would stand out and score the bore',
      tooMuch: 'there is more than enough',
    }),
    sameLook({
      id: 'pinLocks',
      name: 'How the pin is held',
      of: pin.features.fixing,
      as: piston.features.pinFixing,
      agree: ({ mine, theirs }) =>
        mine !== 'pressed' && theirs !== 'pressed' ? ['Both are for a floating pin; the locks are those of the piston.'] : undefined,
    }),
  ],
};

import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { around, contains, middle, minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bandOf, limitOf, rods } from '../../thumb/index.js';
import { lookOf, valueOf } from '../assembly.js';
import { WORK_MAY_HELP, type JointCheck, type Joint } from '../check.js';
import { mended, missing, offer, said, work } from '../outcome.js';
import { isDone } from '../operations/operation.js';
import { drillRod, narrowSmallEnd } from '../operations/rods.js';
import { sameLook } from '../shapes/same.js';
import { noLess, usually, within } from '../shapes/within.js';
import { onNeedles } from './needleCages.js';
import { holdingUnknown, holding, bushed, reamedFor } from './pinHolding.js';

const { 'smallEnd.bore': smallEnd, 'smallEnd.width': smallWidth } = rod.parameters;

const { 'pin.diameter': pinBore, bossGap } = piston.parameters;

const { smallEndForm, pinFixing: rodFixing, located } = rod.features;

const pinSize: JointCheck = {
  ...within({
    id: 'pinSize',
    name: 'Pin size',
    of: { eye: smallEnd, boss: pinBore },
    also: [smallEndForm.id, rodFixing.id, rod.parameters['smallEnd.housing'].id],
    unless: (assembly) => {
      const unknown = holdingUnknown(assembly);
      if (unknown) return unknown;
      return holding(assembly) === 'needles'
        ? onNeedles(assembly, pinBore, smallEnd, { pin: 'pin for the bosses', eye: 'small end' })
        : undefined;
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
  agree: ({ mine, theirs }) =>
    mine !== 'pressed' && theirs !== 'pressed'
      ? ['Both let the pin float; the locks are those of the piston.']
      : undefined,
  otherwise: ({ theirs }) => [
    theirs === 'pressed'
      ? 'The rod holds the pin by its press, and the piston has locks for a floating one: rod and piston must agree.'
      : 'The rod lets the pin float, and the piston has nothing to keep it in: it would score the bore.',
  ],
  mend: (assembly, { theirs }) => {
    if (theirs !== 'pressed') return [];
    const boss = valueOf(assembly, pinBore)?.interval;
    return boss
      ? bushed(assembly, reamedFor(assembly, boss)).map((each) =>
          'steps' in each ? { ...each, says: sentence`${each.says} The pin then floats.` } : each,
        )
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
  required: (assembly) =>
    lookOf(assembly, located) === 'smallEnd' ? usually(rods.gapLocated)(assembly) : noLess(rods.gapFree)(assembly),
  subject: 'The play between the bosses',
  tooLittle: 'the rod binds against the bosses',
  tooMuch: 'nothing locates the rod there, and it wanders',
  mend: (assembly, { found, required, sizes: { gap } }) => {
    const part = assembly.parts.rod;
    if (!part || found.high >= required.low) return [];
    const { rules } = assembly;
    const wanted =
      lookOf(assembly, located) === 'smallEnd' ? middle(required) : required.low + limitOf(rods.gapSpare, rules);
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

const pinOil: JointCheck = {
  id: 'pinOil',
  name: 'Oil to the pin',
  reads: [
    rodFixing.id,
    rod.features.drilling.id,
    rod.features.topOilHoles.id,
    piston.features.gallery.id,
    rod.features.made.id,
  ],
  verdicts: WORK_MAY_HELP,
  judge: (assembly) => {
    const [fixed, drilling, holes, gallery] = [
      rodFixing,
      rod.features.drilling,
      rod.features.topOilHoles,
      piston.features.gallery,
    ].map((each) => lookOf(assembly, each));
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
          work({
            steps: ['drillRod'],
            says: ['Drill the rods from the big end to the pin, and use shells with a hole.'],
            parts: [drilled],
          }),
        ),
        assembly.rules,
      );
    }
    if (holes === undefined) return missing([rod.features.topOilHoles], 'count');
    return Number(holes) > 0
      ? said('fits', [
          `The floating pin gets its oil through ${holes === '1' ? 'the hole' : `${holes} holes`} in the small end.`,
        ])
      : said('doesNotFit', ['The pin floats and no oil comes to it: no drilling, no hole in the small end.']);
  },
};

/**
 * What a rod and a piston ask of the pin between them, whichever it is: one size, one way of holding it, room at the
 * bosses.
 */
export const smallEnds: Joint = {
  id: 'smallEnds',
  name: 'Small ends',
  kinds: ['rod', 'piston'],
  checks: [pinSize, fixing, bossRoom, pinOil],
};

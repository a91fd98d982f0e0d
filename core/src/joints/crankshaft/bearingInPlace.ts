import type { Part } from '../../catalogue/part.js';
import { rollingBearing } from '../../dictionary/kinds/rollingBearing.js';
import { middle, minus } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { bearings, limitOf } from '../../thumb/index.js';
import { lookOf, type Assembly, type Where } from '../assembly.js';
import { WORK_MAY_HELP, NEVER_REFUSES, REPLACED, type JointCheck, type Joint } from '../check.js';
import { missing, said, work, type Offer } from '../outcome.js';
import { sameLook } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';
import { before, usually, within } from '../shapes/within.js';

const { bore, outside, width } = rollingBearing.parameters;

const { clearanceClass, innerShoulder, outerShoulder, cage, form } = rollingBearing.features;

/** Clearance classes of ISO 5753-1 from tight to loose. */
const LOOSER = ['C2', 'CN', 'C3', 'C4', 'C5'];

function shimmed(assembly: Assembly, lacking: number): readonly Offer[] {
  const part: Part | undefined = assembly.parts.rollingBearing;
  return part && lacking > 0 && lacking < limitOf(bearings.ringShimmed, assembly.rules)
    ? [
        work({
          steps: ['shimBearing'],
          says: sentence`Put ${value(lacking)} of shims beside it, on the side that stands.`,
          parts: [part],
        }),
      ]
    : [];
}

/** Ways in which a ring can hold the rollers: by as many of its shoulders. */
const SHOULDERS = ['none', 'one', 'two'];

/**
 * In how many directions a bearing holds its shaft endways: where inner and outer ring both have a shoulder the rollers
 * stand between. N and NU lack those of one ring, and both hold nothing. Undefined while what decides is not seen.
 */
function heldEndways(assembly: Assembly, where?: Where): number | undefined {
  const [inner, outer] = [innerShoulder, outerShoulder].map((ring) => lookOf(assembly, ring, where));
  if (inner === 'none' || outer === 'none') return 0;
  return inner === undefined || outer === undefined
    ? undefined
    : Math.min(SHOULDERS.indexOf(inner), SHOULDERS.indexOf(outer));
}

const shoulders: JointCheck = {
  id: 'shoulders',
  name: 'End location',
  reads: [innerShoulder, outerShoulder].flatMap(({ id }) => [id, REPLACED + id]),
  verdicts: WORK_MAY_HELP,
  judge: (assembly) => {
    const [mine, was] = [heldEndways(assembly), heldEndways(assembly, 'replaced')];
    if (mine === undefined || was === undefined) return missing([innerShoulder, outerShoulder], 'count');
    if (mine === was)
      return said('fits', [
        mine === 0
          ? 'Neither holds the shaft endways: something else does.'
          : mine === 1
            ? 'Both hold the shaft one way: put it in with its shoulder on the side where that of the old one was.'
            : 'Both hold the shaft either way.',
      ]);
    return mine < was
      ? said('doesNotFit', ['The old bearing held the shaft endways by its shoulders, and this one lets it wander.'])
      : said('fitsWithWork', ['Its shoulders add end location that the old one did not have.'], {
          work: [
            work({
              steps: ['shimBearing'],
              says: ['Set the end float with shims, so that two bearings do not hold the shaft against each other.'],
            }),
          ],
        });
  },
};

/**
 * A rolling bearing in place of another, by its designation and sizes: bore, outside, width, what it holds endways, and
 * how free it runs.
 */
export const bearingInPlace: Joint = {
  id: 'bearingInPlace',
  name: 'In place of the bearing',
  kinds: ['rollingBearing'],
  inPlaceOf: 'rollingBearing',
  checks: [
    ...(
      [
        ['bearingBore', 'Bore', bore],
        ['bearingOutside', 'Outside', outside],
      ] as const
    ).map(([id, name, of]) => sameSize({ id, name, of, play: bearings.sameRing })),
    within({
      id: 'bearingWidth',
      name: 'Width',
      of: { mine: width, was: before(width) },
      found: ({ mine, was }) => minus(mine, was),
      required: usually(bearings.sameRingWidth),
      subject: 'The width over that of the old one',
      tooLittle: 'it leaves a gap beside it',
      tooMuch: 'it does not go in',
      mend: (assembly, { found }) => shimmed(assembly, -middle(found)),
    }),
    sameLook({
      id: 'clearanceClass',
      confirming: true,
      name: 'Clearance class',
      of: clearanceClass,
      as: clearanceClass,
      asOf: 'replaced',
      agree: ({ mine, theirs }) =>
        LOOSER.indexOf(mine) > LOOSER.indexOf(theirs)
          ? [`${mine} is looser than ${theirs}: it runs, a little louder while cold.`]
          : undefined,
      otherwise: ({ mine, theirs }) => [`${mine} is tighter than ${theirs}: pressed on and hot it may not turn.`],
    }),
    shoulders,
    sameLook({
      id: 'bearingForm',
      name: 'Form',
      of: form,
      as: form,
      asOf: 'replaced',
      agree: ({ mine, theirs }) =>
        theirs === 'ball' && mine === 'cylindrical'
          ? ['Rollers carry more than the balls that were there, but hold nothing endways by themselves.']
          : undefined,
    }),
    sameLook({
      id: 'cage',
      confirming: true,
      verdicts: NEVER_REFUSES,
      name: 'Cage',
      of: cage,
      as: cage,
      asOf: 'replaced',
      agree: ({ mine, theirs }) => [`${mine} instead of ${theirs}: a matter of preference and price.`],
    }),
  ],
};

import type { Part } from '../catalogue/part.js';
import { isoLimits } from '../designations/index.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { rollingBearing } from '../dictionary/kinds/rollingBearing.js';
import { contains, interval, middle, minus, type Interval } from '../quantity/interval.js';
import { sentence, value } from '../quantity/sentence.js';
import { bandOf, bearings, cite, limitOf } from '../thumb/index.js';
import { lookOf, machined, type Assembly } from './assembly.js';
import { MENDED, ONLY_TOLD, REPLACED, type Check, type Joint } from './check.js';
import { missing, said, work, type Offer } from './finding.js';
import { sameLook } from './shapes/same.js';
import { before, usually, within, type Requirement } from './shapes/within.js';
import { sameSize } from './shapes/sizes.js';

const { bore, outside, width } = rollingBearing.parameters;
const { clearanceClass, innerShoulder, cage, form } = rollingBearing.features;

/** The nearest size to which a ring is made. */
const nominal = (ring: Interval): number => Math.max(1, Math.round(ring.high));

/** Press of a turning ring on its shaft: what the shafts j5 to m6 of ISO 286-2 give a bearing of normal tolerance. */
function onShaft({ rules }: Assembly, hole: Interval): Requirement {
  const size = nominal(hole);
  return {
    band: interval(isoLimits('j5', size).low - size, isoLimits('m6', size).high - size + limitOf(bearings.ringBore, rules)),
    ruleOfThumb: sentence`A ring that turns is pressed lightly, as by the shafts j5 to m6 of ISO 286-2. ${cite(bearings.ringBore, rules)}`,
  };
}

/** Room for a standing ring in its housing: what the holes N7 to H7 of ISO 286-2 leave a bearing of normal tolerance. */
function inHousing({ rules }: Assembly, ring: Interval): Requirement {
  const size = nominal(ring);
  return {
    band: interval(isoLimits('N7', size).low - size, isoLimits('H7', size).high - size + limitOf(bearings.ringOutside, rules)),
    ruleOfThumb: sentence`A ring that stands slides in warm, as in the holes N7 to H7 of ISO 286-2. ${cite(bearings.ringOutside, rules)}`,
  };
}

/** Bearing on the crank. */
export const bearingOnCrank: Joint = {
  id: 'bearingOnCrank',
  name: 'Bearing on the crank',
  kinds: ['crank', 'rollingBearing'],
  slots: { rollingBearing: ['mainBearing'] },
  checks: [
    within({
      id: 'ringOnShaft',
      name: 'Inner ring on the journal',
      of: { journal: crank.parameters['mainJournal.diameter'], hole: bore },
      found: ({ journal, hole }) => minus(journal, hole),
      required: (assembly, { hole }) => onShaft(assembly, hole),
      subject: 'The press of the inner ring',
      tooLittle: 'the ring creeps on the journal',
      tooMuch: 'the ring would split or take up all its clearance',
    }),
  ],
};

/** Bearing in the case. */
export const bearingInCase: Joint = {
  id: 'bearingInCase',
  name: 'Bearing in the case',
  kinds: ['block', 'rollingBearing'],
  slots: { rollingBearing: ['mainBearing'] },
  checks: [
    within({
      id: 'ringInCase',
      name: 'Outer ring in the housing',
      of: { hole: block.parameters['mainHousing.diameter'], ring: outside },
      also: [block.features.mainsRun.id],
      unless: (assembly) => {
        const run = lookOf(assembly, block.features.mainsRun);
        if (run === undefined) return missing([block.features.mainsRun], 'count');
        return run === 'shells' ? said('doesNotFit', ['The mains of this block run in shells.']) : undefined;
      },
      found: ({ hole, ring }) => minus(hole, ring),
      required: (assembly, { ring }) => inHousing(assembly, ring),
      subject: 'The housing over the outer ring',
      tooLittle: 'it does not go in, or is squeezed',
      tooMuch: 'it turns in the case',
      mend: (assembly, { found, sizes: { ring } }) =>
        assembly.parts.block && contains(bandOf(bearings.ringSleeved, assembly.rules), found)
          ? [
              work({
                steps: ['sleeveBearing'],
                says: sentence`Sleeve the housing for the smaller ring: ${value(middle(found) / 2)} of wall.`,
                parts: [machined(assembly.parts.block, block.parameters['mainHousing.diameter'], ring)],
              }),
            ]
          : [],
    }),
  ],
};

/** Clearance classes of ISO 5753-1 from tight to loose. */
const LOOSER = ['C2', 'CN', 'C3', 'C4', 'C5'];

function shimmed(assembly: Assembly, lacking: number): readonly Offer[] {
  const part: Part | undefined = assembly.parts.rollingBearing;
  return part && lacking > 0 && lacking < limitOf(bearings.ringShimmed, assembly.rules)
    ? [work({ steps: ['shimBearing'], says: sentence`Put ${value(lacking)} of shims beside it, on the side that stands.`, parts: [part] })]
    : [];
}

const shoulders: Check = {
  id: 'shoulders',
  name: 'End location',
  reads: [innerShoulder.id, REPLACED + innerShoulder.id],
  verdicts: MENDED,
  judge: (assembly) => {
    const [mine, was] = [lookOf(assembly, innerShoulder), lookOf(assembly, innerShoulder, 'replaced')];
    if (mine === undefined || was === undefined) return missing([innerShoulder], 'count');
    if (mine === was) return said('fits', ['It holds the shaft endways as the old one did.']);
    const [more, less] = [SHOULDERS.indexOf(mine) > SHOULDERS.indexOf(was), SHOULDERS.indexOf(mine) < SHOULDERS.indexOf(was)];
    if (less) return said('doesNotFit', ['The old ring held the shaft endways by its shoulder, and this one lets it wander.']);
    return more
      ? said('fitsWithWork', ['Its shoulder adds end location that the old one did not have.'], {
          work: [work({ steps: ['shimBearing'], says: ['Set the end float with shims, so that two bearings do not hold the shaft against each other.'] })],
        })
      : said('cannotTell', ['Its shoulders are not told.'], { needs: [innerShoulder.id] });
  },
};
const SHOULDERS = ['none', 'one', 'two'];

/** A bearing in place of another. */
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
      name: 'Clearance class',
      of: clearanceClass,
      as: clearanceClass,
      asOf: 'replaced',
      agree: ({ mine, theirs }) =>
        LOOSER.indexOf(mine) > LOOSER.indexOf(theirs) ? [`${mine} is looser than ${theirs}: it runs, a little louder while cold.`] : undefined,
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
      verdicts: ONLY_TOLD,
      name: 'Cage',
      of: cage,
      as: cage,
      asOf: 'replaced',
      agree: ({ mine, theirs }) => [`${mine} instead of ${theirs}: a matter of preference and price.`],
    }),
  ],
};

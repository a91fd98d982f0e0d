import { isoLimits } from '../../designations/index.js';
import { block } from '../../dictionary/kinds/block.js';
import { rollingBearing } from '../../dictionary/kinds/rollingBearing.js';
import { contains, interval, middle, minus, type Interval } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { bandOf, bearings, cite, limitOf } from '../../thumb/index.js';
import { lookOf, machined, type Assembly } from '../assembly.js';
import type { Joint } from '../check.js';
import { missing, said, work } from '../outcome.js';
import { within, type Requirement } from '../shapes/within.js';
import { nominal } from './rollingBearings.js';

const { outside } = rollingBearing.parameters;

/** Holes of ISO 286-2 for a ring that stands, from the tightest to the easiest, by what the case is cast of. */
const HOLES = {
  iron: { tight: 'N7', easy: 'H7', why: 'slides in warm' },
  // Aluminium grows away from the ring as it warms: what is easy when cold lets the ring turn when hot.
  aluminium: {
    tight: 'P7',
    easy: 'K7',
    why: 'goes into a heated case, which grows away from it when the engine is hot',
  },
} as const;

/** Room for a standing ring in its housing: what the holes for its case leave a bearing of normal tolerance. */
function inHousing(assembly: Assembly, ring: Interval): Requirement {
  const isLight = lookOf(assembly, block.features.material) === 'aluminium';
  const { tight, easy, why } = isLight ? HOLES.aluminium : HOLES.iron;
  const size = nominal(ring);
  const { rules } = assembly;
  return {
    band: interval(
      isoLimits(tight, size).low - size,
      isoLimits(easy, size).high - size + limitOf(bearings.ringOutside, rules),
    ),
    ruleOfThumb: () =>
      sentence`A ring that stands ${why}, as in the holes ${tight} to ${easy} of ISO 286-2. ${cite(bearings.ringOutside, rules)}`,
  };
}

/**
 * The ring that stands still is fitted so that it does not turn in the case, and not so tight that the balls are
 * pinched.
 */
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
      also: [block.features.mainsRun.id, block.features.material.id],
      unless: (assembly) => {
        const run = lookOf(assembly, block.features.mainsRun);
        if (run === undefined) return missing([block.features.mainsRun], 'count');
        if (run === 'shells') return said('doesNotFit', ['The mains of this block run in shells.']);
        const cast = block.features.material;
        return lookOf(assembly, cast) === undefined ? missing([cast], 'count') : undefined;
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

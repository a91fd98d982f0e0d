import { isoLimits } from '../../designations/index.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { rollingBearing } from '../../dictionary/kinds/rollingBearing.js';
import { interval, minus, type Interval } from '../../quantity/interval.js';
import { sentence } from '../../quantity/sentence.js';
import { bearings, cite, limitOf } from '../../thumb/index.js';
import type { Assembly } from '../assembly.js';
import type { Joint } from '../check.js';
import { within, type Requirement } from '../shapes/within.js';
import { nominal } from './rollingBearings.js';

const { bore } = rollingBearing.parameters;

/** Press of a turning ring on its shaft: what the shafts j5 to m6 of ISO 286-2 give a bearing of normal tolerance. */
function onShaft({ rules }: Assembly, hole: Interval): Requirement {
  const size = nominal(hole);
  return {
    band: interval(
      isoLimits('j5', size).low - size,
      isoLimits('m6', size).high - size + limitOf(bearings.ringBore, rules),
    ),
    ruleOfThumb: () =>
      sentence`A ring that turns is pressed lightly, as by the shafts j5 to m6 of ISO 286-2. ${cite(bearings.ringBore, rules)}`,
  };
}

/** The ring that turns with the load is fitted tight: a loose inner ring creeps and eats the journal. */
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

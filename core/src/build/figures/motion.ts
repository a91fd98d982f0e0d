import { crank } from '../../dictionary/kinds/crank.js';
import { engineVariant, running } from '../../dictionary/index.js';
import { noMore } from '../../joints/shapes/within.js';
import {
  bottomDeadCentre,
  dwell,
  fallCurve,
  fallRate,
  fastestAt,
  perSecond,
  RADIANS,
  topDeadCentre,
} from '../../motion/index.js';
import { running as figures, type LimitOfThumb } from '../../thumb/index.js';
import type { BuildEngine } from '../engine.js';
import { figure, first, from, orElse, size } from './figure.js';
import { length, offset, stroke } from './ratio.js';

const HEYWOOD = 'Heywood, Internal Combustion Engine Fundamentals, 2.2';

export const speed = first(size(running.parameters.speed), size(engineVariant.parameters.ratedSpeed));
const PER_SECOND = '2 * pi * speed / 60';
const SLIDER = { stroke, rod: length, offset };

/** The mean piston speed that goes with the duty; that of a changing one where nobody says. */
export function pistonSpeedLimit(engine: BuildEngine): LimitOfThumb {
  const duty = engine.look(running.features.duty.id);
  if (duty === 'short') return figures.pistonSpeedShort;
  return duty === 'steady' ? figures.pistonSpeedSteady : figures.pistonSpeedChanging;
}

const rodRatio = figure({
  id: 'rodRatio',
  name: 'Rod ratio',
  says: 'Length of the rod over the stroke: a longer rod swings less and dwells longer at the top.',
  subject: 'motion',
  quantity: 'ratio',
  per: 'engine',
  of: { rod: length, stroke },
  formula: 'rod / stroke',
  source: HEYWOOD,
  compute: (of) => of.rod / of.stroke,
});

const rodAngle = figure({
  id: 'rodAngle',
  name: 'Greatest rod angle',
  says: 'How far the rod leans from the cylinder axis at most.',
  subject: 'motion',
  quantity: 'angle',
  per: 'engine',
  of: SLIDER,
  formula: 'asin((stroke / 2 + abs(offset)) / rod) * 180 / pi',
  source: 'Geometry of the slider-crank',
  compute: (of) => Math.asin((of.stroke / 2 + Math.abs(of.offset)) / of.rod) / RADIANS,
});

const downstroke = figure({
  id: 'downstroke',
  name: 'Downstroke',
  says: 'Crank degrees from the top of the piston to its bottom: half a turn, but for an offset pin.',
  subject: 'motion',
  quantity: 'angle',
  per: 'engine',
  of: SLIDER,
  formula: '180 + (asin(offset / (rod + stroke / 2)) - asin(offset / (rod - stroke / 2))) * 180 / pi',
  source: 'Geometry of the slider-crank',
  compute: (of) => bottomDeadCentre(of) - topDeadCentre(of),
});

const dwellAtTop = figure({
  id: 'dwell',
  name: 'Dwell at the top',
  says: 'Crank degrees for which the piston is within the drop of its top.',
  subject: 'motion',
  quantity: 'angle',
  per: 'engine',
  of: { ...SLIDER, drop: orElse(size(running.parameters.drop), 1, 'A drop of 1 mm is taken.') },
  formula: 'dwell(stroke, rod, offset, drop)',
  source: 'Geometry of the slider-crank',
  compute: (of) => dwell(of, of.drop),
});

const meanSpeed = figure({
  id: 'meanSpeed',
  name: 'Mean piston speed',
  says: 'Two strokes a revolution.',
  subject: 'motion',
  quantity: 'velocity',
  per: 'engine',
  of: { stroke, speed },
  formula: '2 * stroke / 1000 * speed / 60',
  source: HEYWOOD,
  compute: (of) => ((2 * of.stroke) / 1000) * (of.speed / 60),
  holds: (assembly, engine) => noMore(pistonSpeedLimit(engine))(assembly),
  tooMuch: 'rings, pins and bolts wear fast',
});

const fastest = figure({
  id: 'fastestAt',
  name: 'Piston is fastest at',
  says: 'Crank angle after top dead centre at which the piston goes down fastest.',
  subject: 'motion',
  quantity: 'angle',
  per: 'engine',
  of: SLIDER,
  formula: 'fastest(stroke, rod, offset)',
  source: 'Geometry of the slider-crank',
  compute: (of) => fastestAt(of),
});

const greatestSpeed = figure({
  id: 'greatestSpeed',
  name: 'Greatest piston speed',
  says: 'Speed of the piston where it is fastest.',
  subject: 'motion',
  quantity: 'velocity',
  per: 'engine',
  of: { ...SLIDER, speed, angle: from(fastest) },
  formula: `fallRate(stroke, rod, offset, angle) / 1000 * ${PER_SECOND}`,
  source: HEYWOOD,
  compute: (of) => (fallRate(of, of.angle) / 1000) * perSecond(of.speed),
});

export const accelerationTop = figure({
  id: 'accelerationTop',
  name: 'Acceleration at the top',
  says: 'How hard the piston is pulled round at top dead centre.',
  subject: 'motion',
  quantity: 'acceleration',
  per: 'engine',
  of: { ...SLIDER, speed },
  formula: `fallCurve(stroke, rod, offset, 0) / 1000 * (${PER_SECOND})^2`,
  source: 'Taylor, The Internal-Combustion Engine in Theory and Practice',
  compute: (of) => (fallCurve(of, 0) / 1000) * perSecond(of.speed) ** 2,
});

const accelerationBottom = figure({
  id: 'accelerationBottom',
  name: 'Acceleration at the bottom',
  says: 'How hard the piston is pushed round at bottom dead centre.',
  subject: 'motion',
  quantity: 'acceleration',
  per: 'engine',
  of: { ...SLIDER, speed },
  formula: `-fallCurve(stroke, rod, offset, 180) / 1000 * (${PER_SECOND})^2`,
  source: 'Taylor, The Internal-Combustion Engine in Theory and Practice',
  compute: (of) => (-fallCurve(of, 180) / 1000) * perSecond(of.speed) ** 2,
});

const surfaceSpeed = (id: string, name: string, of: 'mainJournal.diameter' | 'crankpin.diameter') =>
  figure({
    id,
    name,
    says: 'How fast the journal runs in its bearing: larger journals are stiffer, but run faster.',
    subject: 'motion',
    quantity: 'velocity',
    per: 'engine',
    of: { journal: size(crank.parameters[of]), speed },
    formula: 'pi * journal / 1000 * speed / 60',
    source: 'Circumference times turns',
    compute: ({ journal, speed: turns }) => ((Math.PI * journal) / 1000) * (turns / 60),
  });

export const MOTION = [
  rodRatio,
  rodAngle,
  downstroke,
  dwellAtTop,
  meanSpeed,
  fastest,
  greatestSpeed,
  accelerationTop,
  accelerationBottom,
  surfaceSpeed('mainSurface', 'Surface speed of the mains', 'mainJournal.diameter'),
  surfaceSpeed('pinSurface', 'Surface speed of the crankpins', 'crankpin.diameter'),
];

import { block } from '../../dictionary/kinds/block.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { engineVariant } from '../../dictionary/index.js';
import { dwell } from '../../motion/index.js';
import type { BuildEngine } from '../engine.js';
import { figure, from, size } from './figure.js';
import { belowDeck, length, offset, stroke, swept } from './ratio.js';

const isTwoStroke = (engine: BuildEngine): boolean => engine.look(engineVariant.features.cycle.id) === 'two';

const COMMON = 'Common practice';

const port = (which: 'exhaust' | 'transfer', plural: boolean) =>
  figure({
    id: `port.${which}`,
    name: `${which === 'exhaust' ? 'Exhaust' : 'Transfer'} open`,
    says: `Crank degrees for which the upper ${plural ? 'edges of the transfer ports are' : 'edge of the exhaust port is'} uncovered by the crown.`,
    subject: 'ports',
    quantity: 'angle',
    per: 'cylinder',
    of: { port: size(block.parameters[`port.${which}`]), below: from(belowDeck), stroke, rod: length, offset },
    formula: '360 - dwell(stroke, rod, offset, port - below)',
    source: 'Geometry of the slider-crank',
    arises: isTwoStroke,
    compute: (of) => 360 - dwell(of, of.port - of.below),
  });

const exhaust = port('exhaust', false);
const transfer = port('transfer', true);

const blowdown = figure({
  id: 'blowdown',
  name: 'Blowdown',
  says: 'Crank degrees between the opening of the exhaust and that of the transfer ports.',
  subject: 'ports',
  quantity: 'angle',
  per: 'cylinder',
  of: { exhaust: from(exhaust), transfer: from(transfer) },
  formula: '(exhaust - transfer) / 2',
  source: COMMON,
  arises: isTwoStroke,
  compute: (of) => (of.exhaust - of.transfer) / 2,
  holds: () => ({ band: { low: 0, high: 180 }, atLeast: true }),
  tooLittle: 'the transfer ports open before the exhaust, and it blows back into the case',
});

const crankcaseRatio = figure({
  id: 'crankcaseRatio',
  name: 'Crankcase ratio',
  says: 'What the case holds with the piston at the top, over what it holds with the piston at the bottom.',
  subject: 'ports',
  quantity: 'ratio',
  per: 'cylinder',
  of: { case: size(block.parameters['crankcase.volume']), swept: from(swept) },
  formula: '(case + swept) / case',
  source: COMMON,
  arises: isTwoStroke,
  compute: (of) => (of.case + of.swept) / of.case,
});

const skirtOverPort = figure({
  id: 'skirtOverPort',
  name: 'Skirt over the exhaust port',
  says: 'How far the skirt reaches below the foot of the exhaust port, piston at its top.',
  subject: 'ports',
  quantity: 'length',
  per: 'cylinder',
  of: {
    below: from(belowDeck),
    height: size(piston.parameters.height),
    foot: size(block.parameters['port.exhaustFoot']),
  },
  formula: 'below + height - foot',
  source: COMMON,
  arises: isTwoStroke,
  compute: (of) => of.below + of.height - of.foot,
  holds: () => ({ band: { low: 0, high: 400 }, atLeast: true }),
  tooLittle: 'with the piston at its top the exhaust stands open to the case under the skirt',
});

export const TWO_STROKE = [exhaust, transfer, blowdown, skirtOverPort, crankcaseRatio];

import { crank } from '../../dictionary/kinds/crank.js';
import { running } from '../../dictionary/index.js';
import { figure, over, size, type Input } from './figure.js';
import { reciprocating, rotating } from './loads.js';

const COMMON = 'Common practice';

const rodsPerPin: Input = {
  reads: 'told',
  name: 'Rods on a crankpin',
  quantity: 'count',
  needs: [crank.features.rodsPerPin.id],
  tell: (engine) => {
    const count = Number(engine.look(crank.features.rodsPerPin.id));
    return Number.isInteger(count) && count > 0 ? count : undefined;
  },
};

const spread = (id: string, name: string, of: typeof reciprocating) =>
  figure({
    id,
    name,
    says: 'Difference between the heaviest cylinder and the lightest.',
    subject: 'balance',
    quantity: 'mass',
    per: 'engine',
    of: { spread: over('spread', of) },
    formula: 'spread',
    source: COMMON,
    compute: (known) => known.spread,
  });

const bobweight = figure({
  id: 'bobweight',
  name: 'Bobweight',
  says: 'What is hung on each crankpin to balance the crank: all that turns with it, and a share of what goes up and down.',
  subject: 'balance',
  quantity: 'mass',
  per: 'engine',
  of: {
    rods: rodsPerPin,
    rotating: over('mean', rotating),
    reciprocating: over('mean', reciprocating),
    factor: size(running.parameters.balanced),
  },
  formula: 'rods * (rotating + factor * reciprocating)',
  source: COMMON,
  compute: (of) => of.rods * (of.rotating + of.factor * of.reciprocating),
  caution: 'A crank that was balanced with a weighted damper or flywheel is balanced with them on.',
});

export const BALANCE = [
  reciprocating,
  rotating,
  spread('reciprocatingSpread', 'Reciprocating weight, from cylinder to cylinder', reciprocating),
  spread('rotatingSpread', 'Rotating weight, from cylinder to cylinder', rotating),
  bobweight,
];

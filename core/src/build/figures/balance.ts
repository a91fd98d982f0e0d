import { crank } from '../../dictionary/kinds/crank.js';
import { engineVariant, running } from '../../dictionary/index.js';
import { usually } from '../../joints/shapes/within.js';
import { running as figures } from '../../thumb/index.js';
import { figure, first, from, over, size, type Input } from './figure.js';
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

/** Share of what goes up and down that a V8 with a right angle between its banks is balanced with. */
const FACTOR_OF_VEE = 0.5;

const factor: Input = first(size(running.parameters.balanced), {
  reads: 'told',
  name: 'Half of what goes up and down, as is common in V engines',
  quantity: 'ratio',
  needs: [running.parameters.balanced.id],
  tell: (engine) => (engine.look(engineVariant.features.layout.id) === 'vee' ? FACTOR_OF_VEE : undefined),
});

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
    factor,
  },
  formula: 'rods * (rotating + factor * reciprocating)',
  source: COMMON,
  compute: (of) => of.rods * (of.rotating + of.factor * of.reciprocating),
  caution: 'A crank that was balanced with a weighted damper or flywheel is balanced with them on.',
});

const balancedFor = figure({
  id: 'balancedFor',
  name: 'Bobweight against what the crank is balanced for',
  says: 'Bobweight of these rods and pistons, as a share of what the crank was balanced with.',
  subject: 'balance',
  quantity: 'share',
  per: 'engine',
  of: { bobweight: from(bobweight), balanced: size(crank.parameters.bobweight) },
  formula: 'bobweight / balanced',
  source: COMMON,
  compute: (of) => of.bobweight / of.balanced,
  holds: usually(figures.balancedFor),
  tooLittle: 'the counterweights are too heavy for it: have the crank balanced again',
  tooMuch: 'the counterweights are too light for it: have the crank balanced again',
});

export const BALANCE = [
  reciprocating,
  rotating,
  spread('reciprocatingSpread', 'Reciprocating weight, from cylinder to cylinder', reciprocating),
  spread('rotatingSpread', 'Rotating weight, from cylinder to cylinder', rotating),
  bobweight,
  balancedFor,
];

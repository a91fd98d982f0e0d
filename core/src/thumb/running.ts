import { atLeast, atMost, between, subject } from './figure.js';

/** The engine as it runs: speeds and loads. */
export const running = subject('running', {
  pistonSpeedSteady: atMost(
    'Mean piston speed, steady duty',
    12,
    'An engine that works for hours at one speed lasts while its pistons keep to this on the mean',
    { quantity: 'velocity' },
  ),
  pistonSpeedChanging: atMost(
    'Mean piston speed, changing duty',
    16,
    'An engine whose load comes and goes bears a faster piston',
    { quantity: 'velocity' },
  ),
  pistonSpeedShort: atMost(
    'Mean piston speed, short bursts',
    20,
    'For seconds at a stretch good pistons and rods bear more; rings and bolts wear fast',
    { quantity: 'velocity' },
  ),
  boltLoad: atMost(
    'Load of a rod bolt',
    0.75,
    'A rod bolt is tightened to about three quarters of its proof load; a load above that opens the joint',
    { quantity: 'share' },
  ),
  weightsRoom: atLeast(
    'Skirt over the counterweights',
    1.5,
    'At bottom dead centre a skirt clears the counterweights by sixty thou',
  ),
  camRoom: atLeast('Rods under the cam', 1.3, 'Fifty thou between a rod or its bolt and the cam, with the cam in time'),
  beamRoom: atLeast(
    'Rods at the foot of the cylinders',
    1.5,
    'Sixty thou between the beam of a rod and the lower end of its cylinder or liner, or the foot is notched',
  ),
  ringInBore: atLeast(
    'Top ring under the deck',
    1,
    'The top ring stays below the chamfer of the bore, which is up to forty thou deep',
  ),
  balancedFor: between(
    'Bobweight against what the crank is balanced for',
    [0.98, 1.02],
    'A crank runs well with a bobweight within two hundredths of what it is balanced for',
    { quantity: 'share' },
  ),
});

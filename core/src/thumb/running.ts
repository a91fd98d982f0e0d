import { atLeast, atMost, subject } from './figure.js';

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
});

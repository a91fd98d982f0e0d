import { defineKind } from './definition.js';
import { look, stated } from './entries.js';

/**
 * How an engine is run and set, which no part shows: what a build is worked out for. No kind of part, but told with the
 * same words.
 */
export const running = defineKind({
  id: 'running',
  name: 'Running engine',
  plural: 'Running engines',
  words: [],
  parameters: {
    speed: stated('Engine speed', 'revs', 'Speed at which loads and speeds are worked out.', [50, 25000], {
      quantity: 'speed',
    }),
    inletCloses: stated(
      'Inlet closes',
      'inlet closing',
      'Crank degrees after bottom dead centre at which the intake valve is back on its seat.',
      [0, 120],
      { quantity: 'angle', usualTolerance: 2 },
    ),
    intakeCentre: stated(
      'Intake lobe centre',
      'intake centre',
      'Crank degrees after top dead centre at which the intake valve is open widest.',
      [60, 150],
      { quantity: 'angle', usualTolerance: 1 },
    ),
    exhaustCentre: stated(
      'Exhaust lobe centre',
      'exhaust centre',
      'Crank degrees before top dead centre at which the exhaust valve is open widest.',
      [60, 150],
      { quantity: 'angle', usualTolerance: 1 },
    ),
    'duration.exhaust': stated(
      'Exhaust duration',
      'exhaust opening',
      'Crank degrees for which the exhaust valve is off its seat.',
      [120, 360],
      { quantity: 'angle', usualTolerance: 2 },
    ),
    durationAt: stated(
      'Lift at which durations are given',
      'duration at',
      'Lift of the valve from which the durations are counted; nothing where they are counted from seat to seat.',
      [0, 3],
      { usualTolerance: 0 },
    ),
    rocker: stated(
      'Rocker ratio',
      'rocker',
      'Lift of the valve for one of the lobe; 1 where the cam stands on the valve.',
      [0.8, 2.2],
      { quantity: 'ratio', usualTolerance: 0.01 },
    ),
    rodBolts: stated('Bolts of a rod', 'rod bolts', 'How many bolts hold the cap of one rod.', [1, 4], {
      quantity: 'ratio',
      usualTolerance: 0,
    }),
    ringsMass: stated('Weight of the rings', 'rings weight', 'Weight of the rings of one piston.', [1, 600], {
      quantity: 'mass',
      usualTolerance: 0.5,
    }),
    shellsMass: stated('Weight of the rod shells', 'shells weight', 'Weight of the shells of one rod.', [1, 600], {
      quantity: 'mass',
      usualTolerance: 0.5,
    }),
    balanced: stated(
      'Balance factor',
      'balance factor',
      'Share of the reciprocating weight that is put on the crankpin when the crank is balanced: a half in a V8 at right angles.',
      [0, 1],
      { quantity: 'share', usualTolerance: 0 },
    ),
    firingPressure: stated(
      'Firing pressure',
      'peak pressure',
      'Greatest pressure in the cylinder, as measured or quoted.',
      [0.5, 30],
      { quantity: 'pressure', usualTolerance: 0.2 },
    ),
    bankAngle: stated(
      'Angle between the banks',
      'bank angle, vee angle',
      'Angle between the two rows of cylinders, seen from the front.',
      [10, 180],
      { quantity: 'angle', usualTolerance: 0 },
    ),
    drop: stated(
      'Drop for the dwell',
      'dwell drop',
      'How far the piston may be below top dead centre to count as standing there.',
      [0.01, 20],
      { usualTolerance: 0 },
    ),
  },
  features: {
    duty: look('Duty', 'work', 'Ask what it drives, and for how long at a stretch.', {
      steady: 'steady, for hours | pump, fan, generator',
      changing: 'changing | winch, saw',
      short: 'short bursts | sprint',
    }),
    liftForm: look('Form of the lift curve', 'lift form', 'What stands in for a lift curve that nobody has measured.', {
      polynomial: 'a polynomial | smooth',
      harmonic: 'a harmonic | sine, cosine',
    }),
    fuel: look('Fuel', 'runs on', 'Ask what it will be run on.', {
      ordinary: 'ordinary petrol | regular, ordinary petrol',
      premium: 'premium petrol | super, premium',
      racing: 'alcohol, or racing fuel | methanol, ethanol, racing fuel',
      gas: 'gas | lpg, natural gas',
      diesel: 'diesel oil | diesel',
    }),
  },
  markPlaces: {},
  interfaces: {},
});

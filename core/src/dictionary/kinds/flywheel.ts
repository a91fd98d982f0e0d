import { defineKind } from '../definition.js';
import { counted, face, look, markedAt, measured } from '../entries.js';
import { FLYWHEEL_SEAT } from '../options.js';

/** The flywheel, or the flexplate in its place. */
export const flywheel = defineKind({
  id: 'flywheel',
  name: 'Flywheel',
  plural: 'Flywheels',
  words: ['flywheel', 'flywheels', 'flexplate'],
  places: [{ name: 'Flywheel', after: 'rearSeal', main: true }],
  parameters: {
    diameter: measured('Diameter', 'outside diameter, od', 'Outside diameter over the ring gear.', [90, 700], {
      usualTolerance: 0.5,
      reach: 'outside',
      drawing: 'diameter',
    }),
    'bolt.circle': measured(
      'Bolt circle',
      'bolt circle diameter, pcd',
      'Diameter of the circle through the crank bolts.',
      [20, 220],
      {
        usualTolerance: 0.1,
        drawing: 'boltCircle',
      },
    ),
    pilot: measured(
      'Pilot bore',
      'pilot, centre bore',
      'Diameter of the bore that centres it on the crank.',
      [10, 200],
      {
        usualTolerance: 0.03,
        drawing: 'pilot',
      },
    ),
    thickness: measured('Thickness', 'step, height', 'Distance from the crank face to the friction face.', [2, 120], {
      wear: 'shrinks',
      usualWear: 0.2,
      usualTolerance: 0.15,
      drawing: 'thickness',
    }),
    mass: measured('Weight', 'mass, weighs', 'Weight with ring gear.', [500, 90000], {
      quantity: 'mass',
      usualTolerance: 100,
    }),
  },
  features: {
    bolts: counted('Crank bolts', 'bolts, crank bolts, bolt', 'Count the holes round the pilot.', [3, 16]),
    teeth: counted('Ring gear teeth', 'teeth, ring gear, tooth', 'Count the teeth; mark the first.', [60, 260], {
      misjudged: 0.03,
      minutes: 3,
    }),
    balance: look(
      'Balance',
      'balance weight',
      'A heavy segment or drilled side means the wheel balances the crank; even all round means it does not.',
      {
        internal: 'neutral | neutral, internal balance',
        external: 'with counterweight | external balance, counterweighted',
      },
    ),
    flywheelSeat: look(
      'Sits on',
      'seat',
      'A wheel for a flange has a flat face with a ring of bolt holes; one for a taper a conical bore with a keyway.',
      FLYWHEEL_SEAT,
    ),
    form: look(
      'Form',
      'flywheel or flexplate',
      'A flexplate is thin pressed steel; a dual-mass wheel turns a little against itself.',
      {
        solid: 'solid | solid flywheel',
        flexplate: 'flexplate | flexplate form',
        dualMass: 'dual mass | dual mass',
      },
    ),
  },
  markPlaces: {
    face: markedAt('crank side', 'crank side, on face', ['cast', 'stamped']),
    rim: markedAt('rim', 'rim, on rim', ['stamped', 'painted'], 'outside'),
  },
  keySizes: ['diameter'],
  interfaces: {
    flywheelFlange: face(
      'Flywheel flange',
      'flange pattern, crank flange',
      'Bolt circle, bolt count and pilot by which it is bolted to the crank.',
    ),
    clutch: face(
      'Clutch or converter',
      'clutch, clutch pattern, converter',
      'Bolt places for clutch cover or converter.',
    ),
  },
});

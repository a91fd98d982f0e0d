import { defineKind } from '../definition.js';
import { BY_MICROMETER, counted, face, look, markedAt, measured, presence, stated } from '../entries.js';
import { CAM_DRIVE, LIFTER_FORM, ROTATION } from '../options.js';

/** The camshaft. */
export const cam = defineKind({
  id: 'cam',
  name: 'Cam',
  plural: 'Cams',
  words: ['cam', 'cams', 'camshaft', 'camshafts'],
  places: [
    { name: 'Cam', after: 'liner', main: true },
    { id: 'exhaustCam', name: 'Exhaust cam', after: 'cam' },
  ],
  comesWith: ['lifter'],
  parameters: {
    'journal.front': measured(
      'Front journal',
      'journal, front bearing, cam journal',
      'Diameter of the foremost cam journal.',
      [14, 100],
      {
        wear: 'shrinks',
        usualTolerance: 0.012,
        instruments: BY_MICROMETER,
        drawing: 'frontJournal',
      },
    ),
    'journal.rear': measured('Rear journal', 'rear bearing', 'Diameter of the rearmost cam journal.', [14, 100], {
      wear: 'shrinks',
      usualTolerance: 0.012,
      instruments: BY_MICROMETER,
      drawing: 'rearJournal',
    }),
    'lift.intake': measured(
      'Intake lobe lift',
      'intake lift, lift, inlet lift, lobe lift, cam lift, intake lobe',
      'Height over the nose of an intake lobe less its base circle.',
      [1.5, 16],
      {
        wear: 'shrinks',
        usualWear: 0.04,
        usualTolerance: 0.05,
        minutes: 2,
        drawing: 'intakeLift',
      },
    ),
    'lift.exhaust': measured(
      'Exhaust lobe lift',
      'exhaust lift, exhaust lobe',
      'Height over the nose of an exhaust lobe less its base circle.',
      [1.5, 16],
      {
        wear: 'shrinks',
        usualWear: 0.04,
        usualTolerance: 0.05,
        minutes: 2,
        drawing: 'exhaustLift',
      },
    ),
    baseCircle: measured(
      'Base circle',
      'base, heel',
      'Diameter of the base circle of a lobe, across its heel.',
      [12, 70],
      {
        usualTolerance: 0.08,
        instruments: BY_MICROMETER,
        minutes: 2,
        drawing: 'baseCircle',
      },
    ),
    backlash: measured(
      'Backlash of the timing gears',
      'backlash, gear backlash, timing gear backlash',
      'Play between the teeth of cam gear and crank gear, by feeler or a dial gauge at the teeth, at the tightest of four places.',
      [0, 2],
      { wear: 'grows', usualWear: 0.05, usualTolerance: 0.03, instruments: ['feeler'], reach: 'panOff', minutes: 4 },
    ),
    lobeCentre: measured(
      'Lobe centre',
      'lobe separation, lobe center, lsa, lobe centre angle, lca, separation',
      'Angle in cam degrees between the noses of the intake and exhaust lobes of one cylinder.',
      [90, 130],
      {
        quantity: 'angle',
        minutes: 8,
      },
    ),
    'duration.intake': stated(
      'Intake duration',
      'duration, cam duration',
      'Crank degrees for which the intake valve is open, as the maker counts them.',
      [180, 340],
      {
        quantity: 'angle',
        usualTolerance: 2,
      },
    ),
    'lift.overlap': stated(
      'Intake lift at overlap',
      'lift at overlap, lift at tdc, intake lift at tdc',
      'Lift of the intake valve at top dead centre between exhaust and intake, as the cam card gives it.',
      [0, 10],
      { usualTolerance: 0.1 },
    ),
    'lift.overlapExhaust': stated(
      'Exhaust lift at overlap',
      'exhaust lift at tdc',
      'Lift of the exhaust valve at top dead centre between exhaust and intake, as the cam card gives it.',
      [0, 10],
      { usualTolerance: 0.1 },
    ),
    length: measured('Length', 'cam length', 'Length over all.', [60, 1200], {
      usualTolerance: 0.4,
      drawing: 'length',
    }),
  },
  features: {
    bearings: counted(
      'Bearings',
      'bearings, cam bearings, journals, bearing, journal',
      'Count the plain round journals.',
      [1, 9],
    ),
    lobes: counted('Lobes', 'lobes, lobe', 'Count the lobes for valves, without those for pumps.', [1, 32]),
    serves: look(
      'Serves',
      'lobes for, serves',
      'Of two cams over a head one opens the intake valves and the other the exhaust valves; a single one opens both.',
      {
        both: 'intake and exhaust valves | both valves',
        intake: 'intake valves only | intake cam, inlet cam',
        exhaust: 'exhaust valves only | exhaust cam',
      },
      { misjudged: 0.02 },
    ),
    drive: look(
      'Drive',
      'cam drive, driven by',
      'Look at what bolts to its front: a gear with cut teeth, a sprocket for links, or a wheel for a toothed belt.',
      CAM_DRIVE,
      { reach: 'outside' },
    ),
    rotation: look(
      'Turns',
      'rotation',
      'Turn the engine in its running direction and watch the cam: geared ones turn against the crank, chained ones with it.',
      ROTATION,
      { misjudged: 0.05 },
    ),
    firingOrder: look(
      'Firing order',
      'order',
      'Follow the intake noses round the shaft in its running direction.',
      {
        '1-3-4-2': '1-3-4-2',
        '1-2-4-3': '1-2-4-3',
        '1-5-3-6-2-4': '1-5-3-6-2-4',
        '1-8-4-3-6-5-7-2': '1-8-4-3-6-5-7-2',
        '1-3-7-2-6-5-4-8': '1-3-7-2-6-5-4-8',
        '1-2': '1-2',
        '1': 'single | single cylinder',
      },
      { misjudged: 0.06, minutes: 4 },
    ),
    lifter: look(
      'Lifter it needs',
      'lifter, for lifter',
      'A flat-tappet lobe is slightly tapered and dull-treated; a roller lobe is square across, bright, and often of steel.',
      LIFTER_FORM,
      { misjudged: 0.05 },
    ),
    sensorPin: presence(
      'Sensor pin',
      'sensor pin, trigger pin',
      'Look at the front face for a pin or vane that passes a sensor.',
      'sensor pin | with sensor pin, with pin',
      'no sensor pin | no sensor pin',
      {
        reach: 'outside',
      },
    ),
    pumpLobe: presence(
      'Fuel pump lobe',
      'pump lobe, eccentric, fuel pump eccentric, fuel pump lobes, pump eccentric',
      'An extra round eccentric drives a mechanical pump.',
      'pump lobe | with pump lobe, with eccentric',
      'no pump lobe | no pump lobe',
    ),
    gear: presence(
      'Distributor gear',
      'distributor gear, skew gear',
      'A skew gear cut on the shaft drives distributor or oil pump.',
      'skew gear | with skew gear',
      'no skew gear | no skew gear',
    ),
  },
  markPlaces: {
    front: markedAt('front end', 'front, on front', ['stamped', 'etched']),
    rear: markedAt('rear end', 'rear, on rear', ['stamped', 'etched', 'painted']),
    shaft: markedAt('between the lobes', 'shaft, on shaft', ['cast', 'painted']),
  },
  together: [{ sizes: ['lift.intake', 'lift.exhaust'], words: ['lift', 'lobe lift', 'valve lift'], as: 'sizes' }],
  keySizes: ['journal.front', 'lift.intake', 'lift.exhaust'],
  interfaces: {
    gearSeat: face(
      'Gear seat',
      'gear pattern, sprocket seat',
      'Bolts, dowel and register by which the cam gear or sprocket is held.',
    ),
  },
});

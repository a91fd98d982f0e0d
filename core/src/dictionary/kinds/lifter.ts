import { defineKind } from '../definition.js';
import { BY_MICROMETER, look, markedAt, measured, presence, stated } from '../entries.js';
import { LIFTER_FORM } from '../options.js';

/** A lifter (tappet), as it comes out of its bore. */
export const lifter = defineKind({
  id: 'lifter',
  name: 'Lifter',
  plural: 'Lifters',
  words: ['lifter', 'lifters', 'tappet', 'tappets', 'cam follower'],
  places: [{ name: 'Lifters', after: 'exhaustCam' }],
  counted: { by: 'valve', sold: 'singly' },
  parameters: {
    'body.diameter': measured(
      'Body',
      'diameter, body diameter, od, body size',
      'Diameter of the body where it runs in its bore.',
      [8, 45],
      {
        wear: 'shrinks',
        usualWear: 0.01,
        usualTolerance: 0.006,
        instruments: BY_MICROMETER,
        drawing: 'body',
      },
    ),
    length: measured('Length', 'height', 'Length over all, from foot or roller to rim.', [12, 130], {
      usualTolerance: 0.1,
      drawing: 'length',
    }),
    seatHeight: measured(
      'Pushrod seat height',
      'seat height, cup height',
      'Height of the pushrod seat above the foot, plunger up.',
      [8, 110],
      {
        usualTolerance: 0.1,
        instruments: ['depthMicrometer', 'caliper'],
        drawing: 'seat',
      },
    ),
    'roller.diameter': measured(
      'Roller',
      'roller diameter, wheel',
      'Diameter of the roller, where there is one.',
      [10, 40],
      {
        usualTolerance: 0.02,
        drawing: 'roller',
      },
    ),
    preload: stated(
      'Preload, as specified',
      'preload, plunger depth',
      'Depth to which the plunger is pressed in with the valve closed.',
      [0.1, 3],
      {
        usualTolerance: 0.1,
      },
    ),
    mass: measured('Weight', 'mass', 'Weight of the lifter, drained.', [15, 500], {
      quantity: 'mass',
      usualTolerance: 2,
    }),
  },
  features: {
    form: look(
      'Form',
      'type, lifter form',
      'A hydraulic lifter has an oil-feed hole in its side and a plunger that gives; a solid one neither; a deactivating one two pins in its side.',
      LIFTER_FORM,
      { misjudged: 0.01 },
    ),
    oilFeed: look(
      'Oil-feed hole',
      'oil feed, feed hole',
      'Turn the lifter in the light: a hole in a waist, a plain hole, or none.',
      {
        waist: 'hole in a waist | feed in waist',
        plain: 'plain hole | plain feed hole',
        none: 'none | no feed hole, no hole',
      },
      { misjudged: 0.01 },
    ),
    foot: look(
      'Foot',
      'foot form',
      'Rub two feet together: a crowned foot rocks, a flat one does not; a roller turns.',
      { flat: 'flat | flat foot', crowned: 'crowned | crowned foot', roller: 'roller | roller foot' },
      {
        misjudged: 0.05,
      },
    ),
    pushrodOil: presence(
      'Oil to the pushrod',
      'pushrod oil',
      'Look into the seat for a hole that feeds the pushrod.',
      'oil to the pushrod | pushrod hole',
      'no oil to the pushrod | no pushrod hole',
    ),
  },
  markPlaces: {
    side: markedAt('side of the body', 'side, on side', ['stamped', 'etched', 'painted']),
    rim: markedAt('rim', 'rim, on rim', ['stamped', 'etched']),
  },
  keySizes: ['body.diameter', 'length'],
  interfaces: {},
});

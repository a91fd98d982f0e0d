import { defineKind } from '../definition.js';
import { look, markedAt, measured } from '../entries.js';
import { PIN_FIXING } from '../options.js';

/** The pin between piston and rod. */
export const pin = defineKind({
  id: 'pin',
  name: 'Pin',
  plural: 'Pins',
  // Not the bare word: on a crank, "pin" is the crankpin, and on a piston or rod its own size.
  words: ['piston pin', 'piston pins', 'gudgeon pin', 'gudgeon pins', 'wrist pin', 'wrist pins', 'gudgeon'],
  places: [{ name: 'Pins', after: 'smallEndBearing', main: true }],
  counted: { by: 'cylinder', sold: 'singly' },
  fittedNew: {
    operation: 'newPins',
    name: 'New pins with the pistons',
    with: ['piston'],
    hours: 0,
    price: 80,
    parts: 80,
  },
  drawnAs: { form: 'bar', across: 'diameter', length: 'length', bore: 'bore' },
  parameters: {
    diameter: measured(
      'Diameter',
      'dia, od, outside diameter, pin diameter, pin',
      'Outside diameter at the part that runs in the rod.',
      [6, 80],
      {
        wear: 'shrinks',
        usualWear: 0.004,
        usualTolerance: 0.003,
        service: { mm: ['0.10', '0.25'], in: ['0.003', '0.005'] },
        instruments: ['micrometer'],
        drawing: 'diameter',
      },
    ),
    length: measured('Length', 'long, pin length', 'Length over all.', [15, 200], {
      usualTolerance: 0.1,
      drawing: 'length',
    }),
    bore: measured('Bore', 'hole, inside diameter, id', 'Diameter of the hole through it, at the middle.', [2, 55], {
      usualTolerance: 0.1,
      drawing: 'bore',
    }),
    mass: measured('Weight', 'mass', 'Weight of the pin without its locks.', [8, 2500], {
      quantity: 'mass',
      usualTolerance: 2,
    }),
  },
  features: {
    fixing: look(
      'Fixing',
      'pin fixing, held by',
      'A pin for circlips has square or chamfered ends; for end caps a counterbored end; a pressed pin is plain and shows a grip band at its middle.',
      PIN_FIXING,
      {
        misjudged: 0.06,
      },
    ),
    boreForm: look('Bore form', 'hole form', 'Look through: straight, or tapered wider to the ends to save weight.', {
      straight: 'straight | straight bore',
      tapered: 'tapered | tapered bore',
    }),
  },
  markPlaces: { end: markedAt('end face', 'end, on end', ['stamped', 'etched', 'painted']) },
  together: [{ sizes: ['diameter', 'length'], words: [], as: 'sizes' }],
  keySizes: ['diameter', 'length'],
  interfaces: {},
});

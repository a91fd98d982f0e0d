import { defineKind } from '../definition.js';
import { BY_MICROMETER, counted, face, look, markedAt, measured, stated } from '../entries.js';
import { FIT_OVERSIZES } from '../serviceSizes.js';

/** An intake or exhaust valve. */
export const valve = defineKind({
  id: 'valve',
  name: 'Valve',
  plural: 'Valves',
  words: ['valve', 'valves', 'intake valve', 'exhaust valve', 'inlet valve'],
  places: [
    { id: 'intakeValve', name: 'Intake valves', after: 'head' },
    { id: 'exhaustValve', name: 'Exhaust valves', after: 'intakeValve' },
  ],
  counted: { by: 'valve', sold: 'singly' },
  fittedNew: {
    operation: 'newValves',
    name: 'New valves with the head',
    with: ['head'],
    hours: 2,
    price: 240,
    parts: 160,
  },
  parameters: {
    'head.diameter': measured('Head', 'head diameter, diameter, head size', 'Diameter of the head.', [12, 75], {
      usualTolerance: 0.08,
      drawing: 'head',
    }),
    'stem.diameter': measured('Stem', 'stem diameter', 'Diameter of the stem where it is least worn.', [4, 16], {
      wear: 'shrinks',
      usualWear: 0.015,
      usualTolerance: 0.008,
      service: FIT_OVERSIZES,
      instruments: BY_MICROMETER,
      drawing: 'stem',
    }),
    length: measured('Length', 'long, valve length, overall length', 'Length over all.', [40, 260], {
      usualTolerance: 0.15,
      drawing: 'length',
    }),
    seatAngle: measured('Seat angle', 'face angle, seat', 'Angle of the face to the plane of the head.', [15, 50], {
      quantity: 'angle',
      minutes: 2,
    }),
    margin: measured('Margin', 'head margin', 'Thickness of the rim between face and head.', [0.3, 5], {
      wear: 'shrinks',
      usualWear: 0.2,
      usualTolerance: 0.1,
      drawing: 'margin',
    }),
    tip: measured(
      'Tip height',
      'tip, keeper to tip',
      'Distance from the uppermost keeper groove to the tip.',
      [1, 14],
      {
        usualTolerance: 0.08,
        drawing: 'tip',
      },
    ),
    'stem.clearance': stated(
      'Stem clearance, as specified',
      'stem clearance, guide clearance',
      'Clearance between stem and guide that the maker asks for, by diameter.',
      [0.005, 0.4],
      { usualTolerance: 0.01 },
    ),
    mass: measured('Weight', 'mass', 'Weight of the bare valve.', [15, 600], { quantity: 'mass', usualTolerance: 1.5 }),
  },
  features: {
    duty: look(
      'Duty',
      'intake or exhaust',
      'The intake valve is the larger; an exhaust one is often of two pieces and not magnetic at the head.',
      { intake: 'intake | intake, inlet, intake valve, inlet valve', exhaust: 'exhaust | exhaust, exhaust valve' },
      {
        misjudged: 0.01,
      },
    ),
    grooves: counted(
      'Keeper grooves',
      'grooves, keeper grooves, lock grooves, groove, keeper groove',
      'Count the grooves for the keepers.',
      [1, 4],
    ),
    stemFinish: look(
      'Stem',
      'stem finish',
      'Chromed is mirror bright, nitrided black, plain steel grey.',
      {
        plain: 'plain | plain stem',
        chrome: 'chromed | chromed, chrome stem',
        nitrided: 'nitrided | nitrided, black stem',
      },
      { misjudged: 0.04 },
    ),
    hollow: look(
      'Stem is',
      'sodium filled',
      'Weigh it against a solid one of its size: a hollow stem is lighter, a filled one has a thick straight shank.',
      {
        solid: 'solid | solid stem',
        hollow: 'hollow | hollow stem',
        sodium: 'sodium filled | sodium, sodium filled, sodium cooled',
      },
    ),
  },
  markPlaces: {
    head: markedAt('head', 'head, on head', ['stamped', 'cast']),
    stem: markedAt('stem end', 'on stem, stem end', ['stamped', 'etched']),
  },
  // Head, stem, length (common practice, no source).
  together: [{ sizes: ['head.diameter', 'stem.diameter', 'length'], words: [], as: 'sizes' }],
  keySizes: ['head.diameter', 'stem.diameter', 'length'],
  interfaces: { keepers: face('Keepers', 'keeper, keeper grooves, collets', 'Form of the keeper grooves.') },
});

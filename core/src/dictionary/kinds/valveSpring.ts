import { defineKind } from '../definition.js';
import { face, look, markedAt, measured, stated } from '../entries.js';

/** A valve spring, single or nested, with its retainer. */
export const valveSpring = defineKind({
  id: 'valveSpring',
  name: 'Valve spring',
  plural: 'Valve springs',
  words: ['valve spring', 'valve springs', 'spring', 'springs'],
  places: [{ name: 'Valve springs', after: 'exhaustValve' }],
  counted: { by: 'valve', sold: 'singly' },
  fittedNew: {
    operation: 'newSprings',
    name: 'New springs with the head',
    with: ['head'],
    hours: 1,
    price: 120,
    parts: 80,
  },
  parameters: {
    rate: measured(
      'Rate',
      'spring rate, stiffness',
      'Force by which the load grows for each millimetre of travel, from two loads at two heights.',
      [2, 200],
      {
        quantity: 'springRate',
        drawing: 'rate',
      },
    ),
    seatLoad: measured('Seat load', 'load, closed load', 'Force at installed height, valve closed.', [40, 3000], {
      quantity: 'force',
      wear: 'shrinks',
    }),
    openLoad: measured('Open load', 'load open', 'Force at full lift.', [80, 6000], {
      quantity: 'force',
      wear: 'shrinks',
    }),
    installedHeight: measured(
      'Installed height',
      'closed height',
      'Height at which the seat load is stated.',
      [15, 80],
      {
        usualTolerance: 0.2,
        drawing: 'installed',
      },
    ),
    freeLength: measured('Free length', 'free height, length', 'Length without load.', [18, 120], {
      wear: 'shrinks',
      usualWear: 0.5,
      usualTolerance: 0.4,
      drawing: 'free',
    }),
    coilBind: measured('Coil bind', 'bind, solid height', 'Height at which all coils touch.', [10, 60], {
      usualTolerance: 0.3,
      drawing: 'bind',
    }),
    bindRoom: stated(
      'Room to coil bind, as specified',
      'bind room, room to bind',
      'Room between the coils at full lift that the maker asks for, at least.',
      [0.1, 6],
      { usualTolerance: 0.1 },
    ),
    outside: measured(
      'Outside diameter',
      'od, diameter',
      'Outside diameter of the outer spring at its seat.',
      [12, 70],
      {
        usualTolerance: 0.2,
        drawing: 'outside',
      },
    ),
    inside: measured('Inside diameter', 'id', 'Inside diameter of the innermost spring at its seat.', [6, 50], {
      usualTolerance: 0.2,
    }),
    wire: measured('Wire', 'wire diameter', 'Diameter of the wire of the outer spring.', [1.2, 9], {
      usualTolerance: 0.04,
      instruments: ['micrometer', 'caliper'],
      drawing: 'wire',
    }),
    trustedSpeed: stated(
      'Speed it is trusted to',
      'trusted speed, speed, rpm limit',
      'Engine speed up to which somebody has found the valves to follow: experience, not a guarantee.',
      [800, 12000],
      { quantity: 'speed' },
    ),
    'retainer.diameter': measured('Retainer', 'retainer diameter', 'Outside diameter of the retainer.', [12, 60], {
      usualTolerance: 0.1,
    }),
  },
  features: {
    nest: look('Nest', 'single or double', 'Look down on it: one spring, one with a flat damper inside, or two.', {
      single: 'single | single',
      damper: 'with damper | damper',
      double: 'double | double, dual',
      beehive: 'beehive | beehive',
    }),
    damperColour: look('Paint', 'colour, paint mark', 'Look for a stripe across the coils.', {
      none: 'none | no paint',
      white: 'white | white',
      yellow: 'yellow | yellow',
      green: 'green | green',
      blue: 'blue | blue',
    }),
  },
  markPlaces: {
    coil: markedAt('coils', 'coil, on coils', ['painted']),
    retainer: markedAt('retainer', 'on retainer', ['stamped', 'etched']),
  },
  interfaces: { keepers: face('Keepers', 'keeper, keepers taken, collets', 'Form of the keepers the retainer takes.') },
});

import { defineKind } from '../definition.js';
import { counted, face, look, markedAt, measured } from '../entries.js';

/** The gasket between block and head. */
export const headGasket = defineKind({
  id: 'headGasket',
  name: 'Head gasket',
  plural: 'Head gaskets',
  words: ['head gasket', 'head gaskets', 'gasket', 'gaskets'],
  places: [{ name: 'Head gasket', after: 'lifter', main: true }],
  fittedNew: { operation: 'newGasket', name: 'New head gasket', hours: 0, price: 60, parts: 60 },
  parameters: {
    bore: measured(
      'Bore opening',
      'bore, fire ring, opening',
      'Diameter of the opening over a cylinder, inside its fire ring.',
      [26, 240],
      {
        usualTolerance: 0.2,
        drawing: 'bore',
      },
    ),
    thickness: measured(
      'Thickness, compressed',
      'thickness, compressed, thick, crushed, crushed thickness, compressed thickness',
      'Thickness at the fire ring once torqued; measure a used one beside the ring.',
      [0.2, 4],
      {
        wear: 'shrinks',
        usualTolerance: 0.04,
        instruments: ['micrometer', 'caliper'],
        drawing: 'thickness',
      },
    ),
    boreSpacing: measured(
      'Opening spacing',
      'bore spacing, opening centres',
      'Distance between the middles of two neighbouring openings.',
      [35, 320],
      {
        usualTolerance: 0.2,
        drawing: 'spacing',
      },
    ),
  },
  features: {
    openings: counted('Bore openings', 'openings, bores, hole', 'Count the openings for cylinders.', [1, 8], {
      misjudged: 0.001,
    }),
    material: look(
      'Made of',
      'material',
      'Layers of steel show at the edge; composition is grey or black and soft; copper is copper.',
      {
        composition: 'composition | composition, fibre',
        mls: 'layered steel | mls, layered steel',
        copper: 'copper | copper',
        steel: 'embossed steel | shim, embossed steel',
      },
      { misjudged: 0.01 },
    ),
    notches: counted(
      'Thickness notches',
      'notches, holes for thickness, notch',
      'Count the notches or holes in the tab that tell the thickness.',
      [0, 6],
    ),
  },
  markPlaces: {
    tab: markedAt('tab', 'tab, on tab', ['stamped', 'painted']),
    face: markedAt('face', 'face, on face', ['painted', 'stamped']),
  },
  keySizes: ['bore', 'thickness'],
  interfaces: {
    headBolts: face('Head bolt pattern', 'bolt pattern, head pattern, head bolts', 'Bolt places and dowels.'),
    coolant: face(
      'Coolant ports',
      'coolant pattern, coolant holes, water ports',
      'Which coolant holes the gasket opens.',
    ),
  },
});

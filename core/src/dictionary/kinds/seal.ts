import { defineKind } from '../definition.js';
import { look, markedAt, measured, presence } from '../entries.js';
import { ROTATION } from '../options.js';

/** A shaft seal, lip or rope. */
export const seal = defineKind({
  id: 'seal',
  name: 'Seal',
  plural: 'Seals',
  words: ['seal', 'seals', 'oil seal', 'shaft seal'],
  places: [
    { id: 'frontSeal', name: 'Front seal', after: 'frontCover' },
    { id: 'rearSeal', name: 'Rear seal', after: 'frontSeal' },
  ],
  fittedNew: { operation: 'newSeals', name: 'New seals', hours: 0.5, price: 30, parts: 30 },
  parameters: {
    shaft: measured(
      'Shaft',
      'inside diameter, id, shaft diameter',
      'Diameter of the shaft on which it runs.',
      [5, 240],
      {
        usualTolerance: 0.1,
        drawing: 'shaft',
      },
    ),
    housing: measured(
      'Outside diameter',
      'od, housing, outside',
      'Diameter of the bore into which it is pressed.',
      [10, 280],
      {
        usualTolerance: 0.1,
        drawing: 'housing',
      },
    ),
    width: measured('Width', 'thickness', 'Axial width.', [3, 40], { usualTolerance: 0.2, drawing: 'width' }),
  },
  features: {
    form: look(
      'Form',
      'seal form',
      'A lip seal is a moulded ring with a spring; a rope seal a length of packing; a split one two halves.',
      {
        lip: 'lip seal | lip, lip seal',
        rope: 'rope | rope, rope seal',
        split: 'split lip | split, split lip',
      },
      { misjudged: 0.005 },
    ),
    dustLip: presence(
      'Dust lip',
      'dust lip',
      'Look at the outer side for a second, springless lip.',
      'dust lip | with dust lip',
      'no dust lip | no dust lip',
    ),
    rotation: look(
      'Return helix for',
      'helix, rotation',
      'Fine ribs on the lip pump oil back for one direction of turning.',
      { none: 'either way | no helix', ...ROTATION },
      { misjudged: 0.05 },
    ),
    material: look(
      'Compound',
      'material',
      'Burn a sliver where you may: nitrile is black and sooty; fluoro rubber brown or green and hard to light.',
      {
        nitrile: 'nitrile | nitrile, nbr',
        fluoro: 'fluoro rubber | fluoro, fkm',
        silicone: 'silicone | silicone',
        packing: 'graphite packing | packing',
      },
      { misjudged: 0.1 },
    ),
  },
  markPlaces: { face: markedAt('outer face', 'face, on face', ['painted', 'stamped']) },
  // As seals are designated: shaft, housing, width (ISO 6194-1).
  together: [{ sizes: ['shaft', 'housing', 'width'], words: [], as: 'sizes' }],
  keySizes: ['shaft', 'housing', 'width'],
  interfaces: {},
});

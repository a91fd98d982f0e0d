import { defineKind } from '../definition.js';
import { counted, look, markedAt, measured, stated } from '../entries.js';
import { BORE_OVERSIZES } from '../serviceSizes.js';

/** The set of rings of one piston. */
export const rings = defineKind({
  id: 'rings',
  name: 'Rings',
  plural: 'Ring sets',
  words: ['ring set', 'ring sets', 'piston rings', 'rings'],
  places: [{ name: 'Rings', after: 'piston' }],
  counted: { by: 'cylinder', sold: 'asSet' },
  fittedNew: { operation: 'newRings', name: 'New rings', hours: 0.5, price: 90, parts: 90 },
  parameters: {
    bore: measured(
      'Bore it is made for',
      'nominal bore, size, bore',
      'Diameter of the cylinder in which the gaps close to their specified size.',
      [25, 220],
      {
        usualTolerance: 0.02,
        service: BORE_OVERSIZES,
        drawing: 'bore',
      },
    ),
    'top.height': measured('Top ring height', 'top height, top ring, top', 'Axial height of the top ring.', [0.7, 6], {
      wear: 'shrinks',
      usualTolerance: 0.012,
      instruments: ['micrometer', 'caliper'],
      drawing: 'topRing',
    }),
    'second.height': measured(
      'Second ring height',
      'second height, second ring, second',
      'Axial height of the second ring.',
      [0.7, 6],
      {
        wear: 'shrinks',
        usualTolerance: 0.012,
        instruments: ['micrometer', 'caliper'],
      },
    ),
    'oil.height': measured(
      'Oil ring height',
      'oil height, oil ring',
      'Axial height of the oil ring, rails and spacer together.',
      [1.4, 10],
      {
        usualTolerance: 0.03,
      },
    ),
    'top.radial': measured(
      'Top ring radial width',
      'radial width, radial',
      'Width of the top ring from its running face inward.',
      [1.2, 9],
      {
        wear: 'shrinks',
        usualWear: 0.05,
        usualTolerance: 0.08,
        drawing: 'radial',
      },
    ),
    'top.gap': measured(
      'Top ring end gap',
      'end gap, gap, top gap',
      'Gap between the ends of the top ring, squared in a bore of its size.',
      [0.1, 3],
      {
        wear: 'grows',
        usualWear: 0.1,
        usualTolerance: 0.08,
        instruments: ['feeler'],
        minutes: 3,
      },
    ),
    'top.fitted': measured(
      'Top ring gap, fitted',
      'fitted gap, gap fitted, top gap fitted',
      'Gap of the top ring squared in the cylinder it goes into.',
      [0.02, 3],
      { per: 'cylinder', wear: 'grows', usualTolerance: 0.05, instruments: ['feeler'], minutes: 3 },
    ),
    'second.fitted': measured(
      'Second ring gap, fitted',
      'second gap fitted, second gap',
      'Gap of the second ring squared in the cylinder it goes into.',
      [0.02, 3],
      { per: 'cylinder', wear: 'grows', usualTolerance: 0.05, instruments: ['feeler'], minutes: 3 },
    ),
    'oil.fitted': measured(
      'Oil ring gap, fitted',
      'oil gap fitted, oil gap, rail gap',
      'Gap of an oil ring or of the rails of one squared in the cylinder it goes into, the narrower of the two.',
      [0.02, 3],
      { per: 'cylinder', wear: 'grows', usualTolerance: 0.1, instruments: ['feeler'], minutes: 3 },
    ),
    'top.gapSpecified': stated(
      'End gap, as specified',
      'specified gap, specified end gap',
      'Gap of the top ring in its cylinder that the maker asks for.',
      [0.05, 3],
      { usualTolerance: 0.08 },
    ),
    sidePlay: stated(
      'Ring side play, as specified',
      'side play, ring side clearance',
      'Play of the rings in their grooves that the maker asks for.',
      [0.005, 0.4],
      { usualTolerance: 0.01 },
    ),
  },
  features: {
    count: counted('Rings in the set', 'rings in set, pieces', 'Count the rings, the oil ring as one.', [1, 6]),
    topForm: look(
      'Top ring section',
      'top form, section',
      'Look at the end of the ring: square, barrelled on its face, or wedge-shaped to one or both sides.',
      {
        plain: 'plain | plain, square',
        barrel: 'barrel faced | barrel, barrel faced',
        keystone: 'keystone | keystone, wedge',
        halfKeystone: 'half keystone | half keystone',
      },
      { misjudged: 0.06 },
    ),
    face: look(
      'Top ring face',
      'facing, face, top ring',
      'Grey and dull is molybdenum, bright and hard is chrome, plain grey iron shows a grain.',
      {
        iron: 'plain iron | iron, plain iron',
        chrome: 'chrome | chrome',
        moly: 'molybdenum | moly, molybdenum',
        nitrided: 'nitrided steel | nitrided',
      },
      { misjudged: 0.1 },
    ),
    oilForm: look(
      'Oil ring',
      'oil ring form',
      'Three separate rails and spacer, or one slotted ring with a coil behind it.',
      {
        threePiece: 'three-piece | three piece',
        coil: 'slotted, with coil | coil, slotted',
        none: 'none | no oil ring',
      },
    ),
  },
  markPlaces: { side: markedAt('upper side, near the gap', 'side, top mark', ['stamped', 'painted']) },
  together: [
    { sizes: ['top.height', 'second.height', 'oil.height'], words: [], as: 'sizes' },
    { sizes: ['top.height', 'second.height', 'oil.height'], words: ['ring', 'set'], as: 'sizes' },
  ],
  keySizes: ['bore', 'top.height'],
  interfaces: {},
});

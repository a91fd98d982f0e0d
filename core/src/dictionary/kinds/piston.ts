import { defineKind } from '../definition.js';
import { BY_BORE_GAUGE, counted, look, markedAt, measured, presence, stated } from '../entries.js';
import { CHAMBER_POSITION, PIN_FIXING } from '../options.js';
import { BORE_OVERSIZES } from '../serviceSizes.js';

/** The piston, bare of rings and pin. */
export const piston = defineKind({
  id: 'piston',
  name: 'Piston',
  plural: 'Pistons',
  words: ['piston', 'pistons'],
  places: [{ name: 'Pistons', after: 'pin', main: true }],
  counted: { by: 'cylinder', sold: 'singly' },
  comesWith: ['pin', 'rings'],
  parameters: {
    bore: measured(
      'Bore it is made for',
      'nominal bore, size, for bore, bore',
      'Nominal diameter of the cylinder the piston is made for.',
      [25, 220],
      {
        usualTolerance: 0.02,
        service: BORE_OVERSIZES,
        instruments: ['micrometer', 'caliper'],
        drawing: 'bore',
      },
    ),
    'skirt.diameter': measured(
      'Skirt',
      'skirt diameter, diameter',
      'Greatest diameter of the skirt, square to the pin, near its lower edge.',
      [24.8, 219.9],
      {
        wear: 'shrinks',
        usualWear: 0.015,
        usualTolerance: 0.012,
        service: BORE_OVERSIZES,
        instruments: ['micrometer', 'caliper'],
        drawing: 'skirt',
      },
    ),
    'skirt.clearance': stated(
      'Skirt clearance, as specified',
      'piston clearance, skirt clearance',
      'Diametral clearance of the skirt in its bore that the maker asks for.',
      [0.01, 0.5],
      {
        usualTolerance: 0.01,
      },
    ),
    compressionHeight: measured(
      'Compression height',
      'pin height, comp height, ch, deck to pin',
      'Distance from the pin axis to the flat of the crown.',
      [12, 160],
      {
        usualTolerance: 0.05,
        instruments: ['caliper', 'heightGauge'],
        minutes: 2,
        drawing: 'compressionHeight',
      },
    ),
    'pin.diameter': measured(
      'Pin bore',
      'pin, pin diameter, gudgeon pin bore, gudgeon pin, gudgeon, wrist pin, piston pin, pin size',
      'Diameter of the pin bores in the bosses.',
      [6, 80],
      {
        wear: 'grows',
        usualWear: 0.006,
        usualTolerance: 0.004,
        instruments: BY_BORE_GAUGE,
        minutes: 2,
        drawing: 'pin',
      },
    ),
    'pin.offset': measured(
      'Pin offset',
      'offset',
      'Distance of the pin axis from the middle of the skirt, toward the major thrust side.',
      [0, 5],
      {
        usualTolerance: 0.1,
        minutes: 3,
        drawing: 'pinOffset',
      },
    ),
    bossGap: measured(
      'Gap between the bosses',
      'boss gap, bosses',
      'Distance between the inner faces of the two pin bosses.',
      [6, 100],
      {
        usualTolerance: 0.15,
        drawing: 'bossGap',
      },
    ),
    height: measured(
      'Overall height',
      'total height, overall length',
      'Height from the highest point of the crown to the lowest of the skirt.',
      [20, 260],
      {
        usualTolerance: 0.2,
        drawing: 'height',
      },
    ),
    topLand: measured(
      'Top land',
      'land over the top ring, crown to top ring',
      'Height of the land over the top ring: from the edge of the crown down to the groove.',
      [1, 60],
      { usualTolerance: 0.1 },
    ),
    oilGroove: measured(
      'Pin to the oil ring groove',
      'pin to oil groove, oil groove height',
      'Distance from the pin axis to the lower edge of the oil ring groove.',
      [4, 120],
      {
        usualTolerance: 0.1,
        drawing: 'compressionHeight',
      },
    ),
    belowPin: measured(
      'Depth below the pin',
      'depth over the counterweights, skirt below pin, boss below pin',
      'Distance from the pin axis to the lowest point that a counterweight passes: the skirt, or the bosses where it is cut away for them.',
      [4, 160],
      {
        usualTolerance: 0.2,
        drawing: 'height',
      },
    ),
    'crown.volume': measured(
      'Crown volume',
      'bowl, bowl volume, dish, dish volume',
      'Volume of bowl and valve pockets below the flat of the crown; a dome that outweighs them is sheet work.',
      [0, 250],
      {
        quantity: 'volume',
        drawing: 'crown',
      },
    ),
    'crown.dome': measured('Dome volume', 'dome', 'Volume of the crown that stands above its flat.', [0, 80], {
      quantity: 'volume',
    }),
    'valvePocket.depth': measured(
      'Valve pocket depth',
      'pocket depth, valve relief',
      'Depth of the deepest valve pocket below the flat of the crown.',
      [0.2, 15],
      {
        usualTolerance: 0.1,
        instruments: ['depthMicrometer', 'caliper'],
        drawing: 'valvePocket',
      },
    ),
    ratio: stated(
      'Rated ratio',
      'compression ratio, ratio, cr, compression, comp ratio, to one',
      'Compression ratio the piston is sold as giving.',
      [5, 26],
      { quantity: 'ratio' },
    ),
    'ratio.chamber': stated(
      'Chamber it was rated with',
      'rated chamber',
      'Chamber volume of the head with which the ratio was computed.',
      [5, 250],
      {
        quantity: 'volume',
      },
    ),
    'ring.top': measured(
      'Top ring groove',
      'top groove, first groove, top ring',
      'Height of the groove of the top compression ring.',
      [0.8, 6],
      {
        wear: 'grows',
        usualWear: 0.02,
        usualTolerance: 0.015,
        instruments: ['feeler', 'caliper'],
        drawing: 'topGroove',
      },
    ),
    'ring.second': measured(
      'Second ring groove',
      'second groove, second ring',
      'Height of the groove of the second compression ring.',
      [0.8, 6],
      {
        usualTolerance: 0.015,
        instruments: ['feeler', 'caliper'],
      },
    ),
    'ring.oil': measured(
      'Oil ring groove',
      'oil groove, oil ring',
      'Height of the groove of the oil ring.',
      [1.5, 10],
      {
        usualTolerance: 0.02,
        instruments: ['feeler', 'caliper'],
      },
    ),
    mass: measured('Weight', 'mass, weighs', 'Weight of the bare piston.', [40, 6000], {
      quantity: 'mass',
      usualTolerance: 3,
    }),
  },
  features: {
    rings: counted('Rings', 'rings, ring grooves, ring', 'Count the grooves, the oil ring included.', [1, 6], {
      misjudged: 0.005,
      reach: 'panOff',
    }),
    compressionRings: counted(
      'Compression rings',
      'compression rings',
      'Count the plain grooves above the one with drain holes.',
      [1, 4],
      {
        misjudged: 0.005,
        reach: 'panOff',
      },
    ),
    crown: look(
      'Crown',
      'crown form, top',
      'Look at the crown from the side and from above: flat, hollowed over part of it, raised, or a deep swirl bowl.',
      {
        flat: 'flat | flat, flat top',
        dish: 'shallow dish | shallow, dish, shallow dish, dished',
        bowl: 'deep bowl | deep, deep bowl',
        reentrant: 're-entrant bowl | reentrant, re-entrant bowl',
        dome: 'dome | dome, domed',
        deflector: 'deflector | deflector',
      },
      { reach: 'headOff' },
    ),
    chamberPosition: look(
      'Chamber',
      'chamber position, bowl position',
      'Sight the bowl against the rim: the same land all round is central.',
      CHAMBER_POSITION,
      { reach: 'headOff' },
    ),
    valvePockets: counted(
      'Valve pockets',
      'pockets, valve pockets, valve reliefs, pocket, valve relief, relief, reliefs, valve pocket',
      'Count the cut-outs for valve heads in the crown.',
      [0, 5],
      {
        reach: 'headOff',
      },
    ),
    pieces: look(
      'Built',
      'pieces, articulated',
      'A two-piece piston has a steel crown that swings on the pin apart from its skirt; a one-piece moves as one.',
      { one: 'in one piece | one piece, single piece', two: 'in two pieces | two piece, articulated' },
      { misjudged: 0.005 },
    ),
    gallery: presence(
      'Cooling gallery',
      'gallery, cooling gallery, oil gallery',
      'Look up from below for the inlet hole of a ring channel behind the grooves.',
      'with gallery | with gallery, gallery cooled',
      'no gallery | no gallery',
    ),
    coating: look(
      'Crown coating',
      'coating',
      'Clean the crown: a bright one is bare or tinned, a dark one is coated.',
      { bright: 'bright | bright', dark: 'dark | dark, coated' },
      { misjudged: 0.06, reach: 'headOff' },
    ),
    skirt: look('Skirt', 'skirt form', 'Full all round, or cut away below the bosses to clear counterweights.', {
      full: 'full | full skirt, full skirts',
      slipper: 'slipper | slipper, cut away, slipper skirt, cut away skirt',
    }),
    material: look(
      'Made of',
      'material, made',
      'A forged crown shows flow lines inside and no casting skin; a cast one a skin and a parting line under the crown; steel rusts and holds a magnet.',
      { cast: 'cast aluminium | cast', forged: 'forged aluminium | forged', steel: 'steel | steel' },
      { misjudged: 0.05 },
    ),
    pinFixing: look(
      'Pin is held by',
      'pin fixing, pin locks',
      'Grooves in the bosses take circlips or spiral locks; plain bosses go with a pressed pin or end caps.',
      PIN_FIXING,
    ),
    direction: look(
      'Direction mark',
      'direction, front mark, arrow',
      'Look for an arrow, notch or word on the crown that faces the front of the engine.',
      {
        arrow: 'arrow | arrow, arrow on crown, arrow on the crown, arrow to front, arrow forward, arrow to the front',
        notch: 'notch | notch, notched, notch on crown, front notch, notch to front, notch to the front',
        word: 'word | front mark word',
        none: 'none | no direction mark',
      },
      { reach: 'headOff' },
    ),
    orientation: look(
      'Goes in',
      'orientation, cylinders it suits',
      'Compare pockets and mark across the set: handed pistons come as left and right, or one per cylinder.',
      {
        any: 'any cylinder | any cylinder',
        left: 'left bank | left bank, left',
        right: 'right bank | right bank, right',
      },
      { misjudged: 0.04 },
    ),
  },
  markPlaces: {
    crown: markedAt('crown', 'crown, on crown, on the crown', ['stamped', 'etched', 'painted'], 'headOff'),
    inside: markedAt('inside, under the crown', 'inside, under crown', ['cast']),
    boss: markedAt('pin boss', 'boss, on boss', ['cast', 'stamped']),
    weight: markedAt('weight mark, on the crown', 'weight letter, weight', ['stamped', 'etched', 'painted'], 'headOff'),
    skirt: markedAt('skirt', 'on skirt', ['etched', 'painted']),
  },
  together: [{ sizes: ['ring.top', 'ring.second', 'ring.oil'], words: ['ring', 'ring groove', 'groove'], as: 'sizes' }],
  // An oversize piston is made to its size all over.
  reworked: [{ sizes: ['bore', 'skirt.diameter'], alike: 0.98 }],
  keySizes: ['bore', 'compressionHeight', 'pin.diameter'],
  interfaces: {},
});

import { defineKind } from '../definition.js';
import { BY_BORE_GAUGE, counted, face, look, markedAt, measured, presence } from '../entries.js';

/** The cover over the timing drive. */
export const frontCover = defineKind({
  id: 'frontCover',
  name: 'Front cover',
  plural: 'Front covers',
  words: ['front cover', 'front covers', 'timing cover', 'timing case'],
  places: [{ name: 'Front cover', after: 'valveSpring' }],
  comesWith: ['seal'],
  parameters: {
    height: measured('Height', 'cover height', 'Height from the pan face to the upper bolt face.', [60, 500], {
      usualTolerance: 0.1,
      reach: 'outside',
      drawing: 'height',
    }),
    depth: measured('Depth', 'cover depth', 'Depth from the block face to the seal boss.', [8, 160], {
      usualTolerance: 0.15,
      drawing: 'depth',
    }),
    'seal.bore': measured('Seal bore', 'seal', 'Diameter of the bore in which the front seal is pressed.', [20, 160], {
      usualTolerance: 0.03,
      instruments: BY_BORE_GAUGE,
      drawing: 'seal',
    }),
  },
  features: {
    bolts: counted('Bolts', 'bolts, bolt holes', 'Count the bolt holes on the block face.', [3, 30], {
      reach: 'outside',
    }),
    pump: look(
      'Pump in the cover',
      'oil pump, pump',
      'Look inside: an oil pump round the crank, a water pump cast on, or neither.',
      {
        none: 'no pump | no pump',
        oil: 'oil pump | with oil pump',
        water: 'water pump | with water pump',
      },
    ),
    sensor: presence(
      'Sensor boss',
      'sensor, sensor boss',
      'Look for a drilled boss that faces the crank wheel or the cam pin.',
      'sensor boss drilled | sensor boss, with sensor',
      'no sensor boss | no sensor',
      {
        reach: 'outside',
      },
    ),
    pointer: look(
      'Timing pointer',
      'pointer, timing pointer',
      'Look where the scale or pointer sits, seen from the front.',
      {
        left: 'left | pointer left',
        right: 'right | pointer right',
        top: 'top | pointer top',
        none: 'none | no pointer',
      },
      { reach: 'outside' },
    ),
    material: look(
      'Made of',
      'material',
      'Pressed sheet rings; cast aluminium is thick and light.',
      { sheet: 'pressed sheet | sheet, tin', aluminium: 'cast aluminium | aluminium, alloy' },
      { reach: 'outside' },
    ),
  },
  markPlaces: {
    outside: markedAt('outside', 'outside, on outside', ['cast'], 'outside'),
    inside: markedAt('inside', 'inside, on inside', ['cast', 'stamped']),
  },
  interfaces: {
    frontCover: face(
      'Front cover',
      'front cover pattern, cover pattern',
      'Bolt places, height and dowels of the block’s front face.',
    ),
  },
});

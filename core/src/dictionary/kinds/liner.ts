import { defineKind } from '../definition.js';
import { BY_BORE_GAUGE, BY_MICROMETER, counted, look, markedAt, measured } from '../entries.js';
import { LINER_SHIM } from '../options.js';
import { BORE_OVERSIZES, FIT_OVERSIZES } from '../serviceSizes.js';

/** A cylinder liner, wet or dry. */
export const liner = defineKind({
  id: 'liner',
  name: 'Liner',
  plural: 'Liners',
  words: ['liner', 'liners', 'cylinder liner', 'sleeve', 'sleeves'],
  places: [{ name: 'Liners', after: 'rings', main: true }],
  counted: { by: 'cylinder', sold: 'singly' },
  chosenFreely: true,
  comesWith: ['piston', 'pin', 'rings'],
  parameters: {
    bore: measured(
      'Bore',
      'inside diameter, id, bore diameter',
      'Diameter of the bore, below the ring travel where it is least worn.',
      [25, 220],
      {
        wear: 'grows',
        usualWear: 0.05,
        usualTolerance: 0.02,
        service: BORE_OVERSIZES,
        reach: 'headOff',
        instruments: BY_BORE_GAUGE,
        minutes: 3,
        drawing: 'bore',
      },
    ),
    'outside.upper': measured(
      'Upper outside diameter',
      'outside diameter, od, upper outside',
      'Diameter of the upper seat, below the flange.',
      [30, 260],
      {
        usualTolerance: 0.015,
        service: FIT_OVERSIZES,
        instruments: BY_MICROMETER,
        minutes: 2,
        drawing: 'outside',
      },
    ),
    'outside.lower': measured(
      'Lower outside diameter',
      'lower outside, spigot',
      'Diameter of the lower seat, at the seal rings.',
      [30, 255],
      {
        usualTolerance: 0.015,
        instruments: BY_MICROMETER,
        minutes: 2,
        drawing: 'lowerOutside',
      },
    ),
    'flange.diameter': measured('Flange diameter', 'flange', 'Outside diameter of the flange.', [32, 280], {
      usualTolerance: 0.1,
      drawing: 'flange',
    }),
    'flange.height': measured(
      'Flange height',
      'flange thickness',
      'Height of the flange from its seat to its top.',
      [2, 25],
      {
        usualTolerance: 0.015,
        instruments: ['micrometer', 'depthMicrometer', 'caliper'],
        drawing: 'flangeHeight',
      },
    ),
    protrusion: measured(
      'Protrusion',
      'stand proud, standing proud',
      'Height of the liner top above the deck with the liner clamped.',
      [-0.2, 0.6],
      {
        usualTolerance: 0.02,
        reach: 'headOff',
        instruments: ['depthMicrometer', 'feeler'],
        minutes: 4,
      },
    ),
    length: measured('Length', 'liner length', 'Length over all.', [50, 500], {
      usualTolerance: 0.2,
      drawing: 'length',
    }),
    wall: measured(
      'Wall',
      'wall thickness',
      'Thickness between bore and outside, at the middle of the stroke.',
      [1, 18],
      {
        usualTolerance: 0.1,
        drawing: 'wall',
      },
    ),
  },
  features: {
    type: look(
      'Type',
      'wet or dry, liner type',
      'A wet liner has grooves for seals and touches coolant between its seats; a dry one is smooth and sits in metal all along.',
      { wet: 'wet | wet, wet liner', dry: 'dry | dry, dry liner' },
      { misjudged: 0.002 },
    ),
    ringGrooves: counted(
      'Seal grooves',
      'seal grooves, o-ring grooves, grooves, seal groove, o-ring groove, groove',
      'Count the grooves for seal rings round the lower seat.',
      [0, 4],
      {
        misjudged: 0.005,
      },
    ),
    ringColour: look(
      'Seal ring colour',
      'ring colour, o-ring colour, ring color',
      'Wipe the lowest ring: the colour tells the compound and the size of the groove.',
      {
        black: 'black | black',
        green: 'green | green',
        red: 'red | red',
        orange: 'orange | orange',
        blue: 'blue | blue',
        none: 'none | no rings',
      },
      { misjudged: 0.05 },
    ),
    top: look(
      'Top',
      'top form',
      'Look at the rim: flat, with a raised fire ring, or with a counterbore for an anti-polish ring.',
      {
        flat: 'flat | flat top',
        fireRing: 'fire ring | fire ring, fire dam',
        counterbore: 'counterbored | counterbore, anti-polish ring',
      },
    ),
    shim: look(
      'Shim under the flange',
      'shim kind',
      'A brass or steel shim sits between flange and seat; the liner is cut to match the kind it was made for.',
      LINER_SHIM,
    ),
  },
  markPlaces: {
    top: markedAt('top rim', 'top, on top, rim', ['stamped', 'etched']),
    outside: markedAt('outside', 'outside, on outside', ['cast', 'etched', 'painted']),
  },
  keySizes: ['bore', 'outside.upper', 'length'],
  interfaces: {},
});

import { defineKind } from '../definition.js';
import { BY_MICROMETER, counted, look, markedAt, measured, presence } from '../entries.js';
import { SHELL_OVERSIZES } from '../serviceSizes.js';

/** A pair of main bearing shells, or of the spacer shells that carry smaller ones. */
export const mainShell = defineKind({
  id: 'mainShell',
  name: 'Main shell',
  plural: 'Main shells',
  words: ['main shell', 'main shells', 'shell', 'shells', 'main insert', 'insert', 'inserts', 'bearing shell'],
  places: [{ name: 'Main shells', after: 'crank' }],
  chosenFreely: true,
  parameters: {
    'housing.diameter': measured(
      'Housing it is made for',
      'housing, outside, outside diameter, od',
      'Diameter of the main housing for which the shell is made.',
      [14, 190],
      {
        usualWear: 0.005,
        usualTolerance: 0.01,
        reach: 'rotatingPartsOut',
        minutes: 2,
        drawing: 'shellOutside',
      },
    ),
    wall: measured(
      'Wall',
      'wall thickness, thickness',
      'Thickness of the shell at its crown, backing and lining together, measured with a ball anvil.',
      [0.8, 15],
      {
        wear: 'shrinks',
        usualWear: 0.006,
        usualTolerance: 0.004,
        service: SHELL_OVERSIZES,
        reach: 'rotatingPartsOut',
        instruments: ['micrometer'],
        drawing: 'shellWall',
      },
    ),
    width: measured('Width', 'shell width', 'Axial width of a shell without flanges.', [6, 90], {
      usualWear: 0.005,
      usualTolerance: 0.1,
      reach: 'rotatingPartsOut',
      instruments: ['caliper'],
      drawing: 'shellWidth',
    }),
    flangeWidth: measured(
      'Width over the flanges',
      'flange width, over flanges, thrust width, thrust',
      'Axial width of the thrust shell over its two flanges.',
      [8, 100],
      {
        wear: 'shrinks',
        usualWear: 0.02,
        usualTolerance: 0.02,
        reach: 'rotatingPartsOut',
        instruments: BY_MICROMETER,
        drawing: 'shellFlange',
      },
    ),
  },
  features: {
    form: look(
      'Form',
      'shell form',
      'A bearing shell is lined and shows a soft running face; a spacer shell is plain steel on both sides.',
      { bearing: 'bearing shell | lined, bearing', spacer: 'spacer shell | spacer, spacer shell, unlined' },
      { misjudged: 0.01, reach: 'rotatingPartsOut' },
    ),
    groove: look(
      'Oil groove',
      'oil groove, groove',
      'Full: both halves grooved; half: only the upper; none: plain running faces.',
      {
        full: 'full groove | full groove, fully grooved',
        half: 'half groove | half groove, upper grooved',
        none: 'no groove | no groove, ungrooved',
      },
      { misjudged: 0.01, reach: 'rotatingPartsOut' },
    ),
    tang: presence(
      'Tang',
      'locating tang',
      'A tang is a small tongue bent out at the parting line; late shells have none and are held by their spread.',
      'tang | tang, with tang',
      'no tang | no tang, tangless',
      {
        reach: 'rotatingPartsOut',
      },
    ),
    oilHoles: counted(
      'Oil holes',
      'oil holes, oil hole, hole, holes',
      'Count the holes through the upper shell.',
      [0, 4],
      {
        reach: 'rotatingPartsOut',
      },
    ),
  },
  markPlaces: {
    back: markedAt('back of the shell', 'back, on back, on the back', ['stamped', 'etched'], 'rotatingPartsOut'),
    edge: markedAt('edge', 'edge, on edge, colour', ['painted'], 'rotatingPartsOut'),
  },
  keySizes: ['housing.diameter', 'wall', 'width'],
  interfaces: {},
});

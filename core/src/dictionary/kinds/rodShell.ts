import { defineKind } from '../definition.js';
import { counted, look, markedAt, measured, presence } from '../entries.js';
import { SHELL_OVERSIZES } from '../serviceSizes.js';

/** A pair of big end shells. */
export const rodShell = defineKind({
  id: 'rodShell',
  name: 'Rod shell',
  plural: 'Rod shells',
  words: ['rod shell', 'rod shells', 'big end shell', 'big end shells', 'rod insert'],
  places: [{ name: 'Rod shells', after: 'rod' }],
  counted: { by: 'cylinder', sold: 'asSet' },
  chosenFreely: true,
  parameters: {
    'housing.diameter': measured(
      'Housing it is made for',
      'housing, big end, outside diameter, od',
      'Diameter of the big end for which the shell is made.',
      [14, 150],
      {
        usualTolerance: 0.01,
        minutes: 2,
        drawing: 'shellOutside',
      },
    ),
    wall: measured(
      'Wall',
      'wall thickness, thickness',
      'Thickness of the shell at its crown, measured with a ball anvil.',
      [0.8, 8],
      {
        wear: 'shrinks',
        usualWear: 0.006,
        usualTolerance: 0.004,
        service: SHELL_OVERSIZES,
        instruments: ['micrometer'],
        drawing: 'shellWall',
      },
    ),
    width: measured('Width', 'shell width', 'Axial width of the shell.', [6, 80], {
      usualTolerance: 0.1,
      drawing: 'shellWidth',
    }),
  },
  features: {
    tang: presence(
      'Tang',
      'locating tang',
      'A tang is a small tongue bent out at the parting line; shells for fractured caps often have none.',
      'tang | tang, with tang',
      'no tang | no tang, tangless',
    ),
    oilHoles: counted(
      'Oil holes',
      'oil holes, oil hole, hole, holes',
      'Count the holes through the upper shell.',
      [0, 3],
    ),
    forCap: look(
      'Made for a cap',
      'cap split',
      'Hold the shell to the parting line: the edge of one for a fractured cap is relieved at a different place.',
      {
        machined: 'machined | for machined cap',
        fractured: 'fractured | for fractured cap',
      },
      { misjudged: 0.05 },
    ),
    chamfer: look('Edge', 'chamfered', 'A shell for a large fillet is narrower or chamfered on one edge.', {
      plain: 'plain | plain edge',
      chamfered: 'chamfered | chamfered edge',
    }),
  },
  markPlaces: {
    back: markedAt('back of the shell', 'back, on back', ['stamped', 'etched']),
    edge: markedAt('edge', 'edge, on edge, colour', ['painted']),
  },
  keySizes: ['housing.diameter', 'wall', 'width'],
  interfaces: {},
});

import { interval } from '../../quantity/interval.js';
import { defineKind } from '../definition.js';
import { JOURNAL_UNDERSIZES } from '../serviceSizes.js';

/** A pair of main bearing shells, or of the spacer shells that carry smaller ones. */
export const mainShell = defineKind({
  id: 'mainShell',
  name: 'Main shell',
  plural: 'Main shells',
  words: ['main shell', 'main shells', 'shell', 'shells', 'main insert', 'insert', 'inserts', 'bearing shell'],
  parameters: {
    'housing.diameter': {
      name: 'Housing it is made for',
      synonyms: ['housing', 'outside', 'outside diameter', 'od'],
      quantity: 'length',
      definition: 'Diameter of the main housing for which the shell is made.',
      per: 'part',
      wear: 'neither',
      usualWear: 0.005,
      usualTolerance: 0.01,
      plausible: interval(20, 190),
      reach: 'rotatingPartsOut',
      instruments: ['caliper', 'micrometer'],
      minutes: 2,
      drawing: 'shellOutside',
    },
    wall: {
      name: 'Wall',
      synonyms: ['wall thickness', 'thickness'],
      quantity: 'length',
      definition: 'Thickness of the shell at its crown, backing and lining together, measured with a ball anvil.',
      per: 'part',
      wear: 'shrinks',
      usualWear: 0.006,
      usualTolerance: 0.004,
      // A shell for a reground journal is half the undersize thicker.
      service: {
        mm: JOURNAL_UNDERSIZES.mm.map((step) => (Math.abs(Number(step)) / 2).toFixed(3)),
        in: JOURNAL_UNDERSIZES.in.map((step) => (Math.abs(Number(step)) / 2).toFixed(4)),
      },
      plausible: interval(0.8, 15),
      reach: 'rotatingPartsOut',
      instruments: ['micrometer'],
      minutes: 1,
      drawing: 'shellWall',
    },
    width: {
      name: 'Width',
      synonyms: ['shell width'],
      quantity: 'length',
      definition: 'Axial width of a shell without flanges.',
      per: 'part',
      wear: 'neither',
      usualWear: 0.005,
      usualTolerance: 0.1,
      plausible: interval(6, 90),
      reach: 'rotatingPartsOut',
      instruments: ['caliper'],
      minutes: 1,
      drawing: 'shellWidth',
    },
    flangeWidth: {
      name: 'Width over the flanges',
      synonyms: ['flange width', 'over flanges', 'thrust width', 'thrust'],
      quantity: 'length',
      definition: 'Axial width of the thrust shell over its two flanges.',
      per: 'part',
      wear: 'shrinks',
      usualWear: 0.02,
      usualTolerance: 0.02,
      plausible: interval(8, 100),
      reach: 'rotatingPartsOut',
      instruments: ['micrometer', 'caliper'],
      minutes: 1,
      drawing: 'shellFlange',
    },
  },
  features: {
    form: {
      name: 'Form',
      synonyms: ['shell form'],
      tell: 'A bearing shell is lined and shows a soft running face; a spacer shell is plain steel on both sides.',
      form: {
        options: [
          { id: 'bearing', name: 'bearing shell', words: ['lined', 'bearing'] },
          { id: 'spacer', name: 'spacer shell', words: ['spacer', 'spacer shell', 'unlined'] },
        ],
      },
      misjudged: 0.01,
      reach: 'rotatingPartsOut',
      minutes: 0.5,
    },
    groove: {
      name: 'Oil groove',
      synonyms: ['oil groove', 'groove'],
      tell: 'Full: both halves grooved; half: only the upper; none: plain running faces.',
      form: {
        options: [
          { id: 'full', name: 'full groove', words: ['full groove', 'fully grooved'] },
          { id: 'half', name: 'half groove', words: ['half groove', 'upper grooved'] },
          { id: 'none', name: 'no groove', words: ['no groove', 'ungrooved'] },
        ],
      },
      misjudged: 0.01,
      reach: 'rotatingPartsOut',
      minutes: 0.5,
    },
  },
  markPlaces: {
    back: { name: 'back of the shell', words: ['back', 'on back', 'on the back'], makings: ['stamped', 'etched'], reach: 'rotatingPartsOut' },
    edge: { name: 'edge', words: ['edge', 'on edge'], makings: ['painted'], reach: 'rotatingPartsOut' },
  },
  interfaces: {},
});

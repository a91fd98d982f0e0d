import { about, atLeast, between, subject } from './figure.js';

/** What the audit of the catalogue holds against one another. */
export const records = subject('records', {
  displacement: about('Stated size', 0.02, 'Makers round the size of an engine to whole cubic inches or centimetres', {
    of: 'the size',
  }),
  rounding: about('Rounded bore', 0.1, 'A nominal bore is rounded by no more'),
  slap: about(
    'Piston that would slap',
    0.005,
    'A skirt that is smaller by more than this share would slap in any engine',
    { of: 'the bore' },
  ),
  shortTime: about(
    'Part of a short time',
    0.25,
    'A part that was carried for less than a quarter of a variant’s years is an exception; for more, the variant was changed over',
    {
      of: 'its years',
    },
  ),
  fewest: atLeast('Sizes to compare', 8, 'Of fewer sizes of a kind of part none can be called unusual', {
    quantity: 'count',
  }),
  farOut: atLeast(
    'Far from the others',
    3.5,
    'A size lies far from the others whose modified z-score, in medians of the logarithms, is no less',
    { quantity: 'count', source: 'Iglewicz and Hoaglin, How to Detect and Handle Outliers, ASQC 1993' },
  ),
  alone: atLeast(
    'Alone',
    3,
    'Engines come in several honest sizes: only one that is so many times the nearest, or that part of it, stands alone; a slip of unit or point makes ten or more',
    { quantity: 'count' },
  ),
  crown: between(
    'Crown in an engine as made',
    [-1.5, 4],
    'In an engine as made the flat of a crown stands near the deck',
  ),
});

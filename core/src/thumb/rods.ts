import { about, atLeast, atMost, between, subject, within } from './figure.js';

/** Rods, and the pins they carry. */
export const rods = subject('rods', {
  sideInShells: between(
    'Side clearance in shells',
    [0.15, 0.3],
    'A rod in shells, located at its big end, has a little side clearance',
    {
      leeway: [0.05, 0.5],
    },
  ),
  sideOnNeedles: between(
    'Side clearance on needles',
    [0.25, 0.45],
    'A rod on needles, located at its big end, has more side clearance than one in shells',
    {
      leeway: [0.1, 0.8],
    },
  ),
  sideFree: between(
    'Side clearance of a free big end',
    [1.9, 2.1],
    'A rod located at the piston is free at its crankpin',
    { leeway: [1, 3.2] },
  ),
  sideWithin: about('Tolerance of a narrowed big end', 0.015, 'A big end is faced to so near, either way'),
  filletPlain: atMost('Fillet a plain rod clears', 1.8, 'A rod without a chamfer clears a small fillet only'),
  filletChamfered: atMost(
    'Fillet a chamfered rod clears',
    5,
    'The chamfered side of a rod goes to the fillet and clears it',
  ),
  locates: atMost('Play that locates a rod', 0.7, 'An end with so little play locates the rod'),
  free: atLeast('Play that leaves a rod free', 0.8, 'An end with so much play leaves the rod free'),
  freeAim: about(
    'Play given to a free end',
    2,
    'An end that is faced down to be free is given about as much as makers give',
  ),
  gapLocated: between(
    'Play between the bosses, located there',
    [0.15, 0.6],
    'A rod located at the piston has little play there',
  ),
  gapFree: atLeast('Play between the bosses, free', 0.9, 'A rod located at the big end needs room at the piston'),
  gapSpare: about(
    'Spare play of a narrowed small end',
    0.3,
    'A small end that is narrowed to be free gets so much more than the least',
  ),
  smallEndWithin: about('Tolerance of a narrowed small end', 0.02, 'A small end is faced to so near, either way'),
  narrowed: atMost('Narrowing a rod', 2.5, 'More off the side leaves too little bearing'),
  resized: atMost(
    'Resizing a big end',
    0.08,
    'Cutting the cap and honing changes a big end by hundredths; more is another rod',
  ),
  bush: between(
    'Wall of a small-end bush',
    [1, 3],
    'A bush is no thinner than it can be pressed and no thicker than it is sold',
  ),
  bushMeat: about('Meat for a small-end bush', 3, 'A plain small end may be bored so much larger for a bush'),
  opened: atMost('Opening a small end', 1, 'More out of a small end leaves it too thin'),
  pinPress: between(
    'Press of a pin',
    [0.008, 0.015],
    'A pressed pin is held by about a hundredth of a millimetre, to which comes a share of its size',
  ),
  pinPressShare: about('Press of a pin, by its size', 0.0016, 'A larger pin is pressed harder, by up to this share', {
    of: 'the pin',
  }),
  pinFloat: between(
    'Play of a floating pin',
    [0.003, 0.012],
    'A floating pin runs in its bush with hundredths, to which comes a share of its size',
  ),
  pinFloatShare: about(
    'Play of a floating pin, by its size',
    0.0009,
    'A larger pin has more play, by up to this share',
    { of: 'the pin' },
  ),
  pinReamed: about(
    'Play a bush is reamed to',
    0.004,
    'A bush is reamed so much over its pin, to which comes a share of its size',
  ),
  pinReamedShare: about(
    'Play a bush is reamed to, by the pin',
    0.0004,
    'A bush for a larger pin is reamed larger, by this share',
    { of: 'the pin' },
  ),
  pinReamedWithin: about('Tolerance of a reamed bush', 0.004, 'A bush is reamed to so near, either way'),
  pinInBosses: between('Pin in its bosses', [0.001, 0.022], 'A pin is pushed into its piston by hand, warm'),
  pinBoreWithin: about('Tolerance of a pin bore', 0.003, 'A pin bore is honed to so near, either way'),
  pinBoreOpened: atMost('Opening a pin bore', 0.03, 'Honing a pin bore mends a fit; more is another pin'),
  smallEndOverBosses: between(
    'Small end over the pin bores',
    [-0.085, 0.055],
    'Small end and bosses take the same pin where they differ by no more than its press',
  ),
  pinSleeved: between(
    'Sleeve on a pin',
    [2, 6],
    'Sleeve bearings make a smaller pin run in a larger small end while they are no thinner and no thicker than are made',
  ),
  pinEnds: atLeast('Room at the ends of a pin', 1, 'Pin and its locks stay inside the bore'),
  bent: atMost('Rod bent', 0.05, 'Half a thou to the inch out of parallel wears pin, piston and bore aslant'),
  twisted: atMost('Rod twisted', 0.1, 'A rod may be twisted by a thou to the inch: more rocks the piston'),
  sameLength: within('Length of a rod among others', 0.2, 'All rods of one engine are of one length'),
  sameBigEnd: within('Big end among others', 0.05, 'All rods of one engine take the same shells'),
  sameSmallEnd: within('Small end among others', 0.05, 'All rods of one engine take the same pin'),
  castings: about(
    'Castings of one pattern',
    12,
    'Castings of one pattern differ by so much in weight, both together, before anybody matches them',
    {
      quantity: 'mass',
    },
  ),
});

import { about, atLeast, atMost, between, subject, within } from './figure.js';

const BOUNDARY = 'ISO 15, boundary dimensions';

/** Mains, crankpins and rolling bearings. */
export const bearings = subject('bearings', {
  thousandth: between(
    'Oil clearance, a thousandth',
    [0.0004, 0.001],
    'A plain bearing runs with no more than a thousandth of its journal; most modern makers ask for less',
    {
      of: 'the journal',
      leeway: [0.00025, 0.002],
    },
  ),
  generous: between(
    'Oil clearance, half as much again',
    [0.001, 0.0015],
    'In a fast or hot engine a plain bearing gets half as much again as a thousandth of its journal',
    {
      of: 'the journal',
      leeway: [0.00025, 0.0025],
    },
  ),
  anotherSize: about(
    'Another size of bearing',
    0.6,
    'Further out than this, journal and shell are plainly not made for each other',
  ),
  endFloat: between(
    'End float of the crank',
    [0.06, 0.2],
    'A crank moves endways by a little: less burns its thrust faces, more lets it walk',
    {
      leeway: [0.02, 0.4],
    },
  ),
  filletRoom: between(
    'Shell beside the fillets',
    [0.5, 8],
    'A shell clears the fillets of its journal, both sides together, and covers the rest of it',
  ),
  mainSpacing: within('Main spacing', 0.6, 'Journals lie under their housings within the play of their widths'),
  shellHousing: within('Housing of a shell', 0.045, 'A shell is made for one housing, within its tolerance'),
  ground: about('Tolerance of a ground journal', 0.013, 'A crank grinder holds a journal to half a thou in all'),
  outOfRound: atMost(
    'Journal out of round',
    0.013,
    'A plain bearing bears half a thou between two directions of its journal; more breaks the oil film',
  ),
  taper: atMost(
    'Journal tapered',
    0.013,
    'A plain bearing bears half a thou along its journal; more carries the load on one edge',
  ),
  cleanedUp: atLeast(
    'Taken to clean up a journal',
    0.03,
    'A journal that is ground loses a thou and a bit before it is clean all round',
  ),
  polished: atMost('Polished off a journal', 0.013, 'Polishing takes half a thou of diameter; more is ground'),
  leastPolished: atLeast(
    'Least that is polished',
    0.01,
    'A journal is polished by a hundredth at the least: nobody holds less by hand',
  ),
  lineBored: atMost('Line boring', 8, 'Small journals to large ones is a quarter of an inch; more is another block'),
  ringBore: about(
    'Tolerance of a bearing’s bore',
    0.01,
    'The bore of a bearing of normal class lies so far below its nominal size',
    {
      source: 'ISO 492, from memory',
    },
  ),
  ringOutside: about(
    'Tolerance of a bearing’s outside',
    0.015,
    'The outside of a bearing of normal class lies so far below its nominal size',
    {
      source: 'ISO 492, from memory',
    },
  ),
  sameRing: within('Bore and outside of a bearing', 0.03, 'Bearings of one size differ by their tolerance only', {
    source: BOUNDARY,
  }),
  sameRingWidth: within('Width of a bearing', 0.25, 'Rings of one width differ by their tolerance only', {
    source: BOUNDARY,
  }),
  ringShimmed: atMost(
    'Shims beside a bearing',
    6,
    'A narrower bearing is shimmed on the side that stands; more is a bearing of another series',
  ),
  ringSleeved: between(
    'Sleeve round a bearing',
    [2, 12],
    'A housing is sleeved for a smaller ring while the sleeve can be held and the ring is not another bearing altogether',
  ),
  cageNamed: about(
    'Needle cage and its name',
    0.1,
    'A needle cage is named by the sizes it runs on, which are ground to hundredths: it is for all so near to its name',
  ),
  cageThinnest: atLeast('Room for needles', 1, 'Less room than this on a side holds no needles', {
    source: 'ISO 3030, from memory',
  }),
});

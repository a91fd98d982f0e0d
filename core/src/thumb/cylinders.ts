import { about, atLeast, atMost, between, subject, within } from './figure.js';

const skirt = (what: string, ends: readonly [number, number], leeway: readonly [number, number], why: string) =>
  between(`Skirt clearance of ${what}`, ends, why, { of: 'the bore', leeway });

/** Cylinders, liners, pistons and rings. */
export const cylinders = subject('cylinders', {
  skirtTwoStroke: skirt(
    'a two-stroke piston in iron',
    [0.0012, 0.002],
    [0.0008, 0.003],
    'A two-stroke piston runs hot and wants the most room',
  ),
  skirtPlated: skirt(
    'a two-stroke piston in a plated cylinder',
    [0.0006, 0.0012],
    [0.0004, 0.002],
    'A plated aluminium cylinder grows with the piston, which wants half the room it has in iron',
  ),
  skirtDiesel: skirt(
    'a diesel piston',
    [0.00106, 0.00144],
    [0.0005, 0.002],
    'A diesel piston carries its heat in the bowl and wants room',
  ),
  skirtForged: skirt(
    'a forged piston',
    [0.0007, 0.0012],
    [0.0003, 0.002],
    'A forged piston grows more than a cast one',
  ),
  skirtCast: skirt('a cast piston', [0.00035, 0.0007], [0.00005, 0.0013], 'A cast piston runs with the least room'),
  finishedWithin: about('Tolerance of a finished cylinder', 0.006, 'A cylinder is honed to so near, either way'),
  outOfRound: atMost(
    'Cylinder out of round',
    0.05,
    'New rings follow a cylinder that is two thou out of round, and no more',
  ),
  taper: atMost('Cylinder tapered', 0.08, 'Over three thou of taper the ring gap closes at the bottom: it is bored'),
  cleanedUp: atLeast(
    'Taken to clean up a cylinder',
    0.05,
    'A cylinder that is bored loses two thou before it is clean all round',
  ),
  honed: atMost('Honing', 0.05, 'A hone takes hundredths of diameter; more is bored'),
  bored: atMost(
    'Boring where the wall was never measured',
    3.2,
    'An eighth of an inch on the diameter is the most that anybody bores without knowing the wall',
  ),
  plated: atMost(
    'Plating a cylinder smaller',
    0.3,
    'A hard plating holds while it is thin: six thou on a side after honing, no more',
  ),
  wall: atLeast('Wall left after boring', 3.2, 'An iron cylinder keeps about an eighth of an inch of wall'),
  linerWall: atLeast(
    'Wall left of a liner',
    2,
    'A liner is backed by its block or stiff by itself, and bears a thinner wall',
  ),
  sleeveWall: about('Wall of a dry sleeve', 2.4, 'A dry sleeve has about three thirty-seconds of an inch of wall'),
  sleeveThickest: atMost(
    'Thickest dry sleeve',
    4,
    'A hole that is larger than the thickest sleeve fills is another size, not a worn one',
  ),
  sitsAlike: about(
    'Liners that sit alike',
    0.02,
    'Liners whose seats differ by less than this go in each other’s place',
  ),
  linerSeat: between(
    'Wet liner in its seat',
    [0.02, 0.14],
    'A wet liner slides into its seat by hand, and its seal rings bridge a few hundredths',
  ),
  linerSeatBored: atMost(
    'Boring a liner seat',
    0.8,
    'A seat is bored out for an oversize liner; more leaves too little of the block',
  ),
  linerSeatWithin: about('Tolerance of a bored liner seat', 0.015, 'A liner seat is bored to so near, either way'),
  linerProud: between('Liner standing proud', [0.05, 0.12], 'A wet liner stands a little proud of the deck', {
    leeway: [0.01, 0.18],
  }),
  linerShimmed: atMost('Shims under a liner', 0.4, 'A thicker pack of shims lets the flange fret'),
  groovePlay: between(
    'Ring in its groove',
    [0.03, 0.08],
    'A ring moves freely in its groove, and one that is loose flutters',
    { leeway: [0.012, 0.12] },
  ),
  grooveWidened: atMost('Widening a ring groove', 0.7, 'More leaves the land beside the groove too thin'),
  grooveWithin: about('Tolerance of a turned groove', 0.005, 'A ring groove is turned to so near, either way'),
  endGap: between(
    'End gap of a top ring',
    [0.0035, 0.0045],
    'The ends of a ring neither butt when it is hot nor leak: four thou to the inch of bore',
    { of: 'the bore', leeway: [0.002, 0.0085] },
  ),
  endGapHot: between(
    'End gap of a top ring, diesel',
    [0.005, 0.006],
    'The top ring of a diesel, or under boost, runs hotter and gets half as much again',
    { of: 'the bore', leeway: [0.0025, 0.0085] },
  ),
  endGapEither: between(
    'End gap of a top ring, duty not known',
    [0.0035, 0.006],
    'Four thou to the inch of bore, half as much again in a diesel or under boost',
    { of: 'the bore', leeway: [0.002, 0.0085] },
  ),
  secondGap: between(
    'End gap of a second ring',
    [0.0045, 0.006],
    'The second ring gets more gap than the top one, so that no pressure stands between them and lifts the top ring',
    { of: 'the bore' },
  ),
  oilGap: between(
    'End gap of an oil ring',
    [0.0025, 0.02],
    'Rails of an oil ring seal nothing but must not butt: fifteen thou is usual, and twice that does no harm',
    { of: 'the bore' },
  ),
  endGapFiled: atMost(
    'Filing a ring',
    2,
    'The ends of a ring are filed; one that is further out is made for another bore',
  ),
  sameRatio: within('Ratio among the other pistons', 0.12, 'Mixed ratios in one engine are refused', {
    quantity: 'ratio',
  }),
  sameHeight: within('Compression height among the others', 0.25, 'All pistons of one engine are of one height'),
  sameBore: within('Bore among the others', 0.12, 'All pistons of one engine are of one bore'),
  samePin: within('Pin among the others', 0.03, 'All pistons of one engine take the same pin'),
});

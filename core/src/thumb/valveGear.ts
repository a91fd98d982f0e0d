import { about, atLeast, atMost, between, subject, within } from './figure.js';

/** Cam, lifters, valves and springs. */
export const valveGear = subject('valveGear', {
  camBare: between('Cam in bare metal', [0.02, 0.13], 'A cam in bare metal runs with a few hundredths'),
  backlash: between(
    'Backlash of timing gears',
    [0.05, 0.15],
    'Timing gears run with two to six thou between their teeth: tight ones whine, worn ones rattle and shift the timing',
  ),
  camBush: between('Room for a cam bush', [2, 6.5], 'Between journal and bore goes a bush of one to three millimetres'),
  camBushedFrom: about(
    'Bare or bushed',
    0.6,
    'No journal runs with a millimetre, and no bush is thinner than half of it',
  ),
  camBushWidest: atMost(
    'Widest room for a cam bush',
    10.5,
    'Bushes are made to fit; in a bore that is larger still it is another cam',
  ),
  baseCircle: within('Base circle', 0.6, 'Lifters and adjusters take up a few tenths'),
  baseCircleTaken: atMost(
    'Base circle made up by pushrods',
    6,
    'Base circles that differ by more belong to another valve gear',
  ),
  coilBind: atLeast(
    'Room between the coils',
    1.5,
    'Sixty thou stays between the coils at full lift; makers of racing springs go down to forty',
    { leeway: 1 },
  ),
  coilBindMended: atMost(
    'Springs for another cam',
    3,
    'Springs can be had for a cam that lifts more; not for one that lifts so much more',
  ),
  rocker: about(
    'Ratio of a rocker',
    1.5,
    'A rocker lifts its valve half as much again as its lobe; a bucket just as much',
    { quantity: 'ratio' },
  ),
  lifter: between('Lifter in its bore', [0.012, 0.075], 'A lifter falls by its own weight, slowly'),
  lifterBoreChanged: atMost(
    'Boring or bushing lifter bores',
    0.5,
    'Lifters that differ by a whole millimetre belong to another engine',
  ),
  lifterBoreWithin: about('Tolerance of a lifter bore', 0.008, 'A lifter bore is finished to so near, either way'),
  seatHeight: within('Height of the pushrod seat', 0.9, 'The adjusters take up most of a millimetre'),
  preload: within('Preload', 1.2, 'A plunger has a few millimetres of travel and is set to the middle of it'),
  stemIntake: between(
    'Intake stem in its guide',
    [0.025, 0.065],
    'An intake stem runs with one to two and a half thousandths of an inch',
    { leeway: [0.012, 0.105] },
  ),
  stemExhaust: between(
    'Exhaust stem in its guide',
    [0.04, 0.09],
    'An exhaust stem, which runs hotter, gets half as much again as an intake one',
    { leeway: [0.02, 0.125] },
  ),
  guideChanged: atMost(
    'Reaming or lining a guide',
    1.7,
    'Guides are reamed or lined for another stem; more is another head',
  ),
  guideAim: about('Play a guide is finished to', 0.05, 'A guide is finished so much over its stem'),
  guideWithin: about('Tolerance of a guide', 0.008, 'A guide is finished to so near, either way'),
  valveHead: within('Head of a valve', 0.35, 'A seat is cut for one size of valve'),
  seatRecut: atMost('Recutting a seat', 4, 'A seat is recut for a larger valve where casting and neighbour leave room'),
  valveLength: within('Length of a valve', 0.7, 'Rocker geometry and installed height bear half a millimetre'),
  valveLengthMade: atMost('Length made up', 4, 'Shims and pushrods make up so much of the length of a valve'),
  springHeight: within('Installed height', 0.6, 'A spring gives its rated load at its rated height'),
  springShimmed: atMost('Shims under a spring', 3, 'A spring that wants a thicker pack is another spring'),
  springSeatCut: atMost('Cutting a spring seat', 2.5, 'Deeper there may be water under the seat'),
  springSpeed: atLeast(
    'Speed of a spring over the old one',
    -150,
    'A spring that is trusted to less than the old one lets the valves float',
    {
      quantity: 'speed',
    },
  ),
  springOutside: between('Outside of a spring', [-1.2, 0.6], 'A spring is guided by its seat and must not rub in it'),
  springSeatWidened: atMost('Widening a spring seat', 5, 'Wider there may be water beside the seat'),
});

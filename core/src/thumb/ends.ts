import { about, atLeast, atMost, between, subject, within } from './figure.js';

/** Crankcase, both ends of the crank, and what is bolted on. */
export const ends = subject('ends', {
  caseRoom: atLeast(
    'Room in the crankcase',
    1.5,
    'Sixty thou between anything that turns and bores, gallery, cam and pan rail: turn it by hand before trusting any figure',
  ),
  lip: between('Web lip in its groove', [0.5, 20], 'A lip on the web turns free in its groove'),
  weightsTurned: atMost('Turning counterweights', 3, 'More off the radius leaves them too light'),
  thrustGround: atMost('Grinding thrust faces', 0.5, 'More off the thrust faces goes through their hardening'),
  thrustWithin: about('Tolerance of ground thrust faces', 0.02, 'Thrust faces are ground to so near, either way'),
  sealTurned: atMost('Turning a seal land', 1, 'More off the land weakens the flange'),
  sealLand: between(
    'Rear seal on its land',
    [-0.35, 0.25],
    'A lip follows a land a little under its size, hardly over it; the size it is made for is known to a tenth',
  ),
  sealSleeved: atMost('Sleeve on a seal land', 6, 'A repair sleeve adds so much to a land, by diameter'),
  sealCarried: atMost(
    'Carrier for another seal',
    10,
    'A carrier for another seal goes in the same place while the lands differ by no more',
  ),
  nose: between(
    'Nose in a keyed hub',
    [0, 0.06],
    'Gear and hub are pressed or shrunk on the nose: a loose hub frets, and the key alone does not hold it',
  ),
  noseClamped: between(
    'Nose in a clamped or splined hub',
    [-0.06, 0.01],
    'A hub that is clamped between faces, or sits on a spline, slides on by hand',
  ),
  coverHeight: within(
    'Front cover at the pan rail',
    0.45,
    'The pan gasket bridges a few tenths where cover and block meet',
  ),
  coverDressed: atMost(
    'Dressing the pan rail',
    0.75,
    'Thirty thou at the most is dressed off rail or cover; more is another cover',
  ),
  sealBore: between('Seal in its bore', [-0.2, 0.25], 'A seal is pressed in with a tenth or two'),
  sealShaft: within('Shaft of a seal', 0.3, 'A seal goes by the sizes on its face'),
  sealOutside: within('Outside of a seal', 0.3, 'A seal goes by the sizes on its face'),
  sealWidth: within('Width of a seal', 1.2, 'A seal may be a little narrower or wider than the old one'),
  washerThickness: within(
    'Thickness of a thrust washer',
    0.03,
    'A thrust washer is chosen for the end float, which changes with it on either side',
  ),
  washerOutside: within('Outside of a thrust washer', 0.4, 'A thrust washer lies in its recess with little room'),
  washerInside: within('Inside of a thrust washer', 0.6, 'A thrust washer clears the fillet of the journal'),
  flywheel: atLeast('Flywheel inside the bellhousing', -3, 'The bellhousing is made for the flywheel that was in it'),
  thread: within('Thread of a bolt', 0.3, 'A thread goes by its nominal size'),
  pitch: within('Pitch of a bolt', 0.07, 'Coarse and fine thread do not go together'),
  boltLength: within('Length of a bolt', 2.2, 'Too short holds too few threads, too long meets the bottom of its hole'),
});

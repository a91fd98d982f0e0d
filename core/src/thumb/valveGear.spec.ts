import { boundary, describeBoundaries } from '../testing/boundary';
import { finding, judged, made } from '../testing/made';
import { onSheet } from '../testing/onSheet';
import { middle, width, type Interval } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { valveGear } from './valveGear';

// Common practice, no source: what comes out just inside and just outside each end.

const reaches = (size: number, expected: number): string => (size >= expected - 1e-9 ? 'as much' : 'less');
const cam = (room: number, rules: HouseRules) =>
  finding(
    'camInBlock',
    'camFront',
    [made('block', { 'camBore.diameter': 50 + room }, { camBearings: '5' }), made('cam', { 'journal.front': 50 })],
    { rules },
  );
const inPlaceOfCam = (by: number, rules: HouseRules) =>
  judged('camInPlace', 'baseCircle', [made('cam', { baseCircle: 30 + by })], {
    replaced: [made('cam', { baseCircle: 30 })],
    rules,
  });
/** Springs of 40 mm that bind at 25, over a lobe that leaves so much room. */
const coils = (room: number, camBearings: string, lift: number, rules: HouseRules) =>
  judged(
    'camOnSprings',
    'coilBind',
    [
      made('head', { 'spring.installedHeight': 25 + room + lift }, { camBearings }),
      made('cam', { 'lift.exhaust': camBearings === '0' ? lift / 1.5 : lift }),
      made('valveSpring', { coilBind: 25 }),
    ],
    { rules },
  );
const lifter = (play: number, rules: HouseRules) =>
  finding(
    'lifterInBlock',
    'lifterBody',
    [
      made('block', { 'lifterBore.diameter': 21 + play }, { camBearings: '5' }),
      made('lifter', { 'body.diameter': 21 }),
    ],
    {
      rules,
    },
  );
const stem = (play: number, rules: HouseRules, duty = 'intake') =>
  finding(
    'valveInHead',
    'stem',
    [made('head', { 'guide.bore': 8 + play }), made('valve', { 'stem.diameter': 8 }, { duty })],
    { rules },
  );
const valveHead = (by: number, rules: HouseRules) =>
  judged(
    'valveInHead',
    'valveHead',
    [
      made('head', { 'valve.intake': 40, 'valve.exhaust': 35 }),
      made('valve', { 'head.diameter': 40 + by }, { duty: 'intake' }),
    ],
    { rules },
  );
const valveLength = (by: number, rules: HouseRules) =>
  judged('valveInPlace', 'valveLength', [made('valve', { length: 110 + by })], {
    replaced: [made('valve', { length: 110 })],
    rules,
  });
const installed = (by: number, rules: HouseRules) =>
  judged(
    'springInHead',
    'installedHeight',
    [made('head', { 'spring.installedHeight': 40 + by }), made('valveSpring', { installedHeight: 40 })],
    { rules },
  );
const spring = (check: string, size: string, usual: number) => (by: number, rules: HouseRules) =>
  judged('springInPlace', check, [made('valveSpring', { [size]: usual + by })], {
    replaced: [made('valveSpring', { [size]: usual })],
    rules,
  });
const after = ({ work }: ReturnType<typeof finding>, id: string): Interval =>
  work[0]?.parts[0]?.values[id]?.interval ?? { low: 0, high: 0 };
const inPlaceOfLifter = (check: string, size: string, usual: number) => (by: number, rules: HouseRules) =>
  judged('lifterInPlace', check, [made('lifter', { [size]: usual + by }, { form: 'hydraulicFlat' })], {
    replaced: [made('lifter', { [size]: usual }, { form: 'hydraulicFlat' })],
    rules,
  });

describe('figures of thumb of the valve gear', () => {
  describeBoundaries(valveGear, [
    boundary(
      valveGear.backlash,
      onSheet('cam.backlash'),
      [0.049, 'doesNotFit'],
      [0.051, 'fits'],
      [0.149, 'fits'],
      [0.151, 'doesNotFit'],
    ),
    boundary(
      valveGear.camBare,
      (room, rules) => cam(room, rules).verdict,
      [0.0194, 'doesNotFit'],
      [0.0206, 'fits'],
      [0.1261, 'fits'],
      [0.1339, 'doesNotFit'],
    ),
    boundary(
      valveGear.camBush,
      (room, rules) => cam(room, rules).verdict,
      [1.94, 'fitsWithWork'],
      [2.06, 'fits'],
      [6.305, 'fits'],
      [6.695, 'fitsWithWork'],
    ),
    boundary(
      valveGear.camBushedFrom,
      (room, rules) => (cam(room, rules).work.length > 0 ? 'bushed' : 'bare'),
      [0.582, 'bare'],
      [0.618, 'bushed'],
    ),
    boundary(
      valveGear.camBushWidest,
      (room, rules) => cam(room, rules).verdict,
      [10.19, 'fitsWithWork'],
      [10.81, 'doesNotFit'],
    ),
    boundary(
      valveGear.baseCircle,
      inPlaceOfCam,
      [-0.618, 'fitsWithWork, pushrods'],
      [-0.582, 'fits'],
      [0.582, 'fits'],
      [0.618, 'fitsWithWork, pushrods'],
    ),
    boundary(valveGear.baseCircleTaken, inPlaceOfCam, [5.82, 'fitsWithWork, pushrods'], [6.18, 'doesNotFit']),
    boundary(
      valveGear.coilBind,
      (room, rules) => coils(room, '5', 12, rules),
      [0.97, 'fitsWithWork, takeAlong'],
      [1.03, 'cannotTell, takeAlong'],
      [1.455, 'cannotTell, takeAlong'],
      [1.545, 'fits'],
    ),
    boundary(
      valveGear.coilBindMended,
      (lacking, rules) => coils(-lacking, '5', 12, rules),
      [2.91, 'fitsWithWork, takeAlong'],
      [3.09, 'doesNotFit'],
    ),
    boundary(
      valveGear.rocker,
      (ratio, rules) =>
        // A lobe of 8 mm under a rocker: the height leaves what the spring binds at, the room wanted and the lift.
        judged(
          'camOnSprings',
          'coilBind',
          [
            made('head', { 'spring.installedHeight': 25 + 1.5 + 8 * ratio }, { camBearings: '0' }),
            made('cam', { 'lift.exhaust': 8 }),
            made('valveSpring', { coilBind: 25 }),
          ],
          { rules },
        ),
      [1.455, 'cannotTell, takeAlong'],
      [1.545, 'fits'],
    ),
    boundary(
      valveGear.lifter,
      (play, rules) => lifter(play, rules).verdict,
      [0.0114, 'fitsWithWork'],
      [0.0126, 'fits'],
      [0.07275, 'fits'],
      [0.07725, 'fitsWithWork'],
    ),
    // Bored to the middle of the play, 0.0435 mm, from a bore that is smaller by so much more.
    boundary(
      valveGear.lifterBoreChanged,
      (by, rules) => lifter(0.0435 - by, rules).verdict,
      [0.485, 'fitsWithWork'],
      [0.515, 'doesNotFit'],
    ),
    boundary(
      valveGear.lifterBoreWithin,
      (tolerance, rules) => reaches(width(after(lifter(-0.1, rules), 'block.lifterBore.diameter')) / 2, tolerance),
      [0.0074, 'as much'],
      [0.0086, 'less'],
    ),
    boundary(
      valveGear.seatHeight,
      inPlaceOfLifter('seatHeight', 'seatHeight', 40),
      [-0.927, 'fitsWithWork, pushrods'],
      [-0.873, 'fits'],
      [0.873, 'fits'],
      [0.927, 'fitsWithWork, pushrods'],
    ),
    boundary(
      valveGear.preload,
      inPlaceOfLifter('preload', 'preload', 2),
      [-1.236, 'fitsWithWork, pushrods'],
      [-1.164, 'fits'],
      [1.164, 'fits'],
      [1.236, 'fitsWithWork, pushrods'],
    ),
    boundary(
      valveGear.stemIntake,
      (play, rules) => stem(play, rules).verdict,
      [0.0114, 'fitsWithWork'],
      [0.0126, 'cannotTell'],
      [0.0245, 'cannotTell'],
      [0.0255, 'fits'],
      [0.064, 'fits'],
      [0.066, 'cannotTell'],
      [0.1018, 'cannotTell'],
      [0.1081, 'fitsWithWork'],
    ),
    boundary(
      valveGear.stemExhaust,
      (play, rules) => stem(play, rules, 'exhaust').verdict,
      [0.0194, 'fitsWithWork'],
      [0.0206, 'cannotTell'],
      [0.0392, 'cannotTell'],
      [0.0408, 'fits'],
      [0.0882, 'fits'],
      [0.0918, 'cannotTell'],
      [0.1225, 'cannotTell'],
      [0.1275, 'fitsWithWork'],
    ),
    boundary(
      valveGear.guideChanged,
      (by, rules) => stem(0.05 - by, rules).verdict,
      [1.649, 'fitsWithWork'],
      [1.751, 'doesNotFit'],
    ),
    boundary(
      valveGear.guideAim,
      (play, rules) => reaches(middle(after(stem(-0.1, rules), 'head.guide.bore')) - 8, play),
      [0.0485, 'as much'],
      [0.0515, 'less'],
    ),
    boundary(
      valveGear.guideWithin,
      (tolerance, rules) => reaches(width(after(stem(-0.1, rules), 'head.guide.bore')) / 2, tolerance),
      [0.0074, 'as much'],
      [0.0086, 'less'],
    ),
    boundary(
      valveGear.valveHead,
      valveHead,
      [-0.3605, 'doesNotFit'],
      [-0.3395, 'fits'],
      [0.3395, 'fits'],
      [0.3605, 'fitsWithWork, cutSeats'],
    ),
    boundary(valveGear.seatRecut, valveHead, [3.88, 'fitsWithWork, cutSeats'], [4.12, 'doesNotFit']),
    boundary(
      valveGear.valveLength,
      valveLength,
      [-0.721, 'fitsWithWork, pushrods'],
      [-0.679, 'fits'],
      [0.679, 'fits'],
      [0.721, 'fitsWithWork, shimSprings'],
    ),
    boundary(valveGear.valveLengthMade, valveLength, [3.88, 'fitsWithWork, shimSprings'], [4.12, 'doesNotFit']),
    boundary(
      valveGear.springHeight,
      installed,
      [-0.618, 'fitsWithWork, cutSpringSeats'],
      [-0.582, 'fits'],
      [0.582, 'fits'],
      [0.618, 'fitsWithWork, shimSprings'],
    ),
    boundary(valveGear.springShimmed, installed, [2.91, 'fitsWithWork, shimSprings'], [3.09, 'doesNotFit']),
    boundary(
      valveGear.springSeatCut,
      (by, rules) => installed(-by, rules),
      [2.425, 'fitsWithWork, cutSpringSeats'],
      [2.575, 'doesNotFit'],
    ),
    boundary(
      valveGear.springSpeed,
      spring('trustedSpeed', 'trustedSpeed', 6000),
      [-154.5, 'doesNotFit'],
      [-145.5, 'fits'],
    ),
    boundary(
      valveGear.springOutside,
      spring('springSeat', 'outside', 32),
      [-1.236, 'doesNotFit'],
      [-1.164, 'fits'],
      [0.582, 'fits'],
      [0.618, 'fitsWithWork, cutSpringSeats'],
    ),
    boundary(
      valveGear.springSeatWidened,
      spring('springSeat', 'outside', 32),
      [4.85, 'fitsWithWork, cutSpringSeats'],
      [5.15, 'doesNotFit'],
    ),
  ]);
});

import { boundary, describeBoundaries } from '../testing/boundary';
import { finding, judged, made } from '../testing/made';
import { onSheet } from '../testing/onSheet';
import { bushSmallEnd, narrowRod, openSmallEnd, resizeBigEnd } from '../joints/operations/rods';
import { openPinBore } from '../joints/operations/pistons';
import type { Worked } from '../joints/operations/operation';
import { interval, width, type Interval } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { rods } from './rods';

// Common practice, no source: what comes out just inside and just outside each end.

const done = (worked: Worked): string => ('part' in worked ? 'done' : 'refused');
/** Crankpin and rod, with side clearance. */
const side = (looks: Readonly<Record<string, string>>) => (play: number, rules: HouseRules) =>
  judged(
    'bigEnds',
    'sideClearance',
    [made('crank', { 'crankpin.width': 30 + play }, { rodsPerPin: '1' }), made('rod', { 'bigEnd.width': 30 }, looks)],
    {
      rules,
    },
  );
const fillet = (chamfer: string, rodsPerPin: string) => (radius: number, rules: HouseRules) =>
  judged(
    'bigEnds',
    'fillet',
    [made('crank', { 'crankpin.fillet': radius }, { rodsPerPin }), made('rod', {}, { chamfer })],
    { rules },
  );
/** Crank, rod and piston with plays at both ends. */
const located = (below: number, above: number, rules: HouseRules) =>
  finding(
    'location',
    'oneEnd',
    [
      made('crank', { 'crankpin.width': 30 + below }, { rodsPerPin: '1' }),
      made('rod', { 'bigEnd.width': 30, 'smallEnd.width': 25 }),
      made('piston', { bossGap: 25 + above }),
    ],
    { rules },
  );
const bosses = (end: 'smallEnd' | 'bigEnd', play: number, rules: HouseRules) =>
  finding(
    'smallEnds',
    'bossRoom',
    [made('rod', { 'smallEnd.width': 25 }, { located: end }), made('piston', { bossGap: 25 + play })],
    { rules },
  );
const pinned = (fixing: 'pressed' | 'floating', over: number, size: number, rules: HouseRules) =>
  judged(
    'pinInRod',
    'pinInRod',
    [
      made('rod', { 'smallEnd.bore': size + over }, { pinFixing: fixing, smallEndForm: 'plain' }),
      made('pin', { diameter: size }),
    ],
    { rules },
  );
const bossesOver = (over: number, rules: HouseRules) =>
  finding(
    'smallEnds',
    'pinSize',
    [
      made(
        'rod',
        { 'smallEnd.bore': 24 + over, 'smallEnd.housing': 28 },
        { pinFixing: 'floating', smallEndForm: 'bush' },
      ),
      made('piston', { 'pin.diameter': 24 }),
    ],
    {
      rules,
    },
  );
const sizeAfter = (work: ReturnType<typeof finding>['work'], step: string, id: string): Interval =>
  work.find(({ steps }) => steps.some((each) => each === step))?.parts[0]?.values[id]?.interval ?? interval(0);
/** The size to which something is finished, against an expected one. */
const reaches = (size: number, expected: number): string => (size >= expected - 1e-9 ? 'as much' : 'less');
const among = (kind: 'rod', size: string) => (by: number, rules: HouseRules) =>
  judged(
    'rodAmongOthers',
    size === 'length' ? 'sameLength' : size === 'bigEnd.bore' ? 'sameBigEnd' : 'sameSmallEnd',
    [made(kind, { [size]: 100 + by })],
    {
      replaced: [made(kind, { [size]: 100 })],
      rules,
    },
  );

describe('figures of thumb of rods and pins', () => {
  describeBoundaries(rods, [
    boundary(rods.bent, onSheet('rod.bend'), [0.049, 'fits'], [0.051, 'doesNotFit']),
    boundary(rods.twisted, onSheet('rod.twist'), [0.099, 'fits'], [0.101, 'doesNotFit']),
    boundary(
      rods.sideInShells,
      side({ located: 'bigEnd', capSplit: 'machined' }),
      [0.0485, 'fitsWithWork, narrowRod'],
      [0.0515, 'cannotTell, narrowRod'],
      [0.1455, 'cannotTell, narrowRod'],
      [0.1545, 'fits'],
      [0.291, 'fits'],
      [0.309, 'cannotTell'],
      [0.485, 'cannotTell'],
      [0.515, 'doesNotFit'],
    ),
    boundary(
      rods.sideOnNeedles,
      side({ located: 'bigEnd', capSplit: 'onePiece' }),
      [0.097, 'fitsWithWork, narrowRod'],
      [0.103, 'cannotTell, narrowRod'],
      [0.2425, 'cannotTell, narrowRod'],
      [0.2575, 'fits'],
      [0.4365, 'fits'],
      [0.4635, 'cannotTell'],
      [0.776, 'cannotTell'],
      [0.824, 'doesNotFit'],
    ),
    boundary(
      rods.sideFree,
      side({ located: 'smallEnd', capSplit: 'machined' }),
      [0.97, 'fitsWithWork, narrowRod'],
      [1.03, 'cannotTell, narrowRod'],
      [1.843, 'cannotTell, narrowRod'],
      [1.957, 'fits'],
      [2.037, 'fits'],
      [2.163, 'cannotTell'],
      [3.104, 'cannotTell'],
      [3.296, 'doesNotFit'],
    ),
    boundary(
      rods.sideWithin,
      (tolerance, rules) => {
        const { work } = finding(
          'bigEnds',
          'sideClearance',
          [
            made('crank', { 'crankpin.width': 30 }, { rodsPerPin: '1' }),
            made('rod', { 'bigEnd.width': 30 }, { located: 'bigEnd', capSplit: 'machined' }),
          ],
          { rules },
        );
        return reaches(width(sizeAfter(work, 'narrowRod', 'rod.bigEnd.width')) / 2, tolerance);
      },
      [0.0144, 'as much'],
      [0.0156, 'less'],
    ),
    boundary(rods.filletPlain, fillet('none', '1'), [1.746, 'fits'], [1.854, 'doesNotFit']),
    // Alone on its pin a rod meets a fillet on either side; of two side by side each meets one.
    boundary(rods.filletPlain, fillet('oneSide', '1'), [1.746, 'fits'], [1.854, 'doesNotFit']),
    boundary(rods.filletChamfered, fillet('oneSide', '2'), [4.85, 'fits'], [5.15, 'doesNotFit']),
    boundary(rods.filletChamfered, fillet('bothSides', '1'), [4.85, 'fits'], [5.15, 'doesNotFit']),
    boundary(rods.locates, (play, rules) => located(play, 3, rules).verdict, [0.679, 'fits'], [0.721, 'cannotTell']),
    boundary(rods.free, (play, rules) => located(0.2, play, rules).verdict, [0.776, 'cannotTell'], [0.824, 'fits']),
    boundary(
      rods.freeAim,
      (aim, rules) =>
        reaches(
          25.1 - sizeAfter(located(0.1, 0.1, rules).work, 'narrowSmallEnd', 'rod.smallEnd.width').low - 0.02,
          aim,
        ),
      [1.94, 'as much'],
      [2.06, 'less'],
    ),
    boundary(
      rods.gapLocated,
      (play, rules) => bosses('smallEnd', play, rules).verdict,
      [0.1455, 'fitsWithWork'],
      [0.1545, 'fits'],
      [0.582, 'fits'],
      [0.618, 'doesNotFit'],
    ),
    boundary(
      rods.gapFree,
      (play, rules) => bosses('bigEnd', play, rules).verdict,
      [0.873, 'fitsWithWork'],
      [0.927, 'fits'],
    ),
    boundary(
      rods.gapSpare,
      (spare, rules) =>
        reaches(
          25.5 - sizeAfter(bosses('bigEnd', 0.5, rules).work, 'narrowSmallEnd', 'rod.smallEnd.width').high - 0.9 + 0.02,
          spare,
        ),
      [0.291, 'as much'],
      [0.309, 'less'],
    ),
    boundary(
      rods.smallEndWithin,
      (tolerance, rules) =>
        reaches(
          width(sizeAfter(bosses('bigEnd', 0.5, rules).work, 'narrowSmallEnd', 'rod.smallEnd.width')) / 2,
          tolerance,
        ),
      [0.0194, 'as much'],
      [0.0206, 'less'],
    ),
    boundary(
      rods.narrowed,
      (by, rules) => done(narrowRod(made('rod', { 'bigEnd.width': 30 }), interval(30 - by), rules)),
      [2.425, 'done'],
      [2.575, 'refused'],
    ),
    boundary(
      rods.resized,
      (by, rules) =>
        done(resizeBigEnd(made('rod', { 'bigEnd.bore': 50 }, { capSplit: 'machined' }), interval(50 + by), rules)),
      [0.0776, 'done'],
      [0.0824, 'refused'],
    ),
    boundary(
      rods.bush,
      (wall, rules) =>
        done(
          bushSmallEnd(
            made('rod', { 'smallEnd.bore': 24, 'smallEnd.housing': 30 }, { smallEndForm: 'bush' }),
            interval(30 - 2 * wall),
            rules,
          ),
        ),
      [0.97, 'refused'],
      [1.03, 'done'],
      [2.91, 'done'],
      [3.09, 'refused'],
    ),
    boundary(
      rods.bushMeat,
      (meat, rules) =>
        // A plain eye of 24 mm, opened by the meat, takes a bush of one millimetre round a pin of two less.
        done(
          bushSmallEnd(made('rod', { 'smallEnd.bore': 24 }, { smallEndForm: 'plain' }), interval(24 + meat - 2), rules),
        ),
      [2.91, 'done'],
      [3.09, 'refused'],
    ),
    boundary(
      rods.opened,
      (by, rules) => done(openSmallEnd(made('rod', { 'smallEnd.bore': 24 }), interval(24 + by), rules)),
      [0.97, 'done'],
      [1.03, 'refused'],
    ),
    // Of a pin of next to nothing only the first figure counts; of one of 25 mm the share comes to it.
    boundary(
      rods.pinPress,
      (press, rules) => pinned('pressed', -press, 0.001, rules),
      [0.0074, 'doesNotFit'],
      [0.0086, 'fits'],
      [0.0144, 'fits'],
      [0.0156, 'doesNotFit'],
    ),
    boundary(
      rods.pinPressShare,
      (share, rules) => pinned('pressed', -0.015 - share * 25, 25, rules),
      [0.001552, 'fits'],
      [0.001648, 'doesNotFit'],
    ),
    boundary(
      rods.pinFloat,
      (play, rules) => pinned('floating', play, 0.001, rules),
      [0.0028, 'fitsWithWork, bushSmallEnd'],
      [0.0032, 'fits'],
      [0.0114, 'fits'],
      [0.0126, 'fitsWithWork, bushSmallEnd'],
    ),
    boundary(
      rods.pinFloatShare,
      (share, rules) => pinned('floating', 0.012 + share * 25, 25, rules),
      [0.000873, 'fits'],
      [0.000927, 'fitsWithWork, bushSmallEnd'],
    ),
    boundary(
      rods.pinReamed,
      (over, rules) =>
        reaches(
          sizeAfter(bossesOver(-0.5, rules).work, 'bushSmallEnd', 'rod.smallEnd.bore').low + 0.004 - 24 - 0.0004 * 24,
          over,
        ),
      [0.0034, 'as much'],
      [0.0046, 'less'],
    ),
    boundary(
      rods.pinReamedShare,
      (share, rules) =>
        reaches(
          (sizeAfter(bossesOver(-0.5, rules).work, 'bushSmallEnd', 'rod.smallEnd.bore').low + 0.004 - 24 - 0.004) / 24,
          share,
        ),
      [0.000388, 'as much'],
      [0.000412, 'less'],
    ),
    boundary(
      rods.pinReamedWithin,
      (tolerance, rules) =>
        reaches(width(sizeAfter(bossesOver(-0.5, rules).work, 'bushSmallEnd', 'rod.smallEnd.bore')) / 2, tolerance),
      [0.0034, 'as much'],
      [0.0046, 'less'],
    ),
    boundary(
      rods.pinInBosses,
      (over, rules) =>
        judged(
          'pinInPiston',
          'pinInBosses',
          [made('piston', { 'pin.diameter': 24 + over }), made('pin', { diameter: 24 })],
          { rules },
        ),
      [0.0008, 'fitsWithWork, openPinBore'],
      [0.00095, 'fits'],
      [0.02134, 'fits'],
      [0.02266, 'doesNotFit'],
    ),
    boundary(
      rods.pinBoreWithin,
      (tolerance, rules) => {
        const { work } = finding(
          'pinInPiston',
          'pinInBosses',
          [made('piston', { 'pin.diameter': 23.995 }), made('pin', { diameter: 24 })],
          { rules },
        );
        return reaches(width(sizeAfter(work, 'openPinBore', 'piston.pin.diameter')) / 2, tolerance);
      },
      [0.0029, 'as much'],
      [0.0031, 'less'],
    ),
    boundary(
      rods.pinBoreOpened,
      (by, rules) => done(openPinBore(made('piston', { 'pin.diameter': 24 }), interval(24 + by), rules)),
      [0.0291, 'done'],
      [0.0309, 'refused'],
    ),
    boundary(
      rods.smallEndOverBosses,
      (over, rules) => bossesOver(over, rules).verdict,
      [-0.08755, 'fitsWithWork'],
      [-0.08245, 'fits'],
      [0.05335, 'fits'],
      [0.05665, 'fitsWithWork'],
    ),
    boundary(
      rods.pinSleeved,
      (over, rules) =>
        bossesOver(over, rules).work.some(({ steps }) => steps.includes('sleevePin')) ? 'sleeved' : 'not sleeved',
      [1.94, 'not sleeved'],
      [2.06, 'sleeved'],
      [5.82, 'sleeved'],
      [6.18, 'not sleeved'],
    ),
    boundary(
      rods.pinEnds,
      (room, rules) =>
        judged('pinInPiston', 'pinLength', [made('piston', { bore: 80 + room }), made('pin', { length: 80 })], {
          rules,
        }),
      [0.97, 'doesNotFit'],
      [1.03, 'fits'],
    ),
    boundary(
      rods.sameLength,
      among('rod', 'length'),
      [-0.206, 'doesNotFit'],
      [-0.194, 'fits'],
      [0.194, 'fits'],
      [0.206, 'doesNotFit'],
    ),
    boundary(
      rods.sameBigEnd,
      among('rod', 'bigEnd.bore'),
      [-0.0515, 'doesNotFit'],
      [-0.0485, 'fits'],
      [0.0485, 'fits'],
      [0.0515, 'doesNotFit'],
    ),
    boundary(
      rods.sameSmallEnd,
      among('rod', 'smallEnd.bore'),
      [-0.0515, 'doesNotFit'],
      [-0.0485, 'fits'],
      [0.0485, 'fits'],
      [0.0515, 'doesNotFit'],
    ),
    // Four grams are allowed by the usual house rule.
    boundary(
      rods.castings,
      (by, rules) =>
        judged('rodAmongOthers', 'rodWeight', [made('rod', { mass: 604 + by })], {
          replaced: [made('rod', { mass: 600 })],
          rules,
        }),
      [11.64, 'fits'],
      [12.36, 'doesNotFit'],
    ),
  ]);
});

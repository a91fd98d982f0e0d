import { boundary, describeBoundaries } from '../testing/boundary';
import { finding, judged, made, misshapen } from '../testing/made';
import { onSheet } from '../testing/onSheet';
import { boreCylinders, honeCylinders, plateCylinders, sleeveCylinders } from '../joints/operations/cylinders';
import { widenGroove } from '../joints/operations/pistons';
import { piston as pistonKind } from '../dictionary/kinds/piston';
import type { Worked } from '../joints/operations/operation';
import { interval, width } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { cleansUp } from '../testing/cleansUp';
import { cylinders } from './cylinders';

// Common practice, no source: what comes out just inside and just outside each end.

const done = (worked: Worked): string => ('part' in worked ? 'done' : 'refused');
const reaches = (size: number, expected: number): string => (size >= expected - 1e-9 ? 'as much' : 'less');
const BORE = 100;
const skirt =
  (looks: Readonly<Record<string, string>>, boreSurface = 'iron') =>
  (share: number, rules: HouseRules) =>
    finding(
      'pistonInBlock',
      'skirtClearance',
      [
        made('block', { bore: BORE, wall: 20 }, { cylinderWall: 'parent', boreSurface }),
        made('piston', { 'skirt.diameter': BORE - share * BORE }, looks),
      ],
      { rules },
    ).verdict;
/** A cylinder that lacks form in one way, by so much. */
const shaped = (lack: string) => (by: number, rules: HouseRules) =>
  judged(
    'pistonInBlock',
    'cylinderRound',
    [
      misshapen(made('block', { bore: BORE, wall: 20 }, { boreSurface: 'iron' }), 'block.bore', { [lack]: by }),
      made('piston'),
    ],
    { rules },
  );
const fourStroke = { rings: '3', compressionRings: '2', crown: 'flat', material: 'cast' };
const cast = { ...fourStroke };
/** Cylinders of a cast piston that want `by` of diameter taken out: its clearance is fixed by specification. */
const tight = (by: number, wall: number, rules: HouseRules) =>
  finding(
    'pistonInBlock',
    'skirtClearance',
    [
      made('block', { bore: BORE, wall }, { cylinderWall: 'parent', boreSurface: 'iron' }),
      made('piston', { 'skirt.diameter': BORE - 0.05 + by, 'skirt.clearance': [0.04, 0.06] }, cast),
    ],
    { rules },
  );
const seat = (check: string, hole: string, outside: string) => (play: number, rules: HouseRules) =>
  judged('liners', check, [made('block', { [hole]: 110 + play }), made('liner', { [outside]: 110 })], { rules });
const proud = (by: number, rules: HouseRules) =>
  judged(
    'liners',
    'protrusion',
    [made('block', { 'liner.counterbore': 10 }), made('liner', { 'flange.height': 10 + by })],
    { rules },
  );
const among = (check: string, size: string) => (by: number, rules: HouseRules) =>
  judged('pistonAmongOthers', check, [made('piston', { [size]: 50 + by })], {
    replaced: [made('piston', { [size]: 50 })],
    rules,
  });
const groove = (play: number, rules: HouseRules) =>
  finding(
    'ringsOnPiston',
    'topGroove',
    [made('piston', { 'ring.top': 2 + play }), made('rings', { 'top.height': 2 }, { oilForm: 'none' })],
    { rules },
  );
const gap = (share: number, rules: HouseRules, crown?: string) =>
  finding(
    'ringsInBlock',
    'endGap',
    [
      made('block', { bore: BORE }),
      made('rings', { bore: BORE, 'top.gap': share * BORE }),
      ...(crown === undefined ? [] : [made('piston', {}, { crown })]),
    ],
    { rules },
  );
const seated = (by: number, rules: HouseRules) => {
  const other = made('liner', { bore: BORE, 'outside.upper': 110 + by, 'outside.lower': 108, 'flange.height': 10 });
  const { work } = finding(
    'pistonInLiner',
    'skirtClearance',
    [
      made('liner', { bore: BORE - 0.2, 'outside.upper': 110, 'outside.lower': 108, 'flange.height': 10 }),
      made('piston', { 'skirt.diameter': BORE - 0.05, 'skirt.clearance': [0.04, 0.06] }, cast),
    ],
    { stock: { liner: [other] }, rules },
  );
  return work.some(({ steps }) => steps.includes('fitLiners')) ? 'goes in its place' : 'another liner';
};
const sleeved = (worked: Worked) =>
  ('part' in worked ? worked.part.values['block.wall']?.interval.low : undefined) ?? 0;

describe('figures of thumb of cylinders', () => {
  describeBoundaries(cylinders, [
    boundary(
      cylinders.cleanedUp,
      cleansUp(
        'block.bore',
        'lumen-block-4b',
        { low: '78.00', high: '78.02', service: ['0.25', '0.50'] },
        (left) => 78.27 - left,
      ),
      [0.0485, 'step 2'],
      [0.0515, 'step 1'],
    ),
    boundary(cylinders.outOfRound, shaped('outOfRound'), [0.0485, 'fits'], [0.0515, 'doesNotFit']),
    boundary(cylinders.taper, shaped('taper'), [0.0776, 'fits'], [0.0824, 'doesNotFit']),
    boundary(
      cylinders.skirtTwoStroke,
      skirt({ ...fourStroke, rings: '2' }),
      [0.000776, 'fitsWithWork'],
      [0.000824, 'cannotTell'],
      [0.001164, 'cannotTell'],
      [0.001236, 'fits'],
      [0.00194, 'fits'],
      [0.00206, 'cannotTell'],
      [0.00291, 'cannotTell'],
      [0.00309, 'fitsWithWork'],
    ),
    boundary(
      cylinders.skirtPlated,
      skirt({ ...fourStroke, rings: '2' }, 'plated'),
      [0.000388, 'fitsWithWork'],
      [0.000412, 'cannotTell'],
      [0.000582, 'cannotTell'],
      [0.000618, 'fits'],
      [0.001164, 'fits'],
      [0.001236, 'cannotTell'],
      [0.00194, 'cannotTell'],
      [0.00206, 'fitsWithWork'],
    ),
    boundary(
      cylinders.plated,
      (by, rules) =>
        done(plateCylinders(made('block', { bore: BORE }, { boreSurface: 'plated' }), interval(BORE - by), rules)),
      [0.291, 'done'],
      [0.309, 'refused'],
    ),
    boundary(
      cylinders.skirtDiesel,
      skirt({ ...fourStroke, crown: 'bowl' }),
      [0.000485, 'fitsWithWork'],
      [0.000515, 'cannotTell'],
      [0.001028, 'cannotTell'],
      [0.001092, 'fits'],
      [0.001397, 'fits'],
      [0.001483, 'cannotTell'],
      [0.00194, 'cannotTell'],
      [0.00206, 'fitsWithWork'],
    ),
    boundary(
      cylinders.skirtForged,
      skirt({ ...fourStroke, material: 'forged' }),
      [0.000291, 'fitsWithWork'],
      [0.000309, 'cannotTell'],
      [0.000679, 'cannotTell'],
      [0.000721, 'fits'],
      [0.001164, 'fits'],
      [0.001236, 'cannotTell'],
      [0.00194, 'cannotTell'],
      [0.00206, 'fitsWithWork'],
    ),
    boundary(
      cylinders.skirtCast,
      skirt(cast),
      [0.0000485, 'fitsWithWork'],
      [0.0000515, 'cannotTell'],
      [0.0003395, 'cannotTell'],
      [0.0003605, 'fits'],
      [0.000679, 'fits'],
      [0.000721, 'cannotTell'],
      [0.001261, 'cannotTell'],
      [0.001339, 'fitsWithWork'],
    ),
    boundary(
      cylinders.finishedWithin,
      (tolerance, rules) => reaches(width(tight(0.2, 10, rules).work[0]?.found ?? interval(0)) / 2, tolerance),
      [0.0054, 'as much'],
      [0.0066, 'less'],
    ),
    boundary(
      cylinders.honed,
      (by, rules) =>
        `${done(honeCylinders(made('block', { bore: BORE }), by, rules))}, ${tight(by, 10, rules).work[0]?.steps.join(' and ') ?? 'nothing'}`,
      [0.0485, 'done, hone'],
      [0.0515, 'refused, bore and hone'],
    ),
    boundary(
      cylinders.bored,
      (by, rules) => {
        const worked = boreCylinders(made('block', { bore: BORE }), interval(BORE + by), rules);
        return 'unknown' in worked ? 'measure the wall' : 'refused';
      },
      [3.104, 'measure the wall'],
      [3.296, 'refused'],
    ),
    boundary(
      cylinders.wall,
      (wall, rules) => done(boreCylinders(made('block', { bore: BORE, wall: wall + 0.5 }), interval(BORE + 1), rules)),
      [3.104, 'refused'],
      [3.296, 'done'],
    ),
    boundary(
      cylinders.linerWall,
      (wall, rules) => done(boreCylinders(made('liner', { bore: BORE, wall: wall + 0.5 }), interval(BORE + 1), rules)),
      [1.94, 'refused'],
      [2.06, 'done'],
    ),
    boundary(
      cylinders.sleeveWall,
      (wall, rules) =>
        reaches(
          10 - sleeved(sleeveCylinders(made('block', { bore: BORE, wall: 10 }), interval(BORE), rules)) - 0.005,
          wall,
        ),
      [2.328, 'as much'],
      [2.472, 'less'],
    ),
    boundary(
      cylinders.sleeveThickest,
      (wall, rules) =>
        tight(-2 * wall, 20, rules).work.some(({ steps }) => steps.includes('sleeve')) ? 'sleeved' : 'not sleeved',
      [3.88, 'sleeved'],
      [4.12, 'not sleeved'],
    ),
    boundary(cylinders.sitsAlike, seated, [0.0194, 'goes in its place'], [0.0206, 'another liner']),
    boundary(
      cylinders.linerSeat,
      seat('lowerSeat', 'liner.lowerSeat', 'outside.lower'),
      [0.0194, 'doesNotFit'],
      [0.0206, 'fits'],
      [0.1358, 'fits'],
      [0.1442, 'doesNotFit'],
    ),
    boundary(
      cylinders.linerSeatBored,
      (by, rules) =>
        judged(
          'liners',
          'upperSeat',
          [made('block', { 'liner.seat': 110.08 - by }), made('liner', { 'outside.upper': 110 })],
          { rules },
        ),
      [0.776, 'fitsWithWork, cutCounterbore'],
      [0.824, 'doesNotFit'],
    ),
    boundary(
      cylinders.linerSeatWithin,
      (tolerance, rules) => {
        const { work } = finding(
          'liners',
          'upperSeat',
          [made('block', { 'liner.seat': 109.9 }), made('liner', { 'outside.upper': 110 })],
          { rules },
        );
        return reaches(width(work[0]?.parts[0]?.values['block.liner.seat']?.interval ?? interval(0)) / 2, tolerance);
      },
      [0.0144, 'as much'],
      [0.0156, 'less'],
    ),
    boundary(
      cylinders.linerProud,
      proud,
      [0.0094, 'fitsWithWork, shimLiners'],
      [0.0106, 'cannotTell, shimLiners'],
      [0.0485, 'cannotTell, shimLiners'],
      [0.0515, 'fits'],
      [0.1164, 'fits'],
      [0.1236, 'cannotTell'],
      [0.1746, 'cannotTell'],
      [0.1854, 'doesNotFit'],
    ),
    boundary(
      cylinders.linerShimmed,
      (lacking, rules) => proud(0.085 - lacking, rules),
      [0.388, 'fitsWithWork, shimLiners'],
      [0.412, 'doesNotFit'],
    ),
    boundary(
      cylinders.groovePlay,
      (play, rules) => groove(play, rules).verdict,
      [0.0114, 'fitsWithWork'],
      [0.0126, 'cannotTell'],
      [0.0291, 'cannotTell'],
      [0.0309, 'fits'],
      [0.0776, 'fits'],
      [0.0824, 'cannotTell'],
      [0.1164, 'cannotTell'],
      [0.1236, 'doesNotFit'],
    ),
    boundary(
      cylinders.grooveWidened,
      (by, rules) =>
        done(
          widenGroove(made('piston', { 'ring.top': 2 }), pistonKind.parameters['ring.top'], interval(2 + by), rules),
        ),
      [0.679, 'done'],
      [0.721, 'refused'],
    ),
    boundary(
      cylinders.grooveWithin,
      (tolerance, rules) =>
        reaches(
          width(groove(-0.2, rules).work[0]?.parts[0]?.values['piston.ring.top']?.interval ?? interval(0)) / 2,
          tolerance,
        ),
      [0.0044, 'as much'],
      [0.0056, 'less'],
    ),
    boundary(
      cylinders.endGap,
      (share, rules) => gap(share, rules, 'flat').verdict,
      [0.00194, 'fitsWithWork'],
      [0.00206, 'cannotTell'],
      [0.0034, 'cannotTell'],
      [0.0036, 'fits'],
      [0.0044, 'fits'],
      [0.0046, 'cannotTell'],
      [0.008245, 'cannotTell'],
      [0.008755, 'doesNotFit'],
    ),
    boundary(
      cylinders.endGapHot,
      (share, rules) => gap(share, rules, 'bowl').verdict,
      [0.00243, 'fitsWithWork'],
      [0.00257, 'cannotTell'],
      [0.00485, 'cannotTell'],
      [0.00515, 'fits'],
      [0.00582, 'fits'],
      [0.00618, 'cannotTell'],
      [0.008245, 'cannotTell'],
      [0.008755, 'doesNotFit'],
    ),
    boundary(
      cylinders.secondGap,
      // Of a bore of 100.
      (share, rules) => onSheet('rings.second.fitted', { bore: 100 })(share * 100, rules),
      [0.0044, 'doesNotFit'],
      [0.0046, 'fits'],
      [0.0059, 'fits'],
      [0.0061, 'doesNotFit'],
    ),
    boundary(
      cylinders.oilGap,
      (share, rules) => onSheet('rings.oil.fitted', { bore: 100 })(share * 100, rules),
      [0.0024, 'doesNotFit'],
      [0.0026, 'fits'],
      [0.0199, 'fits'],
      [0.0201, 'doesNotFit'],
    ),
    boundary(
      cylinders.endGapEither,
      (share, rules) => gap(share, rules).verdict,
      [0.00194, 'fitsWithWork'],
      [0.00206, 'cannotTell'],
      [0.0034, 'cannotTell'],
      [0.0036, 'fits'],
      [0.00582, 'fits'],
      [0.00618, 'cannotTell'],
      [0.008245, 'cannotTell'],
      [0.008755, 'doesNotFit'],
    ),
    boundary(
      cylinders.endGapFiled,
      (lacking, rules) => gap(-lacking / BORE, rules).verdict,
      [1.94, 'fitsWithWork'],
      [2.06, 'doesNotFit'],
    ),
    boundary(
      cylinders.sameRatio,
      (by, rules) =>
        judged('pistonAmongOthers', 'sameRatio', [made('piston', { ratio: 9 + by })], {
          replaced: [made('piston', { ratio: 9 })],
          rules,
        }),
      [-0.1236, 'doesNotFit'],
      [-0.1164, 'fits'],
      [0.1164, 'fits'],
      [0.1236, 'doesNotFit'],
    ),
    boundary(
      cylinders.sameHeight,
      among('sameHeight', 'compressionHeight'),
      [-0.2575, 'doesNotFit'],
      [-0.2425, 'fits'],
      [0.2425, 'fits'],
      [0.2575, 'doesNotFit'],
    ),
    boundary(
      cylinders.sameBore,
      among('sameBore', 'bore'),
      [-0.1236, 'doesNotFit'],
      [-0.1164, 'fits'],
      [0.1164, 'fits'],
      [0.1236, 'doesNotFit'],
    ),
    boundary(
      cylinders.samePin,
      among('samePin', 'pin.diameter'),
      [-0.0309, 'doesNotFit'],
      [-0.0291, 'fits'],
      [0.0291, 'fits'],
      [0.0309, 'doesNotFit'],
    ),
  ]);
});

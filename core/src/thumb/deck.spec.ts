import { FIGURES } from '../build/figures/index';
import { engineOf } from '../build/ground';
import { buildSheetOf } from '../build/sheet';
import { boundary, describeBoundaries } from '../testing/boundary';
import { BUILD_LOOKUP, demoEngine } from '../testing/demo';
import { finding, judged, made } from '../testing/made';
import { onSheet } from '../testing/onSheet';
import { deckBlock, millHead } from '../joints/operations/faces';
import { cutPockets, machineCrown } from '../joints/operations/pistons';
import type { Worked } from '../joints/operations/operation';
import type { Part } from '../catalogue/part';
import { interval, middle, type Interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import type { HouseRules } from '../shop/houseRules';
import { deck } from './deck';

// Common practice, no source: what comes out just inside and just outside each end.

const done = (worked: Worked): string => ('part' in worked ? 'done' : 'refused');
const reaches = (size: number, expected: number): string => (size >= expected - 1e-9 ? 'as much' : 'less');
/** Deck 230, stroke 80, rod 140, piston 50: the crown flush with the deck, lowered by `below`. */
const stack = (below: number, more: Readonly<Record<string, number>> = {}): readonly Part[] => [
  made('block', { deckHeight: 230 + below, 'deckHeight.least': 220, bore: 100, ...more }),
  made('crank', { stroke: 80 }),
  made('rod', { length: 140 }),
  made('piston', { compressionHeight: 50, 'crown.volume': 10, 'valvePocket.depth': 1 }, { valvePockets: '2' }),
];
/** What the sheet of a made-up 357 says of a ratio on a fuel that is named. */
const onFuel = (fuel: string) => (ratio: number, rules: HouseRules) => {
  const { build } = demoEngine('sluice-357', {
    'block.bore': 100,
    'block.deckHeight': 230,
    'crank.stroke': 90,
    'rod.length': 145,
    'piston.compressionHeight': 39.5,
    'piston.crown.volume': 5,
    'headGasket.thickness': 1,
    'headGasket.bore': 102,
  });
  const sheet = (chamber: number) =>
    buildSheetOf(
      engineOf(
        {
          ...build,
          sizes: [...build.sizes, { of: 'head.chamber.volume', value: chamber, unit: 'cc' }],
          looks: [{ of: 'running.fuel', option: fuel }],
        },
        { ...BUILD_LOOKUP, context: { ...BUILD_LOOKUP.context, rules } },
      ),
      FIGURES.filter(({ id }) => id === 'ratio' || id === 'swept' || id === 'clearance'),
    ).figures;
  const of = (id: string) => sheet(0).find(({ figure }) => figure.id === id)?.value ?? 0;
  // The chamber makes up what the ratio wants over what gasket, deck and crown leave.
  return sheet(of('swept') / (ratio - 1) - of('clearance')).find(({ figure }) => figure.id === 'ratio')?.verdict ?? '';
};

/** Bolts of 12 mm in holes with so much play. */
const bolts = (play: number, rules: HouseRules) =>
  judged(
    'headOnBlock',
    'boltSize',
    [made('block', { 'headBolt.diameter': 12 }), made('head', { 'boltHole.diameter': 12 + play })],
    { rules },
  );
const crown = (below: number, rules: HouseRules) => finding('deck', 'deckClearance', stack(below), { rules });
const squish = (room: number, rules: HouseRules) =>
  finding('squish', 'squish', [...stack(room - 1), made('headGasket', { thickness: 1 })], { rules });
const isThicker = (work: ReturnType<typeof finding>['work']): string =>
  work.some(({ steps }) => steps.includes('thickGasket')) ? 'thicker gasket' : 'no gasket';
/** Bore and stroke of 100 and 80 sweep 628.3 cc: a chamber that gives the ratio, under a gasket of no thickness. */
const making = (to: number, plug = 'taper', injection = 'none') => [
  ...stack(0),
  made('headGasket', { thickness: 0, bore: 102 }),
  made(
    'head',
    { 'chamber.volume': 628.3185 / (to - 1) - 10, height: 100, 'height.least': 100 },
    { plug, injection, chamberForm: 'wedge' },
  ),
];
const ratio = (plug: string, injection?: string) => (to: number, rules: HouseRules) =>
  judged('compression', 'ratio', making(to, plug, injection), { rules });
const height = ({ part }: { readonly part: Part }, id: string): Interval =>
  part.values[id]?.interval ?? { low: 0, high: 0 };
const chamberOff = (by: number, rules: HouseRules): number => {
  const worked = millHead(
    made('head', { height: 100, 'height.least': 90, 'chamber.volume': 60 }, { chamberForm: 'wedge' }),
    by,
    100,
    rules,
  );
  return 'part' in worked ? 60 - middle(height(worked, 'head.chamber.volume')) : 0;
};
const valves = (room: number, rules: HouseRules, check = 'valveRoom', lift = 'lift.overlap') =>
  finding(
    'valveToPiston',
    check,
    [
      ...stack(0),
      made('headGasket', { thickness: 1 }),
      made('head', { 'valve.recess': 1, 'valve.intake': 40, 'valve.exhaust': 35 }, { valves: '2' }),
      made('cam', { [lift]: 3 - room }),
    ],
    { rules },
  );
const pocket = (piston: Part, deeper: number, rules: HouseRules) =>
  cutPockets(piston, { count: '2', deeper, valve: 40 }, rules);
/** Crown volume that two pockets take, cc: discs of 40 mm. */
const taken = (worked: Worked): number => ('part' in worked ? middle(height(worked, 'piston.crown.volume')) - 10 : 0);
const DISC = (Math.PI / 4) * 40 ** 2;

describe('figures of thumb of deck and head', () => {
  describeBoundaries(deck, [
    boundary(deck.flat, onSheet('head.face.flatness'), [0.079, 'fits'], [0.081, 'doesNotFit']),
    boundary(
      deck.boltPlay,
      bolts,
      [0.291, 'fitsWithWork, openBoltHoles'],
      [0.309, 'fits'],
      [1.94, 'fits'],
      [2.06, 'fitsWithWork, largerStuds'],
    ),
    // From the middle of what is wanted, 1.15.
    boundary(
      deck.largerStuds,
      (by, rules) => bolts(1.15 + by, rules),
      [2.425, 'fitsWithWork, largerStuds'],
      [2.575, 'doesNotFit'],
    ),
    boundary(
      deck.boltHolesOpened,
      (by, rules) => bolts(1.15 - by, rules),
      [2.425, 'fitsWithWork, openBoltHoles'],
      [2.575, 'doesNotFit'],
    ),
    boundary(
      deck.crown,
      (below, rules) => crown(below, rules).verdict,
      [-0.927, 'fitsWithWork'],
      [-0.873, 'fits'],
      [1.94, 'fits'],
      [2.06, 'fitsWithWork'],
    ),
    boundary(
      deck.crownInside,
      (inside, rules) => {
        const { work } = crown(-1, rules);
        const lower = work.find(({ steps }) => steps.includes('machineCrown'))?.parts[0];
        // 0.1 mm comes off to reach the limit, and as much again as it is brought inside.
        return reaches(
          50 - middle(lower?.values['piston.compressionHeight']?.interval ?? { low: 50, high: 50 }) - 0.1,
          inside,
        );
      },
      [0.097, 'as much'],
      [0.103, 'less'],
    ),
    boundary(deck.squish, (room, rules) => squish(room, rules).verdict, [0.873, 'fitsWithWork'], [0.927, 'fits']),
    boundary(
      deck.ratioPetrol,
      ratio('taper'),
      [5.335, 'doesNotFit'],
      [5.665, 'fits'],
      [11.25, 'fits'],
      [11.95, 'doesNotFit'],
    ),
    boundary(
      deck.ratioDirect,
      ratio('taper', 'present'),
      [6.79, 'doesNotFit'],
      [7.21, 'fits'],
      [12.61, 'fits'],
      [13.39, 'doesNotFit'],
    ),
    boundary(
      deck.ratioRated,
      (over, rules) => {
        const rated = { engine: 'made engine', ratio: interval(9) };
        const { because } = finding('compression', 'ratio', making(9 + over), { rules, rated });
        return /this is (more|less)/.exec(say(because, 'metric'))?.[1] ?? 'as rated';
      },
      [-0.515, 'less'],
      [-0.485, 'as rated'],
      [0.485, 'as rated'],
      [0.515, 'more'],
    ),
    boundary(
      deck.ratioDiesel,
      ratio('injector'),
      [13.1, 'doesNotFit'],
      [13.9, 'fits'],
      [21.34, 'fits'],
      [22.66, 'doesNotFit'],
    ),
    boundary(
      deck.ratioOrdinary,
      onFuel('ordinary'),
      [5.4, 'doesNotFit'],
      [5.6, 'fits'],
      [9.3, 'fits'],
      [9.7, 'doesNotFit'],
    ),
    boundary(
      deck.ratioRacing,
      onFuel('racing'),
      [7.85, 'doesNotFit'],
      [8.15, 'fits'],
      [14.7, 'fits'],
      [15.3, 'doesNotFit'],
    ),
    boundary(
      deck.ratioGas,
      onFuel('gas'),
      [7.85, 'doesNotFit'],
      [8.15, 'fits'],
      [12.75, 'fits'],
      [13.25, 'doesNotFit'],
    ),
    boundary(
      deck.gasketThicker,
      (lacking, rules) =>
        `${isThicker(squish(0.9 - lacking, rules).work)}, ${isThicker(valves(2 - lacking, rules).work)}`,
      [0.776, 'thicker gasket, thicker gasket'],
      [0.824, 'no gasket, no gasket'],
    ),
    boundary(
      deck.decked,
      (by, rules) => done(deckBlock(made('block', { deckHeight: 230, 'deckHeight.least': 220 }), by, rules)),
      [0.776, 'done'],
      [0.824, 'refused'],
    ),
    boundary(
      deck.milled,
      (by, rules) => {
        const head = made(
          'head',
          { 'chamber.volume': 130.5, height: 100, 'height.least': 90 },
          { plug: 'taper', injection: 'none', chamberForm: 'wedge' },
        );
        const { work } = finding(
          'compression',
          'ratio',
          [...stack(0), made('headGasket', { thickness: 0, bore: 102 }), head],
          { rules },
        );
        return reaches(100 - middle(work[0]?.parts[0]?.values['head.height']?.interval ?? { low: 100, high: 100 }), by);
      },
      [0.2425, 'as much'],
      [0.2575, 'less'],
    ),
    // A disc of 100 mm by half a millimetre is 3.927 cc.
    boundary(
      deck.chamberShare,
      (share, rules) => reaches(chamberOff(0.5, rules) / 3.926991, share),
      [0.776, 'as much'],
      [0.824, 'less'],
    ),
    boundary(
      deck.chamberServes,
      (share, rules) =>
        judged(
          'crownAndChamber',
          'crownBore',
          [made('piston', { bore: 100 * (1 + share) }), made('head', { bore: 100 })],
          { rules },
        ),
      [0.0582, 'fits'],
      [0.0618, 'doesNotFit'],
    ),
    boundary(
      deck.crownTurned,
      (by, rules) => done(machineCrown(made('piston', { compressionHeight: 50 }), by, rules)),
      [0.776, 'done'],
      [0.824, 'refused'],
    ),
    boundary(
      deck.gasketOverBore,
      (by, rules) =>
        judged('gasketOnBlock', 'gasketBore', [made('block', { bore: 100 }), made('headGasket', { bore: 100 + by })], {
          rules,
        }),
      [0.388, 'doesNotFit'],
      [0.412, 'fits'],
      [6.79, 'fits'],
      [7.21, 'doesNotFit'],
    ),
    boundary(
      deck.boreSpacing,
      (by, rules) =>
        judged(
          'headOnBlock',
          'headSpacing',
          [made('block', { boreSpacing: 110 }, { cylinders: '4' }), made('head', { boreSpacing: 110 + by })],
          { rules },
        ),
      [-0.412, 'doesNotFit'],
      [-0.388, 'fits'],
      [0.388, 'fits'],
      [0.412, 'doesNotFit'],
    ),
    boundary(
      deck.studs,
      (by, rules) =>
        judged('headInPlace', 'studs', [made('head', { height: 100 + by })], {
          replaced: [made('head', { height: 100 })],
          rules,
        }),
      [-2.575, 'fitsWithWork, takeAlong'],
      [-2.425, 'fits'],
      [2.425, 'fits'],
      [2.575, 'fitsWithWork, takeAlong'],
    ),
    boundary(deck.valveRoom, (room, rules) => valves(room, rules).verdict, [1.94, 'fitsWithWork'], [2.06, 'fits']),
    boundary(
      deck.valveRoomExhaust,
      (room, rules) => valves(room, rules, 'valveRoomExhaust', 'lift.overlapExhaust').verdict,
      [2.42, 'fitsWithWork'],
      [2.58, 'fits'],
    ),
    boundary(
      deck.pocketDeepened,
      (by, rules) =>
        done(pocket(made('piston', { 'valvePocket.depth': 1, 'crown.volume': 10 }, { valvePockets: '2' }), by, rules)),
      [2.425, 'done'],
      [2.575, 'refused'],
    ),
    boundary(
      deck.pocketDepth,
      (depth, rules) => {
        // One pocket more than there was, none of them ever measured.
        const worked = cutPockets(
          made('piston', { 'crown.volume': 10 }, { valvePockets: '1' }),
          { count: '2', deeper: 0, valve: 40 },
          rules,
        );
        return reaches((1000 * taken(worked)) / DISC / 0.5, depth);
      },
      [1.94, 'as much'],
      [2.06, 'less'],
    ),
    boundary(
      deck.pocketShare,
      (share, rules) =>
        reaches(
          (1000 *
            taken(
              pocket(made('piston', { 'valvePocket.depth': 1, 'crown.volume': 10 }, { valvePockets: '2' }), 1, rules),
            )) /
            (2 * DISC),
          share,
        ),
      [0.485, 'as much'],
      [0.515, 'less'],
    ),
  ]);
});

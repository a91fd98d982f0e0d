import { describeBoundaries, boundary } from '../testing/boundary';
import { finding, judged, made, misshapen, outcomeOf } from '../testing/made';
import { say } from '../quantity/sentence';
import { around } from '../quantity/interval';
import { cleansUp } from '../testing/cleansUp';
import { lineBore } from '../joints/operations/housings';
import { offsetGrind, polishJournal } from '../joints/operations/journals';
import type { HouseRules } from '../shop/houseRules';
import { bearings } from './bearings';

// Common practice, no source, but where a figure names one: what comes out just inside and just outside each end.

const JOURNAL = 50;
const WALL = 2;
const shellFor = (housing: number, more: Readonly<Record<string, number>> = {}) =>
  made('mainShell', { 'housing.diameter': housing, wall: WALL, width: 20, flangeWidth: 30, ...more });
const crank = (more: Readonly<Record<string, number>> = {}) =>
  made('crank', {
    'mainJournal.diameter': JOURNAL,
    'mainJournal.width': 24,
    'thrustJournal.width': 30.1,
    mainPitch: 100,
    ...more,
  });
const block = (housing: number, more: Parameters<typeof made>[1] = {}) =>
  made('block', { 'mainHousing.diameter': housing, mainPitch: 100, ...more }, { mainsRun: 'shells' });
/** A housing that leaves a journal the clearance of a thousandth. */
const HOUSING = JOURNAL + 2 * WALL + 0.045;
const stock = { mainShell: [shellFor(HOUSING)] };

const clearance = (rules: HouseRules) => (share: number, own: HouseRules) => {
  const housing = JOURNAL + 2 * WALL + share * JOURNAL;
  return judged('mains', 'oilClearance', [crank(), block(housing)], {
    stock: { mainShell: [shellFor(housing)] },
    rules: { ...rules, ...own },
  });
};

/** A main journal that lacks form in one way, by so much. */
const shaped = (lack: string) => (by: number, rules: HouseRules) =>
  judged('mains', 'mainRound', [misshapen(crank(), 'crank.mainJournal.diameter', { [lack]: by }), block(HOUSING)], {
    rules,
  });

const ring = (bore: number, more: Readonly<Record<string, number>> = {}) =>
  made('rollingBearing', { bore, outside: 62, width: 16, ...more }, { form: 'ball' });
const needles = (bore: number, outside: number) =>
  made('rollingBearing', { bore, outside, width: 20 }, { form: 'needle' });
const onNeedles = (pin: number, eye: number, rules: HouseRules) =>
  judged(
    'bigEnds',
    'rodOilClearance',
    [made('crank', { 'crankpin.diameter': pin }), made('rod', { 'bigEnd.bore': eye }, { capSplit: 'onePiece' })],
    {
      stock: { rollingBearing: [needles(20, 26)] },
      rules,
    },
  );
const inPlace = (check: string, size: string) => (by: number, rules: HouseRules) =>
  judged(
    'bearingInPlace',
    check,
    [ring(25, { [size]: size === 'bore' ? 25 + by : size === 'outside' ? 62 + by : 16 + by })],
    { replaced: [ring(25)], rules },
  );

describe('figures of thumb of bearings', () => {
  describeBoundaries(bearings, [
    boundary(
      bearings.cleanedUp,
      cleansUp(
        'crank.mainJournal.diameter',
        'lumen-crank-4b',
        { low: '50.00', high: '50.02', service: ['-0.25', '-0.50'] },
        (left) => 49.75 + left,
      ),
      [0.0291, 'step 2'],
      [0.0309, 'step 1'],
    ),
    boundary(bearings.outOfRound, shaped('outOfRound'), [0.01261, 'fits'], [0.01339, 'doesNotFit']),
    boundary(bearings.taper, shaped('taper'), [0.01261, 'fits'], [0.01339, 'doesNotFit']),
    boundary(
      bearings.thousandth,
      clearance({}),
      [0.0002425, 'doesNotFit'],
      [0.0002575, 'cannotTell'],
      [0.000388, 'cannotTell'],
      [0.000412, 'fits'],
      [0.00097, 'fits'],
      [0.00103, 'cannotTell'],
      [0.00194, 'cannotTell'],
      [0.00206, 'doesNotFit'],
    ),
    boundary(
      bearings.generous,
      clearance({ clearance: 'generous' }),
      [0.0002425, 'doesNotFit'],
      [0.0002575, 'cannotTell'],
      [0.00097, 'cannotTell'],
      [0.00103, 'fits'],
      [0.001455, 'fits'],
      [0.001545, 'cannotTell'],
      [0.002425, 'cannotTell'],
      [0.002575, 'doesNotFit'],
    ),
    boundary(
      bearings.anotherSize,
      (by, rules) => {
        const { because } = finding(
          'mains',
          'oilClearance',
          [crank({ 'mainJournal.diameter': JOURNAL - by + 0.045 }), block(HOUSING)],
          { stock, rules },
        );
        return say(because, 'metric').includes('smaller than the shells') ? 'another size' : 'a clearance';
      },
      [0.582, 'a clearance'],
      [0.618, 'another size'],
    ),
    boundary(
      bearings.endFloat,
      (float, rules) =>
        judged('mains', 'endFloat', [crank({ 'thrustJournal.width': 30 + float }), block(HOUSING)], { stock, rules }),
      [0.0194, 'fitsWithWork, grindThrust'],
      [0.0206, 'cannotTell'],
      [0.0582, 'cannotTell'],
      [0.0618, 'fits'],
      [0.194, 'fits'],
      [0.206, 'cannotTell'],
      [0.388, 'cannotTell'],
      [0.412, 'doesNotFit'],
    ),
    boundary(
      bearings.filletRoom,
      (room, rules) =>
        judged('mains', 'shellWidth', [crank({ 'mainJournal.width': 20 + room }), block(HOUSING)], { stock, rules }),
      [0.485, 'doesNotFit'],
      [0.515, 'fits'],
      [7.76, 'fits'],
      [8.24, 'doesNotFit'],
    ),
    boundary(
      bearings.mainSpacing,
      (by, rules) => judged('mains', 'mainSpacing', [crank({ mainPitch: 100 + by }), block(HOUSING)], { rules }),
      [-0.618, 'doesNotFit'],
      [-0.582, 'fits'],
      [0.582, 'fits'],
      [0.618, 'doesNotFit'],
    ),
    boundary(
      bearings.shellHousing,
      (by, rules) =>
        judged(
          'shellsInRod',
          'shellHousing',
          [made('rod', { 'bigEnd.bore': 50 }), made('rodShell', { 'housing.diameter': 50 + by })],
          { rules },
        ),
      [-0.04635, 'doesNotFit'],
      [-0.04365, 'fits'],
      [0.04365, 'fits'],
      [0.04635, 'doesNotFit'],
    ),
    boundary(
      bearings.ground,
      (tolerance, rules) => {
        const pin = {
          ...made('crank', { 'crankpin.diameter': 50, stroke: 80 }),
          service: { 'crank.crankpin.diameter': [-0.25] },
        };
        const worked = offsetGrind(pin, 0.25, 0.1, rules);
        const size = 'part' in worked ? worked.part.values['crank.crankpin.diameter']?.interval : undefined;
        return size && size.high - size.low >= tolerance ? 'as wide' : 'narrower';
      },
      [0.0124, 'as wide'],
      [0.0136, 'narrower'],
    ),
    boundary(
      bearings.polished,
      (off, rules) =>
        'part' in polishJournal(crank(), { id: 'crank.mainJournal.diameter', name: 'Journal' } as never, off, rules)
          ? 'polished'
          : 'refused',
      [0.0124, 'polished'],
      [0.0136, 'refused'],
    ),
    boundary(
      bearings.leastPolished,
      (off, rules) => {
        const housing = JOURNAL + 2 * WALL + 0.041 - off;
        const { work } = finding(
          'mains',
          'oilClearance',
          [crank(), block(housing, { 'main.oilClearance': [0.04, 0.042] })],
          {
            stock: { mainShell: [shellFor(housing)] },
            rules,
          },
        );
        const polished = work.find(({ steps }) => steps[0] === 'polish')?.parts[0]?.values[
          'crank.mainJournal.diameter'
        ];
        if (!polished) return 'not offered';
        return JOURNAL - polished.interval.low > off + 1e-9 ? 'more than is wanted' : 'as much as is wanted';
      },
      [0.0097, 'more than is wanted'],
      [0.0103, 'as much as is wanted'],
    ),
    boundary(
      bearings.lineBored,
      (by, rules) =>
        'part' in lineBore(block(60, { 'mainHousing.greatestBore': 80 }), around(60 + by, 0), rules)
          ? 'bored'
          : 'refused',
      [7.76, 'bored'],
      [8.24, 'refused'],
    ),
    boundary(
      bearings.ringBore,
      (tolerance, rules) =>
        // The heaviest press of ISO 286-2 on a 25 mm ring is m6, 21 µm; the bore may be smaller by its own tolerance.
        judged(
          'bearingOnCrank',
          'ringOnShaft',
          [made('crank', { 'mainJournal.diameter': 25 + 0.021 + tolerance }), ring(25)],
          { rules },
        ),
      [0.0094, 'fits'],
      [0.0106, 'doesNotFit'],
    ),
    boundary(
      bearings.ringOutside,
      (tolerance, rules) =>
        // The widest hole, H7 at 62 mm, is 30 µm over nominal.
        judged(
          'bearingInCase',
          'ringInCase',
          [
            made('block', { 'mainHousing.diameter': 62 + 0.03 + tolerance }, { mainsRun: 'rolling', material: 'iron' }),
            ring(25),
          ],
          { rules },
        ),
      [0.0144, 'fits'],
      [0.0156, 'doesNotFit'],
    ),
    boundary(
      bearings.sameRing,
      inPlace('bearingBore', 'bore'),
      [-0.0309, 'doesNotFit'],
      [-0.0291, 'fits'],
      [0.0291, 'fits'],
      [0.0309, 'doesNotFit'],
    ),
    boundary(
      bearings.sameRingWidth,
      inPlace('bearingWidth', 'width'),
      [-0.2575, 'fitsWithWork, shimBearing'],
      [-0.2425, 'fits'],
      [0.2425, 'fits'],
      [0.2575, 'doesNotFit'],
    ),
    boundary(
      bearings.ringShimmed,
      (lacking, rules) =>
        judged('bearingInPlace', 'bearingWidth', [ring(25, { width: 16 - lacking })], { replaced: [ring(25)], rules }),
      [5.82, 'fitsWithWork, shimBearing'],
      [6.18, 'doesNotFit'],
    ),
    boundary(
      bearings.ringSleeved,
      (by, rules) =>
        judged(
          'bearingInCase',
          'ringInCase',
          [made('block', { 'mainHousing.diameter': 62 + by }, { mainsRun: 'rolling', material: 'iron' }), ring(25)],
          { rules },
        ),
      [1.94, 'doesNotFit'],
      [2.06, 'fitsWithWork, sleeveBearing'],
      [11.64, 'fitsWithWork, sleeveBearing'],
      [12.36, 'doesNotFit'],
    ),
    boundary(
      bearings.cageNamed,
      (off, rules) => onNeedles(20 + off, 26, rules),
      [0.097, 'fits'],
      [0.103, 'cannotTell'],
    ),
    boundary(
      bearings.cageThinnest,
      (room, rules) => onNeedles(30, 30 + 2 * room, rules),
      [0.97, 'doesNotFit'],
      [1.03, 'cannotTell'],
    ),
  ]);

  it('are told with their figure and source', () => {
    expect(outcomeOf(finding('mains', 'mainSpacing', [crank(), block(HOUSING)]))).toBe('fits');
    expect(say(finding('mains', 'mainSpacing', [crank(), block(HOUSING)]).ruleOfThumb ?? [], 'metric')).toBe(
      'Journals lie under their housings within the play of their widths: −0.600 to 0.600 mm. Common practice.',
    );
  });
});

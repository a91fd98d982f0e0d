import { boundary, describeBoundaries } from '../testing/boundary';
import { judged, made } from '../testing/made';
import { grindThrustFaces, turnCounterweights, turnSealLand } from '../joints/operations/cranks';
import type { Worked } from '../joints/operations/operation';
import type { KindId } from '../dictionary/dictionary';
import { interval, width } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { ends } from './ends';

// Common practice, no source: what comes out just inside and just outside each end.

const done = (worked: Worked): string => ('part' in worked ? 'done' : 'refused');
const inPlace = (joint: string, check: string, kind: KindId, size: string) => (by: number, rules: HouseRules) =>
  judged(joint, check, [made(kind, { [size]: 100 + by })], { replaced: [made(kind, { [size]: 100 })], rules });
const seal = (over: number, rearSeal: string, rules: HouseRules) =>
  judged(
    'rearEnd',
    'rearSeal',
    [made('block', { 'rearSeal.journal': 90 }), made('crank', { 'sealJournal.diameter': 90 + over }, { rearSeal })],
    { rules },
  );
const cover = (by: number, rules: HouseRules) =>
  judged(
    'coverOnBlock',
    'coverHeight',
    [made('block', { 'frontFace.height': 200 }), made('frontCover', { height: 200 + by })],
    { rules },
  );

const nose = (frontDrive: string) => (by: number, rules: HouseRules) =>
  judged(
    'frontEnd',
    'nose',
    [made('block', { 'front.hubBore': 30 }, { frontDrive }), made('crank', { 'nose.diameter': 30 + by })],
    { rules },
  );

describe('figures of thumb of case and ends', () => {
  describeBoundaries(ends, [
    boundary(
      ends.caseRoom,
      (room, rules) =>
        [
          judged(
            'crankcase',
            'swing',
            [made('block', { 'crankcase.swing': 90 + room }), made('crank', { swing: 90 })],
            { rules },
          ),
          judged(
            'rodsInCase',
            'rodSwing',
            [
              made('block', { 'crankcase.rodSwing': 90 + room }),
              made('crank', { stroke: 80 }),
              made('rod', { 'bigEnd.reach': 50 }),
            ],
            { rules },
          ),
        ].join('; '),
      [1.455, 'fitsWithWork, turnCounterweights; doesNotFit'],
      [1.545, 'fits; fits'],
    ),
    boundary(
      ends.lip,
      (room, rules) =>
        judged(
          'crankcase',
          'webLip',
          [
            made('block', { 'lipGroove.diameter': 90 + room }, { lipGroove: 'present' }),
            made('crank', { 'webLip.diameter': 90 }, { webLip: 'lip' }),
          ],
          { rules },
        ),
      [0.485, 'fitsWithWork, turnOffLip'],
      [0.515, 'fits'],
      [19.4, 'fits'],
      [20.6, 'fitsWithWork, turnOffLip'],
    ),
    boundary(
      ends.weightsTurned,
      (off, rules) => done(turnCounterweights(made('crank', { swing: 90 }), off, rules)),
      [2.91, 'done'],
      [3.09, 'refused'],
    ),
    boundary(
      ends.thrustGround,
      (by, rules) => done(grindThrustFaces(made('crank', { 'thrustJournal.width': 30 }), 30 + by, rules)),
      [0.485, 'done'],
      [0.515, 'refused'],
    ),
    boundary(
      ends.thrustWithin,
      (tolerance, rules) => {
        const worked = grindThrustFaces(made('crank', { 'thrustJournal.width': 30 }), 30.2, rules);
        const across = 'part' in worked ? worked.part.values['crank.thrustJournal.width']?.interval : undefined;
        return across && width(across) / 2 >= tolerance - 1e-9 ? 'as much' : 'less';
      },
      [0.0194, 'as much'],
      [0.0206, 'less'],
    ),
    boundary(
      ends.sealTurned,
      (by, rules) => done(turnSealLand(made('crank', { 'sealJournal.diameter': 90 }), interval(90 - by), rules)),
      [0.97, 'done'],
      [1.03, 'refused'],
    ),
    boundary(
      ends.sealLand,
      (over, rules) => seal(over, 'rope', rules),
      [-0.3605, 'fitsWithWork, sleeveSealLand'],
      [-0.3395, 'fits'],
      [0.2425, 'fits'],
      [0.2575, 'fitsWithWork, turnSealLand'],
    ),
    boundary(
      ends.sealSleeved,
      (by, rules) => seal(-by, 'rope', rules),
      [5.82, 'fitsWithWork, sleeveSealLand'],
      [6.18, 'doesNotFit'],
    ),
    boundary(
      ends.sealCarried,
      (by, rules) => seal(by, 'lip', rules),
      [9.7, 'fitsWithWork, takeAlong'],
      [10.3, 'doesNotFit'],
    ),
    boundary(
      ends.nose,
      nose('key'),
      [-0.0008, 'fitsWithWork, gearWithCrank'],
      [0.0008, 'fits'],
      [0.0582, 'fits'],
      [0.0618, 'fitsWithWork, gearWithCrank'],
    ),
    boundary(
      ends.noseClamped,
      nose('friction'),
      [-0.0618, 'fitsWithWork, gearWithCrank'],
      [-0.0582, 'fits'],
      [0.0097, 'fits'],
      [0.0103, 'fitsWithWork, gearWithCrank'],
    ),
    boundary(
      ends.coverHeight,
      cover,
      [-0.4635, 'fitsWithWork, dressFace'],
      [-0.4365, 'fits'],
      [0.4365, 'fits'],
      [0.4635, 'fitsWithWork, dressFace'],
    ),
    boundary(ends.coverDressed, cover, [0.7275, 'fitsWithWork, dressFace'], [0.7725, 'doesNotFit']),
    boundary(
      ends.sealBore,
      (by, rules) =>
        judged(
          'sealInCover',
          'sealHousing',
          [made('frontCover', { 'seal.bore': 60 }), made('seal', { housing: 60 + by })],
          { rules },
        ),
      [-0.206, 'doesNotFit'],
      [-0.194, 'fits'],
      [0.2425, 'fits'],
      [0.2575, 'doesNotFit'],
    ),
    boundary(
      ends.sealShaft,
      inPlace('sealInPlace', 'sealShaft', 'seal', 'shaft'),
      [-0.309, 'doesNotFit'],
      [-0.291, 'fits'],
      [0.291, 'fits'],
      [0.309, 'doesNotFit'],
    ),
    boundary(
      ends.sealOutside,
      inPlace('sealInPlace', 'sealOutside', 'seal', 'housing'),
      [-0.309, 'doesNotFit'],
      [-0.291, 'fits'],
      [0.291, 'fits'],
      [0.309, 'doesNotFit'],
    ),
    boundary(
      ends.washerThickness,
      inPlace('thrustWasherInPlace', 'washerThickness', 'thrustWasher', 'thickness'),
      [-0.0309, 'doesNotFit'],
      [-0.0291, 'fits'],
      [0.0291, 'fits'],
      [0.0309, 'fitsWithWork, grindThrust'],
    ),
    boundary(
      ends.washerOutside,
      inPlace('thrustWasherInPlace', 'washerOutside', 'thrustWasher', 'outside'),
      [-0.412, 'doesNotFit'],
      [-0.388, 'fits'],
      [0.388, 'fits'],
      [0.412, 'doesNotFit'],
    ),
    boundary(
      ends.washerInside,
      inPlace('thrustWasherInPlace', 'washerInside', 'thrustWasher', 'inside'),
      [-0.618, 'doesNotFit'],
      [-0.582, 'fits'],
      [0.582, 'fits'],
      [0.618, 'doesNotFit'],
    ),
    boundary(
      ends.sealWidth,
      inPlace('sealInPlace', 'sealWidth', 'seal', 'width'),
      [-1.236, 'doesNotFit'],
      [-1.164, 'fits'],
      [1.164, 'fits'],
      [1.236, 'doesNotFit'],
    ),
    boundary(
      ends.flywheel,
      (room, rules) => inPlace('flywheelInPlace', 'flywheelRoom', 'flywheel', 'diameter')(-room, rules),
      [-3.09, 'doesNotFit'],
      [-2.91, 'fits'],
    ),
    boundary(
      ends.thread,
      inPlace('fastenerInPlace', 'thread', 'fastener', 'thread.diameter'),
      [-0.309, 'doesNotFit'],
      [-0.291, 'fits'],
      [0.291, 'fits'],
      [0.309, 'doesNotFit'],
    ),
    boundary(
      ends.pitch,
      inPlace('fastenerInPlace', 'pitch', 'fastener', 'thread.pitch'),
      [-0.0721, 'doesNotFit'],
      [-0.0679, 'fits'],
      [0.0679, 'fits'],
      [0.0721, 'doesNotFit'],
    ),
    boundary(
      ends.boltLength,
      inPlace('fastenerInPlace', 'boltLength', 'fastener', 'length'),
      [-2.266, 'doesNotFit'],
      [-2.134, 'fits'],
      [2.134, 'fits'],
      [2.266, 'doesNotFit'],
    ),
  ]);
});

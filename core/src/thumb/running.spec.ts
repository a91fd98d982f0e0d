import { boundary, describeBoundaries } from '../testing/boundary';
import { demoEngine } from '../testing/demo';
import { engineOf } from '../build/ground';
import { FIGURES } from '../build/figures/index';
import { buildSheetOf } from '../build/sheet';
import { BUILD_LOOKUP } from '../testing/demo';
import type { HouseRules } from '../shop/houseRules';
import { swingAtFoot } from '../motion/rodSwing';
import { running } from './running';

// Common practice, no source: what the sheet of a made-up 357 says just inside and just outside each figure.

function verdict(id: string, sizes: Readonly<Record<string, number>>, rules: HouseRules, duty = 'steady'): string {
  const { build } = demoEngine('sluice-357', sizes);
  const engine = engineOf(
    { ...build, looks: [{ of: 'running.duty', option: duty }] },
    { ...BUILD_LOOKUP, context: { ...BUILD_LOOKUP.context, rules } },
  );
  const [found] = buildSheetOf(
    engine,
    FIGURES.filter((each) => each.id === id),
  ).figures;
  return found?.verdict ?? 'not told';
}

/** A stroke of 100 mm makes a mean speed of speed / 300 m/s. */
const meanSpeed = (duty: string) => (metresASecond: number, rules: HouseRules) =>
  verdict('meanSpeed', { 'crank.stroke': 100, 'running.speed': metresASecond * 300 }, rules, duty);

const clearance = (room: number, rules: HouseRules) =>
  verdict(
    'skirtToWeights',
    { 'crank.stroke': 80, 'rod.length': 150, 'piston.belowPin': 30, 'crank.swing': 80 - room },
    rules,
  );

/** What loads a rod bolt, known to the gram. */
const EXACT = {
  'running.speed': 3000,
  'rod.mass.bigEnd': 420,
  'rod.mass.smallEnd': 200,
  'piston.mass': 550,
  'pin.mass': 130,
  'crank.stroke': 91,
  'rod.length': 145,
  'fastener.thread.pitch': 1,
};
const [LOADED] = buildSheetOf(
  demoEngine('sluice-357', EXACT),
  FIGURES.filter((each) => each.id === 'boltLoad'),
).figures;

/** With a bolt of class 10.9 as thick as makes the load this share of its proof load (ISO 898-1: 830 N/mm²). */
function boltShare(share: number, rules: HouseRules): string {
  const area = (LOADED?.value ?? 0) / (share * 830);
  return verdict('boltShare', { ...EXACT, 'rod.bolt.diameter': Math.sqrt((4 * area) / Math.PI) + 0.9382 }, rules);
}

/** Rod and lobe come round together in a block whose axes are 120 mm apart. */
const underCam = (room: number, rules: HouseRules) =>
  verdict(
    'rodsUnderCam',
    {
      'block.camDistance': 120,
      'crank.stroke': 80,
      'rod.bigEnd.reach': 55 - room,
      'cam.baseCircle': 34,
      'cam.lift.intake': 8,
    },
    rules,
  );

/** A cylinder as much wider than its rod swings out as there is room. */
const atFoot = (room: number, rules: HouseRules) =>
  verdict(
    'rodsAtFoot',
    {
      'block.bore': 2 * (swingAtFoot({ stroke: 80, rod: 145, offset: 0 }, 50, 26) + room),
      'block.deckHeight': 220,
      'block.cylinderLength': 170,
      'crank.stroke': 80,
      'rod.length': 145,
      'rod.beam.width': 26,
      'piston.pin.offset': 0,
    },
    rules,
  );

/** With the crown flush with the deck the land is all there is over the ring. */
const underDeck = (land: number, rules: HouseRules) =>
  verdict(
    'topRingUnderDeck',
    {
      'block.deckHeight': 225,
      'crank.stroke': 80,
      'rod.length': 145,
      'piston.compressionHeight': 40,
      'piston.topLand': land,
    },
    rules,
  );

const balancedFor = (share: number, rules: HouseRules) =>
  verdict(
    'balancedFor',
    {
      'rod.mass.bigEnd': 400,
      'rod.mass.smallEnd': 200,
      'piston.mass': 500,
      'pin.mass': 100,
      'running.ringsMass': 0,
      'running.shellsMass': 0,
      'running.balanced': 0.5,
      'crank.bobweight': 1600 / share,
    },
    rules,
  );

describeBoundaries(running, [
  boundary(running.camRoom, underCam, [1.29, 'doesNotFit'], [1.31, 'fits']),
  boundary(running.beamRoom, atFoot, [1.49, 'doesNotFit'], [1.51, 'fits']),
  boundary(running.ringInBore, underDeck, [0.99, 'doesNotFit'], [1.01, 'fits']),
  boundary(
    running.balancedFor,
    balancedFor,
    [0.979, 'doesNotFit'],
    [0.981, 'fits'],
    [1.019, 'fits'],
    [1.021, 'doesNotFit'],
  ),
  boundary(running.pistonSpeedSteady, meanSpeed('steady'), [11.9, 'fits'], [12.1, 'doesNotFit']),
  boundary(running.pistonSpeedChanging, meanSpeed('changing'), [15.9, 'fits'], [16.1, 'doesNotFit']),
  boundary(running.pistonSpeedShort, meanSpeed('short'), [19.9, 'fits'], [20.1, 'doesNotFit']),
  boundary(running.boltLoad, boltShare, [0.745, 'fits'], [0.755, 'doesNotFit']),
  boundary(running.weightsRoom, clearance, [1.49, 'doesNotFit'], [1.51, 'fits']),
]);

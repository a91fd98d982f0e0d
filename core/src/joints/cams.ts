import { block } from '../dictionary/kinds/block.js';
import { cam } from '../dictionary/kinds/cam.js';
import { head } from '../dictionary/kinds/head.js';
import { lifter } from '../dictionary/kinds/lifter.js';
import { valveSpring } from '../dictionary/kinds/valveSpring.js';
import type { Parameter } from '../dictionary/definition.js';
import { middle, minus, scaled, type Interval } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { limitOf, valveGear } from '../thumb/index.js';
import { lookOf, type Assembly } from './assembly.js';
import { ALWAYS_MENDED, type Check, type Joint } from './check.js';
import { missing, work } from './finding.js';
import { sameCount, sameLook, samePattern } from './shapes/same.js';
import { noLess, usually, within } from './shapes/within.js';
import { sameSize } from './shapes/sizes.js';

const journals = cam.parameters;

/** Whether what a bore leaves over a journal is for a bush. */
const isForBush = ({ low }: Interval, { rules }: Assembly): boolean => low > limitOf(valveGear.camBushedFrom, rules);

const camJournal = (id: string, name: string, bore: Parameter, journal: Parameter): Check =>
  within({
    id,
    name,
    of: { hole: bore, size: journal },
    found: ({ hole, size }) => minus(hole, size),
    required: (assembly, { hole, size }) => usually(isForBush(minus(hole, size), assembly) ? valveGear.camBush : valveGear.camBare)(assembly),
    fits: ({ found }, assembly) =>
      isForBush(found, assembly) ? sentence`There is ${band(found)} for the bush.` : sentence`The journal runs with ${band(found)}.`,
    subject: 'The bore over the journal',
    tooLittle: 'the cam does not go in',
    tooMuch: 'the cam is loose in this bore',
    mend: (assembly, { found }) =>
      isForBush(found, assembly) && found.high < limitOf(valveGear.camBushWidest, assembly.rules)
        ? [work({ steps: ['camBushes'], says: sentence`Press in bushes with ${band(scaled(found, 0.5))} of wall, and line ream them.` })]
        : [],
  });

/** Whether the cam runs in the block or in the head; with only one of the two at hand it is asked of that one. */
export const valveGearIn =
  (place: 'block' | 'head') =>
  (assembly: Assembly): boolean => {
    const [below, above] = [lookOf(assembly, block.features.camBearings), lookOf(assembly, head.features.camBearings)];
    if (below === undefined || above === undefined) return true;
    return place === 'head' ? above !== '0' || below === '0' : above === '0';
  };

export const camInBlock: Joint = {
  id: 'camInBlock',
  name: 'Cam in the block',
  kinds: ['block', 'cam'],
  applies: valveGearIn('block'),
  checks: [
    sameCount({ id: 'camBearings', name: 'Cam bearings', of: cam.features.bearings, as: block.features.camBearings }),
    camJournal('camFront', 'Front cam journal', block.parameters['camBore.diameter'], journals['journal.front']),
    camJournal('camRear', 'Rear cam journal', block.parameters['camBore.rear'], journals['journal.rear']),
  ],
};

export const camInHead: Joint = {
  id: 'camInHead',
  name: 'Cam in the head',
  kinds: ['head', 'cam'],
  applies: valveGearIn('head'),
  checks: [
    sameCount({ id: 'headCamBearings', name: 'Cam bearings', of: cam.features.bearings, as: head.features.camBearings }),
    camJournal('headCamFront', 'Cam journals', head.parameters['camBore.diameter'], journals['journal.front']),
  ],
};

/** Cam and lifters. */
export const camOnLifters: Joint = {
  id: 'camOnLifters',
  name: 'Cam and lifters',
  kinds: ['cam', 'lifter'],
  checks: [
    sameLook({
      id: 'lifterForm',
      verdicts: ALWAYS_MENDED,
      name: 'Lifter on the lobe',
      of: cam.features.lifter,
      as: lifter.features.form,
      otherwise: ({ mine, theirs }) => [
        mine.toLowerCase().includes('roller') === theirs.toLowerCase().includes('roller')
          ? 'The ramps of this cam are ground for other lifters: they would clatter or pump up.'
          : 'A roller and a flat lifter want different lobes and different iron: the lobe would be wiped off.',
      ],
      mend: () => [work({ steps: ['lifters'], says: ['Take the lifters that the cam is ground for, new, with the pushrods and springs they need.'] })],
    }),
  ],
};

/** A cam in place of another: what it drives and what reads it stays. */
export const camInPlace: Joint = {
  id: 'camInPlace',
  name: 'In place of the cam',
  kinds: ['cam'],
  inPlaceOf: 'cam',
  checks: [
    sameCount({ id: 'lobes', name: 'Lobes', of: cam.features.lobes, as: cam.features.lobes, asOf: 'replaced' }),
    sameLook({
      id: 'firingOrder',
      name: 'Firing order',
      of: cam.features.firingOrder,
      as: cam.features.firingOrder,
      asOf: 'replaced',
      otherwise: ({ mine, theirs }) => [`Fires ${mine}, the crank and its engine ${theirs}: the throws of the crank allow one of them only.`],
    }),
    sameLook({ id: 'rotation', name: 'Direction of turning', of: cam.features.rotation, as: cam.features.rotation, asOf: 'replaced' }),
    sameLook({
      id: 'camDrive',
      verdicts: ALWAYS_MENDED,
      name: 'Drive',
      of: cam.features.drive,
      as: cam.features.drive,
      asOf: 'replaced',
      mend: () => [work({ steps: ['takeAlong'], says: ['Take the timing drive of this cam, with its wheel for the crank and its cover.'] })],
    }),
    samePattern({
      id: 'gearSeat',
      verdicts: ALWAYS_MENDED,
      name: 'Seat of the timing wheel',
      of: cam.interfaces.gearSeat,
      as: cam.interfaces.gearSeat,
      asOf: 'replaced',
      mend: (_assembly, { mine }) => [work({ steps: ['takeAlong'], says: [`Take the timing wheel that belongs to this cam (${mine}).`] })],
    }),
    ...(
      [
        ['sensorPin', 'Sensor pin', cam.features.sensorPin, 'the injection would not start'],
        ['pumpLobe', 'Lobe for the pump', cam.features.pumpLobe, 'nothing would drive the fuel pump'],
        ['camGear', 'Gear for the distributor', cam.features.gear, 'nothing would drive the distributor and the oil pump under it'],
      ] as const
    ).map(([id, name, of, otherwise]) =>
      sameLook({
        id,
        name,
        of,
        as: of,
        asOf: 'replaced',
        agree: ({ theirs }) => (theirs === 'none' ? ['It has one that nothing uses here.'] : undefined),
        otherwise: () => [`The cam that comes out has one and this has none: ${otherwise}.`],
        ...(id === 'pumpLobe' ? { verdicts: ALWAYS_MENDED, mend: () => [work({ steps: ['takeAlong'] as const, says: ['Fit an electric pump.'] })] } : {}),
      }),
    ),
    sameSize({
      id: 'baseCircle',
      name: 'Base circle',
      of: cam.parameters.baseCircle,
      play: valveGear.baseCircle,
      mend: (assembly, { found, required }) =>
        Math.abs(middle(found) - middle(required)) > limitOf(valveGear.baseCircleTaken, assembly.rules)
          ? []
          : [
              work({
                steps: ['pushrods'],
                says: sentence`Take pushrods, or shims, longer by half the difference of the base circles: ${band(found)} against ${band(required)}.`,
              }),
            ],
    }),
  ],
};

/** How far the valve opens for a millimetre of lobe; undefined while it is not known what stands between. */
function rockerOf(assembly: Assembly): number | undefined {
  const above = lookOf(assembly, head.features.camBearings);
  if (above === undefined) return undefined;
  return above === '0' ? limitOf(valveGear.rocker, assembly.rules) : 1;
}

export const camOnSprings: Joint = {
  id: 'camOnSprings',
  name: 'Lift and springs',
  kinds: ['head', 'cam', 'valveSpring'],
  checks: [
    within({
      id: 'coilBind',
      name: 'Coil bind at full lift',
      of: { height: head.parameters['spring.installedHeight'], bind: valveSpring.parameters.coilBind, lift: cam.parameters['lift.exhaust'] },
      also: [head.features.camBearings.id],
      unless: (assembly) => (rockerOf(assembly) === undefined ? missing([head.features.camBearings], 'count') : undefined),
      found: ({ height, bind, lift }, assembly) => minus(minus(height, scaled(lift, rockerOf(assembly) ?? 1)), bind),
      required: noLess(valveGear.coilBind),
      subject: 'The room left between the coils',
      tooLittle: 'the spring binds and the valve gear breaks',
      tooMuch: 'there is more than enough',
      mend: (assembly, { found }) =>
        found.low > -limitOf(valveGear.coilBindMended, assembly.rules)
          ? [work({ steps: ['takeAlong'], name: 'Springs for the cam', says: ['Take the springs that belong to this cam, with their retainers.'] })]
          : [],
    }),
  ],
};

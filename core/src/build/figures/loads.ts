import { crank } from '../../dictionary/kinds/crank.js';
import { fastener } from '../../dictionary/kinds/fastener.js';
import { cam } from '../../dictionary/kinds/cam.js';
import { head } from '../../dictionary/kinds/head.js';
import { pin } from '../../dictionary/kinds/pin.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { noMore, specified } from '../../joints/shapes/within.js';
import { perSecond } from '../../motion/index.js';
import { coarsePitch, proofStress, stressArea } from '../../strength/index.js';
import { limitOf, running as figures, valveGear } from '../../thumb/index.js';
import { engineVariant, running } from '../../dictionary/index.js';
import type { BuildEngine, Spot } from '../engine.js';
import { figure, first, from, orElse, over, size, type Input } from './figure.js';
import { bore, length, offset, stroke } from './ratio.js';
import { accelerationTop, pistonSpeedLimit, speed } from './motion.js';

const COMMON = 'Common practice';
const ISO_898 = 'ISO 898-1';

export const reciprocating = figure({
  id: 'reciprocating',
  name: 'Reciprocating weight',
  says: 'What goes up and down with one piston: piston, pin, rings and the small end of the rod.',
  subject: 'balance',
  quantity: 'mass',
  per: 'cylinder',
  of: {
    piston: size(piston.parameters.mass),
    pin: size(pin.parameters.mass),
    rings: orElse(size(running.parameters.ringsMass), 0, 'The rings are not weighed.'),
    smallEnd: size(rod.parameters['mass.smallEnd']),
  },
  formula: 'piston + pin + rings + smallEnd',
  source: COMMON,
  compute: (of) => of.piston + of.pin + of.rings + of.smallEnd,
});

export const rotating = figure({
  id: 'rotating',
  name: 'Rotating weight',
  says: 'What goes round with the crankpin of one rod: its big end and its shells.',
  subject: 'balance',
  quantity: 'mass',
  per: 'cylinder',
  of: {
    bigEnd: size(rod.parameters['mass.bigEnd']),
    shells: orElse(size(running.parameters.shellsMass), 0, 'The shells are not weighed.'),
  },
  formula: 'bigEnd + shells',
  source: COMMON,
  compute: (of) => of.bigEnd + of.shells,
});

const inertia = figure({
  id: 'inertia',
  name: 'Inertia at the top',
  says: 'Pull of the piston on its rod at top dead centre.',
  subject: 'loads',
  quantity: 'force',
  per: 'cylinder',
  of: { weight: from(reciprocating), acceleration: from(accelerationTop) },
  formula: 'weight / 1000 * acceleration',
  source: 'Newton',
  compute: (of) => (of.weight / 1000) * of.acceleration,
});

const gas = figure({
  id: 'gas',
  name: 'Force of the gas',
  says: 'Push on the crown at the firing pressure.',
  subject: 'loads',
  quantity: 'force',
  per: 'cylinder',
  of: { pressure: size(running.parameters.firingPressure), bore },
  formula: 'pressure * pi / 4 * bore^2',
  source: 'Pressure times area',
  compute: (of) => of.pressure * (Math.PI / 4) * of.bore ** 2,
});

const sideThrust = figure({
  id: 'sideThrust',
  name: 'Side thrust of the gas at 30 degrees',
  says: 'Push of the skirt on the cylinder with half the firing pressure left and the crank at 30 degrees.',
  subject: 'loads',
  quantity: 'force',
  per: 'cylinder',
  of: { gas: from(gas), stroke, rod: length, offset },
  formula: 'gas / 2 * tan(asin((stroke / 2 * sin(30 * pi / 180) + offset) / rod))',
  source: 'Geometry of the slider-crank; half the pressure: common practice',
  compute: (of) => (of.gas / 2) * Math.tan(Math.asin(((of.stroke / 2) * Math.sin(Math.PI / 6) + of.offset) / of.rod)),
});

/** A rod in one piece has no cap, and no bolts. */
const hasBolts = (engine: BuildEngine): boolean => engine.look(rod.features.capSplit.id) !== 'onePiece';

const hasValves = (engine: BuildEngine): boolean => engine.look(engineVariant.features.valveGear.id) !== 'ports';

const boltDiameter = first(
  size(rod.parameters['bolt.diameter']),
  size(fastener.parameters['thread.diameter'], 'rodBolt'),
);

const boltLoad = figure({
  id: 'boltLoad',
  name: 'Load of a rod bolt',
  says: 'What one bolt of the cap holds at top dead centre of the exhaust stroke, when no gas pushes: the weights above it and the big end.',
  arises: hasBolts,
  subject: 'loads',
  quantity: 'force',
  per: 'cylinder',
  of: {
    inertia: from(inertia),
    rotating: from(rotating),
    stroke,
    speed,
    bolts: orElse(size(running.parameters.rodBolts), 2, 'Two bolts a rod are taken.'),
  },
  formula: '(inertia + rotating / 1000 * stroke / 2000 * (2 * pi * speed / 60)^2) / bolts',
  source: COMMON,
  compute: (of) => (of.inertia + (of.rotating / 1000) * (of.stroke / 2000) * perSecond(of.speed) ** 2) / of.bolts,
});

/** What is known of a bolt by its class or thread, which is no size with limits. */
const boltClass: Input = {
  reads: 'told',
  name: 'Stress under proof load',
  quantity: 'pressure',
  needs: [rod.features.boltGrade.id],
  tell: (engine, spot) => {
    const grade = engine.look(rod.features.boltGrade.id, spot?.at) ?? gradeOfBolt(engine);
    const diameter = diameterOf(engine, spot);
    return grade === undefined || diameter === undefined ? undefined : proofStress(grade, diameter);
  },
};

const gradeOfBolt = (engine: BuildEngine): string | undefined =>
  engine.part('rodBolt')?.part.looks[fastener.features.grade.id]?.option;

const diameterOf = (engine: BuildEngine, spot: Spot | undefined): number | undefined =>
  (
    engine.size(rod.parameters['bolt.diameter'], spot) ??
    engine.size(fastener.parameters['thread.diameter'], spot, 'rodBolt')
  )?.interval.low;

const pitch: Input = first(size(fastener.parameters['thread.pitch'], 'rodBolt'), {
  reads: 'told',
  name: 'Pitch of the coarse thread',
  quantity: 'length',
  needs: [fastener.parameters['thread.pitch'].id],
  tell: (engine, spot) => {
    const diameter = diameterOf(engine, spot);
    return diameter === undefined ? undefined : coarsePitch(diameter);
  },
});

const boltProof = figure({
  id: 'boltProof',
  name: 'Proof load of a rod bolt',
  says: 'What a bolt of this class and thread bears without staying longer.',
  arises: hasBolts,
  subject: 'loads',
  quantity: 'force',
  per: 'cylinder',
  of: { stress: boltClass, bolt: boltDiameter, pitch },
  formula: 'stress * pi / 4 * (bolt - 0.9382 * pitch)^2',
  source: ISO_898,
  compute: (of) => of.stress * stressArea(of.bolt, of.pitch),
});

const boltShare = figure({
  id: 'boltShare',
  name: 'Rod bolt, of its proof load',
  says: 'Load of a rod bolt in parts of its proof load.',
  arises: hasBolts,
  subject: 'loads',
  quantity: 'share',
  per: 'cylinder',
  of: { load: from(boltLoad), proof: from(boltProof) },
  formula: 'load / proof',
  source: ISO_898,
  compute: (of) => of.load / of.proof,
  holds: noMore(figures.boltLoad),
  tooMuch: 'the cap opens at every turn, and the bolt breaks',
  caution:
    'A bolt that was stretched, nicked or run loose bears less: no figure stands in for new bolts and the maker’s torque.',
});

const pinPressure = figure({
  id: 'pinPressure',
  name: 'Pressure on the crankpin',
  says: 'Inertia of one piston over the projected area of its big end.',
  subject: 'loads',
  quantity: 'pressure',
  per: 'cylinder',
  of: {
    inertia: from(inertia),
    journal: size(crank.parameters['crankpin.diameter']),
    width: size(rod.parameters['bigEnd.width']),
  },
  formula: 'inertia / (journal * width)',
  source: 'Force over projected area',
  compute: (of) => of.inertia / (of.journal * of.width),
});

/** Lift of the valve for one of the lobe: typed, else by where the cam is. */
export const rocker: Input = first(size(running.parameters.rocker), {
  reads: 'told',
  name: 'Rocker ratio',
  quantity: 'ratio',
  needs: [head.features.camBearings.id],
  tell: (engine) => {
    const above = engine.look(head.features.camBearings.id);
    return above === undefined ? undefined : above === '0' ? limitOf(valveGear.rocker, engine.rules) : 1;
  },
});

const coilBind = (duty: 'intake' | 'exhaust') =>
  figure({
    id: `coilBind.${duty}`,
    name: `Room between the coils, ${duty}`,
    says: 'How far the spring is from closing its coils at full lift.',
    arises: hasValves,
    subject: 'loads',
    quantity: 'length',
    per: 'engine',
    of: {
      installed: size(head.parameters['spring.installedHeight']),
      lobe: size(cam.parameters[`lift.${duty}`]),
      rocker,
      bind: size(valveSpring.parameters.coilBind),
    },
    formula: 'installed - lobe * rocker - bind',
    source: COMMON,
    compute: (of) => of.installed - of.lobe * of.rocker - of.bind,
    holds: (assembly) => ({
      ...specified(assembly, valveSpring.parameters.bindRoom, valveGear.coilBind),
      atLeast: true,
    }),
    tooLittle: 'the spring binds and the valve gear breaks',
  });

const speedByPiston = figure({
  id: 'speedByPiston',
  name: 'Speed its pistons allow',
  says: 'Engine speed at which the mean piston speed is what the duty bears.',
  subject: 'loads',
  quantity: 'speed',
  per: 'engine',
  of: {
    stroke,
    limit: {
      reads: 'told',
      name: 'Mean piston speed for the duty',
      quantity: 'velocity',
      needs: [],
      tell: (engine) => limitOf(pistonSpeedLimit(engine), engine.rules),
    },
  },
  formula: 'limit * 60 / (2 * stroke / 1000)',
  source: COMMON,
  compute: (of) => (of.limit * 60) / ((2 * of.stroke) / 1000),
});

const speedByBolts = figure({
  id: 'speedByBolts',
  name: 'Speed its rod bolts allow',
  says: 'Engine speed at which a rod bolt has as much load as it is tightened to.',
  arises: hasBolts,
  subject: 'loads',
  quantity: 'speed',
  per: 'engine',
  of: {
    share: over('greatest', boltShare),
    speed,
    most: {
      reads: 'told',
      name: 'Most of the proof load',
      quantity: 'share',
      needs: [],
      tell: (engine) => limitOf(figures.boltLoad, engine.rules),
    },
  },
  formula: 'speed * sqrt(most / share)',
  source: `${ISO_898}; loads grow with the square of the speed`,
  compute: (of) => of.speed * Math.sqrt(of.most / of.share),
});

const unlimited = (of: Input, what: string): Input => orElse(of, Infinity, `Nobody knows what ${what} bear.`);

const safeSpeed = figure({
  id: 'safeSpeed',
  name: 'Speed it may be trusted to',
  says: 'The lowest of the speeds that pistons, rod bolts and valve springs allow, as far as they are known.',
  subject: 'loads',
  quantity: 'speed',
  per: 'engine',
  of: {
    pistons: from(speedByPiston),
    bolts: unlimited(from(speedByBolts), 'the rod bolts'),
    springs: unlimited(size(valveSpring.parameters.trustedSpeed), 'the springs'),
  },
  formula: 'min(pistons, bolts, springs)',
  source: COMMON,
  compute: (of) => Math.min(of.pistons, of.bolts, of.springs),
  tells: ({ pistons = 0, bolts = 0, springs = 0 }) =>
    pistons <= bolts && pistons <= springs
      ? 'The pistons bind first.'
      : bolts <= springs
        ? 'The rod bolts bind first.'
        : 'The valve springs bind first.',
  caution:
    'No promise: each of these limits is somebody’s experience. Balance, flywheel and fan have limits of their own.',
});

const speedLeft = figure({
  id: 'speedLeft',
  name: 'Speed left',
  says: 'How far the speed it is to run at stays below what it may be trusted to.',
  subject: 'loads',
  quantity: 'speed',
  per: 'engine',
  of: { safe: from(safeSpeed), speed },
  formula: 'safe - speed',
  source: COMMON,
  compute: (of) => of.safe - of.speed,
  holds: () => ({ band: { low: 0, high: 25000 }, atLeast: true }),
  tooLittle: 'something of it is run faster than anybody trusts it',
});

export const LOADS = [
  inertia,
  gas,
  sideThrust,
  boltLoad,
  boltProof,
  boltShare,
  pinPressure,
  coilBind('intake'),
  coilBind('exhaust'),
  speedByPiston,
  speedByBolts,
  safeSpeed,
  speedLeft,
];

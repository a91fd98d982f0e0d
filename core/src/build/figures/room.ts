import { block } from '../../dictionary/kinds/block.js';
import { cam } from '../../dictionary/kinds/cam.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { head } from '../../dictionary/kinds/head.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rings } from '../../dictionary/kinds/rings.js';
import { rod } from '../../dictionary/kinds/rod.js';
import {
  requiredClearance,
  SHELL_SIZES,
  shellsForHousing,
  type PlainBearing,
} from '../../joints/crankshaft/bearings.js';
import { MAIN_BEARING } from '../../joints/crankshaft/mains.js';
import { nearestShell } from '../../joints/crankshaft/nearestShell.js';
import { ROD_BEARING } from '../../joints/rods/bigEnds.js';
import { noLess, specified } from '../../joints/shapes/within.js';
import { swingAtFoot } from '../../motion/index.js';
import { bearings, cylinders, ends, running as figures } from '../../thumb/index.js';
import type { BuildEngine } from '../engine.js';
import { figure, first, from, size, type Input } from './figure.js';
import { belowDeck, bore, length, offset, stroke } from './ratio.js';
import { hasValves, VALVE_ROOM } from './valveRoom.js';

const COMMON = 'Common practice';

const wallLeft = figure({
  id: 'wallLeft',
  name: 'Wall left',
  says: 'Thinnest wall of the cylinder, after the boring that is planned.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: { wall: first(size(liner.parameters.wall), size(block.parameters.wall)) },
  formula: 'wall',
  source: COMMON,
  compute: ({ wall }) => wall,
  holds: (assembly) => noLess(assembly.parts.liner ? cylinders.linerWall : cylinders.wall)(assembly),
  tooLittle: 'the cylinder moves under load, and cracks',
});

const skirtClearance = figure({
  id: 'skirtClearance',
  name: 'Skirt in the cylinder',
  says: 'Diametral clearance of the skirt.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: { bore, skirt: size(piston.parameters['skirt.diameter']) },
  formula: 'bore - skirt',
  source: COMMON,
  compute: (of) => of.bore - of.skirt,
  holds: (assembly) => {
    const asked = assembly.parts.piston?.values[piston.parameters['skirt.clearance'].id];
    return asked && { band: asked.interval };
  },
  tooLittle: 'the piston seizes when it is warm',
  tooMuch: 'it slaps, and its rings do not seal',
});

const ringGap = figure({
  id: 'ringGap',
  name: 'Gap of the top ring',
  says: 'Gap of the top ring in this cylinder: it opens by pi times what the bore is larger.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: { gap: size(rings.parameters['top.gap']), bore, made: size(rings.parameters.bore) },
  formula: 'gap + pi * (bore - made)',
  source: 'Circumference of a circle',
  compute: (of) => of.gap + Math.PI * (of.bore - of.made),
  holds: (assembly) =>
    specified(
      assembly,
      rings.parameters['top.gapSpecified'],
      cylinders.endGap,
      assembly.parts.rings?.values[rings.parameters.bore.id]?.interval,
    ),
  tooLittle: 'the ends butt when the ring is hot',
  tooMuch: 'the ring leaks',
});

const inShells = (engine: BuildEngine): boolean => engine.look(block.features.mainsRun.id) !== 'rolling';

const bigEndsInShells = (engine: BuildEngine): boolean => engine.part('bigEndBearing') === undefined;

/**
 * Wall of the shell in its place. While none is: of those made for the housing, the one that brings the clearance
 * nearest to the middle of what is wanted there. Nothing where housing and journal are not known closely enough to tell
 * which.
 */
const wallOf = (bearing: PlainBearing): Input => ({
  reads: 'chosen',
  parameter: SHELL_SIZES[bearing.shell].wall,
  choose: (engine, spot) => {
    const assembly = engine.assembly(spot);
    const [housing, journal] = [bearing.housing, bearing.journal].map((each) => engine.size(each, spot)?.interval);
    if (!housing || !journal) return undefined;
    const shells = shellsForHousing(bearing, assembly, housing).map((each) => [each]);
    const nearest = nearestShell(shells, { housing, journal }, requiredClearance(bearing, assembly, journal).band);
    return nearest?.orElse.length === 0 ? { is: nearest.wall, of: nearest.says } : undefined;
  },
  needs: [bearing.housing.id, bearing.journal.id],
});

const clearanceOf = (id: string, name: string, per: 'main' | 'cylinder', bearing: PlainBearing) =>
  figure({
    id,
    name,
    says: 'What the housing leaves when both halves of the shell and the journal are in it.',
    subject: 'room',
    quantity: 'length',
    per,
    of: {
      housing: size(bearing.housing),
      wall: wallOf(bearing),
      journal: size(bearing.journal),
    },
    formula: 'housing - 2 * wall - journal',
    source: COMMON,
    arises: per === 'main' ? inShells : bigEndsInShells,
    compute: (known) => known.housing - 2 * known.wall - known.journal,
    holds: (assembly) =>
      specified(
        assembly,
        bearing.clearance,
        bearings[assembly.rules.clearance ?? 'thousandth'],
        assembly.parts.crank?.values[bearing.journal.id]?.interval,
      ),
    tooLittle: 'it runs hot and seizes',
    tooMuch: 'it knocks, and the oil runs off',
  });

const endFloat = figure({
  id: 'endFloat',
  name: 'End float of the crank',
  says: 'How far the crank can move endways between its thrust faces.',
  subject: 'room',
  quantity: 'length',
  per: 'engine',
  of: {
    journal: size(crank.parameters['thrustJournal.width']),
    between: size(mainShell.parameters.flangeWidth),
  },
  formula: 'journal - between',
  source: COMMON,
  arises: inShells,
  compute: (of) => of.journal - of.between,
  holds: (assembly) => specified(assembly, block.parameters['crank.endFloat'], bearings.endFloat),
  tooLittle: 'the thrust faces burn',
  tooMuch: 'the crank walks',
});

const skirtToWeights = figure({
  id: 'skirtToWeights',
  name: 'Piston over the counterweights',
  says: 'Room between the piston and the outermost point of a counterweight that passes under it, at bottom dead centre.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: {
    stroke,
    rod: length,
    below: size(piston.parameters.belowPin),
    swing: size(crank.parameters.swing),
  },
  formula: 'rod - stroke / 2 - below - swing',
  source: COMMON,
  compute: (of) => of.rod - of.stroke / 2 - of.below - of.swing,
  holds: noLess(figures.weightsRoom),
  tooLittle: 'the counterweight strikes the piston',
  caution: 'Turn it by hand before trusting any figure: skirts are cut away, and weights are not round.',
});

const pinUnderOilRing = figure({
  id: 'pinUnderOilRing',
  name: 'Pin under the oil ring',
  says: 'Metal between the pin bore and the groove of the oil ring; less than nothing where the bore cuts into the groove.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: { groove: size(piston.parameters.oilGroove), pin: size(piston.parameters['pin.diameter']) },
  formula: 'groove - pin / 2',
  source: COMMON,
  compute: (of) => of.groove - of.pin / 2,
  holds: () => ({ band: { low: 0, high: 100 }, atLeast: true }),
  tooLittle: 'the pin bore cuts into the groove: the ring wants a support rail there',
});

const websInCase = figure({
  id: 'websInCase',
  name: 'Counterweights in the case',
  says: 'Room between the outermost point of the crank and the case.',
  subject: 'room',
  quantity: 'length',
  per: 'engine',
  of: { room: size(block.parameters['crankcase.swing']), swing: size(crank.parameters.swing) },
  formula: 'room - swing',
  source: COMMON,
  compute: (of) => of.room - of.swing,
  holds: noLess(ends.caseRoom),
  tooLittle: 'the crank strikes the case',
});

const rodsInCase = figure({
  id: 'rodsInCase',
  name: 'Rod bolts in the case',
  says: 'Room for the farthest corner of a big end as it passes case, cam and pan rail.',
  subject: 'room',
  quantity: 'length',
  per: 'engine',
  of: {
    room: size(block.parameters['crankcase.rodSwing']),
    stroke,
    reach: size(rod.parameters['bigEnd.reach']),
  },
  formula: 'room - stroke / 2 - reach',
  source: COMMON,
  compute: (of) => of.room - of.stroke / 2 - of.reach,
  holds: noLess(ends.caseRoom),
  tooLittle: 'the rods strike the case',
});

const rodsAtFoot = figure({
  id: 'rodsAtFoot',
  name: 'Rods at the foot of the cylinders',
  says: 'Room between the beam of a rod, where it swings out farthest, and the lower end of its cylinder or liner.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: {
    bore,
    deck: size(block.parameters.deckHeight),
    cylinder: size(block.parameters.cylinderLength),
    beam: size(rod.parameters['beam.width']),
    stroke,
    rod: length,
    offset,
  },
  formula: 'bore / 2 - swingAtFoot(stroke, rod, offset, deck - cylinder, beam)',
  source: 'Geometry of the slider-crank',
  compute: (of) => of.bore / 2 - swingAtFoot(of, of.deck - of.cylinder, of.beam),
  holds: noLess(figures.beamRoom),
  tooLittle: 'the rod strikes the foot of its cylinder: notch it, or take a longer rod or a shorter stroke',
  caution: 'Turn it by hand before trusting any figure: beams are waisted, and feet of cylinders are cast.',
});

/** The cam lies in the block where the head has no bearings for it. */
const holdsCam = (engine: BuildEngine): boolean =>
  hasValves(engine) && engine.look(head.features.camBearings.id) === '0';

const rodsUnderCam = figure({
  id: 'rodsUnderCam',
  name: 'Rods under the cam',
  says: 'Room between the farthest corner of a big end and the nose of a lobe, as if both came round together.',
  subject: 'room',
  quantity: 'length',
  per: 'engine',
  of: {
    apart: size(block.parameters.camDistance),
    stroke,
    reach: size(rod.parameters['bigEnd.reach']),
    base: size(cam.parameters.baseCircle),
    lobe: first(size(cam.parameters['lift.intake']), size(cam.parameters['lift.exhaust'])),
  },
  formula: 'apart - stroke / 2 - reach - (base / 2 + lobe)',
  source: COMMON,
  // Where the cam lies in the head there is none for a rod to meet.
  arises: (engine) => engine.size(block.parameters.camDistance) !== undefined || holdsCam(engine),
  compute: (of) => of.apart - of.stroke / 2 - of.reach - (of.base / 2 + of.lobe),
  holds: noLess(figures.camRoom),
  tooLittle: 'a rod may strike the cam, unless its lobe is turned away whenever the rod passes',
  caution: 'Turn it by hand, cam in time, every rod past every lobe: cam timing moves the lobes.',
});

const topRing = figure({
  id: 'topRingUnderDeck',
  name: 'Top ring under the deck',
  says: 'How far the top ring stays below the deck, piston at its top.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: { below: from(belowDeck), land: size(piston.parameters.topLand) },
  formula: 'below + land',
  source: COMMON,
  compute: (of) => of.below + of.land,
  holds: noLess(figures.ringInBore),
  tooLittle: 'the ring comes out over the chamfer of the bore and catches',
});

const oilRing = figure({
  id: 'oilRingInBore',
  name: 'Oil ring in the bore',
  says: 'How much of the cylinder is left below the oil ring groove, piston at its bottom.',
  subject: 'room',
  quantity: 'length',
  per: 'cylinder',
  of: {
    rod: length,
    stroke,
    groove: size(piston.parameters.oilGroove),
    deck: size(block.parameters.deckHeight),
    cylinder: size(block.parameters.cylinderLength),
  },
  formula: 'rod - stroke / 2 + groove - (deck - cylinder)',
  source: COMMON,
  compute: (of) => of.rod - of.stroke / 2 + of.groove - (of.deck - of.cylinder),
  holds: () => ({ band: { low: 0, high: 400 }, atLeast: true }),
  tooLittle: 'the oil ring comes out of the cylinder at the bottom',
});

export const ROOM = [
  wallLeft,
  skirtClearance,
  ringGap,
  clearanceOf('mainClearance', 'Oil clearance of the mains', 'main', MAIN_BEARING),
  clearanceOf('pinClearance', 'Oil clearance of the big ends', 'cylinder', ROD_BEARING),
  endFloat,
  skirtToWeights,
  pinUnderOilRing,
  websInCase,
  rodsInCase,
  rodsAtFoot,
  rodsUnderCam,
  topRing,
  oilRing,
  ...VALVE_ROOM,
];

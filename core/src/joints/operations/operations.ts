import type { CountedBy } from '../../dictionary/definition.js';
import { FITTED_NEW, KINDS, type NewPartOperation } from '../../dictionary/dictionary.js';
import { liner } from '../../dictionary/kinds/liner.js';

/** The engine that hours and prices are given for. */
export const PRICED_FOR: Readonly<Record<CountedBy, number>> = { cylinder: 4, main: 5, crankpin: 4, valve: 8 };

/** One kind of work the machine shop or the bench does, with what it usually takes. */
export interface Operation {
  readonly name: string;
  /** What it is done to each of; absent where an engine has one, or it is done once for all. */
  readonly per?: CountedBy;
  /** Hours of work for an engine of four cylinders. *From memory*; the shop puts its own in the house rules. */
  readonly hours: number;
  /** Usual price for such an engine, in the shop's money. *From memory*; the shop puts its own in the house rules. */
  readonly price: number;
  /** How much of that is for what is bought; where the catalogue prices what is bought, its price takes the place. */
  readonly parts?: number;
  readonly canUndo: boolean;
  readonly caution?: string;
  /** What may only be done after it, where both are done: it moves the face or line that those are set up from. */
  readonly before?: readonly string[];
  /** Sizes, by their ids, that are no longer what was measured once it is done: they are measured again. */
  readonly spoils?: readonly string[];
  /**
   * Sizes, looks and faces that it brings to something else, by their ids; of most fittings none. Work that some check
   * offers changes no more than its steps name here.
   */
  readonly changes?: readonly string[];
  /** What the machine shop needs besides the part itself. */
  readonly bring?: string;
}

const BALANCE = 'The crank must be balanced again with its rods and pistons before it turns at speed.';
const HOT_ROD = 'Pressing pins needs a hot rod end or a press with the right supports: burns and flying pieces.';
const IRON_DUST =
  'Boring and honing throw iron dust and mist: guard eyes and lungs, and wash the block to the last grain before assembly.';
const FLANGE =
  'A flywheel that is cracked, wrongly bolted or run too fast bursts: have the flange tested, and keep to the rated speed.';
const ROD =
  'A rod that has been cut or drilled is only as good as its crack test: have it tested, and weigh the set again.';

/** Another liner is another in everything. */
const ALL_OF_A_LINER: readonly string[] = [liner.parameters, liner.features, liner.interfaces].flatMap((entries) =>
  Object.values<{ readonly id: string }>(entries).map(({ id }) => id),
);

/** Fitting new ones of a kind, as the kind says. */
const NEW_PARTS = Object.fromEntries(
  FITTED_NEW.flatMap((id): readonly (readonly [string, Operation])[] => {
    const { fittedNew, counted } = KINDS[id];
    if (!fittedNew) return [];
    const { operation, name, hours, price, parts } = fittedNew;
    return [[operation, { name, ...(counted ? { per: counted.by } : {}), hours, price, parts, canUndo: true }]];
  }),
) as Readonly<Record<NewPartOperation, Operation>>;

/**
 * Everything that is done to parts so that they meet. Their order (the main line before the deck, the deck before the
 * bores, guides before seats), what they spoil and what must come along: *common practice, no source*.
 */
export const OPERATIONS = {
  bore: {
    changes: ['block.bore', 'block.wall', 'liner.bore', 'liner.wall', 'piston.skirt.diameter'],
    name: 'Bore oversize',
    per: 'cylinder',
    hours: 4,
    price: 260,
    canUndo: false,
    before: ['hone', 'plate', 'fileRings'],
    spoils: ['block.wall', 'liner.wall', 'rings.top.gap'],
    bring: 'The pistons: each cylinder is finished to the one that goes there.',
    caution: IRON_DUST,
  },
  hone: {
    changes: ['block.bore', 'liner.bore'],
    name: 'Hone',
    per: 'cylinder',
    hours: 1.5,
    price: 90,
    canUndo: false,
    before: ['fileRings'],
    spoils: ['rings.top.gap'],
    bring: 'The pistons, marked with their cylinders.',
    caution: IRON_DUST,
  },
  plate: {
    changes: ['block.bore'],
    name: 'Plate the cylinders',
    per: 'cylinder',
    hours: 1,
    price: 760,
    canUndo: false,
    caution:
      'Plating is stripped and laid on by a plater: the baths are poisonous, and no work for a bench. A plated bore is finished with diamond only.',
  },
  etch: { name: 'Lap and etch the cylinders', per: 'cylinder', hours: 2, price: 160, canUndo: false },
  sleeve: {
    changes: ['block.bore', 'block.wall'],
    name: 'Sleeve the cylinders',
    per: 'cylinder',
    hours: 10,
    price: 900,
    parts: 240,
    canUndo: false,
    before: ['deck', 'bore', 'hone'],
    spoils: ['block.deckHeight', 'block.wall'],
    bring: 'The pistons, or the bore that is wanted in writing.',
    caution: IRON_DUST,
  },
  fitLiners: {
    changes: ALL_OF_A_LINER,
    name: 'Fit other liners',
    per: 'cylinder',
    hours: 4,
    price: 700,
    parts: 480,
    canUndo: true,
    before: ['hone'],
    spoils: ['liner.protrusion'],
  },
  lineBore: {
    changes: ['block.mainHousing.diameter'],
    name: 'Line bore',
    per: 'main',
    hours: 6,
    price: 420,
    canUndo: false,
    before: ['deck', 'bore', 'closeDeck'],
    spoils: ['block.mainHousing.diameter', 'block.deckHeight', 'block.camDistance'],
    bring: 'All main caps with their bolts, numbered, and the torque they get.',
    caution:
      'Line boring cannot be undone, and moves the crank toward the cam when caps are cut: check the timing drive afterwards.',
  },
  spacerShells: {
    changes: ['block.mainHousing.diameter'],
    name: 'Spacer shells',
    per: 'main',
    hours: 1,
    price: 160,
    parts: 90,
    canUndo: true,
    spoils: ['block.mainHousing.diameter'],
    caution:
      'Spacer shells must be pinned, their oil holes must meet those of block and shell, and the crush be checked with both fitted.',
  },
  regrindMains: {
    changes: ['crank.mainJournal.diameter'],
    name: 'Regrind the mains',
    per: 'main',
    hours: 2.5,
    price: 150,
    canUndo: false,
    before: ['nitrideAgain', 'polish'],
    spoils: ['crank.mainJournal.width'],
    bring: 'The shells, or their size in writing.',
    caution:
      'Grinding must keep the fillet radii and leave the hardened skin: have the crank crack-tested and the depth of hardening checked first.',
  },
  regrindPins: {
    changes: ['crank.crankpin.diameter'],
    name: 'Regrind the crankpins',
    per: 'crankpin',
    hours: 2.5,
    price: 150,
    canUndo: false,
    before: ['nitrideAgain', 'polish'],
    spoils: ['crank.crankpin.width', 'crank.crankpin.fillet'],
    bring: 'The shells, or their size in writing.',
    caution:
      'Grinding must keep the fillet radii and leave the hardened skin: have the crank crack-tested and the depth of hardening checked first.',
  },
  nitrideAgain: {
    name: 'Nitride the crank again',
    hours: 1,
    price: 280,
    canUndo: false,
    before: ['polish'],
    caution:
      'Nitriding is a few tenths deep and gone once it is ground: the crank is straightened before and crack-tested after, and never straightened when it is hard.',
  },
  offsetGrind: {
    changes: ['crank.crankpin.diameter', 'crank.stroke'],
    name: 'Grind the crankpins off centre',
    per: 'crankpin',
    hours: 6,
    price: 520,
    canUndo: false,
    before: ['regrindPins', 'nitrideAgain', 'polish', 'turnCounterweights'],
    spoils: ['crank.swing', 'crank.bobweight'],
    bring: 'A rod, a piston with its pin and rings, and a pair of shells, to balance by.',
    caution: BALANCE,
  },
  polish: {
    changes: ['crank.crankpin.diameter', 'crank.mainJournal.diameter'],
    name: 'Polish the journals',
    per: 'main',
    hours: 1,
    price: 60,
    canUndo: false,
  },
  turnCounterweights: {
    changes: ['crank.swing'],
    name: 'Turn the counterweights down',
    hours: 2,
    price: 180,
    canUndo: false,
    spoils: ['crank.swing', 'crank.bobweight'],
    bring: 'A rod, a piston with its pin and rings, and a pair of shells, to balance by.',
    caution: BALANCE,
  },
  turnOffLip: {
    changes: ['crank.webLip', 'crank.webLip.diameter'],
    name: 'Turn the lip off',
    hours: 1,
    price: 90,
    canUndo: false,
    caution: BALANCE,
  },
  grindThrust: {
    changes: ['crank.thrustJournal.width'],
    name: 'Grind the thrust faces',
    hours: 1.5,
    price: 120,
    canUndo: false,
  },
  turnSealLand: {
    changes: ['crank.sealJournal.diameter'],
    name: 'Turn the seal land',
    hours: 1,
    price: 90,
    canUndo: false,
  },
  sleeveSealLand: {
    changes: ['crank.sealJournal.diameter'],
    name: 'Sleeve the seal land',
    hours: 1,
    price: 70,
    parts: 30,
    canUndo: true,
  },
  sealInHalves: { name: 'Fit a lip seal in halves', hours: 0.5, price: 40, parts: 20, canUndo: true },
  polishSealLand: { name: 'Polish the land', hours: 1, price: 60, canUndo: false },
  redrillFlange: {
    changes: ['crank.flywheelFlange', 'flywheel.flywheelFlange'],
    name: 'Weld and redrill the flange',
    hours: 8,
    price: 600,
    canUndo: false,
    caution: FLANGE,
  },
  flywheelWithCrank: {
    name: 'Flywheel with the crank',
    hours: 0.5,
    price: 240,
    parts: 200,
    canUndo: true,
    caution: FLANGE,
  },
  gearWithCrank: { name: 'Gear and hub with the crank', hours: 0.5, price: 130, parts: 90, canUndo: true },
  openBigEnd: {
    changes: ['rod.bigEnd.bore'],
    name: 'Resize the big ends',
    per: 'cylinder',
    hours: 3,
    price: 160,
    canUndo: false,
    spoils: ['rod.mass', 'rod.mass.bigEnd'],
    bring: 'Every rod with its own cap and bolts.',
    caution: ROD,
  },
  narrowRod: {
    changes: ['rod.bigEnd.width'],
    name: 'Narrow the rods',
    per: 'cylinder',
    hours: 2.5,
    price: 150,
    canUndo: false,
    spoils: ['rod.mass', 'rod.mass.bigEnd'],
    caution: ROD,
  },
  narrowSmallEnd: {
    changes: ['rod.smallEnd.width'],
    name: 'Narrow the small ends',
    per: 'cylinder',
    hours: 2,
    price: 120,
    canUndo: false,
    spoils: ['rod.mass', 'rod.mass.smallEnd'],
    caution: ROD,
  },
  bushSmallEnd: {
    changes: ['rod.smallEnd.bore'],
    name: 'Bush and ream the small ends',
    per: 'cylinder',
    hours: 3,
    price: 170,
    parts: 40,
    canUndo: true,
    spoils: ['rod.length', 'rod.mass.smallEnd'],
    bring: 'The pins: each bush is finished to its own.',
    caution: HOT_ROD,
  },
  openSmallEnd: {
    changes: ['rod.smallEnd.bore'],
    name: 'Open the small ends',
    per: 'cylinder',
    hours: 2,
    price: 110,
    canUndo: false,
    spoils: ['rod.mass.smallEnd'],
    bring: 'The pins.',
    caution: ROD,
  },
  openPinBore: {
    changes: ['piston.pin.diameter'],
    name: 'Hone the pin bores',
    per: 'cylinder',
    hours: 1.5,
    price: 80,
    canUndo: false,
    bring: 'The pins: each piston is finished to its own.',
  },
  sleevePin: { name: 'Sleeve bearings on the pins', per: 'cylinder', hours: 1, price: 110, parts: 60, canUndo: true },
  sleeveCage: {
    name: 'Sleeve bearing of small bore and large outside',

    hours: 0.5,
    price: 45,
    parts: 30,
    canUndo: true,
  },
  drillRod: {
    changes: ['rod.drilling'],
    name: 'Drill the rods for oil',
    per: 'cylinder',
    hours: 4,
    price: 280,
    canUndo: false,
    spoils: ['rod.mass'],
    caution: ROD,
  },
  machineCrown: {
    changes: ['piston.compressionHeight', 'piston.crown.volume'],
    name: 'Machine the crowns',
    per: 'cylinder',
    hours: 2,
    price: 160,
    canUndo: false,
    spoils: ['piston.mass', 'piston.crown.volume'],
  },
  cutPockets: {
    changes: ['piston.crown.dome', 'piston.crown.volume', 'piston.valvePocket.depth', 'piston.valvePockets'],
    name: 'Cut valve pockets',
    per: 'cylinder',
    hours: 2.5,
    price: 200,
    canUndo: false,
    spoils: ['piston.mass', 'piston.crown.volume'],
    bring: 'A valve of each sort.',
  },
  widenGrooves: {
    changes: ['piston.ring.oil', 'piston.ring.second', 'piston.ring.top'],
    name: 'Widen the ring grooves',
    per: 'cylinder',
    hours: 3,
    price: 220,
    canUndo: false,
  },
  fileRings: { name: 'File the ring gaps', per: 'cylinder', hours: 1, price: 30, canUndo: false },
  capConversion: {
    changes: ['block.capBolts'],
    name: 'Main caps of four bolts',
    per: 'main',
    hours: 6,
    price: 640,
    parts: 260,
    canUndo: false,
    before: ['lineBore'],
    spoils: ['block.mainHousing.diameter'],
    caution:
      'Caps are made for one block: the outer bolts are drilled where there is metal and no oil gallery, and the mains are line bored with the caps torqued.',
  },
  closeDeck: {
    changes: ['block.deck'],
    name: 'Close the deck',
    per: 'cylinder',
    hours: 4,
    price: 420,
    parts: 120,
    canUndo: false,
    before: ['deck', 'bore', 'hone'],
    caution:
      'A ring pressed into an open deck moves the bores and takes coolant from them: they are bored and the deck is cut afterwards, with the ring in.',
  },
  largerStuds: {
    changes: ['block.headBolt.diameter'],
    name: 'Larger head studs',
    hours: 3,
    price: 220,
    parts: 90,
    canUndo: false,
    caution:
      'Check for a water jacket or oil gallery beside each hole before it is tapped larger, and seal those that meet water.',
  },
  openBoltHoles: {
    changes: ['head.boltHole.diameter'],
    name: 'Open the bolt holes of the head',
    hours: 1.5,
    price: 70,
    canUndo: false,
  },
  deck: {
    changes: ['block.deckHeight'],
    name: 'Deck the block',
    hours: 3,
    price: 180,
    canUndo: false,
    before: ['bore', 'hone', 'cutCounterbore'],
    bring: 'The camshaft bore or main line it is set up from, clean.',
  },
  millHead: {
    changes: ['head.chamber.volume', 'head.height'],
    name: 'Mill the head',
    hours: 1.5,
    price: 90,
    canUndo: false,
    spoils: ['head.chamber.volume', 'head.valve.recess'],
  },
  thickGasket: { name: 'Thicker head gasket', hours: 0, price: 60, parts: 60, canUndo: true },
  shimLiners: {
    changes: ['liner.flange.height'],
    name: 'Shim the liners',
    per: 'cylinder',
    hours: 1,
    price: 40,
    parts: 20,
    canUndo: true,
  },
  cutLiners: {
    changes: ['liner.shim'],
    name: 'Cut the liners for the shim',
    per: 'cylinder',
    hours: 2,
    price: 160,
    canUndo: false,
  },
  cutCounterbore: {
    changes: ['block.liner.seat'],
    name: 'Cut the counterbores',
    per: 'cylinder',
    hours: 3,
    price: 240,
    canUndo: false,
    before: ['shimLiners'],
    spoils: ['liner.protrusion'],
  },
  drillAndTap: {
    changes: ['block.headBolts'],
    name: 'Drill and tap',
    hours: 2.5,
    price: 150,
    canUndo: false,
    caution: 'Check for a water jacket or oil gallery behind the boss before drilling.',
  },
  otherDowels: { name: 'Other dowels for the head', hours: 1.5, price: 70, parts: 20, canUndo: false },
  plugPorts: { name: 'Plug coolant ports', hours: 1, price: 60, canUndo: true },
  cutPorts: { name: 'Cut coolant ports', hours: 3, price: 210, canUndo: false },
  dressFace: { changes: ['block.frontFace.height'], name: 'Dress the face', hours: 2, price: 110, canUndo: false },
  reamLifterBores: {
    changes: ['block.lifterBore.diameter', 'head.lifterBore.diameter'],
    name: 'Bore the lifter bores',
    per: 'valve',
    hours: 5,
    price: 380,
    canUndo: false,
  },
  bushLifterBores: {
    changes: ['block.lifterBore.diameter', 'head.lifterBore.diameter'],
    name: 'Bush the lifter bores',
    per: 'valve',
    hours: 8,
    price: 640,
    parts: 80,
    canUndo: true,
  },
  feedLifters: {
    changes: ['block.lifterOil'],
    name: 'Drill the oil feed',
    per: 'valve',
    hours: 6,
    price: 420,
    canUndo: false,
  },
  camBushes: { name: 'Other cam bushes', hours: 2, price: 120, parts: 60, canUndo: true },
  lifters: { name: 'Lifters with the cam', per: 'valve', hours: 1, price: 180, parts: 150, canUndo: true },
  pushrods: { name: 'Other pushrods', per: 'valve', hours: 0.5, price: 120, parts: 120, canUndo: true },
  shimSprings: {
    changes: ['head.spring.installedHeight'],
    name: 'Shim the springs',
    per: 'valve',
    hours: 1,
    price: 30,
    parts: 10,
    canUndo: true,
    caution: 'Compressed springs fly: use a proper compressor and guard the eyes.',
  },
  cutSpringSeats: {
    changes: ['head.spring.installedHeight'],
    name: 'Cut the spring seats',
    per: 'valve',
    hours: 2,
    price: 110,
    canUndo: false,
  },
  reamGuides: {
    changes: ['head.guide.bore'],
    name: 'Ream the guides',
    per: 'valve',
    hours: 2,
    price: 90,
    canUndo: false,
    before: ['cutSeats'],
    spoils: ['valve.stem.clearance'],
    bring: 'The valves.',
  },
  bushGuides: {
    changes: ['head.guide.bore'],
    name: 'Line the guides',
    per: 'valve',
    hours: 4,
    price: 230,
    parts: 60,
    canUndo: true,
    before: ['cutSeats'],
    spoils: ['valve.stem.clearance'],
    bring: 'The valves.',
  },
  cutSeats: {
    changes: ['head.valve.exhaust', 'head.valve.intake'],
    name: 'Recut the valve seats',
    per: 'valve',
    hours: 3,
    price: 170,
    canUndo: false,
    before: ['millHead'],
    spoils: ['head.valve.recess', 'head.chamber.volume'],
    bring: 'The valves, marked with their places.',
  },
  shimBearing: { name: 'Shim the bearing', hours: 0.5, price: 20, canUndo: true },
  sleeveBearing: {
    changes: ['block.mainHousing.diameter'],
    name: 'Sleeve the bearing housing',
    hours: 3,
    price: 190,
    parts: 40,
    canUndo: true,
  },
  ...NEW_PARTS,
  getCompanions: { name: 'Get the companions', hours: 0, price: 300, parts: 300, canUndo: true },
  takeAlong: { name: 'Take what belongs to it', hours: 0.5, price: 120, parts: 100, canUndo: true },
} as const satisfies Record<string, Operation>;

export type OperationId = keyof typeof OPERATIONS;
export const OPERATION_IDS = Object.keys(OPERATIONS) as OperationId[];

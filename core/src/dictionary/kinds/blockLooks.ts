import { counted, look, presence } from '../entries.js';
import { COOLANT_FACE, FRONT_DRIVE, HEAD_DOWELS, LINER_SHIM } from '../options.js';
import { REAR_SEAL_OPTIONS } from '../rearSeal.js';

/** What is seen of a block. */
export const BLOCK_LOOKS = {
  mainCount: counted(
    'Main bearings',
    'mains, main bearings, main caps, caps',
    'Count the main caps, the front and rear ones included.',
    [1, 13],
    {
      misjudged: 0.005,
      reach: 'panOff',
    },
  ),
  cylinders: counted('Cylinders', 'cylinders, cylinder, cyl, holes, bores', 'Count the bores.', [1, 16], {
    misjudged: 0.001,
    reach: 'outside',
  }),
  capBolts: counted(
    'Bolts in a main cap',
    'cap bolts, bolt mains, bolt caps, bolt main, bolt cap, bolt main caps, bolts per cap, bolts a cap, bolt',
    'Count the bolts of one middle cap, cross bolts from the side included.',
    [2, 6],
    {
      reach: 'panOff',
    },
  ),
  capSplay: presence(
    'Splayed cap bolts',
    'splay',
    'Lay a rule along the outer bolts of a middle cap: splayed ones lean away from the crank, straight ones stand square to the pan rail.',
    'splayed | splayed, splayed bolts',
    'straight | straight, straight bolts',
    { reach: 'panOff' },
  ),
  headBoltCount: counted(
    'Head bolts round a cylinder',
    'head bolts, head studs, head bolts per cylinder, head bolts a cylinder, head bolts round each cylinder',
    'Count the bolt holes that ring one cylinder, shared ones included.',
    [3, 8],
    {
      reach: 'headOff',
    },
  ),
  camBearings: counted(
    'Cam bearings',
    'cam bearings, cam bores',
    'Count the cam bores through the block; none where the cam is in the head.',
    [0, 9],
    {
      reach: 'rotatingPartsOut',
    },
  ),
  fuelPumpHole: presence(
    'Fuel pump hole',
    'fuel pump hole, fuel pump holes, fuel pump opening, fuel pump pad, fuel pump boss, fuel pump',
    'Look along the sides for a machined pad with a hole into the case, where a pump runs off an eccentric of the cam.',
    'hole for a fuel pump | with fuel pump hole, fuel pump pad drilled',
    'no hole for a fuel pump | no fuel pump hole, fuel pump pad blank',
    { reach: 'outside' },
  ),
  freezePlugs: counted(
    'Freeze plugs a side',
    'freeze plugs, core plugs, welch plugs, freeze plugs a side, freeze plugs each side, freeze plugs per side, core plugs a side, core plugs each side, core plugs per side',
    'Count the round pressed plugs along one side of the water jacket.',
    [0, 8],
    {
      misjudged: 0.02,
      reach: 'outside',
    },
  ),
  breathers: counted(
    'Breather holes',
    'breathers, breather holes',
    'Count the holes between neighbouring crank bays, above the main saddles.',
    [0, 12],
    {
      misjudged: 0.02,
      reach: 'panOff',
    },
  ),
  deck: look(
    'Deck',
    'deck form',
    'Look at the water jacket at the deck: open all round the bores, bridged at places, or closed but for drilled holes.',
    {
      open: 'open deck | open deck',
      semi: 'semi-closed deck | semi closed, semi closed deck, bridged',
      closed: 'closed deck | closed deck',
    },
    { reach: 'headOff', misjudged: 0.01 },
  ),
  cylinderWall: look(
    'Cylinders are',
    'cylinder form',
    'A wet liner shows its flange in a recess and rings below; a dry one a thin seam at the deck; a parent bore none.',
    {
      parent: 'bored in the block | parent bore, no liners',
      dryLiner: 'dry liners | dry liners, dry sleeves, dry liner',
      wetLiner: 'wet liners | wet liners, wet sleeves, wet liner',
    },
    { reach: 'headOff' },
  ),
  boreSurface: look(
    'Cylinder surface',
    'cylinder surface, bore surface, bore material',
    'A magnet holds to an iron bore. In an aluminium cylinder look at the ends of the bore: plating and spray show an edge, bare silicon a dull, even grey.',
    {
      iron: 'iron | iron bores, iron bore, iron cylinders',
      plated: 'plated | plated bores, plated bore, plated cylinder',
      sprayed: 'sprayed | sprayed bores, sprayed bore',
      silicon: 'bare aluminium with silicon | silicon bores, silicon bore, bare aluminium bores',
    },
    { misjudged: 0.03, reach: 'headOff' },
  ),
  linerRings: counted(
    'Seal rings of a liner',
    'liner rings, seal rings',
    'Count the bright bands that the seal rings of a liner left in its lower seat; none where the liners are dry or there are none.',
    [0, 4],
  ),
  linerShim: look(
    'Shim under the liners',
    'liner shim',
    'Look into the counterbore of a liner that came out: a brass or steel ring lies on the seat, or the flange sat on bare iron.',
    LINER_SHIM,
    { reach: 'headOff' },
  ),
  intake: look(
    'Intake valley',
    'valley',
    'A wet valley has coolant ports in the end rails under the manifold; a dry one has none.',
    { wet: 'wet intake | wet, wet intake, wet valley', dry: 'dry intake | dry, dry intake, dry valley' },
    { misjudged: 0.03, reach: 'outside', minutes: 1 },
  ),
  coolantRoute: look(
    'Coolant leaves',
    'coolant route, coolant',
    'Look for ports in the deck that meet the head; where there are none, the coolant goes by the intake face.',
    COOLANT_FACE,
    {
      reach: 'headOff',
    },
  ),
  mainsRun: look(
    'Mains run in',
    'mains run, main bearing form',
    'Split caps and thin shells, or a case that takes whole rolling bearings.',
    { shells: 'shells | plain mains, shell mains', rolling: 'rolling bearings | rolling mains, ball mains' },
    { misjudged: 0.002, reach: 'panOff' },
  ),
  frontDrive: look(
    'Hub is driven by',
    'hub drive, front hub drive',
    'Look into the pulley hub that belongs to the block: a keyway, plain faces that are clamped, a spline, or a bore that narrows.',
    FRONT_DRIVE,
    { reach: 'outside' },
  ),
  deactivation: presence(
    'Oil valves for deactivating lifters',
    'deactivation valves, oil valves',
    'Look for solenoid valves or their towers over the lifter galleries.',
    'with oil valves | deactivation oil',
    'no oil valves | no deactivation oil',
    { reach: 'headOff' },
  ),
  headDowels: look(
    'Head dowels',
    'dowels, head dowels, dowel',
    'Look at the deck: two solid pins beside the bolts, hollow sleeves round two of the bolts, or nothing at all.',
    HEAD_DOWELS,
    { reach: 'headOff' },
  ),
  rearSeal: look(
    'Rear seal form',
    'seal form, seal type, rear seal form',
    'Two half grooves in block and cap take a rope; a bolted round housing takes a lip seal.',
    REAR_SEAL_OPTIONS,
    {
      reach: 'outside',
      minutes: 1,
    },
  ),
  lipGroove: presence(
    'Groove for a web lip',
    'lip groove',
    'Look into the case behind the rear main: a turned groove, or plain casting.',
    'groove present | with groove, grooved case',
    'plain case | no groove, plain case',
    { reach: 'rotatingPartsOut', minutes: 1 },
  ),
  squirters: presence(
    'Piston squirters',
    'squirters, oil jets, oil squirters, piston oil squirters, piston jets',
    'Look up each bore from below: a squirter is a small bent nozzle by the main saddle; plugs mean it was left out.',
    'squirters fitted | with squirters, with oil jets',
    'no squirters | no squirters, without squirters',
    { reach: 'panOff' },
  ),
  lifterOil: presence(
    'Oil feed to the lifters',
    'lifter oil, lifter gallery',
    'A drilled gallery crosses the lifter bores where hydraulic lifters can live; a solid-lifter block has plain bores.',
    'lifter gallery drilled | lifter gallery, oiled lifters',
    'no lifter gallery | no lifter gallery',
    { reach: 'rotatingPartsOut' },
  ),
  material: look(
    'Cast of',
    'material, cast of',
    'A magnet holds to iron; aluminium is light, bright where scraped and has iron liners or none.',
    { iron: 'iron | iron, cast iron', aluminium: 'aluminium | aluminium, aluminum, alloy' },
    { reach: 'outside', misjudged: 0.002 },
  ),
};

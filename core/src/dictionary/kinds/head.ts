import { defineKind } from '../definition.js';
import { BY_BORE_GAUGE, counted, face, look, markedAt, measured, presence } from '../entries.js';
import { CHAMBER_POSITION, COOLANT_FACE } from '../options.js';

/** The cylinder head, bare or with its valves. */
export const head = defineKind({
  id: 'head',
  name: 'Head',
  plural: 'Heads',
  words: ['head', 'heads', 'cylinder head', 'cylinder heads'],
  parameters: {
    'chamber.volume': measured(
      'Chamber volume',
      'chamber, chamber cc',
      'Volume of one chamber with valves and plug in, from the face, by burette under a plate.',
      [3, 250],
      {
        quantity: 'volume',
        reach: 'headOff',
        drawing: 'chamber',
      },
    ),
    height: measured('Height', 'head height, thickness', 'Distance from the face to the cover rail or the upper machined face.', [30, 250], {
      wear: 'shrinks',
      usualWear: 0.1,
      usualTolerance: 0.1,
      reach: 'headOff',
      drawing: 'height',
    }),
    'height.least': measured('Least height', 'minimum height, least thickness', 'Height below which the head must not be surfaced.', [30, 250], {
      instruments: ['sheet'],
      drawing: 'leastHeight',
    }),
    'camBore.diameter': measured('Cam bearing', 'cam bore, cam tunnel', 'Diameter of the cam bearings in the head, where the cam runs there.', [14, 80], {
      wear: 'grows',
      usualTolerance: 0.012,
      instruments: BY_BORE_GAUGE,
      minutes: 3,
      drawing: 'camBore',
    }),
    'lifterBore.diameter': measured(
      'Bucket bore',
      'lifter bore, tappet bore',
      'Diameter of the bores in which buckets or lifters run, where the head carries them.',
      [8, 45],
      {
        wear: 'grows',
        usualTolerance: 0.012,
        instruments: BY_BORE_GAUGE,
      },
    ),
    'valve.intake': measured('Intake valve head', 'intake valve, inlet valve', 'Diameter of the intake valve that the seat takes.', [12, 75], {
      usualTolerance: 0.1,
      reach: 'headOff',
      drawing: 'intakeValve',
    }),
    'valve.exhaust': measured('Exhaust valve head', 'exhaust valve', 'Diameter of the exhaust valve that the seat takes.', [12, 70], {
      usualTolerance: 0.1,
      reach: 'headOff',
      drawing: 'exhaustValve',
    }),
    'valve.angle': measured('Valve angle', 'angle', 'Angle of the intake valve stems to the cylinder axis.', [0, 45], { quantity: 'angle', reach: 'headOff' }),
    'guide.bore': measured('Guide bore', 'guide, valve guide', 'Diameter of a valve guide, for the stem.', [4, 16], {
      wear: 'grows',
      usualWear: 0.03,
      usualTolerance: 0.012,
      instruments: ['plug', 'boreGauge'],
      minutes: 2,
    }),
    'spring.installedHeight': measured(
      'Spring installed height',
      'installed height',
      'Height of the valve spring when the valve is closed, seat to retainer.',
      [15, 80],
      { usualTolerance: 0.3, minutes: 2 },
    ),
    boreSpacing: measured('Chamber spacing', 'bore spacing, chamber centres', 'Distance between the middles of two neighbouring chambers.', [35, 320], {
      usualTolerance: 0.15,
      reach: 'headOff',
      drawing: 'spacing',
    }),
  },
  features: {
    bolts: counted('Head bolts', 'bolts, head bolts, bolt holes, studs', 'Count the holes for head bolts or studs in one head.', [3, 40], { reach: 'outside' }),
    camBearings: counted('Cam bearings', 'cam bearings', 'Count the cam bearings in the head; none where the cam is in the block.', [0, 9]),
    valves: counted('Valves a cylinder', 'valves, valves per cylinder', 'Count the valves of one chamber.', [1, 5], { misjudged: 0.002, reach: 'headOff' }),
    chamberForm: look(
      'Chamber form',
      'chamber shape',
      'Look at the face: a flat head has no hollow; a wedge falls to one side; a pent roof has two slopes; a heart is cut in on one side.',
      {
        flat: 'flat | flat face',
        wedge: 'wedge | wedge',
        bathtub: 'bathtub | bathtub',
        heart: 'heart | heart, kidney',
        pentRoof: 'pent roof | pent roof, pentroof',
        hemispherical: 'hemispherical | hemi, hemispherical, round',
        prechamber: 'with prechamber | prechamber, swirl chamber',
      },
      { reach: 'headOff', misjudged: 0.04 },
    ),
    chamberPosition: look('Chamber', 'chamber position', 'Lay the gasket on: the chamber sits in the middle of the bore or to one side.', CHAMBER_POSITION, {
      reach: 'headOff',
    }),
    intakePorts: look(
      'Intake ports',
      'port form, ports',
      'Look at the intake face: round, oval, or tall and narrow.',
      { round: 'round | round ports', oval: 'oval | oval ports', rectangular: 'rectangular | rectangular ports, square ports' },
      { reach: 'outside' },
    ),
    coolant: look(
      'Coolant leaves',
      'coolant face, coolant route',
      'Look for coolant holes in the intake face; where there are none they are in the deck.',
      COOLANT_FACE,
      { reach: 'outside' },
    ),
    secondaryAir: presence(
      'Secondary air ports',
      'secondary air, air injection',
      'Look above the exhaust ports for small threaded or drilled holes.',
      'air ports | air ports, with air',
      'no air ports | no air ports',
      {
        reach: 'outside',
      },
    ),
    oilFeed: look(
      'Oil to the rockers',
      'oil feed, rocker oil',
      'Through a drilled bolt hole, through a drilling of its own, or up the pushrods.',
      { bolt: 'by a bolt hole | oil by bolt', drilling: 'by a drilling | oil by drilling', pushrods: 'by the pushrods | oil by pushrods' },
      { misjudged: 0.06, reach: 'headOff', minutes: 2 },
    ),
    plug: look(
      'Spark plug seat',
      'plug seat, plugs',
      'A tapered seat needs no washer; a flat one does; a diesel has an injector instead.',
      { tapered: 'tapered | tapered plug', gasket: 'flat, with washer | flat seat', injector: 'injector | injector' },
      { reach: 'outside' },
    ),
    material: look(
      'Cast of',
      'material',
      'A magnet holds to iron.',
      { iron: 'iron | iron, cast iron', aluminium: 'aluminium | aluminium, aluminum, alloy' },
      { reach: 'outside', misjudged: 0.002 },
    ),
    accessoryHoles: presence(
      'Accessory holes at the ends',
      'accessory holes, end holes',
      'Look at the end faces for bosses that are drilled and tapped; an undrilled boss at the right place can be.',
      'drilled | ends drilled',
      'undrilled | ends undrilled',
      { reach: 'outside' },
    ),
  },
  markPlaces: {
    end: markedAt('end of the head', 'end, on end', ['cast'], 'outside'),
    top: markedAt('under the cover', 'under cover, top', ['cast', 'stamped'], 'outside'),
    port: markedAt('beside a port', 'port, by port', ['cast'], 'outside'),
    face: markedAt('face', 'on face', ['stamped', 'cast'], 'headOff'),
  },
  interfaces: {
    headBolts: face('Head bolt pattern', 'Bolt places, threads and dowels by which the head is held.'),
    coolantPorts: face('Coolant ports', 'Which coolant holes open in the face, and where.'),
    intakeManifold: face('Intake manifold', 'Bolt places and port places of the intake face.'),
    exhaustManifold: face('Exhaust manifold', 'Bolt places and port places of the exhaust face.'),
    camCarrier: face('Cam carrier', 'The carrier machined as a pair with the head.'),
  },
});

import { defineKind } from '../definition.js';
import { BY_BORE_GAUGE, counted, look, markedAt, measured, presence, stated } from '../entries.js';
import { PIN_FIXING } from '../options.js';

/** The connecting rod, with its cap on. */
export const rod = defineKind({
  id: 'rod',
  name: 'Rod',
  plural: 'Rods',
  words: ['rod', 'rods', 'connecting rod', 'connecting rods', 'conrod', 'con rod'],
  parameters: {
    length: measured(
      'Length',
      'rod length, centres, centers, centre to centre, c c, c/c, c to c, centre distance, between centres, rod, rods, long',
      'Distance between the axes of big end and small end.',
      [45, 450],
      {
        usualTolerance: 0.05,
        instruments: ['heightGauge', 'caliper', 'rule'],
        minutes: 4,
        drawing: 'length',
      },
    ),
    'bigEnd.bore': measured(
      'Big end',
      'big end bore, big end diameter, big ends, big end housing, big end inside diameter',
      'Diameter of the big end with its cap torqued and no shells in it.',
      [14, 150],
      {
        wear: 'grows',
        usualWear: 0.004,
        usualTolerance: 0.008,
        instruments: BY_BORE_GAUGE,
        minutes: 2,
        drawing: 'bigEnd',
      },
    ),
    'bigEnd.width': measured('Big end width', 'rod width', 'Width of the big end across its side faces.', [8, 80], {
      wear: 'shrinks',
      usualWear: 0.02,
      usualTolerance: 0.03,
      reach: 'panOff',
      drawing: 'bigEndWidth',
    }),
    'bigEnd.reach': measured(
      'Reach of the big end',
      'big end reach, bolt reach, cap reach',
      'Distance from the big end axis to the farthest corner of a rod bolt or the cap.',
      [12, 150],
      { usualTolerance: 0.4, taking: 0.3, minutes: 2 },
    ),
    'smallEnd.bore': measured(
      'Small end',
      'small end bore, small end diameter, bush, pin bore, gudgeon pin bush, gudgeon bush, small end bush, wrist pin bush, pin bush, little end, small end inside diameter',
      'Diameter in which the pin sits, bush included where there is one.',
      [6, 80],
      {
        wear: 'grows',
        usualWear: 0.006,
        usualTolerance: 0.006,
        instruments: BY_BORE_GAUGE,
        minutes: 2,
        drawing: 'smallEnd',
      },
    ),
    'smallEnd.width': measured('Small end width', 'top width', 'Width of the small end across its faces.', [6, 80], {
      usualTolerance: 0.05,
      drawing: 'smallEndWidth',
    }),
    'smallEnd.housing': measured(
      'Small end without bush',
      'bush housing, eye',
      'Diameter of the small end eye with its bush pressed out.',
      [8, 90],
      {
        usualTolerance: 0.01,
        instruments: BY_BORE_GAUGE,
        minutes: 4,
      },
    ),
    sideClearance: stated(
      'Side clearance, as specified',
      'side clearance',
      'Endways play of the rods on their pin that the maker asks for.',
      [0.02, 3],
      {
        usualTolerance: 0.05,
      },
    ),
    'bolt.diameter': measured(
      'Bolt size',
      'bolt diameter, rod bolt, bolts, rod bolts, bolt, cap bolt',
      'Thread diameter of a cap bolt.',
      [4, 24],
      {
        usualTolerance: 0.1,
        thread: true,
        drawing: 'bolt',
      },
    ),
    mass: measured(
      'Weight',
      'mass, total weight, weighs, total mass',
      'Weight of the bare rod with cap and bolts, without shells.',
      [60, 6000],
      {
        quantity: 'mass',
        usualTolerance: 6,
      },
    ),
    'mass.bigEnd': measured(
      'Big end weight',
      'big end mass, rotating weight, big end',
      'Weight at the big end with the small end carried on its axis, rod level.',
      [40, 4500],
      { quantity: 'mass', minutes: 3 },
    ),
    'mass.smallEnd': measured(
      'Small end weight',
      'small end mass, reciprocating weight, small end',
      'Weight at the small end with the big end carried on its axis, rod level.',
      [15, 2000],
      {
        quantity: 'mass',
        minutes: 3,
      },
    ),
  },
  features: {
    pinFixing: look(
      'Pin',
      'pin fixing, small end form',
      'A bush in the small end means a floating pin; a plain steel bore that grips the pin means a pressed one.',
      PIN_FIXING,
    ),
    located: look(
      'Located at',
      'located end',
      'Measure both ends: the end whose width is close to its seat is the one that locates the rod.',
      {
        bigEnd: 'the big end | located at big end, big end located',
        smallEnd: 'the small end | located at small end, small end located',
      },
      { misjudged: 0.04, minutes: 2 },
    ),
    beam: look(
      'Beam',
      'beam form',
      'Cut across the shank in thought: an I has its flanges to the sides of the engine, an H to its ends; a flat one has neither.',
      { i: 'I beam | i beam', h: 'H beam | h beam', flat: 'flat | flat beam, plain beam' },
      { misjudged: 0.005 },
    ),
    made: look(
      'Made how',
      'made, material',
      'A forged rod has a wide sheared band round it; a powder-forged one a fine even skin and no band; a billet one tool marks all over; a cast one a thin line.',
      {
        forged: 'forged | forged, forging',
        powder: 'powder forged | powder, powder metal, sintered',
        billet: 'from billet | billet',
        cast: 'cast | cast, casting',
      },
      { misjudged: 0.06 },
    ),
    capSplit: look(
      'Cap split',
      'split, parting, cap, caps, cap joint',
      'Look at the joint of cap and rod: a machined one is flat and bright, a fractured one grainy and fits only its own rod; one piece has no joint.',
      {
        machined: 'machined | machined, machined cap, sawn, sawn, cut cap',
        fractured: 'fractured | fractured, cracked, fractured cap, fracture split, fracture split cap, split cap',
        onePiece: 'in one piece | one piece, one-piece rod, no split',
      },
      { misjudged: 0.01 },
    ),
    boltType: look(
      'Cap bolts',
      'bolts, bolt type',
      'A through bolt shows a nut on the cap; a cap screw threads into the rod; a stud is fixed in the rod and carries a nut.',
      {
        bolt: 'bolt and nut | bolt and nut, nuts',
        screw: 'cap screw | cap screw, screws, cap screws',
        stud: 'stud and nut | stud, studs',
        none: 'none | no bolts',
      },
    ),
    boltGrade: look(
      'Bolt grade',
      'grade, bolt strength',
      'Read the figures on the bolt head; property classes after ISO 898-1.',
      { '8.8': '8.8', '10.9': '10.9', '12.9': '12.9', special: 'special | special grade' },
      { misjudged: 0.01 },
    ),
    drilling: presence(
      'Drilled to the pin',
      'drilling, oil drilling',
      'Look into the big end bore for a hole that runs up the beam; blow through it to the small end.',
      'drilled rod | drilled, drilled rod',
      'undrilled rod | undrilled, not drilled',
      { misjudged: 0.01 },
    ),
    smallEndForm: look(
      'Small end runs',
      'small end form, bush or needle, small end, little end',
      'A bush shows a bronze ring, a needle cage a hard bare eye; a pressed pin sits in plain steel.',
      {
        bush: 'in a bush | bushed, bush, bushed small end, bronze bush',
        needle: 'on needles | needle, needle cage, needle bearing, needle bearings',
        plain: 'pressed, without a bush | no bush, plain eye',
      },
      { misjudged: 0.01 },
    ),
    topOilHoles: counted(
      'Oil holes in the small end',
      'top holes, top oil holes, small end holes',
      'Count the splash holes in the top of the small end.',
      [0, 4],
    ),
    chamfer: look(
      'Chamfer at the crankpin fillet',
      'chamfer, chamfered',
      'Feel the edges of the big end bore: the chamfered side goes to the fillet; an even edge on both sides has none.',
      {
        oneSide: 'one side | chamfer one side, chamfer on one side, chamfered one side',
        bothSides: 'both sides | chamfer both sides, chamfer on both sides, chamfered both sides',
        none: 'none | no chamfer',
      },
    ),
  },
  markPlaces: {
    beam: markedAt('beam', 'beam, on beam, on the beam', ['cast', 'stamped']),
    cap: markedAt('cap and rod, at the joint', 'cap, on cap, joint', ['stamped', 'etched']),
    weightLetter: markedAt('weight letter', 'weight letter, on pad', ['stamped', 'painted', 'etched']),
    bigEndClass: markedAt('big end class', 'big end class', ['stamped', 'painted', 'etched']),
    smallEnd: markedAt('small end', 'on small end', ['cast', 'stamped']),
  },
  keySizes: ['length', 'bigEnd.bore', 'smallEnd.bore'],
  interfaces: {},
});

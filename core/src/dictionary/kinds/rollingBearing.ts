import { defineKind } from '../definition.js';
import { look, markedAt, measured, presence } from '../entries.js';

/** A ball, cylindrical roller or needle bearing. What its designation says follows from ISO 15 and ISO 5753-1. */
export const rollingBearing = defineKind({
  id: 'rollingBearing',
  name: 'Rolling bearing',
  plural: 'Rolling bearings',
  words: ['rolling bearing', 'rolling bearings', 'ball bearing', 'roller bearing', 'needle bearing', 'bearing'],
  places: [
    { id: 'mainBearing', name: 'Main bearing', after: 'mainShell' },
    { id: 'bigEndBearing', name: 'Big end bearing', after: 'rodShell' },
    { id: 'smallEndBearing', name: 'Small end bearing', after: 'bigEndBearing' },
  ],
  chosenFreely: true,
  parameters: {
    bore: measured(
      'Bore',
      'inside diameter, id, inside',
      'Diameter of the bore of the inner ring; of a drawn cup, the shaft it runs on.',
      [3, 200],
      {
        usualTolerance: 0.006,
        drawing: 'bore',
      },
    ),
    outside: measured('Outside diameter', 'od, outside', 'Outside diameter of the outer ring.', [8, 320], {
      usualTolerance: 0.007,
      drawing: 'outside',
    }),
    width: measured('Width', 'thickness', 'Width over the rings.', [2, 120], {
      usualTolerance: 0.06,
      drawing: 'width',
    }),
    clearance: measured(
      'Radial internal clearance',
      'radial play, clearance',
      'Play of one ring against the other before fitting.',
      [0, 0.3],
      {
        wear: 'grows',
        usualTolerance: 0.004,
        instruments: ['feeler'],
        minutes: 3,
      },
    ),
  },
  features: {
    form: look(
      'Rolling elements',
      'type, rolling elements',
      'Look between the rings: balls, thick rollers, or needles more than three times as long as thick.',
      {
        ball: 'balls | balls, deep groove',
        cylindrical: 'cylindrical rollers | rollers, cylindrical',
        needle: 'needles | needles, needle roller, needle rollers',
        angular: 'balls at an angle | angular contact',
      },
      { misjudged: 0.005 },
    ),
    innerShoulder: look(
      'Shoulders of the inner ring',
      'inner shoulders, inner ring',
      'A plain inner ring slides out both ways, one with a shoulder only one way, one with two not at all.',
      { none: 'none | plain inner ring', one: 'one | shouldered inner ring, one shoulder', two: 'two | two shoulders' },
    ),
    outerShoulder: look(
      'Shoulders of the outer ring',
      'outer shoulders, outer ring',
      'Look into the outer ring where the rollers run: flanges on both sides, on one, or none.',
      { none: 'none | plain outer ring', one: 'one | shouldered outer ring', two: 'two | two outer shoulders' },
    ),
    cage: look(
      'Cage',
      'cage material',
      'Look at the separator: pressed steel is thin and grey, brass is thick and yellow, moulded is dark and light.',
      {
        steel: 'pressed steel | steel cage',
        brass: 'brass | brass cage',
        polyamide: 'moulded | polyamide cage, plastic cage',
        full: 'none, full complement | full complement',
      },
    ),
    cover: look('Covers', 'shields, seals', 'A shield is thin metal with a gap, a seal is rubber that touches.', {
      open: 'open | open bearing',
      shield: 'shields | shields, shielded',
      seal: 'seals | seals, sealed',
    }),
    clearanceClass: look(
      'Clearance class',
      'clearance class',
      'Read it from the designation: C2, none, C3, C4 or C5.',
      {
        C2: 'C2 | c2',
        CN: 'normal | cn, c0',
        C3: 'C3 | c3',
        C4: 'C4 | c4',
        C5: 'C5 | c5',
      },
    ),
    snapRing: presence(
      'Snap ring groove',
      'snap ring',
      'A groove round the outer ring holds a snap ring.',
      'snap ring groove | with snap ring',
      'no groove | no snap ring',
    ),
  },
  markPlaces: { face: markedAt('face of a ring', 'face, on face', ['etched', 'stamped']) },
  together: [{ sizes: ['bore', 'outside', 'width'], words: [], as: 'sizes' }],
  keySizes: ['bore', 'outside', 'width'],
  interfaces: {},
});

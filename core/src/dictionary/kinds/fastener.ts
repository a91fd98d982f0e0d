import { defineKind } from '../definition.js';
import { look, markedAt, measured, stated } from '../entries.js';

/** A bolt or stud that holds something that matters. Property classes after ISO 898-1. */
export const fastener = defineKind({
  id: 'fastener',
  name: 'Fastener',
  plural: 'Fasteners',
  words: ['fastener', 'fasteners', 'head bolt', 'rod bolt', 'main bolt'],
  places: [
    { id: 'headBolt', name: 'Head bolts', after: 'flywheel' },
    { id: 'mainBolt', name: 'Main cap bolts', after: 'headBolt' },
    { id: 'rodBolt', name: 'Rod bolts', after: 'mainBolt' },
  ],
  parameters: {
    'thread.diameter': measured(
      'Thread',
      'thread diameter, diameter, size',
      'Outside diameter of the thread.',
      [3, 36],
      {
        usualTolerance: 0.1,
        drawing: 'thread',
      },
    ),
    'thread.pitch': measured(
      'Pitch',
      'thread pitch',
      'Distance from thread to thread; for inch threads one inch over the threads an inch.',
      [0.4, 4.5],
      {
        usualTolerance: 0.01,
        drawing: 'pitch',
      },
    ),
    length: measured(
      'Length',
      'under head, length under head',
      'Length under the head, or of a stud over all.',
      [8, 320],
      {
        usualTolerance: 0.3,
        drawing: 'length',
      },
    ),
    'length.greatest': stated(
      'Greatest length for reuse',
      'length limit',
      'Length past which a stretched bolt must be thrown away.',
      [8, 330],
      {
        usualTolerance: 0.05,
      },
    ),
    'head.width': measured(
      'Across flats',
      'head width, spanner, wrench',
      'Width of the head across its flats.',
      [5, 55],
      {
        usualTolerance: 0.15,
        drawing: 'head',
      },
    ),
  },
  features: {
    form: look(
      'Form',
      'type',
      'A bolt has a head, a stud two threads, a nut none of its own length.',
      { bolt: 'bolt | bolt', stud: 'stud | stud', screw: 'cap screw | cap screw, socket head', nut: 'nut | nut' },
      {
        misjudged: 0.001,
      },
    ),
    series: look('Thread series', 'series', 'Lay a thread gauge on: metric by pitch, inch by threads an inch.', {
      metric: 'metric | metric',
      unc: 'inch, coarse | unc, coarse',
      unf: 'inch, fine | unf, fine',
    }),
    grade: look(
      'Property class',
      'grade, strength',
      'Read the figures on the head; classes after ISO 898-1; three or six lines on an inch bolt.',
      {
        '8.8': '8.8',
        '10.9': '10.9',
        '12.9': '12.9',
        lines3: 'three lines | three lines',
        lines6: 'six lines | six lines',
        unmarked: 'unmarked | unmarked',
      },
    ),
    reuse: look(
      'Used again',
      'reuse, torque to yield',
      'A waisted shank or an angle-torque figure means it stretches: once only.',
      {
        yes: 'may be used again | reusable',
        once: 'once only | once only, torque to yield, tty',
      },
    ),
  },
  markPlaces: { head: markedAt('head', 'head, on head', ['stamped', 'cast'], 'outside') },
  interfaces: {},
});

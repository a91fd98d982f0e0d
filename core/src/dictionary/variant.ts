import { defineKind } from './definition.js';
import { BORE_OVERSIZES } from './serviceSizes.js';
import { counted, look, markedAt, stated } from './entries.js';

/**
 * A whole engine as a catalogue describes it. No kind of part, but told with the same words, so that it is compared and
 * edited alike.
 */
export const variant = defineKind({
  id: 'variant',
  name: 'Engine variant',
  plural: 'Engine variants',
  words: ['engine', 'variant'],
  parameters: {
    bore: stated('Bore', 'cylinder bore', 'Nominal diameter of the cylinders.', [25, 220], {
      usualTolerance: 0.05,
      wear: 'grows',
      usualWear: 0.03,
      reach: 'headOff',
      instruments: ['caliper', 'boreGauge', 'telescopingGauge', 'rule'],
      service: BORE_OVERSIZES,
      minutes: 2,
    }),
    stroke: stated('Stroke', 'piston stroke', 'Nominal stroke.', [20, 220], {
      usualTolerance: 0.1,
      reach: 'headOff',
      instruments: ['caliper', 'heightGauge', 'rule'],
      minutes: 4,
    }),
    displacement: stated(
      'Stated size',
      'size, displacement, capacity, swept volume',
      'Swept volume of all cylinders as the maker states it.',
      [15, 40000],
      {
        quantity: 'volume',
        usualTolerance: 8,
      },
    ),
    ratio: stated('Compression ratio', 'ratio, cr', 'Compression ratio as the maker states it.', [5, 26], {
      quantity: 'ratio',
    }),
    ratedSpeed: stated('Rated speed', 'speed, rpm', 'Speed at which the rating is given.', [300, 12000], {
      quantity: 'speed',
    }),
  },
  features: {
    cylinders: counted('Cylinders', 'cylinders, cyl', 'Count the cylinders.', [1, 16]),
    layout: look(
      'Layout',
      'arrangement',
      'Look at the engine from the front: one row, two rows at an angle, two rows opposed.',
      {
        single: 'single cylinder | single',
        inline: 'in line | inline, straight',
        vee: 'vee | vee, v',
        flat: 'flat | flat, opposed',
      },
    ),
    cycle: look('Works on', 'cycle', 'A two-stroke has ports in its cylinders; a four-stroke has valves.', {
      two: 'two strokes | two stroke',
      four: 'four strokes | four stroke',
    }),
    fuel: look('Fuel', 'fuel', 'Spark plugs mean petrol or gas; injectors into the chamber mean diesel.', {
      petrol: 'petrol | petrol, gasoline',
      diesel: 'diesel | diesel',
      gas: 'gas | gas, lpg',
    }),
    valveGear: look('Valves are driven', 'valve gear', 'Pushrods from a cam in the block, or a cam in the head.', {
      pushrod: 'by pushrods | pushrods, ohv',
      overhead: 'by a cam in the head | overhead cam, ohc',
      ports: 'ports only | ports',
    }),
  },
  markPlaces: {
    pad: markedAt('serial pad', 'pad, serial', ['stamped'], 'outside'),
    tag: markedAt('tag', 'tag', ['tag', 'etched'], 'outside'),
  },
  interfaces: {},
});

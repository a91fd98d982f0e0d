import { defineKind } from '../definition.js';
import { BY_MICROMETER, counted, look, markedAt, measured } from '../entries.js';

/** A thrust washer, whole or in halves. */
export const thrustWasher = defineKind({
  id: 'thrustWasher',
  name: 'Thrust washer',
  plural: 'Thrust washers',
  words: ['thrust washer', 'thrust washers', 'thrust half', 'thrust ring'],
  places: [{ name: 'Thrust washers', after: 'mainBearing' }],
  fittedNew: { operation: 'newThrustWashers', name: 'New thrust washers', hours: 0.5, price: 35, parts: 35 },
  drawnAs: { form: 'ring', outside: 'outside', inside: 'inside', width: 'thickness' },
  parameters: {
    thickness: measured('Thickness', 'thick', 'Thickness over steel and lining.', [0.8, 10], {
      wear: 'shrinks',
      usualWear: 0.03,
      usualTolerance: 0.012,
      service: { mm: ['0.125', '0.25', '0.375'], in: ['0.005', '0.010', '0.015'] },
      instruments: BY_MICROMETER,
      drawing: 'thickness',
    }),
    outside: measured('Outside diameter', 'od, outside', 'Outside diameter.', [20, 220], {
      usualTolerance: 0.15,
      drawing: 'outside',
    }),
    inside: measured('Inside diameter', 'id, inside', 'Inside diameter.', [12, 190], {
      usualTolerance: 0.15,
      drawing: 'inside',
    }),
  },
  features: {
    form: look(
      'Form',
      'halves or whole',
      'Two halves to a side, or one whole ring.',
      { halves: 'halves | halves', whole: 'whole ring | whole ring' },
      { misjudged: 0.001 },
    ),
    grooves: counted(
      'Oil grooves',
      'grooves, oil grooves',
      'Count the grooves in the lined face; that face looks to the crank.',
      [0, 6],
    ),
    tab: look('Tab', 'tongue', 'A tab stands out of the rim and keeps the washer from turning.', {
      present: 'tab | with tab',
      none: 'no tab | no tab',
    }),
  },
  markPlaces: { back: markedAt('steel side', 'back, on back', ['stamped', 'etched']) },
  interfaces: {},
});

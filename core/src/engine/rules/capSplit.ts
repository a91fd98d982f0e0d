import { rod } from '../../dictionary/kinds/rod.js';
import { groupedBy, ids, names, ofKind, type MixRule } from './rule.js';

/**
 * Machine-cut and fractured rods of one engine take different shells, and the wrong shells destroy it.
 * *Common practice, no source.*
 */
export const capSplit: MixRule = {
  id: 'capSplit',
  name: 'Fractured and machined caps',
  find: ({ parts }) => {
    const split = rod.features.capSplit.id;
    const groups = groupedBy(
      ofKind(parts, 'rod'),
      ({ readings }) =>
        readings.flatMap((reading) =>
          reading.sort === 'look' && reading.feature === split ? [reading.option] : [],
        )[0],
    );
    const [fractured, machined] = [groups.get('fractured'), groups.get('machined')];
    if (!fractured || !machined) return [];
    return [
      {
        rule: 'capSplit',
        weight: 'refuse' as const,
        says: [
          `Fractured caps on ${names(fractured)}, machined ones on ${names(machined)}: they take different shells, and the wrong shells destroy the engine.`,
        ],
        specimens: ids([...fractured, ...machined]),
      },
    ];
  },
};

import { rod } from '../../dictionary/kinds/rod.js';
import { concerning, engineRule, groupedBy, names, ofKind, type PartRead } from './rule.js';

const splitOf = ({ readings }: PartRead): string | undefined =>
  readings.flatMap((reading) =>
    reading.sort === 'look' && !reading.not && reading.feature === rod.features.capSplit.id ? [reading.option] : [],
  )[0];

/**
 * Machine-cut and fractured rods of one engine take different shells, and the wrong shells destroy it.
 * *Common practice, no source.*
 */
export const capSplit = engineRule(
  'capSplit',
  'Fractured and machined caps',
  'The rods of one engine all have fractured caps, or all machined ones.',
  function* ({ parts }) {
    const groups = groupedBy(ofKind(parts, 'rod'), splitOf);
    const [fractured, machined] = [groups.get('fractured'), groups.get('machined')];
    if (!fractured || !machined) return;
    yield {
      weight: 'wrong',
      ...concerning([...fractured, ...machined]),
      says: [
        `Fractured caps on ${names(fractured)}, machined ones on ${names(machined)}: they take different shells, and the wrong shells destroy the engine.`,
      ],
    };
  },
);

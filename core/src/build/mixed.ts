import { KINDS } from '../dictionary/dictionary.js';
import { slotOf } from '../dictionary/slots.js';
import { listed } from '../quantity/phrase.js';
import type { BuildEngine } from './engine.js';

/** Places of which all cylinders must have the same. */
const ALIKE = ['piston', 'rod', 'pin', 'rings'];

/** A mixture of types in one engine: which place, and what is in it. */
interface Mixture {
  readonly slot: string;
  readonly says: string;
}

/**
 * Where cylinders have parts of different types. All pistons of one engine are of one type, weight and compression.
 * *Common practice, no source.*
 */
export function mixturesIn(engine: BuildEngine): readonly Mixture[] {
  return ALIKE.flatMap((slot): readonly Mixture[] => {
    const cylinders = Array.from({ length: engine.count('cylinder') }, (_, at) => at + 1);
    const byType = new Map<string, number[]>();
    for (const cylinder of cylinders) {
      const part = engine.part(slot, cylinder)?.part;
      if (!part) return [];
      const type = part.pattern ?? part.label;
      byType.set(type, [...(byType.get(type) ?? []), cylinder]);
    }
    if (byType.size < 2) return [];
    const plural = KINDS[slotOf(slot)?.kind ?? 'piston'].plural;
    const told = [...byType.values()].map((numbers) => {
      const label = engine.part(slot, numbers[0])?.part.label ?? '';
      return `${numbers.length === 1 ? 'cylinder' : 'cylinders'} ${listed(numbers.map(String))} ${numbers.length === 1 ? 'has' : 'have'} ${label}`;
    });
    return [
      {
        slot,
        says: `${plural} of two types are mixed: ${told.join('; ')}. All ${plural.toLowerCase()} of one engine are of one type, weight and compression.`,
      },
    ];
  });
}

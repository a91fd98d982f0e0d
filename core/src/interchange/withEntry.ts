import { isIdOf } from '../dictionary/dictionary.js';
import { kindOf, withPart, type Assembly } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';

/** The same parts, one of which has a size, look or face that nobody read on it. */
export function withEntry(assembly: Assembly, id: string, is: Interval | string): Assembly {
  const part = assembly.parts[kindOf(id)];
  if (!part) return assembly;
  if (typeof is !== 'string')
    return withPart(assembly, { ...part, values: { ...part.values, [id]: { interval: is, source: 'identified' } } });
  return withPart(
    assembly,
    isIdOf('feature', id)
      ? { ...part, looks: { ...part.looks, [id]: { option: is, source: 'identified' } } }
      : { ...part, interfaces: { ...part.interfaces, [id]: is } },
  );
}

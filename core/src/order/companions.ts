import { piecesFor, type BuildEngine } from '../build/index.js';
import type { Part } from '../catalogue/part.js';
import { COMPANION_SAYS } from '../catalogue/pattern.js';
import { slotFor } from '../interchange/placedParts.js';
import type { OrderAsked, Wanted } from './need.js';
import { numbersToOrder } from './numbers.js';

/**
 * What the records say must come with something that is in the build, and is not in it. Where what is to be bought is
 * sold today as another part, what must come with that one: a kit that takes its place is valid only whole.
 */
export function companionsOf({ engine, catalogue }: OrderAsked, bought: readonly Wanted[]): readonly Wanted[] {
  const here = new Set(engine.parts.flatMap(({ part }) => part.pattern ?? []));
  const wanted = new Map<string, Wanted>();
  const ask = (part: Part, says: string): void => {
    for (const { relation, pattern, note } of part.companions ?? []) {
      if (relation === 'neverWith' || here.has(pattern) || wanted.has(pattern)) continue;
      const own = catalogue.part(pattern);
      wanted.set(pattern, {
        id: `with ${pattern}`,
        group: 'companion',
        ...(own ? { kind: own.kind } : {}),
        pattern,
        name: catalogue.label(pattern),
        at: [],
        ...(own ? piecesOnly(own, engine) : { quantity: 1, by: 'piece' as const }),
        because: [`${says} ${COMPANION_SAYS[relation]} it${note === undefined ? '.' : `: ${note}`}`],
        open: [],
      });
    }
  };
  for (const { part } of engine.parts) ask(part, `${part.label} is`);
  for (const { pattern, name } of bought) {
    if (pattern === undefined) continue;
    const numbers = numbersToOrder(catalogue, pattern);
    const [today] = numbers.flatMap(({ replacedBy }) => replacedBy ?? []);
    const own =
      today === undefined || numbers.some(({ replacedBy }) => replacedBy === undefined)
        ? undefined
        : catalogue.part(today);
    if (own) ask(own, `${name} is sold today as ${own.label}, which is`);
  }
  return [...wanted.values()];
}

const piecesOnly = (part: Part, engine: BuildEngine) => {
  const { quantity, by } = piecesFor(engine, slotFor(part), part);
  return { quantity, by };
};

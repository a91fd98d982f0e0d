import type { BuildEngine } from '../build/index.js';
import { block } from '../dictionary/kinds/block.js';
import { slotOf } from '../dictionary/slots.js';
import type { ShellFound } from '../fit/index.js';
import { openOf, sayStep } from './inSize.js';
import type { OrderAsked, Wanted } from './need.js';
import { sizeToOrder } from './serviceSize.js';

/** Shells place by place, where fitting could tell them; a set for all where a build names one. */
export function shellsOf(
  { engine, catalogue }: OrderAsked,
  slot: 'mainShell' | 'rodShell',
  found: readonly ShellFound[] | undefined,
): readonly Wanted[] {
  const row = slot === 'mainShell' ? 'main' : 'cylinder';
  const placed = engine.parts.filter((each) => each.slot === slot);
  const chosen = placed.filter(({ taken }) => !taken);
  if (engine.build.places.some((place) => place.slot === slot && place.specimen !== undefined)) return [];
  const named = slotOf(slot)?.name ?? slot;
  // Where neither mark nor measure tells any, it is as the engine has it.
  if (chosen.length === 0 && found?.some(({ patterns, open }) => patterns.length > 0 || open)) {
    return found.flatMap(({ position, patterns, open }): readonly Wanted[] => {
      const base = { group: 'anew' as const, slot, kind: slot, at: [position], by: 'pair' as const };
      if (patterns.length === 0 || open)
        return [
          {
            ...base,
            id: `${slot} ${position}`,
            name: named,
            quantity: 1,
            because: ['New shells go in whenever the engine has been apart.'],
            open: [open ?? ['Which one cannot be told yet: measure housing and journal.']],
          },
        ];
      return patterns.map((pattern) => ({
        ...base,
        id: `${slot} ${pattern}`,
        pattern,
        name: catalogue.label(pattern),
        // Two halves of two: half a pair of each, which nobody sells.
        quantity: 1,
        because: ['As fitting chose, place by place.'],
        open: [],
      }));
    });
  }
  const worn = engine.part('crank')?.part;
  if (placed.length === 0 && worn && runsInShells(engine, slot)) {
    const size = sizeToOrder(engine, { ...worn, kind: slot });
    return [
      {
        id: [slot, size?.step ? size.step.toFixed(2) : ''].filter((each) => each !== '').join(' '),
        group: 'anew',
        slot,
        kind: slot,
        name: named,
        at: [],
        quantity: 1,
        by: 'set',
        ...(size?.step ? { size: sayStep(size), step: size.step } : {}),
        because: ['New shells go in whenever the engine has been apart.'],
        open: [...openOf(size), ['Which of several alike is chosen by what the journals measure when they come back.']],
      },
    ];
  }
  return placed
    .filter(({ part }) => part.pattern !== undefined)
    .map(({ part, taken, at }): Wanted => {
      const size = sizeToOrder(engine, part, row === 'main' ? at : undefined);
      return {
        id: [slot, part.pattern ?? '', size?.step ? size.step.toFixed(2) : ''].filter((each) => each !== '').join(' '),
        group: taken ? 'anew' : 'chosen',
        slot,
        kind: slot,
        ...(part.pattern === undefined ? {} : { pattern: part.pattern }),
        name: part.label,
        at: at === undefined ? [] : [at],
        quantity: 1,
        by: at === undefined ? 'set' : 'pair',
        ...(size?.step ? { size: sayStep(size), step: size.step } : {}),
        because: [taken ? 'New shells go in whenever the engine has been apart.' : 'Chosen in the build.'],
        open: openOf(size),
      };
    });
}

const runsInShells = (engine: BuildEngine, slot: 'mainShell' | 'rodShell'): boolean =>
  slot === 'rodShell'
    ? engine.part('bigEndBearing') === undefined
    : engine.part('mainBearing') === undefined && engine.look(block.features.mainsRun.id) !== 'rolling';

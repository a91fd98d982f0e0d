import { crank } from '../../dictionary/kinds/crank.js';
import { middle, type Interval } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import type { Assembly } from '../assembly.js';
import { offer, work, type Offer } from '../outcome.js';
import { deckBlock } from '../operations/faces.js';
import { offsetGrind } from '../operations/journals.js';
import { machineCrown } from '../operations/pistons.js';

/** The same put right by the stroke: crankpins ground off centre, to the next undersize that has the metal for it. */
function strokeWork(assembly: Assembly, off: number): readonly Offer[] {
  const part = assembly.parts.crank;
  const pin = crank.parameters['crankpin.diameter'];
  // The crown moves by half of what the stroke changes.
  const undersize = (part?.service[pin.id] ?? []).map((step) => -step).find((step) => step >= 2 * Math.abs(off));
  return offer(
    part && undersize !== undefined ? offsetGrind(part, undersize, -2 * off, assembly.rules) : undefined,
    (ground) =>
      work({
        steps: ['offsetGrind'],
        says: sentence`Grind the crankpins ${value(undersize ?? 0)} undersize and off centre, for ${value(2 * Math.abs(off))} ${off < 0 ? 'more' : 'less'} of stroke.`,
        parts: [ground],
      }),
  );
}

/** Where the crown comes to, against the deck: too high is decked crowns, too low is a deck that is too tall. */
export function heightWork(assembly: Assembly, found: Interval, wanted: number): readonly Offer[] {
  const off = wanted - middle(found);
  const [pistonPart, blockPart] = [assembly.parts.piston, assembly.parts.block];
  const byMetal =
    off > 0
      ? offer(pistonPart && machineCrown(pistonPart, off, assembly.rules), (lower) =>
          work({ steps: ['machineCrown'], says: sentence`Turn ${value(off)} off the crowns.`, parts: [lower] }),
        )
      : offer(blockPart && deckBlock(blockPart, -off, assembly.rules), (lower) =>
          work({ steps: ['deck'], says: sentence`Deck the block by ${value(-off)}.`, parts: [lower] }),
        );
  return [...byMetal, ...strokeWork(assembly, off)];
}

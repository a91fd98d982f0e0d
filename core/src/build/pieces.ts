import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { engineVariant } from '../dictionary/index.js';
import { block } from '../dictionary/kinds/block.js';
import { head } from '../dictionary/kinds/head.js';
import { countsIn, piecesOf } from '../joints/index.js';
import type { Sentence } from '../quantity/sentence.js';
import type { BuildEngine } from './engine.js';

/** How parts are counted that are bought. */
export type SoldBy = 'piece' | 'pair' | 'set';

/** How many of a part an engine takes, and how they are counted. */
export function piecesFor(
  engine: BuildEngine,
  slot: string,
  part: Part,
): { readonly quantity: number; readonly by: SoldBy; readonly open?: Sentence } {
  if (part.kind === 'fastener') {
    const bolts = boltsOf(engine, slot);
    return bolts === undefined
      ? { quantity: 1, by: 'set', open: ['How many there are is not known: count the holes before you order.'] }
      : { quantity: bolts, by: 'piece' };
  }
  const quantity =
    piecesOf(part.kind, countsIn(engine.assembly())) * (PER_BANK.includes(part.kind) ? banks(engine) : 1);
  return { quantity, by: quantity === 1 && SETS.includes(part.kind) ? 'set' : 'piece' };
}

/** Each bank has its own. */
const PER_BANK: readonly KindId[] = ['head', 'headGasket'];

const banks = (engine: BuildEngine): number =>
  ['vee', 'flat'].includes(engine.look(engineVariant.features.layout.id) ?? '') ? 2 : 1;

/** How many bolts go into one place; undefined where nobody has counted. */
function boltsOf(engine: BuildEngine, slot: string): number | undefined {
  const look = (id: string): number => Number(engine.look(id) ?? Number.NaN);
  const all =
    slot === 'headBolt'
      ? look(head.features.bolts.id) * banks(engine)
      : slot === 'mainBolt'
        ? look(block.features.capBolts.id) * engine.count('main')
        : slot === 'rodBolt'
          ? BOLTS_A_ROD * engine.count('cylinder')
          : Number.NaN;
  return Number.isInteger(all) && all > 0 ? all : undefined;
}

/** A cap is held by two. *Common practice, no source.* */
const BOLTS_A_ROD = 2;

const SETS: readonly KindId[] = ['rings', 'thrustWasher', 'mainShell', 'rodShell'];

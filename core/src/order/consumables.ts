import type { BuildEngine } from '../build/index.js';
import { engineVariant } from '../dictionary/index.js';
import { block } from '../dictionary/kinds/block.js';

/** What is used up in assembly, whatever goes into the engine. */
interface Consumable {
  readonly id: string;
  readonly name: string;
  readonly because: string;
  readonly quantity: (engine: BuildEngine) => number;
  /** Whether this engine takes it. */
  readonly arises?: (engine: BuildEngine) => boolean;
}

const inShells = (engine: BuildEngine): boolean => engine.look(block.features.mainsRun.id) !== 'rolling';
const hasSump = (engine: BuildEngine): boolean => engine.look(engineVariant.features.cycle.id) !== 'two';

/** What every engine that is put together uses up. *Common practice, no source.* */
export const CONSUMABLES: readonly Consumable[] = [
  {
    id: 'crushStrip',
    name: 'Crush strip',
    because: 'One strip for each bearing whose clearance is proved in assembly.',
    quantity: (engine) => engine.count('main') + engine.count('cylinder'),
    arises: inShells,
  },
  {
    id: 'assemblyOil',
    name: 'Assembly oil',
    because: 'Bearings, skirts and cam must not run dry in the first seconds.',
    quantity: () => 1,
  },
  {
    id: 'sealant',
    name: 'Sealing compound',
    because: 'Case joints, the corners of half seals, and studs that meet water.',
    quantity: () => 1,
  },
  {
    id: 'oilFilling',
    name: 'Oil for running in, with a filter',
    because: 'It is changed after the first hours, with what has come off.',
    quantity: () => 2,
    // A two-stroke burns its oil.
    arises: hasSump,
  },
];

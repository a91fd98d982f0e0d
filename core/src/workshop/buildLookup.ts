import type { BuildLookup } from '../build/index.js';
import type { Specimen } from '../readings/reading.js';
import type { KeptCatalogue } from './keptCatalogue.js';

/** What builds are looked up in: what the workshop holds, and the stored specimens they name. */
export const buildLookup = (workshop: KeptCatalogue, specimens: readonly Specimen[] = []): BuildLookup => ({
  catalogue: workshop.catalogue,
  context: workshop.swapContext,
  specimens,
  takenFor: (specimen) => workshop.takenFor(specimen),
  ...(workshop.identifyOptions.drawer ? { drawer: workshop.identifyOptions.drawer } : {}),
});

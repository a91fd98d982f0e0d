import type { Specimen } from '../readings/reading.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import { Identification, type IdentifyOptions } from './identify.js';

/** The pattern a specimen is taken for, once that is at least probable; nothing before. */
export function takenFor(
  index: CatalogueIndex,
  { readings, confirmed }: Specimen,
  identifyOptions: IdentifyOptions,
): string | undefined {
  // What somebody knows it to be outranks what its readings say of it.
  if (confirmed && (confirmed.pattern === undefined || index.patterns.includes(confirmed.pattern)))
    return confirmed.pattern;
  const { status, candidates } = new Identification(index, identifyOptions)
    .read(readings.map(({ is }) => is))
    .lineUp(1);
  return status === 'settled' || status === 'probable' ? candidates[0]?.pattern : undefined;
}

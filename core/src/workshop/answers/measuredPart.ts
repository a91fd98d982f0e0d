import type { Part } from '../../catalogue/part.js';
import { partFromShelf } from '../../interchange/index.js';
import type { Reading, Specimen } from '../../readings/reading.js';
import type { KeptCatalogue } from '../keptCatalogue.js';

/** A part of the shelf as it is known, by what it is taken for and what was read on it. */
export const partOf = (workshop: KeptCatalogue, specimen: Specimen): Part =>
  partFromShelf(workshop.catalogue, specimen, workshop.takenFor(specimen), workshop.identifyOptions.drawer);

/** The same part by some of its readings only. */
const byReadings = (specimen: Specimen, keeps: (reading: Reading['is']) => boolean): Specimen => ({
  ...specimen,
  readings: specimen.readings.filter(({ is }) => keeps(is)),
});

/** A part as it is, by what was measured on it and nothing else, and by its marks. */
export function bothWays(workshop: KeptCatalogue, specimen: Specimen) {
  const by = (readings: (reading: Reading['is']) => boolean): Part =>
    partFromShelf(
      workshop.catalogue,
      byReadings(specimen, readings),
      workshop.takenFor(specimen),
      workshop.identifyOptions.drawer,
    );
  return {
    whole: partOf(workshop, specimen),
    measured: by(({ sort }) => sort !== 'mark'),
    marked: by(({ sort }) => sort !== 'size'),
  };
}

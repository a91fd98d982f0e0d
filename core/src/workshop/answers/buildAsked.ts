import { engineOf, figureOf, type Build, type BuildEngine, type Figure } from '../../build/index.js';
import { isIdOf, sayEntry } from '../../dictionary/dictionary.js';
import { DataError } from '../../formats/index.js';
import type { Specimen } from '../../readings/reading.js';
import { buildLookup } from '../buildLookup.js';
import type { KeptCatalogue } from '../keptCatalogue.js';

/** A build as asked, looked up. Throws a DataError where it starts from an engine that is not there. */
export function engineAsked(workshop: KeptCatalogue, build: Build, specimens?: readonly Specimen[]): BuildEngine {
  if (build.variant !== undefined && !workshop.catalogue.variant(build.variant))
    throw new DataError('The engine it starts from is not in the catalogue.', [
      { where: 'body.build.variant', what: `there is no variant "${build.variant}"; take another, or none.` },
    ]);
  return engineOf(build, buildLookup(workshop, specimens));
}

export function figureAsked(id: string, where: string): Figure {
  const figure = figureOf(id);
  if (!figure) throw new DataError('There is no such figure.', [{ where, what: `"${id}" is none.` }]);
  return figure;
}

/** Something that must be known first, as it is called. */
export const needed = (id: string) => ({
  id,
  name: isIdOf('parameter', id) || isIdOf('feature', id) ? sayEntry(id) : id,
});

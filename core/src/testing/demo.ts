import demo from '../../../demo-data/catalogue.json';
import buildFile from '../../../demo-data/builds.json';
import jobFile from '../../../demo-data/jobs.json';
import specimenFile from '../../../demo-data/specimens.json';
import { engineOf, type BuildEngine, type Build, type BuildLookup } from '../build/index';
import { typed } from '../build/vary';
import type { Catalogue } from '../catalogue/catalogue';
import { CatalogueLookup } from '../catalogue/lookup';
import { partFromPattern, type Part } from '../catalogue/part';
import type { Pattern } from '../catalogue/pattern';
import { indexCatalogue } from '../identify/catalogueIndex';
import { takenFor } from '../identify/index';
import { identify } from '../identify/identify';
import { swapContextOf } from '../interchange/swapContext';
import type { Job } from '../job/job';
import { readEntry } from '../readings/entryLine';
import type { Specimen, Understood } from '../readings/reading';

/** The invented demo catalogue, as the tests' material. */
export const CATALOGUE = demo as unknown as Catalogue;

export const LOOKUP = new CatalogueLookup(CATALOGUE);

export function demoPattern(id: string): Pattern {
  const found = LOOKUP.pattern(id);
  if (!found) throw new RangeError(`The demo has no pattern ${id}.`);
  return found;
}

/** The demo's shelf. */
export const SPECIMENS = specimenFile.specimens as unknown as readonly Specimen[];

export function demoSpecimen(name: string): Specimen {
  const found = SPECIMENS.find((each) => each.name === name);
  if (!found) throw new RangeError(`The demo has no specimen ${name}.`);
  return found;
}

/** The demo's builds. */
export const BUILDS = buildFile.builds as unknown as readonly Build[];

/** The demo's engines on order. */
export const JOBS = jobFile.jobs as unknown as readonly Job[];

/** What builds of the demo are looked up in. */
export const BUILD_LOOKUP: BuildLookup = {
  catalogue: LOOKUP,
  context: swapContextOf(LOOKUP),
  specimens: SPECIMENS,
  takenFor: () => undefined,
};

/** The same, each specimen taken for what it most likely is. */
export const KNOWING_LOOKUP: BuildLookup = {
  ...BUILD_LOOKUP,
  takenFor: (specimen) => takenFor(indexCatalogue(specimen.kind, CATALOGUE), specimen, {}),
};

/** The demo's engine of a variant, with some sizes typed in inside units, parts in their places, and what was seen. */
export const demoEngine = (
  variant: string,
  sizes: Readonly<Record<string, number>> = {},
  places: Build['places'] = [],
  looks: Readonly<Record<string, string>> = {},
): BuildEngine =>
  engineOf(
    {
      id: 'made',
      name: 'Made up',
      variant,
      places,
      sizes: Object.entries(sizes).map(([of, inside]) => typed(of, inside)),
      looks: Object.entries(looks).map(([of, option]) => ({ of, option })),
    },
    BUILD_LOOKUP,
  );

export const demoPart = (id: string): Part => partFromPattern(demoPattern(id), LOOKUP.label(id));

/** The demo's shells and bearings, and a shop without rules of its own. */
export const SETTING = swapContextOf(LOOKUP);

const CRANKS = indexCatalogue('crank', CATALOGUE);

export const words = (text: string): readonly Understood[] => readEntry(text, 'crank').words;

/** The line-up of the demo's cranks for readings as typed. */
export const lineUpFor = (readings: string | readonly Understood[]) =>
  identify(CRANKS, typeof readings === 'string' ? words(readings) : readings, 100);

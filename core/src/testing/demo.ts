import demo from '../../../demo-data/catalogue.json';
import { partFromPattern, patternLabel, type Part } from '../catalogue/part';
import type { Catalogue, Pattern } from '../catalogue/pattern';
import { indexCatalogue } from '../identify/catalogueIndex';
import { identify } from '../identify/identify';
import { readEntry } from '../readings/entryLine';
import type { Understood } from '../readings/reading';

/** The invented demo catalogue, as the tests' material. */
export const CATALOGUE = demo as unknown as Catalogue;

export function demoPattern(id: string): Pattern {
  const found = CATALOGUE.patterns.find((pattern) => pattern.id === id);
  if (!found) throw new RangeError(`The demo has no pattern ${id}.`);
  return found;
}

export function demoPart(id: string): Part {
  const pattern = demoPattern(id);
  return partFromPattern(
    pattern,
    patternLabel(
      pattern,
      CATALOGUE.families.find((family) => family.id === pattern.family),
    ),
  );
}

export const SHELLS = CATALOGUE.patterns.filter((pattern) => pattern.kind === 'mainShell').map((pattern) => demoPart(pattern.id));

const CRANKS = indexCatalogue('crank', CATALOGUE.patterns);

export const words = (text: string): readonly Understood[] => readEntry(text, 'crank').words;

/** The line-up of the demo's cranks for readings as typed. */
export const lineUpFor = (readings: string | readonly Understood[]) => identify(CRANKS, typeof readings === 'string' ? words(readings) : readings, 20);

import type { Catalogue, Pattern } from '../catalogue/pattern.js';
import { sizeFrom } from '../catalogue/size.js';
import { featureOf, isOptionOf, KINDS, parameterOf } from '../dictionary/dictionary.js';
import type { Problem } from './problem.js';

/**
 * What the schema of a catalogue cannot see: names the dictionary does not know, limits in the wrong order, ids used
 * twice, families that are not there. An empty list means the catalogue can be used.
 */
export function checkCatalogue(catalogue: Catalogue): Problem[] {
  const problems: Problem[] = [];
  const families = new Set(catalogue.families.map((family) => family.id));
  const seen = new Set<string>();
  catalogue.patterns.forEach((pattern, at) => {
    const where = `patterns[${at}] (${pattern.id})`;
    if (seen.has(pattern.id)) problems.push({ where, what: 'this id is used twice; give each pattern its own.' });
    seen.add(pattern.id);
    if (!families.has(pattern.family)) problems.push({ where: `${where}.family`, what: `there is no family "${pattern.family}"; add it or correct the id.` });
    problems.push(...checkPattern(pattern, where));
  });
  return problems;
}

function checkPattern(pattern: Pattern, where: string): Problem[] {
  const kind = KINDS[pattern.kind];
  const problems: Problem[] = [];
  const known = <T extends { readonly id: string }>(entries: Readonly<Record<string, T>>, id: string) =>
    Object.values(entries).some((entry) => entry.id === id);
  for (const [id, dimension] of Object.entries(pattern.dimensions)) {
    const place = `${where}.dimensions["${id}"]`;
    if (!known(kind.parameters, id)) problems.push({ where: place, what: `a ${kind.name.toLowerCase()} has no such size in the dictionary.` });
    else if (Number(dimension.low) > Number(dimension.high))
      problems.push({ where: place, what: `low ${dimension.low} is above high ${dimension.high}; exchange them.` });
    else {
      const { limits } = sizeFrom(dimension, parameterOf(id));
      const { low, high } = parameterOf(id).plausible;
      if (limits.high < low || limits.low > high)
        problems.push({ where: place, what: `${dimension.low} ${dimension.unit} is no plausible size; check the unit.` });
    }
  }
  for (const [id, option] of Object.entries(pattern.features)) {
    const place = `${where}.features["${id}"]`;
    if (!known(kind.features, id)) problems.push({ where: place, what: `a ${kind.name.toLowerCase()} has no such look in the dictionary.` });
    else if (!isOptionOf(featureOf(id), option)) problems.push({ where: place, what: `"${option}" is not one of its options.` });
  }
  for (const id of Object.keys(pattern.interfaces)) {
    if (!known(kind.interfaces, id))
      problems.push({ where: `${where}.interfaces["${id}"]`, what: `a ${kind.name.toLowerCase()} has no such face in the dictionary.` });
  }
  pattern.marks.forEach((mark, at) => {
    if (mark.place !== undefined && !known(kind.markPlaces, mark.place)) {
      problems.push({ where: `${where}.marks[${at}].place`, what: `a ${kind.name.toLowerCase()} has no mark place "${mark.place}".` });
    }
  });
  return problems;
}

import type { Specimen } from '@which-bore/core';

/**
 * Brings together a specimen edited here and, meanwhile, elsewhere. Everything edited here stays; what was added
 * elsewhere comes in; what was removed elsewhere goes, unless it was edited here.
 *
 * @param base what both started from; undefined when it was never saved
 */
export function mergeSpecimens(base: Specimen | undefined, mine: Specimen, theirs: Specimen): Specimen {
  const before = new Map(base?.readings.map((reading) => [reading.id, JSON.stringify(reading.is)]));
  const here = new Set(mine.readings.map((reading) => reading.id));
  const there = new Map(theirs.readings.map((reading) => [reading.id, reading]));
  const kept = mine.readings.flatMap((reading) => {
    const untouched = before.get(reading.id) === JSON.stringify(reading.is);
    const elsewhere = there.get(reading.id);
    if (!untouched) return [reading];
    return elsewhere ? [elsewhere] : [];
  });
  const added = theirs.readings.filter((reading) => !here.has(reading.id) && !before.has(reading.id));
  /** What was edited here; what was not, as it stands elsewhere. */
  const either = (key: keyof Specimen): Partial<Specimen> => {
    const value = JSON.stringify(mine[key]) === JSON.stringify(base?.[key]) ? theirs[key] : mine[key];
    return value === undefined ? {} : { [key]: value };
  };
  return {
    id: mine.id,
    name: mine.name === base?.name ? theirs.name : mine.name,
    kind: mine.kind === base?.kind ? theirs.kind : mine.kind,
    readings: [...kept, ...added],
    ...either('job'),
    ...either('state'),
    ...either('skipped'),
  };
}

import { JOB_LISTS } from '@which-bore/core';
import type { Build, BuildPlace, Job, OwnInstrument, Shop, Specimen, TypedSize } from '@which-bore/core';
import { dequal } from 'dequal';

/**
 * Brings together two lists that were both changed, item by item. Everything changed here stays; what was added
 * elsewhere comes in; what was removed elsewhere goes, unless it was changed here.
 */
function mergeLists<T>(
  base: readonly T[],
  mine: readonly T[],
  theirs: readonly T[],
  idOf: (item: T) => string,
  contentOf: (item: T) => unknown,
): T[] {
  const before = new Map(base.map((item) => [idOf(item), contentOf(item)]));
  const here = new Set(mine.map(idOf));
  const there = new Map(theirs.map((item) => [idOf(item), item]));
  const kept = mine.flatMap((item) => {
    const untouched = before.has(idOf(item)) && dequal(before.get(idOf(item)), contentOf(item));
    if (!untouched) return [item];
    const elsewhere = there.get(idOf(item));
    return elsewhere === undefined ? [] : [elsewhere];
  });
  return [...kept, ...theirs.filter((item) => !here.has(idOf(item)) && !before.has(idOf(item)))];
}

/** Field by field: what was changed here stays, the rest is as it stands elsewhere. */
function mergeFields<T extends object>(base: Partial<T> | undefined, mine: T, theirs: T): T {
  const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)]) as Set<keyof T>;
  const merged: Partial<T> = {};
  for (const key of keys) {
    const value = dequal(mine[key], base?.[key]) ? theirs[key] : mine[key];
    if (value !== undefined) merged[key] = value;
  }
  return merged as T;
}

/**
 * Brings together a specimen or job edited here and, meanwhile, elsewhere: reading by reading, and field by field.
 *
 * @param base what both started from; undefined when it was never saved
 */
export function mergeRead<T extends Specimen | Job>(base: T | undefined, mine: T, theirs: T): T {
  const readings = mergeLists(
    base?.readings ?? [],
    mine.readings,
    theirs.readings,
    ({ id }) => id,
    ({ is }) => is,
  );
  return { ...mergeFields<T>(base, mine, theirs), id: mine.id, readings };
}

/** The same of a job, and what it holds in lists: item by item. */
export function mergeJobs(base: Job | undefined, mine: Job, theirs: Job): Job {
  const lists = JOB_LISTS.flatMap((list) => {
    const merged = mergeLists<{ readonly id: string }>(
      base?.[list] ?? [],
      mine[list] ?? [],
      theirs[list] ?? [],
      ({ id }) => id,
      (item) => item,
    );
    return merged.length === 0 && !mine[list] && !theirs[list] ? [] : [[list, merged] as const];
  });
  return { ...mergeRead<Job>(base, mine, theirs), ...(Object.fromEntries(lists) as Partial<Job>) };
}

/** The same of a build: place by place and size by size. */
export function mergeBuilds(base: Build | undefined, mine: Build, theirs: Build): Build {
  const places = mergeLists<BuildPlace>(
    base?.places ?? [],
    mine.places,
    theirs.places,
    ({ slot, at }) => `${slot} ${at ?? ''}`,
    (place) => place,
  );
  const sizes = mergeLists<TypedSize>(
    base?.sizes ?? [],
    mine.sizes,
    theirs.sizes,
    ({ of, at }) => `${of} ${at ?? ''}`,
    (size) => size,
  );
  return { ...mergeFields<Build>(base, mine, theirs), id: mine.id, places, sizes };
}

/** The same of the shop: instrument by instrument and rule by rule, and own hours and prices by operation. */
export function mergeShops<T extends Shop>(base: T | undefined, mine: T, theirs: T): T {
  const instruments = mergeLists<OwnInstrument>(
    base?.instruments ?? [],
    mine.instruments,
    theirs.instruments,
    ({ id }) => id,
    (own) => own,
  );
  const rules = mergeFields<Shop['rules']>(base?.rules, mine.rules, theirs.rules);
  const work = mergeFields<NonNullable<Shop['rules']['work']>>(
    base?.rules.work,
    mine.rules.work ?? {},
    theirs.rules.work ?? {},
  );
  const { work: _work, ...others } = rules;
  return {
    ...theirs,
    instruments,
    rules: { ...others, ...(Object.keys(work).length > 0 || mine.rules.work !== undefined ? { work } : {}) },
  };
}

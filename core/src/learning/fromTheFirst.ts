import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { ConfirmedCase } from './cases.js';

/** A part of an engine whose block is known, and whether engines with that block ever had such a part. */
interface InEngine {
  readonly carried: boolean;
}

/**
 * Parts whose name is known and that stand in a job with a block that is known too: by it one knows what the engine
 * may have been built with. What is fitted as a set counts once, and so does all of one pattern; kinds that nothing is
 * recorded of in such engines tell nothing.
 */
export function partsInEngines(
  cases: readonly ConfirmedCase[],
  catalogue: Pick<CatalogueLookup, 'fittedIn' | 'pattern'>,
): readonly InEngine[] {
  const jobs = new Map<string, Set<string>>();
  for (const { specimen, was } of cases)
    if (specimen.job && was !== undefined) jobs.set(specimen.job, (jobs.get(specimen.job) ?? new Set()).add(was));
  return [...jobs.values()].flatMap((patterns): readonly InEngine[] => {
    const blocks = [...patterns].filter((id) => catalogue.pattern(id)?.kind === 'block');
    const [block] = blocks;
    // With two blocks nobody knows whose the others are.
    if (block === undefined || blocks.length > 1) return [];
    const fitted = new Set(
      catalogue.fittedIn(block).flatMap(({ variant }) => variant.fitments.map(({ pattern }) => pattern)),
    );
    const kinds = new Set([...fitted].map((id) => catalogue.pattern(id)?.kind));
    return [...patterns]
      .filter((id) => id !== block && kinds.has(catalogue.pattern(id)?.kind))
      .map((id) => ({ carried: fitted.has(id) }));
  });
}

import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { ConfirmedCase } from './cases.js';

/**
 * Of each part whose name is known and that stands in a job with a block that is known too, whether engines with that
 * block ever had such a part. All of one pattern in a job, as a set of pistons is, counts once; kinds that nothing is
 * recorded of in such engines tell nothing.
 */
export function carriedByBlock(
  cases: readonly ConfirmedCase[],
  catalogue: Pick<CatalogueLookup, 'fittedIn' | 'pattern'>,
): readonly boolean[] {
  const jobs = new Map<string, Set<string>>();
  for (const { specimen, was } of cases)
    if (specimen.job && was !== undefined) jobs.set(specimen.job, (jobs.get(specimen.job) ?? new Set()).add(was));
  return [...jobs.values()].flatMap((patterns): readonly boolean[] => {
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
      .map((id) => fitted.has(id));
  });
}

import type { KindId } from '../dictionary/dictionary.js';
import { kindOf, type PlacedPart } from '../joints/index.js';
import { outsideOf } from './evaluate.js';
import { declaredReads, type FigureTeller } from './figureTeller.js';
import type { PlanProblem } from './problem.js';
import { SAYS, type Constraint } from './search.js';
import { LEANT_ON, type PlannedCheck } from './structure.js';

/**
 * Targets that must be reached, as constraints. A figure is told once all is chosen that it goes by, and all that could
 * have work done to those parts: where some has, the whole set tells what it then comes to.
 */
export function figureConstraintsOf(
  problem: PlanProblem,
  checks: readonly PlannedCheck[],
  figures: FigureTeller,
): readonly Constraint[] {
  const { choices, fixed, recipients, aims } = problem;
  return aims.flatMap((aim): readonly Constraint[] => {
    const ids = declaredReads(aim.of);
    if (aim.weight !== undefined || !ids) return [];
    const kinds = new Set<KindId>([...ids].map(kindOf));
    const own = choices.flatMap(({ kind }, at) => (kinds.has(kind) ? [at] : []));
    const workers = checks.filter((each) => each.mayWork && [...each.kinds].some((kind) => kinds.has(kind)));
    const vars = [...new Set([...own, ...workers.flatMap((each) => each.vars)])].sort((a, b) => a - b);
    if (vars.length === 0) return [];
    const misses = (chosen: ReadonlyMap<number, number>): boolean => {
      const parts = choices.flatMap(({ slot, options }, at): readonly PlacedPart[] => {
        const option = options[chosen.get(at) ?? 0];
        return option ? [{ slot, part: option.part }] : [];
      });
      const taken = new Set(parts.map(({ slot }) => slot));
      const { reaches } = figures.told(aim.of, [
        ...parts,
        ...fixed,
        ...recipients.filter(({ slot }) => !taken.has(slot)),
      ]);
      return reaches !== undefined && outsideOf(aim, reaches) > 0;
    };
    return [
      {
        name: aim.of.name,
        vars,
        judge: (options) => {
          const chosen = new Map(vars.map((at, place) => [at, options[place] ?? 0]));
          if (!misses(chosen)) return SAYS.agrees;
          // Work that changes a size of it, or something that other work goes by, which then may.
          const mayMove = workers.some((each) =>
            [...each.changes(each.vars.map((at) => chosen.get(at) ?? 0))].some((id) => ids.has(id) || LEANT_ON.has(id)),
          );
          return mayMove ? SAYS.agrees : SAYS.refuses;
        },
      },
    ];
  });
}

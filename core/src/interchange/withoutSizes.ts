import type { Part } from '../catalogue/part.js';
import { KINDS, parameterOf } from '../dictionary/dictionary.js';
import { verdictOfCheck, type Assembly, type Chosen, type JointCheck } from '../joints/index.js';
import { listed } from '../quantity/phrase.js';
import { sentence } from '../quantity/sentence.js';
import type { SwapContext } from './swapContext.js';

/** What was found out, by the way to the engines of a catalogue. */
const known = new WeakMap<object, Map<string, boolean>>();

const sized = new WeakMap<readonly Part[], Map<Chosen, boolean>>();

/** Whether all that there are to choose from have their sizes on record. */
function areAllSized(stocked: readonly Part[] | undefined, chosen: Chosen): boolean {
  if (!stocked) return false;
  const found = sized.get(stocked) ?? new Map<Chosen, boolean>();
  sized.set(stocked, found);
  const are = found.get(chosen) ?? stocked.every(({ values }) => chosen.by.every((id) => values[id]));
  found.set(chosen, are);
  return are;
}

/**
 * Whether the engines that have a part are on record with something to be chosen for it whose sizes nobody put down:
 * the right one may be among those.
 */
export function runsWithUnsized({ enginesWith, stock }: SwapContext, { pattern }: Part, chosen: Chosen): boolean {
  const { kind, by } = chosen;
  if (!enginesWith || pattern === undefined || areAllSized(stock[kind], chosen)) return false;
  const found = known.get(enginesWith) ?? new Map<string, boolean>();
  known.set(enginesWith, found);
  const key = `${pattern} ${kind}`;
  let is = found.get(key);
  if (is === undefined) {
    const had = enginesWith(pattern).flatMap(({ everHad }) => everHad(kind));
    found.set(key, (is = had.some(({ values }) => by.some((id) => !values[id]))));
  }
  return is;
}

/**
 * A check that chooses something to go between the parts does not refuse while the one that ran there is on record
 * without its sizes and one of some size could be right.
 */
export function openWithoutSizes(check: JointCheck): JointCheck {
  const { chooses } = check;
  if (!chooses) return check;
  const isOpen = (assembly: Assembly): boolean =>
    !assembly.parts[chooses.kind] &&
    chooses.mayGoBetween(assembly) &&
    Object.values(assembly.parts).some((part) => runsWithUnsized(assembly, part, chooses));
  return {
    ...check,
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      return verdict === 'doesNotFit' && isOpen(assembly) ? 'cannotTell' : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      if (outcome.verdict !== 'doesNotFit' || !isOpen(assembly)) return outcome;
      const { plural } = KINDS[chooses.kind];
      const names = chooses.by.map((id) => parameterOf(id).name.toLowerCase());
      return {
        ...outcome,
        verdict: 'cannotTell',
        because: sentence`${outcome.because} But ${plural.toLowerCase()} that run there are on record without their ${listed(names)}: measure those.`,
        needs: chooses.by,
      };
    },
  };
}

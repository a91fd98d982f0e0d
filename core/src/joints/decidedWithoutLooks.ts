import type { Feature } from '../dictionary/definition.js';
import { featureOf, isIdOf } from '../dictionary/dictionary.js';
import { listed } from '../quantity/phrase.js';
import { sentence } from '../quantity/sentence.js';
import { kindOf, type Assembly, type Where } from './assembly.js';
import { REPLACED, verdictOfCheck, type JointCheck } from './check.js';
import { said } from './outcome.js';
import type { Verdict } from './verdict.js';

/** More cases than this are not gone through. */
const MOST_CASES = 1000;

interface Look {
  readonly feature: Feature;
  readonly where: Where;
}

/**
 * A check that does not wait for looks nobody has seen where they cannot matter: what is refused in every case that is
 * still possible does not fit, and what passes in every one fits, whatever is missing.
 */
export function decidedWithoutLooks(check: JointCheck): JointCheck {
  const looks = check.reads.flatMap((read): readonly Look[] => {
    const [id, where]: [string, Where] = read.startsWith(REPLACED)
      ? [read.slice(REPLACED.length), 'replaced']
      : [read, 'parts'];
    return isIdOf('feature', id) ? [{ feature: featureOf(id), where }] : [];
  });
  if (looks.length === 0) return check;
  return {
    ...check,
    verdict: (assembly) => {
      const quick = check.verdict?.(assembly);
      if (quick !== undefined && (quick !== 'cannotTell' || missingOf(looks, assembly).length === 0)) return quick;
      const { verdict, needs } = check.judge(assembly);
      return verdict === 'cannotTell' ? (agreed(check, looks, assembly, needs)?.verdict ?? verdict) : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      const found = outcome.verdict === 'cannotTell' ? agreed(check, looks, assembly, outcome.needs) : undefined;
      if (!found) return outcome;
      const names = listed(found.missing.map(({ feature }) => feature.name.toLowerCase()));
      if (found.verdict === 'fits') return said('fits', [`Right in every case, though it is not known: ${names}.`]);
      const settled = check.judge(found.anyCase);
      return {
        ...settled,
        because: sentence`${settled.because} That is so in every case, though it is not known: ${names}.`,
      };
    },
  };
}

/** What every case comes to, one of them, and the looks that are missing. */
interface Agreed {
  readonly verdict: Verdict;
  readonly anyCase: Assembly;
  readonly missing: readonly Look[];
}

const missingOf = (looks: readonly Look[], assembly: Assembly): readonly Look[] =>
  looks.filter(({ feature, where }) => {
    const part = assembly[where][kindOf(feature.id)];
    return part && !part.looks[feature.id];
  });

/**
 * What all cases come to that the looks leave open which the check asks for and nobody has seen; nothing where they
 * differ. A case in which it asks for more is gone through in turn.
 */
const agreed = (
  check: JointCheck,
  looks: readonly Look[],
  assembly: Assembly,
  needs: readonly string[],
): Agreed | undefined => inAllCases(check, looks, assembly, needs, { left: MOST_CASES });

function inAllCases(
  check: JointCheck,
  looks: readonly Look[],
  assembly: Assembly,
  needs: readonly string[],
  budget: { left: number },
): Agreed | undefined {
  const missing = missingOf(looks, assembly).filter(({ feature }) => needs.includes(feature.id));
  if (missing.length === 0) return undefined;
  const choices = missing.map(({ feature }) => optionsOf(feature));
  const further = new Set(missing);
  let first: Pick<Agreed, 'verdict' | 'anyCase'> | undefined;
  for (const options of casesOf(choices)) {
    if (budget.left-- <= 0) return undefined;
    const anyCase = missing.reduce((so, look, at) => seenAs(so, look, options[at] ?? ''), assembly);
    const found = inCase(check, looks, anyCase, budget);
    if (!found || (first && first.verdict !== found.verdict)) return undefined;
    found.missing.forEach((look) => further.add(look));
    first ??= found;
  }
  return first && { ...first, missing: [...further] };
}

/** What one case comes to: by itself, or in all cases that it leaves open in turn. */
function inCase(
  check: JointCheck,
  looks: readonly Look[],
  anyCase: Assembly,
  budget: { left: number },
): Agreed | undefined {
  const verdict = verdictOfCheck(check, anyCase);
  if (verdict === 'fits' || verdict === 'doesNotFit') return { verdict, anyCase, missing: [] };
  if (verdict !== 'cannotTell') return undefined;
  return inAllCases(check, looks, anyCase, check.judge(anyCase).needs, budget);
}

/** All that a look may prove to be. */
const optionsOf = ({ form }: Feature): readonly string[] =>
  'options' in form
    ? form.options.map(({ id }) => id)
    : Array.from({ length: form.count.high - form.count.low + 1 }, (_, at) => String(form.count.low + at));

/** Every choice of one from each list, one after the other: most callers stop early. */
function* casesOf(lists: readonly (readonly string[])[]): Generator<readonly string[]> {
  const [list, ...rest] = lists;
  if (!list) {
    yield [];
    return;
  }
  for (const option of list) for (const others of casesOf(rest)) yield [option, ...others];
}

function seenAs(assembly: Assembly, { feature, where }: Look, option: string): Assembly {
  const kind = kindOf(feature.id);
  const part = assembly[where][kind];
  if (!part) return assembly;
  const looks = { ...part.looks, [feature.id]: { option, source: 'identified' as const } };
  return { ...assembly, [where]: { ...assembly[where], [kind]: { ...part, looks } } };
}

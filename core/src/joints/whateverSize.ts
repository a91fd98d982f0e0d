import type { Parameter } from '../dictionary/definition.js';
import { isIdOf, parameterOf } from '../dictionary/dictionary.js';
import { interval, type Interval } from '../quantity/interval.js';
import { listed } from '../quantity/phrase.js';
import { sentence } from '../quantity/sentence.js';
import { kindOf, withPart, type Assembly } from './assembly.js';
import { verdictOfCheck, type JointCheck } from './check.js';

/** With more sizes wanting than this nothing is decided by the others. */
const MOST_WANTING = 2;

/**
 * A check that does not wait for sizes nobody measured where no size that such a part can have would do, and nothing
 * can be done about it.
 */
export function whateverTheSize(check: JointCheck): JointCheck {
  const sizes = check.reads.flatMap((id): readonly Parameter[] => {
    const parameter = isIdOf('parameter', id) ? parameterOf(id) : undefined;
    // What is specified is what is wanted of others: a wide one would let more pass than any maker does.
    return parameter && parameter.instruments[0] !== 'sheet' ? [parameter] : [];
  });
  // Work goes by the very size: what mends one of those that are possible need not mend the widest or the narrowest.
  if (sizes.length === 0 || check.verdicts.includes('fitsWithWork')) return check;
  /** The assembly with all that is wanting as it may be at all, if that is refused in every case. */
  const refusedIn = (assembly: Assembly): readonly [Assembly, readonly Parameter[]] | undefined => {
    const absent = sizes.filter(({ id }) => {
      const part = assembly.parts[kindOf(id)];
      return part && !part.values[id];
    });
    if (absent.length === 0) return undefined;
    const { needs } = check.judge(assembly);
    const wanting = absent.filter(({ id }) => needs.includes(id));
    if (wanting.length === 0 || wanting.length > MOST_WANTING) return undefined;
    const cases = wanting.reduce<readonly Assembly[]>(
      (sofar, parameter) =>
        sofar.flatMap((each) => {
          const { low, high } = parameter.plausible;
          return [parameter.plausible, interval(low), interval(high)].map((size) => withSize(each, parameter, size));
        }),
      [assembly],
    );
    const [widest] = cases;
    return widest && cases.every((each) => verdictOfCheck(check, each) === 'doesNotFit')
      ? [widest, wanting]
      : undefined;
  };
  return {
    ...check,
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      return verdict === 'cannotTell' && refusedIn(assembly) ? 'doesNotFit' : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      const refused = outcome.verdict === 'cannotTell' ? refusedIn(assembly) : undefined;
      if (!refused) return outcome;
      const [widest, wanting] = refused;
      const { found: _found, margin: _margin, ...rest } = check.judge(widest);
      return {
        ...rest,
        because: sentence`${rest.because} That is so whatever this may be, which nobody measured: ${listed(wanting.map(({ name }) => name.toLowerCase()))}.`,
      };
    },
  };
}

function withSize(assembly: Assembly, { id }: Parameter, size: Interval): Assembly {
  const part = assembly.parts[kindOf(id)];
  return part
    ? withPart(assembly, { ...part, values: { ...part.values, [id]: { interval: size, source: 'identified' } } })
    : assembly;
}

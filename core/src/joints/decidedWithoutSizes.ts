import type { Parameter } from '../dictionary/definition.js';
import { isIdOf, parameterOf } from '../dictionary/dictionary.js';
import { interval, type Interval } from '../quantity/interval.js';
import { listed } from '../quantity/phrase.js';
import { sentence } from '../quantity/sentence.js';
import { kindOf, withPart, type Assembly } from './assembly.js';
import { isOverStack, verdictOfCheck, type JointCheck } from './check.js';
import type { Outcome } from './outcome.js';

/** With more sizes wanting than this nothing is decided by the others. */
const MOST_WANTING = 2;

/**
 * Work goes by the very size, so what mends one of those that are possible need not mend the widest or the narrowest:
 * where a check knows of work, one size may be wanting, and each of so many pieces of what it may be is held by itself.
 */
const PIECES = 8;

/**
 * A check that does not wait for sizes nobody measured where no size that such a part can have would do, and nothing
 * can be done about it.
 */
export function decidedWithoutSizes(check: JointCheck): JointCheck {
  const sizes = check.reads.flatMap((id): readonly Parameter[] => {
    const parameter = isIdOf('parameter', id) ? parameterOf(id) : undefined;
    // What is specified is what is wanted of others: a wide one would let more pass than any maker does.
    return parameter && parameter.instruments[0] !== 'sheet' ? [parameter] : [];
  });
  const hasWork = check.verdicts.includes('fitsWithWork');
  if (sizes.length === 0 || (hasWork && isOverStack(check))) return check;
  const casesOf = hasWork ? inPieces : atItsEnds;
  /** The assembly with all that is wanting as it may be at all, if that is refused in every case. */
  const refusedIn = (assembly: Assembly, outcome?: Outcome): readonly [Assembly, readonly Parameter[]] | undefined => {
    const absent = sizes.filter(({ id }) => {
      const part = assembly.parts[kindOf(id)];
      return part && !part.values[id];
    });
    if (absent.length === 0) return undefined;
    const { needs, found } = outcome ?? check.judge(assembly);
    // What was found already leaves open only what could be done about it, and that goes by no wide size.
    if (hasWork && found) return undefined;
    const wanting = absent.filter(({ id }) => needs.includes(id));
    if (wanting.length === 0 || wanting.length > (hasWork ? 1 : MOST_WANTING)) return undefined;
    let widest: Assembly | undefined;
    for (const each of everyCase(assembly, wanting, casesOf)) {
      if (hasWork && !widest && !check.judge(each).found) return undefined;
      widest ??= each;
      if (verdictOfCheck(check, each) !== 'doesNotFit') return undefined;
    }
    return widest && [widest, wanting];
  };
  return {
    ...check,
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      return verdict === 'cannotTell' && refusedIn(assembly) ? 'doesNotFit' : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      const refused = outcome.verdict === 'cannotTell' ? refusedIn(assembly, outcome) : undefined;
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

/** The assembly with each of these sizes as each of what it may be, one after the other: most callers stop early. */
function* everyCase(
  assembly: Assembly,
  [first, ...others]: readonly Parameter[],
  casesOf: (all: Interval) => readonly Interval[],
): Generator<Assembly> {
  if (!first) {
    yield assembly;
    return;
  }
  for (const size of casesOf(first.plausible)) yield* everyCase(withSize(assembly, first, size), others, casesOf);
}

/** All that a size may be, and either end of it. */
const atItsEnds = (all: Interval): readonly Interval[] => [all, interval(all.low), interval(all.high)];

/** All that a size may be, and every piece of it. */
const inPieces = (all: Interval): readonly Interval[] => [
  all,
  ...Array.from({ length: PIECES }, (_, at) => {
    const step = (all.high - all.low) / PIECES;
    return interval(all.low + at * step, all.low + (at + 1) * step);
  }),
  interval(all.low),
  interval(all.high),
];

function withSize(assembly: Assembly, { id }: Parameter, size: Interval): Assembly {
  const part = assembly.parts[kindOf(id)];
  return part
    ? withPart(assembly, { ...part, values: { ...part.values, [id]: { interval: size, source: 'identified' } } })
    : assembly;
}

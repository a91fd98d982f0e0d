import type { Size } from '../catalogue/size.js';
import type { Column } from './columns.js';
import { ASSUMED } from './assumptions.js';
import type { SizeEvidence, StepEvidence } from './evidence.js';
import { stepAt, stepDensity, stepShares } from './sizeLikelihood.js';
import type { Tie } from './tiedSizes.js';

/**
 * Two columns as one: by pattern, which pair of values it has, counted from 1; 0 where it does not state the second.
 */
interface Pairs {
  readonly codes: Uint32Array;
  /** By code, the code of the first value and of the second. */
  readonly first: readonly number[];
  readonly second: readonly number[];
  readonly counts: readonly number[];
}

const paired = new WeakMap<Column<Size>, WeakMap<Column<Size>, Pairs>>();

/** The pairs of values of two columns, found once for each two. */
export function pairsOf(first: Column<Size>, second: Column<Size>): Pairs {
  const known = paired.get(first)?.get(second);
  if (known) return known;
  const codeOf = new Map<number, number>();
  const codes = new Uint32Array(second.codes.length);
  const made: Pairs & { first: number[]; second: number[]; counts: number[] } = {
    codes,
    first: [0],
    second: [0],
    counts: [0],
  };
  const values = second.distinct.length + 1;
  second.codes.forEach((code, row) => {
    if (code === 0) return;
    const pair = (first.codes[row] ?? 0) * values + code;
    let at = codeOf.get(pair);
    if (at === undefined) {
      at = made.first.push(first.codes[row] ?? 0) - 1;
      made.second.push(code);
      made.counts.push(0);
      codeOf.set(pair, at);
    }
    codes[row] = at;
    made.counts[at] = (made.counts[at] ?? 0) + 1;
  });
  const ofFirst = paired.get(first) ?? new WeakMap<Column<Size>, Pairs>();
  paired.set(first, ofFirst.set(second, made));
  return made;
}

/**
 * How often a size stands at each of its service steps on parts of which another size, reworked together with it, was
 * measured or said so: as that one for the share reworked as one, as parts come in for the rest.
 *
 * @param before how likely each step of the other size is, standard first
 */
export function sharesBeside(size: Size, other: Size, before: ArrayLike<number>, { alike }: Tie): Float64Array {
  const usual = stepShares(size);
  const shares = Float64Array.from({ length: size.service.length + 1 }, (_share, step) => {
    const offset = step === 0 ? 0 : (size.service[step - 1] ?? 0);
    const same = stepAt(other, offset);
    return alike * (same === undefined ? 0 : (before[same] ?? 0)) + (1 - alike) * (usual[step] ?? 0);
  });
  const sum = shares.reduce((all, share) => all + share, 0);
  return sum > 0 ? shares.map((share) => share / sum) : Float64Array.from(usual);
}

/** How likely each service step is once the size was measured, standard first; as parts come in where no step tells. */
export function stepsMeasured(size: Size, { parameter, estimate, step }: SizeEvidence): ArrayLike<number> {
  const usual = step === undefined ? stepShares(size) : stepsSaid(size, step);
  const likely = Float64Array.from(
    { length: size.service.length + 1 },
    (_share, at) => (usual[at] ?? 0) * stepDensity(size, parameter, estimate, at),
  );
  const sum = likely.reduce((all, share) => all + share, 0);
  return sum > 0 ? likely.map((share) => share / sum) : usual;
}

/** How likely each service step is once one was said, standard first. */
export function stepsSaid(size: Size, offset: StepEvidence['offset']): ArrayLike<number> {
  const said = stepAt(size, offset);
  const usual = stepShares(size);
  if (said === undefined) return usual;
  return Float64Array.from(
    { length: size.service.length + 1 },
    (_share, step) => (step === said ? ASSUMED.stepRight : 0) + (1 - ASSUMED.stepRight) * (usual[step] ?? 0),
  );
}

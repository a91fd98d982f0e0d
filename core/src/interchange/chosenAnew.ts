import type { Part } from '../catalogue/part.js';
import { FITTED_NEW, KINDS, type KindId, type NewPartOperation } from '../dictionary/dictionary.js';
import {
  verdictOfCheck,
  withPart,
  type Assembly,
  type Joint,
  type JointCheck,
  type OperationId,
  type Outcome,
  type PlacedPart,
  type WorkOption,
} from '../joints/index.js';
import { work } from '../joints/outcome.js';
import { sentence } from '../quantity/sentence.js';
import { newFor } from './newPart.js';

/** All that is done for the sake of having a new one. */
export const RENEWALS: ReadonlySet<string> = new Set(FITTED_NEW.flatMap((id) => KINDS[id].fittedNew?.operation ?? []));

/**
 * What fitting a new one takes, where that is done with these parts: whenever an engine is built, or only with a part
 * it comes with. Shells are never those of the engine: `sidesOf` leaves them out.
 */
function renewalOf(kind: KindId, coming: readonly PlacedPart[]): OperationId | undefined {
  const { fittedNew } = KINDS[kind];
  if (!fittedNew) return undefined;
  const { operation, with: only } = fittedNew;
  return only && !coming.some(({ part }) => only.includes(part.kind)) ? undefined : (operation as NewPartOperation);
}

/** What it takes to have a new one in place of a part of the engine, and whether it comes with what is put in. */
export interface Renewal {
  readonly step: OperationId;
  readonly comesAlong: boolean;
}

/**
 * Parts of an engine that give way to new ones where they do not go with what comes, and what it takes to have those.
 * Of a part that was named by itself none does: then it is what is asked about.
 */
export function givingWay(
  coming: readonly PlacedPart[],
  staying: readonly PlacedPart[],
): ReadonlyMap<PlacedPart, Renewal> {
  if (staying.length < 2) return new Map();
  const found = new Map<PlacedPart, Renewal>();
  for (const each of staying) {
    const { kind } = each.part;
    const comesAlong = coming.some(({ part }) => part.completeWith?.includes(kind));
    const step = renewalOf(kind, coming) ?? (comesAlong ? 'takeAlong' : undefined);
    if (step) found.set(each, { step, comesAlong });
  }
  return found;
}

/** A joint in which a part gives way to a new one wherever that is what would be refused. */
export const withNew = (joint: Joint, old: Part, renewal: Renewal): Joint => ({
  ...joint,
  checks: joint.checks.map((check): JointCheck => ({
    ...check,
    verdict: (assembly) => {
      const verdict = verdictOfCheck(check, assembly);
      return verdict === 'doesNotFit' ? 'fitsWithWork' : verdict;
    },
    judge: (assembly) => {
      const outcome = check.judge(assembly);
      if (outcome.verdict === 'doesNotFit') return renewed(check, outcome, assembly, old, renewal);
      return outcome.verdict === 'fitsWithWork' ? orNew(check, outcome, assembly, old, renewal) : outcome;
    },
  })),
});

/** Fitting what comes with the part that is put in. */
const itsOwn = (old: Part, step: OperationId): WorkOption =>
  work({ steps: [step], says: [`Fit what comes with it in place of ${old.label}.`], comesAlong: true });

/** What a check comes to with a new part in place of one that it refuses. */
function renewed(
  check: JointCheck,
  refused: Outcome,
  assembly: Assembly,
  old: Part,
  { step, comesAlong }: Renewal,
): Outcome {
  if (comesAlong)
    return {
      ...refused,
      verdict: 'fitsWithWork',
      because: sentence`${refused.because} It stays out: what goes in brings its own.`,
      work: [itsOwn(old, step)],
    };
  const chosen = newFor(assembly, old);
  const several = KINDS[old.kind].plural.toLowerCase();
  if (!chosen)
    return {
      ...refused,
      verdict: 'fitsWithWork',
      because: sentence`${refused.because} It is fitted new anyway, and none on record is known to go with all of this: have it made or ordered to these sizes.`,
      work: [work({ steps: [step], says: [`Order ${several} to these sizes.`] })],
    };
  const outcome = check.judge(withPart(assembly, chosen));
  const says = sentence`Fit ${chosen.label} in place of ${old.label}.`;
  return {
    ...outcome,
    verdict: 'fitsWithWork',
    because: sentence`${old.label} would not do; new ones go in, ${chosen.label}. ${outcome.because}`,
    work:
      outcome.verdict === 'fits'
        ? [work({ steps: [step], says, ...sizesOf(outcome), buy: [chosen.pattern] })]
        : outcome.work.map((option) => ({
            ...option,
            steps: [step, ...option.steps],
            says: sentence`${says} ${option.says}`,
            buy: [...option.buy, ...(chosen.pattern === undefined ? [] : [chosen.pattern])],
          })),
  };
}

/** Work for the sake of a part that is fitted new anyway: a new one that drops in is offered before it. */
function orNew(
  check: JointCheck,
  wanted: Outcome,
  assembly: Assembly,
  old: Part,
  { step, comesAlong }: Renewal,
): Outcome {
  if (comesAlong)
    return {
      ...wanted,
      work: [itsOwn(old, step), ...wanted.work],
    };
  const chosen = newFor(assembly, old);
  if (!chosen) return wanted;
  const outcome = check.judge(withPart(assembly, chosen));
  if (outcome.verdict !== 'fits') return wanted;
  const says = sentence`Fit ${chosen.label} in place of ${old.label}.`;
  return {
    ...wanted,
    work: [work({ steps: [step], says, ...sizesOf(outcome), buy: [chosen.pattern] }), ...wanted.work],
  };
}

const sizesOf = ({ found, required }: Outcome): Pick<Outcome, 'found' | 'required'> => ({
  ...(found ? { found } : {}),
  ...(required ? { required } : {}),
});

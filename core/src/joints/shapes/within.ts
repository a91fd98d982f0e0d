import type { Value } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import type { Interval } from '../../quantity/interval.js';
import { band, sentence, type Sentence } from '../../quantity/sentence.js';
import type { QuantityKind } from '../../quantity/unit.js';
import { valueOf, type Assembly, type Where } from '../assembly.js';
import { MENDED, REPLACED, TOLD, type Check } from '../check.js';
import { atLeast, closer, hold, mended, missing, type Finding, type Offer } from '../finding.js';
import type { Verdict } from '../verdict.js';

/** A band that something must lie in, and by what rule where no specification gives it. */
export interface Requirement {
  readonly band: Interval;
  readonly ruleOfThumb?: string;
  readonly atLeast?: boolean;
}

/** What a check found and wanted, for the one who mends it. */
export interface Detail {
  readonly found: Interval;
  readonly required: Interval;
  readonly values: readonly Interval[];
}

/** Stands where a size is wanted by the compiler only: a check that lacks one has answered before. */
export const NONE: Interval = { low: 0, high: 0 };

/** A size on the part whose place is taken. */
export interface Of {
  readonly parameter: Parameter;
  readonly where: Where;
}

export interface WithinSpec {
  readonly id: string;
  readonly name: string;
  readonly quantity?: QuantityKind;
  /** The sizes it goes by, all of which must be known. */
  readonly of: readonly (Parameter | Of)[];
  /** Ids it reads besides: specifications, limits of work, looks that decide whether it applies. */
  readonly also?: readonly string[];
  /** What results from the sizes, in their order. */
  readonly found: (values: readonly Interval[], assembly: Assembly) => Interval;
  readonly required: (assembly: Assembly, values: readonly Interval[]) => Requirement;
  /** What is said when it is right; otherwise figures alone. */
  readonly fits?: (detail: Detail) => Sentence;
  /** What is said when it is wrong, in place of what follows from too little and too much. */
  readonly wrong?: (detail: Detail) => Sentence;
  /** What follows from too little, and from too much: `it would bind`. */
  readonly tooLittle: string;
  readonly tooMuch: string;
  /** What is found, as the subject of a sentence: `The side clearance`. */
  readonly subject: string;
  readonly mend?: (assembly: Assembly, detail: Detail) => readonly Offer[];
  /** An answer that makes the sizes irrelevant, say where a look shows that nothing meets. */
  readonly unless?: (assembly: Assembly) => Finding | undefined;
  readonly caution?: string;
  /** The verdicts it can come to, where they are not those of any size, with work if there is something to mend it. */
  readonly verdicts?: readonly Verdict[];
}

const asOf = (entry: Parameter | Of): Of => ('where' in entry ? entry : { parameter: entry, where: 'parts' });

/** A size that results from others must lie in a band: clearances, interferences, stack-ups, side play. */
export function within(spec: WithinSpec): Check {
  const entries = spec.of.map(asOf);
  return {
    id: spec.id,
    name: spec.name,
    reads: [...entries.map(({ parameter, where }) => (where === 'replaced' ? REPLACED : '') + parameter.id), ...(spec.also ?? [])],
    verdicts: spec.verdicts ?? (spec.mend ? MENDED : TOLD),
    judge: (assembly) => {
      const settled = spec.unless?.(assembly);
      if (settled) return settled;
      const known = entries.flatMap(({ parameter, where }): (readonly [Parameter, Value])[] => {
        const value = valueOf(assembly, parameter, where);
        return value ? [[parameter, value]] : [];
      });
      if (known.length < entries.length)
        return missing(
          entries.filter(({ parameter, where }) => !valueOf(assembly, parameter, where)).map(({ parameter }) => parameter),
          spec.quantity,
        );
      const values = known.map(([, value]) => value.interval);
      const found = spec.found(values, assembly);
      const requirement = spec.required(assembly, values);
      const required = requirement.atLeast ? atLeast(requirement.band.low, found) : requirement.band;
      const held = hold(found, required);
      const detail: Detail = { found, required, values };
      const finding: Finding = {
        ...held,
        quantity: spec.quantity ?? 'length',
        found,
        required,
        ...(requirement.atLeast ? { atLeast: true } : {}),
        ...(requirement.ruleOfThumb ? { ruleOfThumb: requirement.ruleOfThumb } : {}),
        because: because(spec, detail, requirement, held.verdict),
        work: [],
        needs: held.verdict === 'cannotTell' ? closer(known) : [],
        ...(spec.caution && held.verdict !== 'fits' ? { caution: spec.caution } : {}),
      };
      return held.verdict === 'fits' || !spec.mend ? finding : mended(finding, spec.mend(assembly, detail), assembly.rules);
    },
  };
}

function because(spec: WithinSpec, detail: Detail, requirement: Requirement, verdict: Verdict): Sentence {
  const quantity = spec.quantity ?? 'length';
  const [found, wanted] = [
    band(detail.found, quantity),
    requirement.atLeast ? sentence`at least ${band({ low: requirement.band.low, high: requirement.band.low }, quantity)}` : [band(detail.required, quantity)],
  ];
  switch (verdict) {
    case 'fits':
      return spec.fits?.(detail) ?? sentence`${spec.subject} is ${found}, ${wanted} wanted.`;
    case 'cannotTell':
      return sentence`${spec.subject} may be anything from ${found}, astride what is wanted, ${wanted}: measure it closer.`;
    case 'fitsWithWork':
    case 'doesNotFit':
      if (spec.wrong) return spec.wrong(detail);
      return sentence`${spec.subject} would be ${found}, ${wanted} wanted: ${detail.found.high < detail.required.low ? spec.tooLittle : spec.tooMuch}.`;
  }
}

/** The recipient's own figure; failing that, a rule of thumb. */
export const specified =
  (parameter: Parameter, usual: (values: readonly Interval[], assembly: Assembly) => Interval, rule: string) =>
  (assembly: Assembly, values: readonly Interval[]): Requirement => {
    const own = valueOf(assembly, parameter);
    return own ? { band: own.interval } : { band: usual(values, assembly), ruleOfThumb: `Rule of thumb, none is specified: ${rule} Common practice.` };
  };

/** Always the same band, by a rule that is named. */
export const usually = (usual: Interval, rule: string) => (): Requirement => ({ band: usual, ruleOfThumb: `${rule} Common practice.` });

/** No less than this, by a rule that is named. */
export const noLess = (least: number, rule: string) => (): Requirement => ({
  band: { low: least, high: least },
  atLeast: true,
  ruleOfThumb: `${rule} Common practice.`,
});

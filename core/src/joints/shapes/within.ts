import type { Value } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { contains, type Interval } from '../../quantity/interval.js';
import { band, sentence, type Sentence } from '../../quantity/sentence.js';
import type { QuantityKind } from '../../quantity/unit.js';
import { valueOf, type Assembly, type Where } from '../assembly.js';
import { MENDED, REPLACED, TOLD, type Check } from '../check.js';
import { atLeast, closer, hold, isOption, mended, missing, type Finding, type Offer } from '../finding.js';
import type { Verdict } from '../verdict.js';

/** A band that something must lie in, and by what rule where no specification gives it. */
export interface Requirement {
  readonly band: Interval;
  readonly ruleOfThumb?: string;
  readonly atLeast?: boolean;
  /** What stands in for a specification that nobody knows. */
  readonly inPlaceOf?: Unspecified;
}

/** A specification that is not known, and how far out one or another maker goes. */
export interface Unspecified {
  readonly parameter: Parameter;
  readonly leeway: Interval;
}

/** What is usual: right by every maker inside the band, wrong by all of them outside the leeway. */
export interface Usual {
  readonly band: Interval;
  readonly leeway: Interval;
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
      const held = hold(found, required, requirement.inPlaceOf?.leeway);
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
        needs: held.verdict === 'cannotTell' ? [...wantedBefore(found, requirement), ...closer(known)] : [],
        ...(spec.caution && held.verdict !== 'fits' ? { caution: spec.caution } : {}),
      };
      const { mend } = spec;
      if (held.verdict === 'fits' || !mend) return finding;
      return mended(
        finding,
        mendedBy({ ...requirement, band: required }, (band) => mend(assembly, { ...detail, required: band })),
        assembly.rules,
      );
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
      if (requirement.inPlaceOf) return undecided(spec.subject, detail.found, requirement, quantity);
      return sentence`${spec.subject} may be anything from ${found}, astride what is wanted, ${wanted}: measure it closer.`;
    case 'fitsWithWork':
    case 'doesNotFit':
      if (spec.wrong) return spec.wrong(detail);
      return sentence`${spec.subject} would be ${found}, ${wanted} wanted: ${detail.found.high < detail.required.low ? spec.tooLittle : spec.tooMuch}.`;
  }
}

/** The specification that would decide what a rule of thumb leaves open; nothing where it is a specification already. */
export const wantedBefore = (found: Interval, { band, inPlaceOf }: Requirement): readonly string[] =>
  inPlaceOf && !contains(band, found) ? [inPlaceOf.parameter.id] : [];

/**
 * What mends something, where a rule of thumb stands in for a specification: what mends it by the rule mends it by any
 * maker's figure; where only a wider figure would let it be mended, that figure must be known.
 */
export function mendedBy({ band, inPlaceOf }: Requirement, mend: (required: Interval) => readonly Offer[]): readonly Offer[] {
  const offers = mend(band);
  if (!inPlaceOf || offers.some(isOption) || !mend(inPlaceOf.leeway).length) return offers;
  return [...offers, { unknown: inPlaceOf.parameter.id }];
}

/** What is said where a rule of thumb does not decide. */
export const undecided = (subject: string, found: Interval, { band: usual, inPlaceOf }: Requirement, quantity: QuantityKind = 'length'): Sentence =>
  sentence`${subject} is ${band(found, quantity)}. By the rule of thumb ${band(usual, quantity)} is right, and makers go from ${band(inPlaceOf?.leeway ?? usual, quantity)}: what is specified here decides.`;

/** The recipient's own figure; failing that, a rule of thumb, which decides what all makers agree in. */
export const specified =
  (parameter: Parameter, usual: (values: readonly Interval[], assembly: Assembly) => Usual, rule: string | ((assembly: Assembly) => string)) =>
  (assembly: Assembly, values: readonly Interval[]): Requirement => {
    const own = valueOf(assembly, parameter);
    if (own) return { band: own.interval };
    const { band: core, leeway } = usual(values, assembly);
    return {
      band: core,
      inPlaceOf: { parameter, leeway },
      ruleOfThumb: `Rule of thumb, none is specified: ${typeof rule === 'string' ? rule : rule(assembly)} Common practice.`,
    };
  };

/** Always the same band, by a rule that is named. */
export const usually = (usual: Interval, rule: string) => (): Requirement => ({ band: usual, ruleOfThumb: `${rule} Common practice.` });

/** No less than this, by a rule that is named. */
export const noLess = (least: number, rule: string) => (): Requirement => ({
  band: { low: least, high: least },
  atLeast: true,
  ruleOfThumb: `${rule} Common practice.`,
});

import { listed } from '../quantity/phrase.js';
import type { Part, Value } from '../catalogue/part.js';
import type { Feature, Parameter } from '../dictionary/definition.js';
import { decideWithin } from '../quantity/decision.js';
import { interval, margin, type Interval } from '../quantity/interval.js';
import type { Sentence } from '../quantity/sentence.js';
import type { QuantityKind } from '../quantity/unit.js';
import type { HouseRules } from '../shop/houseRules.js';
import { lookOf, type Assembly } from './assembly.js';
import { takes } from './cost.js';
import { OPERATIONS, type Operation, type OperationId } from './operations/operations.js';
import { isDone, type Worked } from './operations/operation.js';
import type { Verdict } from './verdict.js';

/** Something that would mend a check, and what the check would then say. */
export interface WorkOption {
  readonly name: string;
  readonly says: Sentence;
  readonly found?: Interval;
  readonly required?: Interval;
  /** What is done, in order; what it costs is told by the house rules. */
  readonly steps: readonly OperationId[];
  /** The parts as they are afterwards; none where something is fitted beside them. */
  readonly parts: readonly Part[];
  /** Patterns to be got for it: spacers, shells, a companion. */
  readonly buy: readonly string[];
  /** True where what it takes comes with what is put in, and has not to be bought. */
  readonly comesAlong?: true;
  /** False where the work cannot be taken back. */
  readonly canUndo: boolean;
  readonly caution?: string;
}

/** A value that nobody put down, as it likely is. */
export interface LikelyIf {
  /** Of the size, look or face. */
  readonly id: string;
  readonly is: Interval | string;
  /** How surely, from 0 to 1. */
  readonly probability: number;
  /** The guess in words, with what makes it likely; no full stop. */
  readonly says: Sentence;
}

/** What a check says of an assembly. Intervals are inside units and carry tolerance and measurement uncertainty. */
export interface Outcome {
  readonly verdict: Verdict;
  readonly quantity: QuantityKind;
  readonly found?: Interval;
  readonly required?: Interval;
  /** True when more than enough is as good: only the low end of `required` counts, the high end is for the drawing. */
  readonly atLeast?: boolean;
  /** Where the required band comes from, when it is not the recipient's own specification. */
  readonly ruleOfThumb?: Sentence;
  readonly margin?: number;
  readonly because: Sentence;
  readonly work: readonly WorkOption[];
  /** Ids of what must be known before it can be told. */
  readonly needs: readonly string[];
  readonly caution?: string;
  /** What it comes to by what the parts are on record with, where what is known of them does not decide. */
  readonly likely?: 'fits' | 'fitsWithWork';
  /** What that rests on, where the family of a part makes it likely. */
  readonly likelyIf?: readonly LikelyIf[];
  /** False where the matter does not come up with these parts at all. */
  readonly arises?: false;
}

/** A plain answer that goes by no size. */
export const said = (verdict: Verdict, because: Sentence, more: Partial<Outcome> = {}): Outcome => ({
  verdict,
  quantity: 'count',
  because,
  work: [],
  needs: [],
  ...more,
});

/** Nothing can be said before these are known. */
export function missing(
  needs: readonly { readonly id: string; readonly name: string }[],
  quantity: QuantityKind = 'length',
): Outcome {
  // The same size may be wanted of two parts.
  const names = new Set(needs.map((need) => need.name.toLowerCase()));
  return said('cannotTell', [`Not known: ${listed(names)}.`], {
    quantity,
    needs: [...new Set(needs.map((need) => need.id))],
  });
}

/**
 * Judges by what has been seen of these features; where some have not been looked at, the answer is that they must be.
 */
export function seeing<const T extends readonly Feature[]>(
  assembly: Assembly,
  features: T,
  judge: (...options: { readonly [K in keyof T]: string }) => Outcome,
): Outcome {
  const seen = features.map((feature) => lookOf(assembly, feature));
  const open = features.filter((_, at) => seen[at] === undefined);
  return open.length > 0 ? missing(open, 'count') : judge(...(seen as unknown as { readonly [K in keyof T]: string }));
}

const DECIDED = { inside: 'fits', outside: 'doesNotFit', cannotTell: 'cannotTell' } as const;

/**
 * Holds a found interval against the band it must lie in, guarded by all that is uncertain (ISO 14253-1): inside
 * altogether fits, outside altogether does not, astride an end cannot be told until it is measured closer.
 *
 * @param leeway how far out some maker or other still goes, where the band is only a rule of thumb: between the two
 * nobody can tell without what is specified
 */
export function hold(
  found: Interval,
  required: Interval,
  leeway: Interval = required,
): { readonly verdict: Extract<Verdict, 'fits' | 'cannotTell' | 'doesNotFit'>; readonly margin: number } {
  return { verdict: DECIDED[decideWithin(found, required, leeway)], margin: margin(found, required) };
}

/** What a work option is made from. Its undoing and its cautions follow from its steps. */
interface Work {
  readonly name?: string;
  readonly steps: readonly [OperationId, ...OperationId[]];
  readonly says: Sentence;
  readonly found?: Interval;
  readonly required?: Interval;
  readonly parts?: readonly Part[];
  readonly buy?: readonly (string | undefined)[];
  readonly comesAlong?: boolean;
}

/** What follows from the steps of some work, whoever does it to what. */
interface OfSteps {
  readonly canUndo: boolean;
  readonly caution?: string;
}

/** By steps, since few of them are told of a great many parts. */
const OF_STEPS = new Map<string, OfSteps>();

function ofSteps(steps: readonly OperationId[]): OfSteps {
  const key = steps.join(' ');
  const known = OF_STEPS.get(key);
  if (known) return known;
  const operations: readonly Operation[] = steps.map((step) => OPERATIONS[step]);
  const cautions = operations.flatMap(({ caution }) => caution ?? []);
  const found: OfSteps = {
    canUndo: operations.every(({ canUndo }) => canUndo),
    ...(cautions.length > 0 ? { caution: [...new Set(cautions)].join(' ') } : {}),
  };
  OF_STEPS.set(key, found);
  return found;
}

export function work({
  name,
  steps,
  says,
  found,
  required,
  parts = [],
  buy = [],
  comesAlong = false,
}: Work): WorkOption {
  const { canUndo, caution } = ofSteps(steps);
  return {
    name: name ?? OPERATIONS[steps[0]].name,
    says,
    ...(found ? { found } : {}),
    ...(required ? { required } : {}),
    steps,
    parts,
    buy: comesAlong ? [] : buy.filter((id) => id !== undefined),
    ...(comesAlong ? { comesAlong } : {}),
    canUndo,
    ...(caution === undefined ? {} : { caution }),
  };
}

/** At most this many ways of mending one check are offered. */
const MOST_OPTIONS = 4;

/** What the house rules have done first, whatever it costs. */
const preferred = (option: WorkOption, rules: HouseRules): boolean =>
  (rules.cylinders === 'sleeve' && option.steps.includes('sleeve')) ||
  (rules.cylinders === 'liner' && option.steps.includes('fitLiners'));

/** The options with the least work first. */
const leastFirst = (options: readonly WorkOption[], rules: HouseRules): readonly WorkOption[] =>
  [...options]
    .sort(
      (a, b) =>
        Number(preferred(b, rules)) - Number(preferred(a, rules)) || takes(a, rules).price - takes(b, rules).price,
    )
    .slice(0, MOST_OPTIONS);

/** An option, or what must be known before it may be offered. */
export type Offer = WorkOption | { readonly unknown: string };

export const isOption = (offer: Offer): offer is WorkOption => 'steps' in offer;

/** The option that work on a part makes; where nobody knows whether the work is allowed, what must be known. */
export function offer(worked: Worked | undefined, option: (part: Part) => WorkOption): readonly Offer[] {
  if (!worked) return [];
  if (isDone(worked)) return [option(worked.part)];
  return worked.unknown === undefined ? [] : [{ unknown: worked.unknown }];
}

/**
 * An outcome with what would mend it. What did not fit then fits with work; what could not be told stays open. Work
 * that nobody knows to be allowed leaves the matter open as well.
 */
export function mended(outcome: Outcome, offers: readonly Offer[], rules: HouseRules = {}): Outcome {
  const options = offers.filter(isOption);
  if (outcome.verdict === 'fits') return outcome;
  if (options.length > 0)
    return {
      ...outcome,
      verdict: outcome.verdict === 'doesNotFit' ? 'fitsWithWork' : outcome.verdict,
      work: leastFirst(options, rules),
    };
  const unknown = offers.flatMap((each) => (isOption(each) ? [] : [each.unknown]));
  return outcome.verdict === 'doesNotFit' && unknown.length > 0
    ? { ...outcome, verdict: 'cannotTell', needs: [...new Set(unknown)] }
    : outcome;
}

/**
 * The verdict that `mended` makes of one, from whether anything would mend it; offers are made only where they decide.
 */
export function mendedVerdict(verdict: Verdict, offers: () => readonly Offer[]): Verdict {
  if (verdict !== 'doesNotFit') return verdict;
  const made = offers();
  return made.some(isOption) ? 'fitsWithWork' : made.length > 0 ? 'cannotTell' : verdict;
}

/** Of values that leave a matter open, the ids of those that nobody measured; of all where every one was. */
export function closer(entries: readonly (readonly [Parameter, Value])[]): readonly string[] {
  const guessed = entries.filter(([, value]) => value.source !== 'measured' && value.source !== 'machined');
  return (guessed.length > 0 ? guessed : entries).map(([parameter]) => parameter.id);
}

/** The band for something that must be no less than `least`: drawn wide enough to show what was found. */
export const atLeast = (least: number, found: Interval): Interval =>
  interval(least, Math.max(found.high, least) + Math.max(Math.abs(least), 0.5));

import type { Value } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { contains, interval, middle, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../../quantity/sentence.js';
import { capital } from '../../quantity/phrase.js';
import type { QuantityKind } from '../../quantity/unit.js';
import { bandOf, cite, leewayOf, type FigureOfThumb, type LimitOfThumb } from '../../thumb/index.js';
import { kindOf, valueOf, type Assembly, type Where } from '../assembly.js';
import { WORK_MAY_HELP, REPLACED, NO_WORK_HELPS, type JointCheck } from '../check.js';
import {
  atLeast,
  closer,
  hold,
  isOption,
  mended,
  mendedVerdict,
  missing,
  type Outcome,
  type Offer,
} from '../outcome.js';
import type { Verdict } from '../verdict.js';

/** A band that something must lie in, and by what rule where no specification gives it. */
export interface Requirement {
  readonly band: Interval;
  /** In words, which most who ask for the band do not want. */
  readonly ruleOfThumb?: () => Sentence;
  readonly atLeast?: boolean;
  /** What stands in for a specification that nobody knows. */
  readonly inPlaceOf?: Unspecified;
}

/** A specification that is not known, and how far out one or another maker goes. */
export interface Unspecified {
  readonly parameter: Parameter;
  readonly leeway: Interval;
}

/** A size on the part whose place is taken. */
export interface Of {
  readonly parameter: Parameter;
  readonly where: Where;
}

/** The sizes a check goes by, each by the name it has in the check. */
export type Sizes = Readonly<Record<string, Parameter | Of>>;

/** Those sizes as they are. */
export type Known<S extends Sizes> = { readonly [K in keyof S]: Interval };

/** What a check found and wanted, for the one who mends it. */
interface Detail<S extends Sizes> {
  readonly found: Interval;
  readonly required: Interval;
  readonly sizes: Known<S>;
}

/** A place where sizes were measured by themselves, as it is called, and the sizes there. */
interface Place<S extends Sizes> {
  readonly name: string;
  readonly sizes: Known<S>;
}

/** What places in a row are called. */
export const PLACES: Readonly<Record<Parameter['per'], string>> = {
  part: 'place',
  main: 'main',
  crankpin: 'crankpin',
  cylinder: 'cylinder',
};

interface Looked<S extends Sizes> {
  readonly detail: Detail<S>;
  readonly requirement: Requirement;
  readonly held: ReturnType<typeof hold>;
  /** Where that is so, of several places. */
  readonly place?: string;
}

/** Verdicts from the best to the worst, as far as sizes tell; of two alike the narrower margin is the worse. */
const WORSE = ['fits', 'cannotTell', 'doesNotFit'] as const;
const isWorse = (a: Looked<Sizes>['held'], b: Looked<Sizes>['held']): boolean =>
  WORSE.indexOf(a.verdict) > WORSE.indexOf(b.verdict) || (a.verdict === b.verdict && a.margin < b.margin);

interface WithinSpec<S extends Sizes> {
  readonly id: string;
  readonly name: string;
  readonly quantity?: QuantityKind;
  /** The sizes it goes by, all of which must be known. */
  readonly of: S;
  /** Ids it reads as well: specifications, limits of work, looks that decide whether it applies. */
  readonly also?: readonly string[];
  /** What results from the sizes. */
  readonly found: (sizes: Known<S>, assembly: Assembly) => Interval;
  readonly required: (assembly: Assembly, sizes: Known<S>) => Requirement;
  /** What is said when it is right; otherwise figures alone. */
  readonly fits?: (detail: Detail<S>, assembly: Assembly) => Sentence;
  /** What is said when it is wrong, in place of what follows from too little and too much. */
  readonly wrong?: (detail: Detail<S>) => Sentence;
  /** What follows from too little, and from too much: `it would bind`. */
  readonly tooLittle: string;
  readonly tooMuch: string;
  /** What is found, as the subject of a sentence: `The side clearance`. */
  readonly subject: string;
  readonly mend?: (assembly: Assembly, detail: Detail<S>) => readonly Offer[];
  /** An answer that makes the sizes irrelevant, say where a look shows that nothing meets. */
  readonly unless?: (assembly: Assembly) => Outcome | undefined;
  readonly caution?: string;
  /** The verdicts it can come to, where they are not those of any size, with work if there is something to mend it. */
  readonly verdicts?: readonly Verdict[];
}

const asOf = (entry: Parameter | Of): Of => ('where' in entry ? entry : { parameter: entry, where: 'parts' });

/** The same size of the part whose place is taken. */
export const before = (parameter: Parameter): Of => ({ parameter, where: 'replaced' });

/** A size that results from others must lie in a band: clearances, interferences, stack-ups, side play. */
export function within<const S extends Sizes>(spec: WithinSpec<S>): JointCheck {
  const entries = Object.entries(spec.of).map(([name, entry]) => ({ name, ...asOf(entry) }));
  /** The sizes, where all of them are known. */
  const sizesIn = (assembly: Assembly): Known<S> | undefined => {
    const sizes: Record<string, Interval> = {};
    for (const { name, parameter, where } of entries) {
      const value = valueOf(assembly, parameter, where);
      if (!value) return undefined;
      sizes[name] = value.interval;
    }
    return sizes as Known<S>;
  };
  /** The same at every place where one of them was measured by itself; nothing where none was. */
  const placesIn = (assembly: Assembly, sizes: Known<S>): readonly Place<S>[] => {
    if (!entries.some(({ parameter, where }) => valueOf(assembly, parameter, where)?.at)) return [];
    const inRow = entries.flatMap(({ name, parameter, where }) => {
      const at = valueOf(assembly, parameter, where)?.at;
      return at ? [{ name, parameter, at }] : [];
    });
    const [first] = inRow;
    if (!first) return [];
    return [...new Set(inRow.flatMap(({ at }) => at.map(({ position }) => position)))].map((position) => ({
      name: `${capital(PLACES[first.parameter.per])} ${position}`,
      sizes: {
        ...sizes,
        ...Object.fromEntries(
          inRow.flatMap(({ name, at }) => {
            const found = at.find((each) => each.position === position);
            return found ? [[name, found.interval]] : [];
          }),
        ),
      },
    }));
  };
  /** What is found, what is wanted, and how the one lies to the other: at the place where it lies worst. */
  const looked = (assembly: Assembly, sizes: Known<S>): Looked<S> => {
    const places = placesIn(assembly, sizes);
    let worst: Looked<S> | undefined;
    for (const place of places) {
      const here = lookedAt(assembly, place.sizes);
      if (!worst || isWorse(here.held, worst.held)) worst = { ...here, place: place.name };
    }
    return worst ?? lookedAt(assembly, sizes);
  };
  const lookedAt = (assembly: Assembly, sizes: Known<S>): Looked<S> => {
    const found = spec.found(sizes, assembly);
    const requirement = spec.required(assembly, sizes);
    const required = requirement.atLeast ? atLeast(requirement.band.low, found) : requirement.band;
    const leeway = requirement.inPlaceOf?.leeway;
    return {
      detail: { found, required, sizes },
      requirement,
      held: hold(found, required, leeway && requirement.atLeast ? atLeast(leeway.low, found) : leeway),
    };
  };
  const offers = (assembly: Assembly, detail: Detail<S>, requirement: Requirement) =>
    mendedBy(
      { ...requirement, band: detail.required },
      (wanted) => spec.mend?.(assembly, { ...detail, required: wanted }) ?? [],
    );
  return {
    id: spec.id,
    name: spec.name,
    reads: [
      ...entries.map(({ parameter, where }) => (where === 'replaced' ? REPLACED : '') + parameter.id),
      ...(spec.also ?? []),
    ],
    verdicts: spec.verdicts ?? (spec.mend ? WORK_MAY_HELP : NO_WORK_HELPS),
    implies: (id, assembly) => implied(spec, entries, id, assembly),
    judge: (assembly) => {
      const settled = spec.unless?.(assembly);
      if (settled) return settled;
      const sizes = sizesIn(assembly);
      if (!sizes)
        return missing(
          entries
            .filter(({ parameter, where }) => !valueOf(assembly, parameter, where))
            .map(({ parameter }) => parameter),
          spec.quantity,
        );
      const { detail, requirement, held, place } = looked(assembly, sizes);
      const finding: Outcome = {
        ...held,
        quantity: spec.quantity ?? 'length',
        found: detail.found,
        required: detail.required,
        ...(requirement.atLeast ? { atLeast: true } : {}),
        ...(requirement.ruleOfThumb ? { ruleOfThumb: requirement.ruleOfThumb() } : {}),
        because: sentence`${place === undefined ? '' : `${place}: `}${because(spec, assembly, detail, requirement, held.verdict)}`,
        work: [],
        needs:
          held.verdict === 'cannotTell'
            ? [...wantedBefore(detail.found, requirement), ...closer(valuesOf(entries, assembly))]
            : [],
        ...(spec.caution && held.verdict !== 'fits' ? { caution: spec.caution } : {}),
      };
      return spec.mend && held.verdict !== 'fits'
        ? mended(finding, offers(assembly, detail, requirement), assembly.rules)
        : finding;
    },
    verdict: (assembly) => {
      const settled = spec.unless?.(assembly);
      if (settled) return settled.verdict;
      const sizes = sizesIn(assembly);
      if (!sizes) return 'cannotTell';
      const { detail, requirement, held } = looked(assembly, sizes);
      return spec.mend ? mendedVerdict(held.verdict, () => offers(assembly, detail, requirement)) : held.verdict;
    },
  };
}

/** Each of these sizes as it is known, and where that comes from. */
const valuesOf = (entries: readonly Of[], assembly: Assembly): readonly (readonly [Parameter, Value])[] =>
  entries.flatMap(({ parameter, where }): (readonly [Parameter, Value])[] => {
    const value = valueOf(assembly, parameter, where);
    return value ? [[parameter, value]] : [];
  });

/**
 * Where one of two sizes lies, if what results from both is as it must be, by the widest that is allowed. Nothing where
 * the sum is not that of two sizes, one of each part, or where more than enough is as good.
 */
function implied<S extends Sizes>(
  spec: WithinSpec<S>,
  entries: readonly ({ readonly name: string } & Of)[],
  id: string,
  assembly: Assembly,
): Interval | undefined {
  const [asked, other] = [
    entries.find((each) => each.parameter.id === id),
    entries.find((each) => each.parameter.id !== id),
  ];
  if (!asked || !other || entries.length !== 2 || kindOf(id) === kindOf(other.parameter.id)) return undefined;
  if (asked.where === 'replaced' || other.where === 'replaced' || spec.unless?.(assembly)) return undefined;
  const known = valueOf(assembly, other.parameter)?.interval;
  if (!known) return undefined;
  const withSize = (size: number) => ({ [asked.name]: interval(size), [other.name]: known }) as Known<S>;
  const [none, one] = [spec.found(withSize(0), assembly), spec.found(withSize(1), assembly)];
  const slope = Math.round(one.low - none.low);
  if (Math.abs(slope) !== 1) return undefined;
  const asIs = -middle(none) / slope;
  const requirement = spec.required(assembly, withSize(asIs));
  // What is wanted may be another thing with another size, a bush in place of bare metal: then nothing is implied.
  const isOne = [asIs - 1, asIs + 1].every((size) =>
    alike(spec.required(assembly, withSize(size)).band, requirement.band),
  );
  if (requirement.atLeast || !isOne) return undefined;
  const allowed = requirement.inPlaceOf?.leeway ?? requirement.band;
  return slope > 0
    ? interval(allowed.low - none.high, allowed.high - none.low)
    : interval(none.low - allowed.high, none.high - allowed.low);
}

/** Bands that differ by no more than what they are a share of does with a millimetre. */
const alike = (a: Interval, b: Interval): boolean =>
  Math.max(Math.abs(a.low - b.low), Math.abs(a.high - b.high)) <= 0.25 * Math.max(Math.abs(b.low), Math.abs(b.high));

function because<S extends Sizes>(
  spec: WithinSpec<S>,
  assembly: Assembly,
  detail: Detail<S>,
  requirement: Requirement,
  verdict: Verdict,
): Sentence {
  const quantity = spec.quantity ?? 'length';
  const [found, wanted] = [
    band(detail.found, quantity),
    requirement.atLeast
      ? sentence`at least ${band({ low: requirement.band.low, high: requirement.band.low }, quantity)}`
      : [band(detail.required, quantity)],
  ];
  switch (verdict) {
    case 'fits':
      return spec.fits?.(detail, assembly) ?? sentence`${spec.subject} is ${found}, ${wanted} wanted.`;
    case 'cannotTell':
      if (requirement.inPlaceOf) return undecided(spec.subject, detail.found, requirement, quantity);
      return sentence`${spec.subject} may be anything from ${found}, astride what is wanted, ${wanted}: measure it closer.`;
    case 'fitsWithWork':
    case 'doesNotFit':
      if (spec.wrong) return spec.wrong(detail);
      return sentence`${spec.subject} would be ${found}, ${wanted} wanted: ${detail.found.high < detail.required.low ? spec.tooLittle : spec.tooMuch}.`;
  }
}

/**
 * The specification that would decide what a rule of thumb leaves open; nothing where it is a specification already.
 */
export const wantedBefore = (found: Interval, { band: usual, inPlaceOf }: Requirement): readonly string[] =>
  inPlaceOf && !contains(usual, found) ? [inPlaceOf.parameter.id] : [];

/**
 * What mends something, where a rule of thumb stands in for a specification: what mends it by the rule mends it by any
 * maker's figure; where only a wider figure would let it be mended, that figure must be known.
 */
export function mendedBy(
  { band: usual, inPlaceOf }: Requirement,
  mend: (required: Interval) => readonly Offer[],
): readonly Offer[] {
  const offers = mend(usual);
  if (!inPlaceOf || offers.some(isOption) || !mend(inPlaceOf.leeway).length) return offers;
  return [...offers, { unknown: inPlaceOf.parameter.id }];
}

/** What is said where a rule of thumb does not decide. */
export const undecided = (
  subject: string,
  found: Interval,
  { band: usual, inPlaceOf, atLeast: moreIsRight }: Requirement,
  quantity: QuantityKind = 'length',
): Sentence => {
  const furthest = inPlaceOf?.leeway ?? usual;
  const rule = moreIsRight
    ? sentence`at least ${value(usual.low, quantity)} is right, and makers go down to ${value(furthest.low, quantity)}`
    : sentence`${band(usual, quantity)} is right, and makers go from ${band(furthest, quantity)}`;
  return sentence`${subject} is ${band(found, quantity)}. By the rule of thumb ${rule}: what is specified here decides.`;
};

/**
 * A band that is a share of a size, which is itself uncertain: the narrowest band of all the sizes it may be, so that
 * knowing less never allows more. Where no band suits all of them, its one middle.
 */
function bandOfSize({ low, high }: Interval, size: Interval): Interval {
  const [least, most] = [low * size.high, high * size.low];
  return least <= most ? { low: least, high: most } : { low: (least + most) / 2, high: (least + most) / 2 };
}

/** How far makers go of a size that is itself uncertain: as far as with any size it may be. */
const leewayOfSize = ({ low, high }: Interval, size: Interval): Interval => ({
  low: scaled(size, low).low,
  high: scaled(size, high).high,
});

/**
 * The recipient's own figure; failing that, a figure of thumb, which decides what all makers agree in.
 *
 * @param size what the figure is a share of, where it is one
 */
export function specified(
  assembly: Assembly,
  parameter: Parameter,
  figure: FigureOfThumb,
  size?: Interval,
): Requirement {
  const own = valueOf(assembly, parameter);
  if (own) return { band: own.interval };
  const [usual, leeway] = [bandOf(figure, assembly.rules), leewayOf(figure, assembly.rules)];
  return {
    band: size ? bandOfSize(usual, size) : usual,
    inPlaceOf: { parameter, leeway: size ? leewayOfSize(leeway, size) : leeway },
    ruleOfThumb: () => sentence`Rule of thumb, none is specified. ${cite(figure, assembly.rules)}`,
  };
}

/** A share of a size. */
export const ofSize = (figure: FigureOfThumb, size: Interval, { rules }: Assembly): Requirement => ({
  band: bandOfSize(bandOf(figure, rules), size),
  ruleOfThumb: () => cite(figure, rules),
});

/** Always the same figure. */
export const usually =
  (figure: FigureOfThumb) =>
  ({ rules }: Assembly): Requirement => ({ band: bandOf(figure, rules), ruleOfThumb: () => cite(figure, rules) });

/** No less than a figure. */
export const noLess =
  (figure: LimitOfThumb) =>
  (assembly: Assembly): Requirement => ({ ...usually(figure)(assembly), atLeast: true });

/** No more than a figure. */
export const noMore =
  (figure: LimitOfThumb) =>
  (assembly: Assembly): Requirement => {
    const usual = usually(figure)(assembly);
    return { ...usual, band: { low: Math.min(0, usual.band.high), high: usual.band.high } };
  };

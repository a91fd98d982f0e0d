import type { MeasuredSpot } from '../catalogue/measuredSize.js';
import type { Pattern } from '../catalogue/pattern.js';
import type { Part } from '../catalogue/part.js';
import { sizeOf } from '../catalogue/value.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import type { Verdict } from '../joints/index.js';
import { hold } from '../joints/outcome.js';
import { apart, middle, shifted, width, type Interval } from '../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import type { HouseRules } from '../shop/houseRules.js';
import { limitOf } from '../thumb/index.js';
import type { SheetLayout } from './layout.js';

/** One place of a sheet with what was measured there held against what it should be. */
interface PlaceJudged {
  readonly position?: number;
  readonly size: Interval;
  /** As measured, without what is uncertain of it. */
  readonly outOfRound?: number;
  readonly taper?: number;
  /** Worst of size, roundness and parallelism. */
  readonly verdict: Verdict;
  readonly says: readonly Sentence[];
  /** The first service size at which it cleans up by itself; 0 where it needs none. */
  readonly cleansUpAt?: number;
  /** At which service size it stands; 0 as made. Absent where at none, or where nobody knows what it was made to. */
  readonly step?: number;
}

/** A sheet of one part, judged. */
interface SheetJudged {
  readonly places: readonly PlaceJudged[];
  /** As made, at the step most places stand at. */
  readonly specified?: Interval;
  readonly wearLimit?: number;
  /** The first service size at which every place cleans up; with how far that is from what was made. */
  readonly cleansUp?: { readonly step: number; readonly size: Interval };
}

/** How many places a part has of a sheet: as is seen on it, or as far as they were measured. */
export function placesOf({ parameter }: SheetLayout, part: Part): number {
  if (parameter.per === 'part') return 1;
  const look = {
    main: part.kind === 'crank' ? crank.features.mainCount.id : block.features.mainCount.id,
    crankpin: crank.features.crankpins.id,
    cylinder: block.features.cylinders.id,
  }[parameter.per];
  const count = Number(part.looks[look]?.option);
  const measured = Math.max(1, ...(part.values[parameter.id]?.at ?? []).map(({ position }) => position));
  return Number.isInteger(count) && count > 0 ? Math.max(count, measured) : Math.max(measured, USUAL[parameter.per]);
}

/** Where nobody says. */
const USUAL = { main: 5, crankpin: 4, cylinder: 4 } as const;

/** Holds every place of a sheet against what its pattern was made to, and against how round and parallel it must be. */
export function judgeSheet(
  layout: SheetLayout,
  part: Part,
  pattern: Pattern | undefined,
  rules: HouseRules,
): SheetJudged {
  const { parameter, most, round } = layout;
  const required = layout.holds?.({ parts: { [part.kind]: part }, replaced: {}, stock: {}, rules });
  const size = (of: Interval) => band(of, parameter.quantity);
  const found = part.values[parameter.id];
  const made = pattern && sizeOf(pattern, parameter)?.value;
  const at = found?.source === 'measured' ? (found.at ?? [{ position: 0, ...found }]) : [];
  const steps = made ? [0, ...made.service] : [];
  const least = most ? limitOf(most.cleanedUp, rules) : 0;
  // Wear goes one way: what is left of a service size is that size or past it.
  const stepOf = (size: Interval): number | undefined => {
    if (!made) return undefined;
    const reach = Math.abs((made.wearLimit ?? middle(made.limits)) - middle(made.limits)) + width(made.limits) / 2;
    const index = steps.findIndex((step) => {
      const fresh = shifted(made.limits, step);
      const worn =
        parameter.wear === 'grows'
          ? { low: fresh.low, high: fresh.high + Math.max(reach, least) }
          : parameter.wear === 'shrinks'
            ? { low: fresh.low - Math.max(reach, least), high: fresh.high }
            : fresh;
      return !apart(size, worn);
    });
    return index < 0 ? undefined : index;
  };
  const standing = at.map((each) => stepOf(each.interval));
  const common = mostOften(standing.filter((step) => step !== undefined));
  const fresh = made && common !== undefined ? shifted(made.limits, steps[common] ?? 0) : made?.limits;
  const wearLimit =
    made?.wearLimit === undefined || common === undefined ? made?.wearLimit : made.wearLimit + (steps[common] ?? 0);
  const judged = at.map((each, index): PlaceJudged => {
    const says: Sentence[] = [];
    const verdicts: Verdict[] = [];
    if (fresh) {
      const allowed =
        wearLimit === undefined
          ? fresh
          : { low: Math.min(fresh.low, wearLimit), high: Math.max(fresh.high, wearLimit) };
      const { verdict } = hold(each.interval, allowed);
      verdicts.push(verdict);
      const name = wearLimit === undefined ? 'as made' : 'allowed';
      if (verdict === 'doesNotFit') says.push(sentence`${size(each.interval)}, and ${size(allowed)} is ${name}.`);
      else if (verdict !== 'fits')
        says.push(sentence`${size(each.interval)} may be past ${size(allowed)}, which is ${name}.`);
    }
    if (required) {
      const { verdict } = hold(each.interval, required.band, required.inPlaceOf?.leeway);
      verdicts.push(verdict);
      if (verdict !== 'fits')
        says.push(
          sentence`${size(each.interval)}, and ${size(required.band)} is wanted.`,
          ...(required.ruleOfThumb ? [required.ruleOfThumb()] : []),
        );
    }
    for (const lack of ['outOfRound', 'taper'] as const) {
      const by = each[lack];
      if (!by || !most) continue;
      const limit = limitOf(most[lack], rules);
      const { verdict } = hold(by, { low: 0, high: limit });
      verdicts.push(verdict);
      if (verdict !== 'fits')
        says.push(sentence`${band(by)} ${lack === 'taper' ? 'tapered' : 'out of round'}, ${value(limit)} at the most.`);
    }
    const step = standing[index];
    return {
      ...(each.position > 0 ? { position: each.position } : {}),
      size: each.interval,
      ...(round && each.outOfRound ? { outOfRound: apartBy(each.spots, 'level') } : {}),
      ...(round && each.taper ? { taper: apartBy(each.spots, 'axis') } : {}),
      verdict: verdicts.length === 0 ? 'cannotTell' : worstOf(verdicts),
      says,
      ...(step === undefined ? {} : { step }),
    };
  });
  const places = judged.map((place): PlaceJudged => {
    const { wear } = parameter;
    const own =
      place.verdict !== 'doesNotFit'
        ? 0
        : made && most && firstStep(wear, made.limits, made.service, [place], least)?.step;
    return own === undefined ? place : { ...place, cleansUpAt: own };
  });
  const cleansUp =
    made && most && places.length > 0 ? firstStep(parameter.wear, made.limits, made.service, places, least) : undefined;
  return {
    places,
    ...(fresh ? { specified: fresh } : {}),
    ...(wearLimit === undefined ? {} : { wearLimit }),
    ...(cleansUp ? { cleansUp } : {}),
  };
}

/** The most by which figures differ that were taken at one height, or in one direction. */
function apartBy(spots: readonly MeasuredSpot[] = [], alike: 'level' | 'axis'): number {
  const groups = new Map<string | number | undefined, number[]>();
  for (const spot of spots) groups.set(spot[alike], [...(groups.get(spot[alike]) ?? []), middle(spot.interval)]);
  return Math.max(0, ...[...groups.values()].map((all) => Math.max(...all) - Math.min(...all)));
}

const ORDER: readonly Verdict[] = ['doesNotFit', 'cannotTell', 'fitsWithWork', 'fits'];
const worstOf = (verdicts: readonly Verdict[]): Verdict =>
  ORDER.find((each) => verdicts.includes(each)) ?? 'cannotTell';

function mostOften(all: readonly number[]): number | undefined {
  const counts = new Map<number, number>();
  for (const each of all) counts.set(each, (counts.get(each) ?? 0) + 1);
  return [...counts].sort(([a, as], [b, bs]) => bs - as || a - b)[0]?.[0];
}

/** The first service size to which all places can be brought by taking something off. */
function firstStep(
  wear: 'grows' | 'shrinks' | 'neither',
  limits: Interval,
  service: readonly number[],
  places: readonly PlaceJudged[],
  least: number,
): { readonly step: number; readonly size: Interval } | undefined {
  if (wear === 'neither') return undefined;
  const worst =
    wear === 'grows'
      ? Math.max(...places.map(({ size }) => middle(size)))
      : Math.min(...places.map(({ size }) => middle(size)));
  const at = service.findIndex((shift) => {
    const size = shifted(limits, shift);
    return wear === 'grows' ? worst + least <= size.high : worst - least >= size.low;
  });
  const shift = service[at];
  return shift === undefined ? undefined : { step: at + 1, size: shifted(limits, shift) };
}

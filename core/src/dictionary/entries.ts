import type { InstrumentId } from '../quantity/instrument.js';
import { interval } from '../quantity/interval.js';
import type { QuantityKind } from '../quantity/unit.js';
import type { FeatureSpec, InterfaceSpec, Making, MarkPlaceSpec, ParameterSpec, Reach } from './definition.js';

/** What is usually meant when an entry of the dictionary says nothing else, by what is measured. */
const USUAL: Readonly<
  Record<
    Exclude<QuantityKind, 'count'>,
    Pick<ParameterSpec, 'usualWear' | 'usualTolerance' | 'instruments' | 'minutes'>
  >
> = {
  length: { usualWear: 0.01, usualTolerance: 0.05, instruments: ['caliper', 'rule'], minutes: 1 },
  angle: { usualWear: 0.1, usualTolerance: 0.5, instruments: ['degreeWheel'], minutes: 5 },
  volume: { usualWear: 0.1, usualTolerance: 0.6, instruments: ['burette'], minutes: 8 },
  mass: { usualWear: 0.5, usualTolerance: 4, instruments: ['scale'], minutes: 1 },
  force: { usualWear: 15, usualTolerance: 15, instruments: ['springTester'], minutes: 3 },
  springRate: { usualWear: 1, usualTolerance: 2, instruments: ['springTester'], minutes: 5 },
  torque: { usualWear: 1, usualTolerance: 2, instruments: ['sheet'], minutes: 1 },
  pressure: { usualWear: 0.1, usualTolerance: 0.2, instruments: ['sheet'], minutes: 1 },
  velocity: { usualWear: 0.1, usualTolerance: 0.1, instruments: ['sheet'], minutes: 1 },
  acceleration: { usualWear: 1, usualTolerance: 1, instruments: ['sheet'], minutes: 1 },
  flow: { usualWear: 1, usualTolerance: 5, instruments: ['sheet'], minutes: 1 },
  share: { usualWear: 0.01, usualTolerance: 0.01, instruments: ['sheet'], minutes: 1 },
  speed: { usualWear: 1, usualTolerance: 50, instruments: ['sheet'], minutes: 1 },
  ratio: { usualWear: 0.01, usualTolerance: 0.05, instruments: ['sheet'], minutes: 1 },
};

type More = Partial<Omit<ParameterSpec, 'name' | 'definition' | 'plausible' | 'synonyms'>> & {
  readonly quantity?: Exclude<QuantityKind, 'count'>;
};

/**
 * Something measured. A length in the hand, once on the part and not worn, unless `more` says otherwise.
 *
 * @param synonyms other words for it, lower case, separated by commas
 * @param low smallest size a real part has, inside unit
 * @param high largest
 */
export function measured(
  name: string,
  synonyms: string,
  definition: string,
  [low, high]: readonly [low: number, high: number],
  more: More = {},
): ParameterSpec {
  const quantity = more.quantity ?? 'length';
  return {
    name,
    synonyms: words(synonyms),
    definition,
    quantity,
    per: 'part',
    wear: 'neither',
    reach: 'onTheBench',
    ...USUAL[quantity],
    plausible: interval(low, high),
    ...more,
  };
}

/** A figure that no part shows and only a sheet tells: a specification, a rating. */
export const stated = (
  name: string,
  synonyms: string,
  definition: string,
  plausible: readonly [low: number, high: number],
  more: More = {},
): ParameterSpec => measured(name, synonyms, definition, plausible, { instruments: ['sheet'], ...more });

interface LookMore {
  readonly misjudged?: number;
  readonly reach?: Reach;
  readonly minutes?: number;
}

/** Options as `id: name | word, word`; the id alone where the name is the same. */
function optionsOf(options: Readonly<Record<string, string>>) {
  return Object.entries(options).map(([id, told]) => {
    const [name = id, more = ''] = told.split('|').map((part) => part.trim());
    return { id, name, words: words(more) };
  });
}

const words = (list: string): readonly string[] =>
  list
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);

/**
 * Something seen that is one of some options.
 *
 * @param tell one sentence on how to tell them apart
 * @param options by id, each its name and after a bar the words for it: `forged: 'forged | forging, wide parting'`
 */
export const look = (
  name: string,
  synonyms: string,
  tell: string,
  options: Readonly<Record<string, string>>,
  more: LookMore = {},
): FeatureSpec => ({
  name,
  synonyms: words(synonyms),
  tell,
  form: { options: optionsOf(options) },
  misjudged: more.misjudged ?? 0.02,
  reach: more.reach ?? 'onTheBench',
  minutes: more.minutes ?? 0.5,
});

/** Something that is there or is not. */
export const presence = (
  name: string,
  synonyms: string,
  tell: string,
  present: string,
  none: string,
  more: LookMore = {},
): FeatureSpec => look(name, synonyms, tell, { present, none }, more);

/** Something counted. */
export const counted = (
  name: string,
  synonyms: string,
  tell: string,
  [low, high]: readonly [number, number],
  more: LookMore = {},
): FeatureSpec => ({
  name,
  synonyms: words(synonyms),
  tell,
  form: { count: interval(low, high) },
  misjudged: more.misjudged ?? 0.01,
  reach: more.reach ?? 'onTheBench',
  minutes: more.minutes ?? 0.5,
});

/** Where marks are found. */
export const markedAt = (
  name: string,
  placed: string,
  makings: readonly Making[],
  reach: Reach = 'onTheBench',
): MarkPlaceSpec => ({
  name,
  words: words(placed),
  makings,
  reach,
});

/** A face that mates by pattern. */
export const face = (name: string, placed: string, definition: string): InterfaceSpec => ({
  name,
  synonyms: words(placed),
  definition,
});

/** The usual hand instruments, by what they can get hold of. */
export const BY_MICROMETER: readonly [InstrumentId, ...InstrumentId[]] = ['micrometer', 'snapGauge', 'caliper'];
export const BY_BORE_GAUGE: readonly [InstrumentId, ...InstrumentId[]] = [
  'boreGauge',
  'insideMicrometer',
  'telescopingGauge',
  'caliper',
];

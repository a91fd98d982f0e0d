import { parameterOf } from '../dictionary/dictionary.js';
import type { Parameter } from '../dictionary/definition.js';
import { apart, interval, type Interval } from '../quantity/interval.js';
import { CLAIM_KINDS, type Claim, type ClaimKind, type ClaimSource } from './claim.js';
import type { Described } from './pattern.js';
import { sizeFrom, type Size } from './size.js';

/** What a record's plain values count as when it names no source. */
export const USUAL_SOURCE: ClaimSource = { kind: 'makersSheet' };

/** How far below the strongest voice a contradicting one still widens the limits, in steps of CLAIM_KINDS. */
const HEARD_WITHIN = 1;

const rank = (kind: ClaimKind): number => CLAIM_KINDS.indexOf(kind);

/** One voice about a value, and how it stands to the value used. */
export interface Voice<T> {
  readonly says: T;
  readonly source: ClaimSource & Pick<Claim, 'basis' | 'note'>;
  readonly standing: 'used' | 'agrees' | 'contradicts';
}

/** A value with every voice about it, the used one first. */
export interface Derived<T> {
  readonly value: T;
  /** True when two voices cannot both be right. */
  readonly disputed: boolean;
  readonly voices: readonly Voice<T>[];
}

interface Said<T> {
  readonly says: T;
  readonly source: ClaimSource & Pick<Claim, 'basis' | 'note'>;
}

/** Strongest kind first; of one kind the latest; then as they stand. */
function inOrder<T>(said: readonly Said<T>[]): Said<T>[] {
  return said
    .map((each, at) => ({ each, at }))
    .sort(
      (a, b) =>
        rank(a.each.source.kind) - rank(b.each.source.kind) ||
        (b.each.source.on ?? '').localeCompare(a.each.source.on ?? '') ||
        a.at - b.at,
    )
    .map(({ each }) => each);
}

function derive<T>(said: readonly Said<T>[], contradict: (a: T, b: T) => boolean): Derived<T> | undefined {
  const [only] = said;
  if (!only) return undefined;
  // The usual case, and it has to be quick: one plain value and no other voice.
  const { says, source } = only;
  if (said.length === 1) return { value: says, disputed: false, voices: [{ says, source, standing: 'used' }] };
  const [used = only, ...others] = inOrder(said);
  const voices: Voice<T>[] = [
    { ...used, standing: 'used' },
    ...others.map((each) => ({
      ...each,
      standing: contradict(used.says, each.says) ? ('contradicts' as const) : ('agrees' as const),
    })),
  ];
  return { value: used.says, disputed: voices.some((voice) => voice.standing === 'contradicts'), voices };
}

const sourceOf = ({ kind, who, on, basis, note }: Claim): Said<unknown>['source'] => ({
  kind,
  ...(who === undefined ? {} : { who }),
  ...(on === undefined ? {} : { on }),
  ...(basis === undefined ? {} : { basis }),
  ...(note === undefined ? {} : { note }),
});

/** Sizes contradict where their limits lie apart by more than the usual tolerance of a single figure already allows. */
const sizesContradict = (a: Size, b: Size): boolean => apart(a.limits, b.limits);

const hull = (a: Interval, b: Interval): Interval => interval(Math.min(a.low, b.low), Math.max(a.high, b.high));

/**
 * A size of a pattern or variant, from all claims about it: the strongest kind is used, of one kind the latest. Voices
 * that contradict it and are at most one step weaker widen its limits; weaker ones only make it disputed.
 * Undefined where nobody says anything.
 */
export function sizeOf(described: Described, parameter: Parameter): Derived<Size> | undefined {
  const stated = described.dimensions[parameter.id];
  const claims = described.claims;
  const said: Said<Size>[] = stated
    ? [{ says: sizeFrom(stated, parameter), source: described.source ?? USUAL_SOURCE }]
    : [];
  if (claims)
    for (const claim of claims)
      if (claim.about === parameter.id && claim.size)
        said.push({ says: sizeFrom(claim.size, parameter), source: sourceOf(claim) });
  const derived = derive(said, sizesContradict);
  if (!derived?.disputed) return derived;
  const strongest = rank(derived.voices[0]?.source.kind ?? 'hearsay');
  const limits = derived.voices
    .filter((voice) => voice.standing === 'contradicts' && rank(voice.source.kind) <= strongest + HEARD_WITHIN)
    .reduce((widened, voice) => hull(widened, voice.says.limits), derived.value.limits);
  return { ...derived, value: { ...derived.value, limits } };
}

/** A look of a pattern or variant, or a face of a pattern, from all claims about it. */
export function optionOf(described: Described, id: string): Derived<string> | undefined {
  const stated = described.features[id] ?? described.interfaces?.[id];
  const said: Said<string>[] = stated === undefined ? [] : [{ says: stated, source: described.source ?? USUAL_SOURCE }];
  for (const claim of described.claims ?? [])
    if (claim.about === id && claim.option !== undefined) said.push({ says: claim.option, source: sourceOf(claim) });
  return derive(said, (a, b) => a !== b);
}

/** Ids of everything that is stated or claimed, each once, as they first stand. */
export const valueIds = (described: Described): string[] => [
  ...new Set([
    ...Object.keys(described.dimensions),
    ...Object.keys(described.features),
    ...Object.keys(described.interfaces ?? {}),
    ...(described.claims ?? []).map((claim) => claim.about),
  ]),
];

/** Ids of the values about which voices contradict each other. */
export function disputedIds(described: Described): string[] {
  const about = new Set((described.claims ?? []).map((claim) => claim.about));
  return [...about].filter((id) => {
    const sized = (described.claims ?? []).some((claim) => claim.about === id && claim.size);
    return (sized ? sizeOf(described, parameterOf(id)) : optionOf(described, id))?.disputed ?? false;
  });
}

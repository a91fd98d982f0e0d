import type { Part } from '../catalogue/part';
import type { KindId } from '../dictionary/dictionary';
import { JOINTS } from '../joints/index';
import type { Assembly, Rating, Stock } from '../joints/assembly';
import type { Outcome } from '../joints/outcome';
import { interval } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';

type Sizes = Readonly<Record<string, number | readonly [low: number, high: number]>>;
type Words = Readonly<Record<string, string>>;

const under = <T, U>(kind: KindId, given: Readonly<Record<string, T>>, make: (value: T) => U): Record<string, U> =>
  Object.fromEntries(Object.entries(given).map(([name, value]) => [`${kind}.${name}`, make(value)]));

/** A part made up for a spec, with exact sizes; ids without that of the kind. */
export const made = (kind: KindId, sizes: Sizes = {}, looks: Words = {}, interfaces: Words = {}): Part => ({
  kind,
  label: `made ${kind}`,
  values: under(kind, sizes, (size) => ({
    interval: typeof size === 'number' ? interval(size) : interval(...size),
    source: 'pattern' as const,
  })),
  looks: under(kind, looks, (option) => ({ option, source: 'pattern' as const })),
  interfaces: under(kind, interfaces, (pattern) => pattern),
  service: {},
  standard: {},
  pattern: `made-${kind}`,
});

/** What stands round made parts. */
interface Round {
  readonly rules?: HouseRules;
  readonly stock?: Stock;
  /** In whose places the parts come. */
  readonly replaced?: readonly Part[];
  /** What the engine they are for is rated at. */
  readonly rated?: Rating;
}

/** A made part, one size of which was measured to lack form by so much. */
export function misshapen(part: Part, id: string, form: Readonly<Record<string, number>>): Part {
  const value = part.values[id];
  if (!value) throw new RangeError(`${part.label} has no ${id}.`);
  const lacks = Object.fromEntries(Object.entries(form).map(([lack, by]) => [lack, interval(by)]));
  return { ...part, values: { ...part.values, [id]: { ...value, source: 'measured', ...lacks } } };
}

const byKind = (parts: readonly Part[]): Assembly['parts'] =>
  Object.fromEntries(parts.map((part) => [part.kind, part]));

/** What one check of a joint finds of some parts. */
export function finding(
  joint: string,
  check: string,
  parts: readonly Part[],
  { rules = {}, stock = {}, replaced = [], rated }: Round = {},
): Outcome {
  const found = JOINTS.find(({ id }) => id === joint)?.checks.find(({ id }) => id === check);
  if (!found) throw new RangeError(`There is no check ${joint}.${check}.`);
  return found.judge({
    parts: byKind(parts),
    replaced: byKind(replaced),
    stock,
    rules,
    ...(rated ? { rated } : {}),
  });
}

/** A finding in a word or two: its verdict, and what is done about it. */
export const outcomeOf = ({ verdict, work }: Outcome): string =>
  [verdict, ...work.map(({ steps }) => steps.join(' and '))].join(', ');

/** The same of a check at once. */
export const judged = (...asked: Parameters<typeof finding>): string => outcomeOf(finding(...asked));

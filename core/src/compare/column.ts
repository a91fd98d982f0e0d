import type { CatalogueLookup } from '../catalogue/lookup.js';
import { partFromSpecimen, type Part } from '../catalogue/part.js';
import type { Described, Variant } from '../catalogue/pattern.js';
import { optionOf, sizeOf } from '../catalogue/value.js';
import type { Kind, Parameter } from '../dictionary/definition.js';
import { KINDS } from '../dictionary/dictionary.js';
import { variant as VARIANT } from '../dictionary/variant.js';
import { ratioOfEngine } from '../interchange/index.js';
import type { Interval } from '../quantity/interval.js';
import type { Specimen } from '../readings/reading.js';

/** What can stand in a column: a pattern or a variant of the catalogue, or a part that was measured. */
export type Subject =
  | { readonly sort: 'pattern'; readonly id: string }
  | { readonly sort: 'variant'; readonly id: string }
  | { readonly sort: 'specimen'; readonly specimen: Specimen; readonly as?: string };

/** A size in a column. */
export interface ColumnSize {
  readonly limits: Interval;
  readonly measured: boolean;
  readonly disputed: boolean;
  readonly service: readonly number[];
}

/** One part or engine, ready to be held against others of its kind. */
export interface CompareColumn {
  readonly subject: Subject;
  readonly kind: Kind;
  readonly label: string;
  readonly size: (id: string) => ColumnSize | undefined;
  readonly option: (id: string) => { readonly option: string; readonly disputed: boolean } | undefined;
  /** Marks and numbers, as they stand. */
  readonly marks: readonly string[];
  readonly numbers: readonly string[];
  /** Patterns by slot, for an engine. */
  readonly fitted: ReadonlyMap<string, readonly string[]>;
  /** The part to be drawn; undefined for an engine. */
  readonly part: Part | undefined;
  /** Record behind it, whose claims answer why. */
  readonly described: Described | undefined;
}

/** What an engine is not said to have, but has by its parts. */
export const RATIO_MADE: Parameter = {
  ...VARIANT.parameters.ratio,
  id: 'variant.ratioMade',
  name: 'Ratio its parts make',
};

const NONE: ReadonlyMap<string, readonly string[]> = new Map();

function sizesOf(described: Described, kind: Kind) {
  const parameters = new Map(Object.values(kind.parameters).map((parameter) => [parameter.id, parameter]));
  return (id: string): ColumnSize | undefined => {
    const parameter = parameters.get(id);
    const derived = parameter && sizeOf(described, parameter);
    return (
      derived && {
        limits: derived.value.limits,
        measured: false,
        disputed: derived.disputed,
        service: derived.value.service,
      }
    );
  };
}

/** The sizes of an engine, and the ratio that its parts make beside the one it is rated at. */
function engineSizes(catalogue: CatalogueLookup, variant: Variant) {
  const stated = sizesOf(variant, VARIANT);
  return (id: string): ColumnSize | undefined => {
    if (id !== RATIO_MADE.id) return stated(id);
    const made = ratioOfEngine(catalogue, variant);
    return made && { limits: made, measured: false, disputed: false, service: [] };
  };
}

const optionsOf = (described: Described) => (id: string) => {
  const derived = optionOf(described, id);
  return derived && { option: derived.value, disputed: derived.disputed };
};

function variantColumn(catalogue: CatalogueLookup, variant: Variant): CompareColumn {
  const fitted = new Map<string, string[]>();
  for (const { slot, pattern } of variant.fitments) {
    const name = catalogue.pattern(pattern)?.name ?? pattern;
    const names = fitted.get(slot);
    if (!names) fitted.set(slot, [name]);
    else if (!names.includes(name)) names.push(name);
  }
  return {
    subject: { sort: 'variant', id: variant.id },
    kind: VARIANT,
    label: catalogue.variantLabel(variant.id),
    size: engineSizes(catalogue, variant),
    option: optionsOf(variant),
    marks: (variant.serials ?? []).map(
      ({ prefix = '', from = '', to }) => `${prefix}${from}${to === undefined ? '' : `–${to}`}`,
    ),
    numbers: [],
    fitted,
    part: undefined,
    described: variant,
  };
}

function specimenColumn(catalogue: CatalogueLookup, subject: Extract<Subject, { sort: 'specimen' }>): CompareColumn {
  const { specimen } = subject;
  const pattern = catalogue.pattern(subject.as);
  const part = partFromSpecimen(specimen, pattern);
  return {
    subject,
    kind: KINDS[specimen.kind],
    label: specimen.name,
    size: (id) => {
      const value = part.values[id];
      return (
        value && {
          limits: value.interval,
          measured: value.source === 'measured',
          disputed: value.disputed ?? false,
          service: part.service[id] ?? [],
        }
      );
    },
    option: (id) => {
      const option = part.looks[id]?.option ?? part.interfaces[id];
      return option === undefined ? undefined : { option, disputed: false };
    },
    marks: specimen.readings.flatMap(({ is }) => (is.sort === 'mark' && is.characters !== '' ? [is.characters] : [])),
    numbers: [],
    fitted: NONE,
    part,
    described: pattern,
  };
}

/** The column of a subject; undefined where the catalogue has no such record. */
export function columnOf(catalogue: CatalogueLookup, subject: Subject): CompareColumn | undefined {
  if (subject.sort === 'specimen') return specimenColumn(catalogue, subject);
  if (subject.sort === 'variant') {
    const variant = catalogue.variant(subject.id);
    return variant && variantColumn(catalogue, variant);
  }
  const pattern = catalogue.pattern(subject.id);
  if (!pattern) return undefined;
  const part = catalogue.part(pattern.id);
  return {
    subject,
    kind: KINDS[pattern.kind],
    label: catalogue.label(pattern.id),
    size: sizesOf(pattern, KINDS[pattern.kind]),
    option: optionsOf(pattern),
    marks: pattern.marks.map((mark) => mark.text),
    numbers: pattern.numbers.map((number) => number.number),
    fitted: NONE,
    part,
    described: pattern,
  };
}

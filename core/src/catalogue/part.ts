import type { Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import { KINDS } from '../dictionary/dictionary.js';
import { estimate } from '../quantity/instrument.js';
import { apart, type Interval } from '../quantity/interval.js';
import { toInside } from '../quantity/unit.js';
import type { Specimen } from '../readings/reading.js';
import { ToolDrawer } from '../shop/ownInstrument.js';
import { sizesMeasured } from '../readings/measured.js';
import { classedSizes } from './classMarks.js';
import { designated } from './designated.js';
import { measuredSize, rowOf, type Form, type MeasuredAt, type MeasuredSpot, type Spot } from './measuredSize.js';
import type { Companion, Pattern } from './pattern.js';
import type { Scheme } from './scheme.js';
import { optionOf, sizeOf, valueIds } from './value.js';

/** Where a value comes from, strongest first. */
export type Source = 'measured' | 'machined' | 'marked' | 'pattern' | 'identified';

export interface Value extends Form {
  readonly interval: Interval;
  readonly source: Source;
  /** True when the catalogue's sources contradict each other about it, or what was measured its class mark. */
  readonly disputed?: boolean;
  /** What each of several may be by its class mark, in the order of the mark; the interval spans them all. */
  readonly positions?: readonly Interval[];
  /** What was measured at one place after the other, those that were; the interval spans them all. */
  readonly at?: readonly MeasuredAt[];
  /** Heights and directions at which a size was measured of which there is one. */
  readonly spots?: readonly MeasuredSpot[];
}

export interface SeenLook {
  readonly option: string;
  readonly source: Source;
}

/** A part as the joints see it: values, looks and interfaces by dictionary id, wherever they came from. */
export interface Part {
  readonly kind: KindId;
  readonly label: string;
  readonly values: Readonly<Record<string, Value>>;
  readonly looks: Readonly<Record<string, SeenLook>>;
  readonly interfaces: Readonly<Record<string, string>>;
  /** Signed service steps by parameter id, inside unit. */
  readonly service: Readonly<Record<string, readonly number[]>>;
  /** New, at standard size, by parameter id: what service steps are counted from. Absent where no pattern says. */
  readonly standard: Readonly<Record<string, Interval>>;
  /** The pattern the values stand on, if any. */
  readonly pattern?: string;
  /** What the catalogue records of that pattern together with others, or apart from them. */
  readonly companions?: readonly Companion[];
  /** What comes with it and has not to be bought; absent where nobody says. */
  readonly completeWith?: readonly KindId[];
  /** What it is sold for, in the shop's money; nothing for what is on the shelf already, absent where nobody says. */
  readonly price?: number;
  /** How many are sold together for that; one, or one set, where absent. */
  readonly pieces?: number;
}

const USUAL_DRAWER = new ToolDrawer();

/** Sizes of a kind by id, and the ids of its faces. */
interface Entries {
  readonly parameters: ReadonlyMap<string, Parameter>;
  readonly faces: ReadonlySet<string>;
}

const ENTRIES = new Map<KindId, Entries>();

function entriesOf(kind: KindId): Entries {
  const known = ENTRIES.get(kind);
  if (known) return known;
  const { parameters, interfaces } = KINDS[kind];
  const entries: Entries = {
    parameters: new Map(Object.values(parameters).map((parameter) => [parameter.id, parameter])),
    faces: new Set(Object.values(interfaces).map(({ id }) => id)),
  };
  ENTRIES.set(kind, entries);
  return entries;
}

/** A new part of this pattern, within its limits. */
export function partFromPattern(pattern: Pattern, label: string, source: 'pattern' | 'identified' = 'pattern'): Part {
  const values: Record<string, Value> = {};
  const service: Record<string, readonly number[]> = {};
  const standard: Record<string, Interval> = {};
  const looks: Record<string, SeenLook> = {};
  const interfaces: Record<string, string> = {};
  const { parameters, faces } = entriesOf(pattern.kind);
  for (const id of valueIds(pattern)) {
    const parameter = parameters.get(id);
    if (parameter) {
      const size = sizeOf(pattern, parameter);
      if (!size) continue;
      values[id] = { interval: size.value.limits, source, ...(size.disputed ? { disputed: true } : {}) };
      standard[id] = size.value.limits;
      service[id] = size.value.service;
    } else {
      const option = optionOf(pattern, id)?.value;
      if (option === undefined) continue;
      if (faces.has(id)) interfaces[id] = option;
      else looks[id] = { option, source };
    }
  }
  if (pattern.kind === 'rollingBearing') {
    const { sizes, looks: told } = designated(pattern.numbers);
    for (const [id, each] of Object.entries(sizes)) values[id] ??= { interval: each, source };
    for (const [id, option] of Object.entries(told)) looks[id] ??= { option, source };
  }
  return {
    kind: pattern.kind,
    label,
    values,
    looks,
    interfaces,
    service,
    standard,
    pattern: pattern.id,
    ...(pattern.companions ? { companions: pattern.companions } : {}),
    ...(pattern.completeWith ? { completeWith: pattern.completeWith } : {}),
    ...(pattern.price === undefined ? {} : { price: pattern.price }),
    ...(pattern.pieces === undefined ? {} : { pieces: pattern.pieces }),
  };
}

/**
 * A size by its class marks. What was measured confirms them, or contradicts them, as on a journal that is worn or was
 * ground since: then it is the measurement that counts, and the matter is disputed.
 */
function byClass(positions: readonly Interval[], known: Value | undefined): Value {
  const all = {
    low: Math.min(...positions.map(({ low }) => low)),
    high: Math.max(...positions.map(({ high }) => high)),
  };
  if (known?.source === 'measured' && apart(all, known.interval)) return { ...known, disputed: true };
  return { interval: all, source: 'marked', positions };
}

/**
 * A specimen as it lies on the bench. What was measured or seen counts; what was not is taken from the pattern it
 * was identified as, when one is given, and says so. Without one it stays unknown. Class marks say closer which of the
 * pattern's limits a size lies in.
 *
 * @param drawer the shop's instruments, which say how uncertain a measurement is
 * @param schemes those by which marks are read
 */
export function partFromSpecimen(
  specimen: Specimen,
  identifiedAs?: Pattern,
  drawer: ToolDrawer = USUAL_DRAWER,
  schemes: readonly Scheme[] = [],
): Part {
  const base = identifiedAs ? partFromPattern(identifiedAs, specimen.name, 'identified') : undefined;
  const values: Record<string, Value> = { ...base?.values };
  const looks: Record<string, SeenLook> = { ...base?.looks };
  const interfaces: Record<string, string> = { ...base?.interfaces };
  const measured = new Map<string, Spot[]>();
  for (const size of sizesMeasured(specimen.readings.map((reading) => reading.is))) {
    const repeats = size.values.map((value) => toInside(value, size.unit));
    const [position] = size.positions ?? [];
    const [level] = size.levels ?? [];
    const [axis] = size.axes ?? [];
    const spots = measured.get(size.parameter) ?? [];
    measured.set(size.parameter, spots);
    spots.push({
      ...(position === undefined ? {} : { position }),
      ...(level ? { level } : {}),
      ...(axis ? { axis } : {}),
      estimate: estimate(repeats, drawer.take(size.instrument, repeats[0] ?? 0)),
    });
  }
  for (const [parameter, spots] of measured) {
    const size = measuredSize(spots);
    const positions = size && rowOf(size);
    if (size) values[parameter] = { ...size, source: 'measured', ...(positions ? { positions } : {}) };
  }
  const marks = specimen.readings.flatMap(({ is }) => (is.sort === 'mark' && !is.gone ? [is.characters] : []));
  for (const classed of classedSizes(schemes, specimen.kind, identifiedAs?.family, marks, base?.standard ?? {}))
    values[classed.parameter] = byClass(classed.positions, values[classed.parameter]);
  for (const { is } of specimen.readings) {
    if (is.sort === 'look' && !is.not) looks[is.feature] = { option: is.option, source: 'measured' };
    if (is.sort === 'face') interfaces[is.face] = is.pattern;
  }
  const usualService = Object.values(KINDS[specimen.kind].parameters).flatMap(
    (parameter): [string, readonly number[]][] =>
      parameter.service ? [[parameter.id, parameter.service.mm.map(Number)]] : [],
  );
  return {
    kind: specimen.kind,
    label: specimen.name,
    values,
    looks,
    interfaces,
    service: { ...Object.fromEntries(usualService), ...base?.service },
    standard: base?.standard ?? {},
    ...(specimen.completeWith ? { completeWith: specimen.completeWith } : {}),
    ...(identifiedAs ? { pattern: identifiedAs.id } : {}),
    ...(identifiedAs?.companions ? { companions: identifiedAs.companions } : {}),
  };
}

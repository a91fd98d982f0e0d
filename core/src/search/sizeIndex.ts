import type { Size } from '../catalogue/size.js';

/**
 * Every size of a catalogue in columns: entry i says that `rows[i]` has parameter `parameters[i]` between low and high.
 */
export interface SizeIndex {
  readonly rows: Uint32Array;
  /** Index into `ids`. */
  readonly parameters: Uint16Array;
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** Index into `services`. */
  readonly service: Uint32Array;
  readonly ids: readonly string[];
  readonly services: readonly (readonly number[])[];
}

export interface SizeEntry {
  readonly row: number;
  readonly id: string;
  readonly size: Size;
}

/** Lays sizes out in columns. */
export function indexSizes(entries: readonly SizeEntry[]): SizeIndex {
  const ids = new Map<string, number>();
  const services = new Map<string, number>();
  const lists: (readonly number[])[] = [];
  const index: SizeIndex = {
    rows: new Uint32Array(entries.length),
    parameters: new Uint16Array(entries.length),
    low: new Float64Array(entries.length),
    high: new Float64Array(entries.length),
    service: new Uint32Array(entries.length),
    ids: [],
    services: lists,
  };
  entries.forEach(({ row, id, size }, at) => {
    index.rows[at] = row;
    index.parameters[at] = codeOf(ids, id);
    index.low[at] = size.limits.low;
    index.high[at] = size.limits.high;
    const code = codeOf(services, size.service.join(' '));
    index.service[at] = code;
    lists[code] ??= size.service;
  });
  return { ...index, ids: [...ids.keys()] };
}

function codeOf(codes: Map<string, number>, key: string): number {
  const known = codes.get(key);
  if (known !== undefined) return known;
  codes.set(key, codes.size);
  return codes.size - 1;
}

/** A size that is asked for, in the inside unit. */
export interface WantedSize {
  /** Each is one way to take the figure: as millimetres, as inches. */
  readonly values: readonly { readonly value: number; readonly within: number }[];
  /** Only these parameters; any where it is absent. */
  readonly parameters?: ReadonlySet<string>;
  /** The part must have a service size this far from standard. */
  readonly step?: number;
}

interface SizeHit {
  readonly row: number;
  readonly id: string;
  /** 1 for inside the limits of the standard part, less where it is only near or a service size. */
  readonly score: number;
  /** The service step at which it was found. */
  readonly step?: number;
}

const STEP_WITHIN = 0.006;
const AT_STEP = 0.6;

/** Every part with a size like the one wanted. One pass over the columns. */
export function findSizes(index: SizeIndex, wanted: WantedSize): SizeHit[] {
  const hits: SizeHit[] = [];
  const asked = index.ids.map((id) => wanted.parameters?.has(id) ?? true);
  const stepsFit = index.services.map(
    (steps) => wanted.step === undefined || steps.some((step) => Math.abs(step - (wanted.step ?? 0)) <= STEP_WITHIN),
  );
  const { rows, parameters, low, high, service } = index;
  for (let at = 0; at < rows.length; at++) {
    const parameter = parameters[at] as number;
    const steps = service[at] as number;
    if (!asked[parameter] || !stepsFit[steps]) continue;
    const [from, to] = [low[at] as number, high[at] as number];
    let score = wanted.values.length === 0 ? 1 : 0;
    let found: number | undefined = wanted.step;
    for (const { value, within } of wanted.values) {
      if (value >= from - within && value <= to + within) score = Math.max(score, nearness(value, within, from, to));
      else if (wanted.step === undefined)
        for (const step of index.services[steps] ?? [])
          if (value >= from + step - STEP_WITHIN && value <= to + step + STEP_WITHIN && score < AT_STEP)
            [score, found] = [AT_STEP, step];
    }
    if (score > 0)
      hits.push({
        row: rows[at] as number,
        id: index.ids[parameter] ?? '',
        score,
        ...(found === undefined ? {} : { step: found }),
      });
  }
  return hits;
}

/** 1 inside the limits, falling to a half where the figure is as far outside as its digits leave open. */
const nearness = (value: number, within: number, low: number, high: number): number =>
  1 - (0.5 * Math.max(0, low - value, value - high)) / Math.max(within, Number.MIN_VALUE);

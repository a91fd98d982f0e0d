import {
  readAddress,
  shownUnit,
  toInside,
  MOST_ENGINES,
  USUAL_OPEN,
  type Demands,
  type OperationId,
  type PlannedId,
  type QuantityKind,
  type TakenFrom,
  type UnitSystem,
} from '@which-bore/core';

/** Where the part of a place comes from, as it is chosen: as it is, or from one of these. */
export type From = 'stays' | TakenFrom;

export interface PlaceDraft {
  readonly from: From;
  /** Parts that were named, as addresses: `pattern:id`, `specimen:id`. */
  readonly parts: readonly string[];
  readonly mayStay: boolean;
}

export interface TargetDraft {
  readonly figure: string;
  readonly low: string;
  readonly high: string;
  /** Only wished. */
  readonly wished: boolean;
}

/** Work by which figures may be brought where they are wanted. */
export const SHAPED: Readonly<Partial<Record<PlannedId, string>>> = {
  deck: 'Off the deck, at most',
  millHead: 'Off the head, at most',
  machineCrown: 'Off the crowns, at most',
};

/** What there is to be no more of. */
export const LIMITS = [
  { id: 'price', name: 'Money, parts and work' },
  { id: 'hours', name: 'Hours of work' },
  { id: 'days', name: 'Days until all can be had' },
  { id: 'buys', name: 'Parts to buy' },
  { id: 'open', name: 'Checks left open' },
] as const;

/** What is demanded, as it stands in the fields: text stays as it was typed. */
export interface DemandDraft {
  readonly places: Readonly<Record<string, PlaceDraft>>;
  readonly targets: readonly TargetDraft[];
  readonly limits: Readonly<Record<'price' | 'hours' | 'days' | 'buys' | 'open', string>>;
  readonly reversible: boolean;
  readonly forbid: readonly OperationId[];
  /** Ids of those it may be bought from; empty for anybody. */
  readonly suppliers: readonly string[];
  readonly shape: Readonly<Partial<Record<PlannedId, string>>>;
  readonly weights: Readonly<Record<'price' | 'hours' | 'days' | 'buys' | 'irreversible' | 'open', string>>;
  /** Engines to build at once. */
  readonly engines: string;
  readonly answers: number;
}

const EMPTY_DRAFT: DemandDraft = {
  places: {},
  targets: [],
  limits: { price: '', hours: '', days: '', buys: '', open: String(USUAL_OPEN) },
  reversible: false,
  forbid: [],
  suppliers: [],
  shape: {},
  weights: { price: '', hours: '', days: '', buys: '', irreversible: '', open: '' },
  engines: '',
  answers: 6,
};

/** What is wrong with a field. */
export interface FieldProblem {
  readonly field: string;
  readonly what: string;
}

/** Limits that are counted. */
const WHOLE: ReadonlySet<string> = new Set(['days', 'buys', 'open']);
/** Wished figures count so much money for each width of their band. */
const WISHED = 100;
/** What is cut is cut in steps of so much, millimetres. */
const CUT_STEP = 0.1;

/** A figure as typed, decimal comma or point; nothing where the field is empty, NaN where it is no figure. */
function numberIn(text: string): number | undefined {
  const trimmed = text
    .trim()
    .replace(',', '.')
    .replace(/\s*:\s*1$/, '');
  return trimmed === '' ? undefined : Number(trimmed);
}

/**
 * Demands from what stands in the fields, or what is wrong there.
 *
 * @param quantityOf what a figure of the sheet counts; nothing where there is no such figure
 */
export function demandsOf(
  draft: DemandDraft,
  units: UnitSystem,
  quantityOf: (figure: string) => QuantityKind | undefined,
): { readonly demands: Demands } | { readonly problems: readonly FieldProblem[] } {
  const problems: FieldProblem[] = [];
  const read = (field: string, text: string, least = -Infinity): number | undefined => {
    const value = numberIn(text);
    if (value === undefined) return undefined;
    if (Number.isFinite(value) && value >= least) return value;
    problems.push({
      field,
      what: Number.isFinite(value)
        ? `“${text.trim()}” is less than ${least}: write ${least} or more, or leave it empty.`
        : `“${text.trim()}” is no figure: write one, like 9.5, or leave it empty.`,
    });
    return undefined;
  };
  const places = Object.entries(draft.places).flatMap(([slot, { from, parts, mayStay }]): Demands['places'] => {
    if (from === 'stays') return [];
    const addresses = from === 'these' ? parts.map(readAddress) : [];
    if (from === 'these' && parts.length === 0 && !mayStay)
      problems.push({ field: `place ${slot}`, what: 'Name at least one part, or let it come from anywhere.' });
    const of = (sort: 'pattern' | 'specimen') => addresses.filter((each) => each.sort === sort).map(({ id }) => id);
    return [
      {
        slot,
        from,
        ...(from === 'these' ? { patterns: of('pattern'), specimens: of('specimen') } : {}),
        ...(mayStay ? { mayStay } : {}),
      },
    ];
  });
  if (places.length === 0)
    problems.push({ field: 'places', what: 'Nothing is looked for: let at least one place be free.' });
  const targets = draft.targets.flatMap(({ figure, low, high, wished }, at): NonNullable<Demands['targets']> => {
    const quantity = quantityOf(figure);
    if (quantity === undefined) {
      if (figure !== '' || low !== '' || high !== '')
        problems.push({ field: `target ${at}`, what: 'Choose which figure is meant.' });
      return [];
    }
    const unit = shownUnit(quantity, units);
    const inside = (end: 'low' | 'high', text: string): number | undefined => {
      const value = read(`target ${at} ${end}`, text);
      return value === undefined ? undefined : unit ? toInside(value, unit) : value;
    };
    const [from, to] = [inside('low', low), inside('high', high)];
    if (low.trim() === '' && high.trim() === '') {
      problems.push({ field: `target ${at}`, what: 'Say at least how much, or at most how much, it is to be.' });
      return [];
    }
    if (from !== undefined && to !== undefined && from > to)
      problems.push({
        field: `target ${at} low`,
        what: `It cannot be at least ${low.trim()} and at most ${high.trim()}: put the smaller one first.`,
      });
    return [
      {
        figure,
        ...(from === undefined ? {} : { low: from }),
        ...(to === undefined ? {} : { high: to }),
        ...(wished ? { weight: WISHED } : {}),
      },
    ];
  });
  const limits: Record<string, number> = {};
  for (const [name, text] of Object.entries(draft.limits)) {
    const value = read(name, text, 0);
    if (value === undefined) continue;
    if (WHOLE.has(name) && !Number.isInteger(value))
      problems.push({ field: name, what: `“${text.trim()}” is no whole number.` });
    else limits[name] = value;
  }
  const shape = (Object.entries(draft.shape) as [PlannedId, string][]).flatMap(
    ([operation, text]): NonNullable<Demands['shape']> => {
      const value = read(`shape ${operation}`, text, 0);
      const most = value === undefined ? 0 : toInside(value, shownUnit('length', units) ?? 'mm');
      if (most === 0) return [];
      if (most >= CUT_STEP) return [{ operation, most, step: CUT_STEP }];
      return [{ operation, most, step: most }];
    },
  );
  const weights: Record<string, number> = {};
  for (const [name, text] of Object.entries(draft.weights)) {
    const value = read(`weight ${name}`, text, 0);
    if (value !== undefined) weights[name] = value;
  }
  const engines = read('engines', draft.engines, 1);
  if (engines !== undefined && (!Number.isInteger(engines) || engines > MOST_ENGINES))
    problems.push({
      field: 'engines',
      what: `“${draft.engines.trim()}” is not how many engines are built at once: a whole number up to ${MOST_ENGINES} is.`,
    });
  if (problems.length > 0) return { problems };
  return {
    demands: {
      places,
      ...(targets.length > 0 ? { targets } : {}),
      ...(Object.keys(limits).length > 0 ? { limits } : {}),
      ...(draft.reversible ? { reversible: true } : {}),
      ...(draft.suppliers.length > 0 ? { suppliers: [...draft.suppliers] } : {}),
      ...(draft.forbid.length > 0 ? { forbid: [...draft.forbid] } : {}),
      ...(shape.length > 0 ? { shape } : {}),
      ...(Object.keys(weights).length > 0 ? { weights } : {}),
      ...(engines !== undefined && engines > 1 ? { engines } : {}),
      answers: draft.answers,
    },
  };
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A draft as it was kept in this browser; an empty one where what was kept is none. */
export function keptDraft(kept: unknown): DemandDraft {
  if (!isRecord(kept) || !isRecord(kept.places) || !Array.isArray(kept.targets)) return EMPTY_DRAFT;
  const draft = kept as unknown as DemandDraft;
  return {
    ...EMPTY_DRAFT,
    ...draft,
    limits: { ...EMPTY_DRAFT.limits, ...draft.limits },
    weights: { ...EMPTY_DRAFT.weights, ...draft.weights },
  };
}

import { Type, type Static } from '@sinclair/typebox';
import { uncertaintyOf } from '../quantity/decision.js';
import { COVERAGE, INSTRUMENT_IDS, INSTRUMENTS, type InstrumentId, type Precision } from '../quantity/instrument.js';
import { oneOf } from '../quantity/oneOf.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';

/** One instrument in the shop's drawer. Lengths in millimetres, other quantities in their inside unit. */
export const OwnInstrumentSchema = Type.Object(
  {
    id: Type.String({ pattern: '^[a-z0-9][a-z0-9-]{1,79}$', description: 'Stays the same for ever' }),
    sort: oneOf<InstrumentId>(INSTRUMENT_IDS, 'What sort of instrument it is'),
    name: Type.String({ minLength: 1, maxLength: 120, description: 'What it is called in the shop' }),
    resolution: Type.Number({ exclusiveMinimum: 0, maximum: 1000, description: 'Smallest step it shows' }),
    permissibleError: Type.Number({
      exclusiveMinimum: 0,
      maximum: 1000,
      description: 'How far it may be wrong, either way, and still be in order',
    }),
    from: Type.Number({ minimum: 0, maximum: 1e6, description: 'Smallest size it measures' }),
    to: Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'Largest size it measures' }),
    calibrated: Type.Optional(
      Type.String({
        pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$',
        description: 'Day of the last calibration',
      }),
    ),
    everyMonths: Type.Optional(
      Type.Integer({ minimum: 1, maximum: 240, description: 'Months from one calibration to the next' }),
    ),
    note: Type.Optional(Type.String({ minLength: 1, maxLength: 400 })),
  },
  { additionalProperties: false },
);
export type OwnInstrument = Static<typeof OwnInstrumentSchema>;

/** The drawer of a shop that has said nothing of its own: one of each sort, with the usual values. */
export const USUAL_INSTRUMENTS: readonly OwnInstrument[] = INSTRUMENT_IDS.filter((id) => id !== 'sheet').map((id) => {
  const { name, resolution, permissibleError, range } = INSTRUMENTS[id];
  return {
    id: `usual-${id.toLowerCase()}`,
    sort: id,
    name: `${name}${/micrometer|caliper|boreGauge/.test(id) ? `, ${range.low} to ${range.high} mm` : ''}`,
    resolution,
    permissibleError,
    from: range.low,
    to: range.high,
  };
});

/** Whether its calibration has run out on a day, `YYYY-MM-DD`. Never for one without a term. */
export function overdue(own: OwnInstrument, today: string): boolean {
  if (own.everyMonths === undefined) return false;
  if (own.calibrated === undefined) return true;
  const [year = 0, month = 1, day = 1] = own.calibrated.split('-').map(Number);
  const months = year * 12 + month - 1 + own.everyMonths;
  const due = `${String(Math.floor(months / 12)).padStart(4, '0')}-${String((months % 12) + 1).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return today > due;
}

/**
 * An instrument past its calibration is trusted half as far. *Common practice, no source*, for mistrusting it; the
 * figure is ours.
 */
export const OVERDUE_TIMES = 2;

/** The instrument that takes a size: how exact it is, what it is called, and what is doubtful about that. */
export interface Tool extends Precision {
  readonly sort: InstrumentId;
  readonly name: string;
  /** Why the measurement deserves less trust: out of reach, out of calibration. */
  readonly doubt?: Sentence;
  /** False where none of the shop's own reaches such a size, so that the next check will not ask for it. */
  readonly reaches: boolean;
}

/** The instruments of a shop on a day. */
export class ToolDrawer {
  constructor(
    readonly owned: readonly OwnInstrument[] = USUAL_INSTRUMENTS,
    private readonly today = '',
  ) {}

  /**
   * The shop's own instrument of a sort for a size: one that reaches it, in calibration before out of it, the finest
   * first. Where it has none, the usual values of the sort, with the doubt said.
   */
  take(sort: InstrumentId, size: number): Tool {
    if (sort === 'sheet')
      return { sort, name: INSTRUMENTS.sheet.name, ...precisionOf(INSTRUMENTS.sheet), reaches: true };
    const mine = this.owned.filter((each) => each.sort === sort);
    const usual = INSTRUMENTS[sort];
    if (mine.length === 0)
      return {
        sort,
        name: usual.name,
        ...precisionOf(usual),
        reaches: false,
        doubt: [`The shop’s table of instruments has no ${usual.name.toLowerCase()}; the usual values are taken.`],
      };
    const reaching = mine.filter((each) => each.from <= size && size <= each.to);
    const [best] = [...(reaching.length > 0 ? reaching : mine)].sort(
      (a, b) =>
        Number(this.late(a)) - Number(this.late(b)) ||
        a.permissibleError - b.permissibleError ||
        (a.id < b.id ? -1 : 1),
    );
    if (!best) throw new RangeError(`No instrument of the sort "${sort}".`);
    const late = this.late(best);
    const times = late ? OVERDUE_TIMES : 1;
    const { quantity } = INSTRUMENTS[sort];
    const doubts = [
      ...(reaching.length > 0
        ? []
        : [
            sentence`${best.name} measures ${band({ low: best.from, high: best.to }, quantity)}: it does not reach ${value(size, quantity)}. Check how this was measured.`,
          ]),
      ...(late ? [sentence`${best.name} is past its calibration, so its error counts double.`] : []),
    ];
    return {
      sort,
      name: best.name,
      resolution: best.resolution,
      permissibleError: best.permissibleError * times,
      reaches: reaching.length > 0,
      ...(doubts.length > 0 ? { doubt: doubts.flatMap((each, at) => (at === 0 ? each : [' ', ...each])) } : {}),
    };
  }

  private late(own: OwnInstrument): boolean {
    return this.today !== '' && overdue(own, this.today);
  }
}

/** An instrument must be so many times finer to be worth fetching. */
const WORTH_FETCHING = 1.5;

/** The first of some sorts of which the shop has one that reaches a size and is finer than an expanded uncertainty. */
export function finerTool(
  drawer: ToolDrawer,
  sorts: readonly InstrumentId[],
  size: number,
  uncertainty: number,
): Tool | undefined {
  return sorts
    .map((sort) => drawer.take(sort, size))
    .find((tool) => tool.reaches && WORTH_FETCHING * COVERAGE * uncertaintyOf(tool) <= uncertainty);
}

const precisionOf = ({ resolution, permissibleError }: Precision): Precision => ({ resolution, permissibleError });

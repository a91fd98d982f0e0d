import type { Feature, MarkPlace, Parameter, Reach } from '../../dictionary/definition.js';
import { describedAs } from '../../dictionary/dictionary.js';
import { Aligner } from '../../marks/alignment.js';
import { readMark } from '../../marks/markText.js';
import { INSTRUMENTS } from '../../quantity/instrument.js';
import { toInside } from '../../quantity/unit.js';
import type { Understood } from '../../readings/reading.js';
import { ToolDrawer, type Tool } from '../../shop/ownInstrument.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { listAt } from '../columns.js';
import { answersIn, foreseeLook, foreseeMark, foreseeSize } from './foresee.js';
import type { Hypotheses } from './hypotheses.js';
import type { Outcomes } from './outcomes.js';
import { dismantling, stepsTo } from './teardown.js';

/** Something that could be looked at, read or measured next. */
export interface NextCheck {
  /** Id of the parameter, look or mark place. */
  readonly id: string;
  readonly sort: 'size' | 'look' | 'mark';
  readonly name: string;
  /** How it is done, in one sentence. */
  readonly how: string;
  /** The instrument, for sizes. */
  readonly tool?: Tool;
  /** How far the engine must be apart. */
  readonly reach: Reach;
  /** Minutes for the check itself, and before it for taking things apart. */
  readonly minutes: number;
  readonly dismantling: number;
  /** Whether it was read before and is to be read again, as it speaks against all else. */
  readonly onceMore?: true;
  /** What a look can come to: the options of the dictionary, or the counts that the catalogue knows. */
  readonly answers?: readonly string[];
  /** Where it sits on the drawing. */
  readonly drawing?: string;
}

/** How the part lies there, and what has been tried. */
export interface CheckContext {
  readonly readings: readonly Understood[];
  readonly drawer?: ToolDrawer;
  /** How far the engine is apart. */
  readonly state?: Reach;
  /** Keys of checks that cannot be got at. */
  readonly skipped?: readonly string[];
}

/** A check by name: an id alone may stand for a look and for a mark place. */
export const checkKey = ({ sort, id }: Pick<NextCheck, 'sort' | 'id'>): string => `${sort} ${id}`;

export interface Foreseen {
  readonly check: NextCheck;
  readonly outcomes: Outcomes;
}

/** A mark is cleaned and read in so many minutes. *Common practice, no source.* */
const MINUTES_A_MARK = 2;
/** A size is only taken again with an instrument so many times finer. */
const FINER = 2;

/** Everything not yet done that could tell the hypotheses apart, with what it could come to. */
export function foreseen(index: CatalogueIndex, hypotheses: Hypotheses, context: CheckContext): Foreseen[] {
  const { skipped = [], state = 'onTheBench' } = context;
  const done = stepsTo(state);
  const kind = describedAs(index.kind);
  const open = <T extends { readonly id: string }>(sort: NextCheck['sort'], entries: Readonly<Record<string, T>>) =>
    Object.values(entries).filter(({ id }) => !skipped.includes(checkKey({ sort, id })));
  return [
    ...open('mark', kind.markPlaces).flatMap((place) => markCheck(index, hypotheses, place, context, done)),
    ...open('look', kind.features).flatMap((feature) => lookCheck(index, hypotheses, feature, context, done)),
    ...open('size', kind.parameters).flatMap((parameter) => sizeChecks(index, hypotheses, parameter, context, done)),
  ];
}

function lookCheck(
  index: CatalogueIndex,
  hypotheses: Hypotheses,
  feature: Feature,
  { readings }: CheckContext,
  done: ReadonlySet<Reach>,
): Foreseen[] {
  if (readings.some((reading) => reading.sort === 'look' && !reading.not && reading.feature === feature.id)) return [];
  const outcomes = foreseeLook(index, hypotheses, feature);
  if (!outcomes) return [];
  const { id, name, tell, minutes, reach } = feature;
  return [
    {
      check: {
        id,
        sort: 'look',
        name,
        how: tell,
        minutes,
        reach,
        dismantling: dismantling(done, reach),
        answers: answersIn(index, feature),
      },
      outcomes,
    },
  ];
}

function markCheck(
  index: CatalogueIndex,
  hypotheses: Hypotheses,
  place: MarkPlace,
  { readings }: CheckContext,
  done: ReadonlySet<Reach>,
): Foreseen[] {
  if (
    readings.some(
      (reading) =>
        reading.sort === 'mark' && (reading.place === place.id || isReadAlready(index, hypotheses, place, reading)),
    )
  )
    return [];
  const outcomes = foreseeMark(index, hypotheses, place);
  if (!outcomes) return [];
  const { id, name, makings, reach } = place;
  return [
    {
      check: {
        id,
        sort: 'mark',
        name: `Mark on the ${name}`,
        how: `Clean the ${name} and read what is ${makings.join(' or ')} there; that nothing stands there is an answer too.`,
        minutes: MINUTES_A_MARK,
        reach,
        dismantling: dismantling(done, reach),
      },
      outcomes,
    },
  ];
}

/** Whether a mark read without its place is the one that a hypothesis has there. */
function isReadAlready(
  { marks }: CatalogueIndex,
  hypotheses: Hypotheses,
  place: MarkPlace,
  reading: Extract<Understood, { sort: 'mark' }>,
): boolean {
  if (reading.place !== undefined || reading.characters === '') return false;
  const positions = readMark(reading.characters);
  return hypotheses.rows.some(
    (row) =>
      row !== undefined &&
      [...listAt(marks.ofPattern, row)].some((code) => {
        const mark = marks.distinct[code];
        return mark?.place === place.id && new Aligner(positions, mark.making).logLikelihood(mark.text) > -Infinity;
      }),
  );
}

function sizeChecks(
  index: CatalogueIndex,
  hypotheses: Hypotheses,
  parameter: Parameter,
  { readings, drawer = new ToolDrawer() }: CheckContext,
  done: ReadonlySet<Reach>,
): Foreseen[] {
  const column = index.sizes.get(parameter.id);
  if (!column || parameter.instruments[0] === 'sheet') return [];
  const expected = hypotheses.rows.reduce<number>(
    (most, row) =>
      Math.max(most, row === undefined ? 0 : (column.distinct[(column.codes[row] ?? 0) - 1]?.limits.high ?? 0)),
    0,
  );
  if (expected === 0) return [];
  const taken = readings
    .filter((reading) => reading.sort === 'size')
    .filter((reading) => reading.parameter === parameter.id);
  const finest = Math.min(
    Infinity,
    ...taken.map((size) => drawer.take(size.instrument, toInside(size.values[0] ?? 0, size.unit)).permissibleError),
  );
  const used = new Set(readings.flatMap((reading) => (reading.sort === 'size' ? [reading.instrument] : [])));
  return parameter.instruments.flatMap((sort): Foreseen[] => {
    const tool = drawer.take(sort, expected);
    if (!tool.reaches || tool.permissibleError * FINER > finest) return [];
    const outcomes = foreseeSize(index, hypotheses, parameter, tool);
    if (!outcomes) return [];
    const { id, name, definition, minutes, reach, drawing } = parameter;
    const settingUp = used.has(sort) ? 0 : INSTRUMENTS[sort].settingUp;
    return [
      {
        check: {
          id,
          sort: 'size',
          name,
          how: definition,
          tool,
          minutes: minutes + settingUp,
          reach,
          dismantling: dismantling(done, reach),
          ...(drawing === undefined ? {} : { drawing }),
        },
        outcomes,
      },
    ];
  });
}

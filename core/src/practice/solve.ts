import type { KindId } from '../dictionary/dictionary.js';
import { KINDS } from '../dictionary/dictionary.js';
import { INSTRUMENTS } from '../quantity/instrument.js';
import {
  advise,
  Identification,
  type CatalogueIndex,
  type IdentifyOptions,
  type LineUp,
  type Status,
} from '../identify/index.js';
import type { Understood } from '../readings/reading.js';
import { ToolDrawer } from '../shop/ownInstrument.js';
import { ask, USUAL_READER, type Asked, type Reader } from './ask.js';
import type { HiddenPart } from './hiddenPart.js';

/** One thing asked of a hidden part, what came of it, and how it then stood. */
export interface Step {
  readonly asked: Asked;
  readonly name: string;
  readonly minutes: number;
  readonly reading: Understood;
  readonly status: Status;
  /** The likeliest pattern and its probability. */
  readonly first: string | undefined;
  readonly probability: number;
}

export interface Solution {
  readonly steps: readonly Step[];
  readonly lineUp: LineUp;
  readonly minutes: number;
}

interface Asking extends IdentifyOptions {
  readonly reader?: Reader;
  /** Steps after which it is given up. */
  readonly most?: number;
}

/** A part in no catalogue is only called that once so many readings are in. */
const BEFORE_NONE = 3;

const ended = ({ status }: LineUp, steps: number): boolean =>
  status === 'settled' || ((status === 'nothingFits' || status === 'sister') && steps >= BEFORE_NONE);

/**
 * Asks a hidden part for what gains the most a minute, until it is settled, nothing fits, or nothing is left to ask.
 */
export function solve(part: HiddenPart, index: CatalogueIndex, next: () => number, asking: Asking = {}): Solution {
  const { drawer = new ToolDrawer() } = asking;
  return run(
    part,
    index,
    next,
    asking,
    (identification, readings) => advise(identification, { readings, drawer }, 1).checks[0],
  );
}

/** A check on a sheet, in the order of the sheet. */
export interface SheetLine extends Asked {
  readonly name: string;
  readonly minutes: number;
}

/** Minutes for one mark place on a sheet; the same as the next check reckons. */
const MINUTES_A_MARK = 2;

/**
 * A sheet for a kind of part that asks for everything any pattern of it states, in the order of the dictionary: marks,
 * looks, then sizes.
 */
export function sheetOf(kind: KindId, index: CatalogueIndex, drawer: ToolDrawer = new ToolDrawer()): SheetLine[] {
  const { markPlaces, features, parameters } = KINDS[kind];
  const places = new Set(index.marks.distinct.map(({ place }) => place));
  const set = new Set<string>();
  return [
    ...Object.values(markPlaces)
      .filter(({ id }) => places.has(id))
      .map(({ id, name }): SheetLine => ({ sort: 'mark', id, name: `Mark on the ${name}`, minutes: MINUTES_A_MARK })),
    ...Object.values(features)
      .filter(({ id }) => index.looks.has(id))
      .map(({ id, name, minutes }): SheetLine => ({ sort: 'look', id, name, minutes })),
    ...Object.values(parameters)
      .filter(({ id, instruments }) => index.sizes.has(id) && instruments[0] !== 'sheet')
      .map(({ id, name, minutes, instruments }): SheetLine => {
        const [sort] = instruments;
        const settingUp = set.has(sort) ? 0 : INSTRUMENTS[sort].settingUp;
        set.add(sort);
        const size = index.sizes.get(id)?.distinct[0]?.limits.high ?? 0;
        return { sort: 'size', id, name, minutes: minutes + settingUp, tool: drawer.take(sort, size) };
      }),
  ];
}

/** Goes through a fixed sheet in its order until the part is settled or the sheet is full. */
export function solveBySheet(
  part: HiddenPart,
  index: CatalogueIndex,
  sheet: readonly SheetLine[],
  next: () => number,
  asking: Asking = {},
): Solution {
  return run(
    part,
    index,
    next,
    { ...asking, most: sheet.length },
    (_identification, readings) => sheet[readings.length],
  );
}

const MOST = 20;

function run(
  part: HiddenPart,
  index: CatalogueIndex,
  next: () => number,
  { reader = USUAL_READER, most = MOST, ...identifyOptions }: Asking,
  choose: (identification: Identification, readings: readonly Understood[]) => SheetLine | undefined,
): Solution {
  const identification = new Identification(index, identifyOptions);
  const steps: Step[] = [];
  let readings: readonly Understood[] = [];
  let minutes = 0;
  let lineUp = identification.read(readings).lineUp(3);
  while (steps.length < most && !ended(lineUp, steps.length)) {
    const line = choose(identification, readings);
    if (!line) break;
    const reading = ask(part, line, next, reader);
    readings = [...readings, reading];
    minutes += line.minutes;
    lineUp = identification.read(readings).lineUp(3);
    const [first] = lineUp.candidates;
    steps.push({
      asked: line,
      name: line.name,
      minutes: line.minutes,
      reading,
      status: lineUp.status,
      first: first?.pattern,
      probability: first?.probability ?? 0,
    });
  }
  return { steps, lineUp, minutes };
}

import type { Pattern } from '../catalogue/pattern.js';
import type { KindId } from '../dictionary/dictionary.js';
import { Identification, type CatalogueIndex, type IdentifyOptions } from '../identify/index.js';
import type { Understood } from '../readings/reading.js';
import { ask } from './ask.js';
import { drawPart, drawStranger, type HiddenPart } from './hiddenPart.js';
import { sheetOf } from './solve.js';

/** A specimen as it came in, with what happens to have been read on it. */
interface SimulatedCase {
  readonly part: HiddenPart;
  readonly readings: readonly Understood[];
}

/** One in so many parts is in no catalogue. */
export const STRANGERS = 0.05;
const FEWEST = 1;
const MOST = 7;

/**
 * Parts drawn from the catalogue, one in twenty a stranger, each with one to seven readings of whatever is on its
 * sheet.
 */
export function* simulatedCases(
  kind: KindId,
  patterns: readonly Pattern[],
  index: CatalogueIndex,
  cases: number,
  next: () => number,
): Generator<SimulatedCase> {
  const own = patterns.filter((pattern) => pattern.kind === kind);
  const sheet = sheetOf(kind, index);
  for (let at = 0; at < cases; at++) {
    const pattern = own[Math.floor(next() * own.length)];
    if (!pattern) return;
    const other = own[Math.floor(next() * own.length)];
    const part = next() < STRANGERS ? drawStranger(pattern, next, other) : drawPart(pattern, next);
    const count = FEWEST + Math.floor(next() * (MOST - FEWEST + 1));
    const lines = [...sheet];
    const readings: Understood[] = [];
    while (readings.length < count && lines.length > 0) {
      const [line] = lines.splice(Math.floor(next() * lines.length), 1);
      if (line) readings.push(ask(part, line, next));
    }
    yield { part, readings };
  }
}

/** Whether what was measured shows a part to be none of the catalogue: sizes that it does not share with its model. */
export const showsItsOwn = ({ pattern, own }: HiddenPart, readings: readonly Understood[]): boolean =>
  pattern === undefined &&
  (own === undefined
    ? readings.length > 0
    : own.every((sizes) => readings.some((reading) => reading.sort === 'size' && sizes.includes(reading.parameter))));

/** One answer with how sure it was, and whether it was right. */
interface Answer {
  readonly probability: number;
  readonly right: boolean;
}

/** The likeliest answer, "none of these" among them. */
export function answer(
  index: CatalogueIndex,
  { part, readings }: SimulatedCase,
  identifyOptions: IdentifyOptions = {},
): Answer {
  const { candidates, none } = new Identification(index, identifyOptions).read(readings).lineUp(1);
  const [first] = candidates;
  if (!first || none > first.probability) return { probability: none, right: part.pattern === undefined };
  // Of a sister it is enough to say that it is one.
  const right = first.own ? part.pattern === undefined : first.pattern === part.pattern;
  return { probability: first.probability, right };
}

/** The answers of one tenth of sureness. */
interface Band {
  /** From here to a tenth above. */
  readonly from: number;
  readonly count: number;
  readonly right: number;
  /** Mean of what was said. */
  readonly said: number;
  /** Two standard errors of the share that is right. */
  readonly within: number;
}

/**
 * Answers by tenths of sureness: of a calibrated judge each tenth is right as often as it says (A. P. Dawid, J. Am.
 * Stat. Assoc. 77 (1982) 605).
 */
export function bandsOf(answers: readonly Answer[]): Band[] {
  return Array.from({ length: 10 }, (_, tenth): Band => {
    const inside = answers.filter(({ probability }) => Math.min(9, Math.floor(probability * 10)) === tenth);
    const count = inside.length;
    const right = inside.filter((each) => each.right).length;
    const said = inside.reduce((sum, { probability }) => sum + probability, 0) / Math.max(1, count);
    return { from: tenth / 10, count, right, said, within: 2 * Math.sqrt((said * (1 - said)) / Math.max(1, count)) };
  });
}

/**
 * Mean squared distance of what was said from what was so (G. W. Brier, Mon. Weather Rev. 78 (1950) 1); 0 is perfect.
 */
export const brier = (answers: readonly Answer[]): number =>
  answers.reduce((sum, { probability, right }) => sum + (probability - (right ? 1 : 0)) ** 2, 0) /
  Math.max(1, answers.length);

import type { Pattern } from '../catalogue/pattern.js';
import type { KindId } from '../dictionary/dictionary.js';
import { Identification, type CatalogueIndex, type IdentifyOptions } from '../identify/index.js';
import type { Understood } from '../readings/reading.js';
import type { Answer } from '../learning/index.js';
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

import type { Parameter } from '../../dictionary/definition.js';
import { describedAs } from '../../dictionary/dictionary.js';
import { COVERAGE, INSTRUMENTS } from '../../quantity/instrument.js';
import { separable, uncertaintyOf } from '../../quantity/decision.js';
import { width } from '../../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../../quantity/sentence.js';
import { ToolDrawer } from '../../shop/ownInstrument.js';
import { PROBABLE_FROM } from '../assumptions.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { foreseen, type Foreseen, type CheckContext } from './checks.js';
import type { Hypotheses } from './hypotheses.js';
import { gainOf } from './outcomes.js';

/** How two candidates stand to each other. */
export interface Separation {
  /** The two patterns, the likelier first. */
  readonly between: readonly [string, string];
  /**
   * `open`: a check is left that tells them apart. `blocked`: there is one, but it was skipped or no instrument of the
   * shop can take it. `alike`: nothing the catalogue records tells them apart.
   */
  readonly state: 'open' | 'blocked' | 'alike';
  /** What could tell them apart but cannot be done. */
  readonly blockedBy: readonly string[];
  /** Sizes that the instrument used could not tell apart, and what can. */
  readonly tooClose: readonly Sentence[];
}

/** Of two alike, a check that gains at least this much tells them apart, bits out of one. */
const TELLS = 0.1;
/** Below this share the second is no longer in question. */
const IN_QUESTION = 0.01;

/** Says how the first two candidates can be told apart. Undefined where there are not two. */
export function tellApart(
  index: CatalogueIndex,
  hypotheses: Hypotheses,
  context: CheckContext,
  open: readonly Foreseen[],
): Separation | undefined {
  const [first, second] = hypotheses.rows.flatMap((row, at) => (row === undefined ? [] : [{ row, at }]));
  if (
    !first ||
    !second ||
    (hypotheses.weights[second.at] ?? 0) < IN_QUESTION ||
    (hypotheses.weights[first.at] ?? 0) >= 1 - IN_QUESTION
  )
    return undefined;
  const pair = pairOf(first.row, second.row);
  const between = [index.patterns[first.row] ?? '', index.patterns[second.row] ?? ''] as const;
  const tooClose = closeSizes(index, first.row, second.row, context);
  const weights = hypotheses.rows.map((_, at) => (at === first.at || at === second.at ? 0.5 : 0));
  if (open.some(({ outcomes }) => gainOf(outcomes, Float64Array.from(weights), 1).bits >= TELLS))
    return { between, state: 'open', blockedBy: [], tooClose };
  const blockedBy = [
    ...new Set(
      everything(index, pair, context)
        .filter(({ outcomes }) => gainOf(outcomes, pair.weights, 1).bits >= TELLS)
        .map(({ check }) => (check.tool ? `${check.name}, by ${check.tool.name.toLowerCase()}` : check.name)),
    ),
  ];
  // A mere likelihood of the one over the other is no likeness.
  if (blockedBy.length === 0 && (hypotheses.weights[first.at] ?? 0) >= PROBABLE_FROM && tooClose.length === 0)
    return undefined;
  return { between, state: blockedBy.length > 0 ? 'blocked' : 'alike', blockedBy, tooClose };
}

const pairOf = (a: number, b: number): Hypotheses => ({ rows: [a, b], weights: Float64Array.of(0.5, 0.5) });

/** What could be done with nothing skipped and every instrument at hand. */
function everything(index: CatalogueIndex, pair: Hypotheses, { readings, state }: CheckContext): Foreseen[] {
  return foreseen(index, pair, { readings, ...(state ? { state } : {}), drawer: new ToolDrawer() });
}

/** Sizes measured too coarsely to tell the two apart. */
function closeSizes(
  index: CatalogueIndex,
  a: number,
  b: number,
  { readings, drawer = new ToolDrawer() }: CheckContext,
): Sentence[] {
  return Object.values(describedAs(index.kind).parameters).flatMap((parameter): Sentence[] => {
    const taken = readings
      .filter((reading) => reading.sort === 'size')
      .filter((reading) => reading.parameter === parameter.id);
    const column = index.sizes.get(parameter.id);
    const [sizeA, sizeB] = [a, b].map((row) => column?.distinct[(column.codes[row] ?? 0) - 1]?.limits);
    if (
      taken.length === 0 ||
      !sizeA ||
      !sizeB ||
      Math.abs(sizeA.low - sizeB.low) + Math.abs(sizeA.high - sizeB.high) < 1e-6
    )
      return [];
    const tools = taken.map((size) => drawer.take(size.instrument, sizeA.high));
    if (tools.some((tool) => separable(sizeA, sizeB, tool))) return [];
    const [tool] = [...tools].sort((x, y) => x.permissibleError - y.permissibleError);
    if (!tool) return [];
    const finer = finerFor(parameter, drawer, sizeA, sizeB);
    const uncertain = value(COVERAGE * uncertaintyOf(tool), parameter.quantity);
    const advice = finer ? `${finer} can.` : width(sizeA) > 0 ? 'No instrument of the shop can.' : '';
    return [
      sentence`${parameter.name}: ${band(sizeA, parameter.quantity)} and ${band(sizeB, parameter.quantity)} are not separable with the ${tool.name.toLowerCase()}, which is uncertain by ${uncertain} either way. ${advice}`,
    ];
  });
}

function finerFor(
  parameter: Parameter,
  drawer: ToolDrawer,
  a: { readonly low: number; readonly high: number },
  b: { readonly low: number; readonly high: number },
): string | undefined {
  const sort = parameter.instruments.find((each) => {
    const tool = drawer.take(each, a.high);
    return tool.reaches && separable(a, b, tool);
  });
  return sort === undefined ? undefined : `The ${INSTRUMENTS[sort].name.toLowerCase()}`;
}

import { hold } from '../joints/outcome.js';
import type { Verdict } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import type { Requirement } from '../joints/shapes/within.js';
import type { BuildEngine, BuildProblem, Spot } from './engine.js';
import { FIGURES, type Figure } from './figures/index.js';
import { Intervals } from './intervals.js';
import { BuildModel, type Argument, type Leaf, type Node } from './model.js';
import { nonsenseIn, type Nonsense } from './nonsense.js';

/** What a figure goes by, as its formula names it. */
export interface ArgumentFound extends Argument {
  readonly value: number;
}

/** A figure at one place of the engine. */
export interface FigureFound {
  readonly figure: Figure;
  readonly spot?: Spot;
  /** In the middle of all that is put in; nothing where it cannot be told. */
  readonly value?: number;
  /** Between which it lies, worst case. */
  readonly interval?: Interval;
  readonly required?: Interval;
  readonly atLeast?: boolean;
  readonly ruleOfThumb?: Sentence;
  /** Nothing where there is no limit. */
  readonly verdict?: Verdict;
  /** What the verdict means in words; nothing where it is well or open. */
  readonly says?: Sentence;
  /** Sizes that nobody put down and that are taken as is likely: what rests on them is no fact. */
  readonly likely?: readonly Leaf[];
  /** What the figures put in say besides. */
  readonly tells?: string;
  /** Ids of what must be known first. */
  readonly needs: readonly string[];
  readonly arguments: readonly ArgumentFound[];
}

/** Everything that follows from a build. */
interface BuildSheet {
  readonly figures: readonly FigureFound[];
  readonly problems: readonly BuildProblem[];
  readonly nonsense: readonly Nonsense[];
}

/**
 * Works out all figures of a build, or some.
 *
 * @param intervals what is kept from sheets before
 */
export function buildSheetOf(
  engine: BuildEngine,
  figures: readonly Figure[] = FIGURES,
  intervals = new Intervals(),
): BuildSheet {
  const model = new BuildModel(engine, figures);
  const nominal = model.nominal();
  return {
    figures: figures.flatMap((figure) =>
      model.spots(figure).flatMap((spot): readonly FigureFound[] => {
        if (figure.arises?.(engine) === false) return [];
        const node = model.node(figure, spot);
        if (!('index' in node)) return [{ figure, ...(spot ? { spot } : {}), needs: node.needs, arguments: [] }];
        return [found(model, node, nominal, intervals)];
      }),
    ),
    problems: engine.problems,
    nonsense: nonsenseIn(engine),
  };
}

/** Just what each figure comes to, with everything in its middle: to hold another build against. */
export function valuesOf(engine: BuildEngine, figures: readonly Figure[] = FIGURES) {
  const model = new BuildModel(engine, figures);
  const nominal = model.nominal();
  return (figure: Figure, spot?: Spot): number | undefined => {
    const node = model.node(figure, spot);
    const value = 'index' in node ? nominal[node.index] : undefined;
    return value !== undefined && Number.isFinite(value) ? value : undefined;
  };
}

/** What is required of a figure at one place. */
export const requiredOf = ({ engine }: BuildModel, { figure, spot }: Node): Requirement | undefined =>
  figure.holds?.(engine.assembly(spot), engine);

function found(model: BuildModel, node: Node, nominal: Float64Array, intervals: Intervals): FigureFound {
  const { figure, spot } = node;
  const where = spot ? { spot } : {};
  const given = node.arguments.map((each): ArgumentFound => ({ ...each, value: nominal[each.index] ?? Number.NaN }));
  const here = nominal[node.index] ?? Number.NaN;
  // A rod that does not come round: what follows from it is no figure.
  if (!Number.isFinite(here)) return { figure, ...where, needs: [], arguments: given };
  const interval = intervals.of(model, node, nominal);
  const likely = model.likely.filter(({ index }) => node.leaves.has(index));
  const tells = figure.tells?.(Object.fromEntries(given.map(({ name, value }) => [name, value])));
  const all = {
    figure,
    ...where,
    value: here,
    interval,
    needs: [],
    arguments: given,
    ...(likely.length > 0 ? { likely } : {}),
    ...(tells === undefined ? {} : { tells }),
  };
  const requirement = requiredOf(model, node);
  if (!requirement) return all;
  const held = judged(figure, interval, requirement);
  // What rests on a guess is open, whatever it comes to.
  return likely.length > 0 ? { ...all, ...held, verdict: 'cannotTell' } : { ...all, ...held };
}

/** A figure held against what is required of it. */
function judged(
  figure: Figure,
  interval: Interval,
  { band, inPlaceOf, atLeast, ruleOfThumb }: Requirement,
): Pick<FigureFound, 'required' | 'atLeast' | 'ruleOfThumb' | 'verdict' | 'says'> {
  const { verdict } = hold(
    interval,
    atLeast ? { low: band.low, high: Infinity } : band,
    inPlaceOf && (atLeast ? { low: inPlaceOf.leeway.low, high: Infinity } : inPlaceOf.leeway),
  );
  const less = interval.low < band.low;
  const [end, does] = less ? [band.low, figure.tooLittle] : [band.high, figure.tooMuch];
  return {
    required: band,
    ...(atLeast ? { atLeast } : {}),
    ...(ruleOfThumb ? { ruleOfThumb: ruleOfThumb() } : {}),
    verdict,
    ...(verdict === 'doesNotFit'
      ? {
          says: sentence`${less ? 'Less' : 'More'} than ${value(end, figure.quantity)}${does === undefined ? '' : `: ${does}`}.`,
        }
      : {}),
  };
}

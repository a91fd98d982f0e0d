import {
  buildSheetOf,
  BuildModel,
  requiredOf,
  solveFor,
  ToleranceModel,
  Varied,
  type Build,
  type BuildEngine,
  type Figure,
  type Spot,
} from '../../build/index.js';
import type { Part } from '../../catalogue/part.js';
import type { Answers } from '../../contract/index.js';
import { isIdOf, parameterOf } from '../../dictionary/dictionary.js';
import { SLOTS, slotOf } from '../../dictionary/slots.js';
import { DataError } from '../../formats/index.js';
import { swap } from '../../interchange/index.js';
import type { Verdict } from '../../joints/index.js';
import { middle } from '../../quantity/interval.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { engineAsked, figureAsked, needed } from './buildAsked.js';

const FIRST: Spot = { row: 'cylinder', at: 1 };

/** How many parts are told that come nearest. */
const NEAREST = 6;

export const buildSolve: Answering<'buildSolve'> = (workshop, { build, specimens, figure: id, wanted, size }) => {
  const figure = figureAsked(id, 'body.figure');
  const made = (of: Build): BuildEngine => engineAsked(workshop, of, specimens);
  const engine = made(build);
  const parameter = parameterOf(size);
  const taken = engine.size(parameter, FIRST);
  const now = taken && middle(taken.interval);
  const solved = solveFor(build, made, size, figure, wanted, now);
  const slot = SLOTS.find(({ kind }) => size.startsWith(`${kind}.`))?.id ?? 'piston';
  return {
    ...(now === undefined ? {} : { now }),
    ...('size' in solved ? { size: solved.size } : solved.reached ? { reached: solved.reached } : {}),
    quantity: parameter.quantity,
    nearest: nearest(workshop, engine, made, { figure, wanted, size, slot }),
  };
};

/** A build with another part in one place, and what was typed in its place let go. */
function withPart({ build }: BuildEngine, slot: string, pattern: string): Build {
  const kind = slotOf(slot)?.kind ?? slot;
  return {
    ...build,
    places: [...build.places.filter((place) => place.slot !== slot), { slot, pattern }],
    sizes: build.sizes.filter(({ of }) => !of.startsWith(`${kind}.`)),
  };
}

/** Whether a part goes in with all others of a build, and what it is asked for. */
function goingIn(workshop: KeptCatalogue, engine: BuildEngine, slot: string, part: Part) {
  const others = engine.parts
    .filter((each) => each.slot !== slot)
    .map(({ slot: place, part: other }) => ({ slot: place, part: other }));
  const { verdict } = swap([{ slot, part }], others, workshop.swapContext);
  return { verdict, ...(part.price === undefined ? {} : { price: part.price }) };
}

/** Parts on record that bring the figure nearest to what is wanted, those that go in before those that do not. */
function nearest(
  workshop: KeptCatalogue,
  engine: BuildEngine,
  made: (build: Build) => BuildEngine,
  {
    figure,
    wanted,
    size,
    slot,
  }: { readonly figure: Figure; readonly wanted: number; readonly size: string; readonly slot: string },
): Answers['buildSolve']['nearest'] {
  const order: readonly Verdict[] = ['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit'];
  return workshop
    .partsOf(slotOf(slot)?.kind ?? 'piston')
    .flatMap((part) => {
      const value = part.values[size]?.interval;
      if (!value || part.pattern === undefined) return [];
      const [comes] = figuresWith(made(withPart(engine, slot, part.pattern)), [figure], 1);
      if (comes === undefined || !Number.isFinite(comes)) return [];
      return [{ part, pattern: part.pattern, size: middle(value), figure: comes }];
    })
    .sort((a, b) => Math.abs(a.figure - wanted) - Math.abs(b.figure - wanted))
    .slice(0, 4 * NEAREST)
    .map(({ part, ...rest }) => ({ ...rest, label: part.label, slot, ...goingIn(workshop, engine, slot, part) }))
    .sort(
      (a, b) =>
        Number(order.indexOf(a.verdict) === 3) - Number(order.indexOf(b.verdict) === 3) ||
        Math.abs(a.figure - wanted) - Math.abs(b.figure - wanted),
    )
    .slice(0, NEAREST);
}

/** What figures come to at one cylinder; NaN where one cannot be told. */
function figuresWith(engine: BuildEngine, figures: readonly Figure[], cylinder: number): readonly number[] {
  const model = new BuildModel(engine, figures);
  const nominal = model.nominal();
  return figures.map((figure) => {
    const spots = model.spots(figure);
    const node = model.node(figure, spots[Math.min(cylinder, spots.length) - 1]);
    return 'index' in node ? (nominal[node.index] ?? Number.NaN) : Number.NaN;
  });
}

/** Parts that are tried one after another where nobody says which, and of how many they are the best. */
const MOST_TRIED = 60;
const MOST_LOOKED_AT = 300;

/** How many sizes of a part are as those of another, give or take a tenth. */
const alikeIn = (part: Part, other: Part): number =>
  Object.entries(other.values).filter(([id, value]) => {
    const here = part.values[id];
    return here && Math.abs(middle(here.interval) - middle(value.interval)) <= Math.abs(middle(value.interval)) / 10;
  }).length;

/** Of very many parts those that are most like the one that is there. */
function likest(parts: readonly Part[], there: Part | undefined): readonly Part[] {
  if (!there || parts.length <= MOST_LOOKED_AT) return parts;
  return parts
    .map((part) => ({ part, alike: alikeIn(part, there) }))
    .sort((a, b) => b.alike - a.alike)
    .slice(0, MOST_LOOKED_AT)
    .map(({ part }) => part);
}

/** With one part after another in a place: those that are named, or those that come nearest to what is there. */
function overParts(
  workshop: KeptCatalogue,
  engine: BuildEngine,
  made: (build: Build) => BuildEngine,
  slot: string,
  patterns: readonly string[] | undefined,
  figures: readonly Figure[],
  cylinder: number,
) {
  const kind = slotOf(slot)?.kind;
  if (!kind)
    throw new DataError('There is no such place.', [
      { where: 'body.parts.slot', what: `an engine has no place called "${slot}".` },
    ]);
  const all = workshop.partsOf(kind);
  const known = new Map(all.flatMap((part) => (part.pattern === undefined ? [] : [[part.pattern, part] as const])));
  (patterns ?? []).forEach((pattern, at) => {
    if (!known.has(pattern))
      throw new DataError('There is no such part.', [
        { where: `body.parts.patterns[${at}]`, what: `"${pattern}" is no pattern of that kind; choose another.` },
      ]);
  });
  const now = figuresWith(engine, figures, cylinder)[0] ?? Number.NaN;
  const far = ({ values: [first = Number.NaN] }: { readonly values: readonly number[] }): number =>
    Number.isFinite(first) ? (Number.isFinite(now) ? Math.abs(first - now) : 0) : Number.MAX_VALUE;
  const chosen = patterns?.flatMap((pattern) => known.get(pattern) ?? []);
  const tried = (chosen ?? likest(all, engine.part(slot, cylinder)?.part)).flatMap((part) => {
    const { pattern } = part;
    if (pattern === undefined) return [];
    return [{ part, pattern, values: figuresWith(made(withPart(engine, slot, pattern)), figures, cylinder) }];
  });
  if (!chosen) tried.sort((a, b) => far(a) - far(b)).splice(MOST_TRIED);
  const told = tried.map(({ part, pattern, values }) => ({
    pattern,
    label: part.label,
    values,
    ...goingIn(workshop, engine, slot, part),
  }));
  // What does not go in comes last, however near it comes.
  const out = ({ verdict }: (typeof told)[number]) => Number(verdict === 'doesNotFit');
  return chosen ? told : told.sort((a, b) => out(a) - out(b) || far(a) - far(b));
}

const stepped = (from: number, to: number, steps: number): readonly number[] =>
  Array.from({ length: steps }, (_, at) => (steps === 1 ? from : from + ((to - from) * at) / (steps - 1)));

const orNull = (value: number): number | null => (Number.isFinite(value) ? value : null);

export const buildSweep: Answering<'buildSweep'> = (workshop, request) => {
  const { build, specimens, figures: ids, over = [], parts, cylinder = 1 } = request;
  const figures = ids.map((id, at) => figureAsked(id, `body.figures[${at}]`));
  const made = (of: Build): BuildEngine => engineAsked(workshop, of, specimens);
  if ((parts === undefined) === (over.length === 0))
    throw new DataError('It is not clear what goes from one end to the other.', [
      { where: 'body', what: 'give either sizes in `over`, or `parts`.' },
    ]);
  const limits = limitsOf(made(build), figures);
  const told = (at: number, values: readonly number[]) => ({
    id: ids[at] ?? '',
    values: values.map(orNull),
    ...limits[at],
  });
  if (parts) {
    const { slot, patterns } = parts;
    const tried = overParts(workshop, made(build), made, slot, patterns, figures, cylinder);
    return {
      across: tried.map((_, at) => at),
      up: [],
      labels: tried.map(({ label }) => label),
      parts: tried.map(({ pattern, verdict, price }) => ({
        pattern,
        verdict,
        ...(price === undefined ? {} : { price }),
      })),
      figures: figures.map((_, at) =>
        told(
          at,
          tried.map(({ values }) => values[at] ?? Number.NaN),
        ),
      ),
    };
  }
  over.forEach(({ size }, at) => {
    if (!isIdOf('parameter', size))
      throw new DataError('There is no such size.', [
        { where: `body.over[${at}].size`, what: `the dictionary has no "${size}".` },
      ]);
  });
  const [across, up] = [over[0], over[1]].map((each) => (each ? stepped(each.from, each.to, each.steps) : []));
  const varied = new Varied(
    build,
    made,
    over.map(({ size }) => size),
    over.map(({ from }) => from),
    figures,
    cylinder,
  );
  const rows = (up && up.length > 0 ? up : [undefined]).flatMap((second) =>
    (across ?? []).map((first) => varied.at(second === undefined ? [first] : [first, second])),
  );
  return {
    across: across ?? [],
    up: up ?? [],
    labels: [],
    parts: [],
    figures: figures.map((_, at) =>
      told(
        at,
        rows.map((row) => row[at] ?? Number.NaN),
      ),
    ),
  };
};

/** What is required of figures, as a chart draws it. */
const limitsOf = (engine: BuildEngine, figures: readonly Figure[]) =>
  figures.map((figure) => {
    const model = new BuildModel(engine, [figure]);
    const node = model.node(figure, model.spots(figure)[0]);
    const requirement = 'index' in node ? requiredOf(model, node) : undefined;
    return requirement ? { required: requirement.band, ...(requirement.atLeast ? { atLeast: true } : {}) } : {};
  });

export const buildTolerance: Answering<'buildTolerance'> = (workshop, request) => {
  const { build, specimens, figure: id, engines, seed, spread = 'normal', oneSetup = [], fixed = [] } = request;
  const figure = figureAsked(id, 'body.figure');
  const model = new ToleranceModel(engineAsked(workshop, build, specimens), figure);
  const none = { engines: 0, places: 0, sum: 0, squares: 0, below: 0, above: 0, broken: 0, bins: [], from: 0, to: 0 };
  if (model.nodes.length === 0 || !Number.isFinite(model.value)) {
    const sheet = buildSheetOf(engineAsked(workshop, build, specimens), [figure]);
    return { needs: [...new Set(sheet.figures.flatMap(({ needs }) => needs))].map(needed), shares: [], drawn: none };
  }
  return {
    value: model.value,
    needs: [],
    worst: model.worst,
    squares: model.rootOfSquares,
    ...(model.required
      ? {
          required: {
            low: model.required.low,
            ...(Number.isFinite(model.required.high) ? { high: model.required.high } : {}),
          },
        }
      : {}),
    shares: model.shares(spread).map(({ leaf, share }) => ({ id: leaf.id, name: leaf.name, from: leaf.of, share })),
    drawn: model.run({ spread, oneSetup, fixed, engines, seed }),
  };
};

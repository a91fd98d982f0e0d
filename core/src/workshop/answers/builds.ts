import {
  buildSheetOf,
  curveAngles,
  curvesOf,
  engineOf,
  FIGURES,
  figureOf,
  jointsOf,
  mixturesIn,
  nameOfWork,
  asksOf,
  placesFor,
  plannedFor,
  requiredOf,
  sectionOf,
  solveFor,
  ToleranceModel,
  valuesOf,
  Varied,
  BuildModel,
  type Build,
  type BuildEngine,
  type Figure,
  type FigureFound,
  type PlacedInBuild,
  type Spot,
} from '../../build/index.js';
import type { Answers, FigureFoundTold, FigureTold, PlacedTold } from '../../contract/index.js';
import { isIdOf, parameterOf, sayEntry } from '../../dictionary/dictionary.js';
import { SLOTS, slotOf } from '../../dictionary/slots.js';
import { DataError } from '../../formats/index.js';
import { swap } from '../../interchange/index.js';
import type { Verdict } from '../../joints/index.js';
import { middle } from '../../quantity/interval.js';
import { UNITS } from '../../quantity/unit.js';
import type { Specimen } from '../../readings/reading.js';
import { buildLookup } from '../buildLookup.js';
import type { Holdings } from '../holdings.js';
import type { Answering } from './answering.js';

/** A build as asked, looked up. Throws a DataError where it starts from an engine that is not there. */
function engineAsked(workshop: Holdings, build: Build, specimens?: readonly Specimen[]): BuildEngine {
  if (build.variant !== undefined && !workshop.catalogue.variant(build.variant))
    throw new DataError('The engine it starts from is not in the catalogue.', [
      { where: 'body.build.variant', what: `there is no variant "${build.variant}"; take another, or none.` },
    ]);
  return engineOf(build, buildLookup(workshop, specimens));
}

/** The engine it starts from, as it was built. */
const asBuilt = (build: Build): Build => ({
  id: build.id,
  name: build.name,
  ...(build.variant === undefined ? {} : { variant: build.variant }),
  places: [],
  // What it runs at is no change of the engine.
  sizes: build.sizes.filter(({ of }) => of.startsWith('running.')),
  ...(build.looks ? { looks: build.looks } : {}),
});

const needed = (id: string) => ({ id, name: isIdOf('parameter', id) || isIdOf('feature', id) ? sayEntry(id) : id });

const sayOrigin = {
  measured: 'measured on',
  machined: 'after work on',
  marked: 'by the class marks of',
  pattern: 'on record for',
  identified: 'as the pattern of',
  typed: '',
  likely: 'as is likely by',
  assumed: '',
} as const;

function foundTold(found: readonly FigureFound[], base: number | undefined): FigureFoundTold {
  const [one] = found;
  if (!one) throw new RangeError('There is nothing to tell.');
  const { spot: _spot, figure: _figure, interval, needs, arguments: given, likely, ...rest } = one;
  return {
    ...rest,
    at: found.flatMap(({ spot }) => (spot ? [spot.at] : [])),
    ...(interval ? { between: interval } : {}),
    ...(base === undefined ? {} : { base }),
    needs: needs.map(needed),
    ...(likely ? { likely: likely.map(({ id, probability = 0 }) => ({ ...needed(id), probability })) } : {}),
    arguments: given.map(({ name, value, leaf, figure, assumed }) => ({
      name,
      called: figure?.name ?? leaf?.name ?? assumed ?? name,
      value: Number.isFinite(value) ? value : 0,
      quantity: figure?.quantity ?? leaf?.quantity ?? 'count',
      from: figure
        ? 'as worked out'
        : leaf
          ? leaf.origin === 'typed'
            ? 'typed in'
            : `${sayOrigin[leaf.origin]} ${leaf.of}`.trim()
          : (assumed ?? ''),
      ...(figure ? { figure: figure.id } : {}),
    })),
    assumed: given.flatMap(({ assumed }) => assumed ?? []),
  };
}

/** What makes cylinders different: all that is told of them but which they are. */
const alike = ({ value, interval, required, needs, likely, arguments: given }: FigureFound): string =>
  [
    value,
    interval?.low,
    interval?.high,
    required?.low,
    required?.high,
    ...needs,
    ...(likely ?? []).map(({ id, probability }) => `${id} ${probability ?? ''}`),
    ...given.map(({ value: put, leaf, assumed }) => `${put} ${leaf?.origin ?? ''} ${leaf?.of ?? assumed ?? ''}`),
  ].join(';');

function figureTold(figure: Figure, found: readonly FigureFound[], base?: ReturnType<typeof valuesOf>): FigureTold {
  const groups = new Map<string, FigureFound[]>();
  for (const each of found) {
    const key = alike(each);
    const group = groups.get(key) ?? [];
    group.push(each);
    groups.set(key, group);
  }
  const { id, name, says, subject, quantity, per, formula, source, caution } = figure;
  return {
    id,
    name,
    says,
    subject,
    quantity,
    per,
    formula,
    source,
    ...(caution === undefined ? {} : { caution }),
    found: [...groups.values()].map((group) => foundTold(group, base?.(figure, group[0]?.spot))),
  };
}

const placedTold = ({ slot, at, part, taken, work }: PlacedInBuild): PlacedTold => ({
  slot,
  name: slotOf(slot)?.name ?? slot,
  kind: part.kind,
  ...(at === undefined ? {} : { at }),
  label: part.label,
  ...(part.pattern === undefined ? {} : { pattern: part.pattern }),
  taken,
  mayBe: plannedFor(part.kind).map((operation) => ({
    operation,
    name: nameOfWork(operation),
    asks: asksOf(operation),
  })),
  work: work.map(
    ({ operation, by }) => `${nameOfWork(operation)}: ${by.value} ${UNITS[by.unit].symbol} ${asksOf(operation)}`,
  ),
});

export const buildSheet: Answering<'buildSheet'> = (workshop, { build, specimens, cylinder = 1 }) => {
  const engine = engineAsked(workshop, build, specimens);
  const sheet = buildSheetOf(engine, FIGURES, workshop.intervals);
  const base = build.variant === undefined ? undefined : valuesOf(engineAsked(workshop, asBuilt(build)));
  return {
    cylinders: engine.cylinders,
    ...(build.variant === undefined ? {} : { engine: workshop.catalogue.variantLabel(build.variant) }),
    parts: engine.parts.map(placedTold),
    figures: FIGURES.flatMap((figure) => {
      const found = sheet.figures.filter((each) => each.figure === figure);
      return found.length === 0 ? [] : [figureTold(figure, found, base)];
    }),
    problems: sheet.problems.map(({ where, what }) => ({ where: `build.${where}`, what })),
    nonsense: sheet.nonsense,
    mixed: mixturesIn(engine),
    section: sectionOf(engine, Math.min(cylinder, engine.cylinders)),
  };
};

export const buildJoints: Answering<'buildJoints'> = (workshop, { build, specimens }) => {
  const judged = jointsOf(engineAsked(workshop, build, specimens), workshop.swapContext);
  return judged ? { judged } : {};
};

export const buildCurves: Answering<'buildCurves'> = (workshop, { build, specimens, cylinder = 1 }) => {
  const curves = curvesOf(engineAsked(workshop, build, specimens), cylinder);
  const base = build.variant === undefined ? [] : curvesOf(engineAsked(workshop, asBuilt(build)), 1);
  return {
    angles: curveAngles(),
    curves: curves.map((curve) => {
      const before = base.find(({ id }) => id === curve.id)?.values;
      return { ...curve, ...(before ? { base: before } : {}) };
    }),
  };
};

function figureAsked(id: string, where: string): Figure {
  const figure = figureOf(id);
  if (!figure) throw new DataError('There is no such figure.', [{ where, what: `"${id}" is none.` }]);
  return figure;
}

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

/** Parts on record that bring the figure nearest to what is wanted, those that go in before those that do not. */
function nearest(
  workshop: Holdings,
  engine: BuildEngine,
  made: (build: Build) => BuildEngine,
  {
    figure,
    wanted,
    size,
    slot,
  }: { readonly figure: Figure; readonly wanted: number; readonly size: string; readonly slot: string },
): Answers['buildSolve']['nearest'] {
  const kind = slotOf(slot)?.kind ?? 'piston';
  const { build } = engine;
  const others = engine.parts
    .filter((each) => each.slot !== slot)
    .map(({ slot: place, part }) => ({ slot: place, part }));
  const order: readonly Verdict[] = ['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit'];
  return workshop
    .partsOf(kind)
    .flatMap((part) => {
      const value = part.values[size]?.interval;
      if (!value || part.pattern === undefined) return [];
      const places = [...build.places.filter((place) => place.slot !== slot), { slot, pattern: part.pattern }];
      const model = new BuildModel(made({ ...build, places, sizes: build.sizes.filter(({ of }) => of !== size) }), [
        figure,
      ]);
      const node = model.node(figure, model.spots(figure)[0]);
      const comes = 'index' in node ? model.nominal()[node.index] : undefined;
      if (comes === undefined || !Number.isFinite(comes)) return [];
      return [{ part, pattern: part.pattern, size: middle(value), figure: comes }];
    })
    .sort((a, b) => Math.abs(a.figure - wanted) - Math.abs(b.figure - wanted))
    .slice(0, 4 * NEAREST)
    .map(({ part, ...rest }) => {
      const { verdict } = swap([{ slot, part }], others, workshop.swapContext);
      return {
        ...rest,
        label: part.label,
        slot,
        verdict,
        ...(part.price === undefined ? {} : { price: part.price }),
      };
    })
    .sort(
      (a, b) =>
        Number(order.indexOf(a.verdict) === 3) - Number(order.indexOf(b.verdict) === 3) ||
        Math.abs(a.figure - wanted) - Math.abs(b.figure - wanted),
    )
    .slice(0, NEAREST);
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
    const rows = patterns.map((pattern) => {
      const places = [...build.places.filter((place) => place.slot !== slot), { slot, pattern }];
      return new Varied({ ...build, places }, made, [], [], figures, cylinder).at([]);
    });
    return {
      across: patterns.map((_, at) => at),
      up: [],
      labels: patterns.map((pattern) => workshop.catalogue.label(pattern)),
      figures: figures.map((_, at) =>
        told(
          at,
          rows.map((row) => row[at] ?? Number.NaN),
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

export const buildBegin: Answering<'buildBegin'> = (workshop, { specimens = [] }) => ({
  places: placesFor(specimens, buildLookup(workshop, specimens)),
});

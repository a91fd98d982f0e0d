import {
  buildSheetOf,
  curveAngles,
  curvesOf,
  FIGURES,
  jointsOf,
  mixturesIn,
  nameOfWork,
  asksOf,
  placesFor,
  plannedFor,
  sectionOf,
  serviceSizesOf,
  valuesOf,
  type Build,
  type Figure,
  type FigureFound,
  type Place,
  type PlacedInBuild,
} from '../../build/index.js';
import type { FigureFoundTold, FigureTold, PlacedTold } from '../../contract/index.js';
import { slotOf } from '../../dictionary/slots.js';
import { toInside, UNITS } from '../../quantity/unit.js';
import { buildLookup } from '../buildLookup.js';
import type { Answering } from './answering.js';
import { engineAsked, needed } from './buildAsked.js';

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

const sayOrigin = {
  measured: 'measured on',
  machined: 'after work on',
  marked: 'by the class marks of',
  pattern: 'on record for',
  identified: 'as the pattern of',
  typed: '',
  chosen: 'chosen by housing and journal:',
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

const boughtIn = (place: Place | undefined): { readonly bought?: number } =>
  place?.size ? { bought: toInside(place.size.value, place.size.unit) } : {};

const placedTold = ({ slot, at, part, taken, work }: PlacedInBuild, build: Build): PlacedTold => ({
  slot,
  name: slotOf(slot)?.name ?? slot,
  kind: part.kind,
  ...(at === undefined ? {} : { at }),
  label: part.label,
  ...(part.pattern === undefined ? {} : { pattern: part.pattern }),
  taken,
  sizes: serviceSizesOf(part),
  ...boughtIn(build.places.find((place) => place.slot === slot && place.at === at)),
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
    parts: engine.parts.map((placed) => placedTold(placed, build)),
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

export const buildBegin: Answering<'buildBegin'> = (workshop, { specimens = [] }) => ({
  places: placesFor(specimens, buildLookup(workshop, specimens)),
});

import type { Part } from '../../catalogue/part.js';
import { shellTables, type MarkedParts, type MarkRead } from '../../catalogue/shellTable.js';
import type { Requests } from '../../contract/index.js';
import { optionOf } from '../../catalogue/value.js';
import { engineVariant } from '../../dictionary/index.js';
import { KINDS, parameterOf, type KindId } from '../../dictionary/dictionary.js';
import {
  alikeThrows,
  banksOf,
  boreWays,
  closestSet,
  judgeSheet,
  nextBestSet,
  placesOf,
  selectFit,
  sheetFor,
  shellsByPlace,
  STRIPS,
  toTakeOff,
  type BearingPlace,
  type Piece,
} from '../../fit/index.js';
import { DataError } from '../../formats/index.js';
import { partFromShelf } from '../../interchange/index.js';
import { requiredSkirt } from '../../joints/cylinders/skirtClearance.js';
import { countsIn, MAIN_BEARING, ROD_BEARING } from '../../joints/index.js';
import { HOUSE_RULES } from '../../shop/houseRules.js';
import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { pin } from '../../dictionary/kinds/pin.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { middle, width, type Interval } from '../../quantity/interval.js';
import { counted } from '../../quantity/phrase.js';
import { sentence, value as figure, type Sentence } from '../../quantity/sentence.js';
import { toInside } from '../../quantity/unit.js';
import type { Reading, Specimen } from '../../readings/reading.js';
import type { Holdings } from '../holdings.js';
import type { Answering } from './answering.js';

const partOf = (workshop: Holdings, specimen: Specimen): Part =>
  partFromShelf(workshop.catalogue, specimen, workshop.takenFor(specimen), workshop.identifyOptions.drawer);

/** The same part by some of its readings only. */
const byReadings = (specimen: Specimen, keeps: (reading: Reading['is']) => boolean): Specimen => ({
  ...specimen,
  readings: specimen.readings.filter(({ is }) => keeps(is)),
});

/** How the cylinders lie in the engines that have a block, where all that have it are alike. */
function arrangementOf({ catalogue }: Holdings, block: string | undefined): string | undefined {
  const told = new Set(
    (block === undefined ? [] : catalogue.fittedIn(block)).map(
      ({ variant }) => optionOf(variant, engineVariant.features.layout.id)?.value,
    ),
  );
  return told.size === 1 ? [...told][0] : undefined;
}

export const fitSheet: Answering<'fitSheet'> = (workshop, { specimen, sheet }) => {
  const layout = sheetFor(sheet);
  if (!specimen)
    throw new DataError('There is no such part.', [
      { where: 'body.specimenId', what: 'no specimen is stored under that id; send one along, or choose another.' },
    ]);
  if (!layout || layout.kind !== specimen.kind)
    throw new DataError('That sheet is not of that part.', [
      { where: 'body.sheet', what: `a ${KINDS[specimen.kind].name.toLowerCase()} has no sheet of "${sheet}".` },
    ]);
  const pattern = workshop.catalogue.pattern(workshop.takenFor(specimen) ?? '');
  // What a class mark says of it is another matter: the sheet is of what was measured.
  const part = bothWays(workshop, specimen).measured;
  const { places, ...rest } = judgeSheet(layout, part, pattern, workshop.identifyOptions.rules ?? {});
  const tool = toolTells(workshop, part, layout.parameter.id);
  return {
    ...(pattern ? { taken: workshop.catalogue.label(pattern.id) } : {}),
    places: placesOf(layout, part),
    banks:
      layout.kind === 'block' && layout.parameter.per === 'cylinder'
        ? banksOf(arrangementOf(workshop, pattern?.id), placesOf(layout, part)).map((cylinders) => [...cylinders])
        : [],
    judged: places,
    ...rest,
    ...(tool ? { tool: { says: tool } } : {}),
  };
};

/** What a class of a size is wide, where marks tell classes of it; nothing where they do not. */
function classWidth(workshop: Holdings, part: Part, parameter: string): number | undefined {
  const { family } = workshop.catalogue.pattern(part.pattern ?? '') ?? {};
  const bands = workshop.catalogue.catalogue.schemes
    .filter((scheme) => scheme.kinds.includes(part.kind) && (scheme.family ?? family) === family)
    .flatMap(({ segments }) => segments)
    .flatMap(({ narrows }) => (narrows?.of === parameter ? [narrows] : []));
  const [first] = bands.flatMap(({ bands: each, unit }) => Object.values(each).map((text) => ({ text, unit })));
  if (!first) return undefined;
  const [low = 0, high = 0] = first.text.split(' to ').map((text) => toInside(Number(text), first.unit));
  return high - low;
}

/** Whether what it was measured with tells its classes at all. */
function toolTells(workshop: Holdings, part: Part, id: string): Sentence | undefined {
  const step = classWidth(workshop, part, id);
  const at = part.values[id]?.source === 'measured' ? (part.values[id].at ?? []) : [];
  const coarsest = Math.max(0, ...at.map(({ interval }) => width(interval)));
  if (step === undefined || coarsest <= step * 2) return undefined;
  return sentence`Its classes are ${figure(step)} wide, and what it was measured with is good to ${figure(coarsest / 2)} either way: take a micrometer.`;
}

const sizeAt = (parts: readonly { readonly measured: Part; readonly marked: Part }[], id: string, at: number) => {
  const of = (part: Part): Interval | undefined => {
    const value = part.values[id];
    if (!value) return undefined;
    // Where places were measured one by one, another that was not is not known.
    if (value.at) return value.at.find(({ position }) => position === at)?.interval;
    return value.positions?.[at - 1] ?? value.interval;
  };
  const [one] = parts;
  if (!one) return {};
  const [measured, marked] = [one.measured.values[id], one.marked.values[id]];
  return {
    ...(measured?.source === 'measured' && of(one.measured) ? { measured: of(one.measured) } : {}),
    ...(marked?.source === 'marked' && of(one.marked) ? { marked: of(one.marked) } : {}),
    ...(marked && marked.source !== 'marked' && of(one.marked) ? { made: of(one.marked) } : {}),
  } as BearingPlace['housing'];
};

/** A part as it is, by what was measured on it and nothing else, and by its marks. */
function bothWays(workshop: Holdings, specimen: Specimen) {
  const by = (readings: (reading: Reading['is']) => boolean): Part =>
    partFromShelf(
      workshop.catalogue,
      byReadings(specimen, readings),
      workshop.takenFor(specimen),
      workshop.identifyOptions.drawer,
    );
  return {
    whole: partOf(workshop, specimen),
    measured: by(({ sort }) => sort !== 'mark'),
    marked: by(({ sort }) => sort !== 'size'),
  };
}

/** Widths of the crush strip that lay on a journal, at its ends. */
function stripAt(shaft: Part, id: string, position: number): Pick<BearingPlace, 'strip'> {
  const here = shaft.values[id]?.at?.find((each) => each.position === position);
  return here ? { strip: here.spots ? here.spots.map(({ interval }) => interval) : [here.interval] } : {};
}

/** The marks that were read on a part, or looked for in vain. */
const marksRead = ({ readings }: Specimen): readonly MarkRead[] =>
  readings.flatMap(({ is }) => (is.sort === 'mark' ? [is] : []));

export const fitShells: Answering<'fitShells'> = (workshop, request) => shellsAsked(workshop, request);

/** Shells place by place, as the core has them, and the kinds of part without which nothing can be told. */
export function shellsAsked(
  workshop: Holdings,
  { bearing, specimens = [], variant, mixed, strip }: Omit<Requests['fitShells'], 'jobId' | 'units'>,
): { readonly missing: readonly KindId[]; readonly places: ReturnType<typeof shellsByPlace> } {
  const of = (kind: KindId) => specimens.filter((each) => each.kind === kind).map((each) => bothWays(workshop, each));
  const from = (kind: KindId) => {
    const part =
      variant === undefined
        ? undefined
        : workshop.partsOfVariant(variant).find((each) => each.part.kind === kind)?.part;
    return part ? [{ whole: part, measured: part, marked: part }] : [];
  };
  const held = (kind: KindId) => (of(kind).length > 0 ? of(kind) : from(kind));
  const [cranks, blocks, rods] = [held('crank'), held('block'), held('rod')];
  const plain = bearing === 'mains' ? MAIN_BEARING : ROD_BEARING;
  const housings = bearing === 'mains' ? blocks : rods;
  const [shaft] = cranks;
  const missing: KindId[] = [
    ...(shaft ? [] : ['crank' as const]),
    ...(housings.length > 0 ? [] : [bearing === 'mains' ? ('block' as const) : ('rod' as const)]),
  ];
  if (!shaft || missing.length > 0) return { missing, places: [] };
  const count = (id: string, part: Part, usual: number) => {
    const told = Number(part.looks[id]?.option);
    return Number.isInteger(told) && told > 0 ? told : usual;
  };
  const rodsPerPin = count(crank.features.rodsPerPin.id, shaft.whole, 1);
  const places =
    bearing === 'mains'
      ? count(crank.features.mainCount.id, shaft.whole, 5)
      : rods.length > 1
        ? rods.length
        : count(crank.features.crankpins.id, shaft.whole, 4) * rodsPerPin;
  const marked = (kind: KindId): readonly MarkedParts[] => {
    const parts = specimens.filter((each) => each.kind === kind);
    const [first] = parts;
    if (!first) return [];
    const family = workshop.catalogue.pattern(workshop.takenFor(first) ?? '')?.family;
    return [{ kind, family, marks: parts.map(marksRead) }];
  };
  const tables = shellTables(
    workshop.catalogue.catalogue.schemes,
    (['crank', 'block', 'rod'] as const).flatMap(marked),
    new Set(workshop.catalogue.ofKind(plain.shell).map(({ id }) => id)),
  );
  const tableAt = (position: number, pin: number): Pick<BearingPlace, 'table'> => {
    for (const { name, at } of tables) {
      const gives = at((kind) => (kind === 'crank' ? pin : position));
      if (gives.length > 0) return { table: { name, gives } };
    }
    return {};
  };
  const rows = Array.from({ length: Math.min(places, 16) }, (_, index): BearingPlace => {
    const position = index + 1;
    const pin = bearing === 'mains' ? position : Math.ceil(position / rodsPerPin);
    const housing = bearing === 'mains' || housings.length === 1 ? housings : housings.slice(index, index + 1);
    return {
      position,
      housing: sizeAt(housing, plain.housing.id, bearing === 'mains' ? position : 1),
      journal: sizeAt([shaft], plain.journal.id, pin),
      ...tableAt(position, pin),
      ...stripAt(
        shaft.measured,
        bearing === 'mains' ? crank.parameters['mainJournal.strip'].id : crank.parameters['crankpin.strip'].id,
        pin,
      ),
    };
  });
  const [housing] = housings;
  const sleeve = STRIPS.find(({ id }) => id === strip);
  return {
    missing: [],
    places: shellsByPlace({
      bearing: plain,
      parts: {
        crank: shaft.whole,
        ...(housing ? { [housing.whole.kind]: housing.whole } : {}),
        // The clearance of the mains stands on the block.
        ...(bearing === 'bigEnds' && blocks[0] ? { block: blocks[0].whole } : {}),
      },
      stock: workshop.swapContext.stock,
      rules: workshop.swapContext.rules,
      places: rows,
      ...(mixed === undefined ? {} : { mixed }),
      ...(sleeve ? { strip: sleeve } : {}),
    }),
  };
}

/** Sheets of cylinders, by the kind of part that has them. */
const BORES = { block: block.parameters.bore.id, liner: liner.parameters.bore.id } as const;

/** Which piston goes into which bore of a block; nothing where not every bore, or too few skirts, were measured. */
function seating(workshop: Holdings, holes: Part, pistons: readonly Specimen[]) {
  const { bore } = block.parameters;
  const count = Number(holes.looks[block.features.cylinders.id]?.option);
  const at = [...(holes.values[bore.id]?.at ?? [])].sort((a, b) => a.position - b.position);
  const measured = pistons.flatMap((specimen) => {
    const part = partOf(workshop, specimen);
    const skirt = part.values[piston.parameters['skirt.diameter'].id];
    return skirt?.source === 'measured' ? [{ specimen, part, skirt: skirt.interval }] : [];
  });
  const [first] = measured;
  const complete = at.length > 0 && at.every(({ position }, index) => position === index + 1);
  if (!first || !complete || (Number.isInteger(count) && at.length < count) || measured.length < at.length)
    return undefined;
  const rules = workshop.identifyOptions.rules ?? {};
  const bores = at.map(({ interval }) => interval);
  const assembly = { parts: { block: holes, piston: first.part }, replaced: {}, stock: {}, rules };
  const wanted = requiredSkirt(assembly, bore, bores[0] ?? first.skirt).band;
  const { seated, spread } = selectFit(
    bores,
    measured.map(({ skirt }) => skirt),
    wanted,
    rules,
  );
  return {
    wanted,
    spread,
    seated: seated.map(({ piston: which, ...each }, row) => ({
      ...each,
      bore: bores[row] ?? first.skirt,
      piston: measured[which]?.specimen.id ?? '',
      name: measured[which]?.specimen.name ?? '',
    })),
  };
}

export const fitBores: Answering<'fitBores'> = (workshop, { specimen, variant, pistons = [] }) => {
  if (!specimen || (specimen.kind !== 'block' && specimen.kind !== 'liner'))
    throw new DataError('There are no cylinders to look at.', [
      { where: 'body.specimen', what: 'send along a block or a liner, or name one that is stored.' },
    ]);
  const layout = sheetFor(BORES[specimen.kind]);
  const pattern = workshop.catalogue.pattern(workshop.takenFor(specimen) ?? '');
  const part = bothWays(workshop, specimen).whole;
  const { rules = {} } = workshop.identifyOptions;
  const sheet = layout && judgeSheet(layout, bothWays(workshop, specimen).measured, pattern, rules);
  const measured = (sheet?.places ?? []).length > 0;
  const sound = measured && sheet?.places.every(({ verdict }) => verdict !== 'doesNotFit');
  // Of what was not measured every size is reckoned out.
  const cleansUpAt = !measured ? 1 : sound ? 0 : sheet?.cleansUp?.step;
  const [first] = pattern ? workshop.catalogue.fittedIn(pattern.id) : [];
  const id = variant ?? first?.variant.id;
  const placed = id === undefined ? [] : workshop.partsOfVariant(id);
  const of = (kind: KindId) => placed.find((each) => each.part.kind === kind)?.part;
  const counts = countsIn({
    parts: Object.fromEntries(placed.map((each) => [each.part.kind, each.part])),
    replaced: {},
    stock: workshop.swapContext.stock,
    rules,
  });
  const [own, rings, sleeve, gasket] = [of('piston'), of('rings'), of('liner'), of('headGasket')];
  const seats = specimen.kind === 'block' ? seating(workshop, part, pistons) : undefined;
  return {
    ...(id === undefined ? {} : { engine: workshop.catalogue.variantLabel(id) }),
    ...(seats ? { seating: seats } : {}),
    measured,
    ...(cleansUpAt === undefined || !measured ? {} : { cleansUpAt }),
    ways: boreWays(part, {
      rules,
      cleansUpAt,
      counts,
      ...(own ? { piston: own } : {}),
      ...(rings ? { rings } : {}),
      ...(sleeve ? { liner: sleeve } : {}),
      ...(gasket ? { gasket } : {}),
    }),
    rule:
      HOUSE_RULES.cylinders.choices.find(
        ({ id: choice }) => choice === (rules.cylinders ?? HOUSE_RULES.cylinders.usual),
      )?.name ?? '',
  };
};

/** What a piece is taken to be; what nobody knows is a type of its own. */
const typeOf = (workshop: Holdings, specimen: Specimen): string => workshop.takenFor(specimen) ?? '';

export const fitSets: Answering<'fitSets'> = (workshop, { pool, count, by, partners = [], balance }) => {
  by.forEach(({ of }, at) => parameterAsked(of, `body.by[${at}].of`));
  partners.forEach(({ by: of }, at) => parameterAsked(of, `body.partners[${at}].by`));
  const named = new Map(pool.map((each) => [each.id, each]));
  const figuresOf = (specimen: Specimen, ids: readonly string[]): readonly (number | undefined)[] => {
    const part = partOf(workshop, specimen);
    return ids.map((id) => {
      const value = part.values[id];
      return value?.source === 'measured' ? middle(value.interval) : undefined;
    });
  };
  const ids = by.map(({ of }) => of);
  const all = pool.map((specimen) => ({
    specimen,
    type: typeOf(workshop, specimen),
    figures: figuresOf(specimen, ids),
  }));
  const unmeasured = all.filter(({ figures }) => figures.some((each) => each === undefined));
  const types = new Map<string, typeof all>();
  for (const each of all) if (!unmeasured.includes(each)) types.set(each.type, [...(types.get(each.type) ?? []), each]);
  const allowed = by.map((each) => each.allowed);
  const piecesOf = (list: typeof all): readonly Piece[] =>
    list.map(({ specimen, figures }) => ({ id: specimen.id, figures: figures.map((each) => each ?? 0) }));
  // One type only goes into one engine: each makes its own best set.
  const sets = [...types].flatMap(([type, list]) => {
    const best = closestSet(piecesOf(list), count, allowed);
    return best ? [{ type, list, best }] : [];
  });
  const [found] = sets.sort((a, b) => a.best.cost - b.best.cost);
  const label = (type: string) => (type === '' ? 'not known' : workshop.catalogue.label(type));
  const told = [...types].map(([type, list]) => ({ name: label(type), count: list.length }));
  const left = (chosen: readonly string[], type?: string) =>
    all.flatMap(({ specimen, type: own, figures }) => {
      if (chosen.includes(specimen.id)) return [];
      const lacking = ids.filter((_, at) => figures[at] === undefined).map((id) => parameterOf(id).name.toLowerCase());
      const why =
        lacking.length > 0
          ? `not measured: ${lacking.join(', ')}`
          : type !== undefined && own !== type
            ? 'another type'
            : 'farther from the others';
      return [{ id: specimen.id, name: specimen.name, why }];
    });
  if (!found) {
    const most = Math.max(0, ...[...types.values()].map((list) => list.length));
    return {
      types: told,
      chosen: [],
      spreads: [],
      within: false,
      left: left([]),
      throws: [],
      says: [
        `There is no set of ${count}: ${most === 0 ? 'none of these is measured' : `the most of one type that are measured are ${most}`}. Measure more, or find more.`,
      ],
    };
  }
  const { type, list, best } = found;
  const next = nextBestSet(piecesOf(list), count, allowed, best);
  const pieces = best.chosen.flatMap((id) => all.find(({ specimen }) => specimen.id === id) ?? []);
  const isWeight = parameterOf(ids[0] ?? '').quantity === 'mass';
  const weights = pieces.map(({ figures }) => figures[0] ?? 0);
  const off = isWeight ? toTakeOff(weights, allowed[0] ?? 0) : weights.map(() => 0);
  const within = best.spreads.every((spread, at) => spread <= (allowed[at] ?? 0));
  const ofThrows = throwsOf(workshop, pieces, partners, ids[0] ?? '');
  const chosen = [...pieces.map(({ specimen }) => specimen), ...partners.flatMap(({ specimens }) => specimens)];
  const bobweight = balance && bobweightOf(workshop, chosen, balance);
  return {
    types: told,
    chosen: pieces.map(({ specimen, figures }, at) => ({
      id: specimen.id,
      name: specimen.name,
      figures: figures.map((each) => each ?? null),
      takeOff: off[at] ?? 0,
    })),
    spreads: best.spreads,
    within,
    ...(next
      ? {
          next: {
            without: best.chosen.filter((id) => !next.chosen.includes(id)).map((id) => named.get(id)?.name ?? id),
            spreads: next.spreads,
          },
        }
      : {}),
    left: left(best.chosen, type),
    ...ofThrows,
    ...(bobweight ? { bobweight } : {}),
    says: [
      `${counted(count, 'piece', 'pieces')} of ${label(type)}, the closest of ${list.length}; no other ${count} lie closer together.`,
    ],
  };

  function parameterAsked(id: string, where: string): void {
    const kind = id.slice(0, id.indexOf('.'));
    const known =
      Object.hasOwn(KINDS, kind) && Object.values(KINDS[kind as KindId].parameters).some((each) => each.id === id);
    if (!known) throw new DataError('There is no such size.', [{ where, what: `the dictionary has no "${id}".` }]);
  }
};

type Partners = NonNullable<Requests['fitSets']['partners']>;

/** Weights of pieces as measured; nothing where one was not weighed. */
function weightsOf(workshop: Holdings, specimens: readonly Specimen[], id: string): readonly number[] | undefined {
  const weights = specimens.flatMap((specimen) => {
    const value = partOf(workshop, specimen).values[id];
    return value?.source === 'measured' ? [middle(value.interval)] : [];
  });
  return weights.length === specimens.length && weights.length > 0 ? weights : undefined;
}

/** Which goes with which, so that their weights together are as alike as can be. */
function throwsOf(
  workshop: Holdings,
  pieces: readonly { readonly specimen: Specimen; readonly figures: readonly (number | undefined)[] }[],
  partners: Partners,
  weight: string,
) {
  const { quantity } = parameterOf(weight);
  const weighed = partners.flatMap(({ specimens, by }) => {
    // Weights go with weights, heights with heights.
    const weights =
      specimens.length === pieces.length && parameterOf(by).quantity === quantity
        ? weightsOf(workshop, specimens, by)
        : undefined;
    return weights ? [{ specimens, weights }] : [];
  });
  if (weighed.length === 0) return { throws: [] };
  const lists = [
    ...weighed,
    { specimens: pieces.map(({ specimen }) => specimen), weights: pieces.map(({ figures }) => figures[0] ?? 0) },
  ];
  const { order, low, high, proved } = alikeThrows(lists.map(({ weights }) => weights));
  return {
    throws: pieces.map((_, row) => {
      const own = lists.map(({ specimens, weights }, list) => {
        const at = order[list]?.[row] ?? 0;
        return { name: specimens[at]?.name ?? '', weight: weights[at] ?? 0 };
      });
      return {
        cylinder: row + 1,
        pieces: own.map(({ name }) => name),
        sum: own.reduce((sum, each) => sum + each.weight, 0),
      };
    }),
    throwsSpread: high - low,
    throwsProved: proved,
  };
}

/** What is hung on a crankpin to balance the crank, of pistons, pins and rods whose ends were weighed. Grams. */
function bobweightOf(
  workshop: Holdings,
  specimens: readonly Specimen[],
  { factor, rods }: NonNullable<Requests['fitSets']['balance']>,
) {
  const mean = (kind: KindId, id: string): number | undefined => {
    const weights = weightsOf(
      workshop,
      specimens.filter((each) => each.kind === kind),
      id,
    );
    return weights && weights.reduce((sum, each) => sum + each, 0) / weights.length;
  };
  const [pistons, pins] = [mean('piston', piston.parameters.mass.id), mean('pin', pin.parameters.mass.id)];
  const [small, big] = [mean('rod', rod.parameters['mass.smallEnd'].id), mean('rod', rod.parameters['mass.bigEnd'].id)];
  if (pistons === undefined || pins === undefined || small === undefined || big === undefined) return undefined;
  const reciprocating = pistons + pins + small;
  return { reciprocating, rotating: big, weight: rods * (big + factor * reciprocating) };
}

import type { Requests } from '../../contract/index.js';
import { KINDS, parameterOf, type KindId } from '../../dictionary/dictionary.js';
import { alikeThrows, nextBestSet, setsOfTypes, toComeOff, type Piece } from '../../fit/index.js';
import { DataError } from '../../formats/index.js';
import { pin } from '../../dictionary/kinds/pin.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { middle } from '../../quantity/interval.js';
import { counted, listed } from '../../quantity/phrase.js';
import type { Specimen } from '../../readings/reading.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { partOf } from './measuredPart.js';

/** What a piece is taken to be; what nobody knows is a type of its own. */
const typeOf = (workshop: KeptCatalogue, specimen: Specimen): string => workshop.takenFor(specimen) ?? '';

/** Why there are no such sets, by how many were measured of each type. */
function sayNone(count: number, engines: number, measured: readonly number[]): string {
  const none = engines === 1 ? `There is no set of ${count}` : `There are no ${engines} sets of ${count}`;
  const why =
    measured.length === 0
      ? 'none of these is measured'
      : engines === 1
        ? `the most of one type that are measured are ${Math.max(...measured)}`
        : `of one type are measured ${listed(measured.map(String))}`;
  return `${none}: ${why}. Measure more, or find more.`;
}

export const fitSets: Answering<'fitSets'> = (workshop, { pool, count, engines = 1, by, partners = [], balance }) => {
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
  const found = setsOfTypes(
    [...types].map(([type, list]) => ({ type, pieces: piecesOf(list) })),
    count,
    engines,
    allowed,
  );
  const label = (type: string) => (type === '' ? 'not known' : workshop.catalogue.label(type));
  const told = [...types].map(([type, list]) => ({ name: label(type), count: list.length }));
  const taken = found?.sets.flatMap(({ chosen }) => chosen) ?? [];
  const left = all.flatMap(({ specimen, type, figures }) => {
    if (taken.includes(specimen.id)) return [];
    const lacking = ids.filter((_, at) => figures[at] === undefined).map((id) => parameterOf(id).name.toLowerCase());
    const why =
      lacking.length > 0
        ? `not measured: ${lacking.join(', ')}`
        : found?.sets.every((set) => set.type !== type)
          ? 'another type'
          : 'farther from the others';
    return [{ id: specimen.id, name: specimen.name, why }];
  });
  const [first] = found?.sets ?? [];
  if (!found || !first)
    return {
      types: told,
      sets: [],
      left,
      throws: [],
      says: [
        sayNone(
          count,
          engines,
          told.map(({ count: many }) => many),
        ),
      ],
    };
  const sets = found.sets.map(({ type, chosen, spreads }) => {
    // In the order they were laid down, which is how one looks for them.
    const pieces = all.filter(({ specimen }) => chosen.includes(specimen.id));
    const off = by.map(({ of, allowed: most }, index) =>
      parameterOf(of).quantity === 'mass'
        ? toComeOff(
            of,
            pieces.map(({ figures }) => figures[index] ?? 0),
            most,
          )
        : [],
    );
    return {
      of: label(type),
      chosen: pieces.map(({ specimen, figures }, at) => ({
        id: specimen.id,
        name: specimen.name,
        figures: figures.map((each) => each ?? null),
        comesOff: off.flatMap((each) => each[at] ?? []),
      })),
      spreads,
      within: spreads.every((spread, at) => spread <= (allowed[at] ?? 0)),
    };
  });
  const poolOfFirst = types.get(first.type) ?? [];
  if (engines > 1)
    return {
      types: told,
      sets,
      left,
      throws: [],
      says: [
        `${engines} sets of ${count}, no piece in two of them.`,
        found.proved
          ? 'No others spread less in sum.'
          : 'The search was stopped: there may be some that spread less in sum.',
      ],
    };
  const next = nextBestSet(piecesOf(poolOfFirst), count, allowed, first);
  const pieces = all.filter(({ specimen }) => first.chosen.includes(specimen.id));
  const ofThrows = throwsOf(workshop, pieces, partners, ids[0] ?? '');
  const chosen = [...pieces.map(({ specimen }) => specimen), ...partners.flatMap(({ specimens }) => specimens)];
  const bobweight = balance && bobweightOf(workshop, chosen, balance);
  return {
    types: told,
    sets,
    ...(next
      ? {
          next: {
            without: first.chosen.filter((id) => !next.chosen.includes(id)).map((id) => named.get(id)?.name ?? id),
            spreads: next.spreads,
          },
        }
      : {}),
    left,
    ...ofThrows,
    ...(bobweight ? { bobweight } : {}),
    says: [
      `${counted(count, 'piece', 'pieces')} of ${label(first.type)}, the closest of ${poolOfFirst.length}; no other ${count} lie closer together.`,
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
function weightsOf(workshop: KeptCatalogue, specimens: readonly Specimen[], id: string): readonly number[] | undefined {
  const weights = specimens.flatMap((specimen) => {
    const value = partOf(workshop, specimen).values[id];
    return value?.source === 'measured' ? [middle(value.interval)] : [];
  });
  return weights.length === specimens.length && weights.length > 0 ? weights : undefined;
}

/** Which goes with which, so that their weights together are as alike as can be. */
function throwsOf(
  workshop: KeptCatalogue,
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
  workshop: KeptCatalogue,
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

import type { Part } from '../../catalogue/part.js';
import { shellTables, type MarkedParts, type MarkRead } from '../../catalogue/shellTable.js';
import type { Requests } from '../../contract/index.js';
import type { KindId } from '../../dictionary/dictionary.js';
import { shellsByPlace, STRIPS, type BearingPlace } from '../../fit/index.js';
import { MAIN_BEARING, ROD_BEARING } from '../../joints/index.js';
import { crank } from '../../dictionary/kinds/crank.js';
import type { Interval } from '../../quantity/interval.js';
import type { Specimen } from '../../readings/reading.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { bothWays, partOf } from './measuredPart.js';

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
  workshop: KeptCatalogue,
  { bearing, specimens = [], variant, mixed, strip, shelf = [] }: Omit<Requests['fitShells'], 'jobId' | 'units'>,
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
      shelf: shelf
        .filter(({ kind }) => kind === plain.shell)
        .map((specimen) => ({ specimen: specimen.id, name: specimen.name, part: partOf(workshop, specimen) })),
    }),
  };
}

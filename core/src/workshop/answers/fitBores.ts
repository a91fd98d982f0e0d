import type { Part } from '../../catalogue/part.js';
import type { KindId } from '../../dictionary/dictionary.js';
import { boreWays, judgeSheet, selectFit, sheetFor } from '../../fit/index.js';
import { DataError } from '../../formats/index.js';
import { requiredSkirt } from '../../joints/cylinders/skirtClearance.js';
import { countsIn } from '../../joints/index.js';
import { HOUSE_RULES } from '../../shop/houseRules.js';
import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { piston } from '../../dictionary/kinds/piston.js';
import type { Specimen } from '../../readings/reading.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { partOf, bothWays } from './measuredPart.js';

/** Sheets of cylinders, by the kind of part that has them. */
const BORES = { block: block.parameters.bore.id, liner: liner.parameters.bore.id } as const;

/** Which piston goes into which bore of a block; nothing where not every bore, or too few skirts, were measured. */
function seating(workshop: KeptCatalogue, holes: Part, pistons: readonly Specimen[]) {
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

export const fitBores: Answering<'fitBores'> = (workshop, { specimen, variant, pistons = [], eachItsOwn }) => {
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
  const bored = (sheet?.places ?? []).map(({ cleansUpAt: own }) => own);
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
      ...(bored.length === counts.cylinder ? { each: bored } : {}),
      ...(eachItsOwn === undefined ? {} : { eachItsOwn }),
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

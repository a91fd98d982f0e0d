import type { Part } from '../../catalogue/part.js';
import { optionOf } from '../../catalogue/value.js';
import { engineVariant } from '../../dictionary/index.js';
import { KINDS } from '../../dictionary/dictionary.js';
import { banksOf, judgeSheet, placesOf, sheetFor } from '../../fit/index.js';
import { DataError } from '../../formats/index.js';
import { width } from '../../quantity/interval.js';
import { sentence, value as figure, type Sentence } from '../../quantity/sentence.js';
import { toInside } from '../../quantity/unit.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { bothWays } from './measuredPart.js';

/** How the cylinders lie in the engines that have a block, where all that have it are alike. */
function arrangementOf({ catalogue }: KeptCatalogue, block: string | undefined): string | undefined {
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
function classWidth(workshop: KeptCatalogue, part: Part, parameter: string): number | undefined {
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
function toolTells(workshop: KeptCatalogue, part: Part, id: string): Sentence | undefined {
  const step = classWidth(workshop, part, id);
  const at = part.values[id]?.source === 'measured' ? (part.values[id].at ?? []) : [];
  const coarsest = Math.max(0, ...at.map(({ interval }) => width(interval)));
  if (step === undefined || coarsest <= step * 2) return undefined;
  return sentence`Its classes are ${figure(step)} wide, and what it was measured with is good to ${figure(coarsest / 2)} either way: take a micrometer.`;
}

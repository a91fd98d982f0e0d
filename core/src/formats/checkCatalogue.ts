import type { Catalogue, RecordOf, RecordType } from '../catalogue/catalogue.js';
import type { Claim } from '../catalogue/claim.js';
import { monthOf, type Dimension, type Years } from '../catalogue/figure.js';
import { LIST_OF, RECORD_NAMES, RECORD_TYPES } from '../catalogue/catalogue.js';
import type { Described, Fitment, Pattern, Variant } from '../catalogue/pattern.js';
import { textsOf } from '../catalogue/classMarks.js';
import { NO_MARK, type Scheme } from '../catalogue/scheme.js';
import { sizeFrom } from '../catalogue/size.js';
import type { Kind } from '../dictionary/definition.js';
import { isOptionOf, KINDS } from '../dictionary/dictionary.js';
import { slotOf } from '../dictionary/slots.js';
import { variant as VARIANT } from '../dictionary/variant.js';
import { showInterval } from '../quantity/format.js';
import { UNITS } from '../quantity/unit.js';
import type { Problem } from './problem.js';

/**
 * What the schema of a catalogue cannot see: names the dictionary does not know, limits in the wrong order, ids used
 * twice, records that are not there. An empty list means the catalogue can be used.
 */
export function checkCatalogue(catalogue: Catalogue): Problem[] {
  const ids = Object.fromEntries(
    RECORD_TYPES.map((type) => [type, new Set<string>(catalogue[LIST_OF[type]].map((record) => record.id))]),
  ) as Record<RecordType, Set<string>>;
  return RECORD_TYPES.flatMap((type) => {
    const seen = new Set<string>();
    return catalogue[LIST_OF[type]].flatMap((record, at) => {
      const where = `${LIST_OF[type]}[${at}] (${record.id})`;
      const twice = seen.has(record.id)
        ? [{ where, what: `this id is used twice; give each ${RECORD_NAMES[type]} its own.` }]
        : [];
      seen.add(record.id);
      const lost = referencesOf(type, record)
        .filter((reference) => !ids[reference.type].has(reference.id))
        .map((reference) => ({ where: `${where}.${reference.where}`, what: missing(reference) }));
      return [...twice, ...checkRecord(type, record, where), ...lost];
    });
  });
}

/** A place in a record that names another record. */
export interface Reference {
  readonly where: string;
  readonly type: RecordType;
  readonly id: string;
}

/** What is said of a reference that leads nowhere. */
export const missing = ({ type, id }: Reference): string =>
  `there is no ${RECORD_NAMES[type]} “${id}”; add it or correct the id.`;

/** Every place in a record that names another record. */
export function referencesOf<T extends RecordType>(type: T, record: RecordOf[T]): Reference[] {
  const found: Reference[] = [];
  const add = (where: string, of: RecordType, id: string | undefined) => {
    if (id !== undefined) found.push({ where, type: of, id });
  };
  const any = record as Partial<RecordOf['maker'] & RecordOf['family'] & Pattern & Variant & Scheme & RecordOf['swap']>;
  add('licensedFrom', 'maker', any.licensedFrom);
  add('maker', 'maker', any.maker);
  add('family', 'family', any.family);
  add('donor', 'pattern', any.donor);
  add('recipient', 'pattern', any.recipient);
  any.numbers?.forEach((number, at) => add(`numbers[${at}].maker`, 'maker', number.maker));
  any.companions?.forEach((companion, at) => add(`companions[${at}].pattern`, 'pattern', companion.pattern));
  add('shellsBy.second', 'scheme', any.shellsBy?.second);
  add('shellsBy.third', 'scheme', any.shellsBy?.third);
  any.shells?.forEach(({ takes, half }, at) => {
    add(`shells[${at}].takes`, 'pattern', takes);
    add(`shells[${at}].half`, 'pattern', half);
  });
  any.fitments?.forEach((fitment, at) => add(`fitments[${at}].pattern`, 'pattern', fitment.pattern));
  return found;
}

/** What is wrong with one record by itself. */
export function checkRecord<T extends RecordType>(type: T, record: RecordOf[T], where: string): Problem[] {
  switch (type) {
    case 'pattern':
      return checkPattern(record as Pattern, where);
    case 'variant':
      return checkVariant(record as Variant, where);
    case 'scheme':
      return checkScheme(record as Scheme, where);
    case 'swap': {
      const { donor, recipient } = record as RecordOf['swap'];
      return donor === recipient ? [{ where, what: 'donor and recipient are the same; name two parts.' }] : [];
    }
    case 'maker':
    case 'family':
      return [];
  }
}

const has = (entries: Readonly<Record<string, { readonly id: string }>>, id: string): boolean =>
  Object.values(entries).some((entry) => entry.id === id);
const find = <T extends { readonly id: string }>(entries: Readonly<Record<string, T>>, id: string): T | undefined =>
  Object.values(entries).find((entry) => entry.id === id);
const article = (kind: Kind): string => `${/^[aeiou]/i.test(kind.name) ? 'an' : 'a'} ${kind.name.toLowerCase()}`;

function checkPattern(pattern: Pattern, where: string): Problem[] {
  const kind = KINDS[pattern.kind];
  return [
    ...checkValues(kind, pattern, where),
    ...checkYears(pattern.years, `${where}.years`),
    ...Object.keys(pattern.interfaces)
      .filter((id) => !has(kind.interfaces, id))
      .map((id) => ({
        where: `${where}.interfaces["${id}"]`,
        what: `${article(kind)} has no such face in the dictionary.`,
      })),
    ...pattern.marks.flatMap((mark, at) =>
      mark.place === undefined || has(kind.markPlaces, mark.place)
        ? []
        : [{ where: `${where}.marks[${at}].place`, what: `${article(kind)} has no mark place "${mark.place}".` }],
    ),
    ...(pattern.companions ?? []).flatMap((companion, at) =>
      companion.pattern === pattern.id
        ? [{ where: `${where}.companions[${at}]`, what: 'a part is no companion of itself; name the other one.' }]
        : [],
    ),
  ];
}

function checkVariant(engine: Variant, where: string): Problem[] {
  return [
    ...checkValues(VARIANT, engine, where),
    ...checkYears(engine.years, `${where}.years`),
    ...(engine.serials ?? []).flatMap(({ from, to }, at) => outOfOrder(from, to, `${where}.serials[${at}]`)),
    ...engine.fitments.flatMap((fitment, at) => checkFitment(fitment, `${where}.fitments[${at}]`)),
  ];
}

function checkFitment({ slot, from, to, serialFrom, serialTo }: Fitment, where: string): Problem[] {
  return [
    ...(slotOf(slot) ? [] : [{ where: `${where}.slot`, what: `an engine has no place called “${slot}”.` }]),
    ...(from !== undefined && to !== undefined ? checkYears({ from, to }, where) : []),
    ...outOfOrder(serialFrom, serialTo, where),
  ];
}

function outOfOrder(from: string | undefined, to: string | undefined, where: string): Problem[] {
  return from !== undefined && to !== undefined && Number(from) > Number(to)
    ? [{ where, what: `the serial ${from} comes after ${to}; exchange them.` }]
    : [];
}

function checkYears(years: Years | undefined, where: string): Problem[] {
  return years?.to !== undefined && monthOf(years.from) > monthOf(years.to, true)
    ? [{ where, what: `it begins in ${years.from} and ends in ${years.to}; exchange them.` }]
    : [];
}

function checkValues(kind: Kind, described: Described, where: string): Problem[] {
  return [
    ...Object.entries(described.dimensions).flatMap(([id, dimension]) =>
      checkDimension(kind, id, dimension, `${where}.dimensions["${id}"]`),
    ),
    ...Object.entries(described.features).flatMap(([id, option]) =>
      checkOption(kind, id, option, `${where}.features["${id}"]`),
    ),
    ...(described.claims ?? []).flatMap((claim, at) => checkClaim(kind, claim, `${where}.claims[${at}]`)),
  ];
}

function checkDimension(kind: Kind, id: string, dimension: Dimension, where: string): Problem[] {
  const parameter = find(kind.parameters, id);
  if (!parameter) return [{ where, what: `${article(kind)} has no such size in the dictionary.` }];
  if (UNITS[dimension.unit].quantity !== parameter.quantity)
    return [
      {
        where,
        what: `${UNITS[dimension.unit].symbol} is no unit of ${parameter.name.toLowerCase()}, a ${parameter.quantity}.`,
      },
    ];
  if (Number(dimension.low) > Number(dimension.high))
    return [{ where, what: `low ${dimension.low} is above high ${dimension.high}; exchange them.` }];
  const { limits } = sizeFrom(dimension, parameter);
  const { low, high } = parameter.plausible;
  if (limits.high >= low && limits.low <= high) return [];
  const range = showInterval(parameter.plausible, parameter.quantity, 'metric');
  return [
    {
      where,
      what: `${dimension.low} ${UNITS[dimension.unit].symbol} is no plausible size: those run from ${range}; check the unit.`,
    },
  ];
}

function checkOption(kind: Kind, id: string, option: string, where: string): Problem[] {
  const feature = find(kind.features, id);
  if (!feature) return [{ where, what: `${article(kind)} has no such look in the dictionary.` }];
  return isOptionOf(feature, option) ? [] : [{ where, what: `"${option}" is not one of its options.` }];
}

function checkClaim(kind: Kind, { about, size, option }: Claim, where: string): Problem[] {
  if (has(kind.parameters, about))
    return size ? checkDimension(kind, about, size, where) : [{ where, what: 'a claim about a size needs a size.' }];
  if (option === undefined) return [{ where, what: 'a claim about a look or a face needs an option.' }];
  return has(kind.interfaces, about) ? [] : checkOption(kind, about, option, where);
}

function checkScheme(scheme: Scheme, where: string): Problem[] {
  return [...checkSegments(scheme, where), ...checkShells(scheme, where)];
}

/** A table of shells is entered by as many marks in every row, and by such as this scheme reads. */
function checkShells({ kinds, place, segments, shells = [], shellsBy }: Scheme, where: string): Problem[] {
  const problems: Problem[] = [];
  if (place !== undefined && !kinds.some((kind) => has(KINDS[kind].markPlaces, place)))
    problems.push({ where: `${where}.place`, what: `none of its kinds of part has a mark place "${place}".` });
  if (shells.length > 0 && !shellsBy)
    problems.push({ where: `${where}.shells`, what: 'say by which second mark the table is entered.' });
  const classes = segments.filter(({ gives }) => gives === 'sizeClass').flatMap(textsOf);
  shells.forEach(({ own, third }, at) => {
    const row = `${where}.shells[${at}]`;
    if (own !== NO_MARK && !classes.includes(own))
      problems.push({ where: `${row}.own`, what: `"${own}" is no class that a segment of this scheme can be.` });
    if ((third !== undefined) !== (shellsBy?.third !== undefined))
      problems.push({
        where: `${row}.third`,
        what:
          third === undefined
            ? 'the table is entered by three marks; give the third.'
            : 'the table has no third mark; say of which scheme it is, or leave it out.',
      });
  });
  return problems;
}

function checkSegments(scheme: Scheme, where: string): Problem[] {
  return scheme.segments.flatMap((segment, at) => {
    const place = `${where}.segments[${at}]`;
    const problems: Problem[] = [];
    if (segment.least > segment.most)
      problems.push({
        where: place,
        what: `it takes at least ${segment.least} and at most ${segment.most} characters; exchange them.`,
      });
    const narrowed =
      segment.narrows && scheme.kinds.every((kind) => !has(KINDS[kind].parameters, segment.narrows?.of ?? ''));
    if (narrowed)
      problems.push({
        where: place,
        what: `none of its kinds of part has a size "${segment.narrows?.of}" in the dictionary.`,
      });
    if (segment.narrows && scheme.kinds.length === 0)
      problems.push({ where: place, what: 'say on which kinds of part such class marks stand.' });
    if (segment.characters === 'exactly' && segment.text === undefined)
      problems.push({ where: place, what: 'say which text stands there.' });
    return problems;
  });
}

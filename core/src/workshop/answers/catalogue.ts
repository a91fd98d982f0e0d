import { AUDIT_RULES, type AuditFinding } from '../../audit/index.js';
import { decode as decodeNumber } from '../../catalogue/scheme.js';
import { compare as compareSubjects, type Subject } from '../../compare/index.js';
import { readBearing, readVehicleNumber } from '../../designations/index.js';
import { DataError } from '../../formats/index.js';
import { confirmedCases, CONTRADICTED_HERE, contradictedHere, measuredHere } from '../../learning/index.js';
import type { Specimen } from '../../readings/reading.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import { UnknownRecordError } from '../refusal.js';
import type { Answering } from './answering.js';

/** Findings of each rule that are told where nothing is said. */
const FINDINGS = 200;

export const search: Answering<'search'> = (workshop, { text, most }) => {
  const found = workshop.search.find(text, most);
  return { ...found, hits: found.hits.map((hit) => ({ ...hit, label: workshop.catalogue.labelOf(hit.type, hit.id) })) };
};

export const audit: Answering<'audit'> = (workshop, { rule, from = 0, most = FINDINGS, specimens = [] }) => {
  const { rules = {} } = workshop.identifyOptions;
  const all = [...AUDIT_RULES, CONTRADICTED_HERE];
  if (rule !== undefined && !all.some(({ id }) => id === rule))
    throw new DataError('There is no such rule.', [
      { where: 'body.rule', what: `the audit has ${all.map(({ id }) => id).join(', ')}.` },
    ]);
  const found = new Map([...workshop.findings(), [CONTRADICTED_HERE.id, measuredOtherwise(workshop, specimens)]]);
  return {
    rules: all.map(({ id, name, checks }) => ({ id, name, checks: checks(rules), count: found.get(id)?.length ?? 0 })),
    findings: all
      .filter(({ id }) => rule === undefined || id === rule)
      .flatMap(({ id }) => (found.get(id) ?? []).slice(from, from + most)),
  };
};

/** What the shop's own confirmed parts contradict. */
const measuredOtherwise = (workshop: KeptCatalogue, specimens: readonly Specimen[]): AuditFinding[] =>
  contradictedHere(measuredHere(confirmedCases(specimens, (kind) => workshop.index(kind), workshop.identifyOptions)));

export const compare: Answering<'compare'> = (workshop, { subjects }) => {
  const asked = subjects.map(({ pattern, variant, specimen, as }, at): Subject => {
    if (pattern !== undefined) return { sort: 'pattern', id: pattern };
    if (variant !== undefined) return { sort: 'variant', id: variant };
    if (specimen === undefined) throw new UnknownRecordError('Each subject names a pattern, a variant or a specimen.');
    if (typeof specimen === 'string')
      throw new UnknownRecordError(
        `body.subjects[${at}].specimen: there is no specimen ${specimen} here: it was never saved, or it was deleted.`,
      );
    return { sort: 'specimen', specimen, ...(as === undefined ? {} : { as }) };
  });
  const { columns, rows } = compareSubjects(workshop.catalogue, asked);
  return {
    columns: columns.map((column) => column.label),
    rows: rows.map(({ id, name, agrees, cells }) => ({
      id,
      name,
      agrees,
      cells: cells.map(({ size, text, judgement, disputed }) => ({
        ...(size ? { low: size.low, high: size.high } : {}),
        ...(text === undefined ? {} : { text }),
        ...(judgement ? { says: judgement.says } : {}),
        ...(disputed ? { disputed } : {}),
      })),
    })),
  };
};

export const decode: Answering<'decode'> = ({ catalogue }, { scheme: given, numbers }) => {
  const scheme = typeof given === 'string' ? catalogue.scheme(given) : given;
  if (!scheme)
    throw new UnknownRecordError(
      `There is no mark scheme “${typeof given === 'string' ? given : given.id}” in the catalogue.`,
    );
  const within = scheme.family === undefined ? undefined : catalogue.yearsOf(scheme.family);
  return numbers.map((number) => {
    const { readings, more, problem } = decodeNumber(scheme, number, within);
    return {
      readings: readings.map((reading) => ({
        says: reading.segments.map(({ segment, text, meaning }) => ({ name: segment.name, text, meaning })),
        years: reading.years,
      })),
      ...(more ? { more } : {}),
      ...(problem === undefined ? {} : { problem }),
      ...(within ? { within } : {}),
    };
  });
};

const VEHICLE = /^[A-Z0-9]{17}$/i;
/** Shorter than this everything is a number of some scheme. */
const SHORTEST = 3;
/** More schemes than this say nothing more to a person. */
const MOST_SAID = 20;

export const readNumber: Answering<'readNumber'> = ({ catalogue }, { number: text }) => {
  const number = text.trim();
  const says: { by: string; says: string }[] = [];
  if (number.length < SHORTEST || !/\d/.test(number)) return { says };
  const tried = (by: string, read: () => string | undefined) => {
    try {
      const said = read();
      if (said !== undefined) says.push({ by, says: said });
    } catch {
      // Not such a number.
    }
  };
  tried('Rolling bearing:', () =>
    readBearing(number)
      .says.map((each) => each.says)
      .join('; '),
  );
  if (VEHICLE.test(number)) tried('Vehicle number:', () => readVehicleNumber(number).says);
  // Only numbers with letters: a bare figure is a size.
  if (!/[A-Z]/i.test(number) || number.length > 60) return { says };
  for (const scheme of catalogue.catalogue.schemes) {
    if (says.length >= MOST_SAID) break;
    const { readings } = decodeNumber(
      scheme,
      number,
      scheme.family === undefined ? undefined : catalogue.yearsOf(scheme.family),
    );
    const [reading] = readings;
    if (!reading) continue;
    const segments = reading.segments
      .map(({ segment, meaning }) => `${segment.name.toLowerCase()} ${meaning}`)
      .join(', ');
    says.push({
      by: `${scheme.name}:`,
      says: reading.years.length === 0 ? segments : `${segments}; ${reading.years.join(' or ')}`,
    });
  }
  return { says };
};

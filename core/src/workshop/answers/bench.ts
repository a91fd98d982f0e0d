import { sayYears } from '../../catalogue/figure.js';
import type { CatalogueLookup } from '../../catalogue/lookup.js';
import type { AdviceTold, CheckTold, LineUpTold } from '../../contract/index.js';
import { identifyEngine, type PartInEngine } from '../../engine/index.js';
import { KINDS } from '../../dictionary/dictionary.js';
import { checkReadings, DataError } from '../../formats/index.js';
import {
  advise,
  calculationOf,
  checkKey,
  kindsMeant as kindsOfWords,
  sayStatus,
  type Advice,
  type Advised,
  type LineUp,
} from '../../identify/index.js';
import { readEntry, readingTold, type Understood } from '../../readings/index.js';
import type { Answering } from './answering.js';

/** How candidates of a line-up are called. */
interface Naming {
  readonly label: (id: string) => string;
  readonly name: (id: string) => string;
  readonly under: (id: string) => string;
}

const patternNaming = (catalogue: CatalogueLookup): Naming => ({
  label: (id) => catalogue.label(id),
  name: (id) => catalogue.pattern(id)?.name ?? id,
  under: (id) => {
    const pattern = catalogue.pattern(id);
    return [
      ...(pattern?.family === undefined ? [] : [catalogue.familyLabel(pattern.family)]),
      ...(pattern?.years ? [sayYears(pattern.years)] : []),
    ].join(', ');
  },
});

const variantNaming = (catalogue: CatalogueLookup): Naming => ({
  label: (id) => catalogue.variantLabel(id),
  name: (id) => catalogue.variantLabel(id),
  under: (id) => {
    const variant = catalogue.variant(id);
    return [...(variant?.years ? [sayYears(variant.years)] : []), ...(variant?.rating ? [variant.rating] : [])].join(
      ', ',
    );
  },
});

function lineUpTold(lineUp: LineUp, { label, name, under }: Naming, readings: readonly Understood[]): LineUpTold {
  return {
    ...lineUp,
    says: sayStatus(lineUp, label),
    candidates: lineUp.candidates.map((each) => ({
      ...each,
      label: label(each.pattern),
      name: name(each.pattern),
      under: under(each.pattern),
    })),
    readings: readings.map((is) => readingTold(is, lineUp.kind)),
  };
}

const checkTold = ({ tool, answers, drawing, ...check }: Advised): CheckTold => ({
  ...check,
  key: checkKey(check),
  ...(tool ? { instrument: tool.name } : {}),
  ...(answers ? { answers } : {}),
  ...(drawing === undefined ? {} : { drawing }),
});

const adviceTold = ({ uncertainty, checks, plan, separation }: Advice, label: Naming['label']): AdviceTold => ({
  uncertainty,
  checks: checks.map(checkTold),
  plan: plan.map(checkTold),
  ...(separation ? { separation: { ...separation, names: separation.between.map(label) } } : {}),
});

function checked(kind: Parameters<typeof checkReadings>[0], readings: readonly Understood[], where: string) {
  return checkReadings(kind, readings, where);
}

const refuse = (problems: ReturnType<typeof checked>): void => {
  if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
};

export const read: Answering<'read'> = (_workshop, { entry, kind, ...options }) => {
  const understood = readEntry(entry, kind, options);
  const on = understood.kind ?? kind;
  return { kind: on, words: understood.words.map((is) => readingTold(is, on)) };
};

export const kindsMeant: Answering<'kindsMeant'> = (workshop, { entry, usual }) => ({
  kinds: kindsOfWords(entry, (kind) => workshop.identification(kind), usual ? { usual } : {}).map((each) => ({
    ...each,
    name: KINDS[each.kind].name,
  })),
});

export const identify: Answering<'identify'> = (workshop, request) => {
  const { entry, usual, most = 6, state, skipped } = request;
  const keepsKind = (request.readings ?? []).length > 0;
  const typed =
    entry === undefined ? undefined : readEntry(entry, request.kind, { keepsKind, ...(usual ? { usual } : {}) });
  const kind = typed?.kind ?? request.kind;
  const given: readonly Understood[] = request.readings ?? [];
  refuse(checked(kind, given, 'body.readings'));
  const readings = [...given, ...(typed?.words ?? [])];
  const { catalogue, identifyOptions } = workshop;
  const identification = workshop.identification(kind).read(readings);
  const naming = patternNaming(catalogue);
  const advice = advise(identification, {
    readings,
    ...identifyOptions,
    ...(state ? { state } : {}),
    ...(skipped ? { skipped } : {}),
  });
  return { ...lineUpTold(identification.lineUp(most), naming, readings), next: adviceTold(advice, naming.label) };
};

export const calculation: Answering<'calculation'> = (workshop, { kind, readings, pattern, text }) => {
  refuse(checked(kind, readings, 'body.readings'));
  return { steps: calculationOf(workshop.identification(kind).read(readings), pattern, text) };
};

export const engine: Answering<'engine'> = (workshop, { entry, readings = [], specimens }) => {
  const all: readonly Understood[] = [...readings, ...(entry === undefined ? [] : readEntry(entry, 'variant').words)];
  refuse([
    ...checked('variant', readings, 'body.readings'),
    ...specimens.flatMap((specimen, at) =>
      checked(
        specimen.kind,
        specimen.readings.map(({ is }) => is),
        `body.specimens[${at}].readings`,
      ),
    ),
  ]);
  const { catalogue, identifyOptions } = workshop;
  const found = identifyEngine(
    catalogue,
    workshop.engines,
    (kind) => workshop.index(kind),
    all,
    specimens,
    identifyOptions,
  );
  const part = ({ lineUp, belongs, ...rest }: PartInEngine) => {
    const [first] = lineUp.candidates;
    return {
      ...rest,
      status: lineUp.status,
      says: sayStatus(lineUp, (id) => catalogue.label(id)),
      ...(first ? { first: first.pattern } : {}),
      ...(belongs === undefined ? {} : { belongs }),
    };
  };
  return {
    engine: lineUpTold(found.engine, variantNaming(catalogue), all),
    parts: found.parts.map(part),
    alike: found.alike,
    mixed: found.mixed,
  };
};

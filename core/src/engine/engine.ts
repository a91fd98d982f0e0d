import type { CatalogueLookup } from '../catalogue/lookup.js';
import { SLOTS } from '../dictionary/slots.js';
import { KIND_IDS, KINDS, type KindId } from '../dictionary/dictionary.js';
import { ASSUMED, STRONG_CONTRADICTION } from '../identify/assumptions.js';
import { Identification, type CatalogueIndex, type IdentifyOptions, type LineUp } from '../identify/index.js';
import { fixed, type Weighed } from '../identify/weigh/weighed.js';
import type { Sentence } from '../quantity/sentence.js';
import type { Specimen, Understood } from '../readings/reading.js';
import type { PartInEngine } from './part.js';
import { ENGINE_RULES, type EngineFinding } from './rules/index.js';

interface EngineLineUp {
  /** Engine variants, likeliest first, with every part as a piece of evidence. */
  readonly engine: LineUp;
  readonly parts: readonly PartInEngine[];
  /** Parts that speak against each other, whatever engine it is. */
  readonly mixed: readonly EngineFinding[];
}

/** Below this probability a part is said not to belong. */
export const FOREIGN_BELOW = 0.05;

interface Weighing {
  readonly specimen: Specimen;
  readonly kind: KindId;
  readonly identification: Identification;
  /**
   * By variant row: ln P(readings | it came with this engine) - ln P(readings | any part); undefined where none is
   * recorded.
   */
  readonly fits: readonly (number | undefined)[];
}

/** The patterns that a variant carries of a kind, each with its share. */
function carried(
  catalogue: CatalogueLookup,
  variant: string,
  kind: KindId,
): readonly { readonly pattern: string; readonly share: number }[] {
  const slots = new Set(SLOTS.filter((slot) => slot.kind === kind).map(({ id }) => id));
  return (catalogue.variant(variant)?.fitments ?? [])
    .filter(({ slot }) => slots.has(slot))
    .map(({ pattern, share = 1 }) => ({ pattern, share }));
}

function weighPart(
  catalogue: CatalogueLookup,
  engines: CatalogueIndex,
  index: CatalogueIndex,
  specimen: Specimen,
  identifyOptions: IdentifyOptions,
): Weighing {
  const identification = new Identification(index, identifyOptions).read(specimen.readings.map(({ is }) => is));
  const rowOf = new Map(index.patterns.map((id, row) => [id, row]));
  const nothing = ASSUMED.notInCatalogue;
  let sum = 0;
  for (let row = 0; row < index.patterns.length; row++) sum += Math.exp(identification.scoreOf(row));
  const any = Math.log(((1 - nothing) * sum) / Math.max(1, index.patterns.length) + nothing);
  const fits = engines.patterns.map((variant) => {
    const parts = carried(catalogue, variant, specimen.kind);
    const shares = parts.reduce((total, { share }) => total + share, 0);
    if (shares === 0) return undefined;
    const mean = parts.reduce(
      (total, { pattern, share }) =>
        total + (share / shares) * Math.exp(identification.scoreOf(rowOf.get(pattern) ?? -1)),
      0,
    );
    return Math.log(mean) - any;
  });
  return { specimen, kind: specimen.kind, identification, fits };
}

/** ln of how much likelier the readings are if the engine is this one: the part is original, or came from anywhere. */
const ratioOf = (fit: number | undefined): number =>
  fit === undefined ? 0 : Math.log(ASSUMED.original * Math.exp(Math.min(fit, 600)) + (1 - ASSUMED.original));

/**
 * Identifies an engine from its parts together, what is claimed of it, and what is seen of it whole. Each part is
 * either what the engine carried from the first, or came from elsewhere; the variants that explain the most parts come
 * first, and the parts they leave unexplained do not belong.
 *
 * @param indexOf the patterns of a kind, laid out
 */
export function identifyEngine(
  catalogue: CatalogueLookup,
  engines: CatalogueIndex,
  indexOf: (kind: KindId) => CatalogueIndex,
  readings: readonly Understood[],
  specimens: readonly Specimen[],
  identifyOptions: IdentifyOptions = {},
): EngineLineUp {
  const inOrder = [...specimens].sort((a, b) => (a.id < b.id ? -1 : 1));
  const weighings = inOrder.map((specimen) =>
    weighPart(catalogue, engines, indexOf(specimen.kind), specimen, identifyOptions),
  );
  const evidence = new Map(
    weighings
      .filter(({ identification }) => identification.weighed.length > 0)
      .map((weighing): [string, Weighed] => [
        `5 part ${weighing.specimen.id}`,
        asEvidence(catalogue, engines, weighing),
      ]),
  );
  const engine = new Identification(engines, identifyOptions).read(readings, evidence).lineUp(6);
  const likely =
    engine.status === 'nothingFits' || engine.status === 'sister' || engine.status === 'noEvidence'
      ? []
      : engine.candidates.map(({ pattern, probability }) => ({ row: engines.patterns.indexOf(pattern), probability }));
  const parts = weighings.map((weighing) => partIn(catalogue, weighing, likely, engines)).sort(inAssembly);
  return {
    engine,
    parts,
    mixed: mixedIn(catalogue, parts, specimens, identifyOptions),
  };
}

const KIND_ORDER = new Map(KIND_IDS.map((kind, at) => [kind, at]));

/** Parts in the order of assembly, of one kind by name. */
const inAssembly = (a: PartInEngine, b: PartInEngine): number =>
  (KIND_ORDER.get(a.kind) ?? 0) - (KIND_ORDER.get(b.kind) ?? 0) ||
  a.name.localeCompare(b.name, 'en', { numeric: true }) ||
  (a.specimen < b.specimen ? -1 : 1);

interface Likely {
  readonly row: number;
  readonly probability: number;
}

function asEvidence(catalogue: CatalogueLookup, engines: CatalogueIndex, weighing: Weighing): Weighed {
  const { specimen, fits } = weighing;
  return {
    form: 'all',
    byRow: Int32Array.from(fits, (fit) => fixed(ratioOf(fit))),
    evidence: {
      sort: 'part',
      text: specimen.name,
      say: (row) => reasonAt(catalogue, engines.patterns[row] ?? '', weighing, row),
    },
  };
}

function reasonAt(
  catalogue: CatalogueLookup,
  variant: string,
  { specimen, identification, fits }: Weighing,
  row: number,
): Sentence {
  const kind = KINDS[specimen.kind].name.toLowerCase();
  const parts = carried(catalogue, variant, specimen.kind);
  if (parts.length === 0) return [`Which ${kind} it carries is not recorded, so it counts neither way.`];
  const first = identification.lineUp(1).candidates[0]?.pattern;
  const names = parts.map(({ pattern }) => catalogue.label(pattern)).join(' or ');
  if (first !== undefined && parts.some(({ pattern }) => pattern === first))
    return [`It carries the ${catalogue.label(first)}, which this is.`];
  return (fits[row] ?? 0) > 0
    ? [`It carries the ${names}, which this may be.`]
    : [`It carries the ${names}; this ${kind} is none of those.`];
}

/** Probability that a part came with the engine, over the engines it may be; undefined where none of them tells. */
function belonging(fits: Weighing['fits'], likely: readonly Likely[]): number | undefined {
  let [sum, weight] = [0, 0];
  for (const { row, probability } of likely) {
    const fit = fits[row];
    if (fit === undefined) continue;
    const ratio = Math.exp(Math.min(600, fit));
    sum += (probability * ASSUMED.original * ratio) / (ASSUMED.original * ratio + 1 - ASSUMED.original);
    weight += probability;
  }
  return weight > 0 ? sum / weight : undefined;
}

function partIn(
  catalogue: CatalogueLookup,
  weighing: Weighing,
  likely: readonly Likely[],
  engines: CatalogueIndex,
): PartInEngine {
  const { specimen, kind, identification, fits } = weighing;
  const lineUp = identification.lineUp(3);
  const row = likely[0]?.row;
  const read = identification.weighed.length > 0;
  const belongs = read ? belonging(fits, likely) : undefined;
  const expected =
    row === undefined ? [] : carried(catalogue, engines.patterns[row] ?? '', kind).map(({ pattern }) => pattern);
  const base = { specimen: specimen.id, name: specimen.name, kind, lineUp, belongs, expected };
  if (row === undefined)
    return { ...base, because: ['Which engine it is stands open, so nothing can be said of the part in it.'] };
  if (!read) return { ...base, because: ['Nothing was read on it yet.'] };
  if (belongs !== undefined && belongs < FOREIGN_BELOW)
    return { ...base, because: foreignBecause(catalogue, weighing, expected) };
  return { ...base, because: reasonAt(catalogue, engines.patterns[row] ?? '', weighing, row) };
}

/** Which reading says that it is none of the patterns expected, and what it is instead. */
function foreignBecause(
  catalogue: CatalogueLookup,
  { identification, specimen }: Weighing,
  expected: readonly string[],
): Sentence {
  const kind = KINDS[specimen.kind].name.toLowerCase();
  const { patterns } = identification.index;
  const rows = expected.map((pattern) => patterns.indexOf(pattern)).filter((row) => row >= 0);
  const [nearest] = rows.sort((a, b) => identification.scoreOf(b) - identification.scoreOf(a));
  const wanted =
    nearest === undefined ? undefined : { pattern: patterns[nearest] ?? '', pulls: identification.pullsOn(nearest) };
  const against = [...(wanted?.pulls ?? [])].sort((a, b) => a.decibans - b.decibans)[0];
  const {
    status,
    candidates: [first],
  } = identification.lineUp(1);
  const instead =
    status === 'nothingFits' || status === 'sister' || !first
      ? ` It is no ${kind} of the catalogue.`
      : ` It is ${status === 'settled' ? '' : 'rather '}the ${catalogue.label(first.pattern)}, which ${sayEngines(catalogue, first.pattern)}.`;
  if (!wanted || !against) return [`This ${kind} is none that the engine carries.${instead}`];
  const clear = against.decibans <= STRONG_CONTRADICTION ? 'is against it' : 'speaks most against it';
  return [
    `The engine carries the ${catalogue.label(wanted.pattern)}, and “${against.text}” ${clear}: `,
    ...against.why,
    instead,
  ];
}

function sayEngines(catalogue: CatalogueLookup, pattern: string): string {
  const names = [...new Set(catalogue.fittedIn(pattern).map(({ variant }) => catalogue.variantLabel(variant.id)))];
  if (names.length === 0) return 'no engine of the catalogue carries';
  return `${names.slice(0, 3).join(', ')}${names.length > 3 ? ` and ${names.length - 3} more` : ''} ${names.length === 1 ? 'carries' : 'carry'}`;
}

function mixedIn(
  catalogue: CatalogueLookup,
  parts: readonly PartInEngine[],
  specimens: readonly Specimen[],
  { rules = {} }: IdentifyOptions,
): EngineFinding[] {
  const read = parts.map((part) => ({
    part,
    readings: specimens.find(({ id }) => id === part.specimen)?.readings.map(({ is }) => is) ?? [],
  }));
  return ENGINE_RULES.flatMap((rule) => rule.find({ catalogue, parts: read }, rules));
}

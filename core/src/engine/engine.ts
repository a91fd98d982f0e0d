import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Variant } from '../catalogue/pattern.js';
import { KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import { Identification, type CatalogueIndex, type IdentifyOptions, type LineUp } from '../identify/index.js';
import { claimTrust } from '../identify/weigh/claim.js';
import { fixed, type Weighed } from '../identify/weigh/weighed.js';
import { logMean, logSum } from '../quantity/logSum.js';
import { listed } from '../quantity/phrase.js';
import { monthsOf } from '../readings/claim.js';
import type { Specimen, Understood } from '../readings/reading.js';
import { PartsInEngines, type Agreement, type Weighing } from './agreement.js';
import { alikeInParts, type Alike } from './alike.js';
import { erasOf, type Era } from './eras.js';
import { FOREIGN_BELOW, type PartInEngine } from './part.js';
import { foreignBecause, ofAnotherTime, reasonIn } from './partReasons.js';
import { ENGINE_RULES, type EngineFinding } from './rules/index.js';

interface EngineLineUp {
  /** Engine variants, likeliest first, with every part as a piece of evidence. */
  readonly engine: LineUp;
  readonly parts: readonly PartInEngine[];
  /** Engines that what was read does not tell from the likeliest one. */
  readonly alike: readonly Alike[];
  /** Parts that speak against each other, whatever engine it is. */
  readonly mixed: readonly EngineFinding[];
}

function weighPart(specimen: Specimen, index: CatalogueIndex, identifyOptions: IdentifyOptions): Weighing {
  const identification = new Identification(index, identifyOptions).read(specimen.readings.map(({ is }) => is));
  const scores = index.patterns.map((_id, row) => identification.scoreOf(row));
  const { notInCatalogue } = index.assumed;
  const any = logSum([Math.log(1 - notInCatalogue) + logMean(scores), Math.log(notInCatalogue)]);
  return { specimen, kind: specimen.kind, identification, any };
}

/**
 * Identifies an engine from its parts together, what is claimed of it, and what is seen of it whole. Each part is
 * either what the engine carried from the first, or came from elsewhere; the variants that explain the most parts come
 * first, and the parts they leave unexplained do not belong. What has one cause counts once: a set, papers, a time.
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
  const weighings = specimens
    .map((specimen) => weighPart(specimen, indexOf(specimen.kind), identifyOptions))
    .sort(anchorFirst);
  const read = weighings.filter(({ identification }) => identification.weighed.length > 0);
  const together = new PartsInEngines(catalogue, read);
  const claimed = yearClaimed(readings, engines.assumed, identifyOptions);
  const built = engines.patterns.map((id): Built | undefined => {
    const variant = catalogue.variant(id);
    if (!variant) return undefined;
    const eras = erasOf(variant, claimed);
    return { variant, eras, agreement: together.agreement(variant, eras) };
  });
  const evidence = new Map(
    read.map((weighing, at): [string, Weighed] => [
      `5 part ${String(at).padStart(4, '0')} ${weighing.specimen.id}`,
      asEvidence(catalogue, built, weighing, at, read),
    ]),
  );
  const engine = new Identification(engines, identifyOptions).read(readings, evidence).lineUp(6);
  const likely =
    engine.status === 'nothingFits' || engine.status === 'sister' || engine.status === 'noEvidence'
      ? []
      : engine.candidates.flatMap(({ pattern, probability }): Likely[] => {
          const known = built[engines.patterns.indexOf(pattern)];
          return known ? [{ ...known, probability }] : [];
        });
  const parts = weighings.map((weighing) => partIn(catalogue, together, weighing, likely)).sort(inAssembly);
  return {
    engine,
    parts,
    alike: alikeInParts(catalogue, likely, new Set(read.map(({ kind }) => kind))),
    mixed: mixedIn(catalogue, parts, specimens, likely[0], identifyOptions),
  };
}

/** What a variant carried in each stretch of its run, and how the parts agree with that. */
interface Built {
  readonly variant: Variant;
  readonly eras: readonly Era[];
  readonly agreement: Agreement;
}
interface Likely extends Built {
  readonly probability: number;
}

/** The block first, then in the order of assembly, of one kind by id. */
const anchorFirst = (a: Weighing, b: Weighing): number =>
  (KIND_ORDER.get(a.kind) ?? 0) - (KIND_ORDER.get(b.kind) ?? 0) || (a.specimen.id < b.specimen.id ? -1 : 1);

/** The year that is claimed, and how surely it is right and meant of this engine; the first where several are. */
function yearClaimed(
  readings: readonly Understood[],
  assumed: CatalogueIndex['assumed'],
  { rules = {} }: IdentifyOptions,
) {
  for (const reading of readings) {
    const months = reading.sort === 'claim' && reading.about === 'year' ? monthsOf(reading.value) : undefined;
    if (months) return { months, right: claimTrust('year', rules, assumed) * assumed.papers };
  }
  return undefined;
}

const KIND_ORDER = new Map(KIND_IDS.map((kind, at) => [kind, at]));

/** Parts in the order of assembly, of one kind by name. */
const inAssembly = (a: PartInEngine, b: PartInEngine): number =>
  (KIND_ORDER.get(a.kind) ?? 0) - (KIND_ORDER.get(b.kind) ?? 0) ||
  a.name.localeCompare(b.name, 'en', { numeric: true }) ||
  (a.specimen < b.specimen ? -1 : 1);

function asEvidence(
  catalogue: CatalogueLookup,
  built: readonly (Built | undefined)[],
  weighing: Weighing,
  at: number,
  read: readonly Weighing[],
): Weighed {
  const { specimen, kind } = weighing;
  const before = read.slice(0, at).filter((each) => each.kind === kind);
  const told =
    before.length > 0
      ? ` It counts beside ${listed(before.map((each) => each.specimen.name))}: a set is put in as one.`
      : '';
  return {
    form: 'all',
    byRow: Int32Array.from(built, (each) => fixed(each?.agreement.adds[at] ?? 0)),
    evidence: {
      sort: 'part',
      text: specimen.name,
      say: (row) => [...(built[row] ? reasonIn(catalogue, built[row].variant, weighing) : []), told],
    },
  };
}

/** Probability that a part came with the engine, over the engines it may be; undefined where none of them tells. */
function belonging(together: PartsInEngines, weighing: Weighing, likely: readonly Likely[]): number | undefined {
  let [sum, weight] = [0, 0];
  for (const { variant, eras, agreement, probability } of likely)
    eras.forEach((era, at) => {
      const came = together.cameWithIt(weighing, variant, era);
      if (came === undefined) return;
      const share = probability * (agreement.eras[at] ?? 0);
      sum += share * came;
      weight += share;
    });
  return weight > 0 ? sum / weight : undefined;
}

function partIn(
  catalogue: CatalogueLookup,
  together: PartsInEngines,
  weighing: Weighing,
  likely: readonly Likely[],
): PartInEngine {
  const { specimen, kind, identification } = weighing;
  const [first] = likely;
  const read = identification.weighed.length > 0;
  const belongs = read ? belonging(together, weighing, likely) : undefined;
  const expected = first === undefined ? [] : expectedIn(first, kind);
  const lineUp = identification.lineUp(3);
  const base = { specimen: specimen.id, name: specimen.name, kind, lineUp, belongs, expected };
  if (first === undefined)
    return { ...base, because: ['Which engine it is stands open, so nothing can be said of the part in it.'] };
  if (!read) return { ...base, because: ['Nothing was read on it yet.'] };
  if (belongs !== undefined && belongs < FOREIGN_BELOW)
    return {
      ...base,
      because: ofAnotherTime(catalogue, first.variant, weighing) ?? foreignBecause(catalogue, weighing, expected),
    };
  return { ...base, because: reasonIn(catalogue, first.variant, weighing) };
}

/** Less than this of the engines is not what is expected. */
const EXPECTED_FROM = 0.01;

/** What an engine carries of a kind, likeliest first after the stretches of its run. */
function expectedIn({ eras, agreement }: Built, kind: KindId): string[] {
  const shares = new Map<string, number>();
  eras.forEach(({ carries }, at) => {
    for (const { fitment, share } of carries.get(kind) ?? [])
      shares.set(fitment.pattern, (shares.get(fitment.pattern) ?? 0) + share * (agreement.eras[at] ?? 0));
  });
  return [...shares]
    .filter(([, share]) => share >= EXPECTED_FROM)
    .sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1))
    .map(([pattern]) => pattern);
}

function mixedIn(
  catalogue: CatalogueLookup,
  parts: readonly PartInEngine[],
  specimens: readonly Specimen[],
  likely: Built | undefined,
  { rules = {} }: IdentifyOptions,
): EngineFinding[] {
  const read = parts.map((part) => ({
    part,
    readings: specimens.find(({ id }) => id === part.specimen)?.readings.map(({ is }) => is) ?? [],
  }));
  return ENGINE_RULES.flatMap((rule) =>
    rule.find({ catalogue, parts: read, ...(likely ? { variant: likely.variant } : {}) }, rules),
  );
}

import {
  advise,
  audit,
  calculationOf,
  CatalogueLookup,
  drawerOf,
  EMPTY_CATALOGUE,
  Identification,
  identifyEngine,
  indexCatalogue,
  indexEngines,
  indexSearch,
  searchCatalogue,
  takenFor,
  type Advice,
  type AuditFinding,
  type Catalogue,
  type CatalogueIndex,
  type Circumstances,
  type DrillLevel,
  type EngineLineUp,
  type InterchangeGroup,
  type KindId,
  type LineUp,
  type Order,
  type SearchIndex,
  type SearchResult,
  type PartyRef,
  type Sentence,
  type SheetLine,
  type Shop,
  type Situation,
  type Specimen,
  type Understood,
} from '@which-bore/core';
import { expose } from 'comlink';
import { Drill, type DrillEnd } from './drillInWorker';
import { InterchangeInWorker, type GridSides, type Judged, type Takings } from './interchangeInWorker';
import { keptIndex } from './keptIndex';

/** A line-up and what to check next. */
export interface Identified {
  readonly lineUp: LineUp;
  readonly advice: Advice;
}

/** How the part lies there: how far its engine is apart, and what cannot be got at. */
export type Lying = Pick<Situation, 'state' | 'skipped'>;

let catalogue = new CatalogueLookup(EMPTY_CATALOGUE);
/** State of the catalogue on the server; empty where it is not known. */
let tag = '';
let circumstances: Circumstances = {};
let indexes = new Map<KindId, Promise<CatalogueIndex>>();
let engines: CatalogueIndex | undefined;
/** The identification going on, kept so that one more reading costs no more than itself. */
let going: { readonly kind: KindId; readonly identification: Identification } | undefined;
let drill: Drill | undefined;
let interchanging: InterchangeInWorker | undefined;
let searchIndex: SearchIndex | undefined;

function interchange(): InterchangeInWorker {
  interchanging ??= new InterchangeInWorker(catalogue, circumstances, specimenTakenFor);
  return interchanging;
}

const specimenTakenFor = async (specimen: Specimen): Promise<string | undefined> => takenFor(await indexOf(specimen.kind), specimen, circumstances);

function indexOf(kind: KindId): Promise<CatalogueIndex> {
  const known = indexes.get(kind) ?? keptIndex(tag, kind, catalogue.catalogue);
  indexes.set(kind, known);
  return known;
}

async function identificationOf(kind: KindId): Promise<Identification> {
  const index = await indexOf(kind);
  if (going?.kind !== kind || going.identification.index !== index) going = { kind, identification: new Identification(index, circumstances) };
  return going.identification;
}

/** The heavy sums, off the page's thread: the same core as on the server. */
const bench = {
  /** @param loadedTag the state of the catalogue, under which its indexes are kept for the next visit */
  load(loaded: Catalogue, loadedTag: string): void {
    catalogue = new CatalogueLookup(loaded);
    tag = loadedTag;
    indexes = new Map();
    engines = undefined;
    going = undefined;
    searchIndex = undefined;
    interchanging = undefined;
  },

  /** The shop's own instruments and rules, and the day. */
  setShop(shop: Shop, today: string): void {
    circumstances = { drawer: drawerOf(shop, today), rules: shop.rules };
    going = undefined;
    interchanging = undefined;
  },

  async identify(kind: KindId, readings: readonly Understood[], most: number, lying: Lying): Promise<Identified> {
    const identification = await identificationOf(kind);
    const lineUp = identification.read(readings).lineUp(most);
    return { lineUp, advice: advise(identification, { readings, ...circumstances, ...lying }) };
  },

  /** How the weight of one reading for one pattern was worked out. */
  async calculation(kind: KindId, readings: readonly Understood[], pattern: string, text: string): Promise<readonly Sentence[]> {
    return calculationOf((await identificationOf(kind)).read(readings), pattern, text);
  },

  /** What engine it is, from what is claimed of it and from its parts together. */
  async engine(readings: readonly Understood[], specimens: readonly Specimen[]): Promise<EngineLineUp> {
    engines ??= indexEngines(catalogue.catalogue);
    const kinds = new Map<KindId, CatalogueIndex>();
    for (const { kind } of specimens) kinds.set(kind, await indexOf(kind));
    return identifyEngine(catalogue, engines, (kind) => kinds.get(kind) ?? indexCatalogue(kind, catalogue.catalogue), readings, specimens, circumstances);
  },

  /** Hides a part and answers what can be asked of it. */
  async beginDrill(kind: KindId, level: DrillLevel['id'], seed: number): Promise<readonly SheetLine[]> {
    drill = new Drill(catalogue, await indexOf(kind), kind, level, seed, circumstances);
    return drill.sheet;
  },

  askInDrill(key: string): Understood | undefined {
    return drill?.ask(key);
  },

  endDrill(named: string | undefined): DrillEnd | undefined {
    return drill?.end(named);
  },

  search(text: string, most: number): SearchResult {
    searchIndex ??= indexSearch(catalogue);
    return searchCatalogue(searchIndex, text, most);
  },

  audit(): readonly AuditFinding[] {
    return audit(catalogue);
  },

  /** Donors into a recipient, joint by joint, with the records and the other way round. */
  judge(donors: readonly PartyRef[], recipient: PartyRef): Promise<Judged> {
    return interchange().judge(donors, recipient);
  },

  engines(donors: readonly PartyRef[]): Promise<Takings> {
    return interchange().engines(donors);
  },

  /** Which patterns of a kind, and which of these specimens on the shelf, take a part or go where it is. */
  whatElse(asked: PartyRef, kind: KindId, side: 'donor' | 'recipient', shelf: readonly Specimen[]): Promise<Takings> {
    return interchange().whatElse(asked, kind, side, shelf);
  },

  openGrid(donor: KindId, recipient: KindId, most: number): GridSides | undefined {
    return interchange().openGrid(donor, recipient, most);
  },

  gridRows(from: number): readonly Uint32Array[] {
    return interchange().gridRows(from);
  },

  gridOrder(): Order {
    return interchange().gridOrder();
  },

  gridGroups(into: number | undefined): readonly InterchangeGroup[] {
    return interchange().gridGroups(into);
  },
};

export type BenchWorker = typeof bench;

expose(bench);

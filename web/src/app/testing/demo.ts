import {
  advise,
  audit,
  calculationOf,
  CatalogueLookup,
  Identification,
  identify,
  identifyEngine,
  indexCatalogue,
  indexEngines,
  indexSearch,
  readEntry,
  searchCatalogue,
  takenFor,
  type Catalogue,
  type DrillLevel,
  type EngineLineUp,
  type KindId,
  type LineUp,
  type PartyRef,
  type Reading,
  type Sentence,
  type SheetLine,
  type Specimen,
  type Understood,
} from '@which-bore/core';
import { BehaviorSubject, from, of, type Observable } from 'rxjs';
import demo from '../../../../demo-data/catalogue.json';
import type { SpecimenSummary } from '../data/api';
import type { Identified, Lying } from '../data/core.worker';
import { Drill, type DrillEnd } from '../data/drillInWorker';
import { InterchangeInWorker } from '../data/interchangeInWorker';

export const CATALOGUE = demo as unknown as Catalogue;
export const VIEW = new CatalogueLookup(CATALOGUE);
export const ID = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';

export const readings = (text: string, kind: KindId = 'crank'): Reading[] =>
  readEntry(text, kind).words.map((is, at) => ({ id: `7a0d5a1e-3f7f-4f43-8f25-0000000000${String(at).padStart(2, '0')}`, at: '2026-03-02T08:10:00.000Z', is }));

export const specimen = (text: string, name = 'On the bench', kind: KindId = 'crank'): Specimen => ({ id: ID, name, kind, readings: readings(text, kind) });

export const lineUp = (text: string): LineUp => identify(indexCatalogue('crank', CATALOGUE), readEntry(text, 'crank').words, 6);

const SEARCH = indexSearch(VIEW);

/** The catalogue at once, without a server. */
export const fakeCatalogueData = { view$: of(VIEW), state$: of({ view: VIEW, tag: '' }), refresh: () => undefined };

/** A line-up and what to check next, as the worker answers. */
export function identified(kind: KindId, read: readonly Understood[], most = 6, lying: Lying = {}): Identified {
  const identification = new Identification(indexCatalogue(kind, CATALOGUE)).read(read);
  return { lineUp: identification.lineUp(most), advice: advise(identification, { readings: read, ...lying }) };
}

let drill: Drill | undefined;

const INTERCHANGE = new InterchangeInWorker(VIEW, {}, (each) => Promise.resolve(takenFor(indexCatalogue(each.kind, CATALOGUE), each, {})));

/** The sums without a worker. */
export const fakeSums = {
  identify: (kind: KindId, read: readonly Understood[], most: number, lying: Lying): Observable<Identified> => of(identified(kind, read, most, lying)),
  calculation: (kind: KindId, read: readonly Understood[], pattern: string, words: string): Observable<readonly Sentence[]> =>
    of(calculationOf(new Identification(indexCatalogue(kind, CATALOGUE)).read(read), pattern, words)),
  engine: (read: readonly Understood[], parts: readonly Specimen[]): Observable<EngineLineUp> =>
    of(identifyEngine(VIEW, indexEngines(CATALOGUE), (kind) => indexCatalogue(kind, CATALOGUE), read, parts)),
  beginDrill: (kind: KindId, level: DrillLevel['id']): Observable<readonly SheetLine[]> => {
    drill = new Drill(VIEW, indexCatalogue(kind, CATALOGUE), kind, level, 4711, {});
    return of(drill.sheet);
  },
  askInDrill: (key: string): Observable<Understood | undefined> => of(drill?.ask(key)),
  endDrill: (named: string | undefined): Observable<DrillEnd | undefined> => of(drill?.end(named)),
  search: (text: string, most: number) => of(searchCatalogue(SEARCH, text, most)),
  audit: () => of(audit(VIEW)),
  judge: (donors: readonly PartyRef[], recipient: PartyRef) => from(INTERCHANGE.judge(donors, recipient)),
  engines: (donors: readonly PartyRef[]) => from(INTERCHANGE.engines(donors)),
  whatElse: (asked: PartyRef, kind: KindId, side: 'donor' | 'recipient', shelf: readonly Specimen[]) => from(INTERCHANGE.whatElse(asked, kind, side, shelf)),
  openGrid: (donor: KindId, recipient: KindId, most: number) => of(INTERCHANGE.openGrid(donor, recipient, most)),
  gridRows: (first: number) => of(INTERCHANGE.gridRows(first)),
  gridOrder: () => of(INTERCHANGE.gridOrder()),
  gridGroups: (into: number | undefined) => of(INTERCHANGE.gridGroups(into)),
};

/** Specimens in memory, as the stations see them. */
export class FakeSpecimens {
  private readonly held = new BehaviorSubject<ReadonlyMap<string, Specimen>>(new Map());
  readonly undone: string[] = [];
  readonly removed: string[] = [];
  private readonly before: Specimen[] = [];
  readonly all$ = new BehaviorSubject<readonly SpecimenSummary[]>([]);
  readonly sync$ = of({ waiting: 0, away: false, refused: undefined });

  constructor(...specimens: Specimen[]) {
    for (const each of specimens) this.put(each);
  }

  watch(id: string): Observable<Specimen | undefined> {
    const watched = new BehaviorSubject(this.held.value.get(id));
    this.held.subscribe((held) => watched.next(held.get(id)));
    return watched;
  }

  peek(id: string): Specimen | undefined {
    return this.held.value.get(id);
  }

  open(id: string): Promise<'there' | 'missing'> {
    return Promise.resolve(this.held.value.has(id) ? 'there' : 'missing');
  }

  change(next: Specimen): void {
    const now = this.held.value.get(next.id);
    if (now) this.before.push(now);
    this.put(next);
  }

  undo(id: string): boolean {
    this.undone.push(id);
    const last = this.before.pop();
    if (last) this.put(last);
    return last !== undefined;
  }

  remove(id: string): void {
    this.removed.push(id);
  }

  bringBack(id: string): void {
    this.removed.splice(this.removed.indexOf(id), 1);
  }

  refresh(): void {
    // Everything is here already.
  }

  private put(next: Specimen): void {
    this.held.next(new Map(this.held.value).set(next.id, next));
    this.all$.next(
      [...this.held.value.values()].map(({ id, name, kind, readings: read, job }) => ({
        id,
        name,
        kind,
        readings: read.length,
        version: 1,
        updatedAt: '2026-03-02T08:10:00.000Z',
        ...(job === undefined ? {} : { job }),
      })),
    );
  }
}

import {
  audit,
  CatalogueLookup,
  identify,
  indexCatalogue,
  indexSearch,
  partFromPattern,
  partFromSpecimen,
  readEntry,
  searchCatalogue,
  swap,
  type Catalogue,
  type KindId,
  type LineUp,
  type Reading,
  type Specimen,
  type Swap,
  type Understood,
} from '@which-bore/core';
import { BehaviorSubject, of, type Observable } from 'rxjs';
import demo from '../../../../demo-data/catalogue.json';
import type { SpecimenSummary } from '../data/api';
import type { Donor } from '../data/core.worker';

export const CATALOGUE = demo as unknown as Catalogue;
export const VIEW = new CatalogueLookup(CATALOGUE);
export const ID = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';

export const readings = (text: string, kind: KindId = 'crank'): Reading[] =>
  readEntry(text, kind).words.map((is, at) => ({ id: `7a0d5a1e-3f7f-4f43-8f25-0000000000${String(at).padStart(2, '0')}`, at: '2026-03-02T08:10:00.000Z', is }));

export const specimen = (text: string, name = 'On the bench', kind: KindId = 'crank'): Specimen => ({ id: ID, name, kind, readings: readings(text, kind) });

export const lineUp = (text: string): LineUp => identify(indexCatalogue('crank', CATALOGUE.patterns), readEntry(text, 'crank').words, 6);

const SEARCH = indexSearch(VIEW);

/** The catalogue at once, without a server. */
export const fakeCatalogueData = { view$: of(VIEW), refresh: () => undefined };

/** The sums without a worker. */
export const fakeSums = {
  identify: (kind: KindId, read: readonly Understood[], most: number): Observable<LineUp> => of(identify(indexCatalogue(kind, CATALOGUE.patterns), read, most)),
  search: (text: string, most: number) => of(searchCatalogue(SEARCH, text, most)),
  audit: () => of(audit(VIEW)),
  swapAll: (donor: Donor, recipients: readonly string[]): Observable<Record<string, Swap>> => {
    const shells = VIEW.ofKind('mainShell').map((pattern) => partFromPattern(pattern, VIEW.label(pattern.id)));
    const patternPart = (id: string) => {
      const pattern = VIEW.pattern(id);
      if (!pattern) throw new Error(`no ${id}`);
      return partFromPattern(pattern, VIEW.label(id));
    };
    const part = 'pattern' in donor ? patternPart(donor.pattern) : partFromSpecimen(donor.specimen, VIEW.pattern(donor.as));
    return of(Object.fromEntries(recipients.map((id) => [id, swap(part, patternPart(id), shells)])));
  },
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
      [...this.held.value.values()].map(({ id, name, kind, readings: read }) => ({
        id,
        name,
        kind,
        readings: read.length,
        version: 1,
        updatedAt: '2026-03-02T08:10:00.000Z',
      })),
    );
  }
}

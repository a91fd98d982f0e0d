import type { Job, Shop, Specimen, SpecimenSummary, StoredJob, StoredShop, StoredSpecimen } from '@which-bore/core';
import { USUAL_SHOP } from '@which-bore/core';
import { defer, of, throwError, type Observable } from 'rxjs';
import { ApiError } from '../data/api';

interface Stored<T> {
  document: T;
  version: number;
  deleted: boolean;
}

/** The documents of a server in memory, with its versions and its refusals; it can be away, and can lose an answer. */
export class FakeServer {
  away = false;
  /** The next change is made, but its answer is lost on the way. */
  losesAnswer = false;
  /** Names that are refused, with why. */
  readonly refuses = new Map<string, string>();
  readonly specimensStored = new Map<string, Stored<Specimen>>();
  readonly jobsStored = new Map<string, Stored<Job>>();
  shopStored: StoredShop = { ...USUAL_SHOP, version: 0 };
  /** What was asked that changes something, in order. */
  readonly log: string[] = [];

  specimens(): Observable<readonly SpecimenSummary[]> {
    return this.asked(() =>
      [...this.specimensStored.values()]
        .filter(({ deleted }) => !deleted)
        .map(({ document: { id, name, kind, readings, job }, version }) => ({
          id,
          name,
          kind,
          readings: readings.length,
          version,
          updatedAt: '',
          ...(job ? { job } : {}),
        })),
    );
  }
  jobs(): Observable<StoredJob[]> {
    return this.asked(() => [...this.jobsStored.values()].filter(({ deleted }) => !deleted).map(asServed));
  }
  shop(): Observable<StoredShop> {
    return this.asked(() => this.shopStored);
  }
  specimen(id: string): Observable<StoredSpecimen> {
    return this.asked(() => asServed(there(this.specimensStored, id)));
  }
  job(id: string): Observable<StoredJob> {
    return this.asked(() => asServed(there(this.jobsStored, id)));
  }
  save(document: Specimen, version: number): Observable<StoredSpecimen> {
    return this.changed(`put specimen ${document.name}`, () => {
      const job = document.job === undefined ? undefined : this.jobsStored.get(document.job);
      if (document.job !== undefined && (!job || job.deleted))
        throw new ApiError('refused', 'There is no job that this specimen could belong to.');
      return put(this.specimensStored, document, version, this.refuses);
    });
  }
  saveJob(document: Job, version: number): Observable<StoredJob> {
    return this.changed(`put job ${document.name}`, () => put(this.jobsStored, document, version, this.refuses));
  }
  saveShop(shop: Shop, version: number): Observable<StoredShop> {
    return this.changed('put shop', () => {
      if (version !== this.shopStored.version) throw new ApiError('changed', 'Changed meanwhile.', this.shopStored);
      return (this.shopStored = { ...shop, version: version + 1 });
    });
  }
  remove(id: string): Observable<unknown> {
    return this.changed('delete specimen', () => removed(this.specimensStored, id));
  }
  removeJob(id: string): Observable<unknown> {
    return this.changed('delete job', () => removed(this.jobsStored, id));
  }
  restore(id: string): Observable<StoredSpecimen> {
    return this.changed('restore specimen', () => restored(this.specimensStored, id));
  }
  restoreJob(id: string): Observable<StoredJob> {
    return this.changed('restore job', () => restored(this.jobsStored, id));
  }

  private changed<T>(what: string, work: () => T): Observable<T> {
    return this.asked(() => {
      this.log.push(what);
      const answer = work();
      if (this.losesAnswer) {
        this.losesAnswer = false;
        throw new ApiError('away', 'The answer was lost.');
      }
      return answer;
    });
  }

  private asked<T>(answer: () => T): Observable<T> {
    return defer(() => {
      try {
        if (this.away) throw new ApiError('away', 'The server cannot be reached.');
        return of(answer());
      } catch (error) {
        return throwError(() => error);
      }
    });
  }
}

type Shelf<T> = Map<string, Stored<T>>;
const asServed = <T>({ document, version }: Stored<T>): T & { version: number; updatedAt: string } => ({
  ...document,
  version,
  updatedAt: `2026-03-02T08:${String(version).padStart(2, '0')}:00.000Z`,
});

function there<T>(shelf: Shelf<T>, id: string): Stored<T> {
  const found = shelf.get(id);
  if (!found || found.deleted) throw new ApiError('missing', 'There is none.');
  return found;
}

function put<T extends { readonly id: string; readonly name: string }>(
  shelf: Shelf<T>,
  document: T,
  version: number,
  refuses: ReadonlyMap<string, string>,
) {
  const why = refuses.get(document.name);
  if (why !== undefined) throw new ApiError('refused', why);
  const found = shelf.get(document.id);
  if (found?.deleted || (!found && version > 0)) throw new ApiError('missing', 'There is none.');
  if (found && found.version !== version) throw new ApiError('changed', 'Changed meanwhile.', asServed(found));
  const stored = { document, version: version + 1, deleted: false };
  shelf.set(document.id, stored);
  return asServed(stored);
}

function removed<T>(shelf: Shelf<T>, id: string): void {
  const found = there(shelf, id);
  found.deleted = true;
  found.version++;
}

function restored<T>(shelf: Shelf<T>, id: string) {
  const found = shelf.get(id);
  if (!found) throw new ApiError('missing', 'There is none.');
  if (found.deleted) found.version++;
  found.deleted = false;
  return asServed(found);
}

import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type Answers,
  type Build,
  type Change,
  type RoundRecord,
  type SetSearch,
  type ErrorBody,
  type GridRequest,
  type Import,
  type ImportChoices,
  type ImportRow,
  type Job,
  type KindId,
  type ImportOutcome,
  type Offer,
  type Photograph,
  type QuestionName,
  type ReadingChange,
  type RecordedRound,
  type RecordOf,
  type RecordType,
  type Requests,
  type Reservation,
  type Shop,
  type Specimen,
  type SpecimenSummary,
  type StockTold,
  type StoredBuild,
  type StoredJob,
  type StoredRecord,
  type StoredShop,
  type StoredSpecimen,
  type StoredSupplier,
  type Supplier,
  type UnitSystem,
} from '@which-bore/core';
import { catchError, throwError, type Observable } from 'rxjs';
import { ROUTES } from '@which-bore/core/routes';
import { Preferences } from './preferences';

/** A request that did not succeed, by what can be done about it. */
export class ApiError extends Error {
  constructor(
    /** `away`: server or database cannot be reached now. `changed`: somebody else was faster. */
    readonly kind: 'away' | 'changed' | 'missing' | 'refused',
    message: string,
    readonly current?: unknown,
  ) {
    super(message);
    this.name = 'ApiError';
  }
}

/**
 * No answer at all, or that of a proxy without a server and of a server without its database (RFC 9110, 15.6.3 to
 * 15.6.5). A server that failed over this one request (500) is not away: sent again, it would fail again.
 */
const AWAY: ReadonlySet<number> = new Set([0, 502, 503, 504]);

function apiError(response: HttpErrorResponse): ApiError {
  const body = (typeof response.error === 'object' ? response.error : undefined) as ErrorBody | null | undefined;
  const problems = body?.problems?.map((problem) => `${problem.where}: ${problem.what}`).join(' ') ?? '';
  const message = [body?.error ?? 'The server cannot be reached.', problems].filter(Boolean).join(' ');
  if (response.status === 409) return new ApiError('changed', message, body?.current);
  if (response.status === 404) return new ApiError('missing', message);
  return new ApiError(AWAY.has(response.status) ? 'away' : 'refused', message);
}

/** The server's routes, each answer or an ApiError. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);
  private readonly preferences = inject(Preferences);

  /**
   * Puts a question to a workshop of the server. Its sentences come in pieces, to be said in whatever units are read.
   */
  ask<N extends QuestionName>(name: N, request: Requests[N]): Observable<Answers[N]> {
    const { path, says } = ROUTES[name];
    return this.asked(this.http.post<Answers[N]>(`/api${path}`, { ...request, ...(says ? { units: 'pieces' } : {}) }));
  }

  /** Begins a search for sets, which the server does in its own time. */
  beginSearch(request: Requests['planSets']): Observable<SetSearch> {
    return this.asked(this.http.post<SetSearch>('/api/plan/searches', { ...request, units: 'pieces' }, this.signed()));
  }

  stopSearch(id: string): Observable<SetSearch> {
    return this.asked(this.http.delete<SetSearch>(`/api/plan/searches/${id}`, this.signed()));
  }

  specimens(): Observable<readonly SpecimenSummary[]> {
    return this.asked(this.http.get<readonly SpecimenSummary[]>('/api/specimens'));
  }

  specimen(id: string): Observable<StoredSpecimen> {
    return this.asked(this.http.get<StoredSpecimen>(`/api/specimens/${id}`));
  }

  save({ id, ...specimen }: Specimen, version: number): Observable<StoredSpecimen> {
    return this.asked(this.http.put<StoredSpecimen>(`/api/specimens/${id}`, { ...specimen, version }, this.signed()));
  }

  /** The grid of two kinds as a file. */
  grid(ending: 'csv' | 'xlsx', donors: KindId, recipients: KindId): Observable<Blob> {
    return this.asked(
      this.http.post(
        `/api/interchange/grid.${ending}`,
        { donors: { kind: donors }, recipients: { kind: recipients }, first: true } satisfies GridRequest,
        {
          responseType: 'blob',
        },
      ),
    );
  }

  /** Motion of a build over the crank angle as a file. */
  curves(ending: 'csv' | 'xlsx', request: Requests['buildCurves'] & { units: UnitSystem }): Observable<Blob> {
    return this.asked(this.http.post(`/api/builds/curves.${ending}`, request, { responseType: 'blob' }));
  }

  /** What became of the readings of a specimen. */
  history(id: string): Observable<ReadingChange[]> {
    return this.asked(this.http.get<ReadingChange[]>(`/api/specimens/${id}/history`));
  }

  photographs(specimen: string): Observable<Photograph[]> {
    return this.asked(this.http.get<Photograph[]>(`/api/specimens/${specimen}/photographs`));
  }

  /** @param reading the reading it shows, where it shows one */
  addPhotograph(specimen: string, file: File, reading: string | undefined): Observable<Photograph> {
    const form = new FormData();
    form.append('file', file, file.name);
    return this.asked(
      this.http.post<Photograph>(`/api/specimens/${specimen}/photographs`, form, {
        params: reading === undefined ? {} : { reading },
        ...this.signed(),
      }),
    );
  }

  removePhotograph(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/photographs/${id}`));
  }

  restorePhotograph(id: string): Observable<Photograph> {
    return this.asked(this.http.post<Photograph>(`/api/photographs/${id}/restore`, undefined));
  }

  builds(): Observable<StoredBuild[]> {
    return this.asked(this.http.get<StoredBuild[]>('/api/builds'));
  }

  build(id: string): Observable<StoredBuild> {
    return this.asked(this.http.get<StoredBuild>(`/api/builds/${id}`));
  }

  saveBuild({ id, ...build }: Build, version: number): Observable<StoredBuild> {
    return this.asked(this.http.put<StoredBuild>(`/api/builds/${id}`, { ...build, version }, this.signed()));
  }

  removeBuild(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/builds/${id}`));
  }

  restoreBuild(id: string): Observable<StoredBuild> {
    return this.asked(this.http.post<StoredBuild>(`/api/builds/${id}/restore`, undefined));
  }

  jobs(): Observable<StoredJob[]> {
    return this.asked(this.http.get<StoredJob[]>('/api/jobs'));
  }

  job(id: string): Observable<StoredJob> {
    return this.asked(this.http.get<StoredJob>(`/api/jobs/${id}`));
  }

  saveJob({ id, ...job }: Job, version: number): Observable<StoredJob> {
    return this.asked(this.http.put<StoredJob>(`/api/jobs/${id}`, { ...job, version }, this.signed()));
  }

  removeJob(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/jobs/${id}`));
  }

  restoreJob(id: string): Observable<StoredJob> {
    return this.asked(this.http.post<StoredJob>(`/api/jobs/${id}/restore`, undefined));
  }

  reservations(): Observable<Reservation[]> {
    return this.asked(this.http.get<Reservation[]>('/api/reservations'));
  }

  /** Puts a part aside for a job; fails with `changed` where another has it. */
  reserve(specimen: string, job: string): Observable<Reservation> {
    return this.asked(this.http.put<Reservation>(`/api/reservations/${specimen}`, { job }, this.signed()));
  }

  release(specimen: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/reservations/${specimen}`, this.signed()));
  }

  /** For whom a part was put aside, last first. */
  reservedFor(specimen: string): Observable<Reservation[]> {
    return this.asked(this.http.get<Reservation[]>(`/api/specimens/${specimen}/reservations`));
  }

  suppliers(): Observable<StoredSupplier[]> {
    return this.asked(this.http.get<StoredSupplier[]>('/api/suppliers'));
  }

  saveSupplier({ id, ...supplier }: Supplier): Observable<StoredSupplier> {
    return this.asked(this.http.put<StoredSupplier>(`/api/suppliers/${id}`, supplier, this.signed()));
  }

  removeSupplier(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/suppliers/${id}`, this.signed()));
  }

  /** Has the server fetch a supplier's list. */
  fetchList(id: string): Observable<StoredSupplier> {
    return this.asked(this.http.post<StoredSupplier>(`/api/suppliers/${id}/fetch`, undefined, this.signed()));
  }

  /** Takes a list that came as a file. */
  sendList(id: string, file: File): Observable<StoredSupplier> {
    return this.asked(
      this.http.put<StoredSupplier>(`/api/suppliers/${id}/list`, file, {
        headers: {
          ...this.signed().headers,
          'content-type': file.name.endsWith('.json') ? 'application/json' : 'text/csv',
        },
      }),
    );
  }

  /** What a supplier says he has of a number now. */
  askStock(id: string, number: string): Observable<StockTold> {
    return this.asked(this.http.post<StockTold>(`/api/suppliers/${id}/ask`, { number }));
  }

  offers(numbers: readonly string[]): Observable<Offer[]> {
    return this.asked(this.http.post<Offer[]>('/api/suppliers/offers', { numbers }));
  }

  shop(): Observable<StoredShop> {
    return this.asked(this.http.get<StoredShop>('/api/shop'));
  }

  saveShop(shop: Shop, version: number): Observable<StoredShop> {
    return this.asked(this.http.put<StoredShop>('/api/shop', { ...shop, version }, this.signed()));
  }

  /** Rounds gone through under one's name, last first. */
  rounds(): Observable<RecordedRound[]> {
    const name = this.preferences.name().trim();
    return this.asked(this.http.get<RecordedRound[]>('/api/practice', { params: name === '' ? {} : { who: name } }));
  }

  recordRound(round: RoundRecord): Observable<unknown> {
    return this.asked(this.http.post('/api/practice', round, this.signed()));
  }

  remove(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/specimens/${id}`));
  }

  restore(id: string): Observable<StoredSpecimen> {
    return this.asked(this.http.post<StoredSpecimen>(`/api/specimens/${id}/restore`, undefined));
  }

  record<T extends RecordType>(type: T, id: string): Observable<StoredRecord<T>> {
    return this.asked(this.http.get<StoredRecord<T>>(`/api/records/${type}/${id}`));
  }

  /** Adds a record (version 0) or changes it. */
  putRecord<T extends RecordType>(type: T, record: RecordOf[T], version: number): Observable<StoredRecord<T>> {
    return this.asked(
      this.http.put<StoredRecord<T>>(`/api/records/${type}/${record.id}`, { record, version }, this.signed()),
    );
  }

  removeRecord(type: RecordType, id: string, version: number): Observable<unknown> {
    return this.asked(this.http.delete(`/api/records/${type}/${id}`, { params: { version }, ...this.signed() }));
  }

  changes(of: {
    readonly type?: RecordType;
    readonly id?: string;
    readonly batch?: string;
    readonly before?: string;
  }): Observable<Change[]> {
    return this.asked(this.http.get<Change[]>('/api/changes', { params: { ...of } }));
  }

  undoChange(id: string): Observable<unknown> {
    return this.asked(this.http.post(`/api/changes/${id}/undo`, undefined, this.signed()));
  }

  undoBatch(batch: string): Observable<{ readonly records: number }> {
    return this.asked(this.http.post<{ records: number }>(`/api/batches/${batch}/undo`, undefined, this.signed()));
  }

  imports(): Observable<Import[]> {
    return this.asked(this.http.get<Import[]>('/api/imports'));
  }

  import(id: string): Observable<Import> {
    return this.asked(this.http.get<Import>(`/api/imports/${id}`));
  }

  /** Uploads a file; it is read, and nothing is changed yet. */
  upload(file: File): Observable<Import> {
    const form = new FormData();
    form.append('file', file, file.name);
    return this.asked(this.http.post<Import>('/api/imports', form, this.signed()));
  }

  readImport(id: string, choices: ImportChoices): Observable<Import> {
    return this.asked(this.http.post<Import>(`/api/imports/${id}/read`, { choices }));
  }

  applyImport(id: string, leaveOutRefused: boolean): Observable<Import> {
    return this.asked(this.http.post<Import>(`/api/imports/${id}/apply`, { leaveOutRefused }, this.signed()));
  }

  cancelImport(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/imports/${id}`));
  }

  importRows(id: string, outcome: ImportOutcome | undefined, after: number | undefined): Observable<ImportRow[]> {
    return this.asked(
      this.http.get<ImportRow[]>(`/api/imports/${id}/rows`, {
        params: { ...(outcome ? { outcome } : {}), ...(after === undefined ? {} : { after }) },
      }),
    );
  }

  /** Under whose name a change goes on record. */
  private signed() {
    const name = this.preferences.name().trim();
    return name === '' ? {} : { headers: { 'x-who': encodeURIComponent(name) } };
  }

  private asked<T>(request: Observable<T>): Observable<T> {
    return request.pipe(
      catchError((error: unknown) => throwError(() => (error instanceof HttpErrorResponse ? apiError(error) : error))),
    );
  }
}

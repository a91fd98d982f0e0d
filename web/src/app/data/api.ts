import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type Answers,
  type Build,
  type RoundRecord,
  type Route,
  type Sent,
  type Told,
  type ErrorBody,
  type GridRequest,
  type ImportChoices,
  type Job,
  type KindId,
  type ImportOutcome,
  type QuestionName,
  type RecordOf,
  type RecordType,
  type Requests,
  type Shop,
  type Specimen,
  type SpecimenSummary,
  type StoredRecord,
  type StoredSupplier,
  type Supplier,
  type UnitSystem,
} from '@which-bore/core';
import { catchError, throwError, type Observable } from 'rxjs';
import { CALLS, RECORD_CALLS, ROUTES, type Call } from '@which-bore/core/routes';
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

/** What stands in the address of a request. */
interface Where {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
}

const addressOf = ({ path }: Call, { params = {} }: Where): string =>
  `/api${path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''))}`;

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
  beginSearch(request: Requests['planSets']) {
    return this.call(CALLS.setSearches.begin, { body: { ...request, units: 'pieces' } });
  }

  stopSearch(id: string) {
    return this.call(CALLS.setSearches.stop, { params: { id } });
  }

  specimens(): Observable<readonly SpecimenSummary[]> {
    return this.call(CALLS.specimens.list);
  }

  specimen(id: string) {
    return this.call(CALLS.specimens.read, { params: { id } });
  }

  save({ id, ...specimen }: Specimen, version: number) {
    return this.call(CALLS.specimens.write, { params: { id }, body: { ...specimen, version } });
  }

  remove(id: string) {
    return this.call(CALLS.specimens.remove, { params: { id } });
  }

  restore(id: string) {
    return this.call(CALLS.specimens.restore, { params: { id } });
  }

  /** What became of the readings of a specimen. */
  history(id: string) {
    return this.call(CALLS.specimens.history, { params: { id } });
  }

  /** The grid of two kinds as a file. */
  grid(ending: 'csv' | 'xlsx', donors: KindId, recipients: KindId): Observable<Blob> {
    const body: GridRequest = { donors: { kind: donors }, recipients: { kind: recipients }, first: true };
    return this.file(ending === 'csv' ? CALLS.links.gridCsv : CALLS.links.gridXlsx, { body });
  }

  /** Motion of a build over the crank angle as a file. */
  curves(ending: 'csv' | 'xlsx', body: Requests['buildCurves'] & { units: UnitSystem }): Observable<Blob> {
    return this.file(ending === 'csv' ? CALLS.links.curvesCsv : CALLS.links.curvesXlsx, { body });
  }

  photographs(specimen: string) {
    return this.call(CALLS.specimens.photographs, { params: { id: specimen } });
  }

  /** @param reading the reading it shows, where it shows one */
  addPhotograph(specimen: string, file: File, reading: string | undefined) {
    return this.withFile(CALLS.specimens.addPhotograph, file, {
      params: { id: specimen },
      query: reading === undefined ? {} : { reading },
    });
  }

  removePhotograph(id: string) {
    return this.call(CALLS.photographs.remove, { params: { id } });
  }

  restorePhotograph(id: string) {
    return this.call(CALLS.photographs.restore, { params: { id } });
  }

  builds() {
    return this.call(CALLS.builds.list);
  }

  build(id: string) {
    return this.call(CALLS.builds.read, { params: { id } });
  }

  saveBuild({ id, ...build }: Build, version: number) {
    return this.call(CALLS.builds.write, { params: { id }, body: { ...build, version } });
  }

  removeBuild(id: string) {
    return this.call(CALLS.builds.remove, { params: { id } });
  }

  restoreBuild(id: string) {
    return this.call(CALLS.builds.restore, { params: { id } });
  }

  jobs() {
    return this.call(CALLS.jobs.list);
  }

  job(id: string) {
    return this.call(CALLS.jobs.read, { params: { id } });
  }

  saveJob({ id, ...job }: Job, version: number) {
    return this.call(CALLS.jobs.write, { params: { id }, body: { ...job, version } });
  }

  removeJob(id: string) {
    return this.call(CALLS.jobs.remove, { params: { id } });
  }

  restoreJob(id: string) {
    return this.call(CALLS.jobs.restore, { params: { id } });
  }

  reservations() {
    return this.call(CALLS.reservations.list);
  }

  /** Puts a part aside for a job; fails with `changed` where another has it. */
  reserve(specimen: string, job: string) {
    return this.call(CALLS.reservations.hold, { params: { id: specimen }, body: { job } });
  }

  release(specimen: string) {
    return this.call(CALLS.reservations.release, { params: { id: specimen } });
  }

  /** For whom a part was put aside, last first. */
  reservedFor(specimen: string) {
    return this.call(CALLS.specimens.reservations, { params: { id: specimen } });
  }

  suppliers() {
    return this.call(CALLS.suppliers.list);
  }

  saveSupplier({ id, ...supplier }: Supplier) {
    return this.call(CALLS.suppliers.write, { params: { id }, body: supplier });
  }

  removeSupplier(id: string) {
    return this.call(CALLS.suppliers.remove, { params: { id } });
  }

  /** Has the server fetch a supplier's list. */
  fetchList(id: string) {
    return this.call(CALLS.suppliers.refresh, { params: { id } });
  }

  /** Takes a list that came as a file. */
  sendList(id: string, file: File): Observable<StoredSupplier> {
    const type = file.name.endsWith('.json') ? 'application/json' : 'text/csv';
    return this.sent(CALLS.suppliers.takeList, { params: { id } }, file, { 'content-type': type });
  }

  /** What a supplier says he has of a number now. */
  askStock(id: string, number: string) {
    return this.call(CALLS.suppliers.ask, { params: { id }, body: { number } });
  }

  offers(numbers: readonly string[]) {
    return this.call(CALLS.suppliers.offers, { body: { numbers: [...numbers] } });
  }

  shop() {
    return this.call(CALLS.shop.read);
  }

  saveShop(shop: Shop, version: number) {
    return this.call(CALLS.shop.write, { body: { ...shop, version } });
  }

  /** Rounds gone through under one's name, last first. */
  rounds() {
    const name = this.preferences.name().trim();
    return this.call(CALLS.practice.list, { query: name === '' ? {} : { who: name } });
  }

  recordRound(round: RoundRecord) {
    return this.call(CALLS.practice.record, { body: round });
  }

  record<T extends RecordType>(type: T, id: string): Observable<StoredRecord<T>> {
    return this.sent(RECORD_CALLS[type].read, { params: { id } });
  }

  /** Adds a record (version 0) or changes it. */
  putRecord<T extends RecordType>(type: T, record: RecordOf[T], version: number): Observable<StoredRecord<T>> {
    return this.sent(RECORD_CALLS[type].write, { params: { id: record.id } }, { record, version });
  }

  removeRecord(type: RecordType, id: string, version: number): Observable<unknown> {
    return this.sent(RECORD_CALLS[type].remove, { params: { id }, query: { version: String(version) } });
  }

  changes(query: {
    readonly type?: RecordType;
    readonly id?: string;
    readonly batch?: string;
    readonly before?: string;
  }) {
    return this.call(CALLS.changes.list, { query: { ...query } });
  }

  undoChange(id: string) {
    return this.call(CALLS.changes.undo, { params: { id } });
  }

  undoBatch(batch: string) {
    return this.call(CALLS.changes.undoBatch, { params: { batch } });
  }

  imports() {
    return this.call(CALLS.imports.list);
  }

  import(id: string) {
    return this.call(CALLS.imports.look, { params: { id } });
  }

  /** Uploads a file; it is read, and nothing is changed yet. */
  upload(file: File) {
    return this.withFile(CALLS.imports.begin, file, {});
  }

  readImport(id: string, choices: ImportChoices) {
    return this.call(CALLS.imports.read, { params: { id }, body: { choices } });
  }

  applyImport(id: string, leaveOutRefused: boolean) {
    return this.call(CALLS.imports.apply, { params: { id }, body: { leaveOutRefused } });
  }

  cancelImport(id: string) {
    return this.call(CALLS.imports.cancel, { params: { id } });
  }

  importRows(id: string, outcome: ImportOutcome | undefined, after: number | undefined) {
    return this.call(CALLS.imports.rows, {
      params: { id },
      query: { ...(outcome ? { outcome } : {}), ...(after === undefined ? {} : { after: String(after) }) },
    });
  }

  /** Asks a route of the contract. Whose name goes along with a change the contract says. */
  private call<R extends Route>(of: Call<R>, given = {} as Sent<R>): Observable<Told<R>> {
    const { body, ...where } = given as Where & { readonly body?: unknown };
    return this.sent(of, where, body);
  }

  private sent<T>(
    of: Call,
    where: Where,
    body?: unknown,
    headers: Readonly<Record<string, string>> = {},
  ): Observable<T> {
    return this.asked(
      this.http.request<T>(of.method, addressOf(of, where), {
        ...(body === undefined ? {} : { body }),
        ...(where.query ? { params: where.query } : {}),
        headers: { ...headers, ...(of.author ? this.author() : {}) },
      }),
    );
  }

  private file<R extends Route>(of: Call<R>, { body }: Sent<R> & { readonly body: unknown }): Observable<Blob> {
    return this.asked(this.http.request(of.method, addressOf(of, {}), { body, responseType: 'blob' }));
  }

  private withFile<R extends Route>(of: Call<R>, file: File, where: Where): Observable<Told<R>> {
    const form = new FormData();
    form.append('file', file, file.name);
    return this.sent(of, where, form);
  }

  /** Under whose name a change goes on record. */
  private author(): Readonly<Record<string, string>> {
    const name = this.preferences.name().trim();
    return name === '' ? {} : { 'x-who': encodeURIComponent(name) };
  }

  private asked<T>(request: Observable<T>): Observable<T> {
    return request.pipe(
      catchError((error: unknown) => throwError(() => (error instanceof HttpErrorResponse ? apiError(error) : error))),
    );
  }
}

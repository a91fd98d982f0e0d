import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Catalogue, KindId, Specimen } from '@which-bore/core';
import { catchError, throwError, type Observable } from 'rxjs';

export interface StoredSpecimen extends Specimen {
  readonly version: number;
  readonly updatedAt: string;
}

export interface SpecimenSummary {
  readonly id: string;
  readonly name: string;
  readonly kind: KindId;
  readonly readings: number;
  readonly version: number;
  readonly updatedAt: string;
}

/** A request that did not succeed, by what can be done about it. */
export class ApiError extends Error {
  constructor(
    /** `away`: server or database cannot be reached now. `changed`: somebody else was faster. */
    readonly kind: 'away' | 'changed' | 'missing' | 'refused',
    message: string,
    readonly current?: StoredSpecimen,
  ) {
    super(message);
    this.name = 'ApiError';
  }
}

/** What the server's errors look like. */
interface ErrorBody {
  readonly error?: string;
  readonly problems?: readonly { readonly where: string; readonly what: string }[];
  readonly current?: StoredSpecimen;
}

function told(response: HttpErrorResponse): ApiError {
  const body = (typeof response.error === 'object' ? response.error : undefined) as ErrorBody | null | undefined;
  const problems = body?.problems?.map((problem) => `${problem.where}: ${problem.what}`).join(' ') ?? '';
  const message = [body?.error ?? 'The server cannot be reached.', problems].filter(Boolean).join(' ');
  if (response.status === 409) return new ApiError('changed', message, body?.current);
  if (response.status === 404) return new ApiError('missing', message);
  // Status 0 is no answer at all; a proxy or a restarting server answers 5xx.
  return new ApiError(response.status === 0 || response.status >= 500 ? 'away' : 'refused', message);
}

/** The server's routes, each answer or an ApiError. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  catalogue(): Observable<Catalogue> {
    return this.asked(this.http.get<Catalogue>('/api/catalogue'));
  }

  specimens(): Observable<SpecimenSummary[]> {
    return this.asked(this.http.get<SpecimenSummary[]>('/api/specimens'));
  }

  specimen(id: string): Observable<StoredSpecimen> {
    return this.asked(this.http.get<StoredSpecimen>(`/api/specimens/${id}`));
  }

  save({ id, name, kind, readings }: Specimen, version: number): Observable<StoredSpecimen> {
    return this.asked(this.http.put<StoredSpecimen>(`/api/specimens/${id}`, { name, kind, readings, version }));
  }

  remove(id: string): Observable<unknown> {
    return this.asked(this.http.delete(`/api/specimens/${id}`));
  }

  restore(id: string): Observable<StoredSpecimen> {
    return this.asked(this.http.post<StoredSpecimen>(`/api/specimens/${id}/restore`, undefined));
  }

  private asked<T>(request: Observable<T>): Observable<T> {
    return request.pipe(catchError((error: unknown) => throwError(() => (error instanceof HttpErrorResponse ? told(error) : error))));
  }
}

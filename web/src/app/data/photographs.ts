import { inject, Injectable, signal } from '@angular/core';
import { catchError, EMPTY, map, type Observable } from 'rxjs';
import type { Photograph } from '@which-bore/core';
import { Api, ApiError } from './api';
import { UndoBar } from './undoBar';

/** The photographs of the part on the bench. */
@Injectable({ providedIn: 'root' })
export class Photographs {
  private readonly api = inject(Api);
  private readonly undoBar = inject(UndoBar);
  private specimen: string | undefined;
  private readonly list = signal<readonly Photograph[]>([]);
  readonly all = this.list.asReadonly();
  /** Why the last one was not taken. */
  readonly refused = signal<string | undefined>(undefined);
  readonly sending = signal(false);

  /** Goes on to the photographs of another specimen. */
  of(specimen: string | undefined): void {
    if (specimen === this.specimen) return;
    this.specimen = specimen;
    this.list.set([]);
    this.refused.set(undefined);
    if (specimen === undefined) return;
    this.quietly(this.api.photographs(specimen)).subscribe((all) => {
      if (this.specimen === specimen) this.list.set(all);
    });
  }

  /** Sends one. What the server will not take is told with its reason. */
  add(file: File, reading: string | undefined): void {
    const { specimen } = this;
    if (specimen === undefined) return;
    this.refused.set(undefined);
    this.sending.set(true);
    this.api
      .addPhotograph(specimen, file, reading)
      .pipe(
        catchError((error: unknown) => {
          this.sending.set(false);
          if (!(error instanceof ApiError)) throw error;
          this.refused.set(
            error.kind === 'away'
              ? 'The server is away, so the photograph could not be kept. Send it again when it is back.'
              : error.message,
          );
          return EMPTY;
        }),
      )
      .subscribe((photograph) => {
        this.sending.set(false);
        if (this.specimen === specimen) this.list.update((all) => [...all, photograph]);
      });
  }

  remove(photograph: Photograph): void {
    this.quietly(this.api.removePhotograph(photograph.id).pipe(map(() => true))).subscribe(() => {
      this.list.update((all) => all.filter(({ id }) => id !== photograph.id));
      this.undoBar.offer(`Deleted the photograph “${photograph.name}”.`, () =>
        this.quietly(this.api.restorePhotograph(photograph.id)).subscribe((back) =>
          this.list.update((all) => [...all, back]),
        ),
      );
    });
  }

  private quietly<T>(request: Observable<T>): Observable<T> {
    return request.pipe(
      catchError((error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        return EMPTY;
      }),
    );
  }
}

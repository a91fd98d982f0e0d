import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { CatalogueLookup, Requests } from '@which-bore/core';
import { map, startWith, switchMap } from 'rxjs';
import { Questions } from '../data/questions';
import { lookupOf } from '../data/records';

/** What a page shows of the catalogue: its record, and all that is told of it. */
interface RecordPage {
  /** Nothing until it has come. */
  readonly catalogue: Signal<CatalogueLookup | undefined>;
  /** Records that are not told because there are too many. */
  readonly leftOut: Signal<number>;
}

/**
 * Asks for the page of a record, again for another record and whenever the catalogue changes. To be called where a
 * component is made.
 */
export function recordPage(type: Requests['page']['type'], id: Signal<string>): RecordPage {
  const questions = inject(Questions);
  const page = toSignal(
    toObservable(id).pipe(
      switchMap((of) =>
        questions.ask('page', { type, id: of }).pipe(
          map(({ excerpt, leftOut }) => ({ catalogue: lookupOf(excerpt), leftOut })),
          // The page before is not that of this record.
          startWith(undefined),
        ),
      ),
    ),
  );
  return { catalogue: computed(() => page()?.catalogue), leftOut: computed(() => page()?.leftOut ?? 0) };
}

import { DOCUMENT, inject, Injectable } from '@angular/core';
import type { ServerEvent } from '@which-bore/core';
import { fromEvent, map, merge, Observable, share } from 'rxjs';

/** What the server says as it happens; `again` where something may have been missed. */
export type HeardEvent = ServerEvent | 'again';

/** Follows what is changed on the server, by whomever. The browser itself tries again when the connection is lost. */
@Injectable({ providedIn: 'root' })
export class ServerEvents {
  private readonly view = inject(DOCUMENT).defaultView;

  readonly events$: Observable<HeardEvent> = new Observable<HeardEvent>((subscriber) => {
    const { EventSource: Source } = globalThis;
    if (!this.view || typeof Source === 'undefined') return undefined;
    const source = new Source('/api/events');
    let opened = false;
    // A connection that is made anew has missed what was said meanwhile.
    const opening = fromEvent(source, 'open').subscribe(() => {
      if (opened) subscriber.next('again');
      opened = true;
    });
    const following = merge(
      fromEvent(source, 'again').pipe(map((): HeardEvent => 'again')),
      fromEvent<MessageEvent<string>>(source, 'message').pipe(map(({ data }) => JSON.parse(data) as ServerEvent)),
    ).subscribe((event) => subscriber.next(event));
    return () => {
      opening.unsubscribe();
      following.unsubscribe();
      source.close();
    };
  }).pipe(share());
}

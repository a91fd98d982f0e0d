import { DOCUMENT, inject, Injectable, signal } from '@angular/core';
import { NavigationEnd, Router, type NavigationError } from '@angular/router';
import { filter } from 'rxjs';

/** Marks the field in which one goes on at once when its station is landed on. */
const FIRST_FIELD = '[data-first-field]';

/** The path of an address without what is asked there. */
const pathOf = (url: string): string => url.split(/[?#]/)[0] ?? '';

/** What becomes of the focus where one lands, and of links that lead nowhere for now. */
@Injectable({ providedIn: 'root' })
export class Navigation {
  private readonly document = inject(DOCUMENT);
  /** Why the last link did not open. */
  readonly refused = signal<string | undefined>(undefined);

  /** A station that could not be opened: its code has not come. Without it the link would be dead and silent. */
  failed({ url, error }: Pick<NavigationError, 'url' | 'error'>): void {
    const station = pathOf(url).split('/')[1] ?? '';
    this.refused.set(
      /dynamically imported module|Failed to fetch|importing a module|error loading/i.test(String(error))
        ? `“${station}” cannot be opened now: the server is away, and this browser has not fetched that station yet. What you typed is kept. Try again when the server is back.`
        : `“${station}” cannot be opened: ${error instanceof Error ? error.message : String(error)}`,
    );
  }

  /**
   * Follows the router. Whoever lands on another page finds the focus in its first field, else on the page itself, and not
   * on a link behind; one who is typing somewhere is left there.
   *
   * @param firstField the field of a path that stands outside its page
   */
  follow(router: Router, page: () => HTMLElement, firstField: (path: string) => HTMLElement | undefined): void {
    let before: string | undefined;
    router.events.pipe(filter((event) => event instanceof NavigationEnd)).subscribe(({ urlAfterRedirects }) => {
      this.refused.set(undefined);
      const [from, path] = [before, pathOf(urlAfterRedirects)];
      before = path;
      if (from === path || (from !== undefined && station(from) === station(path))) return;
      this.land(page(), firstField(path));
    });
  }

  private land(page: HTMLElement, first: HTMLElement | undefined): void {
    const { activeElement } = this.document;
    if (activeElement instanceof HTMLInputElement || activeElement instanceof HTMLTextAreaElement) return;
    (first ?? page.querySelector<HTMLElement>(FIRST_FIELD) ?? page).focus({ preventScroll: true });
  }
}

const station = (path: string): string => path.split('/')[1] ?? '';

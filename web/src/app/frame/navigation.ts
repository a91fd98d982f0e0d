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
  /** Path of the page that stands. */
  private landed: string | undefined;
  private fieldOf: (path: string) => HTMLElement | undefined = () => undefined;
  private land: (path: string) => void = () => undefined;

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
   * Follows the router. Whoever lands on another page finds the focus in its first field, else on the page itself, and
   * not on a link behind; one who is typing somewhere is left there.
   */
  follow(router: Router, page: () => HTMLElement): void {
    this.land = (path) => {
      const { activeElement } = this.document;
      if (activeElement instanceof HTMLInputElement || activeElement instanceof HTMLTextAreaElement) return;
      (this.fieldOf(path) ?? page().querySelector<HTMLElement>(FIRST_FIELD) ?? page()).focus({ preventScroll: true });
    };
    router.events.pipe(filter((event) => event instanceof NavigationEnd)).subscribe(({ urlAfterRedirects }) => {
      this.refused.set(undefined);
      const [from, path] = [this.landed, pathOf(urlAfterRedirects)];
      this.landed = path;
      if (from === path || (from !== undefined && station(from) === station(path))) return;
      this.land(path);
    });
  }

  /**
   * Offers fields that stand outside the pages and come later than the first of them: who landed there meanwhile finds
   * the focus in it.
   *
   * @param fieldOf the first field of a path, where that is one of these
   */
  offerField(fieldOf: (path: string) => HTMLElement | undefined): void {
    this.fieldOf = fieldOf;
    if (this.landed !== undefined && fieldOf(this.landed)) this.land(this.landed);
  }
}

const station = (path: string): string => path.split('/')[1] ?? '';

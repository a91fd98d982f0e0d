import { DOCUMENT, inject, Injectable } from '@angular/core';

const PREFIX = 'which-bore.';

/**
 * What is kept in this browser. Written at once and synchronously, so that a page closed in the middle of a word loses
 * nothing; a browser that keeps nothing (private window, full disk) still works, it only forgets.
 */
@Injectable({ providedIn: 'root' })
export class BrowserStorage {
  private readonly storage = this.open();

  read(name: string): unknown {
    try {
      const text = this.storage?.getItem(PREFIX + name);
      return text === null || text === undefined ? undefined : (JSON.parse(text) as unknown);
    } catch {
      return undefined;
    }
  }

  /** False when the browser would not keep it. */
  write(name: string, value: unknown): boolean {
    try {
      if (value === undefined) this.storage?.removeItem(PREFIX + name);
      else this.storage?.setItem(PREFIX + name, JSON.stringify(value));
      return this.storage !== undefined;
    } catch {
      return false;
    }
  }

  /** The names kept that begin with `start`. */
  names(start: string): string[] {
    if (!this.storage) return [];
    return Array.from({ length: this.storage.length }, (_each, at) => this.storage?.key(at) ?? '')
      .filter((key) => key.startsWith(PREFIX + start))
      .map((key) => key.slice(PREFIX.length));
  }

  private open(): Storage | undefined {
    try {
      return inject(DOCUMENT).defaultView?.localStorage;
    } catch {
      return undefined;
    }
  }
}

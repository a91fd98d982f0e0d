import type { Held } from '../data/documents/held';
import type { Found } from '../data/documents/heldStore';

/** What a browser holds between visits, in memory: hand the same to the next visit. */
export class FakeHeldStore {
  readonly held = new Map<string, Held>();
  readonly lists = new Map<string, unknown>();

  load(): Promise<Found> {
    return Promise.resolve({ held: new Map(this.held), lists: new Map(this.lists) });
  }

  put(key: string, held: Held): void {
    this.held.set(key, held);
  }

  remove(key: string): void {
    this.held.delete(key);
  }

  putList(name: string, list: unknown): void {
    this.lists.set(name, list);
  }
}

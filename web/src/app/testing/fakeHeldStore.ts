import type { LocalCopy } from '../data/documents/localCopy';
import type { Found } from '../data/documents/localCopies';

/** What a browser holds between visits, in memory: hand the same to the next visit. */
export class FakeHeldStore {
  readonly held = new Map<string, LocalCopy>();
  readonly lists = new Map<string, unknown>();

  load(): Promise<Found> {
    return Promise.resolve({ held: new Map(this.held), lists: new Map(this.lists) });
  }

  put(key: string, held: LocalCopy): void {
    this.held.set(key, held);
  }

  remove(key: string): void {
    this.held.delete(key);
  }

  putList(name: string, list: unknown): void {
    this.lists.set(name, list);
  }
}

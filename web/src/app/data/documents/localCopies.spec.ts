import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { clear, createStore } from 'idb-keyval';
import type { LocalCopy } from './localCopy';
import { LocalCopies } from './localCopies';

const held = (name: string, more: Partial<LocalCopy> = {}): LocalCopy => ({
  sort: 'specimen',
  document: { id: 'a', name } as never,
  version: 1,
  updatedAt: '',
  pending: 'save',
  since: 1,
  ...more,
});

describe('what the browser holds', () => {
  const forget = () => clear(createStore('which-bore-documents', 'held'));
  const visit = (): LocalCopies => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    return TestBed.inject(LocalCopies);
  };
  const nameIn = async (store: LocalCopies) =>
    ((await store.load()).held.get('specimen a')?.document as { name?: string } | undefined)?.name;
  beforeEach(async () => {
    localStorage.clear();
    await forget();
  });
  afterAll(async () => {
    localStorage.clear();
    await forget();
  });

  it('is written down before anything else happens: a page closed at once loses nothing', async () => {
    visit().put('specimen a', held('Just typed'));
    // Nothing was waited for: the database of the browser has hardly begun.
    expect(localStorage.getItem('which-bore.journal.specimen a')).toContain('Just typed');
    expect(await nameIn(visit())).toBe('Just typed');
  });

  it('leaves the journal once the database has it, and not for an older state', async () => {
    const store = visit();
    store.put('specimen a', held('First'));
    store.put('specimen a', held('Second'));
    for (let tries = 0; tries < 200 && localStorage.getItem('which-bore.journal.specimen a') !== null; tries++)
      await new Promise((resolve) => setTimeout(resolve, 10));
    expect(localStorage.getItem('which-bore.journal.specimen a')).toBeNull();
    expect(await nameIn(visit())).toBe('Second');
  });

  it('is gone when it is removed', async () => {
    const store = visit();
    store.put('specimen a', held('First'));
    store.remove('specimen a');
    expect(await nameIn(visit())).toBeUndefined();
  });

  it('holds what the database would not take', async () => {
    spyOn(IDBObjectStore.prototype, 'put').and.throwError('full');
    visit().put('specimen a', held('Kept all the same'));
    expect(await nameIn(visit())).toBe('Kept all the same');
  });

  it('is not taken for a document where another version left it', async () => {
    localStorage.setItem('which-bore.journal.specimen a', '{"document":{"id":3}}');
    localStorage.setItem('which-bore.journal.broken', '{');
    expect((await visit().load()).held.size).toBe(0);
  });
});

import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Specimen } from '@which-bore/core';
import { defer, firstValueFrom, of, throwError, type Observable } from 'rxjs';
import { Api, ApiError, type SpecimenSummary, type StoredSpecimen } from './api';
import { Specimens, type SyncState } from './specimens';

const ID = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';
const specimen = (name: string, ...readings: string[]): Specimen => ({
  id: ID,
  name,
  kind: 'crank',
  readings: readings.map((text, at) => ({
    id: `7a0d5a1e-3f7f-4f43-8f25-00000000000${at}`,
    at: '2026-03-02T08:10:00.000Z',
    is: { sort: 'unread', text, reason: 'x' },
  })),
});

/** A server in memory that can be away. */
class FakeApi {
  away = false;
  stored: StoredSpecimen | undefined;
  deleted = false;
  saves = 0;

  private asked<T>(answer: () => T): Observable<T> {
    return defer(() => {
      try {
        if (this.away) throw new ApiError('away', 'The server cannot be reached.');
        return of(answer());
      } catch (error) {
        return throwError(() => error);
      }
    });
  }

  specimens(): Observable<SpecimenSummary[]> {
    return this.asked(() =>
      this.stored && !this.deleted
        ? [{ id: ID, name: this.stored.name, kind: this.stored.kind, readings: this.stored.readings.length, version: this.stored.version, updatedAt: '' }]
        : [],
    );
  }

  specimen(): Observable<StoredSpecimen> {
    return this.asked(() => this.there());
  }

  save(sent: Specimen, version: number): Observable<StoredSpecimen> {
    return this.asked(() => {
      if (this.deleted) throw new ApiError('missing', 'There is none.');
      if ((this.stored?.version ?? 0) !== version) throw new ApiError('changed', 'Changed meanwhile.', this.stored);
      this.saves++;
      this.stored = { ...sent, version: version + 1, updatedAt: '' };
      return this.stored;
    });
  }

  remove(): Observable<unknown> {
    return this.asked(() => {
      this.there();
      this.deleted = true;
      return null;
    });
  }

  restore(): Observable<StoredSpecimen> {
    return this.asked(() => {
      this.deleted = false;
      return this.there();
    });
  }

  private there(): StoredSpecimen {
    if (!this.stored || this.deleted) throw new ApiError('missing', 'There is none.');
    return this.stored;
  }
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 20));
const returned = () => new Promise((resolve) => setTimeout(resolve, 2400));

describe('the specimens in the browser', () => {
  let server: FakeApi;

  /** The application as after a reload: the same storage and server, everything else anew. */
  function visit(): Specimens {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), { provide: Api, useValue: server }] });
    return TestBed.inject(Specimens);
  }
  const sync = (specimens: Specimens): Promise<SyncState> => firstValueFrom(specimens.sync$);

  beforeEach(() => {
    localStorage.clear();
    server = new FakeApi();
  });
  afterAll(() => localStorage.clear());

  it('go up at once while the server is there', async () => {
    const specimens = visit();
    specimens.change(specimen('Crank', 'main'));
    await settled();
    expect(server.stored?.readings.length).toBe(1);
    expect(await sync(specimens)).toEqual({ waiting: 0, away: false, refused: undefined });
  });

  it('wait here while the server is away, survive a reload, and go up when it is back', async () => {
    const before = visit();
    server.away = true;
    before.change(specimen('Crank', 'main', 'pin'));
    await settled();
    expect(await sync(before)).toEqual(jasmine.objectContaining({ waiting: 1, away: true }));
    const after = visit();
    expect(after.peek(ID)?.readings.length).toBe(2);
    expect(await after.open(ID)).toBe('there');
    server.away = false;
    await returned();
    expect(server.stored?.readings.length).toBe(2);
    expect(await sync(after)).toEqual(jasmine.objectContaining({ waiting: 0, away: false }));
  });

  it('are merged when somebody else was faster', async () => {
    const specimens = visit();
    specimens.change(specimen('Crank', 'main'));
    await settled();
    const theirs = specimen('Crank', 'main', 'theirs');
    server.stored = { ...theirs, version: 2, updatedAt: '' };
    specimens.change(specimen('My crank', 'main'));
    await settled();
    expect(server.stored.name).toBe('My crank');
    expect(server.stored.readings.map((each) => each.is.text)).toEqual(['main', 'theirs']);
    expect(server.stored.version).toBe(3);
  });

  it('are deleted, and brought back whole', async () => {
    const specimens = visit();
    specimens.change(specimen('Crank', 'main'));
    await settled();
    specimens.remove(ID);
    await settled();
    expect(server.deleted).toBeTrue();
    expect(await firstValueFrom(specimens.all$)).toEqual([]);
    expect(specimens.peek(ID)).toBeUndefined();
    specimens.bringBack(ID);
    await settled();
    expect(server.deleted).toBeFalse();
    expect(specimens.peek(ID)?.readings.length).toBe(1);
  });

  it('outlive a deletion elsewhere when they were changed here', async () => {
    const specimens = visit();
    specimens.change(specimen('Crank', 'main'));
    await settled();
    server.deleted = true;
    specimens.change(specimen('Crank', 'main', 'new'));
    await settled();
    expect(server.deleted).toBeFalse();
    expect(server.stored?.readings.map((each) => each.is.text)).toEqual(['main', 'new']);
  });

  it('take changes back one by one', async () => {
    const specimens = visit();
    specimens.change(specimen('Crank'));
    specimens.change(specimen('Crank', 'main'));
    specimens.change(specimen('Crank', 'main', 'pin'));
    expect(specimens.undo(ID)).toBeTrue();
    expect(specimens.peek(ID)?.readings.length).toBe(1);
    expect(specimens.undo(ID)).toBeTrue();
    expect(specimens.undo(ID)).toBeFalse();
    await settled();
    expect(server.stored?.readings.length).toBe(0);
  });

  it('ignores what another version left in the storage', () => {
    localStorage.setItem(`which-bore.specimen.${ID}`, '{"specimen":{"id":3}}');
    localStorage.setItem('which-bore.specimen.broken', '{');
    expect(visit().peek(ID)).toBeUndefined();
  });
});

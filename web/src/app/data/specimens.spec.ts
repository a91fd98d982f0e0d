import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Specimen, StoredSpecimen } from '@which-bore/core';
import { defer, finalize, firstValueFrom, Subject, switchMap, timer, type Observable } from 'rxjs';
import { FakeHeldStore } from '../testing/fakeHeldStore';
import { FakeServer } from '../testing/fakeServer';
import { Api } from './api';
import { LocalCopies } from './documents/localCopies';
import { ServerEvents, type HeardEvent } from './serverEvents';
import { Specimens } from './specimens';

const idOf = (at: number): string => `7a0d5a1e-3f7f-4f43-8f25-${String(at).padStart(12, '0')}`;
const IDS = Array.from({ length: 12 }, (_, at) => idOf(at));

/** A server that takes its time over every part, and counts how often each was asked for and how many at once. */
class SlowServer extends FakeServer {
  readonly fetched: string[] = [];
  mostAtOnce = 0;
  private atWork = 0;

  override specimen(id: string): Observable<StoredSpecimen> {
    return defer(() => {
      this.fetched.push(id);
      this.mostAtOnce = Math.max(this.mostAtOnce, ++this.atWork);
      return timer(1).pipe(
        switchMap(() => super.specimen(id)),
        finalize(() => this.atWork--),
      );
    });
  }
}

describe('parts that are opened together', () => {
  let server: SlowServer;
  let live: Subject<HeardEvent>;
  let specimens: Specimens;
  const put = (at: number, name: string, version = 1) => {
    const document: Specimen = { id: idOf(at), name, kind: 'rod', readings: [] };
    server.specimensStored.set(document.id, { document, version, deleted: false });
  };
  beforeEach(async () => {
    [server, live] = [new SlowServer(), new Subject()];
    IDS.forEach((_, at) => put(at, `Rod ${at}`));
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Api, useValue: server },
        { provide: LocalCopies, useValue: new FakeHeldStore() },
        { provide: ServerEvents, useValue: { events$: live } },
      ],
    });
    specimens = TestBed.inject(Specimens);
    await firstValueFrom(specimens.all$);
  });

  it('come whole, each fetched once, a few at a time', async () => {
    const told: number[] = [];
    specimens.watchEach(IDS).subscribe((all) => told.push(all.length));
    const all = await firstValueFrom(specimens.watchEach(IDS));
    expect(all.map(({ name }) => name)).toEqual(IDS.map((_, at) => `Rod ${at}`));
    expect([...server.fetched].sort()).toEqual([...IDS].sort());
    expect(server.mostAtOnce).toBeLessThan(8);
    // Twelve that come one by one are not twelve lists.
    expect(told).toEqual([12]);
  });

  it('are told again when one is changed, and none is fetched for it', async () => {
    const told: (readonly string[])[] = [];
    const two = IDS.slice(0, 2);
    const watched = specimens.watchEach(two);
    await firstValueFrom(watched);
    watched.subscribe((all) => told.push(all.map(({ name }) => name)));
    const [first] = await firstValueFrom(watched);
    if (first) specimens.change({ ...first, name: 'Rod, bent' });
    expect(told).toEqual([
      ['Rod 0', 'Rod 1'],
      ['Rod, bent', 'Rod 1'],
    ]);
    expect(server.fetched.length).toBe(2);
  });

  it('are fetched anew where the list has a later state of one', async () => {
    await firstValueFrom(specimens.watchEach(IDS));
    put(3, 'Rod 3, weighed', 2);
    specimens.refresh();
    const all = await firstValueFrom(specimens.watchEach(IDS));
    expect(all[3]?.name).toBe('Rod 3, weighed');
    expect(server.fetched.length).toBe(13);
  });

  it('leave out what is there no more, and none are none', async () => {
    server.specimensStored.delete(idOf(1));
    const all = await firstValueFrom(specimens.watchEach(IDS.slice(0, 3)));
    expect(all.map(({ name }) => name)).toEqual(['Rod 0', 'Rod 2']);
    expect(await firstValueFrom(specimens.watchEach([]))).toEqual([]);
  });

  it('are the ones that are held here while the server is away', async () => {
    await firstValueFrom(specimens.watchEach(IDS.slice(0, 2)));
    server.away = true;
    const all = await firstValueFrom(specimens.watchEach(IDS.slice(0, 3)));
    expect(all.length).toBe(2);
  });

  it('are asked for once however many want them at a time', async () => {
    const opened = await Promise.all([0, 1, 2].map(() => specimens.open(idOf(5))));
    expect(opened).toEqual(['there', 'there', 'there']);
    expect(server.fetched).toEqual([idOf(5)]);
    await specimens.open(idOf(5));
    expect(server.fetched.length).toBe(2);
  });
});

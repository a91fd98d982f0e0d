import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Specimen } from '@which-bore/core';
import { firstValueFrom, Subject } from 'rxjs';
import { FakeHeldStore } from '../../testing/fakeHeldStore';
import { FakeServer } from '../../testing/fakeServer';
import { Api } from '../api';
import { Jobs } from '../jobs';
import { ServerEvents, type HeardEvent } from '../serverEvents';
import { ShopData } from '../shopData';
import { Specimens } from '../specimens';
import { LocalCopies } from './localCopies';
import { Outbox, type Sync } from './outbox';

const ID = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';
const OTHER = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a22';
const specimen = (name: string, readings: readonly string[] = [], more: Partial<Specimen> = {}): Specimen => ({
  id: ID,
  name,
  kind: 'crank',
  readings: readings.map((text, at) => ({
    id: `7a0d5a1e-3f7f-4f43-8f25-00000000000${at}`,
    at: '2026-03-02T08:10:00.000Z',
    is: { sort: 'unread', text },
  })),
  ...more,
});
const MINUTE = 60_000;

describe('documents in the browser', () => {
  let server: FakeServer;
  let store: FakeHeldStore;
  let live: Subject<HeardEvent>;
  let specimens: Specimens;
  let jobs: Jobs;
  let shop: ShopData;
  let outbox: Outbox;

  /** The application as after a reload: the same storage and server, everything else anew. */
  async function visit(): Promise<void> {
    TestBed.resetTestingModule();
    live = new Subject();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Api, useValue: server },
        { provide: LocalCopies, useValue: store },
        { provide: ServerEvents, useValue: { events$: live } },
      ],
    });
    [specimens, jobs, shop, outbox] = [
      TestBed.inject(Specimens),
      TestBed.inject(Jobs),
      TestBed.inject(ShopData),
      TestBed.inject(Outbox),
    ];
    await settled();
  }
  /** What is asked and answered at once is through. */
  const settled = async () => {
    for (let turn = 0; turn < 60; turn++) await Promise.resolve();
  };
  /** So much time goes by, on a clock of the test's own. */
  const pass = async (ms: number) => {
    jasmine.clock().tick(ms);
    await settled();
  };
  const sync = (): Promise<Sync> => firstValueFrom(outbox.sync$);
  const all = async () => (await firstValueFrom(specimens.all$)).map(({ name }) => name);
  const stored = (id = ID) => server.specimensStored.get(id);

  beforeEach(async () => {
    jasmine.clock().install();
    [server, store] = [new FakeServer(), new FakeHeldStore()];
    await visit();
  });
  afterEach(() => jasmine.clock().uninstall());

  it('go up at once while the server is there', async () => {
    specimens.change(specimen('Crank', ['main']));
    expect((await sync()).waiting).toBe(1);
    await settled();
    expect(stored()?.document.readings.length).toBe(1);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('wait here while the server is away, survive a reload, and go up when it is back', async () => {
    server.away = true;
    specimens.change(specimen('Crank', ['main', 'pin']));
    await settled();
    expect(await sync()).toEqual({ waiting: 1, away: true, refused: [] });
    await visit();
    expect(specimens.peek(ID)?.readings.length).toBe(2);
    expect(await specimens.open(ID)).toBe('there');
    expect(await all()).toEqual(['Crank']);
    server.away = false;
    await pass(MINUTE);
    expect(stored()?.document.readings.length).toBe(2);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('are asked for less and less often while the server is away, and at once when it speaks again', async () => {
    server.away = true;
    specimens.change(specimen('Crank'));
    await settled();
    const tried = spyOn(server, 'save').and.callThrough();
    await pass(1000);
    expect(tried).toHaveBeenCalledTimes(1);
    await pass(1000);
    expect(tried).withContext('the second time after two seconds more').toHaveBeenCalledTimes(1);
    await pass(1000);
    expect(tried).toHaveBeenCalledTimes(2);
    await pass(10 * MINUTE);
    expect(tried.calls.count()).withContext('not every few seconds for ever').toBeLessThan(30);
    server.away = false;
    live.next('again');
    await settled();
    expect(stored()).toBeDefined();
  });

  it('of which one needs another go up after it, whichever was entered first', async () => {
    server.away = true;
    specimens.change(specimen('Part', ['main']));
    const job = jobs.begin('New job');
    specimens.change(specimen('Part', ['main'], { job }));
    jobs.alter(job, (each) => ({ ...each, name: 'New job, renamed' }));
    await settled();
    server.away = false;
    await pass(MINUTE);
    expect(server.log.filter((each) => each.startsWith('put'))).toEqual([
      'put job New job, renamed',
      'put specimen Part',
    ]);
    expect(stored()?.document.job).toBe(job);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('that are deleted while the server is away stay deleted', async () => {
    const job = jobs.begin('To be deleted');
    await settled();
    server.away = true;
    jobs.remove(job);
    await settled();
    expect(await firstValueFrom(jobs.all$)).toEqual([]);
    expect((await sync()).waiting)
      .withContext('it is not through yet')
      .toBe(1);
    await visit();
    expect(await firstValueFrom(jobs.all$)).toEqual([]);
    server.away = false;
    await pass(MINUTE);
    expect(server.jobsStored.get(job)?.deleted).toBeTrue();
    expect(await firstValueFrom(jobs.all$)).toEqual([]);
  });

  it('that are refused stay here with the reason, are never called saved, and block no other', async () => {
    server.refuses.set('Odd', 'A name like that is not taken.');
    specimens.change(specimen('Odd', ['main']));
    specimens.change({ ...specimen('Even'), id: OTHER });
    await settled();
    expect(stored(OTHER)).toBeDefined();
    expect(await sync()).toEqual({
      waiting: 0,
      away: false,
      refused: [{ key: `specimen ${ID}`, name: 'Odd', why: 'A name like that is not taken.' }],
    });
    expect(specimens.peek(ID)?.readings.length).toBe(1);
    server.refuses.clear();
    outbox.tryAgain();
    await settled();
    expect(stored()?.document.name).toBe('Odd');
    expect((await sync()).refused).toEqual([]);
  });

  it('refused for want of another are sent again once that is there', async () => {
    server.refuses.set('Job', 'Not now.');
    const job = jobs.begin('Job');
    specimens.change(specimen('Part', [], { job }));
    await settled();
    expect((await sync()).refused.map(({ name }) => name)).toEqual(['Job', 'Part']);
    server.refuses.clear();
    jobs.alter(job, (each) => ({ ...each, note: 'changed' }));
    await settled();
    expect(stored()?.document.job).toBe(job);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('are merged when somebody else was faster', async () => {
    specimens.change(specimen('Crank', ['main']));
    await settled();
    server.specimensStored.set(ID, {
      document: { ...specimen('Crank', ['main', 'theirs']) },
      version: 2,
      deleted: false,
    });
    specimens.change(specimen('My crank', ['main']));
    await settled();
    expect(stored()?.document.name).toBe('My crank');
    expect(stored()?.document.readings.map(({ is }) => is.text)).toEqual(['main', 'theirs']);
    expect(stored()?.version).toBe(3);
  });

  it('whose answer was lost are sent again and are there once', async () => {
    server.losesAnswer = true;
    specimens.change(specimen('Crank', ['main']));
    await settled();
    expect((await sync()).away).toBeTrue();
    await pass(MINUTE);
    expect([stored()?.version, stored()?.document.readings.length]).toEqual([1, 1]);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('changed while a change of them goes up go up once more', async () => {
    specimens.change(specimen('Crank', ['main']));
    specimens.change(specimen('Crank', ['main', 'pin']));
    specimens.change(specimen('Crank', ['main', 'pin', 'stroke']));
    await settled();
    expect(stored()?.document.readings.length).toBe(3);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('stay as they went up, though an answer of before comes in late', async () => {
    specimens.change(specimen('Crank', ['main']));
    await settled();
    const asked = { document: specimen('Crank', ['main']), version: 1, updatedAt: '2026-03-02T08:10:00.000Z' };
    specimens.change(specimen('Crank', ['main', 'pin']));
    await settled();
    outbox.take('specimen', asked);
    expect(specimens.peek(ID)?.readings.length).toBe(2);
    // What is as new as here, or newer, is taken.
    outbox.take('specimen', { ...asked, document: specimen('Renamed elsewhere'), version: 3 });
    expect(specimens.peek(ID)?.name).toBe('Renamed elsewhere');
  });

  it('are deleted, and brought back whole', async () => {
    specimens.change(specimen('Crank', ['main']));
    await settled();
    specimens.remove(ID);
    await settled();
    expect(stored()?.deleted).toBeTrue();
    expect(await all()).toEqual([]);
    expect(specimens.peek(ID)).toBeUndefined();
    specimens.bringBack(ID);
    await settled();
    expect(stored()?.deleted).toBeFalse();
    expect(specimens.peek(ID)?.readings.length).toBe(1);
    expect(await sync()).toEqual({ waiting: 0, away: false, refused: [] });
  });

  it('deleted and brought back while the server is away were never deleted', async () => {
    specimens.change(specimen('Crank', ['main']));
    await settled();
    server.away = true;
    specimens.remove(ID);
    await settled();
    specimens.bringBack(ID);
    server.away = false;
    await pass(MINUTE);
    expect(server.log).toEqual(['put specimen Crank']);
    expect(specimens.peek(ID)?.readings.length).toBe(1);
  });

  it('outlive a deletion elsewhere when they were changed here, and go with it when they were not', async () => {
    specimens.change(specimen('Crank', ['main']));
    specimens.change({ ...specimen('Left alone'), id: OTHER });
    await settled();
    for (const each of server.specimensStored.values()) each.deleted = true;
    specimens.change(specimen('Crank', ['main', 'new']));
    live.next({ of: 'specimen', id: OTHER, version: 9, gone: true });
    await settled();
    expect(stored()?.deleted).toBeFalse();
    expect(stored()?.document.readings.map(({ is }) => is.text)).toEqual(['main', 'new']);
    expect(specimens.peek(OTHER)).toBeUndefined();
  });

  it('follow what others change, as it is told', async () => {
    specimens.change(specimen('Crank', ['main']));
    await settled();
    server.specimensStored.set(ID, { document: specimen('Renamed elsewhere', ['main']), version: 2, deleted: false });
    live.next({ of: 'specimen', id: ID, version: 2 });
    await settled();
    expect(specimens.peek(ID)?.name).toBe('Renamed elsewhere');
    server.jobsStored.set(OTHER, {
      document: { id: OTHER, name: 'A job of theirs', readings: [] },
      version: 1,
      deleted: false,
    });
    live.next({ of: 'job', id: OTHER, version: 1 });
    await settled();
    expect((await firstValueFrom(jobs.all$)).map(({ name }) => name)).toEqual(['A job of theirs']);
  });

  it('take changes back one by one', async () => {
    specimens.change(specimen('Crank'));
    specimens.change(specimen('Crank', ['main']));
    specimens.change(specimen('Crank', ['main', 'pin']));
    expect(specimens.undo(ID)).toBeTrue();
    expect(specimens.peek(ID)?.readings.length).toBe(1);
    expect(specimens.undo(ID)).toBeTrue();
    expect(specimens.undo(ID)).toBeFalse();
    await settled();
    expect(stored()?.document.readings.length).toBe(0);
  });

  it('of the shop are merged rule by rule', async () => {
    const { instruments } = server.shopStored;
    shop.alter({ instruments, rules: { marks: 'measure' } });
    await settled();
    server.shopStored = {
      instruments: instruments.slice(1),
      rules: { marks: 'measure', cylinders: 'liner' },
      version: 2,
    };
    shop.alter({ instruments, rules: { marks: 'measure', claims: 'never' } as never });
    await settled();
    expect(server.shopStored.rules).toEqual({ marks: 'measure', cylinders: 'liner', claims: 'never' } as never);
    expect(server.shopStored.instruments.length)
      .withContext('removed elsewhere, untouched here')
      .toBe(instruments.length - 1);
  });
});

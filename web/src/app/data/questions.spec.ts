import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { USUAL_SHOP, type Answers, type QuestionName } from '@which-bore/core';
import { BehaviorSubject, defer, firstValueFrom, of, Subject, throwError } from 'rxjs';
import { Api, ApiError } from './api';
import { ServerEvents, type HeardEvent } from './serverEvents';
import { InWorker, Questions } from './questions';
import { ShopData } from './shopData';
import type { WorkshopState } from './workshopState';

type Told = Answers['overview'];
const overview = (schemes: string): Told => ({
  counts: { maker: 0, family: 0, pattern: 0, variant: 0, scheme: 0, swap: 0 },
  kinds: [],
  schemes: [{ id: schemes, name: schemes }],
});
const who = (told: Told) => told.schemes[0]?.id;

describe('questions of the page', () => {
  let tell: (state: WorkshopState) => void;
  let events: Subject<HeardEvent>;
  let shop: BehaviorSubject<typeof USUAL_SHOP>;
  let server: 'there' | 'away' | 'refuses';
  let worker: 'ready' | 'not yet' | 'refuses';
  let log: string[];
  let questions: Questions;

  beforeEach(async () => {
    [events, shop, server, worker, log] = [new Subject(), new BehaviorSubject(USUAL_SHOP), 'there', 'ready', []];
    const fakeWorker = {
      open: (said: typeof tell) => {
        tell = said;
        return Promise.resolve();
      },
      refresh: () => Promise.resolve(void log.push('worker looks')),
      setShop: () => Promise.resolve(void log.push('worker has the shop')),
      ask: (name: QuestionName, _request: unknown, patient: boolean) => {
        log.push(`worker ${name}${patient ? ' patiently' : ''}`);
        if (worker === 'refuses') return Promise.resolve({ refused: 'missing', error: 'There is no such thing.' });
        return Promise.resolve(worker === 'ready' || patient ? overview('worker') : { notYet: true });
      },
    };
    const api = {
      ask: () =>
        defer(() => {
          log.push('server');
          if (server === 'there') return of(overview('server'));
          return throwError(() =>
            server === 'away' ? new ApiError('away', 'away') : new ApiError('refused', 'It cannot be asked so.'),
          );
        }),
    };
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Api, useValue: api },
        { provide: ServerEvents, useValue: { events$: events } },
        { provide: ShopData, useValue: { shop$: shop } },
        { provide: InWorker, useValue: { open: () => Promise.resolve(fakeWorker) } },
      ],
    });
    questions = TestBed.inject(Questions);
    await Promise.resolve();
  });
  const asked = () => firstValueFrom(questions.askOnce('overview', {}));

  it('go to the server until the worker holds the catalogue, and then to the worker', async () => {
    expect(who(await asked())).toBe('server');
    tell({ tag: 'a-1', current: true, busy: false });
    expect(who(await asked())).toBe('worker');
    tell({ tag: 'a-1', current: true, busy: true });
    expect(who(await asked()))
      .withContext('while it is laying something out')
      .toBe('server');
  });

  it('go to the server while the worker would have to lay much out first', async () => {
    tell({ tag: 'a-1', current: true, busy: false });
    worker = 'not yet';
    expect(who(await asked())).toBe('server');
    expect(log).toEqual(['worker overview', 'server']);
  });

  it('go to whatever is here while the server is away, however old it is', async () => {
    server = 'away';
    worker = 'not yet';
    tell({ tag: 'a-1', current: false, busy: false });
    expect(who(await asked())).toBe('worker');
    expect(log).toEqual(['server', 'worker overview patiently']);
  });

  it('wait for the first who can answer where neither can yet', async () => {
    server = 'away';
    const answer = asked();
    await Promise.resolve();
    tell({ tag: 'a-1', current: false, busy: false });
    expect(who(await answer)).toBe('worker');
  });

  it('that are refused fail with the words of whoever refused them, and are not asked of the other', async () => {
    server = 'refuses';
    await expectAsync(asked()).toBeRejectedWithError(/cannot be asked so/);
    tell({ tag: 'a-1', current: true, busy: false });
    worker = 'refuses';
    log = [];
    await expectAsync(asked()).toBeRejectedWithError(/no such thing/);
    expect(log).toEqual(['worker overview']);
  });

  it('are asked again when the catalogue is changed by anybody, when it is changed here, and when the shop is', async () => {
    const heard: (string | undefined)[] = [];
    const following = questions.ask('overview', {}).subscribe((told) => heard.push(who(told)));
    const settled = () => new Promise((resolve) => setTimeout(resolve));
    await settled();
    tell({ tag: 'a-1', current: true, busy: false });
    await settled();
    expect(heard).withContext('the first state heard of is the one asked of').toEqual(['server']);
    events.next({ of: 'catalogue', tag: 'a-2' });
    await settled();
    expect(heard).withContext('the worker has not caught up').toEqual(['server', 'server']);
    expect(log).toContain('worker looks');
    tell({ tag: 'a-2', current: true, busy: false });
    await settled();
    expect(heard.length).withContext('the worker reaching the same state is no news').toBe(2);
    questions.refresh();
    await settled();
    expect(heard.length).toBe(3);
    shop.next({ ...USUAL_SHOP, rules: { marks: 'measure' } });
    await settled();
    expect(log).toContain('worker has the shop');
    expect(heard.length).toBe(4);
    following.unsubscribe();
  });
});

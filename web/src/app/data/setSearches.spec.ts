import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Answers, QuestionName, Requests, SetSearch } from '@which-bore/core';
import { of } from 'rxjs';
import { ApiError } from './api';
import { Questions } from './questions';
import { SetSearches } from './setSearches';

const ID = '5f1d00c1-0000-4000-8000-00000000005e';
const REQUEST: Requests['planSets'] = {
  build: { id: ID, name: '336', variant: 'sluice-336', places: [], sizes: [] },
  demands: { places: [{ slot: 'piston', from: 'any' }] },
};
const NONE: Answers['planSets'] = {
  sets: [],
  proved: true,
  combinations: 1,
  nodes: 1,
  looked: 0,
  options: [],
  refused: [],
  worth: [],
};
const standing = (state: SetSearch['state']): SetSearch => ({
  id: ID,
  state,
  askedAt: '2026-10-05T09:00:00Z',
  takenUp: 1,
});

/** What the browser follows a search by, told by hand what comes. */
class FakeSource extends EventTarget {
  static readonly CLOSED = 2;
  static last: FakeSource;
  readyState = 1;

  constructor(readonly url: string) {
    super();
    FakeSource.last = this;
  }

  say(search: SetSearch): void {
    this.dispatchEvent(new MessageEvent('message', { data: JSON.stringify(search) }));
  }

  fail(readyState: number): void {
    this.readyState = readyState;
    this.dispatchEvent(new Event('error'));
  }

  close(): void {
    this.readyState = FakeSource.CLOSED;
  }
}

describe('searches for sets', () => {
  const { EventSource: real } = globalThis;
  let searches: SetSearches;
  let http: HttpTestingController;
  let asked: QuestionName[];

  beforeEach(() => {
    asked = [];
    globalThis.EventSource = FakeSource as unknown as typeof EventSource;
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideHttpClient(),
        provideHttpClientTesting(),
        {
          provide: Questions,
          useValue: {
            askOnce: (name: QuestionName) => {
              asked.push(name);
              return of(name === 'planSets' ? NONE : { conflicts: [], relaxations: [], proved: true });
            },
          },
        },
      ],
    });
    searches = TestBed.inject(SetSearches);
    http = TestBed.inject(HttpTestingController);
  });
  afterEach(() => {
    globalThis.EventSource = real;
    http.verify();
  });

  const heard = (of$ = searches.begin(REQUEST)) => {
    const told: string[] = [];
    const running = of$.subscribe({
      next: ({ state }) => told.push(state),
      error: (error: unknown) => told.push(error instanceof ApiError ? `${error.kind}: ${error.message}` : 'failed'),
      complete: () => told.push('over'),
    });
    return { told, running };
  };

  it('are begun on the server and followed to their end', () => {
    const { told } = heard();
    http.expectOne('/api/plan/searches').flush(standing('waiting'), { status: 202, statusText: 'Accepted' });
    expect(FakeSource.last.url).toBe(`/api/plan/searches/${ID}/events`);
    FakeSource.last.say(standing('searching'));
    // A connection that is lost is made anew by the browser: nothing ends with that.
    FakeSource.last.fail(0);
    FakeSource.last.say(standing('done'));
    expect(told).toEqual(['waiting', 'searching', 'done', 'over']);
    expect(FakeSource.last.readyState).toBe(FakeSource.CLOSED);
  });

  it('go on on the server when nobody follows them any more', () => {
    const { running } = heard(searches.follow(ID));
    running.unsubscribe();
    expect(FakeSource.last.readyState).toBe(FakeSource.CLOSED);
  });

  it('that are not kept any more are said to be none', () => {
    const { told } = heard(searches.follow(ID));
    FakeSource.last.fail(FakeSource.CLOSED);
    expect(told).toEqual(['missing: This search is not kept any more: it ended more than a day ago. Begin it anew.']);
  });

  it('are done here where the server is away, to why there is no set', () => {
    const { told } = heard();
    http.expectOne('/api/plan/searches').error(new ProgressEvent('error'));
    expect(asked).toEqual(['planSets', 'planConflicts']);
    expect(told).toEqual(['searching', 'searching', 'done', 'over']);
  });

  it('are refused where the server refuses them', () => {
    const { told } = heard();
    http
      .expectOne('/api/plan/searches')
      .flush({ error: 'You have 20 searches waiting.' }, { status: 429, statusText: 'Too Many Requests' });
    expect(told).toEqual(['refused: You have 20 searches waiting.']);
    expect(asked).toEqual([]);
  });

  it('are told to stop by their address', () => {
    searches.stop(ID).subscribe();
    const { request } = http.expectOne(`/api/plan/searches/${ID}`);
    expect(request.method).toBe('DELETE');
    // One that is done here nobody else knows.
    searches.stop('').subscribe();
  });
});

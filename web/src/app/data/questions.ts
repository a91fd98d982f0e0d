import { ApplicationRef, inject, Injectable, Injector } from '@angular/core';
import {
  isRefusal,
  resolveNeeds,
  type Answers,
  type NeedName,
  type QuestionName,
  type Refusal,
  type Requests,
  type Shop,
} from '@which-bore/core';
import { ROUTES } from '@which-bore/core/routes';
import { proxy, wrap, type Remote } from 'comlink';
import { dequal } from 'dequal';
import {
  BehaviorSubject,
  defer,
  distinctUntilChanged,
  filter,
  firstValueFrom,
  from,
  map,
  merge,
  of,
  race,
  scan,
  skip,
  startWith,
  Subject,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import { Api, ApiError } from './api';
import { ServerEvents } from './serverEvents';
import { PageDocuments } from './pageDocuments';
import { ShopData } from './shopData';
import type { WorkshopWorker } from './workshop.worker';
import { isNotYet, type WorkshopState } from './workshopState';

const RETRY_MS = 1500;
/** The workshop of this browser begins by then, whatever else is still on its way. */
const LATEST_MS = 5000;

type WorkshopInBrowser = Pick<Remote<WorkshopWorker>, 'open' | 'ask' | 'setShop' | 'refresh'>;

const needsOf = (name: QuestionName): readonly NeedName[] => ROUTES[name].needs ?? [];

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const today = () => new Date().toISOString().slice(0, 10);

/** Where a workshop runs, other than on the server. */
abstract class WorkshopPlace {
  abstract open(): Promise<WorkshopInBrowser>;
}

/** In a worker of this browser: begun once the first view stands, which the server answers for. */
@Injectable({ providedIn: 'root' })
export class InWorker extends WorkshopPlace {
  private readonly page = inject(ApplicationRef);

  async open() {
    await Promise.race([this.page.whenStable(), wait(LATEST_MS)]);
    for (;;) {
      const worker = new Worker(new URL('./workshop.worker', import.meta.url), { type: 'module' });
      const remote = wrap<WorkshopWorker>(worker);
      // The server may be gone before the code has come: it is asked again.
      const failed = new Promise<false>((resolve) =>
        worker.addEventListener('error', () => resolve(false), { once: true }),
      );
      if (await Promise.race([remote.isThere(), failed])) return remote;
      worker.terminate();
      await wait(RETRY_MS);
    }
  }
}

/**
 * Every question of the page, put to whoever can answer it first: the workshop of this browser once it holds the
 * catalogue, the server before that and while the other is laying things out. Both answer the same.
 */
@Injectable({ providedIn: 'root' })
export class Questions {
  private readonly api = inject(Api);
  private readonly shop = inject(ShopData);
  private readonly place = inject(InWorker);
  private readonly injector = inject(Injector);
  /** The workshop of this browser, which was told how to begin. */
  private readonly worker: Promise<WorkshopInBrowser>;
  private readonly state$ = new BehaviorSubject<WorkshopState>({ tag: '', current: false, busy: true });
  /** States of the catalogue that the server has told of. */
  private readonly told$ = new Subject<string>();
  private latest = '';
  private readonly refreshed$ = new Subject<void>();

  /** Emits when the catalogue or the shop is another than before, so that what was asked is asked again. */
  readonly changed$: Observable<unknown>;

  constructor() {
    const shop$ = this.shop.shop$.pipe(distinctUntilChanged());
    this.worker = this.begin(shop$);
    const tag$ = merge(
      this.told$,
      this.state$.pipe(
        filter(({ current, tag }) => current && tag !== ''),
        map(({ tag }) => tag),
      ),
    ).pipe(
      distinctUntilChanged(),
      // The first state heard of is that which everything was asked of before it was known.
      skip(1),
    );
    const shopChanged$ = shop$.pipe(
      skip(1),
      switchMap(async (shop) => (await this.worker).setShop(shop, today())),
    );
    const news = new Subject<unknown>();
    merge(tag$, shopChanged$, this.refreshed$).subscribe(news);
    this.changed$ = news;
    inject(ServerEvents).events$.subscribe((event) => {
      if (event === 'again') this.refresh();
      else if (event.of === 'catalogue') {
        this.latest = event.tag;
        this.told$.next(event.tag);
        void this.worker.then((worker) => worker.refresh());
      }
    });
  }

  private async begin(shop$: Observable<Shop>): Promise<WorkshopInBrowser> {
    const worker = await this.place.open();
    void worker.open(
      proxy((state: WorkshopState) => this.state$.next(state)),
      await firstValueFrom(shop$),
      today(),
    );
    return worker;
  }

  /**
   * The answer, and another whenever the catalogue, the shop or what it needs of the documents is changed. A question
   * that is refused fails with an ApiError.
   */
  ask<N extends QuestionName>(name: N, request: Requests[N]): Observable<Answers[N]> {
    return this.whole(name, request).pipe(
      switchMap((whole) =>
        this.changed$.pipe(
          scan((times) => times + 1, 0),
          startWith(0),
          switchMap(() => this.answer(name, whole)),
        ),
      ),
    );
  }

  /** The answer as things stand. */
  askOnce<N extends QuestionName>(name: N, request: Requests[N]): Observable<Answers[N]> {
    return defer(async () => this.answer(name, await this.resolved(name, request)));
  }

  /** A question with what it needs of the documents, and anew when that is another. */
  private whole<N extends QuestionName>(name: N, request: Requests[N]): Observable<Requests[N]> {
    const needs = needsOf(name);
    if (needs.length === 0) return of(request);
    return defer(() => this.documents.changes(needs)).pipe(
      startWith(undefined),
      switchMap(() => from(this.resolved(name, request))),
      distinctUntilChanged((a, b) => dequal(a, b)),
    );
  }

  private async resolved<N extends QuestionName>(name: N, request: Requests[N]): Promise<Requests[N]> {
    if (needsOf(name).length === 0) return request;
    return resolveNeeds(needsOf(name), request, this.documents, {
      numbersToBuy: async ({ build, demands, specimens = [] }) =>
        (await this.answer('planChoices', { build, demands, specimens, shelf: [] })).numbers,
    });
  }

  /** Made when a question first needs them: they begin to look what the server has. */
  private get documents(): PageDocuments {
    return this.injector.get(PageDocuments);
  }

  /** Goes on with the catalogue as it is after something was changed in it from here. */
  refresh(): void {
    // Until the worker has caught up the server is asked.
    this.state$.next({ ...this.state$.value, current: false });
    void this.worker.then((worker) => worker.refresh());
    this.refreshed$.next();
  }

  private async answer<N extends QuestionName>(name: N, request: Requests[N]): Promise<Answers[N]> {
    for (;;) {
      if (this.isReady) {
        const said = await (await this.worker).ask(name, request, false);
        if (!isNotYet(said)) return answered<N>(said as Answers[N] | Refusal);
      }
      try {
        return await firstValueFrom(this.api.ask(name, request));
      } catch (error) {
        if (!(error instanceof ApiError) || error.kind !== 'away') throw error;
      }
      // The server is away: what is here answers, however old it is and however long that takes.
      if (this.state$.value.tag !== '') {
        const said = await (await this.worker).ask(name, request, true);
        if (!isNotYet(said)) return answered<N>(said as Answers[N] | Refusal);
      }
      await firstValueFrom(race(timer(RETRY_MS), this.state$.pipe(filter(({ tag }) => tag !== ''))));
    }
  }

  /** Whether the worker would answer at once, and of the state that the server has. */
  private get isReady(): boolean {
    const { tag, current, busy } = this.state$.value;
    return current && !busy && tag !== '' && (this.latest === '' || this.latest === tag);
  }
}

function answered<N extends QuestionName>(said: Answers[N] | Refusal): Answers[N] {
  if (!isRefusal(said)) return said;
  const problems = said.problems?.map((problem) => `${problem.where}: ${problem.what}`) ?? [];
  throw new ApiError(said.refused === 'missing' ? 'missing' : 'refused', [said.error, ...problems].join(' '));
}

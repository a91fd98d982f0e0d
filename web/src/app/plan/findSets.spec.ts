import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, Router } from '@angular/router';
import { BehaviorSubject, delay, NEVER, of, throwError, type Observable } from 'rxjs';
import { Workshop, type Answers, type Build, type Job, type Requests, type SetSearch } from '@which-bore/core';
import buildFile from '../../../../demo-data/builds.json';
import { ApiError } from '../data/api';
import { BrowserStorage } from '../data/browserStorage';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { SetSearches } from '../data/setSearches';
import { SmallSearches } from '../data/smallSearches';
import { CATALOGUE } from '../testing/demo';
import { button, click, setUp, show, text, until } from '../testing/setUp';
import { settled } from '../testing/settled';
import { keptDraft, type DemandDraft } from './demandDraft';
import { FindSets } from './findSets';

afterAll(() => localStorage.clear());

const WORKSHOP = new Workshop(CATALOGUE);
const first = (buildFile.builds as unknown as readonly Build[]).find(
  ({ name }) => name === '336 with the long crank, old pistons',
);
if (!first) throw new Error('The demo has no such build.');
const BUILD = first;
const PISTON: DemandDraft = { ...keptDraft(undefined), places: { piston: { from: 'any', parts: [], mayStay: false } } };
const IMPOSSIBLE: DemandDraft = {
  ...PISTON,
  targets: [{ figure: 'displacement', low: '9000', high: '', wished: false }],
  limits: { ...PISTON.limits, open: '0' },
};

let altered: Build;
let began: Omit<Build, 'id'> | undefined;
let asked: Requests['planSets'][];
let stopped: string[];
let went: jasmine.Spy;
let jobs: Map<string, Partial<Job>>;
/** What this browser finds while one types. */
let small: (request: Requests['planSets']) => Observable<Answers['planSets'] | undefined>;
beforeEach(() => (small = () => of(undefined)));

/** A search as it stands. */
const standing = (more: Partial<SetSearch>): SetSearch => ({
  id: '5f1d00c1-0000-4000-8000-00000000005e',
  state: 'done',
  askedAt: '2026-10-05T09:00:00.000Z',
  takenUp: 1,
  ...more,
});
const whole = (request: Requests['planSets']): Observable<SetSearch> =>
  of(standing({ sets: WORKSHOP.ask('planSets', request) }));

/** The page over one build, with these demands kept from before. */
async function open(draft: DemandDraft, search = whole, begun?: string) {
  setUp();
  altered = BUILD;
  began = undefined;
  asked = [];
  stopped = [];
  jobs = new Map();
  TestBed.overrideProvider(Jobs, {
    useValue: {
      begin: (name: string) => {
        const id = crypto.randomUUID();
        jobs.set(id, { id, name });
        return id;
      },
      alter: (id: string, change: (job: Job) => Job) => jobs.set(id, change((jobs.get(id) ?? { id }) as Job)),
    },
  });
  const held = new BehaviorSubject(BUILD);
  TestBed.overrideProvider(Builds, {
    useValue: {
      all$: of([]),
      watch: () => held,
      open: () => Promise.resolve('there'),
      alter: (_id: string, change: (build: Build) => Build) => (altered = change(BUILD)),
      begin: (build: Omit<Build, 'id'>) => {
        began = build;
        return BUILD.id;
      },
    },
  });
  TestBed.overrideProvider(ActivatedRoute, {
    useValue: {
      paramMap: of(convertToParamMap({ id: BUILD.id })),
      snapshot: { queryParamMap: convertToParamMap(begun === undefined ? {} : { search: begun }) },
    },
  });
  TestBed.overrideProvider(SetSearches, {
    useValue: {
      begin: (request: Requests['planSets']) => {
        asked.push(request);
        return search(request);
      },
      follow: (id: string) =>
        search({ build: { ...BUILD, id }, demands: { places: [{ slot: 'piston', from: 'any' }] } }),
      stop: (id: string) => of(stopped.push(id)),
    },
  });
  TestBed.overrideProvider(SmallSearches, { useValue: { asTyped: small } });
  TestBed.inject(BrowserStorage).write(`demands.${BUILD.id}`, draft);
  went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
  return show(FindSets);
}
const find = (shown: Awaited<ReturnType<typeof open>>) => click(shown.fixture, button(shown.page, 'Find sets'));

describe('finding a set', () => {
  it('shows the best first with what each takes, and puts one into the build', async () => {
    const shown = await open(PISTON);
    await find(shown);
    expect(asked.length).toBe(1);
    expect(asked[0]?.demands.places).toEqual([{ slot: 'piston', from: 'any' }]);
    const { page, fixture } = shown;
    expect(text(page.querySelector('.says'))).toContain('Proved: no better one exists');
    const prices = [...page.querySelectorAll('.list tbody tr')].map((row) =>
      Number(text(row.querySelector('td.number'))),
    );
    expect(prices.length).toBeGreaterThan(1);
    expect(prices[0]).toBe(Math.min(...prices));
    await click(fixture, page.querySelectorAll('button.row')[1]);
    expect(text(page.querySelector('wb-set-detail h2'))).toBe('Set 2');
    expect([...page.querySelectorAll('.closest li')].map(text).every((each) => each.endsWith(' wanted'))).toBeTrue();
    expect(page.querySelectorAll('.closest li').length).toBe(3);
    await click(fixture, button(page, 'Put it into the build'));
    const told = WORKSHOP.ask('planSets', asked[0] as Requests['planSets']).sets[1];
    expect(altered.places).toEqual(told?.places ?? []);
    await click(fixture, button(page, 'As a build of its own'));
    expect(began?.name).toContain('a set found');
    expect(began?.job).toBe(BUILD.job);
    await click(fixture, button(page, 'As a job'));
    // A job of its own, which holds the build: there is what is to be bought for it.
    const job = BUILD.job ?? [...jobs.keys()][0] ?? '';
    expect(began?.job).toBe(job);
    expect(jobs.get(job)?.build).toBe(BUILD.id);
    expect(went.calls.mostRecent().args).toEqual([['/order'], { queryParams: { job } }]);
  });

  it('steps through the sets by the arrow keys, no further than there are', async () => {
    const shown = await open(PISTON);
    await find(shown);
    const { page, fixture } = shown;
    const list = page.querySelector('.list');
    const press = async (key: string) => {
      list?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await fixture.whenStable();
    };
    await press('ArrowUp');
    expect(text(page.querySelector('wb-set-detail h2'))).toBe('Set 1');
    const all = page.querySelectorAll('button.row').length;
    for (let step = 0; step < all + 2; step++) await press('ArrowDown');
    expect(text(page.querySelector('wb-set-detail h2'))).toBe(`Set ${all}`);
  });

  it('where none meets it all, asks why, and takes a way out over', async () => {
    const way: Answers['planConflicts'] = {
      conflicts: [
        {
          demands: [{ id: 'displacement low', says: ['Displacement: at least 9000 cc'] }],
          says: ['No crank that is to be had gives a displacement of at least 9 litres.'],
          because: ['Displacement'],
        },
      ],
      relaxations: [
        {
          demands: [{ id: 'displacement low', says: ['Displacement: at least 9000 cc'] }],
          set: WORKSHOP.ask('planSets', {
            build: BUILD,
            demands: { places: [{ slot: 'piston', from: 'any' }], answers: 1 },
          }).sets[0] as Answers['planSets']['sets'][number],
          proved: true,
        },
      ],
      proved: true,
    };
    const none: Answers['planSets'] = {
      sets: [],
      proved: true,
      combinations: 157,
      nodes: 1,
      looked: 0,
      options: [],
      refused: [{ by: 'Displacement', times: 3 }],
      worth: [],
    };
    const search = new BehaviorSubject(standing({ state: 'searching', part: 'conflicts', sets: none }));
    const shown = await open(IMPOSSIBLE, () => search);
    await find(shown);
    const { page, fixture } = shown;
    expect(text(page.querySelector('[role=status]'))).toContain('Looking for what stands in the way');
    search.next(standing({ sets: none, conflicts: way }));
    await fixture.whenStable();
    expect(text(page.querySelector('.says'))).toContain('What ruled most out: displacement');
    expect(text(page.querySelector('.conflict'))).toContain('Without any one of these the others can be met');
    await click(fixture, button(page, 'Take it that way'));
    expect(altered.places).toEqual(way.relaxations[0]?.set.places ?? []);
  });

  it('stopped before it was proved, says so, and asks no further', async () => {
    const sets = { sets: [], proved: false, combinations: 9, nodes: 5, looked: 1, options: [], refused: [], worth: [] };
    const shown = await open(PISTON, () => of(standing({ state: 'stopped', sets })));
    await find(shown);
    expect(text(shown.page)).toContain('before it was stopped');
    expect(asked.length).toBe(1);
  });

  it('shows what it has so far while it goes on, what is still to beat, and stops at once', async () => {
    const going = (more: Partial<SetSearch>) => standing({ state: 'searching', part: 'sets', ...more });
    const { sets } = WORKSHOP.ask('planSets', { build: BUILD, demands: { places: [{ slot: 'piston', from: 'any' }] } });
    const search = new BehaviorSubject(going({ state: 'waiting', ahead: 3 }));
    const shown = await open(PISTON, () => search);
    await find(shown);
    const { page, fixture } = shown;
    const status = () => text(page.querySelector('[role=status]'));
    expect(status()).toBe('Waiting for its turn: 3 ahead of it…');
    const [first, ...others] = sets;
    if (!first) throw new Error('The demo has no set.');
    const progress = { combinations: 928883592, nodes: 40, looked: 17, sets: [first] };
    search.next(going({ progress: { ...progress, sets: [] } }));
    await fixture.whenStable();
    expect(status()).toContain('Looking through 928,883,592 choices: 17 looked at whole');
    expect(page.querySelector('wb-sets-found')).toBeNull();
    search.next(going({ progress: { ...progress, bound: first.score * 0.75 } }));
    await fixture.whenStable();
    expect(status()).toContain('25 % below it');
    expect(text(page.querySelector('wb-sets-found .says'))).toBe('One set so far of 928,883,592 choices.');
    search.next(going({ takenUp: 2, progress: { ...progress, sets: [first, ...others] } }));
    await fixture.whenStable();
    expect(page.querySelectorAll('.list tbody tr').length).toBe(1 + others.length);
    expect(status()).toContain('another has taken it over');
    await click(fixture, button(page, 'Stop'));
    expect(stopped).toEqual([standing({}).id]);
    search.next(going({ state: 'stopping', progress: { ...progress, sets: [first] } }));
    await fixture.whenStable();
    expect(status()).toBe('Stopping…');
  });

  it('tells what each demand costs, and lets one go in one press', async () => {
    const sets = WORKSHOP.ask('planSets', { build: BUILD, demands: { places: [{ slot: 'piston', from: 'any' }] } });
    const [first, second] = sets.sets;
    if (!first || !second) throw new Error('The demo has no two sets.');
    const search = new BehaviorSubject(standing({ state: 'searching', part: 'worth', sets }));
    const shown = await open(PISTON, () => search);
    await find(shown);
    const { page, fixture } = shown;
    expect(text(page.querySelector('[role=status]'))).toContain('Looking what each demand costs');
    expect(text(page.querySelector('wb-sets-found .says'))).toContain('Proved');
    const PISTONS = { slot: 'piston', name: 'Pistons', label: 'Others', saves: 109.44, proved: true };
    const demand = { id: 'place crank', says: ['Crank: as the engine has it'] };
    const worth = { worth: [{ demand, saves: 214, set: second, proved: true }], atHand: [PISTONS], proved: false };
    search.next(standing({ sets, worth }));
    await fixture.whenStable();
    const [row] = page.querySelectorAll('.costs tbody tr');
    expect([...(row?.children ?? [])].slice(0, 2).map(text)).toEqual(['Crank: as the engine has it', '214']);
    expect(text(page)).toContain('Not all of them were looked at to the end');
    expect(text(page.querySelector('.turned-up'))).toBe('Pistons: up to 109.44, Others');
    await click(fixture, button(page, 'Take it that way'));
    expect(altered.places).toEqual(second.places);
    search.next(standing({ sets, worth: { worth: [], atHand: [], proved: true } }));
    await fixture.whenStable();
    expect(text(page)).toContain('without any one of them the best would be the same');
  });

  it('gives the machine shop what a build cannot plan, with the job', async () => {
    const demands = { places: [{ slot: 'piston', from: 'any' as const }] };
    const { sets, ...more } = WORKSHOP.ask('planSets', { build: BUILD, demands });
    const besides = [
      { on: 'block', operation: 'hone' as const },
      { on: 'rod', operation: 'bushSmallEnd' as const },
    ];
    const search = standing({ sets: { ...more, sets: sets.map((set) => ({ ...set, besides })) } });
    const shown = await open(PISTON, () => of(search));
    await find(shown);
    await click(shown.fixture, button(shown.page, 'As a job'));
    const [job] = jobs.values();
    expect(job?.work?.map(({ on, operation, state }) => [on, operation, state])).toEqual([
      ['block', 'hone', 'planned'],
      ['rod', 'bushSmallEnd', 'planned'],
    ]);
  });

  it('shows a set for each of several engines, and says where there is not enough', async () => {
    const one = WORKSHOP.ask('planSets', { build: BUILD, demands: { places: [{ slot: 'piston', from: 'any' }] } });
    const sets = { ...one, sets: one.sets.slice(0, 2), engines: 3 };
    const shown = await open({ ...PISTON, engines: '3' }, () => of(standing({ sets })));
    await find(shown);
    const { page } = shown;
    expect(asked[0]?.demands.engines).toBe(3);
    const sum = sets.sets.reduce((so, { price }) => so + price, 0);
    expect(text(page.querySelector('.says'))).toBe(
      `There is enough for 2 of 3 engines: ${sum} in all. Proved: none come cheaper in sum.`,
    );
    expect(text(page.querySelector('wb-set-detail h2'))).toBe('Engine 1');
  });

  it('goes on from its address, in whichever browser', async () => {
    const shown = await open(PISTON, whole, standing({}).id);
    await settled();
    await shown.fixture.whenStable();
    expect(asked).toEqual([]);
    expect(text(shown.page.querySelector('.says'))).toContain('Proved');
    expect(shown.page.querySelector('.stale')).toBeNull();
  });

  it('is stopped by hand, and by a server that refuses, with what was demanded still there', async () => {
    const shown = await open(PISTON, () => NEVER);
    await find(shown);
    await click(shown.fixture, button(shown.page, 'Stop'));
    expect(button(shown.page, 'Find sets')).toBeDefined();
    TestBed.resetTestingModule();
    const refused = await open(PISTON, () =>
      throwError(() => new ApiError('refused', 'What is looked for makes no sense.')),
    );
    await find(refused);
    expect(text(refused.page.querySelector('[role=alert]'))).toContain('makes no sense');
    expect(refused.page.querySelector<HTMLSelectElement>('#from-piston')?.value).toBe('any');
  });

  it('says that an answer is of before once the demands are others, and keeps them', async () => {
    const shown = await open(PISTON, (request) => whole(request).pipe(delay(0)));
    await find(shown);
    await settled();
    const { page, fixture } = shown;
    expect(page.querySelector('.stale')).toBeNull();
    const price = page.querySelector<HTMLInputElement>('#limit-price');
    if (price) price.value = '500';
    price?.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(text(page.querySelector('.stale'))).toContain('The demands were changed since');
    expect(keptDraft(TestBed.inject(BrowserStorage).read(`demands.${BUILD.id}`)).limits.price).toBe('500');
  });

  it('tells each problem at its field, and asks nothing', async () => {
    const shown = await open({ ...PISTON, limits: { ...PISTON.limits, price: '-1' } });
    await find(shown);
    expect(asked).toEqual([]);
    expect(text(shown.page.querySelector('li:has(#limit-price) [role=alert]'))).toContain('less than 0');
  });

  it('shows the best as one types, until it is asked for, and again when the demands are changed', async () => {
    const typed: Requests['planSets'][] = [];
    small = (request) => {
      typed.push(request);
      return of(WORKSHOP.ask('planSets', request));
    };
    const shown = await open(PISTON);
    const { page, fixture } = shown;
    await until(() => (fixture.detectChanges(), page.querySelector('.list tbody tr') !== null));
    expect(text(page)).toContain('Worked out as you type');
    expect(asked.length).toBe(0);
    expect(typed.at(-1)?.demands.places).toEqual([{ slot: 'piston', from: 'any' }]);
    await find(shown);
    expect(text(page)).not.toContain('Worked out as you type');
    const price = page.querySelector<HTMLInputElement>('#limit-price');
    if (!price) throw new RangeError('There is no field for the price.');
    price.value = '1';
    price.dispatchEvent(new Event('input', { bubbles: true }));
    await until(() => (fixture.detectChanges(), text(page).includes('Worked out as you type')));
    expect(typed.at(-1)?.demands.limits?.price).toBe(1);
    expect(page.querySelector('.list')).toBeNull();
    expect(text(page)).not.toContain('The demands were changed since');
    // What is no figure yet is not asked.
    const times = typed.length;
    price.value = 'one';
    price.dispatchEvent(new Event('input', { bubbles: true }));
    await until(() => (fixture.detectChanges(), !text(page).includes('Worked out as you type')));
    expect(typed.length).toBe(times);
  });
});

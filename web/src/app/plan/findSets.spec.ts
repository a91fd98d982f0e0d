import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, Router } from '@angular/router';
import { BehaviorSubject, delay, NEVER, of, throwError, type Observable } from 'rxjs';
import { Workshop, type Answers, type Build, type Requests } from '@which-bore/core';
import buildFile from '../../../../demo-data/builds.json';
import { Api, ApiError } from '../data/api';
import { BrowserStorage } from '../data/browserStorage';
import { Builds } from '../data/builds';
import { CATALOGUE } from '../testing/demo';
import { button, click, setUp, show, text } from '../testing/setUp';
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
let asked: { readonly name: string; readonly request: Requests['planSets'] }[];

/** The page over one build, with these demands kept from before. */
async function open(draft: DemandDraft, answer?: (name: string) => Observable<unknown>) {
  setUp();
  altered = BUILD;
  began = undefined;
  asked = [];
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
  TestBed.overrideProvider(ActivatedRoute, { useValue: { paramMap: of(convertToParamMap({ id: BUILD.id })) } });
  TestBed.inject(BrowserStorage).write(`demands.${BUILD.id}`, draft);
  spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
  spyOn(TestBed.inject(Api), 'ask').and.callFake(((
    name: 'planSets' | 'planConflicts',
    request: Requests['planSets'],
  ) => {
    asked.push({ name, request });
    return answer ? answer(name) : of(WORKSHOP.ask(name, request));
  }) as unknown as Api['ask']);
  return show(FindSets);
}
const find = (shown: Awaited<ReturnType<typeof open>>) => click(shown.fixture, button(shown.page, 'Find sets'));

describe('finding a set', () => {
  it('shows the best first with what each takes, and puts one into the build', async () => {
    const shown = await open(PISTON);
    await find(shown);
    expect(asked.map(({ name }) => name)).toEqual(['planSets']);
    expect(asked[0]?.request.demands.places).toEqual([{ slot: 'piston', from: 'any' }]);
    const { page, fixture } = shown;
    expect(text(page.querySelector('.says'))).toContain('Proved: no better one exists');
    const prices = [...page.querySelectorAll('.list tbody tr')].map((row) =>
      Number(text(row.querySelector('td.number'))),
    );
    expect(prices.length).toBeGreaterThan(1);
    expect(prices[0]).toBe(Math.min(...prices));
    await click(fixture, page.querySelectorAll('button.row')[1]);
    expect(text(page.querySelector('wb-set-detail h2'))).toBe('Set 2');
    await click(fixture, button(page, 'Put it into the build'));
    const told = WORKSHOP.ask('planSets', asked[0]?.request as Requests['planSets']).sets[1];
    expect(altered.places).toEqual(told?.places ?? []);
    await click(fixture, button(page, 'As a build of its own'));
    expect(began?.name).toContain('a set found');
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
    const shown = await open(IMPOSSIBLE, (name) => of(name === 'planSets' ? none : way));
    await find(shown);
    expect(asked.map(({ name }) => name)).toEqual(['planSets', 'planConflicts']);
    const { page, fixture } = shown;
    expect(text(page.querySelector('.says'))).toContain('What ruled most out: displacement');
    expect(text(page.querySelector('.conflict'))).toContain('Without any one of these the others can be met');
    await click(fixture, button(page, 'Take it that way'));
    expect(altered.places).toEqual(way.relaxations[0]?.set.places ?? []);
  });

  it('stopped before it was proved, says so, and asks no further', async () => {
    const shown = await open(PISTON, () =>
      of({ sets: [], proved: false, combinations: 9, nodes: 5, looked: 1, options: [], refused: [], worth: [] }),
    );
    await find(shown);
    expect(text(shown.page)).toContain('before it was stopped');
    expect(asked.length).toBe(1);
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

  it('is worked out here where the server is away', async () => {
    const shown = await open(PISTON, () => throwError(() => new ApiError('away', 'The server cannot be reached.')));
    await find(shown);
    expect(text(shown.page.querySelector('.says'))).toContain('Proved');
  });

  it('says that an answer is of before once the demands are others, and keeps them', async () => {
    const shown = await open(PISTON, () =>
      of(WORKSHOP.ask('planSets', { build: BUILD, demands: { places: [{ slot: 'piston', from: 'any' }] } })).pipe(
        delay(0),
      ),
    );
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
});

import { TestBed } from '@angular/core/testing';
import { BehaviorSubject, map, NEVER, of, throwError, type Observable } from 'rxjs';
import {
  Workshop,
  type Answers,
  type Build,
  type FigureTold,
  type QuestionName,
  type Requests,
} from '@which-bore/core';
import buildFile from '../../../../demo-data/builds.json';
import { Api, ApiError } from '../data/api';
import { Builds } from '../data/builds';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { UndoBar } from '../data/undoBar';
import { CATALOGUE } from '../testing/demo';
import { settled } from '../testing/settled';
import { button, click, setUp, show, text } from '../testing/setUp';
import { PartsPanel } from './partsPanel';
import { PartsTried } from './partsTried';
import { PlanState } from './planState';
import { SolvePanel } from './solvePanel';
import { TolerancePanel } from './tolerancePanel';
import { TypedSizes } from './typedSizes';
import { WhatIf } from './whatIf';

afterAll(() => localStorage.clear());

const WORKSHOP = new Workshop(CATALOGUE);
const found = (buildFile.builds as unknown as readonly Build[]).find(
  ({ name }) => name === '336 with the long crank, old pistons',
);
if (!found) throw new Error('The demo has no such build.');
const STROKER = found;

/** One build, kept nowhere. */
class FakeBuilds {
  readonly all$ = of([]);
  readonly now: BehaviorSubject<Build>;

  constructor(build: Build) {
    this.now = new BehaviorSubject(build);
  }

  watch(id: string): Observable<Build | undefined> {
    return this.now.pipe(map((build) => (build.id === id ? build : undefined)));
  }

  alter(_id: string, change: (build: Build) => Build): void {
    this.now.next(change(this.now.value));
  }
}

let builds: FakeBuilds;

/** The station's state over one build. */
function prepare(build: Build = STROKER): PlanState {
  setUp();
  builds = new FakeBuilds(build);
  TestBed.configureTestingModule({ providers: [PlanState] });
  TestBed.overrideProvider(Builds, { useValue: builds });
  const state = TestBed.inject(PlanState);
  state.id.set(build.id);
  return state;
}

const figure = (id: string): FigureTold => {
  const found = WORKSHOP.ask('buildSheet', { build: builds.now.value }).figures.find((each) => each.id === id);
  if (!found) throw new RangeError(`There is no figure ${id}.`);
  return found;
};
async function type(page: HTMLElement, selector: string, value: string): Promise<HTMLInputElement> {
  const field = page.querySelector<HTMLInputElement>(selector);
  if (!field) throw new RangeError(`There is no field ${selector}.`);
  field.value = value;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('change', { bubbles: true }));
  await settled();
  return field;
}
const submit = async (page: HTMLElement) => {
  page.querySelector('form')?.dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }));
  await settled();
};
const numberIn = (page: HTMLElement, selector: string): number =>
  Number(
    text(page.querySelector(selector))
      .replace(/[^\d.−-]/g, '')
      .replace('−', '-'),
  );

describe('a figure worked back', () => {
  it('tells the size, which put in gives the figure that was wanted', async () => {
    prepare();
    const { fixture, page } = await show(SolvePanel, { figure: figure('squish') });
    await type(page, '#wanted', '1.2');
    await submit(page);
    await fixture.whenStable();
    // Common practice, no source: what the piston is lower, the squish is more.
    const before = figure('squish').found[0]?.value ?? Number.NaN;
    const now = numberIn(page, '[data-solved]');
    const height = WORKSHOP.ask('buildSolve', {
      build: builds.now.value,
      figure: 'squish',
      wanted: 1.2,
      size: 'piston.compressionHeight',
    });
    expect((height.now ?? Number.NaN) - now).toBeCloseTo(1.2 - before, 2);
    await click(fixture, button(page, 'Put it in'));
    expect(builds.now.value.sizes.some(({ of: id }) => id === 'piston.compressionHeight')).toBeTrue();
    expect(figure('squish').found[0]?.value).toBeCloseTo(1.2, 4);
    expect(TestBed.inject(UndoBar).offered()?.says).toContain('Put in');
  });

  it('takes the nearest part on record, and lets go of the size it stands for', async () => {
    prepare();
    const { fixture, page } = await show(SolvePanel, { figure: figure('squish') });
    await type(page, '#wanted', '1.2');
    await submit(page);
    await fixture.whenStable();
    const first = text(page.querySelector('tbody th'));
    await click(fixture, button(page, `Take it: ${first}`));
    const pattern = builds.now.value.places.find(({ slot }) => slot === 'piston')?.pattern;
    expect(CATALOGUE.patterns.find(({ id }) => id === pattern)?.name ?? '').not.toBe('');
    expect(builds.now.value.sizes.some(({ of: id }) => id === 'piston.compressionHeight')).toBeFalse();
  });

  it('wants a figure, reads a comma, and goes by inches where the shop does', async () => {
    prepare();
    const { fixture, page } = await show(SolvePanel, { figure: figure('squish') });
    await type(page, '#wanted', 'much');
    await submit(page);
    await fixture.whenStable();
    expect(text(page.querySelector('[role=alert]'))).toContain('“much” is no figure');
    await type(page, '#wanted', '1,2');
    await submit(page);
    await fixture.whenStable();
    expect(page.querySelector('[role=alert]')).toBeNull();
    const millimetres = numberIn(page, '[data-solved]');
    TestBed.inject(Preferences).units.set('inch');
    await fixture.whenStable();
    await type(page, '#wanted', String(1.2 / 25.4));
    await submit(page);
    await fixture.whenStable();
    expect(numberIn(page, '[data-solved]') * 25.4).toBeCloseTo(millimetres, 1);
  });

  it('says where a figure does not go by a size at all, and between what it lies where none gives it', async () => {
    prepare();
    const { fixture, page } = await show(SolvePanel, { figure: figure('rodRatio') });
    await type(page, '#wanted', '1.7');
    await submit(page);
    await fixture.whenStable();
    expect(text(page)).toContain('does not go by that size');
    fixture.componentRef.setInput('figure', figure('ratio'));
    await fixture.whenStable();
    await type(page, '#wanted', '900');
    await submit(page);
    await fixture.whenStable();
    expect(text(page)).toContain('No such size gives that');
  });
});

describe('tolerances drawn', () => {
  /** What the browser's own worker answers, so many pieces of it, and what the server does. */
  const drawing = (pieces: number, server: Observable<Answers['buildTolerance']> = NEVER, then = server) => {
    const seeds: number[] = [];
    let done = 0;
    const here = (name: QuestionName, request: Requests['buildTolerance']) => {
      if (name !== 'buildTolerance') return of(WORKSHOP.ask(name, request));
      seeds.push(request.seed);
      return done++ < pieces ? of(WORKSHOP.ask('buildTolerance', request)) : then;
    };
    spyOn(TestBed.inject(Questions), 'askOnce').and.callFake(here as unknown as Questions['askOnce']);
    spyOn(TestBed.inject(Api), 'ask').and.callFake(((_name: string, request: Requests['buildTolerance']) => {
      seeds.push(request.seed);
      return server;
    }) as unknown as Api['ask']);
    return seeds;
  };

  it('grow as engines come in, and stop when they are stopped', async () => {
    prepare();
    const seeds = drawing(2);
    const { fixture, page } = await show(TolerancePanel, { figure: figure('squish') });
    await click(fixture, button(page, 'Draw engines'));
    expect(button(page, 'Stop')).toBeDefined();
    // No piece is drawn twice, wherever it is drawn.
    expect(seeds.length).toBeGreaterThan(2);
    expect(new Set(seeds).size).toBe(seeds.length);
    const drawn = () => Number(/(\d+) engines drawn/.exec(text(page))?.[1]);
    expect(drawn()).toBe(2 * 2000);
    await click(fixture, button(page, 'Stop'));
    expect(drawn()).toBe(2 * 2000);
    expect(button(page, 'Draw engines')).toBeDefined();
  });

  it('tell the chance by engine as no less than that by cylinder, and shares that make a whole', async () => {
    prepare({ ...STROKER, places: [] });
    drawing(3);
    const { fixture, page } = await show(TolerancePanel, { figure: figure('squish') });
    await click(fixture, button(page, 'Draw engines'));
    const chances = [...page.querySelectorAll('[data-chance]')].map((row) => parseFloat(text(row.querySelector('td'))));
    // An engine has at least one bad cylinder wherever a cylinder is bad.
    expect(chances.at(-1)).toBeGreaterThanOrEqual(Math.max(...chances.slice(0, -1)));
    const shares = [...page.querySelectorAll('.told table:last-of-type tbody td.number')].map((cell) =>
      parseFloat(text(cell)),
    );
    expect(shares.reduce((sum, each) => sum + each, 0)).toBeGreaterThan(95);
    expect(shares.reduce((sum, each) => sum + each, 0)).toBeLessThan(101);
  });

  it('name what is taken to be measured, draw anew without it, and take it back', async () => {
    prepare({ ...STROKER, places: [] });
    drawing(40);
    const { fixture, page } = await show(TolerancePanel, { figure: figure('squish') });
    await click(fixture, button(page, 'Draw engines'));
    const first = button(page, 'If it were measured');
    const name = first?.getAttribute('aria-label')?.replace('If it were measured: ', '') ?? '';
    await click(fixture, first);
    expect(text(page)).toContain(name);
    expect(text(page)).toContain('is taken to be measured');
    expect(text(page)).not.toMatch(/\b[a-z]+\.[a-zA-Z]+ is taken to be measured/);
    await click(fixture, button(page, 'Take back'));
    expect(text(page)).not.toContain('is taken to be measured');
  });

  it('say what went wrong, with what was drawn still there', async () => {
    prepare();
    const away = throwError(() => new ApiError('away', 'The server is away.'));
    drawing(1, away, away);
    const { fixture, page } = await show(TolerancePanel, { figure: figure('squish') });
    await click(fixture, button(page, 'Draw engines'));
    expect(text(page.querySelector('[role=alert]'))).toContain('The server is away.');
    expect(text(page)).toContain('2000 engines drawn');
    expect(button(page, 'Draw engines')).toBeDefined();
  });
});

describe('figures put in', () => {
  it('are shown as typed, changed in their own unit, and taken out', async () => {
    prepare({
      ...STROKER,
      sizes: [{ of: 'rod.length', value: 6, unit: 'in' }],
    });
    const { fixture, page } = await show(TypedSizes);
    const field = page.querySelector<HTMLInputElement>('ul input');
    expect(field?.value).toBe('6 in');
    await type(page, 'ul input', '152.4 mm');
    expect(builds.now.value.sizes).toEqual([{ of: 'rod.length', value: 152.4, unit: 'mm' }]);
    await click(fixture, page.querySelector('ul button'));
    expect(builds.now.value.sizes).toEqual([]);
    // The way back is offered.
    TestBed.inject(UndoBar).take();
    expect(builds.now.value.sizes.length).toBe(1);
  });

  it('that cannot be read are refused in words, and what stood there stays', async () => {
    prepare({ ...STROKER, sizes: [{ of: 'rod.length', value: 6, unit: 'in' }] });
    const { page } = await show(TypedSizes);
    await type(page, 'ul input', 'six kilos');
    expect(text(page.querySelector('[role=alert]'))).not.toBe('');
    expect(builds.now.value.sizes).toEqual([{ of: 'rod.length', value: 6, unit: 'in' }]);
    await submit(page);
    expect(text(page.querySelector('[role=alert]'))).toContain('Say first which size');
  });
});

describe('parts of a build', () => {
  const open = async (slot: string) => {
    const shown = await show(PartsPanel);
    await click(shown.fixture, shown.page.querySelector('button.fold'));
    await click(shown.fixture, shown.page.querySelector(`li[data-slot=${slot}] button.head`));
    return shown;
  };

  it('as the engine has them may be bought in a service size', async () => {
    prepare({ ...STROKER, variant: 'lumen-4-77', places: [] });
    const { fixture, page } = await open('piston');
    const select = page.querySelector<HTMLSelectElement>('li[data-slot=piston] select');
    const step = [...(select?.options ?? [])].map(({ value }) => value).find((value) => Number(value) > 0);
    expect(step).toBeDefined();
    if (select && step !== undefined) {
      select.value = step;
      select.dispatchEvent(new Event('change', { bubbles: true }));
    }
    await settled();
    await fixture.whenStable();
    const [bought] = builds.now.value.places;
    expect(bought).toEqual(jasmine.objectContaining({ slot: 'piston', size: { value: Number(step), unit: 'mm' } }));
    // It is chosen now, and so it is on the list of what to order.
    expect(bought?.pattern).toBeDefined();
    expect(text(page.querySelector('li[data-slot=piston]'))).toContain('over standard');
  });

  it('are worked on by what is asked for, which wants an amount that is a figure', async () => {
    prepare({ ...STROKER, places: [] });
    const { fixture, page } = await open('block');
    const panel = fixture.componentInstance as unknown as { operation: { set(of: string): void } };
    panel.operation.set('deck');
    await fixture.whenStable();
    const form = page.querySelector('li[data-slot=block] form');
    const amount = form?.querySelector<HTMLInputElement>('input:not([type=search])');
    const put = async (value: string) => {
      const fields = form?.querySelectorAll<HTMLInputElement>('input') ?? [];
      const last = [...fields].at(-1) ?? amount;
      if (last) last.value = value;
      form?.dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }));
      await settled();
      await fixture.whenStable();
    };
    await put('a bit');
    expect(text(page.querySelector('[role=alert]'))).toContain('“a bit” is no figure');
    expect(builds.now.value.places).toEqual([]);
    const before = figure('belowDeck').found[0]?.value ?? Number.NaN;
    await put('0,1');
    expect(builds.now.value.places).toEqual([
      { slot: 'block', work: [{ operation: 'deck', by: { value: 0.1, unit: 'mm' } }] },
    ]);
    // What is taken off the deck, the piston stands higher by.
    expect(before - (figure('belowDeck').found[0]?.value ?? Number.NaN)).toBeCloseTo(0.1, 6);
    await click(fixture, button(page, 'Take back: '));
    expect(builds.now.value.places).toEqual([]);
  });

  it('may differ in one cylinder, and go back to what the engine has', async () => {
    prepare({ ...STROKER, places: [] });
    const { fixture, page } = await open('piston');
    const third = [...page.querySelectorAll('li[data-slot=piston] .each button')].find((each) => text(each) === '3');
    await click(fixture, third);
    expect(builds.now.value.places.map(({ slot, at }) => `${slot} ${at ?? ''}`)).toEqual(['piston 3']);
    const own = [...page.querySelectorAll('li[data-slot=piston]')].find((each) => text(each).includes('cylinder 3'));
    await click(fixture, own?.querySelector('button.head'));
    await click(fixture, button(page, 'As the engine has it'));
    expect(builds.now.value.places).toEqual([]);
  });
});

describe('what if', () => {
  it('begins with a range round what is there, in the unit of the shop, and draws the figure over it', async () => {
    prepare({ ...STROKER, places: [] });
    const { page } = await show(WhatIf, { figure: figure('squish') });
    const [from, to] = ['#swept-from', '#swept-to'].map((id) =>
      Number(page.querySelector<HTMLInputElement>(id)?.value),
    );
    const squish = figure('squish').found[0];
    const gasket = squish?.arguments.find(({ called }) => called.includes('Thickness'))?.value ?? Number.NaN;
    expect(from).toBeLessThan(gasket);
    expect(to).toBeGreaterThan(gasket);
    expect(page.querySelector('canvas')).not.toBeNull();
  });

  it('keeps what is no figure in its field and asks nothing with it', async () => {
    const state = prepare({ ...STROKER, places: [] });
    const { page } = await show(WhatIf, { figure: figure('squish') });
    const asked = spyOn(state, 'answered').and.returnValue(of(undefined));
    const field = await type(page, '#swept-from', 'thin');
    expect(field.value).toBe('thin');
    expect(asked).not.toHaveBeenCalled();
    await type(page, '#swept-from', '0.5');
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('tries one part after another, those that go in before those that do not', async () => {
    prepare();
    const { fixture, page } = await show(PartsTried, { figure: figure('squish'), slot: 'piston' });
    const rows = [...page.querySelectorAll('tbody tr')];
    const refused = rows.map((row) => text(row).includes('does not fit'));
    expect(rows.length).toBeGreaterThan(5);
    expect(refused).toEqual([...refused].sort());
    await click(fixture, rows[0]?.querySelector('button'));
    expect(builds.now.value.places.some(({ slot, pattern }) => slot === 'piston' && pattern !== undefined)).toBeTrue();
  });
});

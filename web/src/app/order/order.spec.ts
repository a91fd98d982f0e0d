import { TestBed } from '@angular/core/testing';
import type { Build, Job, Offer, OrderLine, Reservation, ShopWork, Specimen, StoredSupplier } from '@which-bore/core';
import { firstValueFrom, of, throwError } from 'rxjs';
import buildFile from '../../../../demo-data/builds.json';
import jobFile from '../../../../demo-data/jobs.json';
import specimenFile from '../../../../demo-data/specimens.json';
import { Api, ApiError } from '../data/api';
import { Builds } from '../data/builds';
import { Orders, type WholeJob } from '../data/orders';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { OrderRemedy } from '../ui/orderRemedy';
import { settled } from '../testing/settled';
import { button, click, setUp, show, text } from '../testing/setUp';
import { AssemblyPanel } from './assemblyPanel';
import { BuyPanel } from './buyPanel';
import { ReportPanel } from './reportPanel';
import { SuppliersPanel } from './suppliersPanel';
import { WorkPanel } from './workPanel';

afterAll(() => localStorage.clear());

const JOBS = jobFile.jobs as unknown as Job[];
const BUILDS = buildFile.builds as unknown as Build[];
const SPECIMENS = specimenFile.specimens as unknown as Specimen[];

function whole(begins: string): WholeJob {
  const job = JOBS.find(({ name }) => name.startsWith(begins));
  const build = BUILDS.find(({ id }) => id === job?.build);
  if (!job || !build) throw new RangeError(`The demo has no ${begins}.`);
  const named = new Set(build.places.flatMap(({ specimen }) => specimen ?? []));
  return { job, build, specimens: SPECIMENS.filter((each) => each.job === job.id || named.has(each.id)) };
}
const PUMP = whole('Pump of the lower terrace');
const SHED: StoredSupplier = {
  id: 'tin-shed',
  name: 'The Tin Shed',
  currency: 'EUR',
  address: '/simulated/suppliers/tin-shed',
  lines: 2,
  asOf: '2026-11-30T08:00:00.000Z',
  leftOut: [],
};
const GASKET: Offer = { number: 'tw-8541', price: 17.1, stock: 8, days: 1, supplier: 'tin-shed', currency: 'EUR' };

interface Put {
  readonly list: string;
  readonly item: OrderLine | ShopWork;
}

/** Orders whose lists go nowhere but into `puts`. */
class FakeOrders {
  readonly puts: Put[] = [];
  readonly taken: string[] = [];
  readonly held: string[] = [];
  readonly suppliers$ = of<readonly StoredSupplier[]>([SHED]);
  reservations$ = of<readonly Reservation[]>([]);
  refuses: string | undefined;

  needs(of_: WholeJob) {
    return TestBed.inject(Questions).askOnce('orderList', of_);
  }

  offers() {
    return of([GASKET]);
  }

  put(_job: string, list: string, item: OrderLine | ShopWork): void {
    this.puts.push({ list, item });
  }

  take(_job: string, _list: string, id: string): void {
    this.taken.push(id);
  }

  hold(specimen: string): Promise<void> {
    if (this.refuses) return Promise.reject(new ApiError('changed', this.refuses));
    this.held.push(specimen);
    return Promise.resolve();
  }

  done<T>(request: Parameters<typeof firstValueFrom<T>>[0]): Promise<T> {
    return firstValueFrom(request);
  }
}

let orders: FakeOrders;
let stock: () => ReturnType<Api['askStock']>;
let fetched: () => ReturnType<Api['fetchList']>;

function prepare(): ReturnType<typeof setUp> {
  const specimens = setUp(...PUMP.specimens);
  orders = new FakeOrders();
  stock = () => of({ number: 'tw-8541', stock: 8 });
  fetched = () => of(SHED);
  TestBed.overrideProvider(Orders, { useValue: orders });
  const api = TestBed.inject(Api);
  spyOn(api, 'askStock').and.callFake(() => stock());
  spyOn(api, 'fetchList').and.callFake(() => fetched());
  return specimens;
}
const needed = (page: HTMLElement, name: string): HTMLElement => {
  const found = [...page.querySelectorAll<HTMLElement>('.needs > li')].find((each) => text(each).includes(name));
  if (!found) throw new RangeError(`Nothing is called ${name}.`);
  return found;
};
const without = (orders_: readonly OrderLine[] | undefined): WholeJob => ({
  ...PUMP,
  job: { ...PUMP.job, orders: orders_ ? [...orders_] : [] },
});

describe('what is to be bought', () => {
  it('stands by why it is needed, with sizes, places, and what may not be ordered yet', async () => {
    prepare();
    const { page } = await show(BuyPanel, { whole: PUMP });
    expect([...page.querySelectorAll('.group h3')].map(text)).toContain('Chosen in the build');
    expect(text(needed(page, 'stroke 77, 8.8:1'))).toContain('0.500 mm over standard');
    expect(text(needed(page, 'for place 3'))).toContain('Nothing is averaged');
    expect(button(needed(page, 'for place 3'), 'Order')).toBeUndefined();
    expect(text(needed(page, 'composition'))).toContain('provided for');
    expect(text(page)).toContain('195.10 EUR');
  });

  it('is ordered once the supplier says that he has it', async () => {
    prepare();
    const { fixture, page } = await show(BuyPanel, { whole: without(undefined) });
    await click(fixture, button(needed(page, 'composition'), 'from The Tin Shed'));
    const [put] = orders.puts;
    expect(put?.list).toBe('orders');
    expect(put?.item).toEqual(
      jasmine.objectContaining({ state: 'ordered', number: 'tw-8541', price: 17.1, currency: 'EUR', quantity: 1 }),
    );
  });

  it('is not ordered where he has none, or is mute, until somebody says all the same', async () => {
    for (const [answer, says] of [
      [() => of({ number: 'tw-8541', stock: 0 }), 'lists 8, and asked now has 0'],
      [() => throwError(() => new ApiError('refused', 'The supplier did not answer.')), 'did not answer'],
    ] as const) {
      TestBed.resetTestingModule();
      prepare();
      stock = answer;
      const { fixture, page } = await show(BuyPanel, { whole: without(undefined) });
      await click(fixture, button(needed(page, 'composition'), 'from The Tin Shed'));
      expect(orders.puts).toEqual([]);
      expect(text(needed(page, 'composition').querySelector('[role=alert]'))).toContain(says);
      await click(fixture, button(needed(page, 'composition'), 'Order all the same'));
      expect(orders.puts.length).toBe(1);
    }
  });

  it('goes on from ordered to received, wrong and sent back, and off the list', async () => {
    prepare();
    const { fixture, page } = await show(BuyPanel, { whole: PUMP });
    const pistons = needed(page, 'stroke 77, 8.8:1');
    await click(fixture, button(pistons, 'Received'));
    expect(orders.puts.at(-1)?.item).toEqual(jasmine.objectContaining({ state: 'received', quantity: 4 }));
    await click(fixture, button(pistons, 'Take off'));
    expect(orders.taken.length).toBe(1);
  });

  it('is put down by hand, and a number of pieces that is none is refused', async () => {
    prepare();
    const { fixture, page } = await show(BuyPanel, { whole: PUMP });
    const field = (name: string) => page.querySelector<HTMLInputElement>(`.by-hand input[name=${name}]`);
    const type = (name: string, value: string) => {
      const input = field(name);
      if (input) input.value = value;
    };
    type('name', 'Hose');
    type('quantity', '2.5');
    await click(fixture, button(page, 'Put on the list'));
    expect(text(page.querySelector('[role=alert]'))).toContain('“2.5” is no number of pieces');
    expect(field('name')?.value).toBe('Hose');
    type('quantity', '2');
    await click(fixture, button(page, 'Put on the list'));
    expect(orders.puts.at(-1)?.item).toEqual(jasmine.objectContaining({ name: 'Hose', quantity: 2, state: 'wanted' }));
  });
});

describe('the machine shop', () => {
  async function open() {
    const specimens = prepare();
    const builds = TestBed.inject(Builds);
    let build = PUMP.build as Build;
    spyOn(builds, 'alter').and.callFake((_id, change) => (build = change(build)));
    const shown = await show(WorkPanel, { whole: PUMP });
    await settled();
    const [first] = shown.page.querySelectorAll<HTMLInputElement>('.step input');
    return { ...shown, specimens, input: first, build: () => build };
  }
  const type = (input: HTMLInputElement | undefined, value: string) => {
    if (!input) throw new RangeError('There is no field.');
    input.value = value;
    input.dispatchEvent(new Event('input'));
  };

  it('gets its work in order, with a sketch, what to bring and what is done already', async () => {
    const { page } = await open();
    expect([...page.querySelectorAll('.step h3')].map(text).map((each) => each.slice(0, 17).trim())).toEqual([
      '1. Deck the block',
      '2. Bore oversize',
    ]);
    expect(text(page)).toContain('Only after operation 1.');
    expect(text(page)).toContain('Bring along: The pistons');
    expect(page.querySelector('wb-part-drawing')).not.toBeNull();
  });

  it('wants the figure that came out, and says where it is not what was asked', async () => {
    const { fixture, page, input } = await open();
    await click(fixture, button(page, 'It came back so'));
    expect(text(page.querySelector('[role=alert]'))).toContain('Write down what came out');
    type(input, 'about right');
    await click(fixture, button(page, 'It came back so'));
    expect(page.querySelector('[role=alert]')).not.toBeNull();
    type(input, '78.530');
    await fixture.whenStable();
    expect(text(page)).toContain('0.0140 mm over what was asked.');
    expect(orders.puts).toEqual([]);
  });

  it('has its figures become readings of the part, in the place of the old, and the work off the build', async () => {
    const { fixture, page, input, specimens, build } = await open();
    const id = PUMP.build?.places.find(({ slot }) => slot === 'block')?.specimen ?? '';
    type(input, '78.512 78.511 78.510 78.509');
    await click(fixture, button(page, 'It came back so'));
    const bores = specimens
      .peek(id)
      ?.readings.flatMap(({ is }) => (is.sort === 'size' && is.parameter === 'block.bore' ? [is] : []));
    expect(bores?.map(({ values, positions }) => [values, positions])).toEqual([
      [
        [78.512, 78.511, 78.51, 78.509],
        [1, 2, 3, 4],
      ],
    ]);
    expect(build().places.find(({ slot }) => slot === 'block')?.work).toBeUndefined();
    expect(orders.puts.map(({ list }) => list)).toEqual(['work', 'log']);
    expect(orders.puts[0]?.item).toEqual(jasmine.objectContaining({ operation: 'bore', state: 'back' }));
  });
});

describe('assembly', () => {
  it('is signed under a name, and by nobody without one', async () => {
    prepare();
    TestBed.inject(Preferences).name.set('');
    const { fixture, page } = await show(AssemblyPanel, { whole: PUMP });
    expect(text(page.querySelector('tr.open'))).toContain('To be found out first.');
    expect(text(page)).toContain('Signed by Ansgar');
    await click(fixture, button(page, 'Sign Main shells and crank'));
    expect(text(page.querySelector('[role=alert]'))).toContain('A signature needs a name');
    expect(orders.puts).toEqual([]);
    TestBed.inject(Preferences).name.set('Reinhild');
    await click(fixture, button(page, 'Sign Main shells and crank'));
    expect(orders.puts[0]?.item).toEqual(jasmine.objectContaining({ step: 'mains', who: 'Reinhild' }) as never);
    TestBed.inject(Preferences).name.set('');
  });
});

describe('the report', () => {
  const reported = async (of_: WholeJob = PUMP) => {
    prepare();
    const shown = await show(ReportPanel, { whole: of_ });
    const rows = (caption: string) =>
      [...shown.page.querySelectorAll(`[aria-label="${caption}"] tbody tr`)].map((row) => [...row.children].map(text));
    return { ...shown, rows };
  };

  // A customer may read either: every figure stands there in both (NIST SP 811: 25.4 mm, 28.349523 g, 16.387064 cc).
  it('has what was found in both systems of units, part after part as they lie in the engine', async () => {
    const { rows } = await reported();
    const found = rows('What was found');
    const names = found.map(([name]) => name ?? '');
    const rod = found.find(([name]) => name?.startsWith('Terrace rod 1'))?.[1] ?? '';
    expect(rod).toContain('431.5 g(15.22 oz)');
    expect(rod).toContain('121.46 mm(4.7819 in)');
    const at = (begins: string) => names.findIndex((name) => name.startsWith(begins));
    expect(at('Terrace pump case')).toBeLessThan(at('Terrace pump crank'));
    expect(at('Terrace rod 2')).toBeLessThan(at('Terrace piston 1'));
    expect(at('Terrace piston 2')).toBeLessThan(at('Terrace piston 10'));
  });

  it('sets the figures as it was built beside those as it is now', async () => {
    const { rows } = await reported();
    const figures = new Map(
      rows('Figures before and after').map(([name = '', before, after]) => [name, [before, after]]),
    );
    const [before = '', after = ''] = figures.get('Displacement') ?? [];
    const litres = (of_: string) => Number(/([\d.]+) cc/.exec(of_)?.[1]);
    // Bored half a millimetre over: by the square of 78.5 over 78.0.
    expect(litres(after) / litres(before)).toBeCloseTo((78.5 / 78) ** 2, 3);
    expect(after).toMatch(/cc \([\d.]+ cu in\)/);
  });

  it('says what was decided and by whom, what was bought, the hours, and what no figure promises', async () => {
    const { page } = await reported();
    for (const { what, why } of PUMP.job.decisions ?? []) {
      expect(text(page)).toContain(what);
      expect(text(page)).toContain(why);
    }
    const hours = (PUMP.job.hours ?? []).reduce((so, each) => so + each.hours, 0);
    expect(text(page)).toContain(`${hours.toFixed(1)} hours in all`);
    expect(text(page.querySelector('.caution'))).toContain('ask your local authority and a licensed inspector');
  });

  it('takes hours that are hours, under a name, and no others', async () => {
    const { fixture, page } = await reported();
    TestBed.inject(Preferences).name.set('Reinhild');
    const form = page.querySelector('form');
    const [hours, on] = [...(form?.querySelectorAll('input') ?? [])];
    if (!form || !hours || !on) throw new Error('no form');
    const spend = async (so: string, what: string) => {
      [hours.value, on.value] = [so, what];
      form.dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
    };
    await spend('a while', 'Boring');
    await spend('-2', 'Boring');
    await spend('2', '');
    expect(orders.puts).toEqual([]);
    await spend('1,5', 'Boring');
    expect(orders.puts.map(({ list, item }) => [list, item])).toEqual([
      ['hours', jasmine.objectContaining({ hours: 1.5, on: 'Boring', who: 'Reinhild' }) as never],
    ]);
    TestBed.inject(Preferences).name.set('');
  });

  it('of a job in which nothing was done says so, and prints all the same', async () => {
    const { id, name } = PUMP.job;
    const { page } = await reported({ job: { id, name, readings: [] }, specimens: [] });
    expect(text(page)).toContain('No part was read.');
    expect(text(page)).toContain('0.0 hours in all');
    expect(button(page, 'Print')).toBeDefined();
  });
});

describe('suppliers', () => {
  it('that cannot be asked say why, beside them', async () => {
    prepare();
    fetched = () => throwError(() => new ApiError('refused', 'The supplier cannot be reached.'));
    const { fixture, page } = await show(SuppliersPanel);
    await click(fixture, button(page, 'Fetch the list of The Tin Shed'));
    expect(text(page.querySelector('[role=alert]'))).toContain('cannot be reached');
    expect(button(page, 'Fetch the list of The Tin Shed')?.disabled).toBeFalse();
    await click(fixture, button(page, 'Add'));
    expect(text(page.querySelector('form [role=alert]'))).toContain('Say what he is called');
  });
});

describe('what mends a joint', () => {
  const option = {
    name: 'Bore oversize',
    says: [],
    steps: ['bore', 'newRings', 'thickGasket'],
    buy: ['lumen-rings-78'],
    hours: 4,
    price: 300,
    canUndo: false,
    elsewhere: [],
  };

  it('is on the order of its job in one press, work and parts apart, and can be taken back', async () => {
    prepare();
    const jobs = [{ ...PUMP.job, version: 1, updatedAt: '2026-11-30T08:00:00.000Z' }];
    const { fixture, page } = await show(OrderRemedy, { option, on: 'Pistons in the block', job: PUMP.job.id });
    // The jobs come from the server.
    const { server } = await import('../testing/setUp');
    server()
      .match('/api/jobs')
      .forEach((request) => request.flush(jobs));
    await settled();
    await fixture.whenStable();
    await click(fixture, button(page, 'Order it: Bore oversize'));
    // Rings that are bought and put in are no work for the machine shop.
    expect(orders.puts.map(({ list, item }) => [list, 'operation' in item ? item.operation : item.pattern])).toEqual([
      ['work', 'bore'],
      ['orders', 'lumen-rings-78'],
    ]);
    expect(text(page)).toContain('On the order of Pump of the lower terrace');
  });
});

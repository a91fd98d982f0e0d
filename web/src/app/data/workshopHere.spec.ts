import { USUAL_SHOP, Workshop, type CatalogueChanges, type Maker } from '@which-bore/core';
import { hundredQuestions } from '@which-bore/core/hundredQuestions';
import { wrap } from 'comlink';
import specimens from '../../../../demo-data/specimens.json';
import { CATALOGUE } from '../testing/demo';
import { CatalogueStock, type Tagged } from './catalogueStock';
import type { DemoWorker } from '../testing/demo.worker';
import { WorkshopHere } from './workshopHere';
import { isNotYet, type WorkshopState } from './workshopState';

const TODAY = '2026-03-02';

/** A stock without a server: what is kept here, what the server has, and whether it can be reached. */
class FakeStock extends CatalogueStock {
  readonly log: string[] = [];
  here: Tagged | undefined;
  server: Tagged = { tag: 'a-1', catalogue: CATALOGUE };
  changes: CatalogueChanges | undefined;
  away = false;

  override kept(): Promise<Tagged | undefined> {
    return Promise.resolve(this.here);
  }
  override changesSince(tag: string): Promise<CatalogueChanges> {
    this.log.push(`changes since ${tag}`);
    return this.away
      ? Promise.reject(new Error('away'))
      : Promise.resolve(this.changes ?? { tag: this.server.tag, changed: [] });
  }
  override whole(): Promise<Tagged> {
    this.log.push('whole');
    return this.away ? Promise.reject(new Error('away')) : Promise.resolve(this.server);
  }
  override keepChanged(): void {
    this.log.push('kept');
  }
}

describe('the workshop of the browser', () => {
  let stock: FakeStock;
  let here: WorkshopHere;
  let states: WorkshopState[];
  let later: (() => void)[];
  beforeEach(() => {
    stock = new FakeStock();
    states = [];
    later = [];
    here = new WorkshopHere(stock, (work) => later.push(work));
  });
  const opened = async () => {
    await here.open((state) => states.push(state), USUAL_SHOP, TODAY);
    await settled();
  };
  const settled = async () => {
    for (let turn = 0; turn < 20; turn++) await Promise.resolve();
  };
  const now = () => states.at(-1);
  const makers = () => {
    const said = here.ask('tree', {}, true);
    return 'makers' in said ? said.makers.map(({ name }) => name) : [];
  };

  it('fetches the catalogue once, and no more where it has it as it is', async () => {
    await opened();
    expect(stock.log).toEqual(['whole']);
    expect(now()).toEqual({ tag: 'a-1', current: true, busy: false });
    stock.here = stock.server;
    here = new WorkshopHere(stock, (work) => later.push(work));
    await opened();
    expect(stock.log).toEqual(['whole', 'changes since a-1']);
    expect(now()?.current).toBeTrue();
  });

  it('follows record by record', async () => {
    await opened();
    const maker: Maker = { id: 'newly-made', name: 'Newly made' };
    stock.changes = { tag: 'a-2', changed: [{ type: 'maker', id: maker.id, record: maker }] };
    here.refresh();
    await settled();
    expect(now()?.tag).toBe('a-2');
    expect(makers()).toContain('Newly made');
    expect(stock.log).toEqual(['whole', 'changes since a-1']);
  });

  it('fetches it anew where too much was changed, or it is another catalogue', async () => {
    await opened();
    stock.changes = { tag: 'b-7', whole: true };
    stock.server = {
      tag: 'b-7',
      catalogue: { ...CATALOGUE, makers: [], families: [], patterns: [], variants: [], schemes: [], swaps: [] },
    };
    here.refresh();
    await settled();
    expect(stock.log).toEqual(['whole', 'changes since a-1', 'whole']);
    expect(makers()).toEqual([]);
  });

  it('goes on with what it kept while the server is away, and asks again', async () => {
    stock.here = stock.server;
    stock.away = true;
    await opened();
    expect(now()).toEqual({ tag: 'a-1', current: false, busy: false });
    expect(makers().length).toBeGreaterThan(0);
    stock.away = false;
    later.forEach((work) => work());
    await settled();
    expect(now()?.current).toBeTrue();
  });

  it('says not yet while it has nothing, and never answers with nothing', async () => {
    expect(isNotYet(here.ask('overview', {}, true))).toBeTrue();
    await opened();
    expect(isNotYet(here.ask('overview', {}, false))).toBeFalse();
  });

  it('says why a question is refused, as plain data', async () => {
    await opened();
    expect(here.ask('decode', { scheme: 'no-such', numbers: ['1'] }, true)).toEqual({
      refused: 'missing',
      error: jasmine.stringContaining('no-such'),
    });
  });

  it('keeps what was changed once there is much of it, so that the next visit begins there', async () => {
    await opened();
    const many = Array.from({ length: 300 }, (_, at): Maker => ({ id: `maker-${at}`, name: `Maker ${at}` }));
    stock.changes = { tag: 'a-3', changed: many.map((record) => ({ type: 'maker', id: record.id, record })) };
    here.refresh();
    await settled();
    expect(stock.log.at(-1)).toBe('kept');
  });
});

describe('the worker', () => {
  it('answers a hundred questions as the core does, and refuses in its words', async () => {
    // The server of the tests has no catalogue: the worker itself is given one by a stand-in for its fetch.
    const worker = new Worker(new URL('../testing/demo.worker', import.meta.url), { type: 'module' });
    const here = wrap<DemoWorker>(worker);
    await here.open(USUAL_SHOP, TODAY);
    const workshop = new Workshop(CATALOGUE);
    const { drawerOf, refusalOf } = await import('@which-bore/core');
    workshop.setCircumstances({ drawer: drawerOf(USUAL_SHOP, TODAY), rules: USUAL_SHOP.rules });
    const questions = hundredQuestions(CATALOGUE, specimens.specimens as never);
    expect(questions.length).toBeGreaterThanOrEqual(100);
    for (const { name, request } of questions) {
      let expected: unknown;
      try {
        expected = workshop.ask(name, request);
      } catch (error) {
        expected = refusalOf(error);
      }
      expect(JSON.stringify(await here.ask(name, request, true)))
        .withContext(`${name} ${JSON.stringify(request).slice(0, 200)}`)
        .toBe(JSON.stringify(expected));
    }
    worker.terminate();
  }, 60_000);
});

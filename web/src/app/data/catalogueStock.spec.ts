import { clear, createStore } from 'idb-keyval';
import { CATALOGUE } from '../testing/demo';
import { CatalogueStock } from './catalogueStock';

describe('the stock of the catalogue', () => {
  const forget = () => clear(createStore('which-bore-catalogue', 'catalogue'));
  const stock = (answers: Readonly<Record<string, () => Response>>) => {
    const asked: string[] = [];
    const fetching = ((address: string) => {
      asked.push(address);
      return Promise.resolve(answers[address]?.() ?? new Response(null, { status: 503 }));
    }) as typeof fetch;
    return { stock: new CatalogueStock(fetching), asked };
  };
  const whole = {
    '/api/catalogue': () => new Response(JSON.stringify(CATALOGUE), { headers: { etag: 'W/"1a2b3c4d-7"' } }),
  };
  /** Keeping goes on in the background: waited for by asking for it. */
  const keptBy = async (of: CatalogueStock, tag: string) => {
    for (let tries = 0; tries < 200; tries++) {
      const kept = await of.kept();
      if (kept?.tag === tag) return kept;
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    throw new Error('It was never kept.');
  };
  beforeEach(forget);
  afterAll(forget);

  it('has nothing on a first visit, and on the next what was fetched, with its state', async () => {
    const first = stock(whole);
    expect(await first.stock.kept()).toBeUndefined();
    expect((await first.stock.whole()).tag).toBe('1a2b3c4d-7');
    await keptBy(first.stock, '1a2b3c4d-7');
    const next = stock({});
    expect(await next.stock.kept()).toEqual({ tag: '1a2b3c4d-7', catalogue: CATALOGUE });
    expect(next.asked).toEqual([]);
  });

  it('keeps what was changed here in the place of what was fetched', async () => {
    const { stock: here } = stock(whole);
    await here.whole();
    await keptBy(here, '1a2b3c4d-7');
    const { makers } = CATALOGUE;
    here.keepChanged({ tag: '1a2b3c4d-9', catalogue: { ...CATALOGUE, makers: makers.slice(1) } });
    expect((await keptBy(here, '1a2b3c4d-9')).catalogue.makers).toEqual(makers.slice(1));
  });

  it('fails where the server is away, and says where', async () => {
    const { stock: here } = stock({});
    await expectAsync(here.whole()).toBeRejectedWithError(/\/api\/catalogue answered 503/);
    await expectAsync(here.changesSince('a"b')).toBeRejectedWithError(/since=a%22b answered 503/);
  });
});

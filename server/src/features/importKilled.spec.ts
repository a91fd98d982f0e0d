import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ServerProcess } from '../testing/serverProcess.js';
import { Halt, MANY_PINS, manyPins, testDatabaseUrl, withDemo, type ImportShown } from './testing.js';

describe('a server killed in the middle of an import', () => {
  let server: ServerProcess | undefined;
  let uploads: string;
  let url: string;

  const start = async () => {
    server = await ServerProcess.start(testDatabaseUrl(), uploads);
    url = server.url;
  };
  const state = async (id: string) => (await (await fetch(`${url}/api/imports/${id}`)).json()) as ImportShown;
  const until = async (id: string, is: (now: ImportShown) => boolean): Promise<ImportShown> => {
    for (;;) {
      const now = await state(id);
      if (is(now)) return now;
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
  };
  const post = (path: string) =>
    fetch(`${url}/api/imports/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    });
  const text = async (file: string) => (await fetch(`${url}/api/exports/${file}`)).text();

  beforeEach(async () => {
    await withDemo();
    uploads = await mkdtemp(join(tmpdir(), 'which-bore-test-'));
    await start();
  });
  afterEach(async () => {
    await server?.kill();
    await rm(uploads, { recursive: true, force: true });
  });

  it('leaves the catalogue as it was, and the import can be run again', async () => {
    const before = await text('catalogue.json');
    const form = new FormData();
    form.append('file', new Blob([manyPins()]), 'pin.csv');
    const { id } = (await (await fetch(`${url}/api/imports`, { method: 'POST', body: form })).json()) as ImportShown;
    await until(id, (now) => now.state === 'read');
    const halt = await Halt.inTheMiddle();
    await post(`${id}/apply`);
    await halt.isReached();
    await server?.kill();
    await halt.letGo();
    await start();
    expect(await text('catalogue.json')).toBe(before);
    expect(await state(id)).toEqual(
      jasmine.objectContaining({ state: 'interrupted', problem: jasmine.stringContaining('Nothing was changed') }),
    );
    await post(`${id}/read`);
    expect((await until(id, (now) => now.state === 'read')).counts).toEqual([
      { type: 'pattern', outcome: 'added', count: MANY_PINS - 1 },
      { type: 'pattern', outcome: 'changed', count: 1 },
    ]);
    await post(`${id}/apply`);
    await until(id, (now) => now.state === 'applied');
    expect((await text('pin.csv')).split('\n').length).toBeGreaterThan(MANY_PINS);
  });
});

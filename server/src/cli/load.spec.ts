import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import type { Catalogue } from '@which-bore/core';
import { Database } from '../database/database.js';
import { CatalogueStore } from '../features/catalogueStore.js';
import { demoBuilds, demoCatalogue, demoJobs, demoSpecimens, testDatabaseUrl, withDemo } from '../features/testing.js';

const run = promisify(execFile);
const LOADER = fileURLToPath(new URL('load.js', import.meta.url));

describe('loading files', () => {
  let folder: string;

  beforeEach(async () => {
    await withDemo();
    folder = await mkdtemp(join(tmpdir(), 'which-bore-load-'));
  });
  afterEach(() => rm(folder, { recursive: true }));

  const load = async (...contents: unknown[]) => {
    const paths = await Promise.all(
      contents.map(async (content, at) => {
        const path = join(folder, `${at}.json`);
        await writeFile(path, typeof content === 'string' ? content : JSON.stringify(content));
        return path;
      }),
    );
    return run(process.execPath, [LOADER, ...paths], { env: { ...process.env, DATABASE_URL: testDatabaseUrl() } }).then(
      ({ stdout }) => ({ ok: true, said: stdout }),
      (error: unknown) => ({ ok: false, said: (error as { stderr: string }).stderr }),
    );
  };

  it('may be done again: what is there is replaced, specimens are left alone', async () => {
    const specimens = await demoSpecimens();
    const files = [await demoCatalogue(), await demoJobs(), specimens, await demoBuilds()];
    const first = await load(...files);
    expect(first.said).toContain('3 jobs added');
    expect(first.said).toContain('9 builds added');
    expect(first.said).toContain(`${specimens.specimens.length} specimens added`);
    const again = await load(...files);
    expect(again.said).toContain('0 jobs added');
    expect(again.said).toContain('0 builds added');
    expect(again.said).toContain('0 specimens added');
  });

  it('says which file is wanted before, where a specimen names a job that is not there', async () => {
    const { ok, said } = await load(await demoSpecimens());
    expect(ok).toBeFalse();
    expect(said).toContain('The specimens cannot be loaded.');
    expect(said).toContain('load the file of jobs before');
    const builds = await load(await demoBuilds());
    expect(builds.ok).toBeFalse();
    expect(builds.said).toContain('The builds cannot be loaded.');
  });

  it('says what is wrong and loads nothing of it', async () => {
    const catalogue = await demoCatalogue();
    const [first] = catalogue.patterns;
    if (!first) throw new Error('The demo is empty.');
    const count = async () => {
      const database = new Database(testDatabaseUrl(), () => undefined);
      await database.open();
      let text = '';
      for await (const piece of new CatalogueStore(database).text()) text += piece;
      await database.close();
      return (JSON.parse(text) as Catalogue).patterns.length;
    };
    const before = await count();
    const extra = { ...first, id: 'extra-one' };
    const alone = { ...catalogue, variants: [], swaps: [], schemes: [] };
    for (const [content, said] of [
      [{ ...alone, patterns: [extra, { ...first, id: 'extra-two', family: 'nobody' }] }, /no family “nobody”/],
      [{ ...alone, patterns: [extra, { ...first, id: 'Bad Id' }] }, /patterns\/1\/id/],
      [{ ...catalogue, version: 1 }, /version/],
      ['{"format":', /JSON/],
    ] as const) {
      const { ok, said: told } = await load(content);
      expect(ok).toBeFalse();
      expect(told).toMatch(said);
    }
    expect(await count()).toBe(before);
    expect((await load({ ...alone, patterns: [extra] })).ok).toBeTrue();
    expect(await count()).toBe(before + 1);
  });
});

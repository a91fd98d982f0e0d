import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test';
import pg from 'pg';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const address = probe.address();
  probe.close();
  if (typeof address !== 'object' || address === null) throw new Error('no port');
  return address.port;
}

/** Runs statements that concern whole databases; a database that is being copied by another shop is waited for. */
async function administering(url: URL, statements: readonly string[]): Promise<void> {
  const admin = new URL(url);
  admin.pathname = '/postgres';
  const client = new pg.Client({ connectionString: admin.href });
  await client.connect();
  for (const statement of statements)
    for (let tries = 0; ; tries++)
      try {
        await client.query(statement);
        break;
      } catch (error) {
        if (tries > 50) throw error;
        await new Promise((resolve) => setTimeout(resolve, 200));
      }
  await client.end();
}

/** The real server over the test database, as ./demo starts it; it can be stopped and started again. */
class Shop {
  private process: ChildProcess | undefined;

  private constructor(
    private readonly port: number,
    private readonly database: string,
  ) {}

  /** A shop over a copy of the test database that is its own, so that several may be open side by side. */
  static async open(which: number): Promise<Shop> {
    const url = new URL(process.env.DATABASE_URL ?? '');
    const original = url.pathname.slice(1);
    const copy = `${original}_${which}`;
    await administering(url, [
      `DROP DATABASE IF EXISTS ${copy} WITH (FORCE)`,
      `CREATE DATABASE ${copy} TEMPLATE ${original}`,
    ]);
    url.pathname = `/${copy}`;
    const shop = new Shop(await freePort(), url.href);
    await shop.start();
    return shop;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    this.process = spawn(process.execPath, ['server/dist/main.js'], {
      cwd: ROOT,
      env: {
        ...process.env,
        DATABASE_URL: this.database,
        UPLOADS: join(ROOT, 'test-results', `uploads-${this.port}`),
        PORT: String(this.port),
        LOG_LEVEL: 'error',
        SIMULATED: '1',
        // Where nobody listens: a supplier that is down.
        SUPPLIER_HOSTS: '127.0.0.1:9',
        // One person at a time: what several threads do is looked at with the server.
        WORKSHOPS: '1',
      },
      stdio: 'inherit',
    });
    // However long a busy machine takes: the time of the test ends it, or the end of the process.
    const { process: started } = this;
    while (started.exitCode === null && started.signalCode === null) {
      const answer = await fetch(`${this.url}/api/health`).catch(() => undefined);
      if (answer?.ok) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`The server ended as it came up: ${started.exitCode ?? started.signalCode}.`);
  }

  /** Puts more records into its catalogue, from a file of the open format. */
  load(path: string): void {
    execFileSync(process.execPath, ['server/dist/cli/load.js', path], {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: this.database },
      stdio: 'pipe',
    });
  }

  /** Ends the server as a power cut would. */
  async kill(): Promise<void> {
    const running = this.process;
    if (running?.exitCode !== null || running.signalCode !== null) return;
    running.kill('SIGKILL');
    await once(running, 'exit');
  }

  /** Cuts every connection to its database, as one that goes down and comes back does. */
  async cutDatabase(): Promise<void> {
    const name = new URL(this.database).pathname.slice(1);
    await administering(new URL(this.database), [
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${name}'`,
    ]);
  }

  async stop(): Promise<void> {
    const running = this.process;
    if (running?.exitCode !== null || running.signalCode !== null) return;
    running.kill('SIGTERM');
    await once(running, 'exit');
  }
}

/** What the console may say: requests that fail while a test has the server stopped. */
const EXPECTED =
  /net::ERR_CONNECTION_REFUSED|net::ERR_CONNECTION_RESET|net::ERR_EMPTY_RESPONSE|status of (404|409|413|415|424|503)/;

/** Leaves nothing of what a test kept in the browser: its records, its outbox, its settings. */
async function forgetAll(context: BrowserContext, origin: string): Promise<void> {
  const [last, ...others] = context.pages();
  if (!last) return;
  await Promise.all(others.map((page) => page.close()));
  // No page of ours may be open while what it kept is deleted.
  await last.goto('about:blank');
  const session = await context.newCDPSession(last);
  await session.send('Storage.clearDataForOrigin', {
    origin,
    storageTypes: 'cookies,indexeddb,local_storage,cache_storage,service_workers',
  });
  await last.close();
}

export const test = base.extend<object, { shop: Shop; sharedContext: BrowserContext }>({
  shop: [
    // Playwright wants the fixtures taken apart even where none is used.
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, worker) => {
      const shop = await Shop.open(worker.parallelIndex);
      await use(shop);
      await shop.stop();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ shop }, use) => use(shop.url),
  // One for all tests of a worker, because a page loads half as fast again in one that has loaded it before.
  sharedContext: [
    async ({ browser, shop }, use) => {
      const context = await browser.newContext({
        viewport: { width: 1280, height: 800 },
        colorScheme: 'light',
        timezoneId: 'UTC',
        baseURL: shop.url,
      });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ sharedContext, shop }, use) => {
    await use(sharedContext);
    await forgetAll(sharedContext, shop.url);
  },
  // Every test also checks that the page has nothing to complain of, its content policy least of all.
  page: async ({ context }, use) => {
    const page = await context.newPage();
    const complaints: string[] = [];
    page.on('console', (message) => {
      if (message.type() === 'error' && !EXPECTED.test(message.text())) complaints.push(message.text());
    });
    page.on('pageerror', (error) => complaints.push(String(error)));
    await use(page);
    expect(complaints).toEqual([]);
  },
});

export { expect };

/**
 * Opens an address as a link on the page would, without loading the page anew. What was shown before stands until the
 * station is there: wait for something that only it has.
 */
export async function goTo(page: Page, address: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto(address);
  else
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, address);
}

/** Types into the entry line and enters it. */
export async function enter(page: Page, text: string): Promise<void> {
  await page.getByLabel('What you read, see and measure on the part').fill(text);
  await page.keyboard.press('Enter');
}

/** Puts the part aside for another. */
export async function clearBench(page: Page): Promise<void> {
  await page.getByLabel('What you read, see and measure on the part').press('Escape');
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'A clear bench' })).toBeVisible();
}

/** The candidates of the line-up, top first: name and probability as shown. */
export async function lineUp(page: Page): Promise<{ name: string; share: string }[]> {
  // The whole list in one look: rows may be replaced between two.
  const list = page.getByRole('list', { name: 'Candidates, likeliest first' });
  return list.evaluate((rows) =>
    [...rows.children].map((row) => ({
      name: row.querySelector('.who b')?.textContent.trim() ?? '',
      share: row.querySelector('.share')?.textContent.trim() ?? '',
    })),
  );
}

/** Waits until the line-up goes by the latest readings. */
export const reckoned = (page: Page) =>
  expect(page.getByRole('region', { name: 'What it may be' })).toHaveAttribute('aria-busy', 'false');

export const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();

/** The lamp of the top strip, which tells whether all is saved. */
export const lamp = (page: Page, says: RegExp) => expect(page.locator('.lamp')).toHaveText(says);

/** What is entered on a specimen, as the server keeps it. */
export const specimenTexts = async (url: string, id: string): Promise<readonly string[]> => {
  const answer = await fetch(`${url}/api/specimens/${id}`);
  if (!answer.ok) return [];
  const { readings } = (await answer.json()) as { readings: { is: { text: string } }[] };
  return readings.map(({ is }) => is.text);
};

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** A station or a situation in it: what it is called here, its address, and words that only it shows. */
export type Station = readonly [name: string, address: string, shows: string | RegExp];

/** Goes through stations on one page and holds each to all rules of axe-core, on either ground. */
export async function expectNoFaults(page: Page, stations: readonly Station[]): Promise<void> {
  for (const [name, address, shows] of stations)
    await test.step(name, async () => {
      await goTo(page, address);
      await expect(page.getByText(shows, { exact: typeof shows === 'string' }).first()).toBeVisible();
      await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
      expect.soft(await faultsOnBothGrounds(page), name).toEqual([]);
    });
}

/** What axe-core finds wrong with the page on the light ground, and then on the dark one. */
export async function faultsOnBothGrounds(page: Page): Promise<string[]> {
  // Colours that are still on their way from one ground to the other are no fault.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const light = await lastingFaults(page);
  await page.getByRole('button', { name: 'To the dark ground' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  // The ground changes colours and nothing else.
  const dark = await lastingFaults(page, ['color-contrast']);
  await page.getByRole('button', { name: 'To the light ground' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
  return [...light, ...dark];
}

/**
 * What axe-core goes on finding. The components change colour once the sheet of a ground has come and been applied:
 * until then they are looked at again.
 */
async function lastingFaults(page: Page, runOnly?: readonly string[]): Promise<string[]> {
  let found: string[] = [];
  await expect
    .poll(async () => (found = await faults(page, runOnly)).length, { timeout: 30_000 })
    .toBe(0)
    .catch(() => undefined);
  return found;
}

interface Axe {
  run(options: object): Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>;
}

/** What axe-core finds wrong with the page as it stands: by all its rules, or by some. */
export async function faults(page: Page, runOnly?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(async (only) => {
    const { axe } = window as unknown as { axe: Axe };
    const { violations } = await axe.run({ resultTypes: ['violations'], ...(only ? { runOnly: only } : {}) });
    return violations.flatMap(({ id, nodes }) =>
      nodes.map((node) => `${id}: ${node.html.slice(0, 200)} ${node.failureSummary.slice(0, 300)}`),
    );
  }, runOnly);
}

/** The workshop of the browser holds the catalogue, so that it answers without the server. */
export const heldHere = (page: Page) =>
  expect
    .poll(
      () =>
        page.evaluate(() =>
          new Promise<number>((resolve, reject) => {
            const opening = indexedDB.open('which-bore-catalogue');
            opening.onerror = () => reject(new Error(String(opening.error)));
            // Whoever opens it first lays it out: that is not for a test to do.
            opening.onupgradeneeded = () => opening.transaction?.abort();
            opening.onsuccess = () => {
              const { result } = opening;
              const count = result.transaction('catalogue').objectStore('catalogue').count();
              count.onsuccess = () => {
                result.close();
                resolve(count.result);
              };
              count.onerror = () => reject(new Error(String(count.error)));
            };
          }).catch(() => 0),
        ),
      { timeout: 120_000 },
    )
    .toBeGreaterThan(0);

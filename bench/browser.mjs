/**
 * A walk through the application in the real browser, over catalogues of several sizes: node bench/browser.mjs [sizes…]
 *
 * For each: the first visit and the second (until the first answer stands there), every station with the longest task
 * of the page's thread, its memory; then the server: eight people asking at once after a record was saved, every
 * question with a histogram of how long the loop of the server was not free. Wants DATABASE_URL, where it makes a
 * database of its own for each size. Baseline: the same walk over the demo, in the same run.
 */
import { execFile, fork } from 'node:child_process';
import { once } from 'node:events';
import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { chromium } from '@playwright/test';
import { KIND_IDS, LIST_OF, QUESTIONS, RECORD_TYPES } from '@which-bore/core';
import { hundredQuestions } from '@which-bore/core/hundredQuestions';
import pg from 'pg';
import { CHROMIUM } from '../scripts/chromium.cjs';
import { Database } from '../server/dist/database/database.js';
import { CatalogueStore } from '../server/dist/features/catalogueStore.js';
import { madeUpCatalogue } from './makeCatalogue.mjs';

const sizes = process.argv.slice(2).map(Number);
const admin = new URL(process.env.DATABASE_URL);
const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
const { jobs } = JSON.parse(await readFile(new URL('../demo-data/jobs.json', import.meta.url), 'utf8'));
const { specimens } = JSON.parse(await readFile(new URL('../demo-data/specimens.json', import.meta.url), 'utf8'));

/** The demo with made-up copies of it beside it, until there are so many patterns. */
function catalogueOf(size) {
  if (size <= demo.patterns.length) return demo;
  const made = madeUpCatalogue(size - demo.patterns.length);
  return {
    ...demo,
    ...Object.fromEntries(
      RECORD_TYPES.map((type) => [LIST_OF[type], [...demo[LIST_OF[type]], ...made[LIST_OF[type]]]]),
    ),
  };
}

async function database(size, catalogue) {
  const client = new pg.Client({ connectionString: admin.href });
  await client.connect();
  const name = `bench_${size}`;
  await client.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const url = new URL(admin);
  url.pathname = `/${name}`;
  const made = new Database(url.href, () => undefined);
  await made.open();
  await new CatalogueStore(made).load(catalogue, 'bench');
  await made.connection.query('ANALYZE');
  await made.close();
  // The shelf and the jobs of the demo, whatever the size of the catalogue.
  await promisify(execFile)(
    process.execPath,
    ['server/dist/cli/load.js', 'demo-data/jobs.json', 'demo-data/specimens.json', 'demo-data/builds.json'],
    {
      cwd: fileURLToPath(new URL('..', import.meta.url)),
      env: { ...process.env, DATABASE_URL: url.href },
    },
  );
  return url.href;
}

/** How often every station is walked through. */
const WALKS = 3;

const STATIONS = [
  ['bench', '/bench'],
  ['a part', `/bench/${specimens[0].id}`],
  ['swap', '/swap?donor=pattern:sluice-crank-3375-forged&into=sluice-block-low-large'],
  ['swap, engines', '/swap?donor=pattern:skerry-piston-112-160-super&into=variant:skerry-47'],
  ['grid', '/swap/grid?donors=crank&recipients=block'],
  ['compare', '/compare?of=pattern:sluice-crank-3115,pattern:sluice-crank-3590'],
  ['catalogue', '/catalogue'],
  ['family', '/catalogue/family/sluice'],
  ['pattern', '/catalogue/pattern/sluice-crank-3375-forged'],
  ['search', '/catalogue?find=piston%20116'],
  ['search, p', '/catalogue?find=p'],
  ['form', '/catalogue/edit/pattern/sluice-crank-3375-forged'],
  ['audit', '/catalogue/audit'],
  ['changes', '/catalogue/changes'],
  ['jobs', '/jobs'],
  ['a job', `/jobs/${jobs[0].id}`],
  ['shelf', '/shelf'],
  ['rules', '/rules'],
  ['practice', '/practice'],
];

/** Tasks of the page's thread are written down by the browser itself, with the time the thread had of its own. */
const TRACED = ['toplevel', 'devtools.timeline', 'v8.execute'];
const LONG = 50;

/**
 * Everything the page's thread did from here on: `tell` stops and answers the longest task, as long as it lasted and
 * what the thread itself took of that. The rest is what the machine gave to others meanwhile.
 */
async function watchTasks(page) {
  const session = await page.context().newCDPSession(page);
  const events = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  await session.send('Tracing.start', {
    traceConfig: { includedCategories: TRACED },
    transferMode: 'ReportEvents',
  });
  return async () => {
    const ended = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
    await session.send('Tracing.end');
    await ended;
    await session.detach();
    return longestTask(events);
  };
}

function longestTask(events) {
  const mains = new Set(
    events
      .filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain')
      .map(({ pid, tid }) => `${pid}:${tid}`),
  );
  const whole = events.filter(({ ph, pid, tid }) => ph === 'X' && mains.has(`${pid}:${tid}`));
  const [worst] = whole.filter(({ name }) => name.endsWith('RunTask')).sort((a, b) => b.dur - a.dur);
  if (worst === undefined) return { lasted: 0, own: 0, parts: [] };
  const within = (each) =>
    each !== worst &&
    each.pid === worst.pid &&
    each.tid === worst.tid &&
    each.ts >= worst.ts &&
    each.ts + each.dur <= worst.ts + worst.dur + 1 &&
    each.dur > 5000 &&
    !each.name.endsWith('RunTask');
  const parts = whole
    .filter(within)
    .sort((a, b) => a.ts - b.ts || b.dur - a.dur)
    .slice(0, 12)
    .map(({ name, dur, tdur, args }) => {
      const where = args?.data?.functionName || args?.data?.url?.split('/').at(-1);
      return `${name}${where ? ` ${where}` : ''} ${(dur / 1000).toFixed(0)} (${((tdur ?? 0) / 1000).toFixed(0)})`;
    });
  return { lasted: worst.dur / 1000, own: (worst.tdur ?? worst.dur) / 1000, parts };
}

/** Looked at now and then only, and without laying the page out for it: the looking is not to be what takes long. */
const quiet = (page) =>
  page.waitForFunction(
    () => {
      const main = globalThis.document.querySelector('main');
      const says = [...(main?.querySelectorAll('[role=status]') ?? [])].map((each) => each.textContent);
      return main !== null && !says.some((each) => /^\s*(Fetching|Going over|Looking at)/.test(each));
    },
    null,
    { timeout: 120_000, polling: 100 },
  );

/** From the address to the first answer: what a typed line is. */
async function visit(context, address) {
  const page = await context.newPage();
  const tell = await watchTasks(page);
  const from = performance.now();
  await page.goto(`${address}/bench`);
  await page
    .getByLabel('What you read, see and measure on the part')
    .fill('crank cast 41?7 main 2.349in mic pin 2.0493in mic stroke 3.375in caliper forged 8 weights');
  await page.getByText('3.375 forged, small journal').first().waitFor({ timeout: 120_000 });
  const took = performance.now() - from;
  return { page, took, task: await tell() };
}

const spoken = ({ lasted, own }) => `${lasted.toFixed(0)} ms (${own.toFixed(0)} of its own)`;

async function walk(size, address) {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--enable-precise-memory-info'],
  });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const first = await visit(context, address);
  console.log(`  first visit: first answer after ${first.took.toFixed(0)} ms, longest task ${spoken(first.task)}`);
  // Until the workshop of the browser holds the catalogue.
  const loading = performance.now();
  const tell = await watchTasks(first.page);
  await first.page.waitForFunction(
    async () => {
      const databases = await globalThis.indexedDB.databases();
      return databases.some(({ name }) => name === 'which-bore-catalogue');
    },
    null,
    { timeout: 120_000 },
  );
  await first.page.waitForTimeout(Math.min(20_000, 500 + size / 8));
  const held = await tell();
  console.log(
    `  while the worker takes the catalogue up (${((performance.now() - loading) / 1000).toFixed(1)} s waited): longest task ${spoken(held)}`,
  );
  await first.page.close();
  const second = await visit(context, address);
  console.log(`  second visit: first answer after ${second.took.toFixed(0)} ms, longest task ${spoken(second.task)}`);
  // Each time in a page of its own, so that every view is drawn for the first time.
  const walks = [await stations(second.page)];
  while (walks.length < WALKS) {
    const { page } = await visit(context, address);
    walks.push(await stations(page));
  }
  const worst = { lasted: 0, own: 0 };
  for (const [at, [name]] of STATIONS.entries()) {
    const tasks = walks.map((each) => each.steps[at].task);
    worst.lasted = Math.max(worst.lasted, ...tasks.map(({ lasted }) => lasted));
    worst.own = Math.max(worst.own, ...tasks.map(({ own }) => own));
    const took = Math.min(...walks.map((each) => each.steps[at].took));
    const each = tasks.map(({ lasted, own }) => `${lasted.toFixed(0)} (${own.toFixed(0)})`);
    console.log(`    ${name.padEnd(14)} ${took.toFixed(0).padStart(6)} ms, longest task ${each.join(', ')} ms`);
    for (const { lasted, parts } of tasks)
      if (lasted > LONG) console.log(`      ${lasted.toFixed(0)} ms: ${parts.join(', ')}`);
  }
  console.log(
    `  longest task of all stations ${spoken(worst)}; heap of the page ${(walks.at(-1).memory / 1e6).toFixed(0)} MB`,
  );
  await browser.close();
  return { first: first.took, second: second.took };
}

/** Goes through every station as links would: the page stays. */
async function stations(page) {
  const steps = [];
  for (const [, path] of STATIONS) {
    const tell = await watchTasks(page);
    const from = performance.now();
    await page.evaluate((to) => {
      globalThis.history.pushState(null, '', to);
      globalThis.dispatchEvent(new globalThis.PopStateEvent('popstate'));
    }, path);
    await page.waitForTimeout(150);
    await quiet(page);
    const took = performance.now() - from;
    await page.waitForTimeout(700);
    steps.push({ took, task: await tell() });
  }
  const memory = await page.evaluate(() => globalThis.performance.memory.usedJSHeapSize);
  await page.close();
  return { steps, memory };
}

async function asked(server, address) {
  const say = async (what) => {
    server.send(what);
    const [answer] = await once(server, 'message');
    return answer;
  };
  const post = async (name, request) => {
    const response = await fetch(`${address}/api${QUESTIONS[name].path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(request),
    });
    await response.arrayBuffer();
    return response.status;
  };
  await say('warm');
  await say('histogram');
  const questions = [
    ...hundredQuestions(demo, specimens),
    ...KIND_IDS.map((kind) => ({ name: 'identify', request: { kind, entry: '8' } })),
  ];
  let [slowest, took] = ['', 0];
  for (const { name, request } of questions) {
    const from = performance.now();
    await post(name, name.startsWith('grid') ? { ...request, first: true } : request);
    if (performance.now() - from > took) [slowest, took] = [name, performance.now() - from];
  }
  const { p50, p99, max, idle, rss } = await say('histogram');
  console.log(
    `  ${questions.length} questions one by one, the slowest ${slowest} in ${took.toFixed(0)} ms; loop of the server not free: median ${p50.toFixed(1)}, 99 % ${p99.toFixed(1)}, longest ${max.toFixed(1)} ms, of a thread beside it that does nothing ${idle.max.toFixed(1)} ms; ${(rss / 1e6).toFixed(0)} MB`,
  );
  const [record] = demo.patterns.filter(({ id }) => id === 'sluice-crank-3375-forged');
  const alone = performance.now();
  await post('identify', { kind: 'crank', entry: 'main 2.349in mic' });
  const before = performance.now() - alone;
  const saved = await fetch(`${address}/api/records/pattern/${record.id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ record: { ...record, note: 'bench' }, version: 1 }),
  });
  if (!saved.ok) throw new Error(await saved.text());
  const next = performance.now();
  await post('identify', { kind: 'crank', entry: 'main 2.349in mic' });
  const after = performance.now() - next;
  await fetch(`${address}/api/records/pattern/${record.id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ record, version: 2 }),
  });
  const eight = performance.now();
  await Promise.all(
    Array.from({ length: 8 }, (_, at) => post('identify', { kind: 'crank', entry: `main 2.34${at}in mic 8 weights` })),
  );
  const { max: then, idle: resting } = await say('histogram');
  console.log(
    `  a record saved costs the next question ${(after - before).toFixed(0)} ms more (${before.toFixed(0)} before); eight at once after another are served within ${(performance.now() - eight).toFixed(0)} ms; loop ${then.toFixed(1)} ms (${resting.max.toFixed(1)} of the thread that does nothing)`,
  );
}

let yardstick;
for (const size of [demo.patterns.length, ...(sizes.length > 0 ? sizes : [5000, 20_000, 100_000])]) {
  const catalogue = catalogueOf(size);
  const url = await database(size, catalogue);
  console.log(`${catalogue.patterns.length} patterns`);
  const server = fork(new URL('./serve.mjs', import.meta.url), { env: { ...process.env, DATABASE_URL: url } });
  const [{ port }] = await once(server, 'message');
  const address = `http://127.0.0.1:${port}`;
  await asked(server, address);
  const walked = await walk(size, address);
  yardstick ??= walked;
  console.log(
    `  first answer ${(walked.first / yardstick.first).toFixed(2)} times that over the demo on the first visit, ${(walked.second / yardstick.second).toFixed(2)} on the second`,
  );
  server.send('end');
  await once(server, 'exit');
}

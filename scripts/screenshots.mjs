/** Takes the pictures of the README from a running demo: npm run screenshots -- http://127.0.0.1:4460 */
import { chromium } from '@playwright/test';
import { CHROMIUM } from './chromium.cjs';

const address = process.argv[2] ?? 'http://127.0.0.1:4460';
const CRANK = '88768045-8cf8-49ee-84a1-d8aa2c430629';
const PUMP = '6b7c3f2e-0d54-4c1b-9a55-3d2f8e1c4a10';
const VIEWS = [
  ['bench', `/bench/${CRANK}`, 'light'],
  ['job', '/jobs/8298c813-593c-4153-81ca-3b9414c8478e', 'light'],
  ['order', `/order?job=${PUMP}`, 'light'],
  ['order-work', `/order?job=${PUMP}&view=work`, 'light'],
  ['order-assembly', `/order?job=${PUMP}&view=assembly`, 'dark'],
  ['rules', '/rules', 'light', '#thumb-title'],
  ['swap', `/swap?donor=specimen:${CRANK}&into=sluice-block-low-large`, 'light'],
  ['plan', '/plan/1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e01', 'light'],
  ['shelf', '/shelf', 'light'],
  ['catalogue-pattern', '/catalogue/pattern/skerry-crank-4-112', 'light'],
  [
    'plan-what-if',
    '/plan/1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e04?show=whatIf&figure=ratio&angle=-40&vary=headGasket.thickness,0.4,1.6&and=head.chamber.volume,46,70',
    'dark',
  ],
  [
    'compare',
    '/compare?of=pattern:sluice-crank-3375-forged,pattern:sluice-crank-3375-cast,pattern:sluice-crank-3590',
    'light',
  ],
  ['fit', `/fit?job=${PUMP}&part=5f1d00c1-0000-4000-8000-000000000001&sheet=crank.mainJournal.diameter`, 'light'],
  ['fit-shells', `/fit?job=${PUMP}&view=shells`, 'dark'],
  ['fit-sets', `/fit?job=${PUMP}&view=sets`, 'light'],
];

/**
 * Until the view has stood complete for a second: what is still on its way, or about to be asked for, is no picture of
 * it.
 */
function shown(page) {
  return page.evaluate(
    () =>
      new Promise((resolve) => {
        const { document, setTimeout } = globalThis;
        const look = (complete) => {
          if (complete === 10) return resolve();
          const waits =
            !document.querySelector('main h1, main h2') ||
            /Fetching|Looking at|Going over|Working/.test(document.body.innerText);
          setTimeout(look, 100, waits ? 0 : complete + 1);
        };
        look(0);
      }),
  );
}

// The suppliers' lists, which the demo fetches when somebody asks for them.
for (const id of ['ridge-road', 'tin-shed']) await fetch(`${address}/api/suppliers/${id}/fetch`, { method: 'POST' });
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const [name, path, colorScheme, scrolledTo] of VIEWS) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
  await page.goto(address + path);
  await page.getByText('Saved', { exact: true }).waitFor();
  await shown(page);
  // Twice, since what stands above it may still be drawn.
  for (let times = 0; scrolledTo && times < 2; times++) {
    const element = page.locator(scrolledTo).first();
    await element.evaluate((it) => it.scrollIntoView({ block: 'start' }));
    await shown(page);
  }
  await page.screenshot({ path: new URL(`../docs/screenshots/${name}.png`, import.meta.url).pathname });
  await page.close();
}
// What is worked out only when somebody asks for it: tolerances drawn, sets found, and why there is none.
const LONG_CRANK = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e01';
const SMALL_CHAMBERS = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e03';
const free = (...slots) => Object.fromEntries(slots.map((slot) => [slot, { from: 'any', parts: [], mayStay: true }]));
const target = (figure, low, high) => ({ figure, low, high, wished: false });
const DEMANDED = {
  [LONG_CRANK]: {
    places: free('rod', 'piston', 'headGasket', 'head'),
    targets: [target('ratio', '8.8', '9.6'), target('squish', '0.9', '1.2')],
  },
  [SMALL_CHAMBERS]: { places: free('piston'), targets: [target('displacement', '', '5600')], limits: { open: '0' } },
};
for (const [name, path, colorScheme, press, until] of [
  [
    'plan-tolerance',
    `/plan/${LONG_CRANK.replace(/1$/, '2')}?show=tolerance&figure=squish`,
    'light',
    'Draw engines',
    /40000 engines drawn/,
  ],
  ['plan-sets', `/plan/${LONG_CRANK}/find`, 'light', 'Find sets', /counts less by|None: without any/],
  ['plan-no-set', `/plan/${SMALL_CHAMBERS}/find`, 'dark', 'Find sets', /What would do/],
]) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
  await page.addInitScript((demanded) => {
    for (const [id, draft] of Object.entries(demanded))
      globalThis.localStorage.setItem(`which-bore.demands.${id}`, JSON.stringify(draft));
  }, DEMANDED);
  await page.goto(address + path);
  await page.getByText('Saved', { exact: true }).waitFor();
  await shown(page);
  await page.getByRole('button', { name: press }).click();
  await page.getByText(until).first().waitFor({ timeout: 300_000 });
  await shown(page);
  await page.screenshot({ path: new URL(`../docs/screenshots/${name}.png`, import.meta.url).pathname });
  await page.close();
}
// A round of practice in the middle of its questions.
const round = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: 'light' });
await round.goto(`${address}/practice`);
await round.getByRole('button', { name: 'Hide a part' }).click();
for (const at of [0, 6, 12]) await round.locator('.asking button').nth(at).click();
await round.waitForTimeout(600);
await round.screenshot({ path: new URL('../docs/screenshots/practice.png', import.meta.url).pathname });
await browser.close();

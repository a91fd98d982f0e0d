/** Takes the pictures of the README from a running demo: npm run screenshots -- http://127.0.0.1:4460 */
import { chromium } from '@playwright/test';

const address = process.argv[2] ?? 'http://127.0.0.1:4460';
const CRANK = '88768045-8cf8-49ee-84a1-d8aa2c430629';
const VIEWS = [
  ['bench', `/bench/${CRANK}`, 'light'],
  ['bench-typing', `/bench/${CRANK}`, 'light', 'nose 1.3748in mic flange F8 main 2.349 mm'],
  ['bench-nothing-fits', '/bench/fb97226d-64d6-4b1d-8e15-168c61a294f7', 'dark'],
  ['swap', `/swap?donor=specimen:${CRANK}&into=sluice-block-low-large`, 'light'],
  ['swap-dark', '/swap?donor=pattern:sluice-crank-3375-forged&into=sluice-block-pump', 'dark'],
  ['shelf', '/shelf', 'light'],
];

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] });
for (const [name, path, colorScheme, typed] of VIEWS) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
  await page.goto(address + path);
  await page.getByText('Saved', { exact: true }).waitFor();
  if (typed) await page.getByRole('textbox', { name: 'What you read' }).fill(typed);
  await page.waitForTimeout(1000);
  await page.screenshot({ path: new URL(`../docs/screenshots/${name}.png`, import.meta.url).pathname });
  await page.close();
}
await browser.close();

import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect, test } from './shop';

// How long the page's tasks take meanwhile is measured by bench/browser.mjs, on a machine that does nothing else.
test('a grid of a thousand by a thousand fills line by line, is stopped where it stands, and goes on', async ({
  page,
  shop,
}) => {
  const body = execFileSync(process.execPath, ['bench/makeCatalogue.mjs', '16000'], { maxBuffer: 2 ** 28 });
  const { patterns } = JSON.parse(body.toString()) as { readonly patterns: readonly { readonly kind: string }[] };
  for (const side of ['crank', 'block'])
    expect(patterns.filter(({ kind }) => kind === side).length).toBeGreaterThanOrEqual(1000);
  const file = test.info().outputPath('made-up.json');
  writeFileSync(file, body);
  shop.load(file);
  await page.goto('/swap/grid?donors=crank&recipients=block');
  const progress = page.locator('.progress progress');
  const share = () => progress.evaluate((bar: HTMLProgressElement) => bar.value);
  await expect(progress).toBeVisible();
  const from = await share();
  await expect.poll(share).toBeGreaterThan(from);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText(/Stopped at \d+ %/)).toBeVisible();
  const stood = await page.locator('.progress').textContent();
  // Who asks in between is answered, and no line has come since.
  await page.getByRole('link', { name: 'Swap', exact: true }).first().focus();
  expect(await page.evaluate(async () => (await fetch('/api/health')).status)).toBe(200);
  expect(await page.locator('.progress').textContent()).toBe(stood);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(progress).toBeVisible();
});

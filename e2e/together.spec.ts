import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { enter, expect, faults, heldHere, lamp, saved, specimenTexts, test } from './shop';

const DIST = fileURLToPath(new URL('../web/dist/browser', import.meta.url));

/** The code of every station has been fetched: as many scripts as were built, but for the worker. */
const allFetched = (page: Page) => {
  const scripts = readdirSync(DIST).filter((name) => name.endsWith('.js') && !name.startsWith('worker')).length;
  return expect
    .poll(
      () =>
        page.evaluate(
          () =>
            new Set(
              performance
                .getEntriesByType('resource')
                .map(({ name }) => name)
                .filter((name) => name.endsWith('.js') && !name.includes('worker')),
            ).size,
        ),
      {
        timeout: 120_000,
      },
    )
    .toBeGreaterThanOrEqual(scripts);
};

const jobs = async (url: string) => (await (await fetch(`${url}/api/jobs`)).json()) as { id: string; name: string }[];

test('with the server away every station opens that was never opened before, and answers', async ({ page, shop }) => {
  await page.goto('/bench');
  await enter(page, 'crank cast 41?7 main 2.349in mic forged 8 weights');
  await saved(page);
  await allFetched(page);
  await heldHere(page);
  await shop.stop();
  for (const [station, shows] of [
    ['Compare', /Compare/],
    ['Jobs', /Jobs/],
    ['Shelf', /Shelf/],
    ['Catalogue', /patterns in/],
    ['Rules', /House rules/],
    ['Practice', /Practice/],
    ['Swap', /into/],
  ] as const) {
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();
    await expect(page.locator('main')).toHaveText(shows);
  }
  await lamp(page, /Server away/);
  await shop.start();
  await lamp(page, /^\s*Saved\s*$/);
});

test('a new job and the part read into it while the server is away both go up, the job first', async ({
  page,
  shop,
}) => {
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: 'Another engine' })).toBeVisible();
  await allFetched(page);
  await shop.stop();
  await page.getByRole('button', { name: 'Another engine' }).click();
  await expect(page.getByLabel('Name of this engine')).toBeVisible();
  const job = new URL(page.url()).pathname.split('/')[2] ?? '';
  await page.getByLabel('Name of this engine').fill('Winch of the lower mill');
  await page.getByLabel('Name of this engine').press('Enter');
  await page.locator('#new-kind').click();
  await page.locator('nz-option-item[title="Crank"]').click();
  await expect(page).toHaveURL(/bench/);
  await enter(page, 'main 2.349in mic');
  const part = new URL(page.url()).pathname.split('/')[2] ?? '';
  await lamp(page, /kept here/);
  await shop.start();
  await lamp(page, /^\s*Saved\s*$/);
  expect((await jobs(shop.url)).find(({ id }) => id === job)?.name).toBe('Winch of the lower mill');
  await expect.poll(() => specimenTexts(shop.url, part)).toEqual(['main 2.349in mic']);
});

test('a job deleted while the server is away stays deleted', async ({ page, shop }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Another engine' }).click();
  await page.getByLabel('Name of this engine').fill('To be deleted');
  await page.getByLabel('Name of this engine').press('Enter');
  await saved(page);
  await allFetched(page);
  await shop.stop();
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'Delete To be deleted' }).click();
  await lamp(page, /1 kept here/);
  await shop.start();
  await lamp(page, /^\s*Saved\s*$/);
  await page.reload();
  await expect(page.locator('tbody tr').first()).toBeVisible();
  await expect(page.getByText('To be deleted')).toHaveCount(0);
  expect((await jobs(shop.url)).some(({ name }) => name === 'To be deleted')).toBe(false);
});

test('what the server refuses is said with its reason, stops nothing else, and goes up when it is tried again', async ({
  page,
  shop,
}) => {
  const refusal = { error: 'This part is refused for a trial.' };
  await page.goto('/bench');
  await page.route('**/api/specimens/*', (route) =>
    route.request().method() === 'PUT'
      ? route.fulfill({ status: 413, contentType: 'application/json', body: JSON.stringify(refusal) })
      : route.continue(),
  );
  await enter(page, 'crank main 2.349in mic');
  await expect(page).toHaveURL(/bench\/./);
  const part = new URL(page.url()).pathname.split('/')[2] ?? '';
  await lamp(page, /^\s*1 refused\s*$/);
  await expect(page.getByRole('alert')).toContainText(refusal.error);
  expect(await faults(page)).toEqual([]);
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Another engine' }).click();
  await expect(page).toHaveURL(/jobs\/./);
  const job = new URL(page.url()).pathname.split('/')[2] ?? '';
  await expect.poll(async () => (await jobs(shop.url)).map(({ id }) => id)).toContain(job);
  await lamp(page, /^\s*1 refused\s*$/);
  await page.unroute('**/api/specimens/*');
  await page.getByRole('button', { name: /Try again/ }).click();
  await lamp(page, /^\s*Saved\s*$/);
  await expect.poll(() => specimenTexts(shop.url, part)).toEqual(['main 2.349in mic']);
});

test('what another changes is seen without asking', async ({ page, context }) => {
  await page.goto('/shelf');
  const other = await context.newPage();
  await other.goto('/bench');
  await enter(other, 'rod length 5.700in caliper');
  await saved(other);
  const name = await other.getByLabel('Name of this part').inputValue();
  await expect(page.getByRole('link', { name, exact: true })).toBeVisible();
  await other.getByLabel('Name of this part').fill('Seen from elsewhere');
  await other.getByLabel('Name of this part').press('Enter');
  await expect(page.getByRole('link', { name: 'Seen from elsewhere', exact: true })).toBeVisible();
});

test('one who lands on a station types where one would', async ({ page }) => {
  await page.goto('/bench');
  await expect(page.getByLabel('What you read, see and measure on the part')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('k');
  await expect(page.getByLabel('Find by number, mark, name, look or size')).toBeFocused();
  await page.keyboard.type('gudgeon m');
  await expect(page.getByLabel('Find by number, mark, name, look or size')).toHaveValue('gudgeon m');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page
    .getByRole('button', { name: /^Rename/ })
    .first()
    .click();
  await expect(page.getByLabel('New name')).toBeFocused();
  // Links show where the focus is.
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Jobs' }).focus();
  await page.keyboard.press('Tab');
  expect(await page.evaluate(() => getComputedStyle(document.activeElement ?? document.body).outlineStyle)).toBe(
    'solid',
  );
});

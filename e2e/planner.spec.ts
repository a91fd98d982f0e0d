import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import type { StoredBuild } from '@which-bore/core';
import { expect, faultsOnBothGrounds, saved, test } from './shop';

const LONG_CRANK = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e01';
const PUMP_COPY = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e07';
const SMALL_CHAMBERS = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e03';
const [WORN, COPY, LINER] = [1, 2, 3].map((at) => `1f0c3c1a-5b1e-4a53-9f5e-00000000000${at}`) as [
  string,
  string,
  string,
];

/** A build of the demo again, for this walk alone: what is changed here is no other's. */
async function copyOf(page: Page, id: string): Promise<string> {
  const copy = randomUUID();
  const { name, variant, places, sizes } = (await (await page.request.get(`/api/builds/${id}`)).json()) as StoredBuild;
  const data = { name, variant, places, sizes, version: 0 };
  expect((await page.request.put(`/api/builds/${copy}`, { data })).status()).toBe(200);
  return copy;
}

const from = (page: Page, slot: string) => page.locator(`#from-${slot}`);
const find = (page: Page) => page.getByRole('button', { name: 'Find sets' }).click();
const place = (page: Page, slot: string) => page.locator(`wb-set-detail tr[data-slot=${slot}]`);
/** What a set costs, as its row tells. */
const price = async (page: Page, which: number): Promise<number> =>
  Number(await page.locator('wb-sets-found tbody tr').nth(which).locator('td.number').first().innerText());

async function aim(page: Page, which: number, figure: string, low: string, high = ''): Promise<void> {
  await page.getByRole('button', { name: 'Add a figure' }).click();
  const select = page.locator('.targets nz-select').nth(which - 1);
  await select.click();
  await page.keyboard.type(figure);
  await page.getByTitle(figure, { exact: true }).last().click();
  await page.getByLabel(`Figure ${which}, at least`).fill(low);
  await page.getByLabel(`Figure ${which}, at most`).fill(high);
}

test('the pistons for a longer crank are found, stepped through, and taken over into the build', async ({ page }) => {
  await page.goto(`/plan/${await copyOf(page, LONG_CRANK)}`);
  await page.getByRole('link', { name: 'Find a set' }).click();
  await from(page, 'piston').selectOption('any');
  await aim(page, 1, 'Displacement', '5700', '5950');
  await find(page);
  await expect(page.getByText('Proved: no better one exists')).toBeVisible();
  await expect(place(page, 'piston')).toContainText('stroke 3.590, 9.0:1');
  // The next one, by the keys; each is another piston.
  await page.locator('button.row').first().focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { name: 'Set 2' })).toBeVisible();
  await expect(place(page, 'piston')).toContainText('stroke 3.590, 9.5:1');
  expect(await price(page, 1)).toBeGreaterThan(await price(page, 0));
  await page.keyboard.press('Home');
  await page.locator('button.row').first().click();
  await page.getByRole('button', { name: 'Put it into the build' }).click();
  await expect(page.locator('[data-slot=piston]')).toContainText('stroke 3.590, 9.0:1');
  await expect(page.getByText(/It goes together: all/)).toBeVisible();
  await saved(page);
  // What was demanded stands there still.
  await page.getByRole('link', { name: 'Find a set' }).click();
  await expect(page.getByLabel('Figure 1, at least')).toHaveValue('5700');
});

test('where no set meets it all, it says what stands in the way, and the way out is taken', async ({ page }) => {
  await page.goto(`/plan/${await copyOf(page, SMALL_CHAMBERS)}/find`);
  await from(page, 'piston').selectOption('any');
  await page.getByLabel('this one may stay').first().uncheck();
  await page.getByLabel('Checks left open').fill('0');
  await aim(page, 1, 'Displacement', '', '5600');
  await find(page);
  await expect(page.getByText('that is proved')).toBeVisible();
  await expect(page.getByText('Without any one of these the others can be met').first()).toBeVisible();
  await expect(page.locator('.conflict').first()).toContainText('Displacement: at most 5600');
  const ways = page.locator('wb-no-set tbody tr').filter({ has: page.locator('button.row') });
  const crank = ways.filter({ hasText: 'Crank: as the engine has it' }).first();
  await expect(crank).toBeVisible();
  await crank.getByRole('button').click();
  await expect(place(page, 'crank')).toContainText(/to buy|on the shelf/);
  await page.getByRole('button', { name: 'Take it that way' }).click();
  await expect(page.locator('aside [data-slot=crank]')).toBeVisible();
  await expect(page.locator('tr[data-figure=displacement] td.number').first()).toContainText(/5[0-5]\d\d/);
});

test('an oversize piston saves a liner; the copy with the other taper changes down to its piston', async ({ page }) => {
  const put = async (path: string, data: object) =>
    expect((await page.request.put(`/api/${path}`, { data: { ...data, version: 0 } })).status()).toBe(200);
  await put(`specimens/${LINER}`, {
    name: 'Worn liner of the winch',
    kind: 'liner',
    readings: [
      {
        id: LINER,
        at: '2026-03-02T08:10:00.000Z',
        is: {
          sort: 'size',
          text: 'bore 116.4 bore gauge',
          parameter: 'liner.bore',
          values: [116.4],
          figures: '116.4',
          unit: 'mm',
          unitAssumed: true,
          instrument: 'boreGauge',
        },
      },
    ],
    confirmed: { pattern: 'skerry-liner-three', by: 'known', at: '2026-03-02T08:10:00.000Z' },
  });
  const build = (name: string, variant: string, place: object) => ({ name, variant, places: [place], sizes: [] });
  await put(`builds/${WORN}`, build('Worn winch', 'skerry-47', { slot: 'liner', specimen: LINER }));
  await put(`builds/${COPY}`, build('Copy', 'minnow-48', { slot: 'flywheel', pattern: 'pip-flywheel-48' }));

  await page.goto(`/plan/${WORN}/find`);
  await from(page, 'piston').selectOption('any');
  await page.locator('li[data-slot=piston]').getByLabel('this one may stay').uncheck();
  await from(page, 'liner').selectOption('any');
  await find(page);
  await expect(place(page, 'liner')).toContainText('Worn liner of the winch');
  await expect(place(page, 'piston')).toContainText('over standard');
  await expect(page.locator('wb-set-detail')).toContainText('Bore');
  const bored = await price(page, 0);
  await page.locator('li[data-slot=liner]').getByLabel('this one may stay').uncheck();
  await expect(page.getByText('Worked out as you type')).toBeVisible();
  await find(page);
  await expect(place(page, 'liner')).toContainText('to buy');
  expect(await price(page, 0)).toBeGreaterThan(bored);

  await page.goto(`/plan/${COPY}/find`);
  for (const slot of ['crank', 'rod', 'pin', 'piston']) await from(page, slot).selectOption('any');
  const forbidden = page.locator('nz-select:has(input#forbidden)');
  await forbidden.click();
  await forbidden.locator('input').fill('Narrow the rods');
  await page.getByTitle('Narrow the rods', { exact: true }).last().click();
  await page.keyboard.press('Escape');
  await find(page);
  await expect(place(page, 'crank')).toContainText('Ondry Pip');
  for (const slot of ['rod', 'pin', 'piston']) await expect(place(page, slot)).not.toContainText('there');
});

test('demands that make no sense are refused where they stand, and nothing typed is lost', async ({ page }) => {
  await page.goto(`/plan/${await copyOf(page, LONG_CRANK)}/find`);
  await expect(from(page, 'piston')).toBeVisible();
  await find(page);
  await expect(page.getByRole('alert')).toContainText('Nothing is looked for');
  await from(page, 'piston').selectOption('these');
  await page.locator('li[data-slot=piston]').getByLabel('this one may stay').uncheck();
  await aim(page, 1, 'Compression ratio', '10', '9');
  await page.getByLabel('Money, parts and work').fill('-5');
  await page.getByLabel('Hours of work').fill('a few');
  await find(page);
  for (const [where, says] of [
    ['li[data-slot=piston]', 'Name at least one part'],
    ['.targets li', 'at least 10 and at most 9'],
    ['li:has(#limit-price)', '“-5” is less than 0'],
    ['li:has(#limit-hours)', '“a few” is no figure'],
  ] as const)
    await expect(page.locator(where).getByRole('alert')).toContainText(says);
  await page.reload();
  await expect(page.getByLabel('Money, parts and work')).toHaveValue('-5');
  await expect(page.getByLabel('Figure 1, at most')).toHaveValue('9');
});

test('a search is opened by its address anywhere, tells what a demand costs, and serves two engines', async ({
  page,
  browser,
}) => {
  await page.goto(`/plan/${await copyOf(page, LONG_CRANK)}/find`);
  await from(page, 'piston').selectOption('any');
  await find(page);
  await expect(page.getByText('Proved: no better one exists')).toBeVisible();
  // Just enough for the cheapest, whatever price lists say of it.
  await page.getByLabel('Money, parts and work').fill(String(Math.ceil(await price(page, 0))));
  await find(page);
  await expect(page.getByText('Proved: no better one exists')).toBeVisible();
  // The crank that was decided on is what makes it dear.
  await expect(page.locator('.costs tbody tr').first()).toContainText('Crank');
  await expect(page.locator('.costs').getByRole('button', { name: 'Take it that way' }).first()).toBeVisible();
  await expect(page).toHaveURL(/search=/);
  const colleague = await (await browser.newContext()).newPage();
  await colleague.goto(page.url());
  await expect(colleague.getByText('Proved: no better one exists')).toBeVisible();
  expect(await price(colleague, 0)).toBe(await price(page, 0));
  await colleague.close();

  await page.getByLabel('Engines to build at once').fill('2');
  await find(page);
  await expect(page.getByText(/A set for each of 2 engines, no part of the shelf in two of them/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Engine 1' })).toBeVisible();
  await page.getByRole('button', { name: 'As a job' }).click();
  await expect(page).toHaveURL(/\/order\?job=/);
  await expect(page.getByText('a set found').first()).toBeVisible();
  await saved(page);
});

test('finding sets has no fault that axe can find, with answers and without', async ({ page }) => {
  await page.goto(`/plan/${await copyOf(page, PUMP_COPY)}/find`);
  await from(page, 'piston').selectOption('any');
  await aim(page, 1, 'Displacement', '40');
  await find(page);
  await expect(page.getByText('Proved: no better one exists')).toBeVisible();
  expect.soft(await faultsOnBothGrounds(page), 'answers').toEqual([]);
  await page.getByLabel('Figure 1, at least').fill('400');
  await page.getByLabel('Checks left open').fill('0');
  await find(page);
  await expect(page.getByText('that is proved')).toBeVisible();
  await expect(page.getByText(/What cannot hold together|No few demands/).first()).toBeVisible();
  expect.soft(await faultsOnBothGrounds(page), 'none').toEqual([]);
});

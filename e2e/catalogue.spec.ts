import type { Page } from '@playwright/test';
import { expect, faults, saved, test } from './shop';

const search = (page: Page) => page.getByLabel('Find by number, mark, name, look or size');

test('a record is found by a worn number, by size and step, and by a synonym', async ({ page }) => {
  await page.goto('/catalogue');
  const first = page.locator('.hits li').first();
  for (const [line, found] of [
    ['bs 1o4 l87', 'Brackmere Sluice, 3.375 forged, small journal'],
    ['H73?4', 'Halvorn Skerry, four, stroke 112, large journal'],
    ['piston 116 +0.5', 'Halvorn Skerry, stroke 104'],
    ['gudgeon pin 40', 'Halvorn Skerry'],
    ['skerry 4.7 K', 'Halvorn Skerry 4.7 K'],
  ] as const) {
    await search(page).fill(line);
    await expect(first, line).toContainText(found);
  }
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '4.7 K' })).toBeVisible();
  await expect(page).toHaveURL(/find=skerry/);
  await page.reload();
  await expect(search(page)).toHaveValue('skerry 4.7 K');
});

test('the chart of a family shows where the rule breaks, place by place', async ({ page }) => {
  await page.goto('/catalogue/family/sluice?slot=block');
  await expect(page.getByText('Only the first five months of 1986: new designation, old architecture.')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /357 D: low deck, large journal, wet intake, 1986 to 1986-05/ }),
  ).toBeVisible();
  await page.locator('nz-select').click();
  await page.getByTitle('Crank (', { exact: false }).first().click();
  await expect(page).toHaveURL(/slot=crank/);
});

test('a dispute stands on the page of the pattern, in its why, and in Compare', async ({ page }) => {
  await page.goto('/catalogue/pattern/skerry-crank-4-112');
  await expect(page.getByText('One value is disputed')).toBeVisible();
  await expect(page.locator('[data-value="crank.mainJournal.diameter"]')).toContainText(
    '78.950 to 78.970 mm supplier’s list (Valley shell list, 1996), says otherwise.',
  );
  await page.getByRole('link', { name: 'Compare', exact: true }).last().click();
  await page.getByLabel('Beside what else?').fill('H7614');
  await page.getByRole('button', { name: 'Halvorn Skerry, six, stroke 112' }).click();
  await expect(page.locator('wb-overlay .part')).toHaveCount(2);
  const row = page.locator('[data-row="crank.mainJournal.diameter"]');
  if (!(await row.isVisible())) await page.getByRole('button', { name: 'The same' }).click();
  await expect(row).toContainText('Valley shell list, 1996');
  // What is compared stays when one moves on.
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await page.getByRole('link', { name: 'Compare', exact: true }).click();
  await expect(page.locator('wb-overlay .part')).toHaveCount(2);
});

test('a part on the bench is compared with its candidate', async ({ page }) => {
  await page.goto('/bench/88768045-8cf8-49ee-84a1-d8aa2c430629');
  await expect(page.getByText('Settled', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Compare', exact: true }).last().click();
  await expect(page.getByRole('columnheader', { name: /Frost fan crank, bin 4/ })).toBeVisible();
  await expect(page.getByRole('columnheader', { name: /3\.375 forged, small journal/ })).toBeVisible();
});

test('a pattern is changed by its form, found out where it is wrong, saved, and taken back', async ({
  page,
  request,
}) => {
  const name = async () =>
    ((await (await request.get('/api/records/pattern/ambit-pin-18')).json()) as { record: { name: string } }).record
      .name;
  const before = await name();
  await page.goto('/catalogue/edit/pattern/ambit-pin-18');
  await page.getByLabel('Length', { exact: true }).fill('60 furlongs');
  await expect(page.getByText('“furlongs” after the figures is no unit of length')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled();
  // A reload in the middle loses nothing.
  await page.reload();
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue('60 furlongs');
  await page.getByLabel('Length', { exact: true }).fill('2 3/8 in');
  await page.getByLabel('Name', { exact: true }).fill('Another pin');
  await page.getByLabel('Changes go on record under').fill('Zoë');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Another pin' })).toBeVisible();
  await expect(page.locator('[data-value="pin.length"]')).toContainText('60.325 mm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(name).toBe(before);
  await page.goto('/catalogue/changes');
  await expect(page.locator('.plain > li').first()).toContainText('Zoë');
  await expect(page.locator('.what li').filter({ hasText: 'length of the pin' }).first()).toContainText('2.375 in');
});

test('a maker, a scheme tried live, and a part are added by hand', async ({ page, request }) => {
  await page.goto('/catalogue/new/scheme');
  await page.getByLabel('Id, which stays the same for ever').fill('bench-dates');
  await page.getByLabel('Name', { exact: true }).fill('Bench dates');
  await page.getByLabel('Samples').fill('K7');
  await page.getByRole('button', { name: 'Another segment' }).click();
  const segment = page.getByRole('group', { name: 'segment 1' });
  await segment.getByLabel('name').fill('Letter');
  await segment.locator('nz-select').first().click();
  await page.getByTitle('letters', { exact: true }).click();
  await segment.getByLabel('least').fill('1');
  await segment.getByLabel('most').fill('1');
  await segment.locator('nz-select').nth(1).click();
  await page.getByTitle('Other', { exact: true }).click();
  await expect(page.getByText('After “K” the number should end, but “7” follows.')).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Saved. Undo' })).toBeVisible();
  expect((await request.get('/api/records/scheme/bench-dates')).ok()).toBe(true);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await request.get('/api/records/scheme/bench-dates')).status()).toBe(404);
});

test('a table is read first, looked at row by row, mended, imported and taken back', async ({ page, request }) => {
  const csv =
    'id;Name;Family;Stroke (mm);Colour\r\ntest-crank;Test crank;sluice;85,7;red\r\nwrong-crank;Wrong;sluice;3.375;\r\n';
  await page.goto('/catalogue/import');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'cranks.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('Read. Nothing is changed yet')).toBeVisible();
  await expect(page.locator('.rows li')).toContainText('3.375 mm is no plausible size');
  await expect(page.locator('.headers')).toContainText('Colour');
  expect(await faults(page)).toEqual([]);
  expect((await request.get('/api/records/pattern/test-crank')).status()).toBe(404);
  await page.getByRole('button', { name: 'Import the 1 others, leave out the refused' }).click();
  await expect(page.getByText('In the catalogue', { exact: true })).toBeVisible();
  expect((await request.get('/api/records/pattern/test-crank')).ok()).toBe(true);
  await search(page).fill('test crank');
  await expect(page.locator('.hits li').first()).toContainText('Test crank');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await request.get('/api/records/pattern/test-crank')).status()).toBe(404);
});

test('a file that is none says so', async ({ page }) => {
  await page.goto('/catalogue/import');
  await page.locator('input[type=file]').setInputFiles({
    name: 'catalogue.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format": "shopping-list"'),
  });
  await expect(page.getByRole('alert')).toContainText('is not JSON that can be read');
});

test('the audit leads to the place to mend', async ({ page }) => {
  await page.goto('/catalogue/audit');
  await expect(page.getByText(/^\s*\d+ findings\./)).toBeVisible();
  await page.getByRole('link', { name: 'Mend: sluice-rod-tall' }).click();
  await expect(page.getByLabel('Big end weight', { exact: true })).toBeFocused();
  await expect(page.getByLabel('Big end weight', { exact: true })).toHaveValue('47.7 g');
});

test('a form typed while the server is away is kept', async ({ page, shop }) => {
  await page.goto('/catalogue/edit/pattern/ambit-pin-20');
  await page.getByLabel('Name', { exact: true }).fill('Kept meanwhile');
  // What the frame fetches after the page is there.
  for (const part of ['wb-strip', 'wb-bars']) await expect(page.locator(part)).toBeAttached();
  await shop.stop();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('What you typed is kept here');
  await shop.start();
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Kept meanwhile');
  await page.getByRole('button', { name: 'Discard what is typed' }).click();
  await expect(page.getByLabel('Name', { exact: true })).not.toHaveValue('Kept meanwhile');
  await saved(page);
});

test('the catalogue goes out in every form', async ({ request }) => {
  for (const [file, type] of [
    ['catalogue.json', 'application/json'],
    ['catalogue.zip', 'application/zip'],
    ['catalogue.xlsx', 'spreadsheetml'],
    ['crank.csv', 'text/csv'],
  ] as const) {
    const answer = await request.get(`/api/exports/${file}`);
    expect([answer.status(), answer.headers()['content-type']]).toEqual([200, expect.stringContaining(type)]);
    const again = await request.get(`/api/exports/${file}`);
    expect((await again.body()).equals(await answer.body()), file).toBe(true);
  }
});

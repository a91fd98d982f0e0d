import { expect, expectNoFaults, saved, test } from './shop';

const JOB = '6b7c3f2e-0d54-4c1b-9a55-3d2f8e1c4a10';
const CRANK = '5f1d00c1-0000-4000-8000-000000000001';

test('a gauge that types its figures fills a sheet, wherever the focus is, and never does anything else', async ({
  page,
}) => {
  await page.goto(`/fit?job=${JOB}`);
  await page.getByRole('link', { name: 'Bores', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Terrace pump case: bores' })).toBeVisible();
  const cell = (place: number, height: string, way: string) =>
    page.getByRole('textbox', { name: `Bores ${place}, ${height}, ${way}, mm` });
  await expect(cell(1, 'top', 'along')).toBeFocused();
  // Pressing the sheet that is open leaves the cursor in it.
  await page.getByRole('link', { name: 'Bores', exact: true }).click();
  await expect(cell(1, 'top', 'along')).toBeFocused();
  // Twenty milliseconds a character, and Enter, as a keyboard wedge does.
  for (const figure of ['78.021', '78.018', '78.020', '78.016', '78.012', '78.011'])
    await page.keyboard.type(`${figure}\n`, { delay: 20 });
  await expect(cell(1, 'top', 'along')).toHaveValue('78.021');
  await expect(cell(1, 'bottom', 'across')).toHaveValue('78.011');
  await expect(cell(2, 'top', 'along')).toBeFocused();
  await expect(page.locator('[data-place="1"]')).toContainText('taper0.009 mm');
  // The focus is nowhere: the figure still lands in the cell that is next, and no key of the frame is pressed.
  await page.getByRole('heading', { name: 'Terrace pump case: bores' }).click();
  await page.keyboard.type('78.017\n', { delay: 20 });
  await expect(cell(2, 'top', 'along')).toHaveValue('78.017');
  expect(page.url()).toContain('/fit');
  // A slipped digit is asked about, and taken once it is meant; rubbish is kept and named.
  await page.keyboard.type('87.017\n', { delay: 20 });
  await expect(page.getByRole('alert')).toContainText('lies far from the others');
  await expect(cell(2, 'top', 'across')).toHaveValue('87.017');
  await page.keyboard.press('Escape');
  await page.keyboard.type('E3 low\n', { delay: 20 });
  await expect(page.getByRole('alert')).toContainText('“E3 low” is no figure');
  await expect(cell(2, 'top', 'across')).toHaveValue('E3 low');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await saved(page);
  // What was measured is readings of the part: the bench has them.
  await page.goto('/bench/5f1d00c1-0000-4000-8000-000000000002');
  await expect(page.getByText('78.021', { exact: false }).first()).toBeVisible();
});

test('a gauge on a line fills a sheet when it is asked, and what is no figure goes nowhere', async ({ page }) => {
  await page.goto(`/fit?job=${JOB}&part=${CRANK}&sheet=crank.crankpin.diameter`);
  const cell = (place: number, height: string, way: string) =>
    page.getByRole('textbox', { name: `Crankpins ${place}, ${height}, ${way}, mm` });
  await expect(cell(1, 'front', 'upright')).toBeVisible();
  await page.getByRole('button', { name: 'Gauge', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Open a gauge' });
  await dialog.getByLabel('Simulated, with so much under it').fill('43.991');
  await dialog.getByLabel('And what goes wrong, in turn').fill('ok,two,rubbish,inch,unit');
  await dialog.getByRole('button', { name: 'Simulated gauge' }).click();
  const lamp = page.getByRole('button', { name: /^Simulated gauge: / });
  await expect(lamp).toContainText('ready');
  await cell(1, 'front', 'upright').click();
  // The pedal presses F9, wherever the focus is.
  await page.keyboard.press('F9');
  await expect(lamp).toContainText('43.991 mm');
  await expect(cell(1, 'front', 'upright')).toHaveValue('43.991');
  await expect(cell(1, 'front', 'across')).toBeFocused();
  const next = await cell(1, 'front', 'across').inputValue();
  await page.keyboard.press('F9');
  await expect(lamp).toContainText('it has two figures');
  await lamp.click();
  await expect(lamp).toContainText('no figure can be read in it');
  await expect(cell(1, 'front', 'across')).toHaveValue(next);
  // In inches it is the same size.
  await lamp.click();
  await expect(lamp).toContainText('1.7319 in');
  await expect(cell(1, 'front', 'across')).toHaveValue('43.990');
  await lamp.click();
  await expect(lamp).toContainText('its unit is none that is known here');
  await page.getByRole('button', { name: 'Close the gauge' }).click();
  await expect(page.getByRole('button', { name: 'Gauge', exact: true })).toBeVisible();
});

test('shells by mark and by measure stand side by side, and a place where they disagree is named', async ({ page }) => {
  await page.goto(`/fit?job=${JOB}&view=shells`);
  const third = page.locator('tr[data-place="3"]');
  await expect(third).toContainText('red (standard)');
  await expect(third).toContainText('blue (standard)');
  await expect(page.getByText('Its journal is not what its mark says')).toBeVisible();
  // The journal is measured again: it is what its mark says.
  await page.goto(`/fit?job=${JOB}&part=${CRANK}&sheet=crank.mainJournal.diameter`);
  await expect(page.locator('[data-place="3"] input').first()).toHaveValue('51.982');
  for (const input of await page.locator('[data-place="3"] input').all()) {
    await input.fill('51.997');
    await input.press('Enter');
  }
  await page.getByRole('button', { name: 'Shells' }).click();
  await expect(third).toBeVisible();
  await expect(page.getByText('Its journal is not what its mark says')).toHaveCount(0);
  await page.getByRole('button', { name: 'Big ends' }).click();
  await expect(page.locator('tr[data-place]')).toHaveCount(4);
});

test('a set of four is matched from eleven, and each piston told its rod', async ({ page }) => {
  await page.goto(`/fit?job=${JOB}&view=sets`);
  await expect(page.locator('tr[data-piece]')).toHaveCount(4);
  await expect(page.getByText('within what is allowed')).toBeVisible();
  await expect(page.locator('tr[data-pair]')).toHaveCount(4);
  const first = await page.locator('tr[data-piece] th').first().innerText();
  await page.getByRole('button', { name: `Without it: ${first}` }).click();
  await expect(page.getByRole('rowheader', { name: first, exact: true })).toHaveCount(0);
  await page.getByLabel('A set of').fill('12');
  await page.getByLabel('A set of').press('Tab');
  await expect(page.getByText('There is no set of 12')).toBeVisible();
});

test('the pages of Fit have no faults', async ({ page }) => {
  await page.goto('/fit');
  await expectNoFaults(page, [
    ['sheet', `/fit?job=${JOB}&part=${CRANK}&sheet=crank.mainJournal.diameter`, 'Terrace pump crank: main journals'],
    ['bores', `/fit?job=${JOB}&view=bores`, 'Cylinders, and what is done to them'],
    ['shells', `/fit?job=${JOB}&view=shells`, 'Shells, place by place'],
    ['sets', `/fit?job=${JOB}&view=sets`, 'Sets from a pool'],
  ]);
});

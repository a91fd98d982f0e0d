import { enter, expect, faults, saved, test } from './shop';

test('what a part turned out to be is said on the bench, and learnt from by a person only', async ({ page }) => {
  await page.goto('/bench');
  await enter(page, 'cover height 268.62 caliper, 9 bolts');
  await saved(page);
  await page.getByRole('button', { name: 'Known for sure what it is?' }).click();
  const pattern = page.locator('wb-confirm-name nz-select');
  await pattern.click();
  await pattern.locator('input').fill('ambit low');
  await page.getByTitle('Vesk Ambit, low, to 1970', { exact: true }).last().click();
  await page.getByLabel('somebody knows it').check();
  await page.getByRole('button', { name: 'That is known' }).click();
  await expect(page.getByText('Known for sure:')).toBeVisible();
  await page.getByRole('link', { name: 'How well parts are named here' }).click();
  await expect(page.getByRole('heading', { name: 'Calibration' })).toBeVisible();
  const cover = page.getByRole('row', { name: /Vesk Ambit, low.*Height/ });
  await expect(cover).toContainText('not as on record');
  const chance = page.locator('[data-chance=sizeMistaken]');
  await chance.getByRole('button', { name: 'Take over' }).click();
  await expect(chance).toContainText('the shop’s own');
  expect(await faults(page)).toEqual([]);
  await chance.getByRole('button', { name: 'Back to usual' }).click();
  await expect(chance).not.toContainText('the shop’s own');
  await page.getByRole('link', { name: 'Audit' }).click();
  await expect(page.getByRole('heading', { name: /Measured otherwise here/ })).toBeVisible();
});

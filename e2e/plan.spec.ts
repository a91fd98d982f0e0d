import type { Page } from '@playwright/test';
import { expect, expectNoFaults, goTo, saved, test } from './shop';

const LONG_CRANK = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e01';
const RIGHT_PISTONS = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e02';
const LONG_ROD = '1f0c3c1a-5b1e-4a53-9f5e-6a1d0b7c9e04';

/** What the sheet says of a figure, without the blanks between. */
const figure = (page: Page, id: string) => page.locator(`tr[data-figure="${id}"] td.number`).first();

const choose = async (page: Page, field: string, words: string, title: string | RegExp) => {
  const select = page.locator(`nz-select:has(input#${field})`);
  await select.click();
  await select.locator('input').fill(words);
  await page.getByTitle(title, { exact: true }).last().click();
};

test('a build begun from the parts of a job has them in its places, and its crank turns by keys and by hand', async ({
  page,
}) => {
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Frost fan of the upper orchard' }).click();
  await page.getByRole('button', { name: 'Plan this engine' }).click();
  await expect(page.getByLabel('Name of this build')).toHaveValue('Frost fan of the upper orchard, build');
  await expect(page.locator('[data-slot=block]')).toContainText('Upper orchard block');
  await expect(page.locator('[data-slot=piston]')).toHaveCount(2);
  await saved(page);

  await goTo(page, `/plan/${RIGHT_PISTONS}`);
  const crank = page.getByRole('slider', { name: 'Crank angle, degrees' });
  await crank.focus();
  await page.keyboard.press('ArrowRight');
  await expect(crank).toHaveAttribute('aria-valuenow', '1');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(crank).toHaveAttribute('aria-valuenow', '11');
  await page.keyboard.press('Home');
  await expect(page.locator('[data-gap=squish]')).toContainText('1.52');
  // The crankpin is taken hold of, and led a quarter round the main axis.
  const box = await crank.boundingBox();
  const hold = await crank.locator('.hold').boundingBox();
  if (!box || !hold) throw new Error('There is no drawing.');
  const [x, y] = [hold.x + hold.width / 2, hold.y + hold.height / 2];
  const main = await crank.locator('path.pin').last().boundingBox();
  if (!main) throw new Error('There is no main journal.');
  const [mainX, mainY] = [main.x + main.width / 2, main.y + main.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 1; step <= 9; step++) {
    const angle = (step * 10 * Math.PI) / 180;
    const [dx, dy] = [x - mainX, y - mainY];
    await page.mouse.move(
      mainX + dx * Math.cos(angle) - dy * Math.sin(angle),
      mainY + dx * Math.sin(angle) + dy * Math.cos(angle),
    );
  }
  await page.mouse.up();
  await expect.poll(async () => Number(await crank.getAttribute('aria-valuenow'))).toBeGreaterThan(80);
  expect(Number(await crank.getAttribute('aria-valuenow'))).toBeLessThan(100);
  await page.keyboard.press('End');
  await expect(page.locator('[data-gap=skirtToWeights]')).toBeVisible();
});

test('ratio and squish are as worked by hand, solved backwards to the right piston, and kept for others', async ({
  page,
  browser,
  shop,
}) => {
  await page.goto(`/plan/${LONG_CRANK}`);
  // By hand, in the middle of all limits: 9.005 - 3.590 / 2 - 5.702 - 1.595 = -0.087 in, with a gasket of 0.040 in.
  await expect(figure(page, 'belowDeck')).toHaveText('−2.210 mm');
  await expect(figure(page, 'squish')).toHaveText('−1.194 mm');
  await expect(page.locator('section.problems')).toContainText('the piston strikes the head');
  // What it is worked out from, in figures.
  await page.locator('tr[data-figure=squish]').getByRole('button', { name: 'Squish' }).click();
  await expect(page.locator('tr.detail')).toContainText('below + gasket');
  await page.getByRole('button', { name: 'Work back' }).click();
  await page.getByLabel('Squish wanted, mm').fill('ten');
  await page.getByRole('button', { name: 'Work it back' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'is no figure' })).toBeVisible();
  await page.getByLabel('Squish wanted, mm').fill('1.52');
  await page.getByRole('button', { name: 'Work it back' }).click();
  await expect(page.locator('[data-solved]')).toHaveText('37.799 mm');
  const nearest = page.getByRole('row', { name: /stroke 3\.590, 8\.3:1/ });
  await expect(nearest).toContainText('fits');
  await nearest.getByRole('button', { name: /^Take / }).click();
  await expect(figure(page, 'squish')).toHaveText('1.524 mm');
  await expect(page.locator('[data-slot=piston]')).toContainText('8.3:1');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(figure(page, 'squish')).toHaveText('−1.194 mm');
  // A figure put in, in inches where it says so.
  await choose(page, 'typed-of', 'Thickness, compressed', 'Thickness, compressed, head gasket');
  await page.getByRole('textbox', { name: 'Figure', exact: true }).fill('0.150 in');
  await page.getByRole('button', { name: 'Put in' }).click();
  await expect(figure(page, 'squish')).toHaveText('1.600 mm');
  await saved(page);
  // Somebody else opens the address: the same build, the same place of it.
  const elsewhere = await (await browser.newContext({ baseURL: shop.url })).newPage();
  await elsewhere.goto(`/plan/${LONG_CRANK}?show=joints&angle=30`);
  await expect(figure(elsewhere, 'squish')).toHaveText('1.600 mm');
  await expect(elsewhere.getByRole('slider', { name: 'Crank angle, degrees' })).toHaveAttribute('aria-valuenow', '30');
  await expect(elsewhere.getByText('It does not go together', { exact: false })).toBeVisible();
  // On paper: the sheet is there, what is only for the screen is not.
  await elsewhere.emulateMedia({ media: 'print' });
  await expect(figure(elsewhere, 'squish')).toBeVisible();
  await expect(elsewhere.getByRole('button', { name: 'Copy to change' })).toBeHidden();
  await elsewhere.context().close();
});

test('a gasket is swept, two sizes make a map, and tolerances are drawn and stopped', async ({ page }) => {
  await page.goto(`/plan/${LONG_ROD}?show=whatIf&figure=squish`);
  await expect(page.getByRole('img', { name: /^Squish over/ })).toBeVisible();
  await choose(page, 'swept-second', 'Deck height, block', 'Deck height, block');
  await expect(
    page.getByRole('img', { name: /over thickness, compressed of the head gasket.* and deck height of the block/ }),
  ).toBeVisible();

  await expect(page).toHaveURL(/and=block\.deckHeight/);
  await page.getByRole('button', { name: 'Tolerance' }).click();
  await page.getByRole('button', { name: 'Draw engines' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Draw engines' })).toBeVisible();
  await page.getByRole('button', { name: 'Draw engines' }).click();
  await expect(page.getByText('40000 engines drawn')).toBeVisible();
  await expect(page.locator('tr[data-chance]').last()).toContainText('Engines with at least one such cylinder');
  await page.getByRole('button', { name: 'If it were measured: Deck height', exact: true }).click();
  await expect(page.getByText('is taken to be measured')).toBeVisible();
});

test('what cannot be is said where it is, and nothing is lost', async ({ page }) => {
  await page.goto(`/plan/${RIGHT_PISTONS}`);
  await expect(figure(page, 'squish')).toHaveText('1.524 mm');
  await choose(page, 'typed-of', 'Length, rod', 'Length, rod');
  const field = page.getByRole('textbox', { name: 'Figure', exact: true });
  await field.fill('as long as it takes');
  await page.getByRole('button', { name: 'Put in' }).click();
  await expect(page.getByRole('alert')).toContainText('is no size of length');
  await expect(field).toHaveValue('as long as it takes');
  await field.fill('30 mm');
  await page.getByRole('button', { name: 'Put in' }).click();
  await expect(page.getByRole('alert')).toContainText('does not come round a throw of');
  await page.getByRole('button', { name: 'Take out: length of the rod' }).click();
  await expect(figure(page, 'squish')).toHaveText('1.524 mm');
  // Work that the block does not bear.
  await page.getByRole('button', { name: /as the engine has them/ }).click();
  await page.locator('[data-slot=block] button.head').click();
  await choose(page, 'work-block', 'Deck', /Deck the block/);
  await page.getByLabel('How much, mm').fill('3');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('alert')).toContainText('So much off the deck');
});

test('a swap that was looked at becomes a build, builds stand side by side, and one goes into a swap', async ({
  page,
}) => {
  await page.goto('/swap?donor=pattern:sluice-head-58&into=variant:sluice-357');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.locator('[data-slot=head]')).toContainText('58');
  await expect(figure(page, 'ratio')).toHaveText('9.91:1');
  await page.getByRole('link', { name: 'All builds' }).click();
  for (const name of ['336 with the long crank, old pistons', '336 with the long crank and its pistons'])
    await page.getByLabel(`Side by side: ${name}`).check();
  await page.getByRole('link', { name: '2 side by side' }).click();
  await expect(page.getByRole('row', { name: /^Squish/ })).toContainText('1.524 mm');
  await goTo(page, `/swap?donor=pattern:sluice-piston-398-3590-95&into=build:${LONG_CRANK}`);
  await expect(page.getByText('336 with the long crank, old pistons').first()).toBeVisible();
  await expect(page.getByText(/^Drops in: all \d+ checks agree/)).toBeVisible();
});

test('parts are tried in a place, a fuel is named, a lift curve pasted, and the curves saved as a workbook', async ({
  page,
}) => {
  await page.goto(`/plan/${RIGHT_PISTONS}?show=whatIf&figure=squish&vary=part:piston`);
  const right = page.getByRole('row', { name: /stroke 3\.590, 9\.0:1/ }).first();
  await expect(right).toContainText('1.524 mm');
  await expect(right).toContainText('within');
  await right.getByRole('button', { name: /^Take / }).click();
  await expect(figure(page, 'squish')).toHaveText('1.524 mm');
  // Nothing goes by the rating any more once somebody says what it runs on.
  await page.locator('nz-select:has(input[id="running.fuel"])').click();
  await page.getByTitle('ordinary petrol', { exact: true }).click();
  await page.locator('tr[data-figure=ratio]').getByRole('button', { name: 'Compression ratio' }).click();
  await expect(page.locator('tr.detail')).toContainText('Ordinary petrol');
  await page.getByRole('button', { name: 'Curves' }).click();
  await page.locator('nz-select:has(input#curves)').click();
  await page.getByTitle('Valves', { exact: true }).click();
  await page.getByRole('button', { name: 'Measured lift, intake' }).click();
  await page.getByLabel('Crank degrees and lift').fill('0 0\n60 four\n120 0');
  await page.getByRole('button', { name: 'Take this curve' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Line 2: “60 four” is not two figures' })).toBeVisible();
  await page.getByLabel('Crank degrees and lift').fill('0 0\n60 4\n110 9\n160 4\n230 0');
  await page.getByRole('button', { name: 'Take this curve' }).click();
  await expect(page.getByRole('button', { name: 'Lift measured: 5 points, intake' })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'XLSX' }).click();
  expect((await download).suggestedFilename()).toMatch(/curves\.xlsx$/);
});

test('the pages of Plan have no faults', async ({ page }) => {
  await page.goto('/plan');
  await expectNoFaults(page, [
    ['list', '/plan', 'A new build, from this engine'],
    ['build', `/plan/${RIGHT_PISTONS}`, 'Compression ratio'],
    ['what if', `/plan/${RIGHT_PISTONS}?show=whatIf`, 'Vary'],
    ['parts tried', `/plan/${RIGHT_PISTONS}?show=whatIf&vary=part:piston`, 'Its limits'],
    ['tolerance', `/plan/${RIGHT_PISTONS}?show=tolerance`, 'Draw engines'],
    ['work back', `/plan/${RIGHT_PISTONS}?show=back`, 'By changing'],
    ['joints', `/plan/${RIGHT_PISTONS}?show=joints`, /It goes together: all/],
    ['side by side', `/plan/compare?of=${LONG_CRANK},${RIGHT_PISTONS}`, 'Sizes and ratio'],
  ]);
});

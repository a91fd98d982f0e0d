import { enter, expect, expectNoFaults, goTo, saved, test } from './shop';

test('axe finds nothing on any station, on either ground', async ({ page }) => {
  await expectNoFaults(page, [
    ['Bench', '/bench/88768045-8cf8-49ee-84a1-d8aa2c430629', 'Settled'],
    [
      'Swap',
      '/swap?donor=specimen:88768045-8cf8-49ee-84a1-d8aa2c430629&into=sluice-block-low-large',
      'Spacer shells, and regrind the mains',
    ],
    ['Shelf', '/shelf', 'Frost fan crank, bin 4'],
    ['Compare', '/compare?of=pattern:skerry-crank-4-112,pattern:skerry-crank-4-104', 'Stroke'],
    ['Catalogue', '/catalogue', 'Rolling bearings'],
    ['a search of the Catalogue', '/catalogue?find=41?7', /3\.375 cast, small journal/],
    ['a family', '/catalogue/family/sluice', 'What was fitted as'],
    ['a variant', '/catalogue/variant/sluice-357-d', 'What it carried'],
    ['a pattern', '/catalogue/pattern/skerry-crank-4-112', /Disputed/],
    ['the form of a pattern', '/catalogue/edit/pattern/skerry-crank-4-112', /Main journal/],
    ['the scheme editor', '/catalogue/edit/scheme/brackmere-date', 'Tried on numbers'],
    ['the Audit', '/catalogue/audit', /Stated size/],
    ['Calibration', '/catalogue/calibration', /parts were named right/],
    ['Import and export', '/catalogue/import', 'Choose a file, or drop it here'],
  ]);
});

test('specimens are listed, renamed, deleted and brought back', async ({ page }) => {
  await page.goto('/bench');
  await enter(page, 'crank forged');
  await page.getByLabel('Name of this part').fill('Orchard spare');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await page.getByRole('button', { name: 'Rename Orchard spare', exact: true }).click();
  await page.getByLabel('New name').fill('Orchard spare 2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Orchard spare 2', exact: true })).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Delete Orchard spare 2' }).click();
  await expect(page.getByRole('link', { name: 'Orchard spare 2', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('link', { name: 'Orchard spare 2', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Correct: forged' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Correct: forged' })).toBeVisible();
});

test('everything is reached from the keyboard', async ({ page }) => {
  await page.goto('/bench/88768045-8cf8-49ee-84a1-d8aa2c430629');
  await expect(page.getByText('Settled', { exact: true })).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByLabel('What you read, see and measure on the part')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByText('To the entry line')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('To the entry line')).toBeHidden();
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page).toHaveURL(/\/swap\?donor=specimen:88768045/);
  await page.keyboard.press('m');
  await expect(page.getByText('0.0010 to 0.0040 in').first()).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('h');
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
});

test('a whole station shows at 1280 by 800 without the frame scrolling, and nothing sticks out sideways on a tablet or a phone', async ({
  page,
}) => {
  for (const [address, shows] of [
    ['/bench/88768045-8cf8-49ee-84a1-d8aa2c430629', 'Settled'],
    ['/swap?donor=pattern:sluice-crank-3375-forged', /Drops in/],
    ['/swap/grid?donors=crank&recipients=block', / judged\./],
    ['/swap/grid?donors=crank&recipients=block&view=groups', /alike/],
    ['/shelf', 'Frost fan crank, bin 4'],
    ['/catalogue/family/sluice', 'What was fitted as'],
    ['/jobs/8298c813-593c-4153-81ca-3b9414c8478e', 'Parts of this engine'],
    ['/rules', 'House rules'],
    ['/practice', 'On record under'],
    ['/card/88768045-8cf8-49ee-84a1-d8aa2c430629', /Frost fan crank/],
    ['/catalogue/pattern/skerry-crank-4-112', /Disputed/],
  ] as const) {
    await goTo(page, address);
    await expect(page.getByText(shows, { exact: typeof shows === 'string' }).first()).toBeVisible();
    for (const [width, height] of [
      [390, 780],
      [1024, 768],
      [1280, 800],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expect(page.getByText(/^Fetching the/)).toHaveCount(0);
      await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
      // Drawings follow the width of the window a frame later.
      await expect
        .poll(
          () =>
            page.evaluate(() => ({
              tall: document.documentElement.scrollHeight - innerHeight,
              wide: document.documentElement.scrollWidth - innerWidth,
              main:
                (document.querySelector('main')?.scrollWidth ?? 0) - (document.querySelector('main')?.clientWidth ?? 0),
            })),
          { message: `${address} at ${width}` },
        )
        .toEqual({ tall: 0, wide: 0, main: 0 });
    }
  }
});

test('an address that leads nowhere says so and shows the way', async ({ page, request }) => {
  await page.goto('/bench/7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a99');
  await expect(page.getByRole('heading', { name: 'This part is not on the shelf' })).toBeVisible();
  await page.getByRole('button', { name: 'Clear the bench' }).click();
  await expect(page.getByRole('heading', { name: 'A clear bench' })).toBeVisible();
  const answer = await request.get('/api/nowhere');
  expect([answer.status(), ((await answer.json()) as { error: string }).error]).toEqual([
    404,
    'There is nothing at GET /api/nowhere.',
  ]);
});

test('the documentation of the API opens', async ({ page }) => {
  await page.goto('/api/docs/');
  await expect(page.getByText('Rank the patterns of the catalogue by what was read')).toBeVisible();
});

test('a list with nothing in it says so in the language of the rest', async ({ page }) => {
  await page.goto('/jobs/8298c813-593c-4153-81ca-3b9414c8478e');
  await page.locator('#new-kind').click();
  await page.locator('#new-kind').fill('xyzzy');
  await expect(page.locator('nz-embed-empty')).toContainText('No Data', { ignoreCase: true });
});

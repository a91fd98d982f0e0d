import { readFile } from 'node:fs/promises';
import { expect, expectNoFaults, goTo, test, type Station } from './shop';

const SITUATIONS: readonly Station[] = [
  [
    'a crank in a block, after work',
    '/swap?donor=pattern:skerry-crank-6-112&into=skerry-block-6-early',
    /Turn the lip off/,
  ],
  [
    'a kit in an engine',
    '/swap?donor=pattern:skerry-piston-112-160-super,pattern:skerry-rod-drilled-42,pattern:skerry-pin-42&into=variant:skerry-47',
    /Drops in/,
  ],
  ['internals in another engine', '/swap?donor=variant:sluice-306&into=variant:sluice-357', /Does not go in/],
  [
    'what else fits here',
    '/swap?donor=pattern:sluice-crank-3375-cast&into=sluice-block-low-small&list=fits',
    /Drops in/,
  ],
  ['the grid', '/swap/grid?donors=crank&recipients=block', / judged\./],
  ['the groups', '/swap/grid?donors=piston&recipients=block&view=groups', /alike/],
];

test('axe finds nothing on a swap, a grid or its groups, on either ground', async ({ page }) => {
  await expectNoFaults(page, SITUATIONS);
});

/** What a practitioner would say, and where: donor, recipient, verdict, words. */
const SAID = [
  ['pattern:skerry-crank-6-112', 'skerry-block-6-early', 'fits with work', 'it will not turn until the lip is off'],
  ['pattern:sluice-crank-3375-large', 'sluice-block-low-small', 'does not fit', 'larger than any shell'],
  ['pattern:sluice-head-dry', 'sluice-block-low-large', 'does not fit', 'coolant would have no way out'],
  ['pattern:ambit-cover-low', 'ambit-block-5-late', 'does not fit', 'it is short at the pan rail and leaks'],
  ['pattern:ambit-head-eleven', 'ambit-block-5-early', 'fits with work', 'Drill and tap'],
  ['pattern:minnow-piston-48', 'pip-rod-48', 'cannot tell', 'No needle cage is known to go between'],
  ['pattern:pip-piston-66-three', 'pip-block-66', 'fits', 'Drops in'],
  ['pattern:lumen-lifter-deactivating', 'lumen-head-4c', 'does not fit', 'there are no oil valves to switch them'],
  ['pattern:skerry-liner-three-shim', 'skerry-block-4-late', 'fits with work', 'of steel shim under the flanges'],
  ['pattern:skerry-liner-two', 'skerry-block-4-late', 'does not fit', 'coolant gets into the oil'],
  [
    'pattern:sluice-piston-398-3375-90',
    'sluice-piston-398-3375-80',
    'does not fit',
    'mixed ratios in one engine are refused',
  ],
  ['pattern:skerry-rodshell', 'skerry-rod-fractured', 'does not fit', 'the wrong shells destroy it'],
  ['pattern:bearing-6204', 'bearing-6204-c3', 'does not fit', 'pressed on and hot it may not turn'],
  ['pattern:lumen-cam-2a', 'lumen-cam-4a', 'does not fit', 'the throws of the crank allow one of them only'],
  ['pattern:sluice-crank-3375-forged', 'sluice-block-pump', 'cannot tell', 'Block: crankcase swing'],
] as const;

test('joints say what a practitioner would say', async ({ page }) => {
  for (const [donor, into, verdict, words] of SAID) {
    await goTo(page, `/swap?donor=${donor}&into=${into}`);
    await expect(page.locator('.judged'), `${donor} into ${into}`).toContainText(words);
    await expect(page.locator('.judged header .verdict wb-verdict'), `${donor} into ${into}`).toHaveText(verdict);
  }
});

test('a job whose block is bored and decked takes the pistons of that size, and is found by them', async ({
  page,
  request,
}) => {
  const job = '4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b001';
  const at = '2026-03-02T08:10:00.000Z';
  const inch = (id: string, text: string, parameter: string, value: number, instrument: string) => ({
    id,
    at,
    is: { sort: 'size', text, parameter, values: [value], figures: String(value), unit: 'in', instrument },
  });
  await request.put(`/api/jobs/${job}`, { data: { name: 'Fan, thirty over', readings: [], version: 0 } });
  const part = (id: string, data: object) =>
    request.put(`/api/specimens/4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b0${id}`, { data: { ...data, job, version: 0 } });
  await part('02', {
    name: 'Its block',
    kind: 'block',
    readings: [
      inch('4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b011', 'bore 3.8308in bore gauge', 'block.bore', 3.8308, 'boreGauge'),
      inch('4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b012', 'deck height 8.995in mic', 'block.deckHeight', 8.995, 'micrometer'),
    ],
  });
  await part('03', {
    name: 'Piston, thirty over',
    kind: 'piston',
    readings: [
      inch('4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b013', 'skirt 3.8290in mic', 'piston.skirt.diameter', 3.829, 'micrometer'),
    ],
  });
  await page.goto(`/jobs/${job}`);
  await page.getByRole('link', { name: 'Will a part go into what lies here?' }).click();
  await page.locator('#donor').click();
  await page.keyboard.type('thirty over');
  await page.getByTitle('Piston, thirty over', { exact: true }).click();
  await expect(page.locator('.judged header h1')).toContainText('into Fan, thirty over');
  // Its own job stands among those that are listed.
  await expect(page.locator('.blocks')).toContainText('Fan, thirty over');
  await page.goto(
    `/swap?donor=specimen:4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b003&as=sluice-piston-380-3375-85&into=job:${job}`,
  );
  await expect(page.locator('.judged')).toContainText('In a bore of');
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('fits');
});

test('a superseding kit is only valid whole, and is judged together at a press', async ({ page }) => {
  await page.goto('/swap?donor=pattern:skerry-piston-112-160-super&into=variant:skerry-47');
  await expect(page.locator('.needs').last()).toContainText('Halvorn Skerry, 216, drilled, 42 pin');
  await page.getByRole('button', { name: 'Judge them together' }).click();
  await expect(page.locator('aside')).toContainText('with Halvorn Skerry, 216, drilled, 42 pin');
  await expect(page.locator('.judged header')).toContainText('Goes in after work: new pins with the pistons.');
  await page.getByRole('button', { name: 'and with it' }).click();
  await page.locator('#with').click();
  await page.keyboard.type('42, circlips');
  await page.getByTitle('Halvorn Skerry, 42, circlips', { exact: true }).click();
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('fits');
});

test('the direction is turned with one key, and it is said that it goes one way only', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-crank-3375-forged&into=sluice-block-low-large');
  await expect(page.locator('.one-way')).toHaveText('one way only');
  await expect(page.locator('.known')).toContainText('Spacer shells in the large housings');
  await page.locator('.judged').focus();
  await page.keyboard.press('x');
  await expect(page).toHaveURL(/into=sluice-block-low-small/);
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('does not fit');
});

test('work that mends one joint says what it does to the others', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-head-74&into=variant:sluice-306');
  await expect(page.locator('[data-check=ratio]')).toContainText('The pistons are sold as');
  for (const [donor, into, check, says] of [
    ['ambit-block-5-early', 'ambit-1590', 'headBolts', 'Bolt holes: fits with work becomes fits.'],
    ['pip-crank-48-l', 'pip-48', 'deckClearance', 'Compression ratio: fits with work becomes cannot tell.'],
    ['ambit-piston-77-83', 'ambit-1590', 'skirtClearance', 'These parts make'],
    ['skerry-rod-drilled-42', 'skerry-44', 'pinInRod', 'Pin size: fits with work becomes fits.'],
  ] as const) {
    await goTo(page, `/swap?donor=pattern:${donor}&into=variant:${into}`);
    await expect(page.locator(`[data-check=${check}] .elsewhere`, { hasText: says }).first()).toBeVisible();
  }
});

test('class marks settle what a caliper leaves open, position by position, and are not believed against a micrometer', async ({
  page,
  request,
}) => {
  const shelf = (await (await request.get('/api/specimens')).json()) as {
    readonly id: string;
    readonly name: string;
  }[];
  const named = (name: string) => shelf.find((each) => each.name === name)?.id ?? '';
  await page.goto(`/swap?donor=specimen:${named('Lumen crank, main classes by caliper and mark')}&into=lumen-block-4b`);
  const check = page.locator('[data-check=oilClearance]').first();
  await expect(check).toContainText('By the class marks, position by position');
  await expect(check).toContainText('red (standard) at 3');
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('fits');
  await goTo(page, `/swap?donor=specimen:${named('Lumen crank, worn past its classes')}&into=lumen-block-4b`);
  await expect(check).toContainText('The class mark says another size than was measured');
});

test('a cam that stands open further at overlap wants deeper valve pockets', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-cam-solid&into=variant:sluice-306');
  const check = page.locator('[data-check=valveRoom]');
  await expect(check).toContainText('Cut the valve pockets');
  await expect(check).toContainText('with clay, on every cylinder');
  await expect(check.locator('.elsewhere', { hasText: 'These parts make' }).first()).toBeVisible();
});

test('the rod of the larger pin goes into the smaller engine on a sleeve bearing, its crank with the lip turned off; the reverse does not', async ({
  page,
}) => {
  await page.goto('/swap?donor=pattern:pip-rod-48-l&into=variant:pip-48');
  await expect(page.locator('[data-check=pinInRod]')).toContainText('Sleeve bearing of small bore and large outside');
  await goTo(page, '/swap?donor=pattern:pip-crank-48-l&into=pip-block-48');
  await expect(page.locator('[data-check=webLip]')).toContainText('Turn the lip off');
  await goTo(page, '/swap?donor=pattern:pip-rod-48&into=variant:pip-48-l');
  await expect(page.locator('[data-check=pinInRod]')).toContainText('There is no room for needles');
});

test('a swap, a whole grid and its groups are printed without what is there to be pressed', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-crank-3375-forged&into=sluice-block-low-large');
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('fits with work');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.locator('[data-check=oilClearance]')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await goTo(page, '/swap/grid?donors=piston&recipients=block');
  await expect(page.getByText(/^\d+ × \d+ judged\.$/)).toBeVisible();
  // What a browser says before it lays out paper, whether by the button or by its own key.
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('Sheet 2 of 2.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'CSV' })).toBeHidden();
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(page.locator('wb-grid-sheets')).toHaveCount(0);
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('button', { name: 'Groups' }).click();
  await page.emulateMedia({ media: 'print' });
  await expect(
    page.getByRole('heading', { name: 'Pistons into blocks: groups that interchange freely' }),
  ).toBeVisible();
});

test('what else takes a part is listed over catalogue and shelf, by verdict and price', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-crank-3375-forged');
  const rows = page.locator('.blocks button');
  await expect(rows.first().getByRole('img', { name: 'fits', exact: true })).toBeVisible();
  await expect(page.locator('.blocks')).toContainText('On the shelf');
  await page.locator('nz-select[nzid=kind]').click();
  await page.getByTitle('Engines').click();
  await expect(page.locator('.blocks')).toContainText('306');
  await page.getByRole('button', { name: 'What else fits here?' }).click();
});

test('a cell of the grid opens the swap, and the grid is exported', async ({ page }) => {
  await page.goto('/swap/grid?donors=crank&recipients=block');
  await expect(page.getByText(/^\d+ × \d+ judged\.$/)).toBeVisible();
  // With the catalogue kept from the first time it fills again.
  await page.reload();
  await expect(page.getByText(/^\d+ × \d+ judged\.$/)).toBeVisible();
  for (const [name, first] of [
    ['CSV', /^\uFEFF,"?Brackmere|^\uFEFF,/],
    ['XLSX', /^PK/],
  ] as const) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    expect((await readFile(await download.path())).toString('utf8').slice(0, 40)).toMatch(first);
  }
  await page.getByRole('button', { name: 'fits with work' }).click();
  await expect(page).toHaveURL(/verdict=fitsWithWork/);
  await page.locator('.scroller').focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('.looked')).toContainText('into');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/swap\?donor=pattern:/);
});

import { readFileSync } from 'node:fs';
import type { Job, Specimen, StoredSpecimen } from '@which-bore/core';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect, expectNoFaults, saved, test } from './shop';

const PUMP = '6b7c3f2e-0d54-4c1b-9a55-3d2f8e1c4a10';
const WINCH = 'ee23d97d-7089-4609-83b6-125a6fe83ac9';

/** The parts of the demo, as they were before any walk. */
const DEMO = (
  JSON.parse(readFileSync(new URL('../demo-data/specimens.json', import.meta.url), 'utf8')) as {
    readonly specimens: readonly Specimen[];
  }
).specimens;

/** Puts the parts of the demo's pump into a job of one's own, so that other walks are not in the way. */
async function partsInto(request: APIRequestContext, job: string): Promise<readonly Specimen[]> {
  const copies = DEMO.filter((each) => each.job === PUMP).map((part) => ({
    ...part,
    id: crypto.randomUUID(),
    job,
    name: part.name.replace('Terrace', 'Called'),
  }));
  for (const { id, ...body } of copies)
    expect((await request.put(`/api/specimens/${id}`, { data: { ...body, version: 0 } })).ok()).toBeTruthy();
  return copies;
}

const need = (page: Page, name: string | RegExp) => page.locator('.needs > li', { hasText: name });
const view = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'What is done' }).getByRole('button', { name });

test('a job goes from the call to the report', async ({ page }) => {
  // The call.
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Another engine' }).click();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}/);
  const job = /jobs\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
  await page.getByLabel('Name of this engine').fill('Pump, called about on Monday');
  await page.getByLabel('Name of this engine').press('Enter');
  await page.getByLabel('Whose engine it is').fill('The lower terrace');
  await page.getByLabel('What it drives').fill('Irrigation pump');
  await page.getByLabel('What is asked for').fill('It smokes. One bore is scored.');
  await page.getByLabel('What is asked for').press('Tab');
  await page.getByLabel('What happened').fill('Came on the trailer, with eleven pistons.');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await saved(page);
  const parts = await partsInto(page.request, job);
  const idOf = (name: string): string => parts.find((part) => part.name === name)?.id ?? '';

  // Measured: a gauge that types its figures.
  await page.goto(`/fit?job=${job}&part=${idOf('Called pump case')}&sheet=block.bore`);
  await expect(page.getByRole('textbox', { name: 'Bores 1, top, along, mm' })).toBeFocused();
  for (const figure of ['78.321', '78.318', '78.320', '78.316', '78.312', '78.311'])
    await page.keyboard.type(`${figure}\n`, { delay: 20 });
  await expect(page.getByRole('textbox', { name: 'Bores 2, top, along, mm' })).toBeFocused();
  await page.getByRole('button', { name: 'Sets' }).click();
  await expect(page.locator('tr[data-piece]')).toHaveCount(4);
  await saved(page);

  // Decided: a build from its parts, bored, with new pistons.
  await page.goto(`/jobs/${job}`);
  await page.getByRole('button', { name: 'Plan this engine' }).click();
  await expect(page).toHaveURL(/\/plan\/[0-9a-f-]{36}/);
  const build = /plan\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
  await saved(page);
  const kept = (await (await page.request.get(`/api/builds/${build}`)).json()) as {
    readonly version: number;
    readonly places: readonly { readonly slot: string }[];
  };
  const places = [
    ...kept.places
      .filter(({ slot }) => slot !== 'piston')
      .map((place) =>
        place.slot === 'block' ? { ...place, work: [{ operation: 'bore', by: { value: 0.5, unit: 'mm' } }] } : place,
      ),
    { slot: 'piston', pattern: 'lumen-piston-78-77-88', size: { value: 0.5, unit: 'mm' } },
  ];
  const { id: _id, updatedAt: _at, ...whole } = { ...kept, places, variant: 'lumen-4-77' } as Record<string, unknown>;
  expect((await page.request.put(`/api/builds/${build}`, { data: whole })).ok()).toBeTruthy();
  await page.goto(`/jobs/${job}`);
  await page.getByRole('radio', { name: 'decided on' }).check();
  await page.getByLabel('What is decided').fill('Bore all four half a millimetre over.');
  await page.getByLabel('Why', { exact: true }).fill('One is scored past a quarter.');
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await expect(page.getByText('One is scored past a quarter.')).toBeVisible();
  await saved(page);

  // To buy: oversize pistons, shells place by place, one of them not settled.
  await page.getByRole('link', { name: 'What it needs' }).click();
  await expect(need(page, 'Tarrow Lumen, 78.0, stroke 77, 8.8:1')).toContainText('0.500 mm over standard');
  await expect(need(page, 'for place 3')).toContainText('Nothing is averaged');
  await page.getByRole('button', { name: 'Fetch the lists' }).click();
  const seal = need(page, 'Tarrow Lumen, four, composition');
  await expect(seal.getByText('The Tin Shed')).toBeVisible();
  // One supplier lies about his stock: he is asked before anything is ordered.
  await seal.getByRole('button', { name: /Order .* from The Tin Shed/ }).click();
  await expect(seal.getByRole('alert')).toContainText('asked now has 0. Nothing is ordered yet.');
  await expect(seal).toContainText('1 piece to get');
  await seal.getByRole('button', { name: 'Order all the same' }).click();
  await expect(seal).toContainText('provided for');
  await seal.getByRole('button', { name: 'Came wrong' }).click();
  await expect(seal).toContainText('1 piece to get');
  await seal.getByRole('button', { name: 'Received' }).click();
  await expect(seal).toContainText('provided for');
  // What is bought elsewhere is put down by hand.
  await page.getByLabel('What', { exact: true }).fill('Hose, two metres');
  await page.getByLabel('How many').fill('none');
  await page.getByRole('button', { name: 'Put on the list' }).click();
  await expect(page.getByRole('alert')).toContainText('“none” is no number of pieces');
  await page.getByLabel('How many').fill('2');
  await page.getByRole('button', { name: 'Put on the list' }).click();
  await expect(need(page, 'Hose, two metres')).toContainText('2 pieces to get');

  // The machine shop: what came out becomes a reading, and the build goes by it.
  await view(page, 'Machine shop').click();
  const bore = page.locator('.step', { hasText: 'Bore oversize' });
  await expect(bore).toContainText('78.504 to');
  await bore.getByRole('button', { name: 'Given out' }).click();
  await expect(bore).toContainText('at the shop');
  await bore.getByRole('button', { name: 'It came back so' }).click();
  await expect(bore.getByRole('alert')).toContainText('Write down what came out');
  await bore.getByRole('textbox').fill('78.512 78.511 78.530 78.510');
  await expect(bore).toContainText('0.0140 mm over what was asked');
  await bore.getByRole('button', { name: 'It came back so' }).click();
  await expect(bore).toContainText('done');
  await saved(page);
  const after = (await (await page.request.get(`/api/builds/${build}`)).json()) as {
    places: { slot: string; work?: object[] }[];
  };
  expect(after.places.find(({ slot }) => slot === 'block')?.work).toBeUndefined();
  const block = (await (await page.request.get(`/api/specimens/${idOf('Called pump case')}`)).json()) as StoredSpecimen;
  const sizes = block.readings.flatMap(({ is }) =>
    is.sort === 'size' && is.parameter === 'block.bore' ? [is.values] : [],
  );
  expect(sizes).toEqual([[78.512, 78.511, 78.53, 78.51]]);
  // The pistons are still those of the bored cylinders.
  await view(page, 'To buy').click();
  await expect(need(page, 'Tarrow Lumen, 78.0, stroke 77, 8.8:1')).toContainText('0.500 mm over standard');

  // Put together: signed under a name, and by nobody without one.
  await view(page, 'Assembly').click();
  await expect(page.locator('tr.open')).toContainText('Nothing is averaged');
  await page.getByRole('button', { name: 'Sign Clean and lay out' }).click();
  await expect(page.getByRole('alert')).toContainText('A signature needs a name');
  const clean = page.locator('.step', { hasText: 'Clean and lay out' });
  await clean.getByLabel('What was found').fill('A plug was missing');
  await clean.getByLabel('Your name').fill('Reinhild');
  await page.getByRole('button', { name: 'Sign Clean and lay out' }).click();
  await expect(clean).toContainText('Signed by Reinhild');

  // Handed over, and printed.
  await view(page, 'Report').click();
  await page.getByLabel('Hours', { exact: true }).fill('4,5');
  await page.getByLabel('Spent on').fill('Assembly');
  await page.getByRole('button', { name: 'Add the hours' }).click();
  await page.getByLabel('How it was run in').fill('Two hours, light load.');
  await page.getByLabel('Handed over on').fill('2026-12-04');
  const report = page.locator('.report');
  await expect(report).toContainText('4.5 hours in all');
  await expect(report).toContainText('Bore all four half a millimetre over.');
  await expect(report).toContainText('Bore oversize');
  await expect(report.getByRole('row', { name: /Displacement/ })).toContainText('cu in');
  await saved(page);
  await page.emulateMedia({ media: 'print' });
  await expect(report.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(report.getByText('Two hours, light load.').first()).toBeVisible();
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(10_000);
  await page.emulateMedia({ media: 'screen' });
  await expect(page.getByRole('listitem').filter({ hasText: 'Handed over' })).toContainText('through');
});

test('a number that was replaced brings its kit whole, and a part of the shelf is put aside for one job', async ({
  page,
}) => {
  await page.goto(`/order?job=${WINCH}`);
  const piston = need(page, 'Halvorn Skerry, stroke 112, 16.0:1').first();
  await expect(piston).toContainText('is sold today as HV-8422');
  const rods = need(page, 'Halvorn Skerry, 216, drilled, 42 pin');
  await expect(rods).toContainText('which is only valid together with it');
  await expect(rods).toContainText('4 pieces');
  const pin = need(page, 'Pin from the two-piece piston');
  await pin.getByRole('button', { name: 'Put aside' }).click();
  await expect(pin).toContainText('3 pieces to get');
  // On the shelf it is seen who has it, and another job cannot have it.
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Offer: Pin from the two-piece piston' }).click();
  await expect(page.getByText('Put aside for')).toContainText('Sawmill winch');
  await page.getByRole('button', { name: 'Sold' }).click();
  await expect(page.getByRole('alert')).toContainText('give it back to the shelf first');
  await page.getByRole('button', { name: 'Give back' }).click();
  await expect(page.getByRole('button', { name: 'Put aside' })).toBeVisible();
  await expect(page.getByText('Who wants this?')).toBeVisible();
  await expect(page.locator('wb-shelf-part')).toContainText('It needs just this');
  await page.getByLabel('Asked for it').fill('1,234');
  await page.getByLabel('Asked for it').press('Tab');
  await expect(page.getByRole('alert')).toContainText('no price that can be read one way only');
  await page.getByLabel('Asked for it').fill('12,50');
  await page.getByLabel('Asked for it').press('Tab');
  await expect(page.getByRole('row', { name: /Pin from the two-piece piston/ })).toContainText('12.5');
  await saved(page);
});

test('suppliers send lists, and one that is down is said to be', async ({ page }) => {
  await page.goto(`/order?job=${PUMP}&view=suppliers`);
  await page.getByLabel('Name', { exact: true }).fill('Down the valley');
  await page.getByLabel('Address, if he has one').fill('http://127.0.0.1:9');
  await page.getByRole('button', { name: 'Add' }).click();
  await page.getByRole('button', { name: 'Fetch the list of Down the valley' }).click();
  const row = page.getByRole('row', { name: /Down the valley/ });
  await expect(row.getByRole('alert')).toContainText('cannot be reached');
  await row.locator('input[type=file]').setInputFiles({
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Part number;Price;In stock\nTW 8541;19,50;4\nTW-1;on request;\n'),
  });
  await expect(row).toContainText('1 lines left out');
  await row.getByText('1 lines left out').click();
  await expect(row).toContainText('“on request” is no price');
  await row.getByRole('button', { name: 'Delete Down the valley' }).click();
  await expect(row).toHaveCount(0);
});

test('a refused joint is ordered from in one press', async ({ page }) => {
  await page.goto('/swap?donor=sluice-crank-3590&into=variant:sluice-336');
  const remedy = page.getByRole('button', { name: /^Order it: / }).first();
  const name = ((await remedy.getAttribute('aria-label')) ?? '').replace('Order it: ', '');
  await remedy.click();
  await page.getByRole('status').getByRole('link').first().click();
  await expect(page).toHaveURL(/\/order\?job=/);
  // What is done stands on the sheet, or what is bought on the list.
  const job = new URL(page.url()).searchParams.get('job') ?? '';
  await saved(page);
  const kept = (await (await page.request.get(`/api/jobs/${job}`)).json()) as Job;
  const added = [
    ...(kept.work ?? []).filter(({ state }) => state === 'planned'),
    ...(kept.orders ?? []).filter(({ note }) => note === name),
  ];
  expect(added.length).toBeGreaterThan(0);
});

test('the pages of Order have no faults', async ({ page }) => {
  await page.goto('/order');
  await expectNoFaults(page, [
    ['buy', `/order?job=${PUMP}`, 'To buy, for Pump of the lower terrace, Lumen four'],
    ['work', `/order?job=${PUMP}&view=work`, 'Machine shop, for Pump of the lower terrace, Lumen four'],
    ['assembly', `/order?job=${PUMP}&view=assembly`, 'Assembly, for Pump of the lower terrace, Lumen four'],
    ['report', `/order?job=${PUMP}&view=report`, 'Pump of the lower terrace, Lumen four'],
    ['suppliers', `/order?job=${PUMP}&view=suppliers`, 'Suppliers'],
  ]);
});

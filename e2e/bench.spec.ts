import { enter, expect, heldHere, lineUp, saved, test } from './shop';

const READINGS = {
  mark: 'crank cast 41?7',
  main: 'main 2.3482in mic',
  others: 'pin 2.0493in mic stroke 3.375in caliper',
  looks: 'forged 8 weights',
};

interface Stored {
  readings: { is: { text: string } }[];
}
interface LineUpAnswer {
  none: number;
  candidates: { probability: number }[];
}

/** What the server holds of a specimen: the words of its readings. */
async function texts(url: string, id: string): Promise<string[]> {
  const stored = (await (await fetch(`${url}/api/specimens/${id}`)).json()) as Stored;
  return stored.readings.map((reading) => reading.is.text);
}

test('a crank is named from its readings, with reasons, through reloads and a stopped server', async ({
  page,
  shop,
}) => {
  await page.goto('/bench');
  await expect(page.getByRole('heading', { name: 'A clear bench' })).toBeVisible();
  await enter(page, READINGS.mark);
  await expect(page.getByRole('button', { name: 'Correct: cast 41?7' })).toBeVisible();
  await saved(page);

  // A reload in the middle of a word: the readings and the word are there again.
  await page.getByLabel('What you read, see and measure on the part').fill(READINGS.main);
  await page.reload();
  await expect(page.getByLabel('What you read, see and measure on the part')).toHaveValue(READINGS.main);
  await expect(page.getByRole('button', { name: 'Correct: cast 41?7' })).toBeVisible();
  await page.getByRole('button', { name: 'Enter' }).click();
  await saved(page);

  // The server stops; what is typed meanwhile waits here and goes up when it is back.
  await heldHere(page);
  await shop.stop();
  await enter(page, READINGS.others);
  await enter(page, READINGS.looks);
  await expect(page.getByText('Server away: 1 kept here')).toBeVisible();
  await expect(page.getByText('Settled', { exact: true })).toBeVisible();
  await shop.start();
  await saved(page);
  const id = new URL(page.url()).pathname.split('/')[2] ?? '';
  expect(await texts(shop.url, id)).toEqual([
    'cast 41?7',
    'main 2.3482in mic',
    'pin 2.0493in mic',
    'stroke 3.375in caliper',
    'forged',
    '8 weights',
  ]);

  await page.reload();
  const rows = await test.step('line-up after the last reload', async () => {
    await expect(page.getByText('Settled', { exact: true })).toBeVisible();
    return lineUp(page);
  });
  expect(rows[0]?.name).toBe('3.375 forged, small journal');
  expect(rows[0]?.share).toBe('> 99.9 %');
  await expect(
    page.getByText('0.0008 in under the standard limits 2.3490 to 2.3500 in: worn, or a light polish.'),
  ).toBeVisible();
  await expect(page.getByText('4187 on the web, as read.')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /Crank from the side, to scale.*Main journal 59\.644 mm, measured/ }),
  ).toBeVisible();

  // On to Swap: the four verdicts on four blocks, and the address holds the state.
  await page.getByRole('link', { name: 'What will it go into?' }).click();
  const into = async (block: string, verdict: string) => {
    await page.getByRole('button', { name: block }).click();
    await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText(verdict);
  };
  await into('low deck, large journal, wet intake', 'fits with work');
  await expect(page.getByText('Spacer shells, and regrind the mains', { exact: true })).toBeVisible();
  await into('low deck, pump engine, swing not recorded', 'cannot tell');
  await expect(page.locator('.judged header')).toContainText('Block: crankcase swing');
  await into('Halvorn Skerry four, early', 'does not fit');
  await page.reload();
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('does not fit');
});

test('the four verdicts stand beside each other for a crank of the catalogue', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-crank-3375-forged');
  for (const [block, verdict, shape] of [
    ['low deck, small journal, wet intake', 'fits', 'fits'],
    ['low deck, large journal, wet intake', 'fits with work', 'fits with work'],
    ['low deck, pump engine, swing not recorded', 'cannot tell', 'cannot tell, nothing against it'],
    ['six, late, grooved case', 'does not fit', 'does not fit'],
  ] as const) {
    const row = page.getByRole('button', { name: block });
    await expect(row.getByRole('img', { name: shape, exact: true })).toBeVisible();
    await row.click();
    await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText(verdict);
  }
});

test('it is one way only: the larger journal does not go into the smaller block', async ({ page }) => {
  await page.goto('/swap?donor=pattern:sluice-crank-3375-large&into=sluice-block-low-small');
  await expect(page.locator('.judged header')).toContainText('larger than any shell');
});

test('a reading can be corrected, removed and brought back', async ({ page }) => {
  await page.goto('/bench');
  await enter(page, 'main 2.349 mm mic 8 weights');
  await expect(page.getByText('Did you mean 2.349 in?')).toBeVisible();
  await page.getByRole('button', { name: 'Yes, main 2.349 in mic' }).click();
  await expect(page.getByRole('button', { name: 'Correct: main 2.349 in mic' })).toBeVisible();

  await expect.poll(async () => (await lineUp(page))[0]?.name).toBe('3.375 forged, small journal');
  const before = await lineUp(page);
  await page.getByRole('button', { name: 'Remove: 8 weights' }).click();
  await expect(page.getByRole('button', { name: 'Correct: 8 weights' })).toBeHidden();
  await expect.poll(() => lineUp(page)).not.toEqual(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => lineUp(page)).toEqual(before);

  await page.getByRole('button', { name: 'Correct: 8 weights' }).click();
  await page.getByLabel('Correct this reading').fill('6 weights');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Correct: 6 weights' })).toBeVisible();
  await saved(page);
});

test('a block is measured all round, its faces are seen, and what may be repeats is asked', async ({ page }) => {
  await page.goto('/bench');
  await enter(page, 'block bellhousing Lumen short, cyl 1 top 78.022x78.018 bottom 78.018x78.014 bore gauge');
  await enter(
    page,
    'cyl 2 top 78.140x78.130 bottom 78.020x78.016 bore gauge, main housing 56.010/56.012/56.010 bore gauge',
  );
  const faces = page.getByRole('region', { name: 'Faces' });
  await expect(faces.getByText('Lumen short', { exact: true })).toBeVisible();
  // Three figures of a housing of which there are several: repeats, or one of each?
  await expect(page.getByText('Taken for 3 repeats of one main.')).toBeVisible();
  await page.getByRole('button', { name: 'One of each main' }).click();
  await expect(page.getByText('Taken for 3 repeats of one main.')).toBeHidden();
  const sizes = page.locator('wb-size-table');
  const bore = sizes.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Bore', exact: true }) });
  await expect(bore).toContainText('0.120 taper');
  await expect(bore).toContainText('78.140 × 78.130');
  await expect(sizes.getByRole('row', { name: /^Bellhousing/ })).toContainText('same');
  await saved(page);
  await page.reload();
  await expect(faces.getByText('Lumen short', { exact: true })).toBeVisible();
  await expect(page.getByText('Taken for 3 repeats of one main.')).toBeHidden();
});

test('nonsense and far too much are kept and explained', async ({ page }) => {
  await page.goto('/bench');
  const field = page.getByLabel('What you read, see and measure on the part');
  await field.fill('wobble <b>!</b> NaN');
  await expect(page.getByText('No word of a crank, its sizes, marks or looks.').first()).toBeVisible();
  const long = 'main 59.67 '.repeat(910);
  await field.fill(long);
  await expect(page.getByText('the line takes 2,000 at once')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Enter' })).toBeDisabled();
  await expect(field).toHaveValue(long);
});

test('the browser gives the numbers of POST /api/identify', async ({ page, request }) => {
  const entry = 'cast 41?7 pin 52.05 mic rope seal';
  const answer = (await (
    await request.post('/api/identify', { data: { kind: 'crank', entry, most: 6 } })
  ).json()) as LineUpAnswer;
  const say = (share: number) =>
    share * 100 >= 99.95 ? '> 99.9 %' : share * 100 < 0.05 ? '< 0.1 %' : `${(share * 100).toFixed(1)} %`;
  await page.goto('/bench');
  await enter(page, entry);
  await expect
    .poll(async () => (await lineUp(page)).filter((row) => row.name !== 'None of these').map((row) => row.share))
    .toEqual(answer.candidates.map((each) => say(each.probability)));
  expect((await lineUp(page)).find((row) => row.name === 'None of these')?.share).toBe(say(answer.none));
});

for (const [name, status, first] of [
  ['Frost fan crank, bin 4', 'Settled', '3.375 forged, small journal'],
  ['Sawmill winch crank', 'Probable', 'four, stroke 104, late'],
  ['Crank from the river pump', 'Matches nothing here', 'None of these'],
] as const) {
  test(`the demo’s ${name} is called what it is`, async ({ page }) => {
    await page.goto('/shelf');
    await page.getByRole('link', { name, exact: true }).click();
    await expect(page.getByText(status, { exact: true })).toBeVisible();
    expect((await lineUp(page))[0]?.name).toBe(first);
  });
}

test('two people on one part lose nothing of each other', async ({ page, context, shop }) => {
  await page.goto('/bench');
  await enter(page, 'crank main 59.67 mic');
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('button', { name: 'correct: main 59.67 mic' })).toBeVisible();

  await enter(page, 'forged');
  await saved(page);
  // The other may have heard of that by now, or may be a version behind.
  await enter(other, '8 weights');
  await expect(other.getByRole('button', { name: 'correct: forged' })).toBeVisible();
  await saved(other);
  const id = new URL(page.url()).pathname.split('/')[2] ?? '';
  await expect
    .poll(async () => [...(await texts(shop.url, id))].sort())
    .toEqual(['8 weights', 'forged', 'main 59.67 mic']);
  await page.reload();
  await expect(page.getByRole('button', { name: 'correct: 8 weights' })).toBeVisible();
});

test('a part of another kind is read in its own words', async ({ page }) => {
  await page.goto('/bench');
  await enter(page, 'block cast B39?6 main 71.20 bore gauge 5 mains dry intake');
  await expect(page.getByText('Settled', { exact: true })).toBeVisible();
  expect((await lineUp(page))[0]?.name).toBe('low deck, large journal, dry intake, one-piece seal');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Remove: cast B39?6' }).click();
  await expect(page.getByText('Probable', { exact: true })).toBeVisible();
});

test('readings typed while the database, and not the server, is away are kept as well', async ({ page }) => {
  let away = true;
  await page.route('**/api/specimens/**', (route) =>
    away ? route.fulfill({ status: 503, json: { error: 'The database is away.' } }) : route.continue(),
  );
  await page.goto('/bench');
  await enter(page, 'crank 5 mains');
  await expect(page.getByText('Server away: 1 kept here')).toBeVisible();
  await expect(page).toHaveURL(/\/bench\/[0-9a-f-]{36}/);
  await page.reload();
  await expect(page.getByRole('button', { name: 'correct: 5 mains' })).toBeVisible();
  away = false;
  await saved(page);
});

import { readFileSync, writeFileSync } from 'node:fs';
import { thinned } from '../core/dist/interchange/halfKnown.js';
import { random } from '../core/dist/quantity/random.js';
import { expect, test } from './shop';

// In a shop of its own: half of every size, look and face of its catalogue is not known.
test('an engine of which half is not known still gives an answer, ranked and with its reasons', async ({
  page,
  shop,
}) => {
  const demo = JSON.parse(readFileSync(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8')) as Parameters<
    typeof thinned
  >[0];
  const file = test.info().outputPath('half-known.json');
  writeFileSync(file, JSON.stringify(thinned(demo, 0.5, random(1))));
  shop.load(file);
  // A piston of another family is refused by the bore that the engine is stated with, and says so.
  await page.goto('/swap?donor=pattern:ambit-piston-73&into=variant:sluice-357');
  await expect(page.locator('.judged header .verdict wb-verdict')).toHaveText('does not fit');
  // Its own is open: what agrees, what is likely, and what to find out first.
  await page.goto('/swap?donor=pattern:sluice-crank-3375-cast&into=variant:sluice-306');
  const judged = page.locator('.judged');
  await expect(judged.locator('header .verdict wb-verdict').first()).toHaveText('cannot tell');
  await expect(judged.locator('.needs').first()).toContainText('To settle it, find out the quickest first');
  await expect(judged.getByText(/Likely right, if it is as on what it is on record with/).first()).toBeVisible();
  // And its block stands first among those that may take it: one of the catalogue, or the one of the kind on the shelf.
  await page.goto('/swap?donor=pattern:sluice-crank-3375-cast&into=sluice-block-low-small');
  await expect(page.locator('ul.blocks li').first()).toContainText(/Sluice|Upper orchard block/);
});

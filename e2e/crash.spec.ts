import { enter, expect, lamp, saved, specimenTexts, test } from './shop';

test('nothing entered is lost when the server is killed, its database cut off and the page closed at any moment', async ({
  context,
  shop,
}) => {
  // The same course each time, so that a failure can be followed again.
  let state = 20261127;
  const random = (below: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
  let page = await context.newPage();
  await page.goto('/bench');
  await enter(page, 'crank main 2.349in mic');
  await expect(page).toHaveURL(/bench\/./);
  const address = page.url();
  const id = new URL(address).pathname.split('/')[2] ?? '';
  const entered = ['main 2.349in mic'];
  await saved(page);
  let up = true;
  for (let round = 0; round < 24; round++) {
    const text = `word${round}`;
    switch (random(5)) {
      case 0:
        if (up) await shop.kill();
        else await shop.start();
        up = !up;
        break;
      case 1:
        if (up) await shop.cutDatabase();
        break;
      case 2:
        // A page cannot be opened without its server.
        if (!up) break;
        await page.close();
        page = await context.newPage();
        await page.goto(address);
        await expect(page.getByRole('button', { name: `correct: ${entered.at(-1) ?? ''}` })).toBeVisible();
        break;
      default:
    }
    await enter(page, text);
    entered.push(text);
    if (random(3) === 0 && up) {
      // In the middle of whatever it was doing.
      await page.close({ runBeforeUnload: false });
      page = await context.newPage();
      await page.goto(address);
      await expect(page.getByRole('button', { name: `correct: ${text}` })).toBeVisible();
    } else await expect(page.getByRole('button', { name: `correct: ${text}` })).toBeVisible();
  }
  if (!up) await shop.start();
  await lamp(page, /^\s*Saved\s*$/);
  await expect.poll(async () => [...(await specimenTexts(shop.url, id))].sort()).toEqual([...entered].sort());
});

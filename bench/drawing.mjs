/**
 * Whether Plan draws while the crank is turned by hand: node bench/drawing.mjs http://127.0.0.1:3000
 *
 * The crank of a V8 is dragged round by the mouse for some seconds, with the curves under it, over the demo as it is
 * served; counted are the frames the browser made, how long from one to the next, and its long tasks. Baseline: the
 * same drag beside the drawing, where nothing moves, in the same run.
 */
import { chromium } from '@playwright/test';
import { quantile } from 'simple-statistics';
import { CHROMIUM } from '../scripts/chromium.cjs';

const [address = 'http://127.0.0.1:3000'] = process.argv.slice(2);
const SECONDS = 4;
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const builds = await (await fetch(`${address}/api/builds`)).json();
const build = builds.find(({ variant }) => variant?.startsWith('sluice')) ?? builds[0];
await page.goto(`${address}/plan/${build.id}`);
await page.getByText('Saved', { exact: true }).waitFor();
await page.locator('wb-section-view svg').waitFor();
await page.locator('wb-line-chart canvas').waitFor();

async function dragged(path) {
  await page.evaluate(() => {
    globalThis.seen = { frames: [], long: [] };
    const tick = (at) => {
      globalThis.seen.frames.push(at);
      globalThis.ticking = globalThis.requestAnimationFrame(tick);
    };
    globalThis.ticking = globalThis.requestAnimationFrame(tick);
    globalThis.watch = new globalThis.PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) globalThis.seen.long.push(duration);
    });
    globalThis.watch.observe({ type: 'longtask' });
  });
  await page.mouse.move(...path(0));
  await page.mouse.down();
  const from = performance.now();
  while (performance.now() - from < SECONDS * 1000) await page.mouse.move(...path((performance.now() - from) / 1000));
  await page.mouse.up();
  return page.evaluate(() => {
    globalThis.cancelAnimationFrame(globalThis.ticking);
    globalThis.watch.disconnect();
    return globalThis.seen;
  });
}

function say(what, { frames, long }) {
  const apart = frames.slice(1).map((at, index) => at - frames[index]);
  console.log(
    `${what}: ${(frames.length / SECONDS).toFixed(0)} frames a second, from one to the next ` +
      `${quantile(apart, 0.5).toFixed(1)} ms, one in twenty over ${quantile(apart, 0.95).toFixed(1)} ms; ` +
      `${long.length} tasks over 50 ms${long.length > 0 ? `, the longest ${Math.max(...long).toFixed(0)} ms` : ''}`,
  );
}

const { x, y, width, height } = await page.locator('wb-section-view svg').boundingBox();
const main = [x + width / 2, y + height * 0.72];
const round = (radius) => (seconds) => [
  main[0] + radius * Math.sin(seconds * 3),
  main[1] - radius * Math.cos(seconds * 3),
];
await dragged(round(30));
say('crank turned by hand', await dragged(round(30)));
say('the same beside it', await dragged((seconds) => [20 + 10 * Math.sin(seconds), 700]));
await browser.close();

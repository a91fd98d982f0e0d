/**
 * The server as it is, over DATABASE_URL, with a histogram of how long its own loop was not free: started by
 * bench/browser.mjs. Asked by a message it says what the histogram has, and begins another.
 *
 * Lateness counts what the machine gave to others as well. A thread beside it that does nothing at all is measured in
 * the same way: when both are late together it was the machine.
 */
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { isMainThread, parentPort, Worker } from 'node:worker_threads';

const EVERY = 5;
const delay = monitorEventLoopDelay({ resolution: EVERY });
delay.enable();

/** What the histogram has, and another one begun. The sampler itself waits some milliseconds between two looks. */
function told() {
  const ms = (ns) => Math.max(0, ns / 1e6 - EVERY);
  const said = { p50: ms(delay.percentile(50)), p99: ms(delay.percentile(99)), max: ms(delay.max) };
  delay.reset();
  return said;
}

if (isMainThread) {
  const { buildApp } = await import('../server/dist/app.js');
  const { readConfig } = await import('../server/dist/config.js');
  const app = await buildApp({ ...readConfig(process.env), logLevel: 'error' });
  await app.listen({ host: '127.0.0.1', port: 0 });
  const idle = new Worker(new URL(import.meta.url));
  const idleTold = () =>
    new Promise((resolve) => {
      idle.once('message', resolve);
      idle.postMessage('histogram');
    });
  process.on('message', async (asked) => {
    if (asked === 'warm') {
      await app.workshops.warmUp();
      process.send({ warm: true });
    } else if (asked === 'histogram') {
      const loop = told();
      process.send({ ...loop, idle: await idleTold(), rss: process.memoryUsage().rss });
    } else process.exit(0);
  });
  process.send({ port: app.server.address().port });
} else {
  parentPort.on('message', () => parentPort.postMessage(told()));
}

/**
 * The server as it is, over DATABASE_URL, with a histogram of how long its own loop was not free: started by
 * bench/browser.mjs. Asked by a message it says what the histogram has, and begins another.
 */
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { buildApp } from '../server/dist/app.js';
import { readConfig } from '../server/dist/config.js';

const app = await buildApp({ ...readConfig(process.env), logLevel: 'error' });
await app.listen({ host: '127.0.0.1', port: 0 });
const delay = monitorEventLoopDelay({ resolution: 5 });
delay.enable();
process.on('message', async (asked) => {
  if (asked === 'warm') {
    await app.workshops.warmUp();
    process.send({ warm: true });
  } else if (asked === 'histogram') {
    // The sampler itself waits 5 ms between two looks.
    const ms = (ns) => Math.max(0, ns / 1e6 - 5);
    process.send({
      p50: ms(delay.percentile(50)),
      p99: ms(delay.percentile(99)),
      max: ms(delay.max),
      rss: process.memoryUsage().rss,
    });
    delay.reset();
  } else process.exit(0);
});
process.send({ port: app.server.address().port });

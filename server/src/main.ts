import { buildApp } from './app.js';
import { readConfig } from './config.js';

const config = readConfig(process.env);
const app = await buildApp(config);
await app.listen({ host: config.host, port: config.port });
// Not waited for: who asks before it is done waits no longer than he would anyway.
void app.workshops
  .warmUp()
  .catch((error: unknown) => app.log.warn({ err: error }, 'The workshops could not be warmed up yet.'));

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    void app.close().then(() => process.exit(0));
  });
}

/**
 * Marks every call that a module of the core makes while it is loaded as one without side effects, which is what they
 * all are: schemas, tables and checks put together. So a page that needs one figure of a module does not carry its
 * schemas along. Run after tsc; rewrites the scripts of dist.
 */
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { transformAsync } from '@babel/core';

const dist = fileURLToPath(new URL('../dist/', import.meta.url));
for (const name of await readdir(dist, { recursive: true })) {
  // The bundle of an earlier build is no module of the browser.
  if (!name.endsWith('.js') || name.startsWith('node/')) continue;
  const file = join(dist, name);
  const { code } = await transformAsync(await readFile(file, 'utf8'), {
    plugins: ['annotate-pure-calls'],
    babelrc: false,
    configFile: false,
    retainLines: true,
  });
  await writeFile(file, code);
}

/** Writes the published JSON Schema of the catalogue format; with --check only says whether it is up to date. */
import { readFile, writeFile } from 'node:fs/promises';
import { CatalogueSchema } from '@which-bore/core';

const file = new URL('../docs/catalogue.schema.json', import.meta.url);
const schema = `${JSON.stringify({ $schema: 'http://json-schema.org/draft-07/schema#', ...CatalogueSchema }, null, 2)}\n`;
if (!process.argv.includes('--check')) await writeFile(file, schema);
else if ((await readFile(file, 'utf8')) !== schema) {
  console.error('docs/catalogue.schema.json is not what the code says: run npm run schema.');
  process.exit(1);
}

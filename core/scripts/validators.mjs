/**
 * Turns the schemas into plain validating functions, so that the browser can check what it stored without making code
 * at run time, which its content policy forbids. Run after tsc; writes dist/formats/validators.js and its types.
 */
import { writeFile } from 'node:fs/promises';
import Ajv from 'ajv';
import standaloneCode from 'ajv/dist/standalone/index.js';
import addFormats from 'ajv-formats';
import { build } from 'esbuild';
import { SpecimenSchema } from '../dist/index.js';

const ajv = new Ajv.default({ code: { source: true, esm: true }, discriminator: true });
addFormats.default(ajv, ['uuid', 'date-time']);
ajv.addSchema(SpecimenSchema, 'specimen');
const folder = new URL('../dist/formats/', import.meta.url);
const bundled = await build({
  stdin: { contents: standaloneCode.default(ajv, { isSpecimen: 'specimen' }), resolveDir: new URL('..', import.meta.url).pathname, loader: 'js' },
  bundle: true,
  format: 'esm',
  write: false,
});
await writeFile(new URL('validators.js', folder), bundled.outputFiles[0].text);
await writeFile(
  new URL('validators.d.ts', folder),
  "import type { Specimen } from '../readings/reading.js';\n/** Whether unknown data is a specimen, by the same schema as everywhere. */\nexport function isSpecimen(data: unknown): data is Specimen;\n",
);

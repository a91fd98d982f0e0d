/**
 * Turns the schemas into plain validating functions, so that the browser can check what it stored without making code
 * at run time, which its content policy forbids. Run after tsc; writes dist/formats/validators.js and its types.
 */
import { writeFile } from 'node:fs/promises';
import Ajv from 'ajv';
import standaloneCode from 'ajv/dist/standalone/index.js';
import addFormats from 'ajv-formats';
import { build } from 'esbuild';
import { RECORD_SCHEMAS, SpecimenSchema } from '../dist/index.js';

const ajv = new Ajv.default({ code: { source: true, esm: true }, discriminator: true, allErrors: true });
addFormats.default(ajv, ['uuid', 'date-time']);
ajv.addSchema(SpecimenSchema, 'specimen');
const types = Object.keys(RECORD_SCHEMAS);
for (const type of types) ajv.addSchema(RECORD_SCHEMAS[type], type);
const validators = { isSpecimen: 'specimen', ...Object.fromEntries(types.map((type) => [`is_${type}`, type])) };
const byType = `\nconst BY_TYPE = { ${types.map((type) => `${type}: is_${type}`).join(', ')} };\nexport const recordErrors = (type, record) => (BY_TYPE[type](record) ? [] : BY_TYPE[type].errors);\n`;
const folder = new URL('../dist/formats/', import.meta.url);
const bundled = await build({
  stdin: {
    contents: standaloneCode.default(ajv, validators) + byType,
    resolveDir: new URL('..', import.meta.url).pathname,
    loader: 'js',
  },
  bundle: true,
  format: 'esm',
  write: false,
});
await writeFile(new URL('validators.js', folder), bundled.outputFiles[0].text);
await writeFile(
  new URL('validators.d.ts', folder),
  `import type { RecordType } from '../catalogue/catalogue.js';
import type { Specimen } from '../readings/reading.js';
import type { SchemaError } from './schemaProblems.js';
/** Whether unknown data is a specimen, by the same schema as everywhere. */
export function isSpecimen(data: unknown): data is Specimen;
/** What is wrong with a record of the catalogue, by the same schema as everywhere; empty where nothing is. */
export function recordErrors(type: RecordType, record: unknown): readonly SchemaError[];
`,
);

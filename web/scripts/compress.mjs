/**
 * Packs what the build wrote as tightly as Brotli can, once, so that the server need not with each answer. Run after
 * the build.
 */
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';

const packed = promisify(brotliCompress);
const folder = fileURLToPath(new URL('../dist/browser/', import.meta.url));
const files = (await readdir(folder, { recursive: true })).filter((name) => /\.(js|css|svg)$/.test(name));
await Promise.all(
  files.map(async (name) => {
    const text = await readFile(join(folder, name));
    await writeFile(
      join(folder, `${name}.br`),
      await packed(text, {
        params: {
          [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT,
          [constants.BROTLI_PARAM_SIZE_HINT]: text.length,
        },
      }),
    );
  }),
);

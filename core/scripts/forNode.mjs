/**
 * Bundles the core for Node.js, where its several hundred modules take a second and more to find and read one by one:
 * every process and every thread of the server begins with them. The browser's builder takes the modules as they are,
 * so that it can leave out what a page does not use. Run last; writes dist/node, with `--watch` anew with each change.
 */
import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, context } from 'esbuild';

const options = {
  absWorkingDir: fileURLToPath(new URL('../dist', import.meta.url)),
  // All that package.json exports, in one go: what they share must be there once.
  entryPoints: [
    'index.js',
    'workshop/hundredQuestions.js',
    'interchange/meetings.js',
    'contract/routes.js',
    'formats/validators.js',
  ],
  outdir: 'node',
  outbase: '.',
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  logLevel: 'warning',
};
if (process.argv.includes('--watch')) await (await context(options)).watch();
else {
  const { metafile } = await build({ ...options, metafile: true });
  // Pieces are named by what is in them: those of earlier builds would stay for ever.
  const made = new Set(Object.keys(metafile.outputs));
  const before = await readdir(join(options.absWorkingDir, options.outdir), { recursive: true, withFileTypes: true });
  for (const each of before) {
    const path = join(each.parentPath ?? each.path, each.name);
    if (each.isFile() && !made.has(path.slice(options.absWorkingDir.length).replace(/^\//, ''))) await rm(path);
  }
}

/**
 * Bundles the core for Node.js, where its several hundred modules take a second and more to find and read one by one:
 * every process and every thread of the server begins with them. The browser's builder takes the modules as they are,
 * so that it can leave out what a page does not use. Run last; writes dist/node, with `--watch` anew with each change.
 */
import { fileURLToPath } from 'node:url';
import { build, context } from 'esbuild';

const options = {
  absWorkingDir: fileURLToPath(new URL('../dist', import.meta.url)),
  // All that package.json exports, in one go: what they share must be there once.
  entryPoints: ['index.js', 'workshop/hundredQuestions.js', 'interchange/meetings.js', 'formats/validators.js'],
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
else await build(options);

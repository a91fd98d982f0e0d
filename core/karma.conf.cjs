const { rmSync } = require('node:fs');
const { resolve } = require('node:path');
const { build, context } = require('esbuild');
const shared = require('../karma.conf.cjs');

const BUNDLES = resolve('dist-spec');

/** The draws of the laws (src/testing/laws.ts): all of them from a new seed, or one told, with `npm run laws`. */
function laws() {
  const { LAWS } = process.env;
  if (!LAWS) return { seed: 1, share: 0.1 };
  const seed = Number(LAWS) || Date.now() % 2 ** 31;
  console.log(`All draws of the laws, from seed ${seed}. The same again: LAWS=${seed} npm run laws -w core`);
  return { seed, share: 1 };
}

/**
 * The specs of the core. They need nothing of Angular, and esbuild bundles them in a second where Angular's builder
 * takes one or two minutes; their types are checked by `npm run types -w core`. Run from this folder.
 *
 * @param {import('karma').Config & { include?: string }} config
 */
module.exports = async (config) => {
  shared(config);
  rmSync(BUNDLES, { recursive: true, force: true });
  const options = {
    // As one names specs on the command line, with commas between; all of them otherwise.
    entryPoints: (config.include ?? '**/*.spec.ts').split(',').map((each) => `src/${each}`),
    outdir: BUNDLES,
    outbase: 'src',
    bundle: true,
    splitting: true,
    format: 'esm',
    target: 'es2022',
    sourcemap: true,
    define: { LAWS: JSON.stringify(laws()) },
    // Texts that specs read whole.
    loader: { '.csv': 'text', '.md': 'text' },
    logLevel: 'warning',
  };
  if (config.singleRun) await build(options);
  else await (await context(options)).watch();
  config.set({
    basePath: BUNDLES,
    plugins: [...config.plugins, 'karma-sourcemap-loader'],
    preprocessors: { '**/*.js': ['sourcemap'] },
    files: [
      { pattern: '**/*.spec.js', type: 'module' },
      { pattern: '**/!(*.spec).js', included: false },
      { pattern: '**/*.map', included: false, watched: false },
    ],
  });
};

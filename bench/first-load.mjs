/**
 * What the Bench needs on a first visit, as it goes over the line: the page, the scripts and styles it names, the code
 * of what is drawn with all that imports, the style of the ground, and the fonts. The worker comes once the first view
 * stands, which the server answers for; with it is what a browser has that answers by itself. Beside it the same packed
 * by gzip, as servers do without asking. Build first.
 */
import { readdir, readFile } from 'node:fs/promises';
import { gzipSync } from 'node:zlib';

const root = new URL('../web/dist/browser/', import.meta.url);
const AIM = 350_000;
const files = await readdir(root);
const texts = new Map(
  await Promise.all(
    files
      .filter((file) => file.endsWith('.js'))
      .map(async (file) => [file, await readFile(new URL(file, root), 'utf8')]),
  ),
);
const sum = (sizes) => sizes.reduce((total, each) => total + each, 0);
/** By Brotli, as the build wrote it and the server sends it; by gzip. */
const WAYS = [
  async (file) => (await readFile(new URL(`${file}.br`, root))).length,
  async (file) => gzipSync(await readFile(new URL(file, root))).length,
];
const weightsOf = (list) => Promise.all(WAYS.map(async (way) => sum(await Promise.all([...list].map(way)))));

/** A script with all that it imports before it can run. */
function withImports(...begun) {
  const seen = new Set();
  const follow = (file) => {
    if (seen.has(file) || !texts.has(file)) return;
    seen.add(file);
    for (const [, next] of texts.get(file).matchAll(/(?:from|import)\s*"\.\/([\w-]+\.js)"/g)) follow(next);
  };
  begun.forEach(follow);
  return seen;
}

const page = await readFile(new URL('index.html', root), 'utf8');
const scriptOf = (mark) =>
  [...texts.keys()].find((file) => !file.startsWith('main-') && texts.get(file).includes(mark));
const main = [...texts.keys()].find((file) => file.startsWith('main-'));
const station = scriptOf('wb-bench-station');
const [strip, bars] = [scriptOf('"wb-strip"'), scriptOf('"wb-bars"')];
const worker = [...texts.keys()].filter((file) => file.startsWith('worker-'));
if (!main || !station || !strip || !bars || worker.length !== 1)
  throw new Error('The build is not as it was: no main script, no Bench, no strip or bars, or not one worker.');
const begun = withImports(main);
const needed = withImports(main, station, strip, bars);
const styles = files.filter((file) => /^(styles-.*|zorro-light)\.css$/.test(file));
// Packed already; the rest of the Latin letters is fetched where a name has them.
const fonts = (await readdir(new URL('media/', root))).filter((file) => /-own-.*\.woff2$/.test(file));
const fontBytes = sum(
  await Promise.all(fonts.map(async (file) => (await readFile(new URL(`media/${file}`, root))).length)),
);
const pageBytes = gzipSync(page).length;

const parts = [
  ['page', [pageBytes, pageBytes]],
  [`${begun.size} scripts before anything shows`, await weightsOf(begun)],
  [
    `${needed.size - begun.size} more for strip and Bench`,
    await weightsOf([...needed].filter((file) => !begun.has(file))),
  ],
  [`${styles.length} styles`, await weightsOf(styles)],
  [`${fonts.length} fonts`, [fontBytes, fontBytes]],
];
const kB = (bytes) => `${(bytes / 1000).toFixed(0).padStart(4)} kB`;
const line = (name, sizes) => console.log(`  ${name.padEnd(36)} ${sizes.map(kB).join('  ')}`);
console.log('First load of the Bench, by Brotli as sent, and by gzip');
for (const [name, sizes] of parts) line(name, sizes);
const together = WAYS.map((_, at) => sum(parts.map(([, sizes]) => sizes[at])));
line('together', together);
const later = await weightsOf(worker);
line('the worker, afterwards', later);
line(
  'with it',
  together.map((size, at) => size + later[at]),
);
console.log(
  `  ${(together[0] / AIM).toFixed(2)} times the aim of ${AIM / 1000} kB; with the worker ${((together[0] + later[0]) / AIM).toFixed(2)} times`,
);

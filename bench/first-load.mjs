/**
 * What the Bench needs on a first visit, gzipped: the page, the scripts and styles it names, the code of the station with
 * all that imports, the worker that answers its questions, the style of the ground, and the fonts. Build first.
 */
import { readdir, readFile } from 'node:fs/promises';
import { gzipSync } from 'node:zlib';

const root = new URL('../web/dist/browser/', import.meta.url);
const AIM = 350_000;
const files = await readdir(root);
const texts = new Map(await Promise.all(files.filter((file) => file.endsWith('.js')).map(async (file) => [file, await readFile(new URL(file, root), 'utf8')])));
const packed = async (file) => gzipSync(await readFile(new URL(file, root)), { level: 6 }).length;
const weightOf = async (list) => (await Promise.all([...list].map(packed))).reduce((sum, each) => sum + each, 0);

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
const main = [...texts.keys()].find((file) => file.startsWith('main-'));
const station = [...texts.keys()].find((file) => file !== main && texts.get(file).includes('wb-bench-station'));
const worker = [...texts.keys()].filter((file) => file.startsWith('worker-'));
if (!main || !station || worker.length !== 1) throw new Error('The build is not as it was: no main script, no Bench, or not one worker.');
const begun = withImports(main);
const needed = withImports(main, station);
const styles = files.filter((file) => /^(styles-.*|zorro-light)\.css$/.test(file));
const fonts = (await readdir(new URL('media/', root))).filter((file) => file.endsWith('.woff2'));
// Fonts are packed already.
const fontBytes = (await Promise.all(fonts.map(async (file) => (await readFile(new URL(`media/${file}`, root))).length))).reduce((sum, each) => sum + each, 0);

const parts = [
  ['page', gzipSync(page).length],
  [`${begun.size} scripts before anything shows`, await weightOf(begun)],
  [`${needed.size - begun.size} more for the Bench`, (await weightOf(needed)) - (await weightOf(begun))],
  ['the worker', await weightOf(worker)],
  [`${styles.length} styles`, await weightOf(styles)],
  [`${fonts.length} fonts`, fontBytes],
];
const total = parts.reduce((sum, [, bytes]) => sum + bytes, 0);
console.log('First load of the Bench, gzipped');
for (const [name, bytes] of parts) console.log(`  ${name.padEnd(36)} ${(bytes / 1000).toFixed(0).padStart(4)} kB`);
console.log(`  ${'together'.padEnd(36)} ${(total / 1000).toFixed(0).padStart(4)} kB, ${(total / AIM).toFixed(2)} times the aim of ${AIM / 1000} kB`);

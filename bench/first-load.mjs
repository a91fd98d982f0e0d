/**
 * What the first visit transfers, gzipped: every script and style that index.html names, and what the Bench needs
 * besides. Build first. The aim for the initial bundle is under 350 kB.
 */
import { readdir, readFile } from 'node:fs/promises';
import { gzipSync } from 'node:zlib';

const root = new URL('../web/dist/browser/', import.meta.url);
const page = await readFile(new URL('index.html', root), 'utf8');
const weight = async (name) => gzipSync(await readFile(new URL(name, root)), { level: 6 }).length;
const initial = [...new Set([...page.matchAll(/(?:src|href)="([\w.-]+\.(?:js|css))"/g)].map((match) => match[1]))];
let total = gzipSync(page).length;
for (const name of initial) total += await weight(name);
let lazy = 0;
for (const name of await readdir(root)) if (/\.(js|css)$/.test(name) && !initial.includes(name)) lazy += await weight(name);
const AIM = 350_000;
console.log('First load, gzipped');
console.log(
  `  initial: page, ${initial.length} scripts and styles  ${(total / 1000).toFixed(0)} kB, ${((100 * total) / AIM).toFixed(0)} % of the aim of ${AIM / 1000} kB`,
);
console.log(`  stations, worker and dark theme, when wanted  ${(lazy / 1000).toFixed(0)} kB`);

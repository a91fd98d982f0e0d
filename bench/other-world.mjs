/**
 * Identification where errors are not those it reckons with: node bench/other-world.mjs [parts a kind] [seed]
 *
 * Slips of the pen, half marks, dates beside numbers, wrong sheets, journals machined between the usual steps, tired
 * eyes and strangers that look like sisters (core/src/testing/otherWorld.ts), each by itself and all together, over the
 * demo catalogue: five to ten lines of a sheet a part at random, then as many as five checks that the program advises.
 */
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const at = (path) => fileURLToPath(new URL(`../core/src/${path}`, import.meta.url));
const folder = await mkdtemp(join(tmpdir(), 'other-world-'));
await build({
  stdin: {
    contents: `export * from './testing/otherWorld'; export { random } from './quantity/random'; export { KIND_IDS } from './dictionary/dictionary';`,
    resolveDir: at('.'),
  },
  bundle: true,
  format: 'esm',
  platform: 'node',
  outfile: join(folder, 'world.mjs'),
  logLevel: 'error',
});
const { inOtherWorld, TROUBLES, random, KIND_IDS } = await import(pathToFileURL(join(folder, 'world.mjs')).href);
await rm(folder, { recursive: true });
const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
const parts = Number(process.argv[2] ?? 200);
const seed = Number(process.argv[3] ?? 7000);
const kinds = KIND_IDS.filter((kind) => demo.patterns.filter((pattern) => pattern.kind === kind).length >= 5);
const percent = (part, of) => (of === 0 ? '    -' : `${((100 * part) / of).toFixed(1).padStart(5)} %`);

console.log(`${kinds.length} kinds, ${parts} parts each`);
console.log(
  'trouble                  settled, wrong   known: settled  disowned   strangers called   of 90 to 100 % said: right',
);
const tell = (name, sum) =>
  console.log(
    `${name.padEnd(24)} ${percent(sum.settledWrong, sum.settled)}          ${percent(sum.knownSettled, sum.known)}        ${percent(sum.disowned, sum.known)}    ${percent(sum.strangersCalled, sum.strangers)}            ${percent(sum.surelyRight, sum.surely)} of ${percent(sum.surelySaid, sum.surely)}`,
  );
const every = {};
for (const [name, trouble] of Object.entries(TROUBLES)) {
  const sum = {};
  kinds.forEach((kind, place) => {
    const tally = inOtherWorld(kind, demo, trouble, parts, random(seed + place));
    for (const [key, value] of Object.entries(tally)) {
      sum[key] = (sum[key] ?? 0) + value;
      every[key] = (every[key] ?? 0) + value;
    }
  });
  tell(name, sum);
}
tell('over all of these', every);
console.log('(wanted: settled and wrong under 1 % together and 2 % each, disowned under 2 %, strangers 85 % or more,');
console.log(' settled 75 % or more without trouble, right within three points of what is said)');

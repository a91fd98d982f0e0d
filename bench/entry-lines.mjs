/**
 * How much of what a workshop types is read, and how much is taken for something else: node bench/entry-lines.mjs [say]
 *
 * The lines of core/src/testing/typedLines.csv with what a machinist means by each. The line is worked on by the first
 * half, every second line; the second half was set aside unseen. A line counts as read where all that it says is
 * understood and nothing else, as misread where anything is understood that it does not say. With `say` the lines of
 * the first half that are not read are told.
 */
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const at = (path) => fileURLToPath(new URL(`../core/src/${path}`, import.meta.url));
const folder = await mkdtemp(join(tmpdir(), 'entry-lines-'));
await build({
  stdin: {
    contents: `export { readEntry } from './readings/entryLine'; export * from './testing/typedLines';`,
    resolveDir: at('.'),
  },
  bundle: true,
  format: 'esm',
  platform: 'node',
  outfile: join(folder, 'lines.mjs'),
  logLevel: 'error',
});
const { readEntry, shortForm, wanted } = await import(pathToFileURL(join(folder, 'lines.mjs')).href);
await rm(folder, { recursive: true });
const lines = (await readFile(at('testing/typedLines.csv'), 'utf8')).trim().split('\n');

function outcome(line) {
  const [kind, text, meant] = line.split('|');
  const { kind: named = kind, words } = readEntry(text, kind);
  const unread = words.filter(({ sort }) => sort === 'unread').map((word) => word.text);
  const got = words.filter(({ sort }) => sort !== 'unread').map(shortForm);
  const { readings, open } = wanted(meant);
  const wrong = got.filter((each) => !readings.includes(each));
  const missing = readings.filter((each) => !got.includes(each));
  const misread = wrong.length > 0 || named !== kind;
  return {
    kind,
    text,
    named,
    got,
    readings,
    unread,
    misread,
    read: !misread && missing.length === 0 && (open || unread.length === 0),
  };
}

for (const [half, name] of ['worked on', 'set aside'].entries()) {
  const outcomes = lines.filter((_, place) => place % 2 === half).map(outcome);
  const share = (count) => `${((100 * count) / outcomes.length).toFixed(1)} %`;
  console.log(
    `${outcomes.length} lines ${name}: ${share(outcomes.filter(({ read }) => read).length)} read (wanted: 90 or more), ` +
      `${share(outcomes.filter(({ misread }) => misread).length)} misread (wanted: under 1)`,
  );
  if ((half === 0 && process.argv[2] === 'say') || (half === 1 && process.argv[2] === 'all'))
    for (const { kind, named, text, got, readings, unread, misread } of outcomes.filter(({ read }) => !read))
      console.log(
        `${misread ? 'MIS' : '   '} ${kind}${named === kind ? '' : `→${named}`} | ${text} | meant ${readings.join('; ')} | got ${got.join('; ')}${unread.length > 0 ? ` | unread ${unread.join(' / ')}` : ''}`,
      );
}

/**
 * Changes figures on purpose and looks whether the specs notice: node bench/mutants.mjs [--beside] [files…]
 *
 * Every number in the figures of thumb (or in the files of core/src named) is changed by a tenth, one at a time, and
 * the specs of the core run in Node: those beside the file first, then, for what they let pass, all others, unless it is told `--beside`. Prints what
 * survived, where it stands, and its share. A number that no spec notices is a rule that nobody holds the program to.
 */
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import ts from 'typescript';

const core = fileURLToPath(new URL('../core/src/', import.meta.url));
const all = (await readdir(core, { recursive: true })).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.d.ts'),
);
const specs = all.filter((file) => file.endsWith('.spec.ts'));
const USUAL = all.filter(
  (file) => file.startsWith('thumb/') && !file.endsWith('.spec.ts') && !/(figure|readFigure|index)\.ts$/.test(file),
);
const besideOnly = process.argv.includes('--beside');
const named = process.argv.slice(2).filter((each) => each !== '--beside');
const files = named.length > 0 ? named : USUAL;
const BY = 1.1;

/** Numbers of a source that stand for something: not the places of lists, and not those of types. */
function numbersIn(file, text) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const visit = (node) => {
    if (ts.isTypeNode(node)) return;
    if (
      ts.isNumericLiteral(node) &&
      !(ts.isElementAccessExpression(node.parent) && node.parent.argumentExpression === node)
    ) {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push({
        file,
        from: node.getStart(),
        to: node.getEnd(),
        text: node.text,
        line: line + 1,
        says: text.split('\n')[line].trim().slice(0, 100),
      });
    }
    node.forEachChild(visit);
  };
  visit(source);
  return found;
}

/** The specs as one file for Node, with one number changed. */
async function bundle(entries, mutant, outfile) {
  const changed = mutant && join(core, mutant.file);
  await build({
    stdin: { contents: entries.map((file) => `import './${file}';`).join('\n'), resolveDir: core },
    bundle: true,
    format: 'esm',
    platform: 'node',
    outfile,
    loader: { '.csv': 'text', '.md': 'text' },
    // As core/karma.conf.cjs has it for the daily run.
    define: { LAWS: JSON.stringify({ seed: 1, share: 0.1 }) },
    logLevel: 'error',
    // Specs are there for their effect, whatever the package says of its modules.
    ignoreAnnotations: true,
    // jasmine and fast-check are found from here, wherever the bundle lies.
    external: ['node:*'],
    plugins: [
      {
        name: 'mutant',
        setup({ onLoad }) {
          onLoad({ filter: /\.ts$/ }, async ({ path }) => {
            if (path !== changed) return undefined;
            const text = await readFile(path, 'utf8');
            const number = Number(mutant.text) === 0 ? '0.1' : String(Number(mutant.text) * BY);
            return { contents: text.slice(0, mutant.from) + number + text.slice(mutant.to), loader: 'ts' };
          });
        },
      },
    ],
  });
}

/** Whether the specs of a bundle all pass, in a process of their own. */
async function passes(file) {
  const child = fork(new URL('./mutantSpecs.mjs', import.meta.url), [file], {
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    execArgv: ['--max-old-space-size=2000'],
  });
  const [said] = await Promise.race([once(child, 'message'), once(child, 'exit').then(() => ['failed'])]);
  if (child.exitCode === null) {
    child.kill('SIGKILL');
    await once(child, 'exit');
  }
  return said === 'passed';
}

const folder = await mkdtemp(join(tmpdir(), 'mutants-'));
const mutants = (
  await Promise.all(files.map(async (file) => numbersIn(file, await readFile(join(core, file), 'utf8'))))
).flat();
const beside = (file) => specs.filter((spec) => dirname(spec) === dirname(file));
const others = (file) =>
  specs.filter(
    (spec) =>
      !besideOnly && /^(joints|interchange|stack|shop|audit|workshop)\//.test(spec) && dirname(spec) !== dirname(file),
  );
const survivors = [];
let next = 0;
let done = 0;
async function work(worker) {
  const outfile = join(folder, `${worker}.mjs`);
  for (let at = next++; at < mutants.length; at = next++) {
    const mutant = mutants[at];
    let survives = true;
    for (const entries of [beside(mutant.file), others(mutant.file)]) {
      if (entries.length === 0) continue;
      await bundle(entries, mutant, outfile);
      survives = await passes(outfile);
      if (!survives) break;
    }
    if (survives) survivors.push(mutant);
    if (++done % 25 === 0) console.error(`${done} of ${mutants.length}, ${survivors.length} survived`);
  }
}

// Unchanged, all of them pass: else a failure would say nothing.
await bundle(
  [...new Set(files.flatMap((file) => [...beside(file), ...others(file)]))],
  undefined,
  join(folder, 'whole.mjs'),
);
if (!(await passes(join(folder, 'whole.mjs'))))
  throw new Error('The specs do not pass as they are; run npm run specs -w core.');
await Promise.all(Array.from({ length: availableParallelism() }, (_, worker) => work(worker)));
await rm(folder, { recursive: true, force: true });
for (const { file, line, text, says } of survivors.sort((a, b) => (a.file + a.line < b.file + b.line ? -1 : 1)))
  console.log(`survived: ${relative('.', file)}:${line}  ${text}  ${says}`);
console.log(
  `${mutants.length} numbers changed by a tenth, ${survivors.length} survived (${((100 * survivors.length) / mutants.length).toFixed(1)} %)`,
);

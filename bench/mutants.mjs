/**
 * Changes figures on purpose and looks whether the specs notice:
 * node bench/mutants.mjs [--beside] [--all] [--server] [files…]
 *
 * Every number in the figures of thumb (or in the files of core/src named) is changed by a tenth, one at a time, and
 * the specs of the core run in Node: those beside the file first, then, for what they let pass, all others, unless it
 * is told `--beside`. Prints what survived, where it stands, and its share. A number that no spec notices is a rule
 * that nobody holds the program to. With `--all` not only numbers: comparisons are turned, conditions denied, texts
 * emptied, statements left out. With `--server` the files are those of the server whose specs beside them need no
 * database (`transfer/`).
 */
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import ts from 'typescript';

const OPTIONS = ['--beside', '--all', '--server'];
const [besideToldOnly, everything, ofServer] = OPTIONS.map((each) => process.argv.includes(each));
const core = fileURLToPath(new URL(ofServer ? '../server/src/' : '../core/src/', import.meta.url));
const all = (await readdir(core, { recursive: true })).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.d.ts'),
);
const specs = all.filter((file) => file.endsWith('.spec.ts'));
const USUAL = all.filter(
  (file) => file.startsWith('thumb/') && !file.endsWith('.spec.ts') && !/(figure|readFigure|index)\.ts$/.test(file),
);
const besideOnly = besideToldOnly || ofServer;
const named = process.argv.slice(2).filter((each) => !OPTIONS.includes(each));
const files = named.length > 0 ? named : USUAL;
const BY = 1.1;

const TURNED = {
  '<': '>=',
  '<=': '>',
  '>': '<=',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
};

/** What is put in the place of a part of a source; nothing where it is left as it is. */
function changedTo(node) {
  if (ts.isNumericLiteral(node)) {
    if (ts.isElementAccessExpression(node.parent) && node.parent.argumentExpression === node) return undefined;
    return Number(node.text) === 0 ? '0.1' : String(Number(node.text) * BY);
  }
  if (!everything) return undefined;
  if (ts.isBinaryExpression(node) && node.operatorToken.getText() in TURNED)
    return `${node.left.getText()} ${TURNED[node.operatorToken.getText()]} (${node.right.getText()})`;
  if (
    ts.isStringLiteral(node) &&
    !ts.isImportDeclaration(node.parent) &&
    !ts.isExportDeclaration(node.parent) &&
    node.text !== ''
  )
    return ts.isPropertyAssignment(node.parent) && node.parent.name === node ? undefined : "''";
  if (node.kind === ts.SyntaxKind.TrueKeyword) return 'false';
  if (node.kind === ts.SyntaxKind.FalseKeyword) return 'true';
  if (ts.isIfStatement(node))
    return `if (!(${node.expression.getText()})) ${node.getText().slice(node.thenStatement.getStart() - node.getStart())}`;
  if (ts.isExpressionStatement(node)) return ';';
  return undefined;
}

/** Places of a source that stand for something and can be changed: not the places of lists, and not those of types. */
function changesIn(file, text) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const visit = (node) => {
    if (ts.isTypeNode(node)) return;
    const to = changedTo(node);
    if (to !== undefined) {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push({
        file,
        from: node.getStart(),
        to: node.getEnd(),
        put: to,
        text: `${node.getText().slice(0, 40).replace(/\s+/g, ' ')} → ${to.slice(0, 40).replace(/\s+/g, ' ')}`,
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
    ...(ofServer ? { packages: 'external' } : {}),
    plugins: [
      {
        name: 'mutant',
        setup({ onLoad }) {
          onLoad({ filter: /\.ts$/ }, async ({ path }) => {
            if (path !== changed) return undefined;
            const text = await readFile(path, 'utf8');
            return { contents: text.slice(0, mutant.from) + mutant.put + text.slice(mutant.to), loader: 'ts' };
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

// Packages are found from where a bundle lies.
const folder = await mkdtemp(join(ofServer ? join(core, '../dist') : tmpdir(), 'mutants-'));
const mutants = (
  await Promise.all(files.map(async (file) => changesIn(file, await readFile(join(core, file), 'utf8'))))
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
  `${mutants.length} changes, ${survivors.length} survived (${((100 * survivors.length) / mutants.length).toFixed(1)} %)`,
);

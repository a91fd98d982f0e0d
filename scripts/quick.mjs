/**
 * ./test quick: what changed against main, looked at in about a minute and a half. Format, lint and types of what was
 * changed, and the specs that reach it through their imports, the nearest first; it says how many it left to ./test.
 * On main itself what is not committed counts, or else the last commit. The server and the page see the core as it is
 * built, so that no spec of theirs is reached by a change of the core.
 */
import { execFileSync, spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import process from 'node:process';

/** How many spec files there is time for, the nearest first; a server or a page takes longer to begin than the core. */
const MOST = { core: 40, server: 5, web: 10 };
const WORKSPACES = Object.keys(MOST);
const BIN = 'node_modules/.bin/';

const lines = (text) => text.split('\n').filter((line) => line !== '');
const git = (...args) => lines(execFileSync('git', args, { encoding: 'utf8' }));

function changedFiles() {
  const [base] = git('merge-base', 'HEAD', 'main');
  const since = (from) => [...git('diff', '--name-only', from), ...git('ls-files', '--others', '--exclude-standard')];
  const changed = since(base);
  return [...new Set(changed.length > 0 ? changed : since('HEAD~1'))].filter((file) => existsSync(file));
}

/** Who imports a module, by module. */
function importers() {
  const told = execFileSync(
    `${BIN}depcruise`,
    ['--config', '.dependency-cruiser.cjs', '-T', 'json', ...WORKSPACES.map((each) => `${each}/src`)],
    { encoding: 'utf8', maxBuffer: 2 ** 28 },
  );
  const found = new Map();
  for (const { source, dependencies } of JSON.parse(told).modules)
    for (const { resolved } of dependencies) found.set(resolved, [...(found.get(resolved) ?? []), source]);
  return found;
}

/** Spec files that reach what was changed, the fewest imports away first. */
function specsOf(changed) {
  const by = importers();
  const specs = [];
  const seen = new Set(changed);
  for (const file of seen) {
    if (file.endsWith('.spec.ts')) specs.push(file);
    for (const each of by.get(file) ?? []) seen.add(each);
  }
  return specs;
}

/** Runs a command to its end; what it says is told where it fails. */
const run = (name, command, args, env = {}) =>
  new Promise((resolve) => {
    const began = Date.now();
    let said = '';
    const child = spawn(command, args, { env: { ...process.env, ...env } });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data));
    child.on('close', (code) => {
      console.log(`${code === 0 ? 'passed' : 'FAILED'}: ${name} (${Math.round((Date.now() - began) / 1000)} s)`);
      if (code !== 0) console.log(said.split('\n').slice(-60).join('\n'));
      resolve(code === 0);
    });
  });
const npm = (name, ...args) => run(name, 'npm', ['run', '--silent', ...args]);

/** Runs one after another; the first that fails ends the row. */
async function inTurn(...steps) {
  for (const step of steps) if (!(await step())) return false;
  return true;
}

const changed = changedFiles();
if (changed.length === 0) {
  console.log('Nothing was changed.');
  process.exit(0);
}
const touched = (workspace) => changed.some((file) => file.startsWith(`${workspace}/`));
const specs = changed.some((file) => file.endsWith('.ts')) ? specsOf(changed) : [];
const chosen = Object.fromEntries(
  WORKSPACES.map((each) => [each, specs.filter((file) => file.startsWith(`${each}/`)).slice(0, MOST[each])]),
);
const count = Object.values(chosen).reduce((sum, { length }) => sum + length, 0);
console.log(`${changed.length} files changed; ${count} of the ${specs.length} spec files that reach them are run.`);

const code = changed.filter((file) => /\.(ts|mjs|cjs)$/.test(file));
const within = (workspace, from, to) =>
  chosen[workspace].map((file) => file.replace(`${workspace}/src/`, from).replace(/\.ts$/, to));
const isBuilt = existsSync('core/dist/index.js');
const needsCore =
  (touched('core') || !isBuilt) &&
  (touched('server') || touched('web') || chosen.server.length + chosen.web.length > 0);

const style = () =>
  Promise.all([
    run('Format', `${BIN}prettier`, ['--check', '--ignore-unknown', '--log-level', 'warn', ...changed]),
    ...(code.length === 0
      ? []
      : [
          run('Lint', `${BIN}oxlint`, code),
          run('Lint of what oxlint does not know', `${BIN}eslint`, [
            '--max-warnings',
            '0',
            '--no-warn-ignored',
            ...code,
          ]),
        ]),
  ]).then((all) => all.every(Boolean));
const core = () =>
  inTurn(
    () => npm('Types of the core', 'types', '-w', 'core'),
    ...(chosen.core.length === 0
      ? []
      : [
          () =>
            npm(
              `${chosen.core.length} spec files of the core`,
              'specs',
              '-w',
              'core',
              '--',
              `--include=${within('core', '', '.ts').join(',')}`,
            ),
        ]),
  );
const others = () =>
  inTurn(
    ...(needsCore ? [() => npm('Build of the core', 'build', '-w', 'core')] : []),
    ...(touched('server') ? [() => npm('Build of the server', 'build', '-w', 'server')] : []),
    ...(chosen.server.length === 0
      ? []
      : [
          () =>
            run(
              `${chosen.server.length} spec files of the server`,
              'scripts/serverSpecs.sh',
              within('server', 'server/dist/', '.js'),
            ),
        ]),
    ...(chosen.web.length === 0
      ? []
      : [
          () =>
            run(`${chosen.web.length} spec files of the pages`, `${BIN}ng`, [
              'test',
              'web',
              '--progress=false',
              ...chosen.web.map((file) => `--include=${file}`),
            ]),
        ]),
  );
const rows = [style(), ...(touched('core') ? [core()] : []), others()];
process.exit((await Promise.all(rows)).every(Boolean) ? 0 : 1);

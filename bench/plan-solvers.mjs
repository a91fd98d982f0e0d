/**
 * The planner against other solvers, to proof: node bench/plan-solvers.mjs [seconds] [only] [patterns...]
 *
 * Over the demo, and over made-up catalogues of so many patterns; with `only` over these alone.
 *
 * MiniZinc with Gecode, and CBC, both as Debian packages them (apt-get install minizinc coinor-cbc), get the same plans
 * from the project's own export: tables for checks, element constraints for classes, linear sums for targets and cost;
 * CBC the tightest linear form of the tables. The planner's time has everything in it, from the catalogue on: options,
 * judging of parts, search and proof; its search over the same tables stands beside it. The others are handed the
 * judged tables, and only their own time counts, reading included; what is short is timed five times, the planner's
 * search after it was compiled, and the median counts. Of MiniZinc the better of two searches counts:
 * cheapest first in the tightest place, and the solver's own. Everything that goes in anew is among the places, and
 * nothing is machined: then tables and sums say all there is, and all must come to the same optimum.
 */
import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import {
  CatalogueLookup,
  linearProgramOf,
  miniZincOf,
  OPERATION_IDS,
  planFor,
  problemOf,
  solveTables,
  swapContextOf,
  tableModelOf,
} from '@which-bore/core';
import { madeUpCatalogue } from './makeCatalogue.mjs';

const run = promisify(execFile);
const [seconds = '60', ...said] = process.argv.slice(2);
const sizes = said.filter((each) => each !== 'only');
const MOST_S = Number(seconds);

const groundOf = (catalogue, shelf = []) => {
  const lookup = new CatalogueLookup(catalogue);
  return {
    catalogue: lookup,
    context: swapContextOf(lookup),
    specimens: shelf,
    // What was confirmed on a part is what it is taken for.
    takenFor: ({ confirmed }) => confirmed?.pattern,
    ofKind: (kind) => lookup.partsOfKind(kind),
    shelf,
  };
};
const read = async (name) => JSON.parse(await readFile(new URL(`../demo-data/${name}.json`, import.meta.url), 'utf8'));
const demo = await read('catalogue');
const { specimens } = await read('specimens');
const lying = specimens.filter(({ job, confirmed, shelf }) => !job && confirmed && !shelf?.gone);

const any = (...slots) => slots.map((slot) => ({ slot, from: 'any' }));
const BOTTOM = ['crank', 'mainShell', 'rod', 'rodShell', 'pin', 'piston', 'rings'];
const WHOLE = [...BOTTOM, 'headGasket', 'head'];
const LONGER = { figure: 'displacement', low: 5700, high: 5950 };
const SQUISH = { figure: 'squish', low: 0.9, high: 1.2 };
const asBuilt = groundOf(demo);
const withShelf = groundOf(demo, lying);

const OF_DEMO = [
  ['pistons and rings', asBuilt, 'sluice-336', { places: any('piston', 'rings') }],
  ['rods to rings', asBuilt, 'lumen-4-77', { places: any('rod', 'rodShell', 'pin', 'piston', 'rings') }],
  ['bottom end, loose', asBuilt, 'ambit-1360', { places: any(...BOTTOM) }],
  ['bottom end, with the shelf', withShelf, 'ambit-1360', { places: any(...BOTTOM) }],
  ['bottom end, tight', asBuilt, 'sluice-336', { places: any(...BOTTOM), targets: [LONGER] }],
  ['top and bottom, loose', asBuilt, 'sluice-336', { places: any(...WHOLE) }],
  ['top and bottom, tight', asBuilt, 'sluice-336', { places: any(...WHOLE), targets: [LONGER, SQUISH] }],
  ['top and bottom, with the shelf', withShelf, 'sluice-336', { places: any(...WHOLE), targets: [LONGER, SQUISH] }],
  // Of its rods some have companions, which are no table.
  ['with liners', asBuilt, 'skerry-47', { places: any('crank', 'mainShell', 'pin', 'piston', 'rings', 'liner') }],
  ['out of reach', asBuilt, 'sluice-336', { places: any(...WHOLE), targets: [{ figure: 'displacement', low: 9000 }] }],
  [
    'out of reach, by a squish',
    asBuilt,
    'lumen-4-77',
    { places: any(...BOTTOM, 'headGasket'), targets: [{ figure: 'squish', low: 7, high: 7.1 }] },
  ],
];
const INSTANCES = [
  ...(said.includes('only') ? [] : OF_DEMO),
  ...sizes.flatMap((patterns) => {
    const ground = groundOf(madeUpCatalogue(Number(patterns)));
    return [
      [`${patterns} patterns, pistons and rings`, ground, 'sluice-336-x1', { places: any('piston', 'rings') }],
      [`${patterns} patterns, bottom end`, ground, 'sluice-336-x1', { places: any(...BOTTOM) }],
    ];
  }),
];

/** The optimum in cents, `none` where there is none, undefined where it is not proved in time; and how long it took. */
async function miniZinc(model, ...options) {
  const from = performance.now();
  const { stdout } = await run(
    'minizinc',
    ['--solver', 'gecode', '--time-limit', String(MOST_S * 1000), ...options, model],
    { maxBuffer: 1e8 },
  ).catch((error) => ({ stdout: String(error.stdout ?? '') }));
  const ms = performance.now() - from;
  const totals = [...stdout.matchAll(/^total (\d+)$/gm)].map(([, total]) => Number(total));
  if (stdout.includes('UNSATISFIABLE')) return { ms, found: 'none' };
  return { ms, found: stdout.includes('==========') ? totals.at(-1) : undefined };
}
async function cbc(program) {
  const from = performance.now();
  const { stdout } = await run('cbc', [program, 'ratio', '0', 'sec', String(MOST_S), 'solve', 'quit'], {
    maxBuffer: 1e8,
  }).catch((error) => ({ stdout: String(error.stdout ?? '') }));
  const ms = performance.now() - from;
  if (/infeasible/i.test(stdout)) return { ms, found: 'none' };
  const [, value] = /Objective value:\s+([\d.]+)/.exec(stdout) ?? [];
  return { ms, found: /Optimal solution found/.test(stdout) ? Math.round(Number(value) * 100) : undefined };
}

const timed = (solve) => {
  const from = performance.now();
  const found = solve();
  return { ms: performance.now() - from, found };
};
/** The planner is compiled as it runs, the others come compiled: it runs so long before it is timed, as in a server. */
const WARM_MS = 1000;
/** What takes long is timed once, the rest five times: the median, with what was found. */
async function usual(solve, warm = 0) {
  const begun = performance.now();
  let last = await solve();
  while (performance.now() - begun < warm) last = await solve();
  const turns = [last];
  while (last.ms <= 2000 && turns.length < 5) turns.push(await solve());
  turns.sort((a, b) => a.ms - b.ms);
  return turns[Math.floor(turns.length / 2)];
}

const say = (ms) => (ms < 1000 ? `${ms.toFixed(0)} ms` : `${(ms / 1000).toPrecision(3)} s`);
const missing = [];
for (const name of ['minizinc', 'cbc']) await run('which', [name]).catch(() => missing.push(name));
if (missing.length > 0)
  console.log(`Not installed, and left out: ${missing.join(', ')} (apt-get install minizinc coinor-cbc).`);

const folder = await mkdtemp(join(tmpdir(), 'which-bore-plan-'));
let [tenTimes, whole] = [0, 0];
let count = 0;
try {
  for (const [name, ground, variant, asked] of INSTANCES) {
    const demands = { ...asked, forbid: [...OPERATION_IDS], answers: 1, effort: 2_000_000 };
    const build = { id: 'bench', name: variant, variant, places: [], sizes: [] };
    const from = performance.now();
    const problem = problemOf(build, demands, ground);
    let toFirst;
    const found = planFor(problem, {}, (progress) => {
      if (progress().best.length > 0) toFirst ??= performance.now() - from;
    });
    const own = performance.now() - from;
    const choices = problem.choices.reduce((so, { options }) => so * options.length, 1);
    const best = found.best[0] ? Math.round(found.best[0].leaf.score * 100) : 'none';
    console.log(
      `${name}: ${choices.toExponential(1)} choices; the planner ${say(own)} to proof (${found.proved})` +
        `${toFirst === undefined ? '' : `, first after ${say(toFirst)}`}, ${found.nodes} nodes`,
    );
    let model;
    try {
      model = tableModelOf(problem);
    } catch (error) {
      console.log(`  no other solver: ${error.message}`);
      continue;
    }
    const { ms: bare, found: tables } = await usual(() => timed(() => solveTables(model)), WARM_MS);
    const score = tables.best[0] ? Math.round(tables.best[0].leaf.score * 100) : 'none';
    console.log(
      `  the planner's search over the same tables: ${say(bare)}${score === best ? '' : `, ANOTHER OPTIMUM, ${score} against ${best}`}`,
    );
    const [zinc, program] = [join(folder, 'plan.mzn'), join(folder, 'plan.lp')];
    await writeFile(zinc, miniZincOf(model));
    await writeFile(program, linearProgramOf(model));
    const others = [];
    if (!missing.includes('minizinc')) {
      const [searched, free] = [await usual(() => miniZinc(zinc)), await usual(() => miniZinc(zinc, '-f'))];
      const better = [searched, free].sort(
        (a, b) => Number(a.found === undefined) - Number(b.found === undefined) || a.ms - b.ms,
      )[0];
      others.push(['MiniZinc with Gecode', better]);
    }
    if (!missing.includes('cbc')) others.push(['CBC', await usual(() => cbc(program))]);
    let least = Infinity;
    for (const [who, { ms, found: other }] of others) {
      least = Math.min(least, ms);
      const same =
        other === undefined
          ? `no proof in ${MOST_S} s`
          : other === best
            ? 'the same optimum'
            : `ANOTHER OPTIMUM, ${other} against ${best}`;
      console.log(
        `  ${who}: ${say(ms)}, ${(ms / bare).toPrecision(3)} times that and ${(ms / own).toPrecision(3)} times the whole; ${same}`,
      );
    }
    if (others.length === 0) continue;
    count++;
    if (least >= 10 * bare) tenTimes++;
    if (least >= 10 * own) whole++;
  }
} finally {
  await rm(folder, { recursive: true });
}
if (count > 0)
  console.log(
    `ten times faster to proof than the better of them over the same tables in ${tenTimes} of ${count}, with everything from the catalogue on in ${whole}`,
  );
console.log(`memory: ${(process.memoryUsage().rss / 2 ** 20).toFixed(0)} MiB`);

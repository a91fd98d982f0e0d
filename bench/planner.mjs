/**
 * The planner against going through every set: node bench/planner.mjs
 *
 * The plain way is what one would write first: a loop over all choices, each set put together and judged by all joints
 * until one refuses, then its figures and its price; the best few are kept. Where there are too many choices for that,
 * its time is reckoned from a thousand drawn among them.
 */
import { readFile } from 'node:fs/promises';
import { CatalogueLookup, planFor, problemOf, random, setOf, swapContextOf } from '@which-bore/core';

const catalogue = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
const lookup = new CatalogueLookup(catalogue);
const ground = {
  catalogue: lookup,
  context: swapContextOf(lookup),
  specimens: [],
  takenFor: () => undefined,
  ofKind: (kind) => lookup.partsOfKind(kind),
  shelf: [],
};
const build = (variant) => ({ id: 'bench', name: variant, variant, places: [], sizes: [] });
const any = (...slots) => slots.map((slot) => ({ slot, from: 'any' }));
const RATIO = { figure: 'ratio', low: 9, high: 9.6 };
const SQUISH = { figure: 'squish', low: 0.9, high: 1.2 };
const LONGER = { figure: 'displacement', low: 5700, high: 5950 };

const INSTANCES = [
  ['pistons, loose', 'sluice-336', { places: any('piston') }],
  ['crank and pistons', 'sluice-336', { places: any('crank', 'piston'), targets: [LONGER] }],
  ['crank, rods and pistons', 'sluice-336', { places: any('crank', 'rod', 'piston'), targets: [LONGER] }],
  ['the same, no money', 'sluice-336', { places: any('crank', 'rod', 'piston'), limits: { price: 200 } }],
  ['crank to pistons, tight', 'lumen-4-77', { places: any('crank', 'rod', 'pin', 'piston'), targets: [RATIO] }],
  ['diesel, crank to pistons', 'skerry-47', { places: any('crank', 'rod', 'pin', 'piston', 'liner') }],
  [
    'whole top and bottom',
    'sluice-336',
    { places: any('crank', 'rod', 'pin', 'piston', 'head', 'headGasket'), targets: [RATIO, SQUISH] },
  ],
  [
    'out of reach',
    'sluice-336',
    { places: any('crank', 'rod', 'pin', 'piston'), targets: [{ figure: 'displacement', low: 9000 }] },
  ],
];

/** More choices than this are not gone through one by one. */
const GONE_THROUGH = 5000;
const DRAWN = 300;

const timed = (work) => {
  const from = performance.now();
  const result = work();
  return [result, performance.now() - from];
};
const selectionOf = (problem, which) => {
  const selection = [];
  for (const { options } of [...problem.choices].reverse()) {
    selection.unshift(options[which % options.length]);
    which = Math.floor(which / options.length);
  }
  return selection;
};

for (const [name, variant, demands] of INSTANCES) {
  const problem = problemOf(build(variant), { ...demands, answers: 4 }, ground);
  const choices = problem.choices.reduce((so, { options }) => so * options.length, 1);
  const [, toFirst] = timed(() => planFor(problemOf(build(variant), demands, ground), { answers: 1, first: true }));
  const [found, toProof] = timed(() => planFor(problem));
  const whole = choices <= GONE_THROUGH;
  const next = random(7);
  const at = whole
    ? Array.from({ length: choices }, (_, which) => which)
    : Array.from({ length: DRAWN }, () => Math.floor(next() * choices));
  const [plain, took] = timed(() => at.map((which) => setOf(problem, selectionOf(problem, which))));
  const all = whole ? took : (took / DRAWN) * choices;
  const best = Math.min(...plain.filter((set) => !('refused' in set)).map(({ score }) => score));
  const same = !whole || (found.best[0]?.leaf.score ?? Infinity) === best ? '' : ', NOT THE SAME ANSWER';
  console.log(
    `${name}: ${choices.toLocaleString('en')} choices, ${found.best.length} answers, proved ${found.proved}; ` +
      `first in ${toFirst.toFixed(0)} ms, proof in ${toProof.toFixed(0)} ms over ${found.nodes} nodes and ${found.leaves} whole sets; ` +
      `plainly ${whole ? '' : 'about '}${(all / 1000).toPrecision(3)} s, ${(all / toProof).toPrecision(3)} times${same}`,
  );
}
console.log(`memory: ${(process.memoryUsage().rss / 2 ** 20).toFixed(0)} MiB`);

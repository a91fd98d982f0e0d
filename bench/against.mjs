/**
 * Interchange against an earlier checkout, turn by turn in one run: node bench/against.mjs CHECKOUT [side] [patterns]
 *
 * CHECKOUT is the root of another checkout with its core built (npm run build -w core). Both judge the same made-up
 * parts, one after the other and several times over, so that a machine that slows down slows both; the middle of the
 * ratios is told. What the earlier one did not yet look at it does not pay for, so this tells what a change has cost,
 * and not which of two ways is the faster.
 */
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { median, sum } from 'simple-statistics';
import { madeUpCatalogue } from './makeCatalogue.mjs';
import { madeUpParts } from './parts.mjs';

const TURNS = 5;
const [checkout, side = '400', patterns = '50000'] = process.argv.slice(2);
if (!checkout) throw new Error('Say which checkout to measure against: node bench/against.mjs CHECKOUT');

const coreOf = (root) => import(pathToFileURL(resolve(root, 'core/dist/index.js')).href);
const [now, before] = await Promise.all([coreOf('.'), coreOf(checkout)]);
const made = madeUpCatalogue(Math.ceil((Number(side) / 23) * 343));
const pools = await Promise.all([madeUpParts('block', Number(patterns)), madeUpParts('crank', 20, 3)]);

const seconds = (work) => {
  const from = performance.now();
  work();
  return (performance.now() - from) / 1000;
};

/** Both in turn, each time with everything laid out anew. */
function compare(name, work) {
  const turns = Array.from({ length: TURNS }, () => {
    const [mine, theirs] = [seconds(() => work(now)), seconds(() => work(before))];
    return { mine, theirs, ratio: mine / theirs };
  });
  tell(name, turns);
  return turns;
}

function tell(name, turns) {
  const middle = (of) => median(turns.map(of)).toFixed(2);
  console.log(
    `${name}: ${middle(({ mine }) => mine)} s, before ${middle(({ theirs }) => theirs)} s, ${middle(({ ratio }) => ratio)} times`,
  );
}

/** The same turns of several, one after the other. */
const together = (all) =>
  Array.from({ length: TURNS }, (_, turn) => {
    const of = (whose) => sum(all.map((turns) => turns[turn][whose]));
    return { mine: of('mine'), theirs: of('theirs'), ratio: of('mine') / of('theirs') };
  });

function contextIn(core) {
  const catalogue = new core.CatalogueLookup(made);
  return { catalogue, context: core.swapContextOf(catalogue) };
}

const grids = [
  ['crank', 'block'],
  ['piston', 'block'],
  ['piston', 'rod'],
].map(([donor, recipient]) =>
  compare(`grid, ${side} of ${donor} into ${recipient}`, (core) => {
    const { catalogue, context } = contextIn(core);
    const partsOf = (kind) =>
      catalogue
        .ofKind(kind)
        .slice(0, Number(side))
        .map((pattern) => core.partFromPattern(pattern, pattern.name));
    const donors = partsOf(donor);
    const grid = new core.Grid(donors, partsOf(recipient), context);
    donors.forEach((_, at) => grid.row(at));
  }),
);
tell('the three grids together', together(grids));

compare(`what else, ${patterns} blocks sorted and 20 cranks asked`, (core) => {
  const { context } = contextIn(core);
  const [blocks, cranks] = pools.map((pool) => pool.map((pattern) => core.partFromPattern(pattern, pattern.name)));
  const whatElse = new core.WhatElse('crank', blocks, 'recipient', context);
  for (const crank of cranks) whatElse.ask(crank, 50);
});

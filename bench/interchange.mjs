/**
 * Interchange over many parts: node bench/interchange.mjs [a side of the grid] [patterns for what else]
 *
 * The grid against the plain pairwise call on the same parts, with the same answers; and what else takes a part against
 * the full scan that asks the plain call of every pattern. The plain call is timed on a sample, as all of it would take
 * the better part of an hour, and the answers are compared on that sample.
 */
import { CatalogueLookup, Grid, partFromPattern, settingOf, swapParts, VERDICTS, verdictOf, WhatElse } from '@which-bore/core';
import { madeUpCatalogue } from './makeCatalogue.mjs';
import { madeUpParts } from './parts.mjs';

const side = Number(process.argv[2] ?? 1000);
const patterns = Number(process.argv[3] ?? 200_000);

const seconds = (from) => (performance.now() - from) / 1000;
const timed = (work) => {
  const from = performance.now();
  const result = work();
  return { result, took: seconds(from) };
};
const rate = (count, took) => `${Math.round(count / took).toLocaleString('en')} a second`;

const catalogue = new CatalogueLookup(madeUpCatalogue(Math.ceil((side / 23) * 343)));
const setting = settingOf(catalogue);
const partsOf = (kind, most) =>
  catalogue
    .ofKind(kind)
    .slice(0, most)
    .map((pattern) => partFromPattern(pattern, catalogue.label(pattern.id)));

for (const [donor, recipient] of [
  ['crank', 'block'],
  ['piston', 'block'],
  ['piston', 'rod'],
]) {
  const [donors, recipients] = [partsOf(donor, side), partsOf(recipient, side)];
  const { result: grid, took: laidOut } = timed(() => new Grid(donors, recipients, setting));
  const { result: rows, took: filled } = timed(() => donors.map((_, at) => grid.row(at)));
  const took = laidOut + filled;
  const sample = donors.flatMap((part, at) => (at % Math.ceil(donors.length / 6) === 0 ? [at] : []));
  const { result: plain, took: plainTook } = timed(() => sample.map((at) => recipients.map((other) => swapParts(donors[at], other, setting))));
  const pairs = donors.length * recipients.length;
  const plainPairs = sample.length * recipients.length;
  let differ = 0;
  sample.forEach((at, row) => recipients.forEach((_, column) => (differ += verdictOf(rows[at][column]) === plain[row][column].verdict ? 0 : 1)));
  const checks = plain.flat().reduce((sum, { checks: count }) => sum + count, 0);
  console.log(`${donor} into ${recipient}: ${donors.length} x ${recipients.length}`);
  console.log(`  grid ${took.toFixed(2)} s, ${rate(pairs, took)}; plain call ${rate(plainPairs, plainTook)}, ${rate(checks, plainTook)} checks`);
  console.log(`  ${(pairs / took / (plainPairs / plainTook)).toFixed(0)} times; ${differ} of ${plainPairs} answers differ`);
}

const blocks = (await madeUpParts('block', patterns)).map((pattern) => partFromPattern(pattern, pattern.name));
const cranks = (await madeUpParts('crank', 200, 3)).map((pattern) => partFromPattern(pattern, pattern.name));
const before = process.memoryUsage();
const { result: whatElse, took: sorted } = timed(() => new WhatElse('crank', blocks, 'recipient', setting));
const after = process.memoryUsage();
console.log(`What else takes a crank, of ${blocks.length} blocks`);
console.log(
  `  sorted into classes in ${sorted.toFixed(1)} s, ${((after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6).toFixed(0)} MB`,
);
whatElse.ask(cranks[0], 50);
const asked = cranks.slice(1, 21);
const { result: answers, took: asking } = timed(() => asked.map((crank) => whatElse.ask(crank, 50)));
const [first] = asked;
const { result: scan, took: scanned } = timed(() => blocks.map((block) => swapParts(first, block, setting).verdict));
const same = VERDICTS.every((verdict) => scan.filter((each) => each === verdict).length === answers[0].counts[verdict]);
console.log(
  `  asked in ${((1000 * asking) / asked.length).toFixed(0)} ms; the full scan takes ${(1000 * scanned).toFixed(0)} ms: ${((scanned * asked.length) / asking).toFixed(0)} times, ${same ? 'the same counts' : 'OTHER COUNTS'}`,
);

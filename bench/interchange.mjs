/**
 * Interchange over many parts: node bench/interchange.mjs [a side of the grid] [patterns for what else]
 *
 * Against two opponents each. The plain call judges a pair with its sentences, its work and what that does elsewhere.
 * The fair one wants no more than a verdict and stops at the first check that refuses, as a competent person would
 * write it in an afternoon; of work that touches other checks it knows nothing. Both are timed on a sample, as all of
 * it would take the better part of an hour, and the answers are compared on that sample.
 */
import {
  CatalogueLookup,
  Grid,
  partFromPattern,
  swapContextOf,
  swapParts,
  VERDICTS,
  verdictOf,
  WhatElse,
} from '@which-bore/core';
import { assemblyOf } from '../core/dist/interchange/grid.js';
import { pairingOf } from '../core/dist/interchange/pairing.js';
import { verdictOfCheck } from '../core/dist/joints/index.js';
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
const context = swapContextOf(catalogue);
const partsOf = (kind, most) => catalogue.partsOfKind(kind).slice(0, most);

/** The verdicts of a donor on many recipients, nothing further looked at once one check refuses. */
function verdictsOnly(donor, recipients) {
  const { checks } = pairingOf(donor.kind, recipients[0].kind);
  return recipients.map((recipient) => {
    const assembly = assemblyOf(donor, recipient, context);
    let worst = 0;
    for (const { check } of checks) {
      worst = Math.max(worst, VERDICTS.indexOf(verdictOfCheck(check, assembly)));
      if (worst === VERDICTS.length - 1) break;
    }
    return VERDICTS[worst];
  });
}

for (const [donor, recipient] of [
  ['crank', 'block'],
  ['piston', 'block'],
  ['piston', 'rod'],
]) {
  const [donors, recipients] = [partsOf(donor, side), partsOf(recipient, side)];
  const { result: grid, took: laidOut } = timed(() => new Grid(donors, recipients, context));
  const { result: rows, took: filled } = timed(() => donors.map((_, at) => grid.row(at)));
  const took = laidOut + filled;
  const sample = donors.flatMap((part, at) => (at % Math.ceil(donors.length / 6) === 0 ? [at] : []));
  const { result: plain, took: plainTook } = timed(() =>
    sample.map((at) => recipients.map((other) => swapParts(donors[at], other, context))),
  );
  const pairs = donors.length * recipients.length;
  const plainPairs = sample.length * recipients.length;
  let differ = 0;
  sample.forEach((at, row) =>
    recipients.forEach((_, column) => (differ += verdictOf(rows[at][column]) === plain[row][column].verdict ? 0 : 1)),
  );
  const checks = plain.flat().reduce((sum, { checks: count }) => sum + count, 0);
  console.log(`${donor} into ${recipient}: ${donors.length} x ${recipients.length}`);
  console.log(
    `  grid ${took.toFixed(2)} s, ${rate(pairs, took)}; plain call ${rate(plainPairs, plainTook)}, ${rate(checks, plainTook)} checks`,
  );
  console.log(
    `  ${(pairs / took / (plainPairs / plainTook)).toFixed(0)} times the plain call; ${differ} of ${plainPairs} answers differ`,
  );
  const { result: fair, took: fairTook } = timed(() => sample.map((at) => verdictsOnly(donors[at], recipients)));
  // Work that mends one check and spoils another is all that the fair one cannot know.
  const otherwise = sample.reduce(
    (sum, at, row) => sum + fair[row].filter((verdict, column) => verdict !== verdictOf(rows[at][column])).length,
    0,
  );
  console.log(
    `  ${(pairs / took / (plainPairs / fairTook)).toFixed(1)} times the loop that wants a verdict only (wanted: 20 or more), which says otherwise of ${otherwise} pairs`,
  );
}

const blocks = (await madeUpParts('block', patterns)).map((pattern) => partFromPattern(pattern, pattern.name));
const cranks = (await madeUpParts('crank', 200, 3)).map((pattern) => partFromPattern(pattern, pattern.name));
const before = process.memoryUsage();
const { result: whatElse, took: sorted } = timed(() => new WhatElse('crank', blocks, 'recipient', context));
const after = process.memoryUsage();
console.log(`What else takes a crank, of ${blocks.length} blocks`);
console.log(
  `  sorted into classes in ${sorted.toFixed(1)} s, ${((after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6).toFixed(0)} MB`,
);
whatElse.ask(cranks[0], 50);
const asked = cranks.slice(1, 21);
const { result: answers, took: asking } = timed(() => asked.map((crank) => whatElse.ask(crank, 50)));
const [first] = asked;
const { result: scan, took: scanned } = timed(() => blocks.map((block) => swapParts(first, block, context).verdict));
const same = VERDICTS.every((verdict) => scan.filter((each) => each === verdict).length === answers[0].counts[verdict]);
const { took: fairly } = timed(() => verdictsOnly(first, blocks));
console.log(
  `  against the scan that wants a verdict only, ${(1000 * fairly).toFixed(0)} ms: ${((fairly * asked.length) / asking).toFixed(0)} times once it is sorted; ${(fairly / (sorted + asking / asked.length)).toFixed(2)} times where it is sorted for one question alone (wanted: 10 or more with all it costs), even after ${Math.ceil(sorted / (fairly - asking / asked.length))} questions`,
);
console.log(
  `  asked in ${((1000 * asking) / asked.length).toFixed(0)} ms; the full scan takes ${(1000 * scanned).toFixed(0)} ms: ${((scanned * asked.length) / asking).toFixed(0)} times, ${same ? 'the same counts' : 'OTHER COUNTS'}`,
);

/**
 * Likely values: node bench/likely.mjs [seeds]
 *
 * How often what is called likely proves right, by how surely it is called so. Each value that is known is asked for as
 * if it were not (leave one out), over the demo, over the demo with half of all values left out, and over a made-up
 * catalogue with half left out. Aim: of what is called likely at 90 %, nine in ten are so. The baseline is what most of
 * the family have, called as sure as its share.
 */
import { readFile } from 'node:fs/promises';
import { CatalogueLookup } from '../core/dist/catalogue/lookup.js';
import { agree, entryOf, LikelyValues } from '../core/dist/catalogue/likelyValues.js';
import { thinned } from '../core/dist/interchange/halfKnown.js';
import { madeUpCatalogue } from './makeCatalogue.mjs';
import { random } from './random.mjs';

const seeds = Number(process.argv[2] ?? 3);
const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
const BINS = [
  [0.95, 1],
  [0.9, 0.95],
  [0.8, 0.9],
  [0.6, 0.8],
  [0, 0.6],
];

/** What most of the family have, and how many of those that are known. */
function mostHave(lookup, parts, mine, id) {
  const family = lookup.pattern(mine.pattern)?.family;
  const values = parts.flatMap((part) =>
    part === mine || lookup.pattern(part.pattern)?.family !== family ? [] : (entryOf(part, id) ?? []),
  );
  const counted = values.map((is) => ({ is, count: values.filter((other) => agree(is, other)).length }));
  const [best] = counted.sort((a, b) => b.count - a.count);
  return best && { is: best.is, probability: best.count / values.length };
}

function calibrate(name, full, less) {
  const [whole, thin] = [new CatalogueLookup(full), new CatalogueLookup(less)];
  const likely = new LikelyValues(thin);
  const told = { ours: [], most: [] };
  for (const kind of new Set(full.patterns.map((pattern) => pattern.kind))) {
    const parts = thin.partsOfKind(kind);
    const at = new Map(parts.map((part) => [part.pattern, part]));
    for (const truth of whole.partsOfKind(kind)) {
      const mine = at.get(truth.pattern);
      const ids = [truth.values, truth.looks, truth.interfaces].flatMap((entries) => Object.keys(entries));
      for (const id of ids) {
        if (full !== less && entryOf(mine, id) !== undefined) continue;
        const is = entryOf(truth, id);
        for (const [by, found] of [
          ['ours', likely.of(truth.pattern, id)],
          ['most', mostHave(thin, parts, mine, id)],
        ])
          if (found) told[by].push({ probability: found.probability, right: agree(found.is, is) });
      }
    }
  }
  for (const [by, list] of Object.entries(told))
    console.log(
      `${name}, ${by === 'ours' ? 'likely values' : 'what most of the family have'}: ` +
        BINS.map(([low, high]) => {
          const those = list.filter(({ probability }) => probability >= low && (probability < high || high === 1));
          const share = (sum) => (those.length === 0 ? '-' : `${((100 * sum) / those.length).toFixed(1)} %`);
          const said = those.reduce((sum, { probability }) => sum + probability, 0);
          return `${low} to ${high}: ${those.length}, said ${share(said)}, right ${share(those.filter(({ right }) => right).length)}`;
        }).join('; '),
    );
}

calibrate('demo', demo, demo);
for (let seed = 1; seed <= seeds; seed++)
  calibrate(`demo, half left out, seed ${seed}`, demo, thinned(demo, 0.5, random(seed)));
const made = madeUpCatalogue(3000, 1);
calibrate(`${made.patterns.length} made-up patterns, half left out`, made, thinned(made, 0.5, random(1)));

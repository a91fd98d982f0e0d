/**
 * What a change of a build costs, and its tolerances: node bench/builds.mjs
 *
 * Against what one would write first: every figure of every cylinder worked out from its formula for each corner of its
 * tolerances, nothing shared between figures or cylinders; and a plain loop over the same formula for the tolerances.
 */
import { once } from 'node:events';
import { readFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { median } from 'simple-statistics';
import {
  buildSheetOf,
  CatalogueLookup,
  engineOf,
  FIGURES,
  figureOf,
  Intervals,
  random,
  swapContextOf,
  ToleranceModel,
  Varied,
} from '@which-bore/core';

const catalogue = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
const lookup = {
  catalogue: new CatalogueLookup(catalogue),
  context: swapContextOf(new CatalogueLookup(catalogue)),
  specimens: [],
  takenFor: () => undefined,
};
const made = (build) => engineOf(build, lookup);
/** A V8 of which every cylinder was measured. */
const build = {
  id: 'bench',
  name: 'V8, measured',
  variant: 'sluice-357',
  places: [],
  sizes: Array.from({ length: 8 }, (_, at) => ({
    of: 'block.bore',
    at: at + 1,
    value: 101.08 + at * 0.004,
    unit: 'mm',
    within: 0.004,
  })),
};
const TURNS = 15;
const milliseconds = (work) => {
  const took = Array.from({ length: TURNS }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return median(took);
};
const say = (what, mine, plain) =>
  console.log(`${what}: ${mine.toFixed(2)} ms, plainly ${plain.toFixed(2)} ms, ${(plain / mine).toFixed(1)} times`);

/** The same by recursion, input by input, with nothing kept; and all corners of what a figure reads in the end. */
function plainSheet() {
  const engine = made(build);
  const valueOf = (input, spot, ends) => {
    switch (input.reads) {
      case 'size': {
        const taken = engine.size(input.parameter, spot, input.slot);
        if (!taken) return undefined;
        const key = `${input.parameter.id} ${taken.each ? (spot?.at ?? '') : ''}`;
        return ends(key, taken.interval);
      }
      case 'first':
        for (const each of input.of) {
          const found = valueOf(each, spot, ends);
          if (found !== undefined) return found;
        }
        return undefined;
      case 'orElse':
        return valueOf(input.of, spot, ends) ?? input.value;
      case 'chosen': {
        const own = valueOf({ reads: 'size', parameter: input.parameter }, spot, ends);
        if (own !== undefined) return own;
        const chosen = input.choose(engine, spot);
        return chosen && ends(`${input.parameter.id} ${spot?.at ?? ''}`, chosen.is);
      }
      case 'told':
        return input.tell(engine, spot);
      case 'figure':
        return figureAt(input.figure, input.figure.per === 'engine' ? undefined : spot, ends);
      case 'over': {
        const all = spotsOf(input.figure).map((each) => figureAt(input.figure, each, ends));
        if (all.some((each) => each === undefined)) return undefined;
        const [least, most] = [Math.min(...all), Math.max(...all)];
        const sum = all.reduce((a, b) => a + b, 0);
        return { least, greatest: most, spread: most - least, sum, mean: sum / all.length }[input.how];
      }
    }
  };
  const figureAt = (figure, spot, ends) => {
    if (figure.arises?.(engine) === false) return undefined;
    const of = {};
    for (const [name, input] of Object.entries(figure.of)) {
      const found = valueOf(input, spot, ends);
      if (found === undefined) return undefined;
      of[name] = found;
    }
    return figure.compute(of, engine);
  };
  const spotsOf = ({ per }) =>
    per === 'engine' ? [undefined] : Array.from({ length: engine.count(per) }, (_, at) => ({ row: per, at: at + 1 }));
  let told = 0;
  for (const figure of FIGURES)
    for (const spot of spotsOf(figure)) {
      const keys = new Set();
      const value = figureAt(figure, spot, (key, { low, high }) => {
        if (low < high) keys.add(key);
        return (low + high) / 2;
      });
      if (value === undefined) continue;
      told++;
      // Over a whole engine all corners are out of reach: each size by itself, as one would do then.
      const list = [...keys];
      const corners = list.length <= 6 ? 1 << list.length : 2 * list.length;
      for (let corner = 0; corner < corners; corner++)
        figureAt(figure, spot, (key, { low, high }) => {
          const at = list.indexOf(key);
          if (at < 0) return (low + high) / 2;
          if (list.length <= 6) return (corner >> at) & 1 ? high : low;
          return at === corner >> 1 ? (corner & 1 ? high : low) : (low + high) / 2;
        });
    }
  return told;
}
const plainly = milliseconds(plainSheet);
say(
  'all figures of a V8, every cylinder measured, for the first time',
  milliseconds(() => buildSheetOf(made(build))),
  plainly,
);
// As in Plan: one bore is typed anew, and what does not go by it is known from the sheet before.
const intervals = new Intervals();
let typed = 0;
const changed = () => {
  const sizes = build.sizes.map((size) => (size.at === 4 ? { ...size, value: size.value + ++typed / 10_000 } : size));
  buildSheetOf(made({ ...build, sizes }), FIGURES, intervals);
};
changed();
say('a changed number to all figures', milliseconds(changed), plainly);

const ENGINES = 4000;
for (const id of ['squish', 'ratio']) {
  const model = new ToleranceModel(made(build), figureOf(id));
  const mine = milliseconds(() => model.run({ spread: 'uniform', oneSetup: [], engines: ENGINES, seed: 1 }));
  // A plain loop over the formula written out by hand, for the same eight cylinders.
  const engine = made(build);
  const band = (parameterOf, spot) => engine.size(parameterOf, spot)?.interval ?? { low: 0, high: 0 };
  const read = (figure, name) => {
    const input = figureOf(figure).of[name];
    return (input.reads === 'first' ? input.of[input.of.length - 1] : input).parameter;
  };
  const [deck, stroke, rod, height] = ['deck', 'stroke', 'rod', 'height'].map((name) => band(read('belowDeck', name)));
  const gasket = band(read('squish', 'gasket'));
  const chamber = band(read('clearance', 'chamber'));
  const hole = band(read('gasketVolume', 'hole'));
  const plain = milliseconds(() => {
    const next = random(1);
    const between = ({ low, high }) => low + (high - low) * next();
    let sum = 0;
    for (let each = 0; each < ENGINES; each++) {
      const [decked, throwOf, crushed, bored] = [between(deck), between(stroke), between(gasket), between(hole)];
      for (let cylinder = 1; cylinder <= 8; cylinder++) {
        const below = decked - throwOf / 2 - between(rod) - between(height);
        if (id === 'squish') sum += below + crushed;
        else {
          const bore = 101.08 + cylinder * 0.004;
          const disc = (diameter, high) => ((Math.PI / 4) * diameter * diameter * high) / 1000;
          const over = between(chamber) + disc(bored, crushed) + disc(bore, below) + 11.6;
          sum += (disc(bore, throwOf) + over) / over;
        }
      }
    }
    return sum;
  });
  console.log(
    `tolerance of the ${id}: ${Math.round((ENGINES * 8) / mine)} thousand cylinders a second, ` +
      `by a loop written out by hand ${Math.round((ENGINES * 8) / plain)}, ${(mine / plain).toFixed(2)} times its time`,
  );
}

// As in the browser and on the server: pieces of a thousand, each to whichever worker is free.
const PIECES = 24;
async function inWorkers(count) {
  const workers = Array.from({ length: count }, () => new Worker(new URL('./toleranceWorker.mjs', import.meta.url)));
  await Promise.all(workers.map((worker) => once(worker, 'message')));
  const from = performance.now();
  let next = 0;
  await Promise.all(
    workers.map(async (worker) => {
      while (next < PIECES) {
        worker.postMessage({ build, figure: 'ratio', engines: 1000, seed: next++ });
        await once(worker, 'message');
      }
    }),
  );
  const took = performance.now() - from;
  await Promise.all(workers.map((worker) => worker.terminate()));
  return took;
}
const several = Math.max(2, availableParallelism());
const [alone, together] = [await inWorkers(1), await inWorkers(several)];
console.log(
  `tolerance of the ratio in ${several} workers: ${Math.round((PIECES * 8000) / together)} thousand cylinders a second, ` +
    `${(alone / together).toFixed(2)} times one worker`,
);

const varied = new Varied(build, made, ['headGasket.thickness', 'head.chamber.volume'], [1, 65], [figureOf('ratio')]);
const SIDE = 200;
const map = milliseconds(() => {
  for (let across = 0; across < SIDE; across++)
    for (let up = 0; up < SIDE; up++) varied.at([0.6 + across / 200, 55 + up / 10]);
});
console.log(`a map of ${SIDE} by ${SIDE}: ${map.toFixed(0)} ms`);

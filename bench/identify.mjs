/**
 * Identification over 200,000 made-up cranks, one more reading at a time, in one run with two yardsticks: a plain loop
 * over pattern objects that does the same sum, and the time to read the touched columns once from memory. Prints
 * ratios; it is no timed test.
 */
import {
  advise,
  bytesOf,
  estimate,
  Identification,
  indexCatalogue,
  INSTRUMENTS,
  readEntry,
  toInside,
} from '@which-bore/core';
import { sizeFrom } from '../core/dist/catalogue/size.js';
import { ASSUMED } from '../core/dist/identify/assumptions.js';
import { chanceDensity, sizeDensity } from '../core/dist/identify/sizeLikelihood.js';
import { Aligner, logChance } from '../core/dist/marks/alignment.js';
import { normaliseMark, readMark } from '../core/dist/marks/markText.js';
import { featureOf, parameterOf } from '../core/dist/dictionary/index.js';
import { madeUpParts } from './parts.mjs';

const COUNT = 200_000;
const patterns = await madeUpParts('crank', COUNT);
const target = patterns[4711];
const size = (id) => `${target.dimensions[id].low}${target.dimensions[id].unit}`;
const entry = `cast ${target.marks[0].text.slice(0, 2)}?${target.marks[0].text.slice(3)} main ${size('crank.mainJournal.diameter')} mic pin ${size('crank.crankpin.diameter')} mic stroke ${size('crank.stroke')} caliper ${target.features['crank.counterweights']} weights`;
const readings = readEntry(entry, 'crank').words;

/** The same sum, pattern by pattern over the objects of the catalogue, nothing laid out or shared beforehand. */
function plainLoop() {
  const totals = new Float64Array(patterns.length);
  for (const reading of readings) {
    const likelihood = new Float64Array(patterns.length).fill(-1);
    let chance = 0;
    let share = 0;
    if (reading.sort === 'size') {
      const parameter = parameterOf(reading.parameter);
      const measured = estimate(
        reading.values.map((value) => toInside(value, reading.unit)),
        INSTRUMENTS[reading.instrument],
      );
      chance = chanceDensity(parameter, measured.mean);
      share = ASSUMED.sharedSize;
      patterns.forEach((pattern, row) => {
        const dimension = pattern.dimensions[reading.parameter];
        if (dimension) likelihood[row] = sizeDensity(sizeFrom(dimension, parameter), parameter, measured);
      });
    } else if (reading.sort === 'mark') {
      const positions = readMark(reading.characters);
      chance = Math.exp(logChance(positions));
      share = ASSUMED.sharedMark;
      const aligner = new Aligner(positions, reading.making);
      patterns.forEach((pattern, row) => {
        let best = 0;
        for (const mark of [
          ...pattern.marks,
          ...pattern.numbers.map(({ number }) => ({ text: number, making: 'tag' })),
        ]) {
          const found = aligner.logLikelihood(normaliseMark(mark.text));
          best = Math.max(
            best,
            Math.exp(found) *
              (mark.making !== 'tag' && reading.making && mark.making !== reading.making ? ASSUMED.elsewhere : 1),
          );
        }
        likelihood[row] = (1 - ASSUMED.markUnrecorded) * best + ASSUMED.markUnrecorded * chance;
      });
    } else if (reading.sort === 'look') {
      const feature = featureOf(reading.feature);
      const options = Math.min(6, feature.form.count.high - feature.form.count.low + 1);
      patterns.forEach((pattern, row) => {
        const option = pattern.features[reading.feature];
        if (option !== undefined)
          likelihood[row] = option === reading.option ? 1 - feature.misjudged : feature.misjudged / (options - 1);
      });
      const stated = likelihood.filter((each) => each >= 0);
      const unknown = (stated.reduce((sum, each) => sum + each, 0) + 1) / (stated.length + options);
      likelihood.forEach((each, row) => each >= 0 && (totals[row] += Math.log(each / unknown)));
      continue;
    }
    let sum = 0;
    let stated = 0;
    for (const each of likelihood) if (each >= 0) [sum, stated] = [sum + each, stated + 1];
    const unknown = (1 - share) * chance + share * (sum / stated);
    const mistaken = reading.sort === 'size' ? ASSUMED.sizeMistaken : 0;
    likelihood.forEach(
      (each, row) => each >= 0 && (totals[row] += Math.log(((1 - mistaken) * each + mistaken * chance) / unknown)),
    );
  }
  let top = 0;
  totals.forEach((each, row) => each > totals[top] && (top = row));
  return patterns[top].id;
}

function median(run, times) {
  const taken = [];
  for (let at = 0; at < times; at++) {
    const start = performance.now();
    run();
    taken.push(performance.now() - start);
  }
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)];
}

const before = process.memoryUsage().rss;
const start = performance.now();
const index = indexCatalogue('crank', { patterns });
const built = performance.now() - start;
const grown = process.memoryUsage().rss - before;

const fromColumns = new Identification(index).read(readings).lineUp(1).candidates[0].pattern;
const fromLoop = plainLoop();
if (fromColumns !== fromLoop) throw new Error(`The two do not agree: ${fromColumns} and ${fromLoop}.`);

/** The line-up and the next check, after one more reading than before: a size is taken off and put on again. */
const identification = new Identification(index).read(readings);
const all = readings;
const toggled = all.find((reading) => reading.sort === 'size');
let withSize = true;
function oneMore() {
  withSize = !withSize;
  const now = withSize ? all : all.filter((reading) => reading !== toggled);
  identification.read(now);
  identification.lineUp(6);
  advise(identification, { readings: now }, 1);
}
/** The same for the reading that costs the most, a worn mark. */
const mark = all.find((reading) => reading.sort === 'mark');
const others = all.filter((reading) => reading !== mark);
function oneMark() {
  identification.read(others);
  const started = performance.now();
  identification.read(all);
  identification.lineUp(6);
  advise(identification, { readings: all }, 1);
  return performance.now() - started;
}

/** Every code of the columns that the readings touch, read once. */
const touched = all.flatMap((reading) => {
  if (reading.sort === 'size') return [index.sizes.get(reading.parameter).codes];
  if (reading.sort === 'look') return [index.looks.get(reading.feature).codes];
  return [];
});
/** One loop for each width of code, so that the engine compiles it as tightly as it can. */
const sums = [16, 32].map(
  () =>
    new Function('codes', 'let sum = 0; for (let row = 0; row < codes.length; row++) sum += codes[row]; return sum;'),
);
let read = 0;
function readOnce() {
  for (const codes of touched) read += sums[codes instanceof Uint16Array ? 0 : 1](codes);
}

for (let at = 0; at < 20; at++) [oneMore(), readOnce()];
const update = median(oneMore, 41);
const reading = median(readOnce, 41);
const worn = Array.from({ length: 15 }, oneMark).sort((a, b) => a - b)[7];
const whole = median(() => new Identification(index).read(readings).lineUp(6), 9);
const loop = median(plainLoop, 3);
/** One more size, over what was read before: the line-up alone. */
const nose = readEntry(`nose ${size('crank.nose.diameter')} mic`, 'crank').words;
const more = [...all, ...nose];
function oneSize() {
  identification.read(all);
  const started = performance.now();
  identification.read(more);
  identification.lineUp(6);
  return performance.now() - started;
}
/**
 * The fair opponent: it took the limits of the size out of the catalogue once, keeps what was read before, and adds the
 * new reading alone.
 */
const [{ parameter: id, values: noses, unit, instrument }] = nose;
const noseParameter = parameterOf(id);
const limits = patterns.map(({ dimensions }) => dimensions[id] && sizeFrom(dimensions[id], noseParameter));
const sofar = new Float64Array(patterns.length);
function addedAlone() {
  const measured = estimate(
    noses.map((value) => toInside(value, unit)),
    INSTRUMENTS[instrument],
  );
  const chance = chanceDensity(noseParameter, measured.mean);
  const likelihood = new Float64Array(patterns.length);
  let [sum, stated] = [0, 0];
  for (let row = 0; row < limits.length; row++) {
    if (!limits[row]) continue;
    likelihood[row] = sizeDensity(limits[row], noseParameter, measured);
    [sum, stated] = [sum + likelihood[row], stated + 1];
  }
  const unknown = (1 - ASSUMED.sharedSize) * chance + ASSUMED.sharedSize * (sum / stated);
  const totals = new Float64Array(patterns.length);
  const best = [];
  for (let row = 0; row < limits.length; row++) {
    totals[row] =
      sofar[row] +
      (limits[row]
        ? Math.log(((1 - ASSUMED.sizeMistaken) * likelihood[row] + ASSUMED.sizeMistaken * chance) / unknown)
        : 0);
    if (best.length < 6 || totals[row] > totals[best[5]]) {
      best.push(row);
      best.sort((a, b) => totals[b] - totals[a]);
      best.length = Math.min(6, best.length);
    }
  }
  return best;
}
const added = Array.from({ length: 15 }, oneSize).sort((a, b) => a - b)[7];
const alone = median(addedAlone, 9);

const ms = (time) => `${time.toFixed(2)} ms`;
console.log(`Identification over ${COUNT.toLocaleString('en')} cranks, ${readings.length} readings (${entry})`);
console.log(`  one more reading: line-up and next check       ${ms(update)}`);
console.log(`  the same for a mark with a character unread    ${ms(worn)}`);
console.log(`  all readings at once, line-up only             ${ms(whole)}`);
console.log(
  `  plain loop over objects, same sum              ${ms(loop)}: ${(loop / update).toFixed(0)} times one more reading (wanted: 50 or more)`,
);
console.log(
  `  one more size, line-up only                    ${ms(added)}; a loop that parsed once and adds it alone ${ms(alone)}: ${(alone / added).toFixed(1)} times (wanted: 50 or more)`,
);
console.log(
  `  reading the ${touched.length} touched columns once            ${ms(reading)}: one more reading takes ${(update / reading).toFixed(1)} times that (wanted: 10 or less)`,
);
console.log(
  `  index built in ${built.toFixed(0)} ms; ${(bytesOf(index) / 1e6).toFixed(1)} MB in typed arrays, ${(grown / 1e6).toFixed(0)} MB of memory in all; ${read > 0 ? '' : '?'}both name ${fromColumns}${fromColumns === target.id ? ', which is right' : ''}`,
);

/**
 * Identification over 20,000 made-up cranks: the columns of the core against a plain loop over pattern objects that
 * does the same sum, in one run. Prints ratios; it is no timed test.
 */
import { identify, indexCatalogue, INSTRUMENTS, readEntry, estimate, toInside } from '@which-bore/core';
import { sizeFrom } from '../core/dist/catalogue/size.js';
import { ASSUMED } from '../core/dist/identify/assumptions.js';
import { chanceDensity, sizeDensity } from '../core/dist/identify/sizeLikelihood.js';
import { Aligner, logChance } from '../core/dist/marks/alignment.js';
import { normaliseMark, readMark } from '../core/dist/marks/markText.js';
import { featureOf, parameterOf } from '../core/dist/dictionary/index.js';
import { madeUpCranks } from './cranks.mjs';

const COUNT = 20_000;
const patterns = await madeUpCranks(COUNT);
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
        for (const mark of [...pattern.marks, ...pattern.numbers.map(({ number }) => ({ text: number, making: 'tag' }))]) {
          const found = aligner.logLikelihood(normaliseMark(mark.text));
          best = Math.max(best, Math.exp(found) * (mark.making !== 'tag' && reading.making && mark.making !== reading.making ? ASSUMED.elsewhere : 1));
        }
        likelihood[row] = (1 - ASSUMED.markUnrecorded) * best + ASSUMED.markUnrecorded * chance;
      });
    } else if (reading.sort === 'look') {
      const feature = featureOf(reading.feature);
      const options = Math.min(6, feature.form.count.high - feature.form.count.low + 1);
      patterns.forEach((pattern, row) => {
        const option = pattern.features[reading.feature];
        if (option !== undefined) likelihood[row] = option === reading.option ? 1 - feature.misjudged : feature.misjudged / (options - 1);
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
    likelihood.forEach((each, row) => each >= 0 && (totals[row] += Math.log(((1 - mistaken) * each + mistaken * chance) / unknown)));
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

const start = performance.now();
const index = indexCatalogue('crank', patterns);
const built = performance.now() - start;
const [fromColumns, fromLoop] = [identify(index, readings).candidates[0].pattern, plainLoop()];
if (fromColumns !== fromLoop) throw new Error(`The two do not agree: ${fromColumns} and ${fromLoop}.`);
for (let at = 0; at < 3; at++) identify(index, readings);
const columns = median(() => identify(index, readings), 15);
const loop = median(plainLoop, 5);
console.log(`Identification over ${COUNT.toLocaleString('en')} cranks, ${readings.length} readings (${entry})`);
console.log(`  columns of the core   ${columns.toFixed(1)} ms`);
console.log(`  plain loop, same sum  ${loop.toFixed(1)} ms`);
console.log(`  ratio                 ${(loop / columns).toFixed(1)} times`);
console.log(`  index built once in   ${built.toFixed(0)} ms; both name ${fromColumns}${fromColumns === target.id ? ', which is right' : ''}`);

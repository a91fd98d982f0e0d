/**
 * Interchange with less data: node bench/half-known.mjs [share left out] [seeds]
 *
 * Every size, look and face of the demo is left out with the same chance, and each pair is judged with what is left.
 * The baseline is the answer with all data. Aims at half of the data: 80 % of true fits told as fits or with nothing
 * against them, 75 % of true refusals still refused, no wrong fit, a right partner among the first three in 80 %.
 */
import { readFile } from 'node:fs/promises';
import { halfKnown, thinned } from '../core/dist/interchange/halfKnown.js';
import { random } from './random.mjs';

const shares = process.argv[2] ? [Number(process.argv[2])] : [0.1, 0.25, 0.5];
const seeds = Number(process.argv[3] ?? 5);
const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));

const percent = (part, whole) => `${((100 * part) / whole).toFixed(1)} %`;
for (const share of shares)
  for (let seed = 1; seed <= seeds; seed++) {
    const found = halfKnown(demo, thinned(demo, share, random(seed)));
    console.log(
      `${percent(share, 1)} left out, seed ${seed}: of ${found.fits} true fits ${percent(found.fitsTold, found.fits)} told as fits or nothing against it (${percent(found.fitsWithDataTold, found.fitsWithData)} of the ${found.fitsWithData} of which half of what decides is known), ${found.fitsRefused} refused; ` +
        `of ${found.refused} refusals ${percent(found.refusedStill, found.refused)} refused still; wrong fits ${found.wrongFits}; ` +
        `right partner among the first three in ${percent(found.rightAmongThree, found.asked)} of ${found.asked}, without what is on record together ${percent(found.rightWithoutRecords, found.asked)}`,
    );
  }
